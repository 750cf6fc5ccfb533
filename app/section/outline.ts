import { polygonHull } from 'd3-polygon';
import { curveCatmullRomClosed, line } from 'd3-shape';
import type { PieceClass } from '../../core/catalogue/piece';
import type { Body, Part } from '../../core/scene/body';
import { plus, turned, turnedBack, type Vec3 } from '../../core/scene/pose';
import { furthest } from '../../core/scene/solid';
import { steady } from './steady';

/** From the front, or from above. On the drawing x runs right and y down: height up from the bottom, or depth up from the front pane. */
export type DrawingView = 'section' | 'plan';

export type Point = [x: number, y: number];

export const onDrawing = (view: DrawingView, [x, y, z]: Vec3): Point => (view === 'section' ? [x, -z] : [x, -y]);

const LOOKS = 26;

/** The outline of one part as it is seen: the hull of its furthest points all round. Exact for these solids but for the roundness. */
export function partOutline({ solid, at, turn }: Part, view: DrawingView, looks = LOOKS): Point[] {
  const points: Point[] = [];
  for (let i = 0; i < looks; i++) {
    const angle = ((i + 0.5) * 2 * Math.PI) / looks;
    const along: Vec3 = view === 'section' ? [Math.cos(angle), 0, Math.sin(angle)] : [Math.cos(angle), Math.sin(angle), 0];
    points.push(onDrawing(view, plus(at, turned(turn, furthest(solid, turnedBack(turn, along))))));
  }
  return polygonHull(points) ?? points;
}

/** The part of an outline above a sloping line from the left end to the right: what the ground leaves to be seen. */
export function aboveGround(points: readonly Point[], leftY: number, rightY: number): Point[] {
  const xs = points.map(([x]) => x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  const groundY = (x: number) => leftY + ((rightY - leftY) * (x - from)) / Math.max(1e-6, to - from);
  const over = ([x, y]: Point) => groundY(x) - y;
  const kept: Point[] = [];
  points.forEach((point, i) => {
    const next = points[(i + 1) % points.length]!;
    const [a, b] = [over(point), over(next)];
    if (a >= 0) kept.push(point);
    if (a >= 0 !== b >= 0) {
      const t = a / (a - b);
      kept.push([point[0] + (next[0] - point[0]) * t, point[1] + (next[1] - point[1]) * t]);
    }
  });
  return kept;
}

const n1 = (value: number): string => value.toFixed(1);
export const closedPath = (points: readonly Point[]): string =>
  points.length < 3 ? '' : `M${points.map(([x, y]) => `${n1(x)} ${n1(y)}`).join('L')}Z`;

const smooth = line().curve(curveCatmullRomClosed.alpha(0.6)).digits(1);

/** An outline as the hand would draw it: round stone is round but not a circle, angular stone keeps its corners. */
export function drawnOutline(points: readonly Point[], form: PieceClass['form'], seed: string): string {
  if (points.length < 3) return '';
  if (form === 'rounded' || form === 'pile') {
    const [cx, cy] = middleOf(points);
    const every = form === 'pile' ? 2 : 3;
    const knots = points
      .filter((_, i) => i % every === 0 || points.length < 9)
      .map(([x, y], i): Point => {
        const inwards = (form === 'pile' ? 0.1 : 0.045) * steady(seed, i);
        return [x + (cx - x) * inwards, y + (cy - y) * inwards];
      });
    return knots.length < 4 ? closedPath(points) : (smooth(knots) ?? '');
  }
  if (form === 'angular') return closedPath(broken(points, seed));
  return closedPath(points);
}

/** Corners of a broken stone: the outline looked at from its middle in uneven steps, chipped back here and there. */
function broken(points: readonly Point[], seed: string): Point[] {
  const hull = polygonHull([...points]) ?? [...points];
  const [cx, cy] = middleOf(hull);
  const corners = 11;
  return Array.from({ length: corners }, (_, i): Point => {
    const angle = ((i + 0.7 * steady(seed, i)) * 2 * Math.PI) / corners;
    const [x, y] = onHull(hull, cx, cy, Math.cos(angle), Math.sin(angle));
    const back = 0.13 * steady(seed, i + 30);
    // its foot stays where it stands
    const foot = y >= cy + 0.8 * (Math.max(...hull.map(([, py]) => py)) - cy) ? 0 : back;
    return [x + (cx - x) * foot, y + (cy - y) * foot];
  });
}

/** Where a line from inside a hull leaves it. */
function onHull(hull: readonly Point[], cx: number, cy: number, dx: number, dy: number): Point {
  let reach = 0;
  hull.forEach(([ax, ay], i) => {
    const [bx, by] = hull[(i + 1) % hull.length]!;
    const [ex, ey] = [bx - ax, by - ay];
    const cross = dx * ey - dy * ex;
    if (Math.abs(cross) < 1e-9) return;
    const t = ((ax - cx) * ey - (ay - cy) * ex) / cross;
    const along = ((ax - cx) * dy - (ay - cy) * dx) / cross;
    if (t > reach && along >= -1e-6 && along <= 1 + 1e-6) reach = t;
  });
  return [cx + dx * reach, cy + dy * reach];
}

export function middleOf(points: readonly Point[]): Point {
  return [points.reduce((sum, [x]) => sum + x, 0) / points.length, points.reduce((sum, [, y]) => sum + y, 0) / points.length];
}

export interface Extent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

export function extentOf(points: readonly Point[]): Extent {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/** The rim of a way in, as it is seen. */
export function mouthOutline(mouth: { at: Vec3; across: Vec3; up: Vec3; widthMm: number; heightMm: number }, view: DrawingView): string {
  return closedPath(
    Array.from({ length: 18 }, (_, i) => {
      const angle = (i * Math.PI) / 9;
      const [a, u] = [(Math.cos(angle) * mouth.widthMm) / 2, (Math.sin(angle) * mouth.heightMm) / 2];
      return onDrawing(view, [
        mouth.at[0] + mouth.across[0] * a + mouth.up[0] * u,
        mouth.at[1] + mouth.across[1] * a + mouth.up[1] * u,
        mouth.at[2] + mouth.across[2] * a + mouth.up[2] * u,
      ]);
    }),
  );
}

/** Lines that tell one form from another: the whorl of a shell, the grain of wood, leaves strewn about. */
export function detailOf(form: PieceClass['form'], extent: Extent, seed: string): string {
  const [w, h] = [extent.right - extent.left, extent.bottom - extent.top];
  const at = (u: number, v: number) => `${n1(extent.left + u * w)} ${n1(extent.top + v * h)}`;
  switch (form) {
    case 'shell':
      return `M${at(0.2, 0.62)}C${at(0.25, 0.2)} ${at(0.8, 0.12)} ${at(0.86, 0.5)}C${at(0.88, 0.82)} ${at(0.5, 0.86)} ${at(0.5, 0.58)}C${at(0.5, 0.38)} ${at(0.72, 0.38)} ${at(0.7, 0.56)}`;
    case 'wood':
      return [0.3, 0.55]
        .map((v, i) => `M${at(0.16 + 0.1 * steady(seed, i), v)}Q${at(0.5, v - 0.06)} ${at(0.8, v + 0.05 * steady(seed, i + 4))}`)
        .join('');
    case 'angular':
      return `M${at(0.24, 0.2)}L${at(0.46, 0.42)}L${at(0.78, 0.3)}M${at(0.46, 0.42)}L${at(0.4, 0.86)}M${at(0.62, 0.6)}L${at(0.7, 0.88)}`;
    case 'leaves':
      return Array.from({ length: Math.min(40, Math.max(6, Math.round(w / 12))) }, (_, i) => {
        const [u, v] = [steady(seed, i), steady(seed, i + 60)];
        const turn = (steady(seed, i + 120) - 0.5) * 14;
        const [x, y] = [extent.left + u * w, extent.top + v * h];
        return `M${n1(x - 11)} ${n1(y)}Q${n1(x)} ${n1(y - 7 + turn / 3)} ${n1(x + 11)} ${n1(y + turn / 2)}Q${n1(x)} ${n1(y + 6)} ${n1(x - 11)} ${n1(y)}`;
      }).join('');
    case 'pile':
      return Array.from({ length: 9 }, (_, i) => {
        const [x, y] = [extent.left + w * (0.2 + 0.6 * steady(seed, i)), extent.top + h * (0.45 + 0.4 * steady(seed, i + 20))];
        const r = Math.min(w, h) * (0.08 + 0.06 * steady(seed, i + 40));
        return `M${n1(x - r)} ${n1(y)}Q${n1(x - r * 0.6)} ${n1(y - r)} ${n1(x + r * 0.2)} ${n1(y - r * 0.9)}Q${n1(x + r)} ${n1(y - r * 0.4)} ${n1(x + r)} ${n1(y + r * 0.3)}`;
      }).join('');
    default:
      return '';
  }
}

/** Outlines of all parts of a body. */
export const bodyOutlines = (body: Body, view: DrawingView): Point[][] => body.map((part) => partOutline(part, view));
