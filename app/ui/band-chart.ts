import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { bisectCenter } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { formatNumber, inChosenUnit, unitOf } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';

/** One curve with its doubt; canonical units. */
export interface Band {
  usual: ArrayLike<number>;
  low?: ArrayLike<number>;
  high?: ArrayLike<number>;
}

/** A further curve beside the first, dashed. */
export interface BesideBand {
  name: string;
  values: ArrayLike<number>;
}

const SIZE = { width: 330, height: 118, left: 38, right: 8, top: 8, bottom: 20 };

/**
 * A quantity over time: the usual course, the band of likely ones, the window behind them, and marks where something is done by hand.
 * Pointer and arrow keys move one reading mark; whoever shows several moves them together.
 */
@Component({
  selector: 'tr-band-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h3>{{ title() }}</h3>
      <span class="reading" [class.soft]="cursor() === null">{{ reading() }}</span>
    </div>
    @if (chart(); as c) {
      <svg
        role="slider"
        tabindex="0"
        [attr.viewBox]="'0 0 ' + size.width + ' ' + size.height"
        [attr.aria-label]="title() + ', read at a ' + step()"
        [attr.aria-valuemin]="times()[0]"
        [attr.aria-valuemax]="times()[times().length - 1]"
        [attr.aria-valuenow]="times()[at()]"
        [attr.aria-valuetext]="timeText()(times()[at()]!) + ': ' + reading()"
        (pointermove)="point($event)"
        (pointerdown)="point($event)"
        (pointerleave)="moved.emit(null)"
        (keydown)="key($event)"
        (blur)="moved.emit(null)"
      >
        @if (c.window; as w) {
          <rect class="window" [attr.x]="size.left" [attr.width]="c.wide" [attr.y]="w.y" [attr.height]="w.height" />
          <path class="edge" [attr.d]="w.edges" />
        }
        @for (tick of c.ticks; track tick.text) {
          <path class="rule" [attr.d]="'M' + size.left + ' ' + tick.y + 'h' + c.wide" />
          <text class="tick" text-anchor="end" [attr.x]="size.left - 5" [attr.y]="tick.y + 4">{{ tick.text }}</text>
        }
        @if (c.events) {
          <path class="event" [attr.d]="c.events" />
        }
        @if (c.band) {
          <path class="band" [attr.d]="c.band" />
        }
        @for (other of c.beside; track other.name) {
          <path class="beside" [attr.d]="other.path" />
        }
        <path class="usual" [attr.d]="c.usual" />
        @for (point of c.points; track point.time) {
          <circle class="point" r="3.4" [attr.cx]="point.x" [attr.cy]="point.y" />
        }
        <path class="axis" [attr.d]="'M' + size.left + ' ' + c.base + 'h' + c.wide" />
        @for (mark of c.marks; track mark.x) {
          <path class="axis" [attr.d]="'M' + mark.x + ' ' + c.base + 'v4'" />
          <text class="tick" [attr.text-anchor]="mark.anchor" [attr.x]="mark.x" [attr.y]="size.height - 3">{{ mark.text }}</text>
        }
        @if (c.cursor; as k) {
          <path class="cursor" [attr.d]="'M' + k.x + ' ' + size.top + 'V' + c.base" />
          <circle class="dot" r="3.2" [attr.cx]="k.x" [attr.cy]="k.y" />
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 10px;
    }
    h3 {
      font-size: 14px;
    }
    .reading {
      font-size: 12.5px;
    }
    svg {
      display: block;
      width: 100%;
      cursor: crosshair;
      touch-action: pan-y;
    }
    svg:focus-visible {
      outline: 2px solid var(--moss);
      outline-offset: 1px;
    }
    .window {
      fill: var(--band);
    }
    .edge {
      stroke: var(--moss);
      stroke-width: 1;
    }
    .rule {
      stroke: var(--rule);
    }
    .axis {
      stroke: var(--ink);
    }
    .tick {
      fill: var(--soft);
      font-size: 11px;
    }
    .event {
      stroke: var(--edge);
      stroke-width: 1;
      stroke-dasharray: 1 3;
    }
    .band {
      fill: var(--water);
      opacity: 0.28;
    }
    .usual {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.8;
    }
    .beside {
      fill: none;
      stroke: var(--clay);
      stroke-width: 1.6;
      stroke-dasharray: 5 3;
    }
    .cursor {
      stroke: var(--ink);
      stroke-width: 1;
    }
    .point {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 1.4;
    }
    .dot {
      fill: var(--ink);
    }
  `,
})
export class BandChart {
  readonly title = input.required<string>();
  readonly kind = input.required<QuantityKind>();
  readonly times = input.required<readonly number[]>();
  readonly band = input.required<Band>();
  readonly beside = input<readonly BesideBand[]>([]);
  readonly window = input<Span | null>(null);
  /** Times at which something is done by hand. */
  readonly events = input<readonly number[]>([]);
  /** What was measured, drawn as rings. */
  readonly points = input<readonly { time: number; value: number }[]>([]);
  /** Places along the axis that are named. */
  readonly marks = input<readonly { time: number; text: string }[]>([]);
  readonly timeText = input<(time: number) => string>((time) => String(time));
  readonly step = input('day');
  /** Time the reading mark stands at; null reads the end. */
  readonly cursor = input<number | null>(null);
  readonly moved = output<number | null>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly size = SIZE;

  /** Index of the time that is read. */
  protected readonly at = computed(() => {
    const times = this.times();
    const cursor = this.cursor();
    return cursor === null ? times.length - 1 : bisectCenter(times, cursor);
  });

  protected readonly reading = computed(() => {
    const { usual, low, high } = this.band();
    const units = this.units();
    const i = this.at();
    const show = (value: number) => formatNumber(this.kind(), value, units);
    const { unit } = unitOf(this.kind(), units);
    const [from, to] = [show(low?.[i] ?? usual[i]!), show(high?.[i] ?? usual[i]!)];
    const others = this.beside().map(({ name, values }) => `; ${name} ${show(values[i]!)}`);
    return `${show(usual[i]!)}${from === to ? '' : ` (${from}–${to})`} ${unit}${others.join('')}`.trim();
  });

  private readonly x = computed(() => {
    const times = this.times();
    return scaleLinear()
      .domain([times[0] ?? 0, times.at(-1) ?? 1])
      .range([SIZE.left, SIZE.width - SIZE.right]);
  });

  protected readonly chart = computed(() => {
    const times = this.times();
    const { usual, low, high } = this.band();
    if (times.length < 2) return null;
    const units = this.units();
    const shown = (value: number) => inChosenUnit(this.kind(), value, units);
    const x = this.x();
    const values = [
      ...Array.from(usual),
      ...Array.from(low ?? []),
      ...Array.from(high ?? []),
      ...this.beside().flatMap((o) => Array.from(o.values)),
      ...this.points().map(({ value }) => value),
    ].map(shown);
    const window = this.window()?.map((edge) => (Number.isFinite(edge) ? shown(edge) : edge));
    let [from, to] = [Math.min(...values), Math.max(...values)];
    // the window's near edge belongs in the picture; a far one would flatten the curve
    const room = Math.max(to - from, 0.05 * Math.max(Math.abs(to), 0.5));
    // a curve that hardly moves is drawn as one
    const slack = (room - (to - from)) / 2;
    if (slack > 0) [from, to] = [from - slack, to + slack];
    for (const edge of window ?? []) {
      if (!Number.isFinite(edge)) continue;
      if (edge < from && from - edge < 2 * room) from = edge;
      if (edge > to && edge - to < 2 * room) to = edge;
    }
    const base = SIZE.height - SIZE.bottom;
    const y = scaleLinear()
      .domain([from - 0.08 * room, to + 0.08 * room])
      .nice(4)
      .range([base, SIZE.top]);
    if (Math.min(...values) >= 0 && y.domain()[0]! < 0) y.domain([0, y.domain()[1]!]);
    const [bottom, top] = y.domain() as [number, number];
    const within = (value: number) => y(Math.min(top, Math.max(bottom, value)));
    const draw = line<number>()
      .x((_, i) => x(times[i]!))
      .y((value) => y(shown(value)));
    const ribbon = area<number>()
      .x((_, i) => x(times[i]!))
      .y0((_, i) => y(shown(low?.[i] ?? 0)))
      .y1((_, i) => y(shown(high?.[i] ?? 0)));
    const i = this.at();
    const wide = SIZE.width - SIZE.left - SIZE.right;
    const [high1, low1] = window ? [within(window[1]!), within(window[0]!)] : [0, 0];
    const edges = (window ?? []).filter((edge) => edge > bottom && edge < top);
    return {
      wide,
      base,
      window: window
        ? { y: high1, height: Math.max(0, low1 - high1), edges: edges.map((edge) => `M${SIZE.left} ${y(edge)}h${wide}`).join('') }
        : null,
      ticks: y.ticks(4).map((tick) => ({ y: Math.round(y(tick)), text: String(tick) })),
      usual: draw(Array.from(usual)) ?? '',
      band: low && high ? (ribbon(Array.from(usual)) ?? '') : '',
      beside: this.beside().map((other) => ({ name: other.name, path: draw(Array.from(other.values)) ?? '' })),
      events: this.events()
        .map((time) => `M${Math.round(x(time))} ${SIZE.top}V${base}`)
        .join(''),
      marks: this.marks().map(({ time, text }) => ({ x: Math.round(x(time)), text, anchor: x(time) > SIZE.width - 40 ? 'end' : 'start' })),
      points: this.points().map(({ time, value }) => ({ time, x: x(time), y: within(shown(value)) })),
      cursor: this.cursor() === null ? null : { x: x(times[i]!), y: y(shown(usual[i]!)) },
    };
  });

  protected point(event: PointerEvent): void {
    const box = (event.currentTarget as SVGElement).getBoundingClientRect();
    const time = this.x().invert(((event.clientX - box.left) / box.width) * SIZE.width);
    this.moved.emit(this.times()[bisectCenter(this.times(), time)] ?? null);
  }

  protected key(event: KeyboardEvent): void {
    const times = this.times();
    const leap = event.shiftKey ? 7 : 1;
    const to = {
      ArrowRight: this.at() + leap,
      ArrowUp: this.at() + leap,
      ArrowLeft: this.at() - leap,
      ArrowDown: this.at() - leap,
      Home: 0,
      End: times.length - 1,
    }[event.key];
    if (event.key === 'Escape') this.moved.emit(null);
    if (to === undefined) return;
    event.preventDefault();
    this.moved.emit(times[Math.min(times.length - 1, Math.max(0, to))] ?? null);
  }
}
