import * as z from 'zod';
import { Day } from '../schedule/day';

const Key = z.string().min(1).max(80);

/** Where practitioners go different ways, and the ways; the first is taken where nobody has said. */
export const SCHOOLS = {
  wood: ['soak', 'boil', 'hold-down'],
  coarse: ['rinse', 'as-bought'],
  planting: ['at-once', 'after-ammonia'],
  light: ['short', 'round-the-clock', 'dark'],
} as const;
export type School = keyof typeof SCHOOLS;

/** A step that was done. */
export const Tick = z.strictObject({
  day: Day,
  /** The step as it was told on that day: a design that is changed later does not change what was done. */
  as: z.string().min(1).max(200),
  /** What was used in place of what was planned; empty for nothing. */
  instead: z.string().max(300),
  /** Pictures of it, kept beside the design. */
  photoIds: z.array(Key).max(6, 'six pictures a step at most'),
});
export type Tick = z.infer<typeof Tick>;

/** How the building goes: what was done, by which school, in which order. The plan itself stands in the rest of the design. */
export const BuildRecord = z.strictObject({
  ticks: z.record(Key, Tick),
  /** Ids of steps in an order of one's own; empty for the usual one. */
  order: z.array(Key).max(200),
  schools: z.strictObject({
    wood: z.enum(SCHOOLS.wood).optional(),
    coarse: z.enum(SCHOOLS.coarse).optional(),
    planting: z.enum(SCHOOLS.planting).optional(),
    light: z.enum(SCHOOLS.light).optional(),
  }),
});
export type BuildRecord = z.infer<typeof BuildRecord>;

export const emptyBuild = (): BuildRecord => ({ ticks: {}, order: [], schools: {} });
