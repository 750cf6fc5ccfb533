import { bisectLeft, median } from 'd3-array';
import { rangeOf, type RoomKit } from '../reading/doubt';
import type { LoggedParameter } from '../reading/parameter';
import type { ReadingEntry } from './model';
import type { Line } from './timeline';

/** All that was read of one parameter, in the order of time. */
export interface LogSeries {
  parameter: LoggedParameter;
  /** Milliseconds since 1970. */
  times: Float64Array;
  values: Float64Array;
  /** The readings themselves, in the same order. */
  lines: readonly Line[];
  /** Any of it was made up by a stand-in. */
  simulated: boolean;
}

/** Lines that are readings and stand. */
export function readingsIn(lines: readonly Line[]): { line: Line; reading: ReadingEntry }[] {
  return lines.flatMap((line) => (line.entry.kind === 'reading' && !line.struck ? [{ line, reading: line.entry }] : []));
}

/** Every parameter that was read, each as a series. */
export function seriesOf(lines: readonly Line[]): Map<LoggedParameter, LogSeries> {
  const found = new Map<LoggedParameter, Line[]>();
  for (const line of lines) {
    if (line.struck || line.entry.kind !== 'reading') continue;
    for (const parameter of Object.keys(line.entry.values) as LoggedParameter[]) {
      const there = found.get(parameter);
      if (there) there.push(line);
      else found.set(parameter, [line]);
    }
  }
  return new Map([...found].map(([parameter, of]) => [parameter, asSeries(parameter, of)]));
}

function asSeries(parameter: LoggedParameter, lines: Line[]): LogSeries {
  const times = new Float64Array(lines.length);
  const values = new Float64Array(lines.length);
  let simulated = false;
  for (const [i, { atMs, entry }] of lines.entries()) {
    const reading = entry as ReadingEntry;
    times[i] = atMs;
    values[i] = reading.values[parameter]!;
    simulated ||= reading.simulated;
  }
  return { parameter, times, values, lines, simulated };
}

/** Where the truth lies behind each reading, by the kit it was read with. */
export function rangesOf(series: LogSeries, kits: Readonly<Record<string, RoomKit>>): { low: Float64Array; high: Float64Array } {
  const low = new Float64Array(series.times.length);
  const high = new Float64Array(series.times.length);
  for (const [i, { entry, day }] of series.lines.entries()) {
    const { kit, kitId } = entry as ReadingEntry;
    [low[i], high[i]] = rangeOf(
      { parameter: series.parameter, kit, value: series.values[i]! },
      kitId === null ? null : (kits[kitId] ?? null),
      day,
    );
  }
  return { low, high };
}

/**
 * As much of a series as a picture of so many columns can show: of each column the first, the lowest, the highest and the last, so that
 * the line drawn through them is the line drawn through all of them, to the pixel.
 *
 * Source: Jugel et al. 2014, “M4: a visualization-oriented time series data aggregation”, Proc. VLDB Endow. 7:797.
 */
export function thinned(
  times: Float64Array,
  values: Float64Array,
  fromMs: number,
  toMs: number,
  columns: number,
): { times: number[]; values: number[] } {
  // one beyond either edge, so that the line runs out of the picture
  const first = Math.max(0, bisectLeft(times, fromMs) - 1);
  const last = Math.min(times.length, bisectLeft(times, toMs) + 1);
  const out = { times: [] as number[], values: [] as number[] };
  const put = (i: number): void => {
    out.times.push(times[i]!);
    out.values.push(values[i]!);
  };
  if (last - first <= 4 * columns) {
    for (let i = first; i < last; i++) put(i);
    return out;
  }
  const wide = (toMs - fromMs) / columns;
  for (let i = first; i < last;) {
    const edge = fromMs + (Math.floor((times[i]! - fromMs) / wide) + 1) * wide;
    let [low, high, end] = [i, i, i];
    for (let k = i; k < last && times[k]! < edge; k++) {
      if (values[k]! < values[low]!) low = k;
      if (values[k]! > values[high]!) high = k;
      end = k;
    }
    for (const k of [...new Set([i, ...(low < high ? [low, high] : [high, low]), end])]) put(k);
    i = end + 1;
  }
  return out;
}

/** A gap is longer than so many usual pauses: no line is drawn over what was not read. */
const GAP_TIMES = 3;

/** Pauses after which a line breaks, ms; null where readings come too seldom to speak of gaps. */
export function gapOf(times: Float64Array): number | null {
  if (times.length < 20) return null;
  const pauses = Array.from({ length: Math.min(2000, times.length - 1) }, (_, i) => {
    const at = times.length - 1 - i;
    return times[at]! - times[at - 1]!;
  });
  const usual = median(pauses)!;
  // a test a day or a week is a point of its own anyway
  return usual > 0 && usual < 6 * 3600_000 ? Math.max(GAP_TIMES * usual, 60_000) : null;
}

/** One value a day: the median of what was read on it, by the clock on the wall. */
export function byDay(series: LogSeries): { days: string[]; values: number[] } {
  const days: string[] = [];
  const values: number[] = [];
  let open: number[] = [];
  for (const [i, { day }] of series.lines.entries()) {
    if (day !== days.at(-1)) {
      if (open.length > 0) values.push(median(open)!);
      days.push(day);
      open = [];
    }
    open.push(series.values[i]!);
  }
  if (open.length > 0) values.push(median(open)!);
  return { days, values };
}
