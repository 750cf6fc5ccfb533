import type { Finding } from '../calculation/finding';
import type { Computed } from '../calculation/computed';
import { daysFrom, type Day } from '../schedule/day';
import { SHOWS_MG_N } from './ensemble';
import type { StartPlan, StartTest } from './model';

/** Animals that are to go in on a day. */
export interface GoingIn {
  day: Day;
  ids: readonly string[];
}

const base = { bench: 'startup', evidence: [], basis: 'practice' } as const;
/** Before this share of the usual days hardly any filter has grown in. Common practice. */
const EARLY_SHARE = 0.7;
/** So many days of clean tests count. Common practice. */
const CLEAN_DAYS = 7;

const shows = ({ ammoniaMgN, nitriteMgN }: StartTest): boolean => (ammoniaMgN ?? 0) >= SHOWS_MG_N || (nitriteMgN ?? 0) >= SHOWS_MG_N;

/** Whether tests show that the filter has grown in: ammonia or nitrite was seen, went, and stayed away for a week of tests. */
export function isShown({ tests }: StartPlan): boolean {
  const byDay = Object.values(tests).sort((a, b) => (a.day < b.day ? -1 : 1));
  const lastSeen = byDay.findLast(shows);
  const clean = byDay.filter(
    (test) => !shows(test) && test.ammoniaMgN !== null && test.nitriteMgN !== null && (!lastSeen || test.day > lastSeen.day),
  );
  return !!lastSeen && clean.length >= 2 && daysFrom(clean[0]!.day, clean.at(-1)!.day) >= CLEAN_DAYS;
}

/**
 * Animals that are to go in before the filter has grown in, or all on one day. What tests show goes before what is reckoned; without either of them
 * nothing is said to be ready.
 */
export function startFindings(plan: StartPlan, goingIn: readonly GoingIn[], course: Computed<number>): Finding[] {
  const first = [...goingIn].sort((a, b) => (a.day < b.day ? -1 : 1))[0];
  if (!first) return [];
  const day = daysFrom(plan.begun, first.day);
  const usual = course.value;
  const findings: Finding[] = [];
  if (!isShown(plan)) {
    const last = Object.values(plan.tests).sort((a, b) => (a.day < b.day ? 1 : -1))[0];
    const early = usual !== null && day < usual;
    findings.push({
      ...base,
      key: 'startup.too-soon',
      code: 'startup.too-soon',
      severity: early ? (day < EARLY_SHARE * usual ? 'conflict' : 'watch') : 'unknown',
      excess: early ? usual - day : null,
      subjects: first.ids,
      values: {
        day: { quantity: 'count', value: day },
        ...(usual === null ? {} : { usual: { quantity: 'count', value: Math.round(usual) } }),
      },
      evidence: [course],
      kind: early ? (last && shows(last) ? 'seen' : 'reckoned') : 'not-shown',
    });
  }
  const kinds = new Set(goingIn.flatMap(({ ids }) => ids));
  if (kinds.size > 1 && goingIn.every((one) => one.day === first.day))
    findings.push({
      ...base,
      key: 'startup.at-once',
      code: 'startup.at-once',
      severity: 'watch',
      excess: kinds.size,
      subjects: [...kinds],
      values: {},
    });
  return findings;
}
