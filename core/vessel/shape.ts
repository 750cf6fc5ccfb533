import { bowFrontVolumeL, segmentArcMm, segmentAreaMm2 } from './bow-front-volume';
import { boxVolumeL } from './box-volume';
import { cylinderVolumeL } from './cylinder-volume';
import { jarRadiusMm, jarVolumeL, type Jar } from './jar-volume';
import type { JarVessel, Vessel } from './model';

export function jarOf({ baseMm, bellyHeightMm, neckMm, heightMm, lengthMm }: JarVessel): Jar {
  return { baseMm, bellyMm: lengthMm, bellyHeightMm, neckMm, heightMm };
}

/** Which closed form gives the volume of this vessel, and with what inputs. */
export function volumeCalculation(vessel: Vessel, toMm: number): { id: string; inputs: Record<string, number> } {
  const { lengthMm, widthMm } = vessel;
  switch (vessel.shape) {
    case 'box':
    case 'cube':
      return { id: 'vessel.box-volume', inputs: { lengthMm, widthMm, heightMm: toMm } };
    case 'cylinder':
      return { id: 'vessel.cylinder-volume', inputs: { diameterMm: lengthMm, heightMm: toMm } };
    case 'jar':
      return { id: 'vessel.jar-volume', inputs: { ...jarOf(vessel), toMm } };
    case 'bow-front':
      return { id: 'vessel.bow-front-volume', inputs: { lengthMm, sideMm: vessel.sideMm, middleMm: widthMm, heightMm: toMm } };
  }
}

/** Inside volume from the bottom up to a level. Millimetres in, litres out. */
export function volumeToL(vessel: Vessel, toMm: number): number {
  switch (vessel.shape) {
    case 'box':
    case 'cube':
      return boxVolumeL(vessel.lengthMm, vessel.widthMm, toMm);
    case 'cylinder':
      return cylinderVolumeL(vessel.lengthMm, toMm);
    case 'jar':
      return jarVolumeL(jarOf(vessel), toMm);
    case 'bow-front':
      return bowFrontVolumeL(vessel.lengthMm, vessel.sideMm, vessel.widthMm, toMm);
  }
}

/** Half the inside length at a height, for the front view. Millimetres. */
export function halfLengthAtMm(vessel: Vessel, atMm: number): number {
  return vessel.shape === 'jar' ? jarRadiusMm(jarOf(vessel), atMm) : vessel.lengthMm / 2;
}

/** Surfaces through which a filled vessel gains and loses heat. Square metres and metres. */
export interface Surfaces {
  /** Walls that are wet inside. */
  wallM2: number;
  wallHeightM: number;
  baseM2: number;
  /** Water against air. */
  waterM2: number;
  waterPerimeterM: number;
}

/** @returns surfaces at the given water level, inside sizes; the wall of a jar is summed over 100 frusta */
export function surfacesOf(vessel: Vessel, levelMm: number): Surfaces {
  const m2 = (mm2: number) => mm2 / 1e6;
  const prism = (areaMm2: number, perimeterMm: number): Surfaces => ({
    wallM2: m2(perimeterMm * levelMm),
    wallHeightM: levelMm / 1000,
    baseM2: m2(areaMm2),
    waterM2: m2(areaMm2),
    waterPerimeterM: perimeterMm / 1000,
  });
  const { lengthMm, widthMm } = vessel;
  switch (vessel.shape) {
    case 'box':
    case 'cube':
      return prism(lengthMm * widthMm, 2 * (lengthMm + widthMm));
    case 'cylinder':
      return prism((Math.PI / 4) * lengthMm ** 2, Math.PI * lengthMm);
    case 'bow-front': {
      const sagitta = widthMm - vessel.sideMm;
      return prism(
        lengthMm * vessel.sideMm + segmentAreaMm2(lengthMm, sagitta),
        lengthMm + 2 * vessel.sideMm + segmentArcMm(lengthMm, sagitta),
      );
    }
    case 'jar': {
      const jar = jarOf(vessel);
      const slices = 100;
      let wallMm2 = 0;
      for (let i = 0; i < slices; i++) {
        const [a, b] = [jarRadiusMm(jar, (levelMm * i) / slices), jarRadiusMm(jar, (levelMm * (i + 1)) / slices)];
        wallMm2 += Math.PI * (a + b) * Math.hypot(levelMm / slices, b - a);
      }
      const surface = jarRadiusMm(jar, levelMm);
      return {
        wallM2: m2(wallMm2),
        wallHeightM: levelMm / 1000,
        baseM2: m2((Math.PI / 4) * jar.baseMm ** 2),
        waterM2: m2(Math.PI * surface ** 2),
        waterPerimeterM: (2 * Math.PI * surface) / 1000,
      };
    }
  }
}

/** The floor as a rectangle of the same area along its greatest length, a jar's where the bed lies. Millimetres. */
export function floorMm(vessel: Vessel, bedMm = 0): { long: number; short: number } {
  const radius = vessel.shape === 'jar' ? jarRadiusMm(jarOf(vessel), Math.min(bedMm, vessel.bellyHeightMm)) : 0;
  const areaMm2 =
    vessel.shape === 'jar' ? Math.PI * radius ** 2 : surfacesOf(vessel, Math.min(vessel.waterLevelMm, vessel.heightMm)).baseM2 * 1e6;
  const across = vessel.shape === 'jar' ? 2 * radius : vessel.lengthMm;
  const sides = [across, areaMm2 / across];
  return { long: Math.max(...sides), short: Math.min(...sides) };
}

/** The largest free opening at the top that gear has to pass: a rectangle between braces, or a round neck. Millimetres. */
export function topOpening(vessel: Vessel): { lengthMm: number; widthMm: number } | { diameterMm: number } {
  if (vessel.shape === 'jar') return { diameterMm: vessel.neckMm };
  if (vessel.shape === 'cylinder') return { diameterMm: vessel.lengthMm };
  const braces = Object.values(vessel.braces)
    .map(({ atMm, widthMm }) => [Math.max(0, atMm - widthMm / 2), Math.min(vessel.lengthMm, atMm + widthMm / 2)] as const)
    .sort(([a], [b]) => a - b);
  let from = 0;
  let widest = 0;
  for (const [start, end] of braces) {
    widest = Math.max(widest, start - from);
    from = Math.max(from, end);
  }
  return { lengthMm: Math.max(widest, vessel.lengthMm - from), widthMm: vessel.widthMm };
}

/** Millimetres to spare when a piece is lowered through the opening end first; negative when it does not pass. */
export function spareMm(opening: ReturnType<typeof topOpening>, sizeMm: readonly [number, number, number]): number {
  const [a, b] = [...sizeMm].sort((x, y) => x - y) as [number, number, number];
  if ('diameterMm' in opening) return opening.diameterMm - Math.hypot(a, b);
  const [short, long] = [Math.min(opening.lengthMm, opening.widthMm), Math.max(opening.lengthMm, opening.widthMm)];
  return Math.min(short - a, long - b);
}
