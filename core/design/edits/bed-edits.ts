import type { Operation } from 'rfc6902';
import type { Material } from '../../catalogue/material';
import { nextOrder, type Design } from '../design';
import { pointer } from '../edit';
import type { Layer, Outline, Surface, ZoneKind } from '../../substrate/model';
import { bank, level, reshapedSurface, surfaceAt } from '../../substrate/surface';
import { freshId } from '../fresh-id';

/** Knots of a new surface: fine enough for a bank with a hollow in it, few enough to take hold of. */
const KNOTS = { columns: 7, rows: 5 };
/** Depth that a new layer comes with, millimetres. Common practice. */
const FIRST_MM: Readonly<Partial<Record<string, number>>> = { 'garden-soil': 15, 'clay-mix': 15, 'lava-gravel': 30, 'river-stones': 60 };
const USUAL_MM = 40;

const layerId = (table: Readonly<Record<string, unknown>>, name: string): string => (Object.hasOwn(table, name) ? freshId() : name);

/** Height of the highest layer at a place, by what is stated. */
function statedTop({ substrate, vessel }: Design, xMm: number, yMm: number): number {
  if (!vessel) return 0;
  return Math.max(0, ...Object.values(substrate.layers).map(({ top }) => surfaceAt(top, vessel.lengthMm, vessel.widthMm, xMm, yMm)));
}

/** A layer of a material on top of what lies there. */
export function addLayer(design: Design, material: Material): Operation[] {
  const { vessel, substrate } = design;
  if (!vessel) return [];
  const depth = FIRST_MM[material.id] ?? USUAL_MM;
  const top = reshapedSurface(level(0, KNOTS.columns, KNOTS.rows), (_, column, row) => {
    const x = (column / (KNOTS.columns - 1)) * vessel.lengthMm;
    const y = (row / (KNOTS.rows - 1)) * vessel.widthMm;
    return statedTop(design, x, y) + depth;
  });
  const value: Layer = {
    order: nextOrder(substrate.layers),
    materialId: material.id,
    grainMm: null,
    area: material.filler
      ? {
          kind: 'patch',
          outlineMm: rectangle(0.15 * vessel.lengthMm, 0.55 * vessel.widthMm, 0.85 * vessel.lengthMm, 0.95 * vessel.widthMm),
        }
      : { kind: 'whole' },
    top,
    spent: 0,
    cloth: false,
  };
  const ops: Operation[] = [{ op: 'add', path: pointer('substrate', 'layers', layerId(substrate.layers, material.id)), value }];
  if (substrate.bare) ops.push({ op: 'replace', path: '/substrate/bare', value: false });
  return ops;
}

const rectangle = (x0: number, y0: number, x1: number, y1: number): Outline =>
  (
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ] as const
  ).map(([x, y]) => [Math.round(x), Math.round(y)]);

/** An even bank between a front and a back height, in place of what a layer was. */
export function setBank(layer: Layer, id: string, frontMm: number, backMm: number): Operation[] {
  const top = bank(Math.max(0, frontMm), Math.max(0, backMm), Math.max(layer.top.columns, 2), Math.max(layer.top.rows, 2));
  return [{ op: 'replace', path: pointer('substrate', 'layers', id, 'top'), value: top }];
}

/** Raises or lowers one knot of the front or the back edge, the rows between going along by their nearness. */
export function dragEdge(top: Surface, column: number, edge: 'front' | 'back', byMm: number): Surface {
  const last = top.rows - 1;
  return reshapedSurface(top, (height, at, row) => {
    if (at !== column) return height;
    const share = edge === 'front' ? 1 - row / last : row / last;
    return height + byMm * share;
  });
}

export function raiseKnot(top: Surface, column: number, row: number, byMm: number): Surface {
  return reshapedSurface(top, (height, c, r) => (c === column && r === row ? height + byMm : height));
}

/** More knots where a surface is coarser than the hand wants: what it was, measured anew. */
export function refined(top: Surface, lengthMm: number, widthMm: number): Surface {
  if (top.columns >= KNOTS.columns && top.rows >= KNOTS.rows) return top;
  return reshapedSurface(level(0, KNOTS.columns, KNOTS.rows), (_, column, row) =>
    surfaceAt(top, lengthMm, widthMm, (column / (KNOTS.columns - 1)) * lengthMm, (row / (KNOTS.rows - 1)) * widthMm),
  );
}

const SAND = 'fine-quartz-sand';

/** A zone with a bed of its own, cut out of the layers that lay all over. */
export function addZone(design: Design, kind: ZoneKind): Operation[] {
  const { vessel, substrate } = design;
  if (!vessel) return [];
  const { lengthMm: l, widthMm: w } = vessel;
  const outlines: Record<ZoneKind, Outline> = {
    // wide in front, narrow behind: it looks longer than it is
    path: [
      [0.36, 0],
      [0.64, 0],
      [0.6, 0.35],
      [0.56, 0.7],
      [0.57, 1],
      [0.51, 1],
      [0.48, 0.7],
      [0.47, 0.35],
    ].map(([x = 0, y = 0]) => [Math.round(x * l), Math.round(y * w)]),
    front: rectangle(0, 0, l, 0.28 * w),
    bare: rectangle(0.35 * l, 0.1 * w, 0.65 * l, 0.45 * w),
    terrace: rectangle(0, 0.55 * w, l, w),
  };
  const outlineMm = outlines[kind];
  const zoneId = layerId(substrate.zones, kind);
  const around = Math.round(statedTop(design, l / 2, kind === 'terrace' ? 0.4 * w : 0.5 * w));
  const ownTop = kind === 'terrace' ? around + 40 : Math.max(15, Math.round(around * 0.6));
  const edgeTopMm = kind === 'terrace' ? ownTop + 5 : kind === 'front' || kind === 'path' ? around + 5 : null;
  const ops: Operation[] = [
    { op: 'add', path: pointer('substrate', 'zones', zoneId), value: { order: nextOrder(substrate.zones), kind, outlineMm, edgeTopMm } },
  ];
  for (const [id, layer] of Object.entries(substrate.layers))
    if (layer.area.kind === 'whole') ops.push({ op: 'replace', path: pointer('substrate', 'layers', id, 'area'), value: { kind: 'open' } });
  const uppermost = Object.entries(substrate.layers).sort(([, a], [, b]) => b.order - a.order)[0]?.[1];
  if (kind !== 'bare') {
    const value: Layer = {
      order: nextOrder(substrate.layers),
      materialId: kind === 'terrace' ? (uppermost?.materialId ?? SAND) : SAND,
      grainMm: null,
      area: { kind: 'zone', zoneId },
      top: level(ownTop, 2, 2),
      spent: 0,
      cloth: false,
    };
    ops.push({ op: 'add', path: pointer('substrate', 'layers', layerId(substrate.layers, `${zoneId}-bed`)), value });
  }
  return ops;
}

/** Takes a zone out, with the layers that lay only in it; what was cut out for it lies all over again. */
export function removeZone({ substrate }: Design, zoneId: string): Operation[] {
  const last = Object.keys(substrate.zones).length === 1;
  return [
    ...Object.entries(substrate.layers).flatMap(([id, { area }]): Operation[] => {
      if (area.kind === 'zone' && area.zoneId === zoneId) return [{ op: 'remove', path: pointer('substrate', 'layers', id) }];
      return area.kind === 'open' && last
        ? [{ op: 'replace', path: pointer('substrate', 'layers', id, 'area'), value: { kind: 'whole' } }]
        : [];
    }),
    { op: 'remove', path: pointer('substrate', 'zones', zoneId) },
  ];
}
