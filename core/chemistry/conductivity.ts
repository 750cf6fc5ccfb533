import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { daviesActivity } from './carbonate-constants';
import { IonsSchema, ION_NAMES, ionicStrength, type Ion, type IonsMmolPerL } from './ions';

/** λ° at 25 degC, S cm²/mol, and how it falls with ionic strength: λ = λ° − A √I / (1 + B √I). */
const CONDUCTANCE: Readonly<Record<Ion, readonly [lambda: number, a: number, b: number]>> = {
  potassium: [73.48, 49.5, 1.35],
  sodium: [50.08, 43.3, 1.32],
  calcium: [118.94, 223.2, 2.48],
  magnesium: [106.0, 205.6, 2.33],
  chloride: [76.31, 48.7, 1.7],
  bicarbonate: [44.5, 41.0, 1.3],
  sulfate: [160.0, 263.9, 1.95],
  nitrate: [71.42, 48, 1.5],
};

/** Change of each ion's conductance with temperature: a t² + b t + c, taken relative to 25 degC; McCleskey et al. 2012. */
const WITH_TEMPERATURE: Readonly<Record<Ion, readonly [a: number, b: number, c: number]>> = {
  potassium: [0.003046, 1.261, 40.7],
  sodium: [0.003763, 0.877, 26.23],
  calcium: [0.009645, 1.984, 62.28],
  magnesium: [0.01068, 1.695, 57.16],
  chloride: [0.003817, 1.337, 40.99],
  bicarbonate: [0.000614, 0.9048, 21.14],
  sulfate: [0.01037, 2.838, 82.37],
  nitrate: [0.001925, 1.214, 39.9],
};

/** Conductance of a singly charged ion pair, S cm²/mol at 25 degC. */
const PAIR_LAMBDA = 35;
const LOG_K = { calciumSulfate: 2.3, magnesiumSulfate: 2.37, calciumBicarbonate: 1.106, magnesiumBicarbonate: 1.07 };

interface FreeIons {
  free: IonsMmolPerL;
  /** Singly charged pairs, mmol/L. */
  pairs: number;
  ionicStrengthMolPerL: number;
}

/** Ions that are not bound in pairs; association constants at 25 degC with Davies activities. */
function freeIons(ions: IonsMmolPerL): FreeIons {
  let free: IonsMmolPerL = ions;
  let strength = ionicStrength(ions);
  let pairs = 0;
  for (let i = 0; i < 40; i++) {
    const gamma2 = daviesActivity(2, Math.min(strength, 0.3), 25);
    // per mmol/L of the partner
    const neutral = (logK: number) => (10 ** logK * gamma2 ** 2) / 1000;
    const charged = (logK: number) => (10 ** logK * gamma2) / 1000;
    const calcium =
      ions.calcium / (1 + neutral(LOG_K.calciumSulfate) * free.sulfate + charged(LOG_K.calciumBicarbonate) * free.bicarbonate);
    const magnesium =
      ions.magnesium / (1 + neutral(LOG_K.magnesiumSulfate) * free.sulfate + charged(LOG_K.magnesiumBicarbonate) * free.bicarbonate);
    const sulfate = ions.sulfate / (1 + neutral(LOG_K.calciumSulfate) * calcium + neutral(LOG_K.magnesiumSulfate) * magnesium);
    const bicarbonate =
      ions.bicarbonate / (1 + charged(LOG_K.calciumBicarbonate) * calcium + charged(LOG_K.magnesiumBicarbonate) * magnesium);
    const moved = Math.abs(calcium - free.calcium) + Math.abs(magnesium - free.magnesium) + Math.abs(sulfate - free.sulfate);
    free = { ...ions, calcium, magnesium, sulfate, bicarbonate };
    pairs = ions.bicarbonate - bicarbonate;
    strength = ionicStrength(free) + pairs / 2000;
    if (moved < 1e-9) break;
  }
  return { free, pairs, ionicStrengthMolPerL: strength };
}

/**
 * Conductivity of a fresh water from its ions, µS/cm, at a temperature (25 degC by default).
 * Single-ion conductances fitted to CRC and Robinson & Stokes tables from 0.0005 to 0.1 eq/L, ion pairs first.
 */
export function conductivityOf(ions: IonsMmolPerL, temperatureC = 25): number {
  const { free, pairs, ionicStrengthMolPerL } = freeIons(ions);
  const root = Math.sqrt(ionicStrengthMolPerL);
  let sum = pairs * PAIR_LAMBDA * (1 + 0.02 * (temperatureC - 25));
  for (const name of ION_NAMES) {
    const [lambda, a, b] = CONDUCTANCE[name];
    sum += free[name] * (lambda - (a * root) / (1 + b * root)) * thermalFactor(name, temperatureC);
  }
  return sum;
}

/**
 * Conductivity at 25 degC of waters near one whose conductivity is known: single conductances at infinite dilution, falling with the root
 * of the ionic strength so that the known water is met. Within 2 % while hardness halves or doubles; made for curves of many points.
 */
export function conductivityNear(known: IonsMmolPerL, knownUsPerCm: number): (ions: IonsMmolPerL) => number {
  const bare = (ions: IonsMmolPerL) => ION_NAMES.reduce((sum, name) => sum + ions[name] * CONDUCTANCE[name][0], 0);
  const root = Math.sqrt(ionicStrength(known));
  const whole = bare(known);
  const fall = whole > 0 && root > 0 ? (1 - knownUsPerCm / whole) / root : 0;
  return (ions) => Math.max(0, bare(ions) * (1 - fall * Math.sqrt(ionicStrength(ions))));
}

function thermalFactor(name: Ion, t: number): number {
  const [a, b, c] = WITH_TEMPERATURE[name];
  return (a * t * t + b * t + c) / (a * 625 + b * 25 + c);
}

export const conductivity = calculation({
  id: 'water.conductivity',
  title: 'Conductivity from ions',
  inputs: z.strictObject({ ionsMmolPerL: IonsSchema }),
  outputs: z.strictObject({ microsiemensPerCm25: z.number() }),
  source: [
    { citation: 'Limiting conductances: CRC Handbook of Chemistry and Physics', basis: 'published' },
    {
      citation: 'Change with temperature: McCleskey, Nordstrom, Ryan & Ball 2012, Geochim. Cosmochim. Acta 77:369–382',
      basis: 'published',
    },
    { citation: 'Fall with ionic strength: own least-squares fit to CRC and Robinson & Stokes tables', basis: 'recalled' },
    { citation: 'Ion pairs CaSO₄, MgSO₄, CaHCO₃⁺, MgHCO₃⁺: association constants from geochemical data bases', basis: 'recalled' },
  ],
  formula: 'κ = Σ m (λ° − A √I / (1 + B √I)) over free ions, pairs at 35 S cm²/mol',
  validity: 'fresh water at 25 °C, ionic strength to 0.12 mol/L, pH 5–9',
  uncertainty: '1 % for single salts, 2–4 % in mixed waters',
  outside: ({ ionsMmolPerL }) => (ionicStrength(ionsMmolPerL) > 0.12 ? 'ionic strength above 0.12 mol/L' : null),
  compute: ({ ionsMmolPerL }) => ({ microsiemensPerCm25: conductivityOf(ionsMmolPerL) }),
});
