import { pointer } from '../../design/edit';
import type { RemedyMaker } from './remedy';
import { forRevision } from './remedy';

/** A planned treatment that harms or clashes is left out; the later one of two. */
export const leaveOutRemedy: RemedyMaker = ({ world: { design } }, { key, code }) => {
  const ids =
    code === 'health.treatment-clash'
      ? Object.entries(design.treatments)
          .filter(([, { treatmentId }]) => key.endsWith(`:${treatmentId}`))
          .map(([id]) => id)
      : [key.slice(key.indexOf(':') + 1)];
  return ids
    .filter((id) => Object.hasOwn(design.treatments, id))
    .slice(0, 1)
    .map((id) => ({
      kind: 'leave-out' as const,
      subjects: [],
      values: {},
      patch: [forRevision(design.rev), { op: 'remove' as const, path: pointer('treatments', id) }],
    }));
};

/** Carbon is taken out while something is dosed. */
export const carbonOutRemedy: RemedyMaker = ({ world: { design } }) =>
  design.care.media.carbonG > 0
    ? [
        {
          kind: 'carbon-out',
          subjects: [],
          values: {},
          patch: [forRevision(design.rev), { op: 'replace', path: pointer('care', 'media', 'carbonG'), value: 0 }],
        },
      ]
    : [];
