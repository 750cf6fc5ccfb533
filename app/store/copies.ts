import { Injectable, inject } from '@angular/core';
import type { CopiedRoom } from '../../core/design/whole-copy';
import { dayOf } from '../../core/schedule/day';
import { download } from '../ui/download';
import { copied, markOfStore } from './copy-mark';
import { database, type TakenRoom } from './database';
import { Library } from './library';

/** What this browser can do with folders; not all can. */
interface FolderWindow {
  showDirectoryPicker?: (options: { id: string; mode: 'readwrite' }) => Promise<FileSystemDirectoryHandle>;
}
interface Asked {
  queryPermission?: (options: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (options: { mode: 'readwrite' }) => Promise<PermissionState>;
}

const FOLDER = 'copies-folder';

export type Made = { ok: true; where: string; left: string[] } | { ok: false; reason: string };

/** A room of a copy beside what is here. */
export interface Looked {
  room: CopiedRoom;
  here: 'as it is' | 'not here';
}

/** Copies of everything that this browser keeps: to a file or a folder, and back. */
@Injectable({ providedIn: 'root' })
export class Copies {
  private readonly library = inject(Library);

  get canFolder(): boolean {
    return typeof (window as FolderWindow).showDirectoryPicker === 'function';
  }

  async folder(): Promise<FileSystemDirectoryHandle | null> {
    const found = await (await database()).get('notes', FOLDER);
    return found === undefined || typeof found === 'string' ? null : found;
  }

  /** Asks for a folder. @returns null when none was chosen */
  async chooseFolder(): Promise<FileSystemDirectoryHandle | null> {
    try {
      const handle = await (window as FolderWindow).showDirectoryPicker?.({ id: 'terroir-copies', mode: 'readwrite' });
      if (!handle) return null;
      await (await database()).put('notes', handle, FOLDER);
      return handle;
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return null;
      throw error;
    }
  }

  async forgetFolder(): Promise<void> {
    await (await database()).delete('notes', FOLDER);
  }

  async toFile(): Promise<Made> {
    return this.make((name, bytes) => {
      download(name, bytes, 'application/zip');
      return Promise.resolve('a file among your downloads');
    });
  }

  /** Into the chosen folder. @param asks whether the browser may ask: only at a press */
  async toFolder(asks: boolean): Promise<Made> {
    const folder = await this.folder();
    if (!folder) return { ok: false, reason: 'No folder is chosen.' };
    const asked = folder as FileSystemDirectoryHandle & Asked;
    const may = (await asked.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
    const given = may === 'prompt' && asks ? await asked.requestPermission?.({ mode: 'readwrite' }) : may;
    if (given !== 'granted') return { ok: false, reason: `The browser does not let Terroir write into “${folder.name}”. Choose it again.` };
    return this.make(async (name, bytes) => {
      const file = await folder.getFileHandle(name, { create: true });
      // what is there stays as it is until all of the new one is written
      const stream = await file.createWritable();
      await stream.write(bytes as Uint8Array<ArrayBuffer>);
      await stream.close();
      return `“${folder.name}”`;
    });
  }

  private async make(put: (name: string, bytes: Uint8Array) => Promise<string>): Promise<Made> {
    try {
      const { mark } = await markOfStore();
      const rooms: CopiedRoom[] = [];
      const left: string[] = [];
      for (const { id } of await this.library.rooms()) {
        const found = await this.library.room(id);
        if (!found) continue;
        const room = found.document;
        const { zip, tanks, entries, unreadable, photosLeft } = await this.library.exportRoom(room);
        rooms.push({ id, name: room.name, tanks, entries, zip });
        left.push(...unreadable.map((name) => `“${name}” cannot be read by this version and is not in the copy. It stays here as it is.`));
        if (photosLeft > 0) left.push(`${photosLeft} pictures of “${room.name}” would make it too large: they stay here alone.`);
      }
      const { writeCopy } = await import('../../core/design/whole-copy');
      const bytes = writeCopy({ at: new Date().toISOString(), rooms });
      const where = await put(`Terroir copy ${dayOf(new Date())}.zip`, bytes);
      await copied(mark, where);
      return { ok: true, where, left };
    } catch (error) {
      return { ok: false, reason: `No copy was made: ${error instanceof Error ? error.message : String(error)}` };
    }
  }

  /** Looks into a copy; nothing is changed by it. */
  async look(
    file: File,
  ): Promise<{ ok: true; at: string; rooms: Looked[]; damaged: readonly string[] } | { ok: false; reasons: string[] }> {
    const { COPY_LIMITS, readCopy } = await import('../../core/design/whole-copy');
    if (file.size > COPY_LIMITS.packedBytes) return { ok: false, reasons: [`${file.name} is larger than a copy can be.`] };
    const read = readCopy(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) return { ok: false, reasons: read.refusals.map(({ path, reason }) => `${file.name}: ${path}: ${reason}.`) };
    const here = new Set((await this.library.rooms()).map(({ id }) => id));
    const { at, rooms, damaged } = read.document;
    return { ok: true, at, damaged, rooms: rooms.map((room) => ({ room, here: here.has(room.id) ? 'as it is' : 'not here' })) };
  }

  /** Takes a room out of a copy: beside what is here, or in its place. @returns how to undo it, or why nothing was changed */
  async takeBack(
    { id, zip }: CopiedRoom,
    how: 'beside' | 'instead',
  ): Promise<{ ok: true; roomId: string; before: TakenRoom | null } | { ok: false; reasons: string[] }> {
    try {
      const read = how === 'beside' ? await this.library.importRoom(zip) : await this.library.restoreRoom(zip, id);
      if (!read.ok) return { ok: false, reasons: read.refusals.map(({ path, reason }) => `${path}: ${reason}.`) };
      return 'before' in read.document
        ? { ok: true, roomId: id, before: read.document.before }
        : { ok: true, roomId: read.document.id, before: null };
    } catch (error) {
      return { ok: false, reasons: [`Nothing was changed: ${error instanceof Error ? error.message : String(error)}`] };
    }
  }
}
