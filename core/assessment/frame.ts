import type { Bench, Finding, FindingCode } from '../calculation/finding';
import { graphOf, type Graph } from './derive';
import type { Definitions, Derived, World } from './derive/node';
import type { AnyDomain } from './domain';
import { DOMAINS } from './domains';
import type { RemedyKind } from './remedies/remedy';
import type { SayRemedy, Worded, Words } from './wording/words';

/** All domains together: what is derived and judged, how it is said, and what is done about it. */
export interface Frame {
  graph: Graph;
  findings: (world: World, derived: Derived) => Finding[];
  words: (words: Words) => Worded;
  sayRemedy: (kind: RemedyKind, say: SayRemedy) => string;
  pairWord: (code: FindingCode) => string | undefined;
  noRemedy: (code: FindingCode) => string | undefined;
  /** The bench and the field where a finding can be put right. */
  placeOf: (finding: Finding) => { bench: Bench; control: string | null; face?: string | undefined };
}

export function frameOf(domains: readonly AnyDomain[]): Frame {
  const byFamily = new Map<string, AnyDomain>(domains.map((one) => [one.family, one]));
  const of = (code: FindingCode): [domain: AnyDomain, rest: string] => {
    const dot = code.indexOf('.');
    const found = byFamily.get(code.slice(0, dot));
    if (!found) throw new Error(`no domain knows ${code}`);
    return [found, code.slice(dot + 1)];
  };
  const remedyWords = Object.assign({}, ...domains.map((one) => one.remedyWords)) as Record<RemedyKind, (say: SayRemedy) => string>;
  return {
    graph: graphOf(Object.assign({}, ...domains.map((one) => one.nodes)) as Definitions),
    findings: (world, derived) => domains.flatMap((one) => one.findings(world, derived)),
    words: (words) => of(words.code)[0].words(words),
    sayRemedy: (kind, say) => remedyWords[kind](say),
    pairWord: (code) => {
      const [found, rest] = of(code);
      return found.pairWords?.[rest];
    },
    noRemedy: (code) => {
      const [found, rest] = of(code);
      return found.noRemedy?.[rest];
    },
    placeOf: ({ code, bench }) => {
      const [found, rest] = of(code);
      const [at, control = null, face] = found.at[rest] ?? [bench];
      return { bench: at, control, ...(face === undefined ? {} : { face }) };
    },
  };
}

export const FRAME = frameOf(DOMAINS);
