import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { AnimalGroup } from '../catalogue/organism';

/** Dry feed of fish a day as a share of weight: of a gram, and how it falls as they grow. Common practice: 0.5 to 1.5 %, 0.3 to 0.8 % when large. */
const FISH = { ofGram: 0.012, falls: 0.22, most: 0.012, least: 0.004 };
/** Of the others. What grazes lives on the tank; what is settled on what drifts by. Common practice. */
const SHARE: Readonly<Record<Exclude<AnimalGroup, 'fish'>, number>> = {
  amphibian: 0.003,
  shrimp: 0.004,
  crayfish: 0.005,
  crab: 0.005,
  snail: 0.001,
  bivalve: 0.001,
  cnidarian: 0.001,
  sponge: 0.001,
  echinoderm: 0.001,
};
/** Nobody feeds more than this into a litre, whatever lives in it, grams a day. Common practice. */
const MOST_G_PER_L = 0.05;

/** Dry feed that one animal of so many grams is usually given, grams a day. */
export function usualFeedG(grams: number, group: AnimalGroup): number {
  if (group !== 'fish') return SHARE[group] * grams;
  return Math.min(FISH.most, Math.max(FISH.least, FISH.ofGram * grams ** -FISH.falls)) * grams;
}

/** What is fed in all, where nobody has said, grams a day. */
export const usualFeedOfTank = (sumG: number, litres: number): number => Math.min(sumG, MOST_G_PER_L * litres);

export const usualFeed = calculation({
  id: 'stocking.usual-feed',
  title: 'Dry feed that an animal is usually given',
  inputs: z.strictObject({ grams: z.number().positive('an animal weighs something').max(20000), group: AnimalGroup }),
  outputs: z.strictObject({ gPerDay: z.number() }),
  source: [
    {
      citation: 'Fish 1.2 % of a gram, less of large ones; newts and axolotls fed two or three times a week; shrimp and snails graze',
      basis: 'practice',
    },
  ],
  formula: 'fish: 0.012 · M^0.78, between 0.4 and 1.2 % of M; others: share of the group · M',
  validity: 'grown animals, dry weight of the food; frozen food weighs five times as much',
  uncertainty: 'a factor of two: state what you feed, and it is no longer needed',
  compute: ({ grams, group }) => ({ gPerDay: usualFeedG(grams, group) }),
});
