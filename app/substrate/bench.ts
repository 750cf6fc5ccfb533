import { formatSpan } from '../../core/quantity/format';
import { DARK, type BenchEntry } from '../shell/bench';

export const substrate: BenchEntry = {
  id: 'substrate',
  name: 'Substrate',
  key: '4',
  band: '#e3d6b2',
  ink: DARK,
  nightBand: '#4a4230',
  load: () => import('./substrate-bench').then((m) => m.SubstrateBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design, derived, units }) => {
    const bed = derived['substrate.bed'].value;
    if (!bed || bed.layers.length === 0) return design.substrate.bare ? 'bare bottom' : 'not stated';
    const name = (bed.showing[0]?.material?.name ?? 'bed').split(',')[0]!.toLowerCase();
    return `${name} ${formatSpan('length', [bed.topMm.least, bed.topMm.most], units)}`;
  },
};
