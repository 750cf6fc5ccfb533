import type { Vessel } from './model';

/** The four sizes as the user states them. The bottom pane counts in the outside height, the lid does not. Millimetres. */
export function statedSizes(vessel: Vessel): { lengthMm: number; widthMm: number; heightMm: number } {
  const glass = vessel.statedAs === 'outside' ? (vessel.glassMm.value ?? 0) : 0;
  return { lengthMm: vessel.lengthMm + 2 * glass, widthMm: vessel.widthMm + 2 * glass, heightMm: vessel.heightMm + glass };
}

/** An outside size as an inside one, and back with a negative thickness. Millimetres. */
export function insideFrom(side: 'lengthMm' | 'widthMm' | 'heightMm', outsideMm: number, glassMm: number): number {
  return outsideMm - (side === 'heightMm' ? 1 : 2) * glassMm;
}

/** Sets the thickness of the panes: the sizes the user stated stay what they were. */
export function withGlass(vessel: Vessel, glassMm: number): Vessel {
  const glass = { value: glassMm, basis: 'measured' as const };
  if (vessel.statedAs === 'inside') return { ...vessel, glassMm: glass };
  const { lengthMm, widthMm, heightMm } = statedSizes(vessel);
  const inside = {
    lengthMm: insideFrom('lengthMm', lengthMm, glassMm),
    widthMm: insideFrom('widthMm', widthMm, glassMm),
    heightMm: insideFrom('heightMm', heightMm, glassMm),
  };
  return { ...vessel, ...inside, glassMm: glass, waterLevelMm: Math.min(vessel.waterLevelMm, inside.heightMm) };
}
