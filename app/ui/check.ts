import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Something that is so or is not: a box with its words beside it. */
@Component({
  selector: 'tr-check',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label>
      <input type="checkbox" #box [checked]="checked()" [disabled]="disabled()" (change)="changed.emit(box.checked)" />
      <span><ng-content /></span>
    </label>
  `,
  styles: `
    :host {
      display: inline-block;
    }
    label {
      display: inline-flex;
      align-items: center;
      gap: 7px;
      min-height: var(--touch);
      cursor: pointer;
    }
    input {
      flex: none;
      width: 16px;
      height: 16px;
      margin: 0;
      accent-color: var(--moss);
    }
  `,
})
export class Check {
  readonly checked = input.required<boolean>();
  readonly disabled = input(false);
  readonly changed = output<boolean>();
}
