import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { SEVERITY_WORD, type Severity } from '../../core/calculation/finding';

/** Severity as a shape and a word: filled diamond, triangle, dot, open dashed ring. */
@Component({
  selector: 'tr-severity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg width="13" height="13" viewBox="0 0 13 13" aria-hidden="true">
      @switch (severity()) {
        @case ('conflict') {
          <path class="conflict" d="M6.5 0.5 12.5 6.5 6.5 12.5 0.5 6.5Z" />
        }
        @case ('watch') {
          <path class="watch" d="M6.5 1.5 12 11.5H1Z" />
        }
        @case ('fits') {
          <circle class="fits" cx="6.5" cy="6.5" r="3.4" />
        }
        @default {
          <circle class="unknown" cx="6.5" cy="6.5" r="4.6" />
        }
      }
    </svg>
    @if (!silent()) {
      <span class="visually-hidden">{{ word() }}: </span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      color: inherit;
    }
    .conflict {
      fill: var(--severity-ink, var(--oxide));
    }
    .watch {
      fill: none;
      stroke: var(--severity-ink, var(--ochre));
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
    .fits {
      fill: var(--severity-ink, var(--stone));
    }
    .unknown {
      fill: none;
      stroke: var(--severity-ink, var(--soft));
      stroke-width: 1.6;
      stroke-dasharray: 2.2 1.8;
    }
  `,
})
export class SeverityGlyph {
  readonly severity = input.required<Severity>();
  /** Leaves the word out where one stands beside it. */
  readonly silent = input(false);
  protected readonly word = computed(() => SEVERITY_WORD[this.severity()]);
}
