import * as z from 'zod';
import { Design, DESIGN_SCHEMA } from './design';
import { refusalsOf, type Refusal } from './edit';
import { migrateDesign, migrateRoom } from './migrate';
import { readJson } from './outside-json';
import { Room, ROOM_SCHEMA } from './room';
import { newerThan } from './version';

/** A design with the room it stands in, as a file. */
export const DesignFile = z
  .strictObject({
    terroir: z.literal('design'),
    design: Design,
    room: Room,
    cited: z.strictObject({ catalogue: z.string().min(1), entries: z.array(z.json()).max(500) }),
  })
  .refine(({ design, room }) => design.roomId === room.id, {
    message: 'is not the room that comes with the file',
    path: ['design', 'roomId'],
  });
export type DesignFile = z.infer<typeof DesignFile>;

export type Read<T> = { ok: true; document: T } | { ok: false; refusals: Refusal[] };

/** Largest file that is looked at, bytes. */
export const MAX_FILE_BYTES = 10_000_000;

/**
 * Reads a design file from outside. Refused, with place and reason: what is too large, not JSON, another program's, of a newer
 * version, or not sound. Nothing is changed.
 */
export function readDesignFile(text: string): Read<DesignFile> {
  if (text.length > MAX_FILE_BYTES) return refuse('(file)', 'the file is larger than a design can be');
  const read = readJson(text);
  if (!read.ok) return read;
  const { json } = read;
  if (
    json === null ||
    typeof json !== 'object' ||
    Array.isArray(json) ||
    !('terroir' in json) ||
    json.terroir !== 'design' ||
    !('design' in json)
  ) {
    return refuse('terroir', 'this is not a Terroir design file');
  }
  const newer = newerThan(json.design, 'design', DESIGN_SCHEMA) ?? ('room' in json ? newerThan(json.room, 'room', ROOM_SCHEMA) : null);
  if (newer) return { ok: false, refusals: [newer] };
  const parsed = DesignFile.safeParse({ ...json, design: migrateDesign(json['design']), room: migrateRoom(json['room']) });
  return parsed.success ? { ok: true, document: parsed.data } : { ok: false, refusals: refusalsOf(parsed.error) };
}

function refuse(path: string, reason: string): { ok: false; refusals: Refusal[] } {
  return { ok: false, refusals: [{ path, reason }] };
}
