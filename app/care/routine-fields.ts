import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { CarePlan, Surface } from '../../core/care/model';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { sourceLabel } from '../../core/design/room';
import { TankStore } from '../store/tank-store';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';

const SURFACES: readonly { value: Surface; text: string }[] = [
  { value: 'still', text: 'still' },
  { value: 'ripple', text: 'rippled by the filter' },
  { value: 'air-stone', text: 'air stone' },
];

/** Feed, changes, top-up, light and surface: what the tank's balance rests on. */
@Component({
  selector: 'tr-routine-fields',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (care(); as c) {
      <tr-quantity
        label="Dry feed a day"
        kind="mass"
        inUnit="g"
        placeholder="not stated"
        [limits]="[0, 500]"
        [value]="c.feed.gPerDay"
        [disabled]="locked()"
        [optional]="true"
        (quantity)="set('Feed', ['feed', 'gPerDay'], $event)"
        (cleared)="set('Feed', ['feed', 'gPerDay'], null)"
      />
      <tr-quantity
        label="Protein"
        kind="fraction"
        [limits]="[0.05, 0.8]"
        [value]="c.feed.proteinPct / 100"
        [disabled]="locked()"
        (quantity)="set('Protein of the feed', ['feed', 'proteinPct'], round($event * 100))"
      />
      <tr-quantity
        label="Changed each time"
        kind="fraction"
        placeholder="not stated"
        [limits]="[0.01, 1]"
        [value]="c.change?.fraction ?? null"
        [disabled]="locked()"
        [optional]="true"
        (quantity)="setChange({ fraction: $event })"
        (cleared)="set('Water changes', ['change'], null)"
      />
      <tr-quantity
        label="Every so many days"
        kind="count"
        placeholder="not stated"
        [limits]="[1, 120]"
        [value]="c.change?.everyDays ?? null"
        [disabled]="locked()"
        [optional]="true"
        (quantity)="setChange({ everyDays: round($event) })"
        (cleared)="set('Water changes', ['change'], null)"
      />
      <label>
        <span>Topped up with</span>
        <select [disabled]="locked()" (change)="topUp($any($event.target).value)">
          <option value="?" [selected]="c.topUp === null">not stated</option>
          <option value="" [selected]="c.topUp !== null && c.topUp.sourceId === null">its own mix</option>
          @for (source of sources(); track source.id) {
            <option [value]="source.id" [selected]="c.topUp?.sourceId === source.id">{{ source.name }}</option>
          }
        </select>
      </label>
      @if (c.topUp; as t) {
        <label>
          <span>How often</span>
          <select [disabled]="locked()" (change)="set('Top-up', ['topUp', 'everyDays'], +$any($event.target).value)">
            @for (often of oftens; track often.days) {
              <option [value]="often.days" [selected]="t.everyDays === often.days">{{ often.text }}</option>
            }
          </select>
        </label>
      }
      <tr-quantity
        label="Light, hours a day"
        kind="number"
        placeholder="not stated"
        [limits]="[0, 24]"
        [value]="c.lampHours"
        [disabled]="locked()"
        [optional]="true"
        (quantity)="set('Light', ['lampHours'], $event)"
        (cleared)="set('Light', ['lampHours'], null)"
      />
      <label>
        <span>Surface</span>
        <select [disabled]="locked()" (change)="set('Surface', ['surface'], $any($event.target).value || null)">
          <option value="" [selected]="c.surface === null">not stated</option>
          @for (surface of surfaces; track surface.value) {
            <option [value]="surface.value" [selected]="c.surface === surface.value">{{ surface.text }}</option>
          }
        </select>
      </label>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(134px, 1fr));
      gap: 8px 14px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
      min-width: 0;
    }
    label span {
      color: var(--soft);
      font-size: 12.5px;
    }
    select {
      min-width: 0;
    }
  `,
})
export class RoutineFields {
  private readonly view = inject(TankView);
  private readonly store = inject(TankStore);
  protected readonly surfaces = SURFACES;
  protected readonly oftens = [
    { days: 0, text: 'by itself' },
    { days: 1, text: 'daily' },
    { days: 3, text: 'every 3 days' },
    { days: 7, text: 'weekly' },
    { days: 14, text: 'fortnightly' },
  ];
  protected readonly care = computed<CarePlan | undefined>(() => this.view.design()?.care);
  protected readonly locked = computed(() => this.view.readOnly());
  protected readonly sources = computed(() =>
    inOrder(this.view.room()?.sources ?? {}).map(([id, source]) => ({ id, name: sourceLabel(source) })),
  );

  protected round(value: number): number {
    return Math.round(value);
  }

  protected set(label: string, path: readonly string[], value: unknown): void {
    this.store.edit(label, [{ op: 'replace', path: pointer('care', ...path), value }]);
  }

  protected setChange(part: Partial<NonNullable<CarePlan['change']>>): void {
    const now = this.care()?.change ?? { fraction: 0.15, everyDays: 7 };
    this.set('Water changes', ['change'], { ...now, ...part });
  }

  protected topUp(choice: string): void {
    const everyDays = this.care()?.topUp?.everyDays ?? 7;
    this.set('Top-up', ['topUp'], choice === '?' ? null : { sourceId: choice === '' ? null : choice, everyDays });
  }
}
