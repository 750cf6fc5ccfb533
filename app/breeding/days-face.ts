import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { wordBroodDays } from '../../core/assessment/wording/brood-days';
import { Day, dayOf } from '../../core/schedule/day';
import { chosenKind } from '../store/chosen-kind';
import { TankView } from '../store/tank-view';
import { datedDay } from '../ui/day-text';
import { SelectField } from '../ui/select';

/** The days of a brood, from laying to young of their own, with what each asks. */
@Component({
  selector: 'tr-days-face',
  imports: [SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and this says what a brood of it asks, day by day.</p>
    } @else {
      <div class="ask" data-control="days">
        @if (kinds().length > 1) {
          <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="stockId.set($event)" />
        }
        <label
          >Laid, mated or first seen carrying on <input type="date" [value]="laid()" (change)="set($any($event.target).value)"
        /></label>
      </div>
      @if (lines(); as rows) {
        <table aria-label="The days of a brood">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">When</th>
              <th scope="col">To do</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows; track row.stage) {
              <tr [attr.data-stage]="row.stage" [class.next]="row.stage === 'next'">
                <th scope="row">{{ row.name }}</th>
                <td class="when">{{ row.when }}</td>
                <td>{{ row.todo }}</td>
              </tr>
            }
          </tbody>
        </table>
        <p class="small soft">
          Days to hatching and between broods are of the kind, at the warmth it is kept at for breeding: eggs in cooler water take longer,
          about twice as long ten degrees below. From the yolk to the sexes it is common practice, and a range. The date is to try with and
          is not kept; what has happened is written down in the log, at Care.
        </p>
      } @else {
        <p class="soft">How this kind breeds is not known.</p>
      }
    }
  `,
  styles: `
    .ask {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 10px 20px;
      margin: 6px 0 10px;
    }
    thead th:first-child {
      padding-left: 0;
    }
    tbody th {
      width: 190px;
      padding: 8px 12px 8px 0;
      border-top: 1px solid var(--rule);
      color: var(--ink);
      font-size: 15px;
      font-weight: 700;
      text-align: left;
    }
    .when {
      width: 170px;
      font-variant-numeric: tabular-nums;
    }
    .next th {
      font-style: italic;
      font-weight: 400;
    }
    @media (max-width: 719px) {
      tbody th,
      .when {
        width: auto;
      }
    }
  `,
})
export class DaysFace {
  private readonly tank = inject(TankView);
  private readonly chosen = chosenKind(this.tank);
  protected readonly kinds = this.chosen.kinds;
  protected readonly stockId = this.chosen.stockId;
  private readonly today = dayOf(new Date());
  protected readonly laid = signal<Day>(this.today);

  protected set(day: string): void {
    if (Day.safeParse(day).success) this.laid.set(day);
  }

  protected readonly lines = computed(() => {
    const entry = this.tank.design()?.stock[this.stockId() ?? ''];
    const organism = this.tank.catalogue()?.organisms.get(entry?.organismId ?? '');
    if (organism?.kind !== 'animal') return null;
    const said = (day: Day): string => datedDay(day, this.today);
    return (
      wordBroodDays(organism, this.laid())?.map((line) => ({
        ...line,
        when: line.from === line.to ? said(line.from) : `${said(line.from)} – ${said(line.to)}`,
      })) ?? null
    );
  });
}
