import { placeBottomFinding } from './findings';
import { nativeness, REGIONS } from '../catalogue/region';
import { catalogue, find, judge, peatPocket, tank, weedyThicket } from '../testing/tanks';
import { helpFor } from '../assessment/remedies/offer';
import { wordFinding, wordRemedy } from '../assessment/wording';
import { METRIC } from '../quantity/format';
import type { Finding } from '../calculation/finding';
import type { Design } from '../design/design';
import { belonging, outsideBy, standIns, strangeness, worstMonth } from './fidelity';

const organism = (id: string) => catalogue.organisms.get(id)!;
const place = (id: string) => catalogue.biotopes.get(id)!;
const meant = (design: Design, biotopeId: string, fidelity: 'strict' | 'loose' | null): Design => ({
  ...design,
  brief: { ...design.brief, biotopeId, fidelity },
});

describe('where a kind belongs', () => {
  it('is the place, its basin, its part of the world, or elsewhere', () => {
    const swamp = place('peat-swamp-selangor');
    expect(belonging(organism('parosphromenus-harveyi'), swamp)).toBe('here');
    expect(belonging(organism('boraras-brigittae'), swamp)).toBe('region');
    expect(belonging(organism('danio-tinwini'), swamp)).toBe('realm');
    expect(belonging(organism('paracheirodon-innesi'), swamp)).toBe('foreign');
    expect(belonging({ ...organism('danio-tinwini'), regions: { value: null, basis: 'recalled' } }, swamp)).toBeNull();
  });

  it('goes by the species for a bred line', () =>
    expect(belonging(organism('caridina-logemanni-red'), place('hong-kong-hill-stream'))).toBe('here'));

  it('is everywhere for what lives worldwide', () => expect(nativeness(['worldwide'], 'malawi')).toBe('region'));

  it('weighs more the stricter it is taken', () => {
    expect((['here', 'region', 'realm', 'foreign'] as const).map((one) => strangeness(one, 'strict'))).toEqual([0, 1, 2, 3]);
    expect((['here', 'region', 'realm', 'foreign'] as const).map((one) => strangeness(one, 'loose'))).toEqual([0, 0, 1, 2]);
  });

  it('has a name of its own for every region', () =>
    expect(new Set(Object.values(REGIONS).map(({ name }) => name)).size).toBe(Object.keys(REGIONS).length));
});

describe('water against a place', () => {
  it('is outside only where the whole band of the plan is', () => {
    expect(outsideBy('ph', [5, 5.5], [3.6, 5], 'strict')).toBe(0);
    expect(outsideBy('ph', [5.2, 5.5], [3.6, 5], 'strict')).toBeCloseTo(0.2, 9);
    expect(outsideBy('ph', [5.2, 5.5], [3.6, 5], 'loose')).toBe(0);
    expect(outsideBy('ghDh', [0, 1], [6, 12], 'loose')).toBe(-5);
  });

  it('is furthest off in one month', () => {
    const year = Array.from({ length: 12 }, (): [number, number] => [20, 22]);
    const there = year.map(([a, b], i): [number, number] => (i === 6 ? [26, 28] : i === 0 ? [15, 17] : [a, b]));
    expect(worstMonth(year, there, 'strict')).toEqual({ month: 6, by: -4 });
    expect(worstMonth(year, year, 'strict')).toBeNull();
  });
});

describe('a tank that is to be a place', () => {
  it('is not judged for it unless that is wanted', () => {
    const findings = judge(meant(peatPocket, 'peat-swamp-selangor', null)).findings;
    expect(findings.filter(({ code }) => code.startsWith('biotope.'))).toEqual([]);
  });

  it('peat pocket, strictly: its animals are at home, its hard water and its sand are not', () => {
    const assessment = judge(meant(peatPocket, 'peat-swamp-selangor', 'strict'));
    const said = (key: string) => find(assessment, key)!;
    const home = assessment.findings.filter(({ code }) => code === 'biotope.foreign');
    expect(home.length).toBeGreaterThan(1);
    expect(home.every(({ severity }) => severity === 'fits')).toBeTrue();
    expect(said('biotope.water:ghDh').severity).toBe('watch');
    expect(said('biotope.water:ph').severity).toBe('watch');
    expect(said('biotope.bottom').severity).toBe('watch');
    expect(wordFinding(said('biotope.water:ghDh'), assessment, METRIC)).toEqual({
      title: 'GH 17.8 dGH is not that of the place',
      reason: 'Peat swamp, Selangor has 0–1 dGH.',
    });
  });

  it('weedy thicket, loosely: at home but for what hardness and season say', () => {
    const assessment = judge(meant(weedyThicket, 'spring-pond-shan', 'loose'));
    const home: Record<string, Finding> = Object.fromEntries(
      assessment.findings.filter(({ code }) => code === 'biotope.foreign').map((finding) => [finding.key.split(':')[1], finding]),
    );
    expect([home['danios']!.kind, home['danios']!.severity]).toEqual(['here', 'fits']);
    for (const finding of Object.values(home)) expect(wordFinding(finding, assessment, METRIC).title).not.toMatch(/not known|undefined/);
    const heated = judge(meant(tank([['danio-margaritatus', 12]], { heaterC: 27 }), 'spring-pond-shan', 'loose'));
    const season = find(heated, 'biotope.season')!;
    expect(season.severity).toBe('watch');
    expect(wordFinding(season, heated, METRIC).title).toMatch(/^\w+ is [\d.]+ °C warmer than in the place$/);
  });

  it('says what is foreign, and offers what lives there instead', () => {
    const design = meant(tank([['paracheirodon-innesi', 12]]), 'igarape-rio-negro', 'strict');
    const assessment = judge(design);
    const foreign = find(assessment, 'biotope.foreign:s0')!;
    expect([foreign.severity, foreign.kind]).toEqual(['watch', 'realm']);
    const { remedies } = helpFor(assessment, foreign);
    const swaps = remedies.filter(({ kind }) => kind === 'swap');
    expect(swaps.length).toBeGreaterThan(0);
    expect(swaps[0]!.after?.severity).toBe('fits');
    expect(wordRemedy(swaps[0]!, foreign, assessment, METRIC).action).toMatch(/^Keep \*Paracheirodon axelrodi\* instead$/);
  });

  it('offers only kinds of the same group, nearest in size, and none that is there already', () => {
    const offered = standIns(
      organism('paracheirodon-innesi'),
      place('igarape-rio-negro'),
      catalogue.organisms,
      new Set(['paracheirodon-axelrodi']),
    );
    expect(offered.every(({ group }) => group === 'fish')).toBeTrue();
    expect(offered.map(({ id }) => id)).not.toContain('paracheirodon-axelrodi');
    expect(offered.length).toBeGreaterThan(2);
  });

  it('is told that its place is not there', () =>
    expect(find(judge(meant(peatPocket, 'atlantis', 'loose')), 'biotope.not-known')!.severity).toBe('unknown'));
});

describe('the bottom of a place', () => {
  const place = catalogue.biotopes.get('peat-swamp-selangor')!;
  const strange = (...lying: string[]) =>
    placeBottomFinding(lying, { ...place, materialIds: ['peat', 'leaf-litter', 'bog-wood'] }, catalogue.materials)!.subjects;

  it('takes one wood for another, and looks at no crate under the bed', () => {
    expect(strange('peat', 'hardwood', 'alder-cones', 'sand-crate')).toEqual([]);
  });

  it('tells sand and stone by what they are', () =>
    expect(strange('peat', 'fine-quartz-sand', 'slate')).toEqual(['fine-quartz-sand', 'slate']));
});
