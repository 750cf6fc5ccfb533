import * as z from 'zod';
import type { AnimalGroup } from '../catalogue/organism';
import type { Basis } from '../quantity/fact';

/** What may travel with animals, plants, media and water. */
export const ConditionId = z.enum([
  'white-spot',
  'velvet',
  'bacterial',
  'flukes',
  'gut-worms',
  'fish-tb',
  'shrimp-fungus',
  'shrimp-muscle',
  'shell-riders',
  'crayfish-plague',
  'chytrid',
  'planaria',
  'hydra',
  'dragonfly-larvae',
  'glass-anemones',
  'copper',
  'snail-poison',
  'moult-poison',
  'unexplained-losses',
]);
export type ConditionId = z.infer<typeof ConditionId>;

/** What carries a condition from place to place. */
export type Carrier = 'animal' | 'plant' | 'media' | 'soil';

export interface Condition {
  name: string;
  /** As it is seen by a keeper. */
  seen: string;
  carriers: readonly Carrier[];
  /** Groups of animals that carry it, where it goes with animals; left out for all. */
  carriedBy?: readonly AnimalGroup[];
  /** Groups that it harms where they meet it. */
  hurts: readonly AnimalGroup[];
  gravity: 'conflict' | 'watch';
  /** What has to be done before something is called free of it. Common practice. */
  clear: string;
  /** People can catch it, or be hurt by it. */
  people?: string;
  basis: Basis;
}

const FISH = ['fish'] as const;
const CRUSTACEANS = ['shrimp', 'crayfish', 'crab'] as const;
const ALL: readonly Carrier[] = ['animal', 'plant', 'media', 'soil'];

/** Common practice; names are those keepers use. A vet names a disease, a look does not. */
export const CONDITIONS: Readonly<Record<ConditionId, Condition>> = {
  'white-spot': {
    name: 'white spot',
    seen: 'white grains on skin and fins, scraping along things',
    carriers: ALL,
    hurts: FISH,
    gravity: 'conflict',
    clear: 'four weeks without a spot in the warm, or the tank four weeks without fish',
    basis: 'practice',
  },
  velvet: {
    name: 'velvet',
    seen: 'a dull golden dust on the skin in side light, clamped fins, quick breath',
    carriers: ALL,
    hurts: FISH,
    gravity: 'conflict',
    clear: 'four weeks without a sign, or the tank four weeks without fish and dark',
    basis: 'practice',
  },
  bacterial: {
    name: 'a bacterial disease',
    seen: 'frayed fins, white mouths or saddles, red sores, bloated bodies',
    carriers: ['animal', 'media', 'soil'],
    hurts: ['fish', 'amphibian'],
    gravity: 'conflict',
    clear: 'four weeks without a sign; what it was, only a laboratory tells',
    basis: 'practice',
  },
  flukes: {
    name: 'flukes',
    seen: 'scraping, one gill held shut, cloudy skin',
    carriers: ['animal', 'soil', 'media'],
    carriedBy: FISH,
    hurts: FISH,
    gravity: 'watch',
    clear: 'two treatments a week apart and four weeks without scraping',
    basis: 'practice',
  },
  'gut-worms': {
    name: 'worms of the gut',
    seen: 'red threads at the vent, thin fish that eat',
    carriers: ['animal', 'soil'],
    carriedBy: FISH,
    hurts: FISH,
    gravity: 'conflict',
    clear: 'two treatments three weeks apart, the bed cleaned after each',
    basis: 'practice',
  },
  'fish-tb': {
    name: 'fish tuberculosis, by the look of it',
    seen: 'wasting over months, bent backs, sores, one after the other',
    carriers: ALL,
    hurts: ['fish', 'amphibian'],
    gravity: 'conflict',
    clear: 'not by waiting: ask a vet; the tank is emptied, disinfected and dried',
    people: 'It can infect a cut: wear gloves.',
    basis: 'practice',
  },
  'shrimp-fungus': {
    name: 'green growth under shrimp',
    seen: 'yellow-green fuzz between the swimming legs',
    carriers: ['animal'],
    carriedBy: CRUSTACEANS,
    hurts: CRUSTACEANS,
    gravity: 'conflict',
    clear: 'every one that shows it out, and eight weeks without another',
    basis: 'practice',
  },
  'shrimp-muscle': {
    name: 'milky muscle of shrimp',
    seen: 'opaque white flesh that spreads from the tail, deaths one by one',
    carriers: ['animal', 'media', 'soil'],
    carriedBy: CRUSTACEANS,
    hurts: CRUSTACEANS,
    gravity: 'conflict',
    clear: 'every one that shows it out, and eight weeks without another',
    basis: 'practice',
  },
  'shell-riders': {
    name: 'riders on shells',
    seen: 'white tufts or small worms on head and gills of shrimp and crayfish',
    carriers: ['animal'],
    carriedBy: CRUSTACEANS,
    hurts: CRUSTACEANS,
    gravity: 'watch',
    clear: 'four weeks and two moults without any',
    basis: 'practice',
  },
  'crayfish-plague': {
    name: 'crayfish plague, possible',
    seen: 'American crayfish carry it unseen; others fall over and die',
    carriers: ['animal', 'media', 'soil', 'plant'],
    carriedBy: ['crayfish'],
    hurts: ['crayfish'],
    gravity: 'conflict',
    clear: 'never while American crayfish are there; then dried through',
    basis: 'practice',
  },
  chytrid: {
    name: 'chytrid fungus',
    seen: 'much shedding, sitting out of the water, sores; many frogs carry it unseen',
    carriers: ALL,
    carriedBy: ['amphibian'],
    hurts: ['amphibian'],
    gravity: 'conflict',
    clear: 'a swab read by a laboratory; water never poured outdoors',
    basis: 'practice',
  },
  planaria: {
    name: 'planaria',
    seen: 'white or brown gliding worms with an arrow-shaped head, most at night',
    carriers: ALL,
    hurts: ['shrimp', 'snail'],
    gravity: 'watch',
    clear: 'a baited trap empty for four weeks',
    basis: 'practice',
  },
  hydra: {
    name: 'hydra',
    seen: 'small green or white polyps on panes and leaves',
    carriers: ['plant', 'media', 'soil'],
    hurts: ['shrimp', 'fish'],
    gravity: 'watch',
    clear: 'panes and leaves without any for four weeks of feeding fine food',
    basis: 'practice',
  },
  'dragonfly-larvae': {
    name: 'larvae of dragonflies',
    seen: 'long bodies with three tails or a short broad one; shrimp vanish',
    carriers: ['plant'],
    hurts: ['shrimp', 'fish'],
    gravity: 'watch',
    clear: 'plants eight weeks apart, or washed leaf by leaf',
    basis: 'practice',
  },
  'glass-anemones': {
    name: 'glass anemones',
    seen: 'brown anemones on rock that split wherever they are cut',
    carriers: ['media', 'soil', 'animal'],
    carriedBy: ['cnidarian', 'snail'],
    hurts: ['cnidarian', 'fish', 'echinoderm'],
    gravity: 'watch',
    clear: 'rock without any for eight weeks of feeding',
    basis: 'practice',
  },
  copper: {
    name: 'copper in what was treated',
    seen: 'the vessel, its media or bed were treated with copper',
    carriers: ['media', 'soil'],
    hurts: [...CRUSTACEANS, 'snail', 'bivalve', 'cnidarian', 'sponge', 'echinoderm'],
    gravity: 'conflict',
    clear: 'bed and media thrown away, glass washed, and a test for copper that reads none for two weeks',
    basis: 'practice',
  },
  'snail-poison': {
    name: 'a worming medicine in bed and sponge',
    seen: 'the tank was treated against planaria or hydra',
    carriers: ['media', 'soil'],
    hurts: ['snail'],
    gravity: 'conflict',
    clear: 'carbon and half the water changed four times; large snails often not for half a year',
    basis: 'practice',
  },
  'moult-poison': {
    name: 'a poison to moulting animals in bed and sponge',
    seen: 'the tank was treated against lice or anchor worms',
    carriers: ['media', 'soil'],
    hurts: CRUSTACEANS,
    gravity: 'conflict',
    clear: 'carbon and half the water changed four times, then three months',
    basis: 'practice',
  },
  'unexplained-losses': {
    name: 'losses that nobody explained',
    seen: 'several died, and nothing measured says why',
    carriers: ['animal', 'media', 'soil', 'plant'],
    hurts: ['fish', 'amphibian', ...CRUSTACEANS],
    gravity: 'watch',
    clear: 'six weeks without a loss',
    basis: 'practice',
  },
};
