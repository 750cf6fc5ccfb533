/** The entries of a keyed table in their order, ties by id. */
export function inOrder<T extends { order: number }>(table: Readonly<Record<string, T>>): [id: string, entry: T][] {
  return Object.entries(table).sort(([idA, a], [idB, b]) => a.order - b.order || (idA < idB ? -1 : 1));
}
