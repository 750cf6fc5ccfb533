import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { absorptionPerM, WAVELENGTHS_NM } from './absorption';

/** What clear-looking aquarium water scatters out of the way down, 1/m. Assumed. */
const SCATTERED_PER_M = 0.05;
/** Light from above comes at a slant: its way is so much longer than the water is deep. Assumed. */
const SLANT = 1.15;

const SAMPLE_MM = 5;
const kept = new Map<number, number[]>();

/**
 * Share of the photons of 400 to 700 nm that reaches a depth of tinted water, of a lamp that has all wavelengths alike. Not exponential in
 * tinted water, whose blue is gone in the first hand's breadth: summed over the spectrum.
 *
 * @param depthM 0 and more
 * @param a440PerM absorption by the tint at 440 nm, 1/m, base e
 */
export function shareThroughWater(depthM: number, a440PerM: number): number {
  let sum = 0;
  for (let i = 0; i < WAVELENGTHS_NM.length; i++) sum += Math.exp(-(absorptionPerM(i, a440PerM) + SCATTERED_PER_M) * SLANT * depthM);
  return sum / WAVELENGTHS_NM.length;
}

/** The same for many depths of one water, straight between half centimetres: a field asks for thousands. */
export function shareTable(a440PerM: number, deepestMm: number): (depthMm: number) => number {
  const rows = Math.ceil(deepestMm / SAMPLE_MM) + 2;
  let table = kept.get(a440PerM);
  if (!table || table.length < rows) {
    table = Array.from({ length: rows }, (_, i) => shareThroughWater((i * SAMPLE_MM) / 1000, a440PerM));
    kept.clear();
    kept.set(a440PerM, table);
  }
  const shares = table;
  return (depthMm) => {
    const at = Math.max(0, depthMm) / SAMPLE_MM;
    const i = Math.min(shares.length - 2, Math.floor(at));
    return shares[i]! + (shares[i + 1]! - shares[i]!) * (at - i);
  };
}

export const throughWater = calculation({
  id: 'light.through-water',
  title: 'Light left at a depth of water',
  inputs: z.strictObject({ depthM: z.number().min(0).max(20), a440PerM: z.number().min(0).max(200) }),
  outputs: z.strictObject({ share: z.number() }),
  source: [
    { citation: 'Absorption of pure water: Pope & Fry 1997, Appl. Opt. 36:8710', basis: 'recalled' },
    { citation: 'Scattering 0.05 a metre, way longer by 15 %: assumed', basis: 'recalled' },
  ],
  formula: 'share = mean over 400–700 nm of e^(−(a_w + a₄₄₀ e^(−0.016 (λ − 440)) + 0.05) · 1.15 z)',
  validity: 'Water without cloudiness, a lamp of even spectrum; from under the surface on',
  uncertainty: 'A tenth in clear water; in tinted water that of the tint. A red lamp loses less, a blue one more',
  compute: ({ depthM, a440PerM }) => ({ share: shareThroughWater(depthM, a440PerM) }),
});
