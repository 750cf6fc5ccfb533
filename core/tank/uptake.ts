import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Moles of carbon grown for a mole of nitrogen: dry matter of 40 % carbon and 3 % nitrogen. */
export const CARBON_PER_NITROGEN = 15.5;
/** Milligrams of phosphorus for a milligram of nitrogen. */
export const PHOSPHORUS_PER_NITROGEN = 0.12;
/** Oxygen given off for a mole of carbon taken. */
export const PHOTOSYNTHETIC_QUOTIENT = 1.2;
/** Share of a day's best growth that is breathed away again, day and night. */
const BREATHED_AWAY = 0.15;
/** Growth that goes on without nitrogen or phosphate, out of what is stored. */
const STARVED = 0.3;
/** Concentrations at which uptake is half of what it could be: mg N, mg P, mmol CO2 a litre. */
const HALF = { nitrogen: 0.1, phosphorus: 0.01, co2: 0.1 };
const N_MASS = 14.007;
const C_MASS = 12.011;
const O2_MASS = 31.998;

/** What plants have of it all at an hour. */
export interface Fed {
  /** 1 as over a usual day, more while the lamps burn, 0 by night. */
  light: number;
  /** Of the metabolism at 25 °C. */
  warm: number;
  /** Mineral nitrogen, mg N/L; phosphate, mg P/L; carbon dioxide, mmol/L. */
  nitrogenMgPerL: number;
  phosphorusMgPerL: number;
  co2MmolPerL: number;
  /** Share of them that has its leaves in the air: no want of carbon dioxide, and none taken from the water. */
  inAir: number;
}

/** Rates a day, into the plants. */
export interface Uptake {
  nitrogenMg: number;
  phosphorusMg: number;
  /** Carbon grown, and how much of it comes out of the water, mmol. */
  carbonMmol: number;
  fromWaterMmol: number;
  /** Breathed out into the water, mmol of carbon. */
  breathMmol: number;
}

/**
 * What plants take up in a day at the rate of one hour.
 *
 * @param bestMgN what they take of nitrogen in a day at their best
 */
export function uptakeOf(bestMgN: number, { light, warm, nitrogenMgPerL, phosphorusMgPerL, co2MmolPerL, inAir }: Fed): Uptake {
  // the scarcer of the two decides (Liebig)
  const fed = Math.min(nitrogenMgPerL / (nitrogenMgPerL + HALF.nitrogen), phosphorusMgPerL / (phosphorusMgPerL + HALF.phosphorus));
  const best = (bestMgN / N_MASS) * CARBON_PER_NITROGEN * warm;
  const grows = best * light * (STARVED + (1 - STARVED) * fed);
  const fromWaterMmol = grows * (1 - inAir) * (co2MmolPerL / (co2MmolPerL + HALF.co2));
  const carbonMmol = fromWaterMmol + grows * inAir;
  const nitrogenMg = (carbonMmol / CARBON_PER_NITROGEN) * N_MASS * fed;
  return {
    nitrogenMg,
    phosphorusMg: nitrogenMg * PHOSPHORUS_PER_NITROGEN,
    carbonMmol,
    fromWaterMmol,
    breathMmol: BREATHED_AWAY * best * (1 - inAir),
  };
}

const amount = (max: number) => z.number().min(0).max(max);
export const uptake = calculation({
  id: 'plants.uptake',
  title: 'What plants take up in a day',
  inputs: z.strictObject({
    areaM2: amount(50),
    uptakeGNPerM2: amount(2),
    nitrogenMgPerL: amount(1000),
    phosphorusMgPerL: amount(100),
    co2MmolPerL: amount(10),
    inAir: amount(1),
  }),
  outputs: z.strictObject({
    nitrogenMgPerDay: z.number(),
    phosphorusMgPerDay: z.number(),
    carbonMgPerDay: z.number(),
    oxygenMgPerDay: z.number(),
  }),
  source: [
    {
      citation: 'Uptake 0.02–0.1 (slow), 0.1–0.3 (moderate), 0.3–1 g N/m²d (fast, floating), order of Reddy & De Busk 1985',
      basis: 'recalled',
    },
    { citation: 'Dry matter of 40 % carbon, 3 % nitrogen, 0.35 % phosphorus', basis: 'recalled' },
    { citation: 'The scarcest decides (Liebig)', basis: 'published' },
  ],
  formula:
    'C = 15.5 · uptake · area · (0.3 + 0.7 fed) · ((1 − air) CO₂/(0.1 + CO₂) + air); N = C/15.5 · fed; fed = min(N/(0.1 + N), P/(0.01 + P)); O₂ = 1.2 C from water − breath',
  validity: 'At 25 °C, over a usual day of light',
  uncertainty: 'a factor of three either way',
  compute: ({ areaM2, uptakeGNPerM2, nitrogenMgPerL, phosphorusMgPerL, co2MmolPerL, inAir }) => {
    const day = uptakeOf(areaM2 * uptakeGNPerM2 * 1000, { light: 1, warm: 1, nitrogenMgPerL, phosphorusMgPerL, co2MmolPerL, inAir });
    return {
      nitrogenMgPerDay: day.nitrogenMg,
      phosphorusMgPerDay: day.phosphorusMg,
      carbonMgPerDay: day.carbonMmol * C_MASS,
      oxygenMgPerDay: (day.fromWaterMmol * PHOTOSYNTHETIC_QUOTIENT - day.breathMmol) * O2_MASS,
    };
  },
});
