import { BEGINNING, broodTimeline, nextBrood, type BroodStage } from '../../breeding/timeline';
import type { Animal, BreedingMode } from '../../catalogue/organism';
import type { Day } from '../../schedule/day';
import { broodKindOf } from '../plan/brood-days';

/** Ways to breed, by what the first day and the hatching are called of them. */
const BORNE: ReadonlySet<BreedingMode> = new Set<BreedingMode>(['bears young', 'pouch', 'mouthbrooder']);
const CARRIED: ReadonlySet<BreedingMode> = new Set<BreedingMode>([
  'carries eggs, young like adults',
  'carries eggs, larvae in fresh water',
  'larvae drift to sea',
]);
const LARVAE: ReadonlySet<BreedingMode> = new Set<BreedingMode>([
  'carries eggs, larvae in fresh water',
  'larvae drift to sea',
  'larvae on fish',
]);

export interface BroodLine {
  stage: BroodStage | 'next';
  name: string;
  from: Day;
  to: Day;
  /** What there is to do. */
  todo: string;
}

/** The days of a brood with what each asks of the keeper; null where nobody knows how the kind breeds. */
export function wordBroodDays(animal: Animal, laid: Day): BroodLine[] | null {
  const kind = broodKindOf(animal);
  if (!kind) return null;
  const next = nextBrood(kind, laid);
  return [
    ...broodTimeline(kind, laid)
      .filter(({ stage }) => stage !== 'swimming' || BEGINNING[kind.mode].swimDays[1] > 1)
      .map(({ stage, from, to }) => ({
        stage,
        name: stageName(stage, kind.mode),
        from,
        to,
        todo: todoOf(stage, animal, kind.mode),
      })),
    ...(next
      ? [
          {
            stage: 'next' as const,
            name: 'The next brood',
            from: next[0],
            to: next[1],
            todo: 'Of the same female. Has the first one a box, food and homes by then?',
          },
        ]
      : []),
  ].sort((a, b) => a.from.localeCompare(b.from));
}

function stageName(stage: BroodStage, mode: BreedingMode): string {
  switch (stage) {
    case 'laid':
      return mode === 'bears young'
        ? 'Mated'
        : mode === 'mouthbrooder'
          ? 'Taken up'
          : mode === 'pouch'
            ? 'In the pouch'
            : CARRIED.has(mode)
              ? 'Carrying'
              : 'Laid';
    case 'hatched':
      return mode === 'bears young' || mode === 'pouch'
        ? 'Born'
        : mode === 'mouthbrooder'
          ? 'Let out'
          : CARRIED.has(mode)
            ? 'Dropped'
            : 'Hatched';
    case 'swimming':
      return LARVAE.has(mode) ? 'Settled' : 'First food';
    case 'second-food':
      return 'Larger food';
    case 'saleable':
      return 'To be given on';
    case 'sexable':
      return 'Sexes to be told';
    case 'mature':
      return 'First young of their own';
  }
}

function todoOf(stage: BroodStage, { traits }: Animal, mode: BreedingMode): string {
  const { care, firstFood } = traits.breeding;
  const food = firstFood.value ?? 'food as small as they take';
  switch (stage) {
    case 'laid':
      return mode === 'bears young'
        ? 'One mating lasts for several broods: a female that has met a male is no virgin, whatever her next young look like.'
        : mode === 'mouthbrooder'
          ? 'Leave the mouth alone. Three ways: left in the group some young are lost, apart in a quiet box fewer; stripped late, the young need a tumbler and you the holder’s patience.'
          : mode === 'pouch' || CARRIED.has(mode)
            ? 'No change of tank now, and small water changes only: a fright or a moult costs the eggs.'
            : care.value === 'none'
              ? 'Take out the adults or the eggs the same day: nobody guards them, and most kinds eat them.'
              : care.value === null
                ? 'Whether they guard is not known of this kind: watch, with a box ready.'
                : `Leave them with ${GUARD[care.value]}; an egg that turns white is a job for the guard or a pipette.`;
    case 'hatched':
      return BORNE.has(mode) || CARRIED.has(mode)
        ? `Cover close at hand, and every intake behind a sponge. Food is wanted at once or nearly so: ${food}.`
        : 'They live on their yolk: no food yet, it only fouls the water. Every intake behind a sponge.';
    case 'swimming':
      return LARVAE.has(mode)
        ? `Until now they drift, and want ${food}. How long that lasts differs from brood to brood.`
        : `${food[0]!.toUpperCase()}${food.slice(1)}, little and often. The culture has to run before this day.`;
    case 'second-food':
      return 'Begin the larger food beside the small one, and drop the small one when all bellies are full of it.';
    case 'saleable':
      return 'A home for each before this day. The largest first: they hold the others back.';
    case 'sexable':
      return mode === 'bears young' ? 'Part the sexes before this day if you want virgins.' : 'Choose what stays; keep more than a pair.';
    case 'mature':
      return 'From here on they breed with whom they are kept: brothers and sisters too.';
  }
}

const GUARD = { male: 'the father', female: 'the mother', both: 'their parents', group: 'the group' } as const;
