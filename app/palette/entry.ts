import { nameSearch } from '../../core/catalogue/name-search';

/** One thing that can be gone to or done, by name. */
export interface PaletteEntry {
  name: string;
  /** What else people type for it. */
  words?: readonly string[];
  /** What it is, in a word: a bench, an animal, a finding. */
  kind: string;
  act: () => void;
}

/** Enough for a screen; a name that is typed on brings the rest. */
const MOST_SHOWN = 12;

export interface PaletteHit {
  entry: PaletteEntry;
  /** The name it was found by, where that is not the one it stands under. */
  by: string | null;
}

/** Finds entries by any of their names, forgiving slips; those given first stand first where two are called alike. */
export function paletteSearch(entries: readonly PaletteEntry[]): (query: string) => readonly PaletteHit[] {
  const search = nameSearch(entries.map((entry) => ({ entry, latin: entry.name, common: [], alsoCalled: entry.words })));
  return (query) =>
    search(query)
      .slice(0, MOST_SHOWN)
      .map(({ entry: { entry }, by }) => ({ entry, by }));
}
