import { followSchool } from '../../design/edits/build-edits';
import { forRevision, type RemedyMaker } from './remedy';

/** Plants wait until the soil gives no more ammonia: the work is put into that order. */
export const plantLaterRemedy: RemedyMaker = ({ world: { design } }) => [
  {
    kind: 'plant-later',
    subjects: [],
    values: {},
    patch: [forRevision(design.rev), ...followSchool(design.build, 'planting', 'after-ammonia')],
  },
];
