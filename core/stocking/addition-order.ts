import type { Companion } from './company';

export interface Addition {
  id: string;
  /** Weeks after the tank is ready. */
  week: number;
  why: 'clean-up' | 'hardy' | 'ordinary' | 'delicate' | 'holds-territory';
}

/** Weeks between additions, so that the biology follows; the delicate wait longer. Common practice. */
const WEEKS_BETWEEN = 2;
const WEEKS_FOR_DELICATE = 6;

const STAGE: Readonly<Record<Addition['why'], number>> = { 'clean-up': 0, hardy: 1, ordinary: 2, delicate: 3, 'holds-territory': 4 };

function stageOf({ animal }: Companion): Addition['why'] {
  const { temperament, hardiness } = animal.traits;
  if (temperament.value === 'territorial' || temperament.value === 'nippy' || temperament.value === 'predatory') return 'holds-territory';
  if (animal.group === 'snail') return 'clean-up';
  return hardiness.value === 'delicate' ? 'delicate' : hardiness.value === 'hardy' ? 'hardy' : 'ordinary';
}

/** The order in which the company goes in: clean-up and hardy first, gaps between, those that hold territories last. */
export function additionOrder(company: readonly Companion[]): Addition[] {
  const staged = company
    .map((companion) => ({ companion, why: stageOf(companion) }))
    .sort(
      (a, b) =>
        STAGE[a.why] - STAGE[b.why] || (a.companion.animal.sizeMm.length.value ?? 0) - (b.companion.animal.sizeMm.length.value ?? 0),
    );
  let week = -WEEKS_BETWEEN;
  let last: Addition['why'] | null = null;
  return staged.map(({ companion, why }) => {
    if (why !== last || why === 'holds-territory') week += WEEKS_BETWEEN;
    if (why === 'delicate') week = Math.max(week, WEEKS_FOR_DELICATE);
    last = why;
    return { id: companion.id, week, why };
  });
}
