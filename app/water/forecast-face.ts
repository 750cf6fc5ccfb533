import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { distinctUntilChanged, of, Subject, switchMap, takeUntil, type Observable } from 'rxjs';
import { windowNodeOf } from '../../core/assessment/derive';
import { FORECAST_SAMPLES } from '../../core/assessment/forecast';
import type { Parameter } from '../../core/catalogue/parameter';
import { formatNumber, unitOf } from '../../core/quantity/format';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { Span } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { PARAMETER_META } from '../../core/reading/parameter';
import { dayAfter, dayOf } from '../../core/schedule/day';
import type { SeriesKey } from '../../core/tank/forecast';
import { USUAL_OXYGEN_MG_PER_L } from '../../core/water/life-findings';
import { RoutineFields } from '../parts/routine-fields';
import { ForecastFeed, type ForecastState } from '../store/forecast-feed';
import { begunAsMeasured } from '../../core/assessment/measured';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { BandChart } from '../ui/band-chart';
import { shortDay } from '../ui/day-text';

interface Shown {
  key: SeriesKey;
  title: string;
  kind: QuantityKind;
  parameter?: Parameter;
}

const SHOWN: readonly Shown[] = [
  { key: 'ph', title: 'pH, day and night', kind: 'ph', parameter: 'ph' },
  { key: 'khDh', title: 'KH', kind: 'alkalinity', parameter: 'khDh' },
  { key: 'ghDh', title: 'GH', kind: 'hardness', parameter: 'ghDh' },
  { key: 'ec25UsPerCm', title: 'Conductivity', kind: 'conductivity', parameter: 'ec25UsPerCm' },
  { key: 'salinity', title: 'Salinity', kind: 'salinity', parameter: 'salinity' },
  { key: 'nitrate', title: 'Nitrate (NO₃)', kind: 'concentration' },
  { key: 'phosphate', title: 'Phosphate (PO₄)', kind: 'concentration' },
  { key: 'temperatureC', title: 'Temperature', kind: 'temperature', parameter: 'temperatureC' },
  { key: 'oxygen', title: 'Oxygen before dawn', kind: 'concentration' },
];
/** Days of the rows in the table. */
const TABLE_DAYS = [0, 1, 3, 7, 14, 28, 42, 56, 70, 84];

/** Twelve weeks of the planned tank, day by day, with what is likely about them. */
@Component({
  selector: 'tr-forecast-face',
  imports: [BandChart, RoutineFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="routine-heading" data-control="routine">
      <h2 id="routine-heading">Under this care</h2>
      <tr-routine-fields />
    </section>
    <div class="bar">
      <h2>Twelve weeks from {{ start() }}</h2>
      @if (told()?.forecast) {
        <button class="btn" type="button" [attr.aria-pressed]="table()" (click)="table.set(!table())">
          {{ table() ? 'Curves' : 'Table' }}
        </button>
      }
      <span class="small soft progress" role="status">{{ progress() }}</span>
      @if (told()?.state === 'running' && !stopped()) {
        <button type="button" class="pick small" (click)="stop()">Stop</button>
      }
    </div>
    @if (told()?.state === 'nothing') {
      <p>There is nothing to follow yet: choose a <strong>vessel</strong>, and pour water whose GH and KH are known.</p>
    } @else if (told()?.state === 'failed') {
      <p class="error">It could not be followed: {{ told()?.reason }}. The plan is as it was.</p>
    }
    @if (curves(); as all) {
      @if (table()) {
        <div class="scroll">
          <table>
            <caption class="visually-hidden">
              The forecast by day, with its likely band
            </caption>
            <thead>
              <tr>
                <th scope="col">Day</th>
                @for (one of all; track one.key) {
                  <th scope="col" class="value">
                    {{ one.title }}<br /><span class="soft">{{ one.unit }}</span>
                  </th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.day) {
                <tr>
                  <th scope="row">{{ row.date }}</th>
                  @for (cell of row.cells; track $index) {
                    <td class="value">
                      {{ cell.usual }}<br /><span class="small soft">{{ cell.band }}</span>
                    </td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
      } @else {
        <div class="charts" [class.old]="stale()">
          @for (one of all; track one.key) {
            <tr-band-chart
              [attr.data-series]="one.key"
              [title]="one.title"
              [kind]="one.kind"
              [times]="one.times"
              [band]="one.band"
              [window]="one.window"
              [events]="events()"
              [marks]="marks()"
              [timeText]="dayText"
              [cursor]="cursor()"
              (moved)="cursor.set($event)"
            />
          }
        </div>
      }
      <p class="small soft">
        The line is the plan as it is taken to go, the tint nine of ten likely cases, the green field what everyone here likes; dotted lines
        are water changes. {{ begun() }} {{ taken() }} Modelled: test the water. A filter that is grown in is taken for granted.
      </p>
    }
  `,
  styles: `
    section {
      margin-bottom: 14px;
    }
    h2 {
      margin-bottom: 4px;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 4px 14px;
    }
    .progress {
      margin-left: auto;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
      gap: 14px 22px;
      margin: 6px 0 10px;
    }
    .old {
      opacity: 0.6;
    }
    table {
      font-size: 12.5px;
    }
    th {
      white-space: nowrap;
    }
  `,
})
export class ForecastFace {
  private readonly view = inject(TankView);
  private readonly feed = inject(ForecastFeed);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  private readonly stops = new Subject<void>();
  protected readonly stopped = signal(false);
  protected readonly cursor = signal<number | null>(null);
  protected readonly table = signal(false);
  protected readonly start = computed(() => shortDay(this.today));
  protected readonly dayText = (day: number): string => shortDay(dayAfter(this.today, day));

  /** The look ahead at what the judgement on the screen is of. */
  protected readonly told = toSignal<ForecastState | null>(
    toObservable(this.view.assessment).pipe(
      distinctUntilChanged(
        (a, b) => a?.derived['tank.ahead'] === b?.derived['tank.ahead'] && a?.derived['heat.year'] === b?.derived['heat.year'],
      ),
      switchMap((assessment) => (assessment ? this.follow(assessment.world.design, assessment.world.room) : of(null))),
    ),
  );
  private follow(design: Design, room: Room): Observable<ForecastState> {
    this.stopped.set(false);
    return this.feed.ahead(design, room, Number(this.today.slice(5, 7)) - 1).pipe(takeUntil(this.stops));
  }

  /** Calls it off; what is known so far stays on the screen. */
  protected stop(): void {
    this.stops.next();
    this.stopped.set(true);
  }

  /** The last forecast there was stays on the screen till the next is there. */
  private kept: ForecastState['forecast'] = null;
  protected readonly forecast = computed(() => {
    const told = this.told();
    if (told?.forecast) this.kept = told.forecast;
    if (told?.state === 'nothing' || told?.state === 'failed') this.kept = null;
    return this.kept;
  });
  protected readonly stale = computed(() => this.told()?.state === 'running' && !this.told()?.forecast);

  protected readonly progress = computed(() => {
    const told = this.told();
    if (this.stopped()) return `stopped at ${told?.samples ?? 0} of ${FORECAST_SAMPLES} likely cases`;
    if (told?.state === 'running') return `following ${told.samples} of ${FORECAST_SAMPLES} likely cases …`;
    return told?.state === 'done' ? `${FORECAST_SAMPLES} likely cases` : '';
  });

  protected readonly curves = computed(() => {
    const forecast = this.forecast();
    const derived = this.view.derived();
    if (!forecast || !derived) return null;
    const units = this.units();
    const times = Array.from({ length: forecast.days + 1 }, (_, i) => i);
    const salty = (derived['planned.salinity'].value ?? 0) > 2;
    return SHOWN.filter(({ key }) => (key === 'salinity') <= salty).map((one) => ({
      ...one,
      unit: unitOf(one.kind, units).unit,
      times,
      band: forecast.series[one.key],
      window: this.windowOf(one),
    }));
  });

  protected readonly events = computed(
    () =>
      this.forecast()
        ?.events.filter(({ kind }) => kind === 'change')
        .map(({ day }) => day) ?? [],
  );
  protected readonly marks = computed(() => [0, 28, 56].map((day) => ({ time: day, text: this.dayText(day) })));
  protected readonly begun = computed(() => {
    const assessment = this.view.assessment();
    const scenario = assessment?.derived['tank.ahead'].value?.scenario;
    const of = assessment && scenario ? begunAsMeasured(scenario, assessment).of : [];
    return of.length > 0 ? `It begins at what was measured: ${of.map((one) => PARAMETER_META[one].name).join(', ')}.` : '';
  });
  protected readonly taken = computed(() => {
    const taken = this.view.derived()?.['tank.ahead'].value?.taken ?? [];
    return taken.length > 0 ? `Taken, as it is not stated: ${taken.join('; ')}.` : '';
  });

  protected readonly rows = computed(() => {
    const units = this.units();
    return TABLE_DAYS.map((day) => ({
      day,
      date: this.dayText(day),
      cells: (this.curves() ?? []).map(({ band, kind }) => {
        const show = (value: number) => formatNumber(kind, value, units);
        const [low, high] = [show(band.low[day]!), show(band.high[day]!)];
        return { usual: show(band.usual[day]!), band: low === high ? '' : `${low}–${high}` };
      }),
    }));
  });

  private windowOf({ key, parameter }: Shown): Span | null {
    const derived = this.view.derived();
    if (!derived) return null;
    if (parameter) {
      const window = windowNodeOf(derived, parameter).value;
      return window?.optimum ?? window?.tolerance ?? null;
    }
    if (key === 'oxygen') return [USUAL_OXYGEN_MG_PER_L, Infinity];
    const limit =
      key === 'nitrate' ? this.view.assessment()?.findings.find(({ code }) => code === 'water.nitrate')?.values['edge']?.value : undefined;
    return limit === undefined ? null : [0, limit];
  }
}
