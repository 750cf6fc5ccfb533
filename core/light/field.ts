import * as z from 'zod';
import { calculation } from '../calculation/calculation';
import { beamExponent } from './lamp-shapes';
import { isClear, type Obstacles } from './shade';
import { shareTable, shareThroughWater } from './through-water';

/** Refractive index of water for visible light, fresh; sea water is 1.34. */
const N_WATER = 1.333;
/** Panes throw back what goes astray: as much again as this, at least and at most. Common practice. */
export const FROM_PANES = [1.0, 1.4] as const;

/** A lamp as light: photons of 400 to 700 nm over a rectangle, level over the water. */
export interface Lamp {
  umolPerS: number;
  beamDegrees: number;
  /** Its middle, from the left and from the front. */
  atMm: readonly [number, number];
  overWaterMm: number;
  /** Along the tank and across it; 0 for a spot. */
  lengthMm: number;
  widthMm: number;
}

/** Small lamps that one is taken apart into: no further apart than the place they shine on is from them. */
const MOST_PARTS = 12;
function partsOf({ lengthMm, widthMm, overWaterMm }: Lamp, depthMm: number): readonly (readonly [number, number])[] {
  const apartMm = Math.max(25, 0.6 * straightMm(overWaterMm, depthMm));
  const count = (mm: number) => (mm <= 0 ? 1 : Math.min(MOST_PARTS, Math.max(2, Math.ceil(mm / apartMm))));
  const [across, deep] = [count(lengthMm), count(widthMm)];
  return Array.from({ length: across * deep }, (_, i) => [
    ((i % across) + 0.5 - across / 2) * (lengthMm / across),
    (Math.floor(i / across) + 0.5 - deep / 2) * (widthMm / deep),
  ]);
}

/** Share of light that goes through a still surface into water, unpolarised: Fresnel 1823. @param cosine of the angle in air to the upright */
export function throughSurface(cosine: number): number {
  const inside = Math.sqrt(1 - (1 - cosine * cosine) / (N_WATER * N_WATER));
  const s = (cosine - N_WATER * inside) / (cosine + N_WATER * inside);
  const p = (N_WATER * cosine - inside) / (N_WATER * cosine + inside);
  return 1 - (s * s + p * p) / 2;
}

/**
 * Photons from a small lamp on a level square metre under water, before the water takes any, µmol/m²s. Rays bend at the surface (Snell); what a
 * cone of them carries falls on the ring that they reach, so that no light is lost or made but by the surface.
 *
 * @param heightMm of the lamp over the water
 * @param depthMm under it
 * @param asideMm along the level from under the lamp
 */
export function underLamp(umolPerS: number, exponent: number, heightMm: number, depthMm: number, asideMm: number): number {
  return photons(umolPerS, exponent, heightMm, depthMm, asideMm, tangentTo(heightMm, depthMm, asideMm));
}

/** Apparent distance straight down: water looks a quarter less deep. */
const straightMm = (heightMm: number, depthMm: number): number => heightMm + depthMm / N_WATER;
/** So near to under the lamp that its ray is upright, as a share of the distance. */
const UPRIGHT = 1e-3;

/** Tangent in air of the ray that comes out so far aside. */
function tangentTo(heightMm: number, depthMm: number, asideMm: number): number {
  // it lies between those of no water and of water that does not bend
  let tangent = asideMm / straightMm(heightMm, depthMm);
  if (tangent < UPRIGHT) return tangent;
  for (let i = 0; i < 12; i++) {
    const sine = tangent / Math.sqrt(1 + tangent * tangent);
    const sineIn = sine / N_WATER;
    const cosineIn = Math.sqrt(1 - sineIn * sineIn);
    const miss = heightMm * tangent + depthMm * (sineIn / cosineIn) - asideMm;
    const slope = heightMm + depthMm / (N_WATER * cosineIn ** 3 * (1 + tangent * tangent) ** 1.5);
    const next = tangent - miss / slope;
    const settled = Math.abs(next - tangent) < 1e-7 * (1 + tangent);
    tangent = Math.max(0, next);
    if (settled) break;
  }
  return tangent;
}

function photons(umolPerS: number, exponent: number, heightMm: number, depthMm: number, asideMm: number, tangent: number): number {
  const axis = ((exponent + 1) * umolPerS) / (2 * Math.PI);
  const straight = straightMm(heightMm, depthMm);
  if (asideMm < straight * UPRIGHT) return (axis * throughSurface(1) * 1e6) / (straight * straight);
  const cosine = 1 / Math.sqrt(1 + tangent * tangent);
  const sine = tangent * cosine;
  const cosineIn = Math.sqrt(1 - (sine / N_WATER) ** 2);
  // how much further out the ring lies for a wider cone
  const perAngle = heightMm / cosine ** 2 + (depthMm * cosine) / (N_WATER * cosineIn ** 3);
  return (axis * cosine ** exponent * throughSurface(cosine) * sine * 1e6) / (asideMm * perAngle);
}

/** What lies over and in the water. */
export interface WaterColumn {
  surfaceMm: number;
  /** Absorption of its tint at 440 nm, 1/m. */
  a440PerM: number;
  /** Share that a lid lets through. */
  throughLid: number;
  /** Daylight on the surface over the hours of light, from all of the sky, µmol/m²s; left out for none. */
  skyPpfd?: number;
}

/** Of light from all sides that goes into still water: a fifteenth is thrown back. Recalled, as for an overcast sky. */
const SKY_IN = 0.934;
/** Daylight that reaches a depth. */
export function skyAt(water: WaterColumn, zMm: number): number {
  if (!water.skyPpfd) return 0;
  const depthMm = Math.max(0, water.surfaceMm - zMm);
  return water.skyPpfd * SKY_IN * water.throughLid * shareTable(water.a440PerM, Math.max(water.surfaceMm, depthMm))(depthMm);
}

/** Lamps, and the water that they shine through. */
export interface Lighting {
  lamps: readonly Lamp[];
  water: WaterColumn;
}

/** Light that still comes into a full shadow, thrown about by water, panes and bed. Common practice. */
export const INTO_SHADOW = 0.1;

/**
 * Photons at a place in the water, of lamps and daylight, without panes that throw any back, µmol/m²s. Heights from the bottom.
 *
 * @param obstacles pieces that take a ray away, all but what is scattered into their shadow
 */
export function ppfdAt(
  lamps: readonly Lamp[],
  water: WaterColumn,
  at: readonly [number, number, number],
  obstacles: Obstacles | null = null,
): number {
  let sum = skyAt(water, at[2]);
  for (const [light, right, back] of ppfdParts(lamps, water, at, Math.max(0, water.surfaceMm - at[2])))
    sum += obstacles && !isClear(obstacles, at, right, back) ? light * INTO_SHADOW : light;
  return sum;
}

/**
 * @param apartAtMm depth by which lamps are taken apart; places with the same have the same parts
 * @returns what every part of every lamp gives at a place: photons, and how far the way to it goes along and across for each millimetre up
 */
export function ppfdParts(
  lamps: readonly Lamp[],
  water: WaterColumn,
  [x, y, z]: readonly [number, number, number],
  apartAtMm = 0,
): (readonly [light: number, right: number, back: number])[] {
  const depthMm = Math.max(0, water.surfaceMm - z);
  const left = shareTable(water.a440PerM, Math.max(water.surfaceMm, depthMm))(depthMm) * water.throughLid;
  const found: (readonly [number, number, number])[] = [];
  for (const lamp of lamps) {
    const parts = partsOf(lamp, apartAtMm);
    const exponent = beamExponent(lamp.beamDegrees);
    for (const [dx, dy] of parts) {
      const [toX, toY] = [lamp.atMm[0] + dx - x, lamp.atMm[1] + dy - y];
      const aside = Math.hypot(toX, toY);
      const tangent = tangentTo(lamp.overWaterMm, depthMm, aside);
      const light = left * photons(lamp.umolPerS / parts.length, exponent, lamp.overWaterMm, depthMm, aside, tangent);
      found.push([light, ...slopeIn(tangent, aside, toX, toY)]);
    }
  }
  return found;
}

/** How far the way to a lamp goes along and across for each millimetre up through the water. */
function slopeIn(tangent: number, aside: number, toX: number, toY: number): [number, number] {
  if (aside < 1) return [0, 0];
  const sineIn = tangent / Math.sqrt(1 + tangent * tangent) / N_WATER;
  const perMm = sineIn / Math.sqrt(1 - sineIn * sineIn) / aside;
  return [perMm * toX, perMm * toY];
}

const metres = (max: number) => z.number().min(0).max(max);
export const lightAt = calculation({
  id: 'light.at',
  title: 'Light of a lamp at a place in the water',
  inputs: z.strictObject({
    outputUmolPerS: z.number().min(0).max(100_000),
    beamDegrees: z.number().min(10).max(160),
    overWaterM: z.number().min(0.01).max(5),
    asideM: metres(5),
    depthM: metres(5),
    a440PerM: z.number().min(0).max(200),
  }),
  outputs: z.strictObject({ ppfd: z.number() }),
  source: [
    { citation: 'Snell’s and Fresnel’s laws, refractive index 1.333', basis: 'published' },
    { citation: 'Beam as a power of the cosine; pure water after Pope & Fry 1997', basis: 'recalled' },
  ],
  formula: 'E = I₀ cosᵐθ · T(θ) · sin θ dθ / (r dr) · share(z), r = h tan θ + z tan θ′, sin θ = 1.333 sin θ′',
  validity: 'A lamp small against its height, still water, no panes, no shade',
  uncertainty: 'A fifth; panes add up to two fifths, waves make it flicker',
  compute: ({ outputUmolPerS, beamDegrees, overWaterM, asideM, depthM, a440PerM }) => ({
    ppfd:
      underLamp(outputUmolPerS, beamExponent(beamDegrees), overWaterM * 1000, depthM * 1000, asideM * 1000) *
      shareThroughWater(depthM, a440PerM),
  }),
});
