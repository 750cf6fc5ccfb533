import { doubted, DOUBTS, draws, type Doubt } from './doubt';
import { NITRATE_PER_N, PHOSPHATE_PER_P, ionsOf, meterOffset } from './at-rest';
import type { IonsMmolPerL } from '../chemistry/ions';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { QUICK, run } from './run';
import { FRESH_SALINITY_MAX, type TankScenario } from './scenario';
import { STATE, type State } from './state';
import type { Now } from './now';

export const SERIES = [
  'ghDh',
  'khDh',
  'ph',
  'ec25UsPerCm',
  'salinity',
  'nitrate',
  'phosphate',
  'ammonia',
  'temperatureC',
  'oxygen',
] as const;
export type SeriesKey = (typeof SERIES)[number];

/** One quantity day by day: as it is taken to go, and where nine of ten likely cases lie. */
export interface Series {
  usual: Float64Array;
  low: Float64Array;
  high: Float64Array;
}

/** Something done by hand that shows in the curves. */
export interface ForecastEvent {
  day: number;
  kind: 'change' | 'dose';
  fraction: number;
}

export interface Forecast {
  days: number;
  /** Likely cases behind the bands so far. */
  samples: number;
  wanted: number;
  series: Readonly<Record<SeriesKey, Series>>;
  events: readonly ForecastEvent[];
}

export interface ForecastOptions {
  days: number;
  samples: number;
  seed: number;
  /** Conductivity of a state's ions, µS/cm at 25 °C; how salty it is comes as well. */
  conductivity: (ions: IonsMmolPerL, salinity: number) => number;
}

/** pH, temperature and oxygen swing by day and night: their lowest and highest are followed apart. */
const SWINGS: readonly SeriesKey[] = ['ph', 'temperatureC'];
/** Bands are drawn after these shares of the cases; in between only the count is told. */
const LOOKS = [0.1, 0.4, 1] as const;
const LOW = 0.05;

/**
 * A tank day by day, its series in a row for each: before the lamps come on, and before they go out.
 *
 * @param changed share of the water that was changed on a day, in place of the plan
 */
export function followed(
  scenario: TankScenario,
  { days, conductivity }: Pick<ForecastOptions, 'days' | 'conductivity'>,
  changed?: (day: number) => number,
): { dawn: Float64Array; dusk: Float64Array } {
  const wide = SERIES.length;
  const dawn = new Float64Array((days + 1) * wide);
  const dusk = new Float64Array((days + 1) * wide);
  const offset = meterOffset(scenario);
  const chloride = scenario.start.chlorideMmol;
  const put = (into: Float64Array) => (day: number, now: Now, y: State) => {
    const at = day * wide;
    const per = 1 / now.litres;
    const ions = ionsOf(y);
    const salinity =
      scenario.salinity > FRESH_SALINITY_MAX && chloride > 0 ? (scenario.salinity * ions.chloride) / chloride : scenario.salinity;
    into[at] = ((y[STATE.calcium]! + y[STATE.magnesium]!) * per) / MMOL_PER_DEGREE_HARDNESS;
    into[at + 1] = now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY;
    into[at + 2] = now.ph + offset;
    into[at + 3] = conductivity(ions, salinity);
    into[at + 4] = salinity;
    into[at + 5] = now.nitrateMgNPerL * NITRATE_PER_N;
    into[at + 6] = now.phosphateMgPPerL * PHOSPHATE_PER_P;
    into[at + 7] = now.ammoniaMgNPerL;
    into[at + 8] = now.temperatureC;
    into[at + 9] = now.oxygenMgPerL;
  };
  run(scenario, days, { dawn: put(dawn), dusk: put(dusk), ...(changed ? { changed } : {}) }, QUICK);
  // the last day has a dawn and no dusk
  dusk.set(dawn.subarray(days * wide), days * wide);
  return { dawn, dusk };
}

/**
 * Follows a tank ahead, first as it is taken to be, then in likely cases drawn from its doubts. Yields what is known so far, and the count of cases in
 * between, so that whoever runs it can stop; the same seed gives the same bands.
 * @throws TooStiff
 */
export function* forecast(scenario: TankScenario, options: ForecastOptions): Generator<Forecast | number, void> {
  const { days, samples } = options;
  const wide = SERIES.length;
  const events: ForecastEvent[] = [];
  for (let day = 1; day <= days; day++) {
    const due = (every: number) => Math.floor(day / every + 1e-9) > Math.floor((day - 1) / every + 1e-9);
    if (scenario.change && due(scenario.change.everyDays)) events.push({ day, kind: 'change', fraction: scenario.change.fraction });
    if (scenario.doses.some(({ everyDays }) => due(everyDays))) events.push({ day, kind: 'dose', fraction: 0 });
  }
  const usual = followed(scenario, options);
  const cases: { dawn: Float64Array; dusk: Float64Array }[] = [];
  const told = (): Forecast => ({
    days,
    samples: cases.length,
    wanted: samples,
    events,
    series: Object.fromEntries(SERIES.map((key, k) => [key, seriesOf(key, k)])) as Record<SeriesKey, Series>,
  });
  const seriesOf = (key: SeriesKey, k: number): Series => {
    const swings = SWINGS.includes(key);
    const series: Series = { usual: new Float64Array(days + 1), low: new Float64Array(days + 1), high: new Float64Array(days + 1) };
    const column = new Float64Array(cases.length);
    for (let day = 0; day <= days; day++) {
      const at = day * wide + k;
      series.usual[day] = swings ? (usual.dawn[at]! + usual.dusk[at]!) / 2 : usual.dawn[at]!;
      if (cases.length === 0) {
        series.low[day] = Math.min(usual.dawn[at]!, swings ? usual.dusk[at]! : Infinity);
        series.high[day] = Math.max(usual.dawn[at]!, swings ? usual.dusk[at]! : -Infinity);
        continue;
      }
      for (let i = 0; i < cases.length; i++) column[i] = swings ? Math.min(cases[i]!.dawn[at]!, cases[i]!.dusk[at]!) : cases[i]!.dawn[at]!;
      series.low[day] = quantile(column.sort(), LOW);
      if (swings) for (let i = 0; i < cases.length; i++) column[i] = Math.max(cases[i]!.dawn[at]!, cases[i]!.dusk[at]!);
      series.high[day] = quantile(swings ? column.sort() : column, 1 - LOW);
    }
    return series;
  };
  yield told();
  const normal = draws(options.seed);
  while (cases.length < samples) {
    const drawn = new Map<string, number>(DOUBTS.map(({ key }) => [key, normal()]));
    cases.push(
      followed(
        doubted(scenario, ({ key }: Doubt) => drawn.get(key) ?? 0),
        options,
      ),
    );
    yield LOOKS.some((look) => Math.round(look * samples) === cases.length) ? told() : cases.length;
  }
}

/** Of sorted values, straight between them. */
function quantile(sorted: Float64Array, q: number): number {
  const at = q * (sorted.length - 1);
  const i = Math.floor(at);
  const next = sorted[Math.min(sorted.length - 1, i + 1)]!;
  return sorted[i]! + (at - i) * (next - sorted[i]!);
}
