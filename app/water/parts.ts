import type { BenchPart } from '../shell/bench';

/** What stands on this bench, as people look for it. */
export const parts: readonly BenchPart[] = [
  {
    name: 'Everyone’s ranges',
    words: ['match', 'GH', 'KH', 'pH', 'hardness', 'conductivity', 'parameters', 'water chemistry', 'target water'],
  },
  { name: 'Recipe', words: ['remineralise', 'remineralize', 'RO', 'mixing', 'salts', 'minerals', 'dosing'], control: 'recipe' },
  { name: 'Sources', words: ['tap', 'tap water', 'rain water', 'osmosis', 'well', 'water report'], control: 'sources' },
  { name: 'Mixture', words: ['own salt mix', 'salt mix'], control: 'mixture' },
  { name: 'Conditioner', words: ['dechlorinator', 'chlorine', 'chloramine'], control: 'conditioner' },
  { name: 'Readings', words: ['test', 'strip test', 'test kit', 'measurement'], control: 'readings' },
  { name: 'Materials in the water', words: ['leaves', 'peat', 'catappa', 'tannins', 'carbon', 'filter media'], control: 'lying' },
  { name: 'Forecast', words: ['prediction', 'nitrate', 'ammonia', 'twelve weeks', 'future', 'trend'], face: 'forecast' },
  { name: 'Change', words: ['water change', 'shift', 'evaporation', 'top up', 'kept water', 'rescape'], face: 'change' },
  { name: 'Acclimate', words: ['acclimation', 'drip', 'new arrivals', 'bag', 'quarantine'], face: 'acclimate' },
  { name: 'Analysis', words: ['report', 'lab report', 'ions', 'ICP'], face: 'analysis' },
  { name: 'Laboratory', words: ['calculator', 'formula', 'what if', 'experiment'], face: 'laboratory' },
];
