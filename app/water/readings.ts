import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { compareReadings, fittedCo2Uatm } from '../../core/assessment/measured';
import { lineOfReading } from '../../core/assessment/record';
import { KIT_WORD } from '../../core/assessment/wording/log';
import { waterMark } from '../../core/assessment/water-mark';
import { pointer } from '../../core/design/edit';
import { formatQuantity } from '../../core/quantity/format';
import type { QuantityKind } from '../../core/quantity/unit';
import { dayOf } from '../../core/schedule/day';
import { rangeOfReading } from '../../core/water/reading';
import { Kit } from '../../core/reading/doubt';
import { PARAMETER_META, READ_PARAMETERS, type ReadParameter } from '../../core/reading/parameter';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { shortDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** Carbon dioxide that no tank stands at, µatm. Common practice. */
const HARDLY = { least: 100, most: 40_000 };

/** How far the truth may lie from what was read. */
const halfOf = ([low, high]: readonly [number, number], read: number): number => Math.max(read - low, high - read);

/** What was measured in the tank that runs, beside what was worked out: the reading is what is judged, while the water is still the same. */
@Component({
  selector: 'tr-readings',
  imports: [SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="readings-heading">Measured in the tank</h2>
    @if (rows().length > 0) {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Of</th>
              <th scope="col">Measured</th>
              <th scope="col">Worked out</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.parameter) {
              <tr [attr.data-reading]="row.parameter" [class.past]="!row.holds">
                <th scope="row">{{ row.name }}</th>
                <td>
                  <strong>{{ row.measured }}</strong> <span class="small soft"> ± {{ row.doubt }}, {{ row.how }}</span>
                </td>
                <td>{{ row.worked }}</td>
                <td class="end">
                  <button
                    class="btn"
                    type="button"
                    [disabled]="view.readOnly()"
                    [attr.aria-label]="'Remove the reading of ' + row.name"
                    (click)="remove(row.parameter)"
                  >
                    Remove
                  </button>
                </td>
              </tr>
              @if (row.says) {
                <tr class="says">
                  <td></td>
                  <td colspan="3" class="small">{{ row.says }}</td>
                </tr>
              }
            }
          </tbody>
        </table>
      </div>
      @if (fitted(); as text) {
        <p class="small">{{ text }}</p>
      }
    } @else {
      <p class="soft small">
        Does the tank run already? Put down what your tests say: the tank is then judged by them, and not by what is worked out from the
        plan.
      </p>
    }
    <form (submit)="$event.preventDefault()">
      <tr-select
        label="Test of"
        [options]="parameters"
        [disabled]="!!view.readOnly()"
        [value]="parameter()"
        (chosen)="parameter.set($event!)"
      />
      <tr-select label="With" [options]="kits" [disabled]="!!view.readOnly()" [value]="kit()" (chosen)="kit.set($event!)" />
      <label>
        <span class="small soft">On</span>
        <input type="date" [max]="today" [value]="day()" [disabled]="!!view.readOnly()" #on (input)="day.set(on.value)" />
      </label>
      <tr-quantity
        class="value"
        label="reads"
        [kind]="kindOf(parameter())"
        placeholder="then Enter"
        [value]="null"
        [disabled]="!!view.readOnly()"
        (quantity)="put($event)"
      />
    </form>
    @if (reason(); as why) {
      <p class="error small" role="alert">{{ why }}</p>
    }
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 8px 12px;
      margin-top: 8px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    .value {
      width: 150px;
    }
    .past td,
    .past th {
      color: var(--soft);
    }
    .says td {
      border-top: 0;
      padding-top: 0;
    }
    .error {
      color: var(--oxide);
    }
    .scroll {
      overflow-x: auto;
    }
  `,
})
export class ReadingsCard {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;

  protected readonly parameters = READ_PARAMETERS.map((value) => ({ value, text: PARAMETER_META[value].name }));
  protected readonly kits = Kit.options.map((value) => ({ value, text: KIT_WORD[value] }));
  protected readonly today = dayOf(new Date());
  protected readonly parameter = signal<ReadParameter>('ph');
  protected readonly kit = signal<Kit>('drops');
  protected readonly day = signal(this.today);
  protected readonly reason = signal<string | null>(null);

  protected readonly rows = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return [];
    const show = (parameter: ReadParameter, value: number) => formatQuantity(PARAMETER_META[parameter].kind, value, this.units());
    return compareReadings(assessment).map(({ parameter, reading, holds, worked, differs, why }) => ({
      parameter,
      holds,
      name: PARAMETER_META[parameter].name,
      measured: show(parameter, reading.value),
      doubt: show(parameter, halfOf(rangeOfReading(reading, assessment.world.room.kits), reading.value)),
      how: `${(reading.kitId && assessment.world.room.kits[reading.kitId]?.name) || KIT_WORD[reading.kit]}, ${shortDay(reading.day)}`,
      worked: worked === null ? '–' : show(parameter, worked),
      says: !holds
        ? 'The water was changed in the plan since: shown, and no longer judged by. Test again once the change is made.'
        : differs
          ? `They part. Likely: ${why.join('; or ')}.`
          : null,
    }));
  });

  protected readonly fitted = computed(() => {
    const assessment = this.view.assessment();
    const uatm = assessment && fittedCo2Uatm(assessment);
    if (!assessment || uatm === null || uatm === undefined) return null;
    if (uatm > HARDLY.most || uatm < HARDLY.least) return 'Such a pH and such a KH hardly go together: test both again, with fresh water.';
    const taken = assessment.derived['water.gas'].value;
    const round = (value: number) => Number(value.toPrecision(2)).toLocaleString('en');
    return `pH and KH together come to carbon dioxide at ${round(uatm)} µatm${taken === null ? '' : `; ${round(taken)} µatm was worked out`}. The air of a room holds about 1,000.`;
  });

  protected kindOf(parameter: ReadParameter): QuantityKind {
    return PARAMETER_META[parameter].kind;
  }

  protected async put(value: number): Promise<void> {
    const [design, room] = [this.view.design(), this.view.room()];
    if (!design || !room) return;
    // on another day than today it was at some time of it
    const at = this.day() === this.today ? new Date() : new Date(`${this.day()}T12:00:00`);
    const of = waterMark(design, room);
    const written = await this.logs.write(
      { kind: 'reading', of, from: 'hand', simulated: false, kit: this.kit(), kitId: null, values: { [this.parameter()]: value } },
      at,
    );
    this.reason.set(written.ok ? null : `${PARAMETER_META[this.parameter()].name}: ${written.reason}`);
  }

  /** Strikes the reading that is shown out of the log, or takes it out of a plan that has it of its own; an earlier one comes to the fore. */
  protected async remove(parameter: ReadParameter): Promise<void> {
    const assessment = this.view.assessment();
    const shown = assessment && compareReadings(assessment).find((one) => one.parameter === parameter)?.reading;
    if (!assessment || !shown) return;
    const { design } = assessment.world;
    const line = lineOfReading(design, parameter, shown);
    const found = Object.entries(design.readings).find(([, one]) => one === shown);
    if (line !== null) await this.logs.takeOut(line, parameter);
    else if (found) this.store.edit('Take a reading out', [{ op: 'remove', path: pointer('readings', found[0]) }]);
  }
}
