import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { Router } from '@angular/router';
import { ChoiceField, type Choice } from '../ui/choice';
import { ChartsFace } from './charts-face';
import { DiagnosisFace } from './diagnosis-face';
import { DoFace } from './do-face';
import { LogFace } from './log-face';
import { ProbesFace } from './probes-face';
import { ToldFace } from './told-face';

type Face = 'do' | 'log' | 'charts' | 'told' | 'wrong' | 'probes';
const FACES: readonly Choice<Face>[] = [
  { value: 'do', text: 'To do' },
  { value: 'log', text: 'Log' },
  { value: 'charts', text: 'Curves' },
  { value: 'probes', text: 'Probes' },
  { value: 'told', text: 'What it says' },
  { value: 'wrong', text: 'What is wrong?' },
];
const HINT: Readonly<Record<Face, string>> = {
  do: 'what is due today, and on the days that come',
  log: 'what happened, as it was written down',
  charts: 'what was read, against the plan',
  probes: 'what a monitor in the tank reads now',
  told: 'what the log shows, and what to do next',
  wrong: 'from what is seen to what it may be',
};

/** The tank that runs: what is to be done, what happened, and how it goes. */
@Component({
  selector: 'tr-care-bench',
  imports: [ChartsFace, ChoiceField, DiagnosisFace, DoFace, LogFace, ProbesFace, ToldFace],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1>Care</h1>
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
      @case ('do') {
        <tr-do-face />
      }
      @case ('log') {
        @defer (on immediate) {
          <tr-log-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('told') {
        @defer (on immediate) {
          <tr-told-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('probes') {
        @defer (on immediate) {
          <tr-probes-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('wrong') {
        @defer (on immediate) {
          <tr-diagnosis-face />
        } @placeholder {
          <p class="soft">Opening …</p>
        }
      }
      @case ('charts') {
        @defer (on immediate) {
          <tr-charts-face />
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
      margin-bottom: 8px;
    }
    .faces {
      margin-left: auto;
    }
  `,
})
export class CareBench {
  private readonly router = inject(Router);
  protected readonly faces = FACES;
  /** The face in the address, so that it can be linked to and comes back with the page. */
  readonly face = input<string>();
  protected readonly shown = linkedSignal<Face>(() => FACES.find(({ value }) => value === this.face())?.value ?? 'do');
  protected readonly hint = computed(() => HINT[this.shown()]);

  protected choose(face: Face): void {
    this.shown.set(face);
    void this.router.navigate([], { queryParams: { face: face === 'do' ? null : face }, replaceUrl: true });
  }
}
