import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { stepNamesOf, wordStep } from '../../core/assessment/wording/steps';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { dayOf, daysFrom } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { longDay } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { RoutineFields } from '../parts/routine-fields';
import { dropPlan, putOff } from '../../core/design/edits/step-edits';

/** What is done every week, and what falls on a day. */
@Component({
  selector: 'tr-do-face',
  imports: [LatinText, RouterLink, RoutineFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="care-routine" data-control="routine">
      <h2 id="care-routine">The routine</h2>
      <tr-routine-fields />
      <p class="small soft what">
        What comes of it in twelve weeks stands under
        <a [routerLink]="['/tank', view.design()?.id, 'water']" [queryParams]="{ face: 'forecast' }">Water, Forecast</a>.
      </p>
    </section>
    <section data-control="steps" aria-labelledby="care-steps">
      <h2 id="care-steps">On their days</h2>
      @if (days().length === 0) {
        <p>
          Nothing is put down yet. A gradual shift, a rescape or a tank ripened for delicate animals is planned under
          <a [routerLink]="['/tank', view.design()?.id, 'water']" [queryParams]="{ face: 'change' }">Water, Change</a>, and its steps then
          stand here.
        </p>
      }
      <ol class="days">
        @for (day of days(); track day.day) {
          <li>
            <h3 [class.past]="day.past">
              {{ day.name }} <span class="small soft">{{ day.when }}</span>
            </h3>
            <ul>
              @for (step of day.steps; track step.id) {
                <li class="step">
                  <div>
                    <strong><tr-latin [text]="step.title" /></strong>
                    <p class="small">{{ step.detail }}</p>
                    <p class="small soft">{{ step.plan }}</p>
                  </div>
                  <span class="acts">
                    <button
                      class="btn"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'Done: ' + step.plainTitle + ', ' + day.name"
                      (click)="done(step.id)"
                    >
                      Done
                    </button>
                    <button
                      class="btn"
                      type="button"
                      [disabled]="locked()"
                      [attr.aria-label]="'A day later, with what follows: ' + step.plainTitle + ', ' + day.name"
                      (click)="later(step.id)"
                    >
                      A day later
                    </button>
                  </span>
                </li>
              }
            </ul>
          </li>
        }
      </ol>
      @if (plans().length > 0) {
        <p class="plans">
          @for (plan of plans(); track plan.id) {
            <button class="btn" type="button" [disabled]="locked()" (click)="drop(plan.id, plan.name)">
              Drop “{{ plan.name }}”, {{ plan.count }} left
            </button>
          }
          <button class="btn" type="button" (click)="calendar()">As a calendar (iCalendar)</button>
        </p>
      }
    </section>
  `,
  styles: `
    section {
      margin-bottom: 22px;
    }
    h2 {
      margin-bottom: 6px;
    }
    .days,
    .days ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .days > li {
      padding: 8px 0;
      border-top: 1px solid var(--rule);
    }
    .what {
      margin-top: 8px;
    }
    .past {
      color: var(--ochre);
    }
    .step {
      display: flex;
      justify-content: space-between;
      gap: 14px;
      padding: 4px 0 4px 14px;
    }
    .acts {
      display: flex;
      flex: none;
      align-items: flex-start;
      gap: 6px;
    }
    .plans {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 12px;
      margin-top: 10px;
    }
    @media (max-width: 719px) {
      .step {
        flex-direction: column;
        gap: 4px;
      }
    }
  `,
})
export class DoFace {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => this.view.readOnly());
  private readonly today = dayOf(new Date());

  protected readonly days = computed(() => {
    const assessment = this.view.assessment();
    const { design } = assessment?.world ?? {};
    if (!assessment || !design) return [];
    const names = stepNamesOf(assessment);
    const byDay = new Map<string, { id: string; title: string; plainTitle: string; detail: string; plan: string }[]>();
    const sorted = inOrder(design.care.steps).sort(([, a], [, b]) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.order - b.order));
    for (const [id, step] of sorted) {
      const { title, detail } = wordStep(step, names, this.units());
      const there = byDay.get(step.day) ?? [];
      there.push({ id, title, plainTitle: title.replaceAll('*', ''), detail, plan: step.plan });
      byDay.set(step.day, there);
    }
    return [...byDay].map(([day, steps]) => {
      const away = daysFrom(this.today, day);
      const when =
        away === 0 ? 'today' : away === 1 ? 'tomorrow' : away < 0 ? `${-away} day${away === -1 ? '' : 's'} ago` : `in ${away} days`;
      return { day, name: longDay(day, this.today), when, past: away < 0, steps };
    });
  });

  protected readonly plans = computed(() => {
    const counts = new Map<string, { id: string; name: string; count: number }>();
    for (const step of Object.values(this.view.design()?.care.steps ?? {})) {
      const known = counts.get(step.planId);
      counts.set(step.planId, { id: step.planId, name: step.plan, count: (known?.count ?? 0) + 1 });
    }
    return [...counts.values()];
  });

  /** Fetched when somebody wants it. */
  protected async calendar(): Promise<void> {
    const design = this.view.design();
    if (!design) return;
    const entries = this.days().flatMap(({ day, steps }) =>
      steps.map(({ id, plainTitle, detail, plan }) => ({ id, day, title: plainTitle, detail: detail.replaceAll('*', ''), plan })),
    );
    const { calendarFile } = await import('./calendar-file');
    download(`${fileStem(design.name)}.ics`, calendarFile(design, entries, new Date()), 'text/calendar');
  }

  protected done(id: string): void {
    this.store.edit('Done', [{ op: 'remove', path: pointer('care', 'steps', id) }]);
  }

  protected later(id: string): void {
    const design = this.view.design();
    if (design) this.store.edit('Put off a day', putOff(design, id, 1));
  }

  protected drop(planId: string, name: string): void {
    const design = this.view.design();
    if (design) this.store.edit(`Drop ${name}`, dropPlan(design, planId));
  }
}
