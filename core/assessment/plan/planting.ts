import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import type { Plant } from '../../catalogue/organism';
import { belonging, strangeness } from '../../biotope/fidelity';
import { Design, nextOrder } from '../../design/design';
import { applyEdit, pointer } from '../../design/edit';
import { easeOf, suits } from '../../plants/choose';
import { coverOf } from '../../plants/cover';
import { trimEveryDays } from '../../plants/growth';
import { kindsOnHand } from '../../catalogue/kinds-on-hand';
import { stockAtHand } from '../../design/at-hand';
import { newPlanting, type PlantItem } from '../../plants/model';
import { inTheWay, naturalHold, type Place } from '../../plants/standing';
import { plantedOver } from '../../plants/tank-findings';
import { insideFloorMm } from '../../vessel/inside-floor';
import { surfacesOf } from '../../vessel/shape';
import type { Assessment } from '../assessment';
import { inTheBed, placeOf } from '../derive/plants';
import { plantWaterOf } from '../derive/plant-water';

/** What a planting is to be for. */
export const PURPOSES = ['cover', 'breed', 'show', 'start'] as const;
export type Purpose = (typeof PURPOSES)[number];

export interface PlantingWish {
  purpose: Purpose;
  /** Little to trim, no carbon dioxide. */
  lowWork: boolean;
  /** Of nothing but what is at hand in the room. */
  atHand?: boolean;
}

/** One way to plant a tank, judged as it would stand. */
export interface PlantingPlan {
  id: 'shade' | 'thicket' | 'meadow';
  /** How many of each, and how many of them are at hand in the room. */
  kinds: readonly { plantId: string; latin: string; count: number; atHand: number }[];
  patch: Operation[];
  /** Of the floor, on the day of planting; of the surface afloat and litres of leaves when grown in. */
  plantedOver: number;
  floating: number;
  foliageL: number;
  /** Days between trims of the fastest; null where hardly anything is trimmed. */
  trimDays: number | null;
}

type Role = 'back' | 'middle' | 'front' | 'wood' | 'moss' | 'afloat';
/** How many kinds of each place a plan takes. */
const PLANS: Readonly<Record<PlantingPlan['id'], Partial<Record<Role, number>>>> = {
  shade: { wood: 2, moss: 1, middle: 1, afloat: 1 },
  thicket: { back: 2, middle: 1, moss: 1, afloat: 1 },
  meadow: { front: 1, middle: 2, back: 1 },
};

/** Where a kind is used. */
function roleOf(plant: Plant): Role {
  const tall = plant.sizeMm.length.value ?? 100;
  if (plant.form === 'moss') return 'moss';
  if (naturalHold(plant) === 'afloat') return plant.form === 'floating' ? 'afloat' : 'back';
  if (plant.traits.rooting.value === 'attach') return 'wood';
  if (plant.form === 'carpet' || tall <= 90) return 'front';
  return tall > 220 || plant.form === 'stem' ? 'back' : 'middle';
}

/** How well a kind serves the purpose, beside how little it asks. */
function worth(plant: Plant, { purpose, lowWork }: PlantingWish): number {
  const growth = plant.traits.growth.value ?? 'moderate';
  const cover = { good: 1, fair: 0.4, poor: 0 }[coverOf(plant)];
  const slow = { slow: 1, moderate: 0.4, fast: -0.6 }[growth];
  const ease = easeOf(plant) + (lowWork ? slow : 0);
  switch (purpose) {
    case 'cover':
      return ease + cover;
    case 'breed':
      return ease + 1.5 * cover;
    case 'show':
      return ease * 0.5 + ((plant.traits.leafColours?.value?.length ?? 0) > 1 ? 1 : 0) + cover * 0.2;
    case 'start':
      return ease - slow * 1.5;
  }
}

/** Depth of the floor at which a role stands, and of the length how it is spread; how much of the floor each kind is given. */
const AT: Readonly<Record<'back' | 'middle' | 'front', { depth: number; share: number; bunches: number }>> = {
  back: { depth: 0.8, share: 0.12, bunches: 2 },
  middle: { depth: 0.52, share: 0.1, bunches: 2 },
  front: { depth: 0.24, share: 0.12, bunches: 2 },
};
const MOST_OF_ONE = 40;
const WOOD_AT_MOST = 4;

/** A free place on the floor near a wish; null where stones stand all about. */
function freeNear(design: Design, place: Place, x: number, y: number): [number, number] | null {
  const { vessel } = design;
  if (!vessel) return null;
  for (let r = 0; r <= 160; r += 20)
    for (let k = 0; k < (r === 0 ? 1 : 10); k++) {
      const [px, py] = [x + r * Math.cos((k * Math.PI) / 5), y + r * Math.sin((k * Math.PI) / 5)];
      if (insideFloorMm(vessel, px, py) !== null && !inTheWay(place, px, py)) return [Math.round(px), Math.round(py)];
    }
  return null;
}

function laidOut(assessment: Assessment, chosen: readonly { plant: Plant; role: Role }[]): PlantItem[] {
  const { design } = assessment.world;
  const { vessel } = design;
  const within = placeOf(design, assessment.derived);
  if (!vessel || !within) return [];
  const place = { ...within, pieces: inTheBed(assessment.derived) };
  const floor = surfacesOf(vessel, 1).baseM2 * 1e6;
  const pieces = (assessment.derived['scene.pieces'].value ?? []).filter(({ of }) => of.group === 'wood' || of.group === 'stone');
  const items: PlantItem[] = [];
  const order = nextOrder(design.scene);
  const put = (plant: Plant, at: [number, number], more: Partial<PlantItem>) =>
    items.push({ ...newPlanting(plant.id, order + items.length, at.length === 2 ? [at[0], at[1], 0] : [0, 0, 0]), ...more });
  const nth: Partial<Record<Role, number>> = {};
  for (const { plant, role } of chosen) {
    const n = (nth[role] = (nth[role] ?? 0) + 1) - 1;
    const wide = plant.sizeMm.width.value ?? 60;
    const area = (Math.PI / 4) * wide * wide;
    if (role === 'afloat') {
      const count = Math.max(1, Math.min(MOST_OF_ONE, Math.round((0.35 * place.surfaceMm2) / area)));
      put(plant, [Math.round(vessel.lengthMm * 0.3), Math.round(vessel.widthMm * 0.4)], {
        count,
        spreadMm: count > 1 ? 60 : 0,
        bought: 'portion',
      });
    } else if (role === 'wood' || role === 'moss') {
      // moss and epiphytes take turns on what stands there; on a bare floor they lie
      const carriers = pieces.filter((_, i) => i % 2 === (role === 'moss' ? 1 : 0) || pieces.length < 3).slice(0, WOOD_AT_MOST);
      for (const [i, { id, item }] of carriers.entries())
        if (role === 'moss' || i % 2 === n % 2 || carriers.length < 2)
          put(plant, [item.positionMm[0], item.positionMm[1]], { hold: 'tied', onId: id, bought: plant.traits.bought?.value?.[0] ?? null });
      if (carriers.length === 0) {
        const at = freeNear(design, place, vessel.lengthMm * (0.3 + 0.25 * n), vessel.widthMm * 0.45);
        if (at) put(plant, at, { hold: 'loose', count: role === 'moss' ? 3 : 1, spreadMm: role === 'moss' ? 50 : 0 });
      }
    } else {
      const { depth, share, bunches } = AT[role];
      const all = Math.max(bunches, Math.min(MOST_OF_ONE, Math.round((share * floor) / (area * 0.6))));
      for (let i = 0; i < bunches; i++) {
        // the kinds of a row take turns along it, off its middle
        const along = [0.14, 0.84, 0.36, 0.64][(n * bunches + i) % 4]!;
        const at = freeNear(design, place, vessel.lengthMm * along, vessel.widthMm * depth);
        if (!at) continue;
        const count = Math.max(1, Math.round(all / bunches));
        put(plant, at, {
          count,
          spreadMm: count > 1 ? Math.round(Math.min(vessel.lengthMm * 0.12, wide * 0.32 * Math.sqrt(count))) : 0,
          bought: plant.traits.bought?.value?.[0] ?? null,
        });
      }
    }
  }
  return items;
}

const cried = (findings: readonly Finding[]): Map<string, Finding> =>
  new Map(findings.filter(({ severity }) => severity === 'conflict' || severity === 'watch').map((finding) => [finding.key, finding]));
const MOST_ROUNDS = 20;
/** What is at hand is used before a kind that has to be bought. */
const AT_HAND = 0.6;

/**
 * Ways to plant a tank for a purpose, of kinds that live in its water and light, native to its place where it is to be true to it. Each is judged
 * as it would stand; a kind that would be cried over is left out. Nothing is taken out, and what is at hand in the room comes first.
 */
export function plantingPlans(assessment: Assessment, wish: PlantingWish): PlantingPlan[] {
  const { design, catalogue } = assessment.world;
  const { vessel } = design;
  if (!vessel || !placeOf(design, assessment.derived)) return [];
  const water = plantWaterOf(design, assessment.derived);
  const bed = (assessment.derived['substrate.bed'].value?.layers.length ?? 0) > 0;
  const { fidelity } = design.brief;
  const biotope = fidelity ? catalogue.biotopes.get(design.brief.biotopeId ?? '') : undefined;
  const belongs = (plant: Plant): boolean => {
    if (!biotope || !fidelity) return true;
    const where = belonging(plant, biotope);
    return where !== null && strangeness(where, fidelity) === 0;
  };
  const plants = [...catalogue.organisms.values()].filter((entry): entry is Plant => entry.kind === 'plant');
  const onHand = kindsOnHand('plant', stockAtHand(assessment.world.room), plants);
  const kinds = plants.filter(
    (entry) =>
      (!wish.atHand || onHand.has(entry.id)) &&
      !entry.retiredTo &&
      entry.form !== 'mangrove' &&
      suits(entry, roleOf(entry) === 'afloat' ? { ...water, ppfd: null } : water) &&
      (bed || entry.traits.rooting.value !== 'bury') &&
      belongs(entry),
  );
  const before = cried(assessment.findings);
  const used = new Set<string>();
  return (Object.keys(PLANS) as PlantingPlan['id'][]).flatMap((id) => {
    const left = new Set(kinds);
    // what is cried over as it would stand gives way to the next, until nothing is
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const chosen = (Object.entries(PLANS[id]) as [Role, number][]).flatMap(([role, count]) =>
        [...left]
          .filter((plant) => roleOf(plant) === role)
          .map((plant) => ({
            plant,
            role,
            worth: worth(plant, wish) - (used.has(plant.id) ? 0.7 : 0) + (onHand.has(plant.id) ? AT_HAND : 0),
          }))
          .sort((a, b) => b.worth - a.worth || a.plant.id.localeCompare(b.plant.id))
          .slice(0, count),
      );
      const items = laidOut(assessment, chosen);
      const added = Object.fromEntries(items.map((item) => [`${item.classId}-${item.order}-${id}`.slice(0, 80), item]));
      const patch = Object.entries(added).map(([key, value]): Operation => ({ op: 'add', path: pointer('scene', key), value }));
      const applied = applyEdit(design, patch, Design);
      if (!applied.ok || items.length === 0) return [];
      const after = assessment.again({ ...assessment.world, design: applied.document }, new Map());
      const members = new Map((after.derived['stock.members'].value ?? []).map((member) => [member.id, member.organismId]));
      const kindOf = (subject: string) => added[subject]?.classId ?? members.get(subject);
      const bad = new Set(
        [...cried(after.findings)].flatMap(([key, { subjects }]) =>
          before.has(key) ? [] : subjects.flatMap((subject) => kindOf(subject) ?? []),
        ),
      );
      const worse = chosen.filter(({ plant }) => bad.has(plant.id));
      if (worse.length === 0) {
        for (const { plant } of chosen) used.add(plant.id);
        return [planOf(id, chosen, items, patch, after, new Set(Object.keys(added)), onHand)];
      }
      for (const { plant } of worse) left.delete(plant);
    }
    return [];
  });
}

function planOf(
  id: PlantingPlan['id'],
  chosen: readonly { plant: Plant }[],
  items: readonly PlantItem[],
  patch: Operation[],
  { world, derived }: Assessment,
  added: ReadonlySet<string>,
  onHand: ReadonlyMap<string, number>,
): PlantingPlan {
  const standing = (derived['plants.standing'].value ?? []).filter((one) => added.has(one.id));
  const cover = derived['plants.cover'].value;
  const trims = standing.flatMap(({ plant, perDay }) => (plant.form === 'stem' ? (trimEveryDays(perDay.value) ?? []) : []));
  const counts = new Map<string, number>();
  for (const { classId, count } of items) counts.set(classId, (counts.get(classId) ?? 0) + count);
  return {
    id,
    kinds: chosen.flatMap(({ plant }) => {
      const count = counts.get(plant.id);
      return count ? [{ plantId: plant.id, latin: plant.latin, count, atHand: Math.min(count, onHand.get(plant.id) ?? 0) }] : [];
    }),
    patch,
    plantedOver: plantedOver(standing, surfacesOf(world.design.vessel!, 1).baseM2 * 1e6),
    floating: cover?.floating ?? 0,
    foliageL: cover?.foliageL ?? 0,
    trimDays: trims.length > 0 ? Math.round(Math.min(...trims)) : null,
  };
}
