import { lowBarn } from '../../testing/tanks';
import { applyEdit } from '../edit';
import { Room } from '../room';
import { addBred, addBrood, addLine, dropBred, dropBrood, dropLine, sawStage, setBred, setBrood } from './brood-edits';
import type { Operation } from 'rfc6902';

const apply = (patch: Operation[]) => applyEdit(lowBarn, patch, Room);
const read = (patch: Operation[]) => {
  const done = apply(patch);
  if (!done.ok) throw new Error(done.refusals.map(({ reason }) => reason).join());
  return done.document;
};

describe('edits of lines and broods', () => {
  it('add, change and take out, and each goes back to where it was', () => {
    const brood = lowBarn.broods['thicket-november']!;
    const line = lowBarn.lines['broad-spot']!;
    const hen = lowBarn.bred['g-f4h']!;
    for (const patch of [
      addLine(lowBarn, 'new', line),
      addBred(lowBarn, 'new', hen),
      addBrood(lowBarn, 'new', brood),
      setBred('g-f4h', 'fate', 'pet'),
      setBrood('thicket-november', 'hatched', 18),
      sawStage('thicket-november', 'second-food', '2026-11-29', brood),
      sawStage('thicket-november', 'hatched', null, brood),
      dropBrood('thicket-june'),
      dropBred(lowBarn, 'g-f4h'),
      dropLine(lowBarn, 'broad-spot'),
    ]) {
      const done = apply(patch);
      expect(done.ok).withContext(JSON.stringify(patch)).toBeTrue();
      if (!done.ok) continue;
      const back = applyEdit(done.document, done.inverse, Room);
      expect(back.ok && { ...back.document, rev: 0 }).toEqual({ ...lowBarn, rev: 0 });
    }
  });

  it('leave no young with a parent that is gone, and no animal in a line that is', () => {
    const { bred, broods } = read(dropBred(lowBarn, 'g-f4h'));
    expect(bred['g-f5h']!.motherId).toBeNull();
    expect(bred['g-f5h']!.fatherIds).toEqual(['g-f4c']);
    expect(broods['thicket-august']!.motherId).toBeNull();
    const unlined = read(dropLine(lowBarn, 'broad-spot')).bred;
    expect(Object.values(unlined).filter(({ lineId }) => lineId === 'broad-spot')).toEqual([]);
  });

  it('are refused with the reason where it cannot have been', () => {
    const why = (patch: Operation[]) => {
      const done = apply(patch);
      return done.ok ? 'taken' : done.refusals.map(({ path, reason }) => `${path}: ${reason}`).join();
    };
    expect(why(setBrood('thicket-november', 'hatched', 40))).toMatch(/hatched: 40 cannot hatch of 28 eggs/);
    expect(why(setBred('g-f4h', 'motherId', 'g-f5h'))).toMatch(/older than its young/);
    expect(why(setBrood('thicket-november', 'motherId', 'm-founders'))).toMatch(/of another kind/);
    expect(sawStage('thicket-november', 'mature', null, lowBarn.broods['thicket-november']!)).toEqual([]);
  });
});
