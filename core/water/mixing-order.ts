import type { Salt } from './salts';

export type MixingStep =
  | { kind: 'pour'; sourceIds: readonly string[] }
  | { kind: 'condition' }
  | { kind: 'dissolve'; salt: Salt; grams: number }
  | { kind: 'stir-and-measure' };

/** Whether a salt must not meet another in a bottle: lime falls out with sulfate and with carbonate there. In the whole water it does not. */
export function clashInBottle(a: Salt, b: Salt): boolean {
  const lime = [a, b].find(({ stock }) => stock === 'calcium');
  const other = lime === a ? b : a;
  return lime !== undefined && (other.stock === 'sulfate' || other.stock === 'alkaline' || (other.stock === 'calcium' && brings(a, b)));
}

/** Gypsum among the salts of lime brings sulfate along, so that it too goes apart from the chloride. */
function brings(a: Salt, b: Salt): boolean {
  return a !== b && [a, b].some(({ ions }) => (ions.sulfate ?? 0) > 0);
}

/** Salts sorted into bottles of concentrate in which nothing falls out: as few as it takes. */
export function bottles(salts: readonly Salt[]): Salt[][] {
  const shelves: Salt[][] = [];
  for (const salt of salts) {
    const shelf = shelves.find((with_) => with_.every((other) => !clashInBottle(salt, other)));
    if (shelf) shelf.push(salt);
    else shelves.push([salt]);
  }
  return shelves;
}

const FIRST: readonly Salt['stock'][] = ['sulfate', 'any', 'calcium', 'alkaline'];

/**
 * In which order a batch is mixed: water first, tap water conditioned before anything else, the salt that dissolves worst while the water is
 * still empty, bicarbonates last so that lime does not fall out. Each salt is stirred clear before the next.
 */
export function mixingOrder(
  litres: readonly { sourceId: string; litres: number }[],
  grams: readonly { salt: Salt; grams: number }[],
  conditioned: boolean,
): MixingStep[] {
  const poured = litres.filter((part) => part.litres > 0).map(({ sourceId }) => sourceId);
  const slow = (salt: Salt) => Number(salt.solubilityGPerL < 10);
  const salts = grams
    .filter((part) => part.grams > 0)
    .sort((a, b) => slow(b.salt) - slow(a.salt) || FIRST.indexOf(a.salt.stock) - FIRST.indexOf(b.salt.stock));
  return [
    { kind: 'pour', sourceIds: poured },
    ...(conditioned ? [{ kind: 'condition' as const }] : []),
    ...salts.map((part) => ({ kind: 'dissolve' as const, ...part })),
    { kind: 'stir-and-measure' },
  ];
}
