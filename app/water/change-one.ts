import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { changeSeries, changesNeeded } from '../../core/water/change-series';
import { evaluate } from '../../core/calculation/calculation';
import { formatNumber, formatQuantity, unitOf } from '../../core/quantity/format';
import type { QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { mixedTests, settledTests } from './planned-tests';

/** What one change does, and what several of them do, from the settled tank towards the water that is poured. */
@Component({
  selector: 'tr-change-one',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>What a change does</h2>
    <div class="fields">
      <tr-quantity label="Changed" kind="fraction" [limits]="[0.01, 1]" [value]="fraction()" (quantity)="fraction.set($event)" />
      <tr-quantity label="So many times" kind="count" [limits]="[1, 60]" [value]="count()" (quantity)="count.set(round($event))" />
    </div>
    @if (rows().length === 0) {
      <p>Choose a vessel and pour water whose GH and KH are known: then its changes are reckoned here.</p>
    } @else {
      <p>
        One change of <strong>{{ litres() }}</strong> moves the settled tank so:
      </p>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col"><span class="visually-hidden">Of</span></th>
              <th scope="col" class="value">Before</th>
              <th scope="col" class="value">Poured</th>
              <th scope="col" class="value">After one</th>
              <th scope="col" class="value">After {{ count() }}</th>
              <th scope="col" class="value">Changes to half way</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.name) {
              <tr>
                <th scope="row">{{ row.name }}</th>
                <td class="value">{{ row.before }}</td>
                <td class="value">{{ row.poured }}</td>
                <td class="value">{{ row.one }}</td>
                <td class="value">{{ row.all }}</td>
                <td class="value">{{ row.half }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <p class="small soft">Cₙ = S + (C₀ − S)(1 − f)ⁿ, with nothing made in between. Not for pH: it follows from KH and CO₂.</p>
    }
  `,
  styles: `
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
      margin: 8px 0 10px;
      tr-quantity {
        width: 140px;
      }
    }
    .scroll {
      margin: 6px 0;
    }
  `,
})
export class ChangeOne {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly fraction = signal(0.25);
  protected readonly count = signal(3);
  protected readonly round = Math.round;
  protected readonly litres = computed(() =>
    formatQuantity('volume', (this.view.derived()?.['vessel.system-volume'].value ?? 0) * this.fraction(), this.units()),
  );

  protected readonly rows = computed(() => {
    const derived = this.view.derived();
    const settled = derived?.['tank.settled'].value;
    const ahead = derived?.['tank.ahead'].value;
    if (!derived || !settled || !ahead) return [];
    const units = this.units();
    const before = settledTests(derived);
    const poured = mixedTests(derived);
    const lines: { name: string; kind: QuantityKind; from: number | undefined; to: number | undefined }[] = [
      { name: 'GH', kind: 'hardness', from: before.ghDh, to: poured.ghDh },
      { name: 'KH', kind: 'alkalinity', from: before.khDh, to: poured.khDh },
      { name: 'Conductivity', kind: 'conductivity', from: before.ec25UsPerCm, to: poured.ec25UsPerCm },
      {
        name: 'Nitrate (NO₃)',
        kind: 'concentration',
        from: settled.usual.nitrateMgPerL,
        to: ahead.scenario.replacement.nitrateMgN * 4.4266,
      },
      {
        name: 'Phosphate (PO₄)',
        kind: 'concentration',
        from: settled.usual.phosphateMgPerL,
        to: ahead.scenario.replacement.phosphateMgP * 3.0662,
      },
    ];
    return lines.flatMap(({ name, kind, from, to }) => {
      if (from === undefined || to === undefined) return [];
      const outcome = evaluate(changeSeries, { start: from, replacement: to, fraction: this.fraction(), count: this.count() });
      const values = outcome.value?.values ?? [];
      const show = (value: number | undefined) => (value === undefined ? '–' : formatNumber(kind, value, units));
      const needed = changesNeeded(from, to, this.fraction(), (from + to) / 2);
      return [
        {
          name: `${name} ${unitOf(kind, units).unit}`.trim(),
          before: show(from),
          poured: show(to),
          one: show(values[0]),
          all: show(values.at(-1)),
          half: needed === null || needed === 0 ? '–' : String(Math.ceil(needed - 1e-9)),
        },
      ];
    });
  });
}
