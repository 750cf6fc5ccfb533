import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { scaleBand, scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { formatSpan, inChosenUnit, unitOf } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import { PreferencesStore } from '../store/preferences';

const MONTHS = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'];
const SIZE = { width: 260, plot: 84, bars: 44, left: 26 };

/** Twelve months of low and high as a ribbon; a window behind it, bars below it. */
@Component({
  selector: 'tr-year-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + size.width + ' ' + height()" role="img" [attr.aria-label]="label()">
      <text x="0" y="11" class="title">{{ title() }} {{ unit() }}</text>
      @if (chart(); as c) {
        @if (c.window; as w) {
          <rect class="band" [attr.x]="size.left" [attr.width]="size.width - size.left" [attr.y]="w.y" [attr.height]="w.height" />
        }
        @for (tick of c.ticks; track tick.y) {
          <path class="rule" [attr.d]="'M' + size.left + ' ' + tick.y + 'H' + size.width" />
          <text class="tick" text-anchor="end" [attr.x]="size.left - 4" [attr.y]="tick.y + 4">{{ tick.text }}</text>
        }
        @if (c.room) {
          <path class="room" [attr.d]="c.room" />
        }
        <path class="ribbon" [attr.d]="c.ribbon" />
        <path class="low" [attr.d]="c.low" />
        <path class="high" [attr.d]="c.high" />
        @for (month of c.months; track $index) {
          <text class="tick" text-anchor="middle" [attr.x]="month.x" [attr.y]="size.plot + 30">{{ month.name }}</text>
        }
      } @else {
        <text class="tick" x="0" y="40">not stated</text>
      }
      @if (rain(); as r) {
        <text class="title" x="0" [attr.y]="size.plot + 46">{{ barTitle() }}</text>
        @for (bar of r; track $index) {
          <rect class="rain" [attr.x]="bar.x" [attr.y]="bar.y" [attr.width]="bar.width" [attr.height]="bar.height" />
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 320px;
    }
    .title {
      font-weight: 700;
      font-size: 11.5px;
    }
    .tick {
      fill: var(--soft);
      font-size: 10.5px;
    }
    .rule {
      stroke: var(--rule);
    }
    .band {
      fill: var(--band);
    }
    .ribbon {
      fill: var(--clay);
      opacity: 0.22;
    }
    .room {
      fill: none;
      stroke: var(--soft);
      stroke-dasharray: 3 3;
    }
    .low,
    .high {
      fill: none;
      stroke: var(--clay);
      stroke-width: 1.6;
    }
    .rain {
      fill: var(--water);
      opacity: 0.6;
    }
  `,
})
export class YearChart {
  readonly title = input.required<string>();
  readonly kind = input.required<'temperature'>();
  /** Low and high by month, canonical unit. */
  readonly spans = input.required<readonly Span[] | null>();
  readonly window = input<Span | null>(null);
  /** A second year, dashed: the room around a heated tank. */
  readonly around = input<readonly Span[] | null>(null);
  readonly bars = input<readonly number[] | null>(null);
  readonly barTitle = input('');
  private readonly units = inject(PreferencesStore).units;
  protected readonly size = SIZE;
  protected readonly unit = computed(() => unitOf(this.kind(), this.units()).unit);
  protected readonly height = computed(() => SIZE.plot + 36 + (this.bars() ? SIZE.bars + 16 : 0));
  private readonly x = scaleBand<number>()
    .domain(MONTHS.map((_, i) => i))
    .range([SIZE.left, SIZE.width])
    .padding(0.35);

  protected readonly label = computed(() => {
    const spans = this.spans();
    if (!spans) return `${this.title()} through the year: not stated`;
    const whole: Span = [Math.min(...spans.map(([low]) => low)), Math.max(...spans.map(([, high]) => high))];
    return `${this.title()} through the year: ${formatSpan(this.kind(), whole, this.units())}`;
  });

  protected readonly chart = computed(() => {
    const spans = this.spans();
    if (!spans) return null;
    const units = this.units();
    const at = (value: number) => inChosenUnit(this.kind(), value, units);
    const window = this.window();
    const around = this.around();
    const all = [...spans.flat(), ...(window ?? []), ...(around?.flat() ?? [])].map(at);
    const y = scaleLinear()
      .domain([Math.min(...all) - 1, Math.max(...all) + 1])
      .range([SIZE.plot + 16, 18]);
    const middle = (i: number) => (this.x(i) ?? 0) + this.x.bandwidth() / 2;
    const path = (pick: 0 | 1, of: readonly Span[]) =>
      line<Span>()
        .x((_, i) => middle(i))
        .y((span) => y(at(span[pick])))
        .curve(curveMonotoneX)([...of]) ?? '';
    return {
      ribbon:
        area<Span>()
          .x((_, i) => middle(i))
          .y0((span) => y(at(span[0])))
          .y1((span) => y(at(span[1])))
          .curve(curveMonotoneX)([...spans]) ?? '',
      low: path(0, spans),
      high: path(1, spans),
      room: around ? path(0, around) + path(1, around) : '',
      window: window && { y: y(at(window[1])), height: y(at(window[0])) - y(at(window[1])) },
      ticks: y.ticks(4).map((value) => ({ y: Math.round(y(value)), text: String(value) })),
      months: MONTHS.map((name, i) => ({ name, x: middle(i) })),
    };
  });

  protected readonly rain = computed(() => {
    const bars = this.bars();
    if (!bars) return null;
    const y = scaleLinear()
      .domain([0, Math.max(...bars, 1)])
      .range([0, SIZE.bars]);
    const base = SIZE.plot + 36 + SIZE.bars + 14;
    return bars.map((value, i) => ({ x: this.x(i) ?? 0, width: this.x.bandwidth(), y: base - y(value), height: y(value) }));
  });
}
