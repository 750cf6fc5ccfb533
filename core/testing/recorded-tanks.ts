import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { conductivityOf } from '../chemistry/conductivity';
import { Entry, instantAt, type NewEntry, type ReadingEntry } from '../log/model';
import type { SignContext } from '../log/signs';
import type { Kit } from '../reading/doubt';
import type { LoggedParameter } from '../reading/parameter';
import { dayAfter, daysFrom, type Day } from '../schedule/day';
import { courseAsDone } from '../tank/refit';
import type { SeriesKey } from '../tank/forecast';
import { NITRATE_PER_N, PHOSPHATE_PER_P, ionsOf } from '../tank/at-rest';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { QUICK, run, startState } from '../tank/run';
import { STATE, type State } from '../tank/state';
import type { Now } from '../tank/now';
import { type TankScenario, type TankWater } from '../tank/scenario';
import { SMALL_TANK, TAP } from './scenarios';

/** What may go wrong in a tank that is kept by its plan otherwise. */
export const RECORDED_FAULTS = [
  'kh-falling',
  'nitrate-rising',
  'soil-spent',
  'evaporation',
  'source-changed',
  'set-point',
  'heater-off',
  'copper',
  'sensor-still',
  'sensor-noisy',
  'meter-drift',
  'untested',
] as const;
export type RecordedFault = (typeof RECORDED_FAULTS)[number];

export interface RecordedTank {
  entries: Entry[];
  context: SignContext;
  /** As it was planned. */
  plan: TankScenario;
  /** Share of the planned feed that it really gets. */
  trueFeed: number;
  begun: Day;
  days: number;
  changedOn: ReadonlyMap<number, number>;
}

const DAYS = 150;
const FROM_DAY = 70;

const conductivity = (ions: Parameters<typeof conductivityOf>[0]) => conductivityOf(ions);
export const RECORDED_OPTIONS = { days: DAYS, conductivity };

/** What a state would read. */
function readOf(now: Now, y: State): Partial<Record<LoggedParameter, number>> {
  return {
    temperatureC: now.temperatureC,
    ph: now.ph,
    khDh: now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY,
    ghDh: (y[STATE.calcium]! + y[STATE.magnesium]!) / now.litres / MMOL_PER_DEGREE_HARDNESS,
    ec25UsPerCm: conductivityOf(ionsOf(y)),
    nitrateMgPerL: now.nitrateMgNPerL * NITRATE_PER_N,
    phosphateMgPerL: now.phosphateMgPPerL * PHOSPHATE_PER_P,
  };
}

/** What each day would read at dawn, of a tank that is one scenario after the other; changed as it was done. */
export function truthOf(
  parts: readonly (readonly [scenario: TankScenario, fromDay: number, toDay: number])[],
  changedOn: ReadonlyMap<number, number>,
): Partial<Record<LoggedParameter, number>>[] {
  const truth: Partial<Record<LoggedParameter, number>>[] = [];
  let y = startState(parts[0]![0]);
  for (const [scenario, from, to] of parts)
    y = run(
      scenario,
      to - from,
      {
        dawn: (day, now, state) => void (truth[from + day] = readOf(now, state)),
        changed: (day) => (from + day > 0 ? (changedOn.get(from + day) ?? 0) : 0),
      },
      QUICK,
      y,
    );
  return truth;
}

/**
 * A tank that was kept and tested for five months, followed by the balance and read with kits as they are; plainly invented. With a fault it
 * goes wrong from the seventieth day on; without one it is as quiet as tanks are: feed and plants a little off the plan, readings off by
 * their kits, a change forgotten now and then.
 */
export function recordedTank(seed: number, fault: RecordedFault | null, end: Day = '2026-06-30'): RecordedTank {
  const generator = xoroshiro128plus(seed * 7919 + 13);
  const uniform = () => uniformFloat64(generator);
  const between = (low: number, high: number) => low + (high - low) * uniform();
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const begun = dayAfter(end, -DAYS);

  const litres = between(30, 160);
  const soil = fault === 'soil-spent' || (fault === null && uniform() < 0.25);
  const water = (times: number): TankWater => ({
    ...TAP,
    ...Object.fromEntries(
      (['calciumMmol', 'magnesiumMmol', 'sodiumMmol', 'chlorideMmol', 'sulfateMmol', 'alkalinityMeq'] as const).map((ion) => [
        ion,
        TAP[ion] * times,
      ]),
    ),
  });
  const hard = soil ? between(0.4, 0.6) : between(0.8, 2);
  const setPointC = 20 + Math.round(between(0, 10)) / 2;
  const fraction = between(0.15, 0.3);
  const plan: TankScenario = {
    ...SMALL_TANK,
    litres,
    start: { ...water(hard), nitrateMgN: between(1, 3), phosphateMgP: 0.1 },
    replacement: water(hard),
    change: { fraction, everyDays: 7 },
    heat: { heldC: setPointC, evaporationLPerDay: litres * between(0.004, 0.012) },
    gas: { ...SMALL_TANK.gas, surfaceM2: litres / 300 },
    feed: { ...SMALL_TANK.feed, gPerDay: litres * between(0.0015, 0.004) },
    filter: { ...SMALL_TANK.filter, biofilmM2: litres / 60 },
    plants: { areaM2: litres / 800, uptakeGNPerM2: between(0.05, 0.2) },
    soil: soil ? { setPh: 6.4, capacityMeq: litres * 60, ratePerDay: 0.7 } : null,
  };
  const trueFeed = between(0.85, 1.15);
  const before: TankScenario = {
    ...plan,
    feed: { ...plan.feed, gPerDay: plan.feed.gPerDay * trueFeed },
    // it was used before, and holds a fraction of what was taken
    soil: fault === 'soil-spent' ? { ...plan.soil!, capacityMeq: litres * between(0.5, 1.5) } : plan.soil,
  };
  const wrong: Partial<Record<RecordedFault, Partial<TankScenario>>> = {
    'kh-falling': {
      feed: { ...before.feed, gPerDay: before.feed.gPerDay * 1.6 },
      change: { fraction: 0.05, everyDays: 7 },
      plants: { areaM2: 0, uptakeGNPerM2: 0 },
    },
    'nitrate-rising': { feed: { ...before.feed, gPerDay: before.feed.gPerDay * 3.5 } },
    evaporation: { topUp: plan.replacement, heat: { heldC: setPointC, evaporationLPerDay: litres * 0.025 }, topUpDays: 2 },
    'source-changed': { replacement: water(hard * 2.1), change: { fraction: 0.4, everyDays: 7 } },
    'heater-off': { heat: { heldC: setPointC - between(2.2, 4), evaporationLPerDay: litres * 0.004 } },
  };
  const wrongFrom = fault === 'heater-off' ? DAYS - 12 : FROM_DAY;
  const held = fault === 'set-point' ? { ...before, heat: { ...before.heat, heldC: setPointC + 3 } as TankScenario['heat'] } : before;
  const after: TankScenario = fault ? { ...held, ...wrong[fault] } : held;

  // its keeper forgets one change in twelve
  const changedOn = new Map<number, number>();
  for (let day = 7; day < DAYS; day += 7) if (uniform() > 1 / 12) changedOn.set(day, fraction * between(0.9, 1.1));
  if (fault === 'kh-falling') for (const day of changedOn.keys()) if (day >= FROM_DAY) changedOn.delete(day);
  if (fault === 'source-changed') for (const day of changedOn.keys()) if (day >= FROM_DAY && day < FROM_DAY + 10) changedOn.set(day, 0.8);

  const truth = truthOf(
    [
      [held, 0, wrongFrom],
      [after, wrongFrom, DAYS],
    ],
    changedOn,
  );

  const entries: Entry[] = [];
  const at = (day: number, hour: number) => instantAt(Date.parse(`${dayAfter(begun, day)}T00:00:00Z`) + Math.round(hour * 3600_000), 0);
  const put = (day: number, hour: number, entry: NewEntry) =>
    entries.push(Entry.parse({ note: '', ...entry, id: `e${entries.length}`, at: at(day, hour), written: at(day, hour), corrects: null }));
  const test = (day: number, hour: number, kit: Kit, values: ReadingEntry['values'], from: ReadingEntry['from'] = 'hand') =>
    put(day, hour, { kind: 'reading', of: 'water', from, simulated: from === 'probe', kit, kitId: null, values });
  const stepped = (value: number, step: number) => Math.max(0, Math.round(value / step) * step);

  for (const [day, share] of changedOn) put(day, 9, { kind: 'change', litres: null, fraction: Math.round(share * 100) / 100 });
  for (let day = 1; day <= DAYS; day++) {
    const now = truth[day]!;
    const meterOff = fault === 'meter-drift' ? 0.009 * Math.max(0, day - 30) : 0;
    const tested = day % 7 === 3 && !(fault === 'untested' && day > 95);
    if (day % 2 === 0 && !(fault === 'untested' && day > 95))
      test(day, 18, 'meter', { temperatureC: round(now.temperatureC! + 0.15 * normal(), 1) });
    if (tested) {
      test(day, 19, 'drops', {
        khDh: stepped(now.khDh! + 0.2 * normal(), 0.5),
        ghDh: stepped(now.ghDh! + 0.3 * normal(), 0.5),
        nitrateMgPerL: stepped(now.nitrateMgPerL! * (1 + 0.15 * normal()) + 0.5 * normal(), 1),
        ph: stepped(now.ph! + 0.08 * normal(), 0.1),
      });
      test(day, 19.2, 'meter', { ec25UsPerCm: Math.round(now.ec25UsPerCm! * (1 + 0.012 * normal())) });
      if (fault === 'meter-drift') test(day, 19.3, 'meter', { ph: round(now.ph! + 0.04 * normal() + meterOff, 2) });
    }
    if (fault === 'copper' && day > FROM_DAY && day % 21 === 0) test(day, 20, 'drops', { copperMgPerL: 0.2 + 0.05 * uniform() });
    if (fault === null && day % 50 === 0) test(day, 20, 'drops', { copperMgPerL: 0 });
  }
  if (fault === 'sensor-still' || fault === 'sensor-noisy' || (fault === null && seed % 3 === 0))
    for (let i = 0; i < 24 * 6 * 12; i++) {
      const day = DAYS - 12 + i / 144;
      const late = day > DAYS - 1.7;
      const wave = 0.4 * Math.sin(2 * Math.PI * day) + 0.03 * normal();
      const dance = late && fault === 'sensor-noisy' ? 1.2 * normal() : 0;
      test(
        Math.floor(day),
        (day % 1) * 24,
        'meter',
        { temperatureC: round(late && fault === 'sensor-still' ? setPointC + 0.2 : setPointC + wave + dance, 2) },
        'probe',
      );
    }

  const expected = courseAsDone(plan, RECORDED_OPTIONS, (day) => changedOn.get(day) ?? 0);
  const seriesOf: Partial<Record<LoggedParameter, SeriesKey>> = {
    ph: 'ph',
    khDh: 'khDh',
    ghDh: 'ghDh',
    ec25UsPerCm: 'ec25UsPerCm',
    nitrateMgPerL: 'nitrate',
    phosphateMgPerL: 'phosphate',
  };
  return {
    entries,
    plan,
    trueFeed: after.feed.gPerDay / plan.feed.gPerDay,
    begun,
    days: DAYS,
    changedOn,
    context: {
      today: end,
      now: Date.parse(`${end}T23:59:00Z`),
      kits: {},
      windows: { nitrateMgPerL: [0, 40], khDh: [soil ? 0 : 1, 18] },
      setPointC,
      soil,
      invertebrates: seed % 2 === 0,
      starting: false,
      expected: (parameter, day) => {
        const key = seriesOf[parameter];
        const i = daysFrom(begun, day);
        return key && i >= 0 && i <= DAYS ? expected[key][i]! : null;
      },
    },
  };
}

const round = (value: number, digits: number): number => Number(value.toFixed(digits));
