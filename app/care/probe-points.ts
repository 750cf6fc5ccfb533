import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { CALIBRATION_WORD, wordSlope } from '../../core/assessment/wording/monitor';
import { calibrate, forgetCalibration } from '../../core/design/edits/monitor-edits';
import type { MonitorPlan } from '../../core/care/model';
import { isStale, type Watch } from '../../core/monitor/watch';
import { formatNumber, formatQuantity } from '../../core/quantity/format';
import { CALIBRATION, MONITORED, calibrationOf, type Monitored } from '../../core/reading/calibration';
import { PARAMETER_META } from '../../core/reading/parameter';
import { dayOf, daysFrom } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { datedDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';

/** What is held to the probe, in words. */
const HELD: Readonly<Record<Monitored, string>> = {
  temperatureC: 'a thermometer beside it',
  ph: 'buffers, 7.00 first, rinsed between',
  ec25UsPerCm: 'a standard at 25 °C, no bubble in the cell',
  levelMm: 'a rule from the bottom of the tank',
};

/** What each probe was held in, how it stands by that, and the next point. */
@Component({
  selector: 'tr-probe-points',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="points-heading">Held in what is known</h2>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Probe</th>
            <th scope="col" class="num">Shows by itself</th>
            <th scope="col">Held in</th>
            <th scope="col">It is</th>
            <th scope="col">How it stands</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.parameter) {
            <tr [attr.data-points]="row.parameter">
              <th scope="row">{{ row.name }}</th>
              <td class="num">{{ row.read }}</td>
              <td class="small soft">{{ row.held }}</td>
              <td>
                <span class="take">
                  <tr-quantity
                    [label]="row.name + ' it is held in'"
                    [hideLabel]="true"
                    [kind]="row.kind"
                    placeholder=""
                    [limits]="row.limits"
                    [value]="is()[row.parameter] ?? null"
                    [disabled]="locked() || !row.live"
                    (quantity)="set(row.parameter, $event)"
                  />
                  @for (one of row.standards; track one.value) {
                    <button
                      class="pick small"
                      type="button"
                      [disabled]="locked() || !row.live"
                      [attr.aria-label]="row.name + ': held in ' + one.text"
                      (click)="set(row.parameter, one.value)"
                    >
                      {{ one.text }}
                    </button>
                  }
                  <button
                    class="btn"
                    type="button"
                    [attr.aria-label]="'Take it: ' + row.name"
                    [disabled]="locked() || !row.live || is()[row.parameter] === undefined"
                    (click)="take(row.parameter)"
                  >
                    Take it
                  </button>
                </span>
              </td>
              <td>
                <span [class.late]="row.late">{{ row.stands }}</span>
                @if (row.points > 0) {
                  <button
                    class="pick small"
                    type="button"
                    [disabled]="locked()"
                    [attr.aria-label]="'Forget what ' + row.name + ' was held in'"
                    (click)="forget(row.parameter)"
                  >
                    forget
                  </button>
                }
                @if (row.fault) {
                  <p class="small late">{{ row.fault }}</p>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="small soft">
      Buffers are fresh, at the temperature of the room, and not poured back. Entries that stand in the log stay as they are.
    </p>
  `,
  styles: `
    .take {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 6px;
      tr-quantity {
        width: 104px;
      }
    }
    .late {
      color: var(--ochre);
    }
    p {
      max-width: 760px;
    }
  `,
})
export class ProbePoints {
  readonly plan = input.required<MonitorPlan>();
  readonly watch = input.required<Watch | null>();
  readonly now = input.required<number>();
  private readonly view = inject(TankView);
  private readonly session = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  protected readonly locked = computed(() => this.view.readOnly());
  /** What each is held in just now, as it is put in. */
  protected readonly is = signal<Partial<Record<Monitored, number>>>({});

  protected readonly rows = computed(() => {
    const watch = this.watch();
    return MONITORED.map((parameter) => {
      const { name, kind, canBe } = PARAMETER_META[parameter];
      const points = this.plan().calibration[parameter] ?? [];
      const line = calibrationOf(parameter, points);
      const now = watch?.now[parameter];
      const { standards, everyDays } = CALIBRATION[parameter];
      const age = line.day === null ? null : daysFrom(line.day, this.today);
      const over = age !== null && age > everyDays;
      return {
        parameter,
        name,
        kind,
        limits: canBe,
        live: watch !== null && !isStale(watch, this.now(), parameter),
        read: now ? formatQuantity(kind, now.read, this.units()) : '–',
        held: HELD[parameter],
        standards: standards.map((value) => ({
          value,
          text: parameter === 'ph' ? value.toFixed(2) : formatNumber(kind, value, this.units()),
        })),
        points: points.length,
        late: over || line.fault !== null || age === null,
        fault: line.fault && CALIBRATION_WORD[line.fault],
        stands: [
          age === null ? 'taken as it shows' : `${datedDay(line.day!, this.today)}${over ? `, due every ${everyDays} days` : ''}`,
          parameter === 'ph' && points.length > 1
            ? wordSlope(line)
            : points.length === 1 && parameter === 'ph'
              ? 'one buffer: shifted, its slope not known'
              : '',
        ]
          .filter(Boolean)
          .join('; '),
      };
    });
  });

  protected set(parameter: Monitored, value: number): void {
    this.is.update((all) => ({ ...all, [parameter]: value }));
  }

  protected take(parameter: Monitored): void {
    const design = this.view.design();
    const now = this.watch()?.now[parameter];
    const is = this.is()[parameter];
    if (!design || !now || is === undefined) return;
    const name = PARAMETER_META[parameter].name;
    this.session.edit(`Calibrate ${name}`, calibrate(design, parameter, { read: now.read, is, day: this.today }));
    this.is.update(({ [parameter]: _, ...rest }) => rest);
  }

  protected forget(parameter: Monitored): void {
    const design = this.view.design();
    if (design) this.session.edit(`Forget a calibration of ${PARAMETER_META[parameter].name}`, forgetCalibration(design, parameter));
  }
}
