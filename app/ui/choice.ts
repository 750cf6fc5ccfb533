import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';

let choices = 0;

export interface Choice<T> {
  value: T;
  text: string;
}

/** One of a few, all in sight. */
@Component({
  selector: 'tr-choice',
  imports: [FormsModule, NzRadioModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="label soft" [id]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</span>
    <nz-radio-group
      nzButtonStyle="solid"
      [attr.aria-labelledby]="id"
      [nzDisabled]="disabled()"
      [ngModel]="value()"
      (ngModelChange)="choose($event)"
    >
      @for (option of options(); track option.text) {
        <label nz-radio-button [nzValue]="option.value">{{ option.text }}</label>
      }
    </nz-radio-group>
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
