import {
  afterNextRender,
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  OnDestroy,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { brushX, type D3BrushEvent } from 'd3-brush';
import { scaleTime } from 'd3-scale';
import { select } from 'd3-selection';
import { zoomIdentity } from 'd3-zoom';
import { CHART } from './log-chart';
import { timeTicks, type TimeRange } from './time-axis';

const HEIGHT = 40;

/** All of the time in a strip, with a brush over what is looked at, and a tick for each entry. */
@Component({
  selector: 'tr-time-brush',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width() + ' ' + height"
      [attr.height]="height"
      role="img"
      aria-label="All of the time; drag over it to look closer"
    >
      <path class="entries" [attr.d]="entries()" />
      <path class="axis" [attr.d]="'M' + left + ' ' + 22 + 'H' + right()" />
      @for (tick of ticks(); track tick.x) {
        <text class="tick" text-anchor="middle" [attr.x]="tick.x" [attr.y]="height - 4">{{ tick.text }}</text>
      }
      <g #brush class="brush"></g>
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-width: 0;
      margin-top: 8px;
    }
    svg {
      display: block;
      width: 100%;
    }
    .entries {
      stroke: var(--water);
      opacity: 0.55;
    }
    .axis {
      stroke: var(--ink);
    }
    .tick {
      fill: var(--soft);
      font-size: 11.5px;
    }
    .brush ::ng-deep .selection {
      fill: var(--moss);
      fill-opacity: 0.18;
      stroke: var(--moss);
    }
    .brush ::ng-deep .overlay {
      pointer-events: all;
    }
  `,
})
export class TimeBrush implements OnDestroy {
  readonly base = input.required<TimeRange>();
  readonly range = input.required<TimeRange>();
  /** When something was written down, ms. */
  readonly times = input<readonly number[]>([]);
  readonly brushed = output<TimeRange>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly group = viewChild.required<ElementRef<SVGGElement>>('brush');
  protected readonly height = HEIGHT;
  protected readonly left = CHART.left;
  protected readonly width = signal(640);
  protected readonly right = computed(() => this.width() - CHART.right);
  private observer: ResizeObserver | null = null;
  private readonly x = computed(() => scaleTime().domain(this.base()).range([CHART.left, this.right()]));
  protected readonly ticks = computed(() => timeTicks(zoomIdentity.rescaleX(this.x()), this.right() - CHART.left));
  /** A column of the strip is marked once, however much was written down in it. */
  protected readonly entries = computed(() =>
    [...new Set(this.times().map((ms) => Math.round(this.x()(ms))))].map((at) => `M${at} 8V22`).join(''),
  );
  private readonly behaviour = brushX<unknown>().on('brush end', ({ sourceEvent, selection }: D3BrushEvent<unknown>) => {
    if (!sourceEvent) return;
    const [from, to] = (selection as [number, number] | null) ?? [CHART.left, this.right()];
    if (to - from >= 2 || !selection) this.brushed.emit([Number(this.x().invert(from)), Number(this.x().invert(to))]);
  });

  constructor() {
    afterNextRender(() => {
      this.observer = new ResizeObserver(([entry]) => this.width.set(Math.max(240, Math.round(entry!.contentRect.width))));
      this.observer.observe(this.host.nativeElement);
    });
    afterRenderEffect(() => {
      const [x, [from, to], right] = [this.x(), this.range(), this.right()];
      const group = select(this.group().nativeElement);
      this.behaviour.extent([
        [CHART.left, 4],
        [right, 22],
      ]);
      const whole = to - from >= 0.999 * (this.base()[1] - this.base()[0]);
      group.call(this.behaviour).call(this.behaviour.move, whole ? null : [Math.max(CHART.left, x(from)), Math.min(right, x(to))]);
    });
  }

  ngOnDestroy(): void {
    this.observer?.disconnect();
  }
}
