import fc from 'fast-check';
import { boundsOf, partOf, placed } from './body';
import { turnedBack, turnOf, type Vec3 } from './pose';
import type { SettledPiece } from './settle-pieces';
import { BANK, chordMm, sightBetween, visibleShare, type Screen } from './sight';
import type { Solid } from './solid';

const settled = (id: string, solid: Solid, at: Vec3, turnDeg: Vec3 = [0, 0, 0]): SettledPiece => {
  const body = placed([partOf(solid)], turnOf(turnDeg), at);
  return { id, body, bounds: boundsOf(body) } as SettledPiece;
};
const ball = (mm: number): Solid => ({ shape: 'ellipsoid', sizeMm: [mm, mm, mm] });
const screen = (more: Partial<Screen> = {}): Screen => ({
  id: 'moss',
  atMm: [100, 0],
  fromMm: 0,
  toMm: 100,
  radiusMm: 40,
  count: 1,
  widthMm: 80,
  ...more,
});

describe('a line of sight', () => {
  it('ends at a stone between, and passes beside and over it', () => {
    const stone = settled('stone', ball(60), [100, 0, 30]);
    const sees = (from: Vec3, to: Vec3) => sightBetween(from, to, [stone]);
    expect(sees([0, 0, 30], [200, 0, 30])).toEqual({ share: 0, by: 'stone' });
    expect(sees([0, 31, 30], [200, 31, 30])).toEqual({ share: 1, by: null });
    expect(sees([0, 29, 30], [200, 29, 30]).share).toBe(0);
    expect(sees([0, 0, 61], [200, 0, 61]).share).toBe(1);
    // it ends before the stone, or begins beyond it
    expect(sees([0, 0, 30], [60, 0, 30]).share).toBe(1);
    expect(sees([140, 0, 30], [200, 0, 30]).share).toBe(1);
  });

  it('does not end at what is looked out of', () => {
    const cave = settled('cave', ball(60), [0, 0, 30]);
    expect(sightBetween([0, 0, 30], [200, 0, 30], [cave]).share).toBe(0);
    expect(sightBetween([0, 0, 30], [200, 0, 30], [cave], [], ['cave']).share).toBe(1);
  });

  it('ends at a bank of the bed', () => {
    const bank = (x: number) => (Math.abs(x - 100) < 20 ? 50 : 10);
    expect(sightBetween([0, 0, 30], [200, 0, 30], [], [], [], bank)).toEqual({ share: 0, by: BANK });
    expect(sightBetween([0, 0, 55], [200, 0, 55], [], [], [], bank).share).toBe(1);
  });

  it('is the same from either end, and agrees with asking point after point along it whether it lies in the body', () => {
    const size = fc.double({ min: 20, max: 120, noNaN: true });
    const place = fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -150, max: 150, noNaN: true }))) as unknown as fc.Arbitrary<Vec3>;
    const turn = fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -180, max: 180, noNaN: true }))) as unknown as fc.Arbitrary<Vec3>;
    const shape = fc.constantFrom<Solid['shape']>('box', 'ellipsoid');
    let [hits, misses] = [0, 0];
    fc.assert(
      fc.property(shape, fc.tuple(size, size, size), turn, place, place, (form, sizeMm, turned, from, to) => {
        fc.pre(Math.hypot(from[0] - to[0], from[1] - to[1], from[2] - to[2]) > 1);
        const piece = settled('piece', { shape: form, sizeMm }, [0, 0, 0], turned);
        const there = sightBetween(from, to, [piece]).share;
        expect(sightBetween(to, from, [piece]).share).toBe(there);
        // how deep a point lies: under 1 inside
        const depth = (point: Vec3): number => {
          const own = turnedBack(turnOf(turned), point).map((value, k) => (2 * Math.abs(value)) / sizeMm[k]!);
          return form === 'box' ? Math.max(...own) : Math.hypot(...own);
        };
        const along = Array.from({ length: 801 }, (_, i) =>
          depth([0, 1, 2].map((k) => from[k]! + ((to[k]! - from[k]!) * i) / 800) as unknown as Vec3),
        );
        const least = Math.min(...along);
        if (least < 0.999) {
          hits++;
          expect(there).toBe(0);
        } else if (least > 1.05) {
          misses++;
          expect(there).toBe(1);
        }
      }),
      { numRuns: 300 },
    );
    expect(Math.min(hits, misses)).toBeGreaterThan(20);
  });
});

describe('a stand of plants in the way', () => {
  it('is met along its chord, between its foot and its top', () => {
    expect(chordMm([0, 0, 50], [200, 0, 50], screen())).toBeCloseTo(80, 9);
    expect(chordMm([0, 24, 50], [200, 24, 50], screen())).toBeCloseTo(64, 9);
    expect(chordMm([0, 41, 50], [200, 41, 50], screen())).toBe(0);
    expect(chordMm([0, 0, 101], [200, 0, 101], screen())).toBe(0);
    // upwards through its top at the middle: half of the way
    expect(chordMm([0, 0, 0], [200, 0, 200], screen())).toBeCloseTo(40 * Math.SQRT2, 9);
    expect(chordMm([100, 0, 20], [100, 0, 300], screen())).toBeCloseTo(80, 9);
  });
  it('lets less through the denser it stands, and more than one less than one', () => {
    const through = (screens: Screen[]) => sightBetween([0, 0, 50], [300, 0, 50], [], screens).share;
    const thin = screen({ radiusMm: 60, count: 3, widthMm: 30 });
    const dense = { ...thin, count: 12 };
    expect(through([thin])).toBeLessThan(1);
    expect(through([dense])).toBeLessThan(through([thin]));
    expect(through([thin, { ...thin, id: 'more', atMm: [200, 0] }])).toBeCloseTo(through([thin]) ** 2, 9);
    expect(sightBetween([0, 0, 50], [300, 0, 50], [], [thin, { ...dense, id: 'more', atMm: [200, 0] }]).by).toBe('more');
  });
});

describe('cover scattered at random', () => {
  it('hides as the law says: 40 rounds of 3 cm on a square metre over half a metre', () => {
    // e^(-1.2), worked by hand
    expect(visibleShare(40, 0.03, 0.5)).toBeCloseTo(0.3012, 4);
    expect(visibleShare(0, 0.03, 0.5)).toBe(1);
  });
  it('agrees with rounds that are thrown', () => {
    let seed = 7;
    const random = () => ((seed = (seed * 16807) % 2147483647) - 1) / 2147483646;
    let open = 0;
    const [throws, side] = [4000, 0.8];
    for (let i = 0; i < throws; i++) {
      // as many as a Poisson draw gives on the square around the line
      let [count, product] = [-1, 1];
      const limit = Math.exp(-40 * side * side);
      do {
        count++;
        product *= random();
      } while (product > limit);
      let blocked = false;
      for (let k = 0; k < count; k++) {
        const [x, y] = [random() * side, random() * side - side / 2];
        // ends are not rounded off: what begins beside the line counts along it only
        blocked ||= Math.abs(y) < 0.03 && x > 0.15 && x < 0.65;
      }
      if (!blocked) open++;
    }
    expect(open / throws).toBeGreaterThan(0.28);
    expect(open / throws).toBeLessThan(0.325);
  });
});
