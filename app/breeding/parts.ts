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
    name: 'The days of a brood',
    words: ['fry', 'young', 'rearing', 'hatch', 'incubation', 'gestation', 'raise', 'first food'],
    control: 'days',
    face: 'days',
  },
  {
    name: 'How a colony grows',
    words: ['colony', 'population', 'surplus', 'thin out', 'cull', 'doubling'],
    control: 'colony',
    face: 'colony',
  },
  { name: 'Counting them', words: ['count', 'census', 'how many are there', 'sex ratio'], control: 'count', face: 'count' },
];
