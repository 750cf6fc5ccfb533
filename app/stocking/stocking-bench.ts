import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { CompanyFace } from './company-face';
import { FoodFace } from './food-face';
import { HealthFace } from './health-face';
import { HowManyFace } from './how-many-face';
import { OrderFace } from './order-face';
import { SightFace } from './sight-face';
import { WhoElseFace } from './who-else-face';

type Face = 'company' | 'sight' | 'many' | 'else' | 'order' | 'food' | 'health';
const FACES: readonly Choice<Face>[] = [
  { value: 'company', text: 'Company' },
  { value: 'sight', text: 'Who sees whom' },
  { value: 'many', text: 'How many' },
  { value: 'else', text: 'Who else' },
  { value: 'order', text: 'In which order' },
  { value: 'food', text: 'Food' },
  { value: 'health', text: 'Health' },
];
const HINT: Readonly<Record<Face, string>> = {
  company: 'who lives with whom',
  sight: 'territories, and the lines between their hides',
  else: 'every animal of the catalogue, put in and judged',
  many: 'what the tank carries, and what runs out first',
  order: 'who goes in when, and what the filter says to it',
  food: 'who eats what, and who goes hungry',
  health: 'who came from where, what may have come along, and what is dosed',
};

/** Who lives with whom, and who else could. */
@Component({
  selector: 'tr-stocking-bench',
  imports: [ChoiceField, CompanyFace, FoodFace, HealthFace, HowManyFace, OrderFace, SightFace, WhoElseFace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1>Stocking</h1>
      <span class="soft small">{{ hint() }}</span>
      <tr-choice
        class="faces"
        label="Face of this bench"
        [hideLabel]="true"
        [options]="faces"
        [value]="shown()"
        (chosen)="choose($event)"
      />
    </div>
    @switch (shown()) {
      @case ('company') {
        <tr-company-face />
      }
      @case ('else') {
        @defer (on immediate) {
          <tr-who-else-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('sight') {
        @defer (on immediate) {
          <tr-sight-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('order') {
        @defer (on immediate) {
          <tr-order-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('food') {
        @defer (on immediate) {
          <tr-food-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('health') {
        @defer (on immediate) {
          <tr-health-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('many') {
        @defer (on immediate) {
          <tr-how-many-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
    }
  `,
  styleUrl: './stocking-bench.less',
})
export class StockingBench {
  private readonly router = inject(Router);
  protected readonly faces = FACES;
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'company');
  protected readonly hint = computed(() => HINT[this.shown()]);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'company' ? null : face }, replaceUrl: true });
  }
}
