import { TestBed } from '@angular/core/testing';
import { peatPocket, tank, weedyThicket } from '../../core/testing/tanks';
import { EquipmentBench } from '../equipment/equipment-bench';
import { YearFace } from '../equipment/year-face';
import { LivestockBench } from '../livestock/livestock-bench';
import { StockingBench } from '../stocking/stocking-bench';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { VesselBench } from '../vessel/vessel-bench';

afterEach(async () => TestBed.inject(TankSession).close());

describe('the vessel bench', () => {
  const bare = tank([['danio-margaritatus', 8]], { vessel: null });

  it('offers what goes into the place once all of it is stated', async () => {
    const { type, design, host, press } = await openBench(VesselBench, bare);
    await type('Place, free length', '65');
    await type('Place, free depth', '35');
    expect(design().brief.spaceMm).toBeUndefined();
    await type('Place, free height', '60');
    expect(design().brief.spaceMm).toEqual([650, 350, 600]);
    const sizes = (of: string) => (host.querySelector(`[data-sizes="${of}"]`)?.textContent ?? '').replace(/\s+/g, ' ');
    expect(sizes('too-large')).toContain('120 × 40 × 50');
    expect(sizes('too-large')).not.toContain('60 × 30 × 36');
    await press('Leave the place open');
    expect(design().brief.spaceMm).toBeUndefined();
    expect(host.querySelector('[data-sizes="too-large"]')).toBeNull();
  });

  it('has a vessel once all three sides are typed, and not before', async () => {
    const { type, design, host } = await openBench(VesselBench, bare);
    expect(host.querySelector('tr-section .empty')).not.toBeNull();
    await type('Length', '60');
    await type('Front to back', '16 in');
    expect(design().vessel).toBeNull();
    await type('Height', '36');
    expect(design().vessel?.lengthMm).toBe(600);
    expect(design().vessel?.widthMm).toBeCloseTo(406.4, 6);
    expect(design().vessel?.waterLevelMm).toBe(320);
    expect(design().vessel?.lid.value).toBeNull();
    expect(host.querySelector('tr-section svg')).not.toBeNull();
  });

  it('takes a usual box', async () => {
    const { press, design, text } = await openBench(VesselBench, bare);
    await press('60 × 30 × 30');
    expect(design().vessel).toEqual(jasmine.objectContaining({ lengthMm: 600, widthMm: 300, heightMm: 300, waterLevelMm: 260 }));
    expect(text('.head')).toContain('54 L to the rim · 46.8 L of water');
  });

  it('lowers the water with the rim, in one gesture', async () => {
    const { type, design, store } = await openBench(VesselBench, weedyThicket);
    await type('Height', '20');
    expect(design().vessel).toEqual(jasmine.objectContaining({ heightMm: 200, waterLevelMm: 180 }));
    store.undo();
    expect(design().vessel).toEqual(jasmine.objectContaining({ heightMm: 300, waterLevelMm: 260 }));
  });

  it('sets the lid and the leak test', async () => {
    const { press, type, design } = await openBench(VesselBench, weedyThicket);
    await press('mesh');
    expect(design().vessel?.lid).toEqual({ value: 'mesh', basis: 'measured' });
    await press('Leak test passed: full, and dry outside (leak test)');
    expect(design().vessel?.leakTest.value).toBeNull();
    await press('It leaked');
    expect(design().vessel?.leakTest.value?.dry).toBeFalse();
    await press('Leak test passed: full, and dry outside (leak test)');
    await type('Days it stood full', '8');
    expect(design().vessel?.leakTest.value).toEqual(jasmine.objectContaining({ dry: true, days: 8 }));
  });

  it('takes every form, and its own sizes', async () => {
    const { press, type, design, text, host } = await openBench(VesselBench, weedyThicket);
    await press('jar');
    expect(design().vessel?.shape).toBe('jar');
    await type('Belly, across', '24');
    await type('Neck, across', '12');
    expect(design().vessel).toEqual(jasmine.objectContaining({ lengthMm: 240, widthMm: 240, neckMm: 120 }));
    expect(text('tr-section svg title') + text('tr-section .plan + text')).toContain('from above');
    await press('cube');
    expect(design().vessel).toEqual(jasmine.objectContaining({ lengthMm: 240, widthMm: 240, heightMm: 240 }));
    await press('bow front');
    await type('Depth, ends', '19');
    expect(design().vessel).toEqual(jasmine.objectContaining({ shape: 'bow-front', sideMm: 190 }));
    expect(host.querySelectorAll('tr-section .glass').length).toBe(1);
  });

  it('holds outside sizes fast when the glass is corrected', async () => {
    const { press, type, design } = await openBench(VesselBench, weedyThicket);
    await press('outside');
    await type('Glass', '10');
    await type('Length', '62');
    expect(design().vessel?.lengthMm).toBe(600);
    await type('Glass', '3/8 in');
    expect(design().vessel?.lengthMm).toBeCloseTo(620 - 2 * 9.525, 6);
  });

  it('adds openings, braces, a sump and pipes, and says what drains', async () => {
    const { press, type, design, host } = await openBench(VesselBench, weedyThicket);
    await press('Add a gap in the lid');
    await type('Opening 1, mesh over it', '2');
    expect(Object.values(design().vessel!.openings)[0]).toEqual(jasmine.objectContaining({ at: 'lid', guardMm: 2 }));
    await press('Add a brace');
    expect(Object.values(design().vessel!.braces)[0]?.atMm).toBe(300);
    await press('It runs with a sump');
    await type('Drains down to level', '22');
    // 600 x 400 mm from 260 down to 220 mm
    expect(host.textContent).toMatch(/In a power cut\s+9.6 L\s+drain back/);
    await press('Add a pipe');
    expect(host.textContent).toMatch(/In a power cut\s+10.1 L\s+drain back/);
    await press('Remove pipe 1');
    await press('Close it: opening 1');
    expect([design().vessel?.openings, design().vessel?.plumbing]).toEqual([{}, {}]);
  });

  it('keeps at least one side to look through', async () => {
    const { press, design } = await openBench(VesselBench, weedyThicket);
    await press('left');
    expect(design().vessel?.viewingSides).toEqual(['front', 'left']);
    await press('front');
    await press('left');
    expect(design().vessel?.viewingSides).toEqual(['left']);
  });

  it('moves the water line by keys, within the glass', async () => {
    const { host, design, refresh } = await openBench(VesselBench, weedyThicket);
    const slider = host.querySelector('[role=slider]')!;
    const key = async (name: string) => {
      slider.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
      await refresh();
    };
    await key('ArrowDown');
    expect(design().vessel?.waterLevelMm).toBe(255);
    for (let i = 0; i < 3; i++) await key('PageUp');
    expect(design().vessel?.waterLevelMm).toBe(300);
    expect(slider.getAttribute('aria-valuetext')).toBe('30 cm');
  });

  it('describes its drawing in words', async () => {
    const { host } = await openBench(VesselBench, weedyThicket);
    const drawing = host.querySelector('tr-section svg')!;
    expect(drawing.getAttribute('aria-label')).toBe('Seen from the front, to scale: box 60 cm long, 40 cm deep, 30 cm high');
    const words = host.querySelector(`#${drawing.getAttribute('aria-describedby')}`)?.textContent ?? '';
    expect(words).toContain('Water 26 cm deep.');
    expect(words).toContain('Animals: 12 Danio margaritatus.');
    expect(words).toContain('Plant: Ceratophyllum demersum, left, at the back.');
  });
});

describe('a tank left and opened again at once', () => {
  it('is as it was left, and can be written', async () => {
    const { store, design } = await openBench(VesselBench, weedyThicket);
    store.edit('Water level', [{ op: 'replace', path: '/vessel/waterLevelMm', value: 200 }]);
    void store.close();
    expect(await store.open('weedy-thicket')).toBeTrue();
    expect(design().vessel?.waterLevelMm).toBe(200);
    expect(store.current?.design.state.save.kind).toBe('saved');
    expect(store.edit('Water level', [{ op: 'replace', path: '/vessel/waterLevelMm', value: 210 }])).toBeTrue();
    await store.close();
    await store.open('weedy-thicket');
    expect(design().vessel?.waterLevelMm).toBe(210);
  });
});

describe('the equipment bench', () => {
  it('adds, moves and takes out a heater', async () => {
    const { type, press, design } = await openBench(EquipmentBench, weedyThicket);
    await press('Add a heater');
    await type('Heater holds at least', '73.4 F');
    const heater = () => design().equipment['heater'] as unknown as { setPointC: number; powerW: number | null };
    expect(heater().setPointC).toBeCloseTo(23, 6);
    await type('Heater holds at least', '24');
    await type('Power of the heater', '50');
    expect(heater()).toEqual(jasmine.objectContaining({ setPointC: 24, powerW: 50 }));
    await type('Size 1 of the heater', '22');
    expect(design().equipment['heater']?.sizeMm).toEqual([22, 22, 22]);
    await press('Remove the heater');
    expect(Object.keys(design().equipment)).toEqual(['lamp']);
  });

  it('shows the balance by month and what failures do', async () => {
    const { host, text } = await openBench(YearFace, peatPocket);
    expect(host.querySelectorAll('[data-control=balance] tbody tr').length).toBe(12);
    expect(text('[data-control=balance] tbody tr:first-child')).toMatch(/^Jan ?17–18 °C ?24.5 °C ?\d+(–\d+)? W ?0.0\d L\/day$/);
    expect([...host.querySelectorAll('.failures tbody th')].map((cell) => cell.textContent?.trim())).toEqual([
      'Heater fails cold',
      'Heater sticks on',
      'Power goes',
    ]);
    expect(text('.failures tbody tr:first-child')).toMatch(/January, room 17 °C.* h to 23 °C.* h to 17 °C ?16\.9 °C/);
  });

  it('fills the room’s year from two numbers, and refuses them the wrong way round', async () => {
    const { type, press, store, text } = await openBench(YearFace, weedyThicket);
    const climate = () => store.current!.room.state.document.climateC!;
    await type('Room, coldest', '25');
    await type('warmest', '14');
    await press('Fill the year');
    expect(text('tr-climate-editor [role=alert]')).toBe('The coldest is above the warmest.');
    expect(climate()[0]).toEqual([17, 18]);
    await type('Room, coldest', '12');
    await type('warmest', '24');
    await press('Fill the year');
    expect(Math.min(...climate().map(([low]) => low))).toBe(12);
  });

  it('says what is wanted before a vessel is chosen', async () => {
    const { host } = await openBench(YearFace, tank([['danio-margaritatus', 8]], { vessel: null }));
    expect(host.textContent).toContain('the heat balance is worked out here');
    expect(host.querySelector('.failures')).toBeNull();
  });
});

describe('the stocking bench', () => {
  const company = tank([
    ['puntigrus-tetrazona', 10],
    ['betta-splendens', 1, 'keep', 0],
    ['neocaridina-davidi', 20],
  ]);

  it('reads pairs by shape and word', async () => {
    const { host } = await openBench(StockingBench, company);
    const cells = [...host.querySelectorAll('.cell')].map((cell) => (cell.textContent ?? '').replace(/\s+/g, ' ').trim());
    expect(cells.length).toBe(3);
    expect(cells[0]).toMatch(/^nips/);
    expect(host.querySelector('.cell')?.getAttribute('aria-label')).toContain('nips the fins of Betta splendens');
    expect(host.querySelectorAll('.cell [data-severity], .cell tr-severity').length).toBe(3);
  });

  it('counts, sexes and gives a purpose, and takes the sexes back', async () => {
    const { type, press, design } = await openBench(StockingBench, company);
    await type('Females of Puntigrus tetrazona', '6');
    await type('Count of Puntigrus tetrazona', '5');
    expect(design().stock['s0']).toEqual(jasmine.objectContaining({ count: 5, female: 5 }));
    await press('larvae');
    expect(design().stock['s0']?.phase).toBe('larvae');
    await press('Sexes of Puntigrus tetrazona are not known');
    expect(design().stock['s0']?.female).toBeUndefined();
  });

  it('shows the strata', async () => {
    const { host } = await openBench(StockingBench, company);
    expect([...host.querySelectorAll('.stratum-name')].map((name) => name.textContent?.trim())).toEqual([
      'bottom: 20 davidi',
      'middle: 10 tetrazona, 1 splendens',
      'top: 1 splendens',
    ]);
  });

  it('sends an empty tank to Livestock', async () => {
    const { host } = await openBench(StockingBench, tank([]));
    expect(host.querySelector('a')?.textContent).toContain('Name the animal');
  });
});

describe('the livestock bench', () => {
  it('gives a verdict on an animal before it is added', async () => {
    const { host, refresh, text } = await openBench(LivestockBench, tank([], { vessel: null, shares: {} }));
    const box = host.querySelector<HTMLInputElement>('input[type=search]')!;
    box.value = 'licorice';
    box.dispatchEvent(new Event('input'));
    await refresh();
    expect(text('tr-animal-card h2')).toBe('Parosphromenus harveyi');
    expect(text('tr-animal-card th:nth-child(5)')).toBe('here, with Limestone tap');
    const gh = [...host.querySelectorAll('tr-animal-card tbody tr')].find((row) => row.textContent?.includes('GH'))!;
    expect(gh.querySelector('.here')?.textContent).toMatch(/Conflict:\s+17.8/);
  });

  it('adds the group it asks for, and counts, breeds and takes out', async () => {
    const { press, type, design, host, refresh } = await openBench(LivestockBench, weedyThicket);
    const search = host.querySelector<HTMLInputElement>('.finder input[type=search]')!;
    search.value = 'neocaridina davidi';
    search.dispatchEvent(new Event('input'));
    await refresh();
    await press('Neocaridina davidi Cherry shrimp');
    await press('Add 10 to this tank');
    const added = Object.values(design().stock).find(({ organismId }) => organismId === 'neocaridina-davidi');
    expect(added).toEqual(jasmine.objectContaining({ count: 10, phase: 'keep' }));
    await type('Count of Danio margaritatus', '5');
    expect(design().stock['danios']).toEqual(jasmine.objectContaining({ count: 5, female: 5 }));
    await press('Remove Danio margaritatus');
    expect(design().stock['danios']).toBeUndefined();
    expect(design().brief.targetStockIds).toEqual([]);
  });

  it('starts from a place: who lives there, and a tank for it', async () => {
    const { press, design, text, host } = await openBench(LivestockBench, tank([], { vessel: null, shares: {} }));
    await press('Place');
    await press('Spring-fed pond, Shan plateau fresh · 16–25 °C');
    expect(text('tr-place-card h2')).toBe('Spring-fed pond, Shan plateau');
    expect([...host.querySelectorAll('tr-place-card tbody em')].map((name) => name.textContent?.trim())).toEqual([
      'Danio margaritatus',
      'Danio erythromicron',
      'Ceratophyllum demersum',
      'Hydrilla verticillata',
      'Petruichthys brevis',
    ]);
    await press('Plant one Hydrilla verticillata');
    await press('Build for Danio margaritatus');
    expect(design().brief.biotopeId).toBe('spring-pond-shan');
    expect(Object.values(design().stock)[0]).toEqual(
      jasmine.objectContaining({ organismId: 'danio-margaritatus', count: 8, phase: 'keep' }),
    );
    expect(Object.values(design().scene)[0]?.classId).toBe('hydrilla-verticillata');
  });

  it('takes an animal that is not identified, and its name once it is known', async () => {
    const { press, design, text, host, refresh } = await openBench(LivestockBench, tank([['corydoras-pygmaeus', 8]]));
    await press('Corydoras pygmaeus');
    const other = [...host.querySelectorAll<HTMLElement>('.others label')].find((label) =>
      label.textContent?.includes('Corydoras hastatus'),
    )!;
    other.querySelector('input')!.click();
    await refresh();
    await press('Add 8, not identified, to this tank');
    const [id, entry] = Object.entries(design().stock).find(([, { candidateIds }]) => candidateIds)!;
    expect(entry.candidateIds).toEqual(['corydoras-pygmaeus', 'corydoras-hastatus']);
    expect(text('.stock')).toContain('Corydoras pygmaeus or Corydoras hastatus');
    const known = [...host.querySelectorAll<HTMLButtonElement>('.itis button')].find((one) => one.textContent?.includes('hastatus'))!;
    known.click();
    await refresh();
    expect(design().stock[id]).toEqual(jasmine.objectContaining({ organismId: 'corydoras-hastatus', count: 8 }));
    expect(design().stock[id]!.candidateIds).toBeUndefined();
  });

  it('says how true a tank is to its place, as strictly as is wanted', async () => {
    const { press, design, text } = await openBench(LivestockBench, weedyThicket);
    expect(text('.meant-place')).toContain('Modelled on Spring-fed pond, Shan plateau');
    await press('Strictly');
    expect(design().brief.fidelity).toBe('strict');
    const strict = Number(/(\d+) do not/.exec(text('.meant-place'))![1]);
    await press('Loosely');
    expect(Number(/(\d+) do not/.exec(text('.meant-place'))![1])).toBeLessThanOrEqual(strict);
    await press('Not judged');
    expect(text('.meant-place [role=status]')).toBe('');
  });

  it('is read-only while another tab writes', async () => {
    const { store, host, refresh } = await openBench(LivestockBench, weedyThicket);
    store.current!.design.setMayWrite(false);
    await refresh();
    expect(host.querySelector<HTMLButtonElement>('tr-animal-card form button[type=submit]')?.disabled).toBeTrue();
    expect(host.querySelector<HTMLInputElement>('.stock tr-quantity input')?.disabled).toBeTrue();
  });
});
