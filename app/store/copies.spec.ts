import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { applyPatch } from 'rfc6902';
import type { Design } from '../../core/design/design';
import { Entry } from '../../core/log/model';
import type { Room } from '../../core/design/room';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { lowBarn, shellBed } from '../../core/testing/tanks';
import { askForCopy, askInAWeek } from './ask-for-copy';
import { Copies } from './copies';
import { copyState, remindEvery } from './copy-mark';
import { database } from './database';
import { Library } from './library';
import { putEntries, readLog } from './tank-logs';

const room: Room = { ...lowBarn, id: 'copied-room', name: 'Copied room', invented: false };
const design: Design = { ...shellBed, id: 'copied-bed', roomId: room.id, name: 'Copied bed' };
const line = (note: string) =>
  Entry.parse({ kind: 'note', note, id: crypto.randomUUID(), at: '2026-06-01T10:00:00Z', written: '2026-06-01T10:00:00Z', corrects: null });

describe('copies of everything', () => {
  let copies: Copies;
  let library: Library;
  let folder: FileSystemDirectoryHandle;
  beforeEach(async () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    [copies, library] = [TestBed.inject(Copies), TestBed.inject(Library)];
    await library.deleteRoom(room.id);
    await library.saveRoom(room);
    await library.saveDesign(design);
    await putEntries(design.id, [line('as it was')]);
    const root = await navigator.storage.getDirectory();
    folder = await root.getDirectoryHandle('copies', { create: true });
    const db = await database();
    await db.delete('notes', 'copies');
    await db.put('notes', folder, 'copies-folder');
  });
  afterEach(async () => {
    for (const { id, name } of await library.rooms()) if (name.startsWith('Copied room')) await library.deleteRoom(id);
    const db = await database();
    await Promise.all([db.delete('notes', 'copies'), db.delete('notes', 'copies-folder')]);
    await (await navigator.storage.getDirectory()).removeEntry('copies', { recursive: true });
  });
  const fileOf = async () => (await folder.getFileHandle(`Terroir copy ${dayOf(new Date())}.zip`)).getFile();
  const mine = async () => {
    const looked = await copies.look(await fileOf());
    if (!looked.ok) throw new Error(looked.reasons.join());
    return looked.rooms.find(({ room: one }) => one.id === room.id)!;
  };
  const notes = async () => (await readLog(design.id)).entries.map(({ note }) => note);

  it('go into a folder, and bring a room back in place of what is here, log and all; which can be undone', async () => {
    expect(await copies.toFolder(false)).toEqual(jasmine.objectContaining({ ok: true, where: '“copies”' }));
    const changed = structuredClone(design);
    applyPatch(changed, [{ op: 'replace', path: '/name', value: 'Spoilt' }]);
    await library.saveDesign({ ...changed, rev: design.rev + 1 });
    await library.saveDesign({ ...design, id: 'copied-later', name: 'Later' });
    await putEntries(design.id, [line('since')]);
    const { room: one, here } = await mine();
    expect([here, one.tanks, one.entries]).toEqual(['as it is', 1, 1]);
    const back = await copies.takeBack(one, 'instead');
    if (!back.ok) return fail(back.reasons.join());
    expect((await library.summaries(room.id)).map(({ name }) => name)).toEqual(['Copied bed']);
    expect(await notes()).toEqual(['as it was']);
    await library.putInstead(room.id, back.before!);
    expect((await library.summaries(room.id)).map(({ name }) => name).sort()).toEqual(['Later', 'Spoilt']);
    expect((await notes()).sort()).toEqual(['as it was', 'since']);
  });

  it('bring a room back beside what is here, under a name of its own, and one that is gone as it was', async () => {
    await copies.toFolder(false);
    const beside = await copies.takeBack((await mine()).room, 'beside');
    expect(beside.ok && beside.roomId).not.toBe(room.id);
    expect((await library.rooms()).map(({ name }) => name)).toContain('Copied room (copy)');
    await library.deleteRoom(room.id);
    const gone = await mine();
    expect(gone.here).toBe('not here');
    await copies.takeBack(gone.room, 'beside');
    expect((await library.room(room.id))?.document).toEqual(room);
    expect(await notes()).toEqual(['as it was']);
  });

  it('are asked for once something was written and the time is over, and not while nothing was', async () => {
    const later = (days: number) => copyState(dayAfter(dayOf(new Date()), days));
    expect(await later(0)).toEqual(jasmine.objectContaining({ at: null, due: false }));
    expect((await later(15)).due).toBeTrue();
    await copies.toFolder(false);
    expect(await later(40)).toEqual(jasmine.objectContaining({ changed: false, due: false }));
    await putEntries(design.id, [line('since')]);
    expect((await later(13)).due).toBeFalse();
    expect((await later(14)).due).toBeTrue();
    await askInAWeek();
    expect((await later(6)).due).toBeFalse();
    await remindEvery(0);
    expect((await later(400)).due).toBeFalse();
  });

  it('are made by themselves where a folder may be written, and said where not', async () => {
    const db = await database();
    await db.put('notes', JSON.stringify({ since: '2020-01-01T00:00:00.000Z' }), 'copies');
    await db.delete('notes', 'copies-folder');
    expect((await askForCopy(() => Promise.resolve(copies))).due).toContain('No copy of your rooms was ever made');
    await db.put('notes', folder, 'copies-folder');
    expect((await askForCopy(() => Promise.resolve(copies))).made).toBe('A copy of everything went to “copies”.');
    expect(await askForCopy(() => Promise.resolve(copies))).toEqual({ made: null, due: null });
  });

  it('say what a file is that is none, and change nothing', async () => {
    const looked = await copies.look(new File(['not a zip'], 'x.zip'));
    expect(looked.ok ? [] : looked.reasons).toEqual([jasmine.stringMatching(/^x.zip: \(file\): /)]);
  });
});
