import type { AnimalGroup } from '../catalogue/organism';

/** A figure of this tank: read within the last days, or reckoned by its balance. */
export interface Known {
  value: number;
  /** Days since it was read; null for reckoned. */
  readDaysAgo: number | null;
}

/** What of a tank speaks for a cause or against it. Null is not known. */
export interface TankFacts {
  groups: ReadonlySet<AnimalGroup>;
  salty: boolean;
  /** Since it was filled. */
  daysRunning: number | null;
  /** It is still being started: its filter was not shown to be grown in. */
  starting: boolean;
  temperatureC: Known | null;
  ph: Known | null;
  ghDh: Known | null;
  khDh: Known | null;
  oxygenMgPerL: Known | null;
  ammoniaMgN: Known | null;
  /** Un-ionised, by pH and warmth. */
  freeAmmoniaMgN: number | null;
  nitriteMgN: Known | null;
  nitrateMgPerL: Known | null;
  copperMgPerL: Known | null;
  co2MgPerL: number | null;
  /** Where all that live here are well. */
  windows: Readonly<Partial<Record<'temperatureC' | 'ph' | 'ghDh' | 'khDh', readonly [number, number]>>>;
  /** Fed, as a share of what such stock usually gets. */
  fedTimes: number | null;
  daysSinceChange: number | null;
  /** The largest change of the last three days, as a share. */
  changedLately: number;
  /** What is poured differs from what stands there so far, in degrees of GH and in pH. */
  pouredOff: { ghDh: number; ph: number } | null;
  filterCleanedDaysAgo: number | null;
  treatedDaysAgo: number | null;
  arrivedDaysAgo: number | null;
  plantedDaysAgo: number | null;
  /** Sprays, paint, soap and the like stand in the notes of the last week. */
  poisonNoted: boolean;
  /** Work on pipes stands in the notes of the last month. */
  pipesNoted: boolean;
  lampHours: number | null;
  sunlit: boolean;
  stillSurface: boolean;
  openTop: boolean;
  fertilised: boolean;
  plants: number;
  bedMm: number | null;
  /** Open findings of the design, by their codes. */
  findings: ReadonlySet<string>;
  /** Diseases and pests that this tank met, by their ids. */
  met: ReadonlySet<string>;
  /** Taken out of the log of the last four weeks. */
  died: number;
}
