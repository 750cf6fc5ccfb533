import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Routine } from '../../core/assessment/plan/routine';
import { saltsKnown } from '../../core/design/own-catalogue';
import { saltName } from '../../core/water/salts';
import { pointer } from '../../core/design/edit';
import { sourceLabel } from '../../core/design/room';
import { formatNumber, formatQuantity } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';

const MISSES: Readonly<Record<Routine['misses'][number], string>> = {
  nitrate: 'nitrate',
  kh: 'KH',
  gh: 'GH',
  conductivity: 'conductivity',
  salts: 'salts from evaporation',
};

/** Few large changes against many small ones: what each holds the water at, what it costs, and how much it shakes the tank. */
@Component({
  selector: 'tr-change-routine',
  imports: [],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>A routine that holds</h2>
    <p>For each interval, the smallest share that keeps the settled water where it is wanted, or the nearest to it.</p>
    @if (rows().length === 0) {
      <p>Choose a vessel and pour water whose GH and KH are known: then routines are weighed here.</p>
    } @else {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Every</th>
              <th scope="col" class="value">Change</th>
              <th scope="col" class="value">Nitrate<br />before it, mg/L</th>
              <th scope="col" class="value">KH<br />before it, dKH</th>
              <th scope="col">One change moves at once</th>
              <th scope="col">A week takes</th>
              <th scope="col">Out of bounds</th>
              <th scope="col"><span class="visually-hidden">Use it</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.days) {
              <tr [class.now]="row.now">
                <th scope="row">{{ row.days }} days</th>
                <td class="value">{{ row.share }}</td>
                <td class="value">{{ row.nitrate }}</td>
                <td class="value">{{ row.kh }}</td>
                <td>{{ row.shock }}</td>
                <td>{{ row.week }}</td>
                <td>{{ row.misses }}</td>
                <td>
                  @if (row.now) {
                    <span class="soft small">planned</span>
                  } @else {
                    <button
                      class="btn"
                      type="button"
                      [disabled]="view.readOnly()"
                      [attr.aria-label]="'Use ' + row.share + ' every ' + row.days + ' days'"
                      (click)="use(row.routine)"
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
      <p class="small">
        Small changes often shake the water less and leave less nitrate for the same litres; large ones are less work, and clear out more
        when something has gone wrong. Both are done well: choose by what you will keep up.
      </p>
    }
  `,
  styles: `
    .scroll {
      margin: 8px 0;
    }
    .now {
      background: var(--band);
    }
    thead th {
      vertical-align: bottom;
    }
    tbody th {
      color: var(--ink);
      white-space: nowrap;
    }
  `,
})
export class ChangeRoutine {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;

  private readonly routines = workedOut(this.view, 'routines');

  protected readonly rows = computed(() => {
    const [found, design, room] = [this.routines(), this.view.design(), this.view.room()];
    if (!found || !design || !room) return [];
    const units = this.units();
    const { sources } = room;
    const planned = design.care.change;
    return found.map((routine) => {
      const pours = Object.entries(routine.pourL).map(
        ([id, litres]) => `${formatQuantity('volume', litres, units)} ${sources[id] ? sourceLabel(sources[id]) : id}`,
      );
      const salts = Object.entries(routine.saltsG).map(
        ([id, grams]) => `${Number(grams.toPrecision(2))} g ${saltName(id, saltsKnown(room.own))}`,
      );
      return {
        routine,
        days: routine.everyDays,
        share: formatQuantity('fraction', routine.fraction, units),
        nitrate: formatNumber('concentration', routine.nitrateMgPerL, units),
        kh: formatNumber('alkalinity', routine.khDh, units),
        shock: `KH ${formatNumber('alkalinity', routine.shock.khDh, units)}, nitrate ${formatNumber('concentration', routine.shock.nitrateMgPerL, units)}`,
        week: [...pours, ...salts].join(', '),
        misses: routine.misses.length === 0 ? 'nothing' : routine.misses.map((miss) => MISSES[miss]).join(', '),
        now: planned !== null && planned.everyDays === routine.everyDays && Math.abs(planned.fraction - routine.fraction) < 1e-9,
      };
    });
  });

  protected use({ fraction, everyDays }: Routine): void {
    this.store.edit('Water changes', [{ op: 'replace', path: pointer('care', 'change'), value: { fraction, everyDays } }]);
  }
}
