import { scaleLinear } from 'd3-scale';
import type { Window } from '../../core/window/window';
import type { Span } from '../../core/quantity/range';

export const AXIS = { width: 520, label: 170, right: 12, line: 15, top: 14 };

export interface AxisSource {
  name: string;
  value: number | null;
}

/** One parameter's axis with everyone's ranges, the shared window, the sources and the plan: numbers in, places out. */
export function layoutAxis(
  window: Window | null,
  planned: { value: number | null; interval: Span | null },
  sources: readonly AxisSource[],
  fallback: Span,
  shown: (canonical: number) => number,
) {
  const members = window?.members ?? [];
  const values = [
    ...members.flatMap(({ range }) => [...(range?.value?.tolerance ?? [])]),
    ...sources.map(({ value }) => value),
    planned.value,
    ...(planned.interval ?? []),
  ].filter((value): value is number => value !== null);
  const [low, high] = values.length > 0 ? [Math.min(...values), Math.max(...values)] : fallback;
  const x = scaleLinear()
    .domain([shown(low), shown(high === low ? low + 1 : high)])
    .nice(5)
    .range([AXIS.label, AXIS.width - AXIS.right]);
  const at = (value: number) => Math.round(x(shown(value)) * 10) / 10;
  const base = AXIS.top + Math.max(1, members.length) * AXIS.line;
  const bar = (span: readonly [number | null, number | null] | undefined) => span && { from: at(span[0] ?? low), to: at(span[1] ?? high) };
  const span = window?.optimum ?? null;
  return {
    base,
    height: base + 46,
    rows: members.map((member, i) => ({
      id: member.id,
      name: member.name,
      y: AXIS.top + i * AXIS.line + 4,
      tolerance: bar(member.range?.value?.tolerance),
      optimum: bar(member.range?.value?.optimum),
    })),
    band: span && { x: at(span[0]), width: Math.max(1, at(span[1]) - at(span[0])) },
    ticks: x.ticks(5).map((tick) => ({ x: Math.round(x(tick)), text: String(tick) })),
    sources: sources.flatMap(({ name, value }) => (value === null ? [] : [{ name, x: at(value) }])),
    pin:
      planned.value === null
        ? null
        : { x: at(planned.value), from: at(planned.interval?.[0] ?? planned.value), to: at(planned.interval?.[1] ?? planned.value) },
  };
}
