import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { placesAsDarwinCore } from '../../core/biotope/darwin-core';
import type { Animal } from '../../core/catalogue/organism';
import { withOwn } from '../../core/design/own-catalogue';
import { Room } from '../../core/design/room';
import { applyEdit } from '../../core/design/edit';
import { METRIC, US } from '../../core/quantity/format';
import { catalogue, lowBarn } from '../../core/testing/tanks';
import { CONDITIONERS } from '../../core/water/conditioners';
import { SALTS } from '../../core/water/salts';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { CataloguePage } from './catalogue-page';
import { emptyOwnCatalogue, saltsKnown } from '../../core/design/own-catalogue';
import { factAt, fieldsOf, materialFieldsOf, showFact, SOUGHT, UNKNOWN } from './fields';
import { copyEntry, deleteEntry, dropFact, keepPlaces, ownFact } from '../../core/design/edits/own-edits';
import { itemsOf, meets, searchOf, waysOf, type Condition } from './shelf';

const danio = catalogue.organisms.get('danio-margaritatus') as Animal;

describe('the fields of an entry', () => {
  it('show every fact of every organism, or that it is not known', () => {
    for (const entry of catalogue.organisms.values())
      for (const field of fieldsOf(entry))
        for (const units of [METRIC, US])
          expect(showFact(field, factAt(entry, field.path), units))
            .withContext(`${entry.id} ${field.path}`)
            .toMatch(/^(?!.*(undefined|NaN|null|\[object)).+$/);
    for (const material of catalogue.materials.values())
      for (const field of materialFieldsOf(material))
        expect(showFact(field, factAt(material, field.path), METRIC)).not.toMatch(/undefined|NaN/);
  });

  it('leave out nothing that is recorded of an animal', () => {
    const paths = new Set(fieldsOf(danio).map(({ path }) => path));
    const facts = (value: unknown, at: string): string[] => {
      if (value === null || typeof value !== 'object' || Array.isArray(value)) return [];
      if ('basis' in value) return [at];
      return Object.entries(value).flatMap(([key, one]) => facts(one, `${at}/${key}`));
    };
    const missing = facts(danio, '').filter((path) => !paths.has(path) && path !== '/bodyColours');
    expect(missing).toEqual([]);
  });

  it('are in the units that are chosen', () => {
    const field = (path: string) => fieldsOf(danio).find((one) => one.path === path)!;
    expect(showFact(field('/ranges/keep/temperatureC'), danio.ranges.keep!.temperatureC, US)).toContain('°F');
    expect(showFact(field('/sizeMm/length'), danio.sizeMm.length, METRIC)).toBe('21 mm');
    expect(showFact(field('/sizeMm/length'), undefined, METRIC)).toBe(UNKNOWN);
  });
});

describe('a shelf', () => {
  const animals = itemsOf(catalogue, 'animals');
  const meeting = (...conditions: Condition[]) =>
    animals.filter((item) =>
      conditions.every((one) =>
        meets(
          item,
          one,
          SOUGHT.animals.find(({ path }) => path === one.path),
          () => false,
        ),
      ),
    );

  it('holds each entry once, by name', () => {
    expect(new Set(animals.map(({ id }) => id)).size).toBe(animals.length);
    expect(animals.map(({ name }) => name)).toEqual([...animals.map(({ name }) => name)].sort((a, b) => a.localeCompare(b)));
    const stuff = itemsOf(catalogue, 'materials', saltsKnown(emptyOwnCatalogue()));
    expect(stuff.length).toBe(
      catalogue.materials.size + catalogue.media.size + catalogue.waters.size + SALTS.length + 1 + CONDITIONERS.length,
    );
    expect(new Set(stuff.map(({ group }) => group)).size).toBeGreaterThan(8);
    expect(itemsOf(catalogue, 'places').length).toBe(catalogue.biotopes.size);
  });

  it('is searched by either name, slips forgiven', () => {
    const search = searchOf(animals);
    expect(search('zebra plecko')[0]!.id).toBe('hypancistrus-zebra');
    expect(search('hippocampus')[0]!.name).toContain('Hippocampus');
    expect(search('').length).toBe(animals.length);
    expect(search('qqqqzzzz')).toEqual([]);
  });

  it('is sifted by any field, and nothing unknown ever meets a condition', () => {
    const warm = meeting({ op: 'comfort', path: '/ranges/keep/temperatureC', value: 29 });
    expect(warm.length).toBeGreaterThan(3);
    for (const { entry } of warm) {
      const [low, high] = (entry as Animal).ranges.keep!.temperatureC!.value!.optimum;
      expect(low! <= 29 && high! >= 29).toBeTrue();
    }
    const small = meeting({ op: 'most', path: '/sizeMm/length', value: 20 }, { op: 'is', path: '/traits/jumps', value: true });
    expect(small.length).toBeGreaterThan(1);
    expect(small.every(({ entry }) => (entry as Animal).sizeMm.length.value! <= 20)).toBeTrue();
    const unknown = meeting({ op: 'unknown', path: '/sizeMm/gape' });
    expect(unknown.every(({ group }) => group !== 'fish')).toBeTrue();
    expect(meeting({ op: 'most', path: '/sizeMm/gape', value: 1000 }).some(({ id }) => unknown.some((one) => one.id === id))).toBeFalse();
    expect(meeting({ op: 'contains', path: '/regions', value: 'sulawesi' }).length).toBeGreaterThan(5);
    expect(meeting({ op: 'is', path: '/traits/strata', value: 'top' }).length).toBeGreaterThan(20);
    expect(meeting({ op: 'least', path: '/traits/breeding/brood', value: 1000 }).length).toBeGreaterThan(3);
  });

  it('of places is sifted by the water that reaches a value', () => {
    const places = itemsOf(catalogue, 'places');
    const sour = places.filter((item) => meets(item, { op: 'includes', path: '/water/ph', value: 4.5 }, undefined, () => false));
    expect(sour.map(({ id }) => id)).toContain('peat-swamp-selangor');
    expect(sour.map(({ id }) => id)).not.toContain('rocky-shore-tanganyika');
  });

  it('can be asked about every field in some way', () => {
    for (const field of [...SOUGHT.animals, ...SOUGHT.plants, ...SOUGHT.places, ...SOUGHT.materials])
      expect(waysOf(field).length).toBeGreaterThan(1);
  });
});

describe('what a room knows better', () => {
  const own = emptyOwnCatalogue();
  const apply = (patch: Parameters<typeof applyEdit>[1], room: Room = lowBarn) => applyEdit(room, patch, Room);
  const figure = { value: { tolerance: [6, 9], optimum: [6.5, 8.5] }, basis: 'measured' } as const;

  it('is laid over a shipped entry, changed, and gone back from', () => {
    const first = ownFact(own, danio, '/ranges/keep/ph', figure);
    const applied = first.ok && apply(first.patch);
    if (!applied || !applied.ok) return fail('not applied');
    const known = withOwn(catalogue, applied.document.own).organisms.get(danio.id) as Animal;
    expect(known.ranges.keep!.ph!.value).toEqual(figure.value as never);
    const again = ownFact(applied.document.own, known, '/ranges/keep/ph', { ...figure, note: 'again' });
    const twice = again.ok && apply(again.patch, applied.document);
    expect(twice && twice.ok && Object.keys(twice.document.own.overrides).length).toBe(1);
    const back = apply(dropFact(applied.document.own, danio.id, '/ranges/keep/ph'), applied.document);
    expect(back.ok && back.document.own.overrides).toEqual({});
  });

  it('is refused with the reason where it makes no sense', () => {
    const wrong = ownFact(own, danio, '/ranges/keep/ph', { value: { tolerance: [6, 7], optimum: [5, 8] }, basis: 'measured' });
    expect(wrong).toEqual({ ok: false, reason: 'the optimum reaches outside the tolerance' });
    expect(ownFact(own, danio, '/sizeMm/length', { value: -1, basis: 'measured' }).ok).toBeFalse();
  });

  it('is an entry of its own, begun from another, changed in place and deleted', () => {
    expect(copyEntry(catalogue, danio, 'Danio rerio', '')).toEqual(jasmine.objectContaining({ ok: false }));
    expect(copyEntry(catalogue, danio, 'danio', '')).toEqual(jasmine.objectContaining({ ok: false }));
    const made = copyEntry(catalogue, danio, 'Danio sp. "Barn pond"', 'Barn danio');
    if (!made.ok || !made.id) return fail('not made');
    const applied = apply(made.patch);
    if (!applied.ok) return fail(applied.refusals);
    const mine = applied.document.own.organisms[made.id]!;
    const edit = ownFact(applied.document.own, mine, '/traits/groupMin', { value: 5, basis: 'measured' });
    const changed = edit.ok && apply(edit.patch, applied.document);
    if (!changed || !changed.ok) return fail('not changed');
    expect((changed.document.own.organisms[made.id] as Animal).traits.groupMin.value).toBe(5);
    expect(changed.document.own.overrides).toEqual({});
    const gone = apply(deleteEntry(changed.document.own, made.id), changed.document);
    expect(gone.ok && gone.document.own).toEqual(own);
  });

  it('keeps places under ids that are free', () => {
    const shan = catalogue.biotopes.get('spring-pond-shan')!;
    const { patch, ids } = keepPlaces(catalogue, [shan, shan]);
    expect(ids).toEqual(['spring-pond-shan-2', 'spring-pond-shan-3']);
    const applied = apply(patch);
    expect(applied.ok && Object.keys(applied.document.own.biotopes)).toEqual(ids);
  });
});

describe('the catalogue page', () => {
  async function open(query = '') {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([{ path: 'room/:roomId/catalogue', component: CataloguePage }], withComponentInputBinding()),
        provideNzNoAnimation(),
      ],
    });
    const library = TestBed.inject(Library);
    await library.saveRoom(lowBarn);
    TestBed.inject(PreferencesStore).units.set(METRIC);
    const harness = await RouterTestingHarness.create();
    await harness.navigateByUrl(`/room/low-barn/catalogue${query}`);
    const host = harness.routeNativeElement!;
    const refresh = async () => {
      await harness.fixture.whenStable();
      await new Promise((resolve) => setTimeout(resolve, 30));
      await harness.fixture.whenStable();
    };
    for (let i = 0; i < 40 && !host.querySelector('h1'); i++) await refresh();
    const press = async (name: string) => {
      const squeeze = (text: string | null) => (text ?? '').replace(/\s+/g, ' ').trim();
      const button = [...host.querySelectorAll<HTMLElement>('button, label')].find(
        (one) => squeeze(one.textContent) === name || one.getAttribute('aria-label') === name,
      );
      if (!button) throw new Error(`nothing is called ${name}`);
      button.click();
      await refresh();
    };
    const text = (selector: string) => (host.querySelector(selector)?.textContent ?? '').replace(/\s+/g, ' ').trim();
    return { host, press, text, refresh, room: () => library.room('low-barn') };
  }
  const type = (box: HTMLInputElement, value: string) => {
    box.value = value;
    box.dispatchEvent(new Event('input'));
    box.dispatchEvent(new Event('change'));
  };

  it('finds, opens a value to how it is known, and takes one’s own figure and undoes it', async () => {
    const page = await open('?entry=danio-margaritatus');
    expect(page.text('h1')).toBe('Danio margaritatus');
    await page.press(`pH: ${phText()}. How it is known`);
    expect(page.text('.known')).toContain('Common practice.');
    const [from] = [...page.host.querySelectorAll<HTMLInputElement>('tr-own-figure tr-quantity input')];
    type(from!, '6.9');
    await page.refresh();
    await page.press('Keep my figure');
    const kept = Object.values((await page.room())!.document.own.overrides);
    expect(kept.map(({ path, fact }) => [path, fact.basis])).toEqual([['/ranges/keep/ph', 'measured']]);
    expect(page.text('.fact.own')).toContain('yours');
    expect(page.text('.known')).toContain('The catalogue has');
    await page.press('Undo');
    expect(page.host.querySelector('.fact.own')).toBeNull();
  });

  it('says why a figure is not kept, and keeps the old one', async () => {
    const page = await open('?entry=danio-margaritatus');
    await page.press(`pH: ${phText()}. How it is known`);
    const [from] = [...page.host.querySelectorAll<HTMLInputElement>('tr-own-figure tr-quantity input')];
    type(from!, '2.6');
    await page.refresh();
    await page.press('Keep my figure');
    expect(page.text('.known [role=alert]')).toContain('the optimum reaches outside the tolerance');
    expect((await page.room())!.document.own).toEqual(emptyOwnCatalogue());
  });

  it('compares, and says where the address leads nowhere', async () => {
    const page = await open();
    for (const box of [...page.host.querySelectorAll<HTMLInputElement>('.line input[type=checkbox]')].slice(0, 2)) box.click();
    await page.refresh();
    await page.press('Compare 2');
    expect(page.host.querySelectorAll('tr-compare-table thead th').length).toBe(2);
    const all = page.host.querySelectorAll('tr-compare-table tbody tr').length;
    page.host.querySelector<HTMLInputElement>('tr-compare-table .top input')!.click();
    await page.refresh();
    const differing = page.host.querySelectorAll('tr-compare-table tbody tr').length;
    expect(differing).toBeLessThan(all);
    expect(differing).toBe(page.host.querySelectorAll('tr-compare-table tbody tr.differs').length);
    expect((await open('?entry=no-such-thing')).text('article')).toContain('Nothing of that name');
  });

  it('reads records as a place of the room’s own, and lists what it could not take', async () => {
    const page = await open('?entry=spring-pond-shan');
    const tables = placesAsDarwinCore(
      [{ ...catalogue.biotopes.get('spring-pond-shan')!, id: 'mill-pond', name: 'Mill pond' }],
      catalogue.organisms,
    );
    const files = new DataTransfer();
    for (const [name, text] of Object.entries(tables)) files.items.add(new File([text], `${name}.csv`));
    files.items.add(new File(['scientificName,eventID\nDanio rerio,mill-pond\nnonsense,mill-pond\n'], 'more.csv'));
    const input = page.host.querySelector<HTMLInputElement>('tr-records-panel input[type=file]')!;
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    for (let i = 0; i < 40 && !page.host.querySelector('.read'); i++) await page.refresh();
    expect(page.text('.read')).toContain('the draft of one place');
    expect(page.text('.read details')).toContain('more.csv, line 3: "nonsense" is not a scientific name');
    await page.press('Keep it in this room');
    const { biotopes } = (await page.room())!.document.own;
    expect(Object.keys(biotopes)).toEqual(['mill-pond']);
    expect(biotopes['mill-pond']!.organismIds).toContain('danio-rerio');
  });
});

const phText = (): string => {
  const field = fieldsOf(danio).find(({ path }) => path === '/ranges/keep/ph')!;
  return showFact(field, danio.ranges.keep!.ph, METRIC);
};
