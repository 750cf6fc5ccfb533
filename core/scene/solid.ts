import type { Vec3 } from './pose';

export const SHAPES = ['box', 'ellipsoid', 'capsule', 'tube', 'arch', 'prism'] as const;
export type Shape = (typeof SHAPES)[number];

/**
 * A body about its own middle. Long axis along x for capsule, tube and arch.
 * - box: sizes are its edges
 * - ellipsoid: sizes are its axes
 * - capsule: a round bar with half-round ends; `sizeMm[0]` over the ends
 * - tube: a pipe open at both ends; a wall of half its width and more makes it a full round bar
 * - arch: the upper half of a tube, standing on its cut edges
 * - prism: a ridge along x, a triangle in cross-section, its base down
 */
export interface Solid {
  shape: Shape;
  /** Along its own x, y and z; the full height of an arch is half the tube's. */
  sizeMm: Vec3;
  /** Of tube and arch. */
  wallMm?: number;
}

const wallOf = ({ sizeMm, wallMm = Infinity, shape }: Solid): number =>
  Math.min(wallMm, Math.min(sizeMm[1], shape === 'arch' ? 2 * sizeMm[2] : sizeMm[2]) / 2);

/** Volume of the body itself, hollow left out; closed forms. Cubic millimetres. */
export function solidVolumeMm3(solid: Solid): number {
  const [x, y, z] = solid.sizeMm;
  switch (solid.shape) {
    case 'box':
      return x * y * z;
    case 'ellipsoid':
      return (Math.PI / 6) * x * y * z;
    case 'capsule': {
      // its ends are as long as it is wide, at most half of it each
      const end = Math.min(y, x);
      return (Math.PI / 4) * y * z * (x - end) + (Math.PI / 6) * y * z * end;
    }
    case 'tube':
    case 'arch': {
      const tall = solid.shape === 'arch' ? 2 * z : z;
      const wall = wallOf(solid);
      const ring = (Math.PI / 4) * (y * tall - (y - 2 * wall) * (tall - 2 * wall));
      return ring * x * (solid.shape === 'arch' ? 0.5 : 1);
    }
    case 'prism':
      return (x * y * z) / 2;
  }
}

const NONE: readonly number[] = [];

/** Where a line runs inside slabs |p| <= half, as [from, to]; null when it misses. */
function slabs(o: Vec3, d: Vec3, half: Vec3): [number, number] | null {
  let from = -Infinity;
  let to = Infinity;
  for (let i = 0; i < 3; i++) {
    const [p, v, h] = [o[i]!, d[i]!, half[i]!];
    if (Math.abs(v) < 1e-12) {
      if (Math.abs(p) > h) return null;
      continue;
    }
    const [a, b] = [(-h - p) / v, (h - p) / v];
    from = Math.max(from, Math.min(a, b));
    to = Math.min(to, Math.max(a, b));
  }
  return from < to ? [from, to] : null;
}

/** Where a line runs inside a x² + b x + c <= 0. */
function quadratic(a: number, b: number, c: number): [number, number] | null {
  if (a < 1e-15) return c <= 0 ? [-Infinity, Infinity] : null;
  const root = b * b - 4 * a * c;
  if (root <= 0) return null;
  const s = Math.sqrt(root);
  return [(-b - s) / (2 * a), (-b + s) / (2 * a)];
}

/** Where a line runs inside an endless elliptic bar along x. */
function bar(o: Vec3, d: Vec3, radiusY: number, radiusZ: number): [number, number] | null {
  const [py, pz, vy, vz] = [o[1] / radiusY, o[2] / radiusZ, d[1] / radiusY, d[2] / radiusZ];
  return quadratic(vy * vy + vz * vz, 2 * (py * vy + pz * vz), py * py + pz * pz - 1);
}

/** Where a line runs inside p_axis between two values. */
function between(o: number, v: number, low: number, high: number): [number, number] | null {
  if (Math.abs(v) < 1e-12) return o >= low && o <= high ? [-Infinity, Infinity] : null;
  const [a, b] = [(low - o) / v, (high - o) / v];
  return a < b ? [a, b] : [b, a];
}

function both(a: [number, number] | null, b: [number, number] | null): [number, number] | null {
  if (!a || !b) return null;
  const [from, to] = [Math.max(a[0], b[0]), Math.min(a[1], b[1])];
  return from < to ? [from, to] : null;
}

function ellipsoid(o: Vec3, d: Vec3, axes: Vec3): [number, number] | null {
  const p = [o[0] / axes[0], o[1] / axes[1], o[2] / axes[2]] as const;
  const v = [d[0] / axes[0], d[1] / axes[1], d[2] / axes[2]] as const;
  return quadratic(
    v[0] * v[0] + v[1] * v[1] + v[2] * v[2],
    2 * (p[0] * v[0] + p[1] * v[1] + p[2] * v[2]),
    p[0] * p[0] + p[1] * p[1] + p[2] * p[2] - 1,
  );
}

const list = (span: [number, number] | null): readonly number[] => span ?? NONE;

/**
 * Where a straight line is inside the body: distances along `direction` from `origin`, in pairs of entering and leaving.
 * Both are in the body's own frame; the direction need not have length one.
 */
export function crossings(solid: Solid, origin: Vec3, direction: Vec3): readonly number[] {
  const [hx, hy, hz] = [solid.sizeMm[0] / 2, solid.sizeMm[1] / 2, solid.sizeMm[2] / 2];
  switch (solid.shape) {
    case 'box':
      return list(slabs(origin, direction, [hx, hy, hz]));
    case 'ellipsoid':
      return list(ellipsoid(origin, direction, [hx, hy, hz]));
    case 'capsule': {
      const end = Math.min(hy, hx);
      const straight = hx - end;
      const parts = [
        straight > 0 ? both(bar(origin, direction, hy, hz), between(origin[0], direction[0], -straight, straight)) : null,
        ellipsoid([origin[0] - straight, origin[1], origin[2]], direction, [end, hy, hz]),
        ellipsoid([origin[0] + straight, origin[1], origin[2]], direction, [end, hy, hz]),
      ].filter((part) => part !== null);
      if (parts.length === 0) return NONE;
      // a convex body: what its parts hold is one stretch
      return [Math.min(...parts.map(([from]) => from)), Math.max(...parts.map(([, to]) => to))];
    }
    case 'tube':
      return hollow(solid, origin, direction, both(bar(origin, direction, hy, hz), between(origin[0], direction[0], -hx, hx)), hy, hz);
    case 'arch': {
      const o: Vec3 = [origin[0], origin[1], origin[2] + hz];
      const half = both(between(o[2], direction[2], 0, 2 * hz), between(o[0], direction[0], -hx, hx));
      return hollow(solid, o, direction, both(bar(o, direction, hy, 2 * hz), half), hy, 2 * hz);
    }
    case 'prism': {
      // |y| / hy + (z + hz) / (2 hz) <= 1 over its base
      const above = between(origin[2], direction[2], -hz, hz);
      const side = (sign: number) => {
        const n = sign / hy;
        return between(origin[1] * n + (origin[2] + hz) / (2 * hz), direction[1] * n + direction[2] / (2 * hz), -Infinity, 1);
      };
      return list(both(both(above, between(origin[0], direction[0], -hx, hx)), both(side(1), side(-1))));
    }
  }
}

/** A round body less the bar of its hollow. */
function hollow(solid: Solid, o: Vec3, d: Vec3, outer: [number, number] | null, ry: number, rz: number): readonly number[] {
  if (!outer) return NONE;
  const wall = wallOf(solid);
  if (wall >= Math.min(ry, rz) - 1e-9) return outer;
  const inner = both(outer, bar(o, d, ry - wall, rz - wall));
  if (!inner) return outer;
  const kept = [outer[0], inner[0], inner[1], outer[1]];
  if (inner[0] - outer[0] < 1e-9) kept.splice(0, 2);
  if (outer[1] - inner[1] < 1e-9) kept.splice(kept.length - 2, 2);
  return kept;
}

/** The point of a body's hull that lies furthest along a direction, in its own frame. */
export function furthest(solid: Solid, n: Vec3): Vec3 {
  const [hx, hy, hz] = [solid.sizeMm[0] / 2, solid.sizeMm[1] / 2, solid.sizeMm[2] / 2];
  switch (solid.shape) {
    case 'box':
      return [side(n[0]) * hx, side(n[1]) * hy, side(n[2]) * hz];
    case 'ellipsoid':
      return onEllipsoid(n, hx, hy, hz);
    case 'capsule': {
      const end = Math.min(hy, hx);
      const [x, y, z] = onEllipsoid(n, end, hy, hz);
      return [x + side(n[0]) * (hx - end), y, z];
    }
    case 'tube': {
      const [, y, z] = onEllipsoid([0, n[1], n[2]], hx, hy, hz);
      return [side(n[0]) * hx, y, z];
    }
    case 'arch': {
      const [, y, z] = n[2] >= 0 ? onEllipsoid([0, n[1], n[2]], hx, hy, 2 * hz) : [0, side(n[1]) * hy, 0];
      return [side(n[0]) * hx, y, z - hz];
    }
    case 'prism': {
      const ridge = n[2] * hz;
      const foot = Math.abs(n[1]) * hy - n[2] * hz;
      return ridge >= foot ? [side(n[0]) * hx, 0, hz] : [side(n[0]) * hx, side(n[1]) * hy, -hz];
    }
  }
}

const side = (n: number): number => (n < 0 ? -1 : 1);

function onEllipsoid([x, y, z]: Vec3, hx: number, hy: number, hz: number): Vec3 {
  const length = Math.hypot(x * hx, y * hy, z * hz);
  return length < 1e-12 ? [0, 0, 0] : [(x * hx * hx) / length, (y * hy * hy) / length, (z * hz * hz) / length];
}

/** How far the body reaches from its middle along a direction, in its own frame. */
export function reachMm(solid: Solid, n: Vec3): number {
  const [x, y, z] = furthest(solid, n);
  return x * n[0] + y * n[1] + z * n[2];
}
