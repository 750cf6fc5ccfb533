import type { BredAnimal, Brood, Line } from './model';
import { inGenerations, kinshipOf, PedigreeFault, type Bred, type Kinship } from './kinship';
import { effectiveSize } from './inbreeding';

type Animals = Readonly<Record<string, BredAnimal>>;

/** Animals of a room as kinship takes them. */
export const bredOf = (animals: Animals): Bred[] =>
  Object.entries(animals).map(([id, { motherId, fatherIds, group }]) => ({
    id,
    motherId,
    fatherIds,
    size: group ? effectiveSize(group.males, group.females) : 1,
  }));

/** Kinship of all animals of a room; the pedigree is sound, or the room would not have been read. */
export const kinshipOfRoom = (animals: Animals): Kinship => kinshipOf(bredOf(animals));

export interface PedigreeRefusal {
  path: readonly string[];
  reason: string;
}

/** What cannot be in the lines, animals and broods of a room, each with its place. */
export function pedigreeFaults(
  lines: Readonly<Record<string, Line>>,
  animals: Animals,
  broods: Readonly<Record<string, Brood>>,
): PedigreeRefusal[] {
  const faults: PedigreeRefusal[] = [];
  const wrong = (path: readonly string[], reason: string) => faults.push({ path, reason });
  const get = <T>(table: Readonly<Record<string, T>>, id: string): T | undefined => (Object.hasOwn(table, id) ? table[id] : undefined);
  for (const [id, animal] of Object.entries(animals)) {
    const at = ['bred', id];
    const line = animal.lineId === null ? undefined : get(lines, animal.lineId);
    if (animal.lineId !== null && !line) wrong([...at, 'lineId'], `there is no line “${animal.lineId}”`);
    if (line && line.organismId !== animal.organismId) wrong([...at, 'lineId'], `“${line.name}” is a line of another kind`);
    if (animal.sex !== null && animal.group) wrong([...at, 'sex'], 'a group has both sexes');
    if (animal.apartSince !== null && (animal.sex === 'male' || animal.group))
      wrong([...at, 'apartSince'], 'only a female is kept from males');
    if (animal.apartSince !== null && animal.bornOn !== null && animal.apartSince < animal.bornOn)
      wrong([...at, 'apartSince'], `is before it was born on ${animal.bornOn}`);
    for (const goal of Object.keys(animal.scores))
      if (!line || !Object.hasOwn(line.goals, goal)) wrong([...at, 'scores', goal], 'is no goal of its line');
    for (const fault of parentFaults(animals, animal)) wrong([...at, fault.path], fault.reason);
    if (line && line.locality !== '') {
      const elsewhere = localityFault(lines, animals, animal, line);
      if (elsewhere) wrong([...at, 'lineId'], elsewhere);
    }
  }
  for (const [id, brood] of Object.entries(broods)) {
    for (const fault of parentFaults(animals, { ...brood, name: 'the brood', bornOn: brood.seen.laid ?? null }))
      wrong(['broods', id, fault.path], fault.reason);
  }
  if (faults.length === 0) {
    try {
      inGenerations(bredOf(animals));
    } catch (error) {
      if (!(error instanceof PedigreeFault)) throw error;
      wrong(['bred', error.id], `“${animals[error.id]?.name ?? error.id}” ${error.reason}`);
    }
  }
  return faults;
}

type Child = Pick<BredAnimal, 'name' | 'organismId' | 'motherId' | 'fatherIds' | 'bornOn'>;

function parentFaults(animals: Animals, { name, organismId, motherId, fatherIds, bornOn }: Child): { path: string; reason: string }[] {
  const faults: { path: string; reason: string }[] = [];
  const named = [...(motherId === null ? [] : [['motherId', motherId] as const]), ...fatherIds.map((id) => ['fatherIds', id] as const)];
  for (const [path, id] of named) {
    const parent = Object.hasOwn(animals, id) ? animals[id] : undefined;
    const wrong = (reason: string) => faults.push({ path, reason });
    if (!parent) wrong(`there is no animal “${id}” in the pedigree`);
    else if (parent.organismId !== organismId) wrong(`“${parent.name}” is of another kind than ${name}`);
    else if (path === 'motherId' && parent.sex === 'male') wrong(`“${parent.name}” is a male, and no mother`);
    else if (path === 'fatherIds' && parent.sex === 'female') wrong(`“${parent.name}” is a female, and no father`);
    else if (bornOn !== null && parent.bornOn !== null && parent.bornOn >= bornOn)
      wrong(`“${parent.name}” was born on ${parent.bornOn}, and ${name} on ${bornOn}: a parent is older than its young`);
  }
  if (new Set(fatherIds).size !== fatherIds.length) faults.push({ path: 'fatherIds', reason: 'names one father twice' });
  return faults;
}

/** Why an animal cannot be of a line that keeps to its locality; null when it can. */
function localityFault(lines: Readonly<Record<string, Line>>, animals: Animals, animal: BredAnimal, line: Line): string | null {
  if (animal.identity === 'looks')
    return `only looks like one of “${line.name}” from ${line.locality}: kept in it, a look-alike would end the line`;
  for (const id of [animal.motherId, ...animal.fatherIds]) {
    const parent = id === null ? undefined : animals[id];
    if (!parent) continue;
    const from = parent.lineId === null ? undefined : lines[parent.lineId];
    if (!from || from.locality !== line.locality)
      return `“${parent.name}” is ${from && from.locality !== '' ? `from ${from.locality}` : 'of no known locality'}, “${line.name}” from ${line.locality}: a line with a locality takes in none of another`;
    if (parent.identity === 'looks') return `“${parent.name}” only looks like one of “${line.name}”: its young cannot be of the line`;
  }
  return null;
}

/** The generation of an animal: as it was stated of a founder, one on from its parents; empty while not known. */
export function generationOf(animals: Animals, id: string, under: ReadonlySet<string> = new Set()): string {
  const animal = Object.hasOwn(animals, id) ? animals[id] : undefined;
  if (!animal || under.has(id)) return '';
  const parents = [...new Set([animal.motherId, ...animal.fatherIds])].filter((one) => one !== null);
  if (parents.length === 0) return animal.generation;
  const steps = parents.map((one) => filial(generationOf(animals, one, new Set([...under, id]))));
  return steps.some((step) => step === null) ? '' : `F${Math.max(...steps.map((step) => step!)) + 1}`;
}

/** The generation that young of this one are of; empty for what is none. */
export function generationAfter(generation: string): string {
  const step = filial(generation);
  return step === null ? '' : `F${step + 1}`;
}

/** How many generations from the wild: 0 for wild-caught, null for what is none. */
function filial(generation: string): number | null {
  if (/^(wild|wc|f0)$/i.test(generation)) return 0;
  const read = /^f(\d{1,2})$/i.exec(generation);
  return read ? Number(read[1]) : null;
}

/** Share of each founder's blood in an animal: founders are those with no known parent. Shares add up to 1 where all parents are known. */
export function foundersOf(animals: Animals): ReadonlyMap<string, ReadonlyMap<string, number>> {
  const shares = new Map<string, Map<string, number>>();
  for (const { id, motherId, fatherIds } of inGenerations(bredOf(animals))) {
    const own = new Map<string, number>();
    const take = (parent: string | null | undefined, share: number): void => {
      const of = parent === null || parent === undefined ? undefined : shares.get(parent);
      for (const [founder, part] of of ?? []) own.set(founder, (own.get(founder) ?? 0) + part * share);
    };
    if (motherId === null && fatherIds.length === 0) own.set(id, 1);
    else {
      take(motherId, 0.5);
      for (const father of fatherIds) take(father, 0.5 / fatherIds.length);
    }
    shares.set(id, own);
  }
  return shares;
}
