import type { Catalogue } from '../../core/catalogue/catalogue';
import { CONDITIONERS } from '../../core/water/conditioners';
import { saltsKnown, withOwn, type OwnCatalogue } from '../../core/design/own-catalogue';
import type { PaletteEntry } from './entry';

/** Everything the catalogue of a room knows by name, each to be looked up in it. */
export function catalogueEntries(shipped: Catalogue, own: OwnCatalogue, lookUp: (id: string) => void): PaletteEntry[] {
  const catalogue = withOwn(shipped, own);
  const named = (kind: string, { id, name }: { id: string; name: string }, words: readonly string[] = []): PaletteEntry => ({
    name,
    words,
    kind,
    act: () => lookUp(id),
  });
  return [
    ...[...new Map([...catalogue.organisms.values()].map((organism) => [organism.id, organism])).values()].map(
      ({ id, latin, common, synonyms = [], alsoCalled = [], kind }) =>
        named(kind === 'plant' ? 'Plant' : 'Animal', { id, name: latin }, [...common, ...synonyms, ...alsoCalled]),
    ),
    ...[...catalogue.biotopes.values()].map((place) => named('Wild place', place, [place.habitat])),
    ...[...catalogue.materials.values()].map((material) => named('Material', material, [material.use])),
    ...[...catalogue.media.values()].map((medium) => named('Filter medium', medium)),
    ...[...catalogue.waters.values()].map((water) => named('Water', water)),
    ...[...saltsKnown(own).values()].map((salt) => named('Salt', salt)),
    ...CONDITIONERS.map((conditioner) => named('Conditioner', conditioner)),
  ];
}
