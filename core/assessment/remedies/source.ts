import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import type { Material } from '../../catalogue/material';
import { inOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import type { Assessment } from '../assessment';
import { forRevision, type Proposal } from './remedy';

/** What gives the water nothing, to lie or stand in place of what does. */
const INERT_BED = 'fine-quartz-sand';
const INERT_STONE = 'granite';
/** Hours of light a day that are enough for low plants, and for a tank seen in the evening. Common practice. */
const SHORTER_HOURS = [8, 6] as const;

const hardens = ({ effectOnWater }: Material): boolean => effectOnWater.value === 'hardens';
const softens = ({ effectOnWater }: Material): boolean => effectOnWater.value === 'softens' || effectOnWater.value === 'acidifies';

/** Which of the materials in the tank is behind a finding about its water, if one can be. */
function culpritOf(finding: Finding): ((material: Material) => boolean) | null {
  switch (finding.code) {
    case 'water.parameter':
      return finding.kind?.endsWith(':low') ? softens : hardens;
    case 'water.soil-life':
    case 'water.swing':
      return softens;
    case 'water.soil-against-lime':
      return hardens;
    default:
      return null;
  }
}

/** Other stone, or a bed that gives nothing, in place of what changes the water. */
export function inertRemedy({ world: { design, catalogue } }: Assessment, finding: Finding): Proposal[] {
  const culprit = culpritOf(finding);
  if (!culprit) return [];
  const is = (id: string | null | undefined): boolean => {
    const material = catalogue.materials.get(id ?? '');
    return !!material && culprit(material);
  };
  const layers = inOrder(design.substrate.layers).filter(([, { materialId }]) => is(materialId));
  const stones = Object.entries(design.scene).filter(
    ([, item]) => item.kind === 'hardscape' && catalogue.materials.get(item.materialId ?? '')?.use === 'stone' && is(item.materialId),
  );
  const bed: Operation[] = layers.flatMap(([id]): Operation[] => [
    { op: 'replace', path: pointer('substrate', 'layers', id, 'materialId'), value: INERT_BED },
    { op: 'replace', path: pointer('substrate', 'layers', id, 'grainMm'), value: null },
  ]);
  const stone = stones.map(([id]): Operation => ({ op: 'replace', path: pointer('scene', id, 'materialId'), value: INERT_STONE }));
  return [
    ...(bed.length > 0
      ? [{ kind: 'inert-bed' as const, subjects: [INERT_BED], values: {}, patch: [forRevision(design.rev), ...bed] }]
      : []),
    ...(stone.length > 0
      ? [{ kind: 'other-stone' as const, subjects: [INERT_STONE], values: {}, patch: [forRevision(design.rev), ...stone] }]
      : []),
  ];
}

/** Fewer hours of light, where lamps warm the tank. */
export function lampHoursRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  // what is judged by the usual hours is mended from them
  if (finding.code === 'plants.algae')
    return SHORTER_HOURS.filter((fewer) => fewer < (finding.values['hours']?.value ?? 0)).map((fewer) => hoursOf(design, fewer));
  const hours = design.care.lampHours;
  if (hours === null) return [];
  if (finding.code === 'stocking.light') return [hoursOf(design, USUAL_HOURS)];
  if (finding.code !== 'heat.too-warm') return [];
  return SHORTER_HOURS.filter((fewer) => fewer < hours).map((fewer) => hoursOf(design, fewer));
}

/** Light that suits most plants and everyone's rest, hours. Common practice. */
const USUAL_HOURS = 9;

const hoursOf = (design: Design, hours: number): Proposal => ({
  kind: 'lamp-hours',
  subjects: [],
  values: { hours: { quantity: 'count', value: hours } },
  patch: [forRevision(design.rev), { op: 'replace', path: pointer('care', 'lampHours'), value: hours }],
});

/** A mesh in place of glass: what evaporates cools, and air gets at the water. */
export function openLidRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const lid = design.vessel?.lid.value;
  if ((finding.code !== 'heat.too-warm' && finding.code !== 'water.oxygen') || !lid || lid === 'none' || lid === 'mesh') return [];
  return [
    {
      kind: 'open-lid',
      subjects: ['mesh'],
      values: {},
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('vessel', 'lid'), value: { value: 'mesh', basis: 'measured' } }],
    },
  ];
}
