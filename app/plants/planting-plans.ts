import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import type { PlantingPlan, PlantingWish, Purpose } from '../../core/assessment/plan/planting';
import { formatQuantity } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { workedOut } from '../store/worked-out';
import { Check } from '../ui/check';
import { ChoiceField } from '../ui/choice';

const PURPOSE: { value: Purpose; text: string }[] = [
  { value: 'cover', text: 'Cover' },
  { value: 'breed', text: 'Breeding' },
  { value: 'show', text: 'Show' },
  { value: 'start', text: 'A quick start' },
];
const NAME: Readonly<Record<PlantingPlan['id'], string>> = {
  shade: 'On wood and in the shade',
  thicket: 'A thicket behind',
  meadow: 'Open in front',
};

/** Whole plantings for this tank, to choose from. */
@Component({
  selector: 'tr-planting-plans',
  imports: [Check, ChoiceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="piece" aria-labelledby="propose-heading">
      <div class="title">
        <h2 id="propose-heading">Propose a planting</h2>
        <span class="small soft">of kinds that live in this water, by this light</span>
      </div>
      <div class="line">
        <tr-choice label="For" [options]="purposes" [value]="purpose()" [disabled]="locked()" (chosen)="purpose.set($event)" />
        <tr-check [checked]="lowWork()" [disabled]="locked()" (changed)="lowWork.set($event)">Little to trim</tr-check>
        @if (hasPlants()) {
          <tr-check [checked]="atHand()" [disabled]="locked()" (changed)="atHand.set($event)">Only what is at hand</tr-check>
        }
        <button class="btn" type="button" [disabled]="locked()" [attr.aria-expanded]="asked()" (click)="asked.set(!asked())">
          {{ asked() ? 'Put them away' : 'Propose' }}
        </button>
      </div>
      @if (asked()) {
        @if (plans(); as all) {
          <ul class="plans" aria-label="Plantings">
            @for (plan of all; track plan.id) {
              <li>
                <h3>{{ plan.name }}</h3>
                <p>
                  @for (kind of plan.kinds; track kind.plantId) {
                    <span class="kind"
                      >{{ kind.count }} × <em>{{ kind.latin }}</em>{{ kind.atHand > 0 ? ' (' + kind.atHand + ' at hand)' : '' }}</span
                    >
                  }
                </p>
                <p class="small soft">{{ plan.gives }}</p>
                <button
                  class="btn"
                  type="button"
                  [disabled]="locked()"
                  [attr.aria-label]="'Plant it: ' + plan.name"
                  (click)="plant(plan.plan)"
                >
                  Plant it
                </button>
              </li>
            } @empty {
              <li class="soft">
                Nothing of the catalogue lives in this water by this light: mend the water or the light first, or loosen how true the tank
                is to its place.
              </li>
            }
          </ul>
        } @else {
          <p class="small soft">Trying them out …</p>
        }
      }
    </section>
  `,
  styleUrls: ['../ui/scene-bench.less'],
  styles: `
    .plans {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 210px), 1fr));
      gap: 10px 18px;
      margin: 10px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      align-items: start;
      gap: 4px;
      padding-top: 6px;
      border-top: 1px solid var(--rule);
    }
    h3,
    p {
      margin: 0;
    }
    h3 {
      font-size: 15px;
    }
    .kind {
      display: block;
    }
    li .btn {
      margin-top: auto;
    }
  `,
})
export class PlantingPlans {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  /** Planted: there is something to look at. */
  readonly planted = output();
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design()?.vessel);
  protected readonly purposes = PURPOSE;
  protected readonly purpose = signal<Purpose>('cover');
  protected readonly lowWork = signal(false);
  protected readonly atHand = signal(false);
  protected readonly hasPlants = computed(() =>
    Object.values(this.tank.room()?.onHand ?? {}).some(({ kind, amount }) => kind === 'plant' && amount >= 1),
  );
  protected readonly asked = signal(false);
  private readonly wish = computed((): PlantingWish | null =>
    this.asked() && !this.locked()
      ? { purpose: this.purpose(), lowWork: this.lowWork(), ...(this.atHand() && this.hasPlants() ? { atHand: true } : {}) }
      : null,
  );
  private readonly found = workedOut(this.tank, 'plantings', this.wish);
  protected readonly plans = computed(() =>
    this.found()?.map((plan) => ({
      id: plan.id,
      name: NAME[plan.id],
      kinds: plan.kinds,
      plan,
      gives: [
        `Over ${Math.round(plan.plantedOver * 100)} % of the floor when planted`,
        `${formatQuantity('volume', plan.foliageL, this.units())} of leaves grown in`,
        ...(plan.floating > 0.02 ? [`${Math.round(plan.floating * 100)} % of the surface shaded`] : []),
        plan.trimDays === null ? 'hardly any trimming' : `trimmed every ${plan.trimDays} days`,
      ].join('; '),
    })),
  );

  protected plant({ id, patch }: PlantingPlan): void {
    if (!this.store.edit(`Plant: ${NAME[id].toLowerCase()}`, patch)) return;
    this.asked.set(false);
    this.planted.emit();
  }
}
