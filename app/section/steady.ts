/** A steady pseudo-random number from 0 to 1: the same tank is always drawn alike. */
export function steady(text: string, i: number): number {
  let hash = 2166136261 ^ Math.imul(i + 1, 374761393);
  for (let k = 0; k < text.length; k++) hash = Math.imul(hash ^ text.charCodeAt(k), 16777619);
  hash ^= hash >>> 15;
  hash = Math.imul(hash, 2246822519);
  hash ^= hash >>> 13;
  return (hash >>> 0) / 4294967296;
}
