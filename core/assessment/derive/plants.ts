import { carbonateConstants } from '../../chemistry/carbonate-constants';
import { lampsOf, THROUGH_LID } from '../../equipment/lamps';
import { ppfdAt } from '../../light/field';
import type { SettledPiece } from '../../scene/settle-pieces';
import type { Design } from '../../design/design';
import { coverOfTank } from '../../plants/cover';
import { standingsOf, type Place } from '../../plants/standing';
import { dailyMol } from '../../light/daily-integral';
import { daylightByMonth, isSouthern } from '../../light/daylight';
import { obstaclesOf } from '../../light/shade';
import { NITRATE_PER_N, PHOSPHATE_PER_P } from '../../tank/at-rest';
import { settledPotassium, weeklyWants } from '../../tank/weekly-wants';
import { surfacesOf } from '../../vessel/shape';
import { a440Of } from '../../water/water-colour';
import { missing, type Definitions, type Derived, type World } from './node';
import { DECAY_PER_DAY } from './scenario';
import { ASSUMED_CARE, ASSUMED_TEMPERATURE_C, lightHours } from './assumed';
import { plantsOf } from './scene';

type PlantNodes = 'light.daylight' | 'light.lamps' | 'plants.standing' | 'plants.cover' | 'plants.wants';

/** Tint by what is measured, or by what lies in the water: where it settles follows the plants, and cannot be asked here. */
function organicCarbon({ design }: World, up: Derived): number {
  const measured = design.water.organicCarbonMgPerL.value;
  const litres = up['vessel.system-volume'].value;
  if (measured !== null || !litres) return measured ?? 0;
  const change = design.care.change ?? { fraction: ASSUMED_CARE.change.fraction, everyDays: ASSUMED_CARE.change.days };
  const renewed = change.fraction / change.everyDays + DECAY_PER_DAY;
  return (up['water.mixed'].value?.traces.organicCarbon ?? 0) + (up['water.lying'].value?.carbonMgPerDay ?? 0) / litres / renewed;
}

/** What plantings stand in; null while there is no vessel. */
export function placeOf({ vessel }: Design, derived: Pick<Derived, 'scene.ground' | 'scene.pieces' | 'substrate.bed'>): Place | null {
  const ground = derived['scene.ground'].value;
  if (!vessel || !ground) return null;
  return {
    grid: ground.grid,
    groundMm: ground.topMm,
    hasBed: (derived['substrate.bed'].value?.layers.length ?? 0) > 0,
    pieces: (derived['scene.pieces'].value ?? []).map(({ settled }) => settled),
    waterMm: vessel.waterLevelMm,
    surfaceMm2: surfacesOf(vessel, vessel.waterLevelMm).waterM2 * 1e6,
  };
}

/** Pieces that throw a shadow: light comes through a tangle and between leaves that lie. */
export const shadowing = (derived: Pick<Derived, 'scene.pieces'>): SettledPiece[] =>
  (derived['scene.pieces'].value ?? []).flatMap(({ of, settled }) => (of.gaps === null && of.group !== 'litter' ? [settled] : []));

/** Whether a layer of the bed holds food: earth and clay, and active soil. Common practice. */
export const feedsRoots = (derived: Pick<Derived, 'substrate.bed'>): boolean =>
  derived['substrate.bed'].value?.layers.some(({ material }) => material?.nutrient === true || material?.action?.kind === 'exchanges') ??
  false;

/** Pieces that roots meet: leaves are pushed aside. */
export const inTheBed = (derived: Pick<Derived, 'scene.pieces'>): SettledPiece[] =>
  (derived['scene.pieces'].value ?? []).flatMap(({ of, settled }) => (of.group === 'litter' ? [] : [settled]));

const meanOf = (all: readonly number[]): number => (all.length > 0 ? all.reduce((sum, one) => sum + one, 0) / all.length : 0);
const byWindow = ({ equipment, vessel }: Design): boolean =>
  (vessel?.sun.value === 'some' || vessel?.sun.value === 'direct') && !Object.values(equipment).some(({ kind }) => kind === 'lamp');

/** The plantings where they stand, as large as they are at the state that is looked at, in the light that is there. */
export const plantNodes: Pick<Definitions, PlantNodes> = {
  'light.daylight': {
    calculationId: 'light.daylight',
    from: [],
    reads: ({ design, room }) => [design.vessel?.sun.value, room.climateC],
    compute: ({ design, room }) => {
      const sky = design.vessel?.sun.value ?? null;
      if (sky === null) return missing('how much daylight falls on it is not stated');
      const southern = isSouthern(room.climateC);
      return { value: daylightByMonth(sky, southern), inputs: { sky, southern } };
    },
  },
  'light.lamps': {
    calculationId: 'light.at',
    from: ['light.daylight', 'water.mixed', 'water.lying', 'vessel.system-volume'],
    reads: ({ design }) => [design.equipment, design.vessel, design.water.organicCarbonMgPerL, design.care.change, design.care.lampHours],
    compute: (world, up) => {
      const { vessel, equipment } = world.design;
      if (!vessel) return missing('no vessel is chosen');
      const a440PerM = Number(a440Of(Math.min(200, organicCarbon(world, up))).toPrecision(3));
      const hours = lightHours(world.design);
      const months = up['light.daylight'].value ?? [];
      const skyPpfd = hours > 0 ? meanOf(months) / dailyMol(1, hours, 0) : 0;
      const water = { surfaceMm: vessel.waterLevelMm, a440PerM, throughLid: THROUGH_LID[vessel.lid.value ?? 'none'], skyPpfd };
      const known = lampsOf(Object.values(equipment), [vessel.lengthMm / 2, vessel.widthMm / 2], water, hours);
      // by a window without a lamp daylight is all the light there is
      const lamps = known ?? (byWindow(world.design) ? [] : null);
      if (!lamps) return missing('the light of the lamps is not stated');
      return {
        value: { lamps, water },
        inputs: { lamps: lamps.length, a440PerM },
        note: 'Without what panes throw back: up to two fifths more.',
      };
    },
  },
  'plants.standing': {
    calculationId: 'plants.growth',
    from: ['scene.ground', 'scene.pieces', 'substrate.bed', 'planned.temperatureC', 'light.lamps', 'gear.co2'],
    reads: ({ design, catalogue }) => [design.scene, design.grown, design.vessel?.waterLevelMm, catalogue],
    compute: ({ design, catalogue }, up) => {
      const place = placeOf(design, up);
      if (!place) return missing('no vessel is chosen');
      const soil = feedsRoots(up);
      const light = up['light.lamps'].value;
      const known = plantsOf(design).flatMap(([id, item]) => {
        const plant = catalogue.organisms.get(item.classId);
        return plant?.kind === 'plant' ? [{ id, item, plant }] : [];
      });
      const obstacles = light && obstaclesOf(place.grid, shadowing(up));
      const standing = standingsOf(known, place, design.grown, (plant, at) => ({
        ppfd: light && ppfdAt(light.lamps, light.water, at, obstacles),
        temperatureC: up['planned.temperatureC'].value,
        co2MgPerL: up['gear.co2'].value?.mgPerL ?? null,
        food: soil && plant.traits.feeds.value !== 'water' ? 1 : null,
      }));
      return { value: standing, note: `${light ? 'Food' : 'Light and food'} where nobody has stated it is taken as middling.` };
    },
  },
  'plants.cover': {
    calculationId: null,
    from: ['plants.standing'],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }, up) => {
      const standing = up['plants.standing'].value;
      if (!vessel || !standing) return missing('no vessel is chosen');
      return { value: coverOfTank(standing, surfacesOf(vessel, vessel.waterLevelMm).waterM2 * 1e6) };
    },
  },
  'plants.wants': {
    calculationId: 'plants.uptake',
    from: ['tank.ahead', 'tank.settled'],
    reads: ({ design }) => [design.care.fertiliser],
    compute: ({ design }, up) => {
      const scenario = up['tank.ahead'].value?.scenario;
      const usual = up['tank.settled'].value?.usual;
      if (!scenario || !usual) return missing('it is not known where the water settles');
      const wants = weeklyWants(scenario, {
        nitrogenMgPerL: usual.nitrateMgPerL / NITRATE_PER_N + usual.ammoniaMgNPerL,
        phosphorusMgPerL: usual.phosphateMgPerL / PHOSPHATE_PER_P,
        co2MmolPerL: (usual.pco2Uatm * 10 ** carbonateConstants(ASSUMED_TEMPERATURE_C).logKh) / 1000,
      });
      return { value: { ...wants, potassiumLeftMgPerL: settledPotassium(scenario, design.care.fertiliser, wants) } };
    },
  },
};
