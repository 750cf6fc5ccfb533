/** Share of sorted values that lie under an edge. */
export const shareUnder = (sorted: Float32Array, edge: number): number => {
  if (sorted.length === 0) return 0;
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < edge) low = middle + 1;
    else high = middle;
  }
  return low / sorted.length;
};
/** The value under which such a share of sorted values lies; 0 of none. */
export const quantileOf = (sorted: Float32Array, share: number): number =>
  sorted.length === 0 ? 0 : sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
