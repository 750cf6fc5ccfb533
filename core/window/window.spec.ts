import fc from 'fast-check';
import type { ToleranceRange } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import { judge, judgeFor } from './judge';
import { blurOf, PARAMETER_META, PARAMETERS, type Parameter, type Phase } from '../catalogue/parameter';
import { windowOf, type WindowMember } from './window';

const range = (tolerance: ToleranceRange['tolerance'], optimum: ToleranceRange['optimum']): Fact<ToleranceRange> => ({
  value: { tolerance, optimum },
  basis: 'practice',
});
const member = (id: string, fact: Fact<ToleranceRange> | undefined): WindowMember => ({ id, name: id, range: fact });
const LIMITS = [0, 500] as const;

describe('a window', () => {
  it('is the overlap, and knows who sets each edge', () => {
    const window = windowOf(
      'ghDh',
      [member('a', range([0, 20], [4, 12])), member('b', range([2, 15], [6, 14])), member('c', range([1, 30], [6, 20]))],
      LIMITS,
    );
    expect(window.optimum).toEqual([6, 12]);
    expect(window.tolerance).toEqual([2, 15]);
    expect(window.setBy).toEqual({ low: ['b', 'c'], high: ['a'] });
    expect(window.clash).toBeNull();
  });

  it('names the pair furthest apart when ranges do not meet', () => {
    const window = windowOf(
      'ghDh',
      [member('soft', range([0, 3], [0, 1])), member('hard', range([8, 25], [10, 20])), member('middle', range([2, 12], [4, 8]))],
      LIMITS,
    );
    expect(window.tolerance).toBeNull();
    expect(window.clash).toEqual(['soft', 'hard']);
  });

  it('tells strain from clash', () => {
    const window = windowOf('ghDh', [member('a', range([0, 20], [0, 5])), member('b', range([0, 20], [8, 12]))], LIMITS);
    expect(window.clash).toBeNull();
    expect(window.strain).toEqual(['a', 'b']);
    expect(window.optimum).toBeNull();
    expect(window.tolerance).toEqual([0, 20]);
  });

  it('lists whose range is unknown and never shows infinity', () => {
    const window = windowOf(
      'ghDh',
      [member('a', undefined), member('b', { value: null, basis: 'recalled' }), member('c', range([null, 10], [null, 5]))],
      LIMITS,
    );
    expect(window.unknown).toEqual(['a', 'b']);
    expect(window.optimum).toEqual([0, 5]);
    expect(window.setBy.low).toEqual([]);
    expect(windowOf('ghDh', [member('a', undefined)], LIMITS).optimum).toBeNull();
  });

  it('contains a value exactly when everyone known does', () => {
    const spans = fc.array(
      fc
        .uniqueArray(fc.integer({ min: 0, max: 60 }), { minLength: 4, maxLength: 4 })
        .map((edges) => [...edges].sort((a, b) => a - b) as [number, number, number, number]),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(spans, fc.integer({ min: 0, max: 60 }), (all, value) => {
        const { optimum } = windowOf(
          'ghDh',
          all.map(([a, b, c, d], i) => member(String(i), range([a, d], [b, c]))),
          LIMITS,
        );
        expect(optimum !== null && value >= optimum[0] && value <= optimum[1]).toBe(all.every(([, b, c]) => value >= b && value <= c));
      }),
    );
  });
});

describe('one value against one range', () => {
  const gh: ToleranceRange = { tolerance: [2, 20], optimum: [6, 12] };
  const cases: [string, ToleranceRange | null, number, readonly [number, number] | undefined, string, number | null][] = [
    ['inside the optimum', gh, 8, undefined, 'fits', 0],
    ['on the edge of the optimum', gh, 12, undefined, 'fits', 0],
    ['beside it', gh, 14, undefined, 'watch', 2],
    ['on the edge of the tolerance', gh, 20, undefined, 'watch', 8],
    ['beyond the tolerance', gh, 21, undefined, 'conflict', 9],
    ['below the tolerance', gh, 1, undefined, 'conflict', 5],
    ['beyond, but the doubt reaches back', gh, 21, [19, 23], 'watch', 9],
    ['beyond with all of the doubt', gh, 23, [21, 25], 'conflict', 11],
    ['comfortable, whatever the doubt', gh, 12, [8, 21], 'fits', 0],
    ['a range not known', null, 8, undefined, 'unknown', null],
    ['an upper edge not known', { tolerance: [2, null], optimum: [6, null] }, 30, undefined, 'unknown', null],
    ['below the only known edge', { tolerance: [2, null], optimum: [6, null] }, 1, undefined, 'conflict', 5],
  ];
  for (const [name, known, value, interval, severity, excess] of cases) {
    it(`${name}: ${severity}`, () => {
      const verdict = judge(known, value, interval ? { interval } : {});
      expect(verdict.severity).toBe(severity as typeof verdict.severity);
      expect(verdict.excess).toBe(excess);
    });
  }

  it('looks at one side only for a season', () => {
    expect(judge(gh, 25, { sides: 'low' }).severity).toBe('fits');
    expect(judge(gh, 25, { sides: 'high' }).severity).toBe('conflict');
    expect(judge({ tolerance: [null, 20], optimum: [null, 12] }, 8, { sides: 'low' }).severity).toBe('unknown');
  });

  it('counts what lies within the blur of an edge as inside', () => {
    const blur = () => 0.5;
    expect(judge(gh, 20.4, { blur, wants: Infinity }).severity).toBe('fits');
    expect(judge(gh, 20.6, { blur, wants: Infinity }).severity).toBe('conflict');
    expect(judge(gh, 12.4, { blur }).severity).toBe('fits');
    expect(judge(gh, 12.6, { blur }).severity).toBe('watch');
  });

  it('never says a value is past an edge that reads the same', () => {
    for (const parameter of PARAMETERS)
      for (const edge of [7, 12, 28, 250])
        for (const kind of ['animal', 'plant'] as const) {
          const { blur } = PARAMETER_META[parameter];
          expect(blurOf(parameter, edge, kind)).toBeGreaterThanOrEqual(blur.by);
          const range: ToleranceRange = { tolerance: [0, edge], optimum: [0, edge] };
          const just = edge + 0.9 * blurOf(parameter, edge, kind);
          expect(judgeFor({ parameter, kind, phase: 'keep' }, range, just).severity).toBe('fits');
        }
  });

  it('asks comfort of those that are to breed, and of the outer part of hardness and heat of those that are kept', () => {
    const severity = (parameter: Parameter, phase: Phase, value: number, kind: 'animal' | 'plant' = 'animal') =>
      judgeFor({ parameter, kind, phase }, gh, value).severity;
    expect(severity('ghDh', 'spawn', 14)).toBe('watch');
    expect(severity('ghDh', 'keep', 14)).toBe('fits');
    expect(severity('ghDh', 'keep', 19)).toBe('watch');
    expect(severity('khDh', 'keep', 19)).toBe('fits');
    expect(severity('ghDh', 'keep', 25)).toBe('conflict');
    expect(severity('ghDh', 'keep', 25, 'plant')).toBe('watch');
    expect(severity('ghDh', 'keep', 30, 'plant')).toBe('conflict');
  });
});
