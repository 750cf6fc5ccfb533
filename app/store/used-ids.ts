import type { Design } from '../../core/design/design';

/** Ids of catalogue entries that a design names, once each. */
export function usedIds(design: Design): string[] {
  const stock = Object.values(design.stock).flatMap(({ organismId, candidateIds }) => [organismId, ...(candidateIds ?? [])]);
  return [...new Set([...stock, ...Object.values(design.scene).map(({ classId }) => classId)])];
}
