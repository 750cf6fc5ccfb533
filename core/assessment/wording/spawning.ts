import type { Animal } from '../../catalogue/organism';
import { plural } from '../../quantity/plural';
import { formatSpan, rounded, type UnitChoice } from '../../quantity/format';
import type { Assessment } from '../assessment';
import { spawning, type Need, type NeedState, type NeedTold, type Spawning } from '../plan/spawning';
import { wordFinding } from '../wording';

export const NEED_WORD: Readonly<Record<Need, string>> = {
  sexes: 'A pair',
  age: 'Grown',
  room: 'Room',
  site: 'A place to spawn',
  water: 'Water',
  warmth: 'Warmth',
  light: 'Light',
  food: 'Food',
  company: 'Nobody in the way',
  homes: 'Homes for the young',
};
export const NEED_STATE_WORD: Readonly<Record<NeedState, string>> = {
  met: 'is met',
  watch: 'not quite',
  missing: 'is not met',
  unknown: 'not known',
};

export interface WordedNeed {
  need: Need;
  name: string;
  state: NeedState;
  /** What it is that is wanted, as the kind has it; null where a name says enough. */
  wants: string | null;
  /** What the tank says of it. */
  lines: readonly string[];
}

export interface WordedSpawning {
  stockId: string;
  lead: string;
  trigger: string | null;
  needs: readonly WordedNeed[];
}

/** What lacks for spawning, in words. */
export function wordSpawning(assessment: Assessment, stockId: string, units: UnitChoice): WordedSpawning | null {
  const found = spawning(assessment, stockId);
  const animal = found && assessment.world.catalogue.organisms.get(found.organismId);
  if (!found || animal?.kind !== 'animal') return null;
  const { trigger } = animal.traits.breeding;
  return {
    stockId,
    lead: leadOf(found),
    trigger: trigger.value,
    needs: found.needs.map((told) => ({
      need: told.need,
      name: NEED_WORD[told.need],
      state: told.state,
      wants: wantsOf(told, animal, units),
      lines: [
        ...ownLines(told, assessment.world.design.stock[stockId]?.count ?? 0, units),
        ...told.findings
          .filter(({ severity }) => severity !== 'fits')
          .map((finding) => wordFinding(finding, found.asSpawning, units).title),
      ],
    })),
  };
}

function leadOf({ needs, missing, unknown }: Spawning): string {
  const watch = needs.filter(({ state }) => state === 'watch').length;
  if (missing === 0 && watch === 0 && unknown === 0)
    return 'All that this tank can give is there. What sets it off is still for you to do.';
  const parts = [
    missing > 0 ? `${missing} not met` : '',
    watch > 0 ? `${watch} not quite as it should be` : '',
    unknown > 0 ? `${unknown} not known` : '',
  ].filter(Boolean);
  return `Of ${needs.length} things it wants: ${parts.join(', ')}.`;
}

function wantsOf({ need }: NeedTold, { traits }: Animal, units: UnitChoice): string | null {
  switch (need) {
    case 'site':
      return [traits.breeding.mode.value, traits.breeding.site.value].filter(Boolean).join(': ') || null;
    case 'sexes':
      return traits.sexes.value?.system === 'hermaphrodite' ? 'each is both; two are enough' : null;
    case 'food':
      return traits.breeding.firstFood.value === null ? null : `for the young: ${traits.breeding.firstFood.value}`;
    case 'homes': {
      const brood = traits.breeding.brood.value;
      return brood ? `${formatSpan('count', brood, units)} of a brood` : null;
    }
    default:
      return null;
  }
}

function ownLines({ need, chance, monthsToGrown, brood, state }: NeedTold, count: number, units: UnitChoice): string[] {
  if (need === 'sexes' && chance !== null) {
    if (chance === 0) return ['One alone does not breed.'];
    const more = chance < 0.95 ? ' Six make it 96.9 %.' : '';
    if (chance > 0.999) return [`${count} that nobody has sexed hold both, as good as surely.`];
    return [`${count} that nobody has sexed hold both with a chance of ${rounded(100 * chance, 1, units)} %.${more}`];
  }
  if (need === 'age' && monthsToGrown !== null)
    return [`Grown in about ${plural(Math.max(1, Math.round(monthsToGrown)), 'month')} at the usual warmth of the kind.`];
  if (need === 'light' && state === 'unknown') return ['No lamp is stated (Equipment).'];
  if (need === 'food' && state === 'unknown') return ['What they are fed is not named (Stocking, Food).'];
  if (need === 'site' && state === 'unknown') return ['Nothing in this tank is known to serve or to fail it: look for yourself.'];
  if (need === 'homes' && state !== 'met')
    return brood === null
      ? ['How many come of a brood is not known, and no lot of this room says where young could go.']
      : ['No lot of this room says where its young could go. Find homes before you set it off: none is ever let go outdoors.'];
  return [];
}
