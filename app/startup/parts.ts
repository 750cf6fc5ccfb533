import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  {
    name: 'What to get',
    words: ['shopping', 'shopping list', 'buy', 'bill of materials', 'cost', 'price', 'how much sand'],
    control: 'get',
    face: 'get',
  },
  {
    name: 'The work, step by step',
    words: ['build', 'build sheet', 'leak test', 'rinse', 'fill', 'glue', 'assemble', 'order of work'],
    control: 'work',
    face: 'work',
  },
  {
    name: 'Trouble at the start',
    words: ['cloudy', 'algae', 'film', 'planaria', 'hydra', 'worms', 'snails', 'leech', 'melt', 'hitchhiker'],
    control: 'trouble',
    face: 'trouble',
  },
  { name: 'Start-up of the tank', words: ['cycling', 'cycle', 'nitrogen cycle', 'ripen', 'fishless', 'startup'], control: 'start' },
  { name: 'Tests of the start', words: ['ammonia test', 'nitrite test', 'is it cycled'], control: 'tests' },
  { name: 'Before animals come', words: ['ready', 'readiness', 'when can I add fish', 'challenge dose'], control: 'readiness' },
];
