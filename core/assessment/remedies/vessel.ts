import type { Finding } from '../../calculation/finding';
import type { Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { emptySubstrate } from '../../substrate/model';
import { newBox, reshaped, type Vessel } from '../../vessel/model';
import { STOCK_SIZES_MM } from '../../vessel/stock-sizes';
import { standsIn } from '../../vessel/space';
import { ASSUMED_GLASS_MM } from '../derive/assumed';
import type { Assessment } from '../assessment';
import { forRevision, oncePer, type Proposal } from './remedy';

const UNSTATED = { value: null, basis: 'measured' as const };
const BOX_CODES = new Set<Finding['code']>([
  'vessel.footprint',
  'vessel.volume',
  'vessel.not-stated',
  'vessel.space',
  'stocking.temperament',
  'stocking.strata',
]);

function isTooSmall({ world, kept, again }: Assessment, design: Design): boolean {
  const { findings } = again({ ...world, design }, new Map(kept));
  return findings.some(
    ({ code, severity }) => BOX_CODES.has(code) && (severity === 'conflict' || (severity === 'watch' && code !== 'stocking.temperament')),
  );
}

/** The smallest usual box in which nobody is short of floor or water. */
const smallestBox = oncePer((assessment): Vessel | null => {
  const { design } = assessment.world;
  const space = design.brief.spaceMm;
  const sizes = space ? STOCK_SIZES_MM.filter((size) => standsIn(size, ASSUMED_GLASS_MM, space)) : STOCK_SIZES_MM;
  for (const [lengthMm, widthMm, heightMm] of sizes) {
    const stated = newBox(lengthMm, widthMm, heightMm);
    const vessel: Vessel = design.vessel
      ? {
          ...reshaped(design.vessel, 'box'),
          lengthMm,
          widthMm,
          heightMm,
          waterLevelMm: stated.waterLevelMm,
          // another box: other glass, no braces, and a leak test of its own
          glassMm: UNSTATED,
          braces: {},
          leakTest: UNSTATED,
        }
      : stated;
    // one that is too small while empty is too small with a bed in it, and is found out sooner
    const empty = { ...design, vessel, scene: {}, substrate: emptySubstrate() };
    if (isTooSmall(assessment, empty) || isTooSmall(assessment, { ...design, vessel })) continue;
    return vessel;
  }
  return null;
});

/** Changes the vessel to a larger one. */
export function vesselRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  if (!BOX_CODES.has(finding.code) || (assessment.derived['stock.members'].value ?? []).length === 0) return [];
  const vessel = smallestBox(assessment);
  if (!vessel) return [];
  return [
    {
      kind: 'vessel',
      subjects: [],
      values: {
        length: { quantity: 'length', value: vessel.lengthMm },
        width: { quantity: 'length', value: vessel.widthMm },
        height: { quantity: 'length', value: vessel.heightMm },
      },
      patch: [forRevision(assessment.world.design.rev), { op: 'replace', path: pointer('vessel'), value: vessel }],
    },
  ];
}
