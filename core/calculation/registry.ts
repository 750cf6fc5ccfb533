import type { Calculation } from './calculation';

/** A look-up over an explicit list; nothing registers itself. */
export interface Registry {
  readonly all: readonly Calculation[];
  find(id: string): Calculation | undefined;
}

/** @throws Error when two calculations share an id */
export function createRegistry(all: readonly Calculation[]): Registry {
  const byId = new Map(all.map((calc) => [calc.id, calc]));
  if (byId.size !== all.length) throw new Error('two calculations share an id');
  return { all, find: (id) => byId.get(id) };
}

/** Forgets the type parameters, so that calculations of every shape can stand in one list. */
export function listed<I, O>(calc: Calculation<I, O>): Calculation {
  return calc as unknown as Calculation;
}
