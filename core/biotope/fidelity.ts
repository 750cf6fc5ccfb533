import type { Biotope } from '../catalogue/biotope';
import type { Organism } from '../catalogue/organism';
import type { Parameter } from '../catalogue/parameter';
import { nativeness } from '../catalogue/region';
import type { Span } from '../quantity/range';

/** Biotope accuracy: nothing that does not live there, or nothing from elsewhere in the world. */
export type Fidelity = 'strict' | 'loose';

/** Where a kind stands to a place: recorded there, native to its basin, to its part of the world, to neither; null when not known. */
export type Belonging = 'here' | 'region' | 'realm' | 'foreign';

/** @returns null where it is not known what waters the kind is native to */
export function belonging(organism: Organism, place: Biotope): Belonging | null {
  if (place.organismIds.includes(organism.id) || (organism.strainOf !== undefined && place.organismIds.includes(organism.strainOf)))
    return 'here';
  const regions = organism.regions.value;
  return regions === null ? null : nativeness(regions, place.region);
}

/** Steps a kind is from belonging: 0 fits the chosen fidelity. Strict wants what is recorded there; loose, what lives in its basin. */
export function strangeness(belongs: Belonging, fidelity: Fidelity): number {
  const steps: Record<Belonging, number> = { here: 0, region: 1, realm: 2, foreign: 3 };
  return Math.max(0, steps[belongs] - (fidelity === 'strict' ? 0 : 1));
}

/** How far from the place a loose tank may be, in the parameter's own unit. Common practice. */
const LOOSE_MARGIN: Readonly<Record<Parameter, number>> = { temperatureC: 2, ph: 0.7, ghDh: 4, khDh: 3, ec25UsPerCm: 150, salinity: 2 };

/**
 * How far a value lies outside the place's span: 0 inside it or within the margin of a loose tank; below is negative.
 *
 * @param planned the band the plan may come to, low to high
 */
export function outsideBy(parameter: Parameter, planned: Span, place: Span, fidelity: Fidelity): number {
  const margin = fidelity === 'loose' ? LOOSE_MARGIN[parameter] : 0;
  if (planned[1] < place[0] - margin) return planned[1] - place[0];
  if (planned[0] > place[1] + margin) return planned[0] - place[1];
  return 0;
}

/** The month in which the tank is furthest from the place, 0 January, and by how much; null when it never leaves the margin. */
export function worstMonth(tank: readonly Span[], place: readonly Span[], fidelity: Fidelity): { month: number; by: number } | null {
  let worst: { month: number; by: number } | null = null;
  tank.forEach((span, month) => {
    const there = place[month];
    if (!there) return;
    const by = outsideBy('temperatureC', span, there, fidelity);
    if (by !== 0 && Math.abs(by) > Math.abs(worst?.by ?? 0)) worst = { month, by };
  });
  return worst;
}

/** Kinds that live in the place and could stand in for one that does not: of its group, nearest in adult length first. */
export function standIns(
  organism: Organism,
  place: Biotope,
  organisms: ReadonlyMap<string, Organism>,
  taken: ReadonlySet<string>,
): Organism[] {
  const size = organism.sizeMm.length.value;
  const apart = (other: Organism) => (size && other.sizeMm.length.value ? Math.abs(Math.log(other.sizeMm.length.value / size)) : 9);
  const alike = (other: Organism) => (other.form === organism.form ? 0 : 0.7);
  return place.organismIds
    .flatMap((id) => organisms.get(id) ?? [])
    .filter((other) => other.group === organism.group && other.id !== organism.id && !taken.has(other.id))
    .sort((a, b) => apart(a) + alike(a) - apart(b) - alike(b));
}
