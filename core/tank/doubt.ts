import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Basis } from '../quantity/fact';
import type { HeatTable, TankScenario } from './scenario';

/** How well one of the things a forecast rests on is known. */
export interface Doubt {
  key: string;
  title: string;
  /** Nine times in ten the truth lies within this factor of what was taken, or, for a shift, this much above or below. */
  factor?: number;
  shift?: number;
  basis: Basis;
  /** Whether more of it makes the water more acid (1) or less so (−1). */
  acid: 1 | -1;
  apply: (scenario: TankScenario, by: number) => TankScenario;
}

const scaled = (table: HeatTable, loss: number, evaporation: number): HeatTable => ({
  ...table,
  lossW: table.lossW.map((row) => row.map((w) => w * loss)),
  evaporationLPerDay: table.evaporationLPerDay.map((row) => row.map((l) => l * evaporation)),
});

/** Everything that is not known well and moves the water. A new process brings its doubts here. */
export const DOUBTS: readonly Doubt[] = [
  {
    key: 'feed',
    title: 'feed, and how much of it becomes ammonia',
    factor: 1.3,
    basis: 'practice',
    acid: 1,
    apply: (s, by) => ({ ...s, feed: { ...s.feed, gPerDay: s.feed.gPerDay * by } }),
  },
  {
    key: 'breath',
    title: 'how much animals and microbes breathe',
    factor: 1.6,
    basis: 'recalled',
    acid: 1,
    apply: (s, by) => ({
      ...s,
      animalsMgO2PerDay: s.animalsMgO2PerDay * by,
      feed: { ...s.feed, decayMgO2PerG: Math.min(1500, s.feed.decayMgO2PerG * by) },
    }),
  },
  {
    key: 'surface',
    title: 'gas exchange at the surface',
    factor: 1.6,
    basis: 'practice',
    acid: -1,
    apply: (s, by) => ({ ...s, gas: { ...s.gas, movement: Math.min(10, Math.max(0.1, s.gas.movement * by)) } }),
  },
  {
    key: 'room-air',
    title: 'CO₂ in the room',
    factor: 1.5,
    basis: 'practice',
    acid: 1,
    apply: (s, by) => ({ ...s, gas: { ...s.gas, roomPco2Uatm: Math.max(400, s.gas.roomPco2Uatm * by) } }),
  },
  {
    key: 'filter',
    title: 'how fast the filter turns ammonia over',
    factor: 1.5,
    basis: 'recalled',
    acid: 1,
    apply: (s, by) => ({ ...s, filter: { ...s.filter, ratePerDayM: Math.min(2, s.filter.ratePerDayM * by) } }),
  },
  {
    key: 'plants',
    title: 'how much the plants take up',
    factor: 3,
    basis: 'recalled',
    acid: -1,
    apply: (s, by) => ({ ...s, plants: { ...s.plants, uptakeGNPerM2: Math.min(2, s.plants.uptakeGNPerM2 * by) } }),
  },
  {
    key: 'soil-ph',
    title: 'the pH that the soil holds',
    shift: 0.4,
    basis: 'practice',
    acid: -1,
    apply: (s, by) => (s.soil ? { ...s, soil: { ...s.soil, setPh: s.soil.setPh + by } } : s),
  },
  {
    key: 'soil-strength',
    title: 'how much the soil can take',
    factor: 1.7,
    basis: 'practice',
    acid: 1,
    apply: (s, by) => (s.soil ? { ...s, soil: { ...s.soil, capacityMeq: s.soil.capacityMeq * by } } : s),
  },
  {
    key: 'lime',
    title: 'how fast lime dissolves',
    factor: 3,
    basis: 'recalled',
    acid: -1,
    apply: (s, by) => (s.lime ? { ...s, lime: { ...s.lime, litresPerDay: s.lime.litresPerDay * by } } : s),
  },
  {
    key: 'leaves',
    title: 'what leaves and wood give off',
    factor: 3,
    basis: 'recalled',
    acid: 1,
    apply: (s, by) => ({ ...s, leaves: { ...s.leaves, carbonMgPerDay: s.leaves.carbonMgPerDay * by } }),
  },
  {
    key: 'evaporation',
    title: 'how much evaporates',
    factor: 1.4,
    basis: 'practice',
    acid: -1,
    apply: (s, by) =>
      'heldC' in s.heat
        ? { ...s, heat: { ...s.heat, evaporationLPerDay: s.heat.evaporationLPerDay * by } }
        : { ...s, heat: { ...s.heat, table: scaled(s.heat.table, 1, by) } },
  },
  {
    key: 'heat',
    title: 'heat given to the room',
    factor: 1.25,
    basis: 'practice',
    acid: 1,
    apply: (s, by) => ('heldC' in s.heat ? s : { ...s, heat: { ...s.heat, table: scaled(s.heat.table, by, 1) } }),
  },
];

/** Standard deviations within which nine of ten lie. */
const NINE_IN_TEN = 1.645;

/** A scenario with its doubts drawn: each by so many standard deviations, as logarithms for factors. */
export function doubted(scenario: TankScenario, draw: (doubt: Doubt) => number): TankScenario {
  return DOUBTS.reduce((changed, doubt) => {
    const z = draw(doubt) / NINE_IN_TEN;
    return doubt.apply(changed, doubt.factor !== undefined ? doubt.factor ** z : (doubt.shift ?? 0) * z);
  }, scenario);
}

/** All doubts one deviation towards acid (1) or away from it (−1): the corner of the likely cases. */
export const corner = (scenario: TankScenario, towards: 1 | -1): TankScenario => doubted(scenario, ({ acid }) => acid * towards);

/** Normal draws, the same for the same seed: Box & Muller 1958. */
export function draws(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  const even = () => ((generator.next() >>> 0) + 0.5) / 2 ** 32;
  return () => Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even());
}
