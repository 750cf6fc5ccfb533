import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { TankRound } from '../../core/assessment/round';
import type { Room } from '../../core/design/room';
import { formatQuantity } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { poursOf, saltsOf } from './carry';

/** A label for the can of each tank: what goes into it for one change. */
@Component({
  selector: 'tr-labels-face',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="no-print">
      One label for the can of each tank, to cut out and stick on under clear tape. A can keeps to its tank: what clings in it of salt, soap
      or medicine goes nowhere else. <button class="btn" type="button" (click)="print()">Print</button>
    </p>
    <ul>
      @for (label of labels(); track label.id) {
        <li>
          <strong>{{ label.name }}</strong>
          <span class="what">{{ label.what }}</span>
          @for (line of label.lines; track line) {
            <span>{{ line }}</span>
          }
          <span class="soft small">{{ label.how }}</span>
        </li>
      } @empty {
        <li class="soft">No tank of this room has a change planned yet.</li>
      }
    </ul>
  `,
  styles: `
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
      gap: 12px;
      margin: 12px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      gap: 2px;
      padding: 12px 14px;
      border: 1.5px dashed var(--soft);
      break-inside: avoid;
    }
    strong {
      font: 600 19px var(--display);
    }
    .what {
      font-weight: 600;
    }
    @media print {
      .no-print {
        display: none;
      }
      ul {
        grid-template-columns: repeat(3, 1fr);
      }
    }
  `,
})
export class LabelsFace {
  readonly room = input.required<Room>();
  readonly rounds = input.required<readonly TankRound[]>();
  private readonly units = inject(PreferencesStore).units;

  protected readonly labels = computed(() =>
    this.rounds().flatMap(({ designId, name, can }) => {
      if (!can) return [];
      const units = this.units();
      const pours = poursOf(can.pourL, this.room(), units);
      return [
        {
          id: designId,
          name,
          what: `${formatQuantity('volume', can.litres, units)} ${can.every}`,
          lines: [
            ...(pours.length > 1 || can.litres < 0.05 ? pours : pours.map((pour) => pour.replace(/^\S+ \S+ /, ''))),
            ...saltsOf(can.saltsG, this.room()),
          ],
          how: [
            can.temperatureC === null ? 'warmed to the tank' : `at ${formatQuantity('temperature', can.temperatureC, units)}`,
            ...(Object.keys(can.saltsG).length > 0 ? ['salts dissolved, stirred, left an hour'] : []),
          ].join('; '),
        },
      ];
    }),
  );

  protected print(): void {
    window.print();
  }
}
