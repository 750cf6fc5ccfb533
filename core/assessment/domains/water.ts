import { rangeOfReading, readingNow } from '../../water/reading';
import { waterMark } from '../water-mark';
import type { Finding } from '../../calculation/finding';
import { inOrder } from '../../design/design';
import { climateNotStated } from '../../equipment/findings';
import { usualFeedOfTank } from '../../stocking/usual-feed';
import { conditionerOf } from '../../water/conditioners';
import {
  co2Finding,
  disinfectantFinding,
  limeSettlesFinding,
  materialNotKnown,
  outOfProportion,
  soilFindings,
  sourceQuestionedFinding,
  waterNotStated,
} from '../../water/findings';
import {
  evaporationFinding,
  feedFinding,
  nitrateFinding,
  nitrateLimit,
  NO_OXYGEN,
  oxygenFinding,
  oxygenWanted,
  swingFinding,
} from '../../water/life-findings';
import type { AtRest } from '../../tank/at-rest';
import type { Span } from '../../quantity/range';
import { animalOf, plannedNode, type Derived, type World } from '../derive';
import { SALT_FROM, WATER_PARAMETERS } from './shared';
import { waterNodes, settledNodes } from '../derive/water';
import { tankNodes } from '../derive/tank';
import { WATER_REMEDIES } from '../wording/remedies';
import { wordWater } from '../wording/water';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    water:
      | 'parameter'
      | 'not-stated'
      | 'salinity-acclimation'
      | 'disinfectant'
      | 'conditioner-harm'
      | 'source-questioned'
      | 'conductivity-contradiction'
      | 'copper'
      | 'co2'
      | 'lime-settles'
      | 'soil-life'
      | 'soil-against-lime'
      | 'material-not-known'
      | 'oxygen'
      | 'nitrate'
      | 'feed'
      | 'evaporation'
      | 'swing';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    recipe: true;
    blend: true;
    salts: true;
    conditioner: true;
    leaves: true;
    surface: true;
    changes: true;
    feed: true;
    'inert-bed': true;
    'other-stone': true;
    'open-lid': true;
    'top-up': true;
  }
}

function waterFindings(world: World, derived: Derived): Finding[] {
  const findings: Finding[] = [];
  const poured = derived['water.poured'];
  if (!poured.value) findings.push(waterNotStated(poured));
  else {
    for (const parameter of WATER_PARAMETERS) {
      const node = plannedNode(derived, parameter);
      if (node.value === null && node.gap !== 'outside-validity') findings.push(waterNotStated(node, parameter));
    }
    if (derived['tank.settled'].gap === 'outside-validity') findings.push(outOfProportion(derived['tank.settled']));
    const conditioner = conditionerOf(world.design.water.conditioner);
    for (const { id, source, water } of poured.value) {
      if (source.kind === 'tap' || source.disinfectant.value === null)
        findings.push(disinfectantFinding(id, source.disinfectant, conditioner));
      const questioned = sourceQuestionedFinding(id, water.contradictions, derived['water.sources']);
      if (questioned) findings.push(questioned);
    }
  }
  findings.push(...lifeFindings(world, derived));
  const litres = derived['vessel.system-volume'].value ?? 0;
  const fed = feedFinding(world.design.care.feed.gPerDay, usualFeedOfTank(derived['stock.load'].value?.usualFeedG ?? 0, litres), litres);
  if (fed) findings.push(fed);
  const settles = limeSettlesFinding(derived['water.saturation']);
  if (settles) findings.push(settles);
  const co2 = derived['gear.co2'].value;
  if (co2) findings.push(co2Finding(co2.mgPerL, derived['water.gas']));
  findings.push(...soilFindings(derived['water.soil'], derived['water.lime']));
  for (const [id, { materialId }] of inOrder(world.design.water.additions))
    if (!world.catalogue.materials.has(materialId)) findings.push(materialNotKnown(id, materialId));
  if (!derived['heat.year'].value) findings.push(climateNotStated(derived['heat.year']));
  return findings;
}

/** What the settled tank holds of oxygen and nitrate, and what evaporation has made of it. */
function lifeFindings({ design, room }: World, derived: Derived): Finding[] {
  const settled = derived['tank.settled'];
  const members = derived['stock.members'].value ?? [];
  if (!settled.value) return [];
  const { usual, corners } = settled.value;
  const band = (of: (rest: AtRest) => number): Span => [Math.min(...corners.map(of), of(usual)), Math.max(...corners.map(of), of(usual))];
  const swing = swingFinding(usual.ph, usual.phAfterChange, settled);
  const trap = settled.gap ? null : evaporationFinding(usual.concentrated, settled);
  const animals = members.flatMap((member) => animalOf(member) ?? []);
  const groups = new Set(animals.map(({ group }) => group));
  if (groups.size === 0) return trap ? [trap] : [];
  const suffocates = usual.oxygenMgPerL < NO_OXYGEN || settled.gap !== undefined;
  const wanted = oxygenWanted(
    members.flatMap((member) => {
      const animal = animalOf(member);
      return animal ? [{ id: member.id, mgPerL: animal.traits.oxygenMgPerL.value }] : [];
    }),
  );
  const feedTaken = design.care.feed.gPerDay === null ? (derived['tank.ahead'].value?.scenario.feed.gPerDay ?? null) : null;
  const nitrate = readingNow(design.readings, 'nitrateMgPerL', waterMark(design, room));
  const limit = nitrateLimit(groups, (derived['planned.salinity'].value ?? 0) > SALT_FROM);
  return [
    oxygenFinding(
      usual.oxygenMgPerL,
      band((rest) => rest.oxygenMgPerL),
      wanted,
      feedTaken,
      settled,
    ),
    // without oxygen no filter works, and what it would make of the feed is not known
    ...(suffocates
      ? []
      : [
          nitrateFinding(
            nitrate?.value ?? usual.nitrateMgPerL,
            nitrate ? rangeOfReading(nitrate, room.kits) : band((rest) => rest.nitrateMgPerL),
            limit,
            nitrate ? null : feedTaken,
            settled,
          ),
        ]),
    ...(trap ? [trap] : []),
    ...(swing && !suffocates ? [swing] : []),
  ];
}

/** Water: what is poured, what lies in it, what lives off it. */
export const water = domain({
  family: 'water',
  findings: waterFindings,
  words: wordWater,
  nodes: { ...waterNodes, ...tankNodes, ...settledNodes },
  at: {
    parameter: ['water', 'recipe'],
    'not-stated': null,
    'salinity-acclimation': null,
    disinfectant: ['water', 'conditioner'],
    'conditioner-harm': ['water', 'conditioner'],
    'source-questioned': ['water', 'sources'],
    'conductivity-contradiction': null,
    copper: ['water', 'sources'],
    co2: null,
    'lime-settles': null,
    'soil-life': ['water', 'lying'],
    'soil-against-lime': ['water', 'lying'],
    'material-not-known': ['water', 'lying'],
    oxygen: ['care', 'routine'],
    nitrate: ['care', 'routine'],
    feed: ['care', 'routine'],
    evaporation: ['care', 'routine'],
    swing: null,
  },
  remedyWords: WATER_REMEDIES,
});
