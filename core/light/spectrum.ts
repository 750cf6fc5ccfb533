import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Kinds of white light that a lux meter can be read under. */
export const Spectrum = z.enum(['daylight', 'led-cool', 'led-neutral', 'led-warm', 'fluorescent', 'incandescent', 'sodium', 'red-blue']);
export type Spectrum = z.infer<typeof Spectrum>;

export const SPECTRUM_WORD: Readonly<Record<Spectrum, string>> = {
  daylight: 'daylight',
  'led-cool': 'cool white LED',
  'led-neutral': 'neutral white LED',
  'led-warm': 'warm white LED',
  fluorescent: 'fluorescent tube',
  incandescent: 'incandescent',
  sodium: 'high-pressure sodium',
  'red-blue': 'red and blue LED',
};

/**
 * Lux for one µmol/m²s. Daylight: Thimijan & Heins 1983, HortScience 18:818; the other tubes and bulbs after the same, recalled; white LEDs by
 * spectra put together from a blue line and a phosphor. None for red and blue: an eye hardly sees it.
 */
const LUX_PER_UMOL: Readonly<Record<Spectrum, number | null>> = {
  daylight: 54,
  'led-cool': 79,
  'led-neutral': 74,
  'led-warm': 67,
  fluorescent: 74,
  incandescent: 50,
  sodium: 82,
  'red-blue': null,
};

/**
 * Photons of a lamp from a watt, µmol/J: LEDs of lamps for tanks 1.8 to 2.8, tubes about 1, bulbs a fifth of that. Common practice.
 */
const UMOL_PER_J: Readonly<Record<Spectrum, number>> = {
  daylight: 2,
  'led-cool': 2.2,
  'led-neutral': 2.1,
  'led-warm': 1.9,
  fluorescent: 1,
  incandescent: 0.2,
  sodium: 1.5,
  'red-blue': 2.4,
};

/** Photons of lux read at a place; null for a light that a lux meter does not see. */
export function ppfdOfLux(lux: number, spectrum: Spectrum): number | null {
  const per = LUX_PER_UMOL[spectrum];
  return per === null ? null : lux / per;
}

/** Photons that a lamp gives, µmol/s, from what its label says; null where it cannot be told. Lumens and lux go alike. */
export function umolPerS(output: { value: number; unit: 'umol/s' | 'lm' | 'W' }, spectrum: Spectrum): number | null {
  switch (output.unit) {
    case 'umol/s':
      return output.value;
    case 'lm':
      return ppfdOfLux(output.value, spectrum);
    case 'W':
      return output.value * UMOL_PER_J[spectrum];
  }
}

export const luxToPpfd = calculation({
  id: 'light.lux-to-ppfd',
  title: 'Photons from lux',
  inputs: z.strictObject({ lux: z.number().min(0).max(500_000), spectrum: Spectrum }),
  outputs: z.strictObject({ ppfd: z.number() }),
  source: [
    { citation: 'Thimijan & Heins 1983, HortScience 18:818 (daylight)', basis: 'published' },
    { citation: 'The same, tubes and bulbs; white LEDs from spectra put together', basis: 'recalled' },
  ],
  formula: 'PPFD = lux / k; k = 54 daylight, 79 / 74 / 67 cool, neutral, warm LED, 74 fluorescent, 50 incandescent, 82 sodium',
  validity: 'White light over the water; not under tinted water, and not for red and blue lamps',
  uncertainty: '15 % for LEDs; a cheap meter adds as much',
  outside: ({ spectrum }) => (spectrum === 'red-blue' ? 'a lux meter does not see the light of a red and blue lamp: read it in PAR' : null),
  compute: ({ lux, spectrum }) => ({ ppfd: ppfdOfLux(lux, spectrum) ?? NaN }),
});
