import type { AnimalGroup } from '../catalogue/organism';
import { CONDITIONS, ConditionId } from './conditions';

/** What is looked at when animals come, and on every day that they are apart; common practice. */
export interface Inspection {
  /** Before the bag is opened, and while they are put in. */
  atOnce: readonly string[];
  /** On each of the days apart. */
  daily: readonly string[];
  /** What to look for on such animals, sign by sign. */
  signs: readonly { condition: ConditionId; name: string; seen: string }[];
}

const AT_ONCE = [
  'Count the living and the dead; note the day, the seller’s water and what it smells of.',
  'Test the bag: ammonia, pH, warmth. In a foul bag no slow drip: its ammonia bites once the pH rises.',
  'None of the water they came in goes into the tank.',
];
const DAILY = [
  'Nets, hoses, buckets and hands of this tank for this tank alone; it is looked after last.',
  'Who eats, who hides, who hangs at the surface: a line a day.',
  'Waste water goes down the drain, never into another tank and never outdoors.',
];
const BY_GROUP: Readonly<Partial<Record<AnimalGroup, readonly string[]>>> = {
  fish: ['Skin and fins in side light, both gills moving alike, belly neither hollow nor swollen, droppings dark.'],
  shrimp: ['Flesh clear, nothing between the swimming legs, nothing moving on the head; moults whole.'],
  crayfish: ['Shell without spots, all legs, strong when lifted; walks backwards from a hand.'],
  snail: ['Sticks, or shuts itself; nothing white in the mouth of the shell.'],
  amphibian: ['Skin smooth and whole, eats on sight, sits in the water and not on the land. Gloves without powder.'],
};

export function inspectionOf(groups: readonly AnimalGroup[]): Inspection {
  const here = [...new Set(groups)];
  return {
    atOnce: AT_ONCE,
    daily: [...here.flatMap((group) => BY_GROUP[group] ?? []), ...DAILY],
    signs: ConditionId.options.flatMap((condition) => {
      const { name, seen, hurts, carriers } = CONDITIONS[condition];
      return carriers.includes('animal') && here.some((group) => hurts.includes(group)) ? [{ condition, name, seen }] : [];
    }),
  };
}
