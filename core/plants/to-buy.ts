import type { Bought, Plant } from '../catalogue/organism';
import type { PlantItem } from './model';
import { cuttingsFrom, type Donor } from './donors';

/** Plants or stems that one of what is sold holds. Common practice: five stems to a bunch, a portion of moss as large as a palm. */
const HOLDS: Readonly<Record<Bought, number>> = { pot: 1, stems: 5, portion: 1, tub: 5, clump: 2, cutting: 1 };
const UNIT: Readonly<Record<Bought, readonly [one: string, several: string]>> = {
  pot: ['pot', 'pots'],
  stems: ['bunch of stems', 'bunches of stems'],
  portion: ['portion', 'portions'],
  tub: ['tub', 'tubs'],
  clump: ['mat or clump', 'mats or clumps'],
  cutting: ['cutting of your own', 'cuttings of your own'],
};

/** One kind to get, as it is sold. */
export interface ToBuy {
  plant: Plant;
  form: Bought;
  /** Pots, bunches, portions. */
  units: number;
  says: string;
  /** Plants or stems that are wanted. */
  count: number;
  /** Of them from what is at hand. */
  atHand: number;
  /** Of them cut in other tanks of one's own. */
  from: readonly { name: string; takes: number; leaves: number }[];
  /** What is to be done with it before it goes in. */
  prepare: readonly string[];
}

/** A portion of what floats covers a palm. */
const PALM_MM2 = 8000;
function held({ form: habit, sizeMm: { width } }: Plant, form: Bought): number {
  if (form !== 'portion' || habit !== 'floating' || !width.value) return HOLDS[form];
  return Math.max(1, Math.round(PALM_MM2 / ((Math.PI / 4) * width.value ** 2)));
}

/** As its kind is usually sold, where nobody has said. */
const usualForm = ({ form, traits: { bought } }: Plant): Bought =>
  bought?.value?.[0] ?? (form === 'stem' ? 'stems' : form === 'moss' ? 'portion' : 'pot');

function prepared(plant: Plant, form: Bought): string[] {
  const lines: string[] = [];
  if (form === 'pot') lines.push('take it out of its pot, tease the wool off under running water, cut the roots to a finger’s width');
  if (form === 'tub') lines.push('rinse the jelly off; it comes without snails and algae');
  if (form === 'stems') lines.push('untie, take off the lowest leaves, sort by length: long ones behind');
  if (plant.traits.rooting.value === 'attach' && plant.form !== 'moss') lines.push('keep the rhizome out of the bed');
  if (plant.form === 'moss') lines.push('spread thin: what lies thick goes brown inside');
  if (plant.traits.melts.value) lines.push('it may lose its leaves: leave the roots, new ones follow in three to six weeks');
  return lines;
}

/**
 * All plantings of a tank as a list to get, the most of it first: what is at hand is used before any is bought, and one's own cuttings come out
 * of the tanks that have them.
 */
export function plantsToBuy(
  plantings: readonly { item: PlantItem; plant: Plant }[],
  onHand: ReadonlyMap<string, number> = new Map(),
  donors: ReadonlyMap<string, readonly Donor[]> = new Map(),
): ToBuy[] {
  const left = new Map(onHand);
  const byKind = new Map<string, { plant: Plant; form: Bought; count: number }>();
  for (const { item, plant } of plantings) {
    const form = item.bought ?? usualForm(plant);
    const key = `${plant.id} ${form}`;
    const known = byKind.get(key);
    if (known) known.count += item.count;
    else byKind.set(key, { plant, form, count: item.count });
  }
  return [...byKind.values()]
    .map(({ plant, form, count }) => {
      const atHand = Math.min(count, left.get(plant.id) ?? 0);
      left.set(plant.id, (left.get(plant.id) ?? 0) - atHand);
      const { from } = form === 'cutting' ? cuttingsFrom(count - atHand, donors.get(plant.id) ?? []) : { from: [] };
      const units = Math.ceil((count - atHand) / held(plant, form));
      const says = [
        ...(atHand > 0 ? [`${atHand} at hand`] : []),
        ...(units > 0 ? [`${units} ${UNIT[form][units === 1 ? 0 : 1]}`] : []),
        ...from.map(({ name, takes, leaves }) => `${takes} from ${name}, which keeps ${leaves}`),
      ].join('; ');
      return { plant, form, count, units, atHand, from, says, prepare: prepared(plant, form) };
    })
    .sort((a, b) => b.count - a.count || a.plant.latin.localeCompare(b.plant.latin));
}
