import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { Id } from './organism';

const Reading = (max: number) => factOf(z.number().min(0).max(max));

export const WaterKind = z.enum(['tap', 'well', 'ro', 'rain', 'sea']);
export type WaterKind = z.infer<typeof WaterKind>;

/** What is known of a water as it comes. pH is that of the water as delivered, before it meets the room's air. */
export const waterReadings = {
  kind: WaterKind,
  ghDh: Reading(500),
  khDh: Reading(60),
  ph: factOf(z.number().min(2).max(12)),
  ec25UsPerCm: Reading(80000),
  salinity: Reading(60),
  disinfectant: factOf(z.enum(['none', 'chlorine', 'chloramine'])),
};

/** A class of source water, generic. */
export const WaterType = z.strictObject({ id: Id, name: z.string().min(1), note: z.string().min(1), ...waterReadings });
export type WaterType = z.infer<typeof WaterType>;
