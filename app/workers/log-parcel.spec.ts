import type { Line } from '../../core/log/timeline';
import { parcelOf, unpacked } from './log-parcel';

describe('a log on its way to the worker', () => {
  const lines = Array.from({ length: 8 }, (_, i) => ({ id: `l${i}` }) as Line);
  const cases: [string, readonly Line[], readonly Line[], number][] = [
    ['the first time', [], lines, 8],
    ['as it was', lines, lines, 0],
    ['with a line at its end', lines.slice(0, 7), lines, 1],
    ['with a line in the middle', [...lines.slice(0, 3), ...lines.slice(4)], lines, 1],
    ['with a line struck, which is another object then', lines, lines.map((line, i) => (i === 5 ? { ...line, struck: true } : line)), 1],
    ['with a line that is gone', lines, lines.slice(1), 0],
    ['with the same line twice', [lines[0]!, lines[0]!], [lines[0]!, lines[0]!, lines[0]!], 1],
    ['of which nothing is left', lines, [], 0],
  ];
  for (const [how, before, now, sent] of cases)
    it(`arrives whole ${how}`, () => {
      const parcel = parcelOf(before, now);
      expect(parcel.lines.length).toBe(sent);
      expect(unpacked(before, parcel)).toEqual(now);
    });
});
