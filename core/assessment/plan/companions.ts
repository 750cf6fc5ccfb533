import { belonging, strangeness } from '../../biotope/fidelity';
import { severityRank, type Finding } from '../../calculation/finding';
import { rangeFor, type Animal, type Stratum } from '../../catalogue/organism';
import { kindsOnHand } from '../../catalogue/kinds-on-hand';
import { stockAtHand } from '../../design/at-hand';
import { nextOrder, type Design } from '../../design/design';
import { seasonFindings } from '../../equipment/findings';
import { rolesOf, type CompanionRole } from '../../stocking/roles';
import { footprintFinding, headsPerL } from '../../vessel/findings';
import { floorMm } from '../../vessel/shape';
import { parameterFinding } from '../../water/findings';
import type { Assessment } from '../assessment';
import { plannedNode } from '../derive';
import { SALT_FROM, WATER_PARAMETERS } from '../domains/shared';

/** Who is looked for; null for any. */
export interface CompanionWish {
  stratum: Stratum | null;
  role: CompanionRole | null;
  /** Only what is on the room's list. */
  atHand: boolean;
}

/** One kind that could live here. */
export interface Offer {
  organismId: string;
  /** As many as settle, or as are at hand where those are more. */
  count: number;
  strata: readonly Stratum[];
  roles: readonly CompanionRole[];
  atHand: number;
  /** Native to the place that the tank is to be like; null where there is none, or where it is not known. */
  native: boolean | null;
  /** What would be said then and is not now: nothing for those that simply fit. */
  says: readonly Finding[];
  /** The tank with it in: findings are worded by it. */
  after: Assessment;
  /** Facts of it that are not known. */
  unknowns: number;
}

/** Several that could live here together. */
export interface CompanySet {
  members: readonly { organismId: string; count: number }[];
}

/** Why kinds were passed over, the most frequent first. */
export type PassedBy = 'water' | 'warmth' | 'floor' | 'place' | Finding['code'];

export interface Companions {
  /** How many kinds were looked at. */
  looked: number;
  offers: readonly Offer[];
  sets: readonly CompanySet[];
  passed: readonly { by: PassedBy; count: number }[];
}

/** Id of the one that is tried, and the beginning of those of several. */
export const TRIED_ID = 'tried';
/** Offers that are put forward: more are not read. */
const MOST_OFFERS = 30;
/** Things that may be said of an offer: of more, another is the better choice. */
const MOST_SAID = 1;
/** Kinds of one set, and sets. */
const SET_OF = 3;
const MOST_SETS = 3;
/** Kinds that are tried for a set. */
const MOST_TRIED = 14;

/** Animals of a kind that are put in: a proper group, or what is at hand where that is more. */
const countOf = (animal: Animal, atHand: number): number => Math.max(animal.traits.groupMin.value ?? 1, Math.min(atHand, 30));

/** The design with more animals in it, none of them what the tank is for. */
function joined(design: Design, kinds: readonly { organismId: string; count: number }[]): Design {
  const order = nextOrder(design.stock);
  const added = kinds.map(({ organismId, count }, i) => [
    i === 0 ? TRIED_ID : `${TRIED_ID}-${i}`,
    { order: order + i, organismId, count, phase: 'keep' as const },
  ]);
  return { ...design, stock: { ...design.stock, ...(Object.fromEntries(added) as Design['stock']) } };
}

/** What is said of a tank after a change and was not said before, or less loudly: conflicts and things to watch, worst first. */
function brought(before: ReadonlyMap<string, Finding>, after: readonly Finding[]): Finding[] {
  return after.filter(({ key, severity, excess }) => {
    if (severity !== 'conflict' && severity !== 'watch') return false;
    const was = before.get(key);
    if (!was || severityRank(was.severity) < severityRank(severity)) return true;
    // what was there before is not theirs, unless they make it plainly worse
    return was.excess !== null && excess !== null && excess > was.excess * 1.25 + 0.05;
  });
}

const keyed = (findings: readonly Finding[]) => new Map(findings.map((finding) => [finding.key, finding]));

export const tried = (assessment: Assessment, kinds: readonly { organismId: string; count: number }[]): Assessment =>
  assessment.again({ ...assessment.world, design: joined(assessment.world.design, kinds) }, new Map(assessment.kept));

/** Why a kind is not even tried: its water, its warmth or its floor are another; null where it may be. */
function passedBy({ world: { design }, derived }: Assessment, animal: Animal): PassedBy | null {
  const range = (parameter: Parameters<typeof rangeFor>[2]) => rangeFor(animal, 'keep', parameter);
  const salty = (derived['planned.salinity'].value ?? 0) > SALT_FROM;
  const about = { kind: 'animal', phase: 'keep' } as const;
  for (const parameter of WATER_PARAMETERS) {
    // in salt water hardness and conductivity go by the salt
    if (salty && parameter !== 'salinity' && parameter !== 'ph') continue;
    const finding = parameterFinding(TRIED_ID, { ...about, parameter }, range(parameter), plannedNode(derived, parameter));
    if (finding?.severity === 'conflict') return 'water';
  }
  const warmth = seasonFindings(TRIED_ID, { ...about, parameter: 'temperatureC' }, range('temperatureC'), derived['heat.year']);
  if (warmth.some(({ severity }) => severity === 'conflict')) return 'warmth';
  if (!design.vessel || headsPerL(animal) !== null) return null;
  const bedTop = derived['substrate.bed'].value?.topMm.least ?? 0;
  const floor = footprintFinding(TRIED_ID, animal.traits.footprintMm, floorMm(design.vessel, bedTop), derived['vessel.gross-volume']);
  return floor.severity === 'conflict' ? 'floor' : null;
}

const HARDY = { hardy: 0.4, ordinary: 0.2, delicate: 0 } as const;

/** How willingly it is put forward: what is at hand, then what lives in such a place, what is known, what bears most. */
function worth({ atHand, native, says, unknowns }: Offer, animal: Animal): number {
  return (
    (atHand > 0 ? 4 : 0) +
    (native ? 2 : 0) -
    says.reduce((sum, { severity }) => sum + (severity === 'conflict' ? 12 : 6), 0) -
    0.05 * unknowns +
    HARDY[animal.traits.hardiness.value ?? 'delicate'] -
    (animal.barred ? 0.5 : 0)
  );
}

/**
 * Who else could live in a tank: every kind of the catalogue, and of the room's own, put in as it is usually kept and judged with all the rest.
 * Yields the share that has been looked at.
 *
 * @returns first what simply fits, then what has one thing to watch, then what has one thing in the way; sets of kinds that go together
 */
export function* companions(assessment: Assessment, wish: CompanionWish): Generator<number, Companions> {
  const { design, room, catalogue } = assessment.world;
  const here = new Set(Object.values(design.stock).map(({ organismId }) => organismId));
  const place = design.brief.biotopeId === null ? undefined : catalogue.biotopes.get(design.brief.biotopeId);
  const before = keyed(assessment.findings);
  const animals = [...catalogue.organisms.values()].filter(
    (entry): entry is Animal => entry.kind === 'animal' && !entry.retiredTo && !here.has(entry.id),
  );
  const onHand = kindsOnHand('animal', stockAtHand(room), animals);
  const passed = new Map<PassedBy, number>();
  const pass = (by: PassedBy) => void passed.set(by, (passed.get(by) ?? 0) + 1);
  const wanted = animals.filter((animal) => {
    const { strata } = animal.traits;
    return (
      (wish.stratum === null || strata.value?.includes(wish.stratum)) &&
      (wish.role === null || rolesOf(animal).includes(wish.role)) &&
      (!wish.atHand || onHand.has(animal.id)) &&
      // a bred line lives as its kind does
      (animal.strainOf === undefined || onHand.has(animal.id) || !catalogue.organisms.has(animal.strainOf))
    );
  });
  const found: { offer: Offer; animal: Animal }[] = [];
  for (const [i, animal] of wanted.entries()) {
    yield i / wanted.length;
    const belongs = place ? belonging(animal, place) : null;
    const foreign = place && design.brief.fidelity !== null && belongs !== null && strangeness(belongs, design.brief.fidelity) > 0;
    const why = foreign ? 'place' : passedBy(assessment, animal);
    if (why) {
      pass(why);
      continue;
    }
    const atHand = onHand.get(animal.id) ?? 0;
    const count = countOf(animal, atHand);
    const after = tried(assessment, [{ organismId: animal.id, count }]);
    const says = brought(before, after.findings);
    if (says.length > MOST_SAID) {
      pass(says[0]!.code);
      continue;
    }
    const unknowns = after.findings.filter(({ severity, key }) => severity === 'unknown' && !before.has(key)).length;
    const native = place && belongs !== null ? strangeness(belongs, 'loose') === 0 : null;
    found.push({
      animal,
      offer: {
        organismId: animal.id,
        count,
        strata: animal.traits.strata.value ?? [],
        roles: rolesOf(animal),
        atHand,
        native,
        says,
        after,
        unknowns,
      },
    });
  }
  found.sort((a, b) => worth(b.offer, b.animal) - worth(a.offer, a.animal) || a.animal.latin.localeCompare(b.animal.latin));
  return {
    looked: wanted.length,
    offers: found.slice(0, MOST_OFFERS).map(({ offer }) => offer),
    sets: yield* setsOf(assessment, before, found),
    passed: [...passed].map(([by, count]) => ({ by, count })).sort((a, b) => b.count - a.count),
  };
}

/** Sets of kinds that share no stratum as far as that goes, each judged as a whole. */
function* setsOf(
  assessment: Assessment,
  before: ReadonlyMap<string, Finding>,
  found: readonly { offer: Offer; animal: Animal }[],
): Generator<number, CompanySet[]> {
  const clean = found.filter(({ offer }) => offer.says.every(({ severity }) => severity === 'watch'));
  const sets: CompanySet[] = [];
  const begun = new Set<string>();
  const made = new Set<string>();
  for (const seed of clean) {
    if (sets.length >= MOST_SETS) break;
    // each set begins with another stratum or role, so that they differ
    const mark = `${seed.offer.strata.join()}:${seed.offer.roles[0] ?? ''}`;
    if (begun.has(mark)) continue;
    begun.add(mark);
    const chosen = [seed];
    let tries = 0;
    for (const next of clean) {
      if (chosen.length >= SET_OF || tries >= MOST_TRIED) break;
      if (chosen.some((one) => one === next || isAlike(one, next))) continue;
      tries++;
      yield 1;
      const kinds = [...chosen, next].map(({ offer }) => offer);
      // together they may say what they say one by one, and no more
      const may = new Set(kinds.flatMap(({ says }) => says.map(({ code }) => code)));
      if (brought(before, tried(assessment, kinds).findings).every(({ code, severity }) => severity === 'watch' && may.has(code)))
        chosen.push(next);
    }
    const all = chosen
      .map(({ offer }) => offer.organismId)
      .sort()
      .join();
    if (chosen.length < 2 || made.has(all)) continue;
    made.add(all);
    sets.push({ members: chosen.map(({ offer: { organismId, count } }) => ({ organismId, count })) });
  }
  return sets;
}

/** Two that do the same in the same place. */
function isAlike(a: { animal: Animal; offer: Offer }, b: { animal: Animal; offer: Offer }): boolean {
  return a.offer.strata.join() === b.offer.strata.join() && a.animal.group === b.animal.group;
}

/** What a kind would bring into the tank, in numbers that settle: nothing where it simply fits. The judgement that says so comes with it. */
export function whyNot(assessment: Assessment, animal: Animal): { count: number; after: Assessment; brings: readonly Finding[] } {
  const atHand = kindsOnHand('animal', stockAtHand(assessment.world.room), [animal]).get(animal.id) ?? 0;
  const count = countOf(animal, atHand);
  const after = tried(assessment, [{ organismId: animal.id, count }]);
  return { count, after, brings: brought(keyed(assessment.findings), after.findings) };
}
