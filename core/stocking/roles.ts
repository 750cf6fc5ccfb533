import type { Animal } from '../catalogue/organism';

/** What a companion is taken for. */
export const COMPANION_ROLES = ['algae', 'clean-up', 'dither', 'snails'] as const;
export type CompanionRole = (typeof COMPANION_ROLES)[number];

/** Fish of open water that are longer than this no longer pass for small, mm. Common practice. */
const SMALL_MM = 60;
/** A shoal of so many swims in the open and shows the shy that nothing hunts. Common practice. */
const SHOAL = 6;

/** What an animal does for a tank it lives in; common practice. None is known of many. */
export function rolesOf({ group, sizeMm, traits }: Animal): CompanionRole[] {
  const { feeding, temperament, groupMin, strata, eats } = traits;
  const grazes = feeding.value === 'grazes';
  const gentle = temperament.value === 'peaceful' || temperament.value === 'shy';
  const upper = strata.value?.some((stratum) => stratum !== 'bottom') ?? false;
  return COMPANION_ROLES.filter((role) => {
    switch (role) {
      case 'algae':
        return grazes && gentle;
      case 'clean-up':
        return gentle && (group === 'snail' || group === 'shrimp');
      case 'dither':
        return (
          group === 'fish' &&
          temperament.value === 'peaceful' &&
          upper &&
          (groupMin.value ?? 1) >= SHOAL &&
          (sizeMm.length.value ?? Infinity) <= SMALL_MM
        );
      case 'snails':
        return eats.value?.includes('snails') ?? false;
    }
  });
}
