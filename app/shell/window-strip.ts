import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { nice, ticks as ticksOf } from 'd3-array';
import { plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { PARAMETER_META, PARAMETERS, type Parameter } from '../../core/catalogue/parameter';
import { formatNumber, formatSpan, inChosenUnit, unitOf, type UnitChoice } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';

const WIDTH = 190;
const PLOT = { top: 6, bottom: 42 };
const MOST_LINES = 9;

/** Always there: per parameter everyone's tolerance as thin lines, the shared window as a band, the plan as a pin. */
@Component({
  selector: 'tr-window-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'region', 'aria-label': 'Window' },
  template: `
    @for (cell of cells(); track cell.parameter) {
      <button type="button" [attr.data-parameter]="cell.parameter" (click)="why.parameter(cell.parameter)">
        <span class="head">
          <strong>{{ cell.name }}</strong>&ngsp;
          <span [class]="cell.verdict"
            ><strong>{{ cell.value }}</strong> {{ cell.unit }}{{ cell.measured ? ' read' : '' }}</span
          >
        </span>
        <span class="visually-hidden">{{ cell.label }}</span>
        <svg [attr.viewBox]="'0 0 ' + width + ' 60'" aria-hidden="true">
          @if (cell.band; as band) {
            <rect
              class="band"
              [attr.x]="band.x"
              [attr.y]="plot.top - 2"
              [attr.width]="band.width"
              [attr.height]="plot.bottom - plot.top + 2"
            />
            <path
              class="band-edge"
              [attr.d]="
                'M' +
                band.x +
                ' ' +
                (plot.top - 2) +
                'V' +
                plot.bottom +
                'M' +
                (band.x + band.width) +
                ' ' +
                (plot.top - 2) +
                'V' +
                plot.bottom
              "
            />
          }
          @for (line of cell.lines; track $index) {
            <path class="tolerance" [attr.d]="line" />
          }
          <path class="axis" [attr.d]="'M6 ' + plot.bottom + 'H' + (width - 6)" />
          @for (tick of cell.ticks; track tick.x) {
            <path class="axis" [attr.d]="'M' + tick.x + ' ' + plot.bottom + 'v3'" />
            <text class="tick" [attr.x]="tick.x" y="57" [attr.text-anchor]="tick.anchor">{{ tick.text }}</text>
          }
          @if (cell.pin; as pin) {
            @if (pin.from !== pin.to) {
              <path class="doubt" [class]="cell.verdict" [attr.d]="'M' + pin.from + ' ' + (plot.bottom - 3) + 'H' + pin.to" />
            }
            <path class="stem" [class]="cell.verdict" [attr.d]="'M' + pin.x + ' 5V' + plot.bottom" />
            @if (cell.measured) {
              <path class="head-dot" [class]="cell.verdict" [attr.d]="'M' + (pin.x - 4.5) + ' 0.5h9l-4.5 7.5z'" />
            } @else {
              <circle class="head-dot" [class]="cell.verdict" [attr.cx]="pin.x" cy="4" r="3.6" />
            }
          }
        </svg>
      </button>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: grid;
      grid-template-columns: repeat(6, 1fr);
      border-top: 1px solid var(--rule);
      background: var(--paper);
    }
    @media (max-width: 719px) {
      :host {
        display: flex;
        flex: none;
        overflow-x: auto;
      }
      button {
        flex: 0 0 148px;
      }
    }
    button {
      min-width: 0;
      padding: 7px 10px 4px;
      border: 0;
      border-left: 1px solid var(--rule);
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
    button:first-child {
      border-left: 0;
    }
    button:hover {
      background: var(--sheet);
    }
    button:focus-visible {
      outline-offset: -3px;
    }
    .head {
      display: flex;
      justify-content: space-between;
      gap: 6px;
      white-space: nowrap;
    }
    svg {
      display: block;
      width: 100%;
      max-height: 72px;
    }
    .band {
      fill: var(--band);
    }
    .band-edge {
      stroke: var(--moss);
      stroke-width: 1.4;
    }
    .tolerance {
      stroke: var(--stone);
      stroke-width: 1.1;
      opacity: 0.75;
    }
    .axis {
      stroke: var(--ink);
    }
    .tick {
      fill: var(--soft);
      font-size: 11.5px;
    }
    .stem {
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .doubt {
      stroke: var(--ink);
      stroke-width: 3.5;
      opacity: 0.55;
    }
    .head-dot {
      fill: var(--ink);
    }
    .conflict {
      color: var(--oxide);
      stroke: var(--oxide);
    }
    .watch {
      color: var(--ochre);
      stroke: var(--ochre);
    }
    span.conflict,
    span.watch {
      stroke: none;
    }
    circle.conflict,
    path.head-dot.conflict {
      fill: var(--oxide);
    }
    circle.watch,
    path.head-dot.watch {
      fill: var(--ochre);
    }
    @media (max-width: 1023px) {
      .head {
        flex-direction: column;
        gap: 0;
      }
    }
  `,
})
export class WindowStrip {
  protected readonly why = inject(Why);
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly width = WIDTH;
  protected readonly plot = PLOT;
  protected readonly cells = computed(() => PARAMETERS.map((parameter) => this.cell(parameter, this.units())));

  private cell(parameter: Parameter, units: UnitChoice) {
    const meta = PARAMETER_META[parameter];
    const derived = this.view.derived();
    const planned = derived && plannedNode(derived, parameter);
    const window = derived && windowNodeOf(derived, parameter).value;
    const shown = (value: number) => inChosenUnit(meta.kind, value, units);
    const value = planned?.value ?? null;
    const interval: Span | null = value === null ? null : (planned?.interval ?? [value, value]);
    const spans = (window?.members ?? []).map(({ range }) => range?.value?.tolerance).filter((span) => span !== undefined);
    const known = [...meta.axis, ...spans.flat().filter((edge) => edge !== null), ...(interval ?? [])];
    const fixed = spans.length === 0 && !interval;
    const low = fixed ? meta.axis[0] : Math.min(...(spans.length > 0 ? known.slice(2) : known));
    const high = fixed ? meta.axis[1] : Math.max(...(spans.length > 0 ? known.slice(2) : known));
    const [from, to] = nice(shown(low), shown(Math.max(high, low + 0.5)), 4);
    const px = (value: number) => 6 + ((value - from) / (to - from)) * (WIDTH - 12);
    const at = (value: number) => Math.round(px(Math.min(Math.max(shown(value), from), to)) * 10) / 10;
    const lines = spans
      .slice(0, MOST_LINES)
      .map(
        (span, i) =>
          `M${at(span[0] ?? low)} ${PLOT.top + 3 + (i * 30) / Math.max(4, Math.min(spans.length, MOST_LINES))}H${at(span[1] ?? high)}`,
      );
    // long figures want more room between them
    const ticks = ticksOf(from, to, to >= 10000 ? 2 : 3).map((tick) => {
      const x = Math.round(px(tick));
      return { x, text: String(tick), anchor: x < 14 ? 'start' : x > WIDTH - 14 ? 'end' : 'middle' };
    });
    const span = window?.optimum ?? window?.tolerance ?? null;
    const seasonal = parameter === 'temperatureC' && interval;
    const text =
      value === null ? '–' : seasonal ? formatSpan(meta.kind, interval, units).split(' ')[0]! : formatNumber(meta.kind, value, units);
    const verdict = this.view.worstOfParameter(parameter) ?? 'fits';
    const { unit } = unitOf(meta.kind, units);
    return {
      parameter,
      name: meta.name,
      unit: value === null ? '' : unit,
      value: text,
      verdict,
      band: span && { x: at(span[0]), width: Math.max(1, at(span[1]) - at(span[0])) },
      lines,
      ticks,
      pin: value === null || !interval ? null : { x: at(value), from: at(interval[0]), to: at(interval[1]) },
      measured: planned?.measured ?? false,
      label: `: ${planned?.measured ? 'measured' : 'planned'}; window ${span ? formatSpan(meta.kind, span, units) : 'not known'}. Who sets the edges?`,
    };
  }
}
