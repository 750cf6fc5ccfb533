import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { gramsOf } from '../../core/assessment/derive/load';
import { breathOf } from '../../core/stocking/breath';
import { stepLimits } from '../../core/assessment/plan/shift';
import { time, wordAcclimation } from '../../core/assessment/wording/acclimation';
import type { Span } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { DROP_ML } from '../../core/water/acclimation';
import { acclimate, FREE_AMMONIA_DANGER } from '../../core/water/acclimation-plan';
import { DripTimer } from '../store/drip-timer';
import { dayOf } from '../../core/schedule/day';
import { warmthNow } from '../../core/water/reading';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { BandChart } from '../ui/band-chart';
import { QuantityField } from '../ui/quantity-field';

interface Field {
  key: string;
  label: string;
  kind: QuantityKind;
  limits: readonly [number, number];
  start: number | null;
}

const BAG: readonly Field[] = [
  { key: 'litres', label: 'Water in the bag', kind: 'volume', limits: [0.05, 100], start: 0.6 },
  { key: 'temperatureC', label: 'Its temperature', kind: 'temperature', limits: [1, 40], start: 20 },
  { key: 'ph', label: 'Its pH', kind: 'ph', limits: [4, 10], start: 6.8 },
  { key: 'khDh', label: 'Its KH', kind: 'alkalinity', limits: [0, 28], start: null },
  { key: 'ghDh', label: 'Its GH', kind: 'hardness', limits: [0, 400], start: null },
  { key: 'ec25UsPerCm', label: 'Its conductivity', kind: 'conductivity', limits: [0, 60000], start: null },
  { key: 'ammoniaMgN', label: 'Its ammonia (TAN, as N)', kind: 'concentration', limits: [0, 100], start: null },
];
const DRIP: readonly Field[] = [
  { key: 'floatMinutes', label: 'Float, minutes', kind: 'count', limits: [0, 240], start: 45 },
  { key: 'dropsPerS', label: 'Drops a second', kind: 'number', limits: [0.05, 50], start: 1.5 },
  { key: 'dripMinutes', label: 'Drip, minutes', kind: 'count', limits: [2, 600], start: 120 },
  { key: 'vesselL', label: 'Dripped into', kind: 'volume', limits: [0.1, 200], start: 3 },
];

/** The bag of new animals: how it will go, what to do, and a clock that goes with it. */
@Component({
  selector: 'tr-acclimate-face',
  imports: [BandChart, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Test the bag before anything is poured. What is left empty is taken to be as in the tank; ammonia that is not tested is
      <strong>unknown</strong>.
    </p>
    <div class="fields">
      @for (field of bagFields; track field.key) {
        <tr-quantity
          [label]="field.label"
          [kind]="field.kind"
          [limits]="field.limits"
          [value]="value(field.key)"
          [disabled]="timer.running() !== null"
          placeholder="not tested"
          (quantity)="set(field.key, $event)"
        />
      }
    </div>
    <div class="fields">
      @for (field of dripFields; track field.key) {
        <tr-quantity
          [label]="field.label"
          [kind]="field.kind"
          [limits]="field.limits"
          [value]="value(field.key)"
          [disabled]="timer.running() !== null"
          (quantity)="set(field.key, $event)"
        />
      }
    </div>
    @if (told(); as t) {
      <div class="verdict" role="status" [attr.data-verdict]="t.verdict">
        <h2>{{ t.title }}</h2>
        <p>{{ t.reason }}</p>
      </div>
      <div class="clock">
        @if (timer.running(); as r) {
          @if (elsewhere()) {
            <p>A clock is running for another tank.</p>
          }
          <p class="big" role="timer" aria-live="off">{{ timer.clock() }}</p>
          @if (alarmText(); as text) {
            <p class="alarm" role="alert">{{ text }}</p>
          }
          <button class="btn" type="button" (click)="timer.stop()">Stop the clock</button>
        } @else {
          <button class="btn primary" type="button" (click)="start()">Start the clock: bag afloat</button>
          <span class="small soft">It goes on through a reload, and sounds when the bag is to be opened and when the drip is done.</span>
        }
      </div>
      <div class="charts">
        @for (chart of t.charts; track chart.title) {
          <tr-band-chart
            step="minute"
            [title]="chart.title"
            [kind]="chart.kind"
            [times]="t.times"
            [band]="chart.band"
            [window]="chart.window"
            [events]="t.events"
            [marks]="t.marks"
            [timeText]="minuteText"
            [cursor]="cursor() ?? running()"
            (moved)="cursor.set($event)"
          />
        }
      </div>
      @if (t.untold) {
        <p class="small">Unknown, since it is not tested: {{ t.untold }}.</p>
      }
      <p class="small soft">
        Dotted: the bag is opened. Lights off for the release, nets and hands rinsed of soap, none of the bag’s water into the tank. Half an
        hour of floating is usual; a drop is taken as 0.05 mL. Modelled: watch the animals.
      </p>
    } @else {
      <p>Plan the tank’s water first: its temperature, pH and KH are what the bag is brought to.</p>
    }
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(138px, 1fr));
      gap: 8px 14px;
      margin: 8px 0;
    }
    .verdict {
      margin: 12px 0;
      padding: 10px 0;
      border-block: 1px solid var(--edge);
    }
    .clock {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 16px;
      margin-bottom: 12px;
    }
    .big {
      font-size: 26px;
      font-family: var(--display);
    }
    .alarm {
      padding: 4px 10px;
      border: 1.5px solid var(--oxide);
      border-radius: 4px;
      font-weight: 600;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
      gap: 14px 22px;
      margin-bottom: 8px;
    }
  `,
})
export class AcclimateFace {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly timer = inject(DripTimer);
  protected readonly bagFields = BAG;
  protected readonly dripFields = DRIP;
  protected readonly cursor = signal<number | null>(null);
  private readonly typed = signal<Readonly<Record<string, number>>>({});
  protected readonly minuteText = (minute: number): string => `minute ${Math.round(minute)}`;
  protected readonly elsewhere = computed(() => this.timer.running()?.tankId !== this.view.design()?.id);
  /** Where the clock stands on the curves. */
  protected readonly running = computed(() => (this.elsewhere() ? null : (this.timer.minutes() ?? null)));

  protected value(key: string): number | null {
    const running = this.timer.running();
    if (running && !this.elsewhere()) return running.fields[key] ?? null;
    return this.typed()[key] ?? [...BAG, ...DRIP].find((field) => field.key === key)?.start ?? null;
  }

  protected set(key: string, value: number): void {
    this.typed.update((typed) => ({ ...typed, [key]: value }));
  }

  private readonly today = dayOf(new Date());

  private readonly found = computed(() => {
    const derived = this.view.derived();
    const [ph, khDh, temperatureC] = [
      derived?.['planned.ph'].value,
      derived?.['planned.khDh'].value,
      derived?.['planned.temperatureC'].value,
    ];
    const year = derived?.['heat.year'].value?.[new Date().getMonth()];
    const thisMonth = year ? (year[0] + year[1]) / 2 : null;
    if (!derived || ph === null || ph === undefined || khDh === null || khDh === undefined) return null;
    const of = (key: string, otherwise: number): number => this.value(key) ?? otherwise;
    const tank = {
      // the tank of today, not the middle of its year
      temperatureC: warmthNow(this.view.design()?.readings ?? {}, this.today) ?? thisMonth ?? temperatureC ?? 24,
      ph,
      khDh: Math.max(0, khDh),
      ghDh: derived['planned.ghDh'].value,
      ec25UsPerCm: derived['planned.ec25UsPerCm'].value,
    };
    const animals = this.view.members().filter(({ organism }) => organism?.kind === 'animal');
    const { steps } = stepLimits(animals);
    const breath = animals.reduce(
      (sum, { organism, count }) => sum + (organism?.kind === 'animal' ? breathOf(organism, gramsOf(organism)) * Math.min(count, 10) : 0),
      0,
    );
    const litres = of('litres', 0.6);
    return acclimate(
      {
        litres,
        temperatureC: of('temperatureC', tank.temperatureC),
        ph: of('ph', tank.ph),
        khDh: of('khDh', tank.khDh),
        ghDh: this.value('ghDh'),
        ec25UsPerCm: this.value('ec25UsPerCm'),
        ammoniaMgN: this.value('ammoniaMgN'),
        // no more than a packed bag would carry
        animalsMgO2PerDay: Math.min(breath, 60 * litres),
      },
      tank,
      {
        floatMinutes: of('floatMinutes', 45),
        dripMlPerMin: of('dropsPerS', 1.5) * DROP_ML * 60,
        dripMinutes: of('dripMinutes', 120),
        vesselL: Math.max(litres, of('vesselL', 3)),
      },
      { temperatureC: steps.temperatureC, ph: steps.ph, ghDh: steps.ghDh, ec25Share: 0.1 },
    );
  });

  protected readonly told = computed(() => {
    const found = this.found();
    if (!found) return null;
    const { points } = found;
    const floats = this.value('floatMinutes') ?? 45;
    const drips = this.value('dripMinutes') ?? 120;
    const series = (of: (point: (typeof points)[number]) => number | null) => ({ usual: points.map((point) => of(point) ?? 0) });
    const danger: Span = [0, FREE_AMMONIA_DANGER];
    const end = points.at(-1)?.minutes ?? 0;
    return {
      ...wordAcclimation(found, drips, this.units()),
      verdict: found.verdict,
      untold: [
        ...(this.value('ammoniaMgN') === null ? ['free ammonia'] : []),
        ...(points[0]?.ec25UsPerCm === null ? ['conductivity'] : []),
        ...(points[0]?.ghDh === null ? ['GH'] : []),
      ].join(', '),
      times: points.map(({ minutes }) => minutes),
      events: floats > 0 ? [floats] : [],
      marks: [{ time: 0, text: 'afloat' }, ...(floats > 0 ? [{ time: floats, text: 'opened' }] : []), { time: end, text: time(end) }],
      charts: [
        { title: 'Temperature', kind: 'temperature' as const, band: series(({ temperatureC }) => temperatureC), window: null },
        { title: 'pH', kind: 'ph' as const, band: series(({ ph }) => ph), window: null },
        ...(this.value('ammoniaMgN') === null
          ? []
          : [
              {
                title: 'Free ammonia, as N',
                kind: 'concentration' as const,
                band: series(({ freeAmmoniaMgN }) => freeAmmoniaMgN),
                window: danger,
              },
            ]),
        ...(points[0]?.ec25UsPerCm === null
          ? []
          : [{ title: 'Conductivity', kind: 'conductivity' as const, band: series(({ ec25UsPerCm }) => ec25UsPerCm), window: null }]),
        ...(points[0]?.ghDh === null ? [] : [{ title: 'GH', kind: 'hardness' as const, band: series(({ ghDh }) => ghDh), window: null }]),
        { title: 'Water with the animals', kind: 'volume' as const, band: series(({ litres }) => litres), window: null },
      ],
    };
  });

  protected readonly alarmText = computed(() => {
    if ((this.timer.minutes() ?? 0) < 0)
      return 'This device’s clock now stands before the start. Go by a kitchen clock; stop this one and start it again.';
    const direct = this.found()?.verdict === 'direct' || this.found()?.verdict === 'direct-foul';
    const untested = this.found()?.verdict === 'untested';
    switch (this.timer.alarm()) {
      case 'open':
        if (untested) return 'The temperature is even: test the bag, then choose.';
        return direct ? 'The temperature matches: put them over now.' : 'Open the bag and let it drip.';
      case 'full':
        return 'The vessel is full: pour off half, and go on.';
      case 'done':
        return direct ? 'They should be over by now.' : 'The drip is done: net them over, lights off.';
      default:
        return null;
    }
  });

  protected start(): void {
    const found = this.found();
    const id = this.view.design()?.id;
    if (!found || !id) return;
    this.timer.start({
      tankId: id,
      startedAt: Date.now(),
      floatMinutes: this.value('floatMinutes') ?? 45,
      dripMinutes: this.value('dripMinutes') ?? 120,
      fullAtMinute: found.fullAtMinute,
      fields: Object.fromEntries([...BAG, ...DRIP].map(({ key }) => [key, this.value(key)])),
    });
  }
}
