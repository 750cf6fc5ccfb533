import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Covers the vessel: glass keeps heat and water in, mesh lets plants grow through. */
export function lidRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'vessel.lid' || !design.vessel) return [];
  return (['glass', 'mesh'] as const).map((kind) => ({
    kind: 'lid',
    subjects: [kind],
    values: {},
    patch: [forRevision(design.rev), { op: 'replace', path: pointer('vessel', 'lid'), value: { value: kind, basis: 'measured' } }],
  }));
}
