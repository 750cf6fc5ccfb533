import type { Finding } from '../calculation/finding';
import type { Animal } from '../catalogue/organism';
import { MEDIUM_META, capacityMgNPerDay, maturityOf } from './media';
import { standsInside, type Device, type Runs } from './model';

type Filter = Extract<Device, { kind: 'filter' }>;

const gear = (
  code: `gear.${'intake' | 'capacity' | 'siphon' | 'reach' | 'breathless' | 'dawn' | 'co2-night' | 'top-up' | 'bare-heater' | 'scours' | 'scraper'}`,
  id: string,
  more: Partial<Finding>,
): Finding => ({
  key: `${code}:${id}`,
  code,
  bench: 'equipment',
  severity: 'watch',
  excess: 1,
  subjects: [id],
  values: {},
  evidence: [],
  basis: 'practice',
  ...more,
});

/** Who swims before an intake: whether it is there to breed, and how far it is across its young; null where that is not known. */
export interface Swimmer {
  id: string;
  animal: Animal;
  breeds: boolean;
  youngAcrossMm: number | null;
}

/** Narrowest way across a body; null where its sizes are not known, or it sits fast. */
function narrowestMm({ group, sizeMm: { depth, width } }: Animal): number | null {
  const fast = group === 'cnidarian' || group === 'sponge' || group === 'echinoderm' || group === 'bivalve';
  return fast || !depth.value || !width.value ? null : Math.min(depth.value, width.value);
}

/** Whose young are about sooner or later, whatever is planned. */
const DROPS_YOUNG: ReadonlySet<string> = new Set(['bears young', 'carries eggs, young like adults']);

/** Sponges and mats let no animal in; what has an open intake may. */
const OPEN: ReadonlySet<string> = new Set(['internal', 'hang-on', 'canister', 'sump']);

/**
 * An intake against the smallest that swim before it: those that fit are drawn in. Young count where they are bred, or come by themselves.
 *
 * @param gapMm widest gap of it
 */
export function intakeFinding(
  id: string,
  form: Filter['form'] | 'pump',
  gapMm: number | null,
  animals: readonly Swimmer[],
): Finding | null {
  if (form === 'sponge' || form === 'mat' || form === 'undergravel') return null;
  const smallest = animals.flatMap((one) => {
    const across = narrowestMm(one.animal);
    const mode = one.animal.traits.breeding.mode.value;
    const hasYoung = one.youngAcrossMm !== null && (one.breeds || (mode !== null && DROPS_YOUNG.has(mode)));
    return [
      ...(across === null ? [] : [{ ...one, of: 'adult' as const, acrossMm: across }]),
      ...(hasYoung ? [{ ...one, of: 'young' as const, acrossMm: one.youngAcrossMm! }] : []),
    ];
  });
  const first = smallest.sort((a, b) => a.acrossMm - b.acrossMm)[0];
  if (!first) return null;
  if (gapMm === null)
    return first.of === 'young' && form !== null && OPEN.has(form)
      ? gear('gear.intake', id, { severity: 'unknown', excess: null, subjects: [first.id, id], kind: 'not-stated' })
      : null;
  if (first.acrossMm > gapMm) return null;
  const adults = smallest.filter(({ of, acrossMm }) => of === 'adult' && acrossMm <= gapMm);
  const who = adults[0] ?? first;
  return gear('gear.intake', id, {
    severity: 'conflict',
    excess: gapMm / who.acrossMm,
    subjects: [who.id, id],
    values: { across: { quantity: 'length', value: who.acrossMm }, gap: { quantity: 'length', value: gapMm } },
    kind: adults.length > 0 ? 'adult' : 'young',
    basis: who.animal.traits.youngMm.basis,
  });
}

/** Ammonia that a filter may hold a tank at, mg N/L: not to be seen by a drop test, and what a test just shows. Common practice. */
export const HELD = { unseen: 0.1, shown: 0.5 };

/** What all media of a tank, and the panes, bed and stones beside them, turn over in a day. */
export function carries(filters: readonly Filter[], ownM2: number, temperatureC: number, grown: boolean): (ammonia: number) => number {
  const areas = filters.flatMap((filter) =>
    filter.media.map(({ medium, litres, fromTankId }) => ({
      m2: litres * MEDIUM_META[medium].m2PerL,
      // what comes out of a running tank has run
      maturity: grown || fromTankId !== undefined ? 1 : maturityOf(filter),
    })),
  );
  return (ammonia) =>
    areas.reduce((sum, { m2, maturity }) => sum + capacityMgNPerDay(m2, maturity, ammonia, temperatureC), 0) +
    capacityMgNPerDay(ownM2, grown ? 1 : Math.max(...filters.map(maturityOf), 0), ammonia, temperatureC);
}

/**
 * Media against what animals and feed give off in a day, less what plants take. Nothing is said while no media are stated.
 *
 * @param loadMgN nitrogen given off a day
 */
export function capacityFinding(
  filters: readonly [string, Filter][],
  loadMgN: number,
  plantsMgN: number,
  ownM2: number,
  temperatureC: number,
): Finding | null {
  const stated = filters.filter(([, { media }]) => media.length > 0);
  const [first] = stated;
  if (!first || loadMgN <= 0) return null;
  const left = Math.max(0, loadMgN - plantsMgN);
  const all = stated.map(([, filter]) => filter);
  const today = carries(all, ownM2, temperatureC, false);
  const grown = carries(all, ownM2, temperatureC, true);
  if (today(HELD.unseen) >= left) return null;
  const values = {
    load: { quantity: 'mass', value: left / 1000 },
    carries: { quantity: 'mass', value: today(HELD.unseen) / 1000 },
  } as const;
  return gear('gear.capacity', first[0], {
    severity: today(HELD.shown) < left ? 'conflict' : 'watch',
    excess: left / Math.max(today(HELD.unseen), 1e-6) - 1,
    values,
    kind: grown(HELD.unseen) >= left ? 'young' : 'small',
  });
}

/** An air pump below the water without a valve in its line: what stops it siphons the tank out through it. */
export function siphonFinding(id: string, device: Device): Finding | null {
  if (device.kind !== 'air' || device.below !== true || device.checkValve !== false) return null;
  return gear('gear.siphon', id, {});
}

/** A pump that has to lift higher than it can. */
export function reachFinding(id: string, runs: Runs | null): Finding | null {
  if (!runs || runs.lPerH === null || runs.mostHeadM === null || runs.liftM < runs.mostHeadM) return null;
  return gear('gear.reach', id, {
    severity: 'conflict',
    excess: runs.liftM / runs.mostHeadM,
    values: { lift: { quantity: 'length', value: runs.liftM * 1000 }, most: { quantity: 'length', value: runs.mostHeadM * 1000 } },
  });
}

/** Without current animals gasp within so many hours: shorter than a night. Common practice. */
const SOON_HOURS = 8;
export function breathlessFinding(hours: number | null, who: readonly string[], leastMgPerL: number): Finding | null {
  if (hours === null || hours >= SOON_HOURS || who.length === 0) return null;
  return gear('gear.breathless', 'tank', {
    key: 'gear.breathless',
    excess: SOON_HOURS / Math.max(hours, 0.1),
    subjects: who,
    values: {
      hours: { quantity: 'count', value: Math.max(0.5, Math.round(hours * 2) / 2) },
      least: { quantity: 'concentration', value: leastMgPerL },
    },
  });
}

/** At dawn they are near their least for an hour or two each day: shares of what they should not fall under. Common practice. */
const AT_DAWN = { watch: 0.8, conflict: 0.6 };
/** Less than this between what it is on average and at dawn is no night's doing. */
const NIGHT_TAKES_MG_PER_L = 0.7;

/** Oxygen at the end of the warmest night against what the most demanding want, where the tank as such has enough. */
export function dawnFinding(
  dawnMgPerL: number,
  meanMgPerL: number,
  wanted: { mgPerL: number; ids: readonly string[] },
  warmestC: number,
): Finding | null {
  if (dawnMgPerL >= AT_DAWN.watch * wanted.mgPerL || meanMgPerL - dawnMgPerL < NIGHT_TAKES_MG_PER_L) return null;
  return gear('gear.dawn', 'tank', {
    key: 'gear.dawn',
    severity: dawnMgPerL < AT_DAWN.conflict * wanted.mgPerL ? 'conflict' : 'watch',
    excess: wanted.mgPerL - dawnMgPerL,
    subjects: wanted.ids,
    values: {
      dawn: { quantity: 'concentration', value: dawnMgPerL },
      edge: { quantity: 'concentration', value: wanted.mgPerL },
      warmest: { quantity: 'temperature', value: warmestC },
    },
  });
}

/** Hours of the dark that CO2 may be on: an hour before the lamps is practice. */
const EARLY_HOURS = 1.5;
export function co2NightFinding({ darkHours, mgPerL }: { darkHours: number; mgPerL: number }, animals: boolean): Finding | null {
  if (darkHours <= EARLY_HOURS) return null;
  return gear('gear.co2-night', 'tank', {
    key: 'gear.co2-night',
    excess: darkHours,
    subjects: [],
    values: { hours: { quantity: 'count', value: Math.round(darkHours) }, co2: { quantity: 'concentration', value: mgPerL } },
    ...(animals ? { kind: 'animals' } : {}),
  });
}

/** A reservoir may dilute the salt by so much before animals feel it, should its valve stick. Common practice. */
const DILUTES = 0.15;
/** A top-up whose switch sticks empties its reservoir into the tank: onto the floor, or into the salt. */
export function topUpFinding(id: string, device: Device, litres: number, roomToRimL: number, salty: boolean): Finding | null {
  if (device.kind !== 'top-up' || device.reservoirL === null || litres <= 0) return null;
  const floods = device.reservoirL > roomToRimL;
  const dilutes = salty && device.reservoirL > DILUTES * litres;
  if (!floods && !dilutes) return null;
  return gear('gear.top-up', id, {
    excess: device.reservoirL / Math.max(0.1, roomToRimL),
    values: {
      reservoir: { quantity: 'volume', value: device.reservoirL },
      room: { quantity: 'volume', value: Math.max(0, roomToRimL) },
    },
    kind: floods ? 'floods' : 'dilutes',
  });
}

/** Those that lie on what is warm, and do not feel it burn. */
const LIES_ON_IT: ReadonlySet<string> = new Set(['amphibian']);
/** A heater without a cage in the tank of those that burn on it. */
export function bareHeaterFinding(id: string, device: Device, animals: readonly { id: string; animal: Animal }[]): Finding | null {
  if (device.kind !== 'heater' || device.guarded === true) return null;
  const who = animals.filter(({ animal }) => LIES_ON_IT.has(animal.group)).map((one) => one.id);
  return who.length === 0 ? null : gear('gear.bare-heater', id, { subjects: [...who, id] });
}

/** A jet moves grain for good only where it is clearly faster than what just begins to. */
const SCOURS = 1.3;
/** A nozzle that blows over the bed faster than its grain lies. */
export function scoursFinding(id: string | null, bedMmPerS: number, grainMmPerS: number | null): Finding | null {
  if (!id || grainMmPerS === null || bedMmPerS < SCOURS * grainMmPerS) return null;
  return gear('gear.scours', id, {
    excess: bedMmPerS / grainMmPerS,
    values: { bed: { quantity: 'length', value: bedMmPerS }, grain: { quantity: 'length', value: grainMmPerS } },
  });
}

/** Width that a scraper needs along a pane. Common practice. */
const SCRAPER_MM = 30;
export type Pane = 'front' | 'back' | 'left' | 'right';
/** Gear that leaves a scraper no way along a pane that is looked through; the first of them. */
export function gearScraperFinding(
  devices: readonly [string, Device][],
  { lengthMm, widthMm }: { lengthMm: number; widthMm: number },
  viewed: readonly Pane[],
): Finding | null {
  for (const [id, device] of devices) {
    const { placeMm, sizeMm } = device;
    if (!placeMm || !sizeMm || !standsInside(device)) continue;
    const [x, y] = placeMm;
    const [w, d] = sizeMm;
    const gaps: Record<Pane, number> = { front: y - d / 2, back: widthMm - y - d / 2, left: x - w / 2, right: lengthMm - x - w / 2 };
    const side = viewed.find((pane) => gaps[pane] < SCRAPER_MM);
    if (!side) continue;
    return gear('gear.scraper', id, {
      excess: 1 - gaps[side] / SCRAPER_MM,
      values: { gap: { quantity: 'length', value: Math.max(0, gaps[side]) } },
      kind: side,
    });
  }
  return null;
}
