import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** What another place in the house is free of. */
const ELSEWHERE = {
  'vessel.sun': ['sun', 'none'],
  'plants.algae': ['sun', 'none'],
  'vessel.footfall': ['footfall', 'quiet'],
  'vessel.load': ['floor', 'ground'],
} as const;

/** The same tank, standing elsewhere: out of the sun, off the busy way, on a stand and not on furniture, on a floor that lies on the ground. */
export function placeRemedy({ world: { design } }: Assessment, { code, values }: Finding): Proposal[] {
  if (!design.vessel || !(code in ELSEWHERE)) return [];
  const [part, value] = values['furniture']?.value ? (['stand', 'stand'] as const) : ELSEWHERE[code as keyof typeof ELSEWHERE];
  if (design.vessel[part].value === value) return [];
  return [
    {
      kind: 'place',
      subjects: [part],
      values: {},
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('vessel', part), value: { value, basis: 'measured' } }],
    },
  ];
}
