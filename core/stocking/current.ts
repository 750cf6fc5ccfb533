import type { Finding } from '../calculation/finding';
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

/** An animal of still water in a torrent, or one of torrents where hardly anything moves. Common practice. */
export function currentFinding({ id, animal }: Companion, current: Current): Finding | null {
  const { value, basis } = animal.traits.current;
  if (value === null) return null;
  const apart = CURRENTS.indexOf(current) - CURRENTS.indexOf(value);
  const tooStrong = current === 'strong' && apart >= 2;
  if (!tooStrong && !(value === 'strong' && apart <= -2)) return null;
  return {
    key: `stocking.current:${id}`,
    code: 'stocking.current',
    bench: 'stocking',
    severity: 'watch',
    excess: Math.abs(apart) - 1,
    subjects: [id],
    values: {},
    evidence: [],
    basis,
    kind: apart > 0 ? 'too-strong' : 'too-still',
  };
}
