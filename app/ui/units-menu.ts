import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { PreferencesStore } from '../store/preferences';
import { UnitsPanel } from './units-panel';

/** Units by kind of quantity, and the theme. */
@Component({
  selector: 'tr-units-menu',
  imports: [NzButtonModule, UnitsPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button nz-button type="button" aria-label="Units and light" (click)="visible.set(true)">{{ summary() }}</button>
    @defer (when visible()) {
      <tr-units-panel [(visible)]="visible" />
    }
  `,
})
export class UnitsMenu {
  private readonly units = inject(PreferencesStore).units;
  protected readonly visible = signal(false);
  protected readonly summary = computed(() => `${this.units().length} · ${this.units().temperature}`);
}
