import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import type { AnimalGroup } from '../catalogue/organism';
import type { Basis } from '../quantity/fact';
import type { ConditionId } from './conditions';

/** Classes of what is put into water against disease and pests. */
export const TreatmentId = z.enum([
  'copper',
  'formalin',
  'malachite-green',
  'methylene-blue',
  'acriflavine',
  'praziquantel',
  'levamisole',
  'fenbendazole',
  'metronidazole',
  'antibiotic',
  'salt',
  'peroxide',
  'permanganate',
  'moult-inhibitor',
  'organophosphate',
  'glutaraldehyde',
]);
export type TreatmentId = z.infer<typeof TreatmentId>;

/** What takes it out of the water before it works. */
export type Binder = 'carbon' | 'soil' | 'lime' | 'humics' | 'light';

export interface TreatmentClass {
  name: string;
  against: string;
  kills: readonly AnimalGroup[];
  /** Groups that bear it badly: half doses, or not at all. */
  harms: readonly AnimalGroup[];
  plants: 'bear it' | 'suffer' | 'die';
  /** What it does to the bacteria of the filter. */
  filter: 'spares' | 'weakens' | 'kills';
  boundBy: readonly Binder[];
  /** It colours silicone, hands and bed. */
  stains: boolean;
  takesOxygen: boolean;
  /** What stays behind in bed and media. */
  leaves: ConditionId | null;
  /** Treatments that must not come together with it, or until it is out again. */
  never: readonly TreatmentId[];
  /** What it does to the one who handles it. */
  people: string | null;
  basis: Basis;
}

const CRUSTACEANS = ['shrimp', 'crayfish', 'crab'] as const;
const SPINELESS = [...CRUSTACEANS, 'snail', 'bivalve', 'cnidarian', 'sponge', 'echinoderm'] as const;

/** Common practice. Which one is right, and whether any is, is a vet's to say; some are sold on prescription only. */
export const TREATMENTS: Readonly<Record<TreatmentId, TreatmentClass>> = {
  copper: {
    name: 'Copper',
    against: 'white spot, velvet; snails',
    kills: SPINELESS,
    harms: ['amphibian'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['carbon', 'soil', 'lime', 'humics'],
    stains: false,
    takesOxygen: false,
    leaves: 'copper',
    never: ['formalin', 'organophosphate', 'peroxide'],
    people: null,
    basis: 'practice',
  },
  formalin: {
    name: 'Formalin',
    against: 'white spot, velvet, flukes, fungus on eggs',
    kills: CRUSTACEANS,
    harms: ['snail', 'amphibian', 'bivalve', 'cnidarian', 'sponge', 'echinoderm'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: true,
    leaves: null,
    never: ['permanganate', 'peroxide', 'copper', 'glutaraldehyde'],
    people: 'It is poisonous and its gas burns eyes and lungs: gloves, goggles, an open window, or leave it.',
    basis: 'practice',
  },
  'malachite-green': {
    name: 'Malachite green',
    against: 'white spot, velvet, fungus',
    kills: CRUSTACEANS,
    harms: ['snail', 'amphibian', 'bivalve', 'cnidarian', 'sponge', 'echinoderm'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['carbon', 'light'],
    stains: true,
    takesOxygen: false,
    leaves: null,
    never: [],
    people: 'It is suspected of causing cancer and may not be given to what is eaten: gloves.',
    basis: 'practice',
  },
  'methylene-blue': {
    name: 'Methylene blue',
    against: 'fungus on eggs, nitrite in the blood; in a tank of its own',
    kills: [],
    harms: [...SPINELESS],
    plants: 'die',
    filter: 'kills',
    boundBy: ['carbon', 'light', 'soil'],
    stains: true,
    takesOxygen: false,
    leaves: null,
    never: [],
    people: null,
    basis: 'practice',
  },
  acriflavine: {
    name: 'Acriflavine',
    against: 'velvet, fungus, wounds',
    kills: [],
    harms: [...SPINELESS],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['carbon', 'light'],
    stains: true,
    takesOxygen: false,
    leaves: null,
    never: [],
    people: null,
    basis: 'practice',
  },
  praziquantel: {
    name: 'Praziquantel',
    against: 'flukes, tapeworms',
    kills: [],
    harms: [],
    plants: 'bear it',
    filter: 'spares',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: true,
    leaves: null,
    never: [],
    people: null,
    basis: 'practice',
  },
  levamisole: {
    name: 'Levamisole',
    against: 'threadworms of the gut',
    kills: [],
    harms: ['snail', 'bivalve'],
    plants: 'bear it',
    filter: 'spares',
    boundBy: ['carbon', 'light'],
    stains: false,
    takesOxygen: false,
    leaves: null,
    never: ['organophosphate'],
    people: null,
    basis: 'practice',
  },
  fenbendazole: {
    name: 'Fenbendazole and flubendazole',
    against: 'planaria, hydra, worms of the gut',
    kills: ['snail'],
    harms: ['bivalve', 'cnidarian', 'sponge'],
    plants: 'bear it',
    filter: 'spares',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: true,
    leaves: 'snail-poison',
    never: [],
    people: null,
    basis: 'practice',
  },
  metronidazole: {
    name: 'Metronidazole',
    against: 'flagellates of the gut, holes in the head',
    kills: [],
    harms: [],
    plants: 'bear it',
    filter: 'weakens',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: false,
    leaves: null,
    never: [],
    people: null,
    basis: 'practice',
  },
  antibiotic: {
    name: 'An antibiotic',
    against: 'what a laboratory found to answer to it',
    kills: [],
    harms: [],
    plants: 'bear it',
    filter: 'kills',
    boundBy: ['carbon', 'humics', 'lime'],
    stains: false,
    takesOxygen: true,
    leaves: null,
    never: [],
    people: 'On a vet’s prescription in most places; what is poured away breeds resistance.',
    basis: 'practice',
  },
  salt: {
    name: 'Common salt in fresh water',
    against: 'white spot, velvet, nitrite, fungus',
    kills: [],
    harms: ['shrimp', 'snail', 'bivalve', 'amphibian'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: [],
    stains: false,
    takesOxygen: false,
    leaves: null,
    never: [],
    people: null,
    basis: 'practice',
  },
  peroxide: {
    name: 'Hydrogen peroxide',
    against: 'algae, velvet, bacteria on skin',
    kills: [],
    harms: [...SPINELESS, 'amphibian'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['light', 'soil'],
    stains: false,
    takesOxygen: false,
    leaves: null,
    never: ['permanganate', 'formalin', 'copper', 'glutaraldehyde'],
    people: 'It burns skin and eyes: gloves and goggles.',
    basis: 'practice',
  },
  permanganate: {
    name: 'Potassium permanganate',
    against: 'bacteria and flukes on skin, snails on plants in a bucket',
    kills: [...SPINELESS],
    harms: ['amphibian'],
    plants: 'suffer',
    filter: 'kills',
    boundBy: ['carbon', 'soil', 'humics', 'light'],
    stains: true,
    takesOxygen: false,
    leaves: null,
    never: ['formalin', 'peroxide', 'glutaraldehyde'],
    people: 'It burns and sets fire to what is dry: gloves, never with other chemicals.',
    basis: 'practice',
  },
  'moult-inhibitor': {
    name: 'A moult inhibitor',
    against: 'fish lice, anchor worms',
    kills: [...CRUSTACEANS],
    harms: [],
    plants: 'bear it',
    filter: 'spares',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: false,
    leaves: 'moult-poison',
    never: [],
    people: null,
    basis: 'practice',
  },
  organophosphate: {
    name: 'An organophosphate',
    against: 'fish lice, flukes, worms',
    kills: [...CRUSTACEANS],
    harms: ['fish', 'snail', 'amphibian', 'bivalve'],
    plants: 'bear it',
    filter: 'spares',
    boundBy: ['carbon', 'lime'],
    stains: false,
    takesOxygen: false,
    leaves: 'moult-poison',
    never: ['copper', 'levamisole'],
    people: 'A nerve poison to people: a vet’s matter.',
    basis: 'practice',
  },
  glutaraldehyde: {
    name: 'Glutaraldehyde, sold as liquid carbon',
    against: 'algae',
    kills: [],
    harms: ['shrimp', 'snail', 'amphibian'],
    plants: 'suffer',
    filter: 'weakens',
    boundBy: ['carbon'],
    stains: false,
    takesOxygen: true,
    leaves: null,
    never: ['formalin', 'peroxide', 'permanganate'],
    people: 'It irritates skin and lungs: gloves.',
    basis: 'practice',
  },
};

/** What a label's dose comes to for the water that is in the tank, not for the litres on its box. */
export function labelDose(amount: number, perL: number, netL: number): number {
  return (amount * netL) / perL;
}

export const labelDoseCalculation = calculation({
  id: 'health.label-dose',
  title: 'A label’s dose for the water in the tank',
  inputs: z.strictObject({
    amount: z.number().positive('a dose is more than nothing').max(10000),
    perL: z.number().positive('litres are more than nothing').max(10000),
    netL: z.number().positive('there is no water to treat').max(100000),
  }),
  outputs: z.strictObject({ amount: z.number() }),
  source: [{ citation: 'Proportion; the dose itself is the label’s', basis: 'practice' }],
  formula: 'dose · net litres / litres on the label',
  validity: 'the net volume: what is poured in, after bed, stones and the space above the water',
  uncertainty: 'that of the net volume, about 5 %; drops vary by a third',
  compute: ({ amount, perL, netL }) => ({ amount: labelDose(amount, perL, netL) }),
});
