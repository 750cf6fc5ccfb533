import type { Finding } from '../calculation/finding';
import type { AnimalGroup } from '../catalogue/organism';
import { daysFrom, dayAfter, type Day } from '../schedule/day';
import { CONDITIONS } from './conditions';
import type { Contact } from './contact';
import type { Treatment } from './model';
import { TREATMENTS, type Binder } from './treatments';

/** Someone of the tank. */
export interface Patient {
  id: string;
  /** `plant` for plants. */
  group: AnimalGroup | 'plant';
}

const base = { bench: 'stocking', values: {}, evidence: [], basis: 'practice' } as const;

/**
 * What was seen in the tank or may have come into it, against whom it harms. Seen here or come straight from where it was seen, it weighs as
 * much as it can do; by more hands, or in a tank that is for just that, it is to be watched.
 */
export function contactFindings(contacts: readonly Contact[], patients: readonly Patient[], isQuarantine: boolean): Finding[] {
  const worst = new Map<string, Contact>();
  for (const contact of contacts) {
    const known = worst.get(contact.condition);
    if (!known || contact.steps < known.steps || (contact.steps === known.steps && contact.since < known.since))
      worst.set(contact.condition, contact);
  }
  return [...worst.values()].flatMap(({ condition, steps }): Finding[] => {
    const { hurts, gravity, basis } = CONDITIONS[condition];
    const hurt = patients.filter(({ group }) => group !== 'plant' && hurts.includes(group)).map(({ id }) => id);
    if (hurt.length === 0) return [];
    return [
      {
        ...base,
        key: `health.contact:${condition}`,
        code: 'health.contact',
        severity: steps <= 1 && !isQuarantine ? gravity : 'watch',
        excess: steps === 0 ? 2 : 1 / steps,
        subjects: hurt,
        basis,
        kind: condition,
      },
    ];
  });
}

/** Weeks apart before they join others. Common practice: four to six; three are the least that says anything. */
export const APART_DAYS = { usual: 28, least: 21 };
/** After so many days it has shown itself one way or the other. Common practice. */
const OLD_NEWS_DAYS = 60;

/** Some came to a tank, straight from outside or after so many days apart. */
export interface Arrival {
  lotId: string;
  /** Of the kind they are. */
  subject: string;
  day: Day;
  /** Days that they were apart before; null for none. */
  apartDays: number | null;
}

/** Animals that joined others without their weeks apart, as long as that is news in the room's record. */
export function arrivalFindings(arrivals: readonly Arrival[], lastDay: Day | null): Finding[] {
  return arrivals.flatMap(({ lotId, subject, day, apartDays }): Finding[] => {
    if ((apartDays ?? 0) >= APART_DAYS.least || (lastDay !== null && daysFrom(day, lastDay) > OLD_NEWS_DAYS)) return [];
    return [
      {
        ...base,
        key: `health.arrival:${lotId}`,
        code: 'health.arrival',
        severity: 'watch',
        excess: APART_DAYS.least - (apartDays ?? 0),
        subjects: [subject],
        values: apartDays === null ? {} : { apart: { quantity: 'count', value: apartDays } },
        kind: apartDays === null ? 'none' : 'short',
      },
    ];
  });
}

/** A treatment is still in the water so many days after it was last given, unless it is taken out. Common practice. */
const WASHES_OUT_DAYS = 7;
const lastDayOf = ({ day, times, everyDays }: Treatment): Day => dayAfter(day, (times - 1) * everyDays);

/** A tank as its treatments meet it. */
export interface Treated {
  patients: readonly Patient[];
  binders: readonly Binder[];
  hasFilter: boolean;
  netL: number | null;
}

/** What planned treatments do to those who live there, to the filter and to each other. */
export function treatmentFindings(plans: readonly (readonly [id: string, plan: Treatment])[], tank: Treated): Finding[] {
  return plans.flatMap(([id, plan], i): Finding[] => {
    const { kills, harms, plants, filter, boundBy, never } = TREATMENTS[plan.treatmentId];
    const of = (groups: readonly AnimalGroup[]) =>
      tank.patients.filter(({ group }) => group !== 'plant' && groups.includes(group)).map((one) => one.id);
    const [dead, ailing] = [of(kills), of(harms)];
    const leaves = plants === 'bear it' ? [] : tank.patients.filter(({ group }) => group === 'plant').map((one) => one.id);
    const hurt = dead.length > 0 ? dead : ailing.length > 0 ? ailing : leaves;
    const about = { ...base, bench: 'stocking' as const };
    const findings: Finding[] = [];
    if (hurt.length > 0)
      findings.push({
        ...about,
        key: `health.treatment-harm:${id}`,
        code: 'health.treatment-harm',
        severity: dead.length > 0 ? 'conflict' : 'watch',
        excess: dead.length > 0 ? 2 : 1,
        subjects: hurt,
        kind: `${dead.length > 0 ? 'kills' : ailing.length > 0 ? 'harms' : 'plants'} ${plan.treatmentId}`,
      });
    const bound = tank.binders.filter((binder) => boundBy.includes(binder));
    if (bound.length > 0)
      findings.push({
        ...about,
        key: `health.treatment-bound:${id}`,
        code: 'health.treatment-bound',
        severity: 'watch',
        excess: bound.length,
        subjects: [],
        kind: `${bound.join('+')} ${plan.treatmentId}`,
      });
    if (tank.hasFilter && filter === 'kills')
      findings.push({
        ...about,
        key: `health.treatment-filter:${id}`,
        code: 'health.treatment-filter',
        severity: 'watch',
        excess: 1,
        subjects: [],
        kind: plan.treatmentId,
      });
    for (const [, other] of plans.slice(i + 1)) {
      const clash = never.includes(other.treatmentId) || TREATMENTS[other.treatmentId].never.includes(plan.treatmentId);
      const apart = daysFrom(lastDayOf(plan), other.day) >= WASHES_OUT_DAYS || daysFrom(lastDayOf(other), plan.day) >= WASHES_OUT_DAYS;
      if (clash && !apart)
        findings.push({
          ...about,
          key: `health.treatment-clash:${[plan.treatmentId, other.treatmentId].sort().join(':')}`,
          code: 'health.treatment-clash',
          severity: 'conflict',
          excess: 1,
          subjects: [],
          kind: `${plan.treatmentId} ${other.treatmentId}`,
        });
    }
    if (plan.label === null || tank.netL === null)
      findings.push({
        ...about,
        key: `health.treatment-dose:${id}`,
        code: 'health.treatment-dose',
        severity: 'unknown',
        excess: null,
        subjects: [],
        kind: `${plan.label === null ? 'label' : 'volume'} ${plan.treatmentId}`,
      });
    return findings;
  });
}
