import { CONDITIONS, ConditionId } from './conditions';
import { treatmentFindings, type Treated } from './findings';
import type { Treatment } from './model';
import { labelDose, TREATMENTS, TreatmentId } from './treatments';

const plan = (treatmentId: TreatmentId, day: string, more: Partial<Treatment> = {}): Treatment => ({
  order: 1,
  treatmentId,
  day,
  times: 2,
  everyDays: 5,
  label: { amount: 10, unit: 'mL', perL: 100 },
  ...more,
});
const tank: Treated = { patients: [{ id: 'f', group: 'fish' }], binders: [], hasFilter: true, netL: 60 };
const codes = (plans: Treatment[], more: Partial<Treated> = {}) =>
  treatmentFindings(
    plans.map((one, i) => [`t${i}`, one] as const),
    { ...tank, ...more },
  ).map(({ code, severity }) => `${code} ${severity}`);

describe('treatments', () => {
  it('are dosed by the label for the water that is there', () => {
    expect(labelDose(10, 100, 54)).toBeCloseTo(5.4, 12);
  });
  it('kill what they kill: copper everything without a backbone, formalin crustaceans, a wormer snails', () => {
    for (const group of ['shrimp', 'snail', 'crayfish', 'cnidarian', 'bivalve'] as const)
      expect(codes([plan('copper', '2026-01-01')], { patients: [{ id: 'x', group }] })).toContain('health.treatment-harm conflict');
    expect(codes([plan('formalin', '2026-01-01')], { patients: [{ id: 'x', group: 'shrimp' }] })).toContain(
      'health.treatment-harm conflict',
    );
    expect(codes([plan('fenbendazole', '2026-01-01')], { patients: [{ id: 'x', group: 'snail' }] })).toContain(
      'health.treatment-harm conflict',
    );
    expect(codes([plan('fenbendazole', '2026-01-01')], { patients: [{ id: 'x', group: 'shrimp' }] })).toEqual([]);
  });
  it('say nothing of fish that bear them, and one thing of what they do to plants', () => {
    expect(codes([plan('praziquantel', '2026-01-01')])).toEqual([]);
    expect(codes([plan('copper', '2026-01-01')], { patients: [...tank.patients, { id: 'p', group: 'plant' }] })).toEqual([
      'health.treatment-harm watch',
    ]);
  });
  it('clash while the one is still in the water, whichever comes first', () => {
    expect(codes([plan('formalin', '2026-01-01'), plan('peroxide', '2026-01-10')])).toContain('health.treatment-clash conflict');
    expect(codes([plan('peroxide', '2026-01-10'), plan('formalin', '2026-01-01')])).toContain('health.treatment-clash conflict');
    expect(codes([plan('formalin', '2026-01-01'), plan('peroxide', '2026-01-13')])).not.toContain('health.treatment-clash conflict');
    expect(codes([plan('praziquantel', '2026-01-01'), plan('salt', '2026-01-02')])).toEqual([]);
  });
  it('have no dose without a label or without water', () => {
    expect(codes([plan('praziquantel', '2026-01-01', { label: null })])).toEqual(['health.treatment-dose unknown']);
    expect(codes([plan('praziquantel', '2026-01-01')], { netL: null })).toEqual(['health.treatment-dose unknown']);
  });
  it('are bound by what binds them, and only then', () => {
    expect(codes([plan('copper', '2026-01-01')], { binders: ['lime'] })).toEqual(['health.treatment-bound watch']);
    expect(codes([plan('salt', '2026-01-01')], { binders: ['carbon', 'lime', 'soil', 'humics'] })).toEqual([]);
  });
  it('name each other and their traces soundly', () => {
    for (const id of TreatmentId.options) {
      const { kills, harms, never, leaves } = TREATMENTS[id];
      expect(kills.filter((group) => harms.includes(group)))
        .withContext(id)
        .toEqual([]);
      expect(never).withContext(id).not.toContain(id);
      if (leaves) expect(CONDITIONS[leaves].carriers).withContext(id).toEqual(['media', 'soil']);
    }
    for (const id of ConditionId.options) expect(CONDITIONS[id].hurts.length).withContext(id).toBeGreaterThan(0);
  });
});
