import type { Surface } from './model';

/** Height of a surface at a place of the rectangle it covers: straight between its knots. Millimetres. */
export function surfaceAt({ columns, rows, heightMm }: Surface, lengthMm: number, widthMm: number, xMm: number, yMm: number): number {
  const fx = Math.min(Math.max(xMm / lengthMm, 0), 1) * (columns - 1);
  const fy = Math.min(Math.max(yMm / widthMm, 0), 1) * (rows - 1);
  const column = Math.min(Math.floor(fx), columns - 2);
  const row = Math.min(Math.floor(fy), rows - 2);
  const [u, v] = [fx - column, fy - row];
  const front = row * columns + column;
  const back = front + columns;
  return (heightMm[front]! * (1 - u) + heightMm[front + 1]! * u) * (1 - v) + (heightMm[back]! * (1 - u) + heightMm[back + 1]! * u) * v;
}

/** A surface that rises evenly from the front to the back. */
export function bank(frontMm: number, backMm: number, columns = 7, rows = 5): Surface {
  return {
    columns,
    rows,
    heightMm: Array.from({ length: columns * rows }, (_, i) =>
      round(frontMm + ((backMm - frontMm) * Math.floor(i / columns)) / (rows - 1)),
    ),
  };
}

export const level = (heightMm: number, columns?: number, rows?: number): Surface => bank(heightMm, heightMm, columns, rows);

/** The same ground with each knot changed. */
export function reshapedSurface(surface: Surface, change: (heightMm: number, column: number, row: number) => number): Surface {
  return {
    ...surface,
    heightMm: surface.heightMm.map((height, i) =>
      round(Math.min(2000, Math.max(0, change(height, i % surface.columns, Math.floor(i / surface.columns))))),
    ),
  };
}

const round = (mm: number): number => Math.round(mm * 10) / 10;
