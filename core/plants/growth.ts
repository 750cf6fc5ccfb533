import type { Bought, Plant } from '../catalogue/organism';
import { calculation } from '../calculation/calculation';
import * as z from 'zod';
import type { Basis } from '../quantity/fact';
import type { Stage } from './model';

/** Days from planting to each state. Common practice: six weeks until it stands; grown in is how it stays, which takes slow kinds two years. */
export const STAGE_DAYS: Readonly<Record<Stage, number>> = { planted: 0, 'six-weeks': 42, grown: 730 };

/**
 * Share that a plant grows by in a day, at its best: stems double in about two weeks, a middling plant in a month, an epiphyte of six leaves
 * makes one a month. Common practice.
 */
const BEST_PER_DAY = { slow: Math.log(7 / 6) / 30, moderate: Math.LN2 / 30, fast: Math.LN2 / 14 } as const;

/** What plants of shade, of half light and of open water want where nothing is known of the kind itself. Common practice. */
const BY_CLASS: Readonly<Record<'low' | 'medium' | 'high', Omit<LightWanted, 'basis'>>> = {
  low: { least: 10, good: [20, 80] },
  medium: { least: 25, good: [45, 140] },
  high: { least: 45, good: [80, 180] },
};
/** Photons that a plant lives by at least, and those that it does well in, µmol/m²s. */
export interface LightWanted {
  least: number;
  good: readonly [number, number];
  basis: Basis;
}
/** Of its kind, or else of its class; null while neither is known. */
export function lightWanted({ traits: { ppfd, light } }: Plant): LightWanted | null {
  if (ppfd?.value) return { ...ppfd.value, basis: ppfd.basis };
  return light.value && { ...BY_CLASS[light.value], basis: light.basis };
}
/** Carbon dioxide at which those that need it grow as fast as they can, mg/L; and what is left of growth in water that is only in balance with air. */
const CO2_ENOUGH_MG_PER_L = 25;
const WITHOUT_CO2 = { none: 1, helps: 0.6, needs: 0.2 } as const;
/** Growth that goes on out of what is stored. */
const STARVED = 0.3;
/** Either way: kinds, tanks and hands differ. */
const DOUBT = 1.8;

/** Part of its grown size that a plant of a habit has when it is planted. Common practice: cut stems of 12 cm, young rosettes of a pot. */
const PLANTED_SHARE: Readonly<Record<Plant['form'], number>> = {
  stem: 0.35,
  grass: 0.45,
  carpet: 0.6,
  rosette: 0.4,
  lily: 0.3,
  moss: 0.45,
  floating: 0.7,
  'rhizome-fern': 0.55,
  macroalga: 0.5,
  mangrove: 0.25,
};
/** Plants from a tub of jelly are small, a clump or a cutting from a running tank is well on. */
const BOUGHT_TIMES: Readonly<Record<Bought, number>> = { pot: 1, stems: 1, portion: 0.9, tub: 0.5, clump: 1.4, cutting: 1 };
/** Cut stems are planted no longer than this. */
const CUT_STEM_MM = 150;

/** What a plant lives by where it stands; null where nobody knows. */
export interface Conditions {
  /** Photons while the lamps burn, µmol/m²s. */
  ppfd: number | null;
  /** Water at its usual, °C. */
  temperatureC: number | null;
  co2MgPerL: number | null;
  /** Share of what it takes at best that water and bed hold, 0 to 1. */
  food: number | null;
}
export const CAUSES = ['light', 'warmth', 'co2', 'food'] as const;
export type Cause = (typeof CAUSES)[number];

/** Share of the best growth that each of its causes lets it have, 0 to 1; what is not known is taken as middling. */
export function growthShares(plant: Plant, { ppfd, temperatureC, co2MgPerL, food }: Conditions): Record<Cause, number> {
  const { least, good } = lightWanted(plant) ?? BY_CLASS.medium;
  const need = plant.traits.co2.value ?? 'none';
  const range = plant.ranges.keep?.temperatureC?.value;
  return {
    light: ppfd === null ? UNKNOWN : lightShare(ppfd, least, good[0]),
    warmth: temperatureC === null || !range ? UNKNOWN : within(temperatureC, range.tolerance, range.optimum),
    co2:
      co2MgPerL === null ? WITHOUT_CO2[need] : WITHOUT_CO2[need] + (1 - WITHOUT_CO2[need]) * Math.min(1, co2MgPerL / CO2_ENOUGH_MG_PER_L),
    food: food === null ? UNKNOWN : STARVED + (1 - STARVED) * Math.min(1, Math.max(0, food)),
  };
}
const UNKNOWN = 0.75;

/** Nothing at the least it lives by, two thirds of the best where it begins to do well, then ever less for more (Mitscherlich). */
function lightShare(ppfd: number, least: number, good: number): number {
  return ppfd <= least ? 0 : Math.min(1, 1 - Math.exp(-(ppfd - least) / Math.max(1, good - least)));
}

type Edges = readonly [number | null, number | null];
/** 1 in comfort, straight down to 0.1 at the edge of what it bears, nothing beyond. */
function within(value: number, [least, most]: Edges, [low, high]: Edges): number {
  const fall = (edge: number | null, comfort: number | null, by: number): number => {
    if (comfort === null || by <= 0) return 1;
    const room = edge === null ? 3 : Math.max(0.5, Math.abs(edge - comfort));
    return by > room ? 0 : 1 - 0.9 * (by / room);
  };
  return Math.min(fall(least, low, (low ?? value) - value), fall(most, high, value - (high ?? value)));
}

/** The scarcest cause decides (Liebig). */
export function scarcest(shares: Record<Cause, number>): Cause {
  return CAUSES.reduce((least, cause) => (shares[cause] < shares[least] ? cause : least));
}

/** In the dark half of a plant is gone in three weeks or so; what grows slowly lives longer on what it has stored. Common practice. */
const STARVES_PER_DAY = { slow: Math.LN2 / 60, moderate: Math.LN2 / 30, fast: Math.LN2 / 20 } as const;

/** Share that it grows by in a day, with its band; under the least light that it lives by it wastes away. */
export function growthPerDay(plant: Plant, conditions: Conditions): { value: number; band: readonly [number, number] } {
  const growth = plant.traits.growth.value ?? 'moderate';
  const least = lightWanted(plant)?.least ?? BY_CLASS.medium.least;
  if (conditions.ppfd !== null && conditions.ppfd < least) {
    const value = -STARVES_PER_DAY[growth] * (1 - conditions.ppfd / least);
    return { value, band: [value * DOUBT, value / DOUBT] };
  }
  const shares = growthShares(plant, conditions);
  const value = BEST_PER_DAY[growth] * shares[scarcest(shares)];
  return { value, band: [value / DOUBT, value * DOUBT] };
}

/** Share of its grown size that it has when it is planted. */
export function plantedShare(plant: Plant, bought: Bought | null): number {
  const grown = plant.sizeMm.length.value;
  const share = Math.min(0.95, PLANTED_SHARE[plant.form] * (bought ? BOUGHT_TIMES[bought] : 1));
  return plant.form === 'stem' && grown ? Math.min(share, CUT_STEM_MM / grown, 0.95) : share;
}

/** Part of its grown size after so many days: growth slows as it fills its place (logistic). */
export function sizeShare(start: number, perDay: number, days: number): number {
  // one that wastes away leaves nothing of its size, not a part of it for ever
  return perDay < 0 ? start * Math.exp(perDay * days) : 1 / (1 + (1 / start - 1) * Math.exp(-perDay * days));
}

/** Days until a trimmed plant is as much again: half is taken, and it doubles. Null where it hardly grows. */
export function trimEveryDays(perDay: number): number | null {
  return perDay < 0.004 ? null : Math.LN2 / perDay;
}

/**
 * Stems of a planting after so many days: once grown to their height each is cut back by half whenever it has doubled, and stands twice after it,
 * its top set beside or its stump forked; until the patch holds no more.
 *
 * @param holds stems that its patch has room for
 */
export function stemsAfter(count: number, start: number, perDay: number, days: number, holds: number): number {
  const trims = Math.floor((perDay * days - Math.log(1 / start)) / Math.LN2);
  return trims <= 0 ? count : Math.max(count, Math.min(holds, count * 2 ** Math.min(trims, 12)));
}

const Share = z.number().min(0).max(1);
export const growth = calculation({
  id: 'plants.growth',
  title: 'How far a plant has grown',
  inputs: z.strictObject({
    plantedShare: z.number().min(0.01).max(0.99),
    growthPerDay: z.number().min(-1).max(1),
    days: z.number().min(0).max(2000),
  }),
  outputs: z.strictObject({ share: Share }),
  source: [
    { citation: 'Logistic growth (Verhulst 1838)', basis: 'published' },
    { citation: 'Stems double in about two weeks in good light, an epiphyte makes a leaf a month', basis: 'practice' },
  ],
  formula: 'share = 1 / (1 + (1/share₀ − 1) e^(−r t)); share₀ e^(r t) where it wastes away',
  validity: 'A plant that took; one that melts first starts again from what is left',
  uncertainty: 'a factor of two in the rate',
  compute: ({ plantedShare: start, growthPerDay: perDay, days }) => ({ share: sizeShare(start, perDay, days) }),
});
