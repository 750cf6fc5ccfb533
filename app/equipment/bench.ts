import { formatQuantity, formatSpan } from '../../core/quantity/format';
import { DARK, type BenchEntry } from '../shell/bench';

export const equipment: BenchEntry = {
  id: 'equipment',
  name: 'Equipment',
  key: '7',
  band: '#c79a66',
  ink: DARK,
  nightBand: '#402e1c',
  load: () => import('./equipment-bench').then((m) => m.EquipmentBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design, derived, units }) => {
    const device = Object.values(design.equipment).find(({ kind }) => kind === 'heater' || kind === 'cooler');
    if (device && 'setPointC' in device) return `${device.kind} at ${formatQuantity('temperature', device.setPointC, units)}`;
    const span = derived['planned.temperatureC'].interval;
    return span ? `no heater, ${formatSpan('temperature', span, units)}` : 'no heater';
  },
};
