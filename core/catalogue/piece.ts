import * as z from 'zod';
import { Id } from './organism';
import { ShelterKind } from './shelter';

const Share = z.number().min(-2).max(2);
const Size = z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]);

/** One solid of a piece; everything as a share of the piece's own sizes, from the middle of its base. */
const PieceSolid = z.strictObject({
  shape: z.enum(['box', 'ellipsoid', 'capsule', 'tube', 'arch', 'prism']),
  /** Shares of the piece's sizes along `axes`, in the solid's own frame. */
  size: Size,
  axes: z.enum(['xyz', 'yxz', 'zyx', 'xzy']),
  at: z.tuple([Share, Share, Share]),
  turnDeg: z.tuple([z.number(), z.number(), z.number()]).optional(),
  /** Wall of tube and arch, share of the piece's least size. */
  wall: z.number().positive().max(0.5).optional(),
});

/** A way in. */
const PieceMouth = z.strictObject({
  at: z.tuple([Share, Share, Share]),
  /** Outward. */
  facing: z.tuple([Share, Share, Share]),
  /** Width and height, shares of the piece's width and height. */
  opening: z.tuple([z.number().positive().max(1), z.number().positive().max(1)]),
  /** How deep an animal gets in, share of the piece's length. */
  inside: z.number().positive().max(3),
});

/** A generic class of hardscape. */
export const PieceClass = z.strictObject({
  id: Id,
  name: z.string().min(1),
  group: z.enum(['stone', 'wood', 'cave', 'shell', 'litter', 'wall', 'fitting']),
  /** How it is drawn. */
  form: z.enum(['rounded', 'angular', 'slab', 'wood', 'pipe', 'pot', 'shell', 'pile', 'leaves', 'sheet', 'plain']),
  /** What it may be made of; the first is taken until another is chosen. */
  materialIds: z.array(Id).min(1),
  /** Length, width, height to begin with. */
  sizeMm: Size,
  /** How it is first put down. */
  turnDeg: z.tuple([z.number(), z.number(), z.number()]),
  stand: z.enum(['bed', 'floor', 'pieces', 'held']),
  embedShare: z.number().min(0).max(0.9),
  solids: z.array(PieceSolid).min(1).max(16),
  /** Share of its solids that is body and not hollow: shells, heaps, litter. */
  filled: z.number().positive().max(1),
  mouths: z.array(PieceMouth).max(4),
  shelter: ShelterKind.nullable(),
  /** Gaps of tangles, heaps and litter: shares of its least size, and how many of them a litre of it has. */
  gaps: z.strictObject({ share: z.tuple([z.number().positive(), z.number().positive()]), perL: z.number().positive() }).nullable(),
  /** Cut or broken edges that tear fins and bellies. */
  cutEdges: z.boolean(),
});
export type PieceClass = z.infer<typeof PieceClass>;
