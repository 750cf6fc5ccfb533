import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { absorptionPerM, WAVELENGTHS_NM } from '../light/absorption';

/** Absorption at 440 nm of a milligram of humic carbon a litre, 1/m. Recalled; leaf and peat extracts spread from 0.3 to 1. */
const A440_PER_MG_C = 0.6;

/** Absorption of tinted water at 440 nm, 1/m, base e. */
export function a440Of(organicCarbonMgPerL: number): number {
  return A440_PER_MG_C * organicCarbonMgPerL;
}

/** Colour on the platinum-cobalt scale, mg Pt/L: Cuthbert & del Giorgio 1992, Limnol. Oceanogr. 37:1319. */
export function platinumCobalt(a440PerM: number): number {
  return Math.max(0, 18.216 * a440PerM - 0.209);
}

/** CIE 1931 colour matching by sums of skewed Gaussians: Wyman, Sloan & Shirley 2013, J. Comput. Graph. Techn. 2:1. */
function matching(nm: number): [number, number, number] {
  const g = (mean: number, below: number, above: number) => Math.exp(-0.5 * ((nm - mean) / (nm < mean ? below : above)) ** 2);
  return [
    1.056 * g(599.8, 37.9, 31.0) + 0.362 * g(442.0, 16.0, 26.7) - 0.065 * g(501.1, 20.4, 26.2),
    0.821 * g(568.8, 46.9, 40.5) + 0.286 * g(530.9, 16.3, 31.1),
    1.217 * g(437.0, 11.8, 36.0) + 0.681 * g(459.0, 26.0, 13.8),
  ];
}

/** XYZ to linear sRGB (IEC 61966-2-1). */
const TO_RGB = [
  [3.2406, -1.5372, -0.4986],
  [-0.9689, 1.8758, 0.0415],
  [0.0557, -0.204, 1.057],
] as const;

/** Share of red, green and blue light that passes a path of tinted water, 0 to 1 each, linear; white without any water is 1, 1, 1. */
export function transmittedRgb(a440PerM: number, pathMm: number): [number, number, number] {
  const through = [0, 0, 0];
  const clear = [0, 0, 0];
  WAVELENGTHS_NM.forEach((nm, i) => {
    const passes = Math.exp((-absorptionPerM(i, a440PerM) * pathMm) / 1000);
    matching(nm).forEach((weight, k) => {
      through[k]! += weight * passes;
      clear[k]! += weight;
    });
  });
  // each of X, Y, Z against white: an equal-energy lamp, seen by an eye that is used to it
  const xyz = through.map((value, k) => (value / clear[k]!) * WHITE[k]!);
  return TO_RGB.map((row) =>
    Math.min(
      1,
      Math.max(
        0,
        row.reduce((sum, factor, k) => sum + factor * xyz[k]!, 0),
      ),
    ),
  ) as [number, number, number];
}
/** D65, the white of sRGB. */
const WHITE = [0.95047, 1, 1.08883];

/** The same as #rrggbb, through the transfer curve of sRGB. */
export function hexOf(linear: readonly [number, number, number]): string {
  const encode = (v: number) => Math.round(255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055));
  return `#${linear.map((v) => encode(v).toString(16).padStart(2, '0')).join('')}`;
}

export const waterColour = calculation({
  id: 'water.colour',
  title: 'Colour of tinted water',
  inputs: z.strictObject({ organicCarbonMgPerL: z.number().min(0).max(200), pathMm: z.number().min(1).max(5000) }),
  outputs: z.strictObject({ a440PerM: z.number(), platinumCobaltMgPerL: z.number(), colour: z.string() }),
  source: [
    { citation: 'Pope & Fry 1997, Appl. Opt. 36:8710; colour matching: Wyman, Sloan & Shirley 2013', basis: 'recalled' },
    { citation: 'Platinum-cobalt: Cuthbert & del Giorgio 1992, Limnol. Oceanogr. 37:1319', basis: 'recalled' },
    { citation: '0.6 per metre at 440 nm for a milligram of humic carbon', basis: 'recalled' },
  ],
  formula: 'a(λ) = a_w + 0.6 C e^(−0.016 (λ − 440)); light passed = e^(−a · path), summed over the CIE 1931 observer',
  validity: 'humic tint without cloudiness, organic carbon to 200 mg/L',
  uncertainty: 'tint by a factor of two for the same carbon',
  compute: ({ organicCarbonMgPerL, pathMm }) => {
    const a440PerM = a440Of(organicCarbonMgPerL);
    return { a440PerM, platinumCobaltMgPerL: platinumCobalt(a440PerM), colour: hexOf(transmittedRgb(a440PerM, pathMm)) };
  },
});
