import { formatNumber } from '../../core/quantity/format';
import { DARK, type BenchEntry } from '../shell/bench';

export const vessel: BenchEntry = {
  id: 'vessel',
  name: 'Vessel',
  key: '2',
  band: '#cfe1e2',
  ink: DARK,
  nightBand: '#2a3d40',
  load: () => import('./vessel-bench').then((m) => m.VesselBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design: { vessel }, units }) => {
    if (!vessel) return 'not chosen';
    const sides = [vessel.lengthMm, vessel.widthMm, vessel.heightMm].map((mm) => formatNumber('length', mm, units)).join(' × ');
    return `${vessel.shape === 'box' ? '' : `${vessel.shape.replace('-', ' ')} `}${sides} ${units.length}`;
  },
};
