import type { Finding } from '../../calculation/finding';
import { setToday } from '../../design/edits/company-edits';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Puts them in only when they are too large for the mouths that are there. */
export function growOnRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [, prey] = finding.subjects;
  const safe = finding.values['safe'];
  if (finding.code !== 'stocking.predation' || finding.kind !== 'today' || !safe || !prey || !Object.hasOwn(design.stock, prey)) return [];
  const value = Math.ceil(safe.value) + 1;
  return [
    {
      kind: 'grow-on',
      subjects: [prey],
      values: { length: { quantity: 'length', value } },
      patch: [forRevision(design.rev), ...setToday(design, prey, value)],
    },
  ];
}
