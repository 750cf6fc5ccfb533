import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { co2At, type Co2Feed } from '../../core/water/model';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

type By = Co2Feed['set']['by'];
const BY: readonly { value: By; text: string }[] = [
  { value: 'level', text: 'held at a level' },
  { value: 'bubbles', text: 'by bubbles' },
  { value: 'mass', text: 'by grams a day' },
];
/** Air of a small room, m³. */
const SMALL_ROOM_M3 = 25;
/** Litres of gas in a gram, at 25 °C. */
const L_PER_G = 0.556;

/** Carbon dioxide: how it is fed, what it comes to, how long a bottle lasts. */
@Component({
  selector: 'tr-co2-fields',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      <tr-select
        label="CO₂ is fed"
        none="not fed"
        [options]="by"
        [disabled]="locked()"
        [value]="co2()?.set?.by ?? null"
        (chosen)="choose($event)"
      />
      @if (co2(); as feed) {
        @switch (feed.set.by) {
          @case ('level') {
            <tr-quantity
              kind="concentration"
              label="Level by day"
              [limits]="[1, 100]"
              [value]="feed.set.by === 'level' ? feed.set.mgPerL : null"
              [disabled]="locked()"
              (quantity)="put({ by: 'level', mgPerL: $event })"
            />
          }
          @case ('bubbles') {
            <tr-quantity
              kind="number"
              label="Bubbles a second"
              [limits]="[0.05, 50]"
              [value]="feed.set.by === 'bubbles' ? feed.set.perSecond : null"
              [disabled]="locked()"
              (quantity)="put({ by: 'bubbles', perSecond: $event })"
            />
          }
          @case ('mass') {
            <tr-quantity
              kind="number"
              label="Grams a day"
              [limits]="[0.01, 500]"
              [value]="feed.set.by === 'mass' ? feed.set.gPerDay : null"
              [disabled]="locked()"
              (quantity)="put({ by: 'mass', gPerDay: $event })"
            />
          }
        }
        <tr-quantity
          kind="number"
          label="Bottle holds, g"
          placeholder="not stated"
          [limits]="[1, 100000]"
          [optional]="true"
          [value]="feed.bottleG"
          [disabled]="locked()"
          (quantity)="set('Bottle', { bottleG: $event })"
          (cleared)="set('Bottle', { bottleG: null })"
        />
        @if (feed.onHour !== null || feed.offHour !== null) {
          <button type="button" class="btn" [disabled]="locked()" (click)="set('CO₂ with the lamps', { onHour: null, offHour: null })">
            On and off with the lamps
          </button>
        }
      }
    </div>
    @if (says(); as text) {
      <p class="small">
        <button type="button" class="pick" (click)="why.node('gear.co2')">{{ text }}</button>
      </p>
    }
    @if (co2()) {
      <p class="small soft">
        A cylinder stands upright and tied, out of the sun, never where people sleep.
        @if (leak(); as text) {
          {{ text }}
        }
      </p>
    }
  `,
  styleUrls: ['../ui/scene-bench.less'],
  styles: `
    .fields {
      align-items: end;
    }
    p {
      margin: 6px 0 0;
    }
  `,
})
export class Co2Fields {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly by = BY;
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly co2 = computed(() => this.view.design()?.water.co2 ?? null);

  protected readonly says = computed(() => {
    const course = this.view.told()?.derived['gear.co2'].value;
    if (!course) return null;
    const lasts = course.bottleDays === null ? '' : `; a bottle lasts about ${Math.round(course.bottleDays)} days`;
    const units = this.units();
    return `About ${formatQuantity('concentration', course.mgPerL, units)} when it has been on, ${rounded(course.gPerDay, 1, units)} g a day${lasts}`;
  });

  /** What a bottle that leaks does to the air, so that nobody takes it for harmless. */
  protected readonly leak = computed(() => {
    const grams = this.co2()?.bottleG ?? null;
    if (grams === null) return null;
    const percent = (grams * L_PER_G) / SMALL_ROOM_M3 / 10;
    return `All of it at once is ${rounded(percent, 1, this.units())} % of the air of a room of ${SMALL_ROOM_M3} m³; from 0.5 % on it harms, 4 % is deadly: air the room, fit an alarm.`;
  });

  protected choose(by: By | null): void {
    if (by === this.co2()?.set.by) return;
    const level = co2At(20);
    const start: Record<By, Co2Feed['set']> = {
      level: level.set,
      bubbles: { by: 'bubbles', perSecond: 1 },
      mass: { by: 'mass', gPerDay: 2 },
    };
    const value = by === null ? null : { ...(this.co2() ?? level), set: start[by] };
    this.store.edit('CO₂', [{ op: 'replace', path: '/water/co2', value }]);
  }

  protected put(set: Co2Feed['set']): void {
    this.set('CO₂', { set });
  }

  protected set(label: string, more: Partial<Co2Feed>): void {
    const co2 = this.co2();
    if (co2) this.store.edit(label, [{ op: 'replace', path: '/water/co2', value: { ...co2, ...more } }]);
  }
}
