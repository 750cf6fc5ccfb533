import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { group } from 'd3-array';
import type { Choice } from './choice';

let selects = 0;

/** Words that are their own names. */
export const plainChoices = (words: readonly string[]): Choice<string>[] => words.map((value) => ({ value, text: value }));

/** One of many, from a list that opens. */
@Component({
  selector: 'tr-select',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (!hideLabel()) {
      <label class="soft" [attr.for]="id">{{ label() }}</label>
    }
    <select #box [id]="id" [attr.aria-label]="hideLabel() ? label() : null" [disabled]="disabled()" (change)="choose(box.value)">
      @if (none(); as text) {
        <option value="" [selected]="value() === null">{{ text }}</option>
      }
      @for (group of groups(); track group.name) {
        @if (group.name) {
          <optgroup [label]="group.name">
            @for (option of group.options; track $index) {
              <option [value]="key(option.value)" [selected]="option.value === value()">{{ option.text }}</option>
            }
          </optgroup>
        } @else {
          @for (option of group.options; track $index) {
            <option [value]="key(option.value)" [selected]="option.value === value()">{{ option.text }}</option>
          }
        }
      }
    </select>
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-direction: column;
      gap: 2px;
      min-width: 0;
    }
    label {
      font-size: 12.5px;
    }
    select {
      max-width: 100%;
    }
  `,
})
export class SelectField<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T | null>();
  /** What stands for nothing chosen; without it, something is always chosen. */
  readonly none = input<string | null>(null);
  readonly disabled = input(false);
  readonly hideLabel = input(false);
  /** What was chosen; null where that is nothing. */
  readonly chosen = output<T | null>();
  protected readonly id = `select-${++selects}`;
  /** Under their headings, in the order given. */
  protected readonly groups = computed(() =>
    [...group(this.options(), ({ group: heading }) => heading ?? '')].map(([name, options]) => ({ name, options })),
  );

  protected key(value: T): string {
    return String(value);
  }

  protected choose(key: string): void {
    const option = this.options().find(({ value }) => this.key(value) === key);
    this.chosen.emit(key === '' && this.none() !== null ? null : (option?.value ?? null));
  }
}
