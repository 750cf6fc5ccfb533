import { agenda, type Due } from '../../care/agenda';
import type { Duty, Mark } from '../../care/duty';
import type { Design } from '../../design/design';
import type { ServiceTask } from '../../equipment/service';
import type { Entry } from '../../log/model';
import { standing, type Line } from '../../log/timeline';
import type { Day } from '../../schedule/day';
import { courseAsDone } from '../../tank/refit';
import { TooStiff } from '../../tank/integrate';
import type { Assessment } from '../assessment';
import { meterFor } from '../forecast';

/** What cleaning a filter or an intake does of the service of gear. */
const CLEANED: Readonly<Partial<Record<Extract<Entry, { kind: 'cleaning' }>['what'], readonly ServiceTask[]>>> = {
  filter: ['sponge', 'mat', 'hang-on', 'internal', 'canister', 'sump', 'undergravel'],
  intake: ['prefilter'],
  bed: ['undergravel'],
};

/** Whether what was written down is this duty done, without saying so: a change is a change however it was written. */
function does(entry: Entry, { code, subjects }: Duty): boolean {
  switch (entry.kind) {
    case 'change':
      return code === 'change';
    case 'top-up':
      return code === 'top-up' || code === 'reservoir';
    case 'feeding':
      return code === 'feed';
    case 'trim':
      return code === 'trim';
    case 'behaviour':
    case 'eating':
      return code === 'look';
    case 'cleaning':
      return (
        (code === 'panes' && entry.what === 'panes') ||
        (code === 'service' && (CLEANED[entry.what] ?? []).some((task) => subjects.includes(task)))
      );
    default:
      return false;
  }
}

/** What a log says was done of each duty. */
export function marksOf(duties: readonly Duty[], lines: readonly Line[]): Map<string, Mark[]> {
  const marks = new Map<string, Mark[]>(duties.map(({ id }) => [id, []]));
  // each kit has a reading of its own: what was tested is what was tested in a day
  const tested = new Map<Day, Set<string>>();
  for (const { entry, day } of standing(lines)) {
    if (entry.kind === 'task') marks.get(entry.taskId)?.push({ day, how: entry.how, days: entry.days });
    else if (entry.kind === 'reading') {
      if (entry.from === 'hand') tested.set(day, new Set([...(tested.get(day) ?? []), ...Object.keys(entry.values)]));
    } else for (const duty of duties) if (does(entry, duty)) marks.get(duty.id)!.push({ day, how: 'done', days: null });
  }
  for (const { id, code, subjects } of duties) {
    if (code !== 'test') continue;
    for (const [day, read] of tested) {
      // at least half of what belongs to it
      if (subjects.filter((one) => read.has(one)).length * 2 >= subjects.length) marks.get(id)!.push({ day, how: 'done', days: null });
    }
  }
  return marks;
}

/** The day from which the routine counts; null while nothing says since when the tank runs. */
export function runsSince(design: Design, lines: readonly Line[]): Day | null {
  return design.care.since ?? design.startup?.begun ?? lines.find(({ struck }) => !struck)?.day ?? null;
}

/** What falls due in so many days from today on; null while nothing says since when the tank runs. */
export function agendaOf(design: Design, duties: readonly Duty[], lines: readonly Line[], today: Day, days: number): Due[] | null {
  const since = runsSince(design, lines);
  if (since === null) return null;
  const marks = marksOf(duties, lines);
  // what a probe was held in stands with the probe
  for (const [parameter, points] of Object.entries(design.care.monitor?.calibration ?? {}))
    for (const { day } of points) marks.get(`calibrate:${parameter}`)?.push({ day, how: 'done', days: null });
  return agenda(duties, marks, since, today, days);
}

/** What comes of it where the next change is left out: nitrate before the one after, with it and without. Null where it cannot be followed. */
export function withoutChange(assessment: Assessment, everyDays: number, fraction: number): { with: number; without: number } | null {
  const { derived } = assessment;
  const scenario = derived['tank.ahead'].value?.scenario;
  const mixed = derived['water.mixed'].value;
  if (!scenario || !mixed) return null;
  const settle = Math.ceil(84 / everyDays) * everyDays;
  const days = settle + 2 * everyDays;
  const at = (left: number | null) => (day: number) => (day > 0 && day % everyDays === 0 && day !== left ? fraction : 0);
  try {
    const options = { days, conductivity: meterFor(mixed) };
    const end = (left: number | null) => courseAsDone(scenario, options, at(left)).nitrate[settle + everyDays * 2 - 1]!;
    return { with: end(null), without: end(settle + everyDays) };
  } catch (error) {
    if (error instanceof TooStiff) return null;
    throw error;
  }
}
