import * as z from 'zod';
import type { Basis } from '../quantity/fact';

/** What is given to animals, by class. */
export const FoodId = z.enum([
  'infusoria',
  'rotifers',
  'vinegar-eels',
  'microworms',
  'artemia-nauplii',
  'copepods',
  'moina',
  'daphnia',
  'grindal-worms',
  'white-worms',
  'mud-worms',
  'earthworms',
  'mosquito-larvae',
  'fruit-flies',
  'live-shrimp',
  'bred-snails',
  'frozen-cyclops',
  'frozen-artemia',
  'frozen-larvae',
  'frozen-mysis',
  'meat',
  'powder',
  'granules',
  'flakes',
  'sinking-pellets',
  'floating-pellets',
  'wafers',
  'greens',
  'leaves',
  'wood',
  'phytoplankton',
  'seaweed',
]);
export type FoodId = z.infer<typeof FoodId>;

/** What a food is made of, as diets name it. */
export type FoodTag = 'crustacean' | 'worm' | 'insect' | 'algae' | 'greens' | 'leaves' | 'wood' | 'fine' | 'dry' | 'meat' | 'snail';

export interface Food {
  name: string;
  state: 'live' | 'frozen' | 'dry' | 'fresh';
  tags: readonly FoodTag[];
  /** Across, as a mouth meets it, smallest and largest, mm. Pieces that are rasped have none. */
  acrossMm: readonly [number, number] | null;
  falls: 'floats' | 'drifts' | 'sinks';
  /** Lies there for hours without harm. */
  keeps: boolean;
  /** From setting it up to the first portion, days; and what it is kept going by. Null for what is not cultured. */
  culture: { days: readonly [number, number]; how: string } | null;
  /** Dry matter, share of its weight. */
  dryShare: number;
  basis: Basis;
}

const live = (
  name: string,
  tag: FoodTag,
  acrossMm: readonly [number, number],
  falls: Food['falls'],
  days: readonly [number, number] | null,
  how = '',
): Food => ({
  name,
  state: 'live',
  tags: acrossMm[1] <= 0.5 ? [tag, 'fine'] : [tag],
  acrossMm,
  falls,
  keeps: false,
  culture: days && { days, how },
  dryShare: 0.1,
  basis: 'practice',
});
const frozen = (name: string, tag: FoodTag, acrossMm: readonly [number, number]): Food => ({
  name,
  state: 'frozen',
  tags: [tag],
  acrossMm,
  falls: 'drifts',
  keeps: false,
  culture: null,
  dryShare: 0.12,
  basis: 'practice',
});
const dry = (name: string, acrossMm: readonly [number, number] | null, falls: Food['falls'], more: Partial<Food> = {}): Food => ({
  name,
  state: 'dry',
  tags: ['dry'],
  acrossMm,
  falls,
  keeps: false,
  culture: null,
  dryShare: 0.92,
  basis: 'practice',
  ...more,
});
const fresh = (name: string, tag: FoodTag, falls: Food['falls'], dryShare: number): Food => ({
  name,
  state: 'fresh',
  tags: [tag],
  acrossMm: null,
  falls,
  keeps: true,
  culture: null,
  dryShare,
  basis: 'practice',
});

/** Sizes and days are common practice. */
export const FOODS: Readonly<Record<FoodId, Food>> = {
  infusoria: live('infusoria', 'crustacean', [0.05, 0.2], 'drifts', [7, 14], 'hay or a leaf in old water; a new jar each week'),
  rotifers: live('rotifers', 'crustacean', [0.1, 0.3], 'drifts', [7, 14], 'green water or yeast; a second jar'),
  'vinegar-eels': live('vinegar eels', 'worm', [0.05, 0.1], 'drifts', [21, 28], 'cider vinegar and a piece of apple; keeps for months'),
  microworms: live('microworms', 'worm', [0.05, 0.15], 'sinks', [5, 7], 'oat porridge in a flat box; a new one every two weeks'),
  'artemia-nauplii': live(
    'brine shrimp larvae',
    'crustacean',
    [0.35, 0.5],
    'drifts',
    [1, 2],
    'eggs in salt water, air and light: set up each day',
  ),
  copepods: live('copepods', 'crustacean', [0.2, 0.8], 'drifts', [28, 42], 'algae; a culture of their own'),
  moina: live('moina', 'crustacean', [0.5, 1], 'drifts', [10, 14], 'green water or yeast; two tubs, one behind the other'),
  daphnia: live('daphnia', 'crustacean', [0.8, 2], 'drifts', [14, 21], 'green water; a tub in the light'),
  'grindal-worms': live('grindal worms', 'worm', [0.3, 0.5], 'sinks', [21, 28], 'damp coir and dry food; a second box'),
  'white-worms': live('white worms', 'worm', [0.6, 1], 'sinks', [30, 45], 'cool damp soil and bread; a second box'),
  'mud-worms': live('mud worms', 'worm', [0.8, 1.5], 'sinks', null),
  earthworms: live('earthworms, cut', 'worm', [2, 5], 'sinks', [60, 90], 'a worm box'),
  'mosquito-larvae': live('mosquito larvae', 'insect', [0.6, 1.5], 'floats', [7, 10], 'a tub outdoors, in the warm months'),
  'fruit-flies': live('wingless fruit flies', 'insect', [1, 1.5], 'floats', [12, 16], 'a jar with mash; a new one every two weeks'),
  'live-shrimp': live('small live shrimp', 'crustacean', [1.5, 4], 'drifts', null),
  'bred-snails': live('snails bred for it', 'snail', [2, 8], 'sinks', [40, 60], 'a tub of their own'),
  'frozen-cyclops': frozen('frozen cyclops', 'crustacean', [0.3, 0.8]),
  'frozen-artemia': frozen('frozen brine shrimp', 'crustacean', [1, 2]),
  'frozen-larvae': frozen('frozen midge larvae', 'insect', [0.8, 1.5]),
  'frozen-mysis': frozen('frozen mysis', 'crustacean', [1.5, 3]),
  meat: { ...frozen('mussel, prawn or fish, cut', 'meat', [3, 10]), falls: 'sinks', dryShare: 0.2 },
  powder: dry('powder food', [0.05, 0.2], 'drifts', { tags: ['dry', 'fine'] }),
  granules: dry('fine granules', [0.3, 0.8], 'drifts'),
  flakes: dry('flakes', [0.5, 2], 'floats'),
  'sinking-pellets': dry('sinking pellets', [1, 3], 'sinks', { keeps: true }),
  'floating-pellets': dry('floating pellets', [1.5, 4], 'floats'),
  wafers: dry('algae wafers', null, 'sinks', { tags: ['dry', 'algae', 'greens'], keeps: true }),
  greens: fresh('blanched greens', 'greens', 'sinks', 0.08),
  leaves: fresh('dead leaves', 'leaves', 'sinks', 0.9),
  wood: fresh('soft wood to rasp', 'wood', 'sinks', 0.5),
  phytoplankton: { ...fresh('phytoplankton', 'fine', 'drifts', 0.02), acrossMm: [0.002, 0.02], state: 'live', keeps: false },
  seaweed: fresh('dried seaweed', 'algae', 'drifts', 0.9),
};
