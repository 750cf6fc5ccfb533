import { standingOf, type Standing } from '../../plants/standing';
import { missing, type Definitions } from './node';
import { plantsOf } from './scene';

type PlantNodes = 'plants.standing';

/** The plantings where they stand, and as large as they are at the state that is looked at. */
export const plantNodes: Pick<Definitions, PlantNodes> = {
  'plants.standing': {
    calculationId: 'plants.growth',
    from: ['scene.ground', 'scene.pieces', 'substrate.bed', 'planned.temperatureC'],
    reads: ({ design, catalogue }) => [design.scene, design.grown, design.vessel?.waterLevelMm, design.water.co2, catalogue],
    compute: ({ design, catalogue }, up) => {
      const ground = up['scene.ground'].value;
      const { vessel } = design;
      if (!vessel || !ground) return missing('no vessel is chosen');
      const place = {
        grid: ground.grid,
        groundMm: ground.topMm,
        hasBed: (up['substrate.bed'].value?.layers.length ?? 0) > 0,
        pieces: (up['scene.pieces'].value ?? []).map(({ settled }) => settled),
        waterMm: vessel.waterLevelMm,
      };
      const soil = up['substrate.bed'].value?.layers.some(({ material }) => material?.nutrient) ?? false;
      const standing = plantsOf(design).flatMap(([id, item]): Standing[] => {
        const plant = catalogue.organisms.get(item.classId);
        if (plant?.kind !== 'plant') return [];
        const conditions = {
          ppfd: null,
          temperatureC: up['planned.temperatureC'].value,
          co2MgPerL: design.water.co2?.mgPerL ?? null,
          food: soil && plant.traits.feeds.value !== 'water' ? 1 : null,
        };
        return [standingOf(id, item, plant, place, design.grown, conditions)];
      });
      return { value: standing, note: 'Light and food where nobody has stated them are taken as middling.' };
    },
  },
};
