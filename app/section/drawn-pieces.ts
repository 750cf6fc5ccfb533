import type { Assessment } from '../../core/assessment/assess';
import { pieceName } from '../../core/assessment/wording/words';
import { placedMouths } from '../../core/hardscape/body';
import type { Standing } from '../../core/hardscape/shelter';
import { heightAt } from '../../core/scene/grid';
import { aboveGround, bodyOutlines, detailOf, drawnOutline, extentOf, mouthOutline, type DrawingView, type Extent } from './outline';

/** A piece as it is drawn: paths in millimetres, y down. */
export interface DrawnPiece {
  id: string;
  name: string;
  body: string;
  detail: string;
  colour: string;
  /** Ways in: dark when free, crossed when closed, dashed when seen from behind. */
  mouths: readonly { path: string; state: 'free' | 'closed' | 'behind' }[];
  extent: Extent;
  /** Drawn after what lies further away. */
  depth: number;
  soft: boolean;
}

const UNKNOWN_COLOUR = '#9b9484';
/** Mouths turned away by more than this are seen from behind. */
const BEHIND = 0.25;

const kept = new WeakMap<Standing, Map<DrawingView, { settled: Standing['settled']; mouths: string; drawn: DrawnPiece }>>();

/** Every piece from the front or from above, the furthest first. */
export function drawPieces(assessment: Assessment, view: DrawingView): DrawnPiece[] {
  const { derived, world } = assessment;
  const ground = derived['scene.ground'].value;
  const states = new Map((derived['hardscape.refuges'].value ?? []).map((refuge) => [refuge.pieceId, refuge.mouths]));
  if (!ground) return [];
  return (derived['scene.pieces'].value ?? [])
    .map((piece): DrawnPiece => {
      const { id, item, of, settled } = piece;
      const mouthStates = (states.get(id) ?? []).map(({ blockedBy, buried }) => blockedBy !== null || buried >= 0.5);
      const key = mouthStates.join();
      let views = kept.get(piece);
      if (!views) kept.set(piece, (views = new Map()));
      const known = views.get(view);
      if (known?.settled === settled && known.mouths === key) return known.drawn;
      const outlines = bodyOutlines(settled.body, view).map((points) => {
        if (view === 'plan' || item.stand === 'held') return points;
        const { left, right } = extentOf(points);
        const [x, y] = item.positionMm;
        const at = (px: number) => -heightAt(ground.grid, ground.topMm, Math.min(Math.max(px, x - 400), x + 400), y);
        return aboveGround(points, at(left), at(right));
      });
      const shown = outlines.filter((points) => points.length >= 3);
      const extent = extentOf(shown.length > 0 ? shown.flat() : bodyOutlines(settled.body, view).flat());
      const drawn: DrawnPiece = {
        id,
        name: pieceName(id, world),
        // a broken stone is one outline, whatever it is put together from
        body: (of.form === 'angular' ? [shown.flat()] : shown).map((points, i) => drawnOutline(points, of.form, `${id}${i}`)).join(''),
        detail: shown.length > 0 ? detailOf(of.form, extent, id) : '',
        colour: (item.materialId && world.catalogue.materials.get(item.materialId)?.colour) || UNKNOWN_COLOUR,
        mouths: placedMouths(of, item, settled.baseMm).map((mouth, i) => ({
          path: mouthOutline(mouth, view),
          state: (view === 'section' ? mouth.facing[1] > BEHIND : mouth.facing[2] < -BEHIND)
            ? 'behind'
            : mouthStates[i]
              ? 'closed'
              : 'free',
        })),
        extent,
        depth: view === 'section' ? -item.positionMm[1] : settled.bounds.high[2],
        soft: of.form === 'leaves',
      };
      views.set(view, { settled, mouths: key, drawn });
      return drawn;
    })
    .sort((a, b) => a.depth - b.depth);
}
