import { plural } from '../../core/quantity/plural';
import { DARK, type BenchEntry } from '../shell/bench';

export const livestock: BenchEntry = {
  id: 'livestock',
  name: 'Livestock',
  key: '1',
  band: '#dfe9e4',
  ink: DARK,
  nightBand: '#2f3f3b',
  load: () => import('./livestock-bench').then((m) => m.LivestockBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design }) => {
    const count = Object.values(design.stock).reduce((sum, entry) => sum + entry.count, 0);
    return count === 0 ? 'choose first' : `${plural(count, 'adult')}, ${design.brief.purpose === 'breed' ? 'breeding' : 'kept'}`;
  },
};
