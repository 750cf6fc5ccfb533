import * as z from 'zod';
import { Day } from '../schedule/day';

const Key = z.string().min(1).max(80);

export const LotKind = z.enum(['animal', 'plant', 'media', 'soil']);
export type LotKind = z.infer<typeof LotKind>;

/** What a lot is counted in. */
export const LOT_MEASURE = { animal: 'count', plant: 'count', media: 'volume', soil: 'volume' } as const satisfies Record<LotKind, string>;

/** Where a lot is when it is in no tank: tubs and buckets, each by itself. Tanks go by the id of their design. */
export const ON_THE_SHELF = 'shelf';

/** Animals, plants, filter media or soil that came together, or were born of one lot: what is known of one is known of all. */
export const Lot = z.strictObject({
  order: z.number().finite(),
  kind: LotKind,
  /** Entry of the catalogue; null for what is in none. */
  organismId: Key.nullable(),
  name: z.string().trim().min(1, 'a name is wanted').max(80),
  /** Whom or where it came from. */
  from: z.string().max(200),
  /** The lot that it was born of. */
  parentId: Key.nullable(),
  line: z.string().max(80),
  /** Wild, F1, F2 and so on, as the keeper writes it. */
  generation: z.string().max(20),
  /** When it was last seen eating. */
  ateOn: Day.nullable(),
  /** How many are to go. */
  surplus: z.number().min(0).max(1e6),
  /** Where they could go. */
  home: z.string().max(120),
});
export type Lot = z.infer<typeof Lot>;

/** Ways in, ways out, between, and a count that puts the number right. */
export const MoveWhy = z.enum(['arrived', 'born', 'moved', 'died', 'left', 'counted']);
export type MoveWhy = z.infer<typeof MoveWhy>;

/** One thing that happened to a lot: so many went from one place to another, or are there after all. */
export const Move = z
  .strictObject({
    order: z.number().finite(),
    day: Day,
    lotId: Key,
    why: MoveWhy,
    /** How many or how many litres; for a count, what is there. */
    amount: z.number().min(0).max(1e6),
    /** Of a count: how far off it may be. */
    error: z.number().min(0).max(1e6),
    from: Key.nullable(),
    to: Key.nullable(),
    note: z.string().max(200),
  })
  .superRefine(({ why, amount, error, from, to }, context) => {
    const wrong = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    const [comesFrom, goesTo] = MOVE_ENDS[why];
    if ((from === null) === comesFrom) wrong('from', comesFrom ? 'where it comes from is wanted' : 'comes from no place of this room');
    if ((to === null) === goesTo) wrong('to', goesTo ? 'where it goes is wanted' : 'goes to no place of this room');
    if (from !== null && from === to) wrong('to', 'is where it comes from');
    if (why !== 'counted' && amount === 0) wrong('amount', 'nothing would be moved');
    if (why !== 'counted' && error > 0) wrong('error', 'only a count can be off');
  });
export type Move = z.infer<typeof Move>;

/** Whether a move leaves a place of the room, and whether it enters one. */
export const MOVE_ENDS: Readonly<Record<MoveWhy, readonly [from: boolean, to: boolean]>> = {
  arrived: [false, true],
  born: [false, true],
  moved: [true, true],
  died: [true, false],
  left: [true, false],
  counted: [false, true],
};

/** A kind that is looked for. */
export const Wanted = z.strictObject({
  order: z.number().finite(),
  organismId: Key,
  count: z.number().int().min(1).max(10000),
  note: z.string().max(200),
});
export type Wanted = z.infer<typeof Wanted>;
