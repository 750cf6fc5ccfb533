import Fuse from 'fuse.js';
import type { Biotope } from '../../core/catalogue/biotope';
import { MOST_LETTERS, nameSearch, type NameHit } from '../../core/catalogue/name-search';
import type { Animal, Organism } from '../../core/catalogue/organism';

/** Animals by any name they go by, forgiving slips of the pen. An empty query gives all, by Latin name. */
export function animalSearch(organisms: Iterable<Organism>): (query: string) => NameHit<Animal>[] {
  return nameSearch(
    [...organisms].filter((entry): entry is Animal => entry.kind === 'animal').sort((a, b) => a.latin.localeCompare(b.latin)),
  );
}

export function placeSearch(biotopes: Iterable<Biotope>): (query: string) => Biotope[] {
  return search(
    [...biotopes],
    [
      { name: 'name', weight: 2 },
      { name: 'locality.value', weight: 1 },
      { name: 'habitat', weight: 1 },
    ],
  );
}

function search<T>(entries: readonly T[], keys: { name: string; weight: number }[]): (query: string) => T[] {
  const fuse = new Fuse(entries, { keys, threshold: 0.35, ignoreLocation: true, ignoreDiacritics: true });
  return (query) => (query.trim() === '' ? [...entries] : fuse.search(query.trim().slice(0, MOST_LETTERS)).map(({ item }) => item));
}
