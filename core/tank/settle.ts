import { balanceOf } from './balance';
import { carbonOf, type Now } from './now';
import { emptyState, pour, type TankScenario } from './scenario';
import { DISSOLVED, STATE, STATE_SIZE, type State } from './state';
import { startState } from './run';

/** Where a tank comes to rest, with each process there. */
export interface Settled {
  state: State;
  now: Now;
  /** Share of the water that is new each day. */
  newPerDay: number;
}

/** Ten years where water is changed, so that all is at rest; a year where none is: what climbs for ever is shown as it is then. */
const HORIZON_DAYS = { changed: 3640, never: 364 } as const;
/** Stocks that are used up slowly: taken as they are today. Nitrogen grown in is only kept account of. */
const FROZEN = new Set<number>([STATE.soil, STATE.binder, STATE.boundNitrogen, STATE.water]);
const MOVING = Array.from({ length: STATE_SIZE }, (_, i) => i).filter((i) => !FROZEN.has(i));
/** Further below nothing than this no step may take alkalinity that is there, meq/L. */
const LEAST_MEQ_PER_L = -0.05;
const MAY_BE_NEGATIVE = new Set<number>([STATE.alkalinity]);

/**
 * Where the water comes to rest under steady care: changes and doses spread over the days, day and night as one, the soil as it is
 * today. Linearly implicit Euler with growing steps: exact where it is at rest.
 */
export function settle(scenario: TankScenario): Settled {
  const { look, rates } = balanceOf({ ...scenario, topUpDays: 0 });
  const light = scenario.lampHours / 24;
  const y = startState(scenario);
  const held = look(0, light, y).temperatureC;
  const newPerDay = scenario.change ? scenario.change.fraction / scenario.change.everyDays : 0;
  const incoming = emptyState();
  pour(incoming, scenario.replacement, 1, held, carbonOf(scenario, scenario.replacement, held), 8);
  const all = new Float64Array(STATE_SIZE);
  const flow = (state: State): State => {
    rates(0, light, state, all);
    const litres = state[STATE.water]!;
    if (newPerDay > 0) for (const i of DISSOLVED) all[i]! += newPerDay * (incoming[i]! * litres - state[i]!);
    for (const dose of scenario.doses) {
      all[STATE.calcium]! += dose.calciumMmol / dose.everyDays;
      all[STATE.magnesium]! += dose.magnesiumMmol / dose.everyDays;
      all[STATE.sodium]! += dose.sodiumMmol / dose.everyDays;
      all[STATE.potassium]! += dose.potassiumMmol / dose.everyDays;
      all[STATE.chloride]! += dose.chlorideMmol / dose.everyDays;
      all[STATE.sulfate]! += dose.sulfateMmol / dose.everyDays;
      all[STATE.alkalinity]! += dose.alkalinityMeq / dose.everyDays;
      all[STATE.carbon]! += dose.alkalinityMeq / dose.everyDays;
      all[STATE.nitrate]! += dose.nitrateMgN / dose.everyDays;
      all[STATE.phosphate]! += dose.phosphateMgP / dose.everyDays;
    }
    return all;
  };
  const n = MOVING.length;
  const matrix = new Float64Array(n * n);
  const right = new Float64Array(n);
  const base = new Float64Array(STATE_SIZE);
  const horizon = newPerDay > 0 ? HORIZON_DAYS.changed : HORIZON_DAYS.never;
  let day = 0;
  let h = 0.1;
  while (day < horizon) {
    h = Math.min(h, horizon - day);
    base.set(flow(y));
    for (let c = 0; c < n; c++) {
      const j = MOVING[c]!;
      const keptValue = y[j]!;
      const nudge = 1e-6 * Math.max(Math.abs(keptValue), 0.01 * scenario.litres);
      y[j] = keptValue + nudge;
      const moved = flow(y);
      for (let r = 0; r < n; r++) matrix[r * n + c] = -(moved[MOVING[r]!]! - base[MOVING[r]!]!) / nudge;
      y[j] = keptValue;
      matrix[c * n + c]! += 1 / h;
    }
    for (let r = 0; r < n; r++) right[r] = base[MOVING[r]!]!;
    solve(matrix, right, n);
    let largest = 0;
    for (let r = 0; r < n; r++) {
      const scale = Math.abs(y[MOVING[r]!]!) + 0.2 * scenario.litres;
      largest = Math.max(largest, Math.abs(right[r]!) / scale);
    }
    // a step that moves a great deal leaves the straight line it was drawn along
    // and one that goes through all alkalinity at once lands where there is no water to reckon with: microbes stop long before
    const alkalinity = y[STATE.alkalinity]!;
    const drained = alkalinity > 0 && alkalinity + right[MOVING.indexOf(STATE.alkalinity)]! < LEAST_MEQ_PER_L * scenario.litres;
    if ((largest > 2 || drained) && h > 0.02) {
      h /= 4;
      continue;
    }
    for (let r = 0; r < n; r++) {
      const i = MOVING[r]!;
      y[i]! += right[r]!;
      if (y[i]! < 0 && !MAY_BE_NEGATIVE.has(i)) y[i] = 0;
    }
    day += h;
    h *= largest < 0.5 ? 3 : 1.5;
  }
  return { state: y, now: look(0, light, y), newPerDay };
}

/** Gauss with row exchange, in place; the answer stands in `b`. */
function solve(a: Float64Array, b: Float64Array, n: number): void {
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(a[r * n + c]!) > Math.abs(a[pivot * n + c]!)) pivot = r;
    if (pivot !== c) {
      for (let k = c; k < n; k++) [a[c * n + k], a[pivot * n + k]] = [a[pivot * n + k]!, a[c * n + k]!];
      [b[c], b[pivot]] = [b[pivot]!, b[c]!];
    }
    const head = a[c * n + c]!;
    if (head === 0) continue;
    for (let r = c + 1; r < n; r++) {
      const f = a[r * n + c]! / head;
      if (f === 0) continue;
      for (let k = c; k < n; k++) a[r * n + k]! -= f * a[c * n + k]!;
      b[r]! -= f * b[c]!;
    }
  }
  for (let c = n - 1; c >= 0; c--) {
    let sum = b[c]!;
    for (let k = c + 1; k < n; k++) sum -= a[c * n + k]! * b[k]!;
    const head = a[c * n + c]!;
    b[c] = head === 0 ? 0 : sum / head;
  }
}
