import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** What the light should be multiplied by. */
function timesFor({ code, kind, values }: Finding): number | null {
  const [ppfd, least, most] = ['ppfd', 'least', 'most'].map((name) => values[name]?.value);
  switch (code) {
    case 'plants.light':
      if (!ppfd || !least || !most || kind === 'shaded') return null;
      // in the middle of its band for what is too dark, just under the glare for what is too bright
      return kind === 'dark' ? (least + most) / 2 / ppfd : (most * 1.4) / ppfd;
    case 'plants.bright':
      return ppfd && most ? (most * 0.9) / ppfd : null;
    case 'plants.algae': {
      const [light, limit] = [values['light']?.value, values['limit']?.value];
      return light && limit ? (limit * 0.9) / light : null;
    }
    default:
      return null;
  }
}

/** Lamps dimmed, or turned up as far as they go, to what a plant wants where it stands. */
export function dimRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const times = timesFor(finding);
  if (!times) return [];
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
