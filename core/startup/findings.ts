import type { Finding } from '../calculation/finding';
import type { Computed } from '../calculation/computed';
import { daysFrom, type Day } from '../schedule/day';
import { SHOWS_MG_N } from './ensemble';
import type { StartPlan, StartTest } from './model';

/** Animals that are to go in on a day, and what they give the filter, mg N/L a day; null while not known. */
export interface GoingIn {
  day: Day;
  ids: readonly string[];
  mgNPerLPerDay: number | null;
}

/** What else of the tank and its plan the start is judged by. */
export interface StartGround {
  /** Days on which the plan of care has a test, a challenge or a check. */
  testDays: readonly Day[];
  /** Mosses that are planted at once on soil that gives ammonia. */
  mosses: readonly string[];
}

const base = { bench: 'startup', evidence: [], basis: 'practice' } as const;
/** Before this share of the usual days hardly any filter has grown in. Common practice. */
const EARLY_SHARE = 0.7;
/** So many days of clean tests count. Common practice. */
const CLEAN_DAYS = 7;

/** Whether a test shows ammonia or nitrite. */
export const shows = ({ ammoniaMgN, nitriteMgN }: StartTest): boolean => (ammoniaMgN ?? 0) >= SHOWS_MG_N || (nitriteMgN ?? 0) >= SHOWS_MG_N;

/** Whether tests show that the filter has grown in: ammonia or nitrite was seen, went, and stayed away for a week of tests. */
export function isShown({ tests }: StartPlan): boolean {
  const byDay = Object.values(tests).sort((a, b) => (a.day < b.day ? -1 : 1));
  const lastSeen = byDay.findLast(shows);
  const clean = byDay.filter(
    (test) => !shows(test) && test.ammoniaMgN !== null && test.nitriteMgN !== null && (!lastSeen || test.day > lastSeen.day),
  );
  return !!lastSeen && clean.length >= 2 && daysFrom(clean[0]!.day, clean.at(-1)!.day) >= CLEAN_DAYS;
}

/** So many days without a change are more than a filter that grows takes. Common practice. */
const STUCK_DAYS = 12;
/** A reading that differs by less is the same to a kit. */
const SAME_SHARE = 0.3;

/**
 * Ammonia or nitrite that shows and has not moved for too long: the kit, KH, pH or chlorine, and no patience.
 *
 * @returns which, what it reads, and for how many days; null where everything moves
 */
export function stuck({ tests }: Pick<StartPlan, 'tests'>): { what: 'ammonia' | 'nitrite'; mgN: number; days: number } | null {
  const byDay = Object.values(tests).sort((a, b) => (a.day < b.day ? -1 : 1));
  for (const what of ['nitrite', 'ammonia'] as const) {
    const read = byDay.flatMap((test) => {
      const mgN = what === 'nitrite' ? test.nitriteMgN : test.ammoniaMgN;
      return mgN === null ? [] : [{ day: test.day, mgN }];
    });
    const last = read.at(-1);
    if (!last || last.mgN < SHOWS_MG_N) continue;
    const from = read.findLastIndex(({ mgN }) => Math.abs(mgN - last.mgN) > SAME_SHARE * last.mgN) + 1;
    const days = daysFrom(read[from]!.day, last.day);
    if (read.length - from >= 3 && days >= STUCK_DAYS) return { what, mgN: last.mgN, days };
  }
  return null;
}

/**
 * Animals that are to go in before the filter has grown in, or all on one day. What tests show goes before what is reckoned; without either of them
 * nothing is said to be ready.
 */
export function startFindings(plan: StartPlan, goingIn: readonly GoingIn[], course: Computed<number>, ground: StartGround): Finding[] {
  const moss = mossFinding(ground.mosses);
  const first = [...goingIn].sort((a, b) => (a.day < b.day ? -1 : 1))[0];
  if (!first) return moss;
  const day = daysFrom(plan.begun, first.day);
  const usual = course.value;
  const findings: Finding[] = [...moss];
  if (!isShown(plan)) {
    const last = Object.values(plan.tests).sort((a, b) => (a.day < b.day ? 1 : -1))[0];
    const early = usual !== null && day < usual;
    const untested = Object.keys(plan.tests).length === 0 && !ground.testDays.some((on) => on >= plan.begun && on <= first.day);
    findings.push({
      ...base,
      key: 'startup.too-soon',
      code: 'startup.too-soon',
      severity: early ? (day < EARLY_SHARE * usual ? 'conflict' : 'watch') : untested ? 'conflict' : 'unknown',
      excess: early ? usual - day : untested ? 1 : null,
      subjects: first.ids,
      values: {
        day: { quantity: 'count', value: day },
        ...(usual === null ? {} : { usual: { quantity: 'count', value: Math.round(usual) } }),
      },
      evidence: [course],
      kind: early ? (last && shows(last) ? 'seen' : 'reckoned') : untested ? 'not-tested' : 'not-shown',
    });
  }
  // one that goes in too soon is told already
  if (findings.length === moss.length || findings.at(-1)!.severity === 'unknown') findings.push(...outgrownFinding(plan, first));
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

/** What they give against what the filter was fed while it grew in: it doubles in days, and not in one. Common practice. */
const OUTGROWN = { watch: 2, conflict: 4 };

/** A filter grows to what it is fed: one that has had little cannot carry much on the day. Of one that came grown in its media speak. */
function outgrownFinding({ method, inoculum, doseMgNPerLPerDay: fed }: StartPlan, { ids, mgNPerLPerDay: gives }: GoingIn): Finding[] {
  if ((method !== 'dosed' && method !== 'food') || inoculum === 'media' || inoculum === 'whole-move' || fed <= 0 || gives === null)
    return [];
  const times = gives / fed;
  if (times < OUTGROWN.watch) return [];
  return [
    {
      ...base,
      key: 'startup.outgrown',
      code: 'startup.outgrown',
      severity: times < OUTGROWN.conflict ? 'watch' : 'conflict',
      excess: times,
      subjects: ids,
      values: { fed: { quantity: 'concentration', value: fed }, gives: { quantity: 'concentration', value: gives } },
    },
  ];
}

function mossFinding(mosses: readonly string[]): Finding[] {
  if (mosses.length === 0) return [];
  return [
    {
      ...base,
      key: 'startup.soil-moss',
      code: 'startup.soil-moss',
      severity: 'watch',
      excess: mosses.length,
      subjects: mosses,
      values: {},
    },
  ];
}
