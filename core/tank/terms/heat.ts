import { carbonOf, type Now } from '../now';
import { KJ_PER_L_K, STATE } from '../state';
import type { HeatTable, TankScenario } from '../scenario';
import { emptyState, pour } from '../scenario';
import type { Term } from '../term';

const KJ_PER_DAY_W = 86.4;
/** How fast a thermostat brings the water to its set-point, share of the difference a day. */
const THERMOSTAT_PER_DAY = 8;
/** The room is coldest at six and warmest at three in the afternoon, taken as one even swing about noon. */
const COLDEST = 5 / 24;

/** The air at a time: the low and high of its stretch of 30 days, gliding into the next, with the swing of the day. */
export function airAt(airC: readonly (readonly [number, number])[], day: number): number {
  const at = Math.min(airC.length - 1, Math.max(0, day / 30 - 0.5));
  const i = Math.min(airC.length - 1, Math.floor(at));
  const f = at - i;
  const next = airC[Math.min(airC.length - 1, i + 1)]!;
  const low = airC[i]![0] + f * (next[0] - airC[i]![0]);
  const high = airC[i]![1] + f * (next[1] - airC[i]![1]);
  return (low + high) / 2 - ((high - low) / 2) * Math.cos(2 * Math.PI * (day - COLDEST));
}

/** Between the points of a table, straight both ways. */
function looked(table: HeatTable, values: readonly (readonly number[])[], airC: number, waterC: number): number {
  const span = table.airC[1] - table.airC[0];
  const a = span > 0 ? Math.min(1, Math.max(0, (airC - table.airC[0]) / span)) : 0;
  const at = Math.min(
    table.columns - 1.000001,
    Math.max(0, ((waterC - table.waterC[0]) / (table.waterC[1] - table.waterC[0])) * (table.columns - 1)),
  );
  const i = Math.floor(at);
  const f = at - i;
  const row = (r: readonly number[]): number => r[i]! + f * (r[i + 1]! - r[i]!);
  return row(values[0]!) * (1 - a) + row(values[1]!) * a;
}

/** Heat given to the room, heater and cooler that hold their set-points as far as their power goes, and evaporation with its top-up. */
export const heat: Term = {
  id: 'heat',
  title: 'Heat, evaporation and top-up',
  formula: 'dH/dt = gear + heater − cooler − loss(water, air); water evaporates, and is topped up as it goes or by hand',
  source: [
    { citation: 'equipment.heat-loss and equipment.evaporation, by their tables', basis: 'published' },
    { citation: 'A room swings evenly between the low and the high of its day', basis: 'practice' },
  ],
  uncertainty: 'loss ±25 %, evaporation ±40 %',
  make: (scenario) => {
    const { heat: plan, topUpDays } = scenario;
    const litreOf = (temperatureC: number) => {
      const litre = emptyState();
      const carbon = carbonOf(scenario, scenario.topUp, temperatureC);
      pour(litre, scenario.topUp, 1, temperatureC, carbon, 8);
      return litre;
    };
    const topped = litreOf('heldC' in plan ? plan.heldC : plan.startC);
    const goes = (now: Now, rates: Float64Array, litresPerDay: number): void => {
      // vapour takes its heat along as water of this temperature; the latent heat is in the loss
      rates[STATE.water]! -= litresPerDay;
      rates[STATE.heat]! -= litresPerDay * now.temperatureC * KJ_PER_L_K;
      if (topUpDays > 0) return;
      for (let i = 0; i < topped.length; i++) rates[i]! += litresPerDay * topped[i]!;
    };
    if ('heldC' in plan) return plan.evaporationLPerDay > 0 ? (now, rates) => goes(now, rates, plan.evaporationLPerDay) : null;
    const { table, heaterC, coolerC } = plan;
    const heaterKJ = plan.heaterW * KJ_PER_DAY_W;
    const coolerKJ = plan.coolerW * KJ_PER_DAY_W;
    return (now, rates) => {
      const air = airAt(plan.airC, now.day);
      const t = now.temperatureC;
      const capacity = now.litres * KJ_PER_L_K;
      const alone = (plan.gearW - looked(table, table.lossW, air, t)) * KJ_PER_DAY_W;
      const pull = (set: number) => THERMOSTAT_PER_DAY * capacity * (set - t) - alone;
      let driven = 0;
      if (heaterC !== null) driven += Math.min(heaterKJ, Math.max(0, pull(heaterC)));
      if (coolerC !== null) driven -= Math.min(coolerKJ, Math.max(0, -pull(coolerC)));
      rates[STATE.heat]! += alone + driven;
      goes(now, rates, looked(table, table.evaporationLPerDay, air, t));
    };
  },
};

/** The temperature a scenario begins with. */
export const startTemperature = ({ heat: plan }: TankScenario): number => ('heldC' in plan ? plan.heldC : plan.startC);
