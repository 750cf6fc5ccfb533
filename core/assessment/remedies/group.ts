import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Brings a group up to the fewest that settle. */
export function groupRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [id] = finding.subjects;
  const groupMin = finding.values['groupMin'];
  if (finding.code !== 'stocking.group-size' || !id || !groupMin || !Object.hasOwn(design.stock, id)) return [];
  const missing = groupMin.value - (finding.values['count']?.value ?? 0);
  return [
    {
      kind: 'group',
      subjects: [id],
      values: { added: { quantity: 'count', value: missing }, groupMin },
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('stock', id, 'count'), value: (design.stock[id]?.count ?? 0) + missing },
      ],
    },
  ];
}
