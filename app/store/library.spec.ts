import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import fixture from '../../core/design/fixtures/design-v1.json';
import fixture6 from '../../core/design/fixtures/design-v6.json';
import { lowBarn, weedyThicket } from '../../core/testing/tanks';
import { METRIC, US } from '../../core/quantity/format';
import { database } from './database';
import { Library } from './library';
import { takeIn } from './take-in';

async function emptied(): Promise<Library> {
  const db = await database();
  await Promise.all((['rooms', 'designs', 'summaries', 'snapshots', 'notes'] as const).map((store) => db.clear(store)));
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  return TestBed.inject(Library);
}

describe('the library', () => {
  it('lays the demo out once, and not again after it was deleted', async () => {
    const library = await emptied();
    await library.layDemoOnce();
    expect((await library.rooms()).map(({ name }) => name)).toEqual(['Low Barn']);
    expect((await library.designs('low-barn')).designs.map(({ name }) => name)).toEqual([
      'Lagoon nursery',
      'Lava-shore jar',
      'Peat pocket',
      'Shell bed',
      'Weedy thicket',
    ]);
    await library.deleteDesign('peat-pocket');
    await library.layDemoOnce();
    expect((await library.designs('low-barn')).designs.length).toBe(4);
    await library.layDemo();
    expect((await library.designs('low-barn')).designs.length).toBe(5);
  });

  it('gives back what was saved', async () => {
    const library = await emptied();
    await library.saveRoom(lowBarn);
    await library.saveDesign(weedyThicket);
    expect((await library.design('weedy-thicket'))?.document).toEqual(weedyThicket);
    expect((await library.room('low-barn'))?.document).toEqual(lowBarn);
    expect((await library.summaries('low-barn')).map(({ name, judged }) => [name, judged])).toEqual([['Weedy thicket', null]]);
    expect(await library.design('nobody')).toBeNull();
  });

  it('begins rooms and tanks that are empty and sound', async () => {
    const library = await emptied();
    const room = await library.addRoom('Cellar');
    const design = await library.addDesign(room.id);
    expect((await library.room(room.id))?.document.climateC).toBeNull();
    expect((await library.design(design.id))?.document.vessel).toBeNull();
  });

  it('duplicates a tank, and leaves the first as it was', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket);
    const copy = await library.duplicateDesign('weedy-thicket');
    expect(copy?.id).not.toBe(weedyThicket.id);
    expect((await library.designs('low-barn')).designs.map(({ name }) => name)).toEqual(['Weedy thicket', 'Weedy thicket (copy)']);
    expect((await library.design('weedy-thicket'))?.document).toEqual(weedyThicket);
  });

  it('takes a file in as a new design, and as a copy when it is here already', async () => {
    const library = await emptied();
    const text = JSON.stringify(fixture);
    const first = await library.importDesign(text);
    const second = await library.importDesign(text);
    expect(first.ok && first.document.id).toBe('peat-pocket');
    expect(second.ok && second.document.name).toBe('Frozen peat pocket (copy)');
    const { designs: stored } = await library.designs('low-barn');
    expect(stored.length).toBe(2);
    expect(new Set(stored.map(({ id }) => id)).size).toBe(2);
    expect((await library.rooms()).length).toBe(1);
  });

  it('leaves everything as it was when a file is refused', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket);
    for (const bad of ['{', '{}', JSON.stringify({ ...fixture, design: { ...fixture.design, schema: 11 } })]) {
      expect((await library.importDesign(bad)).ok)
        .withContext(bad.slice(0, 20))
        .toBeFalse();
    }
    expect((await library.designs('low-barn')).designs.length).toBe(1);
    expect(await library.rooms()).toEqual([]);
  });

  it('does not open a stored document of a newer version, and says so', async () => {
    const library = await emptied();
    const db = await database();
    await db.put('designs', {
      id: 'new',
      roomId: 'low-barn',
      savedAt: new Date().toISOString(),
      design: { ...weedyThicket, schema: 42 as never },
    });
    await expectAsync(library.design('new')).toBeRejectedWithError(/newer Terroir \(version 42/);
    await db.put('designs', {
      id: 'bad',
      roomId: 'low-barn',
      savedAt: new Date().toISOString(),
      design: { ...weedyThicket, name: '' },
    });
    await expectAsync(library.design('bad')).toBeRejectedWithError(/name: a name is wanted/);
  });

  it('reads what an earlier version stored', async () => {
    const library = await emptied();
    const db = await database();
    await db.put('rooms', fixture.room as never);
    await db.put('designs', {
      id: 'old',
      roomId: fixture.room.id,
      savedAt: '2025-01-01T00:00:00Z',
      design: { ...fixture.design, id: 'old' } as never,
    });
    expect((await library.room(fixture.room.id))?.document.onHand).toEqual({});
    expect((await library.design('old'))?.document.vessel?.viewingSides).toEqual(['front']);
    expect((await library.summaries(fixture.room.id)).map(({ id, judged }) => [id, judged])).toEqual([['old', null]]);
  });

  it('judges cards again when the room has changed, and only then', async () => {
    const library = await emptied();
    await library.layDemo();
    const room = (await library.room('low-barn'))!.document;
    // the demo comes with its cards judged; they are what judging them here would make them
    const shipped = await library.summaries('low-barn');
    expect(await library.judgeAgain(room, shipped, METRIC)).toEqual([]);
    const unjudged = shipped.map((summary) => ({ ...summary, judged: null }));
    expect((await library.judgeAgain(room, unjudged, METRIC)).map(({ judged }) => judged)).toEqual(shipped.map(({ judged }) => judged));
    const stored = await library.summaries('low-barn');
    expect(stored.every(({ judged }) => judged?.figure?.water.startsWith('M'))).toBeTrue();
    expect(stored.find(({ id }) => id === 'weedy-thicket')?.judged).toEqual(
      jasmine.objectContaining({
        worst: 'watch',
        target: 'Danio margaritatus',
        says: '*Danio margaritatus* jumps, and there is no lid',
      }),
    );
    expect(await library.judgeAgain(room, stored, METRIC)).toEqual([]);
    expect((await library.judgeAgain(room, stored, US)).length).toBe(5);
    expect((await library.judgeAgain({ ...room, rev: room.rev + 1 }, stored, METRIC)).length).toBe(5);
  });

  it('keeps the last twenty earlier states and all that were kept by hand, and none twice', async () => {
    const library = await emptied();
    await library.keepSnapshot({ ...weedyThicket, rev: 0, name: 'By hand' }, 'kept');
    for (let rev = 1; rev < 24; rev++) await library.keepSnapshot({ ...weedyThicket, rev }, 'opened');
    await library.keepSnapshot({ ...weedyThicket, rev: 23 }, 'before-restore');
    const kept = await library.snapshots('weedy-thicket');
    expect(kept.map(({ design }) => design.rev)).toEqual([...Array.from({ length: 20 }, (_, i) => 23 - i), 0]);
    // what is there already is marked as kept, and no longer passes
    await library.keepSnapshot({ ...weedyThicket, rev: 23 }, 'kept');
    const [newest, ...others] = await library.snapshots('weedy-thicket');
    expect([newest?.why, newest?.design.rev, others.length]).toEqual(['kept', 23, 20]);
    expect(await library.snapshots('peat-pocket')).toEqual([]);
    await library.keepSnapshot({ ...fixture.design, id: 'old' } as never, 'kept');
    expect((await library.snapshots('old'))[0]?.design.vessel?.viewingSides).toEqual(['front']);
  });

  it('writes nothing over what another tab has stored since, and says whether it is gone', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket, null, null);
    await library.saveRoom(lowBarn, null);
    const stale = { ...weedyThicket, name: 'Stale', rev: 9 };
    for (const write of [
      () => library.saveDesign(stale, null, 7),
      () => library.saveDesign(stale, null, null),
      () => library.saveRoom(lowBarn, null),
    ])
      await expectAsync(write()).toBeRejectedWith(jasmine.objectContaining({ message: 'changed in another tab', gone: false }));
    expect((await library.design('weedy-thicket'))?.document.name).toBe('Weedy thicket');
    await library.deleteDesign('weedy-thicket');
    await expectAsync(library.saveDesign(stale, null, weedyThicket.rev)).toBeRejectedWith(jasmine.objectContaining({ gone: true }));
    expect(await library.design('weedy-thicket')).toBeNull();
  });

  it('renames what somebody else is writing just now without losing either', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket, null, null);
    const edits = ['A', 'B', 'C'].map((value) => library.editDesign('weedy-thicket', [{ op: 'replace', path: '/name', value }]));
    const level = library.editDesign('weedy-thicket', [{ op: 'replace', path: '/archived', value: true }]);
    await Promise.all([...edits, level]);
    const stored = (await library.design('weedy-thicket'))!.document;
    expect([stored.rev, stored.archived]).toEqual([weedyThicket.rev + 4, true]);
  });

  it('puts a deleted tank back, but never over one that stands there by now', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket, null, null);
    const taken = (await library.deleteDesign('weedy-thicket'))!;
    await library.saveDesign({ ...weedyThicket, name: 'Newer' }, null, null);
    await library.putBackDesign(taken);
    expect((await library.design('weedy-thicket'))?.document.name).toBe('Newer');
  });

  it('puts the demo back as it was, keeps what was there among the earlier states, and can take that back', async () => {
    const library = await emptied();
    await library.layDemo();
    await library.editDesign('peat-pocket', [{ op: 'replace', path: '/name', value: 'Mine' }]);
    const before = await library.layDemo();
    expect((await library.design('peat-pocket'))?.document.name).toBe('Peat pocket');
    expect((await library.snapshots('peat-pocket'))[0]).toEqual(jasmine.objectContaining({ why: 'before-restore' }));
    expect((await library.snapshots('peat-pocket'))[0]?.design.name).toBe('Mine');
    await library.putBackOver(before!);
    expect((await library.design('peat-pocket'))?.document.name).toBe('Mine');
  });

  it('lets one damaged record harm no other', async () => {
    const library = await emptied();
    await library.layDemo();
    const db = await database();
    await db.put('rooms', { id: 'torn' } as never);
    await db.put('designs', { id: 'torn-tank', roomId: 'low-barn', savedAt: 'x', design: { rev: 3 } as never });
    await db.put('summaries', { id: 'shell-bed', roomId: 'low-barn' } as never);
    await db.put('snapshots', { designId: 'peat-pocket', at: '', why: 'kept', design: null as never });
    await library.keepSnapshot((await library.design('peat-pocket'))!.document, 'kept');
    expect((await library.rooms()).map(({ name }) => name)).toEqual(['Low Barn', 'torn (cannot be read)']);
    expect((await library.summaries('low-barn')).map(({ name }) => name)).toEqual([
      'Lagoon nursery',
      'Lava-shore jar',
      'Peat pocket',
      'Shell bed',
      'torn-tank (cannot be read)',
      'Weedy thicket',
    ]);
    expect((await library.snapshots('peat-pocket')).length).toBe(1);
    const { unreadable } = await library.exportRoom((await library.room('low-barn'))!.document);
    expect(unreadable).toEqual(['torn-tank (cannot be read)']);
    expect((await library.deleteRoom('low-barn'))?.tanks.length).toBe(6);
    expect((await library.deleteRoom('torn'))?.tanks.length).toBe(0);
    expect(await library.rooms()).toEqual([]);
  });

  it('puts a tank away, brings it back, renames it, and puts a deleted one back', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket);
    await library.editDesign('weedy-thicket', [{ op: 'replace', path: '/archived', value: true }]);
    expect((await library.summaries('low-barn'))[0]?.archived).toBeTrue();
    await library.editDesign('weedy-thicket', [{ op: 'replace', path: '/name', value: '' }]);
    expect((await library.summaries('low-barn'))[0]?.name).toBe('Weedy thicket');
    const gone = await library.deleteDesign('weedy-thicket');
    expect(await library.summaries('low-barn')).toEqual([]);
    await library.putBackDesign(gone!);
    expect((await library.design('weedy-thicket'))?.document.archived).toBeTrue();
  });

  it('takes the earlier states of a tank along when it is deleted, and brings them back with it', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket);
    await library.keepSnapshot(weedyThicket, 'kept');
    const gone = await library.deleteDesign('weedy-thicket');
    expect(await library.snapshots('weedy-thicket')).toEqual([]);
    await library.putBackDesign(gone!);
    expect((await library.snapshots('weedy-thicket')).map(({ why }) => why)).toEqual(['kept']);
    expect(await library.deleteDesign('never-was')).toBeNull();
  });

  it('deletes what it cannot read, and puts it back as it was', async () => {
    const library = await emptied();
    const record = {
      id: 'new',
      roomId: 'low-barn',
      savedAt: '2026-01-01T00:00:00Z',
      design: { ...weedyThicket, id: 'new', schema: 42 as never },
    };
    await (await database()).put('designs', record);
    const gone = await library.deleteDesign('new');
    expect(await (await database()).get('designs', 'new')).toBeUndefined();
    await library.putBackDesign(gone!);
    expect(await (await database()).get('designs', 'new')).toEqual(record);
  });

  it('keeps a design that it cannot read when a file of the same id comes in', async () => {
    const library = await emptied();
    await library.saveRoom(lowBarn);
    const newer = { ...weedyThicket, schema: 42 as never, name: 'Written by a newer one' };
    await (await database()).put('designs', { id: newer.id, roomId: 'low-barn', savedAt: '2026-01-01T00:00:00Z', design: newer });
    const file = JSON.stringify({
      terroir: 'design',
      design: weedyThicket,
      room: lowBarn,
      cited: { catalogue: 'test', entries: [] },
    });
    const read = await library.importDesign(file);
    if (!read.ok) return fail(read.refusals);
    expect(read.document.id).not.toBe(weedyThicket.id);
    expect((await (await database()).get('designs', newer.id))?.design.name).toBe('Written by a newer one');
  });

  it('deletes a room with its tanks, and puts all of it back', async () => {
    const library = await emptied();
    await library.layDemo();
    const taken = await library.deleteRoom('low-barn');
    expect([await library.rooms(), (await library.designs('low-barn')).designs]).toEqual([[], []]);
    await library.putBackRoom(taken!);
    expect((await library.designs('low-barn')).designs.length).toBe(5);
  });

  it('takes a room out and in: where it is gone, as it was; where it is here, beside it', async () => {
    const library = await emptied();
    await library.layDemo();
    const room = (await library.room('low-barn'))!.document;
    const { zip } = await library.exportRoom(room);
    const beside = await library.importRoom(zip);
    if (!beside.ok) return fail(beside.refusals);
    expect(beside.document.name).toBe('Low Barn (copy)');
    expect((await library.rooms()).length).toBe(2);
    const inBoth = [await library.designs('low-barn'), await library.designs(beside.document.id)];
    const ids = inBoth.flatMap(({ designs }) => designs).map(({ id }) => id);
    expect(new Set(ids).size).toBe(10);
    await library.deleteRoom('low-barn');
    const again = await library.importRoom(zip);
    expect(again.ok && again.document).toEqual(room);
    expect((await library.designs('low-barn')).designs.map(({ id }) => id).sort()).toEqual([
      'lagoon-nursery',
      'lava-jar',
      'peat-pocket',
      'shell-bed',
      'weedy-thicket',
    ]);
  });

  it('takes files by what is in them, and says why one is refused', async () => {
    const library = await emptied();
    const file = (content: BlobPart, name = 'tank.json') => new File([content], name);
    const design = await takeIn(library, file(JSON.stringify(fixture)));
    expect(design).toEqual({ ok: true, at: ['tank', 'peat-pocket'], said: '“Frozen peat pocket” is here now.' });
    await library.layDemo();
    const { zip } = await library.exportRoom((await library.room('low-barn'))!.document);
    const room = await takeIn(library, file(zip as BlobPart, 'no-ending'));
    expect(room.ok && room.at[0]).toBe('room');
    const reasons = async (content: BlobPart) => {
      const taken = await takeIn(library, file(content, 'bad'));
      return taken.ok ? 'taken' : taken.reasons.join(' ');
    };
    expect(await reasons('PK not a zip')).toMatch(/^bad: .*Nothing was changed\.$/);
    expect(await reasons(new Uint8Array(50_000_000))).toContain('50 MB is larger than a design can be (10 MB)');
    expect(await reasons(zip.slice(0, 900) as BlobPart)).toContain('Nothing was changed');
  });

  it('brings along what a design needs of its own room, overwrites nothing here, and says where the file differs', async () => {
    const library = await emptied();
    await library.saveRoom(lowBarn);
    const danio = JSON.parse(JSON.stringify((await library.catalogue()).organisms.get('danio-margaritatus'))) as {
      ranges: { keep: { ph: { value: unknown } } };
    };
    danio.ranges.keep.ph.value = { tolerance: [6, 7], optimum: [6.2, 6.8] };
    const file = { ...fixture6, cited: { catalogue: 'another', entries: [danio] } };
    expect((await library.importDesign(JSON.stringify(file))).ok).toBeTrue();
    const { own, rev } = (await library.room('low-barn'))!.document;
    expect([Object.keys(own.organisms), Object.keys(own.biotopes), Object.keys(own.overrides)]).toEqual([
      ['ditch-shrimp'],
      ['back-ditch'],
      [],
    ]);
    expect(rev).toBe(lowBarn.rev + 1);
    expect(library.said()).toMatch(/^The file has 1 fact of 1 kind otherwise .*Danio margaritatus, keep ph.*judged by what is known here/);
    expect((await library.importDesign(JSON.stringify(fixture6))).ok).toBeTrue();
    expect((await library.room('low-barn'))!.document.rev).toBe(rev);
    expect(library.said()).toBeNull();
  });

  it('goes on in the window when the browser refuses to store, and says why', async () => {
    const library = await emptied();
    const reasons: (string | null)[] = [];
    library.refused$.subscribe((reason) => reasons.push(reason));
    const put = spyOn(IDBObjectStore.prototype, 'put').and.throwError(new DOMException('no room left', 'QuotaExceededError'));
    const room = await library.addRoom('Attic');
    expect(reasons.at(-1)).toContain('no room left');
    put.and.callThrough();
    expect((await library.rooms()).map(({ name }) => name)).toEqual(['Attic']);
    expect((await library.room(room.id))?.document.name).toBe('Attic');
  });

  it('still shows what was stored before the store was full', async () => {
    const library = await emptied();
    await library.layDemoOnce();
    const put = spyOn(IDBObjectStore.prototype, 'put').and.throwError(new DOMException('no room left', 'QuotaExceededError'));
    await expectAsync(library.saveDesign({ ...weedyThicket, name: 'Unwritten' })).toBeRejected();
    expect((await library.designs('low-barn')).designs.map(({ name }) => name)).toEqual([
      'Lagoon nursery',
      'Lava-shore jar',
      'Peat pocket',
      'Shell bed',
      'Unwritten',
    ]);
    expect((await library.design('weedy-thicket'))?.document.name).toBe('Unwritten');
    put.and.callThrough();
    await library.saveDesign({ ...weedyThicket, name: 'Written' });
    expect((await library.designs('low-barn')).designs.map(({ name }) => name)).toEqual([
      'Lagoon nursery',
      'Lava-shore jar',
      'Peat pocket',
      'Shell bed',
      'Written',
    ]);
  });

  afterAll(async () => {
    const db = await database();
    await Promise.all((['rooms', 'designs', 'summaries', 'snapshots', 'notes'] as const).map((store) => db.clear(store)));
  });
});
