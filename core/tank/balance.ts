import { eyeOf, type Now } from './now';
import type { TankScenario } from './scenario';
import { STATE_SIZE, type State } from './state';
import type { Flow, Term } from './term';
import { feeding } from './terms/feeding';
import { filterMedia } from './terms/filter-media';
import { gasExchange } from './terms/gas-exchange';
import { heat } from './terms/heat';
import { lime } from './terms/lime';
import { nitrification } from './terms/nitrification';
import { organicMatter } from './terms/organic-matter';
import { plants } from './terms/plants';
import { respiration } from './terms/respiration';
import { soil } from './terms/soil';

/** Every process there is; a new one is added here by hand. */
export const TERMS: readonly Term[] = [
  feeding,
  respiration,
  nitrification,
  plants,
  soil,
  lime,
  organicMatter,
  gasExchange,
  filterMedia,
  heat,
];

/** What the processes do to the state in a day, written into `rates`. */
export type Rates = (day: number, light: number, y: State, rates: State) => void;

export interface Balance {
  rates: Rates;
  look: (day: number, light: number, y: State) => Now;
}

/** The balance of one scenario: the sum of its processes. */
export function balanceOf(scenario: TankScenario): Balance {
  const look = eyeOf(scenario);
  const flows: Flow[] = TERMS.flatMap(({ make }) => make(scenario) ?? []);
  return {
    look,
    rates: (day, light, y, rates) => {
      rates.fill(0);
      const now = look(day, light, y);
      for (const flow of flows) flow(now, rates, y);
    },
  };
}

/** What one process alone does in a day, by its id. */
export function flowOf(scenario: TankScenario, id: string): ((now: Now, y: State) => State) | null {
  const flow = TERMS.find((term) => term.id === id)?.make(scenario);
  if (!flow) return null;
  return (now, y) => {
    const rates = new Float64Array(STATE_SIZE);
    flow(now, rates, y);
    return rates;
  };
}
