import type { Span } from '../quantity/range';
import { PARAMETER_META, type Parameter } from './parameter';
import type { Animal, Organism, Plant, Ranges } from './organism';

/** What decides a kind, and differs within a family. Everything that is left out is as its family. */
export interface OwnFacts {
  id: string;
  latin: string;
  common: readonly string[];
  /** Adult length, total for fish. */
  lengthMm: number;
  /** Comfort, °C; it survives a few degrees further. */
  temperatureC: Span;
  /** Comfort in pH and GH; KH follows the family's where it can. */
  ph: Span;
  ghDh: Span;
  /** Fewest that settle. Of a plant: left out. */
  groupMin?: number;
  temperament?: Animal['traits']['temperament']['value'];
}

/** How much further than its comfort a kind survives, where nobody has said: °C, pH, degrees. Common practice. */
const FURTHER: Readonly<Partial<Record<Parameter, number>>> = { temperatureC: 3, ph: 0.5, ghDh: 4 };

const round = (value: number): number => Number(value.toPrecision(2));

/** A comfort as a range, with as much room around it as the family has or as is usual. */
function around(parameter: 'temperatureC' | 'ph' | 'ghDh', [low, high]: Span) {
  const further = FURTHER[parameter] ?? 0;
  const [least, most] = PARAMETER_META[parameter].limits;
  const tolerance = [Math.max(least, low - further), Math.min(most, high + further)] as [number, number];
  return { value: { tolerance, optimum: [low, high] as [number, number] }, basis: 'measured' as const };
}

/** Every fact of a template, marked as the family's. */
export function asFamilyFacts<T>(of: T, note: string): T {
  if (Array.isArray(of) || typeof of !== 'object' || of === null) return of;
  if ('basis' in of) {
    const { source: _, ...rest } = of as Record<string, unknown>;
    return { ...rest, basis: 'recalled', note } as T;
  }
  return Object.fromEntries(Object.entries(of).map(([key, value]) => [key, asFamilyFacts(value as unknown, note)])) as T;
}

/**
 * A kind of one's own out of a family's template by the facts that decide: sizes go with its length, floor and litres with its size and number,
 * water by what is said; all else is the template's, and says so. Phases of the template that would contradict what was said are left out.
 *
 * @param template an entry of the family
 * @returns an entry that still has to be checked by `Organism`: a comfort upside down is refused there
 */
export function asFamily(template: Organism, facts: OwnFacts): Organism {
  const note = `As its family: taken from ${template.latin}.`;
  const copy = asFamilyFacts(structuredClone(template), note);
  const { synonyms: _s, alsoCalled: _a, lookAlikes: _l, strainOf: _o, retiredTo: _r, ...rest } = copy;
  const keep: Ranges = {
    ...rest.ranges.keep,
    temperatureC: around('temperatureC', facts.temperatureC),
    ph: around('ph', facts.ph),
    ghDh: around('ghDh', facts.ghDh),
  };
  // what a reading in µS/cm should be follows hardness, and the family's is of another
  delete keep.ec25UsPerCm;
  const shared = { id: facts.id, latin: facts.latin, common: [...facts.common], ranges: { keep } };
  const ratio = facts.lengthMm / (template.sizeMm.length.value ?? facts.lengthMm);
  const stated = <T>(value: T) => ({ value, basis: 'measured' as const });
  const sized = <T extends { value: number | null }>(fact: T): T => ({
    ...fact,
    value: fact.value === null ? null : round(fact.value * ratio),
  });
  if (rest.kind === 'plant')
    return {
      ...(rest as Plant),
      ...shared,
      sizeMm: { length: stated(facts.lengthMm), width: sized(rest.sizeMm.width) },
    };
  const { traits } = rest;
  const footprint = traits.footprintMm.value;
  const more = facts.groupMin && traits.groupMin.value ? Math.max(1, Math.sqrt(facts.groupMin / traits.groupMin.value)) : 1;
  return {
    ...(rest as Animal),
    ...shared,
    sizeMm: {
      length: stated(facts.lengthMm),
      depth: sized(rest.sizeMm.depth),
      width: sized(rest.sizeMm.width),
      gape: sized(rest.sizeMm.gape),
    },
    traits: {
      ...traits,
      youngMm: {
        ...traits.youngMm,
        value: traits.youngMm.value === null ? null : Math.min(round(traits.youngMm.value * Math.sqrt(ratio)), facts.lengthMm),
      },
      groupMin: facts.groupMin === undefined ? traits.groupMin : stated(facts.groupMin),
      temperament: facts.temperament ? stated(facts.temperament) : traits.temperament,
      // it is another kind than the template, and crosses with none until somebody says so
      crossesWithin: { value: facts.id, basis: 'recalled', note: 'Nobody has said what it crosses with.' },
      footprintMm: { ...traits.footprintMm, value: footprint && [round(footprint[0] * ratio * more), round(footprint[1] * ratio * more)] },
      volumeL: { ...traits.volumeL, value: traits.volumeL.value === null ? null : round(traits.volumeL.value * ratio ** 2 * more) },
    },
  };
}
