import type { Finding } from '../calculation/finding';
import { Design } from '../design/design';
import { box, catalogue, judge, lowBarn, peatPocket, tank, weedyThicket } from '../testing/tanks';
import { assess } from './assess';
import { causesOf } from './causes';
import { GRAVITIES, gravityOf, gravityRank } from './gravity';

const open = (design: Design) => causesOf(judge(design)).filter(({ severity }) => severity === 'conflict' || severity === 'watch');

describe('causes', () => {
  it('hold every finding once', () => {
    for (const design of [peatPocket, weedyThicket, tank([['ambystoma-mexicanum', 1]])]) {
      const assessment = judge(design);
      const keys = causesOf(assessment).flatMap(({ head, parts }) => [head.key, ...parts.map(({ key }) => key)]);
      expect([...keys].sort()).toEqual(assessment.findings.map(({ key }) => key).sort());
    }
  });

  it('make one entry of a water that is too hard for all, and keep the hard cause open to its parts', () => {
    const hard = tank(
      [
        ['paracheirodon-axelrodi', 10],
        ['corydoras-pygmaeus', 8],
        ['apistogramma-agassizii', 2],
      ],
      { vessel: box(1000, 400, 400), heaterC: 26 },
    );
    const about = open(hard).filter(({ head }) => head.code === 'water.parameter' && head.kind?.endsWith(':high'));
    expect(about.length).toBe(1);
    expect(about[0]!.parts.length).toBeGreaterThan(3);
    expect(about[0]!.head.parameter).toBe('ghDh');
  });

  it('say what two that cannot live together suffer as one, and not under the water as well', () => {
    const pair = open(
      tank(
        [
          ['ambystoma-mexicanum', 1],
          ['mikrogeophagus-ramirezi', 2],
        ],
        { vessel: box(1200, 500, 450) },
      ),
    );
    const together = pair.filter(({ key, head }) => key.startsWith('together:') || head.key.startsWith('window.clash'));
    expect(together.length).toBe(1);
    expect(together[0]!.parts.some(({ code }) => code.startsWith('heat.too-'))).toBeTrue();
  });

  it('put what kills before what wears, what wears before taste', () => {
    for (const design of [peatPocket, weedyThicket]) {
      const ranks = open(design)
        .filter(({ severity }) => severity === 'watch')
        .map(({ gravity }) => gravityRank(gravity));
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    }
  });

  it('leave out what is accepted, and give it back by itself', () => {
    const assessment = judge(weedyThicket);
    const { head } = open(weedyThicket)[0]!;
    const design = { ...weedyThicket, accepted: { [head.key]: 'so be it' } };
    const causes = causesOf(assess({ design, room: lowBarn, catalogue }));
    const found = causes.find((cause) => cause.head.key === head.key)!;
    expect(found.parts).toEqual([]);
    expect(causes.indexOf(found)).toBeGreaterThanOrEqual(causes.filter(({ severity }) => severity === 'conflict').length);
    expect(assessment.findings.some(({ key }) => key === head.key)).toBeTrue();
  });
});

describe('gravity', () => {
  const finding = (code: Finding['code'], severity: Finding['severity'], more: Partial<Finding> = {}): Finding =>
    ({
      code,
      severity,
      key: code,
      bench: 'water',
      excess: null,
      subjects: [],
      values: {},
      evidence: [],
      basis: 'practice',
      ...more,
    }) as Finding;

  it('is death for an open top over a leaper, taste for a place', () => {
    expect(gravityOf(finding('vessel.lid', 'conflict'))).toBe('death');
    expect(gravityOf(finding('biotope.water', 'watch'))).toBe('taste');
  });

  it('is never worse than loss for a plant', () => {
    for (const code of ['water.parameter', 'heat.too-warm', 'water.copper'] as const)
      for (const severity of ['conflict', 'watch'] as const)
        expect(gravityRank(gravityOf(finding(code, severity, { kind: 'plant:high' }))))
          .withContext(code)
          .toBeGreaterThanOrEqual(GRAVITIES.indexOf('loss'));
  });

  it('tells salt and warmth that kill from hardness that wears away', () => {
    expect(gravityOf(finding('water.parameter', 'conflict', { parameter: 'salinity' }))).toBe('death');
    expect(gravityOf(finding('heat.too-warm', 'conflict'))).toBe('death');
    expect(gravityOf(finding('water.parameter', 'conflict', { parameter: 'ghDh' }))).toBe('loss');
  });
});
