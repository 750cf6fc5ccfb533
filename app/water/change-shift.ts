import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { shiftPlan, stepLimits, type Shifted } from '../../core/assessment/plan/shift';
import { nameOf } from '../../core/assessment/wording';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { formatNumber, formatQuantity, unitOf } from '../../core/quantity/format';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { BandChart } from '../ui/band-chart';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { mixedTests, settledTests, testedIn } from './planned-tests';
import { TestedWaterFields } from './tested-water';

/** Less than this is no movement worth a curve. */
const MOVES: Readonly<Record<Shifted | 'temperatureC', number>> = {
  ghDh: 0.15,
  khDh: 0.15,
  ec25UsPerCm: 4,
  salinity: 0.15,
  temperatureC: 0.1,
};

/** From the water a colony lives in to the water of this plan, no step larger than everyone bears. */
@Component({
  selector: 'tr-change-shift',
  imports: [BandChart, LatinText, PlanStart, QuantityField, TestedWaterFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>A gradual shift</h2>
    <p>
      Say what the colony’s water tests at today. Each change then brings it towards the water of this plan, by no more than everyone bears
      in a day.
    </p>
    <tr-tested-water suffix=" today" [water]="from()" [shown]="fields()" (typed)="type($event)" />
    <div class="fields">
      <tr-quantity
        label="A change every … days"
        kind="count"
        [limits]="[1, 14]"
        [value]="everyDays()"
        (quantity)="everyDays.set(round($event))"
      />
    </div>
    @if (limitText(); as text) {
      <p class="small"><tr-latin [text]="text" /></p>
    }
    @if (plan(); as p) {
      @if (!p.ok) {
        <p class="error" role="status">No such shift: {{ p.reason }}.</p>
      } @else if (p.steps.length === 0) {
        <p role="status">The two waters are as near as a kit can tell: nothing has to be shifted.</p>
      } @else {
        <p role="status">
          <strong>{{ p.steps.length }} change{{ p.steps.length === 1 ? '' : 's' }} in {{ p.days }} days</strong>, {{ litres() }} of water in
          all.
        </p>
        <div class="charts">
          @for (chart of charts(); track chart.title) {
            <tr-band-chart
              [title]="chart.title"
              [kind]="chart.kind"
              [times]="chart.times"
              [band]="chart.band"
              [marks]="chart.marks"
              [timeText]="dayText"
              [cursor]="cursor()"
              (moved)="cursor.set($event)"
            />
          }
        </div>
        <details>
          <summary>The steps, one by one</summary>
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  <th scope="col">Day</th>
                  <th scope="col" class="value">Change</th>
                  @for (head of heads(); track head) {
                    <th scope="col" class="value">{{ head }}</th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of rows(); track row.day) {
                  <tr>
                    <th scope="row">{{ row.day }}</th>
                    <td class="value">{{ row.litres }}</td>
                    @for (cell of row.cells; track $index) {
                      <td class="value">{{ cell }}</td>
                    }
                  </tr>
                }
              </tbody>
            </table>
          </div>
        </details>
        <tr-plan-start plan="A gradual shift" [steps]="steps()" label="The first change on" />
        <p class="small soft">
          The water alone is reckoned: soil, lime and the filter go on working between the changes. Test before each; when a reading is off,
          type it in above and plan again.
        </p>
      }
    }
  `,
  styles: `
    p {
      margin: 6px 0;
    }
    .fields tr-quantity {
      width: 160px;
      margin-top: 8px;
    }
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
      gap: 12px 20px;
      margin: 8px 0;
    }
    details {
      margin-bottom: 10px;
    }
    summary {
      min-height: var(--touch);
      cursor: pointer;
    }
  `,
})
export class ChangeShift {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly everyDays = signal(1);
  protected readonly cursor = signal<number | null>(null);
  private readonly typed = signal<Partial<Record<Shifted | 'temperatureC', number>>>({});
  protected readonly round = Math.round;
  protected readonly dayText = (day: number): string => `day ${day}`;

  protected readonly fields = computed<readonly (Shifted | 'temperatureC')[]>(() => {
    const derived = this.view.derived();
    return derived ? [...testedIn(derived), 'temperatureC'] : [];
  });
  private readonly settled = computed(() => {
    const derived = this.view.derived();
    return derived ? settledTests(derived) : {};
  });
  protected readonly from = computed(() => ({ ...this.settled(), ...this.typed() }));
  private readonly limits = computed(() => stepLimits(this.view.members().filter(({ organism }) => organism?.kind === 'animal')));

  protected readonly limitText = computed(() => {
    const assessment = this.view.assessment();
    const units = this.units();
    if (!assessment || this.view.members().length === 0) return null;
    const { steps, setBy, taken, ecStep } = this.limits();
    const parts = this.fields().map((parameter) => {
      if (parameter === 'ec25UsPerCm')
        return ecStep === null ? 'conductivity a tenth (usual)' : `conductivity ${formatQuantity('conductivity', ecStep, units)}`;
      const { kind, name } = PARAMETER_META[parameter];
      const value = formatQuantity(parameter === 'temperatureC' ? 'temperatureStep' : kind, steps[parameter], units);
      const who = setBy[parameter]
        ? ` (${nameOf(setBy[parameter], assessment)})`
        : taken.includes(parameter)
          ? ' (usual: nothing is recorded)'
          : '';
      return `${name} ${value}${who}`;
    });
    return `Most in a day: ${[...parts, `pH ${formatQuantity('ph', steps.ph, units)}`].join(', ')}.`;
  });

  protected readonly plan = computed(() => {
    const derived = this.view.derived();
    const litres = derived?.['vessel.system-volume'].value ?? null;
    if (!derived || litres === null || Object.keys(mixedTests(derived)).length === 0) return null;
    const temperatureC = derived['planned.temperatureC'].value;
    const shown = new Set<string>(this.fields());
    const only = <T extends object>(water: T): T => Object.fromEntries(Object.entries(water).filter(([key]) => shown.has(key))) as T;
    return shiftPlan({
      litres,
      from: only(this.from()),
      to: only({ ...mixedTests(derived), ...(temperatureC === null ? {} : { temperatureC }) }),
      limits: this.limits(),
      pco2Uatm: derived['water.gas'].value ?? 1200,
      everyDays: this.everyDays(),
    });
  });

  private readonly done = computed(() => {
    const plan = this.plan();
    return plan?.ok ? plan.steps : [];
  });
  protected readonly litres = computed(() =>
    formatQuantity(
      'volume',
      this.done().reduce((sum, { litres }) => sum + litres, 0),
      this.units(),
    ),
  );

  /** Readings that move: what stays as it is needs no curve. */
  private readonly moving = computed(() => {
    const last = this.done().at(-1)?.reads;
    const from: Record<string, number | undefined> = this.from();
    if (!last) return [];
    return ([...this.fields(), 'ph'] as const).filter((parameter) => {
      const [a, b] = [from[parameter], last[parameter]];
      return parameter === 'ph' ? b !== undefined : a !== undefined && b !== undefined && Math.abs(a - b) > MOVES[parameter];
    });
  });

  protected readonly charts = computed(() => {
    const steps = this.done();
    const from: Record<string, number | undefined> = this.from();
    return this.moving().map((parameter) => {
      const { name, kind } = PARAMETER_META[parameter];
      const start = parameter === 'ph' ? [] : [from[parameter] ?? 0];
      const times = [...(parameter === 'ph' ? [] : [0]), ...steps.map(({ after }) => after + 1)];
      return {
        title: name,
        kind,
        times,
        band: { usual: [...start, ...steps.map(({ reads }) => reads[parameter] ?? 0)] },
        marks: [
          { time: times[0] ?? 0, text: `day ${times[0] ?? 0}` },
          { time: times.at(-1) ?? 0, text: `day ${times.at(-1) ?? 0}` },
        ],
      };
    });
  });

  protected readonly heads = computed(() =>
    this.moving().map((parameter) =>
      `${PARAMETER_META[parameter].name} ${unitOf(PARAMETER_META[parameter].kind, this.units()).unit}`.trim(),
    ),
  );
  protected readonly rows = computed(() =>
    this.done().map(({ after, litres, reads }) => ({
      day: after,
      litres: formatQuantity('volume', litres, this.units()),
      cells: this.moving().map((parameter) => formatNumber(PARAMETER_META[parameter].kind, reads[parameter] ?? 0, this.units())),
    })),
  );

  protected readonly steps = computed<PlannedStep[]>(() => {
    const assessment = this.view.assessment();
    const poured = assessment?.derived['water.poured'].value ?? [];
    const whole = poured.reduce((sum, { share }) => sum + share, 0) || 1;
    const salts = inOrder(assessment?.world.design.water.salts ?? {});
    return this.done().map(({ after, litres, reads }) => ({
      ...NO_STEP,
      after,
      code: 'change' as const,
      pourL: Object.fromEntries(poured.map(({ id, share }) => [id, (litres * share) / whole])),
      saltsG: Object.fromEntries(salts.map(([, { saltId, mgPerL }]) => [saltId, (mgPerL * litres) / 1000])),
      expects: Object.fromEntries(Object.entries(reads).filter(([, value]) => value !== undefined)),
    }));
  });

  protected type({ parameter, value }: { parameter: Shifted | 'temperatureC'; value: number }): void {
    this.typed.update((typed) => ({ ...typed, [parameter]: value }));
  }
}
