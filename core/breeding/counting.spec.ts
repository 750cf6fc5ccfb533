import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { markedAgain, photoSquares, removalCount, sexShare, twoNettings, type Counted } from './counting';

/** How often of so many counts that were acted out the truth lies inside. */
function inside(truth: number, count: (uniform: () => number) => Counted | null, seed: number): number {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  const all = Array.from({ length: 600 }, () => count(uniform)).filter((one) => one !== null);
  expect(all.length).toBeGreaterThan(580);
  return all.filter(({ low, high }) => low <= truth && truth <= high).length / all.length;
}
const caught = (of: number, chance: number, uniform: () => number): number =>
  Array.from({ length: of }, uniform).filter((u) => u < chance).length;

describe('two nettings', () => {
  it('are worked out by hand', () => {
    expect(twoNettings(100, 20)!.number).toBe(125);
    expect(removalCount.compute({ first: 60, second: 30 })).toEqual({ number: 120 });
    expect(twoNettings(20, 20)).toBeNull();
    expect(removalCount.inputs.safeParse({ first: 20, second: 20 }).success).toBeFalse();
  });

  it('hold the truth at least nine times in ten', () => {
    const share = inside(
      200,
      (uniform) => {
        const first = caught(200, 0.55, uniform);
        return twoNettings(first, caught(200 - first, 0.55, uniform));
      },
      1,
    );
    expect(share).toBeGreaterThan(0.9);
  });

  it('never tell of fewer than were netted', () => {
    const { low } = twoNettings(50, 2)!;
    expect(low).toBeGreaterThanOrEqual(52);
  });
});

describe('squares on pictures', () => {
  it('are the mean times the squares that there are', () => {
    expect(photoSquares([2, 4, 6], 30)!.number).toBe(120);
    expect(photoSquares([2, 4, 6], 3)).toEqual({ number: 12, low: 12, high: 12 });
    expect(photoSquares([5], 30)).toBeNull();
  });

  it('hold the truth at least nine times in ten', () => {
    const squares = 60;
    const share = inside(
      240,
      (uniform) => {
        const ground = new Array<number>(squares).fill(0);
        for (let i = 0; i < 240; i++) ground[Math.floor(uniform() * squares)]! += 1;
        // twelve that were photographed: any will do, where they stand by chance
        return photoSquares(ground.slice(0, 12), squares);
      },
      2,
    );
    expect(share).toBeGreaterThan(0.9);
  });
});

describe('marked ones caught again', () => {
  it('are worked out by hand', () => {
    // (40 + 1)·(50 + 1)/(10 + 1) − 1
    expect(markedAgain(40, 50, 10)!.number).toBeCloseTo(189.09, 2);
    expect(markedAgain(40, 5, 10)).toBeNull();
    expect(markedAgain(3, 10, 4)).toBeNull();
  });

  it('hold the truth at least nine times in ten', () => {
    const share = inside(
      300,
      (uniform) => {
        let [marked, left, again] = [80, 300, 0];
        for (let i = 0; i < 100; i++, left--)
          if (uniform() < marked / left) {
            again += 1;
            marked -= 1;
          }
        return markedAgain(80, 100, again);
      },
      3,
    );
    expect(share).toBeGreaterThan(0.9);
  });
});

describe('the share of females', () => {
  it('has Wilson’s interval', () => {
    // Newcombe 1998, Stat. Med. 17:857, table I: 81 of 263 gives 0.2553 to 0.3662
    const { low, high } = sexShare(81, 263)!;
    expect(low).toBeCloseTo(0.2553, 4);
    expect(high).toBeCloseTo(0.3662, 4);
    expect(sexShare(0, 8)!.low).toBe(0);
    expect(sexShare(0, 8)!.high).toBeGreaterThan(0.2);
    expect(sexShare(0, 0)).toBeNull();
    expect(sexShare(9, 8)).toBeNull();
  });
});
