import type { Organism } from './organism';

const folded = (name: string): string =>
  ` ${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()} `;

/**
 * How many are at hand by kind, from a list as people write it: "Hornwort tops" are hornwort. The longest name that is in it counts; what names no
 * kind of the catalogue is left out. One that says which kind it is, is that.
 *
 * @param kind animals or plants; entries of the other are passed over
 */
export function kindsOnHand(
  kind: 'animal' | 'plant',
  entries: Iterable<{ kind: string; name: string; amount: number; organismId?: string | null }>,
  organisms: readonly Pick<Organism, 'id' | 'latin' | 'common' | 'synonyms' | 'alsoCalled'>[],
): ReadonlyMap<string, number> {
  const have = new Map<string, number>();
  let names: { name: string; id: string }[] | null = null;
  for (const entry of entries) {
    if (entry.kind !== kind || entry.amount < 1) continue;
    const { organismId } = entry;
    if (organismId) {
      if (organisms.some(({ id }) => id === organismId)) have.set(organismId, (have.get(organismId) ?? 0) + Math.floor(entry.amount));
      continue;
    }
    names ??= organisms
      .flatMap(({ id, latin, common, synonyms = [], alsoCalled = [] }) =>
        [latin, ...common, ...synonyms, ...alsoCalled].map((one) => ({ name: folded(one), id })),
      )
      .sort((a, b) => b.name.length - a.name.length || a.id.localeCompare(b.id));
    // of several at hand one is "crypts", and a kind is called "crypt"
    const written = [folded(entry.name), folded(entry.name.replace(/s\b/g, ''))];
    const found = names.find((one) => written.some((text) => text.includes(one.name)));
    if (found) have.set(found.id, (have.get(found.id) ?? 0) + Math.floor(entry.amount));
  }
  return have;
}
