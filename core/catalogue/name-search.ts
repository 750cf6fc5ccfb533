import Fuse from 'fuse.js';
import type { Animal, Organism } from './organism';

/** Letters that are looked for: more find nothing more, and take longer with each. */
export const MOST_LETTERS = 40;
/** How far a slip of the pen may go, 0 for none to 1 for anything. */
const SLIP = 0.28;

/** What has names: today's Latin, what people say, what it was or is sold as. */
export interface Named {
  latin: string;
  common: readonly string[];
  synonyms?: readonly string[] | undefined;
  alsoCalled?: readonly string[] | undefined;
}

export interface NameHit<T> {
  entry: T;
  /** The name it was found by; null where that is its Latin or first common name. */
  by: string | null;
  /** It is called just so; several kinds may be. */
  exact: boolean;
}

/** A name as it is compared: small letters, no accents, marks, "cf." or plural. */
export function plainName(name: string): string {
  return name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replaceAll('ß', 'ss')
    .replace(/['’"“”.]/g, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()
    .split(' ')
    .filter((word) => word !== 'cf' && word !== 'aff' && word !== 'var' && word !== 'sp')
    .map(singular)
    .join(' ');
}

/** "Guppies" and "guppy", "shrimps" and "shrimp" are one word; "discus" and "moss" have their s. */
function singular(word: string): string {
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  return word.length > 3 && word.endsWith('s') && !/(ss|us|is)$/.test(word) ? word.slice(0, -1) : word;
}

interface Line<T> {
  entry: T;
  index: number;
  /** Shown where it is neither the Latin nor the first common name. */
  name: string;
  isFirst: boolean;
  plain: string;
  words: readonly string[];
}

/** 0 is called so, 1 begins so, 2 has each word, 3 has each word's beginning; null otherwise. */
function rankOf({ plain, words }: Line<unknown>, query: string, asked: readonly string[]): number | null {
  if (plain === query) return 0;
  if (plain.startsWith(`${query} `)) return 1;
  if (asked.every((word) => words.includes(word))) return 2;
  if (asked.every((word) => words.some((one) => one.startsWith(word)))) return 3;
  return null;
}

/**
 * Kinds by any name they go or went by: those called just so first, then those whose names begin so or hold the words, and only where there is
 * none of these, near misses of spelling. An empty query finds all, in the order given.
 */
export function nameSearch<T extends Named>(entries: readonly T[]): (query: string) => NameHit<T>[] {
  const lines = entries.flatMap((entry, index): Line<T>[] => {
    const names = [entry.latin, ...entry.common, ...(entry.synonyms ?? []), ...(entry.alsoCalled ?? [])];
    return names.map((name) => {
      const plain = plainName(name);
      return { entry, index, name, isFirst: name === entry.latin || name === entry.common[0], plain, words: plain.split(' ') };
    });
  });
  const fuse = new Fuse(lines, { keys: ['plain'], threshold: SLIP, ignoreLocation: true, includeScore: true, minMatchCharLength: 2 });
  return (typed) => {
    const query = plainName(typed.slice(0, MOST_LETTERS));
    if (query === '') return entries.map((entry) => ({ entry, by: null, exact: false }));
    const asked = query.split(' ');
    const best = new Map<number, { line: Line<T>; rank: number }>();
    const offer = (line: Line<T>, rank: number) => {
      const known = best.get(line.index);
      if (!known || rank < known.rank) best.set(line.index, { line, rank });
    };
    for (const line of lines) {
      const rank = rankOf(line, query, asked);
      if (rank !== null) offer(line, rank + (line.isFirst ? 0 : 0.1));
    }
    if (best.size === 0) for (const { item, score = 1 } of fuse.search(query)) offer(item, 4 + score);
    return [...best.values()]
      .sort((a, b) => Math.floor(a.rank) - Math.floor(b.rank) || a.rank - b.rank || a.line.index - b.line.index)
      .map(({ line, rank }) => ({ entry: line.entry, by: line.isFirst ? null : line.name, exact: Math.floor(rank) === 0 }));
  };
}

/** Animals by any name they go by, forgiving slips of the pen. An empty query gives all, by Latin name. */
export function animalSearch(organisms: Iterable<Organism>): (query: string) => NameHit<Animal>[] {
  return nameSearch(
    [...organisms].filter((entry): entry is Animal => entry.kind === 'animal').sort((a, b) => a.latin.localeCompare(b.latin)),
  );
}
