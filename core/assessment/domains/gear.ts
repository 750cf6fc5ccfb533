import type { Finding } from '../../calculation/finding';
import { inOrder } from '../../design/design';
import {
  bareHeaterFinding,
  breathlessFinding,
  capacityFinding,
  co2NightFinding,
  dawnFinding,
  gearScraperFinding,
  type Pane,
  intakeFinding,
  reachFinding,
  scoursFinding,
  siphonFinding,
  topUpFinding,
  type Swimmer,
} from '../../equipment/guards';
import { runsOf } from '../../equipment/runs';
import { meantToBreed, youngDepthMm } from '../../stocking/company';
import { movingCurrentMmPerS } from '../../substrate/grain-moves';
import { volumeToL } from '../../vessel/shape';
import { oxygenWanted } from '../../water/life-findings';
import { SALT_FROM } from './shared';
import { NITRATE_PER_N } from '../../tank/at-rest';
import { animalOf, type Derived, type World } from '../derive';
import { ASSUMED_TEMPERATURE_C } from '../derive/assumed';
import { gearNodes } from '../derive/gear';
import { ownSlimeM2 } from '../derive/scenario';
import { domain } from '../domain';
import { wordGear } from '../wording/gear';
import { GEAR_REMEDIES } from '../wording/remedies';

declare module '../../calculation/finding' {
  interface FindingCodes {
    gear:
      'intake' | 'capacity' | 'siphon' | 'reach' | 'breathless' | 'dawn' | 'co2-night' | 'top-up' | 'bare-heater' | 'scours' | 'scraper';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    'intake-sponge': true;
    'more-media': true;
    'ripe-media': true;
    'check-valve': true;
    'battery-air': true;
    'co2-by-day': true;
    'smaller-reservoir': true;
    'heater-cage': true;
    'two-heaters': true;
    controller: true;
    'nozzle-up': true;
    'gear-off-pane': true;
  }
}

/** Nitrogen that feed and animals give off in a day, mg. */
export function loadMgNOf(derived: Derived): number {
  const feed = derived['tank.ahead'].value?.scenario.feed;
  return feed ? feed.gPerDay * feed.protein * 160 * feed.toAmmonia : 0;
}

function gearFindings({ design }: World, derived: Derived): Finding[] {
  const devices = inOrder(design.equipment);
  const swimmers = (derived['stock.members'].value ?? []).flatMap((member): Swimmer[] => {
    const animal = animalOf(member);
    if (!animal) return [];
    const young = animal.traits.youngMm.value;
    return [{ id: member.id, animal, breeds: meantToBreed(member.phase), youngAcrossMm: young === null ? null : youngDepthMm(young) }];
  });
  const filters = devices.flatMap(([id, device]) => (device.kind === 'filter' ? [[id, device] as [string, typeof device]] : []));
  const loadMgN = loadMgNOf(derived);
  const litres = derived['vessel.system-volume'].value ?? 0;
  const wants = derived['plants.wants'].value;
  const plantsMgN = wants ? (wants.nitrateMgPerL * litres) / 7 / NITRATE_PER_N : 0;
  const cut = derived['gear.cut'].value;
  return [
    ...devices.map(([id, device]) =>
      (device.kind === 'filter' || device.kind === 'pump') && device.runs
        ? intakeFinding(id, device.kind === 'filter' ? device.form : 'pump', device.runs.gapMm, swimmers)
        : null,
    ),
    ...devices.map(([id, device]) => reachFinding(id, runsOf(device))),
    ...devices.map(([id, device]) => siphonFinding(id, device)),
    capacityFinding(filters, loadMgN, plantsMgN, ownSlimeM2(design), derived['planned.temperatureC'].value ?? ASSUMED_TEMPERATURE_C),
    cut ? breathlessFinding(cut.hours, cut.who, cut.leastMgPerL) : null,
    dawnOf(derived),
    scoursOf(derived),
    design.vessel && isBoxy(design.vessel)
      ? gearScraperFinding(devices, design.vessel, design.vessel.viewingSides as readonly Pane[])
      : null,
    derived['gear.co2'].value ? co2NightFinding(derived['gear.co2'].value, swimmers.length > 0) : null,
    ...devices.map(([id, device]) =>
      topUpFinding(id, device, litres, roomToRimL(design), (derived['planned.salinity'].value ?? 0) > SALT_FROM),
    ),
    ...devices.map(([id, device]) => bareHeaterFinding(id, device, swimmers)),
  ].filter((finding) => finding !== null);
}

/** Said only where the tank as such has enough: the same want twice is one too many. */
function dawnOf(derived: Derived): Finding | null {
  const dawn = derived['gear.dawn'].value;
  const settled = derived['tank.settled'];
  const animals = (derived['stock.members'].value ?? []).flatMap((member) => {
    const animal = animalOf(member);
    return animal ? [{ id: member.id, mgPerL: animal.traits.oxygenMgPerL.value }] : [];
  });
  if (!dawn || !settled.value || settled.gap || animals.length === 0) return null;
  const mean = settled.value.usual.oxygenMgPerL;
  const wanted = oxygenWanted(animals);
  return mean < wanted.mgPerL ? null : dawnFinding(dawn.dawnMgPerL, mean, wanted, dawn.warmestC);
}

/** Only where the nozzles were given their places: else it is not known where they blow. */
function scoursOf(derived: Derived): Finding | null {
  const field = derived['gear.current'].value;
  const top = derived['substrate.bed'].value?.layers.at(-1);
  const grainMm = top?.material && top.grainMm ? top.grainMm[0] : null;
  if (!field?.placed || grainMm === null || grainMm < 0.02 || grainMm > 40) return null;
  return scoursFinding(field.bedById, field.bedMmPerS, movingCurrentMmPerS(grainMm));
}

/** Round ones are scraped all around. */
const isBoxy = ({ shape }: NonNullable<World['design']['vessel']>): boolean => shape === 'box' || shape === 'cube';

/** Litres that go in until it runs over. */
const roomToRimL = ({ vessel }: World['design']): number =>
  vessel ? Math.max(0, volumeToL(vessel, vessel.heightMm) - volumeToL(vessel, vessel.waterLevelMm)) : 0;

/** Filters, pumps and air: what they draw in, carry and leave when they stop. */
export const gear = domain({
  family: 'gear',
  findings: gearFindings,
  words: wordGear,
  nodes: { ...gearNodes },
  at: {
    intake: ['equipment', 'gear'],
    capacity: ['equipment', 'gear'],
    siphon: ['equipment', 'gear'],
    reach: ['equipment', 'gear'],
    breathless: ['equipment', 'gear'],
    dawn: ['equipment', 'clock', 'day'],
    'co2-night': ['equipment', 'clock', 'day'],
    'top-up': ['equipment', 'gear'],
    'bare-heater': ['equipment', 'gear'],
    scours: ['equipment', 'nozzles', 'current'],
    scraper: ['equipment', 'nozzles', 'current'],
  },
  remedyWords: GEAR_REMEDIES,
  noRemedy: {
    reach: 'A pump of more head, or one that stands higher.',
  },
});
