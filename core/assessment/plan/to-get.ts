import { packed, SPARE, type SoldAs } from '../../build/packs';
import type { Material } from '../../catalogue/material';
import type { Plant } from '../../catalogue/organism';
import { kindsOnHand } from '../../catalogue/kinds-on-hand';
import { stockAtHand } from '../../design/at-hand';
import { inOrder } from '../../design/design';
import { sourceLabel, type Price } from '../../design/room';
import { saltsKnown } from '../../design/own-catalogue';
import { MEDIUM_META } from '../../equipment/media';
import { massOf } from '../../hardscape/mass';
import type { Donor } from '../../plants/donors';
import { plantsToBuy } from '../../plants/to-buy';
import { glassKg } from '../../vessel/filled-mass';
import { plural } from '../../quantity/plural';
import { conditionerOf } from '../../water/conditioners';
import { saltName } from '../../water/salts';
import type { Assessment } from '../assessment';
import { pieceName } from './build';

export const GET_GROUPS = ['vessel', 'bed', 'hardscape', 'plants', 'gear', 'water', 'animals', 'work'] as const;
export type GetGroup = (typeof GET_GROUPS)[number];

/** One thing to get. Amounts are pieces, litres or grams, by its measure. */
export interface ToGet {
  /** What it is, for its price: `material:…`, `plant:…`, `gear:…`. */
  key: string;
  group: GetGroup;
  name: string;
  measure: 'count' | 'volume' | 'mass';
  /** As the design has it. */
  needs: number;
  atHand: number;
  borrowed: readonly { from: string; amount: number }[];
  /** For breakage, loss in rinsing and what does not take, of what is bought. */
  spare: number;
  /** In the packs it is sold in; 0 where nothing is to be got. */
  get: number;
  packs: readonly { size: number; count: number }[];
  /** As people carry it; null while not known. */
  carryKg: number | null;
  /** Room that it takes, litres; null while not known. */
  carryL: number | null;
  /** Of a piece, a litre or a kilogram; null while nobody has said. */
  price: Price | null;
  /** Of all that is to be got. */
  cost: number | null;
  note: string;
  /** How it is made ready, where that is asked for by its kind. */
  prepare: readonly string[];
}

/** Stones lighter than this are picked by the piece. Common practice. */
const BY_WEIGHT_KG = 0.4;
/** Of the power that is planned. */
const LEAST_WATTS = 0.8;
const MOST_WATTS = 2;
const WORDS = /[^a-z0-9]+/g;
const folded = (name: string): string => name.toLowerCase().replace(WORDS, ' ').trim();

/** Kilograms of one unit of what is got. */
type Weighs = number | null;

/**
 * What a design holds less what is at hand and what other tanks give, in the packs it is sold in, with spare for breakage. Amounts are those of
 * the drawing; packs and spares are common practice.
 *
 * @param donors what other tanks of the room have of each plant
 * @param tankName the name of another tank
 */
export function toGet(
  assessment: Assessment,
  donors: ReadonlyMap<string, readonly Donor[]> = new Map(),
  tankName: (id: string) => string = (id) => id,
): ToGet[] {
  const { world, derived } = assessment;
  const { design, room, catalogue } = world;
  const rows: ToGet[] = [];
  const handed = new Map<string, number>();

  /** What the room's list has of it, each entry used once. */
  function atHand(id: string, name: string, measure: ToGet['measure'], wanted: number, kgPerL: Weighs, watts: number | null): number {
    let found = 0;
    for (const [entryId, entry] of Object.entries(room.onHand)) {
      const [entered, sought] = [folded(entry.name), folded(name)];
      const same =
        entry.substance === null
          ? entered.includes(sought) || (entry.kind === 'gear' && entered.split(' ')[0] === sought)
          : entry.substance === id;
      if (!same || entry.kind === 'animal' || entry.kind === 'plant') continue;
      // a spare heater of another size is none
      const rated = /(\d+(?:\.\d+)?)\s*W\b/.exec(entry.name);
      if (watts && rated && (Number(rated[1]) < LEAST_WATTS * watts || Number(rated[1]) > MOST_WATTS * watts)) continue;
      const left = entry.amount - (handed.get(entryId) ?? 0);
      const by = ((): number | null => {
        if (entry.measure === measure) return 1;
        if (kgPerL === null) return null;
        if (entry.measure === 'mass' && measure === 'volume') return 1 / (1000 * kgPerL);
        return entry.measure === 'volume' && measure === 'mass' ? 1000 * kgPerL : null;
      })();
      if (by === null || left <= 0) continue;
      const takes = Math.min(left * by, wanted - found);
      handed.set(entryId, (handed.get(entryId) ?? 0) + takes / by);
      found += takes;
    }
    return found;
  }

  function put(
    row: Pick<ToGet, 'key' | 'group' | 'name' | 'measure' | 'needs'> & Partial<Pick<ToGet, 'atHand' | 'borrowed' | 'note'>>,
    sold: SoldAs | 'piece' | 'plants',
    /** Kilograms of a piece, litre or gram. */
    kgEach: Weighs,
    more: { exact?: boolean; kgPerL?: Weighs; watts?: number | null } = {},
  ): void {
    const id = row.key.slice(row.key.indexOf(':') + 1);
    const has = row.atHand ?? atHand(id, row.name, row.measure, row.needs, more.kgPerL ?? null, more.watts ?? null);
    const borrowed = row.borrowed ?? [];
    const wants = Math.max(0, row.needs - has - borrowed.reduce((sum, { amount }) => sum + amount, 0));
    const spare = more.exact ? 0 : wants * SPARE[sold];
    const bySize = sold === 'piece' || sold === 'plants' ? null : packed(perPack(row.measure, sold, wants + spare), sold);
    const get = bySize
      ? bySize.holds * (row.measure === 'mass' && sold !== 'salt' && sold !== 'leaves' ? 1000 : 1)
      : Math.ceil(wants + spare - 1e-9);
    const price = room.prices[row.key] ?? null;
    rows.push({
      note: '',
      prepare: [],
      ...row,
      atHand: has,
      borrowed,
      spare: Math.max(0, get > 0 ? spare : 0),
      get,
      packs: bySize?.packs ?? [],
      carryKg: kgEach === null ? null : get * kgEach,
      carryL: row.measure === 'volume' ? get : row.measure === 'mass' && more.kgPerL ? get / 1000 / more.kgPerL : null,
      price,
      cost: price === null ? null : price.each * (row.measure === 'mass' ? get / 1000 : get),
    });
  }

  const { vessel } = design;
  if (vessel) {
    const kg = vessel.glassMm.value === null ? null : glassKg(vessel, vessel.glassMm.value);
    put(
      { key: `vessel:${vessel.shape}`, group: 'vessel', name: `${vessel.shape.replace('-', ' ')} vessel`, measure: 'count', needs: 1 },
      'piece',
      kg,
    );
    if (vessel.lid.value === 'glass' || vessel.lid.value === 'mesh')
      put({ key: `lid:${vessel.lid.value}`, group: 'vessel', name: `${vessel.lid.value} lid`, measure: 'count', needs: 1 }, 'piece', null);
    if (vessel.sump) put({ key: 'vessel:sump', group: 'vessel', name: 'sump', measure: 'count', needs: 1 }, 'piece', null);
  }

  // the bed, by material
  const bed = new Map<string, { material: Material | undefined; litres: number; kg: number | null }>();
  for (const { materialId, material, litres, kg } of derived['substrate.bed'].value?.layers ?? []) {
    const known = bed.get(materialId);
    bed.set(materialId, {
      material,
      litres: (known?.litres ?? 0) + litres,
      kg: kg === null || known?.kg === null ? null : (known?.kg ?? 0) + kg,
    });
  }
  for (const [id, { material, litres, kg }] of bed) {
    const kgPerL = material?.densityKgPerM3.value ? material.densityKgPerM3.value / 1000 : null;
    const byVolume = !material || kg === null || material.soft || material.nutrient || material.filler || material.alive;
    const name = material?.name ?? id;
    if (byVolume) put({ key: `material:${id}`, group: 'bed', name, measure: 'volume', needs: litres }, 'soil', kgPerL, { kgPerL });
    else put({ key: `material:${id}`, group: 'bed', name, measure: 'mass', needs: kg * 1000 }, 'sand', 0.001, { kgPerL });
  }
  if (design.substrate.mat)
    put({ key: 'bed:mat', group: 'bed', name: 'mat for the bottom pane', measure: 'count', needs: 1 }, 'piece', null);
  if (Object.values(design.substrate.layers).some(({ cloth }) => cloth))
    put({ key: 'bed:cloth', group: 'bed', name: 'cloth under the bed, cut to the floor', measure: 'count', needs: 1 }, 'piece', null);

  // pieces of one class and material together
  const pieces = new Map<string, { name: string; group: string; count: number; kg: number | null; key: string }>();
  for (const piece of derived['scene.pieces'].value ?? []) {
    const material = piece.item.materialId === null ? undefined : catalogue.materials.get(piece.item.materialId);
    const key = `piece:${piece.of.id}:${piece.item.materialId ?? 'unknown'}`;
    const kg = massOf(piece, catalogue)?.kg ?? null;
    const known = pieces.get(key);
    pieces.set(key, {
      key,
      name: pieceName(piece.of.name, material?.name),
      group: piece.of.group,
      count: (known?.count ?? 0) + 1,
      kg: kg === null || known?.kg === null ? null : (known?.kg ?? 0) + kg,
    });
  }
  for (const { key, name, group, count, kg } of pieces.values()) {
    if (group === 'stone' && kg !== null && kg / count >= BY_WEIGHT_KG)
      put({ key, group: 'hardscape', name, measure: 'mass', needs: kg * 1000, note: plural(count, 'piece') }, 'stone', 0.001);
    else put({ key, group: 'hardscape', name, measure: 'count', needs: count }, 'piece', kg === null ? null : kg / count);
  }
  const fixings = new Set(Object.values(design.scene).map((item) => (item.kind === 'hardscape' ? item.fixing : item.hold)));
  if (fixings.has('glued'))
    put(
      { key: 'work:glue', group: 'work', name: 'thin glue for wet stone and wood, and paper to wedge', measure: 'count', needs: 1 },
      'piece',
      null,
    );
  if (fixings.has('screwed'))
    put({ key: 'work:screws', group: 'work', name: 'stainless screws and a slate to screw on', measure: 'count', needs: 1 }, 'piece', null);
  if (fixings.has('tied')) put({ key: 'work:thread', group: 'work', name: 'cotton thread', measure: 'count', needs: 1 }, 'piece', null);

  // plants as they are sold
  const plants = [...catalogue.organisms.values()].filter((entry): entry is Plant => entry.kind === 'plant');
  for (const one of plantsToBuy(derived['plants.standing'].value ?? [], kindsOnHand('plant', stockAtHand(room), plants), donors)) {
    const takes = one.from.reduce((sum, { takes: some }) => sum + some, 0);
    const units = Math.max(0, one.units - (one.form === 'cutting' ? takes : 0));
    // a bed of plants is bought with one in ten over
    const over = one.form === 'cutting' || units < 5 ? 0 : Math.ceil(units * SPARE.plants);
    const price = room.prices[`plant:${one.plant.id}`] ?? null;
    rows.push({
      key: `plant:${one.plant.id}`,
      group: 'plants',
      name: `*${one.plant.latin}*`,
      measure: 'count',
      needs: one.count,
      atHand: one.atHand,
      borrowed: one.from.map(({ name, takes: amount }) => ({ from: name, amount })),
      spare: over,
      get: units + over,
      packs: [],
      carryKg: null,
      carryL: null,
      price,
      cost: price === null ? null : price.each * (units + over),
      note: one.says,
      prepare: one.prepare,
    });
  }

  // gear, by kind
  const gear = new Map<string, (typeof design.equipment)[string][]>();
  for (const device of Object.values(design.equipment)) {
    const kind = device.kind === 'filter' && device.form ? `${device.form} filter` : device.kind === 'air' ? 'air pump' : device.kind;
    gear.set(kind, [...(gear.get(kind) ?? []), device]);
  }
  for (const [kind, devices] of gear) {
    const borrowed = devices.flatMap((device) =>
      device.kind === 'air' && device.ofTankId ? [{ from: tankName(device.ofTankId), amount: 1 }] : [],
    );
    const watts = devices.reduce<number | null>((most, { powerW }) => (powerW === null ? most : Math.max(most ?? 0, powerW)), null);
    put(
      {
        key: `gear:${kind}`,
        group: 'gear',
        name: kind,
        measure: 'count',
        needs: devices.length,
        borrowed,
        note: watts === null ? '' : `${watts} W`,
      },
      'piece',
      null,
      { watts },
    );
  }
  for (const device of Object.values(design.equipment)) {
    if (device.kind !== 'filter') continue;
    for (const { medium, litres, fromTankId } of device.media)
      put(
        {
          key: `media:${medium}`,
          group: 'gear',
          name: MEDIUM_META[medium].name,
          measure: 'volume',
          needs: litres,
          ...(fromTankId ? { atHand: 0, borrowed: [{ from: tankName(fromTankId), amount: litres }] } : {}),
        },
        'media',
        null,
      );
  }

  // water of the first filling
  const litres = derived['vessel.system-volume'].value;
  const poured = derived['water.poured'].value ?? [];
  const whole = poured.reduce((sum, { share }) => sum + share, 0);
  if (litres !== null) {
    for (const { source, share, id } of poured) {
      const needs = (litres * share) / whole;
      put({ key: `water:${id}`, group: 'water', name: sourceLabel(source), measure: 'volume', needs, atHand: needs }, 'water', null);
    }
    const salts = saltsKnown(room.own);
    for (const [, { saltId, mgPerL }] of inOrder(design.water.salts))
      put(
        { key: `salt:${saltId}`, group: 'water', name: saltName(saltId, salts), measure: 'mass', needs: (mgPerL * litres) / 1000 },
        'salt',
        0.001,
      );
  }
  if (design.water.conditioner)
    put(
      {
        key: `conditioner:${design.water.conditioner}`,
        group: 'water',
        name: `conditioner: ${(conditionerOf(design.water.conditioner)?.name ?? design.water.conditioner).toLowerCase()}`,
        measure: 'count',
        needs: 1,
        note: 'dose by its label',
      },
      'piece',
      null,
    );
  for (const [, { materialId, amount }] of inOrder(design.water.additions)) {
    const material = catalogue.materials.get(materialId);
    const kgPerL = material?.densityKgPerM3.value ? material.densityKgPerM3.value / 1000 : null;
    const name = material?.name ?? materialId;
    if (material?.use === 'substrate')
      put({ key: `material:${materialId}`, group: 'water', name, measure: 'volume', needs: amount }, 'soil', kgPerL, { kgPerL });
    else
      put(
        { key: `material:${materialId}`, group: 'water', name, measure: 'mass', needs: amount },
        material?.use === 'botanical' ? 'leaves' : 'stone',
        0.001,
        { kgPerL },
      );
  }

  // who lives there
  const animals = [...catalogue.organisms.values()].filter(({ kind }) => kind === 'animal');
  const own = kindsOnHand('animal', stockAtHand(room), animals);
  for (const { organism, organismId, count } of derived['stock.members'].value ?? []) {
    if (organism?.kind === 'plant') continue;
    put(
      {
        key: `animal:${organismId}`,
        group: 'animals',
        name: organism ? `*${organism.latin}*` : organismId,
        measure: 'count',
        needs: count,
        atHand: Math.min(count, own.get(organismId) ?? 0),
        note: 'when the tank is ready',
      },
      'piece',
      null,
      { exact: true },
    );
  }
  put(
    { key: 'work:tests', group: 'work', name: 'tests for ammonia, nitrite, nitrate, pH, GH and KH', measure: 'count', needs: 1 },
    'piece',
    null,
  );
  put({ key: 'work:thermometer', group: 'work', name: 'thermometer', measure: 'count', needs: 1 }, 'piece', null);
  return GET_GROUPS.flatMap((group) => rows.filter((row) => row.group === group));
}

/** An amount as its packs count it: soil, media and water in litres, sand and stone in kilograms, salts and leaves in grams. */
function perPack(measure: ToGet['measure'], sold: SoldAs, amount: number): number {
  return measure === 'mass' && sold !== 'salt' && sold !== 'leaves' ? amount / 1000 : amount;
}

/** What there is to carry in all, and what it costs as far as prices are known. */
export function sumsOf(rows: readonly ToGet[]): { carryKg: number; carryL: number; unweighed: number; cost: number; unpriced: number } {
  const wanted = rows.filter(({ get }) => get > 0);
  return {
    carryKg: wanted.reduce((sum, { carryKg }) => sum + (carryKg ?? 0), 0),
    carryL: wanted.reduce((sum, { carryL }) => sum + (carryL ?? 0), 0),
    unweighed: wanted.filter(({ carryKg }) => carryKg === null).length,
    cost: wanted.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
    unpriced: wanted.filter(({ cost }) => cost === null).length,
  };
}
