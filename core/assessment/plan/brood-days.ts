import type { Animal } from '../../catalogue/organism';
import type { HandledKind } from '../../breeding/handling';
import { atWarmth } from '../../breeding/timeline';
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

/** Amphibians that never leave the water, by genus; of frogs there is none in the catalogue that does. */
const STAYS_IN_WATER: ReadonlySet<string> = new Set(['Ambystoma', 'Typhlonectes']);

/** The warmth that the days of a kind are told for: the middle of what suits it when it spawns, °C. */
export function broodWarmthC({ ranges }: Pick<Animal, 'ranges'>): number | null {
  const span = (ranges.spawn?.temperatureC ?? ranges.keep?.temperatureC)?.value?.optimum;
  return span && span[0] !== null && span[1] !== null ? (span[0] + span[1]) / 2 : null;
}

/**
 * Broods of a kind by what the catalogue has of it; null where nobody knows how it breeds.
 *
 * @param eggsAtC warmth of the water that the eggs are in; null for that of the kind in breeding
 */
export function broodKindOf(animal: Animal, eggsAtC: number | null = null): HandledKind | null {
  const { traits, latin, form, group } = animal;
  const { mode, incubationDays, maturityDays, intervalDays, care } = traits.breeding;
  if (mode.value === null) return null;
  const months = traits.growthMonths.value;
  const at = (share: number): readonly [number, number] | null => {
    const days = months === null ? null : monthsTo(share, 0, 1, months)! * DAYS_OF_A_MONTH;
    return days === null ? null : [days * (1 - EITHER_WAY), days * (1 + EITHER_WAY)];
  };
  const usualC = broodWarmthC(animal);
  const eggs = incubationDays.value;
  return {
    mode: mode.value,
    incubationDays: eggs !== null && eggsAtC !== null && usualC !== null ? atWarmth(eggs, eggsAtC, usualC) : eggs,
    saleableDays: at(SALEABLE),
    sexableDays: at(mode.value === 'bears young' ? SEXABLE_BORN : SEXABLE),
    maturityDays: maturityDays.value,
    intervalDays: intervalDays.value,
    care: care.value,
    amphibian: group === 'amphibian',
    neverLands: STAYS_IN_WATER.has(latin.split(' ')[0]!) || form === 'frog',
  };
}
