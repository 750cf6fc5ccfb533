import type { Biotope } from '../../core/catalogue/biotope';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Material } from '../../core/catalogue/material';
import type { Medium } from '../../core/catalogue/medium';
import { nameSearch, plainName } from '../../core/catalogue/name-search';
import type { Organism, ToleranceRange } from '../../core/catalogue/organism';
import { REGIONS } from '../../core/catalogue/region';
import type { WaterType } from '../../core/catalogue/water-source';
import { CONDITIONERS, type Conditioner } from '../../core/water/conditioners';
import type { Salt } from '../../core/water/salts';

import { factAt, type Field } from './fields';

export const SHELVES = ['animals', 'plants', 'places', 'materials'] as const;
export type Shelf = (typeof SHELVES)[number];

/** One line of the list. */
export interface Item {
  id: string;
  shelf: Shelf;
  name: string;
  /** Set in italics. */
  latin: boolean;
  second: string;
  group: string;
  entry: Organism | Biotope | Material | Medium | WaterType | Salt | Conditioner;
}

/** Everything that stands on a shelf, by name. */
export function itemsOf(catalogue: Catalogue, shelf: Shelf, salts: ReadonlyMap<string, Salt> = new Map()): Item[] {
  const items: Item[] =
    shelf === 'places'
      ? [...catalogue.biotopes.values()].map((entry) => ({
          id: entry.id,
          shelf,
          name: entry.name,
          latin: false,
          second: REGIONS[entry.region].name,
          group: entry.habitat,
          entry,
        }))
      : shelf === 'materials'
        ? [
            ...[...catalogue.materials.values()].map((entry) => plainItem(entry, entry.use, entry.use)),
            ...[...catalogue.media.values()].map((entry) => plainItem(entry, 'filter medium', `takes out ${entry.takesOut.join(', ')}`)),
            ...[...catalogue.waters.values()].map((entry) => plainItem(entry, 'water', entry.note)),
            ...[...salts.values()].map((entry) =>
              plainItem(entry, 'salt', entry.caution ?? `${entry.solubilityGPerL} g dissolve in a litre`),
            ),
            ...CONDITIONERS.map((entry) => plainItem(entry, 'conditioner', entry.note)),
          ]
        : [...catalogue.organisms.values()]
            .filter(({ kind }) => kind === (shelf === 'animals' ? 'animal' : 'plant'))
            .map((entry) => ({
              id: entry.id,
              shelf,
              name: entry.latin,
              latin: true,
              second: entry.common.join(', '),
              group: entry.kind === 'plant' ? entry.form : entry.group,
              entry,
            }));
  // a retired entry stands under its successor's id too
  return [...new Map(items.map((item) => [item.id, item])).values()].sort((a, b) => a.name.localeCompare(b.name));
}

const plainItem = (entry: Material | Medium | WaterType | Salt | Conditioner, group: string, second: string): Item => ({
  id: entry.id,
  shelf: 'materials',
  name: entry.name,
  latin: false,
  second,
  group,
  entry,
});

/** Searches items by any name, forgiving slips of the pen; an empty query gives all of them, by name. Else by what they are. */
export function searchOf(items: readonly Item[]): (query: string) => readonly Item[] {
  const byName = nameSearch(
    items.map((item) => ({
      item,
      latin: item.name,
      common: 'common' in item.entry ? item.entry.common : [],
      synonyms: 'synonyms' in item.entry ? item.entry.synonyms : undefined,
      alsoCalled: 'alsoCalled' in item.entry ? item.entry.alsoCalled : undefined,
    })),
  );
  const kinds = items.map(({ second, group }) => ` ${plainName(`${second} ${group}`)}`);
  return (query) => {
    if (query.trim() === '') return items;
    const named = byName(query).map(({ entry }) => entry.item);
    const asked = plainName(query);
    const rest = items.filter((_, i) => kinds[i]!.includes(` ${asked}`));
    return [...new Set([...named, ...rest])];
  };
}

/** What an entry must be to be listed. What is not known of it never meets a condition. */
export type Condition =
  | { op: 'comfort' | 'includes'; path: string; value: number }
  | { op: 'least' | 'most'; path: string; value: number }
  | { op: 'is'; path: string; value: string | boolean }
  | { op: 'contains'; path: string; value: string }
  | { op: 'unknown'; path: string }
  | { op: 'own'; path: '' };

/** The ways a field can be asked for. */
export function waysOf({ as }: Field): readonly Condition['op'][] {
  switch (as.type) {
    case 'range':
      return ['comfort', 'unknown'];
    case 'between':
      return ['includes', 'unknown'];
    case 'quantity':
    case 'number':
    case 'span':
      return ['most', 'least', 'unknown'];
    case 'text':
    case 'shown':
      return ['contains', 'unknown'];
    default:
      return ['is', 'unknown'];
  }
}

export function meets(item: Item, condition: Condition, field: Field | undefined, isOwn: (id: string) => boolean): boolean {
  if (condition.op === 'own') return isOwn(item.id);
  const fact = factAt(item.entry, condition.path);
  const value = fact?.value ?? null;
  if (condition.op === 'unknown') return value === null;
  if (value === null) return false;
  switch (condition.op) {
    case 'comfort': {
      const [low, high] = (value as ToleranceRange).optimum;
      return low !== null && high !== null && condition.value >= low && condition.value <= high;
    }
    case 'includes': {
      const [low, high] = value as [number, number];
      return condition.value >= low && condition.value <= high;
    }
    case 'most':
      return (Array.isArray(value) ? Number(value[1]) : Number(value)) <= condition.value;
    case 'least':
      return (Array.isArray(value) ? Number(value[0]) : Number(value)) >= condition.value;
    case 'is':
      return Array.isArray(value) ? value.includes(condition.value) : value === condition.value;
    case 'contains': {
      const text = field?.as.type === 'shown' ? field.as.show(value as never) : String(value as string);
      return text.toLowerCase().includes(condition.value.toLowerCase());
    }
  }
}
