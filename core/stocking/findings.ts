import type { Finding } from '../calculation/finding';
import type { Fact } from '../quantity/fact';

/** A group against the fewest that settle. Less than half of them is a conflict. */
export function groupFinding(subject: string, groupMin: Fact<number>, count: number): Finding {
  const base = {
    key: `stocking.group-size:${subject}`,
    code: 'stocking.group-size',
    bench: 'stocking',
    subjects: [subject],
    evidence: [],
  } as const;
  if (groupMin.value === null) return { ...base, severity: 'unknown', excess: null, values: {}, basis: groupMin.basis };
  const short = Math.max(0, groupMin.value - count);
  return {
    ...base,
    severity: short === 0 ? 'fits' : count * 2 < groupMin.value ? 'conflict' : 'watch',
    excess: short,
    values: { count: { quantity: 'count', si: count }, groupMin: { quantity: 'count', si: groupMin.value } },
    basis: groupMin.basis,
    ...(groupMin.note ? { note: groupMin.note } : {}),
  };
}

export function nothingChosen(): Finding {
  return {
    key: 'stocking.not-chosen',
    code: 'stocking.not-chosen',
    bench: 'livestock',
    severity: 'unknown',
    excess: null,
    subjects: [],
    values: {},
    evidence: [],
    basis: 'practice',
  };
}
