import type { Finding, FindingCode } from '../../calculation/finding';
import { severityRank } from '../../calculation/finding';
import type { Animal, BreedingMode } from '../../catalogue/organism';
import { chanceOfBothSexes } from '../../breeding/chances';
import { monthsToGrown } from '../../stocking/growth';
import type { Assessment } from '../assessment';

/** What a pair wants before it spawns, in the order in which a breeder looks. */
export const NEEDS = ['sexes', 'age', 'room', 'site', 'water', 'warmth', 'light', 'food', 'company', 'homes'] as const;
export type Need = (typeof NEEDS)[number];
/** Met; not as it should be; in the way of spawning; or not known. */
export type NeedState = 'met' | 'watch' | 'missing' | 'unknown';

/** By which findings of the tank each is told. */
const TOLD_BY: Readonly<Partial<Record<FindingCode, Need>>> = {
  'stocking.sex-ratio': 'sexes',
  'stocking.group-size': 'sexes',
  'vessel.not-stated': 'room',
  'vessel.footprint': 'room',
  'vessel.volume': 'room',
  'vessel.depth': 'room',
  'hardscape.hides': 'site',
  'hardscape.facing': 'site',
  'substrate.grain': 'site',
  'substrate.depth': 'site',
  'substrate.not-stated': 'site',
  'water.parameter': 'water',
  'water.not-stated': 'water',
  'water.copper': 'water',
  'water.oxygen': 'water',
  'water.nitrate': 'water',
  'water.swing': 'water',
  'heat.too-cold': 'warmth',
  'heat.too-warm': 'warmth',
  'heat.not-stated': 'warmth',
  'stocking.light': 'light',
  'stocking.diet': 'food',
  'stocking.feeding': 'food',
  'stocking.hungry': 'food',
  'stocking.not-known': 'company',
  'stocking.unidentified': 'company',
  'stocking.predation': 'company',
  'stocking.predation-young': 'company',
  'stocking.fin-nipping': 'company',
  'stocking.temperament': 'company',
  'stocking.crossing': 'company',
  'stocking.current': 'room',
};

/** Kinds that one animal of them is enough for, or whose sexes nobody looks for. */
const NO_PAIR: ReadonlySet<BreedingMode> = new Set<BreedingMode>(['buds or is cut']);

export interface NeedTold {
  need: Need;
  state: NeedState;
  /** What the tank says of it, the gravest first. */
  findings: readonly Finding[];
  /** Chance that an unsexed group holds both; null where the sexes are stated or do not matter. */
  chance: number | null;
  /** Months until those that live here are grown; null where they are, or it is not known. */
  monthsToGrown: number | null;
  /** Young that a brood brings, of which no lot of the room has a place to go; null where it is not known. */
  brood: readonly [number, number] | null;
}

export interface Spawning {
  stockId: string;
  organismId: string;
  /** The tank as it is judged when they spawn. */
  asSpawning: Assessment;
  needs: readonly NeedTold[];
  /** Met are so many of those that are known. */
  missing: number;
  unknown: number;
}

const STATE: Readonly<Record<Finding['severity'], NeedState>> = { conflict: 'missing', watch: 'watch', unknown: 'unknown', fits: 'met' };
const WORST: readonly NeedState[] = ['missing', 'watch', 'unknown', 'met'];
const worse = (a: NeedState, b: NeedState): NeedState => (WORST.indexOf(a) < WORST.indexOf(b) ? a : b);

/**
 * What a kind of the tank still lacks for spawning: the tank is judged with this kind in spawning condition, whatever it is planned for.
 *
 * @returns null when it lives here no more, or is no animal of the catalogue
 */
export function spawning(assessment: Assessment, stockId: string): Spawning | null {
  const { design, room, catalogue } = assessment.world;
  const entry = design.stock[stockId];
  const organism = entry && catalogue.organisms.get(entry.organismId);
  const animal = organism?.kind === 'animal' ? organism : null;
  if (!entry || !animal) return null;
  const asSpawning =
    entry.phase === 'spawn'
      ? assessment
      : assessment.again(
          { ...assessment.world, design: { ...design, stock: { ...design.stock, [stockId]: { ...entry, phase: 'spawn' } } } },
          new Map(assessment.kept),
        );
  const of = (finding: Finding): boolean =>
    finding.subjects.includes(stockId) || finding.subjects.includes(entry.organismId) || finding.subjects.length === 0;
  const byNeed = new Map<Need, Finding[]>();
  for (const finding of asSpawning.findings) {
    const need = needOf(finding);
    if (!need || !of(finding)) continue;
    byNeed.set(need, [...(byNeed.get(need) ?? []), finding]);
  }
  const needs = NEEDS.map((need): NeedTold => {
    const findings = [...(byNeed.get(need) ?? [])].sort((a, b) => severityRank(b.severity) - severityRank(a.severity));
    const told = { need, findings, chance: null, monthsToGrown: null, brood: null };
    const said = findings.reduce<NeedState>((state, { severity }) => worse(state, STATE[severity]), 'met');
    if (need === 'sexes') return { ...told, ...sexesOf(animal, entry.count, entry.female, said) };
    if (need === 'age') {
      const months = entry.todayMm === undefined ? null : monthsToGrown(animal, entry.todayMm);
      return months !== null && months > 0 ? { ...told, state: 'missing', monthsToGrown: months } : { ...told, state: 'met' };
    }
    if (need === 'homes') return { ...told, ...homesOf(animal, room) };
    return { ...told, state: findings.length === 0 ? quiet(need, assessment.world) : said };
  });
  const count = (state: NeedState): number => needs.filter((one) => one.state === state).length;
  return { stockId, organismId: entry.organismId, asSpawning, needs, missing: count('missing'), unknown: count('unknown') };
}

function needOf(finding: Finding): Need | null {
  const need = TOLD_BY[finding.code] ?? null;
  // warmth is a parameter of the water too, and a thing of its own to a breeder
  return need === 'water' && finding.key.includes('temperature') ? 'warmth' : need;
}

/** Needs that a tank speaks of when something is against them, and only then. */
const SPOKEN_OF: ReadonlySet<Need> = new Set(['company', 'room']);
/** What a need is while nothing is said of it: that nothing was stated is no sign that all is well. */
function quiet(need: Need, { design }: Assessment['world']): NeedState {
  const stated =
    SPOKEN_OF.has(need) ||
    (need === 'food' && Object.keys(design.care.menu).length > 0) ||
    (need === 'light' && Object.values(design.equipment).some((device) => device.kind === 'lamp' && device.light !== null));
  return stated ? 'met' : 'unknown';
}

function sexesOf(animal: Animal, count: number, female: number | undefined, said: NeedState): Pick<NeedTold, 'state' | 'chance'> {
  const { sexes, breeding } = animal.traits;
  if (sexes.value?.system === 'hermaphrodite' || (breeding.mode.value !== null && NO_PAIR.has(breeding.mode.value)))
    return { state: count > 1 || (breeding.mode.value !== null && NO_PAIR.has(breeding.mode.value)) ? 'met' : 'watch', chance: null };
  if (female !== undefined) return { state: female === 0 || female === count ? 'missing' : said, chance: null };
  const chance = chanceOfBothSexes(count);
  return { state: chance === 0 ? 'missing' : chance >= 0.95 ? worse('met', said === 'unknown' ? 'met' : said) : 'unknown', chance };
}

/** No home, no spawn: some lot of the kind has a place that its young could go to, or the brood is small enough to stay. */
function homesOf(animal: Animal, room: Assessment['world']['room']): Pick<NeedTold, 'state' | 'brood'> {
  const brood = animal.traits.breeding.brood.value;
  const homes = Object.values(room.lots).some(({ organismId, home }) => organismId === animal.id && home.trim() !== '');
  if (homes) return { state: 'met', brood };
  return { state: brood === null ? 'unknown' : 'watch', brood };
}
