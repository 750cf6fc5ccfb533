import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { agendaOf, runsSince } from '../../core/assessment/plan/agenda';
import { dutiesOf } from '../../core/assessment/plan/duties';
import { wordDuty } from '../../core/assessment/wording/duties';
import { stepNamesOf, wordStep } from '../../core/assessment/wording/steps';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { setHabit } from '../../core/design/edits/habit-edits';
import { dropPlan, putOff } from '../../core/design/edits/step-edits';
import { dayOf, daysFrom, type Day } from '../../core/schedule/day';
import type { DatedStep } from '../../core/schedule/step';
import { RoutineFields } from '../parts/routine-fields';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { longDay } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { DueRow } from './due-row';
import { HabitsCard } from './habits-card';

/** How far ahead the days are shown. */
const AHEAD_DAYS = 21;

/** A step of a plan, in words. */
interface PlanStep {
  id: string;
  step: DatedStep;
  title: string;
  plainTitle: string;
  detail: string;
}

/** What is to be done: today, and on the days that come; how often, and how long it takes. */
@Component({
  selector: 'tr-do-face',
  imports: [DueRow, HabitsCard, LatinText, RouterLink, RoutineFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './do-face.html',
  styleUrl: './do-face.less',
})
export class DoFace {
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  protected readonly locked = computed(() => this.view.readOnly());
  protected readonly today = dayOf(new Date());
  protected readonly todayName = longDay(this.today, this.today);
  /** What was written down last, and may be taken back. */
  protected readonly said = signal<{ text: string; lineId: string } | null>(null);

  private readonly duties = computed(() => {
    const assessment = this.view.assessment();
    return assessment ? dutiesOf(assessment, this.today) : [];
  });
  private readonly lines = computed(() => this.view.log()?.lines ?? null);
  protected readonly since = computed(() => {
    const [design, lines] = [this.view.design(), this.lines()];
    return design && lines ? runsSince(design, lines) : null;
  });
  protected readonly ready = computed(() => this.lines() !== null && this.view.assessment() !== undefined);
  private readonly agenda = computed(() => {
    const [design, lines] = [this.view.design(), this.lines()];
    return design && lines ? agendaOf(design, this.duties(), lines, this.today, AHEAD_DAYS) : null;
  });
  protected readonly due = computed(() => (this.agenda() ?? []).filter(({ day }) => day === this.today));
  protected readonly changes = computed(() => this.due().some(({ duty }) => duty.code === 'change'));
  protected readonly minutesToday = computed(() => Math.round(this.due().reduce((sum, { duty }) => sum + duty.minutes, 0)));

  /** Steps of plans, on their days. */
  private readonly steps = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return [];
    const names = stepNamesOf(assessment);
    return inOrder(assessment.world.design.care.steps).map(([id, step]): PlanStep => {
      const { title, detail } = wordStep(step, names, this.units());
      return { id, step, title, plainTitle: title.replaceAll('*', ''), detail };
    });
  });

  protected readonly days = computed(() => {
    const assessment = this.view.assessment();
    if (!assessment) return [];
    const byDay = new Map<Day, { steps: PlanStep[]; duties: string[] }>();
    const at = (day: Day) => {
      const there = byDay.get(day) ?? { steps: [], duties: [] };
      byDay.set(day, there);
      return there;
    };
    for (const one of this.steps()) at(one.step.day).steps.push(one);
    for (const { duty, day } of this.agenda() ?? [])
      if (day > this.today && duty.everyDays > 1) at(day).duties.push(wordDuty(duty, day, assessment, this.units()).title);
    return [...byDay]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([day, found]) => {
        const away = daysFrom(this.today, day);
        const when =
          away === 0 ? 'today' : away === 1 ? 'tomorrow' : away < 0 ? `${-away} day${away === -1 ? '' : 's'} ago` : `in ${away} days`;
        return { day, name: longDay(day, this.today), when, past: away < 0, ...found };
      });
  });

  protected readonly plans = computed(() => {
    const counts = new Map<string, { id: string; name: string; count: number }>();
    for (const { step } of this.steps()) {
      const known = counts.get(step.planId);
      counts.set(step.planId, { id: step.planId, name: step.plan, count: (known?.count ?? 0) + 1 });
    }
    return [...counts.values()];
  });

  protected runs(day: string): void {
    if (day && day <= this.today) this.store.edit('Runs since', [{ op: 'replace', path: pointer('care', 'since'), value: day }]);
  }

  protected never(id: string, title: string): void {
    const design = this.view.design();
    if (design) this.store.edit(`Never: ${title}`, setHabit(design, id, null));
  }
  protected titleOf(id: string): string {
    const assessment = this.view.assessment();
    const duty = this.duties().find((one) => one.id === id);
    return assessment && duty ? wordDuty(duty, this.today, assessment, this.units()).title.replaceAll('*', '') : id;
  }

  protected async takeBack(): Promise<void> {
    const said = this.said();
    if (said && (await this.logs.strike(said.lineId)).ok) this.said.set(null);
  }

  /** Fetched when somebody wants it. */
  protected async calendar(): Promise<void> {
    const [design, assessment, agenda] = [this.view.design(), this.view.assessment(), this.agenda()];
    if (!design || !assessment) return;
    const tank = { id: design.id, name: design.name };
    const steps = this.steps().map(({ id, step: { day, plan }, plainTitle, detail }) => ({
      id,
      tank,
      day,
      everyDays: null,
      title: plainTitle,
      detail: detail.replaceAll('*', ''),
      plan,
    }));
    const first = new Set<string>();
    const duties = (agenda ?? []).flatMap(({ duty, day }) => {
      if (first.has(duty.id)) return [];
      first.add(duty.id);
      const { title, detail } = wordDuty(duty, day, assessment, this.units());
      return [
        {
          id: duty.id,
          tank,
          day,
          everyDays: duty.on === null ? duty.everyDays : null,
          title: title.replaceAll('*', ''),
          detail: detail.replaceAll('*', ''),
          plan: 'Routine',
        },
      ];
    });
    const { calendarFile } = await import('../parts/calendar-file');
    download(`${fileStem(design.name)}.ics`, calendarFile(design.name, [...steps, ...duties], new Date()), 'text/calendar');
  }

  /** A step that is done stands in the log, and is no more to be done. */
  protected async done(id: string): Promise<void> {
    const found = this.steps().find((one) => one.id === id);
    if (!found) return;
    const poured = Object.values(found.step.pourL).reduce((sum, litres) => sum + litres, 0);
    const written = await this.logs.write(
      found.step.code === 'change' && poured > 0.005
        ? { kind: 'change', litres: Number(poured.toPrecision(3)), fraction: null, note: found.step.plan }
        : { kind: 'task', taskId: id, title: found.plainTitle.slice(0, 80), how: 'done', days: null, note: found.step.plan },
    );
    if (!written.ok) return;
    this.said.set({ text: `Written down: ${found.plainTitle}.`, lineId: written.entry.id });
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
