import type { Finding } from '../../calculation/finding';
import { belongingFinding, placeBottomFinding, placeNotKnown, placeSeasonFinding, placeWaterFinding } from '../../biotope/findings';
import { inOrder } from '../../design/design';
import { hardscapeOf } from '../derive/scene';
import { plannedNode, type Derived, type World } from '../derive';
import { WATER_PARAMETERS } from './shared';
import { BIOTOPE_REMEDIES } from '../wording/remedies';
import { wordBiotope } from '../wording/biotope';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    biotope: 'foreign' | 'water' | 'season' | 'bottom' | 'not-known';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    swap: true;
  }
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

/** How true the tank is to its wild place. */
export const biotope = domain({
  family: 'biotope',
  findings: placeFindings,
  words: wordBiotope,
  at: {
    foreign: null,
    water: null,
    season: null,
    bottom: null,
    'not-known': null,
  },
  remedyWords: BIOTOPE_REMEDIES,
});
