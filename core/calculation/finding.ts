import type { Basis } from '../quantity/fact';
import type { QuantityKind } from '../quantity/unit';
import type { Computed } from './computed';

export type Severity = 'conflict' | 'watch' | 'fits' | 'unknown';

/** The benches a finding can lie on. A new one adds its name where it is described. */
export interface Benches {
  livestock: true;
  vessel: true;
  water: true;
  substrate: true;
  hardscape: true;
  plants: true;
  equipment: true;
  stocking: true;
  startup: true;
  care: true;
  breeding: true;
}
export type Bench = keyof Benches;

/** A number with its kind, in the canonical unit; words and units are put on it in one place. */
export interface FindingValue {
  quantity: QuantityKind;
  value: number;
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

/** Codes of findings by family. Each domain adds its own where it is described: see core/assessment/domains. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled by the domains
export interface FindingCodes {}
export type Family = keyof FindingCodes;
export type FindingCode = { [F in Family]: `${F}.${FindingCodes[F]}` }[Family];
export type CodesOf<F extends Family> = Extract<FindingCode, `${F}.${string}`>;

export const SEVERITY_WORD: Readonly<Record<Severity, string>> = { conflict: 'Conflict', watch: 'Watch', fits: 'Fits', unknown: 'Unknown' };

export const SEVERITY_ORDER: readonly Severity[] = ['conflict', 'watch', 'unknown', 'fits'];

/** conflict 3, watch 2, unknown 1, fits 0. */
export function severityRank(severity: Severity): number {
  return SEVERITY_ORDER.length - 1 - SEVERITY_ORDER.indexOf(severity);
}
