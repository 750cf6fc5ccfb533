import type { Bench, CodesOf, Family, Finding, FindingCodes } from '../calculation/finding';
import type { Definitions, Derived, World } from './derive/node';
import type { RemedyWords, Worded, Words } from './wording/words';

/** The bench and the field where a finding can be put right, and the face of the bench it is on; null where that is the bench it lies on. */
export type At = readonly [bench: Bench, control?: string, face?: string] | null;

/** One domain of the tank: all that is judged in it, with its words; what is done about it is in remedies/makers.ts. What a code lacks here does not compile. */
export interface Domain<F extends Family> {
  family: F;
  findings: (world: World, derived: Derived) => Finding[];
  words: (words: Words<CodesOf<F>>) => Worded;
  /** Derived values of its own; which come first follows from what each reads. */
  nodes?: Partial<Definitions>;
  at: Readonly<Record<FindingCodes[F], At>>;
  remedyWords?: RemedyWords;
  /** What is the matter between two, in a word, for a matrix. */
  pairWords?: Readonly<Partial<Record<FindingCodes[F], string>>>;
  /** What is left to be done where nothing that can be planned here helps. */
  noRemedy?: Readonly<Partial<Record<FindingCodes[F], string>>>;
}

/** A domain of whatever family. */
export interface AnyDomain {
  family: Family;
  findings: (world: World, derived: Derived) => Finding[];
  words: (words: Words) => Worded;
  nodes?: Partial<Definitions>;
  at: Readonly<Record<string, At>>;
  remedyWords?: RemedyWords;
  pairWords?: Readonly<Record<string, string | undefined>>;
  noRemedy?: Readonly<Record<string, string | undefined>>;
}

/** Checks that a domain says something of each of its codes, and then lets it go as one of many. */
export function domain<F extends Family>(of: Domain<F>): AnyDomain {
  return of as unknown as AnyDomain;
}
