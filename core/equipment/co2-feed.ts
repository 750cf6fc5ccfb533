import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { carbonateConstants } from '../chemistry/carbonate-constants';
import { hoursFromTo, isBetween } from '../tank/clock';
import { schmidtCo2, transferVelocity } from '../tank/speeds';

/** How CO2 is fed, as the water plan says it. */
interface Co2Feed {
  set: { by: 'level'; mgPerL: number } | { by: 'bubbles'; perSecond: number } | { by: 'mass'; gPerDay: number };
  onHour: number | null;
  offHour: number | null;
  bottleG: number | null;
}

const CO2_MASS = 44.009;
/** What one bubble of a counter holds, mg: a twentieth of a millilitre at 25 °C. Common practice. */
export const BUBBLE_MG = 0.09;
/** Of what is let in so much dissolves; the rest comes up as bubbles. Common practice: 0.5 on a stone to 0.9 in a reactor. */
export const DISSOLVES = 0.7;

/** The water that CO2 is fed to, and how it loses it. */
export interface Losing {
  litres: number;
  surfaceM2: number;
  /** Times the exchange of a still surface; under a lid the share of it that is left. */
  movement: number;
  temperatureC: number;
  roomPco2Uatm: number;
}

/** Share of the CO2 above balance that the surface lets go in a day, and what is left in balance with the room, mg/L. */
export function lossOf({ litres, surfaceM2, movement, temperatureC, roomPco2Uatm }: Losing): { perDay: number; balanceMgPerL: number } {
  const perDay = (transferVelocity(schmidtCo2(Math.min(35, temperatureC))) * movement * surfaceM2 * 1000) / litres;
  const balanceMgPerL = 10 ** carbonateConstants(Math.min(40, Math.max(0, temperatureC))).logKh * roomPco2Uatm * 1e-6 * CO2_MASS * 1000;
  return { perDay, balanceMgPerL };
}

/** What feeding comes to, plants not counted: they take a part of it by day. */
export interface Co2Course {
  onHour: number;
  offHour: number;
  hours: number;
  /** When it has been on, by day's end, mg/L. */
  mgPerL: number;
  /** Let in while it is on, g; with what comes up as bubbles. */
  gPerDay: number;
  /** Dissolved while it is on, mg a day at that rate; null where it is held at a level. */
  inMgPerDay: number | null;
  /** Days that a bottle lasts; null while nobody has said what it holds. */
  bottleDays: number | null;
  /** Hours that it is on in the dark. */
  darkHours: number;
}

/**
 * @param lamps from when to when there is light, hours from midnight
 */
export function co2Course(feed: Co2Feed, losing: Losing, lamps: readonly [number, number]): Co2Course {
  const onHour = feed.onHour ?? lamps[0];
  const offHour = feed.offHour ?? lamps[1];
  const hours = hoursFromTo(onHour, offHour);
  const { perDay, balanceMgPerL } = lossOf(losing);
  const { set } = feed;
  const filled = 1 - Math.exp((-perDay * hours) / 24);
  let mgPerL: number;
  let gPerDay: number;
  let inMgPerDay: number | null = null;
  if (set.by === 'level') {
    mgPerL = set.mgPerL;
    const above = Math.max(0, mgPerL - balanceMgPerL);
    // filled up again every morning, and what goes through the surface meanwhile
    const left = Math.exp((-perDay * (24 - hours)) / 24);
    gPerDay = (losing.litres * above * (1 - left + (perDay * hours) / 24)) / 1000 / DISSOLVES;
  } else {
    gPerDay = set.by === 'mass' ? set.gPerDay : (set.perSecond * BUBBLE_MG * 3600 * hours) / 1000;
    inMgPerDay = (gPerDay * 1000 * DISSOLVES * 24) / hours;
    const perLitre = inMgPerDay / losing.litres;
    // what is left from the day before counts: a course that repeats itself
    const risen = perDay > 1e-6 ? (perLitre / perDay) * filled : (perLitre * hours) / 24;
    mgPerL = balanceMgPerL + (perDay > 1e-6 ? risen / (1 - Math.exp(-perDay)) : risen);
  }
  const dark = [...Array(96).keys()].filter(
    (q) => isBetween(q / 4, onHour, offHour) && !(lamps[0] !== lamps[1] && isBetween(q / 4, ...lamps)),
  );
  return {
    onHour,
    offHour,
    hours,
    mgPerL,
    gPerDay,
    inMgPerDay,
    bottleDays: feed.bottleG === null || gPerDay <= 0 ? null : feed.bottleG / gPerDay,
    darkHours: dark.length / 4,
  };
}

export const co2Feed = calculation({
  id: 'equipment.co2-feed',
  title: 'CO₂ that is fed, and what the surface takes of it',
  inputs: z.strictObject({
    gPerDay: z.number().positive().max(500),
    hours: z.number().positive().max(24, 'a day has 24 hours'),
    litres: z.number().positive().max(20_000),
    surfaceM2: z.number().min(0).max(20),
    movement: z.number().min(0.1).max(10),
    temperatureC: z.number().min(0).max(40),
  }),
  outputs: z.strictObject({ mgPerL: z.number(), lostMgPerDay: z.number() }),
  source: [
    { citation: 'Still surface: Cole & Caraco 1998, Limnol. Oceanogr. 43:647; Schmidt number of Wanninkhof 1992', basis: 'published' },
    { citation: 'Of what is let in 0.5 to 0.9 dissolves; a bubble of a counter a twentieth of a millilitre', basis: 'practice' },
  ],
  formula: 'C = C* + (0.7 G/V · 24/h)/k · (1 − e^(−k h/24))/(1 − e^(−k)), k = k_L A/V a day',
  validity: 'Day after day alike, plants not counted: they take up to a third of it by day',
  uncertainty: 'A factor of two: how well it dissolves, and how the surface moves',
  compute: ({ gPerDay, hours, litres, surfaceM2, movement, temperatureC }) => {
    const losing = { litres, surfaceM2, movement, temperatureC, roomPco2Uatm: 1000 };
    const feed: Co2Feed = { set: { by: 'mass', gPerDay }, onHour: 0, offHour: hours === 24 ? 0 : hours, bottleG: null };
    const { mgPerL } = co2Course(feed, losing, [0, 12]);
    return { mgPerL, lostMgPerDay: gPerDay * 1000 * DISSOLVES };
  },
});
