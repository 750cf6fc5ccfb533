import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { levelW, radiationW, uprightW } from './convection';
import { evaporationKgPerS, latentHeatJPerKg } from './evaporation';

/** A filled vessel as heat sees it, in a room. Square metres, metres, millimetres; humidity 0 to 1. */
export interface HeatBody {
  wallM2: number;
  wallHeightM: number;
  baseM2: number;
  waterM2: number;
  waterPerimeterM: number;
  glassMm: number;
  /** Share of the surface under a lid, 0 to 1. */
  covered: number;
  humidity: number;
  airMPerS: number;
}

export interface HeatLoss {
  wallsW: number;
  baseW: number;
  topW: number;
  totalW: number;
  evaporationLPerDay: number;
  /** Heat transfer of the walls, W/m²K. */
  wallUWPerM2K: number;
}

const H_INSIDE = 300;
const GLASS_W_PER_MK = 1;
const U_BASE = 1.5;
const U_LID = 3.5;
const EMISSIVITY = { glass: 0.9, water: 0.95 };

/** Watts that a vessel gives to its room at a water temperature; negative when the room warms it. */
export function heatLoss(body: HeatBody, waterC: number, airC: number): HeatLoss {
  const difference = waterC - airC;
  let paneC = (waterC + airC) / 2;
  let u = 0;
  for (let i = 0; i < 5; i++) {
    const outside = uprightW(paneC, airC, body.wallHeightM) + radiationW(paneC, airC, EMISSIVITY.glass);
    u = 1 / (1 / H_INSIDE + body.glassMm / 1000 / GLASS_W_PER_MK + 1 / outside);
    paneC = airC + (u * difference) / outside;
  }
  const wallsW = u * body.wallM2 * difference;
  const baseW = U_BASE * body.baseM2 * difference;
  const openM2 = body.waterM2 * (1 - body.covered);
  const openW = levelW(waterC, airC, body.waterM2 / body.waterPerimeterM) + radiationW(waterC, airC, EMISSIVITY.water);
  const kgPerS = evaporationKgPerS(openM2, waterC, airC, body.humidity, body.airMPerS);
  const topW = openW * openM2 * difference + kgPerS * latentHeatJPerKg(waterC) + U_LID * body.waterM2 * body.covered * difference;
  return {
    wallsW,
    baseW,
    topW,
    totalW: wallsW + baseW + topW,
    evaporationLPerDay: (kgPerS * 86400) / 0.997,
    wallUWPerM2K: u,
  };
}

const Area = z.number().positive().max(50);

export const HeatBodySchema = z.strictObject({
  wallM2: Area,
  wallHeightM: z.number().positive().max(5),
  baseM2: Area,
  waterM2: Area,
  waterPerimeterM: z.number().positive().max(50),
  glassMm: z.number().positive().max(60),
  covered: z.number().min(0).max(1),
  humidity: z.number().min(0).max(1),
  airMPerS: z.number().min(0).max(3),
});

export const heatLossCalculation = calculation({
  id: 'equipment.heat-loss',
  title: 'Heat that a tank gives to its room',
  inputs: HeatBodySchema.extend({ waterC: z.number(), airC: z.number() }),
  outputs: z.strictObject({
    wallsW: z.number(),
    baseW: z.number(),
    topW: z.number(),
    totalW: z.number(),
    evaporationLPerDay: z.number(),
    wallUWPerM2K: z.number(),
  }),
  source: [
    { citation: 'Churchill & Chu 1975, Int. J. Heat Mass Transfer 18:1323, upright panes', basis: 'published' },
    { citation: 'McAdams 1954, Heat Transmission, level surfaces', basis: 'published' },
    { citation: 'ASHRAE Handbook, HVAC Applications: evaporation from pools', basis: 'published' },
    { citation: 'Base on a mat 1.5, lid 3.5, water against glass 300 W/m²K', basis: 'practice' },
  ],
  formula: 'W = U walls ΔT + 1.5 base ΔT + (h + radiation) open ΔT + latent heat · evaporation + 3.5 lid ΔT; 1/U = 1/300 + d/1.0 + 1/h_out',
  validity: 'water and air 0–45 °C, a still room, glass panes, an insulating mat under the base',
  uncertainty: '±25 %; evaporation ±40 %',
  outside: ({ waterC, airC }) => ([waterC, airC].some((c) => c < 0 || c > 45) ? 'a temperature lies outside 0–45 °C' : null),
  compute: ({ waterC, airC, ...body }) => heatLoss(body, waterC, airC),
});
