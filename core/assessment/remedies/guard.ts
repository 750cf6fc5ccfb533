import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import { inOrder } from '../../design/design';
import { pointer } from '../../design/edit';
import { meantToBreed, youngDepthMm } from '../../stocking/company';
import { companyOf } from '../derive';
import type { Assessment } from '../assessment';
import { forRevision, oncePer, type Proposal } from './remedy';

/** Meshes and sponges to be had, millimetres. Common practice. */
const STOCK_MESH_MM = [5, 3, 2, 1, 0.5, 0.3];

/** The coarsest mesh that holds everyone back, the young of breeders too; null when none does or a size is not known. */
const meshForAll = oncePer((assessment): number | null => {
  let thinnest = Infinity;
  for (const { animal, phase } of companyOf(assessment.derived['stock.members'].value ?? [])) {
    const { depth, width } = animal.sizeMm;
    if (depth.value === null || width.value === null) return null;
    thinnest = Math.min(thinnest, Math.max(depth.value, width.value));
    const young = animal.traits.youngMm.value;
    if (meantToBreed(phase) && young !== null) thinnest = Math.min(thinnest, youngDepthMm(young));
  }
  return STOCK_MESH_MM.find((mesh) => mesh <= thinnest) ?? null;
});

/** Mesh or sponge over every way out that anyone could take. */
export function guardRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  if (finding.code !== 'stocking.escape' || !design.vessel) return [];
  const mesh = meshForAll(assessment);
  if (mesh === null) return [];
  const patch: Operation[] = inOrder(design.vessel.openings)
    .filter(([, { guardMm }]) => guardMm === null || guardMm > mesh)
    .map(([id]) => ({ op: 'replace', path: pointer('vessel', 'openings', id, 'guardMm'), value: mesh }));
  return patch.length === 0
    ? []
    : [{ kind: 'guard', subjects: [], values: { mesh: { quantity: 'length', value: mesh } }, patch: [forRevision(design.rev), ...patch] }];
}
