/** An animal of a pedigree, or a group that is taken as one parent; null for a parent that is not known. */
export interface Bred {
  id: string;
  motherId: string | null;
  /** More than one where any of them may be the father, each as likely as the others. */
  fatherIds: readonly string[];
  /** Of a group its effective size; 1 for one animal. */
  size: number;
}

/** Kinship of every pair of a pedigree. */
export interface Kinship {
  /** Place of each animal in the table. */
  index: ReadonlyMap<string, number>;
  /** Coefficients, row by row: shape n × n. Of an animal with itself (1 + F)/2, of a group that of any two germ cells of it. */
  table: Float64Array;
  /** Inbreeding of each: of a group that of its members. */
  inbred: Float64Array;
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
      const waits = [one.motherId, ...one.fatherIds]
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
 * Parents that are not known, or are not in the list, are kin to nobody. Of several possible fathers the mean is taken.
 *
 * A group of effective size Ne is one node: two germ cells of it are of one animal with a chance of 1/Ne, so f(g, g) =
 * (1 + F)/(2·Ne) + (1 − 1/Ne)·k, where k is the kinship of two of its members. Young of a group by itself have F = k. Generation by
 * generation this is Wright's Fₜ₊₁ = Fₜ + (1 + Fₜ₋₁ − 2·Fₜ)/(2·Ne).
 *
 * Source: Emik and Terrill 1949, J. Hered. 40:51; Lynch and Walsh 1998, Genetics and Analysis of Quantitative Traits, ch. 7; groups after
 * Wright 1931, Genetics 16:97 (from memory).
 *
 * @throws PedigreeFault
 */
export function kinshipOf(bred: readonly Bred[]): Kinship {
  const order = inGenerations(bred);
  const size = order.length;
  const index = new Map(order.map(({ id }, i) => [id, i]));
  const table = new Float64Array(size * size);
  const inbred = new Float64Array(size);
  /** Kinship of two members of a group; of one animal with itself. */
  const within = new Float64Array(size);
  const at = (id: string | null): number => (id === null ? -1 : (index.get(id) ?? -1));
  for (const [y, { motherId, fatherIds, size: ne }] of order.entries()) {
    const mother = at(motherId);
    const fathers = fatherIds.map(at);
    const share = fathers.length === 0 ? 0 : 1 / (2 * fathers.length);
    for (let x = 0; x < y; x++) {
      let f = mother < 0 ? 0 : table[mother * size + x]! / 2;
      for (const father of fathers) if (father >= 0) f += table[father * size + x]! * share;
      table[y * size + x] = f;
      table[x * size + y] = f;
    }
    let f = 0;
    if (mother >= 0)
      for (const father of fathers)
        if (father >= 0) f += (father === mother ? within[father]! : table[mother * size + father]!) / fathers.length;
    inbred[y] = f;
    const k = ne > 1 ? siblings(table, size, mother, fathers) : (1 + f) / 2;
    within[y] = k;
    table[y * size + y] = (1 + f) / (2 * ne) + (1 - 1 / ne) * k;
  }
  return { index, table, inbred, size };
}

/** Kinship of two young of the same parents: the mean over the parents that their forms come from. */
function siblings(table: Float64Array, size: number, mother: number, fathers: readonly number[]): number {
  const of = (one: number, other: number): number => (one < 0 || other < 0 ? 0 : table[one * size + other]!);
  const mean = (pairs: readonly number[]): number => (pairs.length === 0 ? 0 : pairs.reduce((sum, one) => sum + one, 0) / pairs.length);
  const ofFathers = mean(fathers.flatMap((one) => fathers.map((other) => of(one, other))));
  return (of(mother, mother) + ofFathers + 2 * mean(fathers.map((father) => of(mother, father)))) / 4;
}

/** Kinship of two animals: the inbreeding that their young have. 0 where one is not in the pedigree. */
export function kinshipBetween({ index, table, size }: Kinship, one: string, other: string): number {
  const [i, j] = [index.get(one), index.get(other)];
  return i === undefined || j === undefined ? 0 : table[i * size + j]!;
}

/** Inbreeding of an animal: the chance that both its forms of a locus are copies of one; 0 for one that is not in the pedigree. */
export function inbreedingOf({ index, inbred }: Kinship, id: string): number {
  return inbred[index.get(id) ?? -1] ?? 0;
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
