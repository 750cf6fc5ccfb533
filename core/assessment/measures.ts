import type { HeatBody } from '../equipment/heat-loss';
import { kwhPerYear } from '../equipment/energy';
import { failures, failuresPerLitre } from '../equipment/failures';
import { FOR_HOURS_C } from '../equipment/findings';
import { yearBalance, type Thermostats } from '../equipment/year-temperature';
import { oxygenWithoutPower } from '../equipment/power-cut';
import type { Assessment } from './assessment';
import { thermostats } from './derive/heat';
import { cutOf } from './derive/gear';

/** Foam of two centimetres on back, sides and floor lets through so much of the heat of a bare pane. Recalled: 1.4 W/m²K against 7. */
const FOAM_THROUGH = 0.2;
/** Of the panes back and sides are so much in a usual tank. */
const NOT_FRONT = 2 / 3;
const LID_COVERS = 0.95;
/** Blankets around all but the bottom. */
const WRAPPED_THROUGH = 0.3;

const foamed = (body: HeatBody): HeatBody => ({
  ...body,
  wallM2: body.wallM2 * (1 - NOT_FRONT * (1 - FOAM_THROUGH)),
  baseM2: body.baseM2 * 0.7,
});
const lidded = (body: HeatBody): HeatBody => ({ ...body, covered: Math.max(body.covered, LID_COVERS) });
const wrapped = (body: HeatBody): HeatBody => ({ ...lidded(body), wallM2: body.wallM2 * WRAPPED_THROUGH });

const meanHeaterW = (balance: ReturnType<typeof yearBalance>): number =>
  balance.reduce((sum, { heaterW: [a, b] }) => sum + Math.max(0, (a + b) / 2), 0) / balance.length;

/** What keeping the heat in saves of a heater's current in a year, kWh; nothing where there is no heater or no known room. */
export function heatSavings({ world: { design, room }, derived }: Assessment): { measure: 'lid' | 'foam'; kwh: number }[] {
  const body = derived['heat.body'].value;
  const litres = derived['vessel.system-volume'].value;
  const devices = thermostats(design);
  if (!body || litres === null || !room.climateC || devices.heaterC === null) return [];
  const climate = room.climateC;
  const uses = (of: HeatBody) => kwhPerYear(meanHeaterW(yearBalance(climate, of, devices, litres)), 24);
  const now = uses(body);
  const measures = [
    ...(body.covered < LID_COVERS ? [{ measure: 'lid' as const, kwh: now - uses(lidded(body)) }] : []),
    { measure: 'foam' as const, kwh: now - uses(foamed(body)) },
  ];
  return measures.filter(({ kwh }) => kwh > 1);
}

/** Hours until the first animal is in danger without current; null where that is never. */
export interface CutRow {
  measure: 'as it is' | 'wrapped' | 'battery air' | 'unfed';
  warmthHours: number | null;
  oxygenHours: number | null;
}

/** What is not fed the day before breathes so much less. Common practice. */
const UNFED = 0.75;

/** A power cut as it is, and what each measure buys of warmth and of oxygen. Null where neither is known. */
export function powerCutPlan(assessment: Assessment): CutRow[] | null {
  const { world, derived } = assessment;
  const oxygen = cutOf(world, derived);
  const warmth = warmthOf(assessment);
  if (!oxygen && !warmth) return null;
  const body = derived['heat.body'].value;
  const still = oxygen ? hoursOf(oxygen) : null;
  const warm = body && warmth ? warmth(body) : null;
  return [
    { measure: 'as it is', warmthHours: warm, oxygenHours: still },
    { measure: 'wrapped', warmthHours: body && warmth ? warmth(wrapped(body)) : null, oxygenHours: still },
    {
      measure: 'battery air',
      warmthHours: warm,
      oxygenHours: oxygen ? hoursOf({ ...oxygen, tank: { ...oxygen.tank, movement: Math.max(oxygen.tank.movement, oxygen.aired) } }) : null,
    },
    {
      measure: 'unfed',
      warmthHours: warm,
      oxygenHours: oxygen ? hoursOf({ ...oxygen, tank: { ...oxygen.tank, breathMgPerHour: oxygen.tank.breathMgPerHour * UNFED } }) : null,
    },
  ];
}

const hoursOf = ({ tank, fromMgPerL, leastMgPerL }: NonNullable<ReturnType<typeof cutOf>>): number | null =>
  oxygenWithoutPower(tank, fromMgPerL, leastMgPerL).hours;

/** Hours of warmth by how the tank loses it; null where nothing is known of its room or its animals. */
function warmthOf({ world: { design }, derived }: Assessment): ((body: HeatBody) => number | null) | null {
  const balance = derived['heat.balance'].value;
  const litres = derived['vessel.system-volume'].value;
  const window = derived['window.animalsC'].value;
  if (!balance || litres === null || !window?.tolerance) return null;
  const [low, high] = window.tolerance;
  const devices: Thermostats = thermostats(design);
  return (body) => {
    const list = failures(
      failuresPerLitre(balance, body, devices, {
        optimum: window.optimum ?? [null, null],
        tolerance: [low === null ? null : low - FOR_HOURS_C.low, high === null ? null : high + FOR_HOURS_C.high],
      }),
      litres,
    );
    return list.find(({ kind }) => kind === 'power-cut')?.survival?.hours ?? null;
  };
}
