import { TestBed } from '@angular/core/testing';
import { firstValueFrom, filter, take, toArray } from 'rxjs';
import { shellBed, lowBarn, lavaJar, peatPocket } from '../../core/testing/tanks';
import { AcclimateFace } from './acclimate-face';
import { ChangeFace } from './change-face';
import { CareBench } from '../care/care-bench';
import { ForecastFace } from './forecast-face';
import { ForecastFeed } from '../store/forecast-feed';
import { DripTimer } from '../store/drip-timer';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';

afterEach(async () => {
  await TestBed.inject(TankSession).close();
  localStorage.removeItem('terroir:bag');
});

describe('the look ahead in its worker', () => {
  it('tells what is known so far, then the whole, the same every time', async () => {
    TestBed.configureTestingModule({});
    const feed = TestBed.inject(ForecastFeed);
    const whole = () => firstValueFrom(feed.ahead(shellBed, lowBarn, 10).pipe(filter(({ state }) => state === 'done')));
    const { forecast } = await whole();
    const again = await whole();
    expect(forecast!.samples).toBe(200);
    expect([...forecast!.series.nitrate.high]).toEqual([...again.forecast!.series.nitrate.high]);
    const { usual, low, high } = forecast!.series.ph;
    for (let day = 1; day <= 84; day++) {
      expect(low[day]!).toBeLessThanOrEqual(usual[day]! + 0.05);
      expect(high[day]!).toBeGreaterThanOrEqual(usual[day]! - 0.05);
    }
    expect(forecast!.events.filter(({ kind }) => kind === 'change').map(({ day }) => day)).toEqual([14, 28, 42, 56, 70, 84]);
  }, 20000);

  it('has a first curve before the bands, and says so where there is nothing to follow', async () => {
    TestBed.configureTestingModule({});
    const feed = TestBed.inject(ForecastFeed);
    const first = await firstValueFrom(feed.ahead(peatPocket, lowBarn, 10).pipe(filter(({ forecast }) => forecast !== null)));
    expect(first.state).toBe('running');
    expect(first.forecast!.samples).toBe(0);
    const nothing = await firstValueFrom(feed.ahead({ ...peatPocket, vessel: null }, lowBarn, 10).pipe(take(2), toArray()));
    expect(nothing.at(-1)!.state).toBe('nothing');
  });
});

describe('the forecast face', () => {
  it('draws the curves, and the same as a table', async () => {
    const bench = await openBench(ForecastFace, shellBed);
    await bench.until('tr-band-chart');
    expect(bench.host.querySelectorAll('tr-band-chart').length).toBe(8);
    expect(bench.text('[data-series=nitrate] h3')).toBe('Nitrate (NO₃)');
    const chart = bench.host.querySelector<SVGElement>('[data-series=nitrate] svg')!;
    chart.dispatchEvent(new KeyboardEvent('keydown', { key: 'Home' }));
    await bench.refresh();
    expect(chart.getAttribute('aria-valuenow')).toBe('0');
    chart.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', shiftKey: true }));
    await bench.refresh();
    expect(chart.getAttribute('aria-valuenow')).toBe('7');
    // they are read together
    expect(bench.host.querySelector('[data-series=khDh] svg')!.getAttribute('aria-valuenow')).toBe('7');
    await bench.press('Table');
    expect(bench.host.querySelectorAll('tbody tr').length).toBe(10);
  });

  it('takes the care beside it, as edits that can be undone', async () => {
    const bench = await openBench(ForecastFace, shellBed);
    await bench.type('Changed each time', '30');
    expect(bench.design().care.change).toEqual({ fraction: 0.3, everyDays: 14 });
    await bench.type('Changed each time', '130');
    expect(bench.host.querySelector('[role=alert]')!.textContent).toMatch(/old value is kept/);
    expect(bench.design().care.change!.fraction).toBe(0.3);
    bench.store.undo();
    expect(bench.design().care.change!.fraction).toBe(0.25);
  });
});

describe('the change face', () => {
  it('offers a routine and plans it in one edit', async () => {
    const bench = await openBench(ChangeFace, shellBed);
    await bench.press('A routine that holds');
    await bench.until('tr-change-routine tbody tr');
    const offers = [...bench.host.querySelectorAll('button')].map((button) =>
      /^Use (\d+) % every 7 days$/.exec(button.getAttribute('aria-label') ?? button.textContent!.trim()),
    );
    const offer = offers.find((match) => match !== null)!;
    await bench.press(offer[0]);
    expect(bench.design().care.change).toEqual({ fraction: Number(offer[1]) / 100, everyDays: 7 });
    expect(bench.text('tr.now')).toMatch(/^7 days.*planned$/);
  });

  it('tops up otherwise, by the trap it shows', async () => {
    const bench = await openBench(ChangeFace, lavaJar);
    await bench.press('The evaporation trap');
    await bench.until('tr-change-evaporation tbody tr');
    await bench.press('Use its own mix to top up');
    expect(bench.design().care.topUp).toEqual({ sourceId: null, everyDays: 7 });
  });

  it('shifts a colony, and puts the steps into Care', async () => {
    const bench = await openBench(ChangeFace, shellBed);
    await bench.press('A gradual shift');
    await bench.type('Conductivity today', '900');
    const [count] = /Put (\d+) steps into Care/.exec(bench.text('tr-plan-start'))!.slice(1).map(Number);
    expect(count!).toBeGreaterThan(2);
    await bench.press(`Put ${count} steps into Care`);
    const steps = Object.values(bench.design().care.steps);
    expect(steps.length).toBe(count!);
    expect(steps[0]!.pourL['tap']!).toBeGreaterThan(1);
    expect(bench.text('tr-plan-start')).toMatch(/On the list/);
    bench.store.undo();
    expect(bench.design().care.steps).toEqual({});
  });

  it('refuses a day that has passed, and puts nothing down', async () => {
    const bench = await openBench(ChangeFace, shellBed);
    await bench.press('Mature the tank for delicate animals');
    const date = bench.host.querySelector<HTMLInputElement>('input[type=date]')!;
    date.value = '2020-01-01';
    date.dispatchEvent(new Event('input'));
    await bench.refresh();
    bench.host.querySelector<HTMLButtonElement>('tr-plan-start button')!.click();
    await bench.refresh();
    expect(bench.text('tr-plan-start [role=alert]')).toMatch(/has passed/);
    expect(bench.design().care.steps).toEqual({});
  });

  it('debits the donor in the room for what a rescape takes', async () => {
    const bench = await openBench(ChangeFace, shellBed);
    await bench.press('Rescape or move');
    await bench.type('Mature sponge, of 1.5 L', '0.5');
    await bench.press('Strike it off the room’s list');
    expect(bench.store.current!.room.state.document.onHand['sponge']!.amount).toBeCloseTo(1, 9);
  });
});

describe('the care bench', () => {
  it('lists the steps by day, and takes off what is done', async () => {
    const step = {
      order: 1,
      day: '2020-01-02',
      planId: 'p',
      plan: 'Softer',
      code: 'test' as const,
      pourL: {},
      saltsG: {},
      expects: {},
      values: {},
      subjects: [],
    };
    const design = { ...shellBed, care: { ...shellBed.care, steps: { a: step, b: { ...step, order: 2, day: '2099-01-02' } } } };
    const bench = await openBench(CareBench, design);
    const steps = () => [...bench.host.querySelectorAll('.step strong')].map((one) => one.textContent.trim());
    expect(steps().length).toBe(2);
    expect(bench.text('.days > li:first-child h3')).toMatch(/days ago$/);
    bench.host.querySelector<HTMLButtonElement>('.step .acts button')!.click();
    await bench.untilLines(1);
    expect(Object.keys(bench.design().care.steps)).toEqual(['b']);
    await bench.press('Drop “Softer”, 1 left');
    expect(bench.design().care.steps).toEqual({});
    expect(steps()).toEqual([]);
  });
});

describe('the bag', () => {
  it('is judged as soon as it is tested', async () => {
    const bench = await openBench(AcclimateFace, shellBed);
    expect(bench.host.querySelector('.verdict')!.getAttribute('data-verdict')).toBe('untested');
    expect(bench.text('.charts')).not.toContain('Free ammonia');
    expect(bench.host.textContent).toContain('Unknown, since it is not tested: free ammonia, conductivity, GH.');
    await bench.type('Its ammonia (TAN, as N)', '3');
    expect(bench.text('.charts')).toContain('Free ammonia');
    expect(bench.host.querySelector('.verdict')!.getAttribute('data-verdict')).toBe('direct-foul');
    await bench.type('Its ammonia (TAN, as N)', '0.02');
    await bench.type('Its conductivity', '630');
    expect(bench.host.querySelector('.verdict')!.getAttribute('data-verdict')).toBe('direct');
  });

  it('has a clock that a reload does not stop', async () => {
    const bench = await openBench(AcclimateFace, shellBed);
    await bench.type('Its ammonia (TAN, as N)', '0.05');
    await bench.press('Start the clock: bag afloat');
    expect(TestBed.inject(DripTimer).running()!.fields['ammoniaMgN']).toBe(0.05);
    await bench.store.close();
    const again = await openBench(AcclimateFace, shellBed);
    const timer = TestBed.inject(DripTimer);
    expect(timer.running()!.tankId).toBe(shellBed.id);
    expect(again.text('.big')).toMatch(/^0:00:\d\d$/);
    await again.press('Stop the clock');
    expect(localStorage.getItem('terroir:bag')).toBeNull();
  });

  it('sounds when the bag is to be opened, when it is done, and says so when the clock was put back', async () => {
    await openBench(AcclimateFace, shellBed);
    const timer = TestBed.inject(DripTimer);
    const at = (minutesAgo: number) =>
      timer.start({
        tankId: shellBed.id,
        startedAt: Date.now() - minutesAgo * 60000,
        floatMinutes: 45,
        dripMinutes: 120,
        fullAtMinute: 60,
        fields: {},
      });
    const now = () => new Promise((resolve) => setTimeout(resolve, 1100));
    at(50);
    await now();
    expect(timer.alarm()).toBe('open');
    at(110);
    await now();
    expect(timer.alarm()).toBe('full');
    at(170);
    await now();
    expect(timer.alarm()).toBe('done');
    at(-30);
    await now();
    expect(timer.alarm()).toBeNull();
    expect(timer.minutes()!).toBeLessThan(0);
  });
});
