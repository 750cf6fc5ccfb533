import { insideFrom } from './outside';
import type { Vessel } from './model';

export type SizeField = 'lengthMm' | 'widthMm' | 'heightMm' | 'waterLevelMm' | 'baseMm' | 'bellyHeightMm' | 'neckMm' | 'sideMm';

/** The sizes a form is given by, in the order they are asked for. */
export const SIZE_FIELDS: Readonly<Record<Vessel['shape'], readonly SizeField[]>> = {
  box: ['lengthMm', 'widthMm', 'heightMm', 'waterLevelMm'],
  cube: ['lengthMm', 'waterLevelMm'],
  cylinder: ['lengthMm', 'heightMm', 'waterLevelMm'],
  jar: ['lengthMm', 'heightMm', 'baseMm', 'bellyHeightMm', 'neckMm', 'waterLevelMm'],
  'bow-front': ['lengthMm', 'widthMm', 'sideMm', 'heightMm', 'waterLevelMm'],
};

const LEAST = 20;

/**
 * The vessel with one size as the user states it, outside or inside. What can no longer be follows: a round vessel is as wide as
 * it is long, the level stays below the rim, neck and base within the belly, braces within the length.
 */
export function resized(vessel: Vessel, field: SizeField, statedMm: number): Vessel {
  const glass = vessel.statedAs === 'outside' ? (vessel.glassMm.value ?? 0) : 0;
  const overall = field === 'lengthMm' || field === 'widthMm' || field === 'heightMm';
  const mm = overall ? Math.max(LEAST, insideFrom(field, statedMm, glass)) : statedMm;
  return settled({ ...vessel, [field]: mm } as Vessel, field);
}

function settled(vessel: Vessel, field: SizeField): Vessel {
  let next = vessel;
  if (next.shape === 'cube' && field !== 'waterLevelMm') next = { ...next, widthMm: next.lengthMm, heightMm: next.lengthMm };
  if (next.shape === 'cylinder' || next.shape === 'jar') next = { ...next, widthMm: next.lengthMm };
  if (next.shape === 'jar') {
    const across = next.lengthMm;
    next = {
      ...next,
      baseMm: Math.min(next.baseMm, across),
      neckMm: Math.min(next.neckMm, across),
      bellyHeightMm: Math.min(next.bellyHeightMm, Math.max(LEAST, next.heightMm - 1)),
    };
  }
  if (next.shape === 'bow-front') {
    const least = Math.max(LEAST, next.widthMm - next.lengthMm / 2);
    next = { ...next, sideMm: Math.min(Math.max(next.sideMm, least), next.widthMm - 1) };
  }
  const level = next.waterLevelMm > next.heightMm ? Math.max(10, next.heightMm - 20) : next.waterLevelMm;
  const braces = Object.fromEntries(Object.entries(next.braces).filter(([, { atMm }]) => atMm <= next.lengthMm));
  return { ...next, waterLevelMm: level, braces };
}
