import fc from 'fast-check';
import { Design } from '../../core/design/design';
import { applyEdit } from '../../core/design/edit';
import { Room, sourceLabel } from '../../core/design/room';
import { catalogue, lowBarn, peatPocket, judge } from '../../core/testing/tanks';
import { BadInput, evaluateUnknown } from '../../core/calculation/calculation';
import { calculations } from '../../core/assessment/calculations';
import { readWaterReport } from '../../core/water/report';
import { addSource, setReading, takeReport } from '../../core/design/edits/source-edits';
import { waterTint } from '../section/figure';
import { smoothYear } from '../parts/climate-editor';
import { AXIS, layoutAxis } from './axis-layout';
import { SALTS } from '../../core/water/salts';
import { perMg, pourToReach, setSalt, setShare } from '../../core/design/edits/blend-edits';
import { inputsOf } from './laboratory';
import { LABORATORY_TASKS } from './laboratory-tasks';

const EPSOM = SALTS.find(({ id }) => id === 'epsom-salt');

describe('the blend', () => {
  const shares = (design: Design) => Object.fromEntries(Object.values(design.water.parts).map(({ sourceId, share }) => [sourceId, share]));

  it('fills up to one with the other source', () => {
    const done = applyEdit(peatPocket, setShare(peatPocket, lowBarn, 'ro', 0.6), Design);
    expect(done.ok && shares(done.document)).toEqual({ tap: 0.4, ro: 0.6 });
    const all = applyEdit(peatPocket, setShare(peatPocket, lowBarn, 'ro', 1), Design);
    expect(all.ok && shares(all.document)).toEqual({ ro: 1 });
  });

  it('always adds up to one and is never refused', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('tap', 'ro'), fc.integer({ min: 0, max: 100 })), { minLength: 1, maxLength: 6 }),
        (moves) => {
          let design = peatPocket;
          for (const [id, percent] of moves) {
            const done = applyEdit(design, setShare(design, lowBarn, id, percent / 100), Design);
            if (!done.ok) return fail(done.refusals);
            design = done.document;
            const sum = Object.values(design.water.parts).reduce((total, { share }) => total + share, 0);
            expect(sum).toBeCloseTo(1, 2);
          }
        },
      ),
    );
  });
});

describe('the sources of a room', () => {
  const tap = catalogue.waters.get('limestone-tap')!;

  it('take a name of their own, and a reading of the user over the class figure', () => {
    const done = applyEdit(lowBarn, addSource(lowBarn, tap, 'second'), Room);
    if (!done.ok) return fail(done.refusals);
    expect(done.document.sources['second']?.name).toBe('Limestone tap 2');
    const measured = applyEdit(done.document, setReading('second', 'ghDh', 14), Room);
    expect(measured.ok && measured.document.sources['second']?.ghDh).toEqual({ value: 14, basis: 'measured' });
  });
});

describe('a smooth year', () => {
  it('touches its coldest and warmest, in the right half of the year', () => {
    const north = smoothYear(15, 25, false);
    expect(Math.min(...north.map(([low]) => low))).toBe(15);
    expect(Math.max(...north.map(([, high]) => high))).toBe(25);
    expect(north[0]![0]).toBe(15);
    expect(smoothYear(15, 25, true)[6]![0]).toBe(15);
    expect(smoothYear(20, 20, false).every(([low, high]) => low === 20 && high === 20)).toBeTrue();
  });
});

describe('the mixture moved along an axis', () => {
  const { derived } = judge(peatPocket);
  const waters = derived['water.sources'].value!;
  const reached = (design: Design, parameter: 'ghDh' | 'khDh') => judge(design).derived['water.mixed'].value![parameter]!;

  it('is poured so that it comes to the value, as near as the sources allow', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 25, noNaN: true }), fc.constantFrom('ghDh' as const, 'khDh' as const), (value, parameter) => {
        const done = applyEdit(peatPocket, pourToReach(peatPocket, waters, parameter, value, 0), Design);
        if (!done.ok) return fail(done.refusals);
        const most = waters['tap']![parameter]!;
        expect(Math.abs(reached(done.document, parameter) - Math.min(most, Math.max(0.1, value)))).toBeLessThan(0.02);
        expect(Object.keys(done.document.water.parts)).not.toContain('sea');
      }),
    );
  });

  it('leaves a third source its share', () => {
    const three = applyEdit(
      peatPocket,
      [
        { op: 'replace', path: '/water/parts/tap/share', value: 0.3 },
        { op: 'add', path: '/water/parts/ro', value: { order: 2, sourceId: 'ro', share: 0.5 } },
        { op: 'add', path: '/water/parts/sea', value: { order: 3, sourceId: 'sea', share: 0.2 } },
      ],
      Design,
    );
    if (!three.ok) return fail(three.refusals);
    const done = applyEdit(three.document, pourToReach(three.document, waters, 'khDh', 4, 0), Design);
    if (!done.ok) return fail(done.refusals);
    expect(reached(done.document, 'khDh')).toBeCloseTo(4, 1);
  });

  it('weighs a salt in, changes it, and takes it out at nothing', () => {
    const apply = (design: Design, mgPerL: number) => {
      const done = applyEdit(design, setSalt(design, 'epsom-salt', mgPerL), Design);
      return done.ok ? done.document : (fail(done.refusals), design);
    };
    const with_ = apply(peatPocket, 44);
    expect(reached(with_, 'ghDh') - reached(peatPocket, 'ghDh')).toBeCloseTo(1, 2);
    expect(reached(with_, 'ghDh') - reached(peatPocket, 'ghDh')).toBeCloseTo(44 * perMg(EPSOM, 'ghDh'), 6);
    expect(Object.values(apply(with_, 20).water.salts)[0]?.mgPerL).toBe(20);
    expect(apply(with_, 0).water.salts).toEqual({});
    expect(setSalt(peatPocket, 'epsom-salt', 0)).toEqual([]);
    expect(perMg(EPSOM, 'khDh')).toBe(0);
  });
});

describe('a report taken into a source', () => {
  const read = (text: string) => {
    const found = readWaterReport(text);
    if (!found.ok) throw new Error(found.reason);
    return applyEdit(lowBarn, takeReport('tap', lowBarn.sources['tap']!, found.report), Room);
  };

  it('replaces what it says and keeps what it does not', () => {
    const done = read('parameter;value;unit\nCalcium;60;mg/L\nTotal hardness;10;°dH\nMonochloramine;1,5;mg/L');
    if (!done.ok) return fail(done.refusals);
    const tap = done.document.sources['tap']!;
    expect([tap.ghDh, tap.analysisMgPerL.calcium]).toEqual([
      { value: 10, basis: 'measured' },
      { value: 60, basis: 'measured' },
    ]);
    expect([tap.khDh.value, tap.analysisMgPerL.sulfate?.value, tap.disinfectant.value]).toEqual([13.4, 31, 'chloramine']);
    expect(sourceLabel(tap)).toBe('Limestone tap');
  });

  it('says SIMULATED wherever the source is named, when it was made up', () => {
    const done = read(JSON.stringify({ title: 'SIMULATED: x', simulated: true, values: [{ name: 'Calcium', value: 50, unit: 'mg/L' }] }));
    if (!done.ok) return fail(done.refusals);
    expect(sourceLabel(done.document.sources['tap']!)).toBe('Limestone tap (SIMULATED)');
    expect(done.document.sources['tap']!.analysisMgPerL.calcium?.basis).toBe('invented');
  });
});

describe('the laboratory', () => {
  for (const task of LABORATORY_TASKS)
    for (const [i, option] of (task.choice?.options ?? [{ name: 'as it is', values: {} }]).entries())
      it(`answers: ${task.question} (${option.name})`, () => {
        const inputs = inputsOf(task, (key) => task.fields.find((field) => field.key === key)!.start, i);
        const calculation = calculations.find(task.calculation)!;
        const outcome = evaluateUnknown(calculation, inputs);
        for (const { key } of task.answers) {
          const value = key.split('.').reduce<unknown>((part, name) => (part as Record<string, unknown> | null)?.[name], outcome.value);
          expect(value).withContext(key).toBeDefined();
        }
      });

  it('says why there is no answer at the ends of its fields, and never throws', () => {
    for (const task of LABORATORY_TASKS)
      for (const end of [0, 1] as const) {
        const inputs = inputsOf(task, (key) => task.fields.find((field) => field.key === key)!.limits[end], 0);
        let said = '';
        try {
          const outcome = evaluateUnknown(calculations.find(task.calculation)!, inputs);
          said = 'reason' in outcome ? outcome.reason : 'answered';
        } catch (error) {
          said = error instanceof BadInput ? error.message : '';
        }
        expect(said.length).withContext(`${task.id} ${end}`).toBeGreaterThan(0);
        expect(said).not.toContain('no finite result');
      }
  });
});

describe('an axis', () => {
  const { derived } = judge(peatPocket);
  const layout = layoutAxis({
    window: derived['window.ghDh'].value,
    planned: { value: derived['planned.ghDh'].value, interval: null },
    sources: [
      { id: 'tap', name: 'tap', value: 17.8 },
      { id: 'ro', name: 'ro', value: 0.1 },
    ],
    steps: [{ id: 'gypsum', name: 'gypsum', from: 2, to: 4, movable: true }],
    fallback: [0, 25],
    shown: (value) => value,
  });
  const at = (name: string) => layout.sources.find((source) => source.name === name)!.x;

  it('is true to the numbers: marks and steps in proportion to their values', () => {
    const [first, last] = [layout.ticks[0]!, layout.ticks.at(-1)!];
    const perUnit = (last.x - first.x) / (Number(last.text) - Number(first.text));
    expect(at('tap') - at('ro')).toBeCloseTo(perUnit * 17.7, -0.5);
    expect(layout.steps[0]!.x2 - layout.steps[0]!.x1).toBeCloseTo(perUnit * 2, -0.5);
    expect(layout.pin?.x).toBe(at('tap'));
  });

  it('gives the value of a place back, and never one off the axis', () => {
    expect(layout.valueAt(at('tap'))).toBeCloseTo(17.8, 1);
    expect(layout.valueAt(-100)).toBe(layout.shownSpan[0]);
    expect(layout.valueAt(9999)).toBe(layout.shownSpan[1]);
  });

  it('keeps everything inside its frame, what lies off a held axis too', () => {
    const held = layoutAxis({
      window: derived['window.ghDh'].value,
      planned: { value: 40, interval: [30, 60] },
      sources: [{ id: 'x', name: 'x', value: 90 }],
      steps: [],
      fallback: [0, 25],
      shown: (value) => value,
      domain: [0, 20],
    });
    for (const one of [layout, held]) {
      const xs = [
        ...one.sources.map(({ x }) => x),
        ...one.rows.flatMap(({ tolerance }) => (tolerance ? [tolerance.from, tolerance.to] : [])),
        one.pin!.from,
        one.pin!.to,
        one.band!.x,
        one.band!.x + one.band!.width,
      ];
      for (const x of xs)
        expect(x >= AXIS.label - 1 && x <= AXIS.width - AXIS.right + 1)
          .withContext(String(x))
          .toBeTrue();
    }
  });
});

describe('water in a drawing', () => {
  it('is the ink of clear water, and browns with what is dissolved', () => {
    const channels = (colour: string) => colour.match(/\d+/g)!.map(Number);
    expect(waterTint(null)).toBe('rgb(156 199 207)');
    const [red = 0, green = 0, blue = 0] = channels(waterTint('#c8781e'));
    expect(red).toBeGreaterThan(green);
    expect(green).toBeGreaterThan(blue);
  });
});
