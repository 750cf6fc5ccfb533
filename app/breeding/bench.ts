import { LIGHT, type BenchEntry } from '../shell/bench';

export const breeding: BenchEntry = {
  id: 'breeding',
  name: 'Breeding',
  key: '-',
  band: '#5d4031',
  ink: LIGHT,
  nightBand: '#291b14',
  parts: () => import('./parts').then((m) => m.parts),
};
