import type { Computed } from '../calculation/computed';
import type { Finding } from '../calculation/finding';
import type { Biotope } from '../catalogue/biotope';
import type { Material } from '../catalogue/material';
import type { Organism } from '../catalogue/organism';
import { PARAMETER_META, type Parameter } from '../catalogue/parameter';
import type { Span } from '../quantity/range';
import { belonging, outsideBy, strangeness, worstMonth, type Fidelity } from './fidelity';

/** Whether a kind belongs in the place. Never worse than worth watching: it may live well and yet not be from there. */
export function belongingFinding(id: string, organism: Organism | undefined, place: Biotope, fidelity: Fidelity): Finding {
  const belongs = organism ? belonging(organism, place) : null;
  const steps = belongs && strangeness(belongs, fidelity);
  return {
    key: `biotope.foreign:${id}`,
    code: 'biotope.foreign',
    bench: 'livestock',
    severity: steps === null ? 'unknown' : steps === 0 ? 'fits' : 'watch',
    excess: steps,
    subjects: [id],
    values: {},
    evidence: [],
    basis: organism?.regions.basis ?? 'recalled',
    kind: belongs ?? 'not-known',
  };
}

/** The planned water against the water of the place. */
export function placeWaterFinding(
  parameter: Exclude<Parameter, 'temperatureC'>,
  planned: Computed<number>,
  place: Biotope,
  fidelity: Fidelity,
): Finding | null {
  const fact = place.water[parameter];
  if (!fact) return null;
  const { kind } = PARAMETER_META[parameter];
  const span = fact.value;
  const common = {
    key: `biotope.water:${parameter}`,
    code: 'biotope.water' as const,
    bench: 'livestock' as const,
    subjects: [],
    evidence: [planned],
    basis: fact.basis,
    kind: parameter,
  };
  if (!span || planned.value === null) return { ...common, severity: 'unknown', excess: null, values: {} };
  const by = outsideBy(parameter, planned.interval ?? [planned.value, planned.value], [span[0], span[1]], fidelity);
  return {
    ...common,
    severity: by === 0 ? 'fits' : 'watch',
    excess: Math.abs(by),
    values: {
      planned: { quantity: kind, value: planned.value },
      placeLow: { quantity: kind, value: span[0] },
      placeHigh: { quantity: kind, value: span[1] },
    },
  };
}

/** The tank's year against the year of the place. */
export function placeSeasonFinding(year: Computed<readonly Span[]>, place: Biotope, fidelity: Fidelity): Finding {
  const common = {
    key: 'biotope.season',
    code: 'biotope.season' as const,
    bench: 'livestock' as const,
    subjects: [],
    evidence: [year],
    basis: place.waterC.basis,
  };
  if (!year.value || !place.waterC.value) return { ...common, severity: 'unknown', excess: null, values: {} };
  const worst = worstMonth(year.value, place.waterC.value, fidelity);
  const month = worst?.month ?? 0;
  const [tank, there] = [year.value[month], place.waterC.value[month]];
  if (!worst || !tank || !there) return { ...common, severity: 'fits', excess: 0, values: {} };
  return {
    ...common,
    severity: 'watch',
    excess: Math.abs(worst.by),
    kind: worst.by < 0 ? 'cooler' : 'warmer',
    values: {
      month: { quantity: 'count', value: month },
      by: { quantity: 'temperatureStep', value: Math.abs(worst.by) },
      tankLow: { quantity: 'temperature', value: tank[0] },
      tankHigh: { quantity: 'temperature', value: tank[1] },
      placeLow: { quantity: 'temperature', value: there[0] },
      placeHigh: { quantity: 'temperature', value: there[1] },
    },
  };
}

/** One wood is like another in a place that has wood, and so are leaves and shells: only sand, soil and stone tell one bottom from another. */
const ALIKE = new Set<Material['use']>(['wood', 'botanical', 'shell']);

/**
 * The bed and what lies on it against the bottom of the place. What is under the bed for height does not show, and is not asked.
 * @param lying materials in the tank
 */
export function placeBottomFinding(lying: readonly string[], place: Biotope, materials: ReadonlyMap<string, Material>): Finding | null {
  if (place.materialIds.length === 0) return null;
  const there = new Set(place.materialIds.map((id) => materials.get(id)?.use));
  const strange = lying.filter((id) => {
    const material = materials.get(id);
    if (place.materialIds.includes(id) || material?.filler) return false;
    return !material || !(ALIKE.has(material.use) && there.has(material.use));
  });
  return {
    key: 'biotope.bottom',
    code: 'biotope.bottom',
    bench: 'livestock',
    severity: lying.length === 0 ? 'unknown' : strange.length > 0 ? 'watch' : 'fits',
    excess: lying.length === 0 ? null : strange.length,
    subjects: strange,
    values: {},
    evidence: [],
    basis: place.bottom.basis,
  };
}

/** The place the tank is meant to be is not there. */
export function placeNotKnown(): Finding {
  return {
    key: 'biotope.not-known',
    code: 'biotope.not-known',
    bench: 'livestock',
    severity: 'unknown',
    excess: null,
    subjects: [],
    values: {},
    evidence: [],
    basis: 'recalled',
  };
}
