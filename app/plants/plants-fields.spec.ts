import { TestBed } from '@angular/core/testing';
import type { LampLight } from '../../core/equipment/model';
import { newLamp } from '../../core/equipment/lamps';
import { newPlanting } from '../../core/plants/model';
import { level } from '../../core/substrate/surface';
import { layer, tank } from '../../core/testing/tanks';
import { LIGHT_STEPS, lightKey, lightPicture } from '../section/light-shade';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { FeedingRing } from './feeding-ring';
import { FertiliserFields } from './fertiliser-fields';
import { LampFields } from './lamp-fields';
import { PlantingPlans } from './planting-plans';

const lit = () => {
  const design = tank([['danio-margaritatus', 8]]);
  return {
    ...design,
    scene: { crypt: newPlanting('cryptocoryne-wendtii', 1, [300, 150, 0]) },
    water: { ...design.water, conditioner: 'chelator' as const },
    substrate: { ...design.substrate, layers: { sand: layer('fine-quartz-sand', level(50)) } },
    equipment: {
      lamp: {
        order: 1,
        kind: 'lamp' as const,
        powerW: null,
        sizeMm: null,
        placeMm: null,
        light: newLamp('bar', { output: { value: 2000, unit: 'lm' } }),
      },
    },
  };
};

describe('the fields of lamps', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('take hours, ramps and a pause, and refuse ramps that are longer than the light', async () => {
    const bench = await openBench(LampFields, lit());
    const light = () => (bench.design().equipment['lamp'] as { light: LampLight }).light;
    await bench.type('Hours a day', '8');
    await bench.type('Rises over, h', '1');
    await bench.type('Dark at noon, h', '2');
    expect([light().hours, light().rampHours, light().pauseHours]).toEqual([8, 1, 2]);
    await bench.type('Rises over, h', '4');
    expect(light().rampHours).toBe(1);
    await bench.type('Hours a day', '');
    expect(light().hours).toBeNull();
  });
  it('take a reading on the ground, move it, and read by it', async () => {
    const bench = await openBench(LampFields, lit());
    const light = () => (bench.design().equipment['lamp'] as { light: LampLight }).light;
    await bench.type('A meter reads', '740');
    expect(light().reading).toEqual({ value: 740, unit: 'lux', atMm: [300, 200, 50] });
    expect(bench.text('.title')).toContain('10 µmol/m²s on the middle of the ground');
    await bench.type('Read at height', '20');
    expect(light().reading?.atMm).toEqual([300, 200, 200]);
    await bench.type('A meter reads', '');
    expect(light().reading).toBeNull();
    await bench.press('Remove lamp 1');
    expect(bench.design().equipment).toEqual({});
  });
});

describe('the fields of fertiliser', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('write a week’s targets, take them out again, and say when metals go in', async () => {
    const bench = await openBench(FertiliserFields, lit());
    expect(bench.text('.title')).toMatch(/nitrate settles at about [\d.]+ mg\/L/);
    await bench.type('Iron and traces', '0.2');
    await bench.type('Nitrogen', '5');
    expect(bench.design().care.fertiliser).toEqual({ iron: 0.2, nitrogen: 5 });
    expect(bench.host.textContent).toContain('Lean keepers hold nitrate near 5 mg/L');
    expect(bench.host.textContent).toMatch(/holds metals for \d+ hours: iron and traces go in from the third day/);
    await bench.type('Iron and traces', '');
    expect(bench.design().care.fertiliser).toEqual({ nitrogen: 5 });
  });
});

describe('plantings put forward', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('are asked for, and planted as one edit', async () => {
    const bench = await openBench(PlantingPlans, lit());
    await bench.press('Propose');
    await bench.until('.plans li .btn');
    expect(bench.host.querySelectorAll('.plans li').length).toBeGreaterThan(0);
    expect(bench.text('.plans li')).toMatch(/\d+ × [A-Z].*of the floor when planted; .* of leaves grown in/);
    bench.host.querySelector<HTMLButtonElement>('.plans li .btn')!.click();
    await bench.refresh();
    expect(Object.keys(bench.design().scene).length).toBeGreaterThan(1);
    bench.store.undo();
    expect(Object.keys(bench.design().scene)).toEqual(['crypt']);
  });
});

describe('the picture of light', () => {
  it('is the darker the less there is, and clear where there is no water', () => {
    const steps = [...LIGHT_STEPS].map((edge) => edge - 1);
    const map = { columns: 6, rows: 1, ppfd: Float32Array.from([-1, ...steps, 200]) };
    expect(lightPicture(map, 'loam')).toMatch(/^data:image\/png/);
    expect(lightKey('loam').map(({ text }) => text)).toEqual(['under 15', '15–30', '30–60', '60–120', 'over 120']);
    const strength = lightKey('loam').map(({ fill }) => Number(/\/ ([\d.]+)\)/.exec(fill)![1]));
    expect([...strength].sort((a, b) => b - a)).toEqual(strength);
    expect(strength[strength.length - 1]).toBe(0);
  });
});

describe('a feeding ring', () => {
  afterEach(async () => TestBed.inject(TankSession).close());
  it('is offered where leaves float, moved inside the glass only, and taken out again', async () => {
    const design = lit();
    const over = { ...newPlanting('limnobium-laevigatum', 2, [300, 150, 0]), count: 4 };
    const bench = await openBench(FeedingRing, { ...design, scene: { ...design.scene, over } });
    const ring = () => bench.design().care.feedingRing;
    await bench.press('Float a feeding ring');
    expect(ring()).toEqual({ diameterMm: 100, atMm: [420, 120] });
    await bench.type('Across', '12');
    await bench.type('From the left', '999');
    expect(ring()).toEqual({ diameterMm: 120, atMm: [420, 120] });
    await bench.press('Take the ring out');
    expect(ring()).toBeUndefined();
  });
  it('is not spoken of where nothing floats', async () => {
    expect((await openBench(FeedingRing, lit())).host.textContent?.trim()).toBe('');
  });
});
