import type { Design } from './design';
import type { Room } from './room';

/** A room and its designs under other ids: whatever names a tank goes on naming the same one. */
export function renamed(
  room: Room,
  designs: readonly Design[],
  roomId: string,
  ids: ReadonlyMap<string, string>,
): { room: Room; designs: Design[] } {
  const of = <T extends string | null>(id: T): T => (id === null ? id : ((ids.get(id) ?? id) as T));
  const each = <T>(table: Readonly<Record<string, T>>, change: (entry: T) => T): Record<string, T> =>
    Object.fromEntries(Object.entries(table).map(([key, entry]) => [key, change(entry)]));
  return {
    room: {
      ...room,
      id: roomId,
      moves: each(room.moves, (move) => ({ ...move, from: of(move.from), to: of(move.to) })),
      walk: room.walk.map(of),
      broods: each(room.broods, (brood) => ({ ...brood, tankId: of(brood.tankId) })),
      marks: each(room.marks, (mark) => ({ ...mark, place: of(mark.place) })),
    },
    designs: designs.map((design) => ({
      ...design,
      id: of(design.id),
      roomId,
      equipment: each(design.equipment, (device) => {
        if (device.kind === 'air' && device.ofTankId !== undefined) return { ...device, ofTankId: of(device.ofTankId) };
        if (device.kind !== 'filter') return device;
        return {
          ...device,
          media: device.media.map((medium) =>
            medium.fromTankId === undefined ? medium : { ...medium, fromTankId: of(medium.fromTankId) },
          ),
        };
      }),
    })),
  };
}
