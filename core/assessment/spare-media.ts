import { spareMedia, type Spare } from '../equipment/donors';
import { carries, HELD } from '../equipment/guards';
import type { Assessment } from './assessment';
import { ASSUMED_TEMPERATURE_C } from './derive/assumed';
import { ownSlimeM2 } from './derive/scenario';
import { loadMgNOf } from './domains/gear';

/** Mature media that a tank can give to another without starving its own filter. */
export function spareOf({ world: { design }, derived }: Assessment): Spare[] {
  const filters = Object.values(design.equipment).flatMap((device) => (device.kind === 'filter' ? [device] : []));
  return spareMedia(
    filters,
    loadMgNOf(derived),
    ownSlimeM2(design),
    derived['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C,
    HELD.unseen,
  );
}

/** After a thorough cleaning media carry half. Common practice. */
export const CLEANED = 0.5;

/** Nitrogen that the filters turn over in a day before a test shows ammonia, and that they are given, mg; null while no media are stated. */
export function filterBalance({ world: { design }, derived }: Assessment): { carriesMgN: number; loadMgN: number } | null {
  const filters = Object.values(design.equipment).flatMap((device) =>
    device.kind === 'filter' && device.media.length > 0 ? [device] : [],
  );
  if (filters.length === 0) return null;
  const at = carries(filters, ownSlimeM2(design), derived['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C, false);
  return { carriesMgN: at(HELD.unseen), loadMgN: loadMgNOf(derived) };
}
