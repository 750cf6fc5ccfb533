import type { CatalogueData } from '../core/catalogue/catalogue';
import amphibians from './animals/amphibians.json';
import fish from './animals/fish.json';
import invertebrates from './animals/invertebrates.json';
import biotopes from './biotopes.json';
import materials from './materials.json';
import pieces from './pieces.json';
import plants from './plants.json';
import waters from './waters.json';

/** The shipped catalogue. Its shape is checked by the tests, so that the app need not parse it at every start. */
export const catalogueData = {
  edition: '2026-11',
  organisms: [...fish, ...invertebrates, ...amphibians, ...plants],
  waters,
  materials,
  pieces,
  biotopes,
} as unknown as CatalogueData;
