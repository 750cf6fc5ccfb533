import { crossings, reachMm, solidVolumeMm3, type Solid } from './solid';
import { minus, plus, turned, turnedBack, turnedBy, turnOf, type Turn, type Vec3 } from './pose';

/** A solid in its place within a body. */
export interface Part {
  solid: Solid;
  /** Of its middle. */
  at: Vec3;
  turn: Turn;
}

/** One or more solids that move as one. */
export type Body = readonly Part[];

export const partOf = (solid: Solid, at: Vec3 = [0, 0, 0], turnDeg: Vec3 = [0, 0, 0]): Part => ({ solid, at, turn: turnOf(turnDeg) });

/** The body turned about the origin, then moved. */
export function placed(body: Body, turn: Turn, by: Vec3): Body {
  return body.map(({ solid, at, turn: own }) => ({ solid, at: plus(turned(turn, at), by), turn: turnedBy(turn, own) }));
}

export const moved = (body: Body, by: Vec3): Body => body.map((part) => ({ ...part, at: plus(part.at, by) }));

/** Where a line is inside one of the parts; the line in the scene's frame. */
export function partCrossings({ solid, at, turn }: Part, origin: Vec3, direction: Vec3): readonly number[] {
  return crossings(solid, turnedBack(turn, minus(origin, at)), turnedBack(turn, direction));
}

/** Where a line is inside the body, parts that overlap counted once: pairs of entering and leaving, in order. */
export function bodyCrossings(body: Body, origin: Vec3, direction: Vec3): readonly number[] {
  if (body.length === 1) return partCrossings(body[0]!, origin, direction);
  return united(body.map((part) => partCrossings(part, origin, direction)));
}

/** Stretches of several lists as one list without overlaps. */
export function united(lists: readonly (readonly number[])[]): readonly number[] {
  const filled = lists.filter((spans) => spans.length > 0);
  if (filled.length <= 1) return filled[0] ?? [];
  const spans: [number, number][] = [];
  for (const flat of filled) for (let i = 0; i < flat.length; i += 2) spans.push([flat[i]!, flat[i + 1]!]);
  spans.sort(([a], [b]) => a - b);
  const out: number[] = [];
  for (const [from, to] of spans) {
    if (out.length > 0 && from <= out[out.length - 1]!) out[out.length - 1] = Math.max(out[out.length - 1]!, to);
    else out.push(from, to);
  }
  return out;
}

export interface Bounds {
  low: Vec3;
  high: Vec3;
}

/** The box around a body, along the axes of the scene; exact for every solid. */
export function boundsOf(body: Body): Bounds {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const { solid, at, turn } of body) {
    for (let i = 0; i < 3; i++) {
      const axis = turn[i]!;
      high[i] = Math.max(high[i]!, at[i]! + reachMm(solid, axis));
      low[i] = Math.min(low[i]!, at[i]! - reachMm(solid, [-axis[0], -axis[1], -axis[2]]));
    }
  }
  return { low, high };
}

/** Volume of a body of one part by its closed form; null for several, which may overlap. Cubic millimetres. */
export function closedVolumeMm3(body: Body): number | null {
  return body.length === 1 ? solidVolumeMm3(body[0]!.solid) : null;
}

/** First distance at which a line that starts outside meets the body; null when it does not. */
export function firstHitMm(body: Body, origin: Vec3, direction: Vec3): number | null {
  let first: number | null = null;
  for (const part of body) {
    const spans = partCrossings(part, origin, direction);
    for (let i = 0; i < spans.length; i += 2) {
      if (spans[i + 1]! <= 0) continue;
      const at = Math.max(0, spans[i]!);
      if (first === null || at < first) first = at;
    }
  }
  return first;
}
