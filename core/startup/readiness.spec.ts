import type { StartPlan, StartTest } from './model';
import { MOST_NITRATE, toShowFor, toShowForAll, type Comer, type StartState } from './readiness';

const TODAY = '2026-03-20';
const test = (day: string, ammoniaMgN: number | null, nitriteMgN: number | null, nitrateMgN: number | null = null): StartTest => ({
  order: Number(day.replaceAll('-', '')),
  day,
  kit: 'drops',
  ammoniaMgN,
  nitriteMgN,
  nitrateMgN,
});
const plan = (tests: readonly StartTest[], more: Partial<StartPlan> = {}): StartPlan => ({
  begun: '2026-01-20',
  method: 'dosed',
  doseMgNPerLPerDay: 0.5,
  inoculum: 'none',
  inoculumL: 0,
  challengedOn: null,
  seen: {},
  tests: Object.fromEntries(tests.map((one, i) => [`t${i}`, one])),
  ...more,
});
const grown = [test('2026-02-10', 3, 0.3), test('2026-02-25', 0.3, 4), test('2026-03-10', 0, 0), test('2026-03-18', 0, 0, 2)];
const state: StartState = {
  warmth: [
    { day: '2026-03-12', valueC: 24.2 },
    { day: '2026-03-19', valueC: 24.8 },
  ],
  nitrate: [],
  windowC: [22, 27],
  planted: true,
  closed: true,
};
const shrimp: Comer = { id: 's', hardiness: 'delicate', grazes: true, worksPlants: false, invertebrate: true };
const shown = (of: readonly { what: string; done: boolean }[]) => of.filter(({ done }) => done).map(({ what }) => what);
const all = (with_: StartPlan, of: StartState = state) => shown(toShowForAll(with_, of, TODAY));

describe('what has to be shown before animals come', () => {
  it('is shown by tests: seen and gone, a week of zeros, a challenge; nothing of it by a forecast', () => {
    expect(all(plan([]))).toEqual(['warmth', 'ways-out']);
    expect(all(plan(grown))).toEqual(['seen-and-gone', 'clean-week', 'warmth', 'ways-out']);
    expect(all(plan(grown, { challengedOn: '2026-03-19' }))).toContain('challenge');
    // zeros that were never anything else show nothing: the kit may be dead
    expect(all(plan([test('2026-03-01', 0, 0), test('2026-03-15', 0, 0)]))).not.toContain('clean-week');
    // a test that left nitrite out is no clean test
    expect(all(plan([...grown.slice(0, 2), test('2026-03-10', 0, null), test('2026-03-18', 0, null)]))).not.toContain('seen-and-gone');
    // it came back
    expect(all(plan([...grown, test('2026-03-19', 0.5, 0)]))).not.toContain('clean-week');
    // what is to come shows nothing today
    expect(all(plan([...grown.slice(0, 3), test('2026-03-25', 0, 0)]))).not.toContain('clean-week');
  });

  it('holds the temperature: a week apart, within two degrees, in what they bear', () => {
    const with_ = (warmth: StartState['warmth'], windowC: StartState['windowC'] = [22, 27]) => all(plan([]), { ...state, warmth, windowC });
    expect(with_(state.warmth)).toContain('warmth');
    expect(with_(state.warmth.slice(1))).not.toContain('warmth');
    expect(with_([state.warmth[0]!, { day: '2026-03-19', valueC: 26.9 }])).not.toContain('warmth');
    expect(with_(state.warmth, [25, 28])).not.toContain('warmth');
    expect(
      with_([
        { day: '2026-02-01', valueC: 24 },
        { day: '2026-02-09', valueC: 24 },
      ]),
    ).not.toContain('warmth');
  });

  it('is more for delicate grazers than for hardy fish, and waits for its weeks', () => {
    const hardy: Comer = { id: 'h', hardiness: 'hardy', grazes: false, worksPlants: false, invertebrate: false };
    const of = (comer: Comer, with_: StartPlan) => toShowFor(comer, with_, state, TODAY);
    expect(of(hardy, plan(grown)).map(({ what }) => what)).toEqual(['nitrate', 'arrivals']);
    expect(of(shrimp, plan(grown)).map(({ what }) => what)).toEqual(['nitrate', 'ripe', 'biofilm', 'arrivals', 'large-change']);
    const ripe = of(shrimp, plan(grown, { challengedOn: '2026-03-19' })).find(({ what }) => what === 'ripe')!;
    expect([ripe.done, ripe.until]).toEqual([false, '2026-04-30']);
    expect(of({ ...hardy, worksPlants: true }, plan(grown)).map(({ what }) => what)).toContain('rooted');
    const seen = { biofilm: '2026-03-15', arrivals: '2026-03-16', 'large-change': '2026-03-17' };
    expect(shown(of(shrimp, plan(grown, { seen })))).toEqual(['biofilm', 'arrivals', 'large-change']);
  });

  it('reads nitrate of this week as the ion: 2 mg N/L are 8.9 mg/L, too much for shrimp and not for hardy fish', () => {
    const nitrate = toShowFor(shrimp, plan(grown), state, TODAY)[0]!;
    expect(nitrate.read).toBeCloseTo(8.85, 2);
    expect([nitrate.done, nitrate.most]).toEqual([false, MOST_NITRATE.delicate]);
    expect(toShowFor({ ...shrimp, hardiness: 'hardy' }, plan(grown), state, TODAY)[0]!.done).toBeTrue();
    const old = toShowFor(shrimp, plan(grown.slice(0, 3)), { ...state, nitrate: [{ day: '2026-02-01', mgPerL: 1 }] }, TODAY)[0]!;
    expect([old.done, old.read]).toEqual([false, undefined]);
  });
});
