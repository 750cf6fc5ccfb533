import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Limit } from '../../core/assessment/plan/carrying';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { chosenKind } from '../store/chosen-kind';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const WORD: Readonly<Record<Limit, { name: string; what: string; enough: string; asks: string }>> = {
  nitrate: {
    name: 'Nitrate',
    what: 'what is fed, against what is changed and grows',
    enough: 'Water changes keep nitrate down',
    asks: 'how often water is changed (Care)',
  },
  filter: { name: 'Filter', what: 'what its media turn over', enough: 'The filter is enough', asks: 'what media it holds (Equipment)' },
  oxygen: {
    name: 'Oxygen',
    what: 'breath, against what the surface gives by night',
    enough: 'Oxygen at the end of the night is enough',
    asks: 'what water is poured in (Water)',
  },
  water: { name: 'Litres', what: 'what the kind is said to want', enough: 'The litres are enough', asks: 'how much water the kind wants' },
  floor: {
    name: 'Room',
    what: 'floor, for all that share their part of the tank',
    enough: 'There is room enough',
    asks: 'how much floor the kind wants',
  },
  hides: { name: 'Hides', what: 'those that let it in', enough: 'There are hides enough', asks: 'where the kind hides' },
  males: { name: 'Males', what: 'ground for each', enough: 'There is ground enough', asks: 'how its sexes live' },
  work: {
    name: 'Your hours',
    what: 'changes that hold nitrate, feeding, panes',
    enough: 'Your time is enough',
    asks: 'how many hours a week you have (here, above)',
  },
};

/** How many of a kind the tank carries, and what runs out first. */
@Component({
  selector: 'tr-how-many-face',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and this says how many of it the tank carries.</p>
    } @else {
      <div class="ask">
        @if (kinds().length > 1) {
          <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="stockId.set($event)" />
        }
        <tr-quantity
          class="hours"
          kind="hours"
          label="Hours a week that you have for this tank"
          [limits]="[0.1, 100]"
          [optional]="true"
          placeholder="not stated"
          [value]="hours()"
          [disabled]="locked()"
          (quantity)="setHours($event)"
          (cleared)="setHours(null)"
        />
      </div>
      @if (told(); as t) {
        <section data-control="carrying" aria-labelledby="carrying-heading">
          <h2 id="carrying-heading">
            {{ t.count }} <em>{{ t.latin }}</em>
          </h2>
          <p class="lead">{{ t.lead }}</p>
          @if (t.rows.length > 0) {
            <table>
              <thead>
                <tr>
                  <th scope="col">Runs out</th>
                  <td aria-hidden="true"></td>
                  <th scope="col" class="end">Holds</th>
                  <th scope="col" class="end">Conflict above</th>
                </tr>
              </thead>
              <tbody>
                @for (row of t.rows; track row.limit) {
                  <tr>
                    <th scope="row">
                      {{ row.name }} <span class="small soft">{{ row.what }}</span>
                    </th>
                    <td aria-hidden="true" class="scale">
                      <i class="bar" [class.over]="row.over" [style.width.%]="row.width"></i>
                      <i class="today" [style.left.%]="t.today"></i>
                    </td>
                    <td class="end">{{ row.holds }}</td>
                    <td class="end">{{ row.conflict }}</td>
                  </tr>
                }
              </tbody>
            </table>
            <p class="small soft" aria-hidden="true">The upright line is what lives here now.</p>
          }
          <p class="small soft">{{ t.beyond }}</p>
          <p class="small soft">{{ t.work }}</p>
          @if (t.unknown) {
            <p class="small">{{ t.unknown }}</p>
          }
          @if (t.rule) {
            <p class="small soft">{{ t.rule }}</p>
          }
        </section>
      } @else {
        <p class="soft">Counting …</p>
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .ask {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 10px 20px;
    }
    .hours {
      max-width: 260px;
    }
    h2 {
      margin: 12px 0 2px;
    }
    .lead {
      font-size: 15px;
    }
    tbody th {
      width: 270px;
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
    .end {
      text-align: right;
    }
    .scale {
      position: relative;
      min-width: 160px;
    }
    .bar {
      position: absolute;
      top: 50%;
      left: 0;
      height: 12px;
      border: 1px solid var(--moss);
      background: color-mix(in srgb, var(--moss) 28%, transparent);
      transform: translateY(-50%);
    }
    .bar.over {
      border-color: var(--ochre);
      background: color-mix(in srgb, var(--ochre) 28%, transparent);
    }
    .today {
      position: absolute;
      top: 4px;
      bottom: 4px;
      width: 0;
      border-left: 2px solid var(--ink);
    }
    @media (max-width: 719px) {
      tbody th {
        width: auto;
      }
      .scale {
        min-width: 60px;
      }
    }
  `,
})
export class HowManyFace {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly hours = computed(() => this.tank.design()?.care.hoursPerWeek ?? null);

  private readonly chosen = chosenKind(this.tank);
  protected readonly kinds = this.chosen.kinds;
  protected readonly stockId = this.chosen.stockId;
  private readonly question = computed(() => {
    const stockId = this.stockId();
    return stockId === null ? null : { stockId };
  });
  private readonly found = workedOut(this.tank, 'carrying', this.question);

  protected setHours(value: number | null): void {
    this.store.edit('Hours a week', [{ op: 'replace', path: '/care/hoursPerWeek', value }]);
  }

  protected readonly told = computed(() => {
    const found = this.found();
    if (!found || found.stockId !== this.stockId()) return null;
    const { count, reaches, lookedTo, cmPerL, unknown, organismId } = found;
    const units = this.units();
    const furthest = Math.max(count * 1.2, ...reaches.map((reach) => reach.count), 1);
    const [first] = reaches;
    const lead = !first
      ? `Nothing is said against more of them, up to ${lookedTo}.`
      : first.count === 0
        ? `${WORD[first.limit].name}: something is to be watched here whether there is one of them or many.`
        : first.count < count
          ? `${WORD[first.limit].enough} for ${first.count}; ${count} live here.`
          : first.count === count
            ? `${WORD[first.limit].enough} for just these, and no more.`
            : `${WORD[first.limit].enough} for ${first.count}: that runs out first.`;
    return {
      count,
      latin: this.kinds().find(({ value }) => value === found.stockId)?.text ?? organismId,
      lead,
      today: (100 * count) / furthest,
      rows: reaches.map(({ limit, count: most, conflictAbove }) => ({
        limit,
        ...WORD[limit],
        width: (100 * most) / furthest,
        over: most < count,
        holds: most === 0 ? 'none' : String(most),
        conflict: conflictAbove === null ? `beyond ${lookedTo}` : conflictAbove === 0 ? 'none' : String(conflictAbove),
      })),
      work: `As it is planned it takes about ${formatQuantity('hours', Math.max(0.25, Math.round(found.hoursPerWeek * 4) / 4), units)} a week: changes, feeding, panes, filter and plants.`,
      beyond: `Each number is the most of them before the findings begin to speak of it, with everybody else as they are and feed in proportion; looked up to ${lookedTo}. What is not named holds as far as that.`,
      unknown:
        unknown.length === 0
          ? null
          : `Not told: ${unknown.map((limit) => `${WORD[limit].name.toLowerCase()}, until it is known ${WORD[limit].asks}`).join('; ')}.`,
      rule:
        cmPerL === null
          ? null
          : `The old rule of one centimetre of grown fish to one or two litres stands at ${rounded(cmPerL, 1, units)} cm to a litre here. It knows neither filter nor plants, changes nor tempers: it is shown so that you can see how far it is off.`,
    };
  });
}
