import type { Span } from '../../quantity/range';
import { carbonateConstants } from '../../chemistry/carbonate-constants';
import { carbonateAtPco2, MOLAR_MASS_CO2 } from '../../chemistry/carbonate-system';
import { conductivityOf } from '../../chemistry/conductivity';
import { saturationIndices } from '../../chemistry/saturation-index';
import { inOrder } from '../../design/design';
import { saltsKnown } from '../../design/own-catalogue';
import { HUMIC_TO_MG_PER_L } from '../../water/humic-ph';
import { MEQ_PER_DEGREE_ALKALINITY } from '../../quantity/unit';
import { FRESH_SALINITY_MAX } from '../../tank/scenario';
import { mixWater } from '../../water/mixed-water';
import { settledPh, TANK_CO2_UATM } from '../../water/planned-water';
import { NO_OXYGEN } from '../../water/life-findings';
import type { ReadParameter } from '../../reading/parameter';
import { rangeOfReading, readingNow } from '../../water/reading';
import { commonSaltGPerL, conductivityAt25Of, SEA_PROPORTIONS_FROM, sourceWater } from '../../water/source-water';
import { a440Of, hexOf, transmittedRgb } from '../../water/water-colour';
import { waterMark } from '../water-mark';
import { ASSUMED_TEMPERATURE_C } from './assumed';
import { missing, type Definitions, type NodeDefinition, type PouredSource, type Derived, type World } from './node';
import type { AtRest, Move, SettledTank } from '../../tank/at-rest';

const temperatureOf = (up: Derived): number => up['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C;
/** A century: as good as not used up. */
const NEVER_WEEKS = 5200;

/** The values of the settled tank and its corners in order, low to high. */
function banded(tank: SettledTank, of: (rest: AtRest) => number): { value: number; band: Span } {
  const value = of(tank.usual);
  const edges = [value, of(tank.corners[0]), of(tank.corners[1])];
  return { value, band: [Math.min(...edges), Math.max(...edges)] };
}

/** The settled tank as far as it can be reckoned with: without oxygen the filter stands still, and the water is taken as it is mixed. */
function settledOf(up: Derived): { tank: SettledTank | null; note: string | undefined; void: boolean } {
  const { value, note, gap } = up['tank.settled'];
  if (value && value.usual.oxygenMgPerL < NO_OXYGEN)
    return { tank: null, note: 'As it is mixed: with so little oxygen in the tank nothing further can be said of it.', void: false };
  return { tank: gap === 'outside-validity' ? null : value, note, void: gap === 'outside-validity' };
}

/** A reading that still holds stands in place of what is worked out. */
function measuredFirst(parameter: Exclude<ReadParameter, 'nitrateMgPerL'>, of: NodeDefinition<number>): NodeDefinition<number> {
  return {
    ...of,
    reads: (world) => {
      const { readings } = world.design;
      const any = Object.keys(readings).length > 0;
      return [...of.reads(world), readings, any ? world.room.kits : null, any ? waterMark(world.design, world.room) : null];
    },
    compute: (world, up) => {
      const worked = of.compute(world, up);
      const { readings } = world.design;
      if (Object.keys(readings).length === 0) return worked;
      const reading = readingNow(readings, parameter, waterMark(world.design, world.room));
      if (!reading) return worked;
      const without = worked.value === null ? '' : ` Worked out from the plan: ${Number(worked.value.toPrecision(3))}.`;
      return {
        value: reading.value,
        interval: rangeOfReading(reading, world.room.kits),
        calculationId: null,
        measured: true,
        ...(worked.value === null ? {} : { worked: worked.value }),
        note: `Measured on ${reading.day} with ${KIT_WORD[reading.kit]}.${without}`,
      };
    },
  };
}

const KIT_WORD = { drops: 'a drop kit', strip: 'a strip', meter: 'a meter', laboratory: 'a laboratory' } as const;

function degrees(parameter: 'ghDh' | 'khDh'): NodeDefinition<number> {
  return {
    calculationId: 'tank.settled-water',
    from: ['water.poured', 'water.mixed', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const mixed = up['water.mixed'];
      const poured = up['water.poured'].value;
      if (!poured || !mixed.value) return missing(mixed.note ?? 'no water is chosen');
      const parts = { parts: poured.map(({ share, water }) => ({ share, value: water[parameter] })) };
      const before = mixed.value[parameter];
      if (before === null) return { ...missing('a source has no reading'), inputs: parts };
      const settled = settledOf(up);
      if (settled.void) return { value: null, gap: 'outside-validity', inputs: parts, note: settled.note ?? '' };
      if (!settled.tank) {
        const note = [mixed.note, settled.note].filter(Boolean).join(' ');
        return { value: before, calculationId: 'water.blend', inputs: parts, ...(note ? { note } : {}) };
      }
      // the reading holds; what happens to it in the tank is added
      const { value, band } = banded(settled.tank, (rest) => Math.max(0, rest[parameter]));
      return {
        value,
        interval: band,
        inputs: up['tank.settled'].inputs,
        note: [mixed.note, `Mixed it is ${before.toFixed(1)}.`, settled.note].filter(Boolean).join(' '),
      };
    },
  };
}

type WaterNodes = 'water.sources' | 'water.poured' | 'water.mixed';
type SettledNodes =
  | 'water.gas'
  | 'water.soil'
  | 'water.lime'
  | 'water.organic-carbon'
  | 'water.colour'
  | 'water.saturation'
  | 'planned.ghDh'
  | 'planned.khDh'
  | 'planned.ec25UsPerCm'
  | 'planned.salinity'
  | 'planned.ph';

/** From the sources to the mixing vessel. */
export const waterNodes: Pick<Definitions, WaterNodes> = {
  'water.sources': {
    calculationId: 'water.composition',
    from: [],
    reads: ({ room }) => [room.sources],
    compute: ({ room }) => ({
      value: Object.fromEntries(Object.entries(room.sources).map(([id, source]) => [id, sourceWater(source)])),
    }),
  },
  'water.poured': {
    calculationId: null,
    from: ['water.sources'],
    reads: ({ design, room }) => [design.water.parts, room.sources],
    compute: ({ design, room }, up) => {
      const poured: PouredSource[] = [];
      for (const [, part] of inOrder(design.water.parts)) {
        if (part.share <= 0) continue;
        const source = Object.hasOwn(room.sources, part.sourceId) ? room.sources[part.sourceId] : undefined;
        const water = up['water.sources'].value?.[part.sourceId];
        if (!source || !water) return missing('a source this tank uses is no longer in the room');
        poured.push({ id: part.sourceId, share: part.share, source, water });
      }
      return poured.length > 0 ? { value: poured } : missing('no water is chosen');
    },
  },
  'water.mixed': {
    calculationId: 'water.blend',
    from: ['water.poured'],
    reads: ({ design, room }) => [design.water.salts, room.own.mixes],
    compute: ({ design, room }, up) => {
      const poured = up['water.poured'].value;
      if (!poured) return missing(up['water.poured'].note ?? 'no water is chosen');
      const unknown = Object.values(design.water.salts).find(({ saltId }) => !saltsKnown(room.own).has(saltId));
      if (unknown) return missing(`what “${unknown.saltId}” is made of is not known in this room`);
      const salts = saltsOf({ design, room });
      const value = mixWater(poured, salts);
      const weighed = salts.map(({ salt, mgPerL }) => `${salt.name} ${Math.round(mgPerL)} mg/L`);
      return {
        value,
        inputs: { parts: poured.map(({ share, water }) => ({ share, value: water.ghDh })) },
        ...(weighed.length > 0 ? { note: `With ${weighed.join(', ')}.` } : {}),
      };
    },
  },
};

/** The water the animals live in: what the tank makes of what is poured. */
export const settledNodes: Pick<Definitions, SettledNodes> = {
  'water.gas': {
    calculationId: 'tank.settled-water',
    from: ['planned.temperatureC', 'tank.settled', 'gear.co2'],
    reads: ({ design, catalogue }) => [design.water.co2, design.stock, catalogue],
    compute: ({ design }, up) => {
      const co2 = up['gear.co2'].value;
      const { tank, void: outside } = settledOf(up);
      const lived = Object.keys(design.stock).length > 0;
      if (co2) {
        // held by the feed while the lamps burn; at night it falls back
        const perAtm = 10 ** carbonateConstants(Math.min(40, Math.max(0, temperatureOf(up)))).logKh * MOLAR_MASS_CO2 * 1000;
        const value = (co2.mgPerL / perAtm) * 1e6;
        return {
          value,
          calculationId: null,
          interval: [TANK_CO2_UATM.usual, value * 1.25],
          note: `CO₂ is fed to ${Math.round(co2.mgPerL)} mg/L by day; at night it falls back.`,
        };
      }
      if (outside) return { value: null, gap: 'outside-validity', note: up['tank.settled'].note ?? '' };
      if (!tank || !lived) {
        const { air, usual, stuffy } = TANK_CO2_UATM;
        return {
          value: usual,
          calculationId: null,
          interval: [air, stuffy],
          note: `A lightly stocked tank in a room holds about ${usual} µatm of CO₂; ${air} to ${stuffy} occur. Common practice.`,
        };
      }
      const { value, band } = banded(tank, (rest) => rest.pco2Uatm);
      return {
        value,
        interval: band,
        inputs: up['tank.settled'].inputs,
        note: `By what breathes in it and what goes through the surface: about ${Math.round(value / 100) * 100} µatm, ${Math.round(band[0] / 100) * 100} to ${Math.round(band[1] / 100) * 100} are likely.`,
      };
    },
  },
  'water.soil': {
    calculationId: 'tank.settled-water',
    from: ['tank.ahead', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const scenario = up['tank.ahead'].value?.scenario;
      const soil = scenario?.soil;
      const settled = up['tank.settled'];
      if (!scenario || !soil || !settled.value || settled.gap) return missing('no active soil lies in fresh water of known GH and KH');
      const { moves, cornerMoves } = settled.value;
      const of = (all: readonly Move[]) => all.find(({ id }) => id === 'soil');
      // the first filling takes its share at once
      const first = Math.max(0, scenario.start.alkalinityMeq - settled.value.usual.khDh * MEQ_PER_DEGREE_ALKALINITY) * scenario.litres;
      const weeks = (all: readonly Move[], by: number): number | null => {
        const used = of(all)?.usedPerDay ?? 0;
        const left = used > 0 ? Math.max(0, soil.capacityMeq * by - first) / used / 7 : Infinity;
        return left < NEVER_WEEKS ? left : null;
      };
      const edges = [weeks(cornerMoves[0], 1), weeks(cornerMoves[1], 1), weeks(moves, 1.7), weeks(moves, 1 / 1.7)];
      const known = edges.filter((week) => week !== null);
      return {
        value: {
          setPh: soil.setPh,
          takenMeqPerL: Math.max(0, -(of(moves)?.khDh ?? 0) * MEQ_PER_DEGREE_ALKALINITY),
          weeksLeft: weeks(moves, 1),
          weeksBand: known.length < edges.length ? null : [Math.min(...known), Math.max(...known)],
        },
        inputs: settled.inputs,
        ...(settled.note ? { note: settled.note } : {}),
      };
    },
  },
  'water.lime': {
    calculationId: 'tank.settled-water',
    from: ['tank.ahead', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const settled = up['tank.settled'];
      if (!up['tank.ahead'].value?.scenario.lime || !settled.value || settled.gap)
        return missing('nothing gives off lime in fresh water of known GH and KH');
      const of = (all: readonly Move[]) => ((all.find(({ id }) => id === 'lime')?.khDh ?? 0) * MEQ_PER_DEGREE_ALKALINITY) / 2;
      const edges = [of(settled.value.moves), of(settled.value.cornerMoves[0]), of(settled.value.cornerMoves[1])];
      return {
        value: { dissolvedMmolPerL: edges[0]!, band: [Math.min(...edges), Math.max(...edges)] },
        inputs: settled.inputs,
        ...(settled.note ? { note: settled.note } : {}),
      };
    },
  },
  'water.organic-carbon': {
    calculationId: 'tank.settled-water',
    from: ['water.mixed', 'water.lying', 'tank.settled'],
    reads: ({ design }) => [design.water.organicCarbonMgPerL],
    compute: ({ design }, up) => {
      const measured = design.water.organicCarbonMgPerL.value;
      if (measured !== null) return { value: measured, calculationId: 'water.colour', note: 'As measured by you.' };
      const source = up['water.mixed'].value?.traces.organicCarbon ?? 0;
      const dose = up['water.lying'].value?.carbonOnceMg
        ? ' What was poured in as one dose leaves with the changes, and is not counted on.'
        : '';
      const settled = up['tank.settled'];
      if (!settled.value || settled.gap || settled.value.usual.organicCarbonMgPerL < 1e-6)
        return { value: source, calculationId: null, note: `That of the sources alone, as far as it is known.${dose}` };
      const { value, band } = banded(settled.value, (rest) => rest.organicCarbonMgPerL);
      return {
        value: source + value,
        interval: [source + band[0], source + band[1]],
        inputs: settled.inputs,
        note: `From leaves, cones, peat and wood: good to a factor of three.${dose} ${settled.note ?? ''}`.trim(),
      };
    },
  },
  'water.colour': {
    calculationId: 'water.colour',
    from: ['water.organic-carbon'],
    reads: ({ design }) => [design.vessel],
    compute: ({ design }, up) => {
      const inputs = { organicCarbonMgPerL: Math.min(200, up['water.organic-carbon'].value ?? 0), pathMm: design.vessel?.widthMm ?? 300 };
      return { value: hexOf(transmittedRgb(a440Of(inputs.organicCarbonMgPerL), inputs.pathMm)), inputs };
    },
  },
  'planned.ghDh': measuredFirst('ghDh', degrees('ghDh')),
  'planned.khDh': measuredFirst('khDh', degrees('khDh')),
  'planned.ec25UsPerCm': measuredFirst('ec25UsPerCm', {
    calculationId: 'water.conductivity',
    from: ['water.mixed', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const mixed = up['water.mixed'].value;
      if (!mixed) return missing(up['water.mixed'].note ?? 'no water is chosen');
      if (mixed.ec25UsPerCm === null) return missing('a source has no reading');
      const read = mixed.ec25UsPerCm;
      const settled = up['tank.settled'];
      if ((mixed.salinity ?? 0) > FRESH_SALINITY_MAX) {
        const at = (by: number) =>
          (read * conductivityAt25Of(mixed.ions, mixed.salinity! * by)) / conductivityAt25Of(mixed.ions, mixed.salinity);
        const found = settled.value && banded(settled.value, (rest) => at(rest.concentrated));
        const value = found?.value ?? read;
        return {
          value,
          ...(found ? { interval: found.band } : {}),
          calculationId: 'water.practical-salinity',
          inputs: { conductivityMsPerCm: value / 1000, temperatureC: 25 },
          ...(settled.note ? { note: settled.note } : {}),
        };
      }
      // set right by how far the model stands from the readings of the sources
      const modelled = conductivityOf(mixed.ions);
      const found = settled.value && banded(settled.value, (rest) => (modelled > 0 ? (read * conductivityOf(rest.ions)) / modelled : read));
      return {
        value: found?.value ?? read,
        ...(found ? { interval: found.band } : {}),
        inputs: { ionsMmolPerL: { ...(settled.value?.usual.ions ?? mixed.ions) } },
        note: `From the ions, set right by the readings of the sources. ${settled.note ?? ''}`.trim(),
      };
    },
  }),
  'planned.salinity': measuredFirst('salinity', {
    calculationId: 'water.blend',
    from: ['water.poured', 'water.mixed', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const [poured, mixed] = [up['water.poured'].value, up['water.mixed'].value];
      if (!poured || !mixed) return missing(up['water.mixed'].note ?? 'no water is chosen');
      const inputs = { parts: poured.map(({ share, water }) => ({ share, value: water.salinity })) };
      if (mixed.salinity === null) return { ...missing('a source has no reading'), inputs };
      const settled = up['tank.settled'];
      // what makes fresh water hard is no salt to those who live in it
      const salinity = mixed.salinity > SEA_PROPORTIONS_FROM ? mixed.salinity : commonSaltGPerL(settled.value?.usual.ions ?? mixed.ions);
      if (mixed.salinity <= SEA_PROPORTIONS_FROM)
        return { value: salinity, inputs, note: 'Common salt alone; lime and soda are not counted.' };
      const found = settled.value && banded(settled.value, (rest) => salinity * rest.concentrated);
      return found
        ? {
            value: found.value,
            interval: found.band,
            calculationId: 'tank.settled-water',
            inputs: settled.inputs,
            ...(settled.note ? { note: settled.note } : {}),
          }
        : { value: salinity, inputs };
    },
  }),
  'planned.ph': measuredFirst('ph', {
    calculationId: 'water.equilibrium-ph',
    from: ['planned.khDh', 'planned.salinity', 'planned.temperatureC', 'water.gas', 'water.mixed', 'water.organic-carbon', 'tank.settled'],
    reads: ({ design, catalogue }) => [design.water.organicCarbonMgPerL, design.water.co2, design.stock, catalogue],
    compute: (world, up) => {
      const settled = settledOf(up);
      if (settled.void) return { value: null, gap: 'outside-validity', note: settled.note ?? '' };
      const carbonMgPerL = up['water.organic-carbon'].value ?? 0;
      if (carbonMgPerL > HUMIC_TO_MG_PER_L && (up['planned.salinity'].value ?? 0) <= FRESH_SALINITY_MAX)
        return {
          value: null,
          gap: 'outside-validity',
          note: `With ${Math.round(carbonMgPerL)} mg/L of organic carbon it is browner than the waters the acids of leaves were measured in, up to ${HUMIC_TO_MG_PER_L}: measure the pH.`,
        };
      if (settled.tank && !world.design.water.co2 && Object.keys(world.design.stock).length > 0) {
        const { value, band } = banded(settled.tank, (rest) => rest.ph);
        const salty = (up['water.mixed'].value?.salinity ?? 0) > FRESH_SALINITY_MAX;
        return {
          value,
          interval: band,
          calculationId: 'tank.settled-water',
          inputs: up['tank.settled'].inputs,
          note: [up['water.gas'].note, salty ? 'As a meter reads it that was set with fresh-water buffers.' : null, settled.note]
            .filter(Boolean)
            .join(' '),
        };
      }
      const khDh = up['planned.khDh'].value;
      const salinity = up['planned.salinity'].value;
      const pco2Uatm = up['water.gas'].value;
      if (khDh === null || salinity === null || pco2Uatm === null) return missing('no KH or salinity reading to compute it from');
      const temperatureC = temperatureOf(up);
      const carbon = up['water.organic-carbon'];
      // what the sources bring is in their alkalinity already
      const brought = world.design.water.organicCarbonMgPerL.value === null ? (up['water.mixed'].value?.traces.organicCarbon ?? 0) : 0;
      const organicCarbonMgPerL = Math.max(0, (carbon.value ?? 0) - brought);
      const less = (edge: number) => Math.max(0, edge - brought);
      const khBand = up['planned.khDh'].interval;
      const found = settledPh({
        khDh,
        ...(khBand ? { khBand } : {}),
        salinity,
        temperatureC,
        pco2Uatm,
        pco2Band: up['water.gas'].interval ?? [pco2Uatm, pco2Uatm],
        organicCarbonMgPerL,
        ...(carbon.interval ? { organicCarbonBand: [less(carbon.interval[0]), less(carbon.interval[1])] as Span } : {}),
      });
      const alkalinityMeqPerL = khDh * MEQ_PER_DEGREE_ALKALINITY;
      const inputs = { temperatureC, alkalinityMeqPerL, pco2Uatm };
      if (!found) return { value: null, gap: 'outside-validity', inputs, note: 'the carbonate constants do not hold in this water' };
      const notes = [
        up['water.gas'].note,
        salinity > FRESH_SALINITY_MAX ? 'As a meter reads it that was set with fresh-water buffers.' : null,
      ];
      const shared = { value: found.ph, interval: found.band, note: notes.filter(Boolean).join(' ') };
      if (salinity > FRESH_SALINITY_MAX)
        return {
          ...shared,
          calculationId: 'water.seawater-ph',
          inputs: { alkalinityMmolPerKg: alkalinityMeqPerL / (1 + 0.00075 * salinity), pco2Uatm, salinity, temperatureC },
        };
      if (organicCarbonMgPerL > 0.5)
        return { ...shared, calculationId: 'water.humic-ph', inputs: { ...inputs, docMgPerL: organicCarbonMgPerL } };
      return { ...shared, inputs };
    },
  }),
  'water.saturation': {
    calculationId: 'water.saturation-index',
    from: ['planned.khDh', 'planned.salinity', 'planned.temperatureC', 'water.gas', 'water.mixed', 'tank.settled'],
    reads: () => [],
    compute: (_, up) => {
      const khDh = up['planned.khDh'].value;
      const mixed = up['water.mixed'].value;
      const pco2Uatm = up['water.gas'].value;
      if (khDh === null || !mixed || pco2Uatm === null || mixed.ghDh === null) return missing('no GH or KH reading to compute it from');
      if ((up['planned.salinity'].value ?? 0) > FRESH_SALINITY_MAX)
        return { value: null, gap: 'outside-validity', note: 'the fresh-water constants do not hold in salt water' };
      const temperatureC = temperatureOf(up);
      const alkalinityMeqPerL = khDh * MEQ_PER_DEGREE_ALKALINITY;
      const calciumMmolPerL = (up['tank.settled'].value?.usual.ions ?? mixed.ions).calcium;
      if (calciumMmolPerL <= 0 || alkalinityMeqPerL > 10) return missing('there is no lime in it');
      const { ph } = carbonateAtPco2({ temperatureC, alkalinityMeqPerL }, pco2Uatm);
      const found = saturationIndices(temperatureC, ph, calciumMmolPerL, alkalinityMeqPerL);
      return found
        ? { value: found.calcite, inputs: { temperatureC, alkalinityMeqPerL, ph, calciumMmolPerL } }
        : missing('pH and KH contradict each other');
    },
  },
};

/** The salts of a plan, as substances; ids that are not known here are left out. */
export function saltsOf({ design, room }: Pick<World, 'design' | 'room'>) {
  const known = saltsKnown(room.own);
  return inOrder(design.water.salts).flatMap(([, { saltId, mgPerL }]) => {
    const salt = known.get(saltId);
    return salt ? [{ salt, mgPerL }] : [];
  });
}
