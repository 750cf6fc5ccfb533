import type { Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { blendConservative } from './blend';
import { equilibriumPhOf } from './equilibrium-ph';

/** Parameters that mix in proportion to volume. */
export const CONSERVATIVE = ['ghDh', 'khDh', 'ec25UsPerCm', 'salinity'] as const;
export type Conservative = (typeof CONSERVATIVE)[number];

export type SourceReadings = Readonly<Record<Conservative, { value: number | null }>>;

export interface Poured {
  share: number;
  source: SourceReadings;
}

export function blendOf(parts: readonly Poured[], parameter: Conservative): number | null {
  return blendConservative(parts.map(({ share, source }) => ({ share, value: source[parameter].value })));
}

/**
 * CO2 pressures a standing tank may hold, µatm: outdoor air; a lightly stocked tank in a room; a full tank with a still
 * surface. Common practice, not measured: they make the band around a planned pH.
 */
export const TANK_CO2_UATM = { air: 420, usual: 1200, stuffy: 4000 } as const;

/** Salinity above which the fresh-water carbonate constants no longer hold. */
export const FRESH_SALINITY_MAX = 1;

/** The settled pH of fresh water and its band from the doubt about CO2; null outside the constants' validity. */
export function settledPh(khDh: number, salinity: number, temperatureC: number): { ph: number; band: Span } | null {
  const alkalinity = khDh * MEQ_PER_DEGREE_ALKALINITY;
  if (salinity > FRESH_SALINITY_MAX || alkalinity > 10 || temperatureC < 0 || temperatureC > 40) return null;
  const at = (pco2: number) => equilibriumPhOf(temperatureC, alkalinity, pco2);
  return { ph: at(TANK_CO2_UATM.usual), band: [at(TANK_CO2_UATM.stuffy), at(TANK_CO2_UATM.air)] };
}
