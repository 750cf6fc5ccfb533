import { TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import fixture from '../../core/design/fixtures/design-v1.json';
import { lowBarn, weedyThicket } from '../../core/testing/tanks';
import { database } from './database';
import { Library } from './library';

async function emptied(): Promise<Library> {
  const db = await database();
  await Promise.all([db.clear('rooms'), db.clear('designs'), db.clear('notes')]);
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  return TestBed.inject(Library);
}

describe('the library', () => {
  it('lays the demo out once, and not again after it was deleted', async () => {
    const library = await emptied();
    await library.layDemoOnce();
    expect((await library.rooms()).map(({ name }) => name)).toEqual(['Low Barn']);
    expect((await library.designs('low-barn')).map(({ design }) => design.name)).toEqual(['Peat pocket', 'Weedy thicket']);
    await library.deleteDesign('peat-pocket');
    await library.layDemoOnce();
    expect((await library.designs('low-barn')).length).toBe(1);
    await library.layDemo();
    expect((await library.designs('low-barn')).length).toBe(2);
  });

  it('gives back what was saved', async () => {
    const library = await emptied();
    await library.saveRoom(lowBarn);
    await library.saveDesign(weedyThicket, 'watch');
    expect((await library.design('weedy-thicket'))?.design).toEqual(weedyThicket);
    expect(await library.room('low-barn')).toEqual(lowBarn);
    expect((await library.designs('low-barn'))[0]?.worst).toBe('watch');
    expect(await library.design('nobody')).toBeNull();
  });

  it('begins rooms and tanks that are empty and sound', async () => {
    const library = await emptied();
    const room = await library.addRoom('Cellar');
    const design = await library.addDesign(room.id, 'Tank 1');
    expect((await library.room(room.id))?.climateC).toBeNull();
    expect((await library.design(design.id))?.design.vessel).toBeNull();
  });

  it('duplicates a tank, and leaves the first as it was', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket, null);
    const copy = await library.duplicateDesign(weedyThicket);
    expect(copy.id).not.toBe(weedyThicket.id);
    expect((await library.designs('low-barn')).map(({ design }) => design.name)).toEqual(['Weedy thicket', 'Weedy thicket (copy)']);
    expect((await library.design('weedy-thicket'))?.design).toEqual(weedyThicket);
  });

  it('takes a file in as a new design, and as a copy when it is here already', async () => {
    const library = await emptied();
    const text = JSON.stringify(fixture);
    const first = await library.importDesign(text);
    const second = await library.importDesign(text);
    expect(first.ok && first.document.id).toBe('peat-pocket');
    expect(second.ok && second.document.name).toBe('Frozen peat pocket (copy)');
    const stored = await library.designs('low-barn');
    expect(stored.length).toBe(2);
    expect(new Set(stored.map(({ id }) => id)).size).toBe(2);
    expect((await library.rooms()).length).toBe(1);
  });

  it('leaves everything as it was when a file is refused', async () => {
    const library = await emptied();
    await library.saveDesign(weedyThicket, null);
    for (const bad of ['{', '{}', JSON.stringify({ ...fixture, design: { ...fixture.design, schema: 9 } })]) {
      expect((await library.importDesign(bad)).ok)
        .withContext(bad.slice(0, 20))
        .toBeFalse();
    }
    expect((await library.designs('low-barn')).length).toBe(1);
    expect(await library.rooms()).toEqual([]);
  });

  it('does not open a stored document of a newer version, and says so', async () => {
    const library = await emptied();
    const db = await database();
    await db.put('designs', {
      id: 'new',
      roomId: 'low-barn',
      savedAt: new Date().toISOString(),
      worst: null,
      design: { ...weedyThicket, schema: 42 as never },
    });
    await expectAsync(library.design('new')).toBeRejectedWithError(/newer Terroir \(version 42/);
    await db.put('designs', {
      id: 'bad',
      roomId: 'low-barn',
      savedAt: new Date().toISOString(),
      worst: null,
      design: { ...weedyThicket, name: '' },
    });
    await expectAsync(library.design('bad')).toBeRejectedWithError(/name: a name is wanted/);
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
    expect((await library.room(room.id))?.name).toBe('Attic');
  });

  it('still shows what was stored before the store was full', async () => {
    const library = await emptied();
    await library.layDemoOnce();
    const put = spyOn(IDBObjectStore.prototype, 'put').and.throwError(new DOMException('no room left', 'QuotaExceededError'));
    await expectAsync(library.saveDesign({ ...weedyThicket, name: 'Unwritten' }, null)).toBeRejected();
    expect((await library.designs('low-barn')).map(({ design }) => design.name)).toEqual(['Peat pocket', 'Unwritten']);
    expect((await library.design('weedy-thicket'))?.design.name).toBe('Unwritten');
    put.and.callThrough();
    await library.saveDesign({ ...weedyThicket, name: 'Written' }, null);
    expect((await library.designs('low-barn')).map(({ design }) => design.name)).toEqual(['Peat pocket', 'Written']);
  });

  afterAll(async () => {
    const db = await database();
    await Promise.all([db.clear('rooms'), db.clear('designs'), db.clear('notes')]);
  });
});
