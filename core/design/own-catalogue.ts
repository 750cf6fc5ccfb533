import { applyPatch } from 'rfc6902';
import * as z from 'zod';
import { Biotope } from '../catalogue/biotope';
import type { Catalogue } from '../catalogue/catalogue';
import { Material } from '../catalogue/material';
import type { PieceClass } from '../catalogue/piece';
import { Id, Organism } from '../catalogue/organism';
import { Basis } from '../quantity/fact';
import { inOrder } from '../quantity/in-order';
import { mixAsSalt, OwnMix } from '../water/own-mix';
import { SALTS, SEA_SALT, type Salt } from '../water/salts';

const Key = z.string().min(1).max(80);

/** A fact of the catalogue as this room knows it better: the user's own, in place of what is shipped. */
export const Override = z.strictObject({
  order: z.number().finite(),
  entryId: Id,
  /** JSON pointer to a fact within the entry, such as /ranges/keep/ph. */
  path: z
    .string()
    .max(120)
    .regex(/^(\/[A-Za-z0-9]+)+$/, 'not a path to a fact'),
  fact: z.strictObject({
    value: z.json(),
    basis: Basis,
    source: z.string().min(1).max(400).optional(),
    note: z.string().min(1).max(400).optional(),
  }),
});
export type Override = z.infer<typeof Override>;

/** What the room adds to the catalogue. */
export const OwnCatalogue = z
  .strictObject({
    organisms: z.record(Id, Organism),
    biotopes: z.record(Id, Biotope),
    materials: z.record(Id, Material),
    /** Mineral mixes, by what they are made of. */
    mixes: z.record(Id, OwnMix),
    overrides: z.record(Key, Override),
  })
  .superRefine((own, context) => {
    for (const table of ['organisms', 'biotopes', 'materials', 'mixes'] as const)
      for (const [id, entry] of Object.entries(own[table]))
        if (entry.id !== id) context.addIssue({ code: 'custom', path: [table, id, 'id'], message: `is called "${entry.id}" within` });
  });
export type OwnCatalogue = z.infer<typeof OwnCatalogue>;

export const emptyOwnCatalogue = (): OwnCatalogue => ({
  organisms: {},
  biotopes: {},
  materials: {},
  mixes: {},
  overrides: {},
});

/** An entry with overrides laid over it, each by itself; one that makes no sound entry is left out, with the reason. */
export function overridden(
  entry: Organism,
  overrides: readonly Override[],
): { entry: Organism; refused: { path: string; reason: string }[] } {
  const refused: { path: string; reason: string }[] = [];
  let current = entry;
  for (const { path, fact } of overrides) {
    const trial: unknown = structuredClone(current);
    const [fault] = applyPatch(trial, [{ op: 'add', path, value: fact }]);
    const parsed = fault ? null : Organism.safeParse(trial);
    if (parsed?.success) current = parsed.data;
    else refused.push({ path, reason: fault ? fault.message : (parsed?.error.issues[0]?.message ?? 'is invalid') });
  }
  return { entry: current, refused };
}

const kept = new WeakMap<Catalogue, WeakMap<OwnCatalogue, Catalogue>>();

/**
 * The catalogue as a room knows it: its own entries beside the shipped ones, its own facts in their place. The same objects for the
 * same input; untouched entries stay the shipped ones. A shipped entry is never hidden by an own one of its id.
 */
export function withOwn(catalogue: Catalogue, own: OwnCatalogue): Catalogue {
  const nothing = [own.organisms, own.biotopes, own.materials, own.overrides].every((table) => Object.keys(table).length === 0);
  if (nothing) return catalogue;
  const of = kept.get(catalogue) ?? new WeakMap<OwnCatalogue, Catalogue>();
  kept.set(catalogue, of);
  const known = of.get(own);
  if (known) return known;
  const organisms = new Map<string, Organism>([...Object.entries(own.organisms), ...catalogue.organisms]);
  for (const id of new Set(Object.values(own.overrides).map(({ entryId }) => entryId))) {
    const entry = organisms.get(id);
    if (entry) organisms.set(id, overridden(entry, overridesOf(own, id)).entry);
  }
  const made: Catalogue = {
    ...catalogue,
    organisms,
    biotopes: new Map([...Object.entries(own.biotopes), ...catalogue.biotopes]),
    materials: new Map([...Object.entries(own.materials), ...catalogue.materials]),
    pieces: piecesOf(catalogue, Object.values(own.materials)),
  };
  of.set(own, made);
  return made;
}

const SHIPPED_SALTS: ReadonlyMap<string, Salt> = new Map([...SALTS, SEA_SALT].map((salt) => [salt.id, salt]));
const saltsOfMixes = new WeakMap<OwnCatalogue['mixes'], ReadonlyMap<string, Salt>>();

/** What can be weighed into water in a room: the plain salts, sea salt, and its own mixes, which never hide a salt. The same map for the same mixes. */
export function saltsKnown({ mixes }: Pick<OwnCatalogue, 'mixes'>): ReadonlyMap<string, Salt> {
  const made = Object.values(mixes);
  if (made.length === 0) return SHIPPED_SALTS;
  let known = saltsOfMixes.get(mixes);
  if (!known) saltsOfMixes.set(mixes, (known = new Map([...made.map((mix) => [mix.id, mixAsSalt(mix)] as const), ...SHIPPED_SALTS])));
  return known;
}

/** Classes of pieces that may be of a room's own stone or wood, as they may be of the shipped one of that use. */
function piecesOf(catalogue: Catalogue, materials: readonly Material[]): ReadonlyMap<string, PieceClass> {
  if (materials.length === 0) return catalogue.pieces;
  const pieces = [...catalogue.pieces].map(([id, piece]): [string, PieceClass] => {
    const uses = new Set(piece.materialIds.map((one) => catalogue.materials.get(one)?.use));
    const fitting = materials.filter(({ use }) => uses.has(use)).map((one) => one.id);
    return [id, fitting.length > 0 ? { ...piece, materialIds: [...piece.materialIds, ...fitting] } : piece];
  });
  return new Map(pieces);
}

/** What the room knows better of one entry, in its order. */
export function overridesOf(own: OwnCatalogue, entryId: string): Override[] {
  return inOrder(own.overrides).flatMap(([, override]) => (override.entryId === entryId ? [override] : []));
}
