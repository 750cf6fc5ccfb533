import { rangeFor, type Animal, type Organism } from '../../catalogue/organism';
import type { Parameter } from '../../catalogue/parameter';
import { ROUND } from '../../vessel/findings';
import { NO_STEP, type PlannedStep } from '../../schedule/step';
import { RIPEN_WEEKS } from '../../startup/readiness';

/** Weeks until a new filter turns ammonia over, fewest and most; grown-in media make it days. Common practice. */
const FILTER_WEEKS = { new: [4, 6], 'fresh-soil': [6, 8], 'mature-media': [1, 2] } as const;
export type Filter = keyof typeof FILTER_WEEKS;

export interface SwapRequest {
  filter: Filter;
  /** Hardy animals that ripen the tank; null where it ripens empty. */
  placeholder: { id: string; animal: Animal; count: number } | null;
  /** Those it is for. */
  target: { id: string; animal: Animal; count: number };
  /** Whether the two can live together; else the placeholder has to find a home. */
  together: boolean;
}

export interface Swap {
  steps: PlannedStep[];
  /** Weeks from the start to the animals it is for: as early, and as late, as usual. */
  weeks: readonly [number, number];
}

export interface RipeningTank {
  /** Gross volume; null where no vessel is chosen. */
  litres: number | null;
  planted: boolean;
}

/** Longest that goes in for a few weeks and comes out again without the tank being torn up. Common practice. */
const LONGEST_MM = 70;
const GENTLE: readonly (string | null)[] = ['peaceful', 'shy'];

/** Small, gentle, no eater of plants nor digger of their beds, and at home in so many litres. */
function leavesTheTankWell({ sizeMm, traits }: Animal, { litres, planted }: RipeningTank): boolean {
  return (
    (sizeMm.length.value ?? Infinity) <= LONGEST_MM &&
    GENTLE.includes(traits.temperament.value) &&
    !(planted && (traits.uproots.value || traits.digs.value || traits.eats.value?.includes('plants'))) &&
    (litres === null || (traits.volumeL.value ?? 0) * ROUND.volume <= litres)
  );
}

/**
 * Hardy animals that bear the planned water and can ripen a tank, the smallest first. Where the plan is known and what they bear is not,
 * they are left out; predators too.
 */
export function placeholdersFor(
  organisms: Iterable<Organism>,
  planned: Readonly<Partial<Record<Parameter, number | null>>>,
  tank: RipeningTank = { litres: null, planted: false },
): Animal[] {
  const bears = (animal: Animal) =>
    (Object.entries(planned) as [Parameter, number | null][]).every(([parameter, value]) => {
      if (value === null) return true;
      const tolerance = rangeFor(animal, 'keep', parameter)?.value?.tolerance;
      // conductivity is recorded of few; hardness and salinity speak for it
      if (!tolerance) return parameter === 'ec25UsPerCm';
      return (tolerance[0] === null || value >= tolerance[0]) && (tolerance[1] === null || value <= tolerance[1]);
    });
  const animals = [...organisms].filter((one): one is Animal => one.kind === 'animal');
  return animals
    .filter((one) => one.traits.hardiness.value === 'hardy' && !one.strainOf && bears(one) && leavesTheTankWell(one, tank))
    .sort((a, b) => (a.sizeMm.length.value ?? 1e6) - (b.sizeMm.length.value ?? 1e6));
}

const step = (after: number, code: PlannedStep['code'], rest: Partial<PlannedStep> = {}): PlannedStep => ({
  ...NO_STEP,
  after,
  code,
  ...rest,
});

/**
 * A tank ripened by hardy animals for delicate ones. Dates are the usual case; each stage waits for its check, and a failed check puts
 * off all that follows.
 */
export function swapPlan({ filter, placeholder, target, together }: SwapRequest): Swap {
  const hardiness = target.animal.traits.hardiness.value ?? 'delicate';
  const [soon, late] = FILTER_WEEKS[filter];
  const ripen = RIPEN_WEEKS[hardiness];
  const filterDays = Math.round(((soon + late) / 2) * 7);
  const ripenDays = Math.round(((ripen[0] + ripen[1]) / 2) * 7);
  const steps: PlannedStep[] = [];
  for (let day = 7; day < filterDays; day += 7) steps.push(step(day, 'test', { expects: {}, values: { week: day / 7 } }));
  // a dose of ammonia that a grown-in filter turns over in a day
  steps.push(step(filterDays, 'challenge', { values: { ammoniaMgN: 1 } }));
  steps.push(step(filterDays + 1, 'ready', { expects: { ammonia: 0, nitrite: 0 } }));
  let ready = filterDays + 2;
  if (placeholder) {
    steps.push(step(ready, 'stock', { subjects: [placeholder.id], values: { count: placeholder.count } }));
    steps.push(step(ready + 1, 'watch', { subjects: [placeholder.id], expects: { ammonia: 0, nitrite: 0 } }));
    // what is put in has to be borne a while before it proves anything
    ready += Math.max(21, ripenDays);
  } else ready += ripenDays;
  for (let day = filterDays + 9; day < ready - 6; day += 14) steps.push(step(day, 'test', { values: { week: Math.round(day / 7) } }));
  steps.push(step(ready - 2, 'ready', { expects: { ammonia: 0, nitrite: 0, nitrate: hardiness === 'delicate' ? 5 : 20 } }));
  if (placeholder && !together) steps.push(step(ready - 1, 'rehome', { subjects: [placeholder.id], values: { count: placeholder.count } }));
  steps.push(step(ready, 'stock', { subjects: [target.id], values: { count: target.count } }));
  steps.push(step(ready + 1, 'watch', { subjects: [target.id], expects: { ammonia: 0, nitrite: 0 } }));
  const extra = placeholder ? [3, Math.max(3, ripen[1])] : ripen;
  return {
    steps: steps.sort((a, b) => a.after - b.after),
    weeks: [soon + Math.max(extra[0]!, ripen[0]), late + extra[1]!],
  };
}
