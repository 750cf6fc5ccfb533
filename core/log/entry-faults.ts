import type { LoggedParameter } from '../reading/parameter';
import type { Entry } from './model';
import type { Line } from './timeline';

/** Clocks of two devices are apart: so much ahead is no future. */
const AHEAD_MS = 5 * 60_000;
/** Nobody kept a tank with a program before then; what lies further back is a slip of the pen. */
const LONG_AGO = Date.parse('1970-01-01T00:00:00Z');

/** Why an entry cannot be taken; null when it can. @param now milliseconds since 1970 */
export function timeFault(entry: Pick<Entry, 'at'>, now: number): string | null {
  const at = Date.parse(entry.at);
  if (!Number.isFinite(at)) return 'there is no such time';
  if (at > now + AHEAD_MS) return 'that lies in the future: what is still to come belongs on the list of Care';
  return at < LONG_AGO ? 'that is longer ago than any tank here' : null;
}

/** What an entry says, in an order of its own: equal for equal content. */
function said({ id: _id, at: _at, written: _written, corrects: _corrects, ...rest }: Entry): string {
  return JSON.stringify(rest, (_, value: unknown) =>
    value !== null && typeof value === 'object' ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))) : value,
  );
}

/** The line that says the very same of the very same instant, if there is one. @param lines in the order of time */
export function doubleOf(entry: Entry, lines: readonly Line[]): Line | null {
  if (lines.length === 0) return null;
  const at = Date.parse(entry.at);
  const content = said(entry);
  for (let i = lines.length - 1; i >= 0 && lines[i]!.atMs >= at; i--)
    if (lines[i]!.atMs === at && !lines[i]!.struck && said(lines[i]!.entry) === content) return lines[i]!;
  return null;
}

/** What a value is more likely to be than what was written: another unit, or a point that was lost. */
export interface Slip {
  value: number;
  why: 'fahrenheit' | 'millisiemens' | 'point' | 'ppm';
}

/**
 * Whether a value looks like a slip of unit or of the decimal point, by what a tank can hold and by what was read last.
 *
 * @param last what was read before; null for nothing
 */
export function slipOf(parameter: LoggedParameter, value: number, last: number | null): Slip | null {
  const near = (candidate: number) => last === null || Math.abs(candidate - last) < 0.4 * Math.max(Math.abs(last), 1);
  if (parameter === 'temperatureC' && value > 45 && value <= 110) {
    const celsius = (value - 32) / 1.8;
    return celsius >= 0 && celsius <= 42 ? { value: celsius, why: 'fahrenheit' } : null;
  }
  if (parameter === 'ph' && value > 11 && value < 120) return { value: value / 10, why: 'point' };
  if (parameter === 'ec25UsPerCm' && value > 0 && value < 10 && (last === null ? false : last > 100))
    return { value: value * 1000, why: 'millisiemens' };
  if ((parameter === 'ghDh' || parameter === 'khDh') && last !== null && last > 0) {
    const degrees = value / 17.848;
    // read off a strip in mg/L of calcium carbonate
    if (value > 30 && value > 8 * last && near(degrees)) return { value: degrees, why: 'ppm' };
  }
  if (last !== null && last > 0 && value > 0) {
    const times = value / last;
    if (times > 7 && times < 14 && parameter !== 'nitrateMgPerL' && !/MgN|copper|iron|phosphate/.test(parameter))
      return { value: value / 10, why: 'point' };
  }
  return null;
}
