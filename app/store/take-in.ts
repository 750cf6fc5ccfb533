import { ARCHIVE_LIMITS } from '../../core/design/archive-limits';
import { MAX_FILE_BYTES } from '../../core/design/document';
import type { Refusal } from '../../core/design/edit';
import type { Library } from './library';

/** What came of a file: where to go, or why it was refused. */
export type Taken = { ok: true; at: readonly [page: 'tank' | 'room', id: string]; said: string } | { ok: false; reasons: string[] };

/** Takes a file in, a design or a room's zip. Refused files change nothing. */
export async function takeIn(library: Library, file: File): Promise<Taken> {
  const zip = (await file.slice(0, 2).text()) === 'PK';
  const most = zip ? ARCHIVE_LIMITS.packedBytes : MAX_FILE_BYTES;
  if (file.size > most)
    return refused(file.name, [
      { path: '(file)', reason: `${Math.round(file.size / 1e6)} MB is larger than a ${zip ? 'room' : 'design'} can be (${most / 1e6} MB)` },
    ]);
  if (zip) {
    const read = await library.importRoom(new Uint8Array(await file.arrayBuffer()));
    return read.ok
      ? { ok: true, at: ['room', read.document.id], said: `“${read.document.name}” is here now.` }
      : refused(file.name, read.refusals);
  }
  const read = await library.importDesign(await file.text());
  return read.ok
    ? { ok: true, at: ['tank', read.document.id], said: `“${read.document.name}” is here now.` }
    : refused(file.name, read.refusals);
}

function refused(name: string, refusals: readonly Refusal[]): Taken {
  return { ok: false, reasons: [...refusals.map(({ path, reason }) => `${name}: ${path}: ${reason}.`), 'Nothing was changed.'] };
}
