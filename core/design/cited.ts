import { factsOf } from '../catalogue/coverage';
import type { Organism } from '../catalogue/organism';
import type { OwnCatalogue } from './own-catalogue';

/** A fact that a file has otherwise than it is known here. */
export interface Difference {
  latin: string;
  path: string;
}

function at(entry: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((value, key) => {
    const own = value !== null && typeof value === 'object' && Object.hasOwn(value, key);
    return own ? (value as Record<string, unknown>)[key] : undefined;
  }, entry);
}

const valueAt = (entry: unknown, path: string): string =>
  JSON.stringify((at(entry, path) as { value?: unknown } | undefined)?.value ?? null);

/**
 * Where the entries that came with a file differ from those known here, fact by fact; the design is judged by what is known here. Entries
 * of kinds not known here, and facts that only one side has a place for, are no difference of value and are left out.
 */
export function citedDifferences(entries: readonly unknown[], organisms: ReadonlyMap<string, Organism>): Difference[] {
  return entries.flatMap((entry) => {
    const id = at(entry, 'id');
    const here = typeof id === 'string' ? organisms.get(id) : undefined;
    if (!here) return [];
    return factsOf(entry).flatMap(({ path }) =>
      at(here, path) !== undefined && valueAt(entry, path) !== valueAt(here, path) ? [{ latin: here.latin, path }] : [],
    );
  });
}

/** What a design needs of the room it came with that the room here has not: own entries and its place. Facts put down here stay. */
export function missingOwn(
  here: OwnCatalogue,
  theirs: OwnCatalogue,
  used: { organismIds: readonly string[]; biotopeId: string | null; materialIds: readonly string[]; saltIds: readonly string[] },
): OwnCatalogue | null {
  const organisms = used.organismIds.filter((id) => Object.hasOwn(theirs.organisms, id) && !Object.hasOwn(here.organisms, id));
  const { biotopeId } = used;
  const place = biotopeId !== null && Object.hasOwn(theirs.biotopes, biotopeId) && !Object.hasOwn(here.biotopes, biotopeId);
  const lacking = (ids: readonly string[], table: 'materials' | 'mixes') =>
    [...new Set(ids)].filter((id) => Object.hasOwn(theirs[table], id) && !Object.hasOwn(here[table], id));
  const [materials, mixes] = [lacking(used.materialIds, 'materials'), lacking(used.saltIds, 'mixes')];
  if (organisms.length + materials.length + mixes.length === 0 && !place) return null;
  return {
    ...here,
    organisms: { ...here.organisms, ...Object.fromEntries(organisms.map((id) => [id, theirs.organisms[id]!])) },
    materials: { ...here.materials, ...Object.fromEntries(materials.map((id) => [id, theirs.materials[id]!])) },
    mixes: { ...here.mixes, ...Object.fromEntries(mixes.map((id) => [id, theirs.mixes[id]!])) },
    biotopes: place ? { ...here.biotopes, [biotopeId]: theirs.biotopes[biotopeId]! } : here.biotopes,
  };
}
