import { severityRank, type Finding, type FindingValue } from '../../calculation/finding';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import type { Assessment } from '../assessment';
import { makersOf } from './makers';
import { oncePer, type Proposal, type Remedy, type RemedyMaker } from './remedy';

/** What can be done about a finding, and what would still be left. */
export interface Help {
  remedies: readonly Remedy[];
  /**
   * Set when no remedy clears the finding: the nearest that can be reached and the edge that was wanted.
   * The water is as far as the sources at hand go; other findings have no remedy known.
   */
  shortfall: { reason: 'blend-ends' | 'none-known'; best?: FindingValue; wanted?: FindingValue; side?: 'low' | 'high' } | null;
}

const NO_HELP: Help = { remedies: [], shortfall: null };

/**
 * The remedies of one finding, each tried out on a copy of the design: only those that lower its severity or its excess are offered,
 * and every conflict that one would open is named with it.
 */
export function helpFor(assessment: Assessment, finding: Finding, makers: readonly RemedyMaker[] = makersOf(finding.code)): Help {
  if (finding.severity === 'fits') return NO_HELP;
  const proposals = makers.flatMap((maker) => maker(assessment, finding));
  const nearer = proposals.map((proposal, i) => tryOut(assessment, finding, proposal, i)).filter((remedy) => remedy !== null);
  // what leaves a conflict a conflict is no way out of it; the nearest that can be reached is said instead
  // and what clears it comes before what only comes nearer
  const clears = ({ after }: Remedy): number => Number(after !== null && after.severity !== 'fits');
  const remedies = nearer.filter(({ after }) => after?.severity !== 'conflict').sort((a, b) => clears(a) - clears(b));
  return { remedies, shortfall: shortfallOf(assessment, finding, nearer) };
}

/** Whether a finding is better afterwards: gone, less severe, or as severe with less excess. */
export function isBetter(before: Finding, after: Finding | null): boolean {
  if (!after) return true;
  const drop = severityRank(before.severity) - severityRank(after.severity);
  if (drop !== 0) return drop > 0;
  return before.excess !== null && after.excess !== null && after.excess < before.excess - 1e-9;
}

/** A proposal tried out on a copy of the design. */
interface Trial {
  after: ReadonlyMap<string, Finding>;
  /** Keys of conflicts and things to watch that it mends. */
  mends: ReadonlySet<string>;
  opens: readonly Finding[];
}

const beforeOf = oncePer(({ findings }) => new Map(findings.map((finding) => [finding.key, finding])));
const trialsOf = oncePer(() => new Map<string, Trial | null>());

/** The judgement of the patched design; one patch that many findings ask for is tried out once. */
function trial(assessment: Assessment, { patch }: Proposal): Trial | null {
  const trials = trialsOf(assessment);
  const key = JSON.stringify(patch);
  let found = trials.get(key);
  if (found === undefined) {
    const applied = applyEdit(assessment.world.design, patch, Design);
    found = applied.ok
      ? tried(assessment, assessment.again({ ...assessment.world, design: applied.document }, new Map(assessment.kept)))
      : null;
    trials.set(key, found);
  }
  return found;
}

function tried(assessment: Assessment, { findings }: Assessment): Trial {
  const after = new Map(findings.map((finding) => [finding.key, finding]));
  const pressing = assessment.findings.filter(({ severity }) => severity === 'conflict' || severity === 'watch');
  return {
    after,
    mends: new Set(pressing.filter((finding) => isBetter(finding, after.get(finding.key) ?? null)).map(({ key }) => key)),
    opens: newConflicts(beforeOf(assessment), findings),
  };
}

function tryOut(assessment: Assessment, finding: Finding, proposal: Proposal, index: number): Remedy | null {
  const next = trial(assessment, proposal);
  if (!next) return null;
  const after = next.after.get(finding.key) ?? null;
  if (!isBetter(finding, after)) return null;
  return {
    ...proposal,
    id: `${proposal.kind}-${index}:${finding.key}`,
    findingKey: finding.key,
    baseRev: assessment.world.design.rev,
    after,
    opens: next.opens,
    alsoMends: next.mends.size - (next.mends.has(finding.key) ? 1 : 0),
  };
}

/** Conflicts that were not conflicts before. */
export function newConflicts(before: ReadonlyMap<string, Finding>, after: readonly Finding[]): Finding[] {
  return after.filter((finding) => finding.severity === 'conflict' && before.get(finding.key)?.severity !== 'conflict');
}

function shortfallOf(assessment: Assessment, finding: Finding, remedies: readonly Remedy[]): Help['shortfall'] {
  if (finding.severity === 'unknown') return null;
  if (remedies.some(({ after }) => !after || after.severity === 'fits')) return null;
  if (finding.code.startsWith('water.') && finding.code !== 'water.parameter') return null;
  if (finding.code.startsWith('biotope.')) return null;
  if (finding.code !== 'water.parameter')
    return remedies.some(({ after }) => after?.severity !== 'conflict') ? null : { reason: 'none-known' };
  if (Object.keys(assessment.world.room.sources).length === 0) return { reason: 'none-known' };
  const nearest = remedies[0]?.after ?? finding;
  const best = nearest.values['planned'];
  const low = nearest.values['optimumLow'];
  const high = nearest.values['optimumHigh'];
  if (!best) return { reason: 'none-known' };
  const side = low && best.value < low.value ? 'low' : 'high';
  const wanted = side === 'low' ? low : high;
  return { reason: 'blend-ends', best, side, ...(wanted ? { wanted } : {}) };
}
