import type { Vessel } from './model';

/**
 * Height of the inside bottom at a place of the plan: 0 over the bottom glass, the wall where a jar bulges out over its base, null outside.
 * Millimetres; x from the left, y from the front, from the corner of the rectangle around the vessel.
 */
export function insideFloorMm(vessel: Vessel, xMm: number, yMm: number): number | null {
  const { lengthMm, widthMm } = vessel;
  if (xMm < 0 || yMm < 0 || xMm > lengthMm || yMm > widthMm) return null;
  switch (vessel.shape) {
    case 'box':
    case 'cube':
      return 0;
    case 'cylinder':
      return Math.hypot(xMm - lengthMm / 2, yMm - lengthMm / 2) <= lengthMm / 2 ? 0 : null;
    case 'bow-front':
      return yMm >= frontEdgeMm(vessel, xMm) ? 0 : null;
    case 'jar': {
      const r = Math.hypot(xMm - lengthMm / 2, yMm - lengthMm / 2);
      if (r > lengthMm / 2) return null;
      if (r <= vessel.baseMm / 2) return 0;
      // up to the belly the wall is a zone of one spheroid
      const [belly, base] = [(lengthMm / 2) ** 2, (vessel.baseMm / 2) ** 2];
      return vessel.bellyHeightMm * (1 - Math.sqrt((belly - r ** 2) / (belly - base)));
    }
  }
}

/** How far behind the foremost point of the vessel its front pane stands at x. Millimetres. */
export function frontEdgeMm(vessel: Vessel, xMm: number): number {
  if (vessel.shape !== 'bow-front') return 0;
  const sagitta = vessel.widthMm - vessel.sideMm;
  const radius = (vessel.lengthMm ** 2 / 4 + sagitta ** 2) / (2 * sagitta);
  return radius - Math.sqrt(Math.max(0, radius ** 2 - (xMm - vessel.lengthMm / 2) ** 2));
}
