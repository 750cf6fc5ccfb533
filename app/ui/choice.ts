import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

let choices = 0;

export interface Choice<T> {
  value: T;
  text: string;
  /** The heading it stands under in a list. */
  group?: string;
}

/** One of a few, all in sight. */
@Component({
  selector: 'tr-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="label soft" [id]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</span>
    <div role="radiogroup" [attr.aria-labelledby]="id">
      @for (option of options(); track option.text) {
        <label [class.here]="option.value === value()">
          <input type="radio" [name]="id" [checked]="option.value === value()" [disabled]="disabled()" (change)="choose(option.value)" />{{
            option.text
          }}
        </label>
      }
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    .label {
      font-size: 12.5px;
    }
    [role='radiogroup'] {
      display: flex;
      flex-wrap: wrap;
      row-gap: 1px;
    }
    label {
      display: inline-flex;
      position: relative;
      align-items: center;
      min-height: var(--touch);
      margin-left: -1px;
      padding: 0 11px;
      border: 1px solid var(--edge);
      white-space: nowrap;
      cursor: pointer;
      &:first-child {
        margin-left: 0;
        border-radius: 4px 0 0 4px;
      }
      &:last-child {
        border-radius: 0 4px 4px 0;
      }
      &:only-child {
        border-radius: 4px;
      }
    }
    .here {
      border-color: var(--ink);
      background: var(--ink);
      color: var(--sheet);
      font-weight: 600;
    }
    input {
      position: absolute;
      inset: 0;
      margin: 0;
      opacity: 0;
      cursor: inherit;
    }
    label:has(:disabled) {
      cursor: default;
      opacity: 0.75;
    }
    label:focus-within {
      z-index: 1;
      outline: 2px solid var(--water);
      outline-offset: 1px;
    }
  `,
})
export class ChoiceField<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly value = input.required<T>();
  readonly disabled = input(false);
  readonly hideLabel = input(false);
  readonly chosen = output<T>();
  protected readonly id = `choice-${++choices}`;

  protected choose(value: T): void {
    if (value !== this.value()) this.chosen.emit(value);
  }
}
