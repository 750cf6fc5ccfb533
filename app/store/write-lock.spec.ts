import { acquireWriteLock } from './write-lock';

describe('the write lock of a design', () => {
  it('goes to one holder, and to the next when it is let go', async () => {
    const first = await acquireWriteLock('spec-a', false, () => undefined);
    expect(first).not.toBeNull();
    expect(await acquireWriteLock('spec-a', false, () => undefined)).toBeNull();
    const other = await acquireWriteLock('spec-b', false, () => undefined);
    expect(other).not.toBeNull();
    first!.release();
    await new Promise((resolve) => setTimeout(resolve, 20));
    const again = await acquireWriteLock('spec-a', false, () => undefined);
    expect(again).not.toBeNull();
    again!.release();
    other!.release();
  });

  it('can be taken over, and the loser is told', async () => {
    const lost = jasmine.createSpy('lost');
    await acquireWriteLock('spec-c', false, lost);
    const thief = await acquireWriteLock('spec-c', true, () => undefined);
    expect(thief).not.toBeNull();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(lost).toHaveBeenCalledTimes(1);
    thief!.release();
  });
});
