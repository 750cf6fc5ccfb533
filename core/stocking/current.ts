import type { Finding } from '../calculation/finding';
import { shareUnder } from '../quantity/sorted';
import type { FlowStratum } from '../scene/strata';
import type { Companion } from './company';

export const CURRENTS = ['none', 'slow', 'moderate', 'strong'] as const;
export type Current = (typeof CURRENTS)[number];

/** Times an hour that the water goes round at which a tank moves slowly, moderately, strongly. Common practice. */
const TURNOVER = { slow: 0.5, moderate: 4, strong: 10 };

/** How the water moves in a tank that is turned over so many times an hour. */
export function currentOf(turnoverPerHour: number): Current {
  if (turnoverPerHour >= TURNOVER.strong) return 'strong';
  if (turnoverPerHour >= TURNOVER.moderate) return 'moderate';
  return turnoverPerHour >= TURNOVER.slow ? 'slow' : 'none';
}

const said = ({ id, animal }: Companion, kind: 'too-strong' | 'too-still', excess: number, values: Finding['values'] = {}): Finding => ({
  key: `stocking.current:${id}`,
  code: 'stocking.current',
  bench: 'stocking',
  severity: 'watch',
  excess,
  subjects: [id],
  values,
  evidence: [],
  basis: animal.traits.current.basis,
  kind,
});

/** An animal of still water in a torrent, or one of torrents where hardly anything moves. Common practice. */
export function currentFinding(companion: Companion, current: Current): Finding | null {
  const { value } = companion.animal.traits.current;
  if (value === null) return null;
  const apart = CURRENTS.indexOf(current) - CURRENTS.indexOf(value);
  const tooStrong = current === 'strong' && apart >= 2;
  if (!tooStrong && !(value === 'strong' && apart <= -2)) return null;
  return said(companion, apart > 0 ? 'too-strong' : 'too-still', Math.abs(apart) - 1);
}

/** Speed up to which animals of still and of slow water rest, and from which those of torrents have what they want, mm/s. Common practice. */
export const RESTS_MM_PER_S = { none: 30, slow: 60 } as const;
export const TORRENT_MM_PER_S = 80;
/** So much of its water has to be calm, or fast. Common practice. */
const SHARE = { calm: 0.3, fast: 0.05 };

/** Speeds of the water that an animal lives in, slowest first, and how much of it suits it; null where it is at home in any. */
export function suitsOf(
  { animal }: Companion,
  strata: Readonly<Record<FlowStratum, Float32Array>>,
): { wants: 'calm' | 'fast'; share: number } | null {
  const wanted = animal.traits.current.value;
  const lives = (animal.traits.strata.value ?? ['middle']).flatMap((stratum) =>
    Object.hasOwn(strata, stratum) ? [strata[stratum as FlowStratum]] : [],
  );
  const all = lives.length > 0 ? lives : Object.values(strata);
  const cells = all.reduce((sum, { length }) => sum + length, 0);
  if (wanted === null || wanted === 'moderate' || cells === 0) return null;
  const under = (edge: number) => all.reduce((sum, speeds) => sum + shareUnder(speeds, edge) * speeds.length, 0) / cells;
  return wanted === 'strong'
    ? { wants: 'fast', share: 1 - under(TORRENT_MM_PER_S) }
    : { wants: 'calm', share: under(RESTS_MM_PER_S[wanted]) };
}

/** The same by the field of the current, where every nozzle has its place. */
export function currentInFieldFinding(companion: Companion, strata: Readonly<Record<FlowStratum, Float32Array>>): Finding | null {
  const suits = suitsOf(companion, strata);
  if (!suits) return null;
  const { wants, share } = suits;
  if (share >= SHARE[wants]) return null;
  return said(companion, wants === 'calm' ? 'too-strong' : 'too-still', 1 - share / SHARE[wants], {
    share: { quantity: 'fraction', value: share },
  });
}
