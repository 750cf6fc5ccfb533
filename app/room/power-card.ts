import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Operation } from 'rfc6902';
import { addedUp, AIR_PER_TANK_L_PER_MIN, sharedAir } from '../../core/assessment/added-up';
import type { Room } from '../../core/design/room';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import type { TankSummary } from '../store/summary';
import { QuantityField } from '../ui/quantity-field';

/** What all tanks of a room ask of its current: together, and line by line. */
@Component({
  selector: 'tr-power-card',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (told(); as t) {
      <p>{{ t.text }}</p>
      @if (t.lines.length > 0) {
        <table>
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">All of it on at once</th>
              <th scope="col">At 230 V</th>
              <th scope="col">At 120 V</th>
            </tr>
          </thead>
          <tbody>
            @for (line of t.lines; track line.name) {
              <tr>
                <th scope="row">{{ line.name }}</th>
                <td>{{ line.watts }}</td>
                <td>{{ line.amps230 }}</td>
                <td>{{ line.amps120 }}</td>
              </tr>
            }
          </tbody>
        </table>
      }
      @for (line of air(); track line) {
        <p>{{ line }}</p>
      }
      <p class="small soft">
        Labels, as they are drawn when the current comes back and every heater is cold. A line is often good for 10 to 16 A, less for hours
        on end: ask a licensed electrician, by your local code. Lines are named on the Equipment bench of each tank.
      </p>
    } @else {
      <p class="soft">Nothing is plugged in yet, or its tanks are still being judged.</p>
    }
    <tr-quantity
      class="price"
      label="Price of a kWh"
      kind="number"
      placeholder="not stated"
      [limits]="[0, 1000]"
      [value]="room().pricePerKwh"
      [optional]="true"
      (quantity)="set($event)"
      (cleared)="set(null)"
    />
  `,
  styles: `
    :host {
      display: block;
    }
    td,
    th {
      padding: 3px 16px 3px 0;
      text-align: left;
    }
    .price {
      width: 150px;
    }
  `,
})
export class PowerCard {
  readonly room = input.required<Room>();
  readonly tanks = input.required<readonly TankSummary[]>();
  readonly patch = output<Operation[]>();
  private readonly units = inject(PreferencesStore).units;

  protected readonly told = computed(() => {
    const uses = this.tanks().flatMap(({ judged }) => judged?.power ?? []);
    const all = addedUp(uses);
    if (all.sockets === 0) return null;
    const units = this.units();
    const price = this.room().pricePerKwh;
    const amps = (watts: number, volts: number) => `${rounded(watts / volts, 1, units)} A`;
    const named = Object.entries(all.lines).sort(([, a], [, b]) => b - a);
    const unstated = all.unstated > 0 ? `; the power of ${all.unstated} ${all.unstated === 1 ? 'device is' : 'devices is'} not stated` : '';
    const cost = price === null ? '' : `, ${rounded(all.kwhPerYear * price, 2, units)}`;
    return {
      text: `${uses.length} ${uses.length === 1 ? 'tank' : 'tanks'}, ${all.sockets} plugs, ${all.timers} on timers, ${formatQuantity('power', all.ratedW, units)} in all; about ${rounded(all.kwhPerYear, 0, units)} kWh a year${cost}${unstated}.`,
      lines: named.map(([name, watts]) => ({
        name: name === '' ? 'on no named line' : name,
        watts: formatQuantity('power', watts, units),
        amps230: amps(watts, 230),
        amps120: amps(watts, 120),
      })),
    };
  });

  /** Pumps that blow into several tanks, and whether it is enough for them. */
  protected readonly air = computed(() => {
    const tanks = this.tanks();
    const name = (id: string) => tanks.find((tank) => tank.id === id)?.name ?? 'a tank that is no longer here';
    return sharedAir(tanks.map(({ id, judged }) => ({ id, air: judged?.power?.air ?? [] }))).map(({ tankId, lPerMin, has, tankIds }) => {
      const others = tankIds.slice(1).map(name).join(', ');
      if (!has) return `${others}: air is to come from ${name(tankId)}, which has no air pump.`;
      const start = `The air of ${name(tankId)} goes into ${tankIds.length} tanks (also ${others})`;
      if (lPerMin === null) return `${start}; what its pump gives is not stated.`;
      const each = lPerMin / tankIds.length;
      const enough = each >= AIR_PER_TANK_L_PER_MIN ? 'enough for a sponge in each' : 'too little for a sponge in each, which takes 1 to 2';
      return `${start}: ${rounded(each, 1, this.units())} L/min for each of them, ${enough}; the deepest gets least unless its valve is opened most.`;
    });
  });

  protected set(value: number | null): void {
    this.patch.emit([{ op: 'replace', path: '/pricePerKwh', value }]);
  }
}
