import type { Operation } from 'rfc6902';
import type { Animal, Plant } from '../../catalogue/organism';
import { inOrder, nextOrder, type Design } from '../design';
import { pointer } from '../edit';
import { newPlanting } from '../../plants/model';

/**
 * Puts animals into the tank; the first become the target. More of a kind that is here already join them.
 *
 * @param orElse other kinds it may be, where it is not identified
 */
export function addAnimal(
  design: Design,
  animal: Pick<Animal, 'id'>,
  count: number,
  breed: boolean,
  newId: string,
  orElse: readonly string[] = [],
): Operation[] {
  const phase = breed ? 'spawn' : 'keep';
  const same = inOrder(design.stock).find(
    ([, entry]) => !entry.candidateIds && entry.organismId === animal.id && (entry.phase === 'keep') === !breed,
  );
  if (same && orElse.length === 0) return [{ op: 'replace', path: pointer('stock', same[0], 'count'), value: same[1].count + count }];
  const entry = {
    order: nextOrder(design.stock),
    organismId: animal.id,
    count,
    phase,
    ...(orElse.length > 0 ? { candidateIds: [animal.id, ...orElse] } : {}),
  };
  const ops: Operation[] = [{ op: 'add', path: pointer('stock', newId), value: entry }];
  if (design.brief.targetStockIds.length === 0) {
    ops.push(
      { op: 'add', path: '/brief/targetStockIds/-', value: newId },
      { op: 'replace', path: '/brief/purpose', value: breed ? 'breed' : 'keep' },
    );
  }
  return ops;
}

/** Puts several kinds in at once, none of them bred. */
export function addCompany(design: Design, kinds: readonly { organismId: string; count: number; newId: string }[]): Operation[] {
  const ops: Operation[] = [];
  let current = design;
  for (const { organismId, count, newId } of kinds) {
    ops.push(...addAnimal(current, { id: organismId }, count, false, newId));
    const { stock, brief } = current;
    current = {
      ...current,
      stock: { ...stock, [newId]: { order: nextOrder(stock), organismId, count, phase: 'keep' } },
      brief: { ...brief, targetStockIds: brief.targetStockIds.length === 0 ? [newId] : brief.targetStockIds },
    };
  }
  return ops;
}

/** Takes a stock entry out, and out of the targets. */
export function removeAnimal(design: Design, stockId: string): Operation[] {
  const at = design.brief.targetStockIds.indexOf(stockId);
  const ops: Operation[] = at < 0 ? [] : [{ op: 'remove', path: pointer('brief', 'targetStockIds', at) }];
  return [...ops, { op: 'remove', path: pointer('stock', stockId) }];
}

/** Plants one more of a kind, beside the others of the scene. */
export function addPlant(design: Design, plant: Plant, newId: string): Operation[] {
  const { lengthMm, widthMm } = design.vessel ?? { lengthMm: 400, widthMm: 300 };
  const standing = Object.values(design.scene).filter(({ kind }) => kind === 'plant').length;
  const place = ((standing * 0.381966 + 0.15) % 1) * 0.86 + 0.07;
  const item = newPlanting(plant.id, nextOrder(design.scene), [Math.round(lengthMm * place), Math.round(widthMm * 0.65), 0]);
  return [{ op: 'add', path: pointer('scene', newId), value: item }];
}

export function removePlants(design: Design, classId: string): Operation[] {
  return Object.entries(design.scene)
    .filter(([, item]) => item.classId === classId)
    .map(([id]) => ({ op: 'remove', path: pointer('scene', id) }));
}

/** Starts from a place: remembers which one the tank is to be like, loosely until it is said otherwise. */
export function chooseBiotope(biotopeId: string): Operation[] {
  return [
    { op: 'replace', path: '/brief/biotopeId', value: biotopeId },
    { op: 'replace', path: '/brief/fidelity', value: 'loose' },
  ];
}
