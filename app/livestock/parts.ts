import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Animals in the tank', words: ['livestock', 'fish', 'shrimp', 'stock', 'species', 'add animal', 'add fish'], control: 'animals' },
  { name: 'Wild place', words: ['biotope', 'habitat', 'locality', 'river', 'model'], face: 'place', control: 'animals' },
  { name: 'Keep or breed', words: ['purpose', 'breeding pair', 'goal', 'aim'], control: 'animals' },
];
