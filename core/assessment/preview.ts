import type { Animal } from '../catalogue/organism';
import type { Phase } from '../catalogue/parameter';
import { inOrder, type Design } from '../design/design';
import { assess, type Assessment } from './assess';
import type { World } from './derive';
import { hardscapeOf } from './derive/scene';

/** The id the looked-at animal goes by in a preview. */
export const PREVIEW_ID = 'preview';

/**
 * How one animal alone would stand in this tank, before it is added: in the planned water, or, while none is poured,
 * in the first source of the room.
 */
export function previewAnimal(world: World, animal: Animal, phase: Phase): Assessment {
  const { design, room } = world;
  const [first] = inOrder(room.sources);
  const poured = Object.keys(design.water.parts).length > 0;
  const preview: Design = {
    ...design,
    brief: { ...design.brief, targetStockIds: [PREVIEW_ID] },
    // its own company, but the same built place
    scene: Object.fromEntries(hardscapeOf(design)),
    stock: { [PREVIEW_ID]: { order: 1, organismId: animal.id, count: animal.traits.groupMin.value ?? 1, phase } },
    water: poured || !first ? design.water : { ...design.water, parts: { first: { order: 1, sourceId: first[0], share: 1 } } },
  };
  return assess({ ...world, design: preview });
}
