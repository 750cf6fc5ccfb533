import type { Gap } from '../calculation/calculation';
import type { Computed } from '../calculation/computed';
import type { Catalogue } from '../catalogue/catalogue';
import { rangeFor, type Animal, type Organism } from '../catalogue/organism';
import { PARAMETER_META, type Parameter, type Phase } from '../catalogue/parameter';
import { inOrder, type Design } from '../design/design';
import type { Room, RoomSource } from '../design/room';
import { yearExtremes, yearTemperature } from '../equipment/year-temperature';
import type { Span } from '../quantity/range';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { boxVolumeL } from '../vessel/box-volume';
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
}
export type NodeId = keyof Nodes;
export type Derived = { readonly [K in NodeId]: Computed<Nodes[K]> };

interface Answer<T> {
  value: T | null;
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

function setPoint(design: Design, kind: 'heater' | 'cooler'): number | null {
  const points = Object.values(design.equipment)
    .filter((device) => device.kind === kind)
    .map((device) => device.setPointC);
  if (points.length === 0) return null;
  return kind === 'heater' ? Math.max(...points) : Math.min(...points);
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
      const { lengthMm, widthMm, heightMm } = vessel;
      return { value: boxVolumeL(lengthMm, widthMm, heightMm), inputs: { lengthMm, widthMm, heightMm } };
    },
  },
  'vessel.water-volume': {
    calculationId: 'vessel.water-volume',
    from: [],
    reads: ({ design }) => [design.vessel, design.scene],
    compute: ({ design }) => {
      if (!design.vessel) return missing('no vessel is chosen');
      const { lengthMm, widthMm, waterLevelMm } = design.vessel;
      const inputs = { lengthMm, widthMm, waterLevelMm, displacedL: displacedL(design) };
      const value = waterVolumeL(lengthMm, widthMm, waterLevelMm, inputs.displacedL);
      if (value <= 0) return { value: null, gap: 'outside-validity', note: 'more is displaced than the water space holds', inputs };
      return { value, inputs, note: 'The bed is not taken off yet: it often takes a fifth or more.' };
    },
  },
  'heat.year': {
    calculationId: null,
    from: [],
    reads: ({ design, room }) => [design.equipment, room.climateC],
    compute: ({ design, room }) => {
      if (!room.climateC) return missing("the room's climate is not stated");
      const inputs = { climateC: room.climateC, heaterC: setPoint(design, 'heater'), coolerC: setPoint(design, 'cooler') };
      return { value: yearTemperature(room.climateC, inputs), inputs };
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
        note: 'Unheated water follows the room; heater and cooler hold it at their set-points. The interval is the year.',
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
};
export const NODE_IDS = Object.keys(DEFINITIONS) as NodeId[];

/** Kept nodes of an earlier derivation; hand the same one in again and what did not change is not computed again. */
export type DeriveCache = Map<NodeId, { seen: readonly unknown[]; node: Computed<unknown> }>;

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
    const { inputs = {}, ...answer } = definition.compute(world, done as Derived);
    const node: Computed<unknown> = { node: id, calculationId: definition.calculationId, from: definition.from, inputs, ...answer };
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
