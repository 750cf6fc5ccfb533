/**
 * TDS as meters show it: a display of conductivity with a stated factor, never a measurement of its own.
 * Factors in use are 0.5 (sodium chloride meters), 0.64 and 0.7: display conventions, common practice.
 *
 * @param ec25UsPerCm conductivity at 25 degC, µS/cm, >= 0
 * @param factor mg/L per µS/cm, 0.3 to 1
 * @returns "ppm" as such a meter would show it
 */
export function tdsFromEc(ec25UsPerCm: number, factor: number): number {
  return ec25UsPerCm * factor;
}

/** The conductivity behind a TDS reading whose factor is known. */
export function ecFromTds(tdsPpm: number, factor: number): number {
  return tdsPpm / factor;
}

/**
 * Conductivity at 25 degC from a reading at another temperature, linear compensation.
 * Source: Standard Methods 2510 B, a = 0.0191 per degC; meters also use 0.020 and 0.021.
 *
 * @param ecUsPerCm reading at `temperatureC`, µS/cm
 * @param temperatureC 0 to 40
 */
export function ec25FromReading(ecUsPerCm: number, temperatureC: number, perDegree = 0.0191): number {
  return ecUsPerCm / (1 + perDegree * (temperatureC - 25));
}
