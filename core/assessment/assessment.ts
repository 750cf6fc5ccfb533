import type { Finding } from '../calculation/finding';
import type { DeriveCache, DeriveCacheEntry } from './derive';
import type { Derived, NodeId, World } from './derive/node';

/** Everything known about a design at one moment: derived values and findings, worst first. */
export interface Assessment {
  world: World;
  derived: Derived;
  findings: readonly Finding[];
  /** The derived values by what they were computed from: a trial of an edit starts from a copy. */
  kept: ReadonlyMap<NodeId, DeriveCacheEntry>;
  /** Judges another world by the same rules. */
  again: (world: World, cache: DeriveCache) => Assessment;
}
