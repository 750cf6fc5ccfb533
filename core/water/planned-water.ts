import type { Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { FRESH_SALINITY_MAX } from '../tank/scenario';
import { carbonateAtPco2, outsideFreshWater } from '../chemistry/carbonate-system';
import { METER_ABOVE_TOTAL_SCALE, seawaterPhOf } from '../chemistry/seawater-ph';

/**
 * CO2 pressures a standing tank may hold, µatm: outdoor air; a lightly stocked tank in a room; a full tank with a still
 * surface. Common practice, not measured: they make the band around a planned pH.
 */
export const TANK_CO2_UATM = { air: 420, usual: 1200, stuffy: 4000 } as const;

export interface Settling {
  khDh: number;
  /** Lowest and highest KH that what lies in the water allows. */
  khBand?: Span;
  salinity: number;
  temperatureC: number;
  /** CO2 pressure, µatm, and its lowest and highest. */
  pco2Uatm: number;
  pco2Band: Span;
  /** Dissolved organic carbon, mg/L, and its band. */
  organicCarbonMgPerL?: number;
  organicCarbonBand?: Span;
}

/** The settled pH, as a meter reads it, with its band; null outside the constants' validity. */
export function settledPh(tank: Settling): { ph: number; band: Span } | null {
  const { khDh, khBand = [khDh, khDh], pco2Uatm, pco2Band, organicCarbonMgPerL = 0 } = tank;
  const carbon = tank.organicCarbonBand ?? [organicCarbonMgPerL, organicCarbonMgPerL];
  const at = phAt(tank);
  if (!at) return null;
  return {
    ph: at(khDh, pco2Uatm, organicCarbonMgPerL),
    band: [at(khBand[0], pco2Band[1], carbon[1]), at(khBand[1], pco2Band[0], carbon[0])],
  };
}

function phAt({ khDh, salinity, temperatureC }: Settling): ((kh: number, pco2: number, carbon: number) => number) | null {
  if (salinity > FRESH_SALINITY_MAX) {
    if (salinity > 45 || temperatureC < 0 || temperatureC > 45 || khDh <= 0) return null;
    const kgPerL = 1 + 0.00075 * salinity;
    return (kh, pco2) =>
      seawaterPhOf(Math.max(0.05, (kh * MEQ_PER_DEGREE_ALKALINITY) / kgPerL), pco2, salinity, temperatureC) + METER_ABOVE_TOTAL_SCALE;
  }
  if (outsideFreshWater({ temperatureC, alkalinityMeqPerL: khDh * MEQ_PER_DEGREE_ALKALINITY })) return null;
  return (kh, pco2, carbon) =>
    carbonateAtPco2({ temperatureC, alkalinityMeqPerL: kh * MEQ_PER_DEGREE_ALKALINITY, docMgPerL: carbon }, pco2).ph;
}
