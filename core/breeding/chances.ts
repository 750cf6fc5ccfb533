import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/**
 * Chance that a group that nobody can sex holds both: 1 − 2·(1/2)ⁿ, for sexes that come as often as each other.
 *
 * @param count animals, a whole number
 */
export const chanceOfBothSexes = (count: number): number => (count < 2 ? 0 : 1 - 2 * 0.5 ** count);

/**
 * How many young to raise, so that one of a kind that comes this often is among them: ln(1 − P)/ln(1 − p), rounded up.
 *
 * @param share of the young that are of it, above 0
 * @param confidence wanted, below 1
 */
export const howMany = (share: number, confidence: number): number =>
  share >= 1 ? 1 : Math.ceil(Math.log(1 - confidence) / Math.log(1 - share) - 1e-9);

export const bothSexes = calculation({
  id: 'breeding.both-sexes',
  title: 'Chance that an unsexed group holds both sexes',
  inputs: z.strictObject({ count: z.int().min(1, 'a group has animals').max(1000) }),
  outputs: z.strictObject({ probability: z.number() }),
  source: [{ citation: 'Binomial chance', basis: 'recalled' }],
  formula: 'P = 1 − 2·(1/2)ⁿ',
  validity: 'sexes that hatch in equal numbers, taken without choosing',
  uncertainty: 'none of its own; warmth sets the sex of some kinds, and shops sort',
  compute: ({ count }) => ({ probability: chanceOfBothSexes(count) }),
});

export const youngToRaise = calculation({
  id: 'breeding.how-many',
  title: 'Young to raise to see one',
  inputs: z.strictObject({
    share: z.number().positive('none of them come so').max(1),
    confidence: z.number().positive().max(0.9999, 'nothing is certain'),
  }),
  outputs: z.strictObject({ count: z.number() }),
  source: [{ citation: 'Binomial chance', basis: 'recalled' }],
  formula: 'n = ln(1 − P) / ln(1 − p), rounded up',
  validity: 'young that live and can be told apart',
  uncertainty: 'none of its own: the share is what is expected of the cross',
  compute: ({ share, confidence }) => ({ count: howMany(share, confidence) }),
});
