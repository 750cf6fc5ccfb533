import { assess } from '../assessment/assess';
import { factsOf } from '../assessment/plan/diagnosis';
import { CAUSE_WORDS, mindIn, SYMPTOM_WORD, wordSpeaks } from '../assessment/wording/diagnosis';
import { timelineOf } from '../log/timeline';
import { METRIC } from '../quantity/format';
import { CASE_DAY, caseTank, DIAGNOSIS_CASES, type DiagnosisCase } from '../testing/diagnosis-cases';
import { catalogue } from '../testing/tanks';
import { CAUSE, CAUSES } from './causes';
import { suspects } from './rank';
import { SYMPTOMS } from './symptoms';

const rankOf = (told: DiagnosisCase) => {
  const { design, room, entries } = caseTank(told);
  const facts = factsOf(assess({ design, room, catalogue }, new Map()), timelineOf(entries), CASE_DAY);
  return suspects(told.seen, facts);
};

describe('what is the matter', () => {
  it('has the right cause among the first three, in nine of ten hand-made cases and more', () => {
    const missed: string[] = [];
    let first = 0;
    for (const told of DIAGNOSIS_CASES) {
      const found = rankOf(told);
      const at = found.findIndex(({ cause }) => cause === told.right);
      if (at === 0) first += 1;
      if (at < 0 || at > 2)
        missed.push(
          `${told.name}: ${told.right} is ${at + 1}; ${found
            .slice(0, 3)
            .map(({ cause, share }) => `${cause} ${share.toFixed(2)}`)
            .join(', ')}`,
        );
    }
    expect(DIAGNOSIS_CASES.length).toBeGreaterThanOrEqual(40);
    expect(missed).withContext(`${first} of ${DIAGNOSIS_CASES.length} first`).toEqual([]);
    expect(first).toBeGreaterThanOrEqual(0.8 * DIAGNOSIS_CASES.length);
  });

  it('reasons from the tank: the same signs have another first cause in another tank', () => {
    const plainly = (told: Partial<DiagnosisCase>) =>
      rankOf({ name: '', of: 'Harlequins', seen: ['gasping', 'fast-gills'], right: 'ammonia', ...told })[0]!.cause;
    const byName = (name: string) => DIAGNOSIS_CASES.find((one) => one.name === name)!;
    expect(plainly({ filledDaysAgo: 5, starting: true })).toBe('ammonia');
    expect(plainly({ ...byName('brown gills in the third week'), seen: ['gasping', 'fast-gills'] })).toBe('nitrite');
    expect(plainly({ ...byName('gasping under much CO2'), seen: ['gasping', 'fast-gills'] })).toBe('co2');
    expect(plainly({ ...byName('all at the surface in a heat wave'), seen: ['gasping', 'fast-gills'] })).toBe('too-warm');
    expect(plainly({ ...byName('gasping at dawn, crowded and still'), seen: ['gasping', 'fast-gills'] })).toBe('low-oxygen');
  });

  it('lets a test that was done speak against: no ammonia is not blamed that was looked for and not found', () => {
    const told: DiagnosisCase = { name: '', of: 'Harlequins', filledDaysAgo: 8, starting: true, seen: ['gasping'], right: 'ammonia' };
    const share = (found: ReturnType<typeof rankOf>) => found.find(({ cause }) => cause === 'ammonia')?.share ?? 0;
    const none = {
      kind: 'reading' as const,
      of: '',
      from: 'hand' as const,
      simulated: false,
      kit: 'drops' as const,
      kitId: null,
      values: { ammoniaMgNPerL: 0 },
    };
    expect(share(rankOf(told))).toBeGreaterThan(0.4);
    expect(share(rankOf({ ...told, log: [[0, none]] }))).toBeLessThan(0.15);
    // what a stand-in made up speaks for nothing
    expect(share(rankOf({ ...told, log: [[0, { ...none, simulated: true }]] }))).toBeGreaterThan(0.4);
  });

  it('is not sure of a sign that many causes have, in a tank of which little is known', () => {
    const found = rankOf({ name: '', of: 'Harlequins', seen: ['listless'], right: 'ammonia' });
    expect(found.length).toBeGreaterThan(4);
    expect(found[0]!.share).toBeLessThan(0.5);
    expect(found.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });

  it('has something to say to every sign, and no cause that no sign leads to', () => {
    for (const sign of SYMPTOMS)
      expect(CAUSES.some((cause) => (CAUSE[cause].shows[sign] ?? 0) >= 0.9))
        .withContext(sign)
        .toBeTrue();
    for (const cause of CAUSES)
      expect(Math.max(...Object.values(CAUSE[cause].shows)))
        .withContext(cause)
        .toBeGreaterThanOrEqual(1);
    expect(suspects([], {} as never)).toEqual([]);
  });

  it('blames nothing that befalls none of those that live there', () => {
    const found = rankOf({ name: '', of: 'Two hundred cherry', seen: ['one-by-one', 'listless', 'scraping'], right: 'copper' });
    for (const { cause } of found) expect(['white-spot', 'velvet', 'flukes', 'bacterial', 'dropsy']).not.toContain(cause);
  });

  it('words every cause, every sign and everything that spoke in any case, with figures and in whole sentences', () => {
    for (const told of DIAGNOSIS_CASES)
      for (const { cause, speaks } of rankOf(told)) {
        const { name, apart, aid } = CAUSE_WORDS[cause];
        for (const text of [name, apart, aid, ...speaks.map((one) => wordSpeaks(one, METRIC))]) {
          expect(text)
            .withContext(`${told.name}: ${cause}`)
            .not.toMatch(/undefined|NaN|null/);
          expect(text.length).toBeGreaterThan(4);
        }
      }
    for (const sign of SYMPTOMS) expect(SYMPTOM_WORD[sign].length).toBeGreaterThan(3);
  });

  it('warns in acid water of what a change would set free', () => {
    const known = (value: number) => ({ value, readDaysAgo: 0 });
    const facts = { groups: new Set<never>(), ph: known(6.2), ammoniaMgN: known(2) };
    expect(mindIn('ammonia', facts)).toContain('set it free');
    expect(mindIn('ammonia', { ...facts, ph: known(7.6) })).toBe('');
  });
});
