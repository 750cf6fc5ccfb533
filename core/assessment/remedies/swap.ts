import type { Operation } from 'rfc6902';
import { standIns } from '../../biotope/fidelity';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Most stand-ins put forward. */
const MOST = 2;

/** Keeps something of the place instead of what is foreign to it. */
export function swapRemedy({ world: { design, catalogue }, derived }: Assessment, finding: Finding): Proposal[] {
  const [id] = finding.subjects;
  const place = catalogue.biotopes.get(design.brief.biotopeId ?? '');
  if (finding.code !== 'biotope.foreign' || !id || !place) return [];
  const members = derived['stock.members'].value ?? [];
  const member = members.find((one) => one.id === id);
  if (!member?.organism) return [];
  const taken = new Set(members.map(({ organismId }) => organismId));
  return standIns(member.organism, place, catalogue.organisms, taken)
    .slice(0, MOST)
    .map((other) => {
      const ops: Operation[] = Object.hasOwn(design.stock, id)
        ? [
            {
              op: 'replace',
              path: pointer('stock', id),
              value: {
                order: design.stock[id]!.order,
                organismId: other.id,
                count: Math.max(design.stock[id]!.count, other.kind === 'animal' ? (other.traits.groupMin.value ?? 1) : 1),
                phase: design.stock[id]!.phase,
              },
            },
          ]
        : Object.entries(design.scene).flatMap(([itemId, item]): Operation[] =>
            item.kind === 'plant' && item.classId === member.organismId
              ? [{ op: 'replace', path: pointer('scene', itemId, 'classId'), value: other.id }]
              : [],
          );
      return { kind: 'swap', subjects: [id, other.id], values: {}, patch: [forRevision(design.rev), ...ops] };
    });
}
