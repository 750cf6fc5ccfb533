import simplify from 'simplify-js';
import type { Assessment } from '../../core/assessment/assess';
import { drawPieces } from './drawn-pieces';
import { groundSection } from './ground-drawing';
import { drawAnimals, drawPlantings, vesselPath, waterPath } from './section-geometry';

/** A tank small, as paths in millimetres: x to the right, y down from the inside bottom. */
export interface TankFigure {
  lengthMm: number;
  heightMm: number;
  vessel: string;
  water: string;
  tint: string;
  ground: { path: string; fill: string }[];
  pieces: { path: string; fill: string }[];
  plants: { path: string; xMm: number; zMm: number; leafy: boolean; leaf?: string }[];
  animals: { path: string; xMm: number; zMm: number; scaleX: 1 | -1; fill: string }[];
}

/** Enough to recognise a tank by. */
const MOST = { pieces: 16, plants: 7, ofPlanting: 2, animals: 12 };
/** The ink of clear water on a drawing. */
const PLAIN_WATER = [156, 199, 207] as const;

/** The ink of water that lets light through in this colour (#rrggbb): the more it takes out, the more of its own it shows. */
export function waterTint(passes: string | null): string {
  const light = /^#(..)(..)(..)$/
    .exec(passes ?? '')
    ?.slice(1)
    .map((part) => parseInt(part, 16)) ?? [255, 255, 255];
  // brown water is drawn in its own brown, not as blue ink seen through it
  const tinted = 1 - Math.min(...light) / Math.max(...light, 1);
  return `rgb(${PLAIN_WATER.map((ink, i) => Math.round((light[i] ?? 255) * tinted + ((ink * (light[i] ?? 255)) / 255) * (1 - tinted))).join(' ')})`;
}

const rounded = (mm: number) => Math.round(mm * 10) / 10;
/** A path to the whole millimetre: a card shows a tank at less than a pixel for each, and a room is fetched with all of its cards. */
const whole = (path: string): string => path.replace(/-?\d+\.\d+/g, (number) => String(Math.round(Number(number))));
/** Half a pixel of a card. */
const CARD_TOLERANCE_MM = 0.8;
/** A path of straight lines with no more corners than a card can show; one with curves is as it was. */
function plain(path: string): string {
  if (/[^MLZ\d\s.,-]/.test(path)) return path;
  return path.replace(/M([^MZ]+)/g, (_, line: string) => {
    const corners = line.split('L').map((corner) =>
      corner
        .trim()
        .split(/[\s,]+/)
        .map(Number),
    );
    const kept = simplify(
      corners.map(([x, y]) => ({ x: x!, y: y! })),
      CARD_TOLERANCE_MM,
      true,
    );
    return `M${kept.map(({ x, y }) => `${Math.round(x)} ${Math.round(y)}`).join('L')}`;
  });
}
/** A small animal keeps its tenths, and no more. */
const tenths = (path: string): string => path.replace(/-?\d+\.\d+/g, (number) => String(rounded(Number(number))));

export function figureOf(assessment: Assessment): TankFigure | null {
  const {
    world: { design },
    derived,
  } = assessment;
  const { vessel } = design;
  if (!vessel) return null;
  const bed = derived['substrate.bed'].value;
  const ground = derived['scene.ground'].value;
  const cut = ground && bed ? groundSection(ground, bed) : null;
  return {
    lengthMm: vessel.lengthMm,
    heightMm: vessel.heightMm,
    vessel: vesselPath(vessel),
    water: waterPath(vessel, vessel.waterLevelMm),
    ground: [
      ...(cut?.behind ? [{ path: plain(cut.behind), fill: cut.behindColour }] : []),
      ...(cut?.layers ?? []).map(({ path, colour }) => ({ path: plain(path), fill: colour })),
    ].filter(({ path }) => path !== ''),
    pieces: drawPieces(assessment, 'section')
      .slice(0, MOST.pieces)
      .map(({ body, colour }) => ({ path: whole(plain(body)), fill: colour })),
    tint: waterTint(derived['water.colour'].value),
    plants: drawPlantings(derived['plants.standing'].value ?? [], 'section', MOST.ofPlanting)
      .slice(0, MOST.plants)
      .map(({ path, xMm, zMm, filled, leaf }) => ({ path: whole(path), xMm: rounded(xMm), zMm: rounded(zMm), leafy: filled, leaf })),
    animals: drawAnimals(
      derived['stock.members'].value ?? [],
      vessel,
      vessel.waterLevelMm,
      bed?.topMm.most ?? 0,
      derived['scene.ground'].value,
    )
      .slice(0, MOST.animals)
      .map(({ path, xMm, zMm, flip, lengthMm, fill }) => ({
        path: tenths(path),
        xMm: rounded(xMm + (flip ? lengthMm : 0)),
        zMm: rounded(zMm),
        scaleX: flip ? -1 : 1,
        fill,
      })),
  };
}
