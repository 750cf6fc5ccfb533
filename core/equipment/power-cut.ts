import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { oxygenSaturationOf } from '../chemistry/oxygen-saturation';
import { livingAt, schmidtOxygen, transferVelocity } from '../tank/speeds';

/** A tank whose current is gone: nothing moves its surface. */
export interface StillTank {
  litres: number;
  surfaceM2: number;
  temperatureC: number;
  salinity: number;
  /** All that live in it, mg of oxygen an hour at 25 °C. */
  breathMgPerHour: number;
  /** Times the exchange of a still surface that a battery's air stone makes; 1 without one. */
  movement: number;
}

/** Below this in an hour nothing goes in or out that anybody would wait for. */
const NOTHING = 1e-9;
/** Where oxygen ends, mg/L, and hours until it falls to an edge; null where it never does. One stirred body, that lies still at once. */
export function oxygenWithoutPower(tank: StillTank, fromMgPerL: number, edgeMgPerL: number): { endsMgPerL: number; hours: number | null } {
  const perHour = (transferVelocity(schmidtOxygen(tank.temperatureC)) * tank.movement * tank.surfaceM2 * 1000) / 24 / tank.litres;
  const breath = (tank.breathMgPerHour * livingAt(tank.temperatureC)) / tank.litres;
  const saturated = oxygenSaturationOf(tank.temperatureC, tank.salinity);
  if (perHour < NOTHING) {
    if (breath < NOTHING) return { endsMgPerL: fromMgPerL, hours: fromMgPerL <= edgeMgPerL ? 0 : null };
    return { endsMgPerL: 0, hours: Math.max(0, (fromMgPerL - edgeMgPerL) / breath) };
  }
  const ends = saturated - breath / perHour;
  if (fromMgPerL <= edgeMgPerL) return { endsMgPerL: Math.max(0, ends), hours: 0 };
  return {
    endsMgPerL: Math.max(0, ends),
    hours: ends >= edgeMgPerL ? null : Math.log((fromMgPerL - ends) / (edgeMgPerL - ends)) / perHour,
  };
}

const HEAT_J_PER_LK = 4168;
/** Hours until water cools, or warms, to an edge by a loss that goes with the difference; null where the room stops it before. */
export function hoursOfWarmth(litres: number, lossWPerK: number, airC: number, fromC: number, edgeC: number): number | null {
  const [from, edge] = [fromC - airC, edgeC - airC];
  if (fromC === edgeC) return 0;
  if (lossWPerK < NOTHING || from * edge <= 0 || Math.abs(edge) < NOTHING || Math.abs(edge) >= Math.abs(from)) return null;
  return ((litres * HEAT_J_PER_LK) / lossWPerK / 3600) * Math.log(from / edge);
}

export const powerCut = calculation({
  id: 'equipment.power-cut',
  title: 'Hours of oxygen and of warmth without current',
  inputs: z.strictObject({
    litres: z.number().positive().max(100_000),
    surfaceM2: z.number().min(0).max(100),
    temperatureC: z.number().min(0).max(40),
    salinity: z.number().min(0).max(42).default(0),
    breathMgPerHour: z.number().min(0).max(1e6),
    fromMgPerL: z.number().min(0).max(20),
    leastMgPerL: z.number().min(0).max(20),
    lossWPerK: z.number().min(0).max(1000),
    airC: z.number().min(-20).max(45),
    leastC: z.number().min(0).max(45),
  }),
  outputs: z.strictObject({
    oxygenHours: z.number().nullable(),
    oxygenEndsMgPerL: z.number(),
    warmthHours: z.number().nullable(),
    first: z.enum(['oxygen', 'warmth', 'neither']),
  }),
  source: [
    { citation: 'Still surface: Cole & Caraco 1998, Limnol. Oceanogr. 43:647; Schmidt number of Wanninkhof 1992', basis: 'published' },
    { citation: 'Oxygen in balance with air: Benson & Krause 1984', basis: 'published' },
    { citation: 'Breath by temperature: Clarke & Johnston 1999', basis: 'published' },
    { citation: 'Newton’s law of cooling', basis: 'published' },
  ],
  formula: 'C(t) = C∞ + (C₀ − C∞) e^(−kA t/V), C∞ = C* − R/(kA); t = (C_p V/UA) ln((T₀ − T_air)/(T_edge − T_air))',
  validity: 'All pumps off at once, an open surface, animals at rest; in the dark plants breathe too: count them',
  uncertainty: 'A factor of 1.6; a filter that stands rots within hours and takes oxygen of its own',
  compute: ({ fromMgPerL, leastMgPerL, lossWPerK, airC, leastC, ...tank }) => {
    const { hours, endsMgPerL } = oxygenWithoutPower({ ...tank, movement: 1 }, fromMgPerL, leastMgPerL);
    const warmthHours = hoursOfWarmth(tank.litres, lossWPerK, airC, tank.temperatureC, leastC);
    const first: 'oxygen' | 'warmth' | 'neither' =
      hours === null && warmthHours === null ? 'neither' : (hours ?? Infinity) <= (warmthHours ?? Infinity) ? 'oxygen' : 'warmth';
    return { oxygenHours: hours, oxygenEndsMgPerL: endsMgPerL, warmthHours, first };
  },
});
