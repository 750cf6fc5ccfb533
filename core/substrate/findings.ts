import type { Computed } from '../calculation/computed';
import type { Finding, FindingValue, Severity } from '../calculation/finding';
import type { Animal, Plant } from '../catalogue/organism';
import { weakestBasis } from '../quantity/fact';
import type { Bed, BedLayer } from './bed';
import { CAPSULE_DEPTH_MM, CAPSULE_SPACING_MM } from './capsule-grid';
import { capRatio, GOOD_CAP_MM, holdsDown, LEAST_CAP_MM, SLIVER } from './cap';
import type { CoverOver } from './ground';
import { DESIGN_SHARE, slopeStability } from './slope-stability';
import type { LooseStep, Steepest } from './steepest';
import { SAND_MM, stonesFromMm, swallowHazard, takesGrain, type SwallowVerdict } from './swallow-hazard';

const mm = (value: number): FindingValue => ({ quantity: 'length', value });
const degrees = (value: number): FindingValue => ({ quantity: 'angle', value });

const about = (
  code: Finding['code'],
  severity: Severity,
  excess: number | null,
  more: Partial<Finding> & { key?: string } = {},
): Finding => ({
  key: code,
  code,
  bench: 'substrate',
  severity,
  excess,
  subjects: [],
  values: {},
  evidence: [],
  basis: 'practice',
  ...more,
});

/** No word yet on what lies on the bottom. */
export const bedNotStated = (): Finding => about('substrate.not-stated', 'unknown', null);

export const layerNotKnown = (id: string, materialId: string): Finding =>
  about('substrate.not-known', 'unknown', null, { key: `substrate.not-known:${id}`, subjects: [id], note: materialId });

/** The steepest bank of a layer against its repose: from 70 % of it a watch, past it a conflict. */
export function slopeFinding(steepest: Steepest, layer: BedLayer, topMm: number, slopes: Computed<unknown>): Finding {
  const repose = layer.material?.reposeDegrees?.value ?? null;
  const shared = {
    key: `substrate.slope:${layer.id}`,
    subjects: [layer.id],
    evidence: [slopes],
    at: [steepest.at[0], steepest.at[1], topMm],
  } as const;
  const slope = degrees(steepest.degrees);
  if (repose === null) {
    // a slope that any grain bears needs no figure
    return about('substrate.slope', steepest.degrees < 10 ? 'fits' : 'unknown', steepest.degrees < 10 ? 0 : null, {
      ...shared,
      values: { slope },
    });
  }
  const { stable, marginDegrees } = slopeStability(steepest.degrees, repose[0]);
  const limit = DESIGN_SHARE * repose[0];
  return about(
    'substrate.slope',
    !stable ? 'conflict' : steepest.degrees > limit ? 'watch' : 'fits',
    Math.max(0, steepest.degrees - limit),
    {
      ...shared,
      values: { slope, repose: degrees(repose[0]), margin: degrees(Math.abs(marginDegrees)), limit: degrees(limit) },
      basis: layer.material?.reposeDegrees?.basis ?? 'recalled',
    },
  );
}

export function stepFinding(step: LooseStep, topMm: number, slopes: Computed<unknown>): Finding {
  return about('substrate.step', step.heightMm > 30 ? 'conflict' : 'watch', step.heightMm, {
    values: { step: mm(step.heightMm) },
    evidence: [slopes],
    at: [step.at[0], step.at[1], topMm],
  });
}

/** A layer whose stated top lies under what is below it everywhere: none of it is left. Beside each other two layers may well lie. */
export function underFinding(layer: BedLayer, bed: Computed<unknown>): Finding | null {
  if (layer.underShare < 0.02 || layer.depthMm.most > 0) return null;
  return about('substrate.under', 'conflict', layer.underShare, {
    key: `substrate.under:${layer.id}`,
    subjects: [layer.id],
    values: { share: { quantity: 'fraction', value: layer.underShare } },
    evidence: [bed],
  });
}

/** A bed that stands out of the water, or over the rim. */
export function tooHighFinding({ topMm }: Bed, surfaceMm: number, rimMm: number, bed: Computed<unknown>): Finding | null {
  if (topMm.most <= surfaceMm) return null;
  const overRim = topMm.most > rimMm;
  return about('substrate.too-high', overRim ? 'conflict' : 'watch', topMm.most - surfaceMm, {
    values: { top: mm(topMm.most), edge: mm(overRim ? rimMm : surfaceMm) },
    evidence: [bed],
    kind: overRim ? 'rim' : 'water',
  });
}

/**
 * A nutrient layer and what lies on it, where it lies.
 * @param cover what lies over its own ground: least depth but for a sliver, and the share of it that is bare
 */
export function capFinding(
  layers: readonly BedLayer[],
  index: number,
  cover: CoverOver,
  isShrimp: boolean,
  bed: Computed<unknown>,
): Finding | null {
  const layer = layers[index]!;
  if (!layer.material?.nutrient || layer.litres <= 0) return null;
  const next = layers.slice(index + 1).find((one) => one.litres > 0 && !one.material?.filler);
  const loose = !next?.cloth && !layer.material.cohesive;
  const grainHolds = !loose || !next?.grainMm || !layer.grainMm ? null : holdsDown(next.grainMm, layer.grainMm);
  const kind =
    cover.bareShare > SLIVER
      ? 'bare'
      : cover.leastMm < LEAST_CAP_MM
        ? 'thin'
        : grainHolds === false
          ? 'coarse'
          : cover.leastMm < GOOD_CAP_MM
            ? 'spare'
            : 'holds';
  const harm: Severity = isShrimp ? 'conflict' : 'watch';
  return about(
    'substrate.cap',
    kind === 'bare' || kind === 'thin' ? harm : kind === 'coarse' ? 'watch' : 'fits',
    kind === 'holds' || kind === 'spare' ? 0 : kind === 'coarse' ? 1 : LEAST_CAP_MM - cover.leastMm,
    {
      key: `substrate.cap:${layer.id}`,
      subjects: next ? [layer.id, next.id] : [layer.id],
      values: {
        cover: mm(cover.leastMm),
        wanted: mm(LEAST_CAP_MM),
        bare: { quantity: 'fraction', value: cover.bareShare },
        ...(next?.grainMm && layer.grainMm ? { ratio: { quantity: 'number', value: capRatio(next.grainMm, layer.grainMm) } as const } : {}),
      },
      evidence: [bed],
      kind,
    },
  );
}

/** Litres of active soil that hold the pH of so many litres of water. Common practice: 1 to 10. */
export const SOIL_SHARE = 0.1;

/** Active soil against the water it has to hold; null where there is none. */
export function soilShareFinding(layers: readonly BedLayer[], waterL: number, bed: Computed<unknown>): Finding | null {
  const active = layers.filter(({ material, litres }) => material?.action.kind === 'exchanges' && litres > 0);
  const [first] = active;
  if (!first || waterL <= 0) return null;
  const litres = active.reduce((sum, layer) => sum + layer.litres, 0);
  const share = litres / waterL;
  return about('substrate.soil-share', share < SOIL_SHARE ? 'watch' : 'fits', Math.max(0, SOIL_SHARE - share), {
    subjects: [first.id],
    values: {
      soil: { quantity: 'volume', value: litres },
      wanted: { quantity: 'volume', value: SOIL_SHARE * waterL },
      water: { quantity: 'volume', value: waterL },
    },
    evidence: [bed],
  });
}

/** What each verdict weighs; worst first, so that the worst of several grains is told. */
const GRAIN_SEVERITY: Readonly<Record<SwallowVerdict, readonly [Severity, excess: number]>> = {
  lodges: ['conflict', 1],
  soft: ['watch', 0.6],
  partly: ['watch', 0.5],
  'cannot-sift': ['watch', 0.4],
  sharp: ['watch', 0.3],
  passes: ['fits', 0],
  'too-large': ['fits', 0],
};

/** What the grain that shows does to an animal that feeds from the ground; null for those that take nothing from it. */
export function grainFinding(
  subject: string,
  animal: Animal,
  young: boolean,
  showing: readonly BedLayer[],
  bare: boolean,
  bed: Computed<unknown>,
): Finding | null {
  const takes = takesGrain(animal);
  if (takes === null) return null;
  const key = `substrate.grain:${subject}`;
  const gape = animal.sizeMm.gape.value;
  if (showing.length === 0) return bare ? about('substrate.grain', 'fits', 0, { key, subjects: [subject], kind: 'bare' }) : null;
  const gap = (what: string) => about('substrate.grain', 'unknown', null, { key, subjects: [subject], kind: what });
  if (takes === 'unknown' || gape === null) return gap('mouth-unknown');
  let worst: Finding | null = null;
  for (const layer of showing) {
    if (!layer.grainMm) return gap('grain-unknown');
    const kind = { soft: layer.material?.soft ?? false, sharp: layer.material?.sharp ?? false };
    const verdict = swallowHazard(layer.grainMm, { takes, gapeMm: gape, young }, kind);
    const [severity, excess] = GRAIN_SEVERITY[verdict];
    const finding = about('substrate.grain', severity, excess, {
      key,
      subjects: [subject, layer.id],
      kind: verdict,
      values: {
        fine: mm(layer.grainMm[0]),
        coarse: mm(layer.grainMm[1]),
        gape: mm(gape),
        upTo: mm(young ? SAND_MM.young : SAND_MM.grown),
        from: mm(stonesFromMm(gape)),
      },
      evidence: [bed],
      basis: weakestBasis(['practice', animal.traits.feeding.basis]),
    });
    if (!worst || (finding.excess ?? 0) > (worst.excess ?? 0)) worst = finding;
  }
  return worst;
}

/** An animal that burrows, or buries what it lives in, against the depth of the bed. */
export function depthFinding(subject: string, animal: Animal, bedMm: number | null, bed: Computed<unknown>): Finding | null {
  const { bedMm: wanted } = animal.traits;
  if (wanted.value === 0) return null;
  const key = `substrate.depth:${subject}`;
  if (wanted.value === null || bedMm === null) return about('substrate.depth', 'unknown', null, { key, subjects: [subject] });
  const short = wanted.value - bedMm;
  return about('substrate.depth', short > 0.5 ? (bedMm < wanted.value / 2 ? 'conflict' : 'watch') : 'fits', Math.max(0, short), {
    key,
    subjects: [subject],
    values: { depth: mm(bedMm), wanted: mm(wanted.value) },
    evidence: [bed],
    basis: wanted.basis,
  });
}

/** Depth that a rooted plant wants by its habit: stems and carpets hold in little, swords and crypts root deep. Common practice. */
const ROOT_MM: Readonly<Partial<Record<Plant['form'], number>>> = { stem: 20, carpet: 20, macroalga: 30 };
const USUAL_ROOT_MM = 40;
export const rootMmOf = (plant: Plant): number => ROOT_MM[plant.form] ?? USUAL_ROOT_MM;
/** A bed is no flatter than this. */
const ROOT_BLUR_MM = 5;

export function rootsFinding(subject: string, plant: Plant, depthMm: number, bed: Computed<unknown>): Finding | null {
  if (plant.traits.rooting.value !== 'bury') return null;
  const wanted = rootMmOf(plant);
  const short = depthMm < wanted - ROOT_BLUR_MM;
  return about('substrate.roots', short ? 'watch' : 'fits', short ? wanted - depthMm : 0, {
    key: `substrate.roots:${subject}`,
    subjects: [subject],
    values: { depth: mm(depthMm), wanted: mm(wanted) },
    evidence: [bed],
  });
}

/** Root capsules against the depth they need, so that they do not come up. */
export function capsulesFinding(capsules: { spacingMm: number; depthMm: number }, bedMm: number, bed: Computed<unknown>): Finding {
  const shallow = Math.max(CAPSULE_DEPTH_MM[0] - capsules.depthMm, capsules.depthMm + 5 - bedMm);
  const dense = CAPSULE_SPACING_MM[0] - capsules.spacingMm;
  const kind =
    capsules.depthMm + 5 > bedMm ? 'through' : capsules.depthMm < CAPSULE_DEPTH_MM[0] ? 'shallow' : dense > 0 ? 'dense' : 'right';
  return about('substrate.capsules', kind === 'right' ? 'fits' : 'watch', kind === 'right' ? 0 : Math.max(shallow, dense, 1), {
    values: { depth: mm(capsules.depthMm), bed: mm(bedMm), spacing: mm(capsules.spacingMm), wanted: mm(CAPSULE_DEPTH_MM[0]) },
    evidence: [bed],
    kind,
  });
}
