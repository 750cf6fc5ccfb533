import type { Duty } from '../care/duty';
import { wordDuty, portionsOf } from './wording/duties';
import type { Assessment } from './assessment';
import { FOODS } from '../catalogue/food';
import type { NewEntry } from '../log/model';
import type { UnitChoice } from '../quantity/format';
import type { Day } from '../schedule/day';

/** What stands in the log once a duty is done as it was planned: a change is a change, a feeding a feeding; the rest by its name. */
export function entryOfDone(duty: Duty, day: Day, assessment: Assessment, units: UnitChoice): NewEntry {
  switch (duty.code) {
    case 'change':
      return { kind: 'change', litres: rounded(duty.values['litres']!), fraction: null };
    case 'top-up':
    case 'reservoir':
      return { kind: 'top-up', litres: rounded(duty.litresByMonth?.[Number(day.slice(5, 7)) - 1] ?? 0) };
    case 'feed': {
      const fed = portionsOf(assessment, day).map(({ portion }) => portion);
      const names = fed.map(({ foodId }) => (foodId === null ? 'dry feed' : FOODS[foodId].name));
      const grams = fed.reduce((sum, one) => sum + (one.grams ?? 0), 0);
      return { kind: 'feeding', what: names.join(', ').slice(0, 80) || 'dry feed', grams: grams > 0 ? rounded(grams) : null, left: null };
    }
    case 'trim':
      return { kind: 'trim', what: 'plants' };
    case 'panes':
      return { kind: 'cleaning', what: 'panes' };
    default:
      return taskOf(duty, day, assessment, units, 'done', null);
  }
}

/** A duty as it was left, put off or done in a way of its own. */
export function taskOf(
  duty: Duty,
  day: Day,
  assessment: Assessment,
  units: UnitChoice,
  how: 'done' | 'otherwise' | 'skipped' | 'later',
  days: number | null,
): NewEntry {
  const title = wordDuty(duty, day, assessment, units).title.replaceAll('*', '');
  return { kind: 'task', taskId: duty.id, title: title.slice(0, 80), how, days };
}

const rounded = (value: number): number => Number(value.toPrecision(3));
