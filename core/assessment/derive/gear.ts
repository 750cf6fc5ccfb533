import { co2Course } from '../../equipment/co2-feed';
import { NITRATE_PER_N, PHOSPHATE_PER_P } from '../../tank/at-rest';
import { dawnOxygen } from '../../tank/dawn';
import { CO2_MASS } from '../../tank/terms/gas-exchange';
import { basinOf } from '../basin';
import { quantileOf, shareUnder } from '../../quantity/sorted';
import { currentField, speedsIn, STILL_MM_PER_S } from '../../equipment/current-field';
import { outletsOf } from '../../equipment/outlets';
import { lampsOnHourOf } from '../../tank/scenario';
import { ASSUMED_TEMPERATURE_C, lightHours } from './assumed';
import { airing, MOVEMENT, ROOM_PCO2_UATM, surfaceOf } from './scenario';
import { oxygenWithoutPower, type StillTank } from '../../equipment/power-cut';
import { flowOf, runsOf, type Flow } from '../../equipment/runs';
import { uptakeOf } from '../../tank/uptake';
import { animalOf, type Member } from '../derive';
import { missing, type Definitions, type Derived, type World } from './node';

/** Cells of the field that the judgement takes; the drawing takes more. */
const NODE_CELLS = 700;

/** At half of what they should not fall under animals gasp at the surface. Common practice. */
const GASP = 0.5;
const O2_MASS = 31.998;

/** What comes through the gear, and what is left when it stops. */
export const gearNodes: Pick<Definitions, 'gear.flow' | 'gear.current' | 'gear.co2' | 'gear.cut' | 'gear.dawn'> = {
  'gear.flow': {
    calculationId: 'equipment.pump-flow',
    from: [],
    reads: ({ design }) => [design.equipment],
    compute: ({ design }) => {
      const each: Record<string, Flow> = {};
      for (const [id, device] of Object.entries(design.equipment)) {
        const runs = runsOf(device);
        const flow = runs && flowOf(runs);
        if (flow) each[id] = flow;
      }
      const all = Object.values(each);
      if (all.length === 0) return missing('no flow is stated');
      const sum = (of: (flow: Flow) => number) => all.reduce((total, flow) => total + of(flow), 0);
      const band: [number, number] = [sum(({ band: [low] }) => low), sum(({ band: [, high] }) => high)];
      return { value: { each, lPerH: sum(({ lPerH }) => lPerH), band }, interval: band };
    },
  },
  'gear.current': {
    calculationId: 'equipment.jet-speed',
    from: ['gear.flow', 'scene.ground', 'scene.pieces', 'plants.standing'],
    reads: ({ design }) => [design.equipment, design.vessel],
    compute: ({ design }, up) => {
      const { outlets, placed, unknown } = outletsOf(design.equipment, design.vessel, up['gear.flow'].value?.each ?? {});
      const basin = basinOf(design, up);
      if (!basin) return missing('no vessel is chosen');
      if (outlets.length === 0) return missing(unknown > 0 ? 'neither flow nor power of it is stated' : 'nothing blows water');
      const field = currentField(basin, outlets, NODE_CELLS);
      const strata = { bottom: speedsIn(field, 'bottom'), middle: speedsIn(field, 'middle'), top: speedsIn(field, 'top') };
      const all = Object.values(strata).reduce((sum, speeds) => sum + speeds.length, 0);
      const still = Object.values(strata).reduce((sum, speeds) => sum + speeds.length * shareUnder(speeds, STILL_MM_PER_S), 0);
      const layer = field.cells[0] * field.cells[1];
      const surface = field.mmPerS
        .slice((field.cells[2] - 1) * layer)
        .filter((speed) => speed >= 0)
        .sort();
      return {
        value: {
          strata,
          surfaceMmPerS: quantileOf(surface, 0.5),
          bedMmPerS: field.bedMmPerS,
          bedById: outlets.reduce((most, one) => (one.lPerH > most.lPerH ? one : most)).id,
          stillShare: all > 0 ? still / all : 0,
          placed,
        },
        note: `Jets that widen, spread over the pane they meet, and come back; good to a factor of two.${placed ? '' : ' Nozzles without a place are taken at the right, under the surface, blowing along the tank.'}`,
      };
    },
  },
  'gear.co2': {
    calculationId: 'equipment.co2-feed',
    from: ['heat.body', 'vessel.system-volume', 'planned.temperatureC'],
    reads: ({ design }) => [design.water.co2, design.equipment, design.care, design.vessel?.sump],
    compute: ({ design }, up) => {
      const { co2 } = design.water;
      if (!co2) return missing('none is fed');
      const body = up['heat.body'].value;
      const litres = up['vessel.system-volume'].value;
      const lampHours = lightHours(design);
      const on = lampsOnHourOf({ lampHours, ...(design.care.lampsOnHour === null ? {} : { lampsOnHour: design.care.lampsOnHour }) });
      const lamps = [on, (on + lampHours) % 24] as const;
      const losing = {
        litres: litres ?? 60,
        surfaceM2: body?.waterM2 ?? 0.18,
        temperatureC: Math.min(40, Math.max(0, up['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C)),
        roomPco2Uatm: ROOM_PCO2_UATM,
        ...airing(design, surfaceOf(design), body?.waterM2 ?? 0.18, body?.covered ?? 0),
      };
      return {
        value: co2Course(co2, losing, lamps),
        inputs: { feed: co2, ...losing },
        note: `Plants are not counted: by day they take a part of it.${litres === null ? ' No vessel is chosen: reckoned for 60 L.' : ''}`,
      };
    },
  },
  'gear.cut': {
    calculationId: 'equipment.power-cut',
    from: ['stock.members', 'stock.load', 'tank.ahead', 'tank.settled', 'planned.temperatureC', 'planned.salinity'],
    reads: ({ design }) => [design.equipment, design.vessel, design.care],
    compute: (world, up) => {
      const known = cutOf(world, up);
      if (!known) return missing('it is not known what breathes in it, or how little it bears');
      const { tank, fromMgPerL, leastMgPerL, who } = known;
      return {
        value: { ...oxygenWithoutPower(tank, fromMgPerL, leastMgPerL), leastMgPerL, who },
        note: 'An open surface that lies still at once, animals at rest or awake as usual, plants in the dark.',
      };
    },
  },
  'gear.dawn': {
    calculationId: null,
    from: ['tank.ahead', 'tank.settled', 'heat.year', 'planned.temperatureC', 'gear.co2'],
    reads: () => [],
    compute: (_, up) => {
      const scenario = up['tank.ahead'].value?.scenario;
      const usual = up['tank.settled'].value?.usual;
      if (!scenario || !usual) return missing('it is not known where the water settles');
      const year = up['heat.year'].value ?? [];
      const warmestC = Math.min(
        40,
        Math.max(
          0,
          ...year.map(([low, high]) => (low + high) / 2),
          year.length === 0 ? (up['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C) : 0,
        ),
      );
      const found = {
        nitrogenMgPerL: usual.nitrateMgPerL / NITRATE_PER_N + usual.ammoniaMgNPerL,
        phosphorusMgPerL: usual.phosphateMgPerL / PHOSPHATE_PER_P,
        // by day plants draw it down: what the room and the animals give is all that lasts
        co2MmolPerL: Math.max((up['gear.co2'].value?.mgPerL ?? 0) / CO2_MASS, usual.co2MmolPerL),
      };
      return {
        value: { ...dawnOxygen(scenario, warmestC, found), warmestC },
        note: 'On the warmest day of its year, day after day alike.',
      };
    },
  },
};

/** A tank whose current goes, as the reckoning of its oxygen takes it; null where it is not known what breathes in it, or what that bears. */
export function cutOf(
  { design }: Pick<World, 'design'>,
  up: Pick<Derived, 'tank.ahead' | 'tank.settled' | 'stock.load' | 'stock.members' | 'planned.temperatureC' | 'planned.salinity'>,
) {
  const ahead = up['tank.ahead'].value;
  const usual = up['tank.settled'].value?.usual;
  const load = up['stock.load'].value;
  if (!ahead || !usual || !load || load.breathMgPerDay <= 0) return null;
  const { scenario } = ahead;
  const needs = (up['stock.members'].value ?? []).flatMap((member: Member) => {
    const least = animalOf(member)?.traits.oxygenMgPerL.value ?? null;
    return least === null ? [] : [{ id: member.id, least: least * GASP }];
  });
  if (needs.length === 0) return null;
  const leastMgPerL = Math.max(...needs.map(({ least }) => least));
  const best = scenario.plants.areaM2 * scenario.plants.uptakeGNPerM2 * 1000;
  const dark = { light: 0, warm: 1, nitrogenMgPerL: 1, phosphorusMgPerL: 1, co2MmolPerL: 0.1, inAir: scenario.plants.inAir ?? 0 };
  const plants = (uptakeOf(best, dark).breathMmol * O2_MASS) / 24;
  const battery = Object.values(design.equipment).some((device) => device.kind === 'air' && device.battery);
  const { surfaceM2 } = scenario.gas;
  const still = Math.min(1, airing(design, 'still', surfaceM2, 0).movement);
  const aired = MOVEMENT['air-stone'];
  const tank: StillTank = {
    litres: scenario.litres,
    surfaceM2,
    temperatureC: Math.min(40, Math.max(0, up['planned.temperatureC'].value ?? 24)),
    salinity: Math.min(42, up['planned.salinity'].value ?? 0),
    breathMgPerHour: load.breathMgPerDay / 24 + plants,
    movement: battery ? aired : still,
  };
  return {
    tank,
    aired,
    fromMgPerL: usual.oxygenMgPerL,
    leastMgPerL,
    who: needs.filter(({ least }) => least === leastMgPerL).map(({ id }) => id),
  };
}
