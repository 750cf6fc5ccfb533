import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { heatLoss, HeatBodySchema, type HeatBody } from './heat-loss';

/** Heat that warms one litre of water by one degree, J/LK (4168 kJ/m³K at 25 °C). */
export const HEAT_CAPACITY_J_PER_LK = 4168;

const PANELS = 64;
/** What takes longer than ten years does not happen. */
const NEVER_HOURS = 1e5;

/**
 * Hours that each litre of a tank with a fixed power takes to drift from one temperature to another: the integral of capacity over net
 * power along the way (Simpson's rule). Watts, degrees Celsius.
 * @param lossFactor multiplies the loss, for its uncertainty
 * @returns null when it settles before it gets there, or drifts the other way
 */
export function hoursPerLitreToEdge(
  body: HeatBody,
  airC: number,
  powerW: number,
  fromC: number,
  edgeC: number,
  lossFactor = 1,
): number | null {
  if (fromC === edgeC) return 0;
  const direction = Math.sign(edgeC - fromC);
  const netW = (waterC: number) => powerW - lossFactor * heatLoss(body, waterC, airC).totalW;
  let sum = 0;
  for (let i = 0; i <= PANELS; i++) {
    const net = netW(fromC + ((edgeC - fromC) * i) / PANELS);
    if (net * direction <= 0) return null;
    sum += (i === 0 || i === PANELS ? 1 : i % 2 === 1 ? 4 : 2) / net;
  }
  const integral = (sum * (edgeC - fromC)) / (3 * PANELS);
  return (HEAT_CAPACITY_J_PER_LK * integral) / 3600;
}

/** Hours of so many litres; null when that is as good as never. */
export function hoursOf(hoursPerLitre: number | null, litres: number): number | null {
  const hours = hoursPerLitre === null ? null : hoursPerLitre * litres;
  return hours !== null && hours < NEVER_HOURS ? hours : null;
}

/** Hours until a tank drifts from one temperature to another; as `hoursPerLitreToEdge`, for its litres. */
export function hoursToEdge(
  body: HeatBody,
  litres: number,
  airC: number,
  powerW: number,
  fromC: number,
  edgeC: number,
  lossFactor = 1,
): number | null {
  return hoursOf(hoursPerLitreToEdge(body, airC, powerW, fromC, edgeC, lossFactor), litres);
}

export const hoursToEdgeCalculation = calculation({
  id: 'equipment.hours-to-edge',
  title: 'Hours until the temperature reaches an edge',
  inputs: HeatBodySchema.extend({
    litres: z.number().positive(),
    airC: z.number().min(0).max(45),
    powerW: z.number().min(-5000).max(5000),
    fromC: z.number().min(0).max(45),
    edgeC: z.number().min(0).max(45),
  }),
  outputs: z.strictObject({ hours: z.number().nullable() }),
  source: [{ citation: 'One stirred body of water: C dT/dt = P − loss(T), by equipment.heat-loss', basis: 'published' }],
  formula: 'hours = ∫ C dT / (P − loss(T)) from start to edge; null when it settles before',
  validity: 'as equipment.heat-loss; the water stirred, the room steady',
  uncertainty: 'the loss is good to ±25 %; bed and stone hold some heat more, so it is rather slower',
  compute: ({ litres, airC, powerW, fromC, edgeC, ...body }) => ({ hours: hoursToEdge(body, litres, airC, powerW, fromC, edgeC) }),
});
