import { currentField, type CurrentField } from '../equipment/current-field';
import { outletsOf } from '../equipment/outlets';
import type { Assessment } from './assessment';
import { basinOf } from './basin';

/** Speeds over a drawing, mm/s, row by row from the far left; -1 where there is no water. The fastest along the line of sight. */
export interface CurrentMap {
  columns: number;
  rows: number;
  mmPerS: Float32Array;
}

/** The current from the front and from above; null while nothing blows. */
export function currentMapOf({ world: { design }, derived }: Assessment): { section: CurrentMap; plan: CurrentMap } | null {
  const basin = basinOf(design, derived);
  const { outlets } = outletsOf(design.equipment, design.vessel, derived['gear.flow'].value?.each ?? {});
  if (!basin || outlets.length === 0) return null;
  const field = currentField(basin, outlets);
  return { section: seen(field, 1), plan: seen(field, 2) };
}

/** Looked along an axis: 1 from the front, 2 from above. */
function seen({ cells, mmPerS }: CurrentField, along: 1 | 2): CurrentMap {
  const [columns, deep, high] = cells;
  const rows = along === 1 ? high : deep;
  const map = new Float32Array(columns * rows).fill(-1);
  for (let k = 0; k < high; k++)
    for (let j = 0; j < deep; j++)
      for (let c = 0; c < columns; c++) {
        const row = rows - 1 - (along === 1 ? k : j);
        const i = row * columns + c;
        map[i] = Math.max(map[i]!, mmPerS[(k * deep + j) * columns + c]!);
      }
  return { columns, rows, mmPerS: map };
}
