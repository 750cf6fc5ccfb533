import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { clockPatch, clockText, hoursOf, quarter, type ClockHandle } from './clock';

const SIZE = { width: 720, left: 64, right: 12, row: 30 };
const STEP_HOURS = 0.25;

interface Hold {
  handle: ClockHandle;
  hour: number;
}
interface Grip {
  handle: ClockHandle;
  name: string;
  hour: number;
  x: number;
  y: number;
  text: string;
}

/** Twenty-four hours with the switch times of light and CO2 and the meals on it, each to be taken by hand or by keys. */
@Component({
  selector: 'tr-clock-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as d) {
      <div class="scroll">
        <svg role="group" aria-label="The day’s switch times" [attr.viewBox]="'0 0 ' + size.width + ' ' + d.height">
          @for (bar of d.night; track $index) {
            <rect class="dark" [attr.x]="bar.x" [attr.width]="bar.width" y="0" [attr.height]="d.height - 20" />
          }
          @for (row of d.rows; track row.name) {
            <text class="name" x="0" [attr.y]="row.y + 19">{{ row.name }}</text>
            @for (bar of row.bars; track $index) {
              <rect [class]="row.css" rx="3" height="18" [attr.x]="bar.x" [attr.width]="bar.width" [attr.y]="row.y + 6" />
            }
          }
          @for (tick of d.ticks; track tick.hour) {
            <path class="axis" [attr.d]="'M' + tick.x + ' ' + (d.height - 20) + 'v4'" />
            <text class="tick" text-anchor="middle" [attr.x]="tick.x" [attr.y]="d.height - 4">{{ tick.hour }}</text>
          }
          <path class="axis" [attr.d]="'M' + size.left + ' ' + (d.height - 20) + 'H' + (size.width - size.right)" />
          @for (grip of d.grips; track grip.handle) {
            <g
              class="grip"
              role="slider"
              tabindex="0"
              aria-valuemin="0"
              aria-valuemax="24"
              [attr.data-clock]="grip.handle"
              [attr.aria-label]="grip.name"
              [attr.aria-valuenow]="grip.hour"
              [attr.aria-valuetext]="grip.text"
              [attr.aria-disabled]="!!view.readOnly()"
              [attr.transform]="'translate(' + grip.x + ' ' + grip.y + ')'"
              (pointerdown)="grab($event, grip)"
              (pointermove)="drag($event)"
              (pointerup)="drop()"
              (pointercancel)="letGo()"
              (lostpointercapture)="letGo()"
              (keydown)="nudge($event, grip)"
            >
              <title>{{ grip.name }}, {{ grip.text }}</title>
              <rect class="touch" x="-9" y="-3" width="18" height="30" />
              <path class="mark" d="M-3.5 1h7v22h-7z" />
              @if (hold()?.handle === grip.handle) {
                <text class="now" text-anchor="middle" y="-5">{{ grip.text }}</text>
              }
            </g>
          }
        </svg>
      </div>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 760px;
      overflow: visible;
      touch-action: pan-y;
    }
    .scroll {
      overflow-x: auto;
      padding-top: 14px;
    }
    @media (max-width: 719px) {
      svg {
        min-width: 560px;
      }
    }
    .name {
      fill: var(--ink);
      font-size: 13px;
    }
    .tick {
      fill: var(--soft);
      font-size: 11px;
    }
    .now {
      fill: var(--ink);
      font-size: 12px;
      font-weight: 600;
    }
    .axis {
      stroke: var(--ink);
    }
    .dark {
      fill: var(--ink);
      opacity: 0.07;
    }
    .lamps {
      fill: var(--clay);
      opacity: 0.45;
    }
    .co2 {
      fill: var(--water);
      opacity: 0.5;
    }
    .touch {
      fill: transparent;
    }
    .mark {
      fill: var(--ink);
    }
    .grip {
      cursor: ew-resize;
      touch-action: none;
    }
    .grip[aria-disabled='true'] {
      cursor: default;
    }
    .grip:focus {
      outline: none;
    }
    .grip:focus-visible .mark {
      fill: var(--moss);
      stroke: var(--moss);
      stroke-width: 3;
    }
    @media (pointer: coarse) {
      .touch {
        transform: scaleX(1.6);
      }
    }
  `,
})
export class ClockStrip {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly size = SIZE;
  protected readonly hold = signal<Hold | null>(null);
  private readonly gesture = previewGesture(() => this.hold.set(null));
  private readonly x = scaleLinear()
    .domain([0, 24])
    .range([SIZE.left, SIZE.width - SIZE.right]);

  /** As kept, or as the hand would have it. */
  private readonly hours = computed(() => {
    const design = this.view.assessment()?.world.design ?? this.view.design();
    return design ? hoursOf(design) : null;
  });

  protected readonly drawn = computed(() => {
    const hours = this.hours();
    if (!hours) return null;
    const { lamps, lampHours, co2, meals } = hours;
    const bars = (on: number, hoursOn: number) => this.bars(on, hoursOn);
    const rows = [
      { name: 'Light', css: 'lamps', y: 0, bars: bars(lamps[0], lampHours) },
      ...(co2 ? [{ name: 'CO₂', css: 'co2', y: SIZE.row, bars: bars(co2.on, (((co2.off - co2.on) % 24) + 24) % 24 || 24) }] : []),
      { name: 'Meals', css: 'meals', y: SIZE.row * (co2 ? 2 : 1), bars: [] },
    ];
    const grip = (handle: ClockHandle, name: string, hour: number, y: number): Grip => ({
      handle,
      name,
      hour,
      x: Math.round(this.x(hour)),
      y: y + 3,
      text: clockText(hour),
    });
    return {
      rows,
      height: rows.length * SIZE.row + 24,
      night: bars(lamps[1], 24 - lampHours),
      ticks: [0, 3, 6, 9, 12, 15, 18, 21, 24].map((hour) => ({ hour, x: Math.round(this.x(hour)) })),
      grips: [
        ...(lampHours > 0 && lampHours < 24
          ? [grip('lamps-on', 'Lamps on', lamps[0], 0), grip('lamps-off', 'Lamps off', lamps[1], 0)]
          : []),
        ...(co2 ? [grip('co2-on', 'CO₂ on', co2.on, SIZE.row), grip('co2-off', 'CO₂ off', co2.off, SIZE.row)] : []),
        ...meals.map((meal, i) => grip(`meal-${i}`, `Meal ${i + 1}`, meal, rows.at(-1)!.y)),
      ],
    };
  });

  /** A stretch of hours as one bar, or as two where it goes over midnight. */
  private bars(on: number, hours: number): { x: number; width: number }[] {
    const end = on + hours;
    const parts =
      end <= 24
        ? [[on, end]]
        : [
            [on, 24],
            [0, end - 24],
          ];
    return parts.map(([from, to]) => ({ x: this.x(from!), width: Math.max(0, this.x(to!) - this.x(from!)) }));
  }

  protected grab(event: PointerEvent, { handle, hour }: Grip): void {
    if (this.view.readOnly()) return;
    event.preventDefault();
    const element = event.currentTarget as SVGGraphicsElement;
    element.setPointerCapture(event.pointerId);
    element.focus({ preventScroll: true });
    this.hold.set({ handle, hour });
  }

  protected drag(event: PointerEvent): void {
    const hold = this.hold();
    const svg = (event.currentTarget as SVGGraphicsElement).ownerSVGElement;
    const matrix = svg?.getScreenCTM();
    if (!hold || !matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const hour = quarter(Math.min(23.99, Math.max(0, this.x.invert(at.x))));
    if (hour === hold.hour) return;
    this.hold.set({ ...hold, hour });
    this.gesture.show(() => {
      const design = this.view.design();
      const held = this.hold();
      return design && held ? { design: clockPatch(design, held.handle, held.hour) } : null;
    });
  }

  protected drop(): void {
    const hold = this.hold();
    this.letGo();
    if (hold) this.set(hold.handle, hold.hour);
  }

  protected letGo(): void {
    this.hold.set(null);
    this.gesture.end();
  }

  protected nudge(event: KeyboardEvent, { handle, hour }: Grip): void {
    const by = { ArrowLeft: -STEP_HOURS, ArrowDown: -STEP_HOURS, ArrowRight: STEP_HOURS, ArrowUp: STEP_HOURS, PageDown: -1, PageUp: 1 }[
      event.key
    ];
    if (event.key === 'Delete' && handle.startsWith('meal-')) {
      event.preventDefault();
      const meals = this.view.design()?.care.feedHours ?? [];
      this.store.edit('No meal', [{ op: 'replace', path: '/care/feedHours', value: meals.filter((_, i) => `meal-${i}` !== handle) }]);
      return;
    }
    if (by === undefined || this.view.readOnly()) return;
    event.preventDefault();
    this.set(handle, hour + by);
  }

  private set(handle: ClockHandle, hour: number): void {
    const design = this.view.design();
    if (!design || this.view.readOnly()) return;
    const were = hoursOf(design);
    const patch = clockPatch(design, handle, hour);
    const is = { 'lamps-on': were.lamps[0], 'lamps-off': were.lamps[1], 'co2-on': were.co2?.on, 'co2-off': were.co2?.off }[
      handle as string
    ];
    if (patch.length === 0 || is === quarter(hour)) return;
    this.store.edit(handle.startsWith('lamps') ? 'Hours of light' : handle.startsWith('co2') ? 'Hours of CO₂' : 'Meals', patch);
  }
}
