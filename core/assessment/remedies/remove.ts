import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

const APART = new Set<Finding['code']>([
  'window.clash',
  'stocking.predation',
  'stocking.predation-young',
  'stocking.fin-nipping',
  'stocking.temperament',
  'stocking.crossing',
]);

/** Last resort, only where two cannot be kept together: one of them stays out. The targets of the design are kept if that is possible. */
export function removeRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.severity !== 'conflict' || !APART.has(finding.code)) return [];
  const targets = new Set(design.brief.targetStockIds);
  const spare = finding.subjects.filter((id) => !targets.has(id));
  return (spare.length > 0 ? spare : finding.subjects).map((id) => {
    const ops: Operation[] = [];
    if (targets.has(id)) ops.push({ op: 'replace', path: pointer('brief', 'targetStockIds'), value: [...targets].filter((t) => t !== id) });
    ops.push({ op: 'remove', path: pointer('stock', id) });
    return { kind: 'remove', subjects: [id], values: {}, patch: [forRevision(design.rev), ...ops] };
  });
}
