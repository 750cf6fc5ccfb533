import type { Material, WaterAction } from '../../catalogue/material';
import type { Plant } from '../../catalogue/organism';
import type { Surface } from '../../care/model';
import { hoursOfLight } from '../../equipment/lamps';
import { weeklyDose, type FertiliserPlan } from '../../tank/fertiliser';
import { inOrder, type Design } from '../../design/design';
import { sourceLabel } from '../../design/room';
import { bodyL, massOf } from '../../hardscape/mass';
import { MEDIUM_META } from '../../equipment/media';
import { surfacesOf } from '../../vessel/shape';
import { heatLoss } from '../../equipment/heat-loss';
import { fanW, type Thermostats } from '../../equipment/year-temperature';
import { MEQ_PER_DEGREE_ALKALINITY } from '../../quantity/unit';
import { N_MASS } from '../../tank/state';
import type { Co2Course } from '../../equipment/co2-feed';
import type { Co2Feed } from '../../water/model';
import { FRESH_SALINITY_MAX, PURE_WATER, type Dose, type HeatTable, type TankScenario, type TankWater } from '../../tank/scenario';
import { BINDER_MG_P_PER_G } from '../../tank/terms/filter-media';
import { mixWater, type MixedWater } from '../../water/mixed-water';
import { saltsKnown } from '../../design/own-catalogue';
import { usualFeedOfTank } from '../../stocking/usual-feed';
import { ASSUMED_CARE, lightHours, ASSUMED_TEMPERATURE_C } from './assumed';
import type { Ahead, Derived, Lying, World } from './node';

const P_IN_PO4 = 30.974 / 94.971;

/** A mixed water as the tank's balance takes it; what a source does not say of its traces counts as none. */
export function tankWater(mixed: MixedWater): TankWater {
  const { ions, traces, khDh } = mixed;
  return {
    calciumMmol: ions.calcium,
    magnesiumMmol: ions.magnesium,
    sodiumMmol: ions.sodium,
    potassiumMmol: ions.potassium,
    chlorideMmol: ions.chloride,
    sulfateMmol: ions.sulfate,
    alkalinityMeq: khDh === null ? ions.bicarbonate : khDh * MEQ_PER_DEGREE_ALKALINITY,
    pco2Uatm: PURE_WATER.pco2Uatm,
    ammoniaMgN: 0,
    nitriteMgN: 0,
    nitrateMgN: ions.nitrate * N_MASS,
    phosphateMgP: (traces.phosphate ?? 0) * P_IN_PO4,
    // that of the sources is in their alkalinity already
    organicCarbonMg: 0,
  };
}

/** Grams of nitrogen a square metre of plant takes up in a day, by how fast it grows. Order of Reddy & De Busk 1985, recalled. */
const UPTAKE = { slow: 0.03, moderate: 0.1, fast: 0.35 } as const;
/** CO2 of lived-in rooms, µatm. Common practice: 600 to 1500. */
export const ROOM_PCO2_UATM = 1000;
/** Gas exchange against still water. Common practice: 2 to 4 m a day where a filter's outlet ripples the surface, 2 to 5 over an air stone. */
export const MOVEMENT: Readonly<Record<Surface, number>> = { still: 1, ripple: 5, 'air-stone': 6 };
/** A pump in the tank, or a filter of this power and more, drives the whole surface. Common practice. */
const PUMPED = { times: 1.3, fromW: 10 };
/** A surface that is driven at such a speed is a ripple; faster ones no more than an overflow. Common practice. */
const RIPPLES_AT_MM_PER_S = 60;
const movedBy = (mmPerS: number): number => Math.min(OVERFLOW, 1 + (MOVEMENT.ripple - 1) * (mmPerS / RIPPLES_AT_MM_PER_S));
/** Water that falls down a weir and lies thin in a sump comes back all but full of air: as much as is counted. */
const OVERFLOW = 10;
/** Air goes out and in by the gaps of a lid about as fast as it creeps along a ceiling, m/s. Recalled; it hardly matters. */
const THROUGH_GAPS_M_PER_S = 0.005;
/** Even a lid that closes has so much of its area open along its edges. */
const LEAST_GAP = 0.002;
/** Nitrifying surface beyond this turns ammonia over so fast that no kit could tell, share of the water a day. */
const TURNOVER_PER_DAY = 4;
const NITRIFIERS_M_PER_DAY = 0.3;

/** How the water's surface is moved, against a still one; and the air that a lid lets through, m³ a day, null where there is none. */
export function airing(
  design: Design,
  surface: Surface,
  waterM2: number,
  covered: number,
): { movement: number; headspaceM3PerDay: number | null } {
  const pumped = Object.values(design.equipment).some(
    ({ kind, powerW }) => (kind === 'pump' && powerW !== 0) || (kind === 'filter' && (powerW ?? 0) >= PUMPED.fromW),
  );
  const moved = MOVEMENT[surface] * (pumped && surface !== 'still' ? PUMPED.times : 1);
  return {
    movement: design.vessel?.sump ? OVERFLOW : moved,
    headspaceM3PerDay: covered > 0 ? waterM2 * Math.max(LEAST_GAP, 1 - covered) * THROUGH_GAPS_M_PER_S * 86400 : null,
  };
}

/**
 * The tank as its balance takes it: held at its usual temperature, for where it settles. Null while there is no vessel, or no water whose
 * hardness and alkalinity are known.
 */
export function aheadOf(world: World, up: Derived): Ahead | null {
  const { design } = world;
  const mixed = up['water.mixed'].value;
  const litres = up['vessel.system-volume'].value;
  const body = up['heat.body'].value;
  if (!mixed || litres === null || litres < 0.5 || !body || mixed.khDh === null || mixed.ghDh === null) return null;
  const salinity = mixed.salinity ?? 0;
  if (salinity > 42 || mixed.khDh * MEQ_PER_DEGREE_ALKALINITY > 60) return null;
  const { care } = design;
  const taken: string[] = [];
  const load = up['stock.load'].value;
  let floorPlants = 0;
  let uptake = 0;
  let inAir = 0;
  for (const { plant, count, grown, lit, hold } of up['plants.standing'].value ?? []) {
    const area = plantM2(plant) * count * grown;
    const takes = area * UPTAKE[plant.traits.growth.value ?? 'moderate'] * lit;
    floorPlants += area;
    uptake += takes;
    if (hold === 'emersed' || hold === 'chamber' || (hold === 'afloat' && plant.form === 'floating')) inAir += takes;
  }
  // plants over each other shade each other
  const crowding = Math.min(1, (2 * body.waterM2) / Math.max(floorPlants, 1e-9));
  const feed = care.feed.gPerDay ?? usualFeedOfTank(load?.usualFeedG ?? 0, litres);
  if (care.feed.gPerDay === null && feed > 0) taken.push(`${round(feed)} g of dry feed a day`);
  const change = care.change ?? { fraction: ASSUMED_CARE.change.fraction, everyDays: ASSUMED_CARE.change.days };
  if (!care.change) taken.push(`${change.fraction * 100} % changed once a week`);
  for (const { source } of up['water.poured'].value ?? [])
    if (source.kind !== 'ro' && (source.analysisMgPerL.nitrate?.value ?? null) === null) taken.push(`no nitrate in ${sourceLabel(source)}`);
  const salty = salinity > FRESH_SALINITY_MAX;
  const topSource = care.topUp?.sourceId ? up['water.sources'].value?.[care.topUp.sourceId] : undefined;
  const topUp = topSource ? tankWater(mixWater([{ share: 1, water: topSource }], [])) : care.topUp ? tankWater(mixed) : PURE_WATER;
  if (!care.topUp) taken.push('topped up with pure water');
  const surface = surfaceOf(design);
  const field = up['gear.current'].value;
  if (!care.surface) taken.push(surface === 'ripple' ? 'a rippled surface' : 'a still surface');
  const lampHours = lightHours(design);
  if (hoursOfLight(Object.values(design.equipment), care.lampHours) === null && uptake > 0) taken.push(`${lampHours} hours of light`);
  const temperatureC = Math.min(40, Math.max(0, up['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C));
  const balance = up['heat.balance'].value;
  const evaporation = balance
    ? balance.reduce((sum, month) => sum + (month.evaporationLPerDay[0] + month.evaporationLPerDay[1]) / 24, 0)
    : 0;
  const lying = up['water.lying'].value ?? { soil: null, lime: null, carbonMgPerDay: 0, carbonOnceMg: 0 };
  const poured = tankWater(mixed);
  // a dose is in the first filling only: changes bring none of it
  const start = { ...poured, organicCarbonMg: Math.min(MOST_CARBON, poured.organicCarbonMg + lying.carbonOnceMg / litres) };
  const measuredCarbon = design.water.organicCarbonMgPerL.value;
  return {
    taken,
    scenario: {
      litres,
      salinity,
      start,
      replacement: poured,
      topUp,
      topUpDays: care.topUp?.everyDays ?? 7,
      change,
      lampHours,
      ...(care.lampsOnHour === null ? {} : { lampsOnHour: care.lampsOnHour }),
      heat: { heldC: temperatureC, evaporationLPerDay: Math.min(evaporation, litres * 0.2) },
      gas: {
        surfaceM2: body.waterM2,
        ...airing(design, surface, body.waterM2, body.covered),
        ...(care.surface === null && field?.placed && !design.vessel?.sump ? { movement: movedBy(field.surfaceMmPerS) } : {}),
        roomPco2Uatm: ROOM_PCO2_UATM,
        pressureHpa: 1013.25,
        ...fedCo2(up['gear.co2'].value, design.water.co2),
      },
      animalsMgO2PerDay: Math.min(1e6, load?.breathMgPerDay ?? 0),
      feed: {
        gPerDay: feed,
        protein: care.feed.proteinPct / 100,
        toAmmonia: 0.575,
        phosphateMgPPerG: 5.5,
        decayMgO2PerG: 350,
        ...(care.feedHours.length > 0 ? { atHours: care.feedHours } : {}),
      },
      filter: {
        biofilmM2: Math.min(2000, statedMediaM2(design) ?? (TURNOVER_PER_DAY * litres) / 1000 / NITRIFIERS_M_PER_DAY),
        ratePerDayM: NITRIFIERS_M_PER_DAY,
        maturity: 1,
      },
      plants: {
        areaM2: floorPlants * crowding,
        uptakeGNPerM2: floorPlants > 0 ? uptake / floorPlants : 0,
        ...(inAir > 0 ? { inAir: Math.min(1, inAir / uptake) } : {}),
      },
      soil: salty ? null : lying.soil,
      lime: salty ? null : lying.lime,
      // what was measured by colour stands as it is: as much is given off as is taken
      leaves:
        measuredCarbon === null
          ? { carbonMgPerDay: lying.carbonMgPerDay, decayPerDay: DECAY_PER_DAY }
          : { carbonMgPerDay: measuredCarbon * litres * (DECAY_PER_DAY + change.fraction / change.everyDays), decayPerDay: DECAY_PER_DAY },
      media: { carbonG: care.media.carbonG, binderMgP: care.media.phosphateRemoverG * BINDER_MG_P_PER_G },
      doses: [
        ...fertilised(care.fertiliser, litres),
        ...inOrder(care.doses).flatMap(([, { saltId, mgPerL, everyDays }]) => {
          const salt = saltsKnown(world.room.own).get(saltId);
          if (!salt) return [];
          const mmol = (mgPerL * litres) / salt.molarMass;
          return [
            {
              everyDays,
              calciumMmol: mmol * (salt.ions.calcium ?? 0),
              magnesiumMmol: mmol * (salt.ions.magnesium ?? 0),
              sodiumMmol: mmol * (salt.ions.sodium ?? 0),
              potassiumMmol: mmol * (salt.ions.potassium ?? 0),
              chlorideMmol: mmol * (salt.ions.chloride ?? 0),
              sulfateMmol: mmol * (salt.ions.sulfate ?? 0),
              alkalinityMeq: mmol * (salt.ions.bicarbonate ?? 0),
              nitrateMgN: mmol * (salt.ions.nitrate ?? 0) * N_MASS,
              phosphateMgP: 0,
            },
          ];
        }),
      ],
    },
  };
}

/** Half of panes and bed, that the water gets to, and all that the filters hold; null while no media are stated. */
const OWN_SHARE = 0.5;
export function ownSlimeM2({ vessel }: Design): number {
  if (!vessel) return 0;
  const { wallM2, baseM2 } = surfacesOf(vessel, vessel.waterLevelMm);
  return OWN_SHARE * (wallM2 + baseM2);
}
function statedMediaM2(design: Design): number | null {
  const media = Object.values(design.equipment).flatMap((device) => (device.kind === 'filter' ? device.media : []));
  if (media.length === 0) return null;
  return media.reduce((sum, { medium, litres }) => sum + litres * MEDIUM_META[medium].m2PerL, 0) + ownSlimeM2(design);
}

/** CO2 as the balance takes it: held, or let in, by the lamps or by the clock. */
function fedCo2(course: Co2Course | null, feed: Co2Feed | null): Pick<TankScenario['gas'], 'fedCo2MgPerL' | 'fedMgPerDay' | 'fedFromTo'> {
  if (!course || !feed) return { fedCo2MgPerL: null };
  return {
    fedCo2MgPerL: Math.min(200, course.mgPerL),
    ...(course.inMgPerDay === null ? {} : { fedMgPerDay: Math.min(1e7, course.inMgPerDay) }),
    ...(feed.onHour === null && feed.offHour === null ? {} : { fedFromTo: [course.onHour, course.offHour] as [number, number] }),
  };
}

/** Given to the plants once a week. */
function fertilised(plan: FertiliserPlan, litres: number): Dose[] {
  const dose = weeklyDose(plan, litres);
  const none = { calciumMmol: 0, magnesiumMmol: 0, sodiumMmol: 0, chlorideMmol: 0, alkalinityMeq: 0 };
  return dose ? [{ everyDays: 7, ...none, ...dose }] : [];
}

/** Share of dissolved organic carbon that microbes take each day. Recalled; humic matter is slow, fresh sugars are fast. */
export const DECAY_PER_DAY = 0.01;
/** How fast water gets through the bed to the soil, share of the way a day. Common practice: half of a change is gone in a day. */
const SOIL_PER_DAY = 0.7;

/** Organic carbon that a scenario takes, mg/L. */
const MOST_CARBON = 500;

const middle = ([low, high]: readonly [number, number]): number => Math.sqrt(low * high);

/** Organic carbon that grams of leaves, cones, peat or wood give off while they are renewed as they are used up, mg a day. */
export function leachedMgPerDay({ carbonMgPerG, lastsWeeks }: Extract<WaterAction, { kind: 'leaches' }>, grams: number): number {
  if (!carbonMgPerG.value || !lastsWeeks.value) return 0;
  return (grams * middle(carbonMgPerG.value)) / (middle(lastsWeeks.value) * 7);
}

/** One material lying in the water: litres and kilograms of it, and the share of its strength that is gone. */
export interface LyingMaterial {
  material: Material;
  litres: number;
  kg: number;
  spent: number;
}

/** Everything that lies in the water and acts on it: the bed, the pieces, and what is loose or in a bag. */
export function lyingMaterials({ design, catalogue }: World, up: Derived): LyingMaterial[] {
  const loose = inOrder(design.water.additions).flatMap(([, { materialId, amount, spent }]) => {
    const material = catalogue.materials.get(materialId);
    if (!material) return [];
    const kgPerL = (material.densityKgPerM3.value ?? 1000) / 1000;
    const byVolume = material.use === 'substrate';
    return [{ material, spent, litres: byVolume ? amount : amount / 1000 / kgPerL, kg: byVolume ? amount * kgPerL : amount / 1000 }];
  });
  const bed = (up['substrate.bed'].value?.layers ?? []).flatMap(({ material, litres, kg, spent }) =>
    material ? [{ material, litres, kg: kg ?? litres, spent }] : [],
  );
  const pieces = (up['scene.pieces'].value ?? []).flatMap((piece) => {
    const material = piece.item.materialId === null ? undefined : catalogue.materials.get(piece.item.materialId);
    const mass = massOf(piece, catalogue);
    return material && mass ? [{ material, litres: bodyL(piece), kg: mass.kg, spent: piece.item.spent }] : [];
  });
  return [...bed, ...pieces, ...loose];
}

/** What they do, as the balance takes it. */
export function lyingOf(world: World, up: Derived, litres: number): Lying {
  let setPh = Infinity;
  let capacityMeq = 0;
  let limeLitres = 0;
  let mineral: 'calcite' | 'aragonite' = 'calcite';
  let carbonMgPerDay = 0;
  let carbonOnceMg = 0;
  for (const lying of lyingMaterials(world, up)) {
    const { action } = lying.material;
    if (action.kind === 'exchanges' && action.setPh.value && action.capacityMeqPerL.value) {
      setPh = Math.min(setPh, (action.setPh.value[0] + action.setPh.value[1]) / 2);
      capacityMeq += middle(action.capacityMeqPerL.value) * lying.litres * (1 - lying.spent);
    } else if (action.kind === 'dissolves' && action.ratePerDay.value) {
      limeLitres += middle(action.ratePerDay.value) * lying.kg;
      if (action.mineral === 'aragonite') mineral = 'aragonite';
    } else if (action.kind === 'leaches' && action.once)
      carbonOnceMg += lying.kg * 1000 * (1 - lying.spent) * middle(action.carbonMgPerG.value ?? [0, 0]);
    else if (action.kind === 'leaches') carbonMgPerDay += leachedMgPerDay(action, lying.kg * 1000 * (1 - lying.spent));
  }
  return {
    soil: capacityMeq > 0 ? { setPh, capacityMeq: fourDigits(capacityMeq), ratePerDay: SOIL_PER_DAY } : null,
    lime: limeLitres > 0 ? { mineral, litresPerDay: fourDigits(Math.min(limeLitres, 20 * litres)) } : null,
    carbonMgPerDay: fourDigits(carbonMgPerDay),
    carbonOnceMg: fourDigits(carbonOnceMg),
  };
}

/** Enough, and the same again while a piece is moved about. */
const fourDigits = (value: number): number => Number(value.toPrecision(4));

function plantM2({ sizeMm, traits }: Plant): number {
  const across = sizeMm.width.value ?? 60;
  const tall = sizeMm.length.value ?? 100;
  // a stem's leaves stand over each other, a carpet's do not
  return ((Math.PI / 4) * across * across + (traits.rooting.value === 'bury' ? 0.5 : 0) * across * Math.min(tall, 300)) / 1e6;
}

const hasFlow = ({ equipment }: Design): boolean => Object.values(equipment).some(({ kind }) => kind === 'filter' || kind === 'pump');
/** How its surface moves: as stated, or by what moves the water. */
export const surfaceOf = (design: Design): Surface => design.care.surface ?? (hasFlow(design) ? 'ripple' : 'still');
const round = (grams: number): number => Number(grams.toPrecision(2));

/** Heat and evaporation over the temperatures that may occur, for a scenario that follows the room. */
export function heatTable(body: Parameters<typeof heatLoss>[0], airC: readonly [number, number]): HeatTable {
  const waterC: [number, number] = [Math.max(0, airC[0] - 8), 40];
  const columns = 24;
  const waters = Array.from({ length: columns }, (_, i) => waterC[0] + ((waterC[1] - waterC[0]) * i) / (columns - 1));
  const rows = airC.map((air) => waters.map((water) => heatLoss(body, water, air)));
  return {
    airC: [airC[0], airC[1]],
    waterC,
    columns,
    lossW: rows.map((row) => row.map(({ totalW }) => totalW)),
    evaporationLPerDay: rows.map((row) => row.map(({ evaporationLPerDay }) => Math.max(0, evaporationLPerDay))),
  };
}

/** The scenario as it follows the room from a month on: heater and cooler as they are, the room by its year. Held where the room is not known. */
export function throughTheYear(ahead: Ahead, world: World, up: Derived, month: number, devices: Thermostats): Ahead {
  const climate = world.room.climateC;
  const body = up['heat.body'].value;
  if (!climate || !body) return { ...ahead, taken: [...ahead.taken, 'a steady temperature, as the room’s climate is not stated'] };
  const months = [0, 1, 2, 3].map((i) => climate[(month + i) % 12]!);
  const airC: [number, number] = [Math.min(...months.map(([low]) => low)), Math.max(...months.map(([, high]) => high))];
  if (airC[0] < 0 || airC[1] > 40) return ahead;
  const { heat } = ahead.scenario;
  const year = up['heat.year'].value?.[month];
  return {
    ...ahead,
    scenario: {
      ...ahead.scenario,
      heat: {
        startC: Math.min(40, Math.max(0, year ? (year[0] + year[1]) / 2 : 'heldC' in heat ? heat.heldC : ASSUMED_TEMPERATURE_C)),
        airC: months.map(([low, high]) => [low, high]),
        heaterC: devices.heaterC,
        // power that is not stated is taken to be enough
        heaterW: devices.heaterC === null ? 0 : (devices.heaterW ?? 1000),
        // a fan is a cooler as strong as its draught in the warmest air
        ...(devices.coolerC === null && devices.fanC !== null
          ? { coolerC: devices.fanC, coolerW: fanW(body, devices.fanC, airC[1]) }
          : { coolerC: devices.coolerC, coolerW: devices.coolerC === null ? 0 : (devices.coolerW ?? 1000) }),
        gearW: devices.gearW,
        table: heatTable(body, airC),
      },
    },
  };
}
