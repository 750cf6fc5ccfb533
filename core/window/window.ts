import type { ToleranceRange } from '../catalogue/organism';
import type { Parameter } from '../catalogue/parameter';
import type { Fact } from '../quantity/fact';
import { intersect, type Span } from '../quantity/range';

/** One organism's say in a window. */
export interface WindowMember {
  /** The stock or scene id it stands for. */
  id: string;
  name: string;
  range: Fact<ToleranceRange> | undefined;
}

/** The shared range of one parameter: where all are comfortable, where all survive, and who sets each edge. */
export interface Window {
  parameter: Parameter;
  /** null when the optima do not meet or nobody's is known. */
  optimum: Span | null;
  /** null when the tolerances do not meet or nobody's is known. */
  tolerance: Span | null;
  /** Who sets the edges of the optimum (of the tolerance when the optima do not meet). */
  setBy: { low: string[]; high: string[] };
  /** The pair whose tolerances are furthest apart, when they do not meet: [needs lower, needs higher]. */
  clash: [string, string] | null;
  /** The pair whose optima are furthest apart, when these do not meet though the tolerances do. */
  strain: [string, string] | null;
  /** Whose range is not known. */
  unknown: string[];
  members: readonly WindowMember[];
}

interface Edge {
  id: string;
  low: number;
  high: number;
}

function edgesOf(members: readonly WindowMember[], which: 'optimum' | 'tolerance'): Edge[] {
  const edges: Edge[] = [];
  for (const member of members) {
    const span = member.range?.value?.[which];
    if (span && (span[0] !== null || span[1] !== null)) {
      edges.push({ id: member.id, low: span[0] ?? -Infinity, high: span[1] ?? Infinity });
    }
  }
  return edges;
}

function overlap(edges: readonly Edge[]): { span: Span | null; low: Edge; high: Edge } | null {
  const [first, ...rest] = edges;
  if (!first) return null;
  let low = first;
  let high = first;
  for (const edge of rest) {
    if (edge.low > low.low) low = edge;
    if (edge.high < high.high) high = edge;
  }
  return { span: intersect([low.low, Infinity], [-Infinity, high.high]), low, high };
}

/** Infinity exists nowhere in results: an edge nobody sets is taken from the limits of the parameter. */
function within(span: Span | null, limits: Span): Span | null {
  return span && [Math.max(span[0], limits[0]), Math.min(span[1], limits[1])];
}

/**
 * The window of one parameter.
 *
 * @param members everyone in the tank with the range of the phase each is meant to be in
 * @param limits the physical limits of the parameter, used where nobody sets an edge
 */
export function windowOf(parameter: Parameter, members: readonly WindowMember[], limits: Span): Window {
  const optimum = overlap(edgesOf(members, 'optimum'));
  const tolerance = overlap(edgesOf(members, 'tolerance'));
  const edges = optimum?.span ? edgesOf(members, 'optimum') : edgesOf(members, 'tolerance');
  const shown = optimum?.span ? optimum : tolerance;
  return {
    parameter,
    optimum: within(optimum?.span ?? null, limits),
    tolerance: within(tolerance?.span ?? null, limits),
    setBy: {
      low: shown && Number.isFinite(shown.low.low) ? edges.filter((edge) => edge.low === shown.low.low).map((edge) => edge.id) : [],
      high: shown && Number.isFinite(shown.high.high) ? edges.filter((edge) => edge.high === shown.high.high).map((edge) => edge.id) : [],
    },
    clash: tolerance && !tolerance.span ? [tolerance.high.id, tolerance.low.id] : null,
    strain: optimum && !optimum.span && tolerance?.span ? [optimum.high.id, optimum.low.id] : null,
    unknown: members.filter((member) => !member.range?.value).map((member) => member.id),
    members,
  };
}
