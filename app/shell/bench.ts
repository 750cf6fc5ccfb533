import type { Type } from '@angular/core';
import type { Bench } from '../../core/calculation/finding';
import type { Derived } from '../../core/assessment/derive/node';
import type { Design } from '../../core/design/design';
import type { UnitChoice } from '../../core/quantity/format';

/** A part of a bench that people look for by name. */
export interface BenchPart {
  name: string;
  /** What else it goes by. */
  words?: readonly string[];
  /** The face of the bench it stands on, as in the address. */
  face?: string;
  /** Its `data-control`. */
  control?: string;
}

/** One bench: a place in the work order, an address, a key, a band of the course, and what it says of the tank in a line. */
export interface BenchEntry {
  id: Bench;
  name: string;
  /** The key that opens it. */
  key: string;
  /** Band colour of the course and the ink that reads on it. */
  band: string;
  ink: string;
  nightBand: string;
  /** What stands on it; without it, it is not judged yet and says so. */
  load?: () => Promise<Type<unknown>>;
  /** What stands on it by name, fetched when somebody looks for it. */
  parts?: () => Promise<readonly BenchPart[]>;
  line?: (tank: { design: Design; derived: Derived; units: UnitChoice }) => string;
}

/** Inks that read on light and on dark bands. */
export const DARK = '#25231d';
export const LIGHT = '#fbf9f3';
export const NIGHT_INK = '#ece6d8';
