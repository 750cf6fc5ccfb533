import type { Gap } from '../calculation/calculation';
import type { Computed } from '../calculation/computed';
import type { Catalogue } from '../catalogue/catalogue';
import { rangeFor, type Animal, type Organism } from '../catalogue/organism';
import { PARAMETER_META, type Parameter, type Phase } from '../catalogue/parameter';
import { inOrder, type Design } from '../design/design';
import type { Room, RoomSource } from '../design/room';
import { failures, type Failure } from '../equipment/failures';
import type { HeatBody } from '../equipment/heat-loss';
import { WARMS_WATER, type Device } from '../equipment/model';
import { yearBalance, yearExtremes, yearTemperature, type MonthBalance, type Thermostats } from '../equipment/year-temperature';
import type { Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import type { Companion } from '../stocking/company';
import { drainBack } from '../vessel/drain-back';
import { filledMass, glassKg } from '../vessel/filled-mass';
import { glassThicknessMm, type Edges } from '../vessel/glass-thickness';
import type { Vessel } from '../vessel/model';
import { surfacesOf, volumeCalculation, volumeToL } from '../vessel/shape';
import { systemVolumeL } from '../vessel/system-volume';
import { waterVolumeL } from '../vessel/water-volume';
import { blendOf, settledPh, TANK_CO2_UATM, type Conservative } from '../water/planned-water';
import { windowOf, type Window } from '../window/window';

/** What a derivation may look at. */
export interface World {
  design: Design;
  room: Room;
  catalogue: Catalogue;
}

/** Someone living in the tank: a stock entry, or a kind of plant in the scene. */
export interface Member {
  id: string;
  organismId: string;
  /** undefined when the catalogue does not know the id. */
  organism: Organism | undefined;
  phase: Phase;
  count: number;
  /** Undefined while nobody has sexed them. */
  female?: number;
}

export interface PouredSource {
  id: string;
  share: number;
  source: RoomSource;
}

/** Every cross-domain value and its type. */
export interface Nodes {
  'stock.members': readonly Member[];
  'vessel.gross-volume': number;
  'vessel.water-volume': number;
  'vessel.system-volume': number;
  'vessel.drain-back': { drainsL: number; spareL: number };
  'vessel.filled-mass': { kg: number; kPa: number };
  'vessel.glass-needed': number;
  'heat.body': HeatBody;
  'heat.balance': readonly MonthBalance[];
  'heat.year': readonly Span[];
  'water.poured': readonly PouredSource[];
  'planned.temperatureC': number;
  'planned.ph': number;
  'planned.ghDh': number;
  'planned.khDh': number;
  'planned.ec25UsPerCm': number;
  'planned.salinity': number;
  'window.temperatureC': Window;
  'window.ph': Window;
  'window.ghDh': Window;
  'window.khDh': Window;
  'window.ec25UsPerCm': Window;
  'window.salinity': Window;
  'heat.failures': readonly Failure[];
}
export type NodeId = keyof Nodes;
export type Derived = { readonly [K in NodeId]: Computed<Nodes[K]> };

interface Answer<T> {
  value: T | null;
  /** Set where the calculation depends on the case, such as the form of the vessel. */
  calculationId?: string;
  inputs?: Record<string, unknown>;
  interval?: Span;
  gap?: Gap;
  note?: string;
}

interface NodeDefinition<T> {
  calculationId: string | null;
  from: readonly NodeId[];
  /** The parts of the world it looks at; the node is kept while these and its upstream nodes are the same objects. */
  reads: (world: World) => readonly unknown[];
  compute: (world: World, up: Derived) => Answer<T>;
}
type Definitions = { readonly [K in NodeId]: NodeDefinition<Nodes[K]> };

const missing = (note: string): Answer<never> => ({ value: null, gap: 'missing', note });

function planned(parameter: Conservative): NodeDefinition<number> {
  return {
    calculationId: 'water.blend',
    from: ['water.poured'],
    reads: () => [],
    compute: (_, up) => {
      const poured = up['water.poured'].value;
      if (!poured) return missing('no water is chosen');
      const value = blendOf(poured, parameter);
      const inputs = { parts: poured.map(({ share, source }) => ({ share, value: source[parameter].value })) };
      return value === null ? { ...missing('a source has no reading'), inputs } : { value, inputs };
    },
  };
}

function windowNode(parameter: Parameter): NodeDefinition<Window> {
  return {
    calculationId: null,
    from: ['stock.members'],
    reads: () => [],
    compute: (_, up) => {
      const members = up['stock.members'].value ?? [];
      if (members.length === 0) return missing('nothing is chosen to live here');
      const says = members.map(({ id, organism, phase, organismId }) => ({
        id,
        name: organism?.latin ?? organismId,
        range: organism && rangeFor(organism, phase, parameter),
      }));
      return { value: windowOf(parameter, says, PARAMETER_META[parameter].limits) };
    },
  };
}

function setPoint(devices: readonly Device[], kind: 'heater' | 'cooler'): number | null {
  const points = devices.flatMap((device) => (device.kind === kind ? [device.setPointC] : []));
  if (points.length === 0) return null;
  return kind === 'heater' ? Math.max(...points) : Math.min(...points);
}

/** The power of all devices of a kind together; null when one of them is not stated. */
function powerOf(devices: readonly Device[], kind: 'heater' | 'cooler'): number | null {
  let sum = 0;
  for (const device of devices) {
    if (device.kind !== kind) continue;
    if (device.powerW === null) return null;
    sum += device.powerW;
  }
  return sum;
}

function thermostats(design: Design): Thermostats {
  const devices = Object.values(design.equipment);
  return {
    heaterC: setPoint(devices, 'heater'),
    coolerC: setPoint(devices, 'cooler'),
    heaterW: powerOf(devices, 'heater'),
    coolerW: powerOf(devices, 'cooler'),
    gearW: devices.reduce((sum, { kind, powerW }) => sum + WARMS_WATER[kind] * (powerW ?? 0), 0),
  };
}

/** What is taken while it is not stated. Common practice. */
const ASSUMED = { glassMm: 6, humidityPct: 50 };
/** A glass lid leaves gaps for hoses and feeding. */
const LID_COVERS = { glass: 0.95, mesh: 0, none: 0 } as const;

function edgesOf(vessel: Vessel): Edges {
  return vessel.rim.value === 'braced' && vessel.state.value !== 'rim-lost' ? 'four-edges' : 'free-top';
}

/** Volume of what stands in the water, litres. Bounding solids for boxes, exact for ellipsoids; embedding is not yet taken off. */
function displacedL(design: Design): number {
  let sum = 0;
  for (const item of Object.values(design.scene)) {
    if (item.kind === 'plant') continue;
    for (const { shape, sizeMm } of item.solids) {
      sum += ((shape === 'ellipsoid' ? Math.PI / 6 : 1) * sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e6;
    }
  }
  return sum;
}

/** Mass of the stone in the plan, kilograms, as far as its density is known. */
function stoneKg(design: Design, catalogue: Catalogue): number {
  let sum = 0;
  for (const { kind, classId, solids } of Object.values(design.scene)) {
    const material = kind === 'hardscape' ? catalogue.materials.get(classId) : undefined;
    if (material?.use !== 'stone') continue;
    for (const { shape, sizeMm } of solids)
      sum += (((shape === 'ellipsoid' ? Math.PI / 6 : 1) * sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e9) * (material.densityKgPerM3.value ?? 0);
  }
  return sum;
}

/** The graph, upstream first. Cross-domain values are named here and nowhere else. */
export const DEFINITIONS: Definitions = {
  'stock.members': {
    calculationId: null,
    from: [],
    reads: ({ design, catalogue }) => [design.stock, design.scene, catalogue],
    compute: ({ design, catalogue }) => {
      const animals: Member[] = inOrder(design.stock).map(([id, entry]) => ({
        id,
        organismId: entry.organismId,
        organism: catalogue.organisms.get(entry.organismId),
        phase: entry.phase,
        count: entry.count,
        ...(entry.female === undefined ? {} : { female: entry.female }),
      }));
      const plants = new Map<string, Member>();
      for (const [id, item] of inOrder(design.scene)) {
        if (item.kind !== 'plant') continue;
        const known = plants.get(item.classId);
        if (known) known.count += 1;
        else
          plants.set(item.classId, {
            id,
            organismId: item.classId,
            organism: catalogue.organisms.get(item.classId),
            phase: 'keep',
            count: 1,
          });
      }
      return { value: [...animals, ...plants.values()] };
    },
  },
  'vessel.gross-volume': {
    calculationId: 'vessel.box-volume',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel) return missing('no vessel is chosen');
      const { id, inputs } = volumeCalculation(vessel, vessel.heightMm);
      return { value: volumeToL(vessel, vessel.heightMm), calculationId: id, inputs };
    },
  },
  'vessel.water-volume': {
    calculationId: 'vessel.water-volume',
    from: [],
    reads: ({ design }) => [design.vessel, design.scene],
    compute: ({ design }) => {
      const { vessel } = design;
      if (!vessel) return missing('no vessel is chosen');
      const inputs = { spaceL: volumeToL(vessel, vessel.waterLevelMm), displacedL: displacedL(design) };
      const value = waterVolumeL(inputs.spaceL, inputs.displacedL);
      if (value <= 0) return { value: null, gap: 'outside-validity', note: 'more is displaced than the water space holds', inputs };
      return { value, inputs, note: 'The bed is not taken off yet: it often takes a fifth or more.' };
    },
  },
  'vessel.system-volume': {
    calculationId: 'vessel.system-volume',
    from: ['vessel.water-volume'],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }, up) => {
      const displayL = up['vessel.water-volume'].value;
      if (!vessel || displayL === null) return missing(up['vessel.water-volume'].note ?? 'no vessel is chosen');
      const plumbingL = Object.values(vessel.plumbing).reduce((sum, { litres }) => sum + litres, 0);
      const inputs = { displayL, sumpL: vessel.sump?.runningL ?? 0, plumbingL };
      return { value: systemVolumeL(displayL, inputs.sumpL, plumbingL), inputs, note: 'Doses, changes and heat go by this volume.' };
    },
  },
  'vessel.drain-back': {
    calculationId: 'vessel.drain-back',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel?.sump) return missing('there is no sump');
      const { capacityL, runningL, stopsAtMm } = vessel.sump;
      const inputs = {
        levelL: volumeToL(vessel, vessel.waterLevelMm),
        stopL: volumeToL(vessel, Math.min(stopsAtMm, vessel.waterLevelMm)),
        pipesL: Object.values(vessel.plumbing).reduce((sum, { litres, drains }) => sum + (drains ? litres : 0), 0),
        sumpFreeL: capacityL - runningL,
      };
      return { value: drainBack(inputs.levelL, inputs.stopL, inputs.pipesL, inputs.sumpFreeL), inputs };
    },
  },
  'vessel.filled-mass': {
    calculationId: 'vessel.filled-mass',
    from: ['vessel.water-volume'],
    reads: ({ design, catalogue }) => [design.vessel, design.scene, catalogue],
    compute: ({ design, catalogue }, up) => {
      const waterL = up['vessel.water-volume'].value;
      if (!design.vessel || waterL === null) return missing('no vessel is chosen');
      const glass = design.vessel.glassMm.value;
      const { baseM2 } = surfacesOf(design.vessel, design.vessel.waterLevelMm);
      const inputs = {
        waterL,
        waterKgPerL: 1,
        glassKg: glassKg(design.vessel, glass ?? ASSUMED.glassMm),
        stoneKg: stoneKg(design, catalogue),
        footprintM2: baseM2,
      };
      return {
        value: filledMass(waterL, inputs.waterKgPerL, inputs.glassKg, inputs.stoneKg, baseM2),
        inputs,
        note: `Water of the vessel, its glass${glass === null ? ` (taken as ${ASSUMED.glassMm} mm)` : ''} and the stone in the plan; bed, stand and sump come on top.`,
      };
    },
  },
  'vessel.glass-needed': {
    calculationId: 'vessel.glass-thickness',
    from: [],
    reads: ({ design }) => [design.vessel],
    compute: ({ design: { vessel } }) => {
      if (!vessel) return missing('no vessel is chosen');
      if (vessel.shape === 'cylinder' || vessel.shape === 'jar' || vessel.shape === 'bow-front')
        return { value: null, gap: 'outside-validity', note: 'curved glass is outside the plate theory used here' };
      const inputs = {
        lengthMm: Math.max(vessel.lengthMm, vessel.widthMm),
        heightMm: vessel.heightMm,
        edges: edgesOf(vessel),
      };
      const value = glassThicknessMm(inputs.lengthMm, inputs.heightMm, inputs.edges);
      return value === null
        ? { value: null, gap: 'outside-validity', inputs, note: 'the pane is more than twice as high as it is long' }
        : { value, inputs, note: 'Information only, never a certificate.' };
    },
  },
  'heat.body': {
    calculationId: null,
    from: [],
    reads: ({ design, room }) => [design.vessel, room.humidityPct],
    compute: ({ design: { vessel }, room }) => {
      if (!vessel) return missing('no vessel is chosen');
      const taken = [
        ...(vessel.glassMm.value === null ? [`panes of ${ASSUMED.glassMm} mm`] : []),
        ...(vessel.lid.value === null ? ['an open top'] : []),
        ...(room.humidityPct.value === null ? [`air of ${ASSUMED.humidityPct} % humidity`] : []),
      ];
      return {
        value: {
          ...surfacesOf(vessel, vessel.waterLevelMm),
          glassMm: vessel.glassMm.value ?? ASSUMED.glassMm,
          covered: LID_COVERS[vessel.lid.value ?? 'none'],
          humidity: (room.humidityPct.value ?? ASSUMED.humidityPct) / 100,
          airMPerS: 0,
        },
        ...(taken.length > 0 ? { note: `Not stated, so taken: ${taken.join(', ')}.` } : {}),
      };
    },
  },
  'heat.balance': {
    calculationId: 'equipment.settling-temperature',
    from: ['heat.body'],
    reads: ({ design, room }) => [design.equipment, room.climateC],
    compute: ({ design, room }, up) => {
      const body = up['heat.body'].value;
      if (!body) return missing('no vessel is chosen');
      if (!room.climateC) return missing("the room's climate is not stated");
      const devices = thermostats(design);
      const unstated = devices.heaterW === null || devices.coolerW === null ? ' Power that is not stated is taken to be enough.' : '';
      return {
        value: yearBalance(room.climateC, body, devices),
        inputs: { ...body, ...devices, climateC: room.climateC },
        note: `Heat given off to the room is good to ±25 %, evaporation to ±40 %.${unstated} ${up['heat.body'].note ?? ''}`.trim(),
      };
    },
  },
  'heat.year': {
    calculationId: null,
    from: ['heat.balance'],
    reads: ({ design, room }) => [design.equipment, room.climateC],
    compute: ({ design, room }, up) => {
      const balance = up['heat.balance'];
      if (balance.value)
        return { value: balance.value.map(({ tankC }) => tankC), ...(balance.note ? { note: balance.note } : {}), inputs: balance.inputs };
      if (!room.climateC) return missing("the room's climate is not stated");
      const { heaterC, coolerC } = thermostats(design);
      const inputs = { climateC: room.climateC, heaterC, coolerC };
      return { value: yearTemperature(room.climateC, inputs), inputs, note: 'No vessel is chosen yet: taken to follow the room.' };
    },
  },
  'water.poured': {
    calculationId: null,
    from: [],
    reads: ({ design, room }) => [design.water, room.sources],
    compute: ({ design, room }) => {
      const poured: PouredSource[] = [];
      for (const [, part] of inOrder(design.water.parts)) {
        const source = Object.hasOwn(room.sources, part.sourceId) ? room.sources[part.sourceId] : undefined;
        if (part.share <= 0) continue;
        if (!source) return missing('a source this tank uses is no longer in the room');
        poured.push({ id: part.sourceId, share: part.share, source });
      }
      return poured.length > 0 ? { value: poured } : missing('no water is chosen');
    },
  },
  'planned.temperatureC': {
    calculationId: null,
    from: ['heat.year'],
    reads: () => [],
    compute: (_, up) => {
      const year = up['heat.year'].value;
      if (!year) return missing(up['heat.year'].note ?? 'not known');
      const interval = yearExtremes(year);
      return {
        value: (interval[0] + interval[1]) / 2,
        interval,
        inputs: up['heat.year'].inputs,
        note: 'Unheated water settles by its heat balance near the room; heater and cooler hold their set-points. The interval is the year.',
      };
    },
  },
  'planned.ghDh': planned('ghDh'),
  'planned.khDh': planned('khDh'),
  'planned.ec25UsPerCm': planned('ec25UsPerCm'),
  'planned.salinity': planned('salinity'),
  'planned.ph': {
    calculationId: 'water.equilibrium-ph',
    from: ['planned.khDh', 'planned.salinity', 'planned.temperatureC'],
    reads: () => [],
    compute: (_, up) => {
      const kh = up['planned.khDh'].value;
      const salinity = up['planned.salinity'].value;
      if (kh === null || salinity === null) return missing('no KH or salinity reading to compute it from');
      const temperatureC = up['planned.temperatureC'].value ?? 24;
      const inputs = { temperatureC, alkalinityMeqPerL: kh * MEQ_PER_DEGREE_ALKALINITY, pco2Uatm: TANK_CO2_UATM.usual };
      const settled = settledPh(kh, salinity, temperatureC);
      if (!settled) return { value: null, gap: 'outside-validity', inputs, note: 'the fresh-water constants do not hold in this water' };
      return {
        value: settled.ph,
        interval: settled.band,
        inputs,
        note: `Settled with the CO₂ of a lightly stocked tank (${TANK_CO2_UATM.usual} µatm); the interval runs from ${TANK_CO2_UATM.stuffy} to ${TANK_CO2_UATM.air} µatm, common practice. Soil, wood and leaves move it and are not counted.`,
      };
    },
  },
  'window.temperatureC': windowNode('temperatureC'),
  'window.ph': windowNode('ph'),
  'window.ghDh': windowNode('ghDh'),
  'window.khDh': windowNode('khDh'),
  'window.ec25UsPerCm': windowNode('ec25UsPerCm'),
  'window.salinity': windowNode('salinity'),
  'heat.failures': {
    calculationId: 'equipment.hours-to-edge',
    from: ['heat.body', 'heat.balance', 'vessel.system-volume', 'window.temperatureC'],
    reads: ({ design }) => [design.equipment],
    compute: ({ design }, up) => {
      const [body, balance] = [up['heat.body'].value, up['heat.balance'].value];
      const litres = up['vessel.system-volume'].value;
      const window = up['window.temperatureC'].value;
      if (!body || !balance || litres === null) return missing(up['heat.balance'].note ?? 'no vessel is chosen');
      if (!window) return missing('nothing is chosen to live here');
      const devices = thermostats(design);
      const open = [null, null] as const;
      return {
        value: failures(balance, body, litres, devices, { optimum: window.optimum ?? open, tolerance: window.tolerance ?? open }),
        inputs: { ...body, litres, ...devices, optimumC: window.optimum, toleranceC: window.tolerance },
        note: 'One stirred body of water in a steady room; the hours run from a loss 30 % greater to one 25 % smaller.',
      };
    },
  },
};
export const NODE_IDS = Object.keys(DEFINITIONS) as NodeId[];

/** Kept nodes of an earlier derivation; hand the same one in again and what did not change is not computed again. */
export interface DeriveCacheEntry {
  seen: readonly unknown[];
  node: Computed<unknown>;
}
export type DeriveCache = Map<NodeId, DeriveCacheEntry>;

/** Computes every node of the graph, reusing what the cache holds for identical inputs. */
export function derive(world: World, cache: DeriveCache = new Map()): Derived {
  const done: Partial<Record<NodeId, Computed<unknown>>> = {};
  for (const id of NODE_IDS) {
    const definition: NodeDefinition<unknown> = DEFINITIONS[id];
    const seen = [...definition.reads(world), ...definition.from.map((up) => done[up])];
    const kept = cache.get(id);
    if (kept && kept.seen.length === seen.length && kept.seen.every((part, i) => part === seen[i])) {
      done[id] = kept.node;
      continue;
    }
    const { inputs = {}, calculationId = definition.calculationId, ...answer } = definition.compute(world, done as Derived);
    const node: Computed<unknown> = { node: id, calculationId, from: definition.from, inputs, ...answer };
    cache.set(id, { seen, node });
    done[id] = node;
  }
  return done as Derived;
}

export function plannedNode(derived: Derived, parameter: Parameter): Computed<number> {
  return derived[`planned.${parameter}`];
}

export function windowNodeOf(derived: Derived, parameter: Parameter): Computed<Window> {
  return derived[`window.${parameter}`];
}

export function animalOf(member: Member): Animal | undefined {
  return member.organism?.kind === 'animal' ? member.organism : undefined;
}

/** The animals of a tank as the company rules take them; those the catalogue does not know are left out. */
export function companyOf(members: readonly Member[]): Companion[] {
  return members.flatMap((member) => {
    const animal = animalOf(member);
    return animal ? [{ id: member.id, animal, count: member.count, female: member.female, phase: member.phase }] : [];
  });
}
