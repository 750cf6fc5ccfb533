import { freshId } from './fresh-id';

describe('a fresh id', () => {
  it('keeps its place in a table: the last that was added stands last', () => {
    const ids = Array.from({ length: 400 }, freshId);
    expect(Object.keys(Object.fromEntries(ids.map((id) => [id, 1])))).toEqual(ids);
    expect(new Set(ids).size).toBe(400);
  });
});
