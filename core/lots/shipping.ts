import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** What animals travel in, and the hours in which two thirds of the way to the warmth outside are gone. Common practice. */
export const BOXES = { bag: 2, 'lined carton': 6, 'foam box': 18 } as const;
export type Box = keyof typeof BOXES;

/** Warmth after so many hours in a box that follows the air outside. */
export const warmthAfter = (startC: number, outsideC: number, hours: number, boxHours: number): number =>
  outsideC + (startC - outsideC) * Math.exp(-hours / boxHours);

/** Air outside for which the bag arrives within a range; an edge is null where none is given. */
export function weatherWindow(
  [low, high]: readonly [number | null, number | null],
  startC: number,
  hours: number,
  boxHours: number,
): [number | null, number | null] {
  const kept = Math.exp(-hours / boxHours);
  const outside = (edge: number | null) => (edge === null ? null : (edge - startC * kept) / (1 - kept));
  return [outside(low), outside(high)];
}

/** A litre of gas from a bottle holds so much oxygen, mg, at 20 °C and one atmosphere. */
const OXYGEN_MG_PER_L = 1331;
/** Of it, so much can be breathed before the rest is too thin. Common practice. */
const BREATHED = 0.6;
/** Shaken about, they breathe more than at rest in their tank. Common practice. */
const UPSET = 1.5;
/** Fasted for two days they give off so much ammonia, mg N a kilogram and hour; fed ones three times as much. Common practice. */
const AMMONIA = { fasted: 5, fed: 15 };

/** Hours that the oxygen of a bag lasts, from those that breathe it now. */
export const oxygenHours = (oxygenL: number, breathMgPerHour: number): number =>
  (oxygenL * OXYGEN_MG_PER_L * BREATHED) / (breathMgPerHour * UPSET);

/** Ammonia in the bag on arrival, mg N/L. */
export const ammoniaOnArrival = (grams: number, waterL: number, hours: number, fasted: boolean): number =>
  ((grams / 1000) * AMMONIA[fasted ? 'fasted' : 'fed'] * hours) / waterL;

export const shipping = calculation({
  id: 'lots.shipping',
  title: 'Animals on their way',
  inputs: z.strictObject({
    hours: z.number().positive('a journey takes time').max(120),
    startC: z.number().min(0).max(40),
    outsideC: z.number().min(-40).max(50),
    boxHours: z.number().positive().max(100),
    oxygenL: z.number().min(0).max(100),
    waterL: z.number().positive('they travel in water').max(100),
    grams: z.number().positive('an animal weighs something').max(20000),
    breathMgPerHour: z.number().positive().max(1e5),
    fasted: z.boolean(),
  }),
  outputs: z.strictObject({ arrivesC: z.number(), oxygenHours: z.number(), ammoniaMgN: z.number() }),
  source: [
    {
      citation: 'Newton’s cooling; a foam box of 20 L keeps two thirds of its warmth for about 18 h, a lined carton 6 h, a bag 2 h',
      basis: 'practice',
    },
    { citation: 'Fasted small fish 5 mg N a kilogram and hour; a bag of a third water and two thirds oxygen', basis: 'practice' },
  ],
  formula: 'T = T_out + (T₀ − T_out)·e^(−t/τ); oxygen 1.33 g/L · 0.6 / (1.5 · breath)',
  validity: 'no heat or cold pack; the outside is taken as the same all the way',
  uncertainty: 'a third either way: where the parcel stands over night decides',
  compute: ({ hours, startC, outsideC, boxHours, oxygenL, waterL, grams, breathMgPerHour, fasted }) => ({
    arrivesC: warmthAfter(startC, outsideC, hours, boxHours),
    oxygenHours: oxygenHours(oxygenL, breathMgPerHour),
    ammoniaMgN: ammoniaOnArrival(grams, waterL, hours, fasted),
  }),
});
