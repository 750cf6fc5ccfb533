import type { Basin, Leaves } from '../equipment/current-field';
import type { Design } from '../design/design';
import type { Derived } from './derive/node';

/** A tank as the current meets it: ground, pieces, and plants as they are grown; null while there is no vessel. */
export function basinOf({ vessel }: Design, up: Pick<Derived, 'scene.ground' | 'scene.pieces' | 'plants.standing'>): Basin | null {
  const ground = up['scene.ground'].value;
  if (!vessel || !ground) return null;
  const leaves = (up['plants.standing'].value ?? []).flatMap(({ hold, footMm, item, widthMm, heightMm, count }): Leaves[] => {
    // leaves afloat lie on the water, those in a chamber are not in it
    if (hold === 'chamber' || hold === 'afloat' || hold === 'emersed') return [];
    const spread = Math.min(item.spreadMm, (widthMm * Math.sqrt(count)) / 2);
    return [{ atMm: footMm, radiusMm: spread + widthMm / 2, heightMm }];
  });
  return {
    lengthMm: vessel.lengthMm,
    widthMm: vessel.widthMm,
    waterMm: vessel.waterLevelMm,
    grid: ground.grid,
    groundMm: ground.topMm,
    pieces: (up['scene.pieces'].value ?? []).map(({ settled }) => settled),
    leaves,
  };
}
