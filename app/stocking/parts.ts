import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'The company', words: ['community', 'tank mates', 'tankmates', 'compatible', 'compatibility'], control: 'company' },
  { name: 'Two by two', words: ['pairs', 'aggression', 'who eats whom', 'fin nipping'], control: 'pairs' },
  { name: 'In which order', words: ['order of adding', 'add first', 'introduce'], control: 'order' },
];
