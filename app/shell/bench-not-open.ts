import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { SeverityGlyph } from '../ui/severity-glyph';
import { BENCH_LIST } from './benches';

/** A bench that Terroir does not judge yet says so: unknown, never fine. */
@Component({
  selector: 'tr-bench-not-open',
  imports: [SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>{{ entry()?.name ?? 'No such bench' }}</h1>
    <p class="state"><tr-severity severity="unknown" [silent]="true" /> Not judged yet</p>
    @if (entry()) {
      <p>Terroir cannot work on this part of the tank yet. Nothing here counts as fine: it is unknown.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      max-width: 520px;
    }
    .state {
      display: flex;
      align-items: center;
      gap: 8px;
      color: var(--soft);
    }
  `,
})
export class BenchNotOpen {
  readonly bench = input.required<string>();
  private readonly benches = inject(BENCH_LIST);
  protected readonly entry = computed(() => this.benches.find(({ id }) => id === this.bench()));
}
