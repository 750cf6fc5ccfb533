import { spareMedia, type Spare } from '../equipment/donors';
import { HELD } from '../equipment/guards';
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
