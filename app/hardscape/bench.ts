import { plural } from '../../core/quantity/plural';
import { DARK, type BenchEntry } from '../shell/bench';

export const hardscape: BenchEntry = {
  id: 'hardscape',
  name: 'Hardscape',
  key: '5',
  band: '#d9c28d',
  ink: DARK,
  nightBand: '#463b25',
  load: () => import('./hardscape-bench').then((m) => m.HardscapeBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ derived }) => {
    const count = derived['scene.pieces'].value?.length ?? 0;
    return count === 0 ? 'no pieces yet' : plural(count, 'piece');
  },
};
