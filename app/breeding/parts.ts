import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  {
    name: 'Ready to spawn?',
    words: ['spawn', 'spawning', 'breed', 'eggs', 'brood', 'trigger', 'condition'],
    control: 'ready',
    face: 'ready',
  },
  {
    name: 'Broods, and their days',
    words: ['fry', 'young', 'rearing', 'hatch', 'incubation', 'gestation', 'raise', 'laid', 'spawned', 'berried'],
    control: 'broods',
    face: 'broods',
  },
  {
    name: 'First food and cultures',
    words: ['infusoria', 'microworms', 'brine shrimp', 'culture', 'first food'],
    control: 'first-food',
    face: 'broods',
  },
  {
    name: 'How a colony grows',
    words: ['colony', 'population', 'surplus', 'thin out', 'cull', 'doubling'],
    control: 'colony',
    face: 'colony',
  },
  { name: 'Counting them', words: ['count', 'census', 'how many are there', 'sex ratio'], control: 'count', face: 'count' },
  {
    name: 'Lines and kinship',
    words: ['pedigree', 'inbreeding', 'kinship', 'strain', 'locality', 'outcross', 'descent', 'F1'],
    control: 'lines',
    face: 'lines',
  },
  {
    name: 'Crosses',
    words: ['genetics', 'punnett', 'alleles', 'recessive', 'dominant', 'carrier', 'test cross', 'chi-square'],
    control: 'crosses',
    face: 'crosses',
  },
];
