import { median } from 'd3-array';
import { MONITORED, calibrationOf, setRight, type CalibrationPoint, type Monitored } from '../reading/calibration';
import type { Hello, Measured } from './message';

export interface Limits {
  low: number | null;
  high: number | null;
}

/** How a monitor is listened to. */
export interface WatchPlan {
  /** One entry in the log for so many minutes: the median of what was measured in them. */
  recordMinutes: number;
  /** Out of its limits for so long before it is an alarm. */
  afterSeconds: number;
  /** Silent for so long before that is one. */
  silentMinutes: number;
  limits: Readonly<Partial<Record<Monitored, Limits>>>;
  calibration: Readonly<Partial<Record<Monitored, readonly CalibrationPoint[]>>>;
}

export interface Alarm {
  /** Of which probe; null for the monitor as a whole. */
  parameter: Monitored | null;
  what: 'low' | 'high' | 'silent';
  sinceMs: number;
  /** The worst that was read meanwhile; null for silence. */
  worst: number | null;
  /** The limit that was passed. */
  limit: number | null;
  /** It came back by itself; it stands until it was heard. */
  endedMs: number | null;
  heard: boolean;
}

/** A time in which nothing was measured. */
export interface Gap {
  fromMs: number;
  toMs: number;
}

/** What is known of a monitor by all that it said. */
export interface Watch {
  hello: Hello | null;
  /** The last turn. */
  last: Measured | null;
  /** The last figure of each probe, as it was read and set right. */
  now: Readonly<Partial<Record<Monitored, { atMs: number; read: number; value: number }>>>;
  /** The last hour, turn by turn, set right. */
  recent: readonly Measured[];
  /** What the next entry is made of. */
  open: readonly Measured[];
  gaps: readonly Gap[];
  alarms: readonly Alarm[];
  /** Since when a probe has been out of its limits; and since when within them again. */
  out: Readonly<Partial<Record<Monitored, { sinceMs: number; side: 'low' | 'high'; worst: number; turns: number }>>>;
  within: Readonly<Partial<Record<Monitored, number>>>;
}

export const NOTHING_HEARD: Watch = { hello: null, last: null, now: {}, recent: [], open: [], gaps: [], alarms: [], out: {}, within: {} };

/** What there is to write down. */
export interface ToWrite {
  /** At the last turn that it is made of. */
  records: readonly { tick: number; atMs: number; values: Readonly<Partial<Record<Monitored, number>>> }[];
  gaps: readonly Gap[];
}

const RECENT_MS = 3600_000;
const RECENT_MOST = 1200;
const GAPS_KEPT = 50;
const ALARMS_KEPT = 20;
/** So many turns in a row before anything is an alarm: one figure that leaps is a plug that was touched. */
const LEAST_TURNS = 3;
/** A clock is a little late now and then: that is no gap. */
const LATE_TURNS = 1.5;
/** So many turns without a word before it is called silent. */
export const STALE_TURNS = 3;
/** Silences of fewer turns than that stand beside the probe, and not in the log. */
export const NOTED_TURNS = 12;

const DIGITS: Readonly<Record<Monitored, number>> = { temperatureC: 2, ph: 2, ec25UsPerCm: 0, levelMm: 0 };

/** The whole minutes of the clock that an instant belongs to. */
const boxOf = (ms: number, minutes: number): number => Math.floor(ms / (minutes * 60_000));

/** The median of what each probe gave; a probe that gave nothing is left out, and is not guessed. */
function recordOf(turns: readonly Measured[]): ToWrite['records'][number] {
  const values: Partial<Record<Monitored, number>> = {};
  for (const parameter of MONITORED) {
    const middle = median(turns, ({ values: of }) => of[parameter]);
    if (middle !== undefined) values[parameter] = Number(middle.toFixed(DIGITS[parameter]));
  }
  const last = turns.at(-1)!;
  return { tick: last.tick, atMs: last.at, values };
}

/** Begins to listen, or comes back to it. */
export const greeted = (watch: Watch, hello: Hello): Watch => ({ ...watch, hello });

/**
 * Takes in what was measured, in order; a turn that was taken in before is left.
 *
 * @returns what is known now, and what is to be written down
 */
export function heard(watch: Watch, turns: readonly Measured[], plan: WatchPlan): { watch: Watch; write: ToWrite } {
  const everyMs = (watch.hello?.everyS ?? 1) * 1000;
  const lines = MONITORED.map((parameter) => [parameter, calibrationOf(parameter, plan.calibration[parameter] ?? [])] as const);
  const records: ToWrite['records'][number][] = [];
  const newGaps: Gap[] = [];
  const now = { ...watch.now };
  const recent = [...watch.recent];
  let open = [...watch.open];
  let { last, out, within, alarms } = watch;
  for (const turn of turns) {
    if (last && turn.at <= last.at) continue;
    if (last && turn.at - last.at > LATE_TURNS * everyMs + 50) newGaps.push({ fromMs: last.at, toMs: turn.at });
    const values: Measured['values'] = {};
    for (const [parameter, line] of lines) {
      const read = turn.values[parameter];
      if (read === undefined) continue;
      values[parameter] = setRight(parameter, line, read);
      now[parameter] = { atMs: turn.at, read, value: values[parameter] };
    }
    const right = { ...turn, values };
    if (open.length > 0 && boxOf(open[0]!.at, plan.recordMinutes) !== boxOf(turn.at, plan.recordMinutes)) {
      records.push(recordOf(open));
      open = [];
    }
    if (Object.keys(values).length > 0) open.push(right);
    recent.push(right);
    ({ out, within, alarms } = judged({ out, within, alarms }, right, plan));
    last = turn;
  }
  const from = (last?.at ?? 0) - RECENT_MS;
  return {
    watch: {
      ...watch,
      last,
      now,
      recent: recent.filter(({ at }) => at >= from).slice(-RECENT_MOST),
      open,
      gaps: [...watch.gaps, ...newGaps].slice(-GAPS_KEPT),
      alarms,
      out,
      within,
    },
    write: {
      records: records.filter(({ values }) => Object.keys(values).length > 0),
      gaps: newGaps.filter((gap) => isNoted(gap, everyMs)),
    },
  };
}

/** Long enough to be told in the log. */
const isNoted = ({ fromMs, toMs }: Gap, everyMs: number): boolean => toMs - fromMs > NOTED_TURNS * everyMs;

/** What is still open when nobody listens any more. */
export function closed(watch: Watch): { watch: Watch; write: ToWrite } {
  const records = watch.open.length > 0 ? [recordOf(watch.open)] : [];
  return { watch: { ...watch, open: [] }, write: { records, gaps: [] } };
}

type Judged = Pick<Watch, 'out' | 'within' | 'alarms'>;

/** Alarms by one turn: raised once a probe has been out for long enough, ended once it has been within for as long. */
function judged({ out, within, alarms }: Judged, turn: Measured, plan: WatchPlan): Judged {
  const nextOut = { ...out };
  const nextWithin = { ...within };
  let next = alarms;
  for (const parameter of MONITORED) {
    const value = turn.values[parameter];
    if (value === undefined) continue;
    next = ended(next, (one) => one.parameter === parameter && one.what === 'silent', turn.at);
    const { low = null, high = null } = plan.limits[parameter] ?? {};
    const side = low !== null && value < low ? 'low' : high !== null && value > high ? 'high' : null;
    const limit = side === 'low' ? low : high;
    const worse = (a: number, b: number) => (side === 'low' ? Math.min(a, b) : Math.max(a, b));
    if (side === null) {
      delete nextOut[parameter];
      const since = (nextWithin[parameter] ??= turn.at);
      if (turn.at - since >= plan.afterSeconds * 1000)
        next = ended(next, (one) => one.parameter === parameter && one.what !== 'silent', turn.at);
      continue;
    }
    delete nextWithin[parameter];
    const before = nextOut[parameter];
    const same = before?.side === side ? before : { sinceMs: turn.at, side: side as 'low' | 'high', worst: value, turns: 0 };
    const grown = { ...same, worst: worse(same.worst, value), turns: same.turns + 1 };
    nextOut[parameter] = grown;
    if (grown.turns < LEAST_TURNS || turn.at - grown.sinceMs < plan.afterSeconds * 1000) continue;
    const standing = next.find((one) => one.parameter === parameter && one.what === side && one.endedMs === null);
    if (standing) next = next.map((one) => (one === standing ? { ...one, worst: worse(one.worst ?? value, value) } : one));
    else
      next = [
        ...ended(next, (one) => one.parameter === parameter && one.what !== 'silent', turn.at),
        { parameter, what: side, sinceMs: grown.sinceMs, worst: grown.worst, limit, endedMs: null, heard: false },
      ];
  }
  return { out: nextOut, within: nextWithin, alarms: kept(ended(next, (one) => one.parameter === null, turn.at)) };
}

const ended = (alarms: readonly Alarm[], of: (alarm: Alarm) => boolean, atMs: number): readonly Alarm[] =>
  alarms.some((one) => one.endedMs === null && of(one))
    ? alarms.map((one) => (one.endedMs === null && of(one) ? { ...one, endedMs: atMs } : one))
    : alarms;

/** What was heard and is over goes; so does what is oldest. */
const kept = (alarms: readonly Alarm[]): readonly Alarm[] => {
  const left = alarms.filter(({ heard: was, endedMs }) => !was || endedMs === null);
  return left.length === alarms.length && left.length <= ALARMS_KEPT ? alarms : left.slice(-ALARMS_KEPT);
};

/**
 * Time passes: a monitor, or one of its probes, that has said nothing for too long is an alarm; so is one that never said a word.
 *
 * @param begunMs since when it is listened to
 */
export function waited(watch: Watch, plan: WatchPlan, nowMs: number, begunMs: number): Watch {
  const silentMs = plan.silentMinutes * 60_000;
  const lastMs = watch.last?.at ?? begunMs;
  const silent = (parameter: Monitored | null, sinceMs: number): Alarm[] =>
    nowMs - sinceMs > silentMs && !watch.alarms.some((one) => one.parameter === parameter && one.what === 'silent' && one.endedMs === null)
      ? [{ parameter, what: 'silent', sinceMs, worst: null, limit: null, endedMs: null, heard: false }]
      : [];
  // a monitor that is silent is one alarm, and not one for each of its probes
  const all = silent(null, lastMs);
  const isSilent = nowMs - lastMs > silentMs;
  const fresh = isSilent
    ? all
    : MONITORED.flatMap((parameter) => {
        const one = watch.now[parameter];
        return one ? silent(parameter, one.atMs) : [];
      });
  return fresh.length === 0 ? watch : { ...watch, alarms: kept([...watch.alarms, ...fresh]) };
}

/** Someone has seen to an alarm: it stands while it lasts, and rings no more. */
export const acknowledged = (watch: Watch): Watch => ({
  ...watch,
  alarms: kept(watch.alarms.map((one) => ({ ...one, heard: true }))),
});

/** Nothing new for so long that the figures are old. */
export function isStale(watch: Watch, nowMs: number, parameter: Monitored | null = null): boolean {
  const at = parameter === null ? watch.last?.at : watch.now[parameter]?.atMs;
  const everyMs = (watch.hello?.everyS ?? 1) * 1000;
  return at === undefined || nowMs - at > STALE_TURNS * everyMs + 2000;
}
