import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Router, RouterOutlet, provideRouter } from '@angular/router';
import '../../core/testing/sham-domain';
import { lowBarn, weedyThicket } from '../../core/testing/tanks';
import { routesOf } from '../app.routes';
import { Library } from '../store/library';
import { TankSession } from '../store/tank-session';
import { DARK, type BenchEntry } from './bench';
import { BENCHES, BENCH_LIST } from './benches';
import { Course } from './course';
import { paletteSearch } from '../palette/entry';
import { benchEntries, heldBy } from './bench-entries';
import type { BenchPlace } from './reach';

@Component({ selector: 'tr-sham-bench', template: '<h1>Sham</h1>', changeDetection: ChangeDetectionStrategy.OnPush })
class ShamBench {}

/** A bench as a new one would describe itself. */
const sham: BenchEntry = {
  id: 'sham',
  name: 'Sham',
  key: 's',
  band: '#ffffff',
  ink: DARK,
  nightBand: '#000000',
  load: () => Promise.resolve(ShamBench),
  line: ({ design }) => `called ${design.name}`,
};
const benches = [...BENCHES, sham];

@Component({
  selector: 'tr-outlet',
  imports: [RouterOutlet],
  template: '<router-outlet />',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
class Outlet {}

describe('a new bench', () => {
  beforeEach(async () => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter(routesOf(benches)), { provide: BENCH_LIST, useValue: benches }],
    });
    const library = TestBed.inject(Library);
    await library.saveRoom(lowBarn);
    await library.saveDesign(weedyThicket);
    await TestBed.inject(TankSession).open(weedyThicket.id);
  });
  afterEach(() => TestBed.inject(TankSession).close());

  it('has its band, its line and its key in the course by being on the list', async () => {
    const course = TestBed.createComponent(Course);
    await course.whenStable();
    const [band] = [...(course.nativeElement as HTMLElement).querySelectorAll('nav a')].slice(-1);
    expect(band?.querySelector('.name')?.textContent).toBe('Sham');
    expect(band?.querySelector('.line')?.textContent).toBe('called Weedy thicket');
    expect(band?.getAttribute('aria-keyshortcuts')).toBe('s');
  });

  it('is gone to by the palette, and lies at its address', async () => {
    const gone: BenchPlace[] = [];
    const [first] = paletteSearch(benchEntries(benches, await heldBy(benches), (place) => void gone.push(place)))('sham');
    first?.entry.act();
    expect(first?.entry.name).toBe('Sham');
    expect(gone).toEqual([{ bench: 'sham' }]);
    const outlet = TestBed.createComponent(Outlet);
    const child = routesOf(benches)
      .find(({ path }) => path === 'tank/:tankId')
      ?.children?.find(({ path }) => path === 'sham');
    expect(await (child?.loadComponent?.() as Promise<unknown>)).toBe(ShamBench);
    expect(TestBed.inject(Router).config.length).toBe(6);
    outlet.destroy();
  });
});
