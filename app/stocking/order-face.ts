import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { additionSteps } from '../../core/assessment/plan/additions';
import { ADDITION_WORD } from '../../core/assessment/wording';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';

/** A drop test shows so much, mg N/L, and from so much free ammonia gills are burnt. Common practice. */
const SEEN_MG_N = 0.25;
const BURNS_MG_N = 0.02;

/** Who goes in when, and what each addition does to filter and air. */
@Component({
  selector: 'tr-order-face',
  imports: [PlanStart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isEmpty()) {
      <p class="soft">Nobody lives here yet: name the animals on the Livestock bench, and this puts them in order.</p>
    } @else if (told(); as t) {
      <section data-control="order" aria-labelledby="order-heading">
        <h2 id="order-heading">Who goes in when</h2>
        <div class="scroll">
          <table>
            <thead>
              <tr>
                <th scope="col">Week</th>
                <th scope="col">Who</th>
                <th scope="col" class="end">Most ammonia</th>
                <td aria-hidden="true"></td>
                <th scope="col" class="end">Most nitrite</th>
                <th scope="col" class="end">Oxygen at dawn</th>
              </tr>
            </thead>
            <tbody>
              @for (row of t.rows; track row.id) {
                <tr>
                  <td class="week">{{ row.week }}</td>
                  <th scope="row">
                    {{ row.count }} <em>{{ row.name }}</em>
                    <span class="small soft">{{ row.reason }}</span>
                    @if (row.warns) {
                      <span class="small warns">{{ row.warns }}</span>
                    }
                  </th>
                  <td class="end">{{ row.ammonia }}</td>
                  <td aria-hidden="true" class="scale">
                    <i class="band" [class.over]="row.over" [style.left.%]="row.from" [style.width.%]="row.width"></i>
                    <i class="seen" [style.left.%]="t.seen"></i>
                  </td>
                  <td class="end">{{ row.nitrite }}</td>
                  <td class="end">{{ row.oxygen }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <p class="small soft">
          Modelled; test. Most that stands in the weeks after each addition, as mg N/L, in a filter that has passed its challenge dose:
          usual, and with a third of the bacteria and plants that do nothing yet. The upright line is what a drop test just shows. Ready
          means measured zeros after a challenge dose, not a date.
        </p>
        <tr-plan-start plan="Putting animals in" [steps]="t.steps" label="First arrivals into quarantine on" />
        <p class="small soft">
          Four weeks apart, then in, then a look and a test the day after. Weeks, not a weekend; if a test is not clean, all that follows
          waits.
        </p>
      </section>
    } @else {
      <p class="soft">Putting them in, one after the other …</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      margin: 12px 0 6px;
    }
    tbody th {
      padding: 7px 10px 7px 0;
      border-top: 1px solid var(--rule);
      color: var(--ink);
      font-size: 14px;
      font-weight: 600;
      text-align: left;
    }
    tbody th .small {
      display: block;
      font-weight: 400;
    }
    thead td {
      border: none;
    }
    .week {
      width: 60px;
      white-space: nowrap;
    }
    .end {
      text-align: right;
      white-space: nowrap;
    }
    .warns {
      color: var(--oxide);
    }
    .scale {
      position: relative;
      width: 120px;
      min-width: 80px;
    }
    .band {
      position: absolute;
      top: 50%;
      height: 12px;
      min-width: 2px;
      border: 1px solid var(--moss);
      background: color-mix(in srgb, var(--moss) 28%, transparent);
      transform: translateY(-50%);
    }
    .band.over {
      border-color: var(--oxide);
      background: color-mix(in srgb, var(--oxide) 24%, transparent);
    }
    .seen {
      position: absolute;
      top: 4px;
      bottom: 4px;
      border-left: 2px solid var(--ink);
    }
    tr-plan-start {
      margin-top: 10px;
    }
  `,
})
export class OrderFace {
  private readonly tank = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  private readonly found = workedOut(this.tank, 'additions');

  protected readonly isEmpty = computed(() => Object.keys(this.tank.design()?.stock ?? {}).length === 0);

  protected readonly told = computed(() => {
    const found = this.found();
    if (!found) return null;
    const units = this.units();
    const catalogue = this.tank.catalogue();
    const name = (id: string) => {
      const kind = this.tank.design()?.stock[id]?.organismId ?? id;
      return catalogue?.organisms.get(kind)?.latin ?? kind;
    };
    const widest = Math.max(2 * SEEN_MG_N, ...found.map(({ ammonia }) => ammonia?.worst ?? 0));
    const number = (value: number) => (value < 0.01 ? 'none' : rounded(value, 2, units));
    const span = (peak: { usual: number; worst: number } | null) =>
      peak === null
        ? 'not known'
        : number(peak.worst) === number(peak.usual)
          ? number(peak.usual)
          : `${number(peak.usual)} to ${number(peak.worst)}`;
    return {
      seen: (100 * SEEN_MG_N) / widest,
      steps: additionSteps(found),
      rows: found.map(({ id, week, why, count, with: rivals, ammonia, nitrite, freeAmmonia, dawnMgPerL }) => ({
        id,
        week: week === 0 ? 'ready' : `+ ${week}`,
        count,
        name: name(id),
        reason: [
          ADDITION_WORD[why],
          ...(rivals.length > 0 ? [`at the same hour as ${rivals.map(name).join(' and ')}, or the stones laid anew`] : []),
        ].join('; '),
        ammonia: span(ammonia),
        nitrite: span(nitrite),
        oxygen: dawnMgPerL === null ? 'not known' : formatQuantity('concentration', dawnMgPerL, units),
        from: ammonia ? (100 * ammonia.usual) / widest : 0,
        width: ammonia ? (100 * (ammonia.worst - ammonia.usual)) / widest : 0,
        over: (ammonia?.worst ?? 0) > SEEN_MG_N,
        warns:
          (freeAmmonia?.worst ?? 0) > BURNS_MG_N
            ? 'So much of it is free ammonia at this pH that gills are burnt: put them in by halves, or with grown-in media.'
            : (ammonia?.usual ?? 0) > SEEN_MG_N
              ? 'Put them in by halves, two weeks apart, or bring grown-in media along.'
              : null,
      })),
    };
  });
}
