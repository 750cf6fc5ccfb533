import type { Severity } from '../calculation/finding';
import type { ToleranceRange } from '../catalogue/organism';
import { distanceOutside, type OpenSpan, type Span } from '../quantity/range';

export interface Verdict {
  severity: Severity;
  /** Distance outside the optimum, in the parameter's unit; null when unknown. */
  excess: number | null;
  /** Which edge it breaks. */
  side: 'low' | 'high' | null;
  /** The edge broken: the tolerance's for a conflict, else the optimum's. */
  edge: number | null;
}

const UNKNOWN: Verdict = { severity: 'unknown', excess: null, side: null, edge: null };

/**
 * One value against one organism's range.
 * Conflict: outside the tolerance, and no part of the value's interval reaches back into it. Watch: outside the optimum,
 * or the interval crosses the edge of the tolerance. An edge nobody knows can never clear a value.
 *
 * @param interval the doubt about the value; omitted when it is exact
 * @param sides which edges to look at (a winter low is not judged against the upper edge)
 */
export function judge(
  range: ToleranceRange | null | undefined,
  value: number,
  interval?: Span,
  sides: 'both' | 'low' | 'high' = 'both',
): Verdict {
  if (!range) return UNKNOWN;
  const tolerance = onSides(range.tolerance, sides);
  const optimum = onSides(range.optimum, sides);
  const side = sideOf(optimum, value) ?? sideOf(tolerance, value);
  if (side === null) {
    const unsure = sides === 'both' ? optimum.includes(null) : range.optimum[sides === 'low' ? 0 : 1] === null;
    if (unsure) return UNKNOWN;
    const crosses = interval?.map((end) => sideOf(tolerance, end)).find((s) => s !== null);
    return crosses
      ? { severity: 'watch', excess: 0, side: crosses, edge: tolerance[crosses === 'low' ? 0 : 1] }
      : { severity: 'fits', excess: 0, side: null, edge: null };
  }
  const index = side === 'low' ? 0 : 1;
  const excess = Math.max(distanceOutside(optimum, value), distanceOutside(tolerance, value));
  const beyond = distanceOutside(tolerance, value) > 0;
  const mayReachBack = interval?.some((end) => distanceOutside(tolerance, end) === 0) ?? false;
  const conflict = beyond && !mayReachBack;
  return { severity: conflict ? 'conflict' : 'watch', excess, side, edge: (beyond ? tolerance : optimum)[index] };
}

function onSides([low, high]: OpenSpan, sides: 'both' | 'low' | 'high'): OpenSpan {
  return [sides === 'high' ? null : low, sides === 'low' ? null : high];
}

function sideOf([low, high]: OpenSpan, value: number): 'low' | 'high' | null {
  if (low !== null && value < low) return 'low';
  if (high !== null && value > high) return 'high';
  return null;
}
