import type { AnimalGroup } from '../catalogue/organism';
import type { Day } from '../schedule/day';
import { CONDITIONS, ConditionId, type Carrier } from './conditions';
import type { Mark } from './model';

/** Some of a lot were in a place; `to` is null while they are there. */
export interface Stay {
  lotId: string;
  place: string;
  from: Day;
  to: Day | null;
}
export interface Passage {
  lotId: string;
  from: string | null;
  to: string | null;
  day: Day;
}
/** What a lot is, as far as it may carry something. */
export interface Carried {
  kind: Carrier;
  /** Of animals that the catalogue knows. */
  group: AnimalGroup | null;
}

/** That something may be in a place, or on a lot in a place: since when, and by what it came. */
export interface Contact {
  condition: ConditionId;
  place: string;
  /** Null for the place itself. */
  lotId: string | null;
  since: Day;
  /** Moves and contacts between it and where it was seen; 0 for seen here. */
  steps: number;
  /** The lot that brought it to the place; null where it was seen, or was there already. */
  broughtBy: string | null;
}

interface Told {
  stays: readonly Stay[];
  passages: readonly Passage[];
  marks: readonly Mark[];
  lots: ReadonlyMap<string, Carried>;
  /** A place where each lot stands by itself, and nothing meets. */
  apart: string;
}

const carries = (condition: ConditionId, lot: Carried | undefined): boolean => {
  const { carriers, carriedBy } = CONDITIONS[condition];
  if (!lot || !carriers.includes(lot.kind)) return false;
  return lot.kind !== 'animal' || !carriedBy || lot.group === null || carriedBy.includes(lot.group);
};

/**
 * Who may have met what: what is seen in a place is in all that carries it there, and goes with it wherever it is moved, until it is declared
 * over. Contact is no proof of disease; nothing that is not over is called free.
 */
export function contactsOf({ stays, passages, marks, lots, apart }: Told): Contact[] {
  return ConditionId.options.flatMap((condition) => {
    const of = marks.filter((mark) => mark.condition === condition);
    if (!of.some(({ state }) => state === 'seen')) return [];
    return spread(condition, of, { stays, passages, lots, apart });
  });
}

const keyOf = (place: string, lotId: string | null): string => `${lotId ?? ''} ${place}`;

/** A time in which something may be there; until it is declared over, or null. */
interface Spell {
  contact: Contact;
  until: Day | null;
}

function spread(condition: ConditionId, marks: readonly Mark[], { stays, passages, lots, apart }: Omit<Told, 'marks'>): Contact[] {
  /** The first day after it on which it was declared over there; null for none. */
  const overAfter = (place: string, lotId: string | null, day: Day): Day | null => {
    const days = marks
      .filter((mark) => mark.state === 'over' && mark.day >= day && (mark.place === place || (lotId !== null && mark.lotId === lotId)))
      .map((mark) => mark.day)
      .sort();
    return days[0] ?? null;
  };
  // a place, and each lot in it, may have it more than once, each time until it is over
  const spells = new Map<string, Spell[]>();
  const queue: Spell[] = [];
  const meet = (contact: Contact): void => {
    const key = keyOf(contact.place, contact.lotId);
    const known = spells.get(key) ?? [];
    const until = overAfter(contact.place, contact.lotId, contact.since);
    const same = known.find((spell) => spell.until === until);
    // the earlier of two counts, and the nearer to where it was seen
    if (same && same.contact.since <= contact.since && same.contact.steps <= contact.steps) return;
    const spell: Spell = same
      ? {
          until,
          contact: {
            ...(same.contact.steps <= contact.steps ? same.contact : contact),
            since: same.contact.since < contact.since ? same.contact.since : contact.since,
          },
        }
      : { until, contact };
    spells.set(key, [...known.filter((one) => one !== same), spell]);
    queue.push(spell);
  };
  for (const { state, day, lotId, place } of marks) {
    if (state !== 'seen') continue;
    const seen = { condition, since: day, steps: 0, broughtBy: null };
    if (place !== null) meet({ ...seen, place, lotId: null });
    else
      for (const stay of stays)
        if (stay.lotId === lotId && stay.from <= day && (stay.to === null || day <= stay.to)) meet({ ...seen, place: stay.place, lotId });
  }
  for (let spell = queue.shift(); spell; spell = queue.shift()) {
    const { contact, until } = spell;
    const { place, lotId, since, steps, broughtBy } = contact;
    /** The first day of a time that falls into the spell; null for none. */
    const within = (from: Day, to: Day | null): Day | null => {
      const day = from > since ? from : since;
      return (to === null || day <= to) && (until === null || day < until) ? day : null;
    };
    if (lotId === null) {
      for (const stay of stays) {
        if (stay.place !== place || !carries(condition, lots.get(stay.lotId))) continue;
        const day = within(stay.from, stay.to);
        if (day !== null) meet({ condition, place, lotId: stay.lotId, since: day, steps, broughtBy });
      }
    } else if (carries(condition, lots.get(lotId))) {
      if (place !== apart) meet({ condition, place, lotId: null, since, steps, broughtBy });
      for (const passage of passages)
        if (passage.lotId === lotId && passage.from === place && passage.to !== null && within(passage.day, passage.day) !== null)
          meet({ condition, place: passage.to, lotId, since: passage.day, steps: steps + 1, broughtBy: lotId });
    }
  }
  // what is over is not told
  return [...spells.values()].flatMap((of) => of.filter(({ until }) => until === null).map(({ contact }) => contact));
}
