import type { Finding } from '../../calculation/finding';
import type { Animal } from '../../catalogue/organism';
import { serves, type Refuge } from '../../hardscape/shelter';
import type { Design } from '../../design/design';
import { dailyMol } from '../../light/daily-integral';
import { ppfdAt, type Lighting } from '../../light/field';
import {
  buriedFinding,
  lightFinding,
  noHoldFinding,
  noRootholdFinding,
  outgrowsFinding,
  outsideFinding,
  rootsReachFinding,
} from '../../plants/findings';
import { inTheWay, type Place, type Standing } from '../../plants/standing';
import {
  algaeFinding,
  brightFinding,
  closedFinding,
  emptyBedFinding,
  hungryFinding,
  liquidCarbonFinding,
  plantedOver,
  poisonFinding,
  type Larder,
} from '../../plants/tank-findings';
import { heightAt } from '../../scene/grid';
import { insideFloorMm } from '../../vessel/inside-floor';
import { surfacesOf } from '../../vessel/shape';
import { animalOf, type Derived, type World } from '../derive';
import { lightHours } from '../derive/assumed';
import { SALT_FROM } from './shared';
import { feedsRoots, inTheBed, placeOf, plantNodes } from '../derive/plants';
import { domain } from '../domain';
import { wordPlants } from '../wording/plants';
import { PLANT_REMEDIES } from '../wording/remedies';

declare module '../../calculation/finding' {
  interface FindingCodes {
    plants:
      | 'outside'
      | 'buried'
      | 'on-piece'
      | 'no-hold'
      | 'roots-reach'
      | 'outgrows'
      | 'light'
      | 'algae'
      | 'closed'
      | 'bright'
      | 'poison'
      | 'hungry'
      | 'liquid-carbon';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    'plant-in': true;
    'plant-off': true;
    'lift-plant': true;
    'smaller-plant': true;
    'root-plant': true;
    'lamp-dim': true;
    'thin-plant': true;
    'feeding-ring': true;
    'move-to-light': true;
    cover: true;
    float: true;
    'fast-stems': true;
    'take-plant': true;
    fertilise: true;
    'no-carbon': true;
  }
}

function plantFindings({ design }: World, derived: Derived): Finding[] {
  const { vessel } = design;
  const standing = derived['plants.standing'].value;
  const within = placeOf(design, derived);
  if (!vessel || !standing || !within) return [];
  const place = { ...within, pieces: inTheBed(derived) };
  // of several of a kind the worst-lit says it
  const lit = new Map<string, Finding>();
  for (const planting of standing) {
    const finding = lightFinding(planting);
    const known = lit.get(planting.plant.id);
    if (finding && (finding.excess ?? 0) > (known?.excess ?? 0)) lit.set(planting.plant.id, finding);
  }
  const feeds = feedsRoots(derived);
  const placed = standing.flatMap((planting) => {
    const [x, y] = planting.item.positionMm;
    const outside = outsideFinding(planting, (px, py) => insideFloorMm(vessel, px, py) !== null);
    if (outside) return [outside];
    const over = planting.hold === 'rooted' ? inTheWay(place, x, y) : null;
    const reach = feeds ? rootsReachFinding(planting, place.waterMm - heightAt(place.grid, place.groundMm, x, y)) : null;
    const outgrows = outgrowsFinding(planting, place.waterMm);
    return [buriedFinding(planting), noRootholdFinding(planting, over), noHoldFinding(planting), reach, outgrows].filter(
      (finding) => finding !== null,
    );
  });
  return [...oncePerKind(placed, standing), ...lit.values(), ...tankFindings(design, derived, place, standing)];
}

/** Several of a kind that do the same say it once. */
function oncePerKind(findings: readonly Finding[], standing: readonly Standing[]): Finding[] {
  const kindOf = new Map(standing.map(({ id, plant }) => [id, plant.id]));
  const said = new Set<string>();
  return findings.filter(({ code, subjects: [id = ''] }) => {
    if (code !== 'plants.roots-reach' && code !== 'plants.outgrows') return true;
    const once = `${code} ${kindOf.get(id) ?? id}`;
    return said.has(once) ? false : said.add(once);
  });
}

/** Where light on the floor is looked at, of length and width. */
const LOOKS = [0.2, 0.5, 0.8];
function meanLight({ lamps, water }: Lighting, [length, width]: readonly [number, number], z: number): number {
  const all = LOOKS.flatMap((x) => LOOKS.map((y) => ppfdAt(lamps, water, [x * length, y * width, z])));
  return all.reduce((sum, ppfd) => sum + ppfd, 0) / all.length;
}

/** The same tank in the brightest month. */
function atItsBrightest({ lamps, water }: Lighting, { vessel }: Design, derived: Derived, hours: number): Lighting {
  // of sun that falls on it the vessel speaks
  const months = vessel?.sun.value === 'direct' ? [] : (derived['light.daylight'].value ?? []);
  return { lamps, water: { ...water, skyPpfd: hours > 0 && months.length > 0 ? Math.max(...months) / dailyMol(1, hours, 0) : 0 } };
}

/** A cave, a gap or litter that it fits is its dark. */
function hasDark({ sizeMm: { length, depth, width }, traits: { shelter } }: Animal, refuges: readonly Refuge[]): boolean {
  if (!length.value || !depth.value || !width.value) return false;
  const body = { lengthMm: length.value, depthMm: depth.value, widthMm: width.value };
  return refuges.some((refuge) => refuge.kind !== 'plants' && serves(refuge, shelter.value?.kinds ?? [], body) === 'fits');
}

/** What all plants together are to the tank: too few for its light, too many afloat, no shade, no food for who nibbles. */
function tankFindings(design: Design, derived: Derived, place: Place, standing: readonly Standing[]): Finding[] {
  const { vessel } = design;
  const cover = derived['plants.cover'].value;
  if (!vessel || !cover) return [];
  const members = derived['stock.members'].value ?? [];
  const animals = members.flatMap((member) => {
    const animal = animalOf(member);
    return animal ? [{ id: member.id, animal }] : [];
  });
  const light = derived['light.lamps'].value;
  const floor = [vessel.lengthMm, vessel.widthMm] as const;
  const hours = lightHours(design);
  const bed = derived['substrate.bed'].value;
  const onFloor = light && meanLight(light, floor, bed?.topMm.least ?? 0);
  const brightest = light && meanLight(atItsBrightest(light, design, derived, hours), floor, bed?.topMm.least ?? 0);
  const inMiddle = light && meanLight(light, floor, place.waterMm / 2);
  const ammonia = (derived['water.lying'].value?.soil ?? null) !== null;
  const litres = derived['vessel.water-volume'].value ?? 0;
  const kinds = members.flatMap(({ id, organism }) => (organism?.kind === 'plant' ? [{ id, plant: organism }] : []));
  const salty = (derived['planned.salinity'].value ?? 0) > SALT_FROM;
  const feeds = feedsRoots(derived);
  return [
    // in salt water corals and their algae are another matter
    salty || standing.length === 0
      ? null
      : algaeFinding(brightest && dailyMol(brightest, hours, 0), plantedOver(standing, surfacesOf(vessel, 1).baseM2 * 1e6), ammonia, hours),
    closedFinding(
      cover.floating,
      standing.filter(({ hold }) => hold === 'afloat'),
      animals.length > 0,
      design.care.feedingRing,
    ),
    brightFinding(
      animals.filter(({ animal }) => animal.traits.light.value === 'dim' && !hasDark(animal, derived['hardscape.refuges'].value ?? [])),
      inMiddle,
      { floating: cover.floating, foliageShare: litres > 0 ? cover.foliageL / litres : 0 },
    ),
    poisonFinding(animals, kinds),
    hungryFinding(
      onFloor && dailyMol(onFloor, hours, 0),
      design.water.co2 !== null,
      feeds,
      kinds.length === 0 ? null : larderOf(design, derived),
    ),
    emptyBedFinding(
      // what has no room wants another kind, and no food
      standing.filter((one) => outgrowsFinding(one, place.waterMm) === null),
      feeds,
      design.care.fertiliser.capsules !== undefined,
    ),
    liquidCarbonFinding(design.care.fertiliser.carbon !== undefined, kinds),
  ].filter((finding) => finding !== null);
}

/** What the settled water holds for the plants; null while it is not known where it settles. */
function larderOf({ care }: Design, derived: Derived): Larder | null {
  const usual = derived['tank.settled'].value?.usual;
  const wants = derived['plants.wants'].value;
  if (!usual || !wants) return null;
  return {
    nitrateMgPerL: usual.nitrateMgPerL,
    phosphateMgPerL: usual.phosphateMgPerL,
    potassiumMgPerL: wants.potassiumLeftMgPerL,
    hasIron: care.fertiliser.iron !== undefined || care.fertiliser['all-round'] !== undefined,
  };
}

/** The plantings: whether they stand where their kind can. */
export const plants = domain({
  family: 'plants',
  findings: plantFindings,
  words: wordPlants,
  nodes: { ...plantNodes },
  at: {
    outside: ['plants', 'plantings'],
    buried: ['plants', 'plantings'],
    'on-piece': ['plants', 'plantings'],
    'no-hold': ['plants', 'plantings'],
    'roots-reach': ['plants', 'plantings'],
    outgrows: ['plants', 'plantings'],
    light: ['plants', 'lamps'],
    algae: ['plants', 'lamps'],
    closed: ['plants', 'plantings'],
    bright: ['plants', 'lamps'],
    poison: ['plants', 'plantings'],
    hungry: ['plants', 'fertiliser'],
    'liquid-carbon': ['plants', 'fertiliser'],
  },
  remedyWords: PLANT_REMEDIES,
});
