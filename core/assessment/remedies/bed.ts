import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { GOOD_CAP_MM } from '../../substrate/cap';
import { reshapedSurface } from '../../substrate/surface';
import type { Assessment } from '../assessment';
import { freeKey } from './bank';
import { forRevision, type Proposal } from './remedy';

/** What a bed is capped with where nothing lies on it yet. */
const CAP = 'quartz-gravel';

const raised = (design: Design, id: string, byMm: number): Operation => ({
  op: 'replace',
  path: pointer('substrate', 'layers', id, 'top'),
  value: reshapedSurface(design.substrate.layers[id]!.top, (height) => height + byMm),
});

/** A cap on a nutrient layer, or more of the one that lies there. */
export function capRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  const [id = '', over] = finding.subjects;
  const layer = design.substrate.layers[id];
  if (finding.code !== 'substrate.cap' || !layer) return [];
  const more = Math.ceil(GOOD_CAP_MM - (finding.values['cover']?.value ?? 0));
  if (over && more <= 0) {
    return [
      {
        kind: 'cloth',
        subjects: [over],
        values: {},
        patch: [forRevision(design.rev), { op: 'replace', path: pointer('substrate', 'layers', over, 'cloth'), value: true }],
      },
    ];
  }
  const patch: Operation = over
    ? raised(design, over, more)
    : {
        op: 'add',
        path: pointer('substrate', 'layers', freeKey(design.substrate.layers, 'cap')),
        value: {
          ...layer,
          order: nextOrder(design.substrate.layers),
          materialId: CAP,
          grainMm: null,
          spent: 0,
          top: reshapedSurface(layer.top, (height) => height + GOOD_CAP_MM),
          cloth: false,
        },
      };
  return [
    {
      kind: 'cap',
      subjects: [over ?? CAP],
      values: { depth: { quantity: 'length', value: more } },
      patch: [forRevision(design.rev), patch],
    },
  ];
}

/** More of the layer that shows most, or of the active soil, where it is too shallow or too little. */
export function deepenRemedy({ world: { design }, derived }: Assessment, finding: Finding): Proposal[] {
  const bed = derived['substrate.bed'].value;
  if (!bed) return [];
  const wanted = finding.values['wanted']?.value ?? 0;
  let id: string | undefined;
  let byMm = 0;
  if (finding.code === 'substrate.depth' || finding.code === 'substrate.roots') {
    id = bed.showing[0]?.id;
    byMm = wanted - (finding.values['depth']?.value ?? 0);
  } else if (finding.code === 'substrate.soil-share') {
    id = finding.subjects[0];
    const soil = finding.values['soil']?.value ?? 0;
    const layer = bed.layers.find((one) => one.id === id);
    // more soil leaves less water, so a little less than the sum is enough
    byMm = layer && soil > 0 ? layer.depthMm.mean * (wanted / soil - 1) : 0;
  }
  if (!id || byMm <= 0 || !design.substrate.layers[id]) return [];
  const by = Math.ceil(byMm);
  // what lies on it rises with it
  const from = bed.layers.findIndex((one) => one.id === id);
  return [
    {
      kind: 'deepen',
      subjects: [id],
      values: { depth: { quantity: 'length', value: by } },
      patch: [forRevision(design.rev), ...bed.layers.slice(from).map((one) => raised(design, one.id, by))],
    },
  ];
}

/** Sand that does no harm in place of grain that does; stones larger than the head for those that suck; or none. */
export function grainRemedy({ world: { design, catalogue } }: Assessment, finding: Finding): Proposal[] {
  const [, layerId = ''] = finding.subjects;
  const [upTo, from] = [finding.values['upTo']?.value, finding.values['from']?.value];
  if (finding.code !== 'substrate.grain' || finding.severity === 'unknown' || upTo === undefined || from === undefined) return [];
  if (!design.substrate.layers[layerId]) return [];
  const sifts = finding.kind === 'cannot-sift' || finding.kind === 'sharp';
  const swap = ['fine-quartz-sand', 'river-stones']
    .filter((id) => {
      const grain = catalogue.materials.get(id)?.grainMm.value;
      return grain && (grain[1] <= upTo || (!sifts && grain[0] > from));
    })
    .map((id): Proposal => ({
      kind: 'grain',
      subjects: [id],
      values: {},
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('substrate', 'layers', layerId, 'materialId'), value: id },
        { op: 'replace', path: pointer('substrate', 'layers', layerId, 'grainMm'), value: null },
      ],
    }));
  if (sifts) return swap;
  return [
    ...swap,
    {
      kind: 'bare',
      subjects: [],
      values: {},
      patch: [
        forRevision(design.rev),
        { op: 'replace', path: pointer('substrate', 'layers'), value: {} },
        { op: 'replace', path: pointer('substrate', 'capsules'), value: null },
        { op: 'replace', path: pointer('substrate', 'bare'), value: true },
      ],
    },
  ];
}

/** Cloth or a mat on the glass under heavy stone. */
export function matRemedy({ world: { design } }: Assessment, finding: Finding): Proposal[] {
  if (finding.code !== 'hardscape.on-glass') return [];
  return [
    {
      kind: 'mat',
      subjects: [],
      values: {},
      patch: [forRevision(design.rev), { op: 'replace', path: pointer('substrate', 'mat'), value: true }],
    },
  ];
}
