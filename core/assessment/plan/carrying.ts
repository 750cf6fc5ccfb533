import { severityRank, type Finding } from '../../calculation/finding';
import type { Design } from '../../design/design';
import type { Animal } from '../../catalogue/organism';
import type { Assessment } from '../assessment';
import { animalOf } from '../derive';
import { hoursPerWeekOf } from './duties';

/** What more animals run out of, in the order in which it is told. */
export const LIMITS = ['nitrate', 'filter', 'oxygen', 'water', 'floor', 'hides', 'males', 'work'] as const;
export type Limit = (typeof LIMITS)[number];

/** Findings by which each is noticed. */
const OF_LIMIT: Readonly<Record<Limit, readonly Finding['code'][]>> = {
  nitrate: ['water.nitrate'],
  filter: ['gear.capacity'],
  oxygen: ['water.oxygen', 'gear.dawn'],
  water: ['vessel.volume'],
  floor: ['stocking.strata'],
  hides: ['hardscape.hides'],
  males: ['stocking.sex-ratio'],
  // told by the hours there are, not by a finding
  work: [],
};
const limitOf = (code: Finding['code']): Limit | null => LIMITS.find((limit) => OF_LIMIT[limit].includes(code)) ?? null;

/** As many of a kind as a limit lets live here. */
export interface Reach {
  limit: Limit;
  /** Most of them while nothing is said of it; 0 where it is said of one alone. */
  count: number;
  /** Most of them before what is said becomes a conflict; null where that is further than was looked. */
  conflictAbove: number | null;
}

export interface Carries {
  stockId: string;
  organismId: string;
  /** As many as there are. */
  count: number;
  /** The scarcest first; only what was met with. */
  reaches: readonly Reach[];
  /** It was looked up to so many; what is not named holds as far as that. */
  lookedTo: number;
  /** Grown fish by the old rule, centimetres to a litre of water; null for animals that nobody counts so, and where it is not known. */
  cmPerL: number | null;
  /** What cannot be told, as what it hangs on is not stated. */
  unknown: readonly Limit[];
  /** Hours a week that it takes as it is. */
  hoursPerWeek: number;
}

/** Looked up to so many times what is there, and no further than so many heads, or so many times what first is said something of. */
const FURTHEST = { times: 24, atLeast: 40, heads: 2000, beyondFirst: 5 };
const STEP = 1.35;

/**
 * The same tank with another count of one kind. What is fed goes with what they eat: a stated amount is for those that are there. Sexes are kept in
 * proportion.
 */
function withCount(design: Design, stockId: string, count: number, usualFeedG: number, eachFeedG: number): Design {
  const entry = design.stock[stockId]!;
  const { gPerDay } = design.care.feed;
  const more = eachFeedG * (count - entry.count);
  return {
    ...design,
    stock: {
      ...design.stock,
      [stockId]: {
        ...entry,
        count,
        ...(entry.female === undefined ? {} : { female: Math.min(count, Math.round((entry.female / entry.count) * count)) }),
      },
    },
    care:
      gPerDay === null || usualFeedG <= 0
        ? design.care
        : { ...design.care, feed: { ...design.care.feed, gPerDay: Math.max(0, gPerDay * (1 + more / usualFeedG)) } },
  };
}

/** How loudly each limit speaks: 0 nothing, 2 watch, 3 conflict. Of the kinds' own findings only those of this one count. */
function spoken(findings: readonly Finding[], stockId: string): Map<Limit, number> {
  const loud = new Map<Limit, number>();
  for (const finding of findings) {
    const limit = limitOf(finding.code);
    if (!limit || (finding.severity !== 'watch' && finding.severity !== 'conflict')) continue;
    // too few females are no want of room, and what a neighbour lacks is another question
    if (limit === 'males' && finding.kind !== 'rivals') continue;
    if ((limit === 'males' || limit === 'hides' || limit === 'water') && !finding.subjects.includes(stockId)) continue;
    loud.set(limit, Math.max(loud.get(limit) ?? 0, severityRank(finding.severity)));
  }
  return loud;
}

/**
 * How many of one kind the tank carries beside all the others, by each thing they could run out of: the counts from which the judgement itself
 * begins to speak. Nothing is reckoned here that the ledger would not say.
 *
 * @returns null for what is no animal of the tank, or nothing that the catalogue knows
 */
export function carrying(assessment: Assessment, stockId: string): Carries | null {
  const { design } = assessment.world;
  const member = (assessment.derived['stock.members'].value ?? []).find(({ id }) => id === stockId);
  const animal = member && animalOf(member);
  const entry = design.stock[stockId];
  if (!animal || !entry) return null;
  const load = assessment.derived['stock.load'].value;
  const usual = load?.usualFeedG ?? 0;
  const share = load && load.grams > 0 ? ((load.each[stockId]?.grams ?? 0) * entry.count) / load.grams : 0;
  const each = (usual * share) / entry.count;
  const known = new Map<number, Map<Limit, number>>();
  const at = (count: number): Map<Limit, number> => {
    let found = known.get(count);
    if (!found) {
      const recounted = withCount(design, stockId, count, usual, each);
      const again =
        count === entry.count ? assessment : assessment.again({ ...assessment.world, design: recounted }, new Map(assessment.kept));
      found = spoken(again.findings, stockId);
      if (design.care.hoursPerWeek !== null && hoursPerWeekOf(again) > design.care.hoursPerWeek) found.set('work', severityRank('watch'));
      known.set(count, found);
    }
    return found;
  };
  const most = Math.min(FURTHEST.heads, Math.max(FURTHEST.atLeast, FURTHEST.times * entry.count));
  const counts: number[] = [];
  let first: number | null = null;
  for (let count = 1; count <= most; count = Math.max(count + 1, Math.round(count * STEP))) {
    // far beyond what is borne the water is no water any more, and there is nothing left to ask
    if (first !== null && count > Math.max(FURTHEST.beyondFirst * first, 2 * entry.count)) break;
    counts.push(count);
    const loud = at(count);
    if (loud.size > 0) first ??= count;
    if (count > entry.count && [...loud.values()].some((rank) => rank >= severityRank('conflict'))) break;
  }
  /** Largest count at which a limit is quieter than `loud`; null where it never is as loud. */
  const lastBelow = (limit: Limit, loud: number): number | null => {
    const from = counts.findIndex((count) => (at(count).get(limit) ?? 0) >= loud);
    if (from < 0) return null;
    if (from === 0) return 0;
    let [low, high] = [counts[from - 1]!, counts[from]!];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if ((at(middle).get(limit) ?? 0) >= loud) high = middle;
      else low = middle;
    }
    return low;
  };
  const reaches = LIMITS.flatMap((limit): Reach[] => {
    const count = lastBelow(limit, severityRank('watch'));
    return count === null ? [] : [{ limit, count, conflictAbove: lastBelow(limit, severityRank('conflict')) }];
  });
  return {
    stockId,
    organismId: entry.organismId,
    count: entry.count,
    reaches: reaches.sort((a, b) => a.count - b.count),
    lookedTo: counts.at(-1) ?? 0,
    cmPerL: centimetresPerLitre(assessment),
    unknown: unknownOf(assessment, animal),
    hoursPerWeek: hoursPerWeekOf(assessment),
  };
}

function centimetresPerLitre({ derived }: Assessment): number | null {
  const litres = derived['vessel.water-volume'].value;
  const fish = (derived['stock.members'].value ?? []).flatMap((member) => {
    const animal = animalOf(member);
    return animal?.group === 'fish' ? [{ animal, count: member.count }] : [];
  });
  if (!litres || fish.length === 0) return null;
  const lengths = fish.map(({ animal, count }) => (animal.sizeMm.length.value === null ? NaN : (animal.sizeMm.length.value / 10) * count));
  const sum = lengths.reduce((total, cm) => total + cm, 0);
  return Number.isFinite(sum) ? sum / litres : null;
}

function unknownOf({ world: { design }, derived }: Assessment, animal: Animal): Limit[] {
  const media = Object.values(design.equipment).some((device) => device.kind === 'filter' && device.media.length > 0);
  const settled = derived['tank.settled'].value !== null;
  const unknown: Record<Limit, boolean> = {
    nitrate: !settled || design.care.change === null,
    filter: !media,
    oxygen: !settled,
    water: animal.traits.volumeL.value === null || !design.vessel,
    floor: animal.traits.footprintMm.value === null || !design.vessel,
    hides: animal.traits.shelter.value === null,
    males: animal.traits.sexes.value === null,
    work: design.care.hoursPerWeek === null,
  };
  return LIMITS.filter((limit) => unknown[limit]);
}
