/** A place from the left and from the front, or up, millimetres. */
export type Dab = readonly [number, number];

/** Most that one stroke sets. */
const MOST = 60;

/** Where a brush has been, no two dabs closer than its size: what is gone over twice is not planted twice. */
export function dabbed(dabs: readonly Dab[], at: Dab, apartMm: number): readonly Dab[] {
  const close = dabs.some(([x, y]) => Math.hypot(x - at[0], y - at[1]) < apartMm);
  return close || dabs.length >= MOST ? dabs : [...dabs, at];
}
