import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Ratings to be had, watts. Common practice. */
const STOCK_W = [10, 25, 50, 75, 100, 150, 200, 300, 400, 500, 800, 1000];

/** A heater or cooler of the next rating that holds its set-point with half in hand. */
export function ratingRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [id] = finding.subjects;
  const wanted = finding.values['wanted']?.value;
  if ((finding.code !== 'heat.heater-rating' && finding.code !== 'heat.cooler-rating') || !id || wanted === undefined) return [];
  const watts = STOCK_W.find((rating) => rating >= wanted);
  if (watts === undefined || !Object.hasOwn(design.equipment, id)) return [];
  return [
    {
      kind: 'rating',
      subjects: [finding.code === 'heat.heater-rating' ? 'heater' : 'cooler'],
      values: { power: { quantity: 'power', value: watts } },
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('equipment', id, 'powerW'), value: watts }],
    },
  ];
}
