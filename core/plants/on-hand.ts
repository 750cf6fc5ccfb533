import type { Plant } from '../catalogue/organism';

const folded = (name: string): string =>
  ` ${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()} `;

/**
 * Plants at hand by kind, from a list as people write it: "Hornwort tops" are hornwort. The longest name that is in it counts; what names no kind
 * of the catalogue is left out.
 */
export function plantsOnHand(
  entries: Iterable<{ kind: string; name: string; amount: number }>,
  plants: readonly Plant[],
): ReadonlyMap<string, number> {
  const have = new Map<string, number>();
  let names: { name: string; id: string }[] | null = null;
  for (const { kind, name, amount } of entries) {
    if (kind !== 'plant' || amount < 1) continue;
    names ??= plants
      .flatMap(({ id, latin, common, synonyms = [], alsoCalled = [] }) =>
        [latin, ...common, ...synonyms, ...alsoCalled].map((one) => ({ name: folded(one), id })),
      )
      .sort((a, b) => b.name.length - a.name.length || a.id.localeCompare(b.id));
    // of several at hand one is "crypts", and a kind is called "crypt"
    const written = [folded(name), folded(name.replace(/s\b/g, ''))];
    const found = names.find((one) => written.some((text) => text.includes(one.name)));
    if (found) have.set(found.id, (have.get(found.id) ?? 0) + Math.floor(amount));
  }
  return have;
}

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
