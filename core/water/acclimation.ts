import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/**
 * A dissolved quantity in a bag that tank water drips into while nothing is taken out: C = Cs + (C0 − Cs) V0/V, V = V0 + Q t.
 * Fresh after `bagL` litres have grown by the drip.
 */
export function afterDrip(bagL: number, bagValue: number, tankValue: number, dripMlPerMin: number, minutes: number): number {
  const litres = bagL + (dripMlPerMin * minutes) / 1000;
  return tankValue + ((bagValue - tankValue) * bagL) / litres;
}

/** Minutes until a share of the way is left; the volume grows by as much as the rest asks for. */
export function minutesToShare(bagL: number, dripMlPerMin: number, shareLeft: number): number {
  return (bagL * 1000 * (1 / shareLeft - 1)) / dripMlPerMin;
}

/** Millilitres of a drop from an air-line valve; common practice, 20 to a millilitre. */
export const DROP_ML = 0.05;

/** How far apart two temperatures still are after floating, of 1: e^(−t/τ), τ = m c / U A. */
export function floatShare(minutes: number, litres: number, wallM2: number): number {
  return Math.exp((-minutes * 60 * BAG_U * wallM2) / (litres * 4168));
}
/** Heat through a thin bag between two waters, W/m²K. Common practice. */
export const BAG_U = 60;

export const acclimation = calculation({
  id: 'water.acclimation',
  title: 'What a drip has made of the bag’s water',
  inputs: z.strictObject({
    bagLitres: z.number().positive('there is no water in the bag').max(1000),
    bagValue: z.number().min(-1e6).max(1e6),
    tankValue: z.number().min(-1e6).max(1e6),
    dripMlPerMin: z.number().positive('nothing drips').max(1e5),
    minutes: z.number().min(0, 'time does not run backwards').max(1e5),
  }),
  outputs: z.strictObject({ value: z.number() }),
  source: [{ citation: 'Conservation of mass in a growing volume', basis: 'published' }],
  formula: 'C = C_tank + (C_bag − C_tank) V₀/V, V = V₀ + Q t',
  validity: 'stirred, nothing taken out: GH, KH, salinity, conductivity, total ammonia. Never pH or free ammonia',
  uncertainty: 'that of the drip: count the drops again half way',
  compute: ({ bagLitres, bagValue, tankValue, dripMlPerMin, minutes }) => ({
    value: afterDrip(bagLitres, bagValue, tankValue, dripMlPerMin, minutes),
  }),
});

export const floating = calculation({
  id: 'water.floating',
  title: 'Warming by floating the bag',
  inputs: z.strictObject({
    bagLitres: z.number().positive('there is no water in the bag').max(1000),
    wallM2: z.number().positive().max(10),
    bagC: z.number().min(0).max(45),
    tankC: z.number().min(0).max(45),
    minutes: z.number().min(0, 'time does not run backwards').max(1e5),
  }),
  outputs: z.strictObject({ temperatureC: z.number() }),
  source: [
    { citation: 'Newton’s law of cooling', basis: 'published' },
    { citation: '60 W/m²K through a thin bag between two waters', basis: 'practice' },
  ],
  formula: 'T = T_tank + (T_bag − T_tank) e^(−t/τ), τ = m c/(U A)',
  validity: 'a thin bag afloat, the tank so large that it does not cool',
  uncertainty: 'a third of the time either way',
  compute: ({ bagLitres, wallM2, bagC, tankC, minutes }) => ({
    temperatureC: tankC + (bagC - tankC) * floatShare(minutes, bagLitres, wallM2),
  }),
});
