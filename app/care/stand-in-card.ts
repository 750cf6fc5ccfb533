import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { PROBE_FAULT_WORD, TANK_FAULT_WORD } from '../../core/assessment/wording/monitor';
import { PROBE_FAULTS, TANK_FAULTS, type StandIn, type StandInFault } from '../../core/monitor/stand-in-model';
import { MONITORED, type Monitored } from '../../core/reading/calibration';
import { PARAMETER_META } from '../../core/reading/parameter';
import { addressOf } from '../store/monitor-link';
import { aheadOfUtc } from '../store/tank-logs';
import { Check } from '../ui/check';
import { ChoiceField, type Choice } from '../ui/choice';
import { SelectField } from '../ui/select';

const EVERY: readonly Choice<number>[] = [
  { value: 1, text: 'second' },
  { value: 5, text: '5 seconds' },
  { value: 60, text: 'minute' },
];
const BATHS: readonly (Choice<string> & { bath: StandIn['bath'] })[] = [
  { value: 'ph 7', text: 'pH buffer 7.00', bath: { parameter: 'ph', is: 7 } },
  { value: 'ph 4.01', text: 'pH buffer 4.01', bath: { parameter: 'ph', is: 4.01 } },
  { value: 'ec 1413', text: 'EC standard 1413 µS/cm', bath: { parameter: 'ec25UsPerCm', is: 1413 } },
];

/** What goes wrong in the stand-in, by switch; what is held to it; how often it measures; and a table of it. */
@Component({
  selector: 'tr-stand-in-card',
  imports: [Check, ChoiceField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="stand-in-heading">The stand-in</h2>
    <p class="small soft">
      It measures this tank as its balance has it, with what is planned of changes, doses and topping up. Break it, and see what comes of
      it: nothing here touches the plan.
    </p>
    <div class="row">
      <tr-choice label="Measures every" [options]="every" [value]="standIn().everyS" (chosen)="begin.emit($event)" />
      <tr-select label="Its probe hangs in" none="the tank" [options]="baths" [value]="bath()" (chosen)="hold($event)" />
    </div>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Probe</th>
            @for (kind of probeFaults; track kind) {
              <th scope="col">{{ probeWord[kind] }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (parameter of monitored; track parameter) {
            <tr>
              <th scope="row">{{ nameOf(parameter) }}</th>
              @for (kind of probeFaults; track kind) {
                <td>
                  <tr-check [checked]="isOn(kind, parameter)" (changed)="probe(kind, parameter, $event)">
                    <span class="visually-hidden">{{ nameOf(parameter) }} {{ probeWord[kind] }}</span>
                  </tr-check>
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="row">
      @for (kind of tankFaults; track kind) {
        <tr-check [checked]="isOn(kind, null)" (changed)="tank(kind, $event)">{{ tankWord[kind] }}</tr-check>
      }
    </p>
    <p class="row">
      <a class="btn" [href]="table()" download>Its readings as a table (CSV)</a>
      <button class="btn" type="button" (click)="begin.emit(standIn().everyS)">Begin anew by the plan as it is</button>
      <button class="btn" type="button" (click)="left.emit()">Take it out of the tank</button>
    </p>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 6px 18px;
      margin: 8px 0;
    }
    td,
    th {
      white-space: nowrap;
    }
    p {
      max-width: 760px;
    }
  `,
})
export class StandInCard {
  readonly key = input.required<string>();
  readonly standIn = input.required<StandIn>();
  readonly changed = output<Partial<Pick<StandIn, 'faults' | 'bath'>>>();
  /** Anew, every so many seconds. */
  readonly begin = output<number>();
  readonly left = output();
  protected readonly every = EVERY;
  protected readonly baths = BATHS;
  protected readonly monitored = MONITORED;
  protected readonly probeFaults = PROBE_FAULTS;
  protected readonly tankFaults = TANK_FAULTS;
  protected readonly probeWord = PROBE_FAULT_WORD;
  protected readonly tankWord = TANK_FAULT_WORD;
  protected readonly table = computed(() => `${addressOf(this.key())}/readings.csv?ahead=${aheadOfUtc(new Date())}`);
  protected readonly bath = computed(() => {
    const held = this.standIn().bath;
    return BATHS.find(({ bath }) => bath?.parameter === held?.parameter && bath?.is === held?.is)?.value ?? null;
  });

  protected nameOf(parameter: Monitored): string {
    return PARAMETER_META[parameter].name;
  }

  protected isOn(kind: StandInFault['kind'], parameter: Monitored | null): boolean {
    return this.standIn().faults.some((fault) => matches(fault, kind, parameter) && fault.untilMs === null);
  }

  protected hold(value: string | null): void {
    this.changed.emit({ bath: BATHS.find((one) => one.value === value)?.bath ?? null });
  }

  protected probe(kind: (typeof PROBE_FAULTS)[number], parameter: Monitored, on: boolean): void {
    const span = { sinceMs: Date.now(), untilMs: null };
    this.changed.emit({ faults: on ? [...this.kept(), { ...span, kind, parameter }] : this.endedOf(kind, parameter) });
  }

  protected tank(kind: (typeof TANK_FAULTS)[number], on: boolean): void {
    const span = { sinceMs: Date.now(), untilMs: null };
    this.changed.emit({ faults: on ? [...this.kept(), { ...span, kind }] : this.endedOf(kind, null) });
  }

  /** What was wrong stays what was measured then; only so much is kept. */
  private kept(): StandInFault[] {
    return this.standIn().faults.slice(-150);
  }

  private endedOf(kind: StandInFault['kind'], parameter: Monitored | null): StandInFault[] {
    const untilMs = Date.now();
    return this.kept().map((fault) => (matches(fault, kind, parameter) && fault.untilMs === null ? { ...fault, untilMs } : fault));
  }
}

const matches = (fault: StandInFault, kind: StandInFault['kind'], parameter: Monitored | null): boolean =>
  fault.kind === kind && ('parameter' in fault ? fault.parameter : null) === parameter;
