import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import * as z from 'zod';
import { ARCHIVE_LIMITS } from './archive-limits';
import type { Read } from './document';

const COPY_SCHEMA = 1;
export const COPY_MANIFEST = 'copy.json';
/** Larger than any set of rooms that a browser keeps. */
export const COPY_LIMITS = { packedBytes: 800_000_000, rooms: 200 };

const Row = z.strictObject({
  file: z.string().regex(/^rooms\/\d{3}\.zip$/),
  id: z.string().min(1).max(80),
  name: z.string().max(200),
  tanks: z.number().int().min(0),
  /** Lines of their logs. */
  entries: z.number().int().min(0),
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'not a SHA-256'),
});
const Manifest = z.strictObject({
  terroir: z.literal('copy'),
  schema: z.number().int().positive(),
  /** When it was made. */
  at: z.iso.datetime({ offset: true }),
  rooms: z.array(Row).max(COPY_LIMITS.rooms),
});

/** One room of a copy, and its own archive. */
export interface CopiedRoom {
  id: string;
  name: string;
  tanks: number;
  entries: number;
  zip: Uint8Array;
}
export interface WholeCopy {
  at: string;
  rooms: readonly CopiedRoom[];
}

const checksum = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));
const fileOf = (i: number): string => `rooms/${String(i + 1).padStart(3, '0')}.zip`;

/** All rooms in one file, each as the archive that it is exported as. */
export function writeCopy({ at, rooms }: WholeCopy): Uint8Array {
  const listed = rooms.map(({ zip, ...row }, i) => ({ ...row, file: fileOf(i), sha256: checksum(zip) }));
  const manifest = { terroir: 'copy', schema: COPY_SCHEMA, at, rooms: listed };
  return zipSync(
    {
      [COPY_MANIFEST]: strToU8(JSON.stringify(manifest, null, 1)),
      // packed already
      ...Object.fromEntries(rooms.map(({ zip }, i) => [fileOf(i), [zip, { level: 0 }] as const])),
    },
    { mtime: new Date('2000-01-01T00:00:00Z') },
  );
}

const refuse = (path: string, reason: string): { ok: false; refusals: { path: string; reason: string }[] } => ({
  ok: false,
  refusals: [{ path, reason }],
});

/** Whether a file says of itself that it is a copy of everything: its list stands first in it. */
export const isCopy = (packed: Uint8Array): boolean => strFromU8(packed.subarray(30, 30 + COPY_MANIFEST.length), true) === COPY_MANIFEST;

/**
 * Looks into a copy from outside. Refused with place and reason where it is too large, no copy, from a newer Terroir, or damaged; a room whose
 * archive is damaged is refused by itself, and the others can be had.
 */
export function readCopy(packed: Uint8Array): Read<WholeCopy & { damaged: readonly string[] }> {
  if (packed.length > COPY_LIMITS.packedBytes) return refuse('(file)', 'the file is larger than a copy can be');
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(packed, {
      filter: ({ name, originalSize }) =>
        (name === COPY_MANIFEST && originalSize < 1_000_000) ||
        (/^rooms\/\d{3}\.zip$/.test(name) && originalSize <= ARCHIVE_LIMITS.packedBytes),
    });
  } catch (error) {
    return refuse('(file)', `this is not a whole zip archive (${error instanceof Error ? error.message : 'unreadable'})`);
  }
  const bytes = files[COPY_MANIFEST];
  // the end of a room in it may be taken for the end of the whole
  if (!bytes && isCopy(packed)) return refuse('(file)', 'it ends too early: the copy is damaged');
  if (!bytes) return refuse('(file)', `this is no copy of everything: it has no ${COPY_MANIFEST}`);
  let raw: unknown;
  try {
    raw = JSON.parse(strFromU8(bytes));
  } catch {
    return refuse(COPY_MANIFEST, 'is not JSON');
  }
  const read = Manifest.safeParse(raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    return refuse(`${COPY_MANIFEST}: ${issue?.path.join('/') ?? ''}`, issue?.message ?? 'is not sound');
  }
  const { schema, at, rooms } = read.data;
  if (schema > COPY_SCHEMA)
    return refuse(`${COPY_MANIFEST}: schema`, `written by a newer Terroir (version ${schema}). Update, then open it again`);
  const whole: CopiedRoom[] = [];
  const damaged: string[] = [];
  for (const { file, sha256: sum, ...row } of rooms) {
    const zip = files[file];
    if (zip && checksum(zip) === sum) whole.push({ ...row, zip });
    else damaged.push(row.name);
  }
  return { ok: true, document: { at, rooms: whole, damaged } };
}
