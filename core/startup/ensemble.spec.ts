import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import {
  courseOf,
  drawTanks,
  ensembleOf,
  forecastStart,
  offBy,
  quantile,
  weightsBy,
  type Course,
  type StartTank,
  type Tested,
} from './ensemble';

const TANK: StartTank = {
  temperatureC: 24,
  oxygenMgPerL: 7.5,
  alkalinityMeqPerL: 2.5,
  pco2Uatm: 1000,
  doseMgNPerLPerDay: 0.3,
  soilMgNPerL: 0,
  plantsMgNPerLPerDay: 0,
  change: { fraction: 0.25, everyDays: 7 },
  inoculum: 'none',
  inoculumShare: 0,
  food: false,
  salty: false,
  livePerL: 0,
};
function grown(more: Partial<StartTank> = {}, count = 250, days = 110, seed = 5): Course[] {
  const run = ensembleOf({ ...TANK, ...more }, { count, days, seed });
  let step = run.next();
  while (!step.done) step = run.next();
  return step.value;
}
const usual = (more: Partial<StartTank> = {}) => forecastStart(grown(more), []).done;

describe('many starts that could all be this one', () => {
  /** Common practice. */
  it('take four to eight weeks without anything, less in the warm, days with grown-in media', () => {
    const bare = usual();
    expect(bare.usual! / 7).toBeGreaterThan(4);
    expect(bare.usual! / 7).toBeLessThan(6.5);
    expect(bare.late! / 7).toBeLessThan(9);
    expect(bare.early!).toBeLessThan(bare.usual!);
    expect(usual({ temperatureC: 28 }).usual!).toBeLessThan(bare.usual! - 5);
    expect(usual({ temperatureC: 18 }).usual ?? 200).toBeGreaterThan(bare.usual! + 10);
    // half of the media of a filter out of a running one: a litre to sixty
    expect(usual({ inoculum: 'media', inoculumShare: 1 / 60 }).usual!).toBeLessThanOrEqual(7);
    expect(usual({ inoculum: 'old-soil' }).usual!).toBeLessThan(bare.usual!);
  });

  it('of fresh soil take six weeks and more, with the large changes that it asks for', () => {
    const soil = usual({ doseMgNPerLPerDay: 0, soilMgNPerL: 40, change: { fraction: 0.5, everyDays: 3 } });
    expect(soil.usual! / 7).toBeGreaterThan(4.5);
    expect(soil.usual! / 7).toBeLessThan(8.5);
  });

  it('stall where there is no alkalinity, and say so', () => {
    const told = forecastStart(grown({ alkalinityMeqPerL: 0.2, change: null }), []);
    expect(told.sour.share).toBeGreaterThan(0.9);
    expect(told.done.usual).toBeNull();
    expect(forecastStart(grown(), []).sour.share).toBeLessThan(0.1);
  });

  it('are the same for the same seed, and keep every milligram of nitrogen', () => {
    expect(grown({}, 20, 40)[7]!.nitrite).toEqual(grown({}, 20, 40)[7]!.nitrite);
    const [draw] = drawTanks(TANK, 1, 3);
    const { ammonia, nitrite, nitrate } = courseOf({ ...TANK, change: null }, draw!, 60);
    expect(ammonia[60]! + nitrite[60]! + nitrate[60]!).toBeCloseTo(0.3 * 60, 2);
  });

  /** Common practice. */
  it('fed with food come later than dosed, in salt water no sooner than in fresh; a whole move and live rock need days to a few weeks', () => {
    const bare = usual();
    expect(usual({ food: true }).usual!).toBeGreaterThan(bare.usual!);
    expect(usual({ salty: true }).usual!).toBeGreaterThan(bare.usual!);
    expect(usual({ inoculum: 'whole-move' }).usual!).toBeLessThanOrEqual(10);
    const rock = usual({ salty: true, livePerL: 0.1 });
    expect(rock.usual!).toBeLessThan(28);
    expect(rock.late ?? Infinity).toBeGreaterThan(rock.early!);
  });

  it('keep every milligram of nitrogen of food too, as far as it has rotted', () => {
    const [draw] = drawTanks(TANK, 1, 3);
    const { ammonia, nitrite, nitrate } = courseOf({ ...TANK, food: true, change: null }, draw!, 60);
    const rotted = 0.3 * 60 - (0.3 / draw!.foodPerDay) * (1 - Math.exp(-draw!.foodPerDay * 60));
    expect(ammonia[60]! + nitrite[60]! + nitrate[60]!).toBeCloseTo(rotted, 2);
  });

  it('go other ways from the day on which something is done, and the same until then', () => {
    const [draw] = drawTanks(TANK, 1, 3);
    const as = courseOf(TANK, draw!, 60);
    const then = (done: Partial<Parameters<typeof courseOf>[4]>) => courseOf(TANK, draw!, 60, undefined, { day: 20, tank: {}, ...done });
    expect(then({}).nitrite).toEqual(as.nitrite);
    const warm = then({ tank: { temperatureC: 28 } });
    expect(Array.from(warm.ammonia.slice(0, 21))).toEqual(Array.from(as.ammonia.slice(0, 21)));
    expect(warm.done!).toBeLessThan(as.done!);
    expect(then({ day: 10, mediaShare: 0.05 }).done!).toBeLessThan(as.done! - 5);
    expect(then({ changed: 0.5 }).ammonia[20]).toBeCloseTo(as.ammonia[20]! / 2, 9);
    const sour = { ...TANK, alkalinityMeqPerL: 0.3, change: null };
    const stalled = courseOf(sour, draw!, 60);
    expect(stalled.sour).not.toBeNull();
    const limed = courseOf(sour, draw!, 60, undefined, { day: 10, tank: {}, addMeqPerL: 3 });
    expect(limed.sour ?? 99).toBeGreaterThan(stalled.sour!);
  });

  it('learn from tests: nine in ten hidden tanks lie in the band, which narrows', () => {
    const courses = grown({}, 500, 80);
    const generator = xoroshiro128plus(17);
    const normal = () => Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) * Math.cos(2 * Math.PI * uniformFloat64(generator));
    const hidden = drawTanks(TANK, 100, 99).map((draw) => courseOf(TANK, draw, 80));
    const read = (what: 'ammonia' | 'nitrite', value: number) => Math.max(0, value + normal() * offBy('drops', what, value));
    let [inside, all] = [0, 0];
    const prior = forecastStart(courses, []);
    const width = ({ ammonia, nitrite }: typeof prior): number =>
      [ammonia, nitrite].reduce((sum, { low, high }) => sum + high.slice(30, 60).reduce((all, one, i) => all + one - low[30 + i]!, 0), 0);
    const narrowed: number[] = [];
    for (const one of hidden) {
      const tests = [8, 15, 22, 29].map((day): Tested => ({
        day,
        kit: 'drops',
        ammoniaMgN: read('ammonia', one.ammonia[day]!),
        nitriteMgN: read('nitrite', one.nitrite[day]!),
        nitrateMgN: null,
      }));
      const told = forecastStart(courses, tests);
      for (const what of ['ammonia', 'nitrite'] as const)
        for (const day of [33, 40]) {
          all++;
          if (one[what][day]! >= told[what].low[day]! && one[what][day]! <= told[what].high[day]!) inside++;
        }
      narrowed.push(width(told) / width(prior));
    }
    expect(inside / all).toBeGreaterThanOrEqual(0.84);
    expect(inside / all).toBeLessThanOrEqual(0.96);
    expect(narrowed.sort((a, b) => a - b)[50]!).toBeLessThan(0.8);
  });

  it('say which test fits none of them', () => {
    const courses = grown({}, 200, 60);
    const strange: Tested = { day: 5, kit: 'drops', ammoniaMgN: 0, nitriteMgN: 12, nitrateMgN: null };
    expect(forecastStart(courses, [strange]).strange).toEqual([0]);
    const [one] = courses;
    const fair: Tested = { day: 10, kit: 'drops', ammoniaMgN: one!.ammonia[10]!, nitriteMgN: one!.nitrite[10]!, nitrateMgN: null };
    expect(forecastStart(courses, [fair]).strange).toEqual([]);
  });

  it('weigh to one, and quantiles follow the weights', () => {
    const weights = weightsBy(grown({}, 100, 30), [{ day: 10, kit: 'laboratory', ammoniaMgN: 2, nitriteMgN: 0, nitrateMgN: null }]);
    expect(weights.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
    expect(quantile([3, 1, 2], Float64Array.of(0.1, 0.1, 0.8), 0.5)).toBe(2);
    expect(quantile([3, 1, 2], Float64Array.of(0.8, 0.1, 0.1), 0.5)).toBe(3);
  });
});
