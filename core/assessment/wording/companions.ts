import type { Severity } from '../../calculation/finding';
import { severityRank } from '../../calculation/finding';
import type { UnitChoice } from '../../quantity/format';
import type { Assessment } from '../assessment';
import type { Companions, Offer, PassedBy } from '../plan/companions';
import { whyNot } from '../plan/companions';
import { helpFor } from '../remedies/offer';
import type { Animal } from '../../catalogue/organism';
import { wordFinding, wordRemedy } from '../wording';

/** What is said of one that is not here yet. */
export interface SaidOf {
  severity: Severity;
  title: string;
  reason: string;
}
export interface NamedKind {
  organismId: string;
  latin: string;
  common: string;
  count: number;
}
export interface WordedOffer extends NamedKind, Pick<Offer, 'strata' | 'roles' | 'atHand' | 'native' | 'unknowns'> {
  says: readonly SaidOf[];
}
/** Who else could live here, as it is read. */
export interface WordedCompanions {
  looked: number;
  offers: readonly WordedOffer[];
  sets: readonly (readonly NamedKind[])[];
  /** Why others were passed over, with how many, the most frequent first. */
  passed: readonly string[];
}

const PASSED: Readonly<Partial<Record<PassedBy, string>>> = {
  water: 'want other water',
  'water.parameter': 'want other water',
  'window.clash': 'leave no water that suits everyone',
  warmth: 'want other warmth',
  'heat.too-cold': 'want other warmth',
  'heat.too-warm': 'want other warmth',
  floor: 'want more room',
  'vessel.footprint': 'want more room',
  'vessel.volume': 'want more room',
  'vessel.depth': 'want more room',
  place: 'do not live in such a place',
  'vessel.lid': 'would get out',
  'stocking.escape': 'would get out',
  'stocking.predation': 'eat or are eaten',
  'stocking.predation-young': 'eat the young',
  'stocking.temperament': 'quarrel',
  'stocking.fin-nipping': 'nip, or are nipped',
  'stocking.crossing': 'cross with what is here',
  'stocking.strata': 'crowd a part of the tank',
  'stocking.plant-damage': 'eat the plants or pull them out',
  'water.copper': 'suffer from the copper in the water',
  'water.nitrate': 'load the water more than it is changed',
  'gear.intake': 'would be drawn into an intake',
};
const passedText = (by: PassedBy): string =>
  PASSED[by] ??
  (by.startsWith('hardscape') ? 'find no hide' : by.startsWith('substrate') ? 'want another bed' : 'want something else that is not here');

export function wordCompanions({ looked, offers, sets, passed }: Companions, assessment: Assessment, units: UnitChoice): WordedCompanions {
  const { organisms } = assessment.world.catalogue;
  const named = ({ organismId, count }: { organismId: string; count: number }): NamedKind => {
    const organism = organisms.get(organismId);
    return { organismId, count, latin: organism?.latin ?? organismId, common: organism?.common[0] ?? '' };
  };
  const counts = new Map<string, number>();
  for (const { by, count } of passed) counts.set(passedText(by), (counts.get(passedText(by)) ?? 0) + count);
  return {
    looked,
    offers: offers.map(({ says, after, organismId, count, strata, roles, atHand, native, unknowns }) => ({
      ...named({ organismId, count }),
      strata,
      roles,
      atHand,
      native,
      unknowns,
      says: says.map((finding) => ({ severity: finding.severity, ...wordFinding(finding, after, units) })),
    })),
    sets: sets.map(({ members }) => members.map(named)),
    passed: [...counts].sort(([, a], [, b]) => b - a).map(([text, count]) => `${count} ${text}`),
  };
}

/** One kind that somebody asks for: what it would bring, and what would turn each of it. */
export interface WordedWhyNot extends NamedKind {
  brings: readonly (SaidOf & {
    /** What mends it without leaving the kind out. */
    turnedBy: readonly string[];
  })[];
}

/** Remedies that take animals out answer another question. */
const LEAVES_OUT: ReadonlySet<string> = new Set(['remove', 'swap']);
const MOST_TURNS = 3;

/** Null where the kind is not known. */
export function wordWhyNot(assessment: Assessment, organismId: string, units: UnitChoice): WordedWhyNot | null {
  const animal = assessment.world.catalogue.organisms.get(organismId);
  if (animal?.kind !== 'animal') return null;
  const { count, after, brings } = whyNot(assessment, animal satisfies Animal);
  return {
    organismId,
    count,
    latin: animal.latin,
    common: animal.common[0] ?? '',
    brings: [...brings]
      .sort((a, b) => severityRank(b.severity) - severityRank(a.severity))
      .map((finding) => ({
        severity: finding.severity,
        ...wordFinding(finding, after, units),
        turnedBy: [
          ...new Set(
            helpFor(after, finding)
              .remedies.filter(({ kind, opens }) => !LEAVES_OUT.has(kind) && opens.length === 0)
              .map((remedy) => wordRemedy(remedy, finding, after, units).action),
          ),
        ].slice(0, MOST_TURNS),
      })),
  };
}
