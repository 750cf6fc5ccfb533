import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { heatLoss, HeatBodySchema, type HeatBody } from './heat-loss';

const LIMITS_C = [0, 45] as const;

/**
 * Temperature at which a tank gives off just the power put into it, degrees Celsius.
 * @returns null when that lies outside 0 to 45 °C
 */
export function settlingC(body: HeatBody, airC: number, powerW: number): number | null {
  const excess = (waterC: number) => heatLoss(body, waterC, airC).totalW - powerW;
  let [low, high] = [Math.max(LIMITS_C[0], airC - 12), Math.min(LIMITS_C[1], airC + 3)];
  let [atLow, atHigh] = [excess(low), excess(high)];
  if (atHigh < 0) {
    [low, atLow] = [high, atHigh];
    high = LIMITS_C[1];
    atHigh = excess(high);
  }
  if (atLow > 0 || atHigh < 0) return null;
  // the loss grows steadily with the water's temperature: regula falsi in its Illinois form
  let side = 0;
  for (let i = 0; i < 60 && high - low > 1e-4; i++) {
    const mid = (low * atHigh - high * atLow) / (atHigh - atLow);
    const value = excess(mid);
    if (Math.abs(value) < 1e-6 * Math.max(1, Math.abs(powerW))) return mid;
    if (value > 0) {
      [high, atHigh] = [mid, value];
      if (side === 1) atLow /= 2;
      side = 1;
    } else {
      [low, atLow] = [mid, value];
      if (side === -1) atHigh /= 2;
      side = -1;
    }
  }
  return (low * atHigh - high * atLow) / (atHigh - atLow);
}

export const settlingTemperature = calculation({
  id: 'equipment.settling-temperature',
  title: 'Where the temperature of a tank settles',
  inputs: HeatBodySchema.extend({ airC: z.number(), powerW: z.number().min(-5000).max(5000) }),
  outputs: z.strictObject({ waterC: z.number() }),
  source: [{ citation: 'Heat given off equals power put in, by equipment.heat-loss', basis: 'published' }],
  formula: 'heat-loss(water, air) = power, solved for water',
  validity: 'as equipment.heat-loss; the answer within 0–45 °C',
  uncertainty: '±25 % of the distance to the room',
  outside: ({ airC, powerW, ...body }) =>
    airC < 0 || airC > 45 ? 'the room lies outside 0–45 °C' : settlingC(body, airC, powerW) === null ? 'it settles outside 0–45 °C' : null,
  compute: ({ airC, powerW, ...body }) => ({ waterC: settlingC(body, airC, powerW) ?? NaN }),
});
