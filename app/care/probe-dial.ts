import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { lasting } from '../../core/assessment/wording/monitor';
import { isStale, type Limits, type Watch } from '../../core/monitor/watch';
import { formatNumber, unitOf } from '../../core/quantity/format';
import type { Monitored } from '../../core/reading/calibration';
import { PARAMETER_META } from '../../core/reading/parameter';
import { PreferencesStore } from '../store/preferences';

const VIEW = { width: 200, height: 54, pad: 4 };
/** The last hour is drawn, and less while less was heard. */
const DRAWN_MS = [120_000, 3600_000] as const;
/** A line is never drawn over turns that are missing. */
const BREAK_TURNS = 1.5;

/** One probe: what it reads now, how old that is, and the last hour of it within its limits. */
@Component({
  selector: 'tr-probe-dial',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: {
    '[attr.data-probe]': 'parameter()',
    '[class.stale]': 'stale()',
    '[class.out]': 'side() !== null',
    role: 'group',
    '[attr.aria-label]': 'name()',
  },
  template: `
    <h3>{{ name() }}</h3>
    <p class="figure">
      @if (shown(); as s) {
        <span class="big">{{ s.value }}</span> <span class="unit">{{ s.unit }}</span>
      } @else {
        <span class="big none">–</span>
      }
    </p>
    <p class="small" [class.soft]="!stale() && side() === null">{{ said() }}</p>
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" aria-hidden="true">
      @if (drawn(); as d) {
        @if (d.low !== null) {
          <line class="limit" x1="0" [attr.x2]="view.width" [attr.y1]="d.low" [attr.y2]="d.low" />
        }
        @if (d.high !== null) {
          <line class="limit" x1="0" [attr.x2]="view.width" [attr.y1]="d.high" [attr.y2]="d.high" />
        }
        <path class="course" [attr.d]="d.path" />
        @for (dot of d.alone; track $index) {
          <circle r="1.4" [attr.cx]="dot.x" [attr.cy]="dot.y" />
        }
      }
    </svg>
    <p class="small soft">{{ drawn() ? 'the last ' + drawn()!.span + '; ' : '' }}{{ watched() }}</p>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 1px;
      min-width: 0;
      padding: 8px 12px 10px;
      border: 1px solid var(--rule);
      border-radius: 4px;
      background: var(--sheet);
    }
    h3 {
      font-size: 14.5px;
    }
    .figure {
      white-space: nowrap;
    }
    .big {
      font-family: var(--display);
      font-size: 30px;
      line-height: 1.15;
      font-variant-numeric: tabular-nums;
    }
    :host(.stale) .big {
      color: var(--soft);
      text-decoration: line-through;
      text-decoration-thickness: 1px;
    }
    :host(.out) {
      border-color: var(--oxide);
      .big {
        color: var(--oxide);
      }
    }
    .unit {
      margin-left: 3px;
      color: var(--soft);
    }
    svg {
      display: block;
      width: 100%;
      height: 54px;
      margin: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    .course {
      fill: none;
      stroke: var(--water);
      stroke-width: 1.4;
      vector-effect: non-scaling-stroke;
    }
    circle {
      fill: var(--water);
    }
    .limit {
      stroke: var(--oxide);
      stroke-dasharray: 4 3;
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class ProbeDial {
  readonly parameter = input.required<Monitored>();
  readonly watch = input.required<Watch>();
  readonly limits = input.required<Limits | null>();
  readonly now = input.required<number>();
  protected readonly view = VIEW;
  private readonly units = inject(PreferencesStore).units;
  private readonly kind = computed(() => PARAMETER_META[this.parameter()].kind);
  protected readonly name = computed(() => PARAMETER_META[this.parameter()].name);
  private readonly last = computed(() => this.watch().now[this.parameter()] ?? null);
  protected readonly stale = computed(() => isStale(this.watch(), this.now(), this.parameter()));
  protected readonly side = computed(() => this.watch().out[this.parameter()]?.side ?? null);
  protected readonly shown = computed(() => {
    const last = this.last();
    return last && { value: formatNumber(this.kind(), last.value, this.units()), unit: unitOf(this.kind(), this.units()).unit };
  });
  protected readonly said = computed(() => {
    const last = this.last();
    if (!last) return 'nothing heard yet';
    const age = lasting(Math.max(0, this.now() - last.atMs));
    const side = this.side();
    if (this.stale()) return `silent for ${age}: not known now`;
    return side ? `too ${side}, ${age} ago` : `${age} ago`;
  });

  protected readonly watched = computed(() => {
    const limits = this.limits();
    const of = (value: number) => formatNumber(this.kind(), value, this.units());
    const unit = unitOf(this.kind(), this.units()).unit;
    if (!limits) return 'not watched';
    const { low, high } = limits;
    if (low !== null && high !== null) return `watched within ${of(low)}–${of(high)} ${unit}`.trim();
    return low !== null ? `watched above ${of(low)} ${unit}`.trim() : `watched below ${of(high ?? 0)} ${unit}`.trim();
  });

  /** The last hour; a line breaks where turns are missing. */
  protected readonly drawn = computed(() => {
    const parameter = this.parameter();
    const { recent, hello } = this.watch();
    const points = recent.flatMap(({ at, values }) => (values[parameter] === undefined ? [] : [{ at, value: values[parameter] }]));
    const last = recent.at(-1);
    if (!last || points.length === 0) return null;
    const [low = 0, high = 0] = extent(points, ({ value }) => value) as [number, number];
    const limits = this.limits();
    const least = { temperatureC: 1, ph: 0.3, ec25UsPerCm: Math.max(20, high * 0.05), levelMm: 10 }[parameter];
    const middle = (low + high) / 2;
    const half = Math.max(least, high - low) * 0.6;
    const spanMs = Math.min(DRAWN_MS[1], Math.max(DRAWN_MS[0], last.at - recent[0]!.at));
    const x = scaleLinear([last.at - spanMs, last.at], [0, VIEW.width]);
    const y = scaleLinear([middle - half, middle + half], [VIEW.height - VIEW.pad, VIEW.pad]);
    const breakMs = BREAK_TURNS * (hello?.everyS ?? 1) * 1000 + 50;
    const runs: (typeof points)[] = [];
    for (const [i, point] of points.entries()) {
      if (i === 0 || point.at - points[i - 1]!.at > breakMs) runs.push([]);
      runs.at(-1)!.push(point);
    }
    const draw = line<(typeof points)[number]>(
      ({ at }) => x(at),
      ({ value }) => y(value),
    );
    const within = (value: number | null | undefined) => {
      const at = value === null || value === undefined ? null : y(value);
      return at !== null && at >= 0 && at <= VIEW.height ? at : null;
    };
    return {
      span: lasting(spanMs),
      path: runs.map((run) => draw(run) ?? '').join(''),
      alone: runs.filter(({ length }) => length === 1).map(([one]) => ({ x: x(one!.at), y: y(one!.value) })),
      low: within(limits?.low),
      high: within(limits?.high),
    };
  });
}
