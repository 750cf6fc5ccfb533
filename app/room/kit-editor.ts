import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Operation } from 'rfc6902';
import { Jurisdiction, JURISDICTION_WORD } from '../../core/catalogue/law';
import type { Room } from '../../core/design/room';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** What water is mixed with, the air that takes it up, and whose law holds there. */
@Component({
  selector: 'tr-kit-editor',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <tr-quantity
        label="Largest mixing vessel"
        kind="volume"
        placeholder="not stated"
        [limits]="[0.1, 5000]"
        [value]="room().mixingKit?.vesselL ?? null"
        (quantity)="setKit('vesselL', $event)"
      />
      <tr-quantity
        label="Scale resolution"
        kind="mass"
        inUnit="g"
        placeholder="not stated"
        [limits]="[0.001, 1000]"
        [value]="room().mixingKit?.scaleG ?? null"
        (quantity)="setKit('scaleG', $event)"
      />
      <tr-quantity
        label="Humidity of the air"
        kind="fraction"
        placeholder="not stated"
        [limits]="[0.05, 1]"
        [value]="humidity()"
        [optional]="true"
        (quantity)="setHumidity($event)"
        (cleared)="setHumidity(null)"
      />
      <tr-select label="Law that holds here" none="not stated" [options]="laws" [value]="room().law" (chosen)="setLaw($event)" />
    </div>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 10px 16px;
    }
  `,
})
export class KitEditor {
  readonly room = input.required<Room>();
  readonly patch = output<Operation[]>();

  protected humidity(): number | null {
    const percent = this.room().humidityPct.value;
    return percent === null ? null : percent / 100;
  }

  protected setKit(part: 'vesselL' | 'scaleG', value: number): void {
    const kit = this.room().mixingKit ?? USUAL_KIT;
    this.patch.emit([{ op: 'replace', path: '/mixingKit', value: { ...kit, [part]: value } }]);
  }

  protected readonly laws = Jurisdiction.options.map((value) => ({ value, text: JURISDICTION_WORD[value] }));
  protected setLaw(law: Jurisdiction | null): void {
    this.patch.emit([{ op: 'replace', path: '/law', value: law }]);
  }

  protected setHumidity(share: number | null): void {
    this.patch.emit([{ op: 'replace', path: '/humidityPct', value: { value: share === null ? null : share * 100, basis: 'measured' } }]);
  }
}

/** What is taken for the part that is still to be stated. */
const USUAL_KIT = { vesselL: 20, scaleG: 0.1 };
