import type { Design } from '../../design/design';
import { hoursOfLight } from '../../equipment/lamps';
/** What is taken while it is not stated. Common practice. */
export const ASSUMED_GLASS_MM = 6;
export const ASSUMED_HUMIDITY_PCT = 50;
/** Care that is not stated: common practice. */
export const ASSUMED_CARE = { change: { fraction: 0.15, days: 7 }, lampHours: 9 } as const;
/** Temperature at which water is reckoned while the room's year is not stated, degC. */
export const ASSUMED_TEMPERATURE_C = 24;

/** Hours of light of a tank: as stated, or as usual. */
export const lightHours = ({ equipment, care }: Design): number =>
  hoursOfLight(Object.values(equipment), care.lampHours) ?? ASSUMED_CARE.lampHours;
