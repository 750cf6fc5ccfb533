/**
 * Density of sea water at one atmosphere, EOS-80.
 * Source: Millero & Poisson 1981; UNESCO Technical Papers in Marine Science 44 (1983).
 * Valid for practical salinity 0 to 42 and -2 to 40 degC; within 0.0083 kg/m3 of TEOS-10 there.
 *
 * @param temperatureC degC
 * @param salinity practical salinity (parts per thousand, near enough)
 * @returns kg/m3
 */
export function seawaterDensity(temperatureC: number, salinity: number): number {
  const t = temperatureC;
  const s = salinity;
  const pure = 999.842594 + t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
  const a = 0.824493 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
  return pure + a * s + b * s ** 1.5 + 4.8314e-4 * s * s;
}

/**
 * Specific gravity: density of the sample over that of pure water at the reference temperature.
 * "25/25" is sample 25, reference 25; "60/60 F" is 15.556 for both.
 */
export function specificGravity(salinity: number, temperatureC: number, referenceC: number): number {
  return seawaterDensity(temperatureC, salinity) / seawaterDensity(referenceC, 0);
}

/**
 * Practical salinity from specific gravity, by bisection on the density equation.
 * Valid where EOS-80 is; salinity 0 to 42, -2 to 40 degC.
 * @returns null when no salinity in 0 to 42 has this specific gravity
 */
export function salinityFromSpecificGravity(gravity: number, temperatureC: number, referenceC: number): number | null {
  let low = 0;
  let high = 42;
  if (gravity < specificGravity(low, temperatureC, referenceC) || gravity > specificGravity(high, temperatureC, referenceC)) return null;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (specificGravity(middle, temperatureC, referenceC) < gravity) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
