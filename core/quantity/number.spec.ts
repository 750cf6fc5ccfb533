import fc from 'fast-check';
import { decimalMarkOf, readNumber } from './number';

describe('a number as it is written', () => {
  const read: [string, number][] = [
    ['60', 60],
    ['-7', -7],
    ['−7', -7],
    ['–7', -7],
    ['+3', 3],
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['.5', 0.5],
    [',5', 0.5],
    ['0,125', 0.125],
    ['12,50', 12.5],
    ['1,2345', 1.2345],
    ['1 200', 1200],
    ['1 200,5', 1200.5],
    ['1\u00a0200', 1200],
    ['1\u2009200,5', 1200.5],
    ['1\u202f200\u202f000', 1_200_000],
    ['1’200.5', 1200.5],
    ['1,200.5', 1200.5],
    ['1.200,5', 1200.5],
    ['1,200,000', 1_200_000],
    ['1.200.000', 1_200_000],
    ['2e-3', 0.002],
    ['1.026', 1.026],
  ];
  for (const [text, value] of read) it(`reads “${text}”`, () => expect(readNumber(text)).toEqual({ ok: true, value }));

  it('never guesses between 1.2 and 1200', () => {
    for (const text of ['1,200', '12,500', '-1,200']) {
      expect(readNumber(text)).toEqual(jasmine.objectContaining({ ok: false, ambiguous: true }) as never);
      expect((readNumber(text) as { reason: string }).reason).toMatch(/may be .* or .*: write the one that is meant/);
    }
    expect(readNumber('1,200', ',')).toEqual({ ok: true, value: 1.2 });
    expect(readNumber('1,200', '.')).toEqual({ ok: true, value: 1200 });
  });

  for (const text of ['', 'abc', '1.2.3', '1,20,5', '1.2,3.4', '--5', 'e5', '1e999', '12 34'])
    it(`refuses “${text}”`, () => expect(readNumber(text).ok).toBeFalse());

  it('reads back whatever a number is written as', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e9, max: 1e9 }), (any) => {
        const value = any || 0;
        expect(readNumber(String(value))).toEqual({ ok: true, value });
        expect(readNumber(String(value).replace('-', '−'))).toEqual({ ok: true, value });
      }),
    );
  });

  it('is told by its neighbours, where they can be read in one way only', () => {
    expect(decimalMarkOf(['1,200', '4,5', '17'])).toBe(',');
    expect(decimalMarkOf(['1,200', '4.5'])).toBe('.');
    expect(decimalMarkOf(['1,200', '0,040'])).toBe(',');
    expect(decimalMarkOf(['1.200,5'])).toBe(',');
    expect(decimalMarkOf(['1,200', '3,400'])).toBeNull();
    expect(decimalMarkOf(['4,5', '4.5'])).toBeNull();
  });
});
