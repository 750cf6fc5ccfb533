import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'The company', words: ['community', 'tank mates', 'tankmates', 'compatible', 'compatibility'], control: 'company' },
  { name: 'Two by two', words: ['pairs', 'aggression', 'who eats whom', 'fin nipping'], control: 'pairs' },
  { name: 'In which order', words: ['order of adding', 'add first', 'introduce'], control: 'order' },
  {
    name: 'Who else',
    words: [
      'companions',
      'tank mate search',
      'what else could live here',
      'suggest fish',
      'cleanup crew',
      'clean-up crew',
      'dither fish',
      'algae eater',
    ],
    control: 'companions',
    face: 'else',
  },
  {
    name: 'Who sees whom',
    words: ['territory', 'territories', 'sight lines', 'line of sight', 'aggression', 'caves facing'],
    control: 'sight',
    face: 'sight',
  },
  {
    name: 'How many',
    words: [
      'carrying capacity',
      'stocking level',
      'overstocked',
      'bioload',
      'bio-load',
      'how many fish',
      'fish per litre',
      'inch per gallon',
    ],
    control: 'carrying',
    face: 'many',
  },
  { name: 'Why not this one?', words: ['would it fit', 'can I keep', 'compatible with'], control: 'why-not', face: 'else' },
];
