import * as z from 'zod';
import { Kit } from '../reading/doubt';
import { LoggedParameter, valueFault } from '../reading/parameter';
import type { Day } from '../schedule/day';

export const LOG_SCHEMA = 1;

const Key = z.string().min(1).max(80);
const Words = z.string().trim().min(1).max(80);
const Amount = z.number().min(0, 'less than nothing').max(1e6);
const Score = z.number().int().min(0).max(4);

/** An instant as the clock on the wall showed it, with how far that clock is from UTC: `2026-03-29T08:15:00+02:00`. */
export const Instant = z.iso.datetime({ offset: true, error: 'a time is written 2026-03-29T08:15:00+02:00' });
export type Instant = z.infer<typeof Instant>;

const common = {
  id: Key,
  /** When it happened. */
  at: Instant,
  /** When it was written down. */
  written: Instant,
  note: z.string().max(1000),
  /** The entry that this one stands in place of; null for one of its own. */
  corrects: Key.nullable(),
};

/** Where a reading came from. */
export const ReadingFrom = z.enum(['hand', 'file', 'probe']);
export type ReadingFrom = z.infer<typeof ReadingFrom>;

/** Of what they died, as far as it was seen. */
export const DEATH_CAUSES = [
  'unknown',
  'age',
  'disease',
  'fight',
  'jumped',
  'eaten',
  'moult',
  'spawning',
  'water',
  'heat',
  'cold',
  'journey',
  'accident',
] as const;

export const SCORED = ['bold', 'hiding', 'gasping', 'colour'] as const;

const readingFields = {
  ...common,
  kind: z.literal('reading'),
  /** Mark of the water as it was planned that day; empty where that is not known. */
  of: z.string().max(40),
  from: ReadingFrom,
  /** Made up by a stand-in, not measured. */
  simulated: z.boolean(),
  kit: Kit,
  /** The very kit of the room; null for one that is not named. */
  kitId: Key.nullable(),
  values: z.partialRecord(LoggedParameter, z.number().finite()),
};

const AnyEntry = z.discriminatedUnion('kind', [
  z.strictObject(readingFields),
  z.strictObject({ ...common, kind: z.literal('change'), litres: Amount.nullable(), fraction: z.number().gt(0).max(1).nullable() }),
  z.strictObject({ ...common, kind: z.literal('top-up'), litres: Amount.nullable() }),
  z.strictObject({ ...common, kind: z.literal('dose'), what: Words, amount: Amount.nullable(), unit: z.enum(['g', 'mL', 'pieces']) }),
  z.strictObject({
    ...common,
    kind: z.literal('feeding'),
    what: Words,
    grams: Amount.nullable(),
    left: z.enum(['nothing', 'some', 'most']).nullable(),
  }),
  z.strictObject({ ...common, kind: z.literal('trim'), what: Words }),
  z.strictObject({ ...common, kind: z.literal('cleaning'), what: z.enum(['filter', 'panes', 'bed', 'intake', 'leaves', 'gear']) }),
  /** Animals by what became of them. Counts of the room's lots are the room's; here it stands when and why. */
  z.strictObject({
    ...common,
    kind: z.literal('animals'),
    became: z.enum(['came', 'left', 'born', 'died', 'lost']),
    organismId: Key,
    count: z.number().int().min(1).max(100_000).nullable(),
    cause: z.enum(DEATH_CAUSES).nullable(),
  }),
  z.strictObject({ ...common, kind: z.literal('treatment'), what: Words, phase: z.enum(['begun', 'again', 'ended']) }),
  /** Nothing to plenty; what was not looked at is left out. */
  z.strictObject({
    ...common,
    kind: z.literal('behaviour'),
    organismId: Key.nullable(),
    scores: z.partialRecord(z.enum(SCORED), Score),
  }),
  z.strictObject({ ...common, kind: z.literal('eating'), organismId: Key, ate: z.boolean() }),
  z.strictObject({ ...common, kind: z.literal('photo'), photoId: Key }),
  /** Something of the plan of care: done as planned, done otherwise, left out, or put off by so many days. */
  z.strictObject({
    ...common,
    kind: z.literal('task'),
    taskId: Key,
    title: Words,
    how: z.enum(['done', 'otherwise', 'skipped', 'later']),
    days: z.number().int().min(1).max(90).nullable(),
  }),
  z.strictObject({ ...common, kind: z.literal('note') }),
  /** It did not happen: what it corrects is struck out. */
  z.strictObject({ ...common, kind: z.literal('struck') }),
]);

/** One thing that happened in a tank. Written once, never changed: a correction is an entry of its own that names the one it corrects. */
export const Entry = AnyEntry.superRefine((entry, context) => {
  const wrong = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message });
  if (entry.kind === 'reading') {
    if (Object.keys(entry.values).length === 0) wrong(['values'], 'nothing was read');
    for (const [parameter, value] of Object.entries(entry.values)) {
      const fault = valueFault(parameter as LoggedParameter, value);
      if (fault) wrong(['values', parameter], fault);
    }
  }
  if (entry.kind === 'behaviour' && Object.keys(entry.scores).length === 0 && entry.note === '') wrong(['scores'], 'nothing was looked at');
  if (entry.kind === 'note' && entry.note.trim() === '') wrong(['note'], 'nothing is written');
  if (entry.kind === 'struck' && entry.corrects === null) wrong(['corrects'], 'says of no entry that it did not happen');
  if (entry.kind === 'task' && (entry.how === 'later') !== (entry.days !== null)) wrong(['days'], 'put off by how many days?');
  if (entry.corrects === entry.id) wrong(['corrects'], 'corrects itself');
});
export type Entry = z.infer<typeof Entry>;
export type EntryKind = Entry['kind'];
export type ReadingEntry = Extract<Entry, { kind: 'reading' }>;

/** Entries before they have a place in a log, by kind. */
export type NewEntries = {
  [K in EntryKind]: Omit<Extract<Entry, { kind: K }>, 'id' | 'at' | 'written' | 'corrects' | 'note'> & { note?: string };
};
export type NewEntry = NewEntries[EntryKind];

/** The day that the clock on the wall showed. */
export const dayOfInstant = (at: Instant): Day => at.slice(0, 10);

/** An instant as a clock so many minutes ahead of UTC shows it. */
export function instantAt(ms: number, minutesAheadOfUtc: number): Instant {
  const wall = new Date(ms + minutesAheadOfUtc * 60_000).toISOString().slice(0, 19);
  const [sign, away] = [minutesAheadOfUtc < 0 ? '-' : '+', Math.abs(minutesAheadOfUtc)];
  const two = (value: number) => String(value).padStart(2, '0');
  return `${wall}${sign}${two(Math.floor(away / 60))}:${two(away % 60)}`;
}
