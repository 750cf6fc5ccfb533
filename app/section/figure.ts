import type { Assessment } from '../../core/assessment/assess';
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
