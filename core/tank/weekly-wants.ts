import { CARBON_PER_NITROGEN, PHOSPHORUS_PER_NITROGEN, uptakeOf } from './uptake';
import type { FertiliserPlan } from './fertiliser';
import { NITRATE_PER_N, PHOSPHATE_PER_P } from './at-rest';
import type { TankScenario } from './scenario';

/** Of each milligram of nitrogen: dry matter of 3 % nitrogen, 2.5 % potassium and 0.03 % iron. Recalled. */
const POTASSIUM_PER_NITROGEN = 0.83;
const IRON_PER_NITROGEN = 0.01;
/** Dry feed holds about a hundredth of potassium. Common practice. */
const POTASSIUM_MG_PER_G_FEED = 10;
const POTASSIUM = 39.098;

/** What the plants take out of a litre in a week, mg. */
export interface WeeklyWants {
  nitrateMgPerL: number;
  phosphateMgPerL: number;
  potassiumMgPerL: number;
  ironMgPerL: number;
}

/**
 * By what they grow with in the water where the tank settles. Potassium and iron go with growth; the balance does not follow them.
 *
 * @param water where it settles: mineral nitrogen mg N/L, phosphate mg P/L, carbon dioxide mmol/L
 */
export function weeklyWants(
  { plants, litres }: Pick<TankScenario, 'plants' | 'litres'>,
  water: { nitrogenMgPerL: number; phosphorusMgPerL: number; co2MmolPerL: number },
): WeeklyWants {
  const best = plants.areaM2 * plants.uptakeGNPerM2 * 1000;
  const day = uptakeOf(best, { light: 1, warm: 1, ...water, inAir: plants.inAir ?? 0 });
  // what grows out of its stores wants potassium and iron all the same
  const grown = (day.carbonMmol / CARBON_PER_NITROGEN) * 14.007;
  const perWeek = (mg: number) => (7 * mg) / litres;
  return {
    nitrateMgPerL: perWeek(day.nitrogenMg) * NITRATE_PER_N,
    phosphateMgPerL: perWeek(day.nitrogenMg * PHOSPHORUS_PER_NITROGEN) * PHOSPHATE_PER_P,
    potassiumMgPerL: perWeek(grown * POTASSIUM_PER_NITROGEN),
    ironMgPerL: perWeek(grown * IRON_PER_NITROGEN),
  };
}

/**
 * Potassium where changes, feed, doses and plants hold each other: what comes in a week, less what is taken, over the share that is changed.
 * Below nothing where they would take more than there is. mg/L; null where no water is changed.
 */
export function settledPotassium(
  { replacement, change, feed, litres }: Pick<TankScenario, 'replacement' | 'change' | 'feed' | 'litres'>,
  plan: FertiliserPlan,
  wants: WeeklyWants,
): number | null {
  if (!change || change.fraction <= 0) return null;
  const perWeek = (7 * change.fraction) / change.everyDays;
  const nitrate = (plan['all-round'] ?? 0) + (plan.nitrogen ?? 0);
  const phosphate = (plan['all-round'] ?? 0) / 10 + (plan.phosphorus ?? 0);
  const dosed = (plan.potassium ?? 0) + nitrate * (POTASSIUM / 62.005) + phosphate * (POTASSIUM / 94.97);
  const fed = (7 * feed.gPerDay * POTASSIUM_MG_PER_G_FEED) / litres;
  return replacement.potassiumMmol * POTASSIUM + (dosed + fed - wants.potassiumMgPerL) / perWeek;
}
