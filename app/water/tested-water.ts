import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import type { Shifted, TestedWater } from '../../core/assessment/plan/shift';
import { QuantityField } from '../ui/quantity-field';

/** What a water tests at, to be typed in; what is left empty is not known. */
@Component({
  selector: 'tr-tested-water',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of shown(); track one) {
      <tr-quantity
        [label]="meta[one].name + suffix()"
        [kind]="meta[one].kind"
        [limits]="meta[one].limits"
        [value]="water()[one] ?? null"
        (quantity)="typed.emit({ parameter: one, value: $event })"
      />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
      gap: 8px 14px;
    }
  `,
})
export class TestedWaterFields {
  readonly water = input.required<TestedWater & { temperatureC?: number }>();
  readonly shown = input.required<readonly (Shifted | 'temperatureC')[]>();
  readonly suffix = input('');
  readonly typed = output<{ parameter: Shifted | 'temperatureC'; value: number }>();
  protected readonly meta = PARAMETER_META;
}
