import { emptyCare } from '../../care/model';
import { METRIC } from '../../quantity/format';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { find, judge, lowBarn, tank, box } from '../../testing/tanks';
import { nitrateLimit } from '../../water/life-findings';
import { assess } from '../assess';
import { wordFinding, wordRemedy } from '../wording';
import { helpFor } from './offer';
import { catalogue } from '../../testing/tanks';

const crowded = {
  ...tank([['danio-margaritatus', 120]]),
  care: {
    ...emptyCare(),
    surface: 'still' as const,
    change: { fraction: 0.1, everyDays: 14 },
    feed: { gPerDay: 2.5, proteinPct: 45 },
  },
};
const steaming = {
  ...tank([['danio-margaritatus', 12]], { vessel: box(600, 400, 360, 'none'), heaterC: 26 }),
  care: { ...emptyCare(), topUp: { sourceId: 'tap', everyDays: 2 } },
};

/** The remedies of a finding, each applied: what becomes of it. */
function applied(design: Design, key: string) {
  const assessment = judge(design);
  const finding = find(assessment, key)!;
  return helpFor(assessment, finding).remedies.map((remedy) => {
    const done = applyEdit(design, remedy.patch, Design);
    if (!done.ok) throw new Error(done.refusals[0]!.reason);
    return { remedy, finding, assessment, after: find(judge(done.document), key) ?? null };
  });
}

describe('care as a remedy', () => {
  it('livens the surface where oxygen runs short', () => {
    const found = applied(crowded, 'water.oxygen');
    const surfaces = found.filter(({ remedy }) => remedy.kind === 'surface');
    expect(surfaces.length).toBeGreaterThan(0);
    for (const { finding, after, remedy, assessment } of surfaces) {
      expect(after!.values['oxygen']!.value).toBeGreaterThan(finding.values['oxygen']!.value);
      expect(wordRemedy(remedy, finding, assessment, METRIC).effect).toMatch(/mg\/L →/);
    }
  });

  it('changes as little as keeps nitrate under its limit', () => {
    const design = {
      ...tank([['danio-margaritatus', 30]]),
      care: { ...emptyCare(), change: { fraction: 0.05, everyDays: 14 }, feed: { gPerDay: 0.5, proteinPct: 45 } },
    };
    const [only] = applied(design, 'water.nitrate').filter(({ remedy }) => remedy.kind === 'changes');
    expect(only!.after!.severity).toBe('fits');
    const share = only!.remedy.values['fraction']!.value;
    const nitrateAt = (fraction: number) =>
      find(judge({ ...design, care: { ...design.care, change: { fraction, everyDays: 7 } } }), 'water.nitrate')!.values;
    expect(nitrateAt(share)['nitrate']!.value).toBeLessThanOrEqual(nitrateAt(share)['edge']!.value);
    expect(nitrateAt(share - 0.1)['nitrate']!.value).toBeGreaterThan(nitrateAt(share)['edge']!.value);
    expect(wordRemedy(only!.remedy, only!.finding, only!.assessment, METRIC).action).toMatch(/^Change \d+ % once a week$/);
  });

  it('tops up with pure water where evaporation concentrates, if the room has any', () => {
    const [only] = applied(steaming, 'water.evaporation');
    expect(only!.remedy.kind).toBe('top-up');
    expect(only!.after).toBeNull();
    const dry = { ...lowBarn, sources: { tap: lowBarn.sources['tap']! } };
    const assessment = assess({ design: steaming, room: dry, catalogue });
    expect(helpFor(assessment, find(assessment, 'water.evaporation')!).remedies).toEqual([]);
  });

  it('is asked of nothing that is well', () => {
    const well = {
      ...tank([['danio-margaritatus', 8]]),
      care: { ...emptyCare(), surface: 'air-stone' as const, change: { fraction: 0.3, everyDays: 7 } },
    };
    const assessment = judge(well);
    for (const key of ['water.oxygen', 'water.nitrate']) {
      expect(find(assessment, key)!.severity).withContext(key).toBe('fits');
      expect(helpFor(assessment, find(assessment, key)!).remedies).toEqual([]);
      expect(wordFinding(find(assessment, key)!, assessment, METRIC).title).not.toMatch(/undefined/);
    }
  });

  it('holds shrimp and the sea to less nitrate than fish: common practice', () => {
    expect(nitrateLimit(new Set(['fish']), false)).toBe(50);
    expect(nitrateLimit(new Set(['fish', 'shrimp']), false)).toBe(20);
    expect(nitrateLimit(new Set(['fish']), true)).toBe(20);
  });

  it('says nothing of oxygen where nobody breathes', () => {
    const empty = judge({
      ...tank([['danio-margaritatus', 8]]),
      stock: {},
      brief: { purpose: 'keep', targetStockIds: [], biotopeId: null, fidelity: null },
    });
    expect(find(empty, 'water.oxygen')).toBeUndefined();
  });
});
