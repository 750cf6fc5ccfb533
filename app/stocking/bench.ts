import { plural } from '../../core/quantity/plural';
import { DARK, type BenchEntry } from '../shell/bench';

export const stocking: BenchEntry = {
  id: 'stocking',
  name: 'Stocking',
  key: '8',
  band: '#c08d5f',
  ink: DARK,
  nightBand: '#3b281a',
  load: () => import('./stocking-bench').then((m) => m.StockingBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design }) => {
    const { length } = Object.keys(design.stock);
    if (length === 0) return 'nobody yet';
    return length === 1 ? 'one kind' : `${length} kinds, ${plural((length * (length - 1)) / 2, 'pair')}`;
  },
};
