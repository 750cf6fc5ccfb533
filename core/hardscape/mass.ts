import type { Catalogue } from '../catalogue/catalogue';
import type { Standing } from './shelter';
import { soakedKgPerL } from './waterlogging';

/** Litres of the body of a piece, its hollows left out. */
export const bodyL = ({ of, settled }: Standing): number => (settled.columns.volumeMm3 * of.filled) / 1e6;

/** Mass of a piece and its density under water by now; null while its material or its density is not known. */
export function massOf(piece: Standing, catalogue: Catalogue): { kg: number; kgPerL: number; dryKgPerL: number } | null {
  const material = piece.item.materialId === null ? undefined : catalogue.materials.get(piece.item.materialId);
  const density = material?.densityKgPerM3.value ?? null;
  if (!material || density === null) return null;
  // leaves and cones are weighed as they are poured, with the air between them
  if (material.use === 'botanical') {
    const litres = piece.settled.columns.volumeMm3 / 1e6;
    return { kg: (litres * density) / 1000, kgPerL: 1.05, dryKgPerL: density / 1000 };
  }
  const dry = density / 1000;
  const now = material.use === 'wood' ? soakedKgPerL(dry, piece.item.soakedWeeks) : dry;
  return { kg: bodyL(piece) * dry, kgPerL: now, dryKgPerL: dry };
}
