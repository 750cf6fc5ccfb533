import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { lowestOf, QUARTERS, swingOf, type DaySeries } from '../../core/tank/day';
import type { DayKind } from '../../core/assessment/day';
import { MONTHS } from '../../core/assessment/wording';
import { formatNumber, formatQuantity, unitOf } from '../../core/quantity/format';
import type { OpenSpan, Span } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { oxygenWanted } from '../../core/water/life-findings';
import { animalOf, windowNodeOf } from '../../core/assessment/derive';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { BandChart } from '../ui/band-chart';
import { ChoiceField } from '../ui/choice';
import { clockText, hoursOf } from './clock';
import { ClockStrip } from './clock-strip';
import { Co2Fields } from './co2-fields';

interface Shown {
  key: DaySeries;
  title: string;
  kind: QuantityKind;
}
const SHOWN: readonly Shown[] = [
  { key: 'oxygenMgPerL', title: 'Oxygen', kind: 'concentration' },
  { key: 'co2MgPerL', title: 'CO₂', kind: 'concentration' },
  { key: 'ph', title: 'pH', kind: 'ph' },
  { key: 'temperatureC', title: 'Temperature', kind: 'temperature' },
  { key: 'ammoniaMgNPerL', title: 'Ammonia (NH₄ + NH₃)', kind: 'concentration' },
];
const KINDS = [
  { value: 'usual' as const, text: 'A usual day' },
  { value: 'worst' as const, text: 'The warmest day' },
];
/** Ammonia is spoken of as NH4. */
const NH4_PER_N = 18.04 / 14.007;

/** One day and night of the tank: its switch times, and what comes of them, hour by hour. */
@Component({
  selector: 'tr-day-face',
  imports: [BandChart, ChoiceField, ClockStrip, Co2Fields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="clock" aria-labelledby="clock-heading">
      <div class="bar">
        <h2 id="clock-heading">On and off</h2>
        <span class="small soft">{{ hoursText() }}</span>
        <button type="button" class="btn" [disabled]="locked() || meals() >= 12" (click)="addMeal()">Add a meal</button>
      </div>
      <tr-clock-strip />
      <p class="small soft">Drag an end, or use the arrow keys on it, a quarter of an hour each; Delete takes a meal out.</p>
    </section>
    <section data-control="co2" aria-label="Carbon dioxide">
      <tr-co2-fields />
    </section>
    <section aria-labelledby="course-heading">
      <div class="bar">
        <h2 id="course-heading">What comes of it</h2>
        <tr-choice label="Which day" [hideLabel]="true" [options]="kinds" [value]="kind()" (chosen)="kind.set($event)" />
        <button type="button" class="btn" [attr.aria-pressed]="table()" (click)="table.set(!table())">
          {{ table() ? 'Curves' : 'Table' }}
        </button>
        <span class="small soft" role="status">{{ which() }}</span>
      </div>
      @if (summary(); as text) {
        <p>{{ text }}</p>
      }
      @if (curves(); as all) {
        @if (table()) {
          <div class="scroll">
            <table>
              <caption class="visually-hidden">
                The day by hours, with what is likely about it
              </caption>
              <thead>
                <tr>
                  <th scope="col">Hour</th>
                  @for (one of all; track one.key) {
                    <th scope="col">
                      {{ one.title }}<br /><span class="soft">{{ one.unit }}</span>
                    </th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of rows(); track row.hour) {
                  <tr>
                    <th scope="row">{{ row.hour }}</th>
                    @for (cell of row.cells; track $index) {
                      <td>
                        {{ cell.usual }} <span class="small soft">{{ cell.band }}</span>
                      </td>
                    }
                  </tr>
                }
              </tbody>
            </table>
          </div>
        } @else {
          <div class="charts">
            @for (one of all; track one.key) {
              <tr-band-chart
                step="quarter of an hour"
                [attr.data-series]="one.key"
                [title]="one.title"
                [kind]="one.kind"
                [times]="times"
                [band]="one.band"
                [window]="one.window"
                [events]="events()"
                [marks]="marks"
                [timeText]="clockText"
                [cursor]="cursor()"
                (moved)="cursor.set($event)"
              />
            }
          </div>
        }
        <p class="small soft">
          The line is the day as it is taken to go, the tint what is likely, the green field what everyone here likes; dotted lines are
          switch times and meals. Each day like the one before. {{ taken() }}
        </p>
      } @else {
        <p class="soft">There is no day to follow yet: choose a vessel, and pour water whose GH and KH are known.</p>
      }
    </section>
  `,
  styles: `
    section {
      margin-bottom: 20px;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      margin-bottom: 6px;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
      gap: 14px 20px;
    }
    td,
    th {
      text-align: left;
      padding: 2px 8px 2px 0;
    }
  `,
})
export class DayFace {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly kinds = KINDS;
  protected readonly kind = signal<DayKind>('usual');
  protected readonly table = signal(false);
  protected readonly cursor = signal<number | null>(null);
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly clockText = clockText;
  protected readonly times = Array.from({ length: QUARTERS }, (_, q) => q / 4);
  protected readonly marks = [0, 6, 12, 18].map((time) => ({ time, text: String(time) }));
  private readonly day = workedOut(this.view, 'day', this.kind);
  private readonly hours = computed(() => {
    const design = this.view.design();
    return design ? hoursOf(design) : null;
  });
  protected readonly meals = computed(() => this.hours()?.meals.length ?? 0);

  protected readonly hoursText = computed(() => {
    const hours = this.hours();
    if (!hours) return '';
    const [on, off] = hours.lamps;
    return `light ${clockText(on)} to ${clockText(off)}${hours.meals.length === 0 ? '; fed little by little' : ''}`;
  });

  protected readonly which = computed(() => {
    const day = this.day();
    return day ? `in ${MONTHS[day.month]}, after weeks of such days` : '';
  });
  protected readonly taken = computed(() => {
    const taken = this.day()?.taken ?? [];
    return taken.length > 0 ? `Taken, as it is not stated: ${taken.join('; ')}.` : '';
  });

  protected readonly events = computed(() => {
    const hours = this.hours();
    return hours ? [...hours.lamps, ...(hours.co2?.own ? [hours.co2.on, hours.co2.off] : []), ...hours.meals] : [];
  });

  protected readonly curves = computed(() => {
    const day = this.day();
    if (!day) return null;
    const derived = this.view.told()?.derived;
    const least = this.least();
    return SHOWN.filter(({ key }) => key !== 'ammoniaMgNPerL' || Math.max(...day.course[key].high) > 0.01).map(({ key, title, kind }) => {
      const { usual, low, high } = day.course[key];
      const times = key === 'ammoniaMgNPerL' ? NH4_PER_N : 1;
      const of = (values: Float64Array) => (times === 1 ? values : values.map((value) => value * times));
      const window: Span | null =
        key === 'oxygenMgPerL'
          ? [least, Infinity]
          : key === 'temperatureC' || key === 'ph'
            ? spanOf(derived && windowNodeOf(derived, key).value?.optimum)
            : null;
      return { key, title, kind, unit: unitOf(kind, this.units()).unit, band: { usual: of(usual), low: of(low), high: of(high) }, window };
    });
  });

  /** What the most demanding here should not fall under. */
  private readonly least = computed(
    () =>
      oxygenWanted(
        this.view.members().flatMap((member) => {
          const animal = animalOf(member);
          return animal ? [{ id: member.id, mgPerL: animal.traits.oxygenMgPerL.value }] : [];
        }),
      ).mgPerL,
  );

  protected readonly summary = computed(() => {
    const day = this.day();
    if (!day) return null;
    const { course } = day;
    const units = this.units();
    const low = lowestOf(course.oxygenMgPerL.usual);
    const swing = swingOf(course.ph.usual);
    const parts = [
      `Oxygen is lowest at ${clockText(low.hour)}: ${formatQuantity('concentration', low.value, units)}`,
      swing >= 0.1 ? `pH swings by ${formatNumber('ph', swing, units)}` : 'pH hardly moves',
    ];
    return `${parts.join('; ')}.`;
  });

  protected readonly rows = computed(() => {
    const all = this.curves();
    if (!all) return [];
    const units = this.units();
    return Array.from({ length: 24 }, (_, hour) => ({
      hour: clockText(hour),
      cells: all.map(({ kind, band }) => {
        const show = (values: Float64Array) => formatNumber(kind, values[hour * 4]!, units);
        const [from, to] = [show(band.low), show(band.high)];
        return { usual: show(band.usual), band: from === to ? '' : `${from}–${to}` };
      }),
    }));
  });

  protected addMeal(): void {
    const hours = this.hours();
    if (!hours) return;
    // an hour after the lamps come on, then two hours after the last
    const last = hours.meals.at(-1);
    const at = last === undefined ? (hours.lamps[0] + 1) % 24 : (last + 2) % 24;
    this.store.edit('A meal', [{ op: 'replace', path: '/care/feedHours', value: [...hours.meals, at] }]);
  }
}

/** A window without an end goes on beyond the drawing. */
const spanOf = (window: OpenSpan | null | undefined): Span | null => (window ? [window[0] ?? -Infinity, window[1] ?? Infinity] : null);
