import * as z from 'zod';
import { factOf } from '../quantity/fact';
import { isOrdered } from '../quantity/range';
import { Id } from './organism';
import { Parameter } from './parameter';
import { RegionId } from './region';

const Span = z.tuple([z.number(), z.number()]).refine(isOrdered, { message: 'the low edge is above the high edge' });

/** A wild place, with a coarse locality. */
export const Biotope = z.strictObject({
  id: Id,
  name: z.string().min(1),
  locality: factOf(z.string().min(1)),
  /** The basin or coast it belongs to. */
  region: RegionId,
  habitat: z.enum(['fresh', 'brackish', 'marine']),
  description: z.string().min(1),
  /** Water temperature by month, January first. */
  waterC: factOf(z.array(Span).length(12)),
  /** Mean air temperature by month. */
  airC: factOf(z.array(z.number().min(-40).max(50)).length(12)).optional(),
  /** Rain by month in mm. */
  rainMm: factOf(z.array(z.number().nonnegative()).length(12)),
  water: z.partialRecord(Parameter, factOf(Span)),
  depthM: factOf(Span),
  bottom: factOf(z.string().min(1)),
  /** Materials of the bottom and of what lies on it. */
  materialIds: z.array(Id),
  cover: factOf(z.string().min(1)),
  current: factOf(z.enum(['none', 'slow', 'moderate', 'strong'])),
  light: factOf(z.enum(['dim', 'broken', 'bright'])),
  waterColour: z.string().regex(/^#[0-9a-f]{6}$/),
  /** What lives there, out of the catalogue. */
  organismIds: z.array(Id),
  /** What else was recorded there and is not in the catalogue, by Latin name. */
  otherTaxa: z.array(z.string().min(1).max(200)).max(2000).optional(),
});
export type Biotope = z.infer<typeof Biotope>;
