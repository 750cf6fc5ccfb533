import { PHOTO_LIMITS, photoFault } from '../../core/build/photo';
import { ARCHIVE_LIMITS } from '../../core/design/archive-limits';
import type { Design } from '../../core/design/design';
import { freshId } from '../../core/design/fresh-id';
import { standing, timelineOf } from '../../core/log/timeline';
import type { TankLog } from '../../core/design/archive';
import { database, type StoredPhoto } from './database';

/** The pictures of one tank, of its building and of its log, oldest first. */
export async function photosOfTank(designId: string): Promise<StoredPhoto[]> {
  const stored = await (await database()).getAllFromIndex('photos', 'byDesign', designId);
  return stored.sort((a, b) => a.takenAt.localeCompare(b.takenAt));
}

/**
 * Pictures that go along in a room's file, the newest first as far as there is room for them; and how many stay. One that was taken out of its
 * step or struck out of the log is kept, and goes nowhere.
 */
export async function photosOf(designs: readonly Design[], logs: readonly TankLog[]): Promise<{ go: StoredPhoto[]; stay: number }> {
  const shown = await Promise.all(
    designs.map(async ({ id, build }) => {
      const entries = logs.find(({ designId }) => designId === id)?.entries ?? [];
      const named = new Set([
        ...Object.values(build.ticks).flatMap(({ photoIds }) => photoIds),
        ...standing(timelineOf(entries)).flatMap(({ entry }) => (entry.kind === 'photo' ? [entry.photoId] : [])),
      ]);
      return named.size === 0 ? [] : (await photosOfTank(id)).filter((photo) => named.has(photo.id));
    }),
  );
  const all = shown.flat().sort((a, b) => b.takenAt.localeCompare(a.takenAt));
  let bytes = 0;
  const go = all.filter(({ jpeg }) => (bytes += jpeg.length) <= ARCHIVE_LIMITS.photoBytes);
  return { go, stay: all.length - go.length };
}

/**
 * Shrinks a picture and keeps it beside a design; on the disk when this returns.
 *
 * @returns its id, or why it was not kept
 */
export async function keepPhoto(designId: string, file: Blob): Promise<{ ok: true; id: string } | { ok: false; reason: string }> {
  const jpeg = await shrunk(file).catch(() => null);
  if (!jpeg || photoFault(jpeg)) return { ok: false, reason: 'This is no picture that the browser can read.' };
  const id = freshId();
  try {
    const tx = (await database()).transaction('photos', 'readwrite', { durability: 'strict' });
    await Promise.all([tx.store.put({ designId, id, jpeg, takenAt: new Date().toISOString() }), tx.done]);
  } catch (error) {
    return { ok: false, reason: `The picture could not be kept: ${error instanceof Error ? error.message : String(error)}` };
  }
  return { ok: true, id };
}

/** As a JPEG no longer than a kept picture is; upright, as the camera meant it, and without what else its file says of place and owner. */
async function shrunk(file: Blob): Promise<Uint8Array> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, PHOTO_LIMITS.longestPx / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale)));
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.75 })).arrayBuffer());
}
