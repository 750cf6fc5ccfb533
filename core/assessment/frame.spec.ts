import type { Finding } from '../calculation/finding';
import { METRIC } from '../quantity/format';
import { catalogue, lowBarn, weedyThicket } from '../testing/tanks';
import { shamDomain, shorten } from '../testing/sham-domain';
import { assess } from './assess';
import { DOMAINS } from './domains';
import { frameOf } from './frame';
import { helpFor } from './remedies/offer';
import { wordFinding, wordRemedy } from './wording';

describe('a new domain', () => {
  const frame = frameOf([...DOMAINS, shamDomain]);
  const world = { design: { ...weedyThicket, name: 'Untested' }, room: lowBarn, catalogue };

  it('is judged, worded, placed and mended by being on the list, and nothing else changes', () => {
    const assessment = assess(world, new Map(), frame);
    const found = assessment.findings.find(({ code }) => code === 'sham.name')!;
    expect(found.severity).toBe('watch');
    expect(assessment.derived['sham.length'].value).toBe(8);
    expect(wordFinding(found, assessment, METRIC, frame)).toEqual({ title: 'The name is 8 long', reason: 'Four would do.' });
    expect(frame.placeOf(found)).toEqual({ bench: 'sham', control: 'name' });
    const { remedies } = helpFor(assessment, found, [shorten]);
    expect(remedies.map((remedy) => wordRemedy(remedy, found, assessment, METRIC, frame).action)).toEqual(['Call it Test']);
    expect(remedies[0]?.after).toBeNull();
    const others = (all: readonly Finding[]) => all.filter(({ code }) => code !== 'sham.name').map(({ key }) => key);
    expect(others(assessment.findings)).toEqual(others(assess(world).findings));
  });

  it('that is not on the list is not known', () => {
    const found = assess(world, new Map(), frame).findings.find(({ code }) => code === 'sham.name')!;
    expect(() => wordFinding(found, assess(world), METRIC)).toThrowError('no domain knows sham.name');
  });
});

describe('every finding code', () => {
  it('belongs to one domain, and has a bench where it is put right', () => {
    const families = DOMAINS.map(({ family }) => family);
    expect(new Set(families).size).toBe(families.length);
    const frame = frameOf(DOMAINS);
    for (const { family, at } of DOMAINS)
      for (const rest of Object.keys(at)) {
        const found = { code: `${family}.${rest}`, bench: 'water' } as Finding;
        expect(frame.placeOf(found).bench)
          .withContext(found.code)
          .toMatch(/^[a-z]+$/);
      }
  });
});
