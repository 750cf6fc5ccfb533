import { lightAtPlaces } from '../light/light-map';
import { obstaclesOf } from '../light/shade';
import { shadeAt } from '../plants/canopy';
import { heightAt } from '../scene/grid';
import { insideFloorMm } from '../vessel/inside-floor';
import type { Assessment } from './assessment';
import { placeOf, shadowing } from './derive/plants';

/** Light over a tank: along the ground from above, or in the plane of its middle from the front. */
export interface LightMap {
  columns: number;
  rows: number;
  /** Photons, µmol/m²s, row by row from the far left: from the top, or from the back; -1 where there is no water. */
  ppfd: Float32Array;
}

/** Cells of the map, millimetres. */
const CELL_MM = 20;

/** Null while the lamps are not stated. */
export function lightMapOf({ world: { design }, derived }: Assessment, view: 'section' | 'plan'): LightMap | null {
  const lighting = derived['light.lamps'].value;
  const place = placeOf(design, derived);
  const { vessel } = design;
  if (!lighting || !place || !vessel) return null;
  const tall = view === 'section' ? place.waterMm : vessel.widthMm;
  const columns = Math.max(2, Math.round(vessel.lengthMm / CELL_MM));
  const rows = Math.max(2, Math.round(tall / CELL_MM));
  const isInside = (x: number, y: number) => insideFloorMm(vessel, x, y) !== null;
  const middleMm = vessel.widthMm / 2;
  const cells: { index: number; at: [number, number, number] }[] = [];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const x = ((column + 0.5) / columns) * vessel.lengthMm;
      const up = (1 - (row + 0.5) / rows) * tall;
      const [y, z] = view === 'section' ? [middleMm, up] : [up, heightAt(place.grid, place.groundMm, x, up) + 1];
      if (isInside(x, y) && (view === 'plan' || z >= heightAt(place.grid, place.groundMm, x, y)))
        cells.push({ index: row * columns + column, at: [x, y, z] });
    }
  const light = lightAtPlaces(
    lighting,
    cells.map(({ at }) => at),
    obstaclesOf(place.grid, shadowing(derived)),
  );
  const standing = derived['plants.standing'].value ?? [];
  const ppfd = new Float32Array(columns * rows).fill(-1);
  cells.forEach(({ index, at }, i) => (ppfd[index] = light[i]! * shadeAt(standing, place.surfaceMm2, at, 0).share));
  return { columns, rows, ppfd };
}
