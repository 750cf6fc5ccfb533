import type { AnimalGroup } from '../catalogue/organism';

/** A class of water conditioner: what it binds, for how long, and whom it harms. Common practice throughout; the label decides the dose. */
export interface Conditioner {
  id: string;
  name: string;
  chlorine: boolean;
  /** Splits chloramine; the ammonia in it stays unless it is bound too. */
  chloramine: boolean;
  /** Hours for which ammonia is bound; null when it is not. */
  ammoniaHours: number | null;
  /** Hours for which copper and other metals are bound; null when they are not. */
  metalsHours: number | null;
  /** Hours before the water is ready. */
  readyHours: number;
  harms: readonly { groups: readonly AnimalGroup[]; why: string }[];
  note: string;
}

export const CONDITIONERS: readonly Conditioner[] = [
  {
    id: 'thiosulfate',
    name: 'Thiosulfate alone',
    chlorine: true,
    chloramine: true,
    ammoniaHours: null,
    metalsHours: null,
    readyHours: 0.1,
    harms: [],
    note: 'Works at once. Chloramine is split and its ammonia is left in the water.',
  },
  {
    id: 'binder',
    name: 'Reducer that also binds ammonia',
    chlorine: true,
    chloramine: true,
    ammoniaHours: 24,
    metalsHours: null,
    readyHours: 0.2,
    harms: [],
    note: 'Binds the ammonia of chloramine for about a day. Some ammonia kits read wrong meanwhile, and an overdose takes oxygen.',
  },
  {
    id: 'chelator',
    name: 'Thiosulfate with metal chelator',
    chlorine: true,
    chloramine: true,
    ammoniaHours: null,
    metalsHours: 48,
    readyHours: 0.2,
    harms: [],
    note: 'Holds copper and other metals for about 48 hours, and plant iron with them: fertiliser waits until day 3.',
  },
  {
    id: 'plant-gel',
    name: 'Full conditioner with plant gel',
    chlorine: true,
    chloramine: true,
    ammoniaHours: 24,
    metalsHours: 48,
    readyHours: 0.2,
    harms: [{ groups: ['amphibian'], why: 'Plant gels lie on amphibian skin, which breathes.' }],
    note: 'Coats the slime of fish; not for animals that breathe through the skin.',
  },
  {
    id: 'ascorbate',
    name: 'Ascorbate (vitamin C)',
    chlorine: true,
    chloramine: true,
    ammoniaHours: null,
    metalsHours: null,
    readyHours: 0.2,
    harms: [],
    note: 'Works in minutes; takes a little oxygen and, in soft water, a little pH. The ammonia of chloramine is left.',
  },
  {
    id: 'ageing',
    name: 'Standing with an air stone',
    chlorine: true,
    chloramine: false,
    ammoniaHours: null,
    metalsHours: null,
    readyHours: 24,
    harms: [],
    note: 'A day of strong airing drives chlorine off. Chloramine stays.',
  },
  {
    id: 'carbon',
    name: 'Activated carbon, slow flow',
    chlorine: true,
    chloramine: true,
    ammoniaHours: null,
    metalsHours: null,
    readyHours: 1,
    harms: [],
    note: 'Catalytic carbon for chloramine, at the slow flow it is made for. The ammonia is left.',
  },
];

export function conditionerOf(id: string | null): Conditioner | undefined {
  return CONDITIONERS.find((one) => one.id === id);
}

/** What is left to worry about once a conditioner is used; null for nothing. */
export function afterConditioner(
  disinfectant: 'chlorine' | 'chloramine',
  conditioner: Conditioner | undefined,
): 'all-of-it' | 'ammonia' | null {
  if (!conditioner || !(disinfectant === 'chlorine' ? conditioner.chlorine : conditioner.chloramine)) return 'all-of-it';
  return disinfectant === 'chloramine' && conditioner.ammoniaHours === null ? 'ammonia' : null;
}
