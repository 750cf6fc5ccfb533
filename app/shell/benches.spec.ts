import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { firstValueFrom } from 'rxjs';
import type { Design } from '../../core/design/design';
import { METRIC } from '../../core/quantity/format';
import { lowBarn, peatPocket, tank, weedyThicket } from '../../core/testing/tanks';
import { LivestockBench } from '../livestock/livestock-bench';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { WaterBench } from '../water/water-bench';
import { VesselBench } from '../vessel/vessel-bench';

/** A bench on an open tank, and hands to work it with. */
async function bench<T>(component: Type<T>, design: Design) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), provideRouter([]), provideNzNoAnimation()] });
  const library = TestBed.inject(Library);
  await library.saveRoom(lowBarn);
  await library.saveDesign(design, null);
  TestBed.inject(PreferencesStore).units.set(METRIC);
  const store = TestBed.inject(TankStore);
  await store.open(design.id);
  await firstValueFrom(store.helps$);
  const fixture: ComponentFixture<T> = TestBed.createComponent(component);
  await fixture.whenStable();
  fixture.detectChanges();
  const host = fixture.nativeElement as HTMLElement;
  const refresh = async () => {
    await fixture.whenStable();
    fixture.detectChanges();
  };
  return {
    store,
    host,
    refresh,
    design: () => store.current!.design.state.document,
    text: (selector: string) => (host.querySelector(selector)?.textContent ?? '').replace(/\s+/g, ' ').trim(),
    press: async (name: string) => {
      const button = [...host.querySelectorAll<HTMLElement>('button, label')].find(
        (element) =>
          (element.textContent ?? '').replace(/\s+/g, '') === name.replace(/\s+/g, '') || element.getAttribute('aria-label') === name,
      );
      if (!button) throw new Error(`nothing is called ${name}`);
      button.click();
      await refresh();
    },
    type: async (label: string, value: string) => {
      const field = [...host.querySelectorAll('tr-quantity')].find((element) => element.querySelector('label')?.textContent === label);
      const box = field?.querySelector('input');
      if (!box) throw new Error(`no field ${label}`);
      box.value = value;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new Event('change'));
      await refresh();
    },
  };
}

afterEach(() => TestBed.inject(TankStore).close());

describe('the vessel bench', () => {
  const bare = tank([['danio-margaritatus', 8]], { vessel: null });

  it('has a vessel once all three sides are typed, and not before', async () => {
    const { type, design, host } = await bench(VesselBench, bare);
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
    const { press, design, text } = await bench(VesselBench, bare);
    await press('60 × 30 × 30');
    expect(design().vessel).toEqual(jasmine.objectContaining({ lengthMm: 600, widthMm: 300, heightMm: 300, waterLevelMm: 260 }));
    expect(text('.head')).toContain('54 L to the rim · 46.8 L of water');
  });

  it('lowers the water with the rim, in one gesture', async () => {
    const { type, design, store } = await bench(VesselBench, weedyThicket);
    await type('Height', '20');
    expect(design().vessel).toEqual(jasmine.objectContaining({ heightMm: 200, waterLevelMm: 180 }));
    store.undo();
    expect(design().vessel).toEqual(jasmine.objectContaining({ heightMm: 300, waterLevelMm: 260 }));
  });

  it('sets the lid and the leak test', async () => {
    const { press, design, host, refresh } = await bench(VesselBench, weedyThicket);
    await press('mesh');
    expect(design().vessel?.lid).toEqual({ value: 'mesh', basis: 'measured' });
    host.querySelector<HTMLInputElement>('input[type=checkbox].ant-checkbox-input')!.click();
    await refresh();
    expect(design().vessel?.leakTested.value).toBeNull();
  });

  it('adds, moves and takes out a heater', async () => {
    const { type, press, design } = await bench(VesselBench, weedyThicket);
    await type('Heater holds at least', '73.4 F');
    expect(design().equipment['heater']?.setPointC).toBeCloseTo(23, 6);
    await type('Heater holds at least', '24');
    expect(Object.keys(design().equipment)).toEqual(['heater']);
    expect(design().equipment['heater']?.setPointC).toBe(24);
    await press('Take the heater out');
    expect(design().equipment).toEqual({});
  });

  it('moves the water line by keys, within the glass', async () => {
    const { host, design, refresh } = await bench(VesselBench, weedyThicket);
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
    const { host } = await bench(VesselBench, weedyThicket);
    expect(host.querySelector('tr-section svg')?.getAttribute('aria-label')).toMatch(
      /box 60 cm long, 30 cm high, water 26 cm deep\. In it: 12 Danio margaritatus, 2 Ceratophyllum/,
    );
  });

  it('fills the room’s year from two numbers, and refuses them the wrong way round', async () => {
    const { type, press, store, text } = await bench(VesselBench, weedyThicket);
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
});

describe('the water bench', () => {
  it('moves the blend, and keeps it whole', async () => {
    const { type, design, text } = await bench(WaterBench, peatPocket);
    await type('Share of RO water', '80');
    const shares = Object.fromEntries(Object.values(design().water.parts).map(({ sourceId, share }) => [sourceId, share]));
    expect(shares['ro']).toBe(0.8);
    expect(shares['tap']).toBeCloseTo(0.2, 3);
    expect(text('[aria-labelledby=planned-heading]')).toMatch(/GH ?3.6 dGH/);
  });

  it('offers the best blend as one button', async () => {
    const { press, design } = await bench(WaterBench, peatPocket);
    await press('Use 100 % RO water');
    expect(Object.values(design().water.parts)).toEqual([{ order: 1, sourceId: 'ro', share: 1 }]);
  });

  it('takes a reading of the user over the class figure', async () => {
    const { type, store } = await bench(WaterBench, peatPocket);
    await type('GH of Limestone tap', '250 ppm');
    const gh = store.current!.room.state.document.sources['tap']!.ghDh;
    expect(gh.value).toBeCloseTo(14.007, 2);
    expect(gh.basis).toBe('measured');
  });

  it('draws an axis a parameter, everyone named on it', async () => {
    const { host } = await bench(WaterBench, peatPocket);
    const axes = [...host.querySelectorAll('.axes svg')];
    expect(axes.map((axis) => axis.querySelector('.name')?.textContent?.trim())).toEqual(['GH', 'KH', 'pH', 'Conductivity']);
    expect([...axes[0]!.querySelectorAll('.who')].map((name) => name.textContent?.trim())).toEqual([
      'Parosphromenus harveyi',
      'Cryptocoryne cordata',
    ]);
  });

  it('says what to do first in a room without water', async () => {
    const { store, refresh, text } = await bench(WaterBench, peatPocket);
    store.editRoom('Empty', [{ op: 'replace', path: '/sources', value: {} }]);
    await refresh();
    expect(text('.first')).toContain('Say first what water is at hand');
  });
});

describe('the livestock bench', () => {
  it('gives a verdict on an animal before it is added', async () => {
    const { host, refresh, text } = await bench(LivestockBench, tank([], { vessel: null, shares: {} }));
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
    const { press, type, design } = await bench(LivestockBench, weedyThicket);
    await press('Neocaridina davidi Cherry shrimp');
    await press('Add 10 to this tank');
    const added = Object.values(design().stock).find(({ organismId }) => organismId === 'neocaridina-davidi');
    expect(added).toEqual(jasmine.objectContaining({ count: 10, phase: 'keep' }));
    await type('Count of Danio margaritatus', '5');
    expect(design().stock['danios']).toEqual(jasmine.objectContaining({ count: 5, female: 5 }));
    await press('Take out Danio margaritatus');
    expect(design().stock['danios']).toBeUndefined();
    expect(design().brief.targetStockIds).toEqual([]);
  });

  it('starts from a place: who lives there, and a tank for it', async () => {
    const { press, design, text, host } = await bench(LivestockBench, tank([], { vessel: null, shares: {} }));
    await press('Place');
    await press('Spring-fed pond, Shan plateau fresh · 16–25 °C');
    expect(text('tr-place-card h2')).toBe('Spring-fed pond, Shan plateau');
    expect([...host.querySelectorAll('tr-place-card tbody em')].map((name) => name.textContent?.trim())).toEqual([
      'Danio margaritatus',
      'Danio erythromicron',
      'Ceratophyllum demersum',
      'Hydrilla verticillata',
    ]);
    await press('Plant Hydrilla verticillata');
    await press('Build for Danio margaritatus');
    expect(design().brief.biotopeId).toBe('spring-pond-shan');
    expect(Object.values(design().stock)[0]).toEqual(
      jasmine.objectContaining({ organismId: 'danio-margaritatus', count: 8, phase: 'spawn' }),
    );
    expect(Object.values(design().scene)[0]?.classId).toBe('hydrilla-verticillata');
  });

  it('is read-only while another tab writes', async () => {
    const { store, host, refresh } = await bench(LivestockBench, weedyThicket);
    store.current!.design.setReadOnly(true);
    await refresh();
    expect(host.querySelector<HTMLButtonElement>('tr-animal-card form button[type=submit]')?.disabled).toBeTrue();
    expect(host.querySelector<HTMLInputElement>('.stock tr-quantity input')?.disabled).toBeTrue();
  });
});
