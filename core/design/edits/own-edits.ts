import type { Operation } from 'rfc6902';
import type { Biotope } from '../../catalogue/biotope';
import type { Catalogue } from '../../catalogue/catalogue';
import { Organism } from '../../catalogue/organism';
import { nextOrder } from '../design';
import { pointer, refusalsOf } from '../edit';
import { overridden, type OwnCatalogue } from '../own-catalogue';
import type { Fact } from '../../quantity/fact';

/** The id under which a room keeps its own fact: one for each entry and path. */
export const overrideKey = (entryId: string, path: string): string => `${entryId}${path}`.replaceAll('/', '.').slice(0, 80);

/** A patch on the room, or why there is none. */
export type OwnEdit = { ok: true; patch: Operation[] } | { ok: false; reason: string };

/** Puts down the user's own fact: into an entry of their own, or over a shipped one. Refused where it makes no sound entry. */
export function ownFact(own: OwnCatalogue, entry: Organism, path: string, fact: Fact<unknown>): OwnEdit {
  const { refused } = overridden(entry, [{ order: 0, entryId: entry.id, path, fact: fact as never }]);
  if (refused[0]) return { ok: false, reason: refused[0].reason };
  if (Object.hasOwn(own.organisms, entry.id))
    return { ok: true, patch: [{ op: 'add', path: `${pointer('own', 'organisms', entry.id)}${path}`, value: fact }] };
  const key = overrideKey(entry.id, path);
  const order = own.overrides[key]?.order ?? nextOrder(own.overrides);
  return { ok: true, patch: [{ op: 'add', path: pointer('own', 'overrides', key), value: { order, entryId: entry.id, path, fact } }] };
}

/** Goes back to what is shipped. */
export function dropFact(own: OwnCatalogue, entryId: string, path: string): Operation[] {
  return Object.entries(own.overrides)
    .filter(([, override]) => override.entryId === entryId && override.path === path)
    .map(([key]) => ({ op: 'remove', path: pointer('own', 'overrides', key) }));
}

export const slug = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/["’.\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 70);

/** An entry of the user's own, begun as a copy of another under a name of its own. */
export function copyEntry(catalogue: Catalogue, from: Organism, latin: string, common: string): OwnEdit & { id?: string } {
  const id = `own-${slug(latin)}`;
  if ([...catalogue.organisms.values()].some((entry) => entry.latin.toLowerCase() === latin.trim().toLowerCase() || entry.id === id))
    return { ok: false, reason: `“${latin.trim()}” is in the catalogue already` };
  // what it crosses with, was and is called, is said of the other kind
  const { retiredTo: _r, synonyms: _s, alsoCalled: _a, ...copied } = from;
  const rest =
    copied.kind === 'animal'
      ? {
          ...copied,
          traits: { ...copied.traits, crossesWithin: { value: id, basis: 'recalled', note: 'Nobody has said what it crosses with.' } },
        }
      : copied;
  const parsed = Organism.safeParse({ ...rest, id, latin: latin.trim(), common: [common.trim() || latin.trim()] });
  if (!parsed.success)
    return { ok: false, reason: refusalsOf(parsed.error).map(({ path, reason }) => `${path}: ${reason}`)[0] ?? 'not sound' };
  return { ok: true, id, patch: [{ op: 'add', path: pointer('own', 'organisms', id), value: parsed.data as never }] };
}

/** Takes an entry of the user's own out, with what was put down over it. */
export function deleteEntry(own: OwnCatalogue, id: string): Operation[] {
  return [
    { op: 'remove', path: pointer('own', 'organisms', id) },
    ...Object.entries(own.overrides)
      .filter(([, { entryId }]) => entryId === id)
      .map(([key]): Operation => ({ op: 'remove', path: pointer('own', 'overrides', key) })),
  ];
}

/** Keeps drafts of places as the room's own, under ids that are free. */
export function keepPlaces(catalogue: Catalogue, drafts: readonly Biotope[]): { patch: Operation[]; ids: string[] } {
  const taken = new Set(catalogue.biotopes.keys());
  const ids: string[] = [];
  const patch = drafts.map((draft): Operation => {
    let id = draft.id;
    for (let n = 2; taken.has(id); n++) id = `${draft.id}-${n}`;
    taken.add(id);
    ids.push(id);
    return { op: 'add', path: pointer('own', 'biotopes', id), value: { ...draft, id } as never };
  });
  return { patch, ids };
}
