import { FOODS } from '../catalogue/food';
import { dayAfter, daysFrom } from '../schedule/day';
import { culturesOf, firstFoods } from './first-food';
import type { StageDays } from './timeline';

const told = (text: string) => firstFoods(text).map(({ foodId, stage }) => `${foodId} ${stage}`);
const stages: StageDays[] = [
  { stage: 'laid', from: '2026-03-01', to: '2026-03-01', seen: true },
  { stage: 'hatched', from: '2026-03-03', to: '2026-03-05', seen: false },
  { stage: 'swimming', from: '2026-03-06', to: '2026-03-11', seen: false },
  { stage: 'second-food', from: '2026-03-13', to: '2026-03-25', seen: false },
];
const at = (text: string, today: string) => culturesOf(firstFoods(text), stages, today);

describe('first foods', () => {
  it('are read in order, what comes then being the second', () => {
    expect(told('infusoria, rotifers, then Artemia nauplii')).toEqual([
      'infusoria swimming',
      'rotifers swimming',
      'artemia-nauplii second-food',
    ]);
    expect(told('infusoria, brine shrimp larvae')).toEqual(['infusoria swimming', 'artemia-nauplii second-food']);
    expect(told('brine shrimp larvae, water fleas')).toEqual(['artemia-nauplii swimming', 'moina swimming']);
    expect(told('film, powder')).toEqual(['powder swimming']);
    expect(told('yolk')).toEqual([]);
  });
});

describe('cultures', () => {
  it('bear on the first day that they are wanted, when they take their longest', () => {
    for (const { foodId, setUp, wanted, second } of at('infusoria, then Artemia nauplii', '2026-01-01')) {
      const { days } = FOODS[foodId].culture!;
      expect(dayAfter(setUp, days[1])).toBe(wanted);
      expect(daysFrom(setUp, second)).toBeGreaterThan(0);
      // the second one bears before the first is done
      expect(daysFrom(setUp, second)).toBeLessThanOrEqual(days[1]);
    }
  });

  it('stand in the order in which they are set up, the slow first', () => {
    expect(at('infusoria, then Artemia nauplii', '2026-01-01').map(({ foodId, setUp }) => [foodId, setUp])).toEqual([
      ['infusoria', '2026-02-20'],
      ['artemia-nauplii', '2026-03-11'],
    ]);
  });

  it('that should run already say by how much they come too late', () => {
    const [infusoria, nauplii] = at('infusoria, then Artemia nauplii', '2026-03-01');
    expect(infusoria!.lateDays).toBe(9);
    expect(nauplii!.lateDays).toBe(0);
  });

  it('are not asked for once the stage is over, and dry food is none', () => {
    expect(at('infusoria', '2026-03-12')).toEqual([]);
    expect(at('powder', '2026-01-01')).toEqual([]);
    expect(culturesOf(firstFoods('infusoria'), [], '2026-01-01')).toEqual([]);
  });
});
