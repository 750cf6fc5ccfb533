import type { Gap } from '../../calculation/calculation';
import type { Computed } from '../../calculation/computed';
import type { Catalogue } from '../../catalogue/catalogue';
import type { Organism } from '../../catalogue/organism';
import type { Phase } from '../../catalogue/parameter';
import type { Design } from '../../design/design';
import type { Room, RoomSource } from '../../design/room';
import type { Failure } from '../../equipment/failures';
import type { HeatBody } from '../../equipment/heat-loss';
import type { MonthBalance } from '../../equipment/year-temperature';
import type { Span } from '../../quantity/range';
import type { MixedWater } from '../../water/mixed-water';
import type { WeeklyWants } from '../../tank/weekly-wants';
import type { Co2Course } from '../../equipment/co2-feed';
import type { FlowStratum } from '../../scene/strata';
import type { Flow } from '../../equipment/runs';
import type { SettledTank } from '../../tank/at-rest';
import type { TankScenario } from '../../tank/scenario';
import type { SoilEffect, LimeEffect } from '../../water/materials';
import type { SourceWater } from '../../water/source-water';
import type { Bed } from '../../substrate/bed';
import type { Ground } from '../../substrate/ground';
import type { LooseStep, Steepest } from '../../substrate/steepest';
import type { FloorGrid } from '../../scene/grid';
import type { Occupancy } from '../../scene/occupancy';
import type { Facing, Refuge, Standing } from '../../hardscape/shelter';
import type { OpenRoom } from '../../hardscape/room';
import type { Lighting } from '../../light/field';
import type { Cover } from '../../plants/cover';
import type { Standing as Planting } from '../../plants/standing';
import type { Holdings } from '../../lots/holdings';
import type { Contact } from '../../health/contact';
import type { Window } from '../../window/window';

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
  /** Length as they are put in; left out for grown ones. */
  todayMm?: number;
}

export interface PouredSource {
  id: string;
  share: number;
  source: RoomSource;
  /** By the ions behind its readings. */
  water: SourceWater;
}

/** The steepest slopes of a bed, and the highest step that nothing holds. */
export interface Slopes {
  steepest: readonly Steepest[];
  step: LooseStep | null;
}

/** What lies in the water, as the balance takes it. */
export interface Lying {
  soil: TankScenario['soil'];
  lime: TankScenario['lime'];
  carbonMgPerDay: number;
  /** Of what is poured in as one dose. */
  carbonOnceMg: number;
}

/** Everything that a look ahead rests on, and what was taken because it is not stated, in words. */
export interface Ahead {
  scenario: TankScenario;
  taken: readonly string[];
}

/** What the animals weigh, breathe and are usually given, each and in all. */
export interface Load {
  grams: number;
  /** At 25 °C. */
  breathMgPerDay: number;
  usualFeedG: number;
  each: Readonly<Record<string, { count: number; grams: number; breathMgPerDay: number }>>;
}

/** Speeds in a tank, mm/s. */
export interface TankCurrent {
  /** By stratum, slowest first. */
  strata: Readonly<Record<FlowStratum, Float32Array>>;
  /** Usual speed of the surface. */
  surfaceMmPerS: number;
  /** Fastest over the bed. */
  bedMmPerS: number;
  /** Whose outlet blows that. */
  bedById: string | null;
  /** Share of the water that stands. */
  stillShare: number;
  /** Every outlet was given a place; else they are taken where they usually are. */
  placed: boolean;
}

/** Every cross-domain value and its type. */
export interface Nodes {
  'stock.members': readonly Member[];
  /** What the animals weigh, breathe and are fed. */
  'stock.load': Load;
  /** Days until the filter has grown in, usually. */
  'startup.done': number;
  /** Where the room's lots are. */
  'lots.holdings': Holdings;
  /** What may be where in the room, and is not over. */
  'health.contacts': readonly Contact[];
  'vessel.gross-volume': number;
  'scene.grid': FloorGrid;
  /** The bed as it comes to lie. */
  'scene.ground': Ground;
  /** Every piece of hardscape where it comes to lie. */
  'scene.pieces': readonly Standing[];
  /** What the pieces take up of water and bed. */
  'scene.occupancy': Occupancy;
  'substrate.bed': Bed;
  'substrate.slopes': Slopes;
  'hardscape.refuges': readonly Refuge[];
  'hardscape.facing': readonly Facing[];
  'hardscape.room': OpenRoom;
  /** Every planting where it stands, as large as it is at the state that is looked at. */
  'plants.standing': readonly Planting[];
  /** What they are to the animals. */
  'plants.cover': Cover;
  /** What they take in a week, and the potassium that is left where it settles; null where no water is changed. */
  'plants.wants': WeeklyWants & { potassiumLeftMgPerL: number | null };
  /** Daylight on the water by month, mol/m² a day. */
  'light.daylight': readonly number[];
  /** The lamps, and the water that they shine through. */
  'light.lamps': Lighting;
  'vessel.water-volume': number;
  'vessel.system-volume': number;
  'vessel.drain-back': { drainsL: number; spareL: number };
  'vessel.filled-mass': { kg: number; kPa: number };
  'vessel.glass-needed': number;
  'heat.body': HeatBody;
  'heat.balance': readonly MonthBalance[];
  'heat.year': readonly Span[];
  'planned.temperatureC': number;
  /** Every source of the room, by the ions behind its readings. */
  'water.sources': Readonly<Record<string, SourceWater>>;
  'water.poured': readonly PouredSource[];
  /** As it leaves the mixing vessel: sources and salts. */
  'water.mixed': MixedWater;
  /** What bed, pieces and loose materials do to the water. */
  'water.lying': Lying;
  /** What a look ahead at the tank rests on. */
  'tank.ahead': Ahead;
  /** What comes through filters and pumps whose flow is stated. */
  'gear.flow': { each: Readonly<Record<string, Flow>>; lPerH: number; band: Span };
  /** How the water moves where outlets blow it. */
  'gear.current': TankCurrent;
  /** CO2 that is fed, as it goes by day and night. */
  'gear.co2': Co2Course;
  /** Oxygen at the end of the warmest night and of its light. */
  'gear.dawn': { dawnMgPerL: number; duskMgPerL: number; warmestC: number };
  /** Oxygen when the current is gone. */
  'gear.cut': { hours: number | null; endsMgPerL: number; leastMgPerL: number; who: readonly string[] };
  /** Times an hour that the water goes round, by the power of what moves it. */
  'tank.turnover': number;
  /** Where it comes to rest. */
  'tank.settled': SettledTank;
  /** CO2 pressure the tank settles with, µatm. */
  'water.gas': number;
  'water.soil': SoilEffect;
  'water.lime': LimeEffect;
  /** Dissolved organic carbon, mg/L. */
  'water.organic-carbon': number;
  /** As #rrggbb over the tank's own depth. */
  'water.colour': string;
  'planned.ph': number;
  'planned.ghDh': number;
  'planned.khDh': number;
  'planned.ec25UsPerCm': number;
  'planned.salinity': number;
  /** Saturation index of calcite. */
  'water.saturation': number;
  'window.temperatureC': Window;
  'window.ph': Window;
  'window.ghDh': Window;
  'window.khDh': Window;
  'window.ec25UsPerCm': Window;
  'window.salinity': Window;
  /** The window of temperature of the animals alone. */
  'window.animalsC': Window;
  /** The same failures for one litre. */
  'heat.drift': readonly Failure[];
  'heat.failures': readonly Failure[];
}
export type NodeId = keyof Nodes;
export type Derived = { readonly [K in NodeId]: Computed<Nodes[K]> };

export interface Answer<T> {
  value: T | null;
  /** Set where the calculation depends on the case, such as the form of the vessel. */
  calculationId?: string | null;
  inputs?: Record<string, unknown>;
  interval?: Span;
  gap?: Gap;
  /** A reading stands here, in place of what is worked out. */
  measured?: true;
  /** What was worked out, where a measurement stands in its place. */
  worked?: number;
  note?: string;
}

export interface NodeDefinition<T> {
  calculationId: string | null;
  from: readonly NodeId[];
  /** The parts of the world it looks at; the node is kept while these and its upstream nodes are the same objects. */
  reads: (world: World) => readonly unknown[];
  compute: (world: World, up: Derived) => Answer<T>;
  /** A small plain value: one that comes out equal counts as the same, and nothing downstream is computed again. */
  byValue?: true;
}
export type Definitions = { readonly [K in NodeId]: NodeDefinition<Nodes[K]> };

export const missing = (note: string): Answer<never> => ({ value: null, gap: 'missing', note });
