import { assess, worst, type Assessment } from '../../core/assessment/assess';
import { plain, nameOf } from '../../core/assessment/wording';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import { judgedBy, type TankSummary } from '../store/summary';
import { drawAnimals, drawPlants, vesselPath, waterPath } from './section-geometry';

/** A tank small, as paths in millimetres: x to the right, y down from the inside bottom. */
export interface TankFigure {
  lengthMm: number;
  heightMm: number;
  vessel: string;
  water: string;
  tint: string;
  plants: { path: string; xMm: number; zMm: number; leafy: boolean }[];
  animals: { path: string; xMm: number; zMm: number; scaleX: 1 | -1; fill: string }[];
}

/** Enough to recognise a tank by. */
const MOST = { plants: 6, animals: 12 };
export const PLAIN_WATER = '#9cc7cf';

export function figureOf({ world: { design, catalogue }, derived }: Assessment): TankFigure | null {
  const { vessel } = design;
  if (!vessel) return null;
  return {
    lengthMm: vessel.lengthMm,
    heightMm: vessel.heightMm,
    vessel: vesselPath(vessel),
    water: waterPath(vessel, vessel.waterLevelMm),
    tint: (design.brief.biotopeId && catalogue.biotopes.get(design.brief.biotopeId)?.waterColour) || PLAIN_WATER,
    plants: drawPlants(design, catalogue, vessel.waterLevelMm)
      .slice(0, MOST.plants)
      .map(({ path, xMm, zMm, leafy }) => ({ path, xMm, zMm, leafy })),
    animals: drawAnimals(derived['stock.members'].value ?? [], vessel, vessel.waterLevelMm)
      .slice(0, MOST.animals)
      .map(({ path, xMm, zMm, flip, lengthMm, fill }) => ({ path, xMm: xMm + (flip ? lengthMm : 0), zMm, scaleX: flip ? -1 : 1, fill })),
  };
}

/** The verdict on a tank as its card shows it. */
export function judgedSummary(assessment: Assessment): NonNullable<TankSummary['judged']> {
  const { world, findings } = assessment;
  const { design, room, catalogue } = world;
  const open = findings.filter(({ key }) => !Object.hasOwn(design.accepted, key));
  const [target] = design.brief.targetStockIds;
  return {
    worst: worst(open) ?? 'unknown',
    conflicts: open.filter(({ severity }) => severity === 'conflict').length,
    watches: open.filter(({ severity }) => severity === 'watch').length,
    target: target === undefined ? null : plain(nameOf(target, assessment)),
    figure: figureOf(assessment),
    by: judgedBy(room, catalogue.edition),
  };
}

/** Judges a design for its card. */
export function judgeForCard(design: Design, room: Room, catalogue: Catalogue): NonNullable<TankSummary['judged']> {
  return judgedSummary(assess({ design, room, catalogue }));
}
