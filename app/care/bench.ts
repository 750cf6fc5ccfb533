import { LIGHT, type BenchEntry } from '../shell/bench';
import { shortDay } from '../ui/day-text';

export const care: BenchEntry = {
  id: 'care',
  name: 'Care',
  key: '0',
  band: '#7d5035',
  ink: LIGHT,
  nightBand: '#2f1f16',
  load: () => import('./care-bench').then((m) => m.CareBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design: { care } }) => {
    const [next] = Object.values(care.steps)
      .map(({ day }) => day)
      .sort();
    if (next !== undefined) return `next on ${shortDay(next)}`;
    return care.change ? `${Math.round(care.change.fraction * 100)} % every ${care.change.everyDays} days` : 'not stated';
  },
};
