import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { METRIC } from '../../core/quantity/format';
import { lowBarn, peatPocket, tank, weedyThicket as thicket } from '../../core/testing/tanks';
import type { Design } from '../../core/design/design';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { NIGHT_INK } from './bench';
import { BENCHES } from './benches';
import { Course } from './course';
import { Ledger } from './ledger';
import { Why } from '../store/why';
import { WindowStrip } from './window-strip';

/** A store open on a design that was put into the browser's store first. */
async function openTank(design: Design): Promise<TankSession> {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), provideRouter([]), provideNzNoAnimation()] });
  const library = TestBed.inject(Library);
  await library.saveRoom(lowBarn);
  await library.saveDesign(design);
  TestBed.inject(PreferencesStore).units.set(METRIC);
  const store = TestBed.inject(TankSession);
  expect(await store.open(design.id)).toBeTrue();
  return store;
}

async function helped(store: TankSession, fixture: ComponentFixture<unknown>): Promise<void> {
  await firstValueFrom(store.helps$);
  await fixture.whenStable();
  fixture.detectChanges();
}

const squeeze = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim();

// under a name of its own: the demo's thicket has a log, once somebody has laid it out
const weedyThicket = { ...thicket, id: 'shell-thicket' };

describe('the tank store', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('judges anew after each edit, and keeps what it judged of untouched parts', async () => {
    const store = await openTank(weedyThicket);
    const before = await firstValueFrom(store.assessment$);
    expect(before.findings.some(({ key, severity }) => key === 'vessel.lid:danios' && severity === 'watch')).toBeTrue();
    store.edit('Lid', [{ op: 'replace', path: '/vessel/lid', value: { value: 'mesh', basis: 'measured' } }]);
    const after = await firstValueFrom(store.assessment$);
    expect(after.findings.find(({ key }) => key === 'vessel.lid:danios')?.severity).toBe('fits');
    expect(after.derived['window.ph']).toBe(before.derived['window.ph']);
  });

  it('undoes tank and room in the order things were done', async () => {
    const store = await openTank(weedyThicket);
    store.edit('Rename', [{ op: 'replace', path: '/name', value: 'A' }]);
    store.editRoom('Rename', [{ op: 'replace', path: '/name', value: 'Shed' }]);
    store.edit('Rename', [{ op: 'replace', path: '/name', value: 'B' }]);
    const names = () => [store.current!.design.state.document.name, store.current!.room.state.document.name];
    store.undo();
    expect(names()).toEqual(['A', 'Shed']);
    store.undo();
    expect(names()).toEqual(['A', 'Low Barn']);
    store.undo();
    expect(names()).toEqual(['Weedy thicket', 'Low Barn']);
    store.redo();
    store.redo();
    expect(names()).toEqual(['A', 'Shed']);
  });

  it('knows when there is no such tank', async () => {
    const store = await openTank(weedyThicket);
    expect(await store.open('nobody')).toBeFalse();
  });
});

describe('the ledger', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('lists the worst first, with reason and remedies, and folds away what fits', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    const host = fixture.nativeElement as HTMLElement;
    const first = host.querySelector('article')!;
    expect(first.dataset['key']).toBe('vessel.lid:danios');
    expect(squeeze(first.textContent)).toContain('Danio margaritatus jumps, and there is no lid');
    expect([...first.querySelectorAll('[data-remedy]')].map((button) => squeeze(button.textContent))).toEqual(['Glass lid', 'Mesh lid']);
    expect(host.querySelector('article[data-severity=fits]')).toBeNull();
    const fits = [...host.querySelectorAll<HTMLButtonElement>('button.group')].find((button) => /fit/.test(button.textContent ?? ''))!;
    fits.click();
    fixture.detectChanges();
    expect(fits.getAttribute('aria-expanded')).toBe('true');
    expect(host.querySelector('article[data-severity=fits]')).not.toBeNull();
    expect(squeeze(host.querySelector('.head .small')?.textContent)).toMatch(/^\d watch$/);
  });

  it('says what has come and gone by its name, and nothing when nothing has', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    const news = () => squeeze((fixture.nativeElement as HTMLElement).querySelector('[role=status]')?.textContent);
    const lid = async (value: string) => {
      store.edit('Lid', [{ op: 'replace', path: '/vessel/lid', value: { value, basis: 'measured' } }]);
      await fixture.whenStable();
      return news();
    };
    expect(news()).toBe('');
    expect(await lid('mesh')).toBe('Gone: Danio margaritatus jumps, and there is no lid.');
    expect(await lid('mesh')).toBe('');
    expect(await lid('none')).toBe('New: Danio margaritatus jumps, and there is no lid.');
  });

  it('applies a remedy by its button', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('[data-remedy=lid]')!.click();
    expect(store.current!.design.state.document.vessel?.lid.value).toBe('glass');
    expect(store.current!.design.state.undo.at(-1)?.label).toBe('Glass lid');
  });

  it('keeps a finding that was accepted with its reason, and takes it back', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    const host = fixture.nativeElement as HTMLElement;
    const click = (label: string) => {
      [...host.querySelectorAll<HTMLButtonElement>('button')].find((button) => squeeze(button.textContent) === label)!.click();
      fixture.detectChanges();
    };
    click('Accept with a reason');
    const reason = host.querySelector<HTMLInputElement>('form.accept input')!;
    reason.value = '  cover glass is ordered ';
    host.querySelector('form.accept')!.dispatchEvent(new Event('submit', { cancelable: true }));
    fixture.detectChanges();
    expect(store.current!.design.state.document.accepted).toEqual({ 'vessel.lid:danios': 'cover glass is ordered' });
    expect(host.querySelector('article[data-key="vessel.lid:danios"]')).toBeNull();
    click('1 accepted by you');
    expect(squeeze(host.textContent)).toContain('Accepted: “cover glass is ordered”');
    click('Withdraw');
    expect(store.current!.design.state.document.accepted).toEqual({});
  });

  it('says what is still to be stated, in work order, without a basis', async () => {
    const store = await openTank(tank([], { vessel: null, shares: {} }));
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    const articles = [...(fixture.nativeElement as HTMLElement).querySelectorAll('article')];
    expect(articles.map((article) => article.dataset['key'])).toEqual(['stocking.not-chosen', 'vessel.not-stated', 'water.not-stated']);
    expect(squeeze(articles[0]!.textContent)).not.toContain('practice');
    expect(squeeze(articles[0]!.textContent)).not.toContain('Accept');
  });

  it('opens the why of a finding', async () => {
    const store = await openTank(peatPocket);
    const fixture = TestBed.createComponent(Ledger);
    await helped(store, fixture);
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('article .title')!.click();
    expect(TestBed.inject(Why).subject()?.kind).toBe('finding');
  });
});

describe('the window strip', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is true to the numbers: pin, band and ticks stand on one scale', async () => {
    const store = await openTank(peatPocket);
    const fixture = TestBed.createComponent(WindowStrip);
    await helped(store, fixture);
    const cell = (fixture.nativeElement as HTMLElement).querySelector('[data-parameter=ghDh]')!;
    const ticks = [...cell.querySelectorAll('text.tick')].map(
      (tick) => [Number(tick.textContent), Number(tick.getAttribute('x'))] as const,
    );
    const [first, last] = [ticks[0]!, ticks.at(-1)!];
    const at = (value: number) => first[1] + ((value - first[0]) / (last[0] - first[0])) * (last[1] - first[1]);
    expect(Number(cell.querySelector('circle')!.getAttribute('cx'))).toBeCloseTo(at(17.8), -0.5);
    const band = cell.querySelector('rect.band')!;
    expect(Number(band.getAttribute('x'))).toBeCloseTo(at(0), -0.5);
    expect(Number(band.getAttribute('width'))).toBeCloseTo(at(1) - at(0), -0.5);
    const spoken = [...cell.children].filter((part) => part.getAttribute('aria-hidden') !== 'true').map((part) => part.textContent);
    expect(squeeze(spoken.join(''))).toBe('GH 17.8 dGH: planned; window 0–1 dGH. Who sets the edges?');
  });

  it('shows the year as a span, and a dash for what is not known', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(WindowStrip);
    await helped(store, fixture);
    const head = (parameter: string) =>
      squeeze((fixture.nativeElement as HTMLElement).querySelector(`[data-parameter=${parameter}] .head`)?.textContent);
    expect(head('temperatureC')).toBe('Temperature 16.1–22.1 °C');
    store.edit('Empty', [{ op: 'replace', path: '/water/parts', value: {} }]);
    fixture.detectChanges();
    expect(head('ghDh')).toBe('GH –');
    expect((fixture.nativeElement as HTMLElement).querySelector('[data-parameter=ghDh] circle')).toBeNull();
  });

  it('opens on a parameter', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(WindowStrip);
    await helped(store, fixture);
    (fixture.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('[data-parameter=ph]')!.click();
    expect(TestBed.inject(Why).subject()).toEqual({ kind: 'parameter', parameter: 'ph' });
  });
});

describe('the course', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('has every bench in work order, each with its key, state and worst finding', async () => {
    const store = await openTank(weedyThicket);
    const fixture = TestBed.createComponent(Course);
    await helped(store, fixture);
    const links = [...(fixture.nativeElement as HTMLElement).querySelectorAll('a')];
    expect(links.map((link) => link.getAttribute('aria-keyshortcuts'))).toEqual(BENCHES.map(({ key }) => key));
    const said = links.map((link) => squeeze(link.textContent));
    expect(said[0]).toMatch(/^Livestock .*12 adults, breeding/);
    expect(said[1]).toMatch(/^Vessel 1 Watch: .*60 × 40 × 30 cm/);
    expect(said[2]).toMatch(/^Water \d+ Watch: .*17.8 dGH · pH 8\.\d/);
    expect(said[3]).toMatch(/^Substrate Fits: .*fine quartz sand \d/);
    expect(said[4]).toMatch(/^Hardscape .*3 pieces/);
    expect(said[10]).toMatch(/^Breeding .*1 kind to breed/);
    expect(said[6]).toMatch(/no heater, 16.1–22.1 °C/);
  });

  it('keeps its ink readable on every band', () => {
    const luminance = (hex: string) => {
      const [r, g, b] = [1, 3, 5]
        .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
        .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
      return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
    };
    const contrast = (a: string, b: string) => {
      const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
      return (light! + 0.05) / (dark! + 0.05);
    };
    for (const bench of BENCHES) {
      expect(contrast(bench.band, bench.ink)).withContext(bench.name).toBeGreaterThanOrEqual(4.5);
      expect(contrast(bench.nightBand, NIGHT_INK)).withContext(`${bench.name} at night`).toBeGreaterThanOrEqual(4.5);
    }
  });
});
