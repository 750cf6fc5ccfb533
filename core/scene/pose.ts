/** A point or direction in the scene, millimetres: x left to right, y front to back, z up from the inside bottom. */
export type Vec3 = readonly [x: number, y: number, z: number];

/** A rotation, row by row. */
export type Turn = readonly [Vec3, Vec3, Vec3];

const RAD = Math.PI / 180;

/**
 * The rotation of a piece: first about its own x, then y, then about the upright z. Degrees; right-handed, so that a positive turn
 * about z goes from x towards y.
 */
export function turnOf([aboutX, aboutY, aboutZ]: Vec3): Turn {
  const [a, b, c] = [Math.cos(aboutX * RAD), Math.cos(aboutY * RAD), Math.cos(aboutZ * RAD)];
  const [p, q, r] = [Math.sin(aboutX * RAD), Math.sin(aboutY * RAD), Math.sin(aboutZ * RAD)];
  return [
    [b * c, p * q * c - a * r, a * q * c + p * r],
    [b * r, p * q * r + a * c, a * q * r - p * c],
    [-q, p * b, a * b],
  ];
}

const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** A vector of the piece as it lies in the scene. */
export const turned = (turn: Turn, v: Vec3): Vec3 => [dot(turn[0], v), dot(turn[1], v), dot(turn[2], v)];

/** A vector of the scene as the piece sees it. */
export const turnedBack = ([a, b, c]: Turn, v: Vec3): Vec3 => [
  a[0] * v[0] + b[0] * v[1] + c[0] * v[2],
  a[1] * v[0] + b[1] * v[1] + c[1] * v[2],
  a[2] * v[0] + b[2] * v[1] + c[2] * v[2],
];

/** One turn after another: `outer` applied to what `inner` has turned. */
export function turnedBy(outer: Turn, inner: Turn): Turn {
  const columns: Turn = [
    [inner[0][0], inner[1][0], inner[2][0]],
    [inner[0][1], inner[1][1], inner[2][1]],
    [inner[0][2], inner[1][2], inner[2][2]],
  ];
  const row = (r: Vec3): Vec3 => [dot(r, columns[0]), dot(r, columns[1]), dot(r, columns[2])];
  return [row(outer[0]), row(outer[1]), row(outer[2])];
}

export const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
