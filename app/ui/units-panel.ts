import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import type { UnitChoice } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { ChoiceField, type Choice } from './choice';

const TDS: readonly Choice<number>[] = [
  { value: 0, text: 'µS/cm' },
  { value: 0.5, text: 'TDS ×0.5' },
  { value: 0.64, text: '×0.64' },
  { value: 0.7, text: '×0.7' },
];
const THEMES: readonly Choice<'loam' | 'night'>[] = [
  { value: 'loam', text: 'Loam' },
  { value: 'night', text: 'Night room' },
];
const KEYS: readonly Choice<boolean>[] = [
  { value: true, text: 'on' },
  { value: false, text: 'off' },
];
const MARKS: readonly Choice<UnitChoice['decimal']>[] = [
  { value: '.', text: '7.5' },
  { value: ',', text: '7,5' },
];
const LENGTHS: readonly Choice<UnitChoice['length']>[] = [
  { value: 'mm', text: 'mm' },
  { value: 'cm', text: 'cm' },
  { value: 'in', text: 'inch' },
];
const VOLUMES: readonly Choice<UnitChoice['volume']>[] = [
  { value: 'L', text: 'litre' },
  { value: 'gal', text: 'US gallon' },
];
const MASSES: readonly Choice<UnitChoice['mass']>[] = [
  { value: 'kg', text: 'kg' },
  { value: 'lb', text: 'lb' },
];
const TEMPERATURES: readonly Choice<UnitChoice['temperature']>[] = [
  { value: '°C', text: '°C' },
  { value: '°F', text: '°F' },
];

/** The choices themselves, behind the button. */
@Component({
  selector: 'tr-units-panel',
  imports: [NzModalModule, ChoiceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-modal [nzVisible]="visible()" nzTitle="Units and theme" [nzFooter]="null" [nzWidth]="420" (nzOnCancel)="visible.set(false)">
      <ng-container *nzModalContent>
        <div class="rows">
          <tr-choice label="Length" [options]="lengths" [value]="units().length" (chosen)="preferences.setUnit('length', $event)" />
          <tr-choice label="Volume" [options]="volumes" [value]="units().volume" (chosen)="preferences.setUnit('volume', $event)" />
          <tr-choice label="Weight" [options]="masses" [value]="units().mass" (chosen)="preferences.setUnit('mass', $event)" />
          <tr-choice
            label="Temperature"
            [options]="temperatures"
            [value]="units().temperature"
            (chosen)="preferences.setUnit('temperature', $event)"
          />
          <tr-choice label="Conductivity" [options]="factors" [value]="tds()" (chosen)="setTds($event)" />
          <tr-choice label="Decimals" [options]="marks" [value]="units().decimal" (chosen)="preferences.setUnit('decimal', $event)" />
          <tr-choice label="Light" [options]="themes" [value]="preferences.theme()" (chosen)="preferences.theme.set($event)" />
          <tr-choice
            label="Single keys"
            [options]="keys"
            [value]="preferences.singleKeys()"
            (chosen)="preferences.singleKeys.set($event)"
          />
        </div>
        <p class="soft small">Fields take any unit: “78 F”, “20 gal”, “23 5/8 in”, “12 lb”.</p>
      </ng-container>
    </nz-modal>
  `,
  styles: `
    .rows {
      display: grid;
      gap: 10px;
      margin-bottom: 12px;
    }
  `,
})
export class UnitsPanel {
  readonly visible = model(false);
  protected readonly preferences = inject(PreferencesStore);
  protected readonly units = this.preferences.units;
  protected readonly lengths = LENGTHS;
  protected readonly volumes = VOLUMES;
  protected readonly masses = MASSES;
  protected readonly temperatures = TEMPERATURES;
  protected readonly factors = TDS;
  protected readonly themes = THEMES;
  protected readonly keys = KEYS;
  protected readonly marks = MARKS;
  protected readonly tds = computed(() => {
    const { conductivity } = this.units();
    return conductivity === 'µS/cm' ? 0 : conductivity.tdsFactor;
  });

  protected setTds(factor: number): void {
    this.preferences.setUnit('conductivity', factor === 0 ? 'µS/cm' : { tdsFactor: factor });
  }
}
