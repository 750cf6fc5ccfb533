import { plural } from '../../core/quantity/plural';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { copyState, remindFrom } from './copy-mark';
import type { Copies } from './copies';

/** Makes a copy that is due into the chosen folder, where the browser lets it be written without asking; else says that it is due. */
export async function askForCopy(copies: () => Promise<Copies>): Promise<{ made: string | null; due: string | null }> {
  const { due, at, days } = await copyState();
  if (!due) return { made: null, due: null };
  const all = await copies();
  const made = (await all.folder()) ? await all.toFolder(false) : null;
  if (made?.ok) return { made: `A copy of everything went to ${made.where}.`, due: null };
  return {
    made: null,
    due:
      at === null
        ? 'No copy of your rooms was ever made: they live in this browser alone.'
        : `The last copy of your rooms is ${plural(days, 'day')} old, and something was written since.`,
  };
}

/** Not before a week from today. */
export const askInAWeek = (): Promise<void> => remindFrom(dayAfter(dayOf(new Date()), 7));
