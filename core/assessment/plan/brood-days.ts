import type { Animal } from '../../catalogue/organism';
import type { BroodKind } from '../../breeding/timeline';
import { monthsTo } from '../../stocking/growth';

const DAYS_OF_A_MONTH = 30.4;
/**
 * Length, as a share of the grown one, at which young are sold, and at which the sexes show; those that are born alive show them early, and
 * mate soon after. Common practice, a quarter either way.
 */
const SALEABLE = 0.7;
const SEXABLE = 0.75;
const SEXABLE_BORN = 0.4;
const EITHER_WAY = 0.25;

/** Broods of a kind by what the catalogue has of it; null where nobody knows how it breeds. */
export function broodKindOf({ traits }: Animal): BroodKind | null {
  const { mode, incubationDays, maturityDays, intervalDays } = traits.breeding;
  if (mode.value === null) return null;
  const months = traits.growthMonths.value;
  const at = (share: number): readonly [number, number] | null => {
    const days = months === null ? null : monthsTo(share, 0, 1, months)! * DAYS_OF_A_MONTH;
    return days === null ? null : [days * (1 - EITHER_WAY), days * (1 + EITHER_WAY)];
  };
  return {
    mode: mode.value,
    incubationDays: incubationDays.value,
    saleableDays: at(SALEABLE),
    sexableDays: at(mode.value === 'bears young' ? SEXABLE_BORN : SEXABLE),
    maturityDays: maturityDays.value,
    intervalDays: intervalDays.value,
  };
}
