/** What a practised eye asks of a layout. Notes, never findings: taste is not judged. */
export type CompositionNote =
  | 'even-count'
  | 'no-dominant'
  | 'dominant-centred'
  | 'symmetric'
  | 'many-materials'
  | 'one-size'
  | 'strikes-differ'
  | 'odd-count'
  | 'dominant'
  | 'thirds'
  | 'few-materials'
  | 'strikes-agree';

export interface CompositionPiece {
  volumeL: number;
  /** Share of the length, from the left. */
  across: number;
  /** Turn about the upright, degrees; null for round pieces, which have no strike. */
  strikeDeg: number | null;
  materialId: string | null;
}

/** A stone this much above the next is the dominant one. */
const DOMINANT = 1.3;
/** Tops of the golden bands: a third of the length from either side, give or take. */
const THIRD = 0.09;
/** Strikes within this agree. */
const STRIKE_DEG = 25;

/** Common practice: an odd number of stones, one dominant, at a third, no symmetry, one strike, few kinds of material, sizes mixed. */
export function compositionNotes(pieces: readonly CompositionPiece[]): { good: CompositionNote[]; odd: CompositionNote[] } {
  const good: CompositionNote[] = [];
  const odd: CompositionNote[] = [];
  const say = (isGood: boolean, yes: CompositionNote, no: CompositionNote) => (isGood ? good.push(yes) : odd.push(no));
  if (pieces.length < 2) return { good, odd };
  say(pieces.length % 2 === 1, 'odd-count', 'even-count');
  const sorted = [...pieces].sort((a, b) => b.volumeL - a.volumeL);
  const [first, second] = [sorted[0]!, sorted[1]!];
  const dominant = first.volumeL >= DOMINANT * second.volumeL;
  say(dominant, 'dominant', 'no-dominant');
  if (dominant) {
    const third = Math.min(Math.abs(first.across - 1 / 3), Math.abs(first.across - 2 / 3)) <= THIRD;
    if (third) good.push('thirds');
    else if (Math.abs(first.across - 0.5) <= THIRD) odd.push('dominant-centred');
  }
  const last = sorted[sorted.length - 1]!;
  if (pieces.length >= 3 && first.volumeL < 1.5 * last.volumeL) odd.push('one-size');
  if (pieces.length >= 4 && isSymmetric(pieces)) odd.push('symmetric');
  const materials = new Set(pieces.map(({ materialId }) => materialId));
  say(materials.size <= 2, 'few-materials', 'many-materials');
  const strikes = pieces.flatMap(({ strikeDeg }) => (strikeDeg === null ? [] : [strikeDeg]));
  if (strikes.length >= 3) say(strikeSpread(strikes) <= STRIKE_DEG, 'strikes-agree', 'strikes-differ');
  return { good, odd };
}

function isSymmetric(pieces: readonly CompositionPiece[]): boolean {
  return pieces.every((piece) =>
    pieces.some(
      (other) => Math.abs(other.across + piece.across - 1) < 0.05 && Math.abs(other.volumeL - piece.volumeL) < 0.2 * piece.volumeL,
    ),
  );
}

/** Spread of directions that are the same after half a turn: degrees from their mean axis, at most. */
function strikeSpread(strikes: readonly number[]): number {
  // directions doubled, so that both ends of an axis are one
  const c = strikes.reduce((sum, deg) => sum + Math.cos((deg * Math.PI) / 90), 0);
  const s = strikes.reduce((sum, deg) => sum + Math.sin((deg * Math.PI) / 90), 0);
  const mean = (Math.atan2(s, c) * 90) / Math.PI;
  return Math.max(...strikes.map((deg) => Math.abs(((((deg - mean) % 180) + 270) % 180) - 90)));
}
