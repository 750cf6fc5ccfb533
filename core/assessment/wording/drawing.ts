import { DEVICE_WORD } from './devices';
import { inOrder } from '../../design/design';
import { formatQuantity, type UnitChoice } from '../../quantity/format';
import type { Assessment } from '../assessment';
import { wordFinding } from '../wording';
import { nameOf, plain } from './words';

/** A drawing in words, for who does not see it. */
export interface DrawnInWords {
  /** What it is a drawing of, and to what sizes. */
  title: string;
  /** What stands in it and where, one line a thing, from the water down to the findings. */
  lines: readonly string[];
}

const THIRDS = ['left', 'middle', 'right'] as const;
const DEPTHS = ['at the front', 'half-way back', 'at the back'] as const;
const third = (share: number) => Math.min(2, Math.max(0, Math.floor(share * 3)));

/** The tank as it is drawn from the front or from above, in words and the user's units. */
export function wordDrawing(assessment: Assessment, view: 'section' | 'plan', units: UnitChoice): DrawnInWords | null {
  const { derived, world, findings } = assessment;
  const { design } = world;
  const { vessel } = design;
  if (!vessel) return null;
  const length = (mm: number) => formatQuantity('length', mm, units);
  const where = ([x, y, z]: readonly number[]) =>
    `${THIRDS[third(x! / vessel.lengthMm)]}, ${DEPTHS[third(y! / vessel.widthMm)]}${z === undefined ? '' : `, ${length(z)} above the floor`}`;
  const bed = derived['substrate.bed'].value;
  const stands = new Map((derived['scene.pieces'].value ?? []).map((piece) => [piece.id, piece.settled]));
  const size = `${vessel.shape.replace('-', ' ')} ${length(vessel.lengthMm)} long, ${length(vessel.widthMm)} deep, ${length(vessel.heightMm)} high`;
  const lines = [`Water ${length(vessel.waterLevelMm)} deep.`];
  for (const layer of [...(bed?.layers ?? [])].reverse())
    lines.push(`Bed: ${(layer.material?.name ?? layer.materialId).toLowerCase()}, ${formatQuantity('volume', layer.litres, units)}.`);
  if (bed && bed.layers.length > 0) lines.push(`Its top lies ${length(bed.topMm.least)} to ${length(bed.topMm.most)} above the floor.`);
  for (const [id, item] of inOrder(design.scene)) {
    const name = plain(nameOf(id, assessment));
    if (item.kind === 'plant') {
      lines.push(`Plant: ${name}, ${where(item.positionMm.slice(0, 2))}.`);
      continue;
    }
    const settled = stands.get(id);
    const [x, y] = item.positionMm;
    const top = settled ? `, its top ${length(settled.bounds.high[2])} above the floor` : '';
    lines.push(`Piece: ${name}, ${where([x, y])}${top}.`);
  }
  for (const [, device] of inOrder(design.equipment))
    lines.push(
      device.placeMm
        ? `Gear: ${DEVICE_WORD[device.kind]}, ${where(device.placeMm)}.`
        : `Gear: ${DEVICE_WORD[device.kind]}, without a place.`,
    );
  const members = (derived['stock.members'].value ?? []).filter(({ id }) => Object.hasOwn(design.stock, id));
  for (const { id, count } of members) lines.push(`Animals: ${count} ${plain(nameOf(id, assessment))}.`);
  if (members.length === 0) lines.push('Nothing lives in it yet.');
  for (const finding of findings)
    if ((finding.severity === 'conflict' || finding.severity === 'watch') && !Object.hasOwn(design.accepted, finding.key))
      lines.push(`${finding.severity === 'conflict' ? 'Conflict' : 'To watch'}: ${plain(wordFinding(finding, assessment, units).title)}.`);
  return { title: `${view === 'plan' ? 'Seen from above' : 'Seen from the front'}, to scale: ${size}`, lines };
}
