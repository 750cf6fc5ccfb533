import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const A = [0.008, -0.1692, 25.3851, 14.0941, -7.0261, 2.7081];
const B = [0.0005, -0.0056, -0.0066, -0.0375, 0.0636, -0.0144];
/** Conductivity of standard sea water at 15 degC (IPTS-68), mS/cm. */
const C_35_15 = 42.914;

/** Ratio of standard sea water at a temperature (IPTS-68) to itself at 15 degC. */
function standardRatio(t: number): number {
  return 0.6766097 + t * (2.00564e-2 + t * (1.104259e-4 + t * (-6.9698e-7 + t * 1.0031e-9)));
}

/**
 * PSS-78 from the conductivity ratio to standard sea water, with the low-salinity form of Hill, Dauphinee & Woods 1986 below 2,
 * scaled so that the two meet.
 *
 * @param t68 temperature, IPTS-68 (1.00024 times ITS-90)
 * @param pressureDbar sea pressure; 0 in a tank
 */
export function practicalSalinityOfRatio(ratio: number, t68: number, pressureDbar = 0): number {
  const p = pressureDbar;
  const rp =
    1 + (p * (2.07e-5 + p * (-6.37e-10 + p * 3.989e-15))) / (1 + 3.426e-2 * t68 + 4.464e-4 * t68 * t68 + (0.4215 - 3.107e-3 * t68) * ratio);
  const rt = ratio / (rp * standardRatio(t68));
  const raw = salinityOfRt(rt, t68);
  if (raw >= 2) return raw;
  return hill(rt, raw, t68) * (2 / hillAtTwo(t68));
}

function salinityOfRt(rt: number, t68: number): number {
  const root = Math.sqrt(Math.max(rt, 0));
  const f = (t68 - 15) / (1 + 0.0162 * (t68 - 15));
  let s = 0;
  let ds = 0;
  for (let i = 5; i >= 0; i--) {
    s = s * root + A[i]!;
    ds = ds * root + B[i]!;
  }
  return s + f * ds;
}

function hill(rt: number, raw: number, t68: number): number {
  const f = (t68 - 15) / (1 + 0.0162 * (t68 - 15));
  const [x, y] = [400 * rt, 100 * rt];
  return Math.max(0, raw - 0.008 / (1 + 1.5 * x + x * x) - (0.0005 * f) / (1 + Math.sqrt(y) + y + y ** 1.5));
}

/** Hill's form where PSS-78 gives 2: the scale that makes the two meet. */
function hillAtTwo(t68: number): number {
  let [low, high] = [0, 0.2];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (salinityOfRt(middle, t68) < 2) low = middle;
    else high = middle;
  }
  return hill(low, 2, t68);
}

/** Practical salinity from conductivity (mS/cm) at a temperature (degC, ITS-90), at the surface. */
export function practicalSalinityOf(conductivityMsPerCm: number, temperatureC: number): number {
  return practicalSalinityOfRatio(conductivityMsPerCm / C_35_15, 1.00024 * temperatureC);
}

/** Conductivity of sea water of a salinity at 25 degC, µS/cm: PSS-78 turned round. Salinity 0 to 42. */
export function seaConductivityAt25(salinity: number): number {
  let [low, high] = [0, 80];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (practicalSalinityOf(middle, 25) < salinity) low = middle;
    else high = middle;
  }
  return 500 * (low + high);
}

export const practicalSalinity = calculation({
  id: 'water.practical-salinity',
  title: 'Practical salinity from conductivity',
  inputs: z.strictObject({ conductivityMsPerCm: z.number().min(0).max(200), temperatureC: z.number().min(-10).max(60) }),
  outputs: z.strictObject({ salinity: z.number() }),
  source: [
    { citation: 'PSS-78: Fofonoff & Millard 1983, UNESCO Technical Papers in Marine Science 44', basis: 'published' },
    { citation: 'Below 2: Hill, Dauphinee & Woods 1986, IEEE J. Oceanic Eng. 11', basis: 'published' },
  ],
  formula: 'SP = Σ aᵢ R_t^(i/2) + (t − 15)/(1 + 0.0162 (t − 15)) Σ bᵢ R_t^(i/2)',
  validity: '−2 to 35 °C, salinity 0–42, sea-salt proportions: not for hard fresh water',
  uncertainty: '0.003 at 35; a hand meter is good to 1–2 %',
  outside: ({ conductivityMsPerCm, temperatureC }) => {
    if (temperatureC < -2 || temperatureC > 35) return 'temperature outside −2 to 35 °C';
    return practicalSalinityOf(conductivityMsPerCm, temperatureC) > 42 ? 'salinity above 42' : null;
  },
  compute: ({ conductivityMsPerCm, temperatureC }) => ({ salinity: practicalSalinityOf(conductivityMsPerCm, temperatureC) }),
});
