import type { Finding } from '../calculation/finding';
import { isInvertebrate, Stratum, type Animal } from '../catalogue/organism';
import type { Companion } from './company';
import { crossingFinding } from './crossing';
import { stingFinding } from './damage';
import { escapeFinding, type WayOut } from './escape';
import { feedingFinding } from './feeding';
import { predationFinding, predationOnYoungFinding } from './predation';
import { sexRatioFinding } from './sex-ratio';
import { strataFinding } from './strata';
import { finNippingFinding, temperFinding } from './temper';

/**
 * A group against the fewest that settle. Of fish and frogs less than half of them is a conflict; shrimp, snails and their like only start
 * more slowly, which matters where they are to breed.
 */
export function groupFinding(subject: string, { group, traits: { groupMin } }: Animal, count: number, breeds: boolean): Finding {
  const base = {
    key: `stocking.group-size:${subject}`,
    code: 'stocking.group-size',
    bench: 'stocking',
    subjects: [subject],
    evidence: [],
  } as const;
  if (groupMin.value === null) return { ...base, severity: 'unknown', excess: null, values: {}, basis: groupMin.basis };
  const short = Math.max(0, groupMin.value - count);
  const severity =
    short === 0 || (isInvertebrate(group) && !breeds)
      ? 'fits'
      : count * 2 < groupMin.value && !isInvertebrate(group)
        ? 'conflict'
        : 'watch';
  return {
    ...base,
    severity,
    excess: severity === 'fits' ? 0 : short,
    values: { count: { quantity: 'count', value: count }, groupMin: { quantity: 'count', value: groupMin.value } },
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
  for (const kind of kinds.values()) findings.push(sexRatioFinding(kind, floorMm2), predationOnYoungFinding(kind[0], kind[0]));
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
        feedingFinding(a, b),
        feedingFinding(b, a),
      );
    }
  });
  if (floorMm2 !== null) for (const stratum of Stratum.options) findings.push(strataFinding(stratum, company, floorMm2));
  return findings.filter((finding) => finding !== null);
}
