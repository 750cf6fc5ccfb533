import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { DESIGN_SHARE } from '../../substrate/slope-stability';
import { level, reshapedSurface, surfaceAt } from '../../substrate/surface';
import type { Layer } from '../../substrate/model';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** A little under the limit, so that the grid's own roughness does not bring the finding back. */
const SPARE = 0.95;
const RAD = Math.PI / 180;

/** Takes a steep bank down about its mean height: as much of it as before, over a gentler slope. */
export function flattenRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [id = ''] = finding.subjects;
  const layer = design.substrate.layers[id];
  const slope = finding.values['slope']?.value;
  const repose = finding.values['repose']?.value;
  if (finding.code !== 'substrate.slope' || !layer || !slope || !repose) return [];
  const share = Math.tan(DESIGN_SHARE * SPARE * repose * RAD) / Math.tan(slope * RAD);
  const mean = layer.top.heightMm.reduce((sum, height) => sum + height, 0) / layer.top.heightMm.length;
  const top = reshapedSurface(layer.top, (height) => mean + (height - mean) * share);
  return [
    {
      kind: 'flatten',
      subjects: [id],
      values: { slope: { quantity: 'angle', value: DESIGN_SHARE * SPARE * repose } },
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('substrate', 'layers', id, 'top'), value: top }],
    },
  ];
}

/** Steps a bank that rises to the back: level in front, level behind a wall. */
export function wallRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code === 'substrate.step') return edgeProposals(design, finding);
  const [id = ''] = finding.subjects;
  const layer = design.substrate.layers[id];
  const { vessel } = design;
  if (finding.code !== 'substrate.slope' || !layer || !vessel || layer.area.kind === 'zone' || layer.area.kind === 'patch') return [];
  if (!finding.values['repose']) return [];
  const { lengthMm, widthMm } = vessel;
  const meanAt = (y: number) =>
    [0.1, 0.3, 0.5, 0.7, 0.9].reduce((sum, x) => sum + surfaceAt(layer.top, lengthMm, widthMm, x * lengthMm, y), 0) / 5;
  const [front, back] = [meanAt(0.25 * widthMm), meanAt(0.8 * widthMm)];
  if (back - front < 10) return [];
  const from = Math.round(0.55 * widthMm);
  const zoneId = freeKey(design.substrate.zones, 'terrace');
  const behind: Layer = {
    ...layer,
    order: nextOrder(design.substrate.layers),
    area: { kind: 'zone', zoneId },
    top: level(Math.round(back), 2, 2),
  };
  const ops: Operation[] = [
    {
      op: 'add',
      path: pointer('substrate', 'zones', zoneId),
      value: {
        order: nextOrder(design.substrate.zones),
        kind: 'terrace',
        outlineMm: [
          [0, from],
          [lengthMm, from],
          [lengthMm, widthMm],
          [0, widthMm],
        ],
        edgeTopMm: Math.round(back) + 5,
      },
    },
    { op: 'replace', path: pointer('substrate', 'layers', id, 'top'), value: level(Math.round(front), layer.top.columns, layer.top.rows) },
    { op: 'replace', path: pointer('substrate', 'layers', id, 'area'), value: { kind: 'open' } },
    { op: 'add', path: pointer('substrate', 'layers', freeKey(design.substrate.layers, `${id}-behind`)), value: behind },
  ];
  return [
    {
      kind: 'wall',
      subjects: [id],
      values: { height: { quantity: 'length', value: Math.round(back - front) + 5 } },
      patch: [forRevision(design.rev), ...ops],
    },
  ];
}

/** An edge around each zone, as high as the ground beside it. */
function edgeProposals(design: Design, finding: Finding): Proposal[] {
  const top = finding.at?.[2] ?? 0;
  const height = Math.round(top + (finding.values['step']?.value ?? 0) + 5);
  const ops = Object.entries(design.substrate.zones)
    .filter(([, { edgeTopMm }]) => (edgeTopMm ?? 0) < height)
    .map(([id]): Operation => ({ op: 'replace', path: pointer('substrate', 'zones', id, 'edgeTopMm'), value: height }));
  if (ops.length === 0) return [];
  return [
    {
      kind: 'wall',
      subjects: Object.keys(design.substrate.zones),
      values: { height: { quantity: 'length', value: finding.values['step']?.value ?? 0 } },
      patch: [forRevision(design.rev), ...ops],
    },
  ];
}

export function freeKey(table: Readonly<Record<string, unknown>>, name: string): string {
  if (!Object.hasOwn(table, name)) return name;
  for (let i = 2; ; i++) if (!Object.hasOwn(table, `${name}-${i}`)) return `${name}-${i}`;
}
