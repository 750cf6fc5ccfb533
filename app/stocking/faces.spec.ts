import { TestBed } from '@angular/core/testing';
import { box, piece, tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { CompanyFace } from './company-face';
import { HowManyFace } from './how-many-face';
import { SightFace } from './sight-face';
import { WhoElseFace } from './who-else-face';

const galaxies = () => tank([['danio-margaritatus', 10]], { heaterC: 24, vessel: box(600, 400, 360, 'mesh') });

describe('who else could live here', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is looked for at once, and puts one in at a press', async () => {
    const bench = await openBench(WhoElseFace, galaxies());
    await bench.until('.offers li');
    const first = bench.host.querySelector<HTMLButtonElement>('.offers li button[aria-label^="Put in"]')!;
    const [, count] = /Put in (\d+) /.exec(first.getAttribute('aria-label')!)!;
    first.click();
    await bench.refresh();
    const added = Object.values(bench.design().stock).filter(({ organismId }) => organismId !== 'danio-margaritatus');
    expect(added.map((entry) => [entry.count, entry.phase])).toEqual([[Number(count), 'keep']]);
  });

  it('tells why one would not do, and what would turn it', async () => {
    const bench = await openBench(WhoElseFace, galaxies());
    const input = bench.host.querySelector<HTMLInputElement>('.search input')!;
    input.value = 'axolotl';
    input.dispatchEvent(new Event('input'));
    await bench.until('.hits button');
    bench.host.querySelector<HTMLButtonElement>('.hits button')!.click();
    await bench.until('.told .one');
    const told = bench.host.querySelector('.told')!.textContent!;
    expect(told).toContain('Ambystoma mexicanum');
    expect(told).toMatch(/Turned by: |No measure is known/);
    expect(told).toContain('Put 1 in all the same');
  });

  it('says what it hangs on while there is no vessel', async () => {
    const bench = await openBench(WhoElseFace, { ...galaxies(), vessel: null });
    expect(bench.text('.empty')).toContain('Give the vessel its size');
  });
});

describe('how many the tank carries', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is told by what runs out first, for each kind that is asked', async () => {
    const bench = await openBench(
      HowManyFace,
      tank(
        [
          ['danio-margaritatus', 10],
          ['vittina-natalensis', 2],
        ],
        { heaterC: 24 },
      ),
    );
    await bench.until('[data-control=carrying]');
    expect(bench.text('[data-control=carrying] h2')).toBe('10 Danio margaritatus');
    const counts = [...bench.host.querySelectorAll('tbody tr td:nth-of-type(2)')].map(({ textContent }) => Number(textContent));
    expect(counts.length).toBeGreaterThan(0);
    expect(counts).toEqual(counts.toSorted((a, b) => a - b));
    expect(bench.host.textContent).toContain('Not told: ');
  });

  it('says what to do where nobody lives', async () => {
    const bench = await openBench(HowManyFace, tank([]));
    expect(bench.host.textContent).toContain('name the animal on the Livestock bench');
  });
});

describe('who sees whom', () => {
  afterEach(async () => TestBed.inject(TankSession).close());
  const cave = (order: number, x: number, turn: number) =>
    piece('small-mouth-cave', { order, edges: 'ground', positionMm: [x, 170, 0], turnDeg: [0, 0, turn] });

  it('is drawn from above, and a stone is put where the longest line is open', async () => {
    const design = tank([['apistogramma-cacatuoides', 4]], { heaterC: 26 });
    const bench = await openBench(SightFace, { ...design, scene: { left: cave(1, 170, 180), right: cave(2, 500, 0) } });
    await bench.until('path.open');
    expect(bench.host.querySelectorAll('circle.site').length).toBe(2);
    expect(bench.text('[data-control=sight]')).toContain('Of 1 line between neighbours one is open');
    await bench.press('A stone where the cross is');
    await bench.until('path.broken');
    expect(bench.host.querySelector('path.part')).toBeNull();
    expect(Object.keys(bench.design().scene).length).toBe(3);
  });

  it('is told of nobody where none holds ground', async () => {
    const bench = await openBench(SightFace, galaxies());
    for (let i = 0; i < 400 && !/Nobody here holds ground/.test(bench.host.textContent ?? ''); i++) {
      await new Promise((resolve) => setTimeout(resolve, 25));
      await bench.refresh();
    }
    expect(bench.host.textContent).toContain('Nobody here holds ground');
  });
});

describe('the company', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('takes how long they are now, and forgets it again', async () => {
    const bench = await openBench(CompanyFace, galaxies());
    await bench.type('Length now of Danio margaritatus', '1.2');
    expect(bench.design().stock['s0']?.todayMm).toBe(12);
    await bench.type('Length now of Danio margaritatus', '');
    expect(bench.design().stock['s0']?.todayMm).toBeUndefined();
  });
});
