/** Absorption of pure water, 1/m, 400 to 700 nm by 10: Pope & Fry 1997, Appl. Opt. 36:8710 (values recalled). */
const PURE_WATER = [
  0.00663, 0.00473, 0.00454, 0.00495, 0.00635, 0.00922, 0.00979, 0.0106, 0.0127, 0.015, 0.0204, 0.0325, 0.0409, 0.0434, 0.0474, 0.0565,
  0.0619, 0.0695, 0.0896, 0.1351, 0.2224, 0.2644, 0.2755, 0.2916, 0.3108, 0.34, 0.41, 0.439, 0.465, 0.516, 0.624,
];
/** Slope of the absorption of humic matter, 1/nm: 0.014 to 0.018 are usual. */
const SLOPE_PER_NM = 0.016;

/** Wavelengths that plants use and people see, nm. */
export const WAVELENGTHS_NM: readonly number[] = PURE_WATER.map((_, i) => 400 + 10 * i);

/** How tinted water shades each wavelength against its 440 nm. */
const HUMIC = WAVELENGTHS_NM.map((nm) => Math.exp(-SLOPE_PER_NM * (nm - 440)));

/**
 * What tinted water takes of one wavelength on a metre.
 * @param i place in WAVELENGTHS_NM
 * @param a440PerM absorption by its tint at 440 nm, 1/m, base e
 * @returns 1/m, base e
 */
export const absorptionPerM = (i: number, a440PerM: number): number => PURE_WATER[i]! + a440PerM * HUMIC[i]!;
