import type { Source } from '../calculation/calculation';
import type { Now } from './now';
import type { TankScenario } from './scenario';
import type { State } from './state';

/** Adds what one process does in a day to the rates, in the units of the state. */
export type Flow = (now: Now, rates: State, y: State) => void;

/** One process of the balance. */
export interface Term {
  id: string;
  title: string;
  formula: string;
  source: readonly Source[];
  uncertainty: string;
  /** The process in one scenario; null where there is none of it. */
  make: (scenario: TankScenario) => Flow | null;
}

/** What breathes when oxygen runs out: half of it at 0.3 mg/L. */
export const breathing = (oxygenMgPerL: number): number => oxygenMgPerL / (oxygenMgPerL + 0.3);

/** Moles of CO2 breathed out for a mole of oxygen. */
export const RESPIRATORY_QUOTIENT = 0.9;
export const MG_PER_MMOL_O2 = 31.998;
