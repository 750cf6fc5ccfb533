import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { rangeFor, type Animal } from '../../core/catalogue/organism';
import { ammoniaOnArrival, BOXES, oxygenHours, warmthAfter, weatherWindow, type Box } from '../../core/lots/shipping';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { massOfAnimal } from '../../core/stocking/body-mass';
import { breathOf } from '../../core/stocking/breath';
import { PreferencesStore } from '../store/preferences';
import type { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

const BOX_CHOICES: readonly Choice<Box>[] = (Object.keys(BOXES) as Box[]).map((value) => ({ value, text: value }));
/** Ammonia in a bag from which on it is not opened without thought, mg N/L. Common practice. */
const FOUL_MG_N = 2;
const LONGEST_H = 120;

/** Animals on their way: the weather in which they arrive as they should, the air in the bag, and what gathers in it. */
@Component({
  selector: 'tr-parcel',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <tr-quantity kind="count" label="How many" [limits]="[1, 500]" [value]="count()" (quantity)="count.set($event)" />
      <tr-quantity kind="volume" label="Water in the bag" [limits]="[0.05, 50]" [value]="waterL()" (quantity)="waterL.set($event)" />
      <tr-quantity kind="volume" label="Oxygen in it" [limits]="[0, 50]" [value]="oxygenL()" (quantity)="oxygenL.set($event)" />
      <tr-quantity kind="hours" label="On the way" [limits]="[1, 120]" [value]="hours()" (quantity)="hours.set($event)" />
      <tr-select label="Packed in a" [options]="boxes" [value]="box()" (chosen)="box.set($event ?? 'foam box')" />
      <tr-quantity kind="temperature" label="Outside" [limits]="[-30, 45]" [value]="outsideC()" (quantity)="outsideC.set($event)" />
    </div>
    <ul>
      @for (line of told(); track line.text) {
        <li [class.bad]="line.bad">{{ line.text }}</li>
      }
    </ul>
    <p class="small soft">
      Fasted for two days, shaded, no heat pack reckoned. Ask the carrier and the law of the place; never in frost or heat.
    </p>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 14px;
    }
    tr-quantity {
      width: 110px;
    }
    ul {
      margin: 8px 0;
      padding-left: 18px;
    }
    .bad {
      color: var(--oxide);
      font-weight: 600;
    }
  `,
})
export class Parcel {
  readonly animal = input.required<Animal>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly boxes = BOX_CHOICES;
  protected readonly count = signal(6);
  protected readonly waterL = signal(0.5);
  protected readonly oxygenL = signal(1);
  protected readonly hours = signal(24);
  protected readonly box = signal<Box>('foam box');
  protected readonly outsideC = signal(8);

  protected readonly told = computed(() => {
    const animal = this.animal();
    const units = this.units();
    const range = rangeFor(animal, 'keep', 'temperatureC')?.value;
    const optimum = range?.optimum ?? [null, null];
    const tolerance = range?.tolerance ?? [null, null];
    const startC = optimum[0] !== null && optimum[1] !== null ? (optimum[0] + optimum[1]) / 2 : 22;
    const [hours, boxHours] = [this.hours(), BOXES[this.box()]];
    const arrives = warmthAfter(startC, this.outsideC(), hours, boxHours);
    const warmth = (value: number) => formatQuantity('temperature', value, units);
    const cold = tolerance[0] !== null && arrives < tolerance[0];
    const hot = tolerance[1] !== null && arrives > tolerance[1];
    const [low, high] = weatherWindow(tolerance, startC, hours, boxHours);
    const each = massOfAnimal(animal);
    const lines = [
      {
        text: `From ${warmth(startC)} they arrive at ${warmth(arrives)}${cold ? ': too cold for them' : hot ? ': too warm for them' : ''}.`,
        bad: cold || hot,
      },
      {
        text:
          low === null && high === null
            ? 'What warmth they bear is not known.'
            : `They arrive within what they bear while it is ${low === null ? '' : `above ${warmth(low)}`}${low !== null && high !== null ? ' and ' : ''}${high === null ? '' : `below ${warmth(high)}`} outside.`,
        bad: false,
      },
    ];
    if (each === null) return [...lines, { text: 'How heavy they are is not known, so nothing is said of air and ammonia.', bad: false }];
    const grams = each * this.count();
    const lasts = oxygenHours(this.oxygenL(), (breathOf(animal, each) * this.count()) / 24);
    const foul = ammoniaOnArrival(grams, this.waterL(), hours, true);
    return [
      ...lines,
      {
        text:
          lasts > LONGEST_H
            ? 'The oxygen lasts longer than any parcel travels.'
            : `The oxygen lasts about ${rounded(lasts, 0, units)} hours.`,
        bad: lasts < 1.5 * hours,
      },
      {
        text: `About ${rounded(foul, 1, units)} mg/L of ammonia nitrogen gather on the way${foul > FOUL_MG_N ? ': fewer to a bag, or more water' : ''}.`,
        bad: foul > FOUL_MG_N,
      },
    ];
  });
}
