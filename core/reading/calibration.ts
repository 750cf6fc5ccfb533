import * as z from 'zod';
import { Day } from '../schedule/day';
import { PARAMETER_META } from './parameter';

/** What a probe that stays in the tank reads. */
export const MONITORED = ['temperatureC', 'ph', 'ec25UsPerCm', 'levelMm'] as const;
export const Monitored = z.enum(MONITORED);
export type Monitored = z.infer<typeof Monitored>;

/** A probe held in something that is known: a buffer, a standard, beside a thermometer, at a rule on the pane. */
export const CalibrationPoint = z.strictObject({
  /** What it showed by itself. */
  read: z.number().finite().min(-1e5).max(1e5),
  /** What it should have shown. */
  is: z.number().finite().min(-1e5).max(1e5),
  day: Day,
});
export type CalibrationPoint = z.infer<typeof CalibrationPoint>;

/** A pH probe is held in two buffers; the others are set right at one point. */
export const POINTS: Readonly<Record<Monitored, 1 | 2>> = { temperatureC: 1, ph: 2, ec25UsPerCm: 1, levelMm: 1 };

/** What is usually held to it, and how often. Common practice: pH monthly, EC quarterly, the others once a year. */
export const CALIBRATION: Readonly<Record<Monitored, { standards: readonly number[]; everyDays: number }>> = {
  temperatureC: { standards: [], everyDays: 365 },
  ph: { standards: [7, 4.01], everyDays: 30 },
  ec25UsPerCm: { standards: [1413, 147], everyDays: 90 },
  levelMm: { standards: [], everyDays: 365 },
};

/** Two buffers that lie closer than that set no slope. */
const APART_PH = 1;
/** A slope below that is a probe that is worn or dirty; above it, one of the buffers was another. Common practice. */
const SLOPE_FROM = 0.85;
const SLOPE_TO = 1.05;
/** A cell that is off by more than that has a bubble, lime or a crack. Common practice. */
const CELL = [0.7, 1.4] as const;

/** How a probe stands by its points. */
export interface Calibrated {
  /** Shown = (read − zero) / slope + true at zero. */
  slope: number;
  /** What sets it right: true = times · read + plus. */
  times: number;
  plus: number;
  /** The oldest point; null for one that was never held in anything. */
  day: Day | null;
  /** Why it should not be trusted; null while it may. */
  fault: 'worn' | 'buffers' | 'cell' | 'too-close' | null;
}

/**
 * The line that sets a probe right. One point shifts it (of EC: turns it about nothing), two turn it as well.
 *
 * @param points in the order they were taken; the last two of pH and the last one of the others count
 */
export function calibrationOf(parameter: Monitored, points: readonly CalibrationPoint[]): Calibrated {
  const taken = points.slice(-POINTS[parameter]);
  const [a, b] = taken;
  const day = taken.reduce<Day | null>((first, point) => (first === null || point.day < first ? point.day : first), null);
  if (!a) return { slope: 1, times: 1, plus: 0, day, fault: null };
  if (parameter === 'ec25UsPerCm') {
    const times = a.read > 0 ? a.is / a.read : 1;
    return { slope: 1 / times, times, plus: 0, day, fault: times < CELL[0] || times > CELL[1] ? 'cell' : null };
  }
  if (!b) return { slope: 1, times: 1, plus: a.is - a.read, day, fault: null };
  const slope = (b.read - a.read) / (b.is - a.is);
  if (Math.abs(b.is - a.is) < APART_PH || !(slope > 0.2))
    return { slope: 1, times: 1, plus: b.is - b.read, day: b.day, fault: 'too-close' };
  const fault = slope < SLOPE_FROM ? 'worn' : slope > SLOPE_TO ? 'buffers' : null;
  return { slope, times: 1 / slope, plus: a.is - a.read / slope, day, fault };
}

/** What a probe's figure is, set right; never less than nothing of what there is no less of. */
export function setRight(parameter: Monitored, { times, plus }: Pick<Calibrated, 'times' | 'plus'>, read: number): number {
  const [least] = PARAMETER_META[parameter].canBe;
  return Math.max(least, times * read + plus);
}
