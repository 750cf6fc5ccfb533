import type { Span } from './range';

/**
 * Trapezoid suitability of a value: 1 inside the optimum, 0 outside the tolerance, linear between.
 *
 * @param value any finite number, in the unit of the spans
 * @param optimum the comfortable span; must lie inside the tolerance
 * @param tolerance the span in which the organism survives
 * @returns a score from 0 to 1. Where an edge of optimum and tolerance coincide the score steps.
 */
export function trapezoidSuitability(value: number, optimum: Span, tolerance: Span): number {
  if (value < tolerance[0] || value > tolerance[1]) return 0;
  if (value < optimum[0]) return (value - tolerance[0]) / (optimum[0] - tolerance[0]);
  if (value > optimum[1]) return (tolerance[1] - value) / (tolerance[1] - optimum[1]);
  return 1;
}
