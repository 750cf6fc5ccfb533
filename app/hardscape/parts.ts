import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  {
    name: 'Pieces',
    words: ['stone', 'rock', 'wood', 'driftwood', 'root', 'branch', 'cave', 'hide', 'hides', 'tube', 'add piece', 'decor', 'decoration'],
    control: 'pieces',
  },
  { name: 'Shelter', words: ['hiding place', 'refuge', 'cover'], control: 'shelter' },
  { name: 'Room to swim', words: ['open water', 'swimming room'], control: 'swim' },
  { name: 'Composition', words: ['layout', 'golden section', 'aquascape', 'scape'], control: 'composition' },
];
