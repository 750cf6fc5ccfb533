import { dayOf, daysFrom } from '../../core/schedule/day';
import { database } from './database';

/** What is known of copies of everything, beside the copies themselves. */
export interface CopyState {
  /** When the last one was made; null for never. */
  at: string | null;
  /** Where to, in words. */
  where: string;
  /** Something was written since. */
  changed: boolean;
  /** Days since the last one, or since there was first something to copy. */
  days: number;
  /** Remind after so many days; 0 never. */
  everyDays: number;
  /** A reminder is in place. */
  due: boolean;
}

interface Kept {
  at: string | null;
  where: string;
  mark: string;
  /** When it was first asked for a copy. */
  since: string;
  everyDays: number;
  /** Not before this day. */
  notBefore: string | null;
}

const KEY = 'copies';
export const REMIND_DAYS = [7, 14, 30, 0] as const;
const USUAL: Omit<Kept, 'since'> = { at: null, where: '', mark: '', everyDays: 14, notBefore: null };

/** A mark that is another once anything was written: rooms by their revisions, tanks by when they were saved, logs by how long they are. */
export async function markOfStore(): Promise<{ mark: string; own: boolean }> {
  const db = await database();
  const [rooms, summaries, entries] = await Promise.all([db.getAll('rooms'), db.getAll('summaries'), db.count('log')]);
  const saved = summaries.map(({ savedAt }) => savedAt).sort();
  const own = summaries.some(({ roomId }) => rooms.some(({ id, invented }) => id === roomId && !invented));
  return { mark: [rooms.map(({ id, rev }) => `${id} ${rev}`).join(), summaries.length, saved.at(-1) ?? '', entries].join(' | '), own };
}

async function kept(): Promise<Kept> {
  const now = new Date().toISOString();
  const text = await (await database()).get('notes', KEY);
  try {
    return { ...USUAL, since: now, ...(JSON.parse(typeof text === 'string' ? text : '{}') as Partial<Kept>) };
  } catch {
    return { ...USUAL, since: now };
  }
}

async function keep(some: Partial<Kept>): Promise<void> {
  await (await database()).put('notes', JSON.stringify({ ...(await kept()), ...some }), KEY);
}

/** How it stands with copies; nothing is due while there is only the invented room. */
export async function copyState(today = dayOf(new Date())): Promise<CopyState> {
  const [{ mark, own }, all] = await Promise.all([markOfStore(), kept()]);
  const { at, where, since, everyDays, notBefore } = all;
  // counted from when there is something to lose
  if (own && at === null) await keep({ since });
  const days = daysFrom(dayOf(new Date(at ?? since)), today);
  const changed = mark !== all.mark;
  return { at, where, changed, days, everyDays, due: own && changed && everyDays > 0 && days >= everyDays && (notBefore ?? '') <= today };
}

/** A copy was made of what the store was when its mark was taken. */
export const copied = (mark: string, where: string): Promise<void> => keep({ at: new Date().toISOString(), where, mark, notBefore: null });

export const remindEvery = (everyDays: number): Promise<void> => keep({ everyDays, notBefore: null });

/** Not today. @param day from which on it may be said again */
export const remindFrom = (day: string): Promise<void> => keep({ notBefore: day });
