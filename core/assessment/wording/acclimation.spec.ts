import { METRIC } from '../../quantity/format';
import type { Acclimation, Verdict } from '../../water/acclimation-plan';
import { time, wordAcclimation } from './acclimation';

const found = (verdict: Verdict, over: Partial<Acclimation> = {}): Acclimation => ({
  points: [],
  verdict,
  worstFreeAmmonia: 0.2,
  freeAmmoniaNow: 0.01,
  leftShare: 0.53,
  fullAtMinute: 88.9,
  enoughAtMinute: 314,
  ...over,
});

describe('what is said of a bag', () => {
  it('tells what to do first, then why', () => {
    const cases: [Verdict, RegExp, RegExp][] = [
      ['direct', /^Put them over at once$/, /temperature has to match/],
      ['direct-foul', /^Do not drip/, /CO₂ keeps the ammonia harmless \(0.01 mg\/L free/],
      ['drip', /^Drip$/, /After 2 h 53 % of the difference is left.*enough after 5 h 14 min/],
      ['drip-again', /discard half/, /5 h 14 min; pour off half/],
      ['vessel-full', /full after 1 h 29 min/, /larger vessel/],
      ['untested', /^Test the bag first$/, /ammonia, and its conductivity or GH, decide/],
      ['too-far', /^Too far apart/, /gradual shift/],
    ];
    for (const [verdict, title, reason] of cases) {
      const told = wordAcclimation(found(verdict), 120, METRIC);
      expect(told.title).toMatch(title);
      expect(told.reason).toMatch(reason);
    }
    expect(wordAcclimation(found('drip', { enoughAtMinute: null }), 45, METRIC).reason).toBe(
      'After 45 min 53 % of the difference is left: less than they feel.',
    );
  });
  it('reads minutes as a clock does', () => {
    expect([0, 59.4, 60, 61, 150, -3].map(time)).toEqual(['0 min', '59 min', '1 h', '1 h 1 min', '2 h 30 min', '0 min']);
  });
});
