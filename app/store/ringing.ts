import { PARAMETER_META } from '../../core/reading/parameter';
import type { Alarm } from '../../core/monitor/watch';
import type { Followed } from './monitors';

export interface Ringing {
  designId: string;
  name: string;
  /** What is wrong, in words. */
  text: string;
  simulated: boolean;
}

/** A word for the bar: what it is and of what; how far off it is stands beside the probe. */
const wordOf = ({ parameter, what, endedMs }: Alarm): string => {
  const name = parameter === null ? 'the monitor' : PARAMETER_META[parameter].name;
  return `${name} ${what === 'silent' ? 'is silent' : `is too ${what}`}${endedMs === null ? '' : ' (it has come back)'}`;
};

/** Alarms that nobody has seen to, one line for each tank. */
export function ringingOf(all: readonly Followed[]): (Ringing & { key: string })[] {
  return all.flatMap(({ designId, name, watch }) => {
    const open = watch.alarms.filter(({ heard }) => !heard);
    if (open.length === 0) return [];
    return [
      {
        key: `${designId} ${open.map(({ parameter, what, sinceMs }) => `${parameter} ${what} ${sinceMs}`).join(' ')}`,
        designId,
        name,
        text: open.map(wordOf).join('; '),
        simulated: watch.hello?.simulated ?? true,
      },
    ];
  });
}
