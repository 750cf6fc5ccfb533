import type { Span } from '../../quantity/range';
import { inOrder, type Design } from '../../design/design';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../quantity/unit';
import { carbonateAtPco2 } from '../../chemistry/carbonate-system';
import { conductivityOf } from '../../chemistry/conductivity';
import type { IonsMmolPerL } from '../../chemistry/ions';
import { mixWater } from '../../water/mixed-water';
import { FRESH_SALINITY_MAX, settledPh, TANK_CO2_UATM } from '../../water/planned-water';
import { saltOf } from '../../water/salts';
import { saturationIndices } from '../../chemistry/saturation-index';
import { limeEffect, organicCarbonOf, soilEffect, type Lying } from '../../water/settled-water';
import { sourceWater } from '../../water/source-water';
import { a440Of, hexOf, transmittedRgb } from '../../water/water-colour';
import { carbonateConstants } from '../../chemistry/carbonate-constants';
import { MOLAR_MASS_CO2 } from '../../chemistry/carbonate-system';
import { ASSUMED_CHANGE, ASSUMED_TEMPERATURE_C } from './assumed';
import { missing, type Definitions, type Derived, type NodeDefinition, type PouredSource, type World } from './node';

/** What a change and its rhythm are taken to be, said where it matters. */
const CHANGE_NOTE = `Taken: ${ASSUMED_CHANGE.fraction * 100} % changed once a week, until care is planned.`;

/** Everything of the plan that lies in the water and acts on it. */
function lyingIn({ design, catalogue }: World): Lying[] {
  return inOrder(design.water.additions).flatMap(([, { materialId, amount, spent }]) => {
    const material = catalogue.materials.get(materialId);
    if (!material) return [];
    const byVolume = material.use === 'substrate';
    const kgPerL = (material.densityKgPerM3.value ?? 1000) / 1000;
    return [
      {
        action: material.action,
        spent,
        litres: byVolume ? amount : amount / 1000 / kgPerL,
        kg: byVolume ? amount * kgPerL : amount / 1000,
      },
    ];
  });
}

const temperatureOf = (up: Derived): number => up['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C;
const readsPlan = ({ design, catalogue }: World) => [design.water.additions, catalogue];

/** The mixed water as the materials meet it; null where it is salt or not known. */
function meets(up: Derived, khDh: number | null, ghDh: number | null, calciumMmolPerL: number) {
  const mixed = up['water.mixed'].value;
  const pco2Uatm = up['water.gas'].value;
  const litres = up['vessel.system-volume'].value;
  if (!mixed || pco2Uatm === null || litres === null || khDh === null || ghDh === null) return null;
  if ((mixed.salinity ?? 0) > FRESH_SALINITY_MAX) return null;
  return {
    temperatureC: temperatureOf(up),
    alkalinityMeqPerL: khDh * MEQ_PER_DEGREE_ALKALINITY,
    hardnessMmolPerL: ghDh * MMOL_PER_DEGREE_HARDNESS,
    calciumMmolPerL,
    pco2Uatm,
    litres,
  };
}
const SALT_OR_UNKNOWN = 'wants a vessel, and fresh water of known GH and KH';

/** What soil and lime have made of a hardness or an alkalinity, in its degrees, with the band of both. */
function settled(up: Derived, parameter: 'ghDh' | 'khDh'): { value: number; band: Span } | null {
  const mixed = up['water.mixed'].value;
  const value = mixed?.[parameter] ?? null;
  if (value === null) return null;
  const soil = up['water.soil'].value;
  const lime = up['water.lime'].value;
  const perMmol = parameter === 'ghDh' ? 1 / MMOL_PER_DEGREE_HARDNESS : 2 / MEQ_PER_DEGREE_ALKALINITY;
  const shareTaken = !soil || soil.takenMeqPerL === 0 ? 0 : parameter === 'ghDh' ? soil.hardnessTakenMmolPerL / soil.takenMeqPerL : 1;
  const takes = (meq: number) => (parameter === 'ghDh' ? (meq * shareTaken) / MMOL_PER_DEGREE_HARDNESS : meq / MEQ_PER_DEGREE_ALKALINITY);
  const at = (taken: number, dissolved: number) => Math.max(0, value - takes(taken) + dissolved * perMmol);
  return {
    value: at(soil?.takenMeqPerL ?? 0, lime?.dissolvedMmolPerL ?? 0),
    band: [at(soil?.takenBand[1] ?? 0, lime?.band[0] ?? 0), at(soil?.takenBand[0] ?? 0, lime?.band[1] ?? 0)],
  };
}

/** The ions once soil and lime have done their part. */
function settledIons(up: Derived, ions: IonsMmolPerL): IonsMmolPerL {
  const soil = up['water.soil'].value;
  const lime = up['water.lime'].value?.dissolvedMmolPerL ?? 0;
  const taken = soil?.takenMeqPerL ?? 0;
  const hardness = ions.calcium + ions.magnesium;
  const kept = hardness > 0 ? 1 - (soil?.hardnessTakenMmolPerL ?? 0) / hardness : 1;
  // what charge calcium and magnesium do not cover is taken of sodium
  const sodium = Math.max(0, ions.sodium - Math.max(0, taken - 2 * (soil?.hardnessTakenMmolPerL ?? 0)));
  return {
    ...ions,
    sodium,
    calcium: ions.calcium * kept + lime,
    magnesium: ions.magnesium * kept,
    bicarbonate: Math.max(0, ions.bicarbonate - taken) + 2 * lime,
  };
}

const moves = (up: Derived): boolean => up['water.soil'].value !== null || up['water.lime'].value !== null;
const withBand = (value: number, band: Span, given: boolean) => (given ? { value, interval: band } : { value });

function degrees(parameter: 'ghDh' | 'khDh'): NodeDefinition<number> {
  return {
    calculationId: 'water.blend',
    from: ['water.poured', 'water.mixed', 'water.soil', 'water.lime'],
    reads: () => [],
    compute: (_, up) => {
      const poured = up['water.poured'].value;
      const mixed = up['water.mixed'];
      if (!poured || !mixed.value) return missing(mixed.note ?? 'no water is chosen');
      const inputs = { parts: poured.map(({ share, water }) => ({ share, value: water[parameter] })) };
      const found = settled(up, parameter);
      if (!found) return { ...missing('a source has no reading'), inputs };
      const before = mixed.value[parameter] ?? 0;
      const notes = [mixed.note, moves(up) ? `Mixed it is ${before.toFixed(1)}; soil and lime move it. ${CHANGE_NOTE}` : null].filter(
        Boolean,
      );
      return { ...withBand(found.value, found.band, moves(up)), inputs, ...(notes.length > 0 ? { note: notes.join(' ') } : {}) };
    },
  };
}

type WaterNodes =
  | 'water.sources'
  | 'water.poured'
  | 'water.mixed'
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

/** From the sources to the water the animals live in. */
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
    reads: ({ design }) => [design.water.salts],
    compute: ({ design }, up) => {
      const poured = up['water.poured'].value;
      if (!poured) return missing(up['water.poured'].note ?? 'no water is chosen');
      const salts = saltsOf(design);
      const value = mixWater(poured, salts);
      const weighed = salts.map(({ salt, mgPerL }) => `${salt.name} ${Math.round(mgPerL)} mg/L`);
      return {
        value,
        inputs: { parts: poured.map(({ share, water }) => ({ share, value: water.ghDh })) },
        ...(weighed.length > 0 ? { note: `With ${weighed.join(', ')}.` } : {}),
      };
    },
  },
  'water.gas': {
    calculationId: null,
    from: ['planned.temperatureC'],
    reads: ({ design }) => [design.water.co2],
    compute: ({ design: { water } }, up) => {
      if (!water.co2) {
        const { air, usual, stuffy } = TANK_CO2_UATM;
        return {
          value: usual,
          interval: [air, stuffy],
          note: `A lightly stocked tank in a room holds about ${usual} µatm of CO₂; ${air} to ${stuffy} occur. Common practice.`,
        };
      }
      // held by the feed while the lamps burn; at night it falls back
      const perAtm = 10 ** carbonateConstants(Math.min(40, Math.max(0, temperatureOf(up)))).logKh * MOLAR_MASS_CO2 * 1000;
      const value = (water.co2.mgPerL / perAtm) * 1e6;
      return {
        value,
        interval: [TANK_CO2_UATM.usual, value * 1.25],
        note: `CO₂ is fed to ${water.co2.mgPerL} mg/L by day; at night it falls back.`,
      };
    },
  },
  'water.soil': {
    calculationId: 'water.soil-exchange',
    from: ['water.mixed', 'water.gas', 'vessel.system-volume', 'planned.temperatureC'],
    reads: readsPlan,
    compute: (world, up) => {
      const lying = lyingIn(world);
      if (!lying.some(({ action }) => action.kind === 'exchanges')) return missing('no active soil lies in the water');
      const mixed = up['water.mixed'].value;
      const water = meets(up, mixed?.khDh ?? null, mixed?.ghDh ?? null, mixed?.ions.calcium ?? 0);
      const value = water && soilEffect(water, lying, ASSUMED_CHANGE);
      return value && water
        ? {
            value,
            inputs: {
              temperatureC: water.temperatureC,
              alkalinityMeqPerL: water.alkalinityMeqPerL,
              hardnessMmolPerL: water.hardnessMmolPerL,
              pco2Uatm: water.pco2Uatm,
              setPh: value.setPh,
              capacityMeq: value.leftMeq + value.takenMeqPerL * water.litres,
              litres: water.litres,
              newLitresPerWeek: (water.litres * ASSUMED_CHANGE.fraction * 7) / ASSUMED_CHANGE.days,
            },
            note: CHANGE_NOTE,
          }
        : missing(SALT_OR_UNKNOWN);
    },
  },
  'water.lime': {
    calculationId: 'water.lime-dissolution',
    from: ['water.mixed', 'water.soil', 'water.gas', 'vessel.system-volume', 'planned.temperatureC'],
    reads: readsPlan,
    compute: (world, up) => {
      const lying = lyingIn(world);
      if (!lying.some(({ action }) => action.kind === 'dissolves')) return missing('nothing in the water gives off lime');
      const mixed = up['water.mixed'].value;
      const soil = up['water.soil'].value;
      const kh = mixed?.khDh ?? null;
      const gh = mixed?.ghDh ?? null;
      const water = meets(
        up,
        kh === null ? null : kh - (soil?.takenMeqPerL ?? 0) / MEQ_PER_DEGREE_ALKALINITY,
        gh === null ? null : gh - (soil?.hardnessTakenMmolPerL ?? 0) / MMOL_PER_DEGREE_HARDNESS,
        Math.max(0, (mixed?.ions.calcium ?? 0) - (soil?.hardnessTakenMmolPerL ?? 0)),
      );
      const value = water && limeEffect(water, lying, ASSUMED_CHANGE);
      if (!water || !value) return missing(SALT_OR_UNKNOWN);
      return {
        value,
        inputs: {
          temperatureC: water.temperatureC,
          alkalinityMeqPerL: water.alkalinityMeqPerL,
          calciumMmolPerL: water.calciumMmolPerL,
          pco2Uatm: water.pco2Uatm,
        },
        note: CHANGE_NOTE,
      };
    },
  },
  'water.organic-carbon': {
    calculationId: 'water.organic-carbon',
    from: ['water.mixed', 'vessel.system-volume'],
    reads: (world) => [...readsPlan(world), world.design.water.organicCarbonMgPerL],
    compute: (world, up) => {
      const measured = world.design.water.organicCarbonMgPerL.value;
      if (measured !== null) return { value: measured, calculationId: 'water.colour', note: 'As measured by you.' };
      const source = up['water.mixed'].value?.traces.organicCarbon ?? 0;
      const litres = up['vessel.system-volume'].value;
      const lying = lyingIn(world);
      const found = litres === null ? null : organicCarbonOf(litres, lying, ASSUMED_CHANGE);
      if (!found) return { value: source, note: 'That of the sources alone, as far as it is known.' };
      return {
        value: source + found.value,
        interval: [source + found.band[0], source + found.band[1]],
        note: `From leaves, cones, peat and wood: good to a factor of three. ${CHANGE_NOTE}`,
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
  'planned.ghDh': degrees('ghDh'),
  'planned.khDh': degrees('khDh'),
  'planned.ec25UsPerCm': {
    calculationId: 'water.conductivity',
    from: ['water.mixed', 'water.soil', 'water.lime'],
    reads: () => [],
    compute: (_, up) => {
      const mixed = up['water.mixed'].value;
      if (!mixed) return missing(up['water.mixed'].note ?? 'no water is chosen');
      if (mixed.ec25UsPerCm === null) return missing('a source has no reading');
      const salty = (mixed.salinity ?? 0) > FRESH_SALINITY_MAX;
      const after = moves(up) && !salty ? settledIons(up, mixed.ions) : mixed.ions;
      const value = after === mixed.ions ? mixed.ec25UsPerCm : mixed.ec25UsPerCm * (conductivityOf(after) / conductivityOf(mixed.ions));
      return salty
        ? { value, calculationId: 'water.practical-salinity', inputs: { conductivityMsPerCm: value / 1000, temperatureC: 25 } }
        : {
            value,
            inputs: { ionsMmolPerL: { ...after } },
            note: 'From the ions, set right by the readings of the sources.',
          };
    },
  },
  'planned.salinity': {
    calculationId: 'water.blend',
    from: ['water.poured', 'water.mixed'],
    reads: () => [],
    compute: (_, up) => {
      const [poured, mixed] = [up['water.poured'].value, up['water.mixed'].value];
      if (!poured || !mixed) return missing(up['water.mixed'].note ?? 'no water is chosen');
      const inputs = { parts: poured.map(({ share, water }) => ({ share, value: water.salinity })) };
      return mixed.salinity === null ? { ...missing('a source has no reading'), inputs } : { value: mixed.salinity, inputs };
    },
  },
  'planned.ph': {
    calculationId: 'water.equilibrium-ph',
    from: ['planned.khDh', 'planned.salinity', 'planned.temperatureC', 'water.gas', 'water.mixed', 'water.organic-carbon'],
    reads: ({ design }) => [design.water.organicCarbonMgPerL],
    compute: (world, up) => {
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
        up['planned.khDh'].interval ? 'The band also holds what soil and lime may do.' : null,
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
  },
  'water.saturation': {
    calculationId: 'water.saturation-index',
    from: ['planned.khDh', 'planned.salinity', 'planned.temperatureC', 'water.gas', 'water.mixed', 'water.soil', 'water.lime'],
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
      const calciumMmolPerL = settledIons(up, mixed.ions).calcium;
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
export function saltsOf(design: Design) {
  return inOrder(design.water.salts).flatMap(([, { saltId, mgPerL }]) => {
    const salt = saltOf(saltId);
    return salt ? [{ salt, mgPerL }] : [];
  });
}
