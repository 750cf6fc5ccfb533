import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Dark film on all sides but the front. */
export function coverSidesRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'vessel.exposed' || !design.vessel) return [];
  return [
    {
      kind: 'cover-sides',
      subjects: [],
      values: {},
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('vessel', 'viewingSides'), value: ['front'] },
        { op: 'replace', path: pointer('vessel', 'background'), value: { value: 'dark', basis: 'measured' } },
      ],
    },
  ];
}
