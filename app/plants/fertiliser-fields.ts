import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { conditionerOf } from '../../core/water/conditioners';
import { pointer } from '../../core/design/edit';
import { Fertiliser, FERTILISER_META } from '../../core/tank/fertiliser';
import { formatQuantity } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';

/** What the plants are given, and what they leave in the water. */
@Component({
  selector: 'tr-fertiliser-fields',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="piece" data-control="fertiliser" aria-labelledby="fertiliser-heading">
      <div class="title">
        <h2 id="fertiliser-heading">Fertiliser</h2>
        <span class="small soft">{{ settled() ?? 'given by target, a week' }}</span>
      </div>
      <div class="fields">
        @for (one of kinds; track one.kind) {
          <tr-quantity
            kind="number"
            placeholder="none"
            [label]="one.name"
            [optional]="true"
            [limits]="[0.001, 200]"
            [value]="plan()[one.kind] ?? null"
            [disabled]="locked()"
            [title]="one.gives"
            (quantity)="give(one.kind, $event)"
            (cleared)="give(one.kind, null)"
          />
          <span class="small soft unit">{{ one.unit }}<br />{{ one.gives }}</span>
        }
      </div>
      @if (wants(); as takes) {
        <p class="small">{{ takes }}</p>
      }
      @for (line of lines(); track line) {
        <p class="small soft">{{ line }}</p>
      }
    </section>
  `,
  styleUrls: ['../ui/scene-bench.less'],
  styles: `
    .fields {
      grid-template-columns: repeat(auto-fill, minmax(110px, auto) minmax(150px, 1fr));
      grid-template-columns: repeat(2, 110px minmax(120px, 1fr));
    }
    @media (max-width: 640px) {
      .fields {
        grid-template-columns: 110px 1fr;
      }
    }
    .unit {
      align-self: end;
      padding-bottom: 2px;
    }
  `,
})
export class FertiliserFields {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design());
  protected readonly kinds = Fertiliser.options.map((kind) => ({ kind, ...FERTILISER_META[kind] }));
  protected readonly plan = computed(() => this.tank.design()?.care.fertiliser ?? {});

  protected readonly settled = computed(() => {
    const rest = this.tank.told()?.derived['tank.settled'].value?.usual;
    if (!rest) return null;
    const show = (value: number) => formatQuantity('concentration', value, this.units());
    return `With animals, changes and plants as they are, nitrate settles at about ${show(rest.nitrateMgPerL)}, phosphate at ${show(rest.phosphateMgPerL)}`;
  });

  /** What the plants take, so that it can be given. */
  protected readonly wants = computed(() => {
    const wants = this.tank.told()?.derived['plants.wants'].value;
    if (!wants || wants.potassiumMgPerL <= 0) return null;
    const show = (value: number) => formatQuantity('concentration', value, this.units());
    const left = wants.potassiumLeftMgPerL;
    const settles = left === null ? '' : left > 0 ? `; potassium settles at about ${show(left)}` : '; potassium runs out';
    return (
      `As they grow here, plants take about ${show(wants.nitrateMgPerL)} of nitrate a week, ${show(wants.phosphateMgPerL)} of phosphate, ` +
      `${show(wants.potassiumMgPerL)} of potassium and ${show(wants.ironMgPerL)} of iron, a third of it or three times as much${settles}.`
    );
  });

  protected readonly lines = computed(() => {
    const plan = this.plan();
    const hours = conditionerOf(this.tank.design()?.water.conditioner ?? null)?.metalsHours;
    const metals = plan.iron !== undefined || plan['all-round'] !== undefined;
    return [
      ...(hours && metals
        ? [`The conditioner holds metals for ${hours} hours: iron and traces go in from the third day after a change.`]
        : []),
      ...(Object.keys(plan).length > 0
        ? [
            'Lean keepers hold nitrate near 5 mg/L: colours are strong and trims rare. Rich ones hold 15 to 20 and change half a week: all grows fastest, and algae forgive less.',
          ]
        : []),
    ];
  });

  protected give(kind: Fertiliser, value: number | null): void {
    const path = pointer('care', 'fertiliser', kind);
    const name = FERTILISER_META[kind].name;
    if (value === null) {
      if (this.plan()[kind] !== undefined) this.store.edit(`No ${name.toLowerCase()}`, [{ op: 'remove', path }]);
    } else this.store.edit(`Fertiliser: ${name.toLowerCase()}`, [{ op: 'add', path, value }]);
  }
}
