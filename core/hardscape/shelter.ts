import type { PieceClass } from '../catalogue/piece';
import type { ShelterKind } from '../catalogue/shelter';
import type { Span } from '../quantity/range';
import type { Vec3 } from '../scene/pose';
import type { SettledPiece } from '../scene/settle-pieces';
import { placedMouths, type PlacedMouth } from './body';
import { hideFit, type HideVerdict } from './hide-fit';
import type { HardscapeItem } from './model';
import { isNear, lookOut, type MouthState } from './mouths';

/** A piece of hardscape where it lies. */
export interface Standing {
  id: string;
  item: HardscapeItem;
  of: PieceClass;
  settled: SettledPiece;
}

/** What a piece offers to hide in. */
export interface Refuge {
  pieceId: string;
  kind: ShelterKind;
  mouths: readonly MouthState[];
  /** Gaps of tangles, heaps and litter, and how many there are. */
  gapMm: Span | null;
  places: number;
  /** Where an animal goes in. */
  at: Vec3;
}

/** Free way that is wanted before a mouth: as much as it is wide, and no less than this. Millimetres. */
const LEAST_APPROACH_MM = 20;

/** A mouth where it lies, and what was seen from it while bed and neighbours are the same. */
interface Look {
  mouth: PlacedMouth;
  approachMm: number;
  /** Nothing beyond this of its middle can stand in the way. */
  withinMm: number;
  seen: { bed: object; around: readonly SettledPiece[]; state: MouthState } | null;
}
const looks = new WeakMap<SettledPiece, { item: HardscapeItem; of: PieceClass; mouths: readonly Look[] }>();

function looksOf({ item, of, settled }: Standing): readonly Look[] {
  const known = looks.get(settled);
  if (known?.item === item && known.of === of) return known.mouths;
  const mouths = placedMouths(of, item, settled.baseMm).map((mouth): Look => {
    const approachMm = Math.max(LEAST_APPROACH_MM, mouth.widthMm, mouth.heightMm);
    return { mouth, approachMm, withinMm: approachMm + Math.hypot(mouth.widthMm, mouth.heightMm) / 2, seen: null };
  });
  looks.set(settled, { item, of, mouths });
  return mouths;
}

/** @param bed stands for ground and glass: what is the same object has not changed */
export function refugesOf(
  standing: readonly Standing[],
  plants: readonly { id: string; at: Vec3; places: number }[],
  groundAt: (xMm: number, yMm: number) => number,
  paneMm: (from: Vec3, along: Vec3) => number,
  bed: object = {},
): Refuge[] {
  const settled = standing.map((piece) => piece.settled);
  const refuges = standing.flatMap((piece): Refuge[] => {
    const { id, item, of, settled: own } = piece;
    if (!of.shelter) return [];
    if (of.gaps) {
      const least = Math.min(...item.sizeMm);
      const litres = (item.sizeMm[0] * item.sizeMm[1] * item.sizeMm[2]) / 1e6;
      return [
        {
          pieceId: id,
          kind: of.shelter,
          mouths: [],
          gapMm: [of.gaps.share[0] * least, of.gaps.share[1] * least],
          places: Math.max(1, Math.floor(litres * of.gaps.perL)),
          at: [item.positionMm[0], item.positionMm[1], (own.bounds.low[2] + own.bounds.high[2]) / 2],
        },
      ];
    }
    const mouths = looksOf(piece).map((look) => {
      const around = settled.filter((other) => other !== own && isNear(other, look.mouth.at, look.withinMm));
      const { seen } = look;
      if (seen?.bed === bed && seen.around.length === around.length && seen.around.every((other, i) => other === around[i]))
        return seen.state;
      const state = lookOut(look.mouth, look.approachMm, around, groundAt, paneMm);
      look.seen = { bed, around, state };
      return state;
    });
    return mouths.length > 0 ? [{ pieceId: id, kind: of.shelter, mouths, gapMm: null, places: 1, at: mouths[0]!.at }] : [];
  });
  const leaves = plants.filter(({ places }) => places > 0);
  return [
    ...refuges,
    ...leaves.map(({ id, at, places }): Refuge => ({ pieceId: id, kind: 'plants', mouths: [], gapMm: null, places, at })),
  ];
}

export interface BodySize {
  lengthMm: number;
  depthMm: number;
  widthMm: number;
}

/** Why a refuge serves an animal or not. */
export type RefugeVerdict = HideVerdict | 'wrong-kind' | 'buried' | 'blocked';

/** An animal gets into gaps this much wider than it is thin. */
const GAP = 1.2;

/** Whether a refuge serves an animal of this size that hides in these kinds: by the best of its mouths. */
export function serves(refuge: Refuge, kinds: readonly ShelterKind[], body: BodySize): RefugeVerdict {
  if (!kinds.includes(refuge.kind)) return 'wrong-kind';
  if (refuge.kind === 'plants') return 'fits';
  const thin = Math.min(body.depthMm, body.widthMm);
  if (refuge.gapMm) return refuge.gapMm[1] >= GAP * thin ? 'fits' : 'too-tight';
  const verdicts = refuge.mouths.map((mouth): RefugeVerdict => {
    const verdict = hideFit(
      { longMm: Math.max(mouth.widthMm, mouth.heightMm), shortMm: Math.min(mouth.widthMm, mouth.heightMm), insideMm: mouth.insideMm },
      body,
    );
    if (verdict === 'fits') return mouth.blockedBy !== null && mouth.widthMm < GAP * thin ? 'blocked' : 'fits';
    if (verdict === 'too-tight' || verdict === 'sticks') {
      if (mouth.blockedBy !== null) return 'blocked';
      if (mouth.buried > 0.15) return 'buried';
    }
    return verdict;
  });
  return verdicts.find((verdict) => verdict === 'fits') ?? verdicts[0] ?? 'too-tight';
}

/** How many hides a group wants. */
export function wantedHides(shelter: { count: number; per: 'head' | 'pair' | 'tank' }, heads: number): number {
  return Math.ceil(shelter.count * (shelter.per === 'tank' ? 1 : shelter.per === 'pair' ? heads / 2 : heads) - 1e-9);
}

/** Two mouths that face each other, and how far they are apart. */
export interface Facing {
  a: string;
  b: string;
  distanceMm: number;
}

/** Both look within this of each other. */
const FACING_DEGREES = 40;

/**
 * Neighbours whose mouths face each other within a distance: owners of hides quarrel across an open line.
 *
 * @param isOpen whether anything stands between two mouths, of pieces that are named
 */
export function facingMouths(
  refuges: readonly Refuge[],
  withinMm: number,
  isOpen: (from: Vec3, to: Vec3, except: readonly string[]) => boolean = () => true,
): Facing[] {
  const open = refuges.flatMap(({ pieceId, mouths }) =>
    mouths.filter(({ blockedBy, buried }) => !blockedBy && buried < 0.8).map((mouth) => ({ pieceId, mouth })),
  );
  const limit = Math.cos((FACING_DEGREES * Math.PI) / 180);
  const found: Facing[] = [];
  for (let i = 0; i < open.length; i++)
    for (let j = i + 1; j < open.length; j++) {
      const [a, b] = [open[i]!, open[j]!];
      if (a.pieceId === b.pieceId) continue;
      const [dx, dy] = [b.mouth.at[0] - a.mouth.at[0], b.mouth.at[1] - a.mouth.at[1]];
      const distanceMm = Math.hypot(dx, dy);
      if (distanceMm > withinMm || distanceMm < 1) continue;
      const towards = (mouth: MouthState, sign: number) => {
        const flat = Math.hypot(mouth.facing[0], mouth.facing[1]);
        return flat > 0.3 ? (sign * (mouth.facing[0] * dx + mouth.facing[1] * dy)) / (flat * distanceMm) : -1;
      };
      if (towards(a.mouth, 1) > limit && towards(b.mouth, -1) > limit && isOpen(a.mouth.at, b.mouth.at, [a.pieceId, b.pieceId]))
        found.push({ a: a.pieceId, b: b.pieceId, distanceMm });
    }
  return found;
}
