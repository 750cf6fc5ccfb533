import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'The company', words: ['community', 'tank mates', 'tankmates', 'compatible', 'compatibility'], control: 'company' },
  { name: 'Two by two', words: ['pairs', 'aggression', 'who eats whom', 'fin nipping'], control: 'pairs' },
  {
    name: 'In which order',
    words: ['order of adding', 'add first', 'introduce', 'stocking plan', 'ammonia spike'],
    control: 'order',
    face: 'order',
  },
  {
    name: 'Menu',
    words: ['food', 'feeding plan', 'live food', 'cultures', 'diet', 'fasting'],
    control: 'menu',
    face: 'food',
  },
  {
    name: 'Health and arrivals',
    words: ['quarantine', 'disease', 'ich', 'ick', 'white spot', 'parasites', 'new fish', 'inspection'],
    control: 'health',
    face: 'health',
  },
  {
    name: 'Treatments',
    words: ['medicine', 'medication', 'copper', 'salt bath', 'dewormer', 'formalin', 'dose'],
    control: 'treatments',
    face: 'health',
  },
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
