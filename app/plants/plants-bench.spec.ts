import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import type { Plant } from '../../core/catalogue/organism';
import { groupPlantings, plantStroke } from '../../core/design/edits/planting-edits';
import type { PlantItem } from '../../core/plants/model';
import { newPlanting } from '../../core/plants/model';
import { level } from '../../core/substrate/surface';
import { catalogue, layer, piece, tank } from '../../core/testing/tanks';
import { removePiece } from '../hardscape/piece-edits';
import { dabbed } from '../section/brush';
import { scalePatch, shiftPatch, turnPatch } from '../section/piece-moves';
import { movePlanting } from '../section/planting-moves';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { PlantsBench } from './plants-bench';

const bedded = (scene: Design['scene'] = {}): Design => {
  const design = tank([['danio-margaritatus', 8]]);
  return { ...design, scene, substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } } };
};
const mossy = () =>
  bedded({
    stone: piece('rounded-stone', { order: 1, positionMm: [200, 200, 0] }),
    moss: { ...newPlanting('taxiphyllum-barbieri', 2, [220, 200, 0]), hold: 'tied', onId: 'stone' },
    crypt: newPlanting('cryptocoryne-wendtii', 3, [450, 150, 0]),
  });
const plantings = (design: Design) => Object.values(design.scene).filter((item): item is PlantItem => item.kind === 'plant');

describe('plants on a piece', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('go along when it is moved, turned and scaled; undo brings all back', async () => {
    const { store, design } = await openBench(PlantsBench, mossy());
    const moss = () => design().scene['moss']!.positionMm;
    store.edit('Move', shiftPatch(design(), 'stone', 'plan', 60, 30));
    expect(moss()).toEqual([280, 230, 0]);
    store.undo();
    expect(moss()).toEqual([220, 200, 0]);
    store.edit('Turn', turnPatch(design(), 'stone', 90));
    expect(moss()).toEqual([200, 220, 0]);
    store.undo();
    store.edit('Resize', scalePatch(design(), 'stone', 2));
    expect(moss()).toEqual([240, 200, 0]);
  });
  it('come loose when it is taken out', async () => {
    const { store, design } = await openBench(PlantsBench, mossy());
    expect(store.edit('Take out', removePiece(design(), 'stone'))).toBeTrue();
    expect(design().scene['moss']).toEqual(jasmine.objectContaining({ onId: null, hold: 'loose' }));
  });
  it('go over to the piece that they are moved to', async () => {
    const { store, design } = await openBench(PlantsBench, {
      ...mossy(),
      scene: { ...mossy().scene, other: piece('rounded-stone', { order: 9, positionMm: [420, 200, 0] }) },
    });
    const derived = TestBed.inject(TankSession);
    expect(derived).toBe(store);
    const assessment = await new Promise<import('../../core/assessment/assess').Assessment>((resolve) =>
      store.assessment$.subscribe(resolve),
    );
    const ground = assessment.derived['scene.ground'].value!;
    const pieces = assessment.derived['scene.pieces'].value!.map(({ settled }) => settled);
    const place = { grid: ground.grid, groundMm: ground.topMm, hasBed: true, pieces, waterMm: 300, surfaceMm2: 240_000 };
    store.edit('Move', movePlanting(design(), place, 'moss', 'plan', 200, 0));
    expect(design().scene['moss']).toEqual(jasmine.objectContaining({ onId: 'other', positionMm: [420, 200, 0] }));
    store.edit('Move', movePlanting(design(), place, 'moss', 'plan', -110, 0));
    expect((design().scene['moss'] as PlantItem).onId).toBeNull();
  });
});

describe('the plants bench', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('puts what is searched in at a press of Enter, where its kind stands', async () => {
    const bench = await openBench(PlantsBench, mossy());
    const search = bench.host.querySelector<HTMLInputElement>('input[type=search]')!;
    const find = async (name: string) => {
      search.value = name;
      search.dispatchEvent(new Event('input'));
      await bench.refresh();
    };
    await find('java fern');
    search.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await bench.refresh();
    const fern = plantings(bench.design()).find(({ classId }) => classId === 'microsorum-pteropus')!;
    expect(fern).toEqual(jasmine.objectContaining({ hold: 'tied', onId: 'stone' }));
    expect(bench.text('.piece h2')).toBe('Microsorum pteropus');
    await bench.press('A row');
    await find('vallisneria');
    await bench.press('Put in Vallisneria spiralis');
    const row = plantings(bench.design()).filter(({ classId }) => classId === 'vallisneria-spiralis');
    expect(row.length).toBe(5);
    expect(new Set(row.map(({ groupId }) => groupId)).size).toBe(1);
    expect(new Set(row.map(({ positionMm: [x] }) => x)).size).toBe(5);
    await find('qqqq');
    expect(bench.text('.found')).toContain('No plant of that name');
  });
  it('ties moss to every piece that has none', async () => {
    const bench = await openBench(PlantsBench, {
      ...mossy(),
      scene: { ...mossy().scene, root: piece('branch', { order: 9, positionMm: [420, 200, 0] }) },
    });
    const search = bench.host.querySelector<HTMLInputElement>('input[type=search]')!;
    search.value = 'java moss';
    search.dispatchEvent(new Event('input'));
    await bench.refresh();
    await bench.press('On every piece: Taxiphyllum barbieri');
    const moss = plantings(bench.design()).filter(({ classId }) => classId === 'taxiphyllum-barbieri');
    expect(moss.map(({ onId }) => onId).sort()).toEqual(['root', 'stone']);
  });
  it('sets number, patch, place and hold, and takes out', async () => {
    const bench = await openBench(PlantsBench, mossy());
    const select = [...bench.host.querySelectorAll('select')].find((one) =>
      [...one.options].some(({ text }) => text.startsWith('Cryptocoryne')),
    )!;
    select.selectedIndex = [...select.options].findIndex(({ text }) => text.startsWith('Cryptocoryne'));
    select.dispatchEvent(new Event('change'));
    await bench.refresh();
    const crypt = () => bench.design().scene['crypt'] as PlantItem;
    await bench.type('How many', '7');
    await bench.type('Patch across', '12 cm');
    await bench.type('From the left', '10 cm');
    expect(crypt()).toEqual(jasmine.objectContaining({ count: 7, spreadMm: 60, positionMm: [100, 150, 0] }));
    await bench.type('How many', '10000');
    expect(bench.host.querySelector('[role=alert]')?.textContent).toMatch(/old value is kept/);
    expect(crypt().count).toBe(7);
    await bench.press('Lock');
    expect(crypt().locked).toBeTrue();
    await bench.press('Mirrored copy');
    expect(plantings(bench.design()).map(({ positionMm: [x] }) => x)).toContain(500);
    await bench.press('Remove');
    expect(plantings(bench.design()).length).toBe(2);
  });
  it('draws and judges at three states, each kept as an edit', async () => {
    const bench = await openBench(PlantsBench, mossy());
    const tall = () => bench.host.querySelector('g[data-planting=crypt] path')!.getBoundingClientRect().height;
    const grown = tall();
    await bench.press('Planted');
    expect(bench.design().grown).toBe('planted');
    expect(tall()).toBeLessThan(grown);
    bench.store.undo();
    await bench.refresh();
    expect(bench.design().grown).toBe('grown');
  });
  it('says so while nothing grows there', async () => {
    const bench = await openBench(PlantsBench, bedded());
    expect(bench.text('.head')).toContain('nothing planted yet');
    expect(bench.host.textContent).toContain('Type a plant above');
  });
  it('takes a lamp in, and says what light there is and where', async () => {
    const bench = await openBench(PlantsBench, mossy());
    expect(bench.text('[data-control=lamps]')).toContain('not known: state what the lamps give');
    await bench.press('Add a lamp');
    const lamp = () => (bench.design().equipment['lamp'] as { light: { output: { value: number; unit: string }; dim: number } }).light;
    expect(lamp().output.unit).toBe('lm');
    expect(bench.text('[data-control=lamps]')).toMatch(/\d+ µmol\/m²s on the middle of the ground, \d+ in a front corner/);
    await bench.type('Gives', '5000');
    await bench.type('Dimmed to', '50');
    expect(lamp()).toEqual(jasmine.objectContaining({ output: { value: 5000, unit: 'lm' }, dim: 0.5 }));
    await bench.type('Gives', '0');
    expect(bench.host.querySelector('[role=alert]')?.textContent).toMatch(/old value is kept/);
    expect(lamp().output.value).toBe(5000);
  });
});

describe('a stretch painted, and plants that move together', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('sets no two closer than they are wide, and sixty at most', () => {
    let dabs: readonly (readonly [number, number])[] = [[100, 100]];
    for (const x of [110, 130, 142, 190]) dabs = dabbed(dabs, [x, 100], 40);
    expect(dabs.map(([x]) => x)).toEqual([100, 142, 190]);
    for (let i = 0; i < 500; i++) dabs = dabbed(dabs, [i * 50, 200], 40);
    expect(dabs.length).toBe(60);
  });
  it('is one edit of a group; undo takes all of it', async () => {
    const { store, design } = await openBench(PlantsBench, mossy());
    const before = plantings(design()).length;
    const crypt = catalogue.organisms.get('cryptocoryne-wendtii') as Plant;
    store.edit(
      'Plant',
      plantStroke(
        design(),
        crypt,
        [
          [100, 60],
          [160, 60],
          [220, 70],
        ],
        null,
      ),
    );
    const added = plantings(design()).slice(before);
    expect(added.length).toBe(3);
    expect(new Set(added.map(({ groupId }) => groupId)).size).toBe(1);
    store.undo();
    expect(plantings(design()).length).toBe(before);
  });
  it('joins groups, and not itself', async () => {
    const { store, design } = await openBench(PlantsBench, mossy());
    expect(groupPlantings(design(), 'moss', 'moss')).toEqual([]);
    store.edit('Together', groupPlantings(design(), 'moss', 'crypt'));
    const [moss, crypt] = ['moss', 'crypt'].map((id) => design().scene[id] as PlantItem);
    expect(moss!.groupId).not.toBeNull();
    expect(crypt!.groupId).toBe(moss!.groupId);
  });
});
