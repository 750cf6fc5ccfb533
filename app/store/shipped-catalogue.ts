import { EDITION } from '../../catalogue/edition';
import { indexCatalogue, type Catalogue, type CatalogueData } from '../../core/catalogue/catalogue';
import type { Organism } from '../../core/catalogue/organism';
import type { WaterType } from '../../core/catalogue/water-source';

/** Tables that every tank is judged by; organisms come family by family. */
const TABLES = ['waters', 'materials', 'media', 'pieces', 'biotopes'] as const;
/** Organisms by the file that holds them. */
const families = (): Promise<Readonly<Record<string, readonly string[]>>> => file('contents');

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

async function withFamilies(families: readonly string[]): Promise<Catalogue> {
  const [tables, organisms] = await Promise.all([
    Promise.all(TABLES.map((name) => file<unknown>(name))),
    Promise.all(families.map((name) => file<Organism[]>(name))),
  ]);
  const [waters, materials, media, pieces, biotopes] = tables;
  const data = { edition: EDITION, organisms: organisms.flat(), waters, materials, media, pieces, biotopes };
  // its shape is checked by the tests, so that the app need not parse it at every start
  return indexCatalogue(data as CatalogueData);
}

/** The catalogue with the families of these organisms alone: enough to judge the tanks that name them. */
export async function catalogueOf(ids: Iterable<string>): Promise<Catalogue> {
  const familyOf = new Map(Object.entries(await families()).flatMap(([family, held]) => held.map((id) => [id, family] as const)));
  const wanted = new Set<string>();
  let more = [...ids];
  while (more.length > 0) {
    const further = more.flatMap((id) => familyOf.get(id) ?? []).filter((family) => !wanted.has(family));
    for (const family of further) wanted.add(family);
    // what is kept under another name by now may be of another family
    const entries = (await Promise.all([...new Set(further)].map((family) => file<Organism[]>(family)))).flat();
    more = entries.flatMap(({ retiredTo }) => (retiredTo && !wanted.has(familyOf.get(retiredTo) ?? '') ? [retiredTo] : []));
  }
  return withFamilies([...wanted]);
}

let whole: Promise<Catalogue> | null = null;

/** All of it. */
export function wholeCatalogue(): Promise<Catalogue> {
  if (!whole) {
    whole = families().then((held) => withFamilies(Object.keys(held)));
    whole.catch(() => (whole = null));
  }
  return whole;
}
