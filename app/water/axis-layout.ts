import { scaleLinear } from 'd3-scale';
import type { Span } from '../../core/quantity/range';
import type { Window } from '../../core/window/window';

/** Width of a letter of a source's name, near enough, and the height of a line of them. */
const NAME = { letter: 6.1, line: 12 };

export const AXIS = { width: 520, label: 170, right: 14, line: 15, top: 16, lane: 17 };

/** A value that stands on an axis and may be moved along it. */
export interface AxisMark {
  id: string;
  name: string;
  value: number;
}

/** What one salt or material does to the value: from, to. */
export interface AxisStep {
  id: string;
  name: string;
  from: number;
  to: number;
  /** A salt is weighed, so its end can be moved; what stone or soil does follows. */
  movable: boolean;
}

export interface AxisInput {
  window: Window | null;
  planned: { value: number | null; interval: Span | null };
  sources: readonly AxisMark[];
  steps: readonly AxisStep[];
  fallback: Span;
  /** From the canonical unit to the one on show. */
  shown: (canonical: number) => number;
  /** Kept while something is dragged, so that the axis does not move under the finger. */
  domain?: Span | null;
}

/** The canonical span an axis has to hold. */
export function axisDomain({ window, planned, sources, steps, fallback }: AxisInput): Span {
  const values = [
    ...(window?.members ?? []).flatMap(({ range }) => [...(range?.value?.tolerance ?? [])]),
    ...sources.map(({ value }) => value),
    ...steps.flatMap(({ from, to }) => [from, to]),
    planned.value,
    ...(planned.interval ?? []),
  ].filter((value): value is number => value !== null);
  if (values.length === 0) return fallback;
  const [low, high] = [Math.min(...values), Math.max(...values)];
  return [low, high === low ? low + 1 : high];
}

/** One parameter's axis with everyone's ranges, the shared window, sources, steps and the plan: numbers in, places out. */
export function layoutAxis(input: AxisInput) {
  const { window, planned, sources, steps, shown } = input;
  const members = window?.members ?? [];
  const [low, high] = input.domain ?? axisDomain(input);
  const x = scaleLinear()
    .domain([shown(low), shown(high)])
    .nice(5)
    .range([AXIS.label, AXIS.width - AXIS.right]);
  const inside = (place: number) => Math.min(AXIS.width - AXIS.right, Math.max(AXIS.label, place));
  const at = (value: number) => Math.round(inside(x(shown(value))) * 10) / 10;
  const rows = AXIS.top + Math.max(1, members.length) * AXIS.line;
  const base = rows + (steps.length > 0 ? AXIS.lane : 0);
  const bar = (span: readonly [number | null, number | null] | undefined) => span && { from: at(span[0] ?? low), to: at(span[1] ?? high) };
  const band = window?.optimum ?? null;
  const [left = low, right = high] = x.domain();
  const named = nameLines(sources.map((source) => ({ ...source, x: at(source.value) })));
  return {
    base,
    lane: rows + 3,
    height: base + 44 + NAME.line * Math.max(0, ...named.map(({ line }) => line)),
    /** A place on the drawing back to the value on show. */
    valueAt: (place: number) => Math.min(right, Math.max(left, x.invert(place))),
    shownSpan: [left, right] as Span,
    rows: members.map((member, i) => ({
      id: member.id,
      name: member.name,
      y: AXIS.top + i * AXIS.line + 4,
      tolerance: bar(member.range?.value?.tolerance),
      optimum: bar(member.range?.value?.optimum),
    })),
    band: band && { x: at(band[0]), width: Math.max(1, at(band[1]) - at(band[0])) },
    ticks: x.ticks(5).map((tick) => ({ x: Math.round(x(tick)), text: String(tick) })),
    sources: named.map((source) => ({ ...source, drop: source.line * NAME.line })),
    steps: steps.map((step) => ({ ...step, x1: at(step.from), x2: at(step.to) })),
    pin:
      planned.value === null
        ? null
        : { x: at(planned.value), from: at(planned.interval?.[0] ?? planned.value), to: at(planned.interval?.[1] ?? planned.value) },
  };
}

/** Where a source's name stands: clear of the ends, and a line lower where it would run into one before it. */
function nameLines<T extends AxisMark & { x: number }>(
  marks: readonly T[],
): (T & { line: number; anchor: 'start' | 'middle' | 'end'; nameX: number })[] {
  const ends: number[] = [];
  return [...marks]
    .sort((a, b) => a.x - b.x)
    .map((mark) => {
      const width = mark.name.length * NAME.letter;
      const anchor = mark.x - width / 2 < AXIS.label - 20 ? 'start' : mark.x + width / 2 > AXIS.width ? 'end' : 'middle';
      const nameX = anchor === 'start' ? mark.x - 5 : anchor === 'end' ? mark.x + 5 : mark.x;
      const from = anchor === 'start' ? nameX : anchor === 'end' ? nameX - width : nameX - width / 2;
      const free = ends.findIndex((end) => end + 4 <= from);
      const line = free < 0 ? ends.length : free;
      ends[line] = from + width;
      return { ...mark, line, anchor, nameX };
    });
}
