import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  { name: 'What is due today', words: ['today', 'due', 'chores', 'overdue'], control: 'today' },
  { name: 'The routine', words: ['weekly', 'feeding', 'food', 'water change routine', 'maintenance'], control: 'routine' },
  { name: 'On their days', words: ['calendar', 'schedule', 'tasks', 'reminder', 'to do', 'steps', 'diary'], control: 'steps' },
  {
    name: 'The log: write down what happened',
    words: ['log', 'log book', 'diary', 'test', 'fed', 'died', 'death', 'birth', 'journal', 'note'],
    control: 'pad',
    face: 'log',
  },
  { name: 'How often things are done', words: ['interval', 'habits', 'how often', 'hours a week'], control: 'habits' },
  {
    name: 'What is wrong? From signs to causes',
    words: ['diagnosis', 'sick', 'ill', 'disease', 'gasping', 'symptom', 'dying'],
    control: 'signs',
    face: 'wrong',
  },
  { name: 'Kits and meters', words: ['test kit', 'calibrate', 'calibration', 'expiry'], control: 'kits', face: 'log' },
  { name: 'The log, in and out', words: ['csv', 'import', 'export', 'spreadsheet', 'logger'], control: 'log-files', face: 'log' },
  { name: 'Curves of what was read', words: ['graph', 'chart', 'history', 'trend', 'plot'], control: 'charts', face: 'charts' },
  { name: 'Probes that stay in the tank', words: ['monitor', 'probe', 'sensor', 'alarm', 'limits'], control: 'probes', face: 'probes' },
  { name: 'What the log says', words: ['trend', 'drift', 'warning', 'what is wrong'], control: 'told', face: 'told' },
];
