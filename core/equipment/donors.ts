import { capacityMgNPerDay, maturityAfter, MEDIUM_META, type Medium } from './media';
import type { Device } from './model';

type Filter = Extract<Device, { kind: 'filter' }>;

/** A filter keeps so much more than its tank needs. Common practice: never more than a third at once. */
const IN_HAND = 1.5;
export const MOST_AT_ONCE = 1 / 3;
/** Media that have run so long are worth giving, weeks. */
const RIPE_WEEKS = 8;

/** Media that a tank can spare. */
export interface Spare {
  medium: Medium;
  litres: number;
}

/**
 * What of its media a tank can give without starving its own filter: as much as it carries beyond its load half as much again, and a third
 * at most. What is not grown in, or not stated, is not given.
 *
 * @param loadMgN nitrogen that its filter has to turn over in a day
 * @param ownM2 slime on panes and bed
 */
export function spareMedia(
  filters: readonly Filter[],
  loadMgN: number,
  ownM2: number,
  temperatureC: number,
  ammoniaMgNPerL: number,
): Spare[] {
  const ripe = filters.filter(({ runWeeks, media }) => media.length > 0 && runWeeks !== null && runWeeks >= RIPE_WEEKS);
  const carried = (m2: number, weeks: number) => capacityMgNPerDay(m2, maturityAfter(weeks), ammoniaMgNPerL, temperatureC);
  const own = carried(ownM2, 26);
  const all =
    own +
    ripe.reduce(
      (sum, { media, runWeeks }) =>
        sum + media.reduce((one, { medium, litres }) => one + carried(litres * MEDIUM_META[medium].m2PerL, runWeeks ?? 0), 0),
      0,
    );
  const needed = IN_HAND * loadMgN;
  const share = all <= own ? 0 : Math.min(MOST_AT_ONCE, Math.max(0, (all - needed) / (all - own)));
  return ripe.flatMap(({ media }) =>
    media.flatMap(({ medium, litres }) => {
      const given = Math.floor(litres * share * 10) / 10;
      return given >= 0.1 ? [{ medium, litres: given }] : [];
    }),
  );
}
