import type { Design } from '../design/design';
import type { Room } from '../design/room';
import { markOf } from '../water/reading';

const marks = new WeakMap<Design, WeakMap<Room, string>>();

/** Mark of all that makes the water what it is: what is poured and weighed, what lies in it, and what the sources read. */
export function waterMark(design: Design, room: Room): string {
  const of = marks.get(design) ?? new WeakMap<Room, string>();
  marks.set(design, of);
  let mark = of.get(room);
  if (mark === undefined) {
    const { parts, salts, additions, co2 } = design.water;
    const poured = Object.values(parts).map(({ sourceId, share }) => [sourceId, share, room.sources[sourceId] ?? null]);
    const beds = Object.values(design.substrate.layers).map(({ materialId, spent }) => [materialId, spent]);
    const stones = Object.values(design.scene)
      .flatMap((item) => (item.kind === 'hardscape' && item.materialId !== null ? [item.materialId] : []))
      .sort();
    mark = markOf([poured, salts, additions, co2, beds, stones]);
    of.set(room, mark);
  }
  return mark;
}
