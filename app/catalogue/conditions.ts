import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import type { QuantityKind } from '../../core/quantity/unit';
import { QuantityField } from '../ui/quantity-field';
import type { Field } from './fields';
import { waysOf, type Condition } from './shelf';
import { plainChoices, SelectField } from '../ui/select';
import { AddFrom } from '../ui/add-from';
import { type Choice } from '../ui/choice';

/** Stands for the room's own values; no field lies there. */
const OWN = 'own';

const WAY_WORD: Readonly<Record<Condition['op'], string>> = {
  comfort: 'comfortable at',
  includes: 'reaches',
  most: 'at most',
  least: 'at least',
  is: 'is',
  contains: 'contains',
  unknown: 'not known',
  own: 'has my values',
};

/** What entries must be to be listed: any field, any number of conditions, all of them together. */
@Component({
  selector: 'tr-conditions',
  imports: [AddFrom, SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (condition of conditions(); track $index; let i = $index) {
      <div class="one" role="group" [attr.aria-label]="'Condition: ' + nameOf(condition)">
        <span class="what">{{ nameOf(condition) }}</span>
        @if (fieldOf(condition); as field) {
          <tr-select
            [label]="'How ' + field.name + ' is asked for'"
            [hideLabel]="true"
            [options]="ways(field)"
            [value]="condition.op"
            (chosen)="setWay(i, $event!)"
          />
          @if (condition.op === 'comfort' || condition.op === 'includes' || condition.op === 'most' || condition.op === 'least') {
            <tr-quantity
              [label]="field.name"
              [hideLabel]="true"
              [kind]="kindOf(field)"
              [inUnit]="unitOf(field)"
              [value]="condition.value"
              (quantity)="setValue(i, $event)"
            />
          } @else if (condition.op === 'is') {
            <tr-select
              [label]="field.name"
              [hideLabel]="true"
              [options]="optionsOf(field)"
              [value]="said(condition.value)"
              (chosen)="setValue(i, $event!)"
            />
          } @else if (condition.op === 'contains') {
            <input
              class="field"
              #text
              [attr.aria-label]="field.name"
              maxlength="60"
              [value]="condition.value"
              (input)="setValue(i, text.value)"
            />
          }
        }
        <button type="button" class="btn out" [attr.aria-label]="'Drop the condition on ' + nameOf(condition)" (click)="drop(i)">×</button>
      </div>
    }
    <tr-add-from
      class="add"
      label="Only those where"
      [none]="conditions().length === 0 ? 'Only those where …' : 'and where …'"
      [options]="addable()"
      (added)="add($event)"
    />
  `,
  styles: `
    :host {
      display: grid;
      gap: 5px;
    }
    .one {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      gap: 3px 6px;
      padding: 4px 6px;
      border-left: 3px solid var(--moss);
      background: var(--sheet);
    }
    .what {
      font-weight: 600;
      font-size: 12.5px;
    }
    .out {
      grid-column: 2;
      grid-row: 1;
      min-height: 22px;
      padding: 0 7px;
    }
    tr-quantity,
    .one > select,
    .one > input {
      grid-column: 1 / -1;
    }
  `,
})
export class Conditions {
  readonly fields = input.required<readonly Field[]>();
  readonly conditions = model.required<readonly Condition[]>();

  protected readonly addable = computed(() => [
    { value: OWN, text: 'there are values of mine' },
    ...this.fields().map(({ path, name, section }) => ({ value: path, text: name, group: section })),
  ]);

  protected fieldOf(condition: Condition): Field | undefined {
    return this.fields().find(({ path }) => path === condition.path);
  }

  protected nameOf(condition: Condition): string {
    return condition.op === 'own' ? WAY_WORD.own : (this.fieldOf(condition)?.name ?? condition.path);
  }

  protected kindOf({ as }: Field): QuantityKind {
    return as.type === 'range' ? PARAMETER_META[as.parameter].kind : as.type === 'quantity' || as.type === 'between' ? as.kind : 'number';
  }

  protected unitOf({ as }: Field): string | null {
    return as.type === 'quantity' ? (as.inUnit ?? null) : null;
  }

  protected optionsOf({ as }: Field): readonly Choice<string>[] {
    return plainChoices(as.type === 'yes' ? ['yes', 'no'] : as.type === 'choice' || as.type === 'choices' ? as.options : []);
  }

  protected ways(field: Field): readonly Choice<Condition['op']>[] {
    return waysOf(field).map((value) => ({ value, text: WAY_WORD[value] }));
  }

  protected said(value: string | boolean): string {
    return typeof value === 'boolean' ? (value ? 'yes' : 'no') : value;
  }

  protected add(path: string): void {
    if (path === OWN) this.conditions.update((all) => [...all, { op: 'own', path: '' }]);
    const field = this.fields().find((one) => one.path === path);
    if (field) this.conditions.update((all) => [...all, conditionOf(field, waysOf(field)[0]!)]);
  }

  protected drop(i: number): void {
    this.conditions.update((all) => all.filter((_, k) => k !== i));
  }

  protected setWay(i: number, way: Condition['op']): void {
    const field = this.fieldOf(this.conditions()[i]!);
    if (field) this.put(i, conditionOf(field, way));
  }

  protected setValue(i: number, value: string | number): void {
    const condition = this.conditions()[i]!;
    const yes = this.fieldOf(condition)?.as.type === 'yes';
    this.put(i, { ...condition, value: yes ? value === 'yes' : value } as Condition);
  }

  private put(i: number, condition: Condition): void {
    this.conditions.update((all) => all.map((one, k) => (k === i ? condition : one)));
  }
}

/** What water is often asked about. */
const ORDINARY: Partial<Record<QuantityKind, number>> = {
  temperature: 22,
  ph: 7,
  hardness: 8,
  alkalinity: 4,
  conductivity: 300,
  salinity: 0,
};

/** A condition to begin with: something that is likely to be asked. */
function conditionOf({ as, path }: Field, op: Condition['op']): Condition {
  switch (op) {
    case 'comfort':
      return { op, path, value: as.type === 'range' ? (ORDINARY[PARAMETER_META[as.parameter].kind] ?? 0) : 0 };
    case 'includes':
      return { op, path, value: as.type === 'between' ? (ORDINARY[as.kind] ?? 0) : 0 };
    case 'most':
      return { op, path, value: as.type === 'quantity' && as.kind === 'length' ? 40 : 50 };
    case 'least':
      return { op, path, value: 1 };
    case 'is':
      return { op, path, value: as.type === 'yes' ? true : as.type === 'choice' || as.type === 'choices' ? (as.options[0] ?? '') : '' };
    case 'contains':
      return { op, path, value: '' };
    default:
      return { op: 'unknown', path };
  }
}
