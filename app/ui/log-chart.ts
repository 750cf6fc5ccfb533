import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  OnDestroy,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { bisectCenter, bisectLeft } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { select } from 'd3-selection';
import { zoom, type D3ZoomEvent, type ZoomTransform } from 'd3-zoom';
import { gapOf, thinned } from '../../core/log/series';
import { formatNumber, inChosenUnit, unitOf } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';
import { moment } from './day-text';
import { timeScale, timeTicks, transformTo, type TimeRange } from './time-axis';

/** Readings over time, in the order of time; canonical units. */
export interface Track {
  times: Float64Array;
  values: Float64Array;
  low?: Float64Array;
  high?: Float64Array;
}
/** Of another tank, or of what is looked for. */
export interface NamedTrack extends Track {
  name: string;
}
/** Something done by hand. */
export interface ChartEvent {
  ms: number;
  text: string;
  mark: 'change' | 'work' | 'loss' | 'feed';
}

let charts = 0;

export const CHART = { height: 168, left: 46, right: 12, top: 12, bottom: 22 };
/** So many readings in sight are drawn one by one, each with its doubt. */
const SINGLY = 160;
const LEAST_MS = 3600_000;

/**
 * What was read of one parameter, with the doubt of each reading, against window and plan, and what was done. Drawn to the pixel whatever
 * their number; it moves and widens with all that share its time.
 */
@Component({
  selector: 'tr-log-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h3>{{ title() }}</h3>
      @if (simulated()) {
        <strong class="simulated">SIMULATED</strong>
      }
      <span class="reading" [class.soft]="cursor() === null">{{ reading() }}</span>
    </div>
    <svg
      #svg
      role="slider"
      tabindex="0"
      [attr.viewBox]="'0 0 ' + width() + ' ' + size.height"
      [attr.height]="size.height"
      [attr.aria-label]="title() + ', read by reading'"
      [attr.aria-valuemin]="0"
      [attr.aria-valuemax]="track().times.length - 1"
      [attr.aria-valuenow]="at()"
      [attr.aria-valuetext]="reading()"
      (pointermove)="point($event)"
      (pointerleave)="cursor.set(null)"
      (keydown)="key($event)"
      (blur)="cursor.set(null)"
    >
      <title>{{ title() }}{{ simulated() ? ' (SIMULATED)' : '' }}</title>
      <clipPath [attr.id]="clip"><rect [attr.x]="size.left" y="0" [attr.width]="wide()" [attr.height]="size.height" /></clipPath>
      @if (chart(); as c) {
        @if (c.window; as w) {
          <rect class="window" [attr.x]="size.left" [attr.width]="wide()" [attr.y]="w.y" [attr.height]="w.height" />
          <path class="edge" [attr.d]="w.edges" />
        }
        @for (tick of c.ticks; track tick.text) {
          <path class="rule" [attr.d]="'M' + size.left + ' ' + tick.y + 'h' + wide()" />
          <text class="tick" text-anchor="end" [attr.x]="size.left - 6" [attr.y]="tick.y + 4">{{ tick.text }}</text>
        }
        <g [attr.clip-path]="'url(#' + clip + ')'">
          <path class="change" [attr.d]="c.changes" />
          <path class="loss" [attr.d]="c.losses" />
          @if (c.plan) {
            <path class="plan" [attr.d]="c.plan" />
          }
          @if (c.ahead; as a) {
            <path class="band" [attr.d]="a.band" />
            <path class="ahead" [attr.d]="a.usual" />
          }
          @for (other of c.beside; track other.name) {
            <path class="beside" [attr.d]="other.path" />
          }
          <path class="doubt" [attr.d]="c.doubt" />
          <path class="line" [attr.d]="c.line" />
          <path class="points" [attr.d]="c.points" />
          @if (c.now !== null) {
            <path class="now" [attr.d]="'M' + c.now + ' ' + size.top + 'V' + c.base" />
          }
        </g>
        <path class="axis" [attr.d]="'M' + size.left + ' ' + c.base + 'h' + wide()" />
        @for (mark of c.marks; track mark.x) {
          <path class="axis" [attr.d]="'M' + mark.x + ' ' + c.base + 'v4'" />
          <text class="tick" text-anchor="middle" [attr.x]="mark.x" [attr.y]="size.height - 5">{{ mark.text }}</text>
        }
        @if (c.cursor; as k) {
          <path class="cursor" [attr.d]="'M' + k.x + ' ' + size.top + 'V' + c.base" />
          <circle class="dot" r="3.4" [attr.cx]="k.x" [attr.cy]="k.y" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0 10px;
    }
    h3 {
      font-size: 14px;
    }
    .reading {
      margin-left: auto;
      font-size: 12.5px;
    }
    .simulated {
      color: var(--ochre);
      font-size: 12px;
    }
    svg {
      display: block;
      width: 100%;
      cursor: grab;
      touch-action: pan-y;
    }
    svg:active {
      cursor: grabbing;
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
      fill: none;
    }
    .tick {
      fill: var(--soft);
      font-size: 11.5px;
    }
    .change {
      stroke: var(--edge);
      stroke-dasharray: 1 3;
    }
    .loss {
      fill: none;
      stroke: var(--oxide);
      stroke-width: 1.6;
    }
    .plan {
      stroke: var(--moss);
      stroke-width: 1.4;
      stroke-dasharray: 7 4;
    }
    .band {
      fill: var(--water);
      opacity: 0.22;
    }
    .ahead {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.3;
      stroke-dasharray: 2 3;
    }
    .beside {
      fill: none;
      stroke: var(--clay);
      stroke-width: 1.5;
      stroke-dasharray: 5 3;
    }
    .doubt {
      stroke: var(--water);
      stroke-width: 1;
      opacity: 0.7;
    }
    .line {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.5;
    }
    .points {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 1.3;
    }
    .now {
      stroke: var(--edge);
      stroke-width: 1;
    }
    .cursor {
      stroke: var(--ink);
      stroke-width: 1;
    }
    .dot {
      fill: var(--ink);
    }
  `,
})
export class LogChart implements OnDestroy {
  readonly title = input.required<string>();
  readonly kind = input.required<QuantityKind>();
  readonly track = input.required<Track>();
  /** All of the time that can be looked at. */
  readonly base = input.required<TimeRange>();
  /** What is in sight of it. */
  readonly range = input.required<TimeRange>();
  readonly ranged = output<TimeRange>();
  readonly simulated = input(false);
  readonly window = input<Span | null>(null);
  readonly planned = input<number | null>(null);
  readonly ahead = input<(Track & { low: Float64Array; high: Float64Array }) | null>(null);
  readonly beside = input<readonly NamedTrack[]>([]);
  readonly events = input<readonly ChartEvent[]>([]);
  readonly now = input<number | null>(null);
  private readonly units = inject(PreferencesStore).units;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  protected readonly size = CHART;
  protected readonly width = signal(640);
  protected readonly wide = computed(() => this.width() - CHART.left - CHART.right);
  protected readonly clip = `chart-${++charts}`;
  /** Index of the reading that is read; null for the last. */
  protected readonly cursor = signal<number | null>(null);
  private observer: ResizeObserver | null = null;
  private readonly behaviour = zoom<SVGSVGElement, unknown>()
    // a bare wheel scrolls the page
    .filter((event: Event & { ctrlKey?: boolean; metaKey?: boolean; button?: number }) =>
      event.type === 'wheel' ? !!event.ctrlKey || !!event.metaKey : !event.button,
    )
    .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<SVGSVGElement, unknown>) => {
      if (sourceEvent) this.emit(transform);
    });

  constructor() {
    afterNextRender(() => {
      this.observer = new ResizeObserver(([entry]) => this.width.set(Math.max(240, Math.round(entry!.contentRect.width))));
      this.observer.observe(this.host.nativeElement);
      select(this.svg().nativeElement).call(this.behaviour).on('dblclick.zoom', null);
    });
    effect(() => {
      const [width, [from, to]] = [this.width(), this.base()];
      const area: [[number, number], [number, number]] = [
        [CHART.left, 0],
        [width - CHART.right, CHART.height],
      ];
      this.behaviour
        .extent(area)
        .translateExtent(area)
        .scaleExtent([1, Math.max(1, (to - from) / LEAST_MS)]);
    });
    // all that share the time are zoomed alike
    afterRenderEffect(() => void select(this.svg().nativeElement).property('__zoom', this.transform()));
  }

  ngOnDestroy(): void {
    this.observer?.disconnect();
  }

  private readonly transform = computed(() => transformTo(this.base(), this.range(), CHART.left, this.width() - CHART.right));

  private emit(transform: ZoomTransform): void {
    const [from, to] = timeScale(this.base(), transform, CHART.left, this.width() - CHART.right).domain() as [Date, Date];
    this.ranged.emit([from.getTime(), to.getTime()]);
  }

  protected readonly at = computed(() => this.cursor() ?? this.track().times.length - 1);

  protected readonly reading = computed(() => {
    const { times, values, low, high } = this.track();
    const i = this.at();
    if (times[i] === undefined) return 'nothing read yet';
    const units = this.units();
    const show = (value: number) => formatNumber(this.kind(), value, units);
    const { unit } = unitOf(this.kind(), units);
    const doubt = low && high && show(low[i]!) !== show(high[i]!) ? ` (${show(low[i]!)}–${show(high[i]!)})` : '';
    const near = this.events().filter(({ ms }) => Math.abs(ms - times[i]!) < 12 * 3600_000);
    return `${show(values[i]!)}${doubt} ${unit}, ${moment(new Date(times[i]!))}${near.length > 0 ? `; ${near[0]!.text}` : ''}`.replace(
      / ,/,
      ',',
    );
  });

  private readonly x = computed(() => timeScale(this.base(), this.transform(), CHART.left, this.width() - CHART.right));

  protected readonly chart = computed(() => {
    const x = this.x();
    const [from, to] = x.domain().map(Number) as [number, number];
    const units = this.units();
    const shown = (value: number) => inChosenUnit(this.kind(), value, units);
    const { times, values, low, high } = this.track();
    const columns = Math.max(60, Math.round(this.wide()));
    const seen = thinned(times, values, from, to, columns);
    const others = this.beside().map(({ name, ...track }) => ({ name, seen: thinned(track.times, track.values, from, to, columns) }));
    const ahead = this.ahead();
    const within = ahead ? Array.from(ahead.times, (_, i) => i).filter((i) => ahead.times[i]! >= from && ahead.times[i]! <= to) : [];
    const [first, last] = [bisectLeft(times, from), bisectLeft(times, to)];
    const singly = last - first <= SINGLY;
    const span = (i: number): number[] => (singly && low && high ? [low[i]!, high[i]!] : [values[i]!]);
    const inSight = Array.from({ length: singly ? last - first : 0 }, (_, i) => first + i);
    const heights = [
      ...(singly ? inSight.flatMap(span) : seen.values),
      ...others.flatMap((other) => other.seen.values),
      ...within.flatMap((i) => [ahead!.low[i]!, ahead!.high[i]!]),
      ...(this.planned() === null ? [] : [this.planned()!]),
    ]
      .map(shown)
      .filter(Number.isFinite);
    if (heights.length === 0) heights.push(0, 1);
    let bottom = Infinity;
    let top = -Infinity;
    for (const one of heights) {
      bottom = Math.min(bottom, one);
      top = Math.max(top, one);
    }
    const room = Math.max(top - bottom, 0.05 * Math.max(Math.abs(top), 0.5));
    const slack = (room - (top - bottom)) / 2;
    if (slack > 0) [bottom, top] = [bottom - slack, top + slack];
    const window = this.window()?.map((edge) => (Number.isFinite(edge) ? shown(edge) : edge)) ?? null;
    // the near edge of the window belongs in the picture; a far one would flatten the line
    for (const edge of window ?? []) {
      if (!Number.isFinite(edge)) continue;
      if (edge < bottom && bottom - edge < 1.5 * room) bottom = edge;
      if (edge > top && edge - top < 1.5 * room) top = edge;
    }
    const base = CHART.height - CHART.bottom;
    const y = scaleLinear()
      .domain([bottom - 0.06 * room, top + 0.06 * room])
      .nice(4)
      .range([base, CHART.top]);
    const [floor, ceiling] = y.domain() as [number, number];
    const clamped = (value: number) => y(Math.min(ceiling, Math.max(floor, value)));
    const gap = gapOf(times);
    const path = (at: readonly number[], of: readonly number[], breaks: number | null): string => {
      let d = '';
      for (let i = 0; i < at.length; i++) {
        const start = i === 0 || (breaks !== null && at[i]! - at[i - 1]! > breaks);
        d += `${start ? 'M' : 'L'}${x(at[i]!).toFixed(1)} ${y(shown(of[i]!)).toFixed(1)}`;
      }
      return d;
    };
    const changes = this.events().filter(({ ms, mark }) => mark === 'change' && ms >= from && ms <= to);
    const losses = this.events().filter(({ ms, mark }) => mark === 'loss' && ms >= from && ms <= to);
    const [high1, low1] = window ? [clamped(window[1]!), clamped(window[0]!)] : [0, 0];
    const planned = this.planned();
    const i = this.cursor();
    return {
      base,
      ticks: y.ticks(4).map((tick) => ({ y: Math.round(y(tick)), text: String(tick) })),
      marks: timeTicks(x, this.wide()),
      window: window
        ? {
            y: high1,
            height: Math.max(0, low1 - high1),
            edges: window
              .filter((edge) => edge > floor && edge < ceiling)
              .map((edge) => `M${CHART.left} ${y(edge).toFixed(1)}h${this.wide()}`)
              .join(''),
          }
        : null,
      plan: planned === null ? '' : `M${CHART.left} ${y(shown(planned)).toFixed(1)}h${this.wide()}`,
      changes: changes.map(({ ms }) => `M${Math.round(x(ms))} ${CHART.top}V${base}`).join(''),
      losses: losses.map(({ ms }) => `M${Math.round(x(ms)) - 4} ${CHART.top}l8 8m-8 0l8 -8`).join(''),
      ahead:
        ahead && within.length > 1
          ? {
              band: `${within.map((k, n) => `${n === 0 ? 'M' : 'L'}${x(ahead.times[k]!).toFixed(1)} ${y(shown(ahead.high[k]!)).toFixed(1)}`).join('')}${[
                ...within,
              ]
                .reverse()
                .map((k) => `L${x(ahead.times[k]!).toFixed(1)} ${y(shown(ahead.low[k]!)).toFixed(1)}`)
                .join('')}Z`,
              usual: path(
                within.map((k) => ahead.times[k]!),
                within.map((k) => ahead.values[k]!),
                null,
              ),
            }
          : null,
      beside: others.map((other) => ({ name: other.name, path: path(other.seen.times, other.seen.values, null) })),
      line: path(seen.times, seen.values, gap),
      doubt:
        singly && low && high
          ? inSight.map((k) => `M${x(times[k]!).toFixed(1)} ${y(shown(low[k]!)).toFixed(1)}V${y(shown(high[k]!)).toFixed(1)}`).join('')
          : '',
      points: singly
        ? inSight
            .map((k) => `M${(x(times[k]!) - 2.6).toFixed(1)} ${y(shown(values[k]!)).toFixed(1)}a2.6 2.6 0 1 0 5.2 0a2.6 2.6 0 1 0 -5.2 0`)
            .join('')
        : '',
      now: this.now() !== null && this.now()! > from && this.now()! < to ? Math.round(x(this.now()!)) : null,
      cursor: i === null || times[i] === undefined ? null : { x: x(times[i]), y: clamped(shown(values[i]!)) },
    };
  });

  protected point(event: PointerEvent): void {
    if (event.buttons > 0 || this.track().times.length === 0) return;
    const box = (event.currentTarget as SVGElement).getBoundingClientRect();
    const ms = Number(this.x().invert(((event.clientX - box.left) / box.width) * this.width()));
    this.cursor.set(bisectCenter(this.track().times, ms));
  }

  protected key(event: KeyboardEvent): void {
    const { times } = this.track();
    const svg = select(this.svg().nativeElement);
    const to = { ArrowRight: this.at() + 1, ArrowLeft: this.at() - 1, Home: 0, End: times.length - 1 }[event.key];
    if (event.key === 'Escape') this.cursor.set(null);
    const moves = { '+': 1.4, '=': 1.4, '-': 1 / 1.4 }[event.key];
    const pans = { PageUp: 0.5, PageDown: -0.5 }[event.key];
    if (to === undefined && moves === undefined && pans === undefined) return;
    event.preventDefault();
    if (moves !== undefined) this.behaviour.scaleBy(svg, moves);
    else if (pans !== undefined) this.behaviour.translateBy(svg, (pans * this.wide()) / this.transform().k, 0);
    else {
      const i = Math.min(times.length - 1, Math.max(0, to!));
      this.cursor.set(i);
      const at = this.x()(times[i]!);
      // what is read stays in sight
      if (at < CHART.left || at > this.width() - CHART.right)
        this.behaviour.translateBy(svg, ((at < CHART.left ? 0.5 : -0.5) * this.wide()) / this.transform().k, 0);
    }
    const now = (this.svg().nativeElement as SVGSVGElement & { __zoom?: ZoomTransform }).__zoom;
    if (now) this.emit(now);
  }
}
