import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'The routine', words: ['weekly', 'feeding', 'food', 'water change routine', 'maintenance'], control: 'routine' },
  { name: 'On their days', words: ['calendar', 'schedule', 'tasks', 'reminder', 'to do', 'steps', 'diary'], control: 'steps' },
];
