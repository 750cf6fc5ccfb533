import { EDITION } from '../../catalogue/edition';
import { indexCatalogue, type Catalogue, type CatalogueData } from '../../core/catalogue/catalogue';
import type { Biotope } from '../../core/catalogue/biotope';
import type { Organism } from '../../core/catalogue/organism';
import type { WaterType } from '../../core/catalogue/water-source';

/** Tables that every tank is judged by; organisms come family by family, wild places by their part of the world. */
const TABLES = ['waters', 'materials', 'media', 'pieces'] as const;
/** Organisms and places by the file that holds them. */
const contents = (): Promise<Readonly<Record<string, readonly string[]>>> => file('contents');

const asked = new Map<string, Promise<unknown>>();

/** One file of the catalogue, fetched once in a window or worker; what could not be had is asked for anew. */
function file<T>(name: string): Promise<T> {
  let answer = asked.get(name);
  if (!answer) {
    answer = fetch(`/catalogue/${name}.json`).then((response) => {
      if (!response.ok) throw new Error(`catalogue/${name}.json: ${response.status}`);
      return response.json();
    });
    answer.catch(() => asked.delete(name));
    asked.set(name, answer);
  }
  return answer as Promise<T>;
}

/** The kinds of water that a source can begin from. */
export async function waterTypes(): Promise<readonly WaterType[]> {
  return file<WaterType[]>('waters');
}

async function withFiles(names: readonly string[]): Promise<Catalogue> {
  const held = async <T>(wanted: readonly string[]) => (await Promise.all(wanted.map((name) => file<T[]>(name)))).flat();
  const [tables, organisms, biotopes] = await Promise.all([
    Promise.all(TABLES.map((name) => file<unknown>(name))),
    held<Organism>(names.filter((name) => !isPlaces(name))),
    held<Biotope>(names.filter(isPlaces)),
  ]);
  const [waters, materials, media, pieces] = tables;
  const data = { edition: EDITION, organisms, waters, materials, media, pieces, biotopes };
  // its shape is checked by the tests, so that the app need not parse it at every start
  return indexCatalogue(data as CatalogueData);
}
const isPlaces = (name: string) => name.startsWith('places/');

/** The catalogue with the families of these organisms, and the parts of the world of these places, alone: enough to judge the tanks that name them. */
export async function catalogueOf(ids: Iterable<string>): Promise<Catalogue> {
  const fileOf = new Map(Object.entries(await contents()).flatMap(([name, held]) => held.map((id) => [id, name] as const)));
  const wanted = new Set<string>();
  let more = [...ids];
  while (more.length > 0) {
    const further = more.flatMap((id) => fileOf.get(id) ?? []).filter((name) => !wanted.has(name));
    for (const name of further) wanted.add(name);
    // what is kept under another name by now may be of another family
    const entries = (await Promise.all([...new Set(further)].map((name) => file<Partial<Organism>[]>(name)))).flat();
    more = entries.flatMap(({ retiredTo }) => (retiredTo && !wanted.has(fileOf.get(retiredTo) ?? '') ? [retiredTo] : []));
  }
  return withFiles([...wanted]);
}

let whole: Promise<Catalogue> | null = null;

/** All of it. */
export function wholeCatalogue(): Promise<Catalogue> {
  if (!whole) {
    whole = contents().then((held) => withFiles(Object.keys(held)));
    whole.catch(() => (whole = null));
  }
  return whole;
}
