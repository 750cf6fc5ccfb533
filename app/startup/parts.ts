import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Start-up of the tank', words: ['cycling', 'cycle', 'nitrogen cycle', 'ripen', 'fishless', 'startup'], control: 'start' },
  { name: 'Tests of the start', words: ['ammonia test', 'nitrite test', 'is it cycled'], control: 'tests' },
  { name: 'Before animals come', words: ['ready', 'readiness', 'when can I add fish', 'challenge dose'], control: 'readiness' },
];
