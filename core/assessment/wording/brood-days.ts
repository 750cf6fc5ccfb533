import { handlingsOf, isAnnual, meshFor, type HandledKind, type Handling } from '../../breeding/handling';
import { BEGINNING, broodTimeline, nextBrood, type BroodStage } from '../../breeding/timeline';
import type { Animal, BreedingMode } from '../../catalogue/organism';
import type { Day } from '../../schedule/day';
import { broodKindOf } from '../plan/brood-days';
import { METRIC, rounded, type UnitChoice } from '../../quantity/format';

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
  key: BroodStage | Handling | 'next';
  /** A stage that can be seen; null for what the hand does between. */
  stage: BroodStage | null;
  name: string;
  from: Day;
  to: Day;
  /** It happened, and on this day. */
  seen: boolean;
  /** What there is to do. */
  todo: string;
}

/** What is known of one brood. */
export interface BroodSeen {
  seen: Readonly<Partial<Record<BroodStage, Day>>>;
  eggsAtC: number | null;
}

/** The days of a brood with what each asks of the keeper; null where nobody knows how the kind breeds. */
export function wordBroodDays(
  animal: Animal,
  laid: Day,
  { seen, eggsAtC }: BroodSeen = { seen: {}, eggsAtC: null },
  units = METRIC,
): BroodLine[] | null {
  const kind = broodKindOf(animal, eggsAtC);
  if (!kind) return null;
  const next = nextBrood(kind, laid);
  const stages = broodTimeline(kind, laid, seen);
  return [
    ...stages
      .filter(({ stage, seen: told }) => told || stage !== 'swimming' || BEGINNING[kind.mode].swimDays[1] > 1)
      .map(({ stage, from, to, seen: told }) => ({
        key: stage,
        stage,
        name: stageName(stage, kind),
        from,
        to,
        seen: told,
        todo: todoOf(stage, animal, kind),
      })),
    ...handlingsOf(kind, stages).map(({ handling, from, to }) => ({
      key: handling,
      stage: null,
      name: HANDLING_NAME[handling],
      from,
      to,
      seen: false,
      todo: handlingTodo(handling, animal, units),
    })),
    ...(next
      ? [
          {
            key: 'next' as const,
            stage: null,
            name: 'The next brood',
            from: next[0],
            to: next[1],
            seen: false,
            todo: 'Of the same female. Has the first one a box, food and homes by then?',
          },
        ]
      : []),
  ].sort((a, b) => a.from.localeCompare(b.from));
}

const HANDLING_NAME: Readonly<Record<Handling, string>> = {
  moult: 'Moult and mating',
  'adults-out': 'Adults and eggs apart',
  'female-out': 'Female out',
  'male-out': 'Male out',
  strip: 'Leave, part or strip',
  'peat-away': 'Peat put away',
  'eggs-looked-at': 'Look at the eggs',
  'second-wetting': 'Wet it again',
  'to-salt': 'Larvae into salt',
  'from-salt': 'Out of salt',
  'how-many': 'Decide how many',
  sort: 'Sort by size',
  land: 'Land ready',
  rest: 'Rest of the female',
};

function handlingTodo(handling: Handling, { sizeMm, traits }: Animal, units: UnitChoice): string {
  switch (handling) {
    case 'moult':
      return 'A saddle in her back, a moult, and the males race: within a day the eggs are under her tail.';
    case 'adults-out': {
      const mesh = sizeMm.depth.value === null ? null : meshFor(Math.min(sizeMm.depth.value, sizeMm.width.value ?? Infinity));
      const net = mesh
        ? ` Left together, a mesh of ${rounded(mesh[0], 1, units)} to ${rounded(mesh[1], 1, units)} mm lets eggs fall and keeps the adults above.`
        : '';
      return `Take out the adults, or the eggs with what they stick to.${traits.breeding.mode.value === 'eggs on plants' ? '' : net}`;
    }
    case 'female-out':
      return 'When she is spent he drives her: she goes, or wants dense cover at the other end.';
    case 'male-out':
      return 'His work ends when the young swim freely: before he takes them for food. In groups under cover many leave him.';
    case 'strip':
      return 'Three schools. Left in the group: some young are lost, her health is spared. Parted to a quiet tank: fewer lost. Stripped in these days: most are saved, but she is handled, and lines that never hold forget how. A first brood is often swallowed: let her learn.';
    case 'peat-away':
      return 'Press it out until it crumbles like tobacco, bag it with kind, place and date, and keep it dark at the warmth of the room.';
    case 'eggs-looked-at':
      return 'Clear eyes with a gold rim in most eggs: it is time. None yet: close the bag, look again in two weeks.';
    case 'second-wetting':
      return 'Dry the same peat again for these weeks: some eggs sleep through the first rain.';
    case 'to-salt':
      return 'Light at one end at night, and a pipette: within two days, or they starve. Most want 30 to 35 g/kg, warm, gently stirred, light day and night, and water tea-green with marine algae (about 100 000 cells in a mL), never clear.';
    case 'from-salt':
      return 'Those that have settled and look like their parents: down to the water of the adults in steps over some days. Larvae that still drift stay.';
    case 'how-many':
      return `While an egg is still a ball: keep as many as you can feed and home, and freeze the rest now.${traits.breeding.brood.value ? ` A brood is ${traits.breeding.brood.value.map((one) => one.toLocaleString('en')).join(' to ')}.` : ''}`;
    case 'sort':
      return 'Every week by size, until the front legs are there: the large bite the small. Daily live food, and water changed as often.';
    case 'land':
      return 'Gills shrink: a raft and a low level, then land. Those that cannot climb out drown.';
    case 'rest':
      return 'Apart from males for months: she spends herself.';
  }
}

function stageName(stage: BroodStage, kind: HandledKind): string {
  const { mode } = kind;
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
            : isAnnual(kind)
              ? 'Wetted'
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

function todoOf(stage: BroodStage, { traits }: Animal, kind: HandledKind): string {
  const { mode } = kind;
  const { care, firstFood } = traits.breeding;
  const food = firstFood.value ?? 'food as small as they take';
  switch (stage) {
    case 'laid':
      return mode === 'bears young'
        ? 'One mating lasts for several broods: a female that has met a male is no virgin, whatever her next young look like.'
        : mode === 'mouthbrooder'
          ? 'Leave the mouth alone: no chase, no change of tank now.'
          : mode === 'pouch' || CARRIED.has(mode)
            ? 'No change of tank now, and small water changes only: a fright or a moult costs the eggs.'
            : isAnnual(kind)
              ? 'A tub of boiled peat or fine sand, fished out and exchanged every week or two while they go on laying.'
              : care.value === 'none'
                ? 'Nobody guards them, and most kinds eat them.'
                : care.value === null
                  ? 'Whether they guard is not known of this kind: watch, with a box ready.'
                  : `Leave them with ${GUARD[care.value]}; an egg that turns white is a job for the guard or a pipette.`;
    case 'hatched':
      if (isAnnual(kind))
        return 'Cool soft water, a hand’s breadth deep, over the peat: the young swim within hours, and want food the same day. Belly sliders come of haste.';
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
