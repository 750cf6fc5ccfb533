import { daysFrom, dayOf } from '../../core/schedule/day';
import { plural } from '../../core/quantity/plural';
import { LIGHT, type BenchEntry } from '../shell/bench';

export const startup: BenchEntry = {
  id: 'startup',
  name: 'Start-up',
  key: '9',
  band: '#8f5a39',
  ink: LIGHT,
  nightBand: '#352317',
  load: () => import('./startup-bench').then((m) => m.StartupBench),
  parts: () => import('./parts').then((m) => m.parts),
  line: ({ design: { startup: plan, build } }) => {
    const done = Object.keys(build.ticks).length;
    if (!plan) return done > 0 ? `${plural(done, 'step')} of the work done` : 'not planned';
    if (plan.challengedOn !== null) return 'challenge passed';
    const day = daysFrom(plan.begun, dayOf(new Date()));
    return day < 0 ? `begins in ${-day} days` : `day ${day}`;
  },
};
