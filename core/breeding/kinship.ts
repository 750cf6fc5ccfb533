/** An animal of a pedigree, or a group that is taken as one parent; null for a parent that is not known. */
export interface Bred {
  id: string;
  motherId: string | null;
  fatherId: string | null;
}

/** Kinship of every pair of a pedigree. */
export interface Kinship {
  /** Place of each animal in the table. */
  index: ReadonlyMap<string, number>;
  /** Coefficients, row by row: shape n × n. Of an animal with itself (1 + F)/2. */
  table: Float64Array;
  size: number;
}

export class PedigreeFault extends Error {
  constructor(
    readonly id: string,
    readonly reason: string,
  ) {
    super(`${id}: ${reason}`);
  }
}

/**
 * Parents before their young.
 * @throws PedigreeFault where an id comes twice or an animal is its own forebear
 */
export function inGenerations(bred: readonly Bred[]): Bred[] {
  const by = new Map(bred.map((one) => [one.id, one]));
  if (by.size !== bred.length) {
    const twice = bred.find(({ id }, i) => bred.findIndex((one) => one.id === id) !== i)!;
    throw new PedigreeFault(twice.id, 'stands twice in the pedigree');
  }
  const order: Bred[] = [];
  const state = new Map<string, 'under way' | 'done'>();
  // by hand, not by calling itself: a line of thousands of generations would overrun the stack
  for (const start of bred) {
    const stack = [start];
    while (stack.length > 0) {
      const one = stack.at(-1)!;
      if (state.get(one.id) === 'done') {
        stack.pop();
        continue;
      }
      state.set(one.id, 'under way');
      const waits = [one.motherId, one.fatherId]
        .flatMap((id) => (id === null ? [] : (by.get(id) ?? [])))
        .filter(({ id }) => state.get(id) !== 'done');
      const own = waits.find(({ id }) => state.get(id) === 'under way');
      if (own) throw new PedigreeFault(own.id, 'is its own forebear');
      if (waits.length > 0) stack.push(...waits);
      else {
        state.set(one.id, 'done');
        order.push(one);
        stack.pop();
      }
    }
  }
  return order;
}

/**
 * Kinship by the table method: f(x, y) = (f(x, mother of y) + f(x, father of y))/2 for y no older than x, f(x, x) = (1 + f(mother, father))/2.
 * Parents that are not known, or are not in the list, are kin to nobody.
 *
 * Source: Emik and Terrill 1949, J. Hered. 40:51; Lynch and Walsh 1998, Genetics and Analysis of Quantitative Traits, ch. 7.
 *
 * @throws PedigreeFault
 */
export function kinshipOf(bred: readonly Bred[]): Kinship {
  const order = inGenerations(bred);
  const size = order.length;
  const index = new Map(order.map(({ id }, i) => [id, i]));
  const table = new Float64Array(size * size);
  for (const [y, { motherId, fatherId }] of order.entries()) {
    const mother = motherId === null ? -1 : (index.get(motherId) ?? -1);
    const father = fatherId === null ? -1 : (index.get(fatherId) ?? -1);
    for (let x = 0; x < y; x++) {
      const f = ((mother < 0 ? 0 : table[mother * size + x]!) + (father < 0 ? 0 : table[father * size + x]!)) / 2;
      table[y * size + x] = f;
      table[x * size + y] = f;
    }
    table[y * size + y] = (1 + (mother < 0 || father < 0 ? 0 : table[mother * size + father]!)) / 2;
  }
  return { index, table, size };
}

/** Kinship of two animals: the inbreeding that their young have. 0 where one is not in the pedigree. */
export function kinshipBetween({ index, table, size }: Kinship, one: string, other: string): number {
  const [i, j] = [index.get(one), index.get(other)];
  return i === undefined || j === undefined ? 0 : table[i * size + j]!;
}

/** Inbreeding of an animal: the chance that both its forms of a locus are copies of one; 0 for one that is not in the pedigree. */
export function inbreedingOf({ index, table, size }: Kinship, id: string): number {
  const i = index.get(id);
  return i === undefined ? 0 : 2 * table[i * size + i]! - 1;
}

/** Pairs of these mothers and fathers, those of the least kinship first. */
export function pairings(
  kinship: Kinship,
  mothers: readonly string[],
  fathers: readonly string[],
): { motherId: string; fatherId: string; inbreeding: number }[] {
  return mothers
    .flatMap((motherId) => fathers.map((fatherId) => ({ motherId, fatherId, inbreeding: kinshipBetween(kinship, motherId, fatherId) })))
    .sort((a, b) => a.inbreeding - b.inbreeding || a.motherId.localeCompare(b.motherId) || a.fatherId.localeCompare(b.fatherId));
}
