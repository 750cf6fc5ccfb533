import { deltaE2000, sRGB } from 'colorjs.io/fn';
import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const kept = new Map<string, number>();

/** Difference of two colours as the eye sees it, CIEDE2000: 1 is just seen, 100 is black against white. Colours as #rrggbb. */
export function contrastOf(one: string, other: string): number {
  const key = `${one} ${other}`;
  let found = kept.get(key);
  if (found === undefined) {
    found = deltaE2000(colourOf(one), colourOf(other));
    kept.set(key, found);
  }
  return found;
}

function colourOf(hex: string) {
  const at = (i: number) => parseInt(hex.slice(i, i + 2), 16) / 255;
  return { space: sRGB, coords: [at(1), at(3), at(5)] as [number, number, number], alpha: 1 };
}

/** Below this an animal is lost against its ground; above the second it stands out. Common practice is to choose it on purpose. */
export const CONTRAST = { lost: 15, clear: 30 };

const Colour = z.string().regex(/^#[0-9a-f]{6}$/);

export const contrast = calculation({
  id: 'hardscape.contrast',
  title: 'Contrast of two colours',
  inputs: z.object({ one: Colour, other: Colour }),
  outputs: z.object({ difference: z.number() }),
  source: [{ citation: 'CIE 142-2001, CIEDE2000; Sharma, Wu & Dalal 2005, Color Res. Appl. 30:21', basis: 'published' }],
  validity: 'Surfaces side by side in daylight, seen by people; fish and shrimp see otherwise',
  uncertainty: 'The formula is exact; an animal is of several colours and changes them',
  formula: 'ΔE00 with kL = kC = kH = 1, colours as sRGB',
  compute: ({ one, other }) => ({ difference: contrastOf(one, other) }),
});
