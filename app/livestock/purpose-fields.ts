import { ChangeDetectionStrategy, Component, model } from '@angular/core';
import { ChoiceField } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';

/** Keep or breed, and how many. */
@Component({
  selector: 'tr-purpose-fields',
  imports: [ChoiceField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tr-choice label="Keep or breed" [hideLabel]="true" [options]="purposes" [value]="breed()" (chosen)="breed.set($event)" />
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
  protected readonly purposes = [
    { value: false, text: 'Keep' },
    { value: true, text: 'Breed' },
  ] as const;
  readonly breed = model.required<boolean>();
  readonly count = model.required<number>();
}
