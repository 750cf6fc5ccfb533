import type { FindingCode } from '../calculation/finding';
import { METRIC } from '../quantity/format';
import { EVERY_CODE, type CodeCase } from '../testing/every-code';
import { kept } from '../testing/kept-tank';
import { catalogue } from '../testing/tanks';
import { assess } from './assess';
import { DOMAINS } from './domains';
import { Design } from '../design/design';
import { applyEdit } from '../design/edit';
import { helpFor } from './remedies/offer';
import { wordFinding, wordRemedy } from './wording';
import { makersOf } from './remedies/makers';

const cases = Object.entries(EVERY_CODE) as [FindingCode, CodeCase][];
const judged = ({ of, catalogue: known = catalogue }: CodeCase) => assess({ ...kept(of), catalogue: known });

describe('every finding code', () => {
  it('has its tank', () => {
    expect(cases.map(([code]) => code).sort()).toEqual(
      DOMAINS.flatMap(({ family, at }) => Object.keys(at).map((rest) => `${family}.${rest}` as FindingCode)).sort(),
    );
  });

  for (const [code, example] of cases)
    it(`${code} is raised as ${example.severity}, said${example.mends ? ', and mended' : ''}`, () => {
      const assessment = judged(example);
      const found = assessment.findings.find((finding) => finding.code === code && finding.severity === example.severity);
      expect(found)
        .withContext(`raised: ${assessment.findings.filter((finding) => finding.code === code).map(({ severity }) => severity)}`)
        .toBeDefined();
      if (!found) return;
      const { title, reason } = wordFinding(found, assessment, METRIC);
      expect(`${title} ${reason}`).toMatch(example.says);
      const makers = makersOf(code);
      expect(makers.length > 0)
        .withContext('whether anybody offers something')
        .toBe(example.mends !== null);
      if (!example.mends) return;
      const { remedies } = helpFor(assessment, found, makers);
      const remedy = remedies.find(({ kind }) => kind === example.mends);
      expect(remedies.map(({ kind }) => kind)).toContain(example.mends);
      if (!remedy) return;
      expect(wordRemedy(remedy, found, assessment, METRIC).action).toMatch(/^\S.*\S$/);
      // what is offered does what it says: the finding is gone, or less
      const done = applyEdit(assessment.world.design, remedy.patch, Design);
      if (!done.ok) return fail('the change was refused');
      const design = done.document;
      const after = assess({ ...assessment.world, design }).findings.find(({ key }) => key === found.key);
      const worse = (one: typeof found | undefined) => (one ? [one.severity, one.excess] : null);
      expect(worse(after)).not.toEqual(worse(found));
    });
});
