import type { Operation } from 'rfc6902';
import type { Finding, FindingValue } from '../../calculation/finding';
import type { Assessment } from '../assessment';

/** Kinds of remedies. Each domain adds its own where it is described: see core/assessment/domains. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled by the domains
export interface RemedyKinds {}
export type RemedyKind = keyof RemedyKinds;

/** A change that a kind of remedy puts forward; not yet proved to help. */
export interface Proposal {
  kind: RemedyKind;
  patch: Operation[];
  /** What the wording needs: a set-point, a count, shares. */
  values: Readonly<Record<string, FindingValue>>;
  /** Ids the wording names. */
  subjects: readonly string[];
}

/** A proposal that was tried out: its patch on this revision mends the finding. */
export interface Remedy extends Proposal {
  id: string;
  findingKey: string;
  baseRev: number;
  /** The finding as it would be afterwards; null when it no longer arises. */
  after: Finding | null;
  /** Conflicts that it would open elsewhere, said before it is applied. */
  opens: readonly Finding[];
  /** Other findings that it mends as well. */
  alsoMends: number;
}

/** One kind of remedy: looks at a finding, puts forward changes. */
export type RemedyMaker = (assessment: Assessment, finding: Finding) => Proposal[];

/** Computes once per assessment what many of its findings ask for. */
export function oncePer<T>(compute: (assessment: Assessment) => T): (assessment: Assessment) => T {
  const kept = new WeakMap<Assessment, { value: T }>();
  return (assessment) => {
    let found = kept.get(assessment);
    if (!found) {
      found = { value: compute(assessment) };
      kept.set(assessment, found);
    }
    return found.value;
  };
}

/** Every remedy patch opens with a test, so that one made for another revision is refused. */
export function forRevision(rev: number): Operation {
  return { op: 'test', path: '/rev', value: rev };
}
