import { TestBed } from '@angular/core/testing';
import { Design, inOrder } from '../../core/design/design';
import { applyEdit } from '../../core/design/edit';
import { bank, level } from '../../core/substrate/surface';
import { catalogue, judge, layer, shellBed, tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { addLayer, addZone, dragEdge, raiseKnot, refined, removeZone } from '../../core/design/edits/bed-edits';
import { SubstrateBench } from './substrate-bench';

const done = (design: Design, patch: Parameters<typeof applyEdit>[1]): Design => {
  const applied = applyEdit(design, patch, Design);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  return applied.document;
};
const material = (id: string) => catalogue.materials.get(id)!;
const laid = () => done(tank([]), addLayer(tank([]), material('fine-quartz-sand')));

describe('edits of the bed', () => {
  it('lay each material on what is there, fillers in a patch', () => {
    const two = done(laid(), addLayer(laid(), material('acid-soil')));
    const [sand, soil] = inOrder(two.substrate.layers).map(([, one]) => one);
    expect(sand!.top.heightMm[0]).toBe(40);
    expect(soil!.top.heightMm[0]).toBe(80);
    expect(judge(two).derived['substrate.bed'].value!.layers.map(({ litres }) => Math.round(litres * 10) / 10)).toEqual([9.6, 9.6]);
    expect(done(laid(), addLayer(laid(), material('old-soil-bag'))).substrate.layers['old-soil-bag']!.area.kind).toBe('patch');
    const bare = { ...tank([]), substrate: { ...tank([]).substrate, bare: true } };
    expect(done(bare, addLayer(bare, material('fine-quartz-sand'))).substrate.bare).toBeFalse();
  });

  it('shape an edge with the rows behind it, and a knot by itself', () => {
    const top = level(40, 3, 3);
    expect(dragEdge(top, 1, 'front', 10).heightMm).toEqual([40, 50, 40, 40, 45, 40, 40, 40, 40]);
    expect(dragEdge(top, 0, 'back', 10).heightMm).toEqual([40, 40, 40, 45, 40, 40, 50, 40, 40]);
    expect(raiseKnot(top, 2, 1, -100).heightMm).toEqual([40, 40, 40, 40, 40, 0, 40, 40, 40]);
    expect(refined(bank(20, 60, 2, 2), 600, 400).heightMm.slice(-1)).toEqual([60]);
    expect(refined(level(1, 9, 9), 600, 400).columns).toBe(9);
  });

  it('cut zones out of what lay all over, and give it back', () => {
    for (const kind of ['path', 'front', 'bare', 'terrace'] as const) {
      const zoned = done(laid(), addZone(laid(), kind));
      expect(zoned.substrate.layers['fine-quartz-sand']!.area.kind).withContext(kind).toBe('open');
      expect(Object.keys(zoned.substrate.layers).length)
        .withContext(kind)
        .toBe(kind === 'bare' ? 1 : 2);
      const step = judge(zoned).findings.find(({ code }) => code === 'substrate.step');
      // every zone but the bare patch comes with its edge
      expect(step === undefined || kind === 'bare')
        .withContext(kind)
        .toBeTrue();
      expect(done(zoned, removeZone(zoned, kind)).substrate)
        .withContext(kind)
        .toEqual(laid().substrate);
    }
    expect(addZone(tank([], { vessel: null }), 'path')).toEqual([]);
  });
});

describe('the substrate bench', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('lays a bed, measures it, and takes its figures as they are typed', async () => {
    const bench = await openBench(SubstrateBench, tank([]));
    expect(bench.host.textContent).toContain('Nothing lies on the bottom yet');
    const select = bench.host.querySelector<HTMLSelectElement>('.adders select')!;
    select.value = 'fine-quartz-sand';
    select.dispatchEvent(new Event('change'));
    await bench.refresh();
    bench.host.querySelector<HTMLElement>('.adders tr-add-from button')!.click();
    await bench.refresh();
    expect(bench.text('.amount')).toMatch(/9.6 L 15.4 kg/);
    await bench.type('Top of Fine quartz sand in front', '25 mm');
    await bench.type('Top of Fine quartz sand behind', '5 cm');
    // 60 by 40 cm, 25 to 50 mm
    expect(bench.text('.amount')).toMatch(/^9 L 14.4 kg/);
    await bench.type('Coarsest grain of Fine quartz sand', '1.5');
    expect(bench.design().substrate.layers['fine-quartz-sand']!.grainMm).toEqual([0.2, 1.5]);
    await bench.type('Top of Fine quartz sand behind', '-2');
    expect(bench.host.querySelector('[role=alert]')!.textContent).toMatch(/old value is kept/);
    bench.store.undo();
    bench.store.undo();
    bench.store.undo();
    bench.store.undo();
    await bench.refresh();
    expect(bench.design().substrate.layers).toEqual({});
    await bench.press('Bare bottom, on purpose');
    expect(bench.design().substrate.bare).toBeTrue();
  });

  it('reckons with what is at hand in the room', async () => {
    const bench = await openBench(SubstrateBench, {
      ...tank([]),
      substrate: { ...tank([]).substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } },
    });
    expect(bench.text('.amount')).not.toContain('to buy');
    bench.store.editRoom('Sand', [
      {
        op: 'add',
        path: '/onHand/sand',
        value: { order: 9, kind: 'soil', name: 'Sand', measure: 'volume', amount: 5, note: '', substance: 'fine-quartz-sand' },
      },
    ]);
    await bench.refresh();
    expect(bench.text('.amount')).toMatch(/to buy: 7 L, 11.2 kg/);
  });

  it('shapes the bed at its knots by the keyboard', async () => {
    const bench = await openBench(SubstrateBench, shellBed);
    const knots = [...bench.host.querySelectorAll<SVGElement>('.knot')];
    expect(knots.length).toBe(14);
    const before = shellBed.substrate.layers['sand']!.top.heightMm[3]!;
    knots[3]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageUp', bubbles: true }));
    await bench.refresh();
    expect(bench.design().substrate.layers['sand']!.top.heightMm[3]).toBeCloseTo(before + 10, 6);
    expect(bench.host.querySelectorAll('.knot')[3]!.getAttribute('aria-valuenow')).toBe(String(before + 10));
    await bench.press('Plan');
    expect(bench.host.querySelectorAll('.knot').length).toBe(35);
  });

  it('puts layers in another order, under a cloth, with capsules and zones', async () => {
    const bench = await openBench(SubstrateBench, {
      ...tank([]),
      substrate: {
        ...tank([]).substrate,
        layers: { low: layer('lava-gravel', level(30)), high: layer('acid-soil', level(80), { order: 2 }) },
      },
    });
    await bench.press('Lower Acid active soil');
    expect(inOrder(bench.design().substrate.layers).map(([id]) => id)).toEqual(['high', 'low']);
    expect(bench.design().substrate.layers['low']!.top.heightMm[0]).toBe(80);
    bench.store.undo();
    await bench.refresh();
    await bench.press('Root capsules');
    await bench.type('Apart', '4 cm');
    expect(bench.design().substrate.capsules).toEqual({ spacingMm: 40, depthMm: 35 });
    await bench.press('Sand front');
    expect(Object.keys(bench.design().substrate.zones)).toEqual(['front']);
    await bench.press('No edge');
    expect(bench.design().substrate.zones['front']!.edgeTopMm).toBeNull();
    await bench.press('Remove Sand front');
    expect(bench.design().substrate.zones).toEqual({});
    await bench.press('Remove Acid active soil');
    expect(Object.keys(bench.design().substrate.layers)).toEqual(['low']);
  });
});
