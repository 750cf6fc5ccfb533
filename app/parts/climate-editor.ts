import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { formatSpan } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import { PreferencesStore } from '../store/preferences';
import { QuantityField } from '../ui/quantity-field';

const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** A smooth year from its coldest and warmest month; coldest in January (north) or July (south). The day swings by 2 degC. */
export function smoothYear(coldestC: number, warmestC: number, south: boolean): Span[] {
  const middle = (coldestC + warmestC) / 2;
  const swing = (warmestC - coldestC) / 2;
  return MONTHS.map((_, month) => {
    const mean = middle - swing * Math.cos((2 * Math.PI * (month - (south ? 6 : 0))) / 12);
    const half = Math.min(1, swing);
    const round = (value: number) => Math.round(value * 2) / 2;
    return [round(Math.max(coldestC, mean - half)), round(Math.min(warmestC, mean + half))];
  });
}

/** The room's air through the year: coldest and warmest, then month by month. */
@Component({
  selector: 'tr-climate-editor',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="quick" (submit)="$event.preventDefault(); fill()">
      <tr-quantity
        label="Room, coldest"
        kind="temperature"
        placeholder=""
        [limits]="[-30, 50]"
        [value]="coldest()"
        (quantity)="coldest.set($event)"
      />
      <tr-quantity
        label="warmest"
        kind="temperature"
        placeholder=""
        [limits]="[-30, 50]"
        [value]="warmest()"
        (quantity)="warmest.set($event)"
      />
      <label class="small"
        ><input type="checkbox" [checked]="south()" (change)="south.set($any($event.target).checked)" /> southern hemisphere</label
      >
      <button class="btn" type="submit">Fill the year</button>
    </form>
    @if (reason()) {
      <p class="error" role="alert">{{ reason() }}</p>
    }
    @if (climate(); as year) {
      <details>
        <summary class="small">Month by month ({{ summary(year) }})</summary>
        <div class="months">
          @for (month of months; track month; let i = $index) {
            <span class="small">{{ month.slice(0, 3) }}</span>
            <tr-quantity
              [label]="month + ' low'"
              [hideLabel]="true"
              kind="temperature"
              [limits]="[-30, year[i]![1]]"
              [value]="year[i]![0]"
              (quantity)="set(i, 0, $event)"
            />
            <tr-quantity
              [label]="month + ' high'"
              [hideLabel]="true"
              kind="temperature"
              [limits]="[year[i]![0], 50]"
              [value]="year[i]![1]"
              (quantity)="set(i, 1, $event)"
            />
          }
        </div>
      </details>
    }
  `,
  styles: `
    .quick {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 8px;
      margin-top: 8px;
    }
    .quick tr-quantity {
      width: 104px;
    }
    details {
      margin-top: 6px;
    }
    summary {
      cursor: pointer;
    }
    .months {
      display: grid;
      grid-template-columns: repeat(2, 34px 1fr 1fr);
      gap: 4px 8px;
      align-items: center;
      margin-top: 6px;
    }
  `,
})
export class ClimateEditor {
  readonly climate = input.required<readonly Span[] | null>();
  readonly patch = output<Operation[]>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly months = MONTHS;
  protected readonly coldest = signal<number | null>(null);
  protected readonly warmest = signal<number | null>(null);
  protected readonly south = signal(false);
  protected readonly reason = signal<string | null>(null);

  protected summary(year: readonly Span[]): string {
    return formatSpan('temperature', [Math.min(...year.map(([low]) => low)), Math.max(...year.map(([, high]) => high))], this.units());
  }

  protected fill(): void {
    const [coldest, warmest] = [this.coldest(), this.warmest()];
    if (coldest === null || warmest === null) return this.reason.set('Type the coldest and the warmest first.');
    if (coldest > warmest) return this.reason.set('The coldest is above the warmest.');
    this.reason.set(null);
    this.patch.emit([{ op: 'replace', path: '/climateC', value: smoothYear(coldest, warmest, this.south()) }]);
  }

  protected set(month: number, end: 0 | 1, value: number): void {
    this.patch.emit([{ op: 'replace', path: `/climateC/${month}/${end}`, value }]);
  }
}
