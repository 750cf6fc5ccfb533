import * as z from 'zod';
import { Day } from '../schedule/day';
import { BROOD_STAGES, broodFault } from './timeline';

const Key = z.string().min(1).max(80);
const Head = z.number().int('whole animals only').min(0, 'less than none').max(1_000_000);

/** Animals of one kind that are bred apart from others, towards one end. */
export const Line = z.strictObject({
  order: z.number().finite(),
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  organismId: Key,
  /** Where its forebears were caught; empty while not known. A line with a locality takes in none of another. */
  locality: z.string().trim().max(120),
  /** Whom it came from. */
  source: z.string().trim().max(120),
  /** What it is bred for, each scored from 0 to 10. */
  goals: z.record(Key, z.strictObject({ order: z.number().finite(), name: z.string().trim().min(1, 'a name is wanted').max(60) })),
  /** Young of it that find a home in a month; null while not known. */
  homesPerMonth: z.number().min(0).max(10_000).nullable(),
  note: z.string().max(500),
});
export type Line = z.infer<typeof Line>;

/** What becomes of an animal of a pedigree. */
export const Fate = z.enum(['undecided', 'breeds', 'pet', 'exchange', 'sale', 'gone', 'died']);
export type Fate = z.infer<typeof Fate>;

/** An animal of a pedigree, or a group that spawned together and is one parent. */
export const BredAnimal = z.strictObject({
  order: z.number().finite(),
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  organismId: Key,
  lineId: Key.nullable(),
  /** Of one animal; null for a group, and while it cannot be told. */
  sex: z.enum(['female', 'male']).nullable(),
  /** How many of each sex breed, where it is a group. */
  group: z.strictObject({ males: Head.min(1, 'no male breeds'), females: Head.min(1, 'no female breeds') }).nullable(),
  motherId: Key.nullable(),
  /** More than one where any of them may be the father. A group that is its own father is its mother too. */
  fatherIds: z.array(Key).max(20),
  bornOn: Day.nullable(),
  /** Of a founder: wild, F1, F2 and so on. That of its young follows from it. */
  generation: z.string().trim().max(20),
  /** Whether it is surely of this kind and place, or only looks like it: females of many kinds do. */
  identity: z.enum(['sure', 'looks']),
  /** A female that was kept from males since this day; null for one that is with them, or where nobody knows. */
  apartSince: Day.nullable(),
  /** Scores from 0 to 10 by goal of its line. */
  scores: z.record(Key, z.number().min(0).max(10)),
  fate: Fate,
  note: z.string().max(500),
});
export type BredAnimal = z.infer<typeof BredAnimal>;

/** How a brood was raised. */
export const Reared = z.enum(['with-parents', 'adults-out', 'eggs-out', 'young-out', 'stripped', 'stored']);
export type Reared = z.infer<typeof Reared>;

/** One spawn, from laying on. */
export const Brood = z
  .strictObject({
    order: z.number().finite(),
    /** The tank it was laid in. */
    tankId: Key,
    organismId: Key,
    motherId: Key.nullable(),
    fatherIds: z.array(Key).max(20),
    /** Days on which a stage was seen, that of laying first. */
    seen: z.partialRecord(z.enum(BROOD_STAGES), Day),
    eggs: Head.nullable(),
    hatched: Head.nullable(),
    /** Grown to be given on. */
    raised: Head.nullable(),
    reared: Reared.nullable(),
    /** Warmth of the box that the eggs are in; null for that of the kind in breeding. */
    eggsAtC: z.number().min(0).max(40).nullable(),
    /** Its lot among the living stock. */
    lotId: Key.nullable(),
    /** When nothing more was to come of it. */
    overOn: Day.nullable(),
    note: z.string().max(500),
  })
  .superRefine((brood, context) => {
    const wrong = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    const { seen, eggs, hatched, raised, overOn } = brood;
    if (seen.laid === undefined) wrong('seen', 'on which day it was laid is wanted');
    const fault = broodFault(seen);
    if (fault) wrong('seen', fault.reason);
    if (eggs !== null && hatched !== null && hatched > eggs) wrong('hatched', `${hatched} cannot hatch of ${eggs} eggs`);
    if (hatched !== null && raised !== null && raised > hatched) wrong('raised', `${raised} cannot be raised of ${hatched} that hatched`);
    if (hatched === null && eggs !== null && raised !== null && raised > eggs)
      wrong('raised', `${raised} cannot be raised of ${eggs} eggs`);
    if (overOn !== null && seen.laid !== undefined && overOn < seen.laid) wrong('overOn', `is over before it was laid on ${seen.laid}`);
  });
export type Brood = z.infer<typeof Brood>;
