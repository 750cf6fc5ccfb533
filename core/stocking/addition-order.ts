import type { Companion } from './company';
import { temperFinding } from './temper';

export interface Addition {
  id: string;
  /** Weeks after the tank is ready. */
  week: number;
  /** Rivals that go in at the same hour: who is there first defends it all. */
  with: readonly string[];
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

/** Two kinds that would both hold the ground. */
const isRival = (a: Companion, b: Companion): boolean => temperFinding(a, b, null)?.kind === 'two-territories';

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
  const weeks = new Map<string, number>();
  return staged.map(({ companion, why }) => {
    const rivals = why === 'holds-territory' ? company.filter((other) => isRival(companion, other)).map(({ id }) => id) : [];
    const there = rivals.map((id) => weeks.get(id)).find((known) => known !== undefined);
    if (there === undefined && (why !== last || why === 'holds-territory')) week += WEEKS_BETWEEN;
    if (why === 'delicate') week = Math.max(week, WEEKS_FOR_DELICATE);
    last = why;
    const at = there ?? week;
    weeks.set(companion.id, at);
    return { id: companion.id, week: at, why, with: rivals };
  });
}
