import Fuse from 'fuse.js';
import type { Biotope } from '../../core/catalogue/biotope';
import { MOST_LETTERS } from '../../core/catalogue/name-search';

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
