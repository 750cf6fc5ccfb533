import { plural } from '../../core/quantity/plural';
import { DARK, type BenchEntry } from '../shell/bench';

export const plants: BenchEntry = {
  id: 'plants',
  name: 'Plants',
  key: '6',
  band: '#d3b27c',
  ink: DARK,
  nightBand: '#433420',
  load: () => import('./plants-bench').then((m) => m.PlantsBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ derived }) => {
    const kinds = (derived['stock.members'].value ?? []).filter(({ organism }) => organism?.kind === 'plant').length;
    return kinds === 0 ? 'none yet' : plural(kinds, 'kind');
  },
};
