import type { RecipeSchool } from '../water/recipe-school';
import type { Parameter } from '../catalogue/parameter';
import { inOrder } from '../design/design';
import { saltsKnown } from '../design/own-catalogue';
import type { Span } from '../quantity/range';
import type { IonsMmolPerL } from '../chemistry/ions';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { corner } from '../tank/doubt';
import { settle } from '../tank/settle';
import { mixWater, type MixedWater } from '../water/mixed-water';
import { tankWater } from './derive/scenario';
import { meterOffset, restOf, settledTank } from '../tank/at-rest';
import { alkalinityAtPh } from '../chemistry/carbonate-system';
import { leastConductivityOf } from '../water/least-conductivity';
import { FRESH_SALINITY_MAX, type TankScenario } from '../tank/scenario';
import { settledPh } from '../water/planned-water';
import {
  AIM_INSIDE,
  batch,
  mixed,
  recipes,
  type Batch,
  type Recipe,
  type RecipeParameter,
  type RecipeSource,
  type RecipeTarget,
} from '../water/recipe';
import { SALTS, SEA_SALT, SEA_SALT_MOISTURE, type Salt } from '../water/salts';
import { seaSaltG } from '../water/sea-salt';
import { conductivityAt25Of, TRACES, type SourceWater } from '../water/source-water';
import { plannedNode, windowNodeOf, type Derived } from './derive';
import type { Assessment } from './assessment';
import { oncePer } from './remedies/remedy';

/** One way to mix the water, in this room's mixing vessel. */
export interface RecipeWay {
  recipe: Recipe;
  batch: Batch;
  /** Salts it takes that are not on hand. */
  wants: readonly string[];
  /** Settled pH of this water with its band; null where the constants do not hold. */
  ph: { ph: number; band: Span } | null;
  /** Over an active soil: what is left in the tank just before a change, once the soil has taken its share. */
  overSoil: { ghDh: number; khDh: number } | null;
  /** Why this way still misses. */
  blame: readonly Blame[];
}

/** Least RO goes just inside a band; those who build up from nothing aim at its middle. Common practice. */
const AIM: Readonly<Record<RecipeSchool, number>> = { 'least-ro': AIM_INSIDE, 'ro-only': 0.45, 'own-mix': 0.45 };

/** Whose edge a missed target is. */
export interface Blame {
  parameter: RecipeParameter | 'salinity';
  side: 'low' | 'high';
  /** Stock ids. */
  memberIds: readonly string[];
  by: number;
}

export interface RecipePlan {
  water: 'fresh' | 'salt';
  target: RecipeTarget & { salinity?: Span };
  /** Salts the plan reckons with. */
  salts: readonly Salt[];
  sources: readonly RecipeSource[];
  litres: number;
  scaleG: number;
  /** Whether the room states its mixing vessel and scale. */
  kitStated: boolean;
  /** Best first. */
  ways: readonly RecipeWay[];
  /** The pH that is wanted is below what water without lime settles at: humic acids or soil have to make it. */
  wantsAcid: boolean;
  /** Ranges of conductivity that no water of the wanted hardness can have, so that they are not aimed at. */
  conductivityLeftOut: { leastUsPerCm: number; highUsPerCm: number } | null;
}

/** What is taken while the room states no mixing kit. */
export const ASSUMED_KIT = { vesselL: 10, scaleG: 0.1 };
/** Salinity in everyone's comfort from which the tank is mixed from sea salt. */
const SALT_FROM = 2;

/**
 * The recipe for this tank out of what the room has, worked out once per judgement and school. Null while nothing lives here or nothing is at
 * hand. Where the room has no pure water, the school of it has nothing to work with, and the other is followed.
 */
export function recipePlan(assessment: Assessment, school: RecipeSchool = 'least-ro'): RecipePlan | null {
  return BY_SCHOOL[school](assessment);
}

const planBy = (school: RecipeSchool) =>
  oncePer(({ world, derived }: Assessment): RecipePlan | null => {
    const { room } = world;
    const waters = derived['water.sources'].value ?? {};
    if ((derived['stock.members'].value ?? []).length === 0 || Object.keys(waters).length === 0) return null;
    const kit = room.mixingKit ?? ASSUMED_KIT;
    const shared = { litres: kit.vesselL, scaleG: kit.scaleG, kitStated: room.mixingKit !== null };
    const salinity = windowNodeOf(derived, 'salinity').value;
    const salty = salinity?.optimum ?? salinity?.tolerance;
    const onHand = saltsOnHand(room.onHand);
    if (salty && salty[0] + salty[1] > 2 * SALT_FROM) return saltPlan(world, waters, salty, shared, derived);
    const all = inOrder(room.sources).flatMap(([id, source]) => {
      const water = waters[id];
      const known = water && water.ghDh !== null && water.khDh !== null && (water.salinity ?? 0) <= FRESH_SALINITY_MAX;
      return known ? [{ id, isRo: source.kind === 'ro', ions: water.ions }] : [];
    });
    const pure = all.filter(({ isRo }) => isRo);
    const sources = school !== 'least-ro' && pure.length > 0 ? pure : all;
    if (sources.length === 0) return null;
    const { target: lived, conductivityLeftOut } = targetOf(derived);
    if (Object.keys(lived).length === 0) return null;
    const mixes = Object.keys(room.own.mixes).flatMap((id) => saltsKnown(room.own).get(id) ?? []);
    const salts = school === 'own-mix' && mixes.length > 0 ? mixes : [...SALTS, ...mixes];
    const has = (id: string) => onHand.has(id) || Object.hasOwn(room.own.mixes, id);
    const have = salts.filter(({ id }) => has(id));
    const findFor = (target: RecipeTarget, of: readonly Salt[]) => keptRecipes(room.own, sources, of, target, AIM[school]);
    const target = asPoured(lived, (trial) => findFor(trial, have)[0], derived);
    const found = findFor(target, have);
    // what is on hand may not do it: then a way that wants buying stands beside it
    const further = found[0] && found[0].missed.length === 0 ? [] : findFor(target, salts);
    const ways = [...found, ...further.filter((recipe) => recipe.saltsMgPerL.some(({ saltId }) => !has(saltId)))].map((recipe) => ({
      recipe,
      batch: batch(recipe, sources, salts, kit.vesselL, kit.scaleG),
      wants: recipe.saltsMgPerL.map(({ saltId }) => saltId).filter((id) => !has(id)),
      ...standingOf(asMixed(recipe.ions, recipe.reaches.khDh, 0), derived),
      blame: blameOf(recipe, derived),
    }));
    return {
      water: 'fresh',
      target: lived,
      salts,
      sources,
      ...shared,
      ways: ways.slice(0, 4),
      wantsAcid: wantsAcid(derived),
      conductivityLeftOut,
    };
  });

const BY_SCHOOL: Readonly<Record<RecipeSchool, (assessment: Assessment) => RecipePlan | null>> = {
  'least-ro': planBy('least-ro'),
  'ro-only': planBy('ro-only'),
  'own-mix': planBy('own-mix'),
};

const NO_TRACES = Object.fromEntries(TRACES.map((trace) => [trace, null])) as MixedWater['traces'];

/** A recipe's water as if it were in the mixing vessel. */
const asMixed = (ions: IonsMmolPerL, khDh: number, salinity: number): MixedWater => ({
  ghDh: (ions.calcium + ions.magnesium) / MMOL_PER_DEGREE_HARDNESS,
  khDh,
  ec25UsPerCm: null,
  salinity,
  ions,
  traces: NO_TRACES,
  assumptions: [],
});

/** What is poured so that the tank keeps to the bands once its soil has taken its share; without soil the bands themselves. */
function asPoured(lived: RecipeTarget, best: (target: RecipeTarget) => Recipe | undefined, derived: Derived): RecipeTarget {
  const scenario = derived['tank.ahead'].value?.scenario;
  if (!scenario?.soil) return lived;
  let target = lived;
  for (let round = 0; round < SOIL_ROUNDS; round++) {
    const recipe = best(target);
    if (!recipe) break;
    const left = restOf(pouredInto(scenario, asMixed(recipe.ions, recipe.reaches.khDh, 0)));
    const taken = {
      ghDh: recipe.reaches.ghDh - left.ghDh,
      ec25UsPerCm: recipe.reaches.ec25UsPerCm - conductivityAt25Of(left.ions, null),
    };
    const moved = (band: Span | undefined, by: number): Span | undefined => band && [Math.max(0, band[0] + by), Math.max(0, band[1] + by)];
    const [gh, ec] = [moved(lived.ghDh, taken.ghDh), moved(lived.ec25UsPerCm, taken.ec25UsPerCm)];
    target = { ...lived, ...(gh ? { ghDh: gh } : {}), ...(ec ? { ec25UsPerCm: ec } : {}) };
  }
  return target;
}

/** The GH that the tank would stand at with these salts weighed into what is poured; null where it cannot be reckoned. */
export function standingGh({ derived }: Assessment, salts: readonly { salt: Salt; mgPerL: number }[]): number | null {
  const poured = derived['water.poured'].value;
  if (!poured) return null;
  const water = mixWater(poured, salts);
  const scenario = derived['tank.ahead'].value?.scenario;
  return scenario ? restOf(pouredInto(scenario, water)).ghDh : water.ghDh;
}

/** Litres of the whole system, 0 while they are not known. */
export const litresOf = ({ derived }: Assessment): number => derived['vessel.system-volume'].value ?? 0;

/** What a soil takes hangs on what is poured: the second time hardly moves any more. */
const SOIL_ROUNDS = 2;

/** The tank as it would be with another water. */
function pouredInto(scenario: TankScenario, water: MixedWater): TankScenario {
  const start = tankWater(water);
  return { ...scenario, start, replacement: start, salinity: water.salinity ?? 0 };
}

/** What the tank makes of such a water; where it is not known what lives in it, the pH of the water by itself. */
function standingOf(water: MixedWater, derived: Derived): Pick<RecipeWay, 'ph' | 'overSoil'> {
  const scenario = derived['tank.ahead'].value?.scenario;
  if (!scenario?.soil) return { ph: phOf(water, derived), overSoil: null };
  const { usual, corners } = settledTank(pouredInto(scenario, water));
  const edges = [usual.ph, corners[0].ph, corners[1].ph];
  return {
    ph: { ph: usual.ph, band: [Math.min(...edges), Math.max(...edges)] },
    overSoil: { ghDh: usual.ghDh, khDh: Math.max(0, usual.khDh) },
  };
}

function phOf(water: MixedWater, derived: Derived): RecipeWay['ph'] {
  const gas = derived['water.gas'];
  if (gas.value === null) return null;
  const scenario = derived['tank.ahead'].value?.scenario;
  if (scenario && gas.calculationId !== null) {
    const poured = pouredInto(scenario, water);
    const at = (one: typeof poured) => settle(one).now.ph + meterOffset(one);
    const [acid, mild] = [at(corner(poured, 1)), at(corner(poured, -1))];
    return { ph: at(poured), band: [Math.min(acid, mild), Math.max(acid, mild)] };
  }
  return settledPh({
    khDh: water.khDh ?? 0,
    salinity: water.salinity ?? 0,
    temperatureC: plannedNode(derived, 'temperatureC').value ?? 24,
    pco2Uatm: gas.value,
    pco2Band: gas.interval ?? [gas.value, gas.value],
    organicCarbonMgPerL: derived['water.organic-carbon'].value ?? 0,
  });
}

/** Salts of the room's stock that a recipe may take. */
export function saltsOnHand(onHand: Assessment['world']['room']['onHand']): ReadonlySet<string> {
  return new Set(Object.values(onHand).flatMap(({ substance, amount }) => (substance && amount > 0 ? [substance] : [])));
}

/** The bands to aim at: everyone's comfort, or where there is none what everyone stands. */
function targetOf(derived: Derived): { target: RecipeTarget; conductivityLeftOut: RecipePlan['conductivityLeftOut'] } {
  const band = (parameter: Parameter): Span | null => {
    const window = windowNodeOf(derived, parameter).value;
    return window?.optimum ?? window?.tolerance ?? null;
  };
  const gh = band('ghDh');
  const kh = khBand(derived, band('khDh'), band('ph'));
  const ec = band('ec25UsPerCm');
  const leastUsPerCm = leastConductivityOf(gh?.[0] ?? 0, kh?.[0] ?? 0);
  const impossible = ec !== null && leastUsPerCm > ec[1];
  return {
    target: {
      ...(gh ? { ghDh: gh } : {}),
      ...(kh ? { khDh: kh } : {}),
      ...(ec && !impossible ? { ec25UsPerCm: ec } : {}),
    },
    conductivityLeftOut: impossible ? { leastUsPerCm, highUsPerCm: ec[1] } : null,
  };
}

/** The KH that everyone likes and that settles at a pH everyone likes; where no KH does both, the KH alone. Humic acids set the pH themselves, and soil takes KH out. */
function khBand(derived: Derived, kh: Span | null, ph: Span | null): Span | null {
  if (derived['water.soil'].value !== null) return [0, OVER_SOIL_KH_DH];
  const acid = (derived['water.organic-carbon'].value ?? 0) > 1;
  const pco2 = derived['water.gas'].value;
  if (!ph || acid || pco2 === null) return kh;
  const t = Math.min(40, Math.max(0, plannedNode(derived, 'temperatureC').value ?? 24));
  const [low, high] = ph.map((edge) => Math.max(0, alkalinityAtPh(t, edge, pco2) / MEQ_PER_DEGREE_ALKALINITY)) as [number, number];
  // water this acid is not made by leaving lime out: humic acids or soil make it
  if (high < ACID_BELOW_KH) return kh;
  if (!kh) return [low, high];
  const both: Span = [Math.max(low, kh[0]), Math.min(high, kh[1])];
  return both[0] <= both[1] ? both : kh;
}

/** More alkalinity than this spends an active soil in weeks: water for it is built up without. Common practice. */
export const OVER_SOIL_KH_DH = 1;

/** Whether everyone's pH lies below that of the thinnest water, and nothing in the tank makes it so yet. */
function wantsAcid(derived: Derived): boolean {
  const ph = windowNodeOf(derived, 'ph').value;
  const high = (ph?.optimum ?? ph?.tolerance)?.[1];
  const pco2 = derived['water.gas'].value;
  if (high === undefined || pco2 === null || derived['water.soil'].value) return false;
  const t = Math.min(40, Math.max(0, plannedNode(derived, 'temperatureC').value ?? 24));
  return (derived['water.organic-carbon'].value ?? 0) <= 1 && alkalinityAtPh(t, high, pco2) / MEQ_PER_DEGREE_ALKALINITY < ACID_BELOW_KH;
}

/** KH below which no pH can be aimed at with it: a drop kit reads no finer. */
const ACID_BELOW_KH = 0.5;

function blameOf(recipe: Recipe, derived: Derived): Blame[] {
  return recipe.missed.map(({ parameter, side, by }) => {
    const window = windowNodeOf(derived, parameter).value;
    return { parameter, side, by, memberIds: window?.setBy[side] ?? [] };
  });
}

/** Sea salt in the least salty water at hand, or sea water thinned with it. */
function saltPlan(
  { room }: Assessment['world'],
  waters: Readonly<Record<string, SourceWater>>,
  band: Span,
  shared: { litres: number; scaleG: number; kitStated: boolean },
  derived: Derived,
): RecipePlan | null {
  const target = Math.round(((band[0] + band[1]) / 2) * 10) / 10;
  const temperatureC = Math.min(40, Math.max(0, plannedNode(derived, 'temperatureC').value ?? 24));
  const sources = inOrder(room.sources).flatMap(([id, { kind }]) => {
    const water = waters[id];
    return water && water.salinity !== null ? [{ id, isRo: kind === 'ro', ions: water.ions, salinity: water.salinity }] : [];
  });
  const [thin] = [...sources].sort((a, b) => Number(b.isRo) - Number(a.isRo) || a.salinity - b.salinity);
  if (!thin) return null;
  const onHand = saltsOnHand(room.onHand);
  const khWindow = windowNodeOf(derived, 'khDh').value;
  const kh = khWindow?.optimum ?? khWindow?.tolerance;
  const soda = onHand.has('sodium-bicarbonate') ? SALTS.find(({ id }) => id === 'sodium-bicarbonate') : undefined;
  const waysToGo: RecipeWay[] = [];
  const way = (shares: Recipe['shares'], saltMgPerL: number, wants: readonly string[]): RecipeWay => {
    const recipe: Recipe = {
      shares,
      saltsMgPerL: saltMgPerL > 0 ? [{ saltId: SEA_SALT.id, mgPerL: saltMgPerL }] : [],
      ions: thin.ions,
      reaches: { ghDh: 0, khDh: 0, ec25UsPerCm: 0 },
      missed: [],
    };
    recipe.ions = mixed(
      shares.map(({ sourceId, share }) => ({ source: sources.find(({ id }) => id === sourceId) ?? thin, share })),
      recipe.saltsMgPerL.map(({ mgPerL }) => ({ salt: SEA_SALT, mgPerL })),
    );
    const lacks = (kh?.[0] ?? 0) - recipe.ions.bicarbonate / MEQ_PER_DEGREE_ALKALINITY;
    // thinned sea water is short of KH; baking soda moves the salinity by hundredths
    if (lacks > 0 && soda)
      recipe.saltsMgPerL.push({
        saltId: soda.id,
        mgPerL: (lacks + 0.1 * ((kh?.[1] ?? 0) - (kh?.[0] ?? 0))) * MEQ_PER_DEGREE_ALKALINITY * soda.molarMass,
      });
    const made = batch(recipe, sources, [SEA_SALT, ...(soda ? [soda] : [])], shared.litres, shared.scaleG);
    return {
      recipe: { ...recipe, ions: made.ions, reaches: made.reaches },
      batch: made,
      wants,
      blame: [],
      ph: phOf(asMixed(made.ions, made.reaches.khDh, target), derived),
      overSoil: null,
    };
  };
  if (target >= thin.salinity) {
    const grams = seaSaltG(1, thin.salinity, target, temperatureC, SEA_SALT_MOISTURE);
    waysToGo.push(way([{ sourceId: thin.id, share: 1 }], grams * 1000, onHand.has(SEA_SALT.id) ? [] : [SEA_SALT.id]));
  }
  const salt = sources.filter(({ salinity }) => salinity > target).sort((a, b) => a.salinity - b.salinity)[0];
  if (salt && target > thin.salinity) {
    const share = (target - thin.salinity) / (salt.salinity - thin.salinity);
    waysToGo.unshift(
      way(
        [
          { sourceId: salt.id, share },
          { sourceId: thin.id, share: 1 - share },
        ],
        0,
        [],
      ),
    );
  }
  return {
    water: 'salt',
    target: { salinity: band },
    salts: [SEA_SALT],
    sources,
    ...shared,
    ways: waysToGo,
    wantsAcid: false,
    conductivityLeftOut: null,
  };
}

/** Recipes by what they were worked out from, under the mixes they may take: dragging a plan about does not change them. */
const keptBySources = new WeakMap<object, Map<string, Recipe[]>>();
function keptRecipes(
  key: object,
  sources: readonly RecipeSource[],
  salts: readonly Salt[],
  target: RecipeTarget,
  aimInside: number,
): Recipe[] {
  let kept = keptBySources.get(key);
  if (!kept) keptBySources.set(key, (kept = new Map<string, Recipe[]>()));
  const question = JSON.stringify([sources, salts.map(({ id }) => id), target, aimInside]);
  let found = kept.get(question);
  if (!found) kept.set(question, (found = recipes(sources, salts, target, aimInside)));
  return found;
}
