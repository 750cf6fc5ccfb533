import { TestBed } from '@angular/core/testing';
import { judge, peatPocket, tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { WaterBench } from './water-bench';

afterEach(async () => TestBed.inject(TankSession).close());

describe('the water bench', () => {
  it('moves the blend, and keeps it whole', async () => {
    const { type, design, text } = await openBench(WaterBench, peatPocket);
    await type('Share of RO water', '80');
    const shares = Object.fromEntries(Object.values(design().water.parts).map(({ sourceId, share }) => [sourceId, share]));
    expect(shares['ro']).toBe(0.8);
    expect(shares['tap']).toBeCloseTo(0.2, 3);
    expect(text('tr-water-axes svg[aria-label^="GH"] .pin-text')).toBe('3.6');
  });

  it('puts the recipe into the plan at one press, rounded to what can be poured and weighed', async () => {
    const { press, design, text } = await openBench(WaterBench, tank([['caridina-logemanni', 20]]));
    expect(text('#recipe-heading')).toBe('Recipe for 20 L');
    await press('Use this recipe');
    const { parts, salts } = design().water;
    expect(Object.values(parts).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
    expect(Object.keys(salts).length).toBeGreaterThan(0);
    // the Low Barn weighs to 0.1 g, and mixes 20 L at a time
    for (const { mgPerL } of Object.values(salts)) expect((mgPerL * 20) / 100).toBeCloseTo(Math.round((mgPerL * 20) / 100), 1);
    const { derived } = judge(design());
    const [low, high] = derived['window.ghDh'].value!.optimum!;
    expect(derived['planned.ghDh'].value! >= low && derived['planned.ghDh'].value! <= high).toBeTrue();
    expect(text('tr-recipe-card .btn.primary')).toBe('In the plan');
  });

  it('weighs in a salt, treats the tap, puts leaves in: each a field, each undone by one', async () => {
    const { type, design, host, store, refresh } = await openBench(WaterBench, peatPocket);
    const pick = async (label: string, value: string) => {
      const box = [...host.querySelectorAll('tr-select')].find((one) => one.querySelector('label')?.textContent?.includes(label))!;
      const select = box.querySelector('select')!;
      select.value = value;
      select.dispatchEvent(new Event('change'));
      await refresh();
      box.closest('tr-add-from')?.querySelector('button')?.click();
      await refresh();
    };
    await pick('Add a salt', 'epsom-salt');
    await type('Milligrams a litre of Epsom salt (magnesium sulfate, 7 H₂O), 0 to leave it out', '44');
    expect(Object.values(design().water.salts).map(({ mgPerL }) => mgPerL)).toEqual([44]);
    await pick('Tap water is treated with', 'binder');
    expect(design().water.conditioner).toBe('binder');
    await pick('Put in', 'leaf-litter');
    await type('Amount of Leaf litter', '30');
    expect(design().water.additions['leaf-litter']?.amount).toBe(30);
    await type('CO₂ fed by day, 0 for none', '20');
    expect(design().water.co2).toEqual({ set: { by: 'level', mgPerL: 20 }, onHour: null, offHour: null, bottleG: null });
    for (let i = 0; i < 6; i++) store.undo();
    expect(design().water).toEqual(peatPocket.water);
  });

  it('moves a mark by the arrow keys: shown at once, kept when the key is let go', async () => {
    const { host, design, store, refresh } = await openBench(WaterBench, peatPocket);
    const mark = host.querySelector<SVGElement>('[role=slider][aria-label="GH of the mixture"]')!;
    mark.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', shiftKey: true, bubbles: true }));
    await new Promise(requestAnimationFrame);
    await refresh();
    expect(design().rev).toBe(peatPocket.rev);
    expect(Number(host.querySelector('tr-water-axes svg[aria-label^="GH"] .pin-text')?.textContent)).toBeCloseTo(16.8, 1);
    mark.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowLeft', bubbles: true }));
    await refresh();
    expect(judge(design()).derived['planned.ghDh'].value).toBeCloseTo(16.8, 1);
    store.undo();
    expect(design().water).toEqual(peatPocket.water);
  });

  it('lets a mark go with Escape, and nothing has happened', async () => {
    const { host, design, store, refresh } = await openBench(WaterBench, peatPocket);
    const mark = host.querySelector<SVGElement>('[role=slider][aria-label="KH of Limestone tap"]')!;
    mark.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    mark.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await refresh();
    expect(design().rev).toBe(peatPocket.rev);
    expect(store.current!.room.state.document.sources['tap']!.khDh.value).toBe(13.4);
  });

  it('reads a report into a source, and says what it left out', async () => {
    const { press, host, store, refresh } = await openBench(WaterBench, peatPocket);
    await press('Report of Limestone tap');
    // the panel is fetched when it is first opened
    for (let i = 0; i < 100 && !host.querySelector('textarea'); i++) {
      await new Promise((resolve) => setTimeout(resolve, 20));
      await refresh();
    }
    const area = host.querySelector<HTMLTextAreaElement>('[aria-label="Text of a report"]')!;
    area.value = 'Calcium;50;mg/L\npH;14;\nLead;1;µg/L';
    area.dispatchEvent(new Event('change'));
    await refresh();
    expect(store.current!.room.state.document.sources['tap']!.analysisMgPerL.calcium).toEqual({ value: 50, basis: 'measured' });
    const said = host.querySelector('tr-source-report [role=status]')?.textContent ?? '';
    expect(said).toMatch(/1 values? taken/);
    expect(said).toMatch(/line 2, “pH 14”: pH outside 3–11/);
    expect(host.querySelector('tr-source-report')?.textContent).toContain('Inconsistent');
  });

  it('shows the ions of the mixture, and answers questions', async () => {
    const { host, refresh } = await openBench(WaterBench, peatPocket);
    const face = async (name: string) => {
      [...host.querySelectorAll<HTMLElement>('.faces label')].find((one) => one.textContent?.trim() === name)!.click();
      await refresh();
    };
    await face('Analysis');
    expect(host.querySelector('tr-analysis-face')?.textContent).toMatch(/Calcium Ca²⁺\s*112\s*2.79/);
    await face('Laboratory');
    expect(host.querySelector('tr-laboratory .answer')?.textContent).toMatch(/CO₂\s*\d/);
    expect(host.querySelector('tr-laboratory')?.textContent).toContain('Humic acids');
  });

  it('takes a reading of the user over the class figure', async () => {
    const { type, store } = await openBench(WaterBench, peatPocket);
    await type('GH of Limestone tap', '250 ppm');
    const gh = store.current!.room.state.document.sources['tap']!.ghDh;
    expect(gh.value).toBeCloseTo(14.007, 2);
    expect(gh.basis).toBe('measured');
  });

  it('draws an axis a parameter, everyone named on it', async () => {
    const { host } = await openBench(WaterBench, peatPocket);
    const axes = [...host.querySelectorAll('tr-water-axes svg')];
    expect(axes.map((axis) => axis.querySelector('.name')?.textContent?.trim())).toEqual(['GH', 'KH', 'pH', 'Conductivity']);
    expect([...axes[0]!.querySelectorAll('.who')].map((name) => name.textContent?.trim())).toEqual([
      'Parosphromenus harveyi',
      'Cryptocoryne cordata',
    ]);
  });

  it('says what to do first in a room without water', async () => {
    const { store, refresh, text } = await openBench(WaterBench, peatPocket);
    store.editRoom('Empty', [{ op: 'replace', path: '/sources', value: {} }]);
    await refresh();
    expect(text('.first')).toContain('Say first what water is at hand');
  });

  it('keeps a mix of one’s own in the room, and builds the water of it', async () => {
    const { press, type, host, refresh, design, store, text } = await openBench(
      WaterBench,
      tank([['caridina-logemanni', 20]], { shares: { ro: 1 } }),
    );
    expect(text('tr-recipe-card')).not.toContain('my mix');
    await press('A mix of your own …');
    const name = host.querySelector<HTMLInputElement>('tr-own-mix input[name="mix-name"]')!;
    name.value = 'Bee mix';
    name.dispatchEvent(new Event('input'));
    expect(text('tr-own-mix [role=status]')).toContain('Name its parts');
    await type('gypsum', '2');
    await type('epsom salt', '1');
    expect(text('tr-own-mix [role=status]')).toBe('10 g in 100 L of pure water: GH 2.9 dGH, KH 0 dKH, 125 µS/cm.');
    await type('Grams that raise 100 L by 1 °dH, where you know it', '1');
    expect(text('tr-own-mix [role=status]')).toContain('less cannot do it');
    expect(host.querySelector<HTMLButtonElement>('tr-own-mix .btn.primary')!.disabled).toBeTrue();
    await type('Grams that raise 100 L by 1 °dH, where you know it', '4');
    await press('Keep the mix');
    expect(Object.values(store.current!.room.state.document.own.mixes)).toEqual([
      { id: 'mix-bee-mix', name: 'Bee mix', parts: { gypsum: 2, 'epsom-salt': 1 }, gramsPerDh: 4 },
    ]);
    await press('RO, my mix');
    await refresh();
    expect(text('tr-recipe-card table')).toContain('Bee mix');
    await press('Use this recipe');
    expect(Object.values(design().water.salts).map(({ saltId }) => saltId)).toEqual(['mix-bee-mix']);
    const out = [...host.querySelectorAll<HTMLButtonElement>('tr-mixture .stock button')].find((one) =>
      one.textContent?.includes('Bee mix'),
    );
    expect(out?.disabled).withContext('it is in the plan').toBeTrue();
  });
});
