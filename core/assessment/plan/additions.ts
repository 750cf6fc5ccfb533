import { NO_STEP, type PlannedStep } from '../../schedule/step';
import { APART_DAYS } from '../../health/findings';
import { CYCLE_KINETICS, runCycle, type CycleRun } from '../../startup/cycle';
import { freeAmmoniaFractionOf } from '../../chemistry/free-ammonia-fraction';
import { additionOrder, type Addition } from '../../stocking/addition-order';
import { usualFeedG } from '../../stocking/usual-feed';
import type { Assessment } from '../assessment';
import { companyOf } from '../derive';

/** What a tank shows for when animals are added, usually, and with a third of the bacteria that the challenge shows and plants that do nothing yet. */
export interface AddedThen extends Addition {
  count: number;
  /** Most ammonia in the weeks after it, mg N/L; null where the water or the tank is not known. */
  ammonia: Peak | null;
  /** Of it, the free ammonia that burns, mg NH₃-N/L. */
  freeAmmonia: Peak | null;
  nitrite: Peak | null;
  /** Oxygen at the end of the night with all that are in by then, mg/L. */
  dawnMgPerL: number | null;
}
export interface Peak {
  usual: number;
  worst: number;
}

/** A filter that passes turns so much over in a day, mg N/L. Common practice. */
const CHALLENGE_MG_N_PER_L = 1;
const BAND = 3;
/** Plants that have just been set take half of what they will, at best; at worst, nothing yet. Common practice. */
const NEWLY_PLANTED = 0.5;
/** Share of the nitrogen of the feed that comes out as ammonia: Timmons & Ebeling, 0.092 of feed times protein. */
const TO_AMMONIA = 0.092;
/** After the last addition it is looked at for so many days. */
const LOOK_DAYS = 28;

/**
 * The order in which the company goes in, and what each addition does to a filter that has just passed its challenge dose: ammonia and nitrite
 * that stand until the bacteria have grown after it, and the oxygen of the night.
 */
export function additionsOf(assessment: Assessment): AddedThen[] {
  const { derived } = assessment;
  const members = derived['stock.members'].value ?? [];
  const company = companyOf(members);
  const order = additionOrder(company);
  const counts = new Map(company.map(({ id, count }) => [id, count]));
  const each = derived['stock.load'].value?.each ?? {};
  const scenario = derived['tank.ahead'].value?.scenario;
  const usual = new Map(company.map(({ id, animal, count }) => [id, usualFeedG(each[id]?.grams ?? 0, animal.group) * count]));
  const sum = [...usual.values()].reduce((all, one) => all + one, 0);
  const settled = derived['tank.settled'].value?.usual;
  const temperatureC = derived['planned.temperatureC'].value;
  const ph = derived['planned.ph'].value;
  const oxygen = settled?.oxygenMgPerL ?? null;
  const simulates =
    scenario !== undefined && temperatureC !== null && ph !== null && oxygen !== null && sum > 0 && scenario.filter.biofilmM2 > 0;
  const dawn = dawnsBy(assessment, order);
  if (!simulates)
    return order.map((one) => ({
      ...one,
      count: counts.get(one.id) ?? 0,
      ammonia: null,
      freeAmmonia: null,
      nitrite: null,
      dawnMgPerL: dawn.get(one.id) ?? null,
    }));
  const mgNPerG = scenario.feed.protein * TO_AMMONIA * 1000;
  const plants = (scenario.plants.areaM2 * scenario.plants.uptakeGNPerM2 * 1000) / scenario.litres;
  const steps: { fromDay: number; mgN: number }[] = [];
  let fed = 0;
  for (const week of new Set(order.map((one) => one.week))) {
    fed += order.filter((one) => one.week === week).reduce((all, one) => all + (usual.get(one.id) ?? 0), 0);
    steps.push({ fromDay: week * 7, mgN: (scenario.feed.gPerDay * (fed / sum) * mgNPerG) / scenario.litres });
  }
  const last = Math.max(...order.map(({ week }) => week));
  // as many as turn the challenge over at half of full growth
  const passed = cellsOfChallenge();
  /** With so many times the bacteria, and plants that take such a share of what they take grown in. */
  const run = (times: number, planted: number) =>
    runCycle({
      settings: { temperatureC: clamp(temperatureC, 5, 35), ph: clamp(ph, 6.4, 9), oxygenMgPerL: clamp(oxygen, 1, 12) },
      doses: steps.map(({ fromDay, mgN }) => ({ fromDay, mgNPerLPerDay: Math.max(0, mgN - planted * plants) })),
      soilMgNPerL: 0,
      cells: [passed[0] * times, passed[1] * times],
      days: last * 7 + LOOK_DAYS,
      perDay: 4,
    } satisfies CycleRun);
  const [middle, few] = [run(1, NEWLY_PLANTED), run(1 / BAND, 0)];
  const free = freeAmmoniaFractionOf(temperatureC, ph, derived['planned.salinity'].value ?? 0);
  const weeks = [...new Set(order.map(({ week }) => week))];
  return order.map((one): AddedThen => {
    const [from, to] = [one.week * 7, (weeks.find((week) => week > one.week) ?? last + LOOK_DAYS / 7) * 7];
    const peak = (of: 'ammoniaMgN' | 'nitriteMgN', times = 1): Peak => {
      const most = (days: typeof middle) => Math.max(...days.filter(({ day }) => day >= from && day <= to).map((day) => day[of])) * times;
      return { usual: most(middle), worst: Math.max(most(middle), most(few)) };
    };
    return {
      ...one,
      count: counts.get(one.id) ?? 0,
      ammonia: peak('ammoniaMgN'),
      freeAmmonia: peak('ammoniaMgN', free),
      nitrite: peak('nitriteMgN'),
      dawnMgPerL: dawn.get(one.id) ?? null,
    };
  });
  function cellsOfChallenge(): [number, number] {
    const { growth, yields } = CYCLE_KINETICS;
    return [(yields[0] * CHALLENGE_MG_N_PER_L) / (growth[0] / 2), (yields[1] * CHALLENGE_MG_N_PER_L) / (growth[1] / 2)];
  }
}

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** Oxygen at dawn with all that are in by each addition: the tank judged with them alone. */
function dawnsBy({ world, again, kept }: Assessment, order: readonly Addition[]): Map<string, number> {
  const told = new Map<string, number>();
  for (const week of new Set(order.map((one) => one.week))) {
    const present = new Set(order.filter((one) => one.week <= week).map(({ id }) => id));
    const stock = Object.fromEntries(Object.entries(world.design.stock).filter(([id]) => present.has(id)));
    const brief = { ...world.design.brief, targetStockIds: world.design.brief.targetStockIds.filter((id) => present.has(id)) };
    const { derived } = again({ ...world, design: { ...world.design, stock, brief } }, new Map(kept));
    const oxygen = derived['gear.dawn'].value?.dawnMgPerL ?? derived['tank.settled'].value?.usual.oxygenMgPerL ?? null;
    if (oxygen !== null) for (const one of order) if (one.week === week) told.set(one.id, oxygen);
  }
  return told;
}

/** The additions as dated steps: weeks apart first, then in, then a look the day after. Begins with the first arrivals; they go in once the filter has passed. */
export function additionSteps(order: readonly (Addition & { count: number })[]): PlannedStep[] {
  const step = (after: number, code: PlannedStep['code'], subject: string, values: PlannedStep['values']): PlannedStep => ({
    ...NO_STEP,
    after,
    code,
    subjects: [subject],
    values,
  });
  const steps = order.flatMap(({ id, week, count }) => {
    const into = APART_DAYS.usual + week * 7;
    return [
      step(into - APART_DAYS.usual, 'inspect', id, { count: 0 }),
      step(into - 1, 'inspect', id, { count }),
      step(into, 'stock', id, { count }),
      { ...step(into + 1, 'watch', id, {}), expects: { ammonia: 0, nitrite: 0 } },
    ];
  });
  const first = Math.min(...order.map(({ week }) => week));
  const passes: PlannedStep = {
    ...NO_STEP,
    after: APART_DAYS.usual + first * 7 - 2,
    code: 'challenge',
    values: { ammoniaMgN: CHALLENGE_MG_N_PER_L },
  };
  const ready: PlannedStep = { ...NO_STEP, after: APART_DAYS.usual + first * 7 - 1, code: 'ready', expects: { ammonia: 0, nitrite: 0 } };
  return order.length === 0 ? [] : [passes, ready, ...steps].sort((a, b) => a.after - b.after);
}
