import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { strFromU8, strToU8, Unzip, UnzipInflate, zipSync, type UnzipFile } from 'fflate';
import * as z from 'zod';
import { photoFault, type Photo } from '../build/photo';
import { ARCHIVE_LIMITS } from './archive-limits';
import { Design, DESIGN_SCHEMA } from './design';
import type { Read } from './document';
import { refusalsOf, type Refusal } from './edit';
import { migrateDesign, migrateRoom } from './migrate';
import { readJson } from './outside-json';
import { Entry, LOG_SCHEMA } from '../log/model';
import { Room, ROOM_SCHEMA } from './room';
import { newerThan } from './version';
import { isCopy } from './whole-copy';

/** The log of one tank: every entry, corrections too. */
export interface TankLog {
  designId: string;
  entries: Entry[];
}

const LogFile = z.strictObject({ terroir: z.literal('log'), schema: z.literal(LOG_SCHEMA), entries: z.array(Entry).max(1_000_000) });

/** A room with all its designs. */
export interface RoomArchive {
  room: Room;
  designs: Design[];
  /** Pictures of the building and of the logs, of these designs. */
  photos: Photo[];
  /** What happened in them. */
  logs: TankLog[];
  /** The edition of the catalogue, and every entry of it that the designs use. */
  cited: { catalogue: string; entries: z.infer<ReturnType<typeof z.json>>[] };
}

const Manifest = z.strictObject({
  terroir: z.literal('room'),
  schema: z.number().int().positive(),
  /** Path -> SHA-256 of the file, in hexadecimal. */
  sha256: z.record(z.string().min(1).max(200), z.string().regex(/^[0-9a-f]{64}$/, 'not a SHA-256')),
});
const ARCHIVE_SCHEMA = 1;
const MANIFEST = 'manifest.json';
const Cited = z.strictObject({ catalogue: z.string().min(1), entries: z.array(z.json()).max(5000) });

/** A fixed date, so that the same room always gives the same file. */
const STAMP = new Date('2000-01-01T00:00:00Z');

const checksum = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** The zip of a room: manifest with checksums, room, one file per design, its pictures under the same number, cited catalogue entries. */
export function writeRoomArchive({ room, designs, photos, logs, cited }: RoomArchive): Uint8Array {
  const files: Record<string, Uint8Array> = {
    'room.json': json(room),
    'cited.json': json(cited),
    ...Object.fromEntries(designs.map((design, i) => [`designs/${numbered(i)}.json`, json(design)])),
    ...Object.fromEntries(
      photos.flatMap(({ designId, id, jpeg }) => {
        const of = designs.findIndex((design) => design.id === designId);
        return of < 0 ? [] : [[`photos/${numbered(of)}/${encodeURIComponent(id)}.jpg`, jpeg]];
      }),
    ),
  };
  for (const [i, { id }] of designs.entries()) {
    const entries = logs.find(({ designId }) => designId === id)?.entries ?? [];
    // an entry a line: a log has tens of thousands
    if (entries.length > 0)
      files[`logs/${numbered(i)}.json`] = strToU8(
        `{"terroir":"log","schema":${LOG_SCHEMA},"entries":[\n${entries.map((entry) => JSON.stringify(entry)).join(',\n')}\n]}\n`,
      );
  }
  const manifest: z.infer<typeof Manifest> = {
    terroir: 'room',
    schema: ARCHIVE_SCHEMA,
    sha256: Object.fromEntries(Object.entries(files).map(([path, bytes]) => [path, checksum(bytes)])),
  };
  return zipSync({ [MANIFEST]: json(manifest), ...files }, { mtime: STAMP, level: 6 });
}

const numbered = (i: number): string => String(i + 1).padStart(3, '0');

function json(value: unknown): Uint8Array {
  return strToU8(`${JSON.stringify(value, null, 1)}\n`);
}

class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.reason);
  }
}

/** Every file of a zip, unpacked piece by piece: what swells past the limit is let go of before it is there. @throws Refused */
function unpack(packed: Uint8Array): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array>();
  const ended = new Set<string>();
  let total = 0;
  const unzip = new Unzip((file: UnzipFile) => {
    if (files.has(file.name)) throw new Refused({ path: file.name, reason: 'is a duplicate in the archive' });
    if (files.size >= ARCHIVE_LIMITS.files)
      throw new Refused({ path: '(file)', reason: 'the archive holds more files than a room can have' });
    const pieces: Uint8Array[] = [];
    files.set(file.name, new Uint8Array());
    file.ondata = (error, piece, final) => {
      if (error) throw new Refused({ path: file.name, reason: `is damaged (${error.message})` });
      total += piece.length;
      if (total > ARCHIVE_LIMITS.bytes) throw new Refused({ path: file.name, reason: 'unpacks to more than a room can be' });
      pieces.push(piece);
      if (!final) return;
      ended.add(file.name);
      files.set(file.name, joined(pieces));
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  const step = 16384;
  for (let at = 0; at < packed.length; at += step) unzip.push(packed.subarray(at, at + step), at + step >= packed.length);
  for (const name of files.keys())
    if (!ended.has(name)) throw new Refused({ path: name, reason: 'ends too early: the archive is damaged' });
  return files;
}

/** The files of a zip from outside, by name; refused where it is damaged, swells past the limit or names something twice. */
export function unpacked(packed: Uint8Array): Read<Map<string, Uint8Array>> {
  try {
    return { ok: true, document: unpack(packed) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusals: [error.refusal] };
    return refuse('(file)', `this is not a whole zip archive (${error instanceof Error ? error.message : 'unreadable'})`);
  }
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}

/**
 * Reads a room's zip from outside. Refused with place and reason: too large, damaged, swelling, a wrong checksum, a file that is
 * missing, unannounced or stands twice, two designs of one id, or anything in it that is not sound. Nothing is changed.
 */
export function readRoomArchive(packed: Uint8Array): Read<RoomArchive> {
  if (packed.length > ARCHIVE_LIMITS.packedBytes) return refuse('(file)', 'the file is larger than a room can be');
  if (isCopy(packed)) return refuse('(file)', 'this is a copy of everything: look into it under “A copy of everything”');
  const zip = unpacked(packed);
  if (!zip.ok) return zip;
  const files = zip.document;
  const manifestBytes = files.get(MANIFEST);
  if (!manifestBytes) return refuse('(file)', 'this is not a Terroir room: it has no manifest.json');
  const manifest = parsed(MANIFEST, manifestBytes, Manifest);
  if (!manifest.ok) return manifest;
  if (manifest.document.schema > ARCHIVE_SCHEMA)
    return refuse(`${MANIFEST}: schema`, `written by a newer Terroir (version ${manifest.document.schema}). Update, then open it again`);

  const faults: Refusal[] = [];
  for (const [path, sum] of Object.entries(manifest.document.sha256)) {
    const bytes = files.get(path);
    if (!bytes) faults.push({ path, reason: 'is named in the manifest and not there' });
    else if (checksum(bytes) !== sum) faults.push({ path, reason: 'its checksum is wrong: it was damaged or changed' });
  }
  for (const path of files.keys()) {
    if (path !== MANIFEST && !Object.hasOwn(manifest.document.sha256, path) && !path.endsWith('/'))
      faults.push({ path, reason: 'is not named in the manifest' });
  }
  if (faults.length > 0) return { ok: false, refusals: faults };

  const file = (path: string) => files.get(path) ?? new Uint8Array();
  const room = parsed('room.json', file('room.json'), Room, migrateRoom, ['room', ROOM_SCHEMA]);
  const cited = parsed('cited.json', file('cited.json'), Cited);
  if (!room.ok) faults.push(...room.refusals);
  if (!cited.ok) faults.push(...cited.refusals);
  const designs: Design[] = [];
  const seen = new Map<string, string>();
  for (const path of [...files.keys()].filter((name) => /^designs\/[^/]+\.json$/.test(name)).sort()) {
    const design = parsed(path, file(path), Design, migrateDesign, ['design', DESIGN_SCHEMA]);
    if (!design.ok) {
      faults.push(...design.refusals);
      continue;
    }
    const { id, roomId } = design.document;
    const twin = seen.get(id);
    if (twin) faults.push({ path: `${path}: id`, reason: `"${id}" is the id of ${twin} too` });
    if (room.ok && roomId !== room.document.id) faults.push({ path: `${path}: roomId`, reason: 'is not the room of this archive' });
    seen.set(id, path);
    designs.push(design.document);
  }
  const designAt = (number: string) => [...seen].find(([, at]) => at === `designs/${number}.json`)?.[0];
  const photos = [...files].flatMap(([path, jpeg]): Photo[] => {
    const named = /^photos\/(\d{3,4})\/([^/]{1,240})\.jpg$/.exec(path);
    if (!named) return [];
    const fault = photoFault(jpeg);
    if (fault) faults.push({ path, reason: fault });
    const designId = designAt(named[1]!);
    if (designId === undefined) faults.push({ path, reason: `is a picture of designs/${named[1]}.json, which is not there` });
    const id = decoded(named[2]!);
    if (id === null) faults.push({ path, reason: 'has a name that cannot be read' });
    return designId === undefined || id === null ? [] : [{ designId, id, jpeg }];
  });
  const logs = [...files].flatMap(([path, bytes]): TankLog[] => {
    const named = /^logs\/(\d{3,4})\.json$/.exec(path);
    if (!named) return [];
    const log = parsed(path, bytes, LogFile, undefined, ['log', LOG_SCHEMA]);
    if (!log.ok) faults.push(...log.refusals);
    const designId = designAt(named[1]!);
    if (designId === undefined) faults.push({ path, reason: `is the log of designs/${named[1]}.json, which is not there` });
    return log.ok && designId !== undefined ? [{ designId, entries: log.document.entries }] : [];
  });
  if (faults.length > 0 || !room.ok || !cited.ok) return { ok: false, refusals: faults.slice(0, 20) };
  return { ok: true, document: { room: room.document, designs, photos, logs, cited: cited.document } };
}

function decoded(name: string): string | null {
  try {
    return decodeURIComponent(name);
  } catch {
    return null;
  }
}

function parsed<T>(
  path: string,
  bytes: Uint8Array,
  schema: z.ZodType<T>,
  migrate: (document: unknown) => unknown = (document) => document,
  version?: readonly [name: string, current: number],
): Read<T> {
  const read = readJson(strFromU8(bytes));
  const inFile = (refusals: readonly Refusal[]) => ({
    ok: false as const,
    refusals: refusals.map((refusal) => ({ path: `${path}: ${refusal.path}`, reason: refusal.reason })),
  });
  if (!read.ok) return inFile(read.refusals);
  const newer = version && newerThan(read.json, version[0], version[1]);
  if (newer) return inFile([newer]);
  const checked = schema.safeParse(migrate(read.json));
  return checked.success ? { ok: true, document: checked.data } : inFile(refusalsOf(checked.error));
}

function refuse(path: string, reason: string): { ok: false; refusals: Refusal[] } {
  return { ok: false, refusals: [{ path, reason }] };
}
