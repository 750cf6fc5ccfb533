import type { Finding } from '../../calculation/finding';
import { buriedFinding, lightFinding, noRootholdFinding, outsideFinding } from '../../plants/findings';
import { inTheWay } from '../../plants/standing';
import { insideFloorMm } from '../../vessel/inside-floor';
import type { Derived, World } from '../derive';
import { plantNodes } from '../derive/plants';
import { domain } from '../domain';
import { wordPlants } from '../wording/plants';
import { PLANT_REMEDIES } from '../wording/remedies';

declare module '../../calculation/finding' {
  interface FindingCodes {
    plants: 'outside' | 'buried' | 'on-piece' | 'light';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    'plant-in': true;
    'plant-off': true;
    'lift-plant': true;
    'root-plant': true;
    'lamp-dim': true;
  }
}

function plantFindings({ design: { vessel } }: World, derived: Derived): Finding[] {
  const standing = derived['plants.standing'].value;
  const ground = derived['scene.ground'].value;
  if (!vessel || !standing || !ground) return [];
  // leaves are pushed aside
  const pieces = (derived['scene.pieces'].value ?? []).flatMap(({ of, settled }) => (of.group === 'litter' ? [] : [settled]));
  const place = { grid: ground.grid, groundMm: ground.topMm, hasBed: true, pieces, waterMm: vessel.waterLevelMm };
  // of several of a kind the worst-lit says it
  const lit = new Map<string, Finding>();
  for (const planting of standing) {
    const finding = lightFinding(planting);
    const known = lit.get(planting.plant.id);
    if (finding && (finding.excess ?? 0) > (known?.excess ?? 0)) lit.set(planting.plant.id, finding);
  }
  const placed = standing.flatMap((planting) => {
    const [x, y] = planting.item.positionMm;
    const outside = outsideFinding(planting, (px, py) => insideFloorMm(vessel, px, py) !== null);
    if (outside) return [outside];
    const over = planting.hold === 'rooted' ? inTheWay(place, x, y) : null;
    return [buriedFinding(planting), noRootholdFinding(planting, over)].filter((finding) => finding !== null);
  });
  return [...placed, ...lit.values()];
}

/** The plantings: whether they stand where their kind can. */
export const plants = domain({
  family: 'plants',
  findings: plantFindings,
  words: wordPlants,
  nodes: { ...plantNodes },
  at: {
    outside: ['plants', 'plantings'],
    buried: ['plants', 'plantings'],
    'on-piece': ['plants', 'plantings'],
    light: ['plants', 'lamps'],
  },
  remedyWords: PLANT_REMEDIES,
});
