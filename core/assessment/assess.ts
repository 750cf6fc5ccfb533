import { severityRank, type Bench, type Finding } from '../calculation/finding';
import { isInvertebrate, rangeFor } from '../catalogue/organism';
import { PARAMETERS, type Parameter } from '../catalogue/parameter';
import { belongingFinding, placeBottomFinding, placeNotKnown, placeSeasonFinding, placeWaterFinding } from '../biotope/findings';
import { plantDamageFinding, unidentifiedFinding } from '../stocking/damage';
import { inOrder } from '../design/design';
import { climateNotStated, failureFinding, ratingFinding, seasonFindings } from '../equipment/findings';
import type { WayOut } from '../stocking/escape';
import { companyFindings, companyNotKnown, groupFinding, nothingChosen } from '../stocking/findings';
import {
  clearanceFinding,
  drainBackFinding,
  fitFinding,
  footprintFinding,
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
  parameterFinding,
  soilFindings,
  sourceQuestionedFinding,
  waterNotStated,
} from '../water/findings';
import { evaporationFinding, nitrateFinding, nitrateLimit, oxygenFinding } from '../water/life-findings';
import type { AtRest } from '../tank/at-rest';
import { hardscapeOf } from './derive/scene';
import type { HardscapeItem } from '../hardscape/model';
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

const WATER_PARAMETERS = PARAMETERS.filter((parameter): parameter is Exclude<Parameter, 'temperatureC'> => parameter !== 'temperatureC');

/** Salinity from which the tank is one of salt water. */
const SALT_FROM = 5;
/** Animals that stand such a spread of salinity live between waters: where they come from matters. */
const EURYHALINE_SPREAD = 5;

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
    ...PARAMETERS.flatMap((p) => windowFindings(windowNodeOf(derived, p))),
  ];
  return { world, derived, findings: findings.sort(worstFirst), kept: cache };
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
      if (node.value === null) findings.push(waterNotStated(node, parameter));
    }
    const conditioner = conditionerOf(world.design.water.conditioner);
    for (const { id, source, water } of poured.value) {
      if (source.kind === 'tap' || source.disinfectant.value === null)
        findings.push(disinfectantFinding(id, source.disinfectant, conditioner));
      const questioned = sourceQuestionedFinding(id, water.contradictions, derived['water.sources']);
      if (questioned) findings.push(questioned);
    }
  }
  findings.push(...lifeFindings(derived));
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
function lifeFindings(derived: Derived): Finding[] {
  const settled = derived['tank.settled'];
  const members = derived['stock.members'].value ?? [];
  if (!settled.value) return [];
  const { usual, corners } = settled.value;
  const band = (of: (rest: AtRest) => number): Span => [Math.min(...corners.map(of), of(usual)), Math.max(...corners.map(of), of(usual))];
  const trap = evaporationFinding(usual.concentrated, settled);
  const groups = new Set(members.flatMap((member) => animalOf(member)?.group ?? []));
  if (groups.size === 0) return trap ? [trap] : [];
  const limit = nitrateLimit(groups, (derived['planned.salinity'].value ?? 0) > SALT_FROM);
  return [
    oxygenFinding(
      usual.oxygenMgPerL,
      band((rest) => rest.oxygenMgPerL),
      settled,
    ),
    nitrateFinding(
      usual.nitrateMgPerL,
      band((rest) => rest.nitrateMgPerL),
      limit,
      settled,
    ),
    ...(trap ? [trap] : []),
  ];
}

function memberFindings({ design }: World, derived: Derived): Finding[] {
  const members = derived['stock.members'].value ?? [];
  if (Object.keys(design.stock).length === 0 && members.length === 0) return [nothingChosen()];
  const findings: (Finding | null)[] = [];
  const conditioner = conditionerOf(design.water.conditioner);
  const copper = derived['water.mixed'].value?.traces.copper ?? null;
  for (const member of members) {
    const { id, organism, phase } = member;
    const range = (parameter: Parameter) => organism && rangeFor(organism, phase, parameter);
    for (const parameter of WATER_PARAMETERS)
      findings.push(parameterFinding(id, parameter, range(parameter), plannedNode(derived, parameter)));
    findings.push(conductivityContradiction(id, range('ghDh'), range('khDh'), range('ec25UsPerCm')));
    findings.push(...seasonFindings(id, range('temperatureC'), derived['heat.year']));
    const animal = animalOf(member);
    if (!animal) continue;
    const { traits } = animal;
    if (conditioner) findings.push(conditionerHarmFinding(id, animal.group, conditioner));
    if (isInvertebrate(animal.group)) findings.push(copperFinding(id, copper, conditioner, derived['water.mixed']));
    const ofItsKind = members.filter(({ organismId }) => organismId === member.organismId).reduce((sum, { count }) => sum + count, 0);
    findings.push(groupFinding(id, traits.groupMin, ofItsKind));
    const salinity = range('salinity')?.value?.tolerance;
    if (salinity && (salinity[1] ?? 0) - (salinity[0] ?? 0) >= EURYHALINE_SPREAD) {
      findings.push(acclimationFinding(id, design.stock[id]?.arrivalSalinity, animal.dailyStep.salinity, derived['planned.salinity']));
    }
    if (design.vessel) {
      findings.push(footprintFinding(id, traits.footprintMm, design.vessel, derived['vessel.gross-volume']));
      findings.push(volumeFinding(id, traits.volumeL, traits.groupMin.value ?? 1, member.count, derived['vessel.water-volume']));
      findings.push(lidFinding(id, traits.jumps, design.vessel));
    }
  }
  return findings.filter((finding) => finding !== null);
}

function companyJudged({ design }: World, derived: Derived): Finding[] {
  const members = derived['stock.members'].value ?? [];
  const floor = design.vessel && floorMm(design.vessel);
  const plants = members.flatMap(({ id, organism }) => (organism?.kind === 'plant' ? [{ id, plant: organism }] : []));
  const ways: WayOut[] = inOrder(design.vessel?.openings ?? {}).map(([id, opening]) => ({ id, ...opening }));
  return [
    ...companyFindings(companyOf(members), floor && floor.long * floor.short, ways),
    ...members.filter(({ organism }) => !organism).map(({ id }) => companyNotKnown(id)),
    ...inOrder(design.stock).flatMap(([id, { candidateIds }]) => (candidateIds ? [unidentifiedFinding(id, candidateIds.length)] : [])),
    ...companyOf(members).flatMap((companion) => plantDamageFinding(companion, plants) ?? []),
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
    placeBottomFinding([...new Set(lying)], place),
  ];
  return findings.filter((finding) => finding !== null);
}

function vesselFindings({ design, catalogue }: World, derived: Derived): Finding[] {
  const { vessel } = design;
  if (!vessel) return [vesselNotStated()];
  const shy = (derived['stock.members'].value ?? []).filter((member) => animalOf(member)?.traits.temperament.value === 'shy');
  const findings: (Finding | null)[] = [
    leakTestFinding(vessel),
    clearanceFinding(vessel),
    drainBackFinding(derived['vessel.drain-back']),
    loadFinding(vessel, derived['vessel.filled-mass']),
    glassFinding(vessel, derived['vessel.glass-needed']),
    ...sitingFindings(
      vessel,
      shy.map(({ id }) => id),
    ),
    ...inOrder(design.equipment).map(([id, { sizeMm }]) => fitFinding('vessel.gear-fit', id, sizeMm, vessel)),
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
  const failures = derived['heat.failures'];
  for (const failure of failures.value ?? []) findings.push(failureFinding(failures, failure));
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
