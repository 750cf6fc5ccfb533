import { INTO_SHADOW, ppfdParts, skyAt, type Lighting } from './field';
import { isClear, type Obstacles } from './shade';

type Place = readonly [number, number, number];

/** Light from every part of every lamp at many places, before anything stands in its way. */
interface Open {
  /** For each place and part: photons, and how far the way to it goes along and across for each millimetre up. */
  light: Float32Array;
  right: Float32Array;
  back: Float32Array;
  parts: number;
}
/** The latest, by lamps and places: a moved piece takes light away and changes none of it. One from the front and one from above. */
const kept = new Map<string, Open>();
const MOST_KEPT = 2;

function openOf({ lamps, water }: Lighting, places: readonly Place[]): Open {
  const key = JSON.stringify([lamps, water, places]);
  const known = kept.get(key);
  if (known) return known;
  const rows = places.map((at) => ppfdParts(lamps, water, at));
  const parts = rows[0]?.length ?? 0;
  const [light, right, back] = [0, 1, 2].map((which) => Float32Array.from(rows.flatMap((row) => row.map((part) => part[which]!))));
  const open: Open = { light: light!, right: right!, back: back!, parts };
  const [oldest] = kept.keys();
  if (kept.size >= MOST_KEPT && oldest !== undefined) kept.delete(oldest);
  kept.set(key, open);
  return open;
}

/** Photons at many places, µmol/m²s, under the pieces that stand over them. */
export function lightAtPlaces(lighting: Lighting, places: readonly Place[], obstacles: Obstacles | null): Float32Array {
  const { light, right, back, parts } = openOf(lighting, places);
  return Float32Array.from(places, (at, i) => {
    let sum = skyAt(lighting.water, at[2]);
    for (let k = i * parts; k < (i + 1) * parts; k++)
      sum += obstacles && !isClear(obstacles, at, right[k]!, back[k]!) ? light[k]! * INTO_SHADOW : light[k]!;
    return sum;
  });
}
