import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { CarePlan, Surface } from '../../core/care/model';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { sourceLabel } from '../../core/design/room';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** Stands for topping up with what the tank is filled with; no source is called so. */
const OWN_MIX = '(its own mix)';

const SURFACES: readonly { value: Surface; text: string }[] = [
  { value: 'still', text: 'still' },
  { value: 'ripple', text: 'rippled by the filter' },
  { value: 'air-stone', text: 'air stone' },
];

/** Feed, changes, top-up, light and surface: what the tank's balance rests on. */
@Component({
  selector: 'tr-routine-fields',
  imports: [SelectField, QuantityField],
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
      <tr-select
        label="Topped up with"
        none="not stated"
        [options]="toppedWith()"
        [disabled]="locked()"
        [value]="c.topUp && (c.topUp.sourceId ?? OWN_MIX)"
        (chosen)="topUp($event)"
      />
      @if (c.topUp; as t) {
        <tr-select
          label="How often"
          [options]="oftens"
          [disabled]="locked()"
          [value]="t.everyDays"
          (chosen)="set('Top-up', ['topUp', 'everyDays'], $event)"
        />
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
      <tr-select
        label="Surface"
        none="not stated"
        [options]="surfaces"
        [disabled]="locked()"
        [value]="c.surface"
        (chosen)="set('Surface', ['surface'], $event)"
      />
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(134px, 1fr));
      gap: 8px 14px;
    }
  `,
})
export class RoutineFields {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly surfaces = SURFACES;
  protected readonly oftens = [
    { value: 0, text: 'by itself' },
    { value: 1, text: 'daily' },
    { value: 3, text: 'every 3 days' },
    { value: 7, text: 'weekly' },
    { value: 14, text: 'fortnightly' },
  ];
  protected readonly care = computed<CarePlan | undefined>(() => this.view.design()?.care);
  protected readonly locked = computed(() => this.view.readOnly());
  protected readonly OWN_MIX = OWN_MIX;
  protected readonly toppedWith = computed(() => [
    { value: OWN_MIX, text: 'its own mix' },
    ...inOrder(this.view.room()?.sources ?? {}).map(([value, source]) => ({ value, text: sourceLabel(source) })),
  ]);

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

  protected topUp(choice: string | null): void {
    const everyDays = this.care()?.topUp?.everyDays ?? 7;
    this.set('Top-up', ['topUp'], choice && { sourceId: choice === OWN_MIX ? null : choice, everyDays });
  }
}
