import { severityRank, type Bench, type Finding } from '../calculation/finding';
import type { Assessment } from './assessment';
import { derive, type DeriveCache } from './derive';
import type { World } from './derive/node';
import { forWeeks } from './for-weeks';
import { FRAME, type Frame } from './frame';

export type { Assessment } from './assessment';

/**
 * Judges a design in its room. Pure; quick enough for every drag.
 *
 * @param cache hand the same one in again to reuse derived values whose inputs are the same objects
 * @param frame the domains it is judged by
 */
export function assess(world: World, cache: DeriveCache = new Map(), frame: Frame = FRAME): Assessment {
  const derived = derive(world, frame.graph, cache);
  const told = frame.findings(world, derived);
  const findings = (world.design.brief.purpose === 'quarantine' ? told.map(forWeeks) : told).sort(worstFirst);
  return { world, derived, findings, kept: cache, again: (other, kept) => assess(other, kept, frame) };
}

/** What is not stated comes in work order. */
const WORK_ORDER: readonly Bench[] = [
  'livestock',
  'vessel',
  'water',
  'substrate',
  'hardscape',
  'plants',
  'equipment',
  'stocking',
  'startup',
  'care',
  'breeding',
];

function worstFirst(a: Finding, b: Finding): number {
  const bySeverity = severityRank(b.severity) - severityRank(a.severity);
  if (bySeverity !== 0) return bySeverity;
  if (a.severity === 'unknown') return WORK_ORDER.indexOf(a.bench) - WORK_ORDER.indexOf(b.bench);
  return Number(b.code === 'window.clash') - Number(a.code === 'window.clash');
}

/** The worst severity among findings that the user has not accepted; null when there are none. */
export function worst(findings: readonly Finding[], accepted: Readonly<Record<string, string>> = {}): Finding['severity'] | null {
  const open = findings.filter((finding) => !Object.hasOwn(accepted, finding.key));
  return open.reduce<Finding['severity'] | null>(
    (most, { severity }) => (most === null || severityRank(severity) > severityRank(most) ? severity : most),
    null,
  );
}
