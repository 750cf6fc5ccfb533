import { TestBed } from '@angular/core/testing';
import { unzipSync } from 'fflate';
import { TROUBLES } from '../../core/health/troubles';
import { dayOf } from '../../core/schedule/day';
import { shellBed, tank, weedyThicket } from '../../core/testing/tanks';
import { Library } from '../store/library';
import { photosOfTank } from '../store/photos';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { GetFace } from './get-face';
import { TROUBLE_FIGURES } from './trouble-figures';
import { TroubleFace } from './trouble-face';
import { WorkFace } from './work-face';

const today = dayOf(new Date());
// of a name of its own: what a spec elsewhere still writes of the shell bed would be taken in here
const untested = {
  ...shellBed,
  id: 'untested-bed',
  vessel: { ...shellBed.vessel!, leakTest: { value: null, basis: 'measured' as const } },
};
const flat = (element: Element | null | undefined) => (element?.textContent ?? '').replace(/\s+/g, ' ').trim();

/** A picture as a camera gives it. */
async function picture(width: number, height: number): Promise<File> {
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#7a9';
  context.fillRect(0, 0, width, height);
  return new File([await canvas.convertToBlob({ type: 'image/png' })], 'bed.png', { type: 'image/png' });
}

describe('what to get', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is the drawing less what is at hand, in packs; nothing where all is here', async () => {
    const { host } = await openBench(GetFace, weedyThicket);
    const row = (name: string) => [...host.querySelectorAll('tbody tr')].find((one) => flat(one).startsWith(name));
    expect(flat(row('Ceratophyllum'))).toMatch(/66nothing$/);
    expect(flat(row('Fine quartz sand'))).toMatch(/12\.4 kg.*14 kg: 1 × 10 kg \+ 2 × 2 kg.*spare/);
    expect(flat(host.querySelector('.lead'))).toMatch(/^To carry: \d/);
  });

  it('takes a price of this room, adds it up, and lets it go again', async () => {
    const { host, type, store, refresh } = await openBench(GetFace, weedyThicket);
    await type('Price of a kilogram, Fine quartz sand', '1.5');
    const room = () => store.current!.room.state.document;
    expect(room().prices['material:fine-quartz-sand']).toEqual({ each: 1.5, from: '' });
    await refresh();
    expect(flat(host.querySelector('.lead'))).toMatch(/It costs 21, and \d+ things that have no price/);
    const from = host.querySelector<HTMLInputElement>('.from')!;
    from.value = 'builders’ yard';
    from.dispatchEvent(new Event('change'));
    expect(room().prices['material:fine-quartz-sand']!.from).toBe('builders’ yard');
    store.undo();
    store.undo();
    expect(room().prices).toEqual({});
  });
});

describe('the work at the tank', () => {
  afterEach(async () => TestBed.inject(TankSession).close());
  const step = (host: HTMLElement, id: string) => host.querySelector<HTMLElement>(`[data-step="${id}"]`)!;
  const tick = async ({ host, refresh }: { host: HTMLElement; refresh: () => Promise<void> }, id: string) => {
    step(host, id).querySelector<HTMLInputElement>('.tick input')!.click();
    await refresh();
  };

  it('is ticked; what was used instead changes the record and not the plan; undo takes it back', async () => {
    const bench = await openBench(WorkFace, untested);
    const { host, design, store } = bench;
    const sand = design().substrate;
    await tick(bench, 'leak-test');
    expect(design().build.ticks['leak-test']).toEqual({
      day: today,
      as: 'Leak test: fill it and leave it for a day',
      instead: '',
      photoIds: [],
    });
    const field = step(host, 'leak-test').querySelector<HTMLInputElement>('.instead input')!;
    field.value = 'two days, on the terrace';
    field.dispatchEvent(new Event('change'));
    expect(design().build.ticks['leak-test']!.instead).toBe('two days, on the terrace');
    expect(design().substrate).toBe(sand);
    store.undo();
    store.undo();
    expect(design().build.ticks).toEqual({});
  });

  it('says what was to come first when it is ticked out of turn, and what the design has changed since', async () => {
    const bench = await openBench(WorkFace, untested);
    const { host, store, refresh } = bench;
    await tick(bench, 'layer-sand');
    expect(flat(step(host, 'layer-sand'))).toMatch(/Before it comes: Leak test/);
    store.edit('More sand', [
      {
        op: 'replace',
        path: '/substrate/layers/sand/top/heightMm',
        value: store.current!.design.state.document.substrate.layers['sand']!.top.heightMm.map((mm) => mm + 20),
      },
    ]);
    await refresh();
    expect(flat(step(host, 'layer-sand'))).toMatch(/Done as “Lay 12\.2 L of fine quartz sand”; the design has changed since/);
    store.edit('No bed', [{ op: 'replace', path: '/substrate/layers', value: {} }]);
    await refresh();
    expect(flat(host)).toMatch(/in the plan no more.*Lay 12\.2 L of fine quartz sand/);
  });

  it('may be put in another order where that is safe, and is refused where it is not, with the reason', async () => {
    const { press, design, text, host } = await openBench(WorkFace, untested);
    const title = flat(step(host, 'layer-sand').querySelector('h2'));
    await press(`Earlier: ${title}`);
    expect(text('[role=alert]')).toMatch(/stays before “Lay .*cannot be rinsed once it lies there/);
    expect(design().build.order).toEqual([]);
    await press('Later: Put the background on');
    expect(design().build.order.indexOf('background')).toBeGreaterThan(design().build.order.indexOf('wash'));
    await press('The usual order');
    expect(design().build.order).toEqual([]);
  });

  it('keeps pictures shrunk, beside the design and in the room’s file, and refuses what is none', async () => {
    const bench = await openBench(WorkFace, untested);
    const { host, design, refresh, until, text } = bench;
    await tick(bench, 'place');
    const give = async (file: File) => {
      const input = step(host, 'place').querySelector<HTMLInputElement>('input[type=file]')!;
      const list = new DataTransfer();
      list.items.add(file);
      input.files = list.files;
      input.dispatchEvent(new Event('change'));
      // a disk under load takes its time to say that it has a picture
      for (let i = 0; i < 800; i++) {
        await new Promise((resolve) => setTimeout(resolve, 25));
        await refresh();
        if (!text('.photos').includes('Keeping')) break;
      }
    };
    await give(new File(['no picture'], 'notes.txt', { type: 'image/png' }));
    expect(text('[role=alert]')).toContain('no picture');
    expect(design().build.ticks['place']!.photoIds).toEqual([]);
    await give(await picture(4000, 1000));
    await until('.photo img');
    const [kept] = await photosOfTank(design().id);
    expect(design().build.ticks['place']!.photoIds).toEqual([kept!.id]);
    const bitmap = await createImageBitmap(new Blob([kept!.jpeg as BlobPart], { type: 'image/jpeg' }));
    expect([bitmap.width, bitmap.height]).toEqual([1280, 320]);
    // it goes along in the file, comes in beside itself under the copy’s id, and goes with its tank
    const library = TestBed.inject(Library);
    await TestBed.inject(TankSession).close();
    const room = (await library.room('low-barn'))!.document;
    const { zip, photosLeft } = await library.exportRoom(room);
    expect(photosLeft).toBe(0);
    const read = await library.importRoom(zip);
    if (!read.ok) return fail(read.refusals);
    // by its picture: other tanks of this room may have been put in their place too
    const copy = (await library.designs(read.document.id)).designs.find(({ build }) => build.ticks['place']?.photoIds.includes(kept!.id));
    expect((await photosOfTank(copy!.id)).map(({ id }) => id)).toEqual([kept!.id]);
    const gone = await library.deleteDesign(copy!.id);
    expect(await photosOfTank(copy!.id)).toEqual([]);
    await library.putBackDesign(gone!);
    expect((await photosOfTank(copy!.id)).length).toBe(1);
    // one that was taken out of its step does not go along
    await library.saveDesign({ ...copy!, build: { ...copy!.build, ticks: {} } });
    const again = await library.exportRoom(read.document);
    expect(Object.keys(unzipSync(again.zip)).some((path) => path.startsWith('photos/'))).toBeFalse();
    expect(Object.keys(unzipSync(zip)).some((path) => path.startsWith('photos/'))).toBeTrue();
    await library.deleteRoom(read.document.id);
    await library.deleteDesign(untested.id);
  });

  it('follows the school that is chosen, and says what it costs', async () => {
    const { host, store, refresh, design } = await openBench(WorkFace, untested);
    expect(flat(step(host, 'lamp'))).toContain('six hours a day');
    store.edit('Light', [{ op: 'add', path: '/build/schools/light', value: 'dark' }]);
    await refresh();
    expect(flat(step(host, 'lamp'))).toMatch(/Lamp off while it grows in.*nothing grows for grazers/);
    expect(design().build.schools).toEqual({ light: 'dark' });
  });
});

describe('trouble at the start', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is drawn, every kind of it', () => {
    expect(Object.keys(TROUBLE_FIGURES).sort()).toEqual(TROUBLES.map(({ id }) => id).sort());
    for (const marks of Object.values(TROUBLE_FIGURES)) expect(marks.length).toBeGreaterThan(0);
  });

  it('says whom it harms here, and what its treatments do to those that live here', async () => {
    const { host } = await openBench(
      TroubleFace,
      tank([
        ['neocaridina-davidi', 20],
        ['planorbella-duryi', 5],
      ]),
    );
    const planaria = flat(host.querySelector('[data-trouble=planaria]'));
    expect(planaria).toMatch(/Here it takes the young of shrimp, snails/);
    expect(planaria).toMatch(/Here: it kills your snails/);
    expect(host.querySelector('[data-trouble=glass-anemones]')).toBeNull();
  });

  it('is told by what is seen', async () => {
    const { host, refresh, text } = await openBench(TroubleFace, tank([['neocaridina-davidi', 20]]));
    const [place] = host.querySelectorAll('select');
    place!.selectedIndex = [...place!.options].findIndex((option) => option.textContent?.trim() === 'surface');
    place!.dispatchEvent(new Event('change'));
    await refresh();
    expect([...host.querySelectorAll('[data-trouble]')].map((one) => one.getAttribute('data-trouble'))).toEqual(['film', 'midges']);
    expect(text('[role=status]')).toBe('It can be one of 2.');
  });
});
