import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { pointer } from '../../core/design/edit';
import { sourceLabel } from '../../core/design/room';
import { formatQuantity } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';

/** Vapour leaves its salts behind: where each way of topping up ends. */
@Component({
  selector: 'tr-change-evaporation',
  imports: [],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>The evaporation trap</h2>
    @if (told(); as t) {
      <p>
        About <strong>{{ t.aWeek }}</strong> a week evaporates and leaves its salts behind. What it is topped up with decides where the
        water ends:
      </p>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Topped up with</th>
              <th scope="col" class="value">GH</th>
              <th scope="col" class="value">KH</th>
              <th scope="col" class="value">Salts</th>
              <th scope="col"><span class="visually-hidden">Use it</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of t.rows; track row.name) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td class="value">{{ row.gh }}</td>
                <td class="value">{{ row.kh }}</td>
                <td class="value">{{ row.salts }}</td>
                <td>
                  @if (row.now) {
                    <span class="soft small">planned</span>
                  } @else {
                    <button
                      class="btn"
                      type="button"
                      [disabled]="view.readOnly()"
                      [attr.aria-label]="'Use ' + row.name + ' to top up'"
                      (click)="use(row.id)"
                    >
                      Use
                    </button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <p class="small soft">
        Settled, as it stands just before a change: S + e·c/f. Evaporation is good to ±40 %: mark the level, and measure a week.
      </p>
    } @else {
      <p>Choose a vessel and pour water whose GH and KH are known; with the room’s climate, evaporation follows from the heat balance.</p>
    }
  `,
  styles: `
    .scroll {
      margin: 8px 0;
    }
  `,
})
export class ChangeEvaporation {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;

  private readonly ends = workedOut(this.view, 'topUps');

  protected readonly told = computed(() => {
    const [found, design, room] = [this.ends(), this.view.design(), this.view.room()];
    if (!found || !design || !room) return null;
    const units = this.units();
    const rows = found.ends.map(({ sourceId, ghDh, khDh, saltsChange }) => ({
      id: sourceId,
      name: sourceId === null ? 'its own mix' : sourceLabel(room.sources[sourceId]!),
      gh: formatQuantity('hardness', ghDh, units),
      kh: formatQuantity('alkalinity', khDh, units),
      salts:
        Math.abs(saltsChange) < 0.005
          ? 'as poured'
          : `${saltsChange > 0 ? '+' : '−'}${formatQuantity('fraction', Math.abs(saltsChange), units)}`,
      now: design.care.topUp !== null && design.care.topUp.sourceId === sourceId,
    }));
    return { aWeek: formatQuantity('volume', found.litresPerWeek, units), rows };
  });

  protected use(sourceId: string | null): void {
    const everyDays = this.view.design()?.care.topUp?.everyDays ?? 7;
    this.store.edit('Top-up', [{ op: 'replace', path: pointer('care', 'topUp'), value: { sourceId, everyDays } }]);
  }
}
