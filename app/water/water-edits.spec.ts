import fc from 'fast-check';
import { Design } from '../../core/design/design';
import { applyEdit } from '../../core/design/edit';
import { Room } from '../../core/design/room';
import { catalogue, lowBarn, peatPocket, judge } from '../../core/testing/tanks';
import { addSource, setReading } from '../room/source-edits';
import { smoothYear } from '../room/climate-editor';
import { AXIS, layoutAxis } from './axis-row';
import { setShare } from './blend-edits';

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

describe('an axis', () => {
  const { derived } = judge(peatPocket);
  const planned = { value: derived['planned.ghDh'].value, interval: null };
  const layout = layoutAxis(
    derived['window.ghDh'].value,
    planned,
    [
      { name: 'tap', value: 17.8 },
      { name: 'ro', value: 0.1 },
      { name: 'unknown', value: null },
    ],
    [0, 25],
    (value) => value,
  );

  it('is true to the numbers: marks in proportion to their values', () => {
    const at = (name: string) => layout.sources.find((source) => source.name === name)!.x;
    const [first, last] = [layout.ticks[0]!, layout.ticks.at(-1)!];
    const perUnit = (last.x - first.x) / (Number(last.text) - Number(first.text));
    expect(at('tap') - at('ro')).toBeCloseTo(perUnit * 17.7, -0.5);
    expect(layout.pin?.x).toBe(at('tap'));
    expect(layout.sources.length).toBe(2);
  });

  it('keeps everything inside its frame', () => {
    const xs = [
      ...layout.sources.map(({ x }) => x),
      ...layout.rows.flatMap(({ tolerance }) => (tolerance ? [tolerance.from, tolerance.to] : [])),
      layout.band!.x,
      layout.band!.x + layout.band!.width,
    ];
    for (const x of xs)
      expect(x >= AXIS.label - 1 && x <= AXIS.width - AXIS.right + 1)
        .withContext(String(x))
        .toBeTrue();
  });
});
