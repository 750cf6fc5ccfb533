import { lampsOf, THROUGH_LID } from '../../equipment/lamps';
import { ppfdAt } from '../../light/field';
import { standingOf, type Standing } from '../../plants/standing';
import { a440Of } from '../../water/water-colour';
import { missing, type Definitions, type Derived, type World } from './node';
import { DECAY_PER_DAY } from './scenario';
import { ASSUMED_CARE } from './assumed';
import { plantsOf } from './scene';

type PlantNodes = 'light.lamps' | 'plants.standing';

/** Tint by what is measured, or by what lies in the water: where it settles follows the plants, and cannot be asked here. */
function organicCarbon({ design }: World, up: Derived): number {
  const measured = design.water.organicCarbonMgPerL.value;
  const litres = up['vessel.system-volume'].value;
  if (measured !== null || !litres) return measured ?? 0;
  const change = design.care.change ?? { fraction: ASSUMED_CARE.change.fraction, everyDays: ASSUMED_CARE.change.days };
  const renewed = change.fraction / change.everyDays + DECAY_PER_DAY;
  return (up['water.mixed'].value?.traces.organicCarbon ?? 0) + (up['water.lying'].value?.carbonMgPerDay ?? 0) / litres / renewed;
}

/** The plantings where they stand, as large as they are at the state that is looked at, in the light that is there. */
export const plantNodes: Pick<Definitions, PlantNodes> = {
  'light.lamps': {
    calculationId: 'light.at',
    from: ['water.mixed', 'water.lying', 'vessel.system-volume'],
    reads: ({ design }) => [design.equipment, design.vessel, design.water.organicCarbonMgPerL, design.care.change],
    compute: (world, up) => {
      const { vessel, equipment } = world.design;
      if (!vessel) return missing('no vessel is chosen');
      const lamps = lampsOf(Object.values(equipment), [vessel.lengthMm / 2, vessel.widthMm / 2]);
      if (!lamps) return missing('the light of the lamps is not stated');
      const a440PerM = Number(a440Of(Math.min(200, organicCarbon(world, up))).toPrecision(3));
      const water = { surfaceMm: vessel.waterLevelMm, a440PerM, throughLid: THROUGH_LID[vessel.lid.value ?? 'none'] };
      return {
        value: { lamps, water },
        inputs: { lamps: lamps.length, a440PerM },
        note: 'No shade and no panes yet: panes add up to two fifths.',
      };
    },
  },
  'plants.standing': {
    calculationId: 'plants.growth',
    from: ['scene.ground', 'scene.pieces', 'substrate.bed', 'planned.temperatureC', 'light.lamps'],
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
      const light = up['light.lamps'].value;
      const standing = plantsOf(design).flatMap(([id, item]): Standing[] => {
        const plant = catalogue.organisms.get(item.classId);
        if (plant?.kind !== 'plant') return [];
        return [
          standingOf(id, item, plant, place, design.grown, (at) => ({
            ppfd: light && ppfdAt(light.lamps, light.water, at),
            temperatureC: up['planned.temperatureC'].value,
            co2MgPerL: design.water.co2?.mgPerL ?? null,
            food: soil && plant.traits.feeds.value !== 'water' ? 1 : null,
          })),
        ];
      });
      return { value: standing, note: `${light ? 'Food' : 'Light and food'} where nobody has stated it is taken as middling.` };
    },
  },
};
