import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { settle } from '../../core/tank/settle';
import { STATE } from '../../core/tank/state';
import { tankWater } from '../../core/assessment/derive/scenario';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { sourceLabel } from '../../core/design/room';
import { formatQuantity } from '../../core/quantity/format';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../../core/quantity/unit';
import { mixWater } from '../../core/water/mixed-water';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { TankView } from '../store/tank-view';

/** Vapour leaves its salts behind: where each way of topping up ends. */
@Component({
  selector: 'tr-change-evaporation',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>The evaporation trap</h2>
    @if (told(); as t) {
      <p>
        About <strong>{{ t.aWeek }}</strong> a week goes off as vapour and leaves its salts behind. What it is made good with decides where
        the water ends:
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
                      nz-button
                      type="button"
                      [disabled]="view.readOnly()"
                      [attr.aria-label]="'Top up with ' + row.name"
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
  private readonly store = inject(TankStore);
  private readonly units = inject(PreferencesStore).units;

  protected readonly told = computed(() => {
    const assessment = this.view.assessment();
    const scenario = assessment?.derived['tank.ahead'].value?.scenario;
    if (!assessment || !scenario || !('heldC' in scenario.heat)) return null;
    const units = this.units();
    const { design, room } = assessment.world;
    const ways = [
      { id: null, name: 'its own mix', water: scenario.start },
      ...inOrder(room.sources).flatMap(([id, source]) => {
        const water = assessment.derived['water.sources'].value?.[id];
        return water ? [{ id, name: sourceLabel(source), water: tankWater(mixWater([{ share: 1, water }], [])) }] : [];
      }),
    ];
    const rows = ways.map(({ id, name, water }) => {
      const { state, now } = settle({ ...scenario, topUp: water });
      const salts = scenario.start.chlorideMmol > 0 ? state[STATE.chloride]! / now.litres / scenario.start.chlorideMmol - 1 : 0;
      return {
        id,
        name,
        gh: formatQuantity('hardness', (state[STATE.calcium]! + state[STATE.magnesium]!) / now.litres / MMOL_PER_DEGREE_HARDNESS, units),
        kh: formatQuantity('alkalinity', now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY, units),
        salts: Math.abs(salts) < 0.005 ? 'as poured' : `${salts > 0 ? '+' : '−'}${formatQuantity('fraction', Math.abs(salts), units)}`,
        now: design.care.topUp !== null && design.care.topUp.sourceId === id,
      };
    });
    return { aWeek: formatQuantity('volume', scenario.heat.evaporationLPerDay * 7, units), rows };
  });

  protected use(sourceId: string | null): void {
    const everyDays = this.view.design()?.care.topUp?.everyDays ?? 7;
    this.store.edit('Top-up', [{ op: 'replace', path: pointer('care', 'topUp'), value: { sourceId, everyDays } }]);
  }
}
