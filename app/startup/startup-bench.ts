import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { CourseFace } from './course-face';
import { GetFace } from './get-face';
import { TroubleFace } from './trouble-face';
import { WorkFace } from './work-face';

type Face = 'get' | 'work' | 'course' | 'trouble';
const FACES: readonly Choice<Face>[] = [
  { value: 'get', text: 'What to get' },
  { value: 'work', text: 'The work' },
  { value: 'course', text: 'The course' },
  { value: 'trouble', text: 'Trouble' },
];
const HINT: Readonly<Record<Face, string>> = {
  get: 'all that the design holds, less what is here',
  work: 'step by step, to be ticked at the tank',
  course: 'how the filter grows in, until animals may come',
  trouble: 'what turns up in the first weeks, and whom it harms',
};

/** From plan to living tank: what to get, the work, the course of the start. */
@Component({
  selector: 'tr-startup-bench',
  imports: [ChoiceField, CourseFace, GetFace, TroubleFace, WorkFace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1>Start-up</h1>
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
      @case ('course') {
        <tr-course-face />
      }
      @case ('get') {
        @defer (on immediate) {
          <tr-get-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('work') {
        @defer (on immediate) {
          <tr-work-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('trouble') {
        @defer (on immediate) {
          <tr-trouble-face />
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
export class StartupBench {
  private readonly router = inject(Router);
  protected readonly faces = FACES;
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'course');
  protected readonly hint = computed(() => HINT[this.shown()]);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'course' ? null : face }, replaceUrl: true });
  }
}
