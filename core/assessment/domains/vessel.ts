import { standsInside } from '../../equipment/model';
import type { Finding } from '../../calculation/finding';
import { inOrder } from '../../design/design';
import { spaceFinding } from '../../vessel/space';
import { ASSUMED_GLASS_MM } from '../derive/assumed';
import {
  clearanceFinding,
  drainBackFinding,
  fitFinding,
  glassFinding,
  leakTestFinding,
  loadFinding,
  sitingFindings,
  vesselNotStated,
} from '../../vessel/findings';
import { hardscapeOf } from '../derive/scene';
import type { HardscapeItem } from '../../hardscape/model';
import type { Vessel } from '../../vessel/model';
import { animalOf, type Derived, type World } from '../derive';
import { vesselNodes } from '../derive/vessel';
import { VESSEL_REMEDIES } from '../wording/remedies';
import { wordVessel } from '../wording/vessel';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    vessel:
      | 'not-stated'
      | 'footprint'
      | 'volume'
      | 'lid'
      | 'depth'
      | 'leak-test'
      | 'gear-fit'
      | 'piece-fit'
      | 'clearance'
      | 'space'
      | 'drain-back'
      | 'load'
      | 'glass'
      | 'sun'
      | 'footfall'
      | 'exposed';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    lid: true;
    guard: true;
    vessel: true;
    'cover-sides': true;
    place: true;
  }
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
    // what hangs above or stands beside need not pass, and what is not measured is not asked about
    ...inOrder(design.equipment).map(([id, device]) =>
      !standsInside(device) || !device.sizeMm ? null : fitFinding('vessel.gear-fit', id, device.sizeMm, vessel),
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

/** The vessel: what it is made of, what it stands on, what passes its top. */
export const vessel = domain({
  family: 'vessel',
  findings: vesselFindings,
  words: wordVessel,
  nodes: { ...vesselNodes },
  at: {
    'not-stated': ['vessel', 'size'],
    footprint: ['vessel', 'size'],
    volume: ['vessel', 'size'],
    lid: ['vessel', 'lid'],
    depth: null,
    'leak-test': ['vessel', 'leak-test'],
    'gear-fit': ['equipment', 'gear'],
    'piece-fit': ['vessel', 'size'],
    clearance: ['vessel', 'clearance'],
    space: ['vessel', 'size'],
    'drain-back': ['vessel', 'sump'],
    load: ['vessel', 'stand'],
    glass: ['vessel', 'glass'],
    sun: ['vessel', 'sun'],
    footfall: ['vessel', 'footfall'],
    exposed: ['vessel', 'sides'],
  },
  remedyWords: VESSEL_REMEDIES,
});
