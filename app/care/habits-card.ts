import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { dutiesOf, hoursPerWeekOf, leftOut } from '../../core/assessment/plan/duties';
import { wordDuty, wordEvery } from '../../core/assessment/wording/duties';
import { pointer } from '../../core/design/edit';
import { addOwn, dropOwn, setHabit } from '../../core/design/edits/habit-edits';
import { freshId } from '../../core/design/fresh-id';
import { rounded } from '../../core/quantity/format';
import { dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';

/** Set elsewhere, with the rest of what is planned of it. */
const PLANNED = new Set(['change', 'top-up', 'reservoir', 'dose', 'apart-over', 'own']);

/** How often each thing is done, how long it takes a week, and what the keeper adds or leaves out. */
@Component({
  selector: 'tr-habits-card',
  imports: [LatinText, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section data-control="habits" aria-labelledby="habits-heading">
      <h2 id="habits-heading">How often</h2>
      <p>
        {{ total() }}
        <tr-quantity
          class="hours"
          label="Hours a week that there are"
          kind="number"
          placeholder="not stated"
          [limits]="[0.1, 100]"
          [value]="view.design()?.care?.hoursPerWeek ?? null"
          [disabled]="locked()"
          [optional]="true"
          (quantity)="hours($event)"
          (cleared)="hours(null)"
        />
      </p>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col" class="days">Days between</th>
              <th scope="col">Usually</th>
              <th scope="col" class="num">Minutes a week</th>
              <th scope="col"><span class="visually-hidden">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.id) {
              <tr [attr.data-duty]="row.id">
                <th scope="row"><tr-latin [text]="row.title" /></th>
                <td>
                  @if (row.settable) {
                    <tr-quantity
                      [label]="'Days between: ' + row.plain"
                      [hideLabel]="true"
                      kind="count"
                      [limits]="[1, 730]"
                      [value]="row.everyDays"
                      [disabled]="locked()"
                      (quantity)="every(row.id, row.plain, $event)"
                    />
                  } @else {
                    {{ row.every }}
                  }
                </td>
                <td class="soft small">{{ row.usual }}</td>
                <td class="num">{{ row.minutes }}</td>
                <td class="end">
                  @if (row.own) {
                    <button
                      class="pick small"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'Take out ' + row.plain"
                      (click)="drop(row.id, row.plain)"
                    >
                      take out
                    </button>
                  } @else if (row.changed) {
                    <button
                      class="pick small"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'As usual: ' + row.plain"
                      (click)="usual(row.id, row.plain)"
                    >
                      as usual
                    </button>
                  } @else if (row.settable) {
                    <button
                      class="pick small"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'Never here: ' + row.plain"
                      (click)="never(row.id, row.plain)"
                    >
                      never here
                    </button>
                  }
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      @if (left().length > 0) {
        <p class="small" data-left>
          Left out here by choice:
          @for (row of left(); track row.id) {
            <button
              class="pick"
              type="button"
              [disabled]="locked()"
              [attr.aria-label]="'Have back: ' + row.plain"
              (click)="usual(row.id, row.plain)"
            >
              {{ row.plain }}, have it back
            </button>
            &ngsp;
          }
        </p>
      }
      <form (submit)="$event.preventDefault(); add(title.value, title)">
        <label>
          <span class="small soft">Something of your own</span>
          <input class="field" maxlength="80" placeholder="Turn the shells" #title />
        </label>
        <tr-quantity label="Days between" kind="count" [limits]="[1, 730]" [value]="days()" (quantity)="days.set(round($event))" />
        <tr-quantity label="Minutes" kind="count" [limits]="[0, 600]" [value]="minutes()" (quantity)="minutes.set(round($event))" />
        <button class="btn" type="submit" [disabled]="locked()">Add it</button>
      </form>
      @if (refused(); as why) {
        <p class="error" role="alert">{{ why }}</p>
      }
    </section>
  `,
  styles: `
    h2 {
      margin-bottom: 6px;
    }
    .hours {
      display: inline-flex;
      width: 190px;
      margin-left: 10px;
    }
    .scroll {
      overflow-x: auto;
    }
    table {
      width: 100%;
      max-width: 900px;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 4px 10px 4px 0;
      border-top: 1px solid var(--rule);
      text-align: left;
      vertical-align: middle;
    }
    thead th {
      border-top: 0;
      color: var(--soft);
      font-size: 12.5px;
      font-weight: 400;
    }
    tbody th {
      color: var(--ink);
      font-weight: 500;
    }
    .days {
      width: 110px;
    }
    .num {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    .end {
      text-align: right;
      white-space: nowrap;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 6px 12px;
      margin-top: 10px;
    }
    form tr-quantity {
      width: 110px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
      width: 260px;
      max-width: 100%;
    }
  `,
})
export class HabitsCard {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => this.view.readOnly());
  private readonly today = dayOf(new Date());
  protected readonly days = signal(14);
  protected readonly minutes = signal(5);
  protected readonly refused = signal<string | null>(null);

  protected readonly rows = computed(() => {
    const assessment = this.view.told();
    if (!assessment) return [];
    const { habits } = assessment.world.design.care;
    return dutiesOf(assessment, this.today)
      .filter(({ on }) => on === null)
      .map((duty) => {
        const title = this.short(wordDuty(duty, this.today, assessment, this.units()).title);
        const share = ((duty.weekdays?.length ?? 7) / 7) * ((duty.months?.length ?? 12) / 12);
        return {
          id: duty.id,
          title,
          plain: title.replaceAll('*', ''),
          everyDays: duty.everyDays,
          every: wordEvery(duty.everyDays),
          usual: duty.usualDays === null ? '' : wordEvery(duty.usualDays),
          minutes: rounded((duty.minutes * share * 7) / duty.everyDays, 1, this.units()),
          settable: !PLANNED.has(duty.code),
          changed: Object.hasOwn(habits, duty.id),
          own: duty.code === 'own',
        };
      });
  });

  protected readonly left = computed(() => {
    const assessment = this.view.told();
    if (!assessment) return [];
    return leftOut(assessment, this.today).map((duty) => ({
      id: duty.id,
      plain: wordDuty(duty, this.today, assessment, this.units()).title.replaceAll('*', ''),
    }));
  });

  protected readonly total = computed(() => {
    const assessment = this.view.told();
    if (!assessment) return '';
    const minutes = Math.round((hoursPerWeekOf(assessment) * 60) / 5) * 5;
    const there = assessment.world.design.care.hoursPerWeek;
    const said = minutes < 90 ? `${minutes} minutes` : `${rounded(minutes / 60, 1, this.units())} hours`;
    if (there === null) return `All of it takes about ${said} a week.`;
    return there * 60 >= minutes
      ? `All of it takes about ${said} a week, and there is time for it.`
      : `All of it takes about ${said} a week: more than there is time for. Less stock, larger changes seldomer, or a reservoir that tops up by itself.`;
  });

  /** What a day’s feed is changes; that it is fed does not. */
  private short(title: string): string {
    return title.startsWith('Feed ') || title === 'No feed today' ? 'Feed' : title;
  }

  protected round(value: number): number {
    return Math.round(value);
  }
  protected hours(value: number | null): void {
    this.store.edit('Hours a week', [{ op: 'replace', path: pointer('care', 'hoursPerWeek'), value }]);
  }
  protected every(id: string, name: string, days: number): void {
    const design = this.view.design();
    if (design) this.store.edit(`How often: ${name}`, setHabit(design, id, Math.round(days)));
  }
  protected never(id: string, name: string): void {
    const design = this.view.design();
    if (design) this.store.edit(`Never here: ${name}`, setHabit(design, id, null));
  }
  protected usual(id: string, name: string): void {
    const design = this.view.design();
    if (design) this.store.edit(`As usual: ${name}`, setHabit(design, id, undefined));
  }
  protected drop(id: string, name: string): void {
    this.store.edit(`Take out ${name}`, dropOwn(id.slice('own:'.length)));
  }
  protected add(title: string, field: HTMLInputElement): void {
    const design = this.view.design();
    if (!design) return;
    if (title.trim() === '') return this.refused.set('Say what it is.');
    this.refused.set(null);
    if (this.store.edit(`Add ${title.trim()}`, addOwn(design, freshId(), title, this.days(), this.minutes()))) field.value = '';
  }
}
