import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Fewer males, more females, or the sex that is missing. */
export function sexesRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [id] = finding.subjects;
  const entry = id && Object.hasOwn(design.stock, id) ? design.stock[id] : undefined;
  if (finding.code !== 'stocking.sex-ratio' || !id || entry?.female === undefined) return [];
  const males = finding.values['males']?.value ?? 0;
  const females = finding.values['females']?.value ?? 0;
  const proposal = (kind: 'males' | 'females', change: number): Proposal[] => {
    const count = entry.count + change;
    const female = (entry.female ?? 0) + (kind === 'females' ? change : 0);
    if (count < 1 || female < 0 || female > count) return [];
    const patch: Operation[] = [
      { op: 'replace', path: pointer('stock', id, 'count'), value: count },
      { op: 'replace', path: pointer('stock', id, 'female'), value: female },
    ];
    return [
      {
        kind: 'sexes',
        subjects: [kind],
        values: { change: { quantity: 'count', value: change } },
        // the smaller of two counts is written first, so that there are never more females than animals
        patch: [forRevision(design.rev), ...(change > 0 ? patch : [...patch].reverse())],
      },
    ];
  };
  switch (finding.kind) {
    case 'rivals':
      return proposal('males', -(finding.excess ?? 0));
    case 'no-male':
      return proposal('males', 1);
    case 'no-female':
      return proposal('females', 1);
    case 'few-females':
      return proposal('females', Math.max(1, (finding.values['wanted']?.value ?? males) - females));
    default:
      return [];
  }
}
