import * as z from 'zod';
import { calculation } from '../calculation/calculation';

/** Inside sizes of a jar of curved glass: widths are diameters, heights from the inside bottom. */
export interface Jar {
  baseMm: number;
  bellyMm: number;
  bellyHeightMm: number;
  neckMm: number;
  heightMm: number;
}

/** Radius of the jar at a height: a zone of one spheroid from base to belly, of another from belly to neck. Millimetres. */
export function jarRadiusMm({ baseMm, bellyMm, bellyHeightMm, neckMm, heightMm }: Jar, atMm: number): number {
  const [end, span] = atMm <= bellyHeightMm ? [baseMm, bellyHeightMm] : [neckMm, heightMm - bellyHeightMm];
  const share = (atMm - bellyHeightMm) / span;
  return Math.sqrt((bellyMm / 2) ** 2 - ((bellyMm / 2) ** 2 - (end / 2) ** 2) * share ** 2);
}

/**
 * Volume of a jar up to a level. Millimetres in, litres out; exact for the two zones of spheroids.
 * From the belly, a zone of height t with the radius r at its far end S away holds π [ R² t − (R² − r²) t³ / (3 S²) ].
 */
export function jarVolumeL(jar: Jar, toMm: number): number {
  const { baseMm, bellyMm, bellyHeightMm, neckMm, heightMm } = jar;
  const belly = (bellyMm / 2) ** 2;
  const zone = (t: number, endMm: number, span: number) => Math.PI * (belly * t - ((belly - (endMm / 2) ** 2) * t ** 3) / (3 * span ** 2));
  const whole = zone(bellyHeightMm, baseMm, bellyHeightMm);
  if (toMm <= bellyHeightMm) return (whole - zone(bellyHeightMm - toMm, baseMm, bellyHeightMm)) / 1e6;
  return (whole + zone(toMm - bellyHeightMm, neckMm, heightMm - bellyHeightMm)) / 1e6;
}

const Size = z.number().positive();

export const jarVolume = calculation({
  id: 'vessel.jar-volume',
  title: 'Volume of a jar of curved glass',
  inputs: z.strictObject({
    baseMm: Size,
    bellyMm: Size,
    bellyHeightMm: Size,
    neckMm: Size,
    heightMm: Size,
    toMm: z.number().nonnegative(),
  }),
  outputs: z.strictObject({ litres: z.number() }),
  source: [{ citation: 'Geometry of spheroid zones; exact for that form', basis: 'published' }],
  formula:
    'zone from the belly: π [R² t − (R² − r²) t³ / (3 S²)]; R belly radius, r radius at the end, S its distance, t height of the zone',
  validity: 'base and neck no wider than the belly, belly below the rim, level no higher than the rim',
  uncertainty: 'real jars differ from spheroids by some 3 %: weigh it empty and full to know (common practice)',
  outside: ({ baseMm, bellyMm, bellyHeightMm, neckMm, heightMm, toMm }) =>
    baseMm > bellyMm || neckMm > bellyMm
      ? 'base or neck is wider than the belly'
      : bellyHeightMm >= heightMm || toMm > heightMm
        ? 'belly or level is above the rim'
        : null,
  compute: ({ toMm, ...jar }) => ({ litres: jarVolumeL(jar, toMm) }),
});
