import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** Lamps dimmed, or turned up as far as they go, to what a plant wants where it stands. */
export function dimRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [ppfd, least, most] = ['ppfd', 'least', 'most'].map((name) => finding.values[name]?.value);
  if (finding.code !== 'plants.light' || !ppfd || !least || !most) return [];
  // in the middle of its band for what is too dark, just under the glare for what is too bright
  const times = finding.kind === 'dark' ? (least + most) / 2 / ppfd : (most * 3.5) / ppfd;
  const lamps = Object.entries(design.equipment).flatMap(([id, device]) =>
    device.kind === 'lamp' && device.light ? [{ id, dim: device.light.dim }] : [],
  );
  const ops = lamps.map(({ id, dim }): Operation => ({
    op: 'replace',
    path: pointer('equipment', id, 'light', 'dim'),
    value: Math.min(1, Math.max(0.01, Number((dim * times).toFixed(2)))),
  }));
  const [first] = ops;
  if (!first || lamps.every(({ dim }, i) => (ops[i] as { value: number }).value === dim)) return [];
  return [
    {
      kind: 'lamp-dim',
      subjects: [],
      values: { dim: { quantity: 'fraction', value: (first as { value: number }).value } },
      patch: [forRevision(design.rev), ...ops],
    },
  ];
}
