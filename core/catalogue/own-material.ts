import type { Span } from '../quantity/range';
import { asFamilyFacts } from './as-family';
import type { Material } from './material';

/** What one can tell of a bag or a stone by a ruler, a kitchen scale and a pH kit. What is null is taken as the like's. */
export interface MaterialFacts {
  id: string;
  name: string;
  /** Solid density for stone and wood, dry bulk density for beds. */
  densityKgPerM3: number | null;
  /** Smallest and largest grain; of beds. */
  grainMm: Span | null;
  /** The pH an active soil brings soft water to; of soils. */
  setPh: Span | null;
}

/**
 * A material of the room's own, by what it is most like: what is told of it is its own, all else is the like's and says so.
 *
 * @returns an entry that still has to be checked by `Material`
 */
export function asMaterial(like: Material, { id, name, densityKgPerM3, grainMm, setPh }: MaterialFacts): Material {
  const copy = asFamilyFacts(structuredClone(like), `As ${like.name.toLowerCase()}, which it is most like.`);
  const own = <T>(value: T) => ({ value, basis: 'measured' as const });
  return {
    ...copy,
    id,
    name,
    ...(densityKgPerM3 === null ? {} : { densityKgPerM3: own(densityKgPerM3) }),
    ...(grainMm === null ? {} : { grainMm: own<[number, number]>([...grainMm]) }),
    action: copy.action.kind === 'exchanges' && setPh !== null ? { ...copy.action, setPh: own<[number, number]>([...setPh]) } : copy.action,
  };
}
