import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { CompanyFace } from './company-face';
import { HowManyFace } from './how-many-face';
import { SightFace } from './sight-face';
import { WhoElseFace } from './who-else-face';

type Face = 'company' | 'sight' | 'many' | 'else';
const FACES: readonly Choice<Face>[] = [
  { value: 'company', text: 'Company' },
  { value: 'sight', text: 'Who sees whom' },
  { value: 'many', text: 'How many' },
  { value: 'else', text: 'Who else' },
];
const HINT: Readonly<Record<Face, string>> = {
  company: 'who lives with whom, and in which order they go in',
  sight: 'territories, and the lines between their hides',
  else: 'every animal of the catalogue, put in and judged',
  many: 'what the tank carries, and what runs out first',
};

/** Who lives with whom, and who else could. */
@Component({
  selector: 'tr-stocking-bench',
  imports: [ChoiceField, CompanyFace, HowManyFace, SightFace, WhoElseFace],
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
