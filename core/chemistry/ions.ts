import * as z from 'zod';

/** Dissolved ions of fresh water, with charge and molar mass (g/mol, IUPAC conventional atomic weights). */
export const IONS = {
  calcium: { symbol: 'Ca²⁺', charge: 2, molarMass: 40.078 },
  magnesium: { symbol: 'Mg²⁺', charge: 2, molarMass: 24.305 },
  sodium: { symbol: 'Na⁺', charge: 1, molarMass: 22.99 },
  potassium: { symbol: 'K⁺', charge: 1, molarMass: 39.098 },
  bicarbonate: { symbol: 'HCO₃⁻', charge: -1, molarMass: 61.016 },
  chloride: { symbol: 'Cl⁻', charge: -1, molarMass: 35.45 },
  sulfate: { symbol: 'SO₄²⁻', charge: -2, molarMass: 96.056 },
  nitrate: { symbol: 'NO₃⁻', charge: -1, molarMass: 62.004 },
} as const;
export type Ion = keyof typeof IONS;
export const ION_NAMES = Object.keys(IONS) as Ion[];

/** Concentrations, mmol/L. Alkalinity stands as bicarbonate. */
export type IonsMmolPerL = Readonly<Record<Ion, number>>;

const Concentration = z.number().min(0).max(2000).default(0);

export const IonsSchema = z.strictObject({
  calcium: Concentration,
  magnesium: Concentration,
  sodium: Concentration,
  potassium: Concentration,
  bicarbonate: Concentration,
  chloride: Concentration,
  sulfate: Concentration,
  nitrate: Concentration,
});

export const NO_IONS: IonsMmolPerL = {
  calcium: 0,
  magnesium: 0,
  sodium: 0,
  potassium: 0,
  bicarbonate: 0,
  chloride: 0,
  sulfate: 0,
  nitrate: 0,
};

/** Charge of cations and of anions, meq/L, both positive. */
export function chargesMeqPerL(ions: IonsMmolPerL): { cations: number; anions: number } {
  let [cations, anions] = [0, 0];
  for (const name of ION_NAMES) {
    const { charge } = IONS[name];
    if (charge > 0) cations += charge * ions[name];
    else anions -= charge * ions[name];
  }
  return { cations, anions };
}

/**
 * Charge-balance error of an analysis: (cations − anions) / (cations + anions), −1 to 1; null for water without ions.
 * Standard Methods 1030 E; beyond 0.05 an analysis is worth a question, beyond 0.1 it is not whole.
 */
export function chargeBalance(ions: IonsMmolPerL): number | null {
  const { cations, anions } = chargesMeqPerL(ions);
  return cations + anions > 0 ? (cations - anions) / (cations + anions) : null;
}

/** Ionic strength of the ions as given, mol/L. */
export function ionicStrength(ions: IonsMmolPerL): number {
  return ION_NAMES.reduce((sum, name) => sum + 0.5 * IONS[name].charge ** 2 * ions[name], 0) / 1000;
}
