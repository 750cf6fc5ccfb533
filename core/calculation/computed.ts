import type { Span } from '../quantity/range';
import type { Gap } from './calculation';

/** A derived value that can be opened: what it is, how it was computed, from what. */
export interface Computed<T> {
  node: string;
  /** The calculation behind it; null for a plain selection of stated facts. */
  calculationId: string | null;
  inputs: Readonly<Record<string, unknown>>;
  /** Upstream nodes. */
  from: readonly string[];
  value: T | null;
  interval?: Span;
  gap?: Gap;
  /** A reading stands here, in place of what is worked out. */
  measured?: true;
  /** What was worked out, where a measurement stands in its place. */
  worked?: number;
  /** Why there is a gap, or what was assumed. */
  note?: string;
}
