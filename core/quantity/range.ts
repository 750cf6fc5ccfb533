/** A closed interval, low <= high. */
export type Span = readonly [low: number, high: number];

/** An interval whose edges may be unknown (null): unknown is not the same as unlimited. */
export type OpenSpan = readonly [low: number | null, high: number | null];

/** The overlap of two spans; null when they do not meet. Touching ends count as meeting. */
export function intersect(a: Span, b: Span): Span | null {
  const low = Math.max(a[0], b[0]);
  const high = Math.min(a[1], b[1]);
  return low <= high ? [low, high] : null;
}

export function contains(span: Span, value: number): boolean {
  return value >= span[0] && value <= span[1];
}

/** How far a value lies outside the span, in the unit of the span; 0 inside. Unknown edges never count. */
export function distanceOutside(span: OpenSpan, value: number): number {
  const [low, high] = span;
  if (low !== null && value < low) return low - value;
  if (high !== null && value > high) return value - high;
  return 0;
}

/** Whether every known edge is in order: low <= high. */
export function isOrdered(span: OpenSpan): boolean {
  return span[0] === null || span[1] === null || span[0] <= span[1];
}
