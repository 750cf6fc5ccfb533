import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const GRAVITY = 9.81;
/** Kinematic viscosity of water at 25 °C, m²/s. */
const NU = 0.893e-6;
/** Bends, strainer and outlet, as so many speed heads. Common practice: an elbow 0.9, an entrance 0.5, an exit 1. */
const FITTINGS = 4;

/** Head that a hose takes at a flow, m: Darcy and Weisbach, smooth pipe by Blasius, laminar below a Reynolds number of 2300. */
export function hoseHeadM(lPerH: number, lengthM: number, boreMm: number): number {
  if (lPerH <= 0 || boreMm <= 0) return 0;
  const bore = boreMm / 1000;
  const speed = lPerH / 3.6e6 / ((Math.PI / 4) * bore * bore);
  const reynolds = (speed * bore) / NU;
  const friction = reynolds < 2300 ? 64 / reynolds : 0.3164 / reynolds ** 0.25;
  return (friction * (lengthM / bore) + FITTINGS) * ((speed * speed) / (2 * GRAVITY));
}

/** Flow of a pump against a head, L/h: a parabola between what it gives at none and the head at which it gives nothing. */
export const flowAgainst = (mostLPerH: number, mostHeadM: number, headM: number): number =>
  headM >= mostHeadM ? 0 : mostLPerH * Math.sqrt(1 - Math.max(0, headM) / mostHeadM);

/** A pump, what it has to lift, and the hose that it drives the water through. */
export interface Run {
  mostLPerH: number;
  mostHeadM: number;
  liftM: number;
  hoseM: number;
  boreMm: number;
}

/** Where the pump's curve meets what lift and hose ask, L/h: halved until they agree. */
export function flowThrough({ mostLPerH, mostHeadM, liftM, hoseM, boreMm }: Run): number {
  let [low, high] = [0, flowAgainst(mostLPerH, mostHeadM, liftM)];
  for (let i = 0; i < 50 && high - low > 1e-6 * mostLPerH; i++) {
    const middle = (low + high) / 2;
    if (flowAgainst(mostLPerH, mostHeadM, liftM + hoseHeadM(middle, hoseM, boreMm)) > middle) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export const pumpFlow = calculation({
  id: 'equipment.pump-flow',
  title: 'Flow of a pump against a head',
  inputs: z
    .strictObject({
      mostLPerH: z.number().positive('a pump that gives nothing is none').max(200_000),
      mostHeadM: z.number().positive('the head at which it gives nothing is above 0').max(50),
      headM: z.number().min(0).max(50),
    })
    .refine(({ mostHeadM, headM }) => headM <= mostHeadM, {
      message: 'the pump does not reach so high: nothing comes out',
      path: ['headM'],
    }),
  outputs: z.strictObject({ lPerH: z.number() }),
  source: [{ citation: 'Pump curve as a parabola, H = H₀ (1 − (Q/Q₀)²): textbook form of a centrifugal pump', basis: 'recalled' }],
  formula: 'Q = Q₀ √(1 − H/H₀)',
  validity: 'Small centrifugal pumps, clean; not air lifts',
  uncertainty: 'Labels flatter: a straight line between both ends is the low edge; a clogged one gives half',
  compute: ({ mostLPerH, mostHeadM, headM }) => ({ lPerH: flowAgainst(mostLPerH, mostHeadM, headM) }),
});
