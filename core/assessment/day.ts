import { dayOf, type DayCourse } from '../tank/day';
import type { Span } from '../quantity/range';
import type { TankScenario } from '../tank/scenario';
import { forecastBasis } from './forecast';
import type { Derived, World } from './derive';

/** A usual day, and the one on which the water is warmest: least oxygen goes in, and most is breathed. */
export type DayKind = 'usual' | 'worst';

const mean = ([low, high]: Span): number => (low + high) / 2;

/** The month, 0 January, that a day of a kind lies in; null while the room's year is not known: then the tank is held. */
export function monthOf(kind: DayKind, year: readonly Span[] | null): number {
  if (!year || year.length === 0) return 0;
  const all = year.reduce((sum, month) => sum + mean(month), 0) / year.length;
  const score = (month: Span): number => (kind === 'worst' ? month[1] + mean(month) / 1000 : -Math.abs(mean(month) - all));
  return year.reduce((best, month, i) => (score(month) > score(year[best]!) + 1e-9 ? i : best), 0);
}

export interface TankDay {
  kind: DayKind;
  month: number;
  course: DayCourse;
  scenario: TankScenario;
  /** What nobody has stated, and was taken, in words. */
  taken: readonly string[];
}

/** One day of a tank in its room, hour by hour; null while there is no vessel or no known water. */
export function tankDay(world: World, derived: Derived, kind: DayKind): TankDay | null {
  const month = monthOf(kind, derived['heat.year'].value);
  const basis = forecastBasis(world, derived, month);
  if (!basis) return null;
  return { kind, month, course: dayOf(basis.scenario), scenario: basis.scenario, taken: basis.taken };
}
