import { formatQuantity } from '../../core/quantity/format';
import { DARK, type BenchEntry } from '../shell/bench';

export const water: BenchEntry = {
  id: 'water',
  name: 'Water',
  key: '3',
  band: '#b9d5d8',
  ink: DARK,
  nightBand: '#24393e',
  load: () => import('./water-bench').then((m) => m.WaterBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ derived, units }) => {
    const [gh, ph] = [derived['planned.ghDh'].value, derived['planned.ph'].value];
    if (gh === null) return 'not chosen';
    return `${formatQuantity('hardness', gh, units)}${ph === null ? '' : ` · pH ${formatQuantity('ph', ph, units)}`}`;
  },
};
