import { breeding } from '../breeding/bench';
import { care } from '../care/bench';
import { equipment } from '../equipment/bench';
import { hardscape } from '../hardscape/bench';
import { livestock } from '../livestock/bench';
import { plants } from '../plants/bench';
import { startup } from '../startup/bench';
import { stocking } from '../stocking/bench';
import { substrate } from '../substrate/bench';
import { vessel } from '../vessel/bench';
import { water } from '../water/bench';
import { InjectionToken } from '@angular/core';
import type { BenchEntry } from './bench';

/** The benches in work order: water over silt over subsoil. A new one is a folder and a name here. */
export const BENCHES: readonly BenchEntry[] = [
  livestock,
  vessel,
  water,
  substrate,
  hardscape,
  plants,
  equipment,
  stocking,
  startup,
  care,
  breeding,
];

export const BENCH_LIST = new InjectionToken<readonly BenchEntry[]>('benches', { providedIn: 'root', factory: () => BENCHES });
