import { screensOf } from '../plants/screens';
import { OPEN_SHARE, sightBetween } from '../scene/sight';
import { heightAt } from '../scene/grid';
import type { Vec3 } from '../scene/pose';
import { serves } from '../hardscape/shelter';
import { holdsTogether, mostTerritories, partiesOf, territoryRadiusMm } from '../stocking/territories';
import { floorMm } from '../vessel/shape';
import type { Assessment } from './assessment';
import { animalOf } from './derive';

/** Two places where a pair may settle, and what is between them. */
export interface SightLine {
  from: readonly [number, number];
  to: readonly [number, number];
  distanceMm: number;
  /** Share of looks that get through. */
  share: number;
  /** What breaks it. */
  by: string | null;
}

/** Those that hold ground in a tank: where they may settle, and who sees whom from there. */
export interface SightMap {
  memberId: string;
  organismId: string;
  radiusMm: number;
  /** Territories that the floor holds. */
  most: number;
  /** That hold ground against each other: pairs, loners, or a group. */
  parties: number;
  /** A colony: its hides are one ground, and what its members see of each other is their own affair. */
  together: boolean;
  /** Hides that let it in, from above. */
  sites: readonly { id: string; atMm: readonly [number, number] }[];
  /** Neighbours nearer to each other than two territories. */
  lines: readonly SightLine[];
  /** Where one thing more would break the most open of them. */
  partAtMm: readonly [number, number] | null;
}

/** Eyes are so far over the ground, in shares of the body's depth. */
const EYES = 0.6;

/** Territories of those that hold ground, and the lines of sight between their places. Empty where nobody does. */
export function sightMapsOf({ world: { design }, derived }: Assessment): SightMap[] {
  const ground = derived['scene.ground'].value;
  const pieces = (derived['scene.pieces'].value ?? []).map(({ settled }) => settled);
  const refuges = derived['hardscape.refuges'].value ?? [];
  if (!design.vessel || !ground) return [];
  const screens = screensOf(derived['plants.standing'].value ?? []);
  const groundAt = (x: number, y: number) => heightAt(ground.grid, ground.topMm, x, y);
  const { long, short } = floorMm(design.vessel, derived['substrate.bed'].value?.topMm.least ?? 0);
  return (derived['stock.members'].value ?? []).flatMap((member): SightMap[] => {
    const animal = animalOf(member);
    const radiusMm = animal && territoryRadiusMm(animal);
    if (!animal || !radiusMm) return [];
    const { length, depth, width } = animal.sizeMm;
    const kinds = animal.traits.shelter.value?.kinds ?? [];
    const body = length.value && depth.value && width.value ? { lengthMm: length.value, depthMm: depth.value, widthMm: width.value } : null;
    const sites = body === null ? [] : refuges.filter((refuge) => refuge.kind !== 'plants' && serves(refuge, kinds, body) === 'fits');
    const eye = (at: Vec3): Vec3 => [at[0], at[1], Math.max(at[2], groundAt(at[0], at[1]) + EYES * (depth.value ?? 20))];
    const lines: SightLine[] = [];
    for (let i = 0; i < sites.length; i++)
      for (let j = i + 1; j < sites.length; j++) {
        const [a, b] = [sites[i]!, sites[j]!];
        const distanceMm = Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1]);
        if (a.pieceId === b.pieceId || distanceMm > 2 * radiusMm || distanceMm < 1) continue;
        const { share, by } = sightBetween(eye(a.at), eye(b.at), pieces, screens, [a.pieceId, b.pieceId], groundAt);
        lines.push({ from: [a.at[0], a.at[1]], to: [b.at[0], b.at[1]], distanceMm, share, by });
      }
    const together = holdsTogether(animal);
    const longestOpen = lines.filter(({ share }) => share > OPEN_SHARE).sort((a, b) => b.distanceMm - a.distanceMm)[0];
    return [
      {
        memberId: member.id,
        organismId: member.organismId,
        radiusMm,
        most: mostTerritories((long * short) / 1e6, radiusMm / 1000),
        together,
        parties: partiesOf(animal, member.count),
        sites: sites.map(({ pieceId, at }) => ({ id: pieceId, atMm: [at[0], at[1]] })),
        lines,
        partAtMm:
          longestOpen && !together
            ? [Math.round((longestOpen.from[0] + longestOpen.to[0]) / 2), Math.round((longestOpen.from[1] + longestOpen.to[1]) / 2)]
            : null,
      },
    ];
  });
}
