import { flowAgainst, flowThrough } from './pump-flow';
import type { Device, Runs } from './model';

/** A clogged one gives half of what a straight line from its label to its head leaves. Common practice. */
const CLOGGED = 0.5;
/** Before it is cleaned, half way between. */
const USUAL = 0.5;

/** What comes through, L/h: as usual, and from clogged to clean. */
export interface Flow {
  lPerH: number;
  band: readonly [number, number];
}

/** What a sponge or mesh over the intake leaves of the flow, clean: by its gaps, mm. Common practice. */
const MESHES = [
  { under: 0.5, leaves: 0.75 },
  { under: 1, leaves: 0.85 },
  { under: 2, leaves: 0.95 },
] as const;
export const throughMesh = (gapMm: number | null): number =>
  gapMm === null ? 1 : (MESHES.find(({ under }) => gapMm < under)?.leaves ?? 1);

/** Flow of a filter or pump after mesh, head and hose; null while its flow is not stated. One whose head is not stated is taken at its label, or half of it. */
export function flowOf({ lPerH: label, mostHeadM, liftM, hoseM, boreMm, gapMm }: Runs): Flow | null {
  if (label === null) return null;
  const lPerH = label * throughMesh(gapMm);
  const clean =
    mostHeadM === null
      ? lPerH
      : boreMm === null
        ? flowAgainst(lPerH, mostHeadM, liftM)
        : flowThrough({ mostLPerH: lPerH, mostHeadM, liftM, hoseM, boreMm });
  const straight = mostHeadM === null ? clean : Math.min(clean, lPerH * Math.max(0, 1 - liftM / mostHeadM));
  const clogged = CLOGGED * straight;
  return { lPerH: clogged + USUAL * (clean - clogged), band: [clogged, clean] };
}

export const runsOf = (device: Device): Runs | null => (device.kind === 'filter' || device.kind === 'pump' ? device.runs : null);
