import { doubtOf, readingNow } from '../water/reading';
import { waterMark } from './water-mark';
import { severityRank, type Bench, type Finding } from '../calculation/finding';
import { isInvertebrate, rangeFor, type Organism, type ToleranceRange } from '../catalogue/organism';
import { PARAMETERS, type Parameter } from '../catalogue/parameter';
import { belongingFinding, placeBottomFinding, placeNotKnown, placeSeasonFinding, placeWaterFinding } from '../biotope/findings';
import { plantDamageFinding, unidentifiedFinding } from '../stocking/damage';
import { inOrder } from '../design/design';
import { climateNotStated, contraryFinding, failureFinding, ratingFinding, seasonFindings } from '../equipment/findings';
import { currentFinding, currentOf } from '../stocking/current';
import { usualFeedOfTank } from '../stocking/usual-feed';
import { spaceFinding } from '../vessel/space';
import { ASSUMED_GLASS_MM } from './derive/assumed';
import { dietFinding } from '../stocking/diet';
import { lightFindings } from '../stocking/light';
import { meantToBreed } from '../stocking/company';
import type { WayOut } from '../stocking/escape';
import { companyFindings, companyNotKnown, groupFinding, nothingChosen } from '../stocking/findings';
import {
  clearanceFinding,
  depthFinding,
  drainBackFinding,
  fitFinding,
  footprintFinding,
  headsPerL,
  glassFinding,
  leakTestFinding,
  lidFinding,
  loadFinding,
  sitingFindings,
  vesselNotStated,
  volumeFinding,
} from '../vessel/findings';
import { floorMm } from '../vessel/shape';
import { conditionerOf } from '../water/conditioners';
import {
  acclimationFinding,
  co2Finding,
  conditionerHarmFinding,
  conductivityContradiction,
  copperFinding,
  disinfectantFinding,
  limeSettlesFinding,
  materialNotKnown,
  outOfProportion,
  parameterFinding,
  soilFindings,
  sourceQuestionedFinding,
  waterNotStated,
} from '../water/findings';
import {
  evaporationFinding,
  feedFinding,
  nitrateFinding,
  nitrateLimit,
  NO_OXYGEN,
  oxygenFinding,
  oxygenWanted,
  swingFinding,
} from '../water/life-findings';
import type { AtRest } from '../tank/at-rest';
import { hardscapeOf } from './derive/scene';
import type { HardscapeItem } from '../hardscape/model';
import type { Fact } from '../quantity/fact';
import type { Span } from '../quantity/range';
import type { Vessel } from '../vessel/model';
import { windowFindings } from '../window/findings';
import { bedFindings, hardscapeFindings } from './built';
import {
  animalOf,
  companyOf,
  derive,
  plannedNode,
  windowNodeOf,
  type DeriveCache,
  type DeriveCacheEntry,
  type Derived,
  type Member,
  type NodeId,
  type World,
} from './derive';

/** Everything known about a design at one moment: derived values and findings, worst first. */
export interface Assessment {
  world: World;
  derived: Derived;
  findings: readonly Finding[];
  /** The derived values by what they were computed from: a trial of an edit starts from a copy. */
  kept: ReadonlyMap<NodeId, DeriveCacheEntry>;
}

type WaterParameter = Exclude<Parameter, 'temperatureC'>;
const WATER_PARAMETERS = PARAMETERS.filter((parameter): parameter is WaterParameter => parameter !== 'temperatureC');

/** Salinity from which the tank is one of salt water. */
const SALT_FROM = 5;
/** Animals that stand fresh water and this live between waters: where they come from matters. */
const BETWEEN_WATERS = { from: 2, to: 10 };
/** Those that build lime into themselves take it from the alkalinity of salt water; the others do not feel it. */
const BUILDS_LIME = new Set(['cnidarian', 'bivalve', 'snail', 'echinoderm']);

/**
 * Little alkalinity is no hurt of its own: it lets the pH slip. Where that is held, by soil or by humic acids, or where it suits all the same, it is
 * no news to fish, newts, shrimp and plants; those with shells feel it.
 */
function lowAlkalinity(finding: Finding | null, organism: Organism | undefined, derived: Derived): Finding | null {
  if (finding?.kind?.endsWith(':low') !== true || (finding.severity !== 'conflict' && finding.severity !== 'watch')) return finding;
  if (organism?.kind === 'plant') return { ...finding, severity: 'fits', excess: 0 };
  if (BUILDS_LIME.has(organism?.group ?? '')) return finding;
  return { ...finding, severity: derived['water.soil'].value ? 'fits' : 'watch', excess: derived['water.soil'].value ? 0 : finding.excess };
}

/** Whether a parameter says anything of a member: hardness and conductivity are no measures of sea water, and conductivity none beside hardness. */
function matters(parameter: WaterParameter, { organism }: Member, salty: boolean, range: Fact<ToleranceRange> | undefined): boolean {
  if (parameter === 'ec25UsPerCm') return !salty && !!range?.value;
  if (!salty) return true;
  if (parameter === 'ghDh') return false;
  return parameter !== 'khDh' || organism?.form === 'macroalga' || BUILDS_LIME.has(organism?.group ?? '');
}

/**
 * Judges a design in its room. Pure; quick enough for every drag.
 *
 * @param cache hand the same one in again to reuse derived values whose inputs are the same objects
 */
export function assess(world: World, cache: DeriveCache = new Map()): Assessment {
  const derived = derive(world, cache);
  const findings = [
    ...waterFindings(world, derived),
    ...memberFindings(world, derived),
    ...companyJudged(world, derived),
    ...placeFindings(world, derived),
    ...bedFindings(world, derived),
    ...hardscapeFindings(world, derived),
    ...vesselFindings(world, derived),
    ...heatFindings(world, derived),
    ...rangesApart(derived),
  ];
  return { world, derived, findings: findings.sort(worstFirst), kept: cache };
}

/** Animals whose ranges do not meet; of hardness and alkalinity nothing is asked in the sea, of conductivity nothing beside hardness. */
function rangesApart(derived: Derived): Finding[] {
  const salty = (derived['planned.salinity'].value ?? 0) > SALT_FROM;
  const animals = (derived['stock.members'].value ?? []).filter(({ organism }) => organism?.kind === 'animal');
  const asked = PARAMETERS.filter((parameter) => parameter !== 'ec25UsPerCm' && !(salty && (parameter === 'ghDh' || parameter === 'khDh')));
  return asked.flatMap((parameter) =>
    windowFindings(
      parameter,
      animals.map(({ id, organism, organismId, phase }) => ({
        id,
        name: organism?.latin ?? organismId,
        range: organism && rangeFor(organism, phase, parameter),
        breeds: phase !== 'keep',
      })),
      windowNodeOf(derived, parameter),
    ),
  );
}

/** What is not stated comes in work order. */
const WORK_ORDER: readonly Bench[] = [
  'livestock',
  'vessel',
  'water',
  'substrate',
  'hardscape',
  'plants',
  'equipment',
  'stocking',
  'startup',
  'care',
  'breeding',
];

function worstFirst(a: Finding, b: Finding): number {
  const bySeverity = severityRank(b.severity) - severityRank(a.severity);
  if (bySeverity !== 0) return bySeverity;
  if (a.severity === 'unknown') return WORK_ORDER.indexOf(a.bench) - WORK_ORDER.indexOf(b.bench);
  return Number(b.code === 'window.clash') - Number(a.code === 'window.clash');
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
  if (world.design.water.co2) findings.push(co2Finding(world.design.water.co2.mgPerL, derived['water.gas']));
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
            nitrate
              ? [Math.max(0, nitrate.value - doubtOf(nitrate)), nitrate.value + doubtOf(nitrate)]
              : band((rest) => rest.nitrateMgPerL),
            limit,
            nitrate ? null : feedTaken,
            settled,
          ),
        ]),
    ...(trap ? [trap] : []),
    ...(swing && !suffocates ? [swing] : []),
  ];
}

function memberFindings({ design }: World, derived: Derived): Finding[] {
  const members = derived['stock.members'].value ?? [];
  if (Object.keys(design.stock).length === 0 && members.length === 0) return [nothingChosen()];
  const findings: (Finding | null)[] = [];
  const conditioner = conditionerOf(design.water.conditioner);
  const copper = derived['water.mixed'].value?.traces.copper ?? null;
  const planned = derived['planned.salinity'].value ?? 0;
  const bedTop = derived['substrate.bed'].value?.topMm.least ?? 0;
  const salty = planned > SALT_FROM;
  for (const member of members) {
    const { id, organism, phase } = member;
    const range = (parameter: Parameter) => organism && rangeFor(organism, phase, parameter);
    const kind = organism?.kind ?? 'animal';
    for (const parameter of WATER_PARAMETERS)
      if (matters(parameter, member, salty, range(parameter))) {
        const finding = parameterFinding(id, { parameter, kind, phase }, range(parameter), plannedNode(derived, parameter));
        findings.push(parameter === 'khDh' ? lowAlkalinity(finding, organism, derived) : finding);
      }
    if (!salty) findings.push(conductivityContradiction(id, range('ghDh'), range('khDh'), range('ec25UsPerCm')));
    findings.push(...seasonFindings(id, { parameter: 'temperatureC', kind, phase }, range('temperatureC'), derived['heat.year']));
    const animal = animalOf(member);
    if (!animal) continue;
    const { traits } = animal;
    if (conditioner) findings.push(conditionerHarmFinding(id, animal.group, conditioner));
    if (isInvertebrate(animal.group)) findings.push(copperFinding(id, copper, conditioner, derived['water.mixed']));
    const kin = members.filter(({ organismId }) => organismId === member.organismId);
    const ofItsKind = kin.reduce((sum, { count }) => sum + count, 0);
    const isFirst = kin[0] === member;
    if (isFirst)
      findings.push(
        groupFinding(
          id,
          animal,
          ofItsKind,
          kin.some((one) => meantToBreed(one.phase)),
        ),
      );
    const salinity = range('salinity')?.value?.tolerance;
    const arrival = design.stock[id]?.arrivalSalinity;
    const between = salinity && (salinity[0] ?? 0) <= BETWEEN_WATERS.from && (salinity[1] ?? 0) >= BETWEEN_WATERS.to;
    if ((between && planned > BETWEEN_WATERS.from) || (arrival?.value ?? null) !== null)
      findings.push(acclimationFinding(id, arrival, animal.dailyStep.salinity, derived['planned.salinity']));
    if (design.vessel) {
      const gross = derived['vessel.gross-volume'];
      const grazes = headsPerL(animal);
      if (isFirst) {
        const need = { volumeL: traits.volumeL, groupMin: traits.groupMin.value ?? 1, count: ofItsKind, headsPerL: grazes };
        // what grazes panes, wood and plants is not bound to the floor
        if (grazes === null) findings.push(footprintFinding(id, traits.footprintMm, floorMm(design.vessel, bedTop), gross));
        findings.push(volumeFinding(id, need, gross));
        findings.push(lidFinding(id, animal, design.vessel));
        findings.push(depthFinding(id, traits.deepestMm, design.vessel.waterLevelMm - bedTop));
      }
    }
  }
  return findings.filter((finding) => finding !== null);
}

function companyJudged({ design, catalogue }: World, derived: Derived): Finding[] {
  const members = derived['stock.members'].value ?? [];
  const floor = design.vessel && floorMm(design.vessel);
  const plants = members.flatMap(({ id, organism }) => (organism?.kind === 'plant' ? [{ id, plant: organism }] : []));
  const ways: WayOut[] = inOrder(design.vessel?.openings ?? {}).map(([id, opening]) => ({ id, ...opening }));
  const company = companyOf(members);
  const turnover = derived['tank.turnover'].value;
  const lies = [
    ...hardscapeOf(design).map(([, { materialId }]) => materialId),
    ...Object.values(design.water.additions).map(({ materialId }) => materialId),
  ];
  const hasWood = lies.some((id) => id !== null && catalogue.materials.get(id)?.use === 'wood');
  return [
    ...companyFindings(company, floor && floor.long * floor.short, ways),
    ...(turnover === null ? [] : company.flatMap((companion) => currentFinding(companion, currentOf(turnover)) ?? [])),
    ...company.flatMap((companion) => dietFinding(companion, hasWood) ?? []),
    ...lightFindings(
      design.care.lampHours,
      plants.map(({ id }) => id),
      company.flatMap(({ id, animal: { group, traits } }) =>
        group === 'cnidarian' && traits.light.value === 'bright' ? [{ id, basis: traits.light.basis }] : [],
      ),
      company.length > 0,
    ),
    ...members.filter(({ organism }) => !organism).map(({ id }) => companyNotKnown(id)),
    ...inOrder(design.stock).flatMap(([id, { candidateIds }]) => (candidateIds ? [unidentifiedFinding(id, candidateIds.length)] : [])),
    ...company.flatMap((companion) => plantDamageFinding(companion, plants) ?? []),
  ];
}

/** How true the tank is to its wild place, where that is wanted. */
function placeFindings({ design, catalogue }: World, derived: Derived): Finding[] {
  const { biotopeId, fidelity } = design.brief;
  if (!biotopeId || !fidelity) return [];
  const place = catalogue.biotopes.get(biotopeId);
  if (!place) return [placeNotKnown()];
  const lying = [
    ...inOrder(design.substrate.layers).map(([, { materialId }]) => materialId),
    ...hardscapeOf(design).flatMap(([, { materialId }]) => materialId ?? []),
    ...inOrder(design.water.additions).map(([, { materialId }]) => materialId),
  ];
  const findings = [
    ...(derived['stock.members'].value ?? []).map(({ id, organism }) => belongingFinding(id, organism, place, fidelity)),
    ...WATER_PARAMETERS.map((parameter) => placeWaterFinding(parameter, plannedNode(derived, parameter), place, fidelity)),
    placeSeasonFinding(derived['heat.year'], place, fidelity),
    placeBottomFinding([...new Set(lying)], place, catalogue.materials),
  ];
  return findings.filter((finding) => finding !== null);
}

function vesselFindings({ design, catalogue }: World, derived: Derived): Finding[] {
  const { vessel } = design;
  if (!vessel) return [vesselNotStated()];
  const shy = (derived['stock.members'].value ?? []).filter((member) => animalOf(member)?.traits.temperament.value === 'shy');
  const space = design.brief.spaceMm;
  const glassMm = vessel.glassMm.value ?? ASSUMED_GLASS_MM;
  const fits = space !== undefined && vessel.heightMm + glassMm <= space[2];
  const findings: (Finding | null)[] = [
    leakTestFinding(
      vessel,
      Object.values(design.equipment).some(({ kind }) => kind === 'filter' || kind === 'pump'),
    ),
    clearanceFinding(vessel, space && fits ? space[2] - vessel.heightMm - glassMm : null),
    spaceFinding(vessel, space, glassMm),
    drainBackFinding(derived['vessel.drain-back']),
    loadFinding(vessel, derived['vessel.filled-mass']),
    glassFinding(vessel, derived['vessel.glass-needed']),
    ...sitingFindings(
      vessel,
      shy.map(({ id }) => id),
    ),
    // a lamp stands or hangs above the opening, and what is not measured is not asked about
    ...inOrder(design.equipment).map(([id, { kind, sizeMm }]) =>
      kind === 'lamp' || !sizeMm ? null : fitFinding('vessel.gear-fit', id, sizeMm, vessel),
    ),
    ...hardscapeOf(design).map(([id, item]) =>
      catalogue.pieces.get(item.classId)?.group === 'litter' ? null : pieceFitFinding(id, item, vessel),
    ),
  ];
  return findings.filter((finding) => finding !== null);
}

const passes = new WeakMap<HardscapeItem, { id: string; vessel: Vessel; finding: Finding | null }>();
/** That a piece passes the opening is no news; that it does not is. Kept, as most pieces stay while one is moved. */
function pieceFitFinding(id: string, item: HardscapeItem, vessel: Vessel): Finding | null {
  const known = passes.get(item);
  if (known?.id === id && known.vessel === vessel) return known.finding;
  const found = fitFinding('vessel.piece-fit', id, item.sizeMm, vessel);
  const finding = found?.severity === 'fits' ? null : found;
  passes.set(item, { id, vessel, finding });
  return finding;
}

function heatFindings({ design }: World, derived: Derived): Finding[] {
  const findings = inOrder(design.equipment).map(([id, device]) =>
    device.kind === 'heater' || device.kind === 'cooler' ? ratingFinding(id, device, derived['heat.balance']) : null,
  );
  findings.push(contraryFinding(design.equipment));
  const failures = derived['heat.failures'];
  for (const failure of failures.value ?? []) findings.push(failureFinding(failures, failure, derived['vessel.system-volume'].value ?? 0));
  return findings.filter((finding) => finding !== null);
}

/** The worst severity among findings that the user has not accepted; null when there are none. */
export function worst(findings: readonly Finding[], accepted: Readonly<Record<string, string>> = {}): Finding['severity'] | null {
  const open = findings.filter((finding) => !Object.hasOwn(accepted, finding.key));
  return open.reduce<Finding['severity'] | null>(
    (most, { severity }) => (most === null || severityRank(severity) > severityRank(most) ? severity : most),
    null,
  );
}
