import type { Span } from '../../quantity/range';
import { median } from 'd3-array';
import { byDay, readingsIn, seriesOf } from '../../log/series';
import { signsOf, type Sign, type SignContext } from '../../log/signs';
import { standing, type Line } from '../../log/timeline';
import { doubtOf } from '../../reading/doubt';
import { PARAMETERS } from '../../catalogue/parameter';
import type { LoggedParameter } from '../../reading/parameter';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../quantity/unit';
import { dayAfter, daysFrom, type Day } from '../../schedule/day';
import { NITRATE_PER_N } from '../../tank/at-rest';
import type { SeriesKey } from '../../tank/forecast';
import { TooStiff } from '../../tank/integrate';
import { courseAsDone, refit, type Observed, type Refit } from '../../tank/refit';
import type { TankScenario } from '../../tank/scenario';
import type { Assessment } from '../assessment';
import { thermostats } from '../derive/heat';
import { windowNodeOf } from '../derive';
import { meterFor } from '../forecast';

/** What the balance calls what is logged. */
export const SERIES_OF: Readonly<Partial<Record<LoggedParameter, SeriesKey>>> = {
  temperatureC: 'temperatureC',
  ph: 'ph',
  ghDh: 'ghDh',
  khDh: 'khDh',
  ec25UsPerCm: 'ec25UsPerCm',
  salinity: 'salinity',
  nitrateMgPerL: 'nitrate',
  phosphateMgPerL: 'phosphate',
  ammoniaMgNPerL: 'ammonia',
  oxygenMgPerL: 'oxygen',
};

/** How far back a log is followed by the balance. */
const FOLLOWED_DAYS = 180;
/** Fewer tests than that tell nothing of feed and plants. */
const LEAST_TESTS = 6;
/** What is fitted by, with how much wider its doubt is taken: alkalinity goes with evaporation too, and pH tells of a soil alone. */
const FITTED_BY: readonly (readonly [LoggedParameter, number])[] = [
  ['nitrateMgPerL', 1],
  ['khDh', 4],
  ['ph', 1],
];

/** What a log comes to, beside its plan. */
export interface RecordRead {
  signs: readonly Sign[];
  /** The balance followed with the changes as they were done, and re-fitted; null where it cannot be followed, or too little was tested. */
  refit: (Pick<Refit, 'share'> & { begun: Day; course: Refit['course']; tests: number }) | null;
}

/** The tank as it stood when its log begins: by the plan, and by what was read first. */
function begunAs(scenario: TankScenario, lines: readonly Line[]): { scenario: TankScenario; begun: Day } | null {
  const series = seriesOf(lines);
  const firsts = (parameter: LoggedParameter) => {
    const found = series.get(parameter);
    return found ? (median(byDay(found).values.slice(0, 2)) ?? null) : null;
  };
  const first = lines.find(({ entry }) => entry.kind === 'reading')?.day;
  if (first === undefined) return null;
  const [gh, kh, nitrate] = [firsts('ghDh'), firsts('khDh'), firsts('nitrateMgPerL')];
  const start = { ...scenario.start };
  const hardness = start.calciumMmol + start.magnesiumMmol;
  if (gh !== null) {
    const calcium = hardness > 0 ? start.calciumMmol / hardness : 0.75;
    const wanted = gh * MMOL_PER_DEGREE_HARDNESS;
    [start.calciumMmol, start.magnesiumMmol] = [wanted * calcium, wanted * (1 - calcium)];
  }
  if (kh !== null) start.alkalinityMeq = Math.min(60, kh * MEQ_PER_DEGREE_ALKALINITY);
  if (nitrate !== null) start.nitrateMgN = Math.min(1000, nitrate / NITRATE_PER_N);
  return { scenario: { ...scenario, start }, begun: first };
}

/** Shares of the water that were changed, by day; undefined where nobody wrote a change down: then they are taken as planned. */
function changesDone(lines: readonly Line[], begun: Day, litres: number): ((day: number) => number) | undefined {
  const done = new Map<number, number>();
  for (const { entry, day } of lines) {
    if (entry.kind !== 'change') continue;
    const share = entry.fraction ?? (entry.litres === null ? 0.2 : entry.litres / litres);
    const at = daysFrom(begun, day);
    done.set(at, Math.min(1, (done.get(at) ?? 0) + share));
  }
  return done.size === 0 ? undefined : (day) => done.get(day) ?? 0;
}

/** Where all that live here are well, as far as it is known. */
function windowsOf({ derived, findings }: Assessment): SignContext['windows'] {
  const known = PARAMETERS.flatMap((parameter): [LoggedParameter, Span][] => {
    const window = windowNodeOf(derived, parameter).value?.tolerance;
    return window ? [[parameter, [window[0], window[1]]]] : [];
  });
  const nitrate = findings.find(({ code }) => code === 'water.nitrate')?.values['edge']?.value;
  return { ...Object.fromEntries(known), ...(nitrate === undefined ? {} : { nitrateMgPerL: [0, nitrate] as Span }) };
}

/** What holds the temperature, while the room does not push past it in this month. */
function setPointOf({ world: { design }, derived }: Assessment, today: Day): number | null {
  const { heaterC, coolerC } = thermostats(design);
  const month = derived['heat.year'].value?.[Number(today.slice(5, 7)) - 1];
  const set = heaterC ?? coolerC;
  if (set === null) return null;
  return !month || (month[1] - set < 1 && set - month[0] < 1) ? set : null;
}

/** Reads a log against its plan: what it shows, and what the tank gets and takes by it. */
export function readRecord(assessment: Assessment, all: readonly Line[], today: Day, now: number): RecordRead {
  const { world, derived } = assessment;
  const from = dayAfter(today, -FOLLOWED_DAYS);
  const lines = standing(all).filter(({ day }) => day >= from && day <= today);
  const ahead = derived['tank.ahead'].value;
  const mixed = derived['water.mixed'].value;
  const begun = ahead && begunAs(ahead.scenario, lines);
  const days = begun ? daysFrom(begun.begun, today) : 0;
  let expected: SignContext['expected'] = null;
  let found: RecordRead['refit'] = null;
  if (ahead && begun && mixed && days >= 7) {
    const options = { days, conductivity: meterFor(mixed) };
    const changed = changesDone(lines, begun.begun, ahead.scenario.litres);
    const observed = readingsIn(lines).flatMap(({ line, reading }) =>
      FITTED_BY.flatMap(([parameter, wider]): Observed[] => {
        const value = reading.values[parameter];
        const key = SERIES_OF[parameter];
        if (value === undefined || !key || reading.from === 'probe') return [];
        if (parameter === 'ph' && begun.scenario.soil === null) return [];
        return [{ day: daysFrom(begun.begun, line.day), key, value, doubt: wider * doubtOf({ parameter, kit: reading.kit, value }) }];
      }),
    );
    try {
      const fitted = observed.length >= LEAST_TESTS ? refit(begun.scenario, observed, options, changed) : null;
      const planned = fitted?.planned ?? courseAsDone(begun.scenario, options, changed);
      if (fitted) found = { share: fitted.share, course: fitted.course, begun: begun.begun, tests: observed.length };
      expected = (parameter, day) => {
        const key = SERIES_OF[parameter];
        const at = daysFrom(begun.begun, day);
        return key && at >= 0 && at <= days ? planned[key][at]! : null;
      };
    } catch (error) {
      if (!(error instanceof TooStiff)) throw error;
    }
  }
  const signs = signsOf(lines, {
    today,
    now,
    kits: world.room.kits,
    windows: windowsOf(assessment),
    setPointC: setPointOf(assessment, today),
    soil: (ahead?.scenario.soil ?? null) !== null,
    invertebrates: (derived['stock.members'].value ?? []).some(
      ({ organism }) => organism?.kind === 'animal' && organism.group !== 'fish' && organism.group !== 'amphibian',
    ),
    starting: world.design.startup !== null && world.design.startup.challengedOn === null,
    expected,
  });
  return { signs, refit: found };
}
