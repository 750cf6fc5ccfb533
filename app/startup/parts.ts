import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'Start-up of the tank', words: ['cycling', 'cycle', 'nitrogen cycle', 'ripen', 'fishless', 'startup'] },
];
