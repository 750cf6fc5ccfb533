import type { PaletteEntry } from '../palette/entry';
import type { BenchEntry, BenchPart } from './bench';
import type { BenchPlace } from './reach';

/** A bench with what stands on it. */
export interface Held {
  bench: BenchEntry;
  parts: readonly BenchPart[];
}

export function heldBy(benches: readonly BenchEntry[]): Promise<Held[]> {
  return Promise.all(benches.map(async (bench) => ({ bench, parts: (await bench.parts?.()) ?? [] })));
}

/** The benches by name, and after them what stands on each. */
export function benchEntries(benches: readonly BenchEntry[], held: readonly Held[], go: (place: BenchPlace) => void): PaletteEntry[] {
  return [
    ...benches.map(({ id, name }) => ({ name, kind: 'Bench', act: () => go({ bench: id }) })),
    ...held.flatMap(({ bench, parts }) =>
      parts.map(({ name, words = [], face, control }): PaletteEntry => ({
        name,
        words,
        kind: bench.name,
        act: () => go({ bench: bench.id, face, control }),
      })),
    ),
  ];
}
