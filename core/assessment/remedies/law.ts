import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** What the law bars stays out. */
export function lawRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  const [id = ''] = finding.subjects;
  const member = derived['stock.members'].value?.find((one) => one.id === id);
  if (finding.severity === 'unknown' || !member) return [];
  const targets = design.brief.targetStockIds;
  const stock: Operation[] = [
    ...(targets.includes(id)
      ? [{ op: 'replace' as const, path: pointer('brief', 'targetStockIds'), value: targets.filter((target) => target !== id) }]
      : []),
    { op: 'remove', path: pointer('stock', id) },
  ];
  const planted = Object.entries(design.scene).filter(([, item]) => item.kind === 'plant' && item.classId === member.organismId);
  const isStock = Object.hasOwn(design.stock, id);
  if (!isStock && planted.length === 0) return [];
  return [
    {
      kind: isStock ? 'remove' : 'take-plant',
      subjects: [isStock ? id : member.organismId],
      values: {},
      patch: [
        forRevision(design.rev),
        ...(isStock ? stock : planted.map(([key]): Operation => ({ op: 'remove', path: pointer('scene', key) }))),
      ],
    },
  ];
}
