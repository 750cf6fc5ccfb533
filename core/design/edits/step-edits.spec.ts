import { METRIC } from '../../quantity/format';
import { wordStep } from '../../assessment/wording/steps';
import { Design } from '../design';
import { applyEdit } from '../edit';
import { dayAfter, daysFrom, dayOf } from '../../schedule/day';
import { NO_STEP, StepCode, type PlannedStep } from '../../schedule/step';
import { shellBed } from '../../testing/tanks';
import { addPlan, dropPlan, putOff, startFault } from './step-edits';

const STEPS: PlannedStep[] = [0, 2, 4].map((after) => ({ ...NO_STEP, after, code: 'change', pourL: { tap: 5 }, expects: { ghDh: 6 } }));
const apply = (design: Design, patch: Parameters<typeof applyEdit>[1]) => {
  const applied = applyEdit(design, patch, Design);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  return applied.document;
};

describe('days of the calendar', () => {
  it('are counted over the nights in which clocks change', () => {
    // Central Europe 2026: 29 March and 25 October
    expect(dayAfter('2026-03-28', 1)).toBe('2026-03-29');
    expect(dayAfter('2026-03-28', 2)).toBe('2026-03-30');
    expect(dayAfter('2026-10-24', 2)).toBe('2026-10-26');
    expect(daysFrom('2026-03-28', '2026-03-30')).toBe(2);
    expect(daysFrom('2026-12-31', '2027-01-01')).toBe(1);
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(dayOf(new Date(2026, 10, 23, 23, 59))).toBe('2026-11-23');
  });
});

describe('steps on their days', () => {
  const planned = apply(shellBed, addPlan(shellBed, 'Softer water', '2026-12-01', STEPS, 'p1'));
  const days = (design: Design) => Object.values(design.care.steps).map(({ day }) => day);

  it('fall where the plan puts them', () => {
    expect(days(planned)).toEqual(['2026-12-01', '2026-12-03', '2026-12-05']);
    expect(Object.values(planned.care.steps).every(({ plan, planId }) => plan === 'Softer water' && planId === 'p1')).toBeTrue();
  });

  it('are put off with all that follows, and dropped together; others stay', () => {
    const both = apply(planned, addPlan(planned, 'Another', '2026-12-10', STEPS.slice(0, 1), 'p2'));
    const later = apply(both, putOff(both, 'p1-2', 1));
    expect(days(later)).toEqual(['2026-12-01', '2026-12-04', '2026-12-06', '2026-12-10']);
    expect(days(apply(later, dropPlan(later, 'p1')))).toEqual(['2026-12-10']);
    expect(putOff(both, 'nobody', 1)).toEqual([]);
  });

  it('do not begin on a day that has passed, or on none', () => {
    expect(startFault('2026-11-22', '2026-11-23')).toMatch(/has passed: nothing was put down/);
    expect(startFault('', '2026-11-23')).toMatch(/which day/);
    expect(startFault('2031-01-01', '2026-11-23')).toMatch(/two years/);
    expect(startFault('2026-11-23', '2026-11-23')).toBeNull();
  });

  it('are each said in words, with what to mind', () => {
    const names = { source: () => 'Limestone tap', subject: () => '*Caridina*', salt: (id: string) => id };
    for (const code of StepCode.options) {
      const told = wordStep(
        {
          ...NO_STEP,
          code,
          pourL: { tap: 4 },
          saltsG: { gypsum: 0.42 },
          expects: { ghDh: 6, ammonia: 0, nitrate: 5 },
          values: { litres: 12, count: 10 },
          subjects: [code === 'service' ? 'canister' : 'a'],
        },
        names,
        METRIC,
      );
      expect(told.title.length).withContext(code).toBeGreaterThan(4);
      expect(`${told.title} ${told.detail}`)
        .withContext(code)
        .not.toMatch(/undefined|NaN|\[object/);
    }
    const change = wordStep({ ...STEPS[0]!, saltsG: { gypsum: 0.42 } }, names, METRIC);
    expect(change.title).toBe('Change 5 L');
    expect(change.detail).toBe('5 L Limestone tap + 0.42 g gypsum, at the tank’s temperature. Then it should read 6 dGH.');
  });
});
