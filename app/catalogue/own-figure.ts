import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import type { ToleranceRange } from '../../core/catalogue/organism';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import type { Fact } from '../../core/quantity/fact';
import type { QuantityKind } from '../../core/quantity/unit';
import { QuantityField } from '../ui/quantity-field';
import type { Field } from './fields';
import { plainChoices, SelectField } from '../ui/select';

/** Numbers that make up a value: name, where it goes. */
interface Part {
  label: string;
  value: number | null;
  kind: QuantityKind;
  limits: readonly [number, number];
  inUnit: string | null;
}

/** The user's own figure for one fact, in place of the catalogue's. */
@Component({
  selector: 'tr-own-figure',
  imports: [SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); save()">
      @switch (field().as.type) {
        @case ('yes') {
          <tr-select
            class="one"
            [label]="field().name"
            none="not known"
            [options]="yesNo"
            [value]="text() || null"
            (chosen)="text.set($event ?? '')"
          />
        }
        @case ('choice') {
          <tr-select
            class="one"
            [label]="field().name"
            none="not known"
            [options]="listed()"
            [value]="text() || null"
            (chosen)="text.set($event ?? '')"
          />
        }
        @case ('choices') {
          <fieldset>
            <legend class="soft small">{{ field().name }}</legend>
            @for (option of options(); track option) {
              <label class="tick"><input type="checkbox" [checked]="several().has(option)" (change)="toggle(option)" /> {{ option }}</label>
            }
          </fieldset>
        }
        @case ('text') {
          <label class="one"
            >{{ field().name }}
            <input class="field" #textField name="text" maxlength="200" [value]="text()" (input)="text.set(textField.value)"
          /></label>
        }
        @default {
          @for (part of parts(); track part.label; let i = $index) {
            <tr-quantity
              [label]="part.label"
              [kind]="part.kind"
              [limits]="part.limits"
              [inUnit]="part.inUnit"
              [value]="numbers()[i] ?? null"
              (quantity)="setNumber(i, $event)"
            />
          }
        }
      }
      <label class="one note"
        >Note
        <input
          class="field"
          #noteField
          name="note"
          maxlength="300"
          placeholder="where, when, how"
          [value]="note()"
          (input)="note.set(noteField.value)"
      /></label>
      <button class="btn primary" type="submit">Keep my figure</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 6px 10px;
    }
    tr-quantity {
      width: 104px;
    }
    .one {
      display: grid;
      gap: 2px;
      color: var(--soft);
      font-size: 12.5px;
    }
    .note {
      flex: 1 1 160px;
    }
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 10px;
      padding: 0;
      border: 0;
    }
    .tick {
      display: inline-flex;
      align-items: center;
      gap: 4px;
      min-height: var(--touch);
    }
  `,
})
export class OwnFigure {
  readonly field = input.required<Field>();
  readonly fact = input.required<Fact<unknown> | undefined>();
  readonly keep = output<Fact<unknown>>();

  protected readonly options = computed(() => {
    const { as } = this.field();
    return as.type === 'choice' || as.type === 'choices' ? as.options : [];
  });
  protected readonly yesNo = plainChoices(['yes', 'no']);
  protected readonly listed = computed(() => plainChoices(this.options()));
  protected readonly note = linkedSignal(() => (this.fact()?.basis === 'measured' ? (this.fact()?.note ?? '') : ''));
  protected readonly text = linkedSignal(() => {
    const value = this.fact()?.value ?? null;
    return value === null ? '' : this.field().as.type === 'yes' ? (value ? 'yes' : 'no') : typeof value === 'string' ? value : '';
  });
  protected readonly several = linkedSignal<ReadonlySet<string>>(() => {
    const value = this.fact()?.value;
    return new Set(Array.isArray(value) ? (value as string[]) : []);
  });
  protected readonly numbers = linkedSignal<readonly (number | null)[]>(() => this.parts().map(({ value }) => value));

  protected readonly parts = computed<Part[]>(() => {
    const { as } = this.field();
    const value = this.fact()?.value ?? null;
    switch (as.type) {
      case 'range': {
        const range = value as ToleranceRange | null;
        const { kind, limits } = PARAMETER_META[as.parameter];
        const part = (label: string, edge: number | null | undefined): Part => ({ label, value: edge ?? null, kind, limits, inUnit: null });
        return [
          part('comfort from', range?.optimum[0]),
          part('to', range?.optimum[1]),
          part('tolerated from', range?.tolerance[0]),
          part('up to', range?.tolerance[1]),
        ];
      }
      case 'quantity':
        return [{ label: this.field().name, value: value as number | null, kind: as.kind, limits: [0, as.max], inUnit: as.inUnit ?? null }];
      case 'number':
        return [{ label: this.field().name, value: value as number | null, kind: 'number', limits: [0, as.max], inUnit: null }];
      case 'span': {
        const [low, high] = (value as [number, number] | null) ?? [null, null];
        const part = (label: string, edge: number | null): Part => ({
          label,
          value: edge,
          kind: 'number',
          limits: [0, as.max],
          inUnit: null,
        });
        return [part(`from${as.unit ? `, ${as.unit}` : ''}`, low), part('to', high)];
      }
      default:
        return [];
    }
  });

  protected setNumber(i: number, value: number): void {
    this.numbers.update((numbers) => numbers.map((one, k) => (k === i ? value : one)));
  }

  protected toggle(option: string): void {
    this.several.update((set) => {
      const next = new Set(set);
      if (!next.delete(option)) next.add(option);
      return next;
    });
  }

  protected save(): void {
    const note = this.note().trim();
    this.keep.emit({ value: this.value(), basis: 'measured', ...(note ? { note } : {}) });
  }

  private value(): unknown {
    const { as } = this.field();
    const [a = null, b = null, c = null, d = null] = this.numbers();
    switch (as.type) {
      case 'range':
        return { tolerance: [c, d], optimum: [a, b] };
      case 'quantity':
      case 'number':
        return a;
      case 'span':
        return a === null || b === null ? null : [a, b];
      case 'yes':
        return this.text() === '' ? null : this.text() === 'yes';
      case 'choices':
        return this.options().filter((option) => this.several().has(option));
      default:
        return this.text().trim() === '' ? null : this.text().trim();
    }
  }
}
