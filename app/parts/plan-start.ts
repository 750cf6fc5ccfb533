import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { dayOf } from '../../core/schedule/day';
import type { PlannedStep } from '../../core/schedule/step';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { addPlan, startFault } from '../../core/design/edits/step-edits';
import { freshId } from '../../core/design/fresh-id';

let starts = 0;

/** Puts the steps of a plan into the list of what is to be done, from a day on. */
@Component({
  selector: 'tr-plan-start',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [attr.for]="id" class="soft small">{{ label() }}</label>
    <input type="date" [id]="id" [min]="today" [value]="day()" (input)="day.set($any($event.target).value)" />
    <button class="btn primary" type="button" [disabled]="view.readOnly() || steps().length === 0" (click)="put()">
      Put {{ steps().length }} step{{ steps().length === 1 ? '' : 's' }} into Care
    </button>
    @if (fault(); as why) {
      <p class="error" role="alert">{{ why }}</p>
    }
    @if (done()) {
      <p role="status">On the list. <a [routerLink]="['/tank', view.design()?.id, 'care']">See it in Care</a></p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 12px;
    }
  `,
})
export class PlanStart {
  readonly plan = input.required<string>();
  readonly steps = input.required<readonly PlannedStep[]>();
  readonly label = input('Begins on');
  protected readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly id = `plan-start-${++starts}`;
  protected readonly today = dayOf(new Date());
  protected readonly day = signal<string>(this.today);
  protected readonly asked = signal(false);
  protected readonly done = signal(false);
  protected readonly fault = computed(() => (this.asked() ? startFault(this.day(), this.today) : null));

  protected put(): void {
    const design = this.view.design();
    this.asked.set(true);
    this.done.set(false);
    if (!design || this.fault()) return;
    this.done.set(this.store.edit(this.plan(), addPlan(design, this.plan(), this.day(), this.steps(), freshId())));
  }
}
