import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { calculations } from '../../core/assessment/calculations';
import { plannedNode } from '../../core/assessment/derive';
import { BadInput, evaluateUnknown } from '../../core/calculation/calculation';
import { formatQuantity, type UnitChoice } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { LABORATORY_TASKS, type LaboratoryTask, type TaskAnswer } from './laboratory-tasks';
import { SelectField } from '../ui/select';

/** Questions from the bench, each answered by one calculation that can be read beside it. */
@Component({
  selector: 'tr-laboratory',
  imports: [SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="columns">
      <nav aria-label="Questions">
        @for (one of tasks; track one.id) {
          <button type="button" class="task" [attr.aria-current]="one.id === task().id ? 'true' : null" (click)="open(one)">
            {{ one.question }}
          </button>
        }
      </nav>
      <section aria-labelledby="task-heading">
        <h2 id="task-heading">{{ task().question }}</h2>
        <div class="fields">
          @for (field of task().fields; track task().id + field.key) {
            <tr-quantity
              [label]="field.label"
              [kind]="field.kind"
              [limits]="field.limits"
              [value]="value(field.key)"
              (quantity)="set(field.key, $event)"
            />
          }
          @if (task().choice; as choice) {
            <tr-select [label]="choice.label" [options]="choices()" [value]="chosen()" (chosen)="choose($event ?? 0)" />
          }
        </div>
        <div class="answer" role="status">
          @if (outcome().reason; as reason) {
            <p class="error">{{ reason }}</p>
          }
          @for (row of outcome().rows; track row.label) {
            <p>
              <span class="soft">{{ row.label }}</span>
              <strong>{{ row.text }}</strong>
            </p>
          }
        </div>
        @if (task().mind; as mind) {
          <p>{{ mind }}</p>
        }
        @if (about(); as a) {
          <dl class="small">
            <dt>Formula</dt>
            <dd>{{ a.formula }}</dd>
            <dt>Valid for</dt>
            <dd>{{ a.validity }}</dd>
            <dt>Uncertainty</dt>
            <dd>{{ a.uncertainty }}</dd>
            <dt>Source</dt>
            <dd>{{ a.sources }}</dd>
          </dl>
        }
      </section>
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: 260px minmax(0, 1fr);
      gap: 26px;
      margin-top: 6px;
    }
    nav {
      display: grid;
      align-content: start;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
      margin: 8px 0 12px;
      tr-quantity {
        width: 168px;
      }
      label {
        display: grid;
        gap: 2px;
      }
    }
    .answer {
      margin-bottom: 10px;
      padding: 10px 0;
      border-block: 1px solid var(--edge);
      p {
        display: flex;
        justify-content: space-between;
        gap: 16px;
      }
      strong {
        font-size: 16px;
        text-align: right;
        white-space: pre-line;
      }
    }
    dl {
      display: grid;
      grid-template-columns: 74px 1fr;
      gap: 4px 10px;
      margin: 14px 0 0;
      dt {
        color: var(--soft);
      }
      dd {
        margin: 0;
        overflow-wrap: anywhere;
      }
    }
    @media (max-width: 1023px) {
      .columns {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class Laboratory {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly tasks = LABORATORY_TASKS;
  protected readonly task = signal<LaboratoryTask>(LABORATORY_TASKS[0]!);
  protected readonly chosen = signal(0);
  private readonly typed = signal<Readonly<Record<string, number>>>({});

  protected readonly about = computed(() => {
    const found = calculations.find(this.task().calculation);
    return found && { ...found, sources: found.source.map(({ citation }) => citation).join('; ') };
  });

  protected readonly choices = computed(() => this.task().choice?.options.map(({ name }, value) => ({ value, text: name })) ?? []);
  protected readonly outcome = computed(() => {
    const task = this.task();
    const inputs = inputsOf(task, (key) => this.value(key), this.chosen());
    const calculation = calculations.find(task.calculation);
    if (!calculation) return { rows: [], reason: 'This calculation is missing.' };
    try {
      const outcome = evaluateUnknown(calculation, inputs);
      if ('reason' in outcome) return { rows: [], reason: `No answer: ${outcome.reason}.` };
      const units = this.units();
      return { rows: task.answers.map((answer) => ({ label: answer.label, text: said(answer, outcome.value, units) })), reason: null };
    } catch (error) {
      if (error instanceof BadInput) return { rows: [], reason: error.message.replace(/^[\w.-]+: /, '') };
      throw error;
    }
  });

  protected open(task: LaboratoryTask): void {
    this.task.set(task);
    this.chosen.set(0);
  }

  protected choose(i: number): void {
    this.chosen.set(i);
  }

  /** What was typed, or what the plan says, or the start. Canonical. */
  protected value(key: string): number {
    const task = this.task();
    const typed = this.typed()[`${task.id}.${key}`];
    if (typed !== undefined) return typed;
    const field = task.fields.find((one) => one.key === key);
    const derived = this.view.derived();
    const planned = field?.from && derived ? plannedNode(derived, field.from).value : null;
    const value = planned ?? field?.start ?? 0;
    return field ? Math.min(field.limits[1], Math.max(field.limits[0], value)) : value;
  }

  protected set(key: string, value: number): void {
    this.typed.update((typed) => ({ ...typed, [`${this.task().id}.${key}`]: value }));
  }
}

/** The inputs of a task's calculation: its fields, and what its choice stands for. */
export function inputsOf(task: LaboratoryTask, valueOf: (key: string) => number, choice: number): Record<string, number | string> {
  const inputs: Record<string, number | string> = {};
  for (const { key, times = 1 } of task.fields) inputs[key] = valueOf(key) * times;
  for (const [key, value] of Object.entries(task.choice?.options[choice]?.values ?? {})) {
    if (value === null) continue;
    const [, half, other] = typeof value === 'string' ? (/^(half:)?(\w+)$/.exec(value) ?? []) : [];
    const same = other === undefined ? undefined : inputs[other];
    inputs[key] = typeof same === 'number' ? same * (half ? 0.5 : 1) : value;
  }
  return inputs;
}

function said({ key, kind, times = 1 }: TaskAnswer, outputs: unknown, units: UnitChoice): string {
  const value = key.split('.').reduce<unknown>((part, name) => (part as Record<string, unknown> | null)?.[name], outputs);
  if (kind === 'list') {
    const steps = value as { salinity: number; litres: number }[];
    if (steps.length === 0) return 'none: it is there';
    return steps
      .map(
        ({ salinity, litres }, i) =>
          `${i + 1}: change ${formatQuantity('volume', litres, units)}, then ${formatQuantity('salinity', salinity, units)}`,
      )
      .join('\n');
  }
  if (kind === 'text' || typeof value !== 'number') return String(value);
  return formatQuantity(kind, value * times, units);
}
