import { feedFinding, nitrateLimit, oxygenWanted } from './life-findings';

describe('feed as it is stated', () => {
  it('is let be while it is near what such animals are given, or little in all', () => {
    expect(feedFinding(null, 0.2, 54)).toBeNull();
    expect(feedFinding(0.9, 0.2, 54)).toBeNull();
    // a pinch for a few shrimp is many times what they are given, and still a pinch
    expect(feedFinding(0.2, 0.01, 54)).toBeNull();
    // young fish are fed five times over, in much water
    expect(feedFinding(2, 0.3, 200)).toBeNull();
  });

  it('is said when it is far more, and as a slip when it can be nothing else', () => {
    expect(feedFinding(1.5, 0.2, 54)?.severity).toBe('watch');
    const slip = feedFinding(400, 0.2, 54)!;
    expect(slip.severity).toBe('conflict');
    expect(slip.values['feed']!.value).toBe(400);
    expect(slip.values['usual']!.value).toBe(0.2);
    expect(slip.excess!).toBeGreaterThan(feedFinding(7, 0.2, 54)!.excess!);
  });

  it('says nothing where nobody eats', () => expect(feedFinding(5, 0, 54)).toBeNull());
});

describe('what water has to hold', () => {
  it('is what the most demanding wants, and who that is', () => {
    const wanted = oxygenWanted([
      { id: 'loach', mgPerL: 7.5 },
      { id: 'betta', mgPerL: 2 },
      { id: 'other', mgPerL: null },
    ]);
    expect(wanted).toEqual({ mgPerL: 7.5, ids: ['loach'] });
    expect(oxygenWanted([]).mgPerL).toBe(5);
  });

  it('is less nitrate for shrimp and the sea than for fish', () => {
    expect(nitrateLimit(new Set(['fish']), false)).toBe(50);
    expect(nitrateLimit(new Set(['fish', 'shrimp']), false)).toBe(20);
    expect(nitrateLimit(new Set(['fish']), true)).toBe(20);
  });
});
