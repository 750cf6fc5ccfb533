import { catalogue, find, judge, tank } from '../testing/tanks';
import { newPlanting } from '../plants/model';
import { wordFinding } from '../assessment/wording';
import { METRIC } from '../quantity/format';
import type { Design } from '../design/design';

const planted = (animal: string, ...plants: string[]): Design => ({
  ...tank([[animal, 6]]),
  scene: Object.fromEntries(plants.map((classId, i) => [`p${i}`, newPlanting(classId, i, [100 + 40 * i, 100, 0])])),
});

describe('damage to what cannot move away', () => {
  it('is done by those that eat plants, to plants that can be eaten', () => {
    const assessment = judge(planted('ameca-splendens', 'egeria-densa', 'anubias-barteri'));
    const found = find(assessment, 'stocking.plant-damage:s0')!;
    expect([found.severity, found.kind, found.subjects]).toEqual(['watch', 'eats', ['s0', 'p0']]);
    expect(wordFinding(found, assessment, METRIC).title).toBe('*Ameca splendens* eats *Egeria densa*');
    expect(find(judge(planted('danio-tinwini', 'egeria-densa')), 'stocking.plant-damage:s0')).toBeUndefined();
  });

  it('is done by those that uproot, to what is rooted', () => {
    const found = find(judge(planted('cherax-destructor', 'cryptocoryne-wendtii', 'riccia-fluitans')), 'stocking.plant-damage:s0')!;
    expect([found.kind, found.subjects]).toEqual(['uproots', ['s0', 'p0']]);
  });

  it('is done by stings to the settled, not to fish', () => {
    const reef = judge(
      tank([
        ['briareum-asbestinum', 1],
        ['antillogorgia-bipinnata', 1],
        ['gramma-loreto', 1],
      ]),
    );
    expect(find(reef, 'stocking.stings:s0:s1')!.severity).toBe('watch');
    expect(reef.findings.filter(({ code }) => code === 'stocking.stings').length).toBe(1);
  });
});

describe('an animal that is not identified', () => {
  it('is said to be so, and is judged all the same', () => {
    const base = tank([['corydoras-pygmaeus', 8]]);
    const design: Design = { ...base, stock: { s0: { ...base.stock['s0']!, candidateIds: ['corydoras-pygmaeus', 'corydoras-hastatus'] } } };
    const assessment = judge(design);
    const found = find(assessment, 'stocking.unidentified:s0')!;
    expect(found.severity).toBe('unknown');
    expect(wordFinding(found, assessment, METRIC).title).toBe('Which of 2 kinds this is, is not known');
    expect(find(assessment, 'water.parameter:ph:s0')!.severity).not.toBe('unknown');
    // the larger group of the two is wanted
    expect(find(assessment, 'stocking.group-size:s0')!.values['groupMin']!.value).toBe(10);
  });

  it('is unknown where one of the kinds is not in the catalogue', () => {
    const base = tank([['corydoras-pygmaeus', 8]]);
    const design: Design = { ...base, stock: { s0: { ...base.stock['s0']!, candidateIds: ['corydoras-pygmaeus', 'no-such-fish'] } } };
    expect(find(judge(design), 'stocking.not-known:s0')).toBeDefined();
    expect(catalogue.organisms.has('no-such-fish')).toBeFalse();
  });
});
