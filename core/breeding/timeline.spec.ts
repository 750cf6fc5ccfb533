import { BreedingMode } from '../catalogue/organism';
import { daysFrom } from '../schedule/day';
import { atWarmth, BEGINNING, broodFault, broodTimeline, nextBrood, type BroodKind } from './timeline';

/** A small scatterer of common practice: hatched in 2 to 4 days, swimming on the fifth to tenth. */
const scatterer: BroodKind = {
  mode: 'scatters eggs',
  incubationDays: [2, 4],
  saleableDays: [60, 90],
  sexableDays: [70, 120],
  maturityDays: [100, 180],
  intervalDays: [7, 14],
};
const shrimp: BroodKind = { ...scatterer, mode: 'carries eggs, young like adults', incubationDays: [21, 30], intervalDays: [28, 40] };
const of = (kind: BroodKind, stage: string, seen = {}) => broodTimeline(kind, '2026-03-01', seen).find((one) => one.stage === stage);

describe('the days of a brood', () => {
  it('are ranges that follow from one another', () => {
    expect(of(scatterer, 'hatched')).toEqual({ stage: 'hatched', from: '2026-03-03', to: '2026-03-05', seen: false });
    expect(of(scatterer, 'swimming')).toEqual({ stage: 'swimming', from: '2026-03-06', to: '2026-03-11', seen: false });
    expect(of(scatterer, 'second-food')!.from).toBe('2026-03-13');
    expect(nextBrood(scatterer, '2026-03-01')).toEqual(['2026-03-08', '2026-03-15']);
  });

  it('hold the figures of practice: shrimp drop in three to four weeks and feed at once', () => {
    const hatched = of(shrimp, 'hatched')!;
    expect([daysFrom('2026-03-01', hatched.from), daysFrom('2026-03-01', hatched.to)]).toEqual([21, 30]);
    expect(of(shrimp, 'swimming')!.from).toBe(hatched.from);
    expect(of(shrimp, 'second-food')).toBeUndefined();
  });

  it('are reckoned anew from what was seen', () => {
    const seen = { hatched: '2026-03-04' };
    expect(of(scatterer, 'hatched', seen)).toEqual({ stage: 'hatched', from: '2026-03-04', to: '2026-03-04', seen: true });
    expect(of(scatterer, 'swimming', seen)).toEqual({ stage: 'swimming', from: '2026-03-07', to: '2026-03-10', seen: false });
    expect(of(scatterer, 'mature', seen)!.from).toBe('2026-06-12');
  });

  it('stop where nothing is known, and go on from what was seen', () => {
    const blind = { ...scatterer, incubationDays: null };
    expect(broodTimeline(blind, '2026-03-01').map(({ stage }) => stage)).toEqual(['laid']);
    expect(broodTimeline(blind, '2026-03-01', { hatched: '2026-03-04' }).length).toBeGreaterThan(4);
  });

  it('count days of the calendar over a change of clocks and a leap day', () => {
    const [, hatched] = broodTimeline({ ...scatterer, incubationDays: [2, 2] }, '2028-02-28');
    expect(hatched!.from).toBe('2028-03-01');
    expect(broodTimeline({ ...scatterer, incubationDays: [1, 1] }, '2026-03-28')[1]!.from).toBe('2026-03-29');
  });

  it('are known for every way to breed, with the later after the earlier', () => {
    for (const mode of BreedingMode.options) {
      expect(BEGINNING[mode].swimDays[0]).withContext(mode).toBeLessThanOrEqual(BEGINNING[mode].swimDays[1]);
      const days = broodTimeline({ ...scatterer, mode }, '2026-03-01');
      const at = (stage: string) => days.find((one) => one.stage === stage)?.from ?? '9999';
      expect(at('hatched') <= at('swimming') && at('swimming') <= at('second-food'))
        .withContext(mode)
        .toBeTrue();
      for (const { from, to } of days)
        expect(from <= to)
          .withContext(mode)
          .toBeTrue();
    }
  });

  it('run twice as fast ten degrees warmer', () => {
    // incubation of cherry shrimp by rule of thumb: 20 days at 24 °C, 26.4 at 20, 17.4 at 26, 15.2 at 28
    const at = (waterC: number) => atWarmth([20, 20], waterC, 24)[0];
    [26.4, 23, 17.4, 15.2].forEach((days, i) => expect(at([20, 22, 26, 28][i]!)).toBeCloseTo(days, 1));
  });

  it('refuse a brood that hatched before it was laid', () => {
    expect(broodFault({ laid: '2026-03-04', hatched: '2026-03-01' })).toEqual({
      stage: 'hatched',
      reason: '2026-03-01 is before 2026-03-04, when they were laid',
    });
    expect(broodFault({ laid: '2026-03-01', hatched: '2026-03-01', sexable: '2026-05-01', saleable: '2026-05-10' })).toBeNull();
    expect(broodFault({})).toBeNull();
  });
});
