import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { NO_IONS, type IonsMmolPerL } from '../chemistry/ions';
import { METER_ABOVE_TOTAL_SCALE } from '../chemistry/seawater-ph';
import { balanceOf, TERMS } from './balance';
import { corner } from './doubt';
import { FRESH_SALINITY_MAX, type TankScenario } from './scenario';
import { carbonOf, type Now } from './now';
import { change, QUICK, run } from './run';
import { settle, type Settled } from './settle';
import { N_MASS, STATE, STATE_SIZE, type State } from './state';

/** Water at rest, as it would be tested. */
export interface AtRest {
  ghDh: number;
  khDh: number;
  ph: number;
  pco2Uatm: number;
  co2MmolPerL: number;
  /** How many times as salty as it was poured: evaporation. */
  concentrated: number;
  nitrateMgPerL: number;
  phosphateMgPerL: number;
  ammoniaMgNPerL: number;
  organicCarbonMgPerL: number;
  oxygenMgPerL: number;
  /** What a meter reads just after a change. */
  phAfterChange: number;
  ions: IonsMmolPerL;
}

/** What one process does to hardness and alkalinity by the time the water is at rest, degrees; and what of its stock it uses in a day. */
export interface Move {
  id: string;
  ghDh: number;
  khDh: number;
  usedPerDay: number;
}

/** Where the tank settles: as taken, and at the two corners of what is likely. */
export interface SettledTank {
  usual: AtRest;
  /** All doubts towards acid, all away from it. */
  corners: readonly [acid: AtRest, mild: AtRest];
  moves: readonly Move[];
  /** The same for the corners, by process. */
  cornerMoves: readonly [acid: readonly Move[], mild: readonly Move[]];
  newPerDay: number;
}

/** NO3 for N, PO4 for P, by mass. */
export const NITRATE_PER_N = 62.004 / N_MASS;
export const PHOSPHATE_PER_P = 94.971 / 30.974;

/** The ions of a state, mmol/L; alkalinity stands as bicarbonate. */
export function ionsOf(y: State): IonsMmolPerL {
  const per = 1 / y[STATE.water]!;
  return {
    ...NO_IONS,
    calcium: Math.max(0, y[STATE.calcium]! * per),
    magnesium: Math.max(0, y[STATE.magnesium]! * per),
    sodium: Math.max(0, y[STATE.sodium]! * per),
    potassium: Math.max(0, y[STATE.potassium]! * per),
    chloride: Math.max(0, y[STATE.chloride]! * per),
    sulfate: Math.max(0, y[STATE.sulfate]! * per),
    bicarbonate: Math.max(0, y[STATE.alkalinity]! * per),
    nitrate: Math.max(0, (y[STATE.nitrate]! * per) / N_MASS),
  };
}

/** What a meter set with fresh-water buffers reads above the scale that the constants are on. */
export const meterOffset = ({ salinity }: TankScenario): number => (salinity > FRESH_SALINITY_MAX ? METER_ABOVE_TOTAL_SCALE : 0);

/** Rounds of changes after which a tank with soil swings evenly, and the longest that is followed, days. */
const ROUNDS = 4;
const MOST_DAYS = 84;

/**
 * The tank as it stands just before a change, and what a meter reads just after one. Spread over the days a change is a small pull; on active
 * soil, that works against it day and night, the days between tell: there it is followed round by round.
 */
function beforeChange(scenario: TankScenario, settled: Settled): { state: State; now: Now; phAfterChange: number } {
  const { change: by, soil, lampHours } = scenario;
  const { look } = balanceOf({ ...scenario, topUpDays: 0 });
  const light = lampHours / 24;
  let { state } = settled;
  if (soil && by) {
    const rounds = Math.max(1, Math.min(ROUNDS, Math.floor(MOST_DAYS / by.everyDays)));
    state = run({ ...scenario, topUpDays: 0 }, rounds * by.everyDays, {}, QUICK, Float64Array.from(settled.state));
    // day and night as one, as everywhere where the tank is at rest
    state[STATE.oxygen] = settled.state[STATE.oxygen]!;
  }
  const after = Float64Array.from(state);
  if (by) {
    const { temperatureC } = settled.now;
    change(scenario, after, by.fraction, temperatureC, carbonOf(scenario, scenario.replacement, temperatureC));
  }
  const phAfterChange = look(0, light, after).ph;
  return { state, now: { ...look(0, light, state) }, phAfterChange };
}

function atRest(scenario: TankScenario): { rest: AtRest; moves: Move[]; newPerDay: number } {
  const settled = settle(scenario);
  const { newPerDay } = settled;
  const { state, now, phAfterChange } = beforeChange(scenario, settled);
  const chloride = scenario.start.chlorideMmol;
  const litres = now.litres;
  const moves = TERMS.flatMap((term): Move[] => {
    const flow = term.make({ ...scenario, topUpDays: 0 });
    if (!flow) return [];
    const rates = new Float64Array(STATE_SIZE);
    flow(settled.now, rates, settled.state);
    const per = newPerDay > 0 ? 1 / (settled.now.litres * newPerDay) : 0;
    return [
      {
        id: term.id,
        ghDh: ((rates[STATE.calcium]! + rates[STATE.magnesium]!) * per) / MMOL_PER_DEGREE_HARDNESS,
        khDh: (rates[STATE.alkalinity]! * per) / MEQ_PER_DEGREE_ALKALINITY,
        usedPerDay: term.id === 'soil' ? -rates[STATE.soil]! : 0,
      },
    ];
  });
  return {
    newPerDay,
    moves,
    rest: {
      ghDh: (state[STATE.calcium]! + state[STATE.magnesium]!) / litres / MMOL_PER_DEGREE_HARDNESS,
      khDh: now.alkalinityMeqPerL / MEQ_PER_DEGREE_ALKALINITY,
      ph: now.ph + meterOffset(scenario),
      co2MmolPerL: now.co2MmolPerL,
      pco2Uatm: (now.co2MmolPerL / now.k.kh) * 1000,
      concentrated: chloride > 0 ? state[STATE.chloride]! / litres / chloride : 1,
      nitrateMgPerL: now.nitrateMgNPerL * NITRATE_PER_N,
      phosphateMgPerL: now.phosphateMgPPerL * PHOSPHATE_PER_P,
      ammoniaMgNPerL: now.ammoniaMgNPerL,
      organicCarbonMgPerL: now.organicCarbonMgPerL,
      oxygenMgPerL: now.oxygenMgPerL,
      phAfterChange: phAfterChange + meterOffset(scenario),
      ions: ionsOf(state),
    },
  };
}

/** Where a tank settles as taken, without the corners: for trying out. */
export const restOf = (scenario: TankScenario): AtRest => atRest(scenario).rest;

/** Where a tank settles, and the corners of what is likely. */
export function settledTank(scenario: TankScenario): SettledTank {
  const usual = atRest(scenario);
  const [acid, mild] = [atRest(corner(scenario, 1)), atRest(corner(scenario, -1))];
  return {
    usual: usual.rest,
    corners: [acid.rest, mild.rest],
    moves: usual.moves,
    cornerMoves: [acid.moves, mild.moves],
    newPerDay: usual.newPerDay,
  };
}
