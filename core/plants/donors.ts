/** Where cuttings can come from: another tank, and how many plants of the kind stand there. */
export interface Donor {
  name: string;
  count: number;
}

/** What other tanks have of each kind. */
export function donorsAmong(
  tanks: readonly { name: string; scene: Readonly<Record<string, { kind: string; classId: string; count?: number }>> }[],
): ReadonlyMap<string, readonly Donor[]> {
  const all = new Map<string, Donor[]>();
  for (const { name, scene } of tanks) {
    const counts = new Map<string, number>();
    for (const { kind, classId, count = 1 } of Object.values(scene))
      if (kind === 'plant') counts.set(classId, (counts.get(classId) ?? 0) + count);
    for (const [id, count] of counts) all.set(id, [...(all.get(id) ?? []), { name, count }]);
  }
  return all;
}

/** Of a donor no more than half is cut. Common practice: what is left grows back. */
const OF_DONOR = 0.5;
/** How many each donor gives, the fullest first, and how many nobody has. */
export function cuttingsFrom(
  wanted: number,
  donors: readonly Donor[],
): { from: { name: string; takes: number; leaves: number }[]; short: number } {
  let short = wanted;
  const from = [...donors]
    .sort((a, b) => b.count - a.count || a.name.localeCompare(b.name))
    .flatMap(({ name, count }) => {
      const takes = Math.min(short, Math.floor(count * OF_DONOR));
      short -= takes;
      return takes > 0 ? [{ name, takes, leaves: count - takes }] : [];
    });
  return { from, short };
}
