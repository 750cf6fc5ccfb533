import { SCHOOLS } from '../../build/model';
import { timeOf } from '../../build/order';
import { METRIC, US } from '../../quantity/format';
import { Design } from '../../design/design';
import { demoDesigns, judge, lowBarn, shellBed, weedyThicket } from '../../testing/tanks';
import { CAUTION_WORD, SCHOOL_WORD, wordBuildStep, wordFirst } from '../wording/build';
import { buildSheetText } from '../wording/build-sheet';
import { toGetCsv } from '../wording/to-get';
import { buildWork } from './build';
import { sumsOf, toGet } from './to-get';

const untested = (design: Design): Design => ({
  ...design,
  vessel: design.vessel && { ...design.vessel, leakTest: { value: null, basis: 'measured' } },
});
const titles = (design: Design) => {
  const judged = judge(design);
  return buildWork(judged).map((step) => wordBuildStep(step, METRIC, design.build).title);
};

describe('the build sheet of a tank', () => {
  it('is unlike for unlike tanks, and carries the amounts of each', () => {
    const sheets = demoDesigns.map((design) => titles(untested(design)));
    for (const [i, sheet] of sheets.entries()) {
      expect(sheet.length).toBeGreaterThan(8);
      for (const other of sheets.slice(i + 1)) expect(sheet.join()).not.toBe(other.join());
    }
    const [peat, thicket, shells, jar, lagoon] = sheets as [string[], string[], string[], string[], string[]];
    // silt goes in unrinsed and before the sand; the cichlids dig, so that stones stand on the glass; the jar has no gear to switch on
    expect(thicket.findIndex((one) => /^Lay .* lime silt/.test(one))).toBeLessThan(thicket.findIndex((one) => /^Lay .* sand/.test(one)));
    expect(thicket.find((one) => one.startsWith('Rinse'))).not.toContain('silt');
    expect(shells.findIndex((one) => one.startsWith('Set on the bottom'))).toBeLessThan(shells.findIndex((one) => /^Lay \d/.test(one)));
    expect(jar.some((one) => one.startsWith('Switch on'))).toBeFalse();
    expect(jar.some((one) => one.startsWith('Mix the water'))).toBeTrue();
    expect(lagoon.some((one) => one.includes('living piece'))).toBeTrue();
    expect(lagoon.findIndex((one) => one.startsWith('Plant '))).toBeGreaterThan(lagoon.findIndex((one) => one.startsWith('Fill with')));
    expect(peat.findIndex((one) => one.startsWith('Plant '))).toBeLessThan(peat.findIndex((one) => one.startsWith('Fill with')));
  });

  it('lays as many litres as the drawing has, and fills as many as the system holds', () => {
    for (const design of demoDesigns) {
      const judged = judge(design);
      const steps = buildWork(judged);
      const laid = steps.filter(({ code }) => code === 'layer').reduce((sum, { values }) => sum + values['litres']!, 0);
      expect(laid).toBeCloseTo(judged.derived['substrate.bed'].value!.litres, 6);
      expect(steps.find(({ code }) => code === 'fill')!.values['litres']).toBe(judged.derived['vessel.system-volume'].value!);
      expect(timeOf(steps).minutes).toBeGreaterThan(60);
    }
  });

  it('says how much of what is loose goes in: cones by weight, soil by the litre', () => {
    const additions = {
      cones: { order: 1, materialId: 'alder-cones', amount: 20, spent: 0 },
      soil: { order: 2, materialId: 'acid-soil', amount: 2, spent: 0 },
    };
    expect(titles({ ...shellBed, water: { ...shellBed.water, additions } })).toContain(
      'Put in 20 g of alder cones and 2 L of acid active soil',
    );
  });

  it('weighs salt as its mix says, in the units of whoever reads', () => {
    const salts = { sea: { order: 1, saltId: 'sea-salt', mgPerL: 36_000 } };
    const salty = judge({ ...shellBed, water: { ...shellBed.water, salts } });
    const step = buildWork(salty).find(({ code }) => code === 'mix')!;
    const kg = (36 * salty.derived['vessel.system-volume'].value!) / 1000;
    expect(wordBuildStep(step, METRIC, shellBed.build).title).toContain(`${Math.round(100 * kg) / 100} kg sea salt`);
    expect(wordBuildStep(step, US, shellBed.build).title).toMatch(/\d lb sea salt/);
  });

  it('leaves out a leak test that was passed, and not one that was too short for a mended vessel', () => {
    expect(titles(shellBed).some((one) => one.startsWith('Leak test'))).toBeFalse();
    const mended = { ...shellBed, vessel: { ...shellBed.vessel!, state: { value: 'repaired' as const, basis: 'measured' as const } } };
    expect(titles(mended)).toContain('Leak test: fill it and leave it for a week');
  });

  it('says every step, every way and every caution in words, in both kinds of units', () => {
    for (const design of demoDesigns)
      for (const units of [METRIC, US])
        for (const step of buildWork(judge(untested(design)))) {
          const { title, detail } = wordBuildStep(step, units, design.build);
          for (const text of [title, detail]) {
            expect(text).not.toMatch(/undefined|NaN|null|\bof of\b| {2}/);
            if (units === US) expect(text).not.toMatch(/\d (?:L|kg|cm)\b/);
          }
          for (const caution of step.cautions) expect(CAUTION_WORD[caution].length).toBeGreaterThan(30);
        }
    for (const [school, ways] of Object.entries(SCHOOLS))
      expect(Object.keys(SCHOOL_WORD[school as keyof typeof SCHOOLS].ways)).toEqual([...ways]);
  });

  it('says why the one stays before the other', () => {
    const steps = buildWork(judge(untested(shellBed)));
    const [test, bed] = ['leak-test', 'layer-sand'].map((id) => steps.find((step) => step.id === id)!);
    expect(wordFirst(test!, bed!, METRIC, shellBed.build)).toMatch(/^“Leak test.*” stays before “Lay .*”: nothing goes into a vessel/);
  });
});

describe('what there is to get', () => {
  const rows = (design: Design, room = lowBarn) => toGet(judge(design, room));
  const row = (design: Design, key: string, room = lowBarn) => rows(design, room).find((one) => one.key === key);

  it('is what the drawing has, less what is at hand, in packs that hold it', () => {
    const sand = row(shellBed, 'material:fine-quartz-sand')!;
    const bed = judge(shellBed).derived['substrate.bed'].value!;
    expect(sand.needs).toBeCloseTo(bed.kg * 1000, 6);
    expect(sand.get).toBeGreaterThanOrEqual(sand.needs + sand.spare - 1e-6);
    expect(sand.get - sand.needs - sand.spare).toBeLessThan(1000);
    expect(sand.packs.reduce((sum, { size, count }) => sum + size * count, 0) * 1000).toBe(sand.get);
    // six hornwort tops in the room's list, none to get
    expect(row(weedyThicket, 'plant:ceratophyllum-demersum')).toEqual(jasmine.objectContaining({ needs: 6, atHand: 6, get: 0 }));
    // eight of a dozen danios are to go elsewhere
    expect(row(weedyThicket, 'animal:danio-margaritatus')).toEqual(jasmine.objectContaining({ needs: 12, atHand: 8, get: 4 }));
  });

  it('takes a spare heater of the right size, and none of another', () => {
    const lagoon = demoDesigns[4]!;
    expect(row(shellBed, 'gear:heater')!.get).toBe(0);
    expect(row(lagoon, 'gear:heater')!.get).toBe(1);
  });

  it('uses what is at hand once, and what is kept by weight for what is wanted by volume', () => {
    const room = {
      ...lowBarn,
      onHand: {
        ...lowBarn.onHand,
        bag: {
          order: 99,
          kind: 'soil' as const,
          name: 'sand',
          measure: 'volume' as const,
          amount: 5,
          note: '',
          substance: 'fine-quartz-sand',
        },
      },
    };
    // 5 L of it at 1.6 kg/L are 8 kg
    expect(row(shellBed, 'material:fine-quartz-sand', room)!.atHand).toBeCloseTo(8000, 6);
  });

  it('borrows what comes from other tanks', () => {
    const filter = shellBed.equipment['filter']!;
    const borrowed = Design.parse({
      ...shellBed,
      equipment: {
        ...shellBed.equipment,
        filter: { ...filter, media: [{ medium: 'coarse-foam', litres: 1.2, fromTankId: 'weedy-thicket' }] },
      },
    });
    const judged = judge(borrowed);
    const found = toGet(judged, new Map(), (id) => (id === 'weedy-thicket' ? 'Weedy thicket' : id)).find(
      ({ key }) => key === 'media:coarse-foam',
    );
    expect(found).toEqual(jasmine.objectContaining({ get: 0, borrowed: [{ from: 'Weedy thicket', amount: 1.2 }] }));
  });

  it('costs what is known to cost something, and says how much of it has no price', () => {
    const priced = { ...lowBarn, prices: { 'material:fine-quartz-sand': { each: 1.5, from: 'yard' } } };
    const found = rows(shellBed, priced);
    const sand = found.find(({ key }) => key === 'material:fine-quartz-sand')!;
    expect(sand.cost).toBeCloseTo((sand.get / 1000) * 1.5, 9);
    const sums = sumsOf(found);
    expect(sums.cost).toBe(sand.cost!);
    expect(sums.unpriced).toBe(found.filter(({ get }) => get > 0).length - 1);
    // 45 kg of stone are not bought for half of it: what is carried is what is drawn, and a sixth over at most on stone
    const stones = found.filter(({ key }) => key.startsWith('piece:angular-stone'));
    for (const { get, needs } of stones) expect(get).toBeLessThan(1.2 * needs + 1000);
  });

  it('is a text and a table that say the same amounts, and harm no spreadsheet', () => {
    const design = { ...shellBed, name: 'Shell bed' };
    const judged = judge({
      ...design,
      build: { ...design.build, ticks: { rinse: { day: '2026-03-01', as: 'Rinse', instead: 'rain water', photoIds: [] } } },
    });
    const list = toGet(judged);
    const text = buildSheetText(judged.world.design, list, buildWork(judged), METRIC);
    expect(text).toMatch(/^# Shell bed\n/);
    expect(text.match(/^- \[[ x]\]/gm)!.length).toBe(list.length);
    expect(text.match(/^\d+\. \[[ x]\]/gm)!.length).toBe(buildWork(judged).length);
    expect(text).toMatch(/\[x\] \*\*Rinse 12\.2 L of fine quartz sand\*\*/);
    expect(text).toContain('Used instead: rain water');
    const evil = toGetCsv([{ ...list[0]!, name: '=HYPERLINK("x")', note: '@cmd' }]);
    expect(evil).toContain("'=HYPERLINK");
    expect(evil).toContain("'@cmd");
    expect(toGetCsv(list).trim().split('\n').length).toBe(list.length + 1);
  });
});
