import * as z from 'zod';
import type { Severity } from '../../core/calculation/finding';
import type { UnitChoice } from '../../core/quantity/format';
import type { Design } from '../../core/design/design';
import type { TankFigure } from '../section/figure';

/** What a list of tanks shows of one. */
export const TankSummary = z.object({
  id: z.string(),
  roomId: z.string(),
  name: z.string(),
  archived: z.boolean(),
  savedAt: z.string(),
  /** Null until it has been judged. */
  judged: z
    .object({
      worst: z.enum(['conflict', 'watch', 'unknown', 'fits'] satisfies Severity[]),
      /** The worst finding in words; Latin names between asterisks. */
      says: z.string().nullable(),
      /** Open conflicts and things to watch. */
      conflicts: z.number(),
      watches: z.number(),
      target: z.string().nullable(),
      /** What it asks of the room's current; left out by those judged before it was asked. */
      power: z
        .object({
          ratedW: z.number(),
          kwhPerYear: z.number(),
          sockets: z.number(),
          timers: z.number(),
          lines: z.record(z.string(), z.number()),
          unstated: z.number(),
          air: z
            .array(z.object({ lPerMin: z.number().nullable(), ofTankId: z.string().nullable() }))
            .readonly()
            .default([]),
        })
        .optional(),
      figure: z.custom<TankFigure>().nullable(),
      /** The revision of the room, the edition of the catalogue and the units it was judged and worded by. */
      by: z.string(),
    })
    .nullable(),
});
export type TankSummary = z.infer<typeof TankSummary>;

export function notJudged(design: Design, savedAt: string): TankSummary {
  return { id: design.id, roomId: design.roomId, name: design.name, archived: design.archived, savedAt, judged: null };
}

/** What a verdict rests on beside the design. */
export function judgedBy(room: { id: string; rev: number }, edition: string, units: UnitChoice): string {
  return `${room.id}@${room.rev}/${edition}/${JSON.stringify(units)}`;
}
