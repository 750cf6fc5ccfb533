import { dayAfter, daysFrom, type Day } from '../schedule/day';
import type { BroodKind, StageDays } from './timeline';

/** What the hand does to a brood between its stages, or must not miss. */
export const HANDLINGS = [
  'moult',
  'adults-out',
  'female-out',
  'male-out',
  'strip',
  'peat-away',
  'eggs-looked-at',
  'second-wetting',
  'to-salt',
  'from-salt',
  'how-many',
  'sort',
  'land',
  'rest',
] as const;
export type Handling = (typeof HANDLINGS)[number];

export interface HandlingDays {
  handling: Handling;
  from: Day;
  to: Day;
}

/** What of a kind decides how its broods are handled. */
export interface HandledKind extends BroodKind {
  care: 'none' | 'male' | 'female' | 'both' | 'group' | null;
  amphibian: boolean;
  /** Keeps its gills and stays in water. */
  neverLands: boolean;
}

/** Eggs that rest so long lie through a dry season, days. */
const DRY_SEASON_DAYS = 60;
export const isAnnual = ({ mode, incubationDays }: BroodKind): boolean =>
  mode === 'buries eggs' && incubationDays !== null && incubationDays[1] > DRY_SEASON_DAYS;

/** Days of each by common practice, from memory: counted from a stage, or a share of the incubation. */
type When =
  { stage: 'laid' | 'hatched' | 'swimming' | 'second-food'; days: readonly [number, number] } | { share: readonly [number, number] };

/** What each way to breed asks between its stages. */
function asked(kind: HandledKind): [Handling, When][] {
  const { mode, care } = kind;
  const at = (stage: 'laid' | 'hatched' | 'swimming' | 'second-food', low: number, high: number): When => ({ stage, days: [low, high] });
  if (kind.amphibian && mode !== 'bears young')
    return [
      ['adults-out', at('laid', 0, 3)],
      ['how-many', at('laid', 0, 5)],
      ['sort', at('swimming', 14, 60)],
      ...(kind.neverLands ? [] : [['land', at('hatched', 60, 120)] as [Handling, When]]),
      ['rest', at('laid', 0, 120)],
    ];
  if (isAnnual(kind))
    return [
      ['peat-away', at('laid', 7, 14)],
      ['eggs-looked-at', { share: [0.8, 1] }],
      ['second-wetting', at('hatched', 21, 42)],
    ];
  switch (mode) {
    case 'scatters eggs':
    case 'pelagic eggs':
    case 'eggs on plants':
    case 'buries eggs':
      return care === 'none' || care === null ? [['adults-out', at('laid', 0, 1)]] : [];
    case 'bubble nest':
      return [
        ['female-out', at('laid', 0, 1)],
        ['male-out', at('swimming', 0, 2)],
      ];
    case 'mouthbrooder':
      return care === 'female' ? [['strip', { share: [0.65, 0.85] }]] : [];
    case 'carries eggs, young like adults':
      return [['moult', at('laid', -1, 0)]];
    case 'carries eggs, larvae in fresh water':
    case 'larvae drift to sea':
      return [
        ['moult', at('laid', -1, 0)],
        ...(mode === 'larvae drift to sea'
          ? ([
              ['to-salt', at('hatched', 0, 2)],
              ['from-salt', at('swimming', 1, 7)],
            ] as [Handling, When][])
          : []),
      ];
    default:
      return [];
  }
}

/** The days of what the hand does, from the days of the brood; what hangs on a stage that is not known is left out. */
export function handlingsOf(kind: HandledKind, stages: readonly StageDays[]): HandlingDays[] {
  const by = new Map(stages.map((one) => [one.stage, one]));
  return asked(kind).flatMap(([handling, when]): HandlingDays[] => {
    if ('stage' in when) {
      const stage = by.get(when.stage);
      return stage ? [{ handling, from: dayAfter(stage.from, when.days[0]), to: dayAfter(stage.to, when.days[1]) }] : [];
    }
    const [laid, hatched] = [by.get('laid'), by.get('hatched')];
    if (!laid || !hatched) return [];
    const day = (end: StageDays, which: 'from' | 'to', share: number): Day =>
      dayAfter(laid.from, Math.round(daysFrom(laid.from, end[which]) * share));
    return [{ handling, from: day(hatched, 'from', when.share[0]), to: day(hatched, 'to', when.share[1]) }];
  });
}

/** Eggs of those that scatter or bury them, mm across (common practice; small tetras 0.8, large barbs 1.5). */
const EGG_MM: readonly [number, number] = [0.7, 1.5];

/**
 * Clear width of a mesh that lets eggs fall and keeps the adults above, mm; null where none does both.
 *
 * @param adultMm narrowest breadth of an adult that could slip through
 */
export function meshFor(adultMm: number): readonly [number, number] | null {
  const [low, high] = [EGG_MM[1] * 1.3, adultMm * 0.6];
  return low < high ? [low, Math.min(high, 6)] : null;
}

/** Months that a female keeps what one mating gave her: common practice, by what bears young and by newts. */
export const SPERM_MONTHS = 8;
const DAYS_OF_A_MONTH = 30.4;

/**
 * Whether a female may carry young of a male she met. She is a virgin only where she was parted before the sexes could breed; after any
 * meeting every brood may be of it until what she stored is spent.
 *
 * @param sexableDays days from birth at which the first males could breed; null where not known
 */
export function matedState(
  { bornOn, apartSince }: { bornOn: Day | null; apartSince: Day | null },
  sexableDays: readonly [number, number] | null,
  today: Day,
): 'virgin' | 'may be mated' | 'spent' | 'not known' {
  if (apartSince === null) return 'not known';
  if (bornOn !== null && sexableDays !== null && daysFrom(bornOn, apartSince) < sexableDays[0]) return 'virgin';
  return daysFrom(apartSince, today) > SPERM_MONTHS * DAYS_OF_A_MONTH ? 'spent' : 'may be mated';
}
