import { lowBarn, catalogue, judge, peatPocket, shellBed, tank, weedyThicket } from '../../testing/tanks';
import { assess } from '../assess';
import { carrying, type Carries, type Limit } from './carrying';

const of = (design: typeof shellBed, id: string) => carrying(assess({ design, room: lowBarn, catalogue }), id)!;
const reach = ({ reaches }: Carries, limit: Limit) => reaches.find((one) => one.limit === limit)?.count;

describe('how many a tank carries', () => {
  const colony = of(shellBed, 'colony');

  it('is where the judgement itself begins to speak: one more is said, that many are not', () => {
    for (const { limit, count } of colony.reaches.filter((one) => one.limit === 'hides' || one.limit === 'water')) {
      const said = (heads: number) => {
        const entry = { ...shellBed.stock['colony']!, count: heads };
        const { findings } = assess({ design: { ...shellBed, stock: { ...shellBed.stock, colony: entry } }, room: lowBarn, catalogue });
        const code = limit === 'hides' ? 'hardscape.hides' : 'vessel.volume';
        return findings.some((one) => one.code === code && one.subjects[0] === 'colony' && /watch|conflict/.test(one.severity));
      };
      expect([said(count), said(count + 1)])
        .withContext(limit)
        .toEqual([false, true]);
    }
  });

  it('names the scarcest first, and looks beyond it', () => {
    const counts = colony.reaches.map(({ count }) => count);
    expect(counts).toEqual(counts.toSorted((a, b) => a - b));
    expect(colony.lookedTo).toBeGreaterThan(counts[0]!);
    expect(colony.count).toBe(9);
  });

  it('feeds more where there are more: nitrate runs out at fewer heads in less changed water', () => {
    const feed = { gPerDay: 0.4, proteinPct: 45 };
    const base = { ...weedyThicket, care: { ...weedyThicket.care, feed } };
    const changed = (fraction: number) =>
      reach(of({ ...base, care: { ...base.care, change: { fraction, everyDays: 7 } } }, 'danios'), 'nitrate');
    expect(changed(0.1)).toBeLessThan(changed(0.3) ?? Infinity);
  });

  it('agrees with where the balance settles: nitrate at the count is under the limit, above it beyond', () => {
    const feed = { gPerDay: 0.4, proteinPct: 45 };
    const base = { ...weedyThicket, care: { ...weedyThicket.care, feed, change: { fraction: 0.1, everyDays: 7 } } };
    const count = reach(of(base, 'danios'), 'nitrate')!;
    const nitrate = (heads: number) => {
      const { danios } = base.stock as { danios: (typeof base.stock)[string] };
      const care = { ...base.care, feed: { ...feed, gPerDay: (feed.gPerDay * heads) / danios.count } };
      return assess({ design: { ...base, care, stock: { danios: { ...danios, count: heads } } }, room: lowBarn, catalogue }).derived[
        'tank.settled'
      ].value!.usual.nitrateMgPerL;
    };
    expect(nitrate(count + 1)).toBeGreaterThan(nitrate(count));
    const edge = judge({
      ...base,
      care: { ...base.care, feed: { ...feed, gPerDay: 2 } },
    }).findings.find(({ code }) => code === 'water.nitrate')!.values['edge']!.value;
    expect(nitrate(Math.round(count * 1.15))).toBeGreaterThan(0.9 * edge);
    expect(nitrate(Math.max(1, Math.round(count * 0.85)))).toBeLessThan(1.1 * edge);
  });

  it('follows a tank that is given more and more down to its last alkalinity, and never beyond what water can be', () => {
    const { danios } = weedyThicket.stock as { danios: (typeof weedyThicket.stock)[string] };
    const settled = [60, 90, 95, 100, 105, 130].map((heads) => {
      const care = {
        ...weedyThicket.care,
        feed: { gPerDay: (0.4 * heads) / danios.count, proteinPct: 45 },
        change: { fraction: 0.1, everyDays: 7 },
      };
      const stock = { danios: { ...danios, count: heads } };
      return assess({ design: { ...weedyThicket, care, stock }, room: lowBarn, catalogue }).derived['tank.settled'];
    });
    const khDh = settled.map(({ value }) => value!.usual.khDh);
    expect(khDh).toEqual(khDh.toSorted((a, b) => b - a));
    expect(khDh.at(-1)).toBeGreaterThan(0);
    expect(settled.map(({ gap }) => gap ?? null)).toEqual(settled.map(() => null));
  });

  it('says what it cannot tell: media that nobody has stated', () => {
    expect(of(peatPocket, 'pair').unknown).toContain('filter');
    expect(colony.unknown).not.toContain('filter');
  });

  it('gives centimetres of grown fish to a litre as a number and nothing more', () => {
    expect(colony.cmPerL).toBeCloseTo(
      (9 * 4.5) / assess({ design: shellBed, room: lowBarn, catalogue }).derived['vessel.water-volume'].value!,
      0,
    );
    expect(carrying(judge(tank([['neocaridina-davidi', 10]])), 's0')!.cmPerL).toBeNull();
  });

  it('is nothing for what is no animal of the tank', () => {
    expect(carrying(judge(tank([['neocaridina-davidi', 10]])), 'nobody')).toBeNull();
  });
});
