import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { scaleTime } from 'd3-scale';
import type { StageDays } from '../../core/breeding/timeline';
import { dayAfter, dayOf, type Day } from '../../core/schedule/day';
import { shortDay } from '../ui/day-text';

/** A brood as a lane shows it. */
export interface Lane {
  id: string;
  name: string;
  count: string;
  stages: readonly StageDays[];
  /** Nothing more comes of it. */
  over: Day | null;
}

/** What the young live on, or in, from one stage to the next. */
const PHASES = [
  { from: 'laid', key: 'eggs', text: 'eggs' },
  { from: 'hatched', key: 'yolk', text: 'yolk' },
  { from: 'swimming', key: 'first', text: 'first food' },
  { from: 'second-food', key: 'large', text: 'larger food' },
  { from: 'saleable', key: 'grown', text: 'to be given on' },
] as const;

const ms = (day: Day): number => Date.parse(day);
/** The middle of a range of days: where one phase is drawn to pass into the next. */
const middle = ({ from, to }: StageDays): number => (ms(from) + ms(to)) / 2;

/** Broods over time, a lane each: what is expected with its spread, what was seen as a dot. */
@Component({
  selector: 'tr-brood-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="plot" role="group" aria-label="Broods over time">
      <div class="ticks" aria-hidden="true">
        @for (tick of ticks(); track tick.left) {
          <span [style.left.%]="tick.left">{{ tick.text }}</span>
        }
        <span class="today" [style.left.%]="todayAt()">today</span>
      </div>
      @for (lane of drawn(); track lane.id) {
        <button
          type="button"
          class="lane"
          [attr.data-brood]="lane.id"
          [attr.aria-pressed]="lane.id === chosen()"
          (click)="choose.emit(lane.id)"
        >
          <span class="what">
            <strong>{{ lane.name }}</strong> <span class="soft small">{{ lane.count }}</span>
          </span>
          <span class="track">
            @for (part of lane.parts; track part.key) {
              <span [class]="'part ' + part.key" [style.left.%]="part.left" [style.width.%]="part.width">
                @if (part.width > 9) {
                  <span class="in">{{ part.text }}</span>
                }
              </span>
            }
            @for (spread of lane.spreads; track spread.key) {
              <span class="spread" [style.left.%]="spread.left" [style.width.%]="spread.width"></span>
            }
            @for (dot of lane.dots; track dot.key) {
              <span class="dot" [style.left.%]="dot.left"></span>
            }
            <span class="now" [style.left.%]="todayAt()"></span>
          </span>
        </button>
      }
    </div>
    <p class="small soft key">
      @for (phase of phases; track phase.key) {
        <span [class]="'swatch ' + phase.key"></span> {{ phase.text }}&ngsp;
      }
      <span class="dot still"></span> seen <span class="spread still"></span> expected, first to last day
    </p>
  `,
  styles: `
    .plot {
      position: relative;
    }
    .ticks {
      position: relative;
      height: 18px;
      margin-left: 190px;
      color: var(--soft);
      font-size: 12px;
      span {
        position: absolute;
        transform: translateX(-50%);
        white-space: nowrap;
      }
      .today {
        color: var(--clay);
        font-weight: 600;
        background: var(--sheet);
        padding: 0 4px;
      }
    }
    .lane {
      display: grid;
      grid-template-columns: 190px minmax(0, 1fr);
      align-items: center;
      width: 100%;
      min-height: 40px;
      padding: 4px 0;
      border: 0;
      border-top: 1px solid var(--rule);
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
    .lane[aria-pressed='true'] {
      background: var(--band);
    }
    .lane[aria-pressed='true'] .soft {
      color: var(--ink);
    }
    .what {
      display: flex;
      flex-direction: column;
      padding-left: 6px;
      line-height: 1.25;
    }
    .track {
      position: relative;
      height: 26px;
      overflow: hidden;
    }
    .part {
      position: absolute;
      top: 3px;
      height: 15px;
      border-left: 1px solid var(--sheet);
      color: var(--ink);
      font-size: 11.5px;
      line-height: 15px;
    }
    .in {
      display: block;
      overflow: hidden;
      padding: 0 5px;
      white-space: nowrap;
    }
    .eggs {
      background: color-mix(in srgb, var(--ochre) 28%, var(--sheet));
    }
    .yolk {
      background: color-mix(in srgb, var(--ochre) 52%, var(--sheet));
    }
    .first {
      background: color-mix(in srgb, var(--water) 30%, var(--sheet));
    }
    .large {
      background: color-mix(in srgb, var(--moss) 34%, var(--sheet));
    }
    .grown {
      background: color-mix(in srgb, var(--clay) 38%, var(--sheet));
    }
    .spread {
      position: absolute;
      top: 21px;
      height: 3px;
      min-width: 3px;
      background: var(--edge);
    }
    .dot {
      position: absolute;
      top: 18px;
      width: 8px;
      height: 8px;
      margin-left: -4px;
      border-radius: 50%;
      background: var(--ink);
    }
    .swatch {
      display: inline-block;
      width: 16px;
      height: 11px;
      margin: 0 2px 0 10px;
    }
    .still {
      position: static;
      display: inline-block;
      margin: 0 3px 0 10px;
    }
    .spread.still {
      width: 22px;
      margin-bottom: 3px;
    }
    .now {
      position: absolute;
      top: 0;
      bottom: 0;
      border-left: 1px dashed var(--clay);
    }
    .key {
      margin-top: 2px;
    }
    @media (max-width: 719px) {
      .lane {
        grid-template-columns: minmax(0, 1fr);
      }
      .ticks {
        margin-left: 0;
      }
    }
  `,
})
export class BroodLanes {
  readonly lanes = input.required<readonly Lane[]>();
  readonly chosen = input.required<string | null>();
  readonly choose = output<string>();
  protected readonly phases = PHASES;
  private readonly today = dayOf(new Date());

  private readonly scale = computed(() => {
    const laid = this.lanes().map(({ stages }) => stages[0]?.from ?? this.today);
    const first = laid.reduce((least, day) => (day < least ? day : least), this.today);
    // the weeks in which there is most to do: what comes later is told below
    const last = dayAfter(this.today, Math.max(42, Math.round((Date.parse(this.today) - ms(first)) / 86_400_000 / 2)));
    return scaleTime()
      .domain([ms(dayAfter(first, -3)), ms(last)])
      .range([0, 100]);
  });
  protected readonly todayAt = computed(() => this.scale()(ms(this.today)));
  protected readonly ticks = computed(() =>
    this.scale()
      .ticks(6)
      .map((at) => ({ left: this.scale()(at), text: shortDay(dayOf(at)) }))
      .filter(({ left }) => left > 2 && left < 97 && Math.abs(left - this.todayAt()) > 8),
  );

  protected readonly drawn = computed(() => {
    const scale = this.scale();
    const at = (time: number): number => Math.max(-1, Math.min(101, scale(time)));
    return this.lanes().map(({ id, name, count, stages, over }) => {
      const by = new Map(stages.map((one) => [one.stage, one]));
      const known = PHASES.filter(({ from }) => by.has(from));
      const end = over === null ? Infinity : ms(over);
      const parts = known.flatMap(({ from, key, text }, i) => {
        const next = known[i + 1];
        const start = middle(by.get(from)!);
        const stop = Math.min(end, next ? middle(by.get(next.from)!) : from === 'saleable' ? Infinity : start + 86_400_000);
        const left = at(start);
        return stop <= start || left > 100 ? [] : [{ key, text, left, width: at(stop) - left }];
      });
      const shown = known.map(({ from }) => by.get(from)!).filter(({ from }) => ms(from) <= end);
      return {
        id,
        name,
        count,
        parts,
        spreads: shown
          .filter(({ seen }) => !seen)
          .map(({ stage, from, to }) => ({ key: stage, left: at(ms(from)), width: at(ms(to)) - at(ms(from)) }))
          .filter(({ left }) => left < 100),
        dots: shown.filter(({ seen }) => seen).map(({ stage, from }) => ({ key: stage, left: at(ms(from)) })),
      };
    });
  });
}
