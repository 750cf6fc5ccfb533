import type { Operation } from 'rfc6902';
import { nextOrder, type Design } from '../design';
import { pointer } from '../edit';
import { dayAfter, daysFrom, type Day } from '../../schedule/day';
import type { DatedStep, PlannedStep } from '../../schedule/step';

/** Why a plan cannot begin on a day; null when it can. */
export function startFault(start: string, today: Day): string | null {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(start)) return 'Say on which day it begins.';
  if (daysFrom(today, start) < 0) return 'This day has passed: nothing was put down. Choose today or later.';
  return daysFrom(today, start) > 730 ? 'That is more than two years away.' : null;
}

/** Puts the steps of a plan on their days. */
export function addPlan(design: Design, plan: string, start: Day, steps: readonly PlannedStep[], planId: string): Operation[] {
  let order = nextOrder(design.care.steps);
  return steps.map(({ after, ...step }, i): Operation => {
    const dated: DatedStep = { ...step, order: order++, day: dayAfter(start, after), planId, plan };
    return { op: 'add', path: pointer('care', 'steps', `${planId}-${i + 1}`), value: dated };
  });
}

const ofPlan = (design: Design, planId: string) => Object.entries(design.care.steps).filter(([, step]) => step.planId === planId);

export function dropPlan(design: Design, planId: string): Operation[] {
  return ofPlan(design, planId).map(([id]) => ({ op: 'remove', path: pointer('care', 'steps', id) }));
}

/** Puts off a step and all of its plan that follows. */
export function putOff(design: Design, stepId: string, days: number): Operation[] {
  const from = design.care.steps[stepId];
  if (!from) return [];
  return ofPlan(design, from.planId)
    .filter(([, step]) => step.day >= from.day)
    .map(([id, step]) => ({ op: 'replace', path: pointer('care', 'steps', id, 'day'), value: dayAfter(step.day, days) }));
}
