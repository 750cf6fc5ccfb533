import type { Room } from './room';

/** What is at hand in a room, by name or by kind: its list, and what of its living stock is to go. */
export function stockAtHand({ onHand, lots }: Room): { kind: string; name: string; amount: number; organismId?: string | null }[] {
  return [
    ...Object.values(onHand),
    ...Object.values(lots).map(({ kind, name, surplus, organismId }) => ({ kind, name, amount: surplus, organismId })),
  ];
}
