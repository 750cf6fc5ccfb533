import type { Span } from '../quantity/range';

/** What active soil does in all, in the settled tank; bands by the corners of what is likely. */
export interface SoilEffect {
  setPh: number;
  /** Alkalinity that it keeps out of each litre. */
  takenMeqPerL: number;
  /** Weeks until it is spent; null when this water takes nothing out of it. */
  weeksLeft: number | null;
  weeksBand: Span | null;
}

/** What stone, sand and coral give off, in the settled tank. */
export interface LimeEffect {
  dissolvedMmolPerL: number;
  band: Span;
}
