import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Breeding the animals', words: ['spawn', 'spawning', 'fry', 'eggs', 'brood', 'rearing'] },
];
