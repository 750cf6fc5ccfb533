import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { seawaterDensity } from '../quantity/seawater';
import { blendConservative } from './blend';
import { ION_NAMES, type IonsMmolPerL } from '../chemistry/ions';
import type { Salt } from './salts';
import { SALT_G_PER_KG_AT_35 } from './sea-composition';
import { conductivityAt25Of, mixTraces, saltGPerL, type SourceWater, type TracesMgPerL } from './source-water';

/** Sources and salts together, as they leave the mixing vessel; null where a source does not say. */
export interface MixedWater {
  ghDh: number | null;
  khDh: number | null;
  ec25UsPerCm: number | null;
  salinity: number | null;
  ions: IonsMmolPerL;
  traces: TracesMgPerL;
  /** What was taken to be so about the poured sources, in words. */
  assumptions: readonly string[];
}

/** Dissolved salts as ions, mmol/L. */
export function saltIons(salts: readonly { salt: Salt; mgPerL: number }[]): IonsMmolPerL {
  return Object.fromEntries(
    ION_NAMES.map((ion) => [ion, salts.reduce((sum, { salt, mgPerL }) => sum + (mgPerL / salt.molarMass) * (salt.ions[ion] ?? 0), 0)]),
  ) as unknown as IonsMmolPerL;
}

/** Ions of two solutions that fill the same litre. */
export function addIons(a: IonsMmolPerL, b: IonsMmolPerL): IonsMmolPerL {
  return Object.fromEntries(ION_NAMES.map((ion) => [ion, a[ion] + b[ion]])) as unknown as IonsMmolPerL;
}

/** Ions of waters mixed by share. */
export function blendIons(parts: readonly { share: number; ions: IonsMmolPerL }[]): IonsMmolPerL {
  const total = parts.reduce((sum, { share }) => sum + share, 0);
  return Object.fromEntries(
    ION_NAMES.map((ion) => [ion, parts.reduce((sum, { share, ions }) => sum + (share / total) * ions[ion], 0)]),
  ) as unknown as IonsMmolPerL;
}

/** Salinity after dissolving grams of dry salt in a litre: salt over the mass of the whole. The other way round than `seaSaltG`. */
function salinityWith(before: number, gramsPerL: number): number {
  const kgPerL = seawaterDensity(25, Math.min(42, before)) / 1000;
  const salt = before * SALT_PER_SALINITY * kgPerL + gramsPerL;
  return salt / (kgPerL + gramsPerL / 1000) / SALT_PER_SALINITY;
}
const SALT_PER_SALINITY = SALT_G_PER_KG_AT_35 / 35;

/**
 * Waters poured together, and salts weighed in. Mass is kept. Conductivity goes by the ions, set right by how far the model stands from the
 * readings of the sources.
 */
export function mixWater(
  parts: readonly { share: number; water: SourceWater }[],
  salts: readonly { salt: Salt; mgPerL: number }[],
): MixedWater {
  const blend = (of: (water: SourceWater) => number | null) =>
    blendConservative(parts.map(({ share, water }) => ({ share, value: of(water) })));
  const poured = blendIons(parts.map(({ share, water }) => ({ share, ions: water.ions })));
  const added = saltIons(salts);
  const ions = addIons(poured, added);
  const ghDh = blend(({ ghDh: value }) => value);
  const khDh = blend(({ khDh: value }) => value);
  const before = blend(({ salinity: value }) => value);
  const salinity = before === null ? null : salinityWith(before, saltGPerL(added));
  const read = blend(({ ec25UsPerCm: value }) => value);
  const modelled = blend(({ modelledEcUsPerCm: value }) => value);
  const misses = read === null || !modelled ? 1 : read / modelled;
  return {
    ghDh: ghDh === null ? null : ghDh + (added.calcium + added.magnesium) / MMOL_PER_DEGREE_HARDNESS,
    khDh: khDh === null ? null : khDh + added.bicarbonate / MEQ_PER_DEGREE_ALKALINITY,
    ec25UsPerCm: read === null ? null : conductivityAt25Of(ions, salinity) * misses,
    salinity,
    ions,
    traces: mixTraces(parts.map(({ share, water }) => ({ share, traces: water.traces }))),
    assumptions: [...new Set(parts.flatMap(({ water }) => water.assumptions))],
  };
}
