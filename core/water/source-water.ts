import type { Analyte } from '../catalogue/water-source';
import { ANALYTE_META } from '../catalogue/water-source';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { compose, type Composition } from './composition';
import { conductivityOf } from '../chemistry/conductivity';
import { ghFromIonsDh } from './hardness-from-ions';
import { ION_NAMES, ionicStrength, type Ion, type IonsMmolPerL } from '../chemistry/ions';
import { seaConductivityAt25 } from './practical-salinity';
import { SALT_G_PER_KG_AT_35, seaIons } from './sea-composition';

/** What else is dissolved, in milligrams a litre: too little to conduct, enough to matter. */
export const TRACES = ['phosphate', 'silicon', 'iron', 'copper', 'organicCarbon', 'chlorine'] as const satisfies readonly Analyte[];
export type Trace = (typeof TRACES)[number];
export type TracesMgPerL = Readonly<Record<Trace, number | null>>;

/** A source as the room describes it. */
export interface DescribedWater {
  ghDh: { value: number | null };
  khDh: { value: number | null };
  ec25UsPerCm: { value: number | null };
  salinity: { value: number | null };
  analysisMgPerL: Readonly<Partial<Record<Analyte, { value: number | null }>>>;
}

/** A source as it is reckoned with: readings, and the ions behind them. */
export interface SourceWater extends Composition {
  ghDh: number | null;
  khDh: number | null;
  ec25UsPerCm: number | null;
  salinity: number | null;
  traces: TracesMgPerL;
  /** What the ions would conduct by the model, µS/cm at 25 degC. */
  modelledEcUsPerCm: number;
}

/** Salinity above which a water is taken to have sea-salt proportions. */
export const SEA_PROPORTIONS_FROM = 2;
/** Ionic strength to which the conductivity model was fitted, mol/L. */
const MODEL_TO_STRENGTH = 0.12;

/** Conductivity of any water at 25 degC, µS/cm: the ionic model, and beyond its range sea water of the same salt. */
export function conductivityAt25Of(ions: IonsMmolPerL, salinity: number | null): number {
  if (ionicStrength(ions) <= MODEL_TO_STRENGTH) return conductivityOf(ions);
  return seaConductivityAt25(Math.min(42, salinity ?? salinityOf(saltGPerL(ions))));
}

/** Practical salinity of so many grams of sea salt in a litre of the solution, 0 to 42, within 0.1. */
function salinityOf(gramsPerL: number): number {
  const perUnit = SALT_G_PER_KG_AT_35 / 35;
  return gramsPerL / perUnit / (0.997 + 0.00075 * (gramsPerL / perUnit));
}

/** Dissolved mass of the ions, g/L; parts per thousand, near enough. */
export function saltGPerL(ions: IonsMmolPerL): number {
  return ION_NAMES.reduce((sum, ion) => sum + ions[ion] * MOLAR_MASS[ion], 0) / 1000;
}
/** What of it is common salt, g/L: sodium and chloride as far as they pair. */
export const commonSaltGPerL = ({ sodium, chloride }: IonsMmolPerL): number => (Math.min(sodium, chloride) * 58.44) / 1000;

const MOLAR_MASS: Readonly<Record<Ion, number>> = {
  calcium: ANALYTE_META.calcium.molarMass,
  magnesium: ANALYTE_META.magnesium.molarMass,
  sodium: ANALYTE_META.sodium.molarMass,
  potassium: ANALYTE_META.potassium.molarMass,
  bicarbonate: 61.016,
  chloride: ANALYTE_META.chloride.molarMass,
  sulfate: ANALYTE_META.sulfate.molarMass,
  nitrate: ANALYTE_META.nitrate.molarMass,
};

/**
 * The ions behind a source. Salt water has the proportions of the sea; for fresh water what the report names is kept, and the rest is
 * filled in by the assumptions of `compose`, which come with it. Readings that are not there but follow from the ions are worked out.
 */
export function sourceWater(source: DescribedWater): SourceWater {
  const traces = Object.fromEntries(TRACES.map((trace) => [trace, source.analysisMgPerL[trace]?.value ?? null])) as Record<
    Trace,
    number | null
  >;
  const salinity = source.salinity.value;
  if (salinity !== null && salinity > SEA_PROPORTIONS_FROM) {
    const ions = seaIons(salinity);
    const modelled = conductivityAt25Of(ions, salinity);
    return {
      ions,
      assumptions: ['its salts stand in the proportions of the sea'],
      contradictions: [],
      balance: null,
      ghDh: source.ghDh.value ?? ghFromIonsDh(ions.calcium * MOLAR_MASS.calcium, ions.magnesium * MOLAR_MASS.magnesium),
      khDh: source.khDh.value ?? ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY,
      ec25UsPerCm: source.ec25UsPerCm.value ?? modelled,
      salinity,
      traces,
      modelledEcUsPerCm: modelled,
    };
  }
  const read: Partial<Record<Ion, number>> = {};
  for (const ion of ION_NAMES) {
    if (ion === 'bicarbonate') continue;
    const mgPerL = source.analysisMgPerL[ion]?.value;
    if (mgPerL !== undefined && mgPerL !== null) read[ion] = mgPerL / MOLAR_MASS[ion];
  }
  const { calcium, magnesium } = read;
  const ghDh =
    source.ghDh.value ??
    (calcium === undefined || magnesium === undefined
      ? null
      : ghFromIonsDh(calcium * MOLAR_MASS.calcium, magnesium * MOLAR_MASS.magnesium));
  const khDh = source.khDh.value;
  const composition = compose({ ghDh, khDh, ec25UsPerCm: source.ec25UsPerCm.value, ions: read });
  const modelled = conductivityOf(composition.ions);
  const named = read.calcium !== undefined && read.sodium !== undefined && read.chloride !== undefined && khDh !== null;
  return {
    ...composition,
    ghDh,
    khDh,
    ec25UsPerCm: source.ec25UsPerCm.value ?? (named ? modelled : null),
    salinity: salinity ?? (ghDh === null || khDh === null ? null : saltGPerL(composition.ions)),
    traces,
    modelledEcUsPerCm: modelled,
  };
}

/** Waters mixed by share; a trace that one of them does not know is not known of the mixture. */
export function mixTraces(parts: readonly { share: number; traces: TracesMgPerL }[]): TracesMgPerL {
  const total = parts.reduce((sum, { share }) => sum + share, 0);
  return Object.fromEntries(
    TRACES.map((trace) => [
      trace,
      parts.reduce<number | null>((sum, { share, traces }) => {
        const value = traces[trace];
        return sum === null || value === null ? null : sum + (share / total) * value;
      }, 0),
    ]),
  ) as Record<Trace, number | null>;
}
