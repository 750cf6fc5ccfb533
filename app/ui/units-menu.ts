import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { PreferencesStore } from '../store/preferences';
import { UnitsPanel } from './units-panel';

/** Units by kind of quantity, and the theme. */
@Component({
  selector: 'tr-units-menu',
  imports: [UnitsPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button class="btn" type="button" [attr.aria-label]="summary() + ': units and theme'" (click)="visible.set(true)">
      {{ summary() }}
    </button>
    @defer (when visible()) {
      <tr-units-panel [(visible)]="visible" />
    }
  `,
})
export class UnitsMenu {
  private readonly units = inject(PreferencesStore).units;
  readonly visible = signal(false);
  protected readonly summary = computed(() => `${this.units().length} · ${this.units().temperature}`);
}
