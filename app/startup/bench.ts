import { LIGHT, type BenchEntry } from '../shell/bench';

export const startup: BenchEntry = {
  id: 'startup',
  name: 'Start-up',
  key: '9',
  band: '#8f5a39',
  ink: LIGHT,
  nightBand: '#352317',
  parts: () => import('./parts').then((m) => m.parts),
};
