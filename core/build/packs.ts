/** How a thing is sold: pack sizes in its own measure, smallest first; null for by the piece. Common practice. */
export const SOLD = {
  soil: [1, 3, 9],
  sand: [1, 2, 5, 10, 25],
  stone: [1],
  media: [0.5, 1, 5],
  salt: [100, 250, 500, 1000, 4000],
  leaves: [10, 25, 50, 100],
  water: [5, 10, 25],
} as const satisfies Record<string, readonly number[]>;
export type SoldAs = keyof typeof SOLD;

/** What is added for breakage, loss in rinsing, and what does not take. Common practice. */
export const SPARE: Readonly<Record<SoldAs | 'plants' | 'piece', number>> = {
  soil: 0.05,
  sand: 0.05,
  stone: 0.15,
  media: 0,
  salt: 0.05,
  leaves: 0.1,
  water: 0.1,
  plants: 0.1,
  piece: 0,
};

/**
 * Packs that hold an amount: with the least left over, and of these the fewest packs.
 *
 * @param amount in the measure of the packs, 0 and up
 * @returns packs by size, largest first, and what they hold together
 */
export function packed(amount: number, sold: SoldAs): { packs: readonly { size: number; count: number }[]; holds: number } {
  const sizes = [...SOLD[sold]].sort((a, b) => b - a);
  if (!(amount > 1e-9)) return { packs: [], holds: 0 };
  const least = sizes.at(-1)!;
  // in units of the smallest pack every size is whole, or a tenth of it
  const unit = sizes.every((size) => Math.abs(size / least - Math.round(size / least)) < 1e-9) ? least : least / 10;
  const whole = sizes.map((size) => Math.round(size / unit));
  const wanted = Math.ceil(amount / unit - 1e-9);
  const [largest] = [Math.max(...whole)];
  // what is far above the largest pack is filled with it, and the rest is searched
  const bulk = Math.max(0, Math.floor((wanted - 4 * largest) / largest));
  const rest = wanted - bulk * largest;
  const most = rest + largest;
  const fewest = new Array<number>(most + 1).fill(Infinity);
  const by = new Array<number>(most + 1).fill(-1);
  fewest[0] = 0;
  for (let total = 1; total <= most; total++)
    for (const [i, size] of whole.entries())
      if (size <= total && fewest[total - size]! + 1 < fewest[total]!) {
        fewest[total] = fewest[total - size]! + 1;
        by[total] = i;
      }
  let at = rest;
  while (at <= most && !Number.isFinite(fewest[at]!)) at++;
  const counts = sizes.map(() => 0);
  counts[whole.indexOf(largest)] = bulk;
  let left = at;
  while (left > 0) {
    counts[by[left]!]!++;
    left -= whole[by[left]!]!;
  }
  const packs = sizes.flatMap((size, i) => (counts[i]! > 0 ? [{ size, count: counts[i]! }] : []));
  return { packs, holds: packs.reduce((sum, { size, count }) => sum + size * count, 0) };
}
