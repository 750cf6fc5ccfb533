import type { Finding } from '../calculation/finding';
import { Stratum } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import type { Companion } from './company';
import { crossingFinding } from './crossing';
import { stingFinding } from './damage';
import { escapeFinding, type WayOut } from './escape';
import { predationFinding, predationOnYoungFinding } from './predation';
import { sexRatioFinding } from './sex-ratio';
import { strataFinding } from './strata';
import { finNippingFinding, temperFinding } from './temper';

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

/** An animal the catalogue does not know: nothing can be said of its company. */
export function companyNotKnown(subject: string): Finding {
  return {
    key: `stocking.not-known:${subject}`,
    code: 'stocking.not-known',
    bench: 'stocking',
    severity: 'unknown',
    excess: null,
    subjects: [subject],
    values: {},
    evidence: [],
    basis: 'recalled',
  };
}

/** Everything the rules say of a company in a vessel. */
export function companyFindings(company: readonly Companion[], floorMm2: number | null, ways: readonly WayOut[]): Finding[] {
  const findings: (Finding | null)[] = [];
  const kinds = new Map<string, [Companion, ...Companion[]]>();
  for (const companion of company) {
    const known = kinds.get(companion.animal.id);
    if (known) known.push(companion);
    else kinds.set(companion.animal.id, [companion]);
    findings.push(escapeFinding(companion, ways));
  }
  for (const kind of kinds.values()) findings.push(sexRatioFinding(kind));
  company.forEach((a, i) => {
    for (const b of company.slice(i + 1)) {
      if (a.animal.id === b.animal.id) continue;
      findings.push(
        predationFinding(a, b),
        predationFinding(b, a),
        predationOnYoungFinding(a, b),
        predationOnYoungFinding(b, a),
        finNippingFinding(a, b),
        finNippingFinding(b, a),
        temperFinding(a, b, floorMm2),
        crossingFinding(a, b),
        stingFinding(a, b),
        stingFinding(b, a),
      );
    }
  });
  if (floorMm2 !== null) for (const stratum of Stratum.options) findings.push(strataFinding(stratum, company, floorMm2));
  return findings.filter((finding) => finding !== null);
}
