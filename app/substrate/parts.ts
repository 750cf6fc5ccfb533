import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  {
    name: 'Layers of the bed',
    words: ['sand', 'gravel', 'soil', 'bed', 'bottom', 'aquasoil', 'add layer', 'bare bottom'],
    control: 'layers',
  },
  { name: 'Zones', words: ['area', 'region of the bed', 'island'], control: 'zones' },
  { name: 'Slope and terraces', words: ['height of the bed', 'slope', 'terrace', 'bank', 'depth of sand'], control: 'layers' },
];
