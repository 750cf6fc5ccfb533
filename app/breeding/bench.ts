import { plural } from '../../core/quantity/plural';
import { meantToBreed } from '../../core/stocking/company';
import { LIGHT, type BenchEntry } from '../shell/bench';

export const breeding: BenchEntry = {
  id: 'breeding',
  name: 'Breeding',
  key: '-',
  band: '#5d4031',
  ink: LIGHT,
  nightBand: '#291b14',
  load: () => import('./breeding-bench').then((m) => m.BreedingBench),
  line: ({ design: { stock } }) => {
    const kinds = Object.values(stock).filter(({ phase }) => meantToBreed(phase)).length;
    return kinds === 0 ? 'nobody is to breed' : `${plural(kinds, 'kind')} to breed`;
  },
  parts: () => import('./parts').then((m) => m.parts),
};
