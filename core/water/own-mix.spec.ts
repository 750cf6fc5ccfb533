import { evaluate } from '../calculation/calculation';
import { mixAsSalt, mixStrength, OwnMix } from './own-mix';
import { batch, recipes } from './recipe';
import { NO_IONS } from '../chemistry/ions';

const BEE = { id: 'mix-bee', name: 'Bee mix', parts: { gypsum: 2, 'epsom-salt': 1 }, gramsPerDh: null };

describe('a mineral mix of the room’s own', () => {
  // worked by hand: 172.164 mg of gypsum or 246.466 mg of Epsom salt are a millimole, 0.1783 mmol/L are a degree
  it('takes what its parts take', () => {
    const degree = evaluate(mixStrength, { parts: { gypsum: 1 }, gramsPerDh: null, gramsPer100L: 3.07 }).value!;
    expect(degree.pureGramsPerDh).toBeCloseTo(172.164 * 0.01783, 2);
    expect(degree.ghDh).toBeCloseTo(1, 2);
    const both = evaluate(mixStrength, { parts: BEE.parts, gramsPerDh: null, gramsPer100L: 10 }).value!;
    expect(both.ghDh).toBeCloseTo(((2 / 3) * (100 / 172.164) + (1 / 3) * (100 / 246.466)) / 0.17832, 2);
    expect(both.khDh).toBe(0);
  });

  // common practice: a mix for bee shrimp takes 15 to 25 g for 100 L of RO to GH 5, and reads 150 to 250 µS/cm then
  it('makes shrimp water of RO by what is usual', () => {
    const { pureGramsPerDh, ...rest } = evaluate(mixStrength, { parts: BEE.parts, gramsPerDh: 3.8, gramsPer100L: 19 }).value!;
    expect(pureGramsPerDh).toBeGreaterThan(3);
    expect(rest.ghDh).toBeCloseTo(5, 3);
    expect(rest.ec25UsPerCm).toBeGreaterThan(150);
    expect(rest.ec25UsPerCm).toBeLessThan(250);
  });

  it('refuses a strength its parts cannot have, and says what they can', () => {
    const why = (parts: object, gramsPerDh: number) =>
      OwnMix.safeParse({ ...BEE, parts, gramsPerDh }).error?.issues.map(({ message }) => message) ?? [];
    expect(why({ gypsum: 1 }, 1)).toEqual([jasmine.stringMatching(/already take 3\.07 g: less cannot/)]);
    expect(why({ gypsum: 1 }, 40)).toEqual([jasmine.stringMatching(/most of this mix would be something else/)]);
    expect(why({ 'sodium-bicarbonate': 1 }, 4)).toEqual(['none of its parts brings hardness']);
    expect(why({}, 4)).toEqual(['a mix has at least one part']);
    expect(OwnMix.safeParse({ ...BEE, parts: { granite: 1 } }).success).toBeFalse();
    expect(OwnMix.safeParse({ ...BEE, parts: { gypsum: 0 } }).success).toBeFalse();
  });

  it('is weighed in like a salt, moisture and all', () => {
    const ro = { id: 'ro', isRo: true, ions: NO_IONS };
    const mix = mixAsSalt({ ...BEE, gramsPerDh: 4 });
    const [recipe] = recipes([ro], [mix], { ghDh: [5, 6] });
    const made = batch(recipe!, [ro], [mix], 20, 0.1);
    expect(made.reaches.ghDh).toBeGreaterThan(5);
    // 4 g a degree and 100 L: 20 L to 5.1 degrees
    expect(made.grams).toEqual([{ saltId: 'mix-bee', grams: jasmine.any(Number) as never }]);
    expect(made.grams[0]!.grams).toBeCloseTo((4 * 20 * made.reaches.ghDh) / 100, 3);
  });
});
