import { diff, rgb_to_lab } from 'color-diff';
import * as z from 'zod';
import { calculation } from '../calculation/calculation';

const kept = new Map<string, number>();

/** Difference of two colours as the eye sees it, CIEDE2000: 1 is just seen, 100 is black against white. Colours as #rrggbb. */
export function contrastOf(one: string, other: string): number {
  const key = `${one} ${other}`;
  let found = kept.get(key);
  if (found === undefined) {
    found = diff(labOf(one), labOf(other));
    kept.set(key, found);
  }
  return found;
}

function labOf(hex: string) {
  const at = (i: number) => parseInt(hex.slice(i, i + 2), 16);
  return rgb_to_lab({ R: at(1), G: at(3), B: at(5) });
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
