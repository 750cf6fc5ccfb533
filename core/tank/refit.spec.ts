import { recordedTank, RECORDED_OPTIONS } from '../testing/recorded-tanks';
import { daysFrom } from '../schedule/day';
import { courseAsDone, refit, type Observed } from './refit';

const observedOf = (tank: ReturnType<typeof recordedTank>): Observed[] =>
  tank.entries.flatMap((entry): Observed[] => {
    if (entry.kind !== 'reading') return [];
    const day = daysFrom(tank.begun, entry.at.slice(0, 10));
    const { nitrateMgPerL, khDh } = entry.values;
    return [
      ...(nitrateMgPerL === undefined
        ? []
        : [{ day, key: 'nitrate' as const, value: nitrateMgPerL, doubt: Math.max(3, 0.25 * nitrateMgPerL) }]),
      ...(khDh === undefined ? [] : [{ day, key: 'khDh' as const, value: khDh, doubt: 0.6 }]),
    ];
  });

describe('a tank re-fitted to what was read', () => {
  it('finds the feed that was given: the balance told with another feed, read by kits', () => {
    let within = 0;
    for (let seed = 201; seed <= 206; seed++) {
      const tank = recordedTank(seed, null);
      const hidden = { ...tank.plan, feed: { ...tank.plan.feed, gPerDay: tank.plan.feed.gPerDay * 2 } };
      const changed = (day: number) => tank.changedOn.get(day) ?? 0;
      const truth = courseAsDone(hidden, RECORDED_OPTIONS, changed);
      const observed = Array.from({ length: 20 }, (_, i): Observed[] => {
        const day = 3 + 7 * i;
        const off = 1 + 0.1 * Math.sin(seed + i);
        return [
          { day, key: 'nitrate', value: truth.nitrate[day]! * off, doubt: 3 },
          { day, key: 'khDh', value: truth.khDh[day]! + 0.1 * Math.cos(i), doubt: 0.6 },
        ];
      }).flat();
      const { share, course, planned } = refit(tank.plan, observed, RECORDED_OPTIONS, changed);
      const feed = share.feed!;
      if (feed.low <= 2 && feed.high >= 2) within += 1;
      // nearer to what was read than the plan is
      const miss = (one: typeof course) =>
        observed.filter(({ key }) => key === 'nitrate').reduce((sum, { day, value }) => sum + Math.abs(one.nitrate[day]! - value), 0);
      expect(miss(course))
        .withContext(`tank ${seed}`)
        .toBeLessThan(0.5 * miss(planned));
    }
    expect(within).toBeGreaterThanOrEqual(5);
  });

  it('finds it where it is far from the plan, and where one reading is wild', () => {
    const tank = recordedTank(221, null);
    const changed = (day: number) => tank.changedOn.get(day) ?? 0;
    const truth = courseAsDone(
      { ...tank.plan, feed: { ...tank.plan.feed, gPerDay: tank.plan.feed.gPerDay * 4 } },
      RECORDED_OPTIONS,
      changed,
    );
    const observed = Array.from({ length: 20 }, (_, i): Observed => {
      const day = 3 + 7 * i;
      return { day, key: 'nitrate', value: truth.nitrate[day]! + (i === 8 ? 150 : 0), doubt: 3 };
    });
    const feed = refit(tank.plan, observed, RECORDED_OPTIONS, changed).share.feed!;
    expect(feed.usual).toBeGreaterThan(2.8);
    expect(feed.usual).toBeLessThan(5);
  });

  it('stays at the plan where the plan was right, and says how far it knows', () => {
    const tank = recordedTank(211, null);
    const { share } = refit(tank.plan, observedOf(tank), RECORDED_OPTIONS, (day) => tank.changedOn.get(day) ?? 0);
    expect(share.feed!.low).toBeLessThan(tank.trueFeed);
    expect(share.feed!.high).toBeGreaterThan(tank.trueFeed);
    const blind = refit(tank.plan, [], RECORDED_OPTIONS);
    expect(blind.share.feed!.usual).toBe(1);
    expect(blind.share.feed!.high / blind.share.feed!.low).toBeGreaterThan(share.feed!.high / share.feed!.low);
    expect(blind.share.soil === null).toBe(tank.plan.soil === null);
  });
});
