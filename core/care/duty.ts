import type { Day } from '../schedule/day';

export const DUTY_CODES = [
  'look',
  'heat-watch',
  'feed',
  'change',
  'top-up',
  'reservoir',
  'dose',
  'fertilise',
  'trim',
  'panes',
  'service',
  'leaves',
  'carbon',
  'binder',
  'culture',
  'test',
  'count',
  'calibrate',
  'apart-over',
  'own',
] as const;
export type DutyCode = (typeof DUTY_CODES)[number];

/** Something that is done to a tank again and again, or once on its day. Amounts are canonical; the wording is put on it in one place. */
export interface Duty {
  /** The same from day to day: what is written down of it is found by it. */
  id: string;
  code: DutyCode;
  everyDays: number;
  /** Once, on this day; null for again and again. */
  on: Day | null;
  /** Weekdays on which it falls, Monday 0; null for all. */
  weekdays: readonly number[] | null;
  /** Months in which it falls, January 0; null for all. */
  months: readonly number[] | null;
  minutes: number;
  values: Readonly<Record<string, number>>;
  /** Litres by month, where the season matters; null else. */
  litresByMonth: readonly number[] | null;
  /** Litres by source of the room, grams by salt. */
  pourL: Readonly<Record<string, number>>;
  saltsG: Readonly<Record<string, number>>;
  /** Animals, plants, devices, foods, parameters. */
  subjects: readonly string[];
  /** How often it is usually done; null for what only its keeper asks for. */
  usualDays: number | null;
}

/** What was written down of a duty. */
export interface Mark {
  day: Day;
  how: 'done' | 'otherwise' | 'skipped' | 'later';
  /** Of one that is put off: by so many days. */
  days: number | null;
}
