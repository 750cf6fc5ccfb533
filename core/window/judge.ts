import type { Severity } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import { blurOf, type Parameter, type Phase } from '../catalogue/parameter';
import { distanceOutside, type OpenSpan, type Span } from '../quantity/range';

export interface Verdict {
  severity: Severity;
  /** Distance outside the optimum, in the parameter's unit; null when unknown. */
  excess: number | null;
  /** Which edge it breaks, or only just does not. */
  side: 'low' | 'high' | null;
  /** The edge broken: the tolerance's for a conflict, else the optimum's. */
  edge: number | null;
}

export interface JudgeOptions {
  /** The doubt about the value; omitted when it is exact. */
  interval?: Span;
  /** Which edges to look at (a winter low is not judged against the upper edge). */
  sides?: 'both' | 'low' | 'high';
  /** How blurred an edge is, in the parameter's unit: within it of an edge a value counts as inside. */
  blur?: (edge: number) => number;
  /**
   * Whether the optimum is wanted: for animals that are to breed. Those that are kept live in the whole of their tolerance, and only its
   * outer part, beyond this share of the way from comfort to the edge, is worth a word; Infinity for never.
   */
  wants?: 'optimum' | number;
}

const UNKNOWN: Verdict = { severity: 'unknown', excess: null, side: null, edge: null };

/**
 * One value against one organism's range. Conflict: outside the tolerance by more than its edge is blurred, and no part of the value's interval
 * reaches back into it. Watch: the same where the interval does reach back; outside the optimum where that is wanted; in the outer part of the
 * tolerance. An edge nobody knows can never clear a value.
 */
export function judge(
  range: ToleranceRange | null | undefined,
  value: number,
  { interval, sides = 'both', blur = () => 0, wants = 'optimum' }: JudgeOptions = {},
): Verdict {
  // what is no number is inside nothing
  if (!range || !Number.isFinite(value)) return UNKNOWN;
  const tolerance = onSides(range.tolerance, sides);
  const optimum = onSides(range.optimum, sides);
  const side = sideOf(optimum, value) ?? sideOf(tolerance, value);
  if (side === null) {
    const unsure = sides === 'both' ? optimum.includes(null) : range.optimum[sides === 'low' ? 0 : 1] === null;
    return unsure ? UNKNOWN : { severity: 'fits', excess: 0, side: null, edge: null };
  }
  const index = side === 'low' ? 0 : 1;
  const uncomfortable = distanceOutside(optimum, value);
  const beyond = distanceOutside(tolerance, value);
  const excess = Math.max(uncomfortable, beyond);
  const [liked, borne] = [optimum[index], tolerance[index]];
  if (borne !== null && beyond > blur(borne)) {
    const mayReachBack = interval?.some((end) => distanceOutside(tolerance, end) === 0) ?? false;
    return { severity: mayReachBack ? 'watch' : 'conflict', excess, side, edge: borne };
  }
  const fits: Verdict = { severity: 'fits', excess: 0, side, edge: liked };
  if (liked === null || uncomfortable <= blur(liked)) return fits;
  if (wants === 'optimum') return { severity: 'watch', excess, side, edge: liked };
  return borne !== null && uncomfortable > wants * Math.abs(borne - liked) ? { severity: 'watch', excess, side, edge: liked } : fits;
}

/** Whose range it is, and what the value is. */
export interface About {
  parameter: Parameter;
  kind: 'animal' | 'plant';
  phase: Phase;
}

/** Animals that are kept live as well at the outer edge of a pH or KH they bear; hardness, salt and heat wear on them there. Common practice. */
const OUTER_PART: Readonly<Record<Parameter, number>> = {
  temperatureC: 0.75,
  ph: Infinity,
  ghDh: 0.75,
  khDh: Infinity,
  ec25UsPerCm: Infinity,
  salinity: 0.75,
};
/** A plant so many blurs beyond its tolerance is lost for sure; nearer by it does poorly. */
const PLANT_LOST = 2;

/** One value for one of those who live here: as `judge`, with the blur of the parameter and what the phase asks for. */
export function judgeFor(
  { parameter, kind, phase }: About,
  range: ToleranceRange | null | undefined,
  value: number,
  options: Pick<JudgeOptions, 'interval' | 'sides'> = {},
): Verdict {
  const wants = kind === 'plant' ? Infinity : phase === 'keep' ? OUTER_PART[parameter] : 'optimum';
  const verdict = judge(range, value, { ...options, wants, blur: (edge) => blurOf(parameter, edge, kind) });
  if (kind === 'animal' || verdict.severity !== 'conflict' || verdict.edge === null) return verdict;
  const lost = Math.abs(value - verdict.edge) > PLANT_LOST * blurOf(parameter, verdict.edge, 'plant');
  return lost ? verdict : { ...verdict, severity: 'watch' };
}

function onSides([low, high]: OpenSpan, sides: 'both' | 'low' | 'high'): OpenSpan {
  return [sides === 'high' ? null : low, sides === 'low' ? null : high];
}

function sideOf([low, high]: OpenSpan, value: number): 'low' | 'high' | null {
  if (low !== null && value < low) return 'low';
  if (high !== null && value > high) return 'high';
  return null;
}
