import type { Basis } from '../quantity/fact';
import type { CatalogueData } from './catalogue';

/** One fact of an entry and how it is known. */
export interface FactAt {
  path: string;
  basis: Basis;
  known: boolean;
}

/** Every fact within an entry, by the path it stands at. */
export function factsOf(entry: unknown, path = ''): FactAt[] {
  if (entry === null || typeof entry !== 'object' || Array.isArray(entry)) return [];
  const object = entry as Record<string, unknown>;
  if ('basis' in object && 'value' in object) return [{ path, basis: object['basis'] as Basis, known: object['value'] !== null }];
  return Object.entries(object).flatMap(([key, value]) => factsOf(value, path === '' ? key : `${path}.${key}`));
}

export interface GroupCoverage {
  group: string;
  entries: number;
  facts: number;
  unknown: number;
  basis: Partial<Record<Basis, number>>;
  /** What is most often unknown: path and in how many entries. */
  gaps: readonly (readonly [path: string, entries: number])[];
}

/** What there is of each group, how it is known, and what is not known most often. */
export function coverageOf(data: CatalogueData): GroupCoverage[] {
  const tables: (readonly [string, readonly unknown[]])[] = [
    ...grouped(data.organisms, ({ group }) => group),
    ...(['materials', 'waters', 'media', 'biotopes'] as const).map((name) => [name, data[name]] as const),
  ];
  return tables.map(([group, entries]) => {
    const facts = entries.flatMap((entry) => factsOf(entry));
    const basis: Partial<Record<Basis, number>> = {};
    const gaps = new Map<string, number>();
    for (const fact of facts) {
      if (fact.known) basis[fact.basis] = (basis[fact.basis] ?? 0) + 1;
      else gaps.set(fact.path, (gaps.get(fact.path) ?? 0) + 1);
    }
    return {
      group,
      entries: entries.length,
      facts: facts.length,
      unknown: facts.filter(({ known }) => !known).length,
      basis,
      gaps: [...gaps].sort((a, b) => b[1] - a[1]).slice(0, 5),
    };
  });
}

function grouped<T>(entries: readonly T[], by: (entry: T) => string): (readonly [string, readonly T[]])[] {
  const groups = new Map<string, T[]>();
  for (const entry of entries) groups.set(by(entry), [...(groups.get(by(entry)) ?? []), entry]);
  return [...groups];
}
