import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { PreferencesStore } from '../store/preferences';

/** The choices themselves, behind the button. */
@Component({
  selector: 'tr-units-panel',
  imports: [FormsModule, NzModalModule, NzRadioModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-modal [nzVisible]="visible()" nzTitle="Units and light" [nzFooter]="null" [nzWidth]="420" (nzOnCancel)="visible.set(false)">
      <ng-container *nzModalContent>
        <div class="rows">
          <span id="unit-length">Length</span>
          <nz-radio-group
            nzButtonStyle="solid"
            aria-labelledby="unit-length"
            [ngModel]="units().length"
            (ngModelChange)="preferences.setUnit('length', $event)"
          >
            <label nz-radio-button nzValue="mm">mm</label><label nz-radio-button nzValue="cm">cm</label
            ><label nz-radio-button nzValue="in">inch</label>
          </nz-radio-group>
          <span id="unit-volume">Volume</span>
          <nz-radio-group
            nzButtonStyle="solid"
            aria-labelledby="unit-volume"
            [ngModel]="units().volume"
            (ngModelChange)="preferences.setUnit('volume', $event)"
          >
            <label nz-radio-button nzValue="L">litre</label><label nz-radio-button nzValue="gal">US gallon</label>
          </nz-radio-group>
          <span id="unit-mass">Weight</span>
          <nz-radio-group
            nzButtonStyle="solid"
            aria-labelledby="unit-mass"
            [ngModel]="units().mass"
            (ngModelChange)="preferences.setUnit('mass', $event)"
          >
            <label nz-radio-button nzValue="kg">kg</label><label nz-radio-button nzValue="lb">lb</label>
          </nz-radio-group>
          <span id="unit-temperature">Temperature</span>
          <nz-radio-group
            nzButtonStyle="solid"
            aria-labelledby="unit-temperature"
            [ngModel]="units().temperature"
            (ngModelChange)="preferences.setUnit('temperature', $event)"
          >
            <label nz-radio-button nzValue="°C">°C</label><label nz-radio-button nzValue="°F">°F</label>
          </nz-radio-group>
          <span id="unit-conductivity">Conductivity</span>
          <nz-radio-group nzButtonStyle="solid" aria-labelledby="unit-conductivity" [ngModel]="tds()" (ngModelChange)="setTds($event)">
            <label nz-radio-button [nzValue]="0">µS/cm</label><label nz-radio-button [nzValue]="0.5">TDS ×0.5</label
            ><label nz-radio-button [nzValue]="0.64">×0.64</label><label nz-radio-button [nzValue]="0.7">×0.7</label>
          </nz-radio-group>
          <span id="unit-theme">Light</span>
          <nz-radio-group
            nzButtonStyle="solid"
            aria-labelledby="unit-theme"
            [ngModel]="preferences.theme()"
            (ngModelChange)="preferences.theme.set($event)"
          >
            <label nz-radio-button nzValue="loam">Loam</label><label nz-radio-button nzValue="night">Night room</label>
          </nz-radio-group>
        </div>
        <p class="soft small">Fields take any unit: “78 F”, “20 gal”, “23 5/8 in”, “12 lb”.</p>
      </ng-container>
    </nz-modal>
  `,
  styles: `
    .rows {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 10px 16px;
      align-items: center;
      margin-bottom: 12px;
    }
  `,
})
export class UnitsPanel {
  protected readonly preferences = inject(PreferencesStore);
  readonly visible = model(false);
  protected readonly units = this.preferences.units;
  protected readonly tds = computed(() => {
    const { conductivity } = this.units();
    return conductivity === 'µS/cm' ? 0 : conductivity.tdsFactor;
  });

  protected setTds(factor: number): void {
    this.preferences.setUnit('conductivity', factor === 0 ? 'µS/cm' : { tdsFactor: factor });
  }
}
