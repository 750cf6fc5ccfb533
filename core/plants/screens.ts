import type { Screen } from '../scene/sight';
import type { Standing } from './standing';

/** Plants as they stand in the way of a look: what floats, or stands out of the water, does not. */
export const screensOf = (plantings: readonly Standing[]): Screen[] =>
  plantings.flatMap(({ id, hold, footMm, heightMm, widthMm, count, item }) =>
    hold === 'afloat' || hold === 'chamber' || hold === 'emersed'
      ? []
      : [
          {
            id,
            atMm: [footMm[0], footMm[1]],
            fromMm: footMm[2],
            toMm: footMm[2] + heightMm,
            radiusMm: item.spreadMm + widthMm / 2,
            count,
            widthMm,
          } satisfies Screen,
        ],
  );
