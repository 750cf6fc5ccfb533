import type { Finding } from '../calculation/finding';
import type { Basis } from '../quantity/fact';
import type { Span } from '../quantity/range';

/** Hours of light a day that plants and animals live by. Common practice: 6 to 12; what rests by night gets none of it past that. */
export const LIT_HOURS: Span = [5, 14];

const shared = { code: 'stocking.light', bench: 'care', evidence: [] } as const;

/** One that feeds by light. */
export interface LivesByLight {
  id: string;
  basis: Basis;
}

/**
 * Hours of light against what lives by them. Without a night nothing rests, and algae take the panes; below a few hours plants live on what
 * they have stored; what feeds by light and has none starves. Common practice. Nothing is said while the hours are not stated.
 */
export function lightFindings(
  hours: number | null,
  plantIds: readonly string[],
  byLight: readonly LivesByLight[],
  lived: boolean,
): Finding[] {
  if (hours === null) return [];
  const values: Finding['values'] = { hours: { quantity: 'count', value: hours } };
  if (hours > LIT_HOURS[1])
    return lived || plantIds.length > 0
      ? [
          {
            ...shared,
            key: 'stocking.light',
            severity: 'watch',
            excess: hours - LIT_HOURS[1],
            subjects: [],
            values,
            basis: 'practice',
            kind: 'no-night',
          },
        ]
      : [];
  if (hours >= LIT_HOURS[0]) return [];
  const starving = byLight.map(({ id, basis }): Finding => ({
    ...shared,
    key: `stocking.light:${id}`,
    severity: hours < 1 ? 'conflict' : 'watch',
    excess: LIT_HOURS[0] - hours,
    subjects: [id],
    values,
    basis,
    kind: 'starves',
  }));
  if (plantIds.length === 0) return starving;
  return [
    ...starving,
    {
      ...shared,
      key: 'stocking.light',
      severity: 'watch',
      excess: LIT_HOURS[0] - hours,
      subjects: plantIds,
      values,
      basis: 'practice',
      kind: 'too-short',
    },
  ];
}
