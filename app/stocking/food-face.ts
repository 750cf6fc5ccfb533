import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { companyOf } from '../../core/assessment/derive';
import { plain } from '../../core/assessment/wording';
import { FOODS, FoodId, type Food } from '../../core/catalogue/food';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { takeMenu } from '../../core/design/edits/menu-edits';
import { rounded } from '../../core/quantity/format';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import { eatersIn, eatsOf, fedBy, menuFor, portionsOf, type Dish, type Fed } from '../../core/stocking/menu';
import { usualFeedG, usualFeedOfTank } from '../../core/stocking/usual-feed';
import { PlanStart } from '../parts/plan-start';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { AddFrom } from '../ui/add-from';
import { ChoiceField, type Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';

const STATE_WORD: Readonly<Record<Food['state'], string>> = { dry: 'Dry', frozen: 'Frozen', live: 'Living', fresh: 'Greens, leaves, wood' };
const FALLS_WORD: Readonly<Record<Food['falls'], string>> = { floats: 'floats', drifts: 'drifts', sinks: 'sinks' };
const WHEN: readonly Choice<Dish['when']>[] = [
  { value: 'day', text: 'by day' },
  { value: 'dark', text: 'after dark' },
];
/** A larger food weighs what it weighs; all of them are said as they are given, grams a portion. */
const LEFT_OVERS = 'What is not gone in ten minutes is taken out; greens by the next morning.';

/** What is given, who gets it, and who goes hungry. */
@Component({
  selector: 'tr-food-face',
  imports: [AddFrom, ChoiceField, PlanStart, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (eaters().length === 0) {
      <p class="soft">Nobody lives here yet: name the animals on the Livestock bench, and this says what they eat.</p>
    } @else {
      <section data-control="menu" aria-labelledby="menu-heading">
        <h2 id="menu-heading">The menu</h2>
        @if (dishes().length === 0) {
          <p>Nothing is written down yet, so nobody is said to go hungry.</p>
        } @else {
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  <th scope="col">What</th>
                  <th scope="col">Times a week</th>
                  <th scope="col">When</th>
                  <th scope="col" class="end">A portion</th>
                  <th scope="col">Goes to</th>
                  <th scope="col"><span class="visually-hidden">Actions</span></th>
                </tr>
              </thead>
              <tbody>
                @for (dish of dishes(); track dish.id) {
                  <tr>
                    <th scope="row">
                      {{ dish.name }} <span class="small soft">{{ dish.size }}</span>
                    </th>
                    <td class="number">
                      <tr-quantity
                        kind="count"
                        [label]="'Times a week of ' + dish.name"
                        [hideLabel]="true"
                        [limits]="[1, 42]"
                        [value]="dish.timesAWeek"
                        [disabled]="locked()"
                        (quantity)="set(dish.id, 'timesAWeek', $event)"
                      />
                    </td>
                    <td>
                      <tr-choice
                        [label]="'When ' + dish.name + ' is given'"
                        [hideLabel]="true"
                        [options]="when"
                        [value]="dish.when"
                        [disabled]="locked()"
                        (chosen)="set(dish.id, 'when', $event)"
                      />
                    </td>
                    <td class="end">{{ dish.portion }}</td>
                    <td>
                      @for (to of dish.to; track to) {
                        <em class="to">{{ to }}</em>
                      } @empty {
                        <span class="soft">nobody</span>
                      }
                    </td>
                    <td class="end">
                      <button
                        class="btn"
                        type="button"
                        [disabled]="locked()"
                        [attr.aria-label]="'Leave out ' + dish.name"
                        (click)="remove(dish.id)"
                      >
                        Leave out
                      </button>
                    </td>
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
        <div class="acts">
          <tr-add-from label="Give also" none="choose …" [options]="foods" [disabled]="locked()" (added)="add($event)" />
          <tr-quantity
            class="fast"
            kind="count"
            label="Fasting days a week"
            [limits]="[0, 4]"
            [value]="fastDays()"
            [disabled]="locked()"
            (quantity)="fast($event)"
          />
        </div>
        @if (dishes().length > 0) {
          <p class="small soft">{{ rest() }}</p>
        }
      </section>

      <section aria-labelledby="who-eats-heading">
        <h2 id="who-eats-heading">Who gets what</h2>
        <ul class="fed">
          @for (row of fed(); track row.id) {
            <li [class.hungry]="row.hungry">
              <em>{{ row.name }}</em>
              <span>{{ row.says }}</span>
              <span class="small soft">{{ row.eats }}</span>
            </li>
          }
        </ul>
      </section>

      @if (plan(); as p) {
        <section aria-labelledby="plan-heading">
          <h2 id="plan-heading">A menu that feeds them all</h2>
          <ul class="plan">
            @for (dish of p.dishes; track dish.foodId) {
              <li>
                <strong>{{ dish.name }}</strong> {{ dish.times }} <span class="soft">for {{ dish.for }}</span>
              </li>
            }
          </ul>
          <button class="btn primary" type="button" [disabled]="locked() || p.isTaken" (click)="take()">
            {{ p.isTaken ? 'This is your menu' : dishes().length > 0 ? 'Take it in place of yours' : 'Take this menu' }}
          </button>
        </section>
      }

      @if (cultures(); as c) {
        <section aria-labelledby="culture-heading">
          <h2 id="culture-heading">Cultures to begin first</h2>
          <ul class="plan">
            @for (one of c.list; track one.name) {
              <li>
                <strong>{{ one.name }}</strong> {{ one.days }} <span class="soft">{{ one.how }}</span>
              </li>
            }
          </ul>
          <tr-plan-start plan="Living food" [steps]="c.steps" label="Set up the slowest on" />
        </section>
      }
    }
  `,
  styleUrl: './food-face.less',
})
export class FoodFace {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly when = WHEN;
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly foods: readonly Choice<FoodId>[] = FoodId.options
    .map((value) => ({ value, text: FOODS[value].name, group: STATE_WORD[FOODS[value].state] }))
    .sort((a, b) => a.group.localeCompare(b.group));

  protected readonly eaters = computed(() => eatersIn(companyOf(this.view.members())));
  private readonly menu = computed(() => inOrder(this.view.design()?.care.menu ?? {}));
  protected readonly fastDays = computed(() => this.view.design()?.care.fastDays ?? 0);

  /** Dry grams a portion of each dish, by what those eat that it feeds; a stated feed is shared out in their proportion. */
  private readonly portions = computed((): readonly (number | null)[] => {
    const [derived, design] = [this.view.derived(), this.view.design()];
    const load = derived?.['stock.load'].value;
    const litres = derived?.['vessel.system-volume'].value ?? null;
    if (!load || !design || litres === null || load.usualFeedG <= 0) return [];
    const aDay = design.care.feed.gPerDay ?? usualFeedOfTank(load.usualFeedG, litres);
    const eaters = this.eaters().map((eater) => {
      const { grams = 0, count = 0 } = load.each[eater.id] ?? {};
      return { ...eater, feedG: (usualFeedG(grams, eater.animal.group) * count * aDay) / load.usualFeedG };
    });
    return portionsOf(
      this.menu().map(([, dish]) => dish),
      eaters,
    );
  });

  protected readonly dishes = computed(() => {
    const units = this.units();
    const portions = this.portions();
    return this.menu().map(([id, dish], i) => {
      const food = FOODS[dish.foodId];
      const dry = portions[i] ?? null;
      const grams = dry === null ? null : dry / food.dryShare;
      return {
        id,
        ...dish,
        name: food.name,
        size: [
          food.acrossMm ? `${rounded(food.acrossMm[0], 2, units)} to ${rounded(food.acrossMm[1], 1, units)} mm across` : 'rasped at',
          FALLS_WORD[food.falls],
        ].join(', '),
        portion: grams === null ? '' : `${rounded(grams, grams < 0.1 ? 3 : grams < 1 ? 2 : 1, units)} g`,
        to: this.eaters().flatMap(({ animal, mouthMm }) => {
          const got = fedBy(animal, [dish], mouthMm);
          return got.is === 'fed' || got.is === 'leavings' ? [animal.latin] : [];
        }),
      };
    });
  });

  protected readonly rest = computed(() => {
    const fasts = this.fastDays();
    const days = fasts === 0 ? 'On every day of the week' : `On ${7 - fasts} days of the week`;
    return `${days}. Portions are what a day's feed comes to, shared out by who eats what; frozen food weighs eight times its dry weight. ${LEFT_OVERS}`;
  });

  protected readonly fed = computed(() => {
    const menu = this.menu().map(([, dish]) => dish);
    return this.eaters().map(({ id, animal, mouthMm }) => {
      const got = fedBy(animal, menu, mouthMm);
      return {
        id,
        name: animal.latin,
        hungry: menu.length > 0 && (got.is === 'hungry' || got.is === 'leavings'),
        says: menu.length === 0 ? '' : this.says(got),
        eats: `${animal.traits.diet.value ?? 'diet not known'}${mouthMm === null ? '' : `; mouth ${rounded(mouthMm, 1, this.units())} mm`}${animal.traits.activity.value === 'night' ? '; comes out at night' : ''}${eatsOf(animal)?.often ? '; little and often' : ''}`,
      };
    });
  });

  private says(got: Fed): string {
    switch (got.is) {
      case 'fed':
        return `eats ${got.by.map((id) => FOODS[id].name).join(', ')}`;
      case 'grazes':
        return 'lives on what grows in the tank, or on light';
      case 'leavings':
        return `gets only what is left of ${got.by.map((id) => FOODS[id].name).join(', ')}: give some after dark`;
      case 'hungry':
        return 'goes hungry';
      case 'not-known':
        return 'not known';
    }
  }

  protected readonly plan = computed(() => {
    const menu = menuFor(this.eaters());
    if (menu.length === 0) return null;
    const names = new Map(this.eaters().map(({ id, animal }) => [id, animal.latin]));
    const now = this.menu().map(([, { foodId, when, timesAWeek }]) => `${foodId} ${when} ${timesAWeek}`);
    return {
      menu,
      isTaken: now.length === menu.length && menu.every(({ foodId, when, timesAWeek }) => now.includes(`${foodId} ${when} ${timesAWeek}`)),
      dishes: menu.map((dish) => ({
        foodId: `${dish.foodId} ${dish.when}`,
        name: FOODS[dish.foodId].name,
        times: `${dish.timesAWeek === 1 ? 'once a week' : `${dish.timesAWeek} times a week`}${dish.when === 'dark' ? ', after dark' : ''}`,
        for: dish.for.length === this.eaters().length ? 'all' : dish.for.map((id) => plain(names.get(id) ?? id)).join(', '),
      })),
    };
  });

  /** Living food on the menu, with the days that it takes; steps count back from the slowest. */
  protected readonly cultures = computed(() => {
    const list = this.menu().flatMap(([, { foodId }]) => {
      const { culture, name } = FOODS[foodId];
      return culture ? [{ foodId, name, culture }] : [];
    });
    if (list.length === 0) return null;
    const longest = Math.max(...list.map(({ culture }) => culture.days[1]));
    const steps = list
      .map(({ foodId, culture }): PlannedStep => ({ ...NO_STEP, after: longest - culture.days[1], code: 'culture', subjects: [foodId] }))
      .sort((a, b) => a.after - b.after);
    return {
      steps,
      list: list.map(({ name, culture }) => ({ name, days: `${culture.days[0]} to ${culture.days[1]} days before`, how: culture.how })),
    };
  });

  protected add(foodId: FoodId): void {
    const design = this.view.design();
    if (design)
      this.store.edit('Menu', takeMenu(design, [{ foodId, timesAWeek: FOODS[foodId].state === 'dry' ? 6 : 3, when: 'day' }], 'besides'));
  }

  protected take(): void {
    const [design, plan] = [this.view.design(), this.plan()];
    if (design && plan) this.store.edit('Menu', takeMenu(design, plan.menu, 'instead'));
  }

  protected set(id: string, part: 'timesAWeek' | 'when', value: number | Dish['when']): void {
    this.store.edit('Menu', [{ op: 'replace', path: pointer('care', 'menu', id, part), value }]);
  }

  protected remove(id: string): void {
    this.store.edit('Menu', [{ op: 'remove', path: pointer('care', 'menu', id) }]);
  }

  protected fast(value: number): void {
    this.store.edit('Fasting days', [{ op: 'replace', path: '/care/fastDays', value }]);
  }
}
