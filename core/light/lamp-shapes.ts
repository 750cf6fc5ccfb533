import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Exponent of a round beam whose light falls to half at half its angle from the axis. 120° is a bare chip: 1. */
export function beamExponent(beamDegrees: number): number {
  return -Math.LN2 / Math.log(Math.cos((beamDegrees * Math.PI) / 360));
}

/**
 * Photons that a spot throws on a level square metre, µmol/m²s: I₀ cosᵐθ · cosθ / d², with I₀ = (m + 1) Φ / 2π, so that all of a half space
 * adds up to its output.
 */
export function spotPpfd(outputUmolPerS: number, exponent: number, distanceM: number, cosine: number): number {
  return cosine <= 0 ? 0 : (((exponent + 1) * outputUmolPerS) / (2 * Math.PI)) * (cosine ** (exponent + 1) / distanceM ** 2);
}

/** Photons under the middle of a thin even bar that shines as a matt surface does, µmol/m²s. */
export function barPpfd(outputUmolPerS: number, lengthM: number, heightM: number): number {
  const u = lengthM / (2 * heightM);
  return (outputUmolPerS / (Math.PI * lengthM * heightM)) * (Math.atan(u) + u / (1 + u * u));
}

const output = z.number().min(0).max(100_000);
const metres = z.number().min(0.01).max(20);
const COSINE_LAW = { citation: 'Inverse square and cosine law (Lambert 1760)', basis: 'published' } as const;

export const spot = calculation({
  id: 'light.spot',
  title: 'Light under a spot',
  inputs: z.strictObject({
    outputUmolPerS: output,
    /** Full angle at which it is half as bright as on its axis. */
    beamDegrees: z.number().min(5).max(160),
    distanceM: metres,
    offAxisDegrees: z.number().min(0).max(90),
  }),
  outputs: z.strictObject({ ppfd: z.number() }),
  source: [
    COSINE_LAW,
    { citation: 'Beam as a power of the cosine, from its full width at half its brightness: usual for single LEDs', basis: 'practice' },
  ],
  formula: 'E = (m + 1) Φ / 2π · cosᵐθ · cosθ / d²; m = −ln 2 / ln cos(beam / 2)',
  validity: 'In air, on a level surface square to the axis; further away than three times the lamp is wide; no reflection',
  uncertainty: 'A tenth; a lens with a hard edge is brighter inside it and dark outside',
  compute: ({ outputUmolPerS, beamDegrees, distanceM, offAxisDegrees }) => ({
    ppfd: spotPpfd(outputUmolPerS, beamExponent(beamDegrees), distanceM, Math.cos((offAxisDegrees * Math.PI) / 180)),
  }),
});

export const bar = calculation({
  id: 'light.bar',
  title: 'Light under a bar',
  inputs: z.strictObject({ outputUmolPerS: output, lengthM: metres, heightM: metres }),
  outputs: z.strictObject({ ppfd: z.number() }),
  source: [COSINE_LAW, { citation: 'Integral of it along the bar, whose every piece shines by the cosine', basis: 'published' }],
  formula: 'E = Φ / (π L h) · (atan u + u / (1 + u²)), u = L / 2h',
  validity: 'Under its middle, in air, no reflection; further away than three times it is wide',
  uncertainty: 'A tenth; reflectors throw more down',
  compute: ({ outputUmolPerS, lengthM, heightM }) => ({ ppfd: barPpfd(outputUmolPerS, lengthM, heightM) }),
});
