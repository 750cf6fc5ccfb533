import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { Integrator } from '../tank/integrate';
import { phFactor } from '../tank/terms/nitrification';
import { CYCLE_KINETICS, type CycleKinetics } from './cycle';
import type { Inoculum, StartKit } from './model';

/** A tank that is started, as the model takes it. */
export interface StartTank {
  temperatureC: number;
  oxygenMgPerL: number;
  /** Of the water poured in, meq/L, and what its air holds, µatm. */
  alkalinityMeqPerL: number;
  pco2Uatm: number;
  doseMgNPerLPerDay: number;
  /** Ammonia that a fresh soil holds, mg N to a litre of water. */
  soilMgNPerL: number;
  /** Nitrogen that plants take once they have taken, mg N/L a day. */
  plantsMgNPerLPerDay: number;
  change: { fraction: number; everyDays: number } | null;
  inoculum: Inoculum;
  /** Litres of media or old soil to a litre of water. */
  inoculumShare: number;
  /** What is given is food that has to rot first, and no ammonia. */
  food: boolean;
  /** Salt or brackish water. */
  salty: boolean;
  /** Live rock and live sand, kilograms to a litre of water. */
  livePerL: number;
}

/** What is done on a day, and holds from then on. */
export interface ThenDone {
  day: number;
  /** What the tank is from then on; of its inoculum and its fresh soil nothing is read again. */
  tank: Partial<StartTank>;
  /** Share of the water that is changed on that day. */
  changed?: number;
  /** Grown-in media that are put in, litres to a litre of water. */
  mediaShare?: number;
  /** Alkalinity that is dosed, meq/L. */
  addMeqPerL?: number;
}

/** What is not known of a tank before it is started. */
export interface Draw {
  kinetics: CycleKinetics;
  cells: readonly [number, number];
  soil: number;
  plants: number;
  /** Days until plants take anything. */
  plantsAfter: number;
  /** Share of the food that rots in a day. */
  foodPerDay: number;
  /** Growth in salt water against fresh. */
  inSalt: number;
  /** Of grown-in media: what they hold against what media of their size usually do. */
  mediaHold: number;
}

/** Values a day from the start on. */
export interface Course {
  ammonia: Float64Array;
  nitrite: Float64Array;
  nitrate: Float64Array;
  /** The first day of a week in which no drop test shows ammonia or nitrite, after it did; null for not within the look. */
  done: number | null;
  /** The day on which alkalinity is used up, and all of it stalls; null for never. */
  sour: number | null;
}

/** What a drop test shows, mg N/L. */
export const SHOWS_MG_N = 0.25;
const STAYS_DAYS = 7;
/** So little alkalinity holds no pH. Common practice: a quarter of a degree. */
const SOUR_MEQ_PER_L = 0.1;
/** Grown-in media hold so many cells a litre of them, mg of those that take ammonia: a sponge of a litre starts 50 L at once. Common practice. */
const CELLS_PER_L = [20, 8] as const;
/** Against a new tank: bottled bacteria in all qualities, old soil that was rinsed. Common practice. */
const TIMES: Readonly<Record<Exclude<Inoculum, 'media'>, readonly [number, number]>> = {
  none: [0.2, 10],
  bottled: [1, 300],
  'old-soil': [10, 500],
  // its own soil, glass and filter, of which a move costs half
  'whole-move': [1500, 12_000],
};
const BARE_CELLS = 1e-4;
/** Tanks that have grown in read nothing: cells die no faster than leaves so much standing, mg N/L. Common practice. */
const LEFT_MG_N = 0.1;
/** On a kilogram of live rock or in one of live sand, as in media; what dies on the way is within the range it is drawn from. Common practice. */
const CELLS_PER_LIVE_KG = [2, 0.8] as const;
/** Food rots in days; nitrifiers of salt water come as fast as those of fresh, or by a quarter slower. Common practice. */
const FOOD_PER_DAY = [0.1, 0.6] as const;
const IN_SALT = [0.75, 1] as const;

const between = (uniform: () => number, low: number, high: number): number => low + (high - low) * uniform();
const logBetween = (uniform: () => number, low: number, high: number): number => Math.exp(between(uniform, Math.log(low), Math.log(high)));

/** So many tanks that could all be this one, over the ranges of the literature. */
export function drawTanks(tank: Pick<StartTank, 'inoculum' | 'inoculumShare' | 'livePerL'>, count: number, seed: number): Draw[] {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  return Array.from({ length: count }, () => {
    const k = CYCLE_KINETICS;
    const grows = (usual: number) => usual * logBetween(uniform, 0.75, 1.5);
    const kinetics: CycleKinetics = {
      ...k,
      growth: [grows(k.growth[0]), grows(k.growth[1])],
      byDegree: [between(uniform, 1.06, 1.1), between(uniform, 1.05, 1.08)],
      half: [logBetween(uniform, 0.25, 1), logBetween(uniform, 0.25, 1)],
      halfOxygen: [between(uniform, 0.3, 0.6), between(uniform, 0.6, 1.1)],
      yields: [between(uniform, 0.1, 0.15), between(uniform, 0.04, 0.07)],
      decay: logBetween(uniform, 0.03, 0.1),
      byAmmonia: [logBetween(uniform, 10, 100), logBetween(uniform, 1, 10)],
      byAcid: [logBetween(uniform, 0.5, 2), logBetween(uniform, 0.22, 1.5)],
      soilPerDay: logBetween(uniform, 0.05, 0.2),
    };
    const bare = (times: number) => BARE_CELLS * times;
    const more =
      tank.inoculum === 'media'
        ? ([0, 1] as const).map((i) => bare(1) + CELLS_PER_L[i] * tank.inoculumShare * logBetween(uniform, 0.3, 2))
        : [0, 1].map(() => bare(logBetween(uniform, ...TIMES[tank.inoculum as Exclude<Inoculum, 'media'>])));
    const rest = {
      soil: logBetween(uniform, 0.5, 2),
      plants: between(uniform, 0.3, 1.2),
      plantsAfter: between(uniform, 5, 25),
      foodPerDay: logBetween(uniform, ...FOOD_PER_DAY),
      inSalt: between(uniform, ...IN_SALT),
      mediaHold: logBetween(uniform, 0.3, 2),
    };
    const alive = tank.livePerL * logBetween(uniform, 0.02, 1.5);
    return { kinetics, cells: [more[0]! + CELLS_PER_LIVE_KG[0] * alive, more[1]! + CELLS_PER_LIVE_KG[1] * alive], ...rest };
  });
}

/** The one in the middle of them all. */
export function middleDraw({ inoculum, inoculumShare, livePerL }: Pick<StartTank, 'inoculum' | 'inoculumShare' | 'livePerL'>): Draw {
  const cells = (i: 0 | 1): number => {
    const alive = CELLS_PER_LIVE_KG[i] * livePerL * 0.2;
    if (inoculum === 'media') return BARE_CELLS + CELLS_PER_L[i] * inoculumShare + alive;
    const [low, high] = TIMES[inoculum];
    return BARE_CELLS * Math.sqrt(low * high) + alive;
  };
  return {
    kinetics: CYCLE_KINETICS,
    cells: [cells(0), cells(1)],
    soil: 1,
    plants: 0.7,
    plantsAfter: 14,
    foodPerDay: 0.25,
    inSalt: 0.87,
    mediaHold: 0.8,
  };
}

const ROUGH = { relative: 1e-3, absolute: new Float64Array([1e-3, 1e-3, 1e-2, 1e-6, 1e-6, 1e-2, 1e-3, 1e-2]), mostSteps: 20_000 };
/** pH of fresh water by its alkalinity and the carbon dioxide of its air; 25 °C, near enough. */
const phOf = (alkalinityMeqPerL: number, pco2Uatm: number): number =>
  6.35 + Math.log10(Math.max(0.005, alkalinityMeqPerL) / 1000 / (0.034 * pco2Uatm * 1e-6));

/** Amounts of the state: ammonia, nitrite, nitrate, two kinds of cells, soil, alkalinity, food that has still to rot. */
const STATES = 8;

/** The course of one drawn tank. @param then what is done on a day and holds from then on */
export function courseOf(
  start: StartTank,
  draw: Draw,
  days: number,
  integrator = new Integrator(STATES),
  then: ThenDone | null = null,
): Course {
  const { kinetics: k } = draw;
  let tank = start;
  let [paceA, paceN, decayA, decayN, ka, kn, dosed, fed] = [0, 0, 0, 0, 0, 0, 0, 0];
  const settle = (): void => {
    const { temperatureC: t, oxygenMgPerL: o } = tank;
    const pace = (i: 0 | 1) => k.growth[i] * k.byDegree[i] ** (t - 20) * (o / (k.halfOxygen[i] + o)) * (tank.salty ? draw.inSalt : 1);
    [paceA, paceN] = [pace(0), pace(1)];
    const decay = k.decay * k.decayByDegree ** (t - 20);
    decayA = Math.min(decay, (LEFT_MG_N * paceA) / (k.half[0] + LEFT_MG_N));
    decayN = Math.min(decay, (LEFT_MG_N * paceN) / (k.half[1] + LEFT_MG_N));
    ka = Math.exp(6344 / (273 + t));
    kn = Math.exp(-2300 / (273 + t));
    [dosed, fed] = tank.food ? [0, tank.doseMgNPerLPerDay] : [tank.doseMgNPerLPerDay, 0];
  };
  settle();
  let planted = 0;
  const derivative = (_: number, y: Float64Array, out: Float64Array): void => {
    const ammonia = Math.max(0, y[0]!);
    const nitrite = Math.max(0, y[1]!);
    const ph = phOf(y[6]!, tank.pco2Uatm);
    const tenPh = 10 ** ph;
    const fa = ((17 / 14) * ammonia * tenPh) / (ka + tenPh);
    const fna = ((46 / 14) * nitrite) / (kn * tenPh);
    const bell = phFactor(ph);
    const growA = (paceA * bell * (ammonia / (k.half[0] + ammonia))) / (1 + fa / k.byAmmonia[0]) / (1 + fna / k.byAcid[0]);
    const growN = (paceN * bell * (nitrite / (k.half[1] + nitrite))) / (1 + fa / k.byAmmonia[1]) / (1 + fna / k.byAcid[1]);
    const toNitrite = (growA * y[3]!) / k.yields[0];
    const toNitrate = (growN * y[4]!) / k.yields[1];
    const soil = k.soilPerDay * y[5]!;
    const uptake = planted * (ammonia / (0.2 + ammonia));
    const uptakeNitrate = planted * 0.4 * (0.2 / (0.2 + ammonia)) * (Math.max(0, y[2]!) / (1 + Math.max(0, y[2]!)));
    const rots = draw.foodPerDay * y[7]!;
    out[0] = dosed + rots + soil - toNitrite - uptake;
    out[1] = toNitrite - toNitrate;
    out[2] = toNitrate - uptakeNitrate;
    out[3] = (growA - decayA) * y[3]!;
    out[4] = (growN - decayN) * y[4]!;
    out[5] = -soil;
    // 2 meq for a mmol of ammonia that becomes nitrite; 1 comes back where nitrate is taken up
    out[6] = (-2 * toNitrite + uptakeNitrate) / 14.007;
    out[7] = fed - rots;
  };
  const y = Float64Array.of(0, 0, 0, draw.cells[0], draw.cells[1], tank.soilMgNPerL * draw.soil, tank.alkalinityMeqPerL, 0);
  const renew = (fraction: number): void => {
    for (const i of [0, 1, 2]) y[i] = y[i]! * (1 - fraction);
    y[6] = y[6]! + fraction * (tank.alkalinityMeqPerL - y[6]!);
  };
  const [ammonia, nitrite, nitrate] = [new Float64Array(days + 1), new Float64Array(days + 1), new Float64Array(days + 1)];
  let [run, was, done, sour] = [0, false, null as number | null, null as number | null];
  for (let day = 0; day <= days; day++) {
    if (day > 0) {
      planted = day > draw.plantsAfter ? tank.plantsMgNPerLPerDay * draw.plants : 0;
      integrator.steps = 0;
      integrator.run(derivative, y, day - 1, day, ROUGH);
      const { change } = tank;
      if (change && day % change.everyDays === 0) renew(change.fraction);
    }
    if (then && day === then.day) {
      tank = { ...tank, ...then.tank };
      settle();
      if (then.changed) renew(then.changed);
      if (then.addMeqPerL) y[6] = y[6]! + then.addMeqPerL;
      for (const i of [0, 1] as const) y[3 + i] = y[3 + i]! + CELLS_PER_L[i] * (then.mediaShare ?? 0) * draw.mediaHold;
    }
    ammonia[day] = Math.max(0, y[0]!);
    nitrite[day] = Math.max(0, y[1]!);
    nitrate[day] = Math.max(0, y[2]!);
    if (y[6]! < SOUR_MEQ_PER_L) sour ??= day;
    const shows = ammonia[day]! > SHOWS_MG_N || nitrite[day]! > SHOWS_MG_N;
    was ||= shows;
    run = shows ? 0 : run + 1;
    if (done === null && run >= STAYS_DAYS && (was || day >= 2 * STAYS_DAYS)) done = Math.max(1, day - run + 1);
  }
  return { ammonia, nitrite, nitrate, done, sour };
}

/** All of them; yields the share that is done. */
export function* ensembleOf(
  tank: StartTank,
  { count, days, seed }: { count: number; days: number; seed: number },
  then: ThenDone | null = null,
): Generator<number, Course[]> {
  const draws = drawTanks(tank, count, seed);
  const integrator = new Integrator(STATES);
  const courses: Course[] = [];
  for (const [i, draw] of draws.entries()) {
    courses.push(courseOf(tank, draw, days, integrator, then));
    if (i % 20 === 19) yield i / count;
  }
  return courses;
}

/** A test as the courses are held against it. */
export interface Tested {
  day: number;
  kit: StartKit;
  ammoniaMgN: number | null;
  nitriteMgN: number | null;
  nitrateMgN: number | null;
}

/** How far a reading may be off, standard deviation: a step of the kit and a share. Common practice. */
const OFF: Readonly<Record<StartKit, Readonly<Record<'ammonia' | 'nitrite' | 'nitrate', readonly [number, number]>>>> = {
  drops: { ammonia: [0.15, 0.25], nitrite: [0.1, 0.25], nitrate: [1, 0.3] },
  strip: { ammonia: [0.4, 0.4], nitrite: [0.3, 0.4], nitrate: [2, 0.5] },
  laboratory: { ammonia: [0.03, 0.1], nitrite: [0.02, 0.1], nitrate: [0.2, 0.1] },
};
export const offBy = (kit: StartKit, what: 'ammonia' | 'nitrite' | 'nitrate', value: number): number => {
  const [least, share] = OFF[kit][what];
  return Math.hypot(least, share * value);
};
/** No model is this tank: a share that every course may be off by besides. */
const MODEL_OFF = 0.2;
/** A band of fewer than so many tanks is no band: the tests are then trusted less. */
const LEAST_TANKS = 30;

/** Weights of the courses by what was tested, summing to 1. */
export function weightsBy(courses: readonly Course[], tests: readonly Tested[]): Float64Array {
  const logs = courses.map((course) =>
    tests.reduce((sum, test) => {
      const term = (what: 'ammonia' | 'nitrite' | 'nitrate', read: number | null): number => {
        const value = course[what][Math.min(course[what].length - 1, Math.max(0, Math.round(test.day)))]!;
        if (read === null) return 0;
        const off = Math.hypot(offBy(test.kit, what, Math.max(read, value)), MODEL_OFF * value);
        // a heavy tail, so that one bad test does not decide
        return -2.5 * Math.log(1 + ((read - value) / off) ** 2 / 4) - Math.log(off);
      };
      return sum + term('ammonia', test.ammoniaMgN) + term('nitrite', test.nitriteMgN) + term('nitrate', test.nitrateMgN);
    }, 0),
  );
  const most = Math.max(...logs);
  const weighed = (power: number): { weights: Float64Array; tanks: number } => {
    const weights = Float64Array.from(logs, (log) => Math.exp(power * (log - most)));
    const sum = weights.reduce((all, one) => all + one, 0);
    let squares = 0;
    for (let i = 0; i < weights.length; i++) {
      weights[i] = weights[i]! / sum;
      squares += weights[i]! ** 2;
    }
    return { weights, tanks: 1 / squares };
  };
  let found = weighed(1);
  for (let power = 0.8; found.tanks < Math.min(LEAST_TANKS, courses.length / 4) && power > 0.02; power *= 0.8) found = weighed(power);
  return found.weights;
}

/** The value below which a share of the weight lies. */
export function quantile(values: ArrayLike<number>, weights: Float64Array, share: number): number {
  const order = Array.from(values, (_, i) => i).sort((a, b) => values[a]! - values[b]!);
  let sum = 0;
  for (const i of order) {
    sum += weights[i]!;
    if (sum >= share - 1e-12) return values[i]!;
  }
  return values[order.at(-1)!]!;
}

/** The course and its band of nine in ten, day by day. */
export interface StartBand {
  usual: Float64Array;
  low: Float64Array;
  high: Float64Array;
}
export interface StartForecast {
  days: number;
  ammonia: StartBand;
  nitrite: StartBand;
  nitrate: StartBand;
  /** Days until ammonia and nitrite stay away: early, usual, late; null for beyond the look. */
  done: { early: number | null; usual: number | null; late: number | null };
  /** Share of the tanks whose alkalinity is used up, and the day on which it usually is. */
  sour: { share: number; day: number | null };
  /** Tests that hardly any of the tanks would have shown. */
  strange: readonly number[];
}

/** @param weights of another course of the same tanks, where tests were taken before the two part; left out for those of the tests */
export function forecastStart(
  courses: readonly Course[],
  tests: readonly Tested[],
  weights: Float64Array = weightsBy(courses, tests),
): StartForecast {
  const days = courses[0]!.ammonia.length - 1;
  const at = new Float64Array(courses.length);
  const band = (what: 'ammonia' | 'nitrite' | 'nitrate'): StartBand => {
    const told = { usual: new Float64Array(days + 1), low: new Float64Array(days + 1), high: new Float64Array(days + 1) };
    for (let day = 0; day <= days; day++) {
      for (let i = 0; i < courses.length; i++) at[i] = courses[i]![what][day]!;
      const order = Array.from(at, (_, i) => i).sort((a, b) => at[a]! - at[b]!);
      let sum = 0;
      let [low, usual, high] = [false, false, false];
      for (const i of order) {
        sum += weights[i]!;
        if (!low && sum >= 0.05) [low, told.low[day]] = [true, at[i]!];
        if (!usual && sum >= 0.5) [usual, told.usual[day]] = [true, at[i]!];
        if (!high && sum >= 0.95) [high, told.high[day]] = [true, at[i]!];
      }
    }
    return told;
  };
  const dones = courses.map(({ done }) => done ?? Infinity);
  const when = (share: number) => {
    const day = quantile(dones, weights, share);
    return Number.isFinite(day) ? day : null;
  };
  const sourShare = courses.reduce((sum, { sour }, i) => sum + (sour === null ? 0 : weights[i]!), 0);
  const sourDays = courses.flatMap(({ sour }) => (sour === null ? [] : [sour])).sort((a, b) => a - b);
  const [ammonia, nitrite, nitrate] = [band('ammonia'), band('nitrite'), band('nitrate')];
  const bands = { ammonia, nitrite, nitrate };
  const strange = tests.flatMap((test, i) =>
    (['ammonia', 'nitrite'] as const).some((what) => {
      const read = what === 'ammonia' ? test.ammoniaMgN : test.nitriteMgN;
      if (read === null) return false;
      const day = Math.min(days, Math.max(0, Math.round(test.day)));
      const { low, high } = bands[what];
      const off = 2.5 * offBy(test.kit, what, read);
      return read > high[day]! + off || read < low[day]! - off;
    })
      ? [i]
      : [],
  );
  return {
    days,
    ...bands,
    done: { early: when(0.05), usual: when(0.5), late: when(0.95) },
    sour: { share: sourShare, day: sourDays[Math.floor(sourDays.length / 2)] ?? null },
    strange,
  };
}
