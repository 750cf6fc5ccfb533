import { ChangeDetectionStrategy, Component, computed, inject, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { GET_GROUPS, sumsOf, toGet, type ToGet } from '../../core/assessment/plan/to-get';
import { GET_GROUP_WORD, toGetCsv, wordAmount, wordGet } from '../../core/assessment/wording/to-get';
import { pointer } from '../../core/design/edit';
import type { Price } from '../../core/design/room';
import { formatQuantity, written } from '../../core/quantity/format';
import { Library } from '../store/library';
import { NO_NEIGHBOURS, neighboursOf } from '../store/neighbours';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';

const PER: Readonly<Record<ToGet['measure'], string>> = { count: 'a piece', volume: 'a litre', mass: 'a kilogram' };

/** All that the design holds, less what is at hand and what other tanks give. */
@Component({
  selector: 'tr-get-face',
  imports: [LatinText, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="get" aria-label="What to get">
      @if (groups().length === 0) {
        <p class="soft">Nothing is planned yet.</p>
      } @else {
        <p class="lead">
          {{ sums().carry }}
          @if (sums().cost) {
            <span> {{ sums().cost }}</span>
          }
        </p>
        <p class="acts">
          <button class="btn primary" type="button" (click)="csv()">As a table (CSV)</button>
          <a class="btn" [routerLink]="['/tank', view.design()?.id, 'sheet']">The sheet to print</a>
          <a class="btn" [routerLink]="['/room', view.room()?.id]">What is at hand</a>
        </p>
        <div class="scroll">
          <table>
            <thead>
              <tr>
                <th scope="col">Thing</th>
                <th scope="col" class="end">As drawn</th>
                <th scope="col">At hand</th>
                <th scope="col">To get</th>
                <th scope="col" class="end">To carry</th>
                <th scope="col">Price of one</th>
                <th scope="col">Where from</th>
                <th scope="col" class="end">Cost</th>
              </tr>
            </thead>
            @for (group of groups(); track group.name) {
              <tbody>
                <tr class="group">
                  <th scope="rowgroup" colspan="8">{{ group.name }}</th>
                </tr>
                @for (row of group.rows; track row.at) {
                  <tr [class.none]="row.none">
                    <th scope="row">
                      <tr-latin [text]="row.name" />
                      @if (row.note) {
                        <span class="small soft note">{{ row.note }}</span>
                      }
                    </th>
                    <td class="end">{{ row.needs }}</td>
                    <td>{{ row.hand }}</td>
                    <td class="packs">
                      <strong>{{ row.get }}</strong>
                      @if (row.spare) {
                        <span class="small soft note">{{ row.spare }}</span>
                      }
                    </td>
                    <td class="end">{{ row.carry }}</td>
                    <td class="price">
                      @if (!row.none) {
                        <tr-quantity
                          kind="number"
                          [label]="'Price of ' + row.per + ', ' + row.plain"
                          [hideLabel]="true"
                          [placeholder]="row.per"
                          [limits]="[0, 1000000]"
                          [optional]="true"
                          [value]="row.price"
                          [disabled]="locked()"
                          (quantity)="price(row.key, { each: $event })"
                          (cleared)="price(row.key, null)"
                        />
                      }
                    </td>
                    <td>
                      @if (row.price !== null) {
                        <input
                          class="field from"
                          maxlength="80"
                          [attr.aria-label]="'Where from, ' + row.plain"
                          [value]="row.from"
                          [disabled]="locked()"
                          (change)="price(row.key, { from: $any($event.target).value })"
                        />
                      }
                    </td>
                    <td class="end">{{ row.cost }}</td>
                  </tr>
                }
              </tbody>
            }
          </table>
        </div>
        <p class="small soft">
          Amounts are those of the drawing. Over them: a twentieth for soil and sand, a sixth for stone, one plant in ten. What is called
          the same in the room’s list, what of the living stock is to go and what comes out of other tanks is taken off. Prices are this
          room’s own, in whatever money.
        </p>
      }
    </section>
  `,
  styles: `
    .lead {
      margin: 4px 0 8px;
      font-size: 15px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin-bottom: 10px;
    }
    .group th {
      padding-top: 14px;
      color: var(--moss);
      font-weight: 700;
    }
    .end {
      text-align: right;
      white-space: nowrap;
    }
    .note {
      display: block;
      font-weight: 400;
    }
    tbody th[scope='row'] {
      border-top: 1px solid var(--rule);
      color: var(--ink);
      font-size: inherit;
      font-weight: 400;
      text-align: left;
    }
    a.btn {
      display: inline-flex;
      align-items: center;
      text-decoration: none;
    }
    .none td,
    .none th {
      color: var(--soft);
    }
    .packs {
      min-width: 130px;
    }
    .price {
      width: 100px;
    }
    .from {
      width: 120px;
      height: var(--touch);
    }
  `,
})
export class GetFace {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  private readonly library = inject(Library);
  protected readonly locked = computed(() => this.view.roomState()?.mayWrite === false);
  private readonly neighbours = signal(NO_NEIGHBOURS);

  constructor() {
    const design = untracked(this.view.design);
    if (design) void neighboursOf(this.library, design).then((found) => this.neighbours.set(found));
  }

  private readonly rows = computed(() => {
    const assessment = this.view.assessment();
    const { donors, names } = this.neighbours();
    return assessment ? toGet(assessment, donors, (id) => names.get(id) ?? 'another tank') : [];
  });

  protected readonly groups = computed(() => {
    const units = this.units();
    return GET_GROUPS.flatMap((group) => {
      const rows = this.rows()
        .filter((row) => row.group === group)
        .map((row, i) => ({
          at: `${row.key} ${i}`,
          key: row.key,
          name: row.name.charAt(0).toUpperCase() + row.name.slice(1),
          plain: row.name.replaceAll('*', ''),
          note: row.group === 'plants' ? '' : row.note,
          none: row.get <= 0,
          needs: wordAmount(row.needs, row.measure, units),
          hand: [
            ...(row.atHand > 1e-9 ? [wordAmount(row.atHand, row.measure, units)] : []),
            ...row.borrowed.map(({ from, amount }) => `${wordAmount(amount, row.measure, units)} from ${from}`),
          ].join(', '),
          get: wordGet(row, units),
          spare: row.spare > 1e-9 && row.group !== 'plants' ? `${wordAmount(row.spare, row.measure, units)} of it spare` : '',
          carry: row.carryKg === null || row.get <= 0 ? '' : formatQuantity('mass', row.carryKg * 1000, units),
          per: PER[row.measure],
          price: row.price?.each ?? null,
          from: row.price?.from ?? '',
          cost: row.cost === null ? '' : written(Math.round(row.cost * 100) / 100, units),
        }));
      return rows.length > 0 ? [{ name: GET_GROUP_WORD[group], rows }] : [];
    });
  });

  protected readonly sums = computed(() => {
    const units = this.units();
    const { carryKg, carryL, cost, unpriced, unweighed } = sumsOf(this.rows());
    return {
      carry: `To carry: ${formatQuantity('mass', carryKg * 1000, units)}, ${formatQuantity('volume', carryL, units)} of it loose${unweighed > 0 ? `, and ${unweighed} things whose weight is not known` : ''}.`,
      cost:
        cost > 0
          ? `It costs ${written(Math.round(cost * 100) / 100, units)}${unpriced > 0 ? `, and ${unpriced} things that have no price` : ''}.`
          : null,
    };
  });

  protected price(key: string, change: Partial<Price> | null): void {
    const room = this.view.room();
    const known = room?.prices[key];
    const path = pointer('prices', key);
    if (!room || (change === null && !known)) return;
    if (change === null) this.store.editRoom('No price', [{ op: 'remove', path }]);
    else this.store.editRoom('Price', [{ op: known ? 'replace' : 'add', path, value: { each: 0, from: '', ...known, ...change } }]);
  }

  protected csv(): void {
    download(`${fileStem(this.view.design()?.name ?? 'tank')}-to-get.csv`, toGetCsv(this.rows()), 'text/csv');
  }
}
