import * as z from 'zod';
import { Biotope } from './biotope';
import { Material } from './material';
import { Medium } from './medium';
import { Organism } from './organism';
import { PieceClass } from './piece';
import { WaterType } from './water-source';

/** The raw data, as the files in catalogue/ hold it. */
export const CatalogueData = z
  .strictObject({
    edition: z.string().min(1),
    organisms: z.array(Organism),
    waters: z.array(WaterType),
    materials: z.array(Material),
    media: z.array(Medium),
    pieces: z.array(PieceClass),
    biotopes: z.array(Biotope),
  })
  .superRefine((data, context) => {
    const fault = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
    for (const table of ['organisms', 'waters', 'materials', 'media', 'pieces', 'biotopes'] as const) {
      const seen = new Set<string>();
      data[table].forEach((entry, i) => {
        if (seen.has(entry.id)) fault([table, i, 'id'], `"${entry.id}" stands twice`);
        seen.add(entry.id);
      });
    }
    const organismIds = new Set(data.organisms.map((entry) => entry.id));
    const materialIds = new Set(data.materials.map((entry) => entry.id));
    const latin = new Set<string>();
    data.organisms.forEach((entry, i) => {
      if (latin.has(entry.latin)) fault(['organisms', i, 'latin'], `"${entry.latin}" stands twice`);
      latin.add(entry.latin);
      for (const link of ['retiredTo', 'strainOf'] as const) {
        const to = entry[link];
        if (to && !organismIds.has(to)) fault(['organisms', i, link], `no organism "${to}"`);
      }
    });
    data.biotopes.forEach((entry, i) => {
      entry.organismIds.forEach((id, j) => {
        if (!organismIds.has(id)) fault(['biotopes', i, 'organismIds', j], `no organism "${id}"`);
      });
      entry.materialIds.forEach((id, j) => {
        if (!materialIds.has(id)) fault(['biotopes', i, 'materialIds', j], `no material "${id}"`);
      });
    });
    data.pieces.forEach((entry, i) => {
      entry.materialIds.forEach((id, j) => {
        if (!materialIds.has(id)) fault(['pieces', i, 'materialIds', j], `no material "${id}"`);
      });
    });
  });
export type CatalogueData = z.infer<typeof CatalogueData>;

/** Look-ups over the data. */
export interface Catalogue {
  readonly edition: string;
  readonly organisms: ReadonlyMap<string, Organism>;
  readonly waters: ReadonlyMap<string, WaterType>;
  readonly materials: ReadonlyMap<string, Material>;
  readonly media: ReadonlyMap<string, Medium>;
  readonly pieces: ReadonlyMap<string, PieceClass>;
  readonly biotopes: ReadonlyMap<string, Biotope>;
}

/** Indexes data that is already of the right shape (the shipped files are validated by tests, files from outside by CatalogueData). */
export function indexCatalogue(data: CatalogueData): Catalogue {
  const byId = <T extends { id: string }>(entries: readonly T[]) => new Map(entries.map((entry) => [entry.id, entry]));
  const organisms = byId(data.organisms);
  for (const entry of data.organisms) {
    const successor = entry.retiredTo ? organisms.get(entry.retiredTo) : undefined;
    if (successor) organisms.set(entry.id, successor);
  }
  return {
    edition: data.edition,
    organisms,
    waters: byId(data.waters),
    materials: byId(data.materials),
    media: byId(data.media),
    pieces: byId(data.pieces),
    biotopes: byId(data.biotopes),
  };
}
