import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';

/** All that a design needs of its room's own catalogue. */
export function usedOf(design: Design) {
  const pieces = Object.values(design.scene).flatMap((item) => (item.kind === 'hardscape' && item.materialId ? [item.materialId] : []));
  const layers = Object.values(design.substrate.layers).map(({ materialId }) => materialId);
  const lying = Object.values(design.water.additions).map(({ materialId }) => materialId);
  const salts = [...Object.values(design.water.salts), ...Object.values(design.care.doses)].map(({ saltId }) => saltId);
  return {
    organismIds: usedIds(design),
    biotopeId: design.brief.biotopeId,
    materialIds: [...pieces, ...layers, ...lying],
    saltIds: salts,
  };
}

/** Ids of all organisms, and of the place, that a design's judgement looks up in its room. */
export function idsToJudge(design: Design, room: Room): string[] {
  return [
    ...usedIds(design),
    ...(design.brief.biotopeId ? [design.brief.biotopeId] : []),
    ...Object.values(room.own.overrides).map(({ entryId }) => entryId),
  ];
}

/** Ids of catalogue entries that a design names, once each. */
export function usedIds(design: Design): string[] {
  const stock = Object.values(design.stock).flatMap(({ organismId, candidateIds }) => [organismId, ...(candidateIds ?? [])]);
  return [...new Set([...stock, ...Object.values(design.scene).map(({ classId }) => classId)])];
}
