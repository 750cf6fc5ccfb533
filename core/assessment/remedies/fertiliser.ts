import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import { FERTILISER_META } from '../../tank/fertiliser';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Gives the plants what they run out of, lean first and then as much again; or leaves out what harms them. */
export function fertiliserRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code === 'plants.liquid-carbon')
    return [
      {
        kind: 'no-carbon',
        subjects: [],
        values: {},
        patch: [forRevision(design.rev), { op: 'remove', path: pointer('care', 'fertiliser', 'carbon') }],
      },
    ];
  if (finding.code !== 'plants.hungry') return [];
  const kind = finding.kind === 'nitrogen' ? 'nitrogen' : 'phosphorus';
  const now = design.care.fertiliser[kind] ?? 0;
  return [1, 2, 4].map((times) => {
    const dose = now + FERTILISER_META[kind].usual * times;
    return {
      kind: 'fertilise',
      subjects: [kind === 'nitrogen' ? 'nitrate' : 'phosphate'],
      values: { dose: { quantity: 'number', value: dose } },
      patch: [forRevision(design.rev), { op: 'add', path: pointer('care', 'fertiliser', kind), value: dose }],
    };
  });
}
