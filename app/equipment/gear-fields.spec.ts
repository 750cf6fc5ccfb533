import { TestBed } from '@angular/core/testing';
import { newDevice, newFilter, type Device } from '../../core/equipment/model';
import { tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { currentKey, currentPicture, CURRENT_STEPS } from '../section/current-shade';
import { clockPatch, clockText, hoursOf, quarter } from './clock';
import { Co2Fields } from './co2-fields';
import { GearFace } from './gear-face';
import { RunningFields } from './running-fields';
import { YearFace } from './year-face';

const bare = { order: 5, powerW: 6, sizeMm: null, placeMm: null };
const geared = () => {
  const design = tank([['danio-margaritatus', 8]], { heaterC: 24 });
  return {
    ...design,
    equipment: { ...design.equipment, filter: { ...newFilter, ...bare, form: 'canister' as const }, air: newDevice('air', 0, bare) },
  };
};
const selectIn = (host: HTMLElement, label: string, text: string): void => {
  const box = [...host.querySelectorAll('tr-select')].find((one) => one.textContent?.includes(label))!.querySelector('select')!;
  box.value = [...box.options].find((option) => option.textContent?.trim() === text)!.value;
  box.dispatchEvent(new Event('change'));
};

describe('the hours of a day', () => {
  const design = geared();
  const after = (patch: ReturnType<typeof clockPatch>) =>
    Object.fromEntries(patch.map((one) => [one.path, 'value' in one ? one.value : null]));

  it('are read off the design: around one o’clock where nobody has said', () => {
    expect(hoursOf(design).lamps).toEqual([8.5, 17.5]);
    expect(hoursOf({ ...design, care: { ...design.care, lampsOnHour: 20, lampHours: 8 } }).lamps).toEqual([20, 4]);
  });
  it('go over midnight, are set to the quarter, and never come to no hours at all', () => {
    expect(after(clockPatch(design, 'lamps-off', 26.1))).toEqual({ '/care/lampsOnHour': 8.5, '/care/lampHours': 17.5 });
    expect(after(clockPatch(design, 'lamps-on', 17.5))['/care/lampHours']).toBe(24);
    expect(quarter(-0.3)).toBe(23.75);
    expect([clockText(7.25), clockText(23.999)]).toEqual(['7:15', '0:00']);
  });
  it('set nothing of CO₂ that is not fed, and move one meal of several', () => {
    expect(clockPatch(design, 'co2-on', 7)).toEqual([]);
    const fed = { ...design, care: { ...design.care, feedHours: [8, 18] } };
    expect(after(clockPatch(fed, 'meal-1', 19.6))).toEqual({ '/care/feedHours': [8, 19.5] });
  });
});

describe('the fields of running water', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('take flow, head and media, and say what comes through', async () => {
    const bench = await openBench(RunningFields, geared());
    const filter = () => bench.design().equipment['filter'] as Extract<Device, { kind: 'filter' }>;
    await bench.type('Label, an hour', '700');
    await bench.type('Most head', '150');
    await bench.type('Gaps of the intake', '2.5');
    expect([filter().runs?.lPerH, filter().runs?.mostHeadM, filter().runs?.gapMm]).toEqual([700, 1.5, 2.5]);
    expect(bench.text('h3')).toMatch(/about \d+ L come through in an hour/);
    await bench.type('Label, an hour', '0');
    expect(filter().runs?.lPerH).toBe(700);
    await bench.press('Add media');
    await bench.type('How much', '2');
    expect(filter().media).toEqual([{ medium: 'coarse-foam', litres: 2 }]);
    await bench.type('Have run, weeks', '12');
    expect(filter().runWeeks).toBe(12);
    await bench.press('Mature media from another tank …');
    for (let i = 0; i < 400 && !/No other tank|A third at most/.test(bench.host.textContent ?? ''); i++) {
      await new Promise((resolve) => setTimeout(resolve, 25));
      await bench.refresh();
    }
    expect(bench.host.textContent).toMatch(/No other tank of this room has media|A third at most/);
  });

  it('say where the air pump stands, and what follows is found', async () => {
    const bench = await openBench(RunningFields, geared());
    selectIn(bench.host, 'Stands below the water', 'yes');
    await bench.refresh();
    selectIn(bench.host, 'Check valve in its line', 'no');
    await bench.refresh();
    expect(bench.design().equipment['air']).toEqual(jasmine.objectContaining({ below: true, checkValve: false }));
  });
});

describe('the fields of CO₂', () => {
  afterEach(async () => TestBed.inject(TankSession).close());
  it('feed by level, bubbles or grams, and say what comes of it and how long a bottle lasts', async () => {
    const bench = await openBench(Co2Fields, geared());
    selectIn(bench.host, 'CO₂ is fed', 'by bubbles');
    await bench.refresh();
    await bench.type('Bubbles a second', '2');
    await bench.type('Bottle holds, g', '500');
    expect(bench.design().water.co2).toEqual({ set: { by: 'bubbles', perSecond: 2 }, onHour: null, offHour: null, bottleG: 500 });
    expect(bench.text('p')).toMatch(/when it has been on, .* g a day; a bottle lasts about \d+ days/);
    expect(bench.host.textContent).toContain('of the air of a room of 25 m³');
    selectIn(bench.host, 'CO₂ is fed', 'not fed');
    await bench.refresh();
    expect(bench.design().water.co2).toBeNull();
  });
});

describe('the faces of gear and year', () => {
  afterEach(async () => TestBed.inject(TankSession).close());
  it('name lines, put a cage around the heater, and price the year', async () => {
    const bench = await openBench(GearFace, geared());
    const line = bench.host.querySelector<HTMLInputElement>('[aria-label="Line that the heater hangs on"]')!;
    line.value = 'left strip';
    line.dispatchEvent(new Event('change'));
    await bench.refresh();
    await bench.press('in a cage');
    expect(bench.design().equipment['heater']).toEqual(jasmine.objectContaining({ line: 'left strip', guarded: true }));
    await bench.press('in a cage');
    expect(Object.hasOwn(bench.design().equipment['heater']!, 'guarded')).toBeFalse();
    await bench.type('Price of a kWh', '0.3');
    expect(bench.text('[data-control=energy]')).toMatch(/A year/);
    expect(bench.text('[data-control=service]')).toContain('Open the canister');
    expect(bench.text('.cautions')).toMatch(/RCD or GFCI.*hose that slips off/);
  });
  it('say what a power cut leaves, and what each measure buys', async () => {
    const bench = await openBench(YearFace, geared());
    expect(bench.text('[data-control=power-cut]')).toMatch(/Nothing.*Blankets.*battery.*Not fed/);
  });
});

describe('a drawing of the current', () => {
  it('goes up in steps, with a key in centimetres a second', () => {
    expect(currentKey('loam').map(({ text }) => text)).toEqual(['under 0.5', '0.5–2', '2–5', '5–10', 'over 10']);
    expect(currentPicture({ columns: 3, rows: 1, mmPerS: Float32Array.from([-1, CURRENT_STEPS[0], 500]) }, 'night')).toMatch(
      /^data:image\/png/,
    );
  });
});
