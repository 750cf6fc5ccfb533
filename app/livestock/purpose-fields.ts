import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { QuantityField } from '../ui/quantity-field';

/** Keep or breed, and how many. */
@Component({
  selector: 'tr-purpose-fields',
  imports: [FormsModule, NzRadioModule, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-radio-group name="purpose" nzButtonStyle="solid" aria-label="Keep or breed" [ngModel]="breed()" (ngModelChange)="breed.set($event)">
      <label nz-radio-button [nzValue]="false">Keep</label>
      <label nz-radio-button [nzValue]="true">Breed</label>
    </nz-radio-group>
    <tr-quantity label="How many" kind="count" [hideLabel]="true" [limits]="[1, 5000]" [value]="count()" (quantity)="count.set($event)" />
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    tr-quantity {
      width: 64px;
    }
  `,
})
export class PurposeFields {
  readonly breed = model.required<boolean>();
  readonly count = model.required<number>();
}
