import type { Finding } from '../../calculation/finding';
import { animalOf, type Derived, type World } from '../derive';
import type { Design } from '../../design/design';
import { heightAt } from '../../scene/grid';
import {
  bedNotStated,
  capFinding,
  capsulesFinding,
  depthFinding,
  grainFinding,
  layerNotKnown,
  rootsFinding,
  slopeFinding,
  soilShareFinding,
  stepFinding,
  tooHighFinding,
  underFinding,
} from '../../substrate/findings';
import { SLIVER } from '../../substrate/cap';
import { coverOver } from '../../substrate/ground';
import { plantsOf } from '../derive/scene';
import { SUBSTRATE_REMEDIES } from '../wording/remedies';
import { wordSubstrate } from '../wording/substrate';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    substrate:
      | 'not-stated'
      | 'slope'
      | 'step'
      | 'under'
      | 'too-high'
      | 'cap'
      | 'soil-share'
      | 'grain'
      | 'depth'
      | 'roots'
      | 'capsules'
      | 'not-known';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    flatten: true;
    wall: true;
    cap: true;
    cloth: true;
    deepen: true;
    grain: true;
    bare: true;
  }
}

/** The bed: whether it stands, holds, suits those who live on it. */
function bedFindings({ design }: World, derived: Derived): Finding[] {
  const { vessel, substrate } = design;
  const bed = derived['substrate.bed'];
  const ground = derived['scene.ground'].value;
  if (!vessel || !bed.value || !ground) return [];
  const { layers } = bed.value;
  const members = derived['stock.members'].value ?? [];
  const animals = members.flatMap((member) => {
    const animal = animalOf(member);
    return animal ? [{ member, animal }] : [];
  });
  const findings: (Finding | null)[] = [];
  if (layers.length === 0 && !substrate.bare) findings.push(bedNotStated());
  for (const { id, material, materialId } of layers) if (!material) findings.push(layerNotKnown(id, materialId));
  const slopes = derived['substrate.slopes'];
  const topAt = (x: number, y: number) => heightAt(ground.grid, ground.topMm, x, y);
  for (const steepest of slopes.value?.steepest ?? [])
    findings.push(slopeFinding(steepest, layers[steepest.layer]!, topAt(...steepest.at), slopes));
  if (slopes.value?.step) findings.push(stepFinding(slopes.value.step, topAt(...slopes.value.step.at), slopes));
  for (const layer of layers) findings.push(underFinding(layer, bed));
  findings.push(tooHighFinding(bed.value, vessel.waterLevelMm, vessel.heightMm, bed));
  const shrimp = animals.some(({ animal }) => animal.group === 'shrimp');
  layers.forEach(({ material }, index) => {
    if (!material?.nutrient) return;
    const cover = coverOver(ground, index, (above) => !layers[above]?.material?.filler, SLIVER);
    findings.push(capFinding(layers, index, cover, shrimp, bed));
  });
  findings.push(soilShareFinding(layers, derived['vessel.water-volume'].value ?? 0, bed));
  const { showing } = bed.value;
  const deepest = layers.length > 0 || substrate.bare ? bed.value.quarterMm : null;
  for (const { member, animal } of animals) {
    findings.push(grainFinding(member.id, animal, member.phase === 'larvae', showing, substrate.bare, bed));
    if (deepest !== null) findings.push(depthFinding(member.id, animal, deepest, bed));
  }
  if (layers.length > 0) {
    findings.push(...rootFindings(design, derived, topAt));
    if (substrate.capsules) findings.push(capsulesFinding(substrate.capsules, deepest ?? 0, bed));
  }
  return findings.filter((finding) => finding !== null);
}

/** The shallowest of each kind of rooted plant. */
function rootFindings(design: Design, derived: Derived, topAt: (x: number, y: number) => number): Finding[] {
  const shallowest = new Map<string, { id: string; depthMm: number }>();
  for (const [
    id,
    {
      classId,
      positionMm: [x, y],
    },
  ] of plantsOf(design)) {
    const depthMm = topAt(x, y);
    const known = shallowest.get(classId);
    if (!known || depthMm < known.depthMm) shallowest.set(classId, { id, depthMm });
  }
  return (derived['stock.members'].value ?? []).flatMap(({ id, organismId, organism }) => {
    const place = shallowest.get(organismId);
    const finding = organism?.kind === 'plant' && place ? rootsFinding(id, organism, place.depthMm, derived['substrate.bed']) : null;
    return finding ? [finding] : [];
  });
}

/** The bed: whether it stands, holds, suits those who live on it. */
export const substrate = domain({
  family: 'substrate',
  findings: bedFindings,
  words: wordSubstrate,
  at: {
    'not-stated': ['substrate', 'layers'],
    slope: ['substrate', 'layers'],
    step: ['substrate', 'zones'],
    under: ['substrate', 'layers'],
    'too-high': ['substrate', 'layers'],
    cap: ['substrate', 'layers'],
    'soil-share': ['substrate', 'layers'],
    grain: ['substrate', 'layers'],
    depth: ['substrate', 'layers'],
    roots: ['substrate', 'layers'],
    capsules: ['substrate', 'layers'],
    'not-known': ['substrate', 'layers'],
  },
  remedyWords: SUBSTRATE_REMEDIES,
});
