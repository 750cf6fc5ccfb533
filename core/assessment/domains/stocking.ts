import type { Finding } from '../../calculation/finding';
import { isInvertebrate, rangeFor, type Organism, type ToleranceRange } from '../../catalogue/organism';
import type { Parameter } from '../../catalogue/parameter';
import { plantDamageFinding, unidentifiedFinding } from '../../stocking/damage';
import { inOrder } from '../../design/design';
import { seasonFindings } from '../../equipment/findings';
import { currentFinding, currentInFieldFinding, currentOf } from '../../stocking/current';
import { dietFinding } from '../../stocking/diet';
import { lightFindings } from '../../stocking/light';
import { eatersIn, hungryFindings } from '../../stocking/menu';
import { meantToBreed } from '../../stocking/company';
import type { WayOut } from '../../stocking/escape';
import { handlingFinding, slimeFinding } from '../../stocking/poison';
import { companyFindings, companyNotKnown, groupFinding, nothingChosen } from '../../stocking/findings';
import { depthFinding, footprintFinding, headsPerL, lidFinding, volumeFinding } from '../../vessel/findings';
import { floorMm } from '../../vessel/shape';
import { conditionerOf } from '../../water/conditioners';
import {
  acclimationFinding,
  conditionerHarmFinding,
  conductivityContradiction,
  copperFinding,
  parameterFinding,
} from '../../water/findings';
import { hoursOfLight } from '../../equipment/lamps';
import { DENSE_SHARE } from '../../plants/cover';
import { hardscapeOf } from '../derive/scene';
import type { Fact } from '../../quantity/fact';
import { animalOf, companyOf, plannedNode, type Derived, type Member, type World } from '../derive';
import { SALT_FROM, WATER_PARAMETERS, type WaterParameter } from './shared';
import { stockNodes } from '../derive/stock';
import { loadNodes } from '../derive/load';
import { STOCKING_REMEDIES } from '../wording/remedies';
import { wordStocking } from '../wording/stocking';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    stocking:
      | 'group-size'
      | 'sex-ratio'
      | 'predation'
      | 'predation-young'
      | 'fin-nipping'
      | 'temperament'
      | 'crossing'
      | 'strata'
      | 'escape'
      | 'not-known'
      | 'not-chosen'
      | 'plant-damage'
      | 'stings'
      | 'current'
      | 'light'
      | 'diet'
      | 'feeding'
      | 'hungry'
      | 'handling'
      | 'slime'
      | 'unidentified';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    group: true;
    sexes: true;
    remove: true;
    'grow-on': true;
    'lamp-hours': true;
    'feed-all': true;
  }
}

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

/** In dense leaves enough young live on, of those that only lose some; a brood that is to be raised is another matter. */
function sheltered(finding: Finding): Finding {
  const some = finding.code === 'stocking.predation-young' && (finding.kind === 'own' || finding.kind === 'colony');
  return some && finding.severity === 'watch' ? { ...finding, severity: 'fits', excess: 0, kind: 'sheltered' } : finding;
}

function companyJudged({ design, catalogue }: World, derived: Derived): Finding[] {
  const members = derived['stock.members'].value ?? [];
  const floor = design.vessel && floorMm(design.vessel);
  const plants = members.flatMap(({ id, organism }) => (organism?.kind === 'plant' ? [{ id, plant: organism }] : []));
  const ways: WayOut[] = inOrder(design.vessel?.openings ?? {}).map(([id, opening]) => ({ id, ...opening }));
  const company = companyOf(members);
  const turnover = derived['tank.turnover'].value;
  const field = derived['gear.current'].value;
  const lies = [
    ...hardscapeOf(design).map(([, { materialId }]) => materialId),
    ...Object.values(design.water.additions).map(({ materialId }) => materialId),
  ];
  const litres = derived['vessel.water-volume'].value ?? 0;
  const shelters = litres > 0 && (derived['plants.cover'].value?.denseL ?? 0) >= DENSE_SHARE * litres;
  const hasWood = lies.some((id) => id !== null && catalogue.materials.get(id)?.use === 'wood');
  return [
    ...companyFindings(company, floor && floor.long * floor.short, ways).map((finding) => (shelters ? sheltered(finding) : finding)),
    ...company.flatMap(
      (companion) =>
        (field?.placed
          ? currentInFieldFinding(companion, field.strata)
          : turnover === null
            ? null
            : currentFinding(companion, currentOf(turnover))) ?? [],
    ),
    ...company.flatMap((companion) => dietFinding(companion, hasWood) ?? []),
    ...company.flatMap((companion) => handlingFinding(companion) ?? []),
    ...company.flatMap((companion) => slimeFinding(companion, company, derived['vessel.water-volume'].value) ?? []),
    ...hungryFindings(
      eatersIn(company),
      inOrder(design.care.menu).map(([, dish]) => dish),
    ),
    ...lightFindings(
      hoursOfLight(Object.values(design.equipment), design.care.lampHours),
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

/** The animals: each in its water and room, and all of them together. */
export const stocking = domain({
  family: 'stocking',
  findings: (world, derived) => [...memberFindings(world, derived), ...companyJudged(world, derived)],
  words: wordStocking,
  nodes: { ...stockNodes, ...loadNodes },
  at: {
    'group-size': ['stocking', 'company'],
    'sex-ratio': ['stocking', 'company'],
    predation: ['stocking', 'pairs'],
    'predation-young': ['stocking', 'pairs'],
    'fin-nipping': ['stocking', 'pairs'],
    temperament: ['stocking', 'pairs'],
    crossing: ['stocking', 'pairs'],
    strata: ['stocking', 'company'],
    escape: ['vessel', 'openings'],
    'not-known': null,
    'not-chosen': ['livestock'],
    'plant-damage': null,
    stings: null,
    current: null,
    light: ['care', 'routine'],
    diet: null,
    feeding: null,
    hungry: ['stocking', 'menu', 'food'],
    handling: null,
    slime: null,
    unidentified: null,
  },
  remedyWords: STOCKING_REMEDIES,
  noRemedy: {
    handling: 'Know it, and accept it here with a word.',
    slime: 'Keep it without fish, or in a larger water.',
  },
  pairWords: { predation: 'eats', 'predation-young': 'eats young', 'fin-nipping': 'nips', temperament: 'temper', crossing: 'crosses' },
});
