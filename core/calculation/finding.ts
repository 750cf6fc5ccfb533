import type { Basis } from '../quantity/fact';
import type { QuantityKind } from '../quantity/unit';
import type { Computed } from './computed';

export type Severity = 'conflict' | 'watch' | 'fits' | 'unknown';

export type Bench =
  'livestock' | 'vessel' | 'water' | 'substrate' | 'hardscape' | 'plants' | 'equipment' | 'stocking' | 'startup' | 'care' | 'breeding';

/** A number with its kind, in the canonical unit; words and units are put on it in one place. */
export interface FindingValue {
  quantity: QuantityKind;
  si: number;
}

/** One judgement. It carries quantities and subjects, no wording. */
export interface Finding {
  /** Stable over edits: code, subjects and parameter. Acceptances hang on it. */
  key: string;
  code: FindingCode;
  bench: Bench;
  severity: Severity;
  /** How far off, comparable between findings of one code and parameter; 0 when it fits, null when unknown. */
  excess: number | null;
  /** Stock or scene ids. */
  subjects: readonly string[];
  parameter?: string;
  values: Readonly<Record<string, FindingValue>>;
  /** Nodes whose values this rests on. */
  evidence: readonly Computed<unknown>[];
  basis: Basis;
  source?: string;
  note?: string;
  /** Its place in the tank, millimetres. */
  at?: readonly [xMm: number, yMm: number, zMm: number];
  /** Which case of its code this is; the wording goes by it. */
  kind?: string;
}

export type FindingCode =
  | 'water.parameter'
  | 'water.not-stated'
  | 'water.salinity-acclimation'
  | 'water.disinfectant'
  | 'water.conditioner-harm'
  | 'water.source-questioned'
  | 'water.conductivity-contradiction'
  | 'water.copper'
  | 'water.co2'
  | 'water.lime-settles'
  | 'water.soil-life'
  | 'water.soil-against-lime'
  | 'water.material-not-known'
  | 'water.oxygen'
  | 'water.nitrate'
  | 'water.feed'
  | 'water.evaporation'
  | 'water.swing'
  | 'heat.too-cold'
  | 'heat.too-warm'
  | 'heat.not-stated'
  | 'heat.contrary'
  | 'window.clash'
  | 'window.strain'
  | 'vessel.not-stated'
  | 'vessel.footprint'
  | 'vessel.volume'
  | 'vessel.lid'
  | 'vessel.depth'
  | 'vessel.leak-test'
  | 'vessel.gear-fit'
  | 'vessel.piece-fit'
  | 'vessel.clearance'
  | 'vessel.space'
  | 'vessel.drain-back'
  | 'vessel.load'
  | 'vessel.glass'
  | 'vessel.sun'
  | 'vessel.footfall'
  | 'vessel.exposed'
  | 'substrate.not-stated'
  | 'substrate.slope'
  | 'substrate.step'
  | 'substrate.under'
  | 'substrate.too-high'
  | 'substrate.cap'
  | 'substrate.soil-share'
  | 'substrate.grain'
  | 'substrate.depth'
  | 'substrate.roots'
  | 'substrate.capsules'
  | 'substrate.not-known'
  | 'hardscape.not-known'
  | 'hardscape.outside'
  | 'hardscape.overlap'
  | 'hardscape.topples'
  | 'hardscape.floats'
  | 'hardscape.undermined'
  | 'hardscape.on-glass'
  | 'hardscape.edges'
  | 'hardscape.mouth-closed'
  | 'hardscape.hides'
  | 'hardscape.sticks'
  | 'hardscape.facing'
  | 'hardscape.scraper'
  | 'hardscape.open-room'
  | 'hardscape.reach'
  | 'hardscape.contrast'
  | 'heat.heater-rating'
  | 'heat.cooler-rating'
  | 'heat.stuck-heater'
  | 'heat.power-cut'
  | 'stocking.group-size'
  | 'stocking.sex-ratio'
  | 'stocking.predation'
  | 'stocking.predation-young'
  | 'stocking.fin-nipping'
  | 'stocking.temperament'
  | 'stocking.crossing'
  | 'stocking.strata'
  | 'stocking.escape'
  | 'stocking.not-known'
  | 'stocking.not-chosen'
  | 'stocking.plant-damage'
  | 'stocking.stings'
  | 'stocking.current'
  | 'stocking.light'
  | 'stocking.diet'
  | 'stocking.feeding'
  | 'stocking.unidentified'
  | 'biotope.foreign'
  | 'biotope.water'
  | 'biotope.season'
  | 'biotope.bottom'
  | 'biotope.not-known';

export const SEVERITY_ORDER: readonly Severity[] = ['conflict', 'watch', 'unknown', 'fits'];

/** conflict 3, watch 2, unknown 1, fits 0. */
export function severityRank(severity: Severity): number {
  return SEVERITY_ORDER.length - 1 - SEVERITY_ORDER.indexOf(severity);
}
