import { seawaterDensity } from '../quantity/seawater';

/**
 * Equilibrium constants of the carbonate system in fresh water, as log10, at infinite dilution.
 * Source: Plummer & Busenberg 1982, Geochim. Cosmochim. Acta 46:1011-1040, 0-90 degC.
 * The ion product of water is the fit in standard geochemical data bases (14.000 at 25 degC; recalled).
 */
export interface CarbonateConstants {
  /** CO2(aq) + H2O = H+ + HCO3-, -6.352 at 25 degC */
  logK1: number;
  /** HCO3- = H+ + CO3--, -10.329 at 25 degC */
  logK2: number;
  /** CO2(g) = CO2(aq), mol kg-1 atm-1, -1.468 at 25 degC */
  logKh: number;
  logKw: number;
}

export function carbonateConstants(temperatureC: number): CarbonateConstants {
  const t = temperatureC + 273.15;
  const log = Math.log10(t);
  return {
    logK1: -356.3094 - 0.06091964 * t + 21834.37 / t + 126.8339 * log - 1684915 / t ** 2,
    logK2: -107.8871 - 0.03252849 * t + 5151.79 / t + 38.92561 * log - 563713.9 / t ** 2,
    logKh: 108.3865 + 0.01985076 * t - 6919.53 / t - 40.45154 * log + 669365 / t ** 2,
    logKw: -283.971 - 0.05069842 * t + 13323.0 / t + 102.24447 * log - 1119669 / t ** 2,
  };
}

/**
 * Davies activity coefficient of an ion of charge z. Ionic strength up to 0.1 mol/L (best below 0.05).
 * Dielectric constant of water: Malmberg & Maryott 1956. gamma1(I = 0.01, 25 degC) = 0.9018.
 */
export function daviesActivity(charge: number, ionicStrengthMolPerL: number, temperatureC: number): number {
  const t = temperatureC;
  const dielectric = 87.74 - 0.40008 * t + 9.398e-4 * t ** 2 - 1.41e-6 * t ** 3;
  const densityKgPerL = seawaterDensity(t, 0) / 1000;
  const a = 1.82483e6 * Math.sqrt(densityKgPerL) * (dielectric * (t + 273.15)) ** -1.5;
  const root = Math.sqrt(ionicStrengthMolPerL);
  return 10 ** (-a * charge ** 2 * (root / (1 + root) - 0.3 * ionicStrengthMolPerL));
}

/** Solubility products of calcite and aragonite as log10, Plummer & Busenberg 1982: -8.480 and -8.336 at 25 degC. */
export function carbonateSolubility(temperatureC: number): { logCalcite: number; logAragonite: number } {
  const t = temperatureC + 273.15;
  const log = Math.log10(t);
  return {
    logCalcite: -171.9065 - 0.077993 * t + 2839.319 / t + 71.595 * log,
    logAragonite: -171.9773 - 0.077993 * t + 2903.293 / t + 71.595 * log,
  };
}
