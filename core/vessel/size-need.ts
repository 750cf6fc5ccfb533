import type { Animal } from '../catalogue/organism';
import { headsPerL, litresNeeded, ROUND } from './findings';

/** One edge of what is wanted, and who wants it. */
interface Edge<T> {
  value: T;
  /** Stock id. */
  by: string;
}

/** What the animals of a tank ask of its size. */
export interface SizeNeed {
  /** Longest side that one of them asks for, and the largest floor, mm and mm². */
  longMm: Edge<number> | null;
  floorMm: Edge<readonly [long: number, short: number]> | null;
  litres: Edge<number> | null;
  /** Shallowest of what those bear that swim up for air. */
  deepestMm: Edge<number> | null;
}

/** What those chosen ask for together: the widest floor, the most litres, the shallowest of the deepest; each with whose it is. */
export function sizeNeed(stock: readonly { id: string; animal: Animal; count: number }[]): SizeNeed {
  const need: SizeNeed = { longMm: null, floorMm: null, litres: null, deepestMm: null };
  const counts = new Map<string, number>();
  for (const { animal, count } of stock) counts.set(animal.id, (counts.get(animal.id) ?? 0) + count);
  for (const { id: by, animal } of stock) {
    const { traits } = animal;
    const grazes = headsPerL(animal);
    const floor = grazes === null ? traits.footprintMm.value : null;
    if (floor) {
      const value = [Math.max(...floor), Math.min(...floor)] as const;
      if (!need.longMm || value[0] > need.longMm.value) need.longMm = { value: value[0], by };
      if (!need.floorMm || value[0] * value[1] > need.floorMm.value[0] * need.floorMm.value[1]) need.floorMm = { value, by };
    }
    const litres = litresNeeded({
      volumeL: traits.volumeL,
      groupMin: traits.groupMin.value ?? 1,
      count: counts.get(animal.id) ?? 1,
      headsPerL: grazes,
    });
    if (litres !== null && (!need.litres || litres > need.litres.value)) need.litres = { value: litres, by };
    const deepest = traits.deepestMm?.value ?? null;
    if (deepest !== null && (!need.deepestMm || deepest < need.deepestMm.value)) need.deepestMm = { value: deepest, by };
  }
  return need;
}

export type SizeVerdict = 'too-small' | 'enough' | 'roomy';
/** So much more than is asked for is roomy. Common practice. */
const ROOMY = 1.5;

/** A box against what is asked for, by the same round figures as the judgement. Height is no floor: a tall box is not a large one. */
export function sizeVerdict(need: SizeNeed, [lengthMm, widthMm, heightMm]: readonly [number, number, number]): SizeVerdict {
  const [long, area] = [Math.max(lengthMm, widthMm), lengthMm * widthMm];
  const litres = (area * heightMm) / 1e6;
  const shares = [
    ...(need.longMm ? [long / need.longMm.value / ROUND.floor] : []),
    ...(need.floorMm ? [area / (need.floorMm.value[0] * need.floorMm.value[1]) / ROUND.floor] : []),
    ...(need.litres ? [litres / need.litres.value / ROUND.volume] : []),
  ];
  const least = Math.min(...shares, Infinity);
  return least < 1 ? 'too-small' : least >= ROOMY ? 'roomy' : 'enough';
}
