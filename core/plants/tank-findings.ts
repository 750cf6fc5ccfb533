import type { Finding } from '../calculation/finding';
import type { Animal, Plant } from '../catalogue/organism';
import { harmedByCarbon } from '../tank/fertiliser';
import { FEEDING_RING_MM } from './feeding-ring';
import { plantedShare } from './growth';
import type { Standing } from './standing';

const tank = (
  code: 'plants.algae' | 'plants.closed' | 'plants.bright' | 'plants.poison' | 'plants.hungry' | 'plants.liquid-carbon',
  severity: Finding['severity'],
  excess: number,
  more: Partial<Finding>,
): Finding => ({ key: code, code, bench: 'plants', severity, excess, subjects: [], values: {}, evidence: [], basis: 'practice', ...more });

const share = (value: number) => ({ quantity: 'fraction', value }) as const;
const number = (value: number) => ({ quantity: 'number', value }) as const;

/** Share of the floor that plants stand over on the day they are planted. */
export function plantedOver(standing: readonly Standing[], floorMm2: number): number {
  if (floorMm2 <= 0) return 0;
  const area = standing.reduce((sum, { plant, item, hold }) => {
    if (hold === 'chamber' || hold === 'emersed') return sum;
    const wide = plant.sizeMm.width.value ?? 60;
    return sum + item.count * (Math.PI / 4) * wide * wide * plantedShare(plant, item.bought);
  }, 0);
  return area / floorMm2;
}

/** Light on the floor a day from which algae win where little is planted, mol/m²; on a soil that gives off ammonia from half of it. Common practice. */
const ALGAE_MOL = 2.5;
/** Planted from the first day over less of the floor than this. Common practice: three quarters of it is advised. */
const FEW = 0.25;

/** Much light over few plants at the start; null where the light is not known. */
export function algaeFinding(dailyMol: number | null, planted: number, soilGivesAmmonia: boolean, hours: number): Finding | null {
  if (dailyMol === null || planted >= FEW) return null;
  const limit = soilGivesAmmonia ? ALGAE_MOL / 2 : ALGAE_MOL;
  if (dailyMol <= limit) return null;
  return tank('plants.algae', 'watch', dailyMol / limit - 1, {
    values: { light: number(dailyMol), planted: share(planted), hours: number(hours), limit: number(limit) },
    kind: soilGivesAmmonia ? 'soil' : 'light',
  });
}

/** Floating leaves over more of the surface than this leave nowhere to feed, and no ripple. Common practice. */
const CLOSED = 0.85;

export function closedFinding(
  floating: number,
  floaters: readonly Standing[],
  lived: boolean,
  ring: { diameterMm: number } | undefined,
): Finding | null {
  const [first] = floaters;
  if (!first || !lived || floating < CLOSED || (ring && ring.diameterMm >= FEEDING_RING_MM)) return null;
  return tank('plants.closed', 'watch', floating - CLOSED, {
    values: { floating: share(floating) },
    subjects: floaters.map(({ id }) => id),
    at: first.footMm,
  });
}

/** Photons in mid water that those of dim waters put up with in the open, µmol/m²s: 2000 lux or so. Common practice. */
const BRIGHT = 30;
/** Leaves afloat, or leaves in the water, that give them their dark. Common practice. */
const SHADED = { floating: 0.3, foliage: 0.08 };

/** Animals of dim water under open light. */
export function brightFinding(
  dim: readonly { id: string; animal: Animal }[],
  ppfd: number | null,
  cover: { floating: number; foliageShare: number },
): Finding | null {
  const [first] = dim;
  if (!first || ppfd === null || ppfd <= BRIGHT) return null;
  if (cover.floating >= SHADED.floating || cover.foliageShare >= SHADED.foliage) return null;
  return tank('plants.bright', 'watch', ppfd / BRIGHT - 1, {
    values: { ppfd: number(Math.round(ppfd)), most: number(BRIGHT) },
    subjects: dim.map(({ id }) => id),
    basis: first.animal.traits.light.basis,
  });
}

/** A poisonous plant beside an animal that eats plants. */
export function poisonFinding(
  eaters: readonly { id: string; animal: Animal }[],
  plants: readonly { id: string; plant: Plant }[],
): Finding | null {
  const bad = plants.filter(({ plant }) => plant.traits.toxic.value === 'yes');
  const who = eaters.filter(({ animal }) => animal.traits.eats.value?.includes('plants'));
  if (bad.length === 0 || who.length === 0) return null;
  return tank('plants.poison', 'watch', 1, {
    subjects: [...bad.map(({ id }) => id), ...who.map(({ id }) => id)],
    basis: bad[0]!.plant.traits.toxic.basis,
  });
}

/** Under these, grown plants in good light show it, mg/L of nitrate, phosphate and potassium. Common practice: lean tanks are held at 5, 0.2 and 5. */
const HUNGRY = { nitrate: 1, phosphate: 0.02, potassium: 1 };
/** Light on the floor a day from which plants outgrow what animals leave them, mol/m². Common practice. */
const DRIVEN_MOL = 1.5;

/** What the water holds for plants where it settles, mg/L; potassium null where nothing is changed. */
export interface Larder {
  nitrateMgPerL: number;
  phosphateMgPerL: number;
  potassiumMgPerL: number | null;
  /** Iron and traces are given, or come with the soil. */
  hasIron: boolean;
}

/** Plants that are driven by light and carbon dioxide and find nothing to grow on: what runs out first is said. */
export function hungryFinding(dailyMol: number | null, fedCo2: boolean, rooted: boolean, larder: Larder | null): Finding | null {
  // by themselves plants grow no faster than they are fed, and a soil feeds those that root in it
  if (dailyMol === null || dailyMol < DRIVEN_MOL || !fedCo2 || rooted || !larder) return null;
  const wants = [
    ['nitrogen', larder.nitrateMgPerL < HUNGRY.nitrate],
    ['phosphorus', larder.phosphateMgPerL < HUNGRY.phosphate],
    ['potassium', larder.potassiumMgPerL !== null && larder.potassiumMgPerL < HUNGRY.potassium],
    ['iron', !larder.hasIron],
  ] as const;
  const first = wants.find(([, short]) => short);
  if (!first) return null;
  return tank('plants.hungry', 'watch', 0.5, {
    values: {
      nitrate: { quantity: 'concentration', value: larder.nitrateMgPerL },
      phosphate: { quantity: 'concentration', value: larder.phosphateMgPerL },
      potassium: { quantity: 'concentration', value: Math.max(0, larder.potassiumMgPerL ?? 0) },
    },
    kind: first[0],
  });
}

/** Leaves as long as this, and a crown feeds by a hand's breadth of roots. Common practice: swords want a capsule, small crypts live on what settles. */
const HEAVY_MM = 250;
/** Large root feeders in a bed that holds nothing, and no capsules. */
export function emptyBedFinding(standing: readonly Standing[], feeds: boolean, capsules: boolean): Finding | null {
  if (feeds || capsules) return null;
  const heavy = standing.filter(
    ({ plant, hold, on }) =>
      plant.traits.feeds.value === 'root' &&
      plant.form === 'rosette' &&
      (plant.sizeMm.length.value ?? 0) >= HEAVY_MM &&
      plant.traits.growth.value !== 'slow' &&
      hold === 'rooted' &&
      on.kind === 'bed',
  );
  const [first] = heavy;
  if (!first) return null;
  return tank('plants.hungry', 'watch', 0.3, {
    key: 'plants.hungry:roots',
    kind: 'roots',
    subjects: heavy.map(({ id }) => id),
    at: first.footMm,
    values: { count: { quantity: 'count', value: heavy.reduce((sum, { item }) => sum + item.count, 0) } },
    basis: first.plant.traits.feeds.basis,
  });
}

/** Liquid carbon beside kinds that go glassy in it. */
export function liquidCarbonFinding(dosed: boolean, plants: readonly { id: string; plant: Plant }[]): Finding | null {
  const hurt = plants.filter(({ plant }) => plant.form === 'moss' || harmedByCarbon(plant.latin));
  if (!dosed || hurt.length === 0) return null;
  return tank('plants.liquid-carbon', 'watch', 0.5, { subjects: hurt.map(({ id }) => id) });
}
