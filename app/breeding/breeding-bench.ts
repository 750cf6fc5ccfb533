import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { BroodsFace } from './broods-face';
import { ColonyFace } from './colony-face';
import { CountFace } from './count-face';
import { CrossFace } from './cross-face';
import { LinesFace } from './lines-face';
import { ReadyFace } from './ready-face';

type Face = 'ready' | 'broods' | 'colony' | 'count' | 'lines' | 'crosses';
const FACES: readonly Choice<Face>[] = [
  { value: 'ready', text: 'Ready to spawn' },
  { value: 'broods', text: 'Broods' },
  { value: 'colony', text: 'Colony' },
  { value: 'count', text: 'Counting' },
  { value: 'lines', text: 'Lines' },
  { value: 'crosses', text: 'Crosses' },
];
const HINT: Readonly<Record<Face, string>> = {
  ready: 'what they want, and what lacks',
  broods: 'what was laid, and what each day asks',
  colony: 'its growth, and what to take out',
  count: 'how many, and how far off',
  lines: 'who came of whom, and what a pairing costs',
  crosses: 'what comes of a pair',
};

/** From pair to surplus. */
@Component({
  selector: 'tr-breeding-bench',
  imports: [BroodsFace, ChoiceField, ColonyFace, CountFace, CrossFace, LinesFace, ReadyFace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1>Breeding</h1>
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
      @case ('ready') {
        <tr-ready-face />
      }
      @case ('broods') {
        @defer (on immediate) {
          <tr-broods-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('colony') {
        @defer (on immediate) {
          <tr-colony-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('count') {
        @defer (on immediate) {
          <tr-count-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('lines') {
        @defer (on immediate) {
          <tr-lines-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('crosses') {
        @defer (on immediate) {
          <tr-cross-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
    }
  `,
  styles: `
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 2px 10px;
      margin-bottom: 6px;
    }
    .faces {
      margin-left: auto;
    }
  `,
})
export class BreedingBench {
  private readonly router = inject(Router);
  protected readonly faces = FACES;
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'ready');
  protected readonly hint = computed(() => HINT[this.shown()]);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'ready' ? null : face }, replaceUrl: true });
  }
}
