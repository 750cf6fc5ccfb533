import { weakestBasis, type Fact } from '../quantity/fact';
import { rangeFor, type Animal, type Ranges, type ToleranceRange } from './organism';
import { PARAMETERS, Phase, type Parameter } from './parameter';

const UNLIKE = 'The kinds it may be differ here: identify it first.';
const TEMPERS = ['peaceful', 'shy', 'nippy', 'territorial', 'predatory'] as const;
const TOUGHNESS = ['hardy', 'ordinary', 'delicate'] as const;

/**
 * An animal that is one of several kinds, nobody knows which: what suits it whichever it is. Ranges are what all of them bear, sizes and
 * room the largest, habits those of any of them. Where one of them is unknown, or they agree on nothing, it is unknown.
 *
 * @param kinds two or more
 * @throws RangeError when there are fewer than two
 */
export function unidentified(kinds: readonly Animal[]): Animal {
  const [first] = kinds;
  if (!first || kinds.length < 2) throw new RangeError('an animal that is not identified is one of at least two kinds');
  const { sizeMm, traits } = first;
  const fact = <T>(of: (kind: Animal) => Fact<T>, pick: (values: T[]) => T | null): Fact<T> => {
    const facts = kinds.map(of);
    const values = facts.flatMap(({ value }) => (value === null ? [] : [value]));
    const value = values.length < facts.length ? null : pick(values);
    return { value, basis: weakestBasis(facts.map(({ basis }) => basis)), ...(value === null ? { note: UNLIKE } : {}) };
  };
  const most = (values: number[]) => Math.max(...values);
  const least = (values: number[]) => Math.min(...values);
  const any = (values: boolean[]) => values.some(Boolean);
  const every = <T>(values: T[]): T | null =>
    values.every((value) => JSON.stringify(value) === JSON.stringify(values[0])) ? values[0]! : null;
  const together = <T>(values: T[][]) => [...new Set(values.flat())];
  const worstOf =
    <T>(scale: readonly T[]) =>
    (values: T[]): T =>
      scale[Math.max(...values.map((value) => scale.indexOf(value)))]!;
  const larger = (values: [number, number][]): [number, number] => [most(values.map(([a]) => a)), most(values.map(([, b]) => b))];
  const wider = (values: [number, number][]): [number, number] => [least(values.map(([a]) => a)), most(values.map(([, b]) => b))];

  return {
    ...first,
    id: kinds.map(({ id }) => id).join('-or-'),
    latin: kinds.map(({ latin }) => latin).join(' or '),
    common: ['not identified'],
    group: first.group,
    strainOf: undefined,
    retiredTo: undefined,
    origin: fact((kind) => kind.origin, every),
    regions: fact((kind) => kind.regions, together),
    ranges: Object.fromEntries(Phase.options.map((phase) => [phase, sharedRanges(kinds, phase)])),
    dailyStep: Object.fromEntries(
      PARAMETERS.flatMap((parameter) => {
        const steps = kinds.map(({ dailyStep }) => dailyStep[parameter]);
        const known = steps.filter((step) => step !== undefined);
        return known.length === 0 ? [] : [[parameter, { value: known.length < steps.length ? null : leastStep(known), basis: 'practice' }]];
      }),
    ),
    sizeMm: {
      length: fact((kind) => kind.sizeMm.length, most),
      depth: fact((kind) => kind.sizeMm.depth, most),
      width: fact((kind) => kind.sizeMm.width, most),
      gape: sizeMm.gape.value === null ? sizeMm.gape : fact((kind) => kind.sizeMm.gape, most),
    },
    traits: {
      ...traits,
      groupMin: fact((kind) => kind.traits.groupMin, most),
      temperament: fact((kind) => kind.traits.temperament, worstOf(TEMPERS)),
      strata: fact((kind) => kind.traits.strata, together),
      jumps: fact((kind) => kind.traits.jumps, any),
      climbs: fact((kind) => kind.traits.climbs, any),
      fins: fact(
        (kind) => kind.traits.fins,
        (values) => (values.includes('long') ? 'long' : 'short'),
      ),
      hunts: fact((kind) => kind.traits.hunts, together),
      eats: fact((kind) => kind.traits.eats, together),
      youngMm: fact((kind) => kind.traits.youngMm, least),
      sexes: fact((kind) => kind.traits.sexes, every),
      crossesWithin: fact((kind) => kind.traits.crossesWithin, every),
      hardiness: fact((kind) => kind.traits.hardiness, worstOf(TOUGHNESS)),
      footprintMm: fact((kind) => kind.traits.footprintMm, larger),
      volumeL: fact((kind) => kind.traits.volumeL, most),
      feeding: fact((kind) => kind.traits.feeding, every),
      mouth: fact((kind) => kind.traits.mouth, every),
      activity: fact((kind) => kind.traits.activity, every),
      current: fact((kind) => kind.traits.current, every),
      light: fact((kind) => kind.traits.light, every),
      oxygenMgPerL: fact((kind) => kind.traits.oxygenMgPerL, most),
      growthMonths: fact((kind) => kind.traits.growthMonths, most),
      digs: fact((kind) => kind.traits.digs, any),
      uproots: fact((kind) => kind.traits.uproots, any),
      stings: fact((kind) => kind.traits.stings, any),
      bedMm: fact((kind) => kind.traits.bedMm, most),
      shelter: fact((kind) => kind.traits.shelter, every),
      diet: fact((kind) => kind.traits.diet, every),
      breeding: {
        mode: fact((kind) => kind.traits.breeding.mode, every),
        site: fact((kind) => kind.traits.breeding.site, every),
        trigger: fact((kind) => kind.traits.breeding.trigger, every),
        brood: fact((kind) => kind.traits.breeding.brood, wider),
        intervalDays: fact((kind) => kind.traits.breeding.intervalDays, wider),
        incubationDays: fact((kind) => kind.traits.breeding.incubationDays, wider),
        maturityDays: fact((kind) => kind.traits.breeding.maturityDays, wider),
        care: fact((kind) => kind.traits.breeding.care, every),
        firstFood: fact((kind) => kind.traits.breeding.firstFood, every),
      },
    },
    cautions: [...new Set(kinds.flatMap(({ cautions }) => cautions ?? []))],
    lookAlikes: undefined,
  };
}

function leastStep(steps: readonly Fact<number>[]): number | null {
  const values = steps.flatMap(({ value }) => (value === null ? [] : [value]));
  return values.length < steps.length ? null : Math.min(...values);
}

/** What all of them bear in a phase, parameter by parameter; none where nothing is recorded of any. */
function sharedRanges(kinds: readonly Animal[], phase: Phase): Ranges {
  return Object.fromEntries(
    PARAMETERS.flatMap((parameter) => {
      const range = sharedRange(kinds, phase, parameter);
      return range ? [[parameter, range]] : [];
    }),
  );
}

function sharedRange(kinds: readonly Animal[], phase: Phase, parameter: Parameter): Fact<ToleranceRange> | null {
  const facts = kinds.map((kind) => rangeFor(kind, phase, parameter));
  if (facts.every((fact) => fact === undefined)) return null;
  const ranges = facts.flatMap((fact) => (fact?.value ? [fact.value] : []));
  const basis = weakestBasis(facts.flatMap((fact) => fact?.basis ?? []));
  const tolerance = ranges.length === facts.length ? shared(ranges.map((range) => range.tolerance)) : null;
  const optimum = ranges.length === facts.length ? shared(ranges.map((range) => range.optimum)) : null;
  return tolerance && optimum ? { value: { tolerance, optimum }, basis } : { value: null, basis, note: UNLIKE };
}

/** The part that lies in all of them; null when there is none or an edge is unknown. */
function shared(bounds: readonly (readonly [number | null, number | null])[]): [number, number] | null {
  const lows = bounds.flatMap(([low]) => (low === null ? [] : [low]));
  const highs = bounds.flatMap(([, high]) => (high === null ? [] : [high]));
  if (lows.length < bounds.length || highs.length < bounds.length) return null;
  const span: [number, number] = [Math.max(...lows), Math.min(...highs)];
  return span[0] <= span[1] ? span : null;
}
