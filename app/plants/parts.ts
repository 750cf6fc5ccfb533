import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Planting', words: ['aquatic plants', 'moss', 'floating plants', 'planted tank', 'plants', 'brush'], control: 'plantings' },
  { name: 'Light', words: ['lamp', 'PAR', 'PPFD', 'lumens', 'lux', 'DLI', 'photons', 'LED'], control: 'lamps' },
  { name: 'Feeding ring', words: ['floating ring', 'feeding window', 'floaters'], control: 'ring' },
  { name: 'How far grown', words: ['grown in', 'six weeks', 'growth', 'trim'], control: 'grown' },
];
