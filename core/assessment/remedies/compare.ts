import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { severityRank } from '../../calculation/finding';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import type { Assessment } from '../assessment';

/** One finding as it is and as it would be; null where it does not arise. */
export interface Difference {
  key: string;
  before: Finding | null;
  after: Finding | null;
}

/** Everything that a patch would change in the judgement: what it mends first, then what it makes worse. Null when it cannot be applied. */
export function compare(assessment: Assessment, patch: readonly Operation[]): { after: Assessment; differences: Difference[] } | null {
  const applied = applyEdit(assessment.world.design, patch, Design);
  if (!applied.ok) return null;
  const after = assessment.again({ ...assessment.world, design: applied.document }, new Map(assessment.kept));
  const before = new Map(assessment.findings.map((finding) => [finding.key, finding]));
  const then = new Map(after.findings.map((finding) => [finding.key, finding]));
  const differences = [...new Set([...before.keys(), ...then.keys()])]
    .map((key): Difference => ({ key, before: before.get(key) ?? null, after: then.get(key) ?? null }))
    .filter(({ before: was, after: is }) => rank(was) !== rank(is));
  return { after, differences: differences.sort((a, b) => change(b) - change(a)) };
}

const rank = (finding: Finding | null): number => (finding ? severityRank(finding.severity) : 0);
const change = ({ before, after }: Difference): number => rank(before) - rank(after);
