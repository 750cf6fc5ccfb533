import type { Finding } from '../../calculation/finding';
import { inOrder, type Design } from '../../design/design';
import { hardscapeOf, sceneNodes } from '../derive/scene';
import type { Vessel, Side } from '../../vessel/model';
import { animalOf, type Derived, type World } from '../derive';
import {
  contrastFinding,
  edgesFinding,
  facingFinding,
  floatFinding,
  hidesFinding,
  materialNotStated,
  mouthFinding,
  onGlassFinding,
  openRoomFinding,
  outsideFinding,
  overlapFinding,
  pieceNotKnown,
  reachFinding,
  scraperFinding,
  sticksFinding,
  toppleFinding,
  underminedFinding,
} from '../../hardscape/findings';
import { massOf } from '../../hardscape/mass';
import { paneGaps, SCRAPER_MM, type PaneSide } from '../../hardscape/room';
import type { Standing } from '../../hardscape/shelter';
import type { Animal } from '../../catalogue/organism';
import type { Device } from '../../equipment/model';
import type { Vec3 } from '../../scene/pose';
import { frontEdgeMm } from '../../vessel/inside-floor';
import { HARDSCAPE_REMEDIES } from '../wording/remedies';
import { wordHardscape } from '../wording/hardscape';
import { domain } from '../domain';

declare module '../../calculation/finding' {
  interface FindingCodes {
    hardscape:
      | 'not-known'
      | 'outside'
      | 'overlap'
      | 'topples'
      | 'floats'
      | 'undermined'
      | 'on-glass'
      | 'edges'
      | 'mouth-closed'
      | 'hides'
      | 'sticks'
      | 'facing'
      | 'scraper'
      | 'open-room'
      | 'reach'
      | 'contrast';
  }
}
declare module '../remedies/remedy' {
  interface RemedyKinds {
    mat: true;
    ballast: true;
    screw: true;
    embed: true;
    'lay-flat': true;
    'on-floor': true;
    'move-in': true;
    apart: true;
    stack: true;
    'free-mouth': true;
    'clear-mouth': true;
    turn: true;
    part: true;
    hides: true;
  }
}

/** Of stone that weighs wood down, kg/L. Common practice: granite. */
const BALLAST_KG_PER_L = 2.7;

/** The pieces: whether they stand, what they leave of room and glass, whom they shelter. */
function hardscapeFindings({ design, catalogue }: World, derived: Derived): Finding[] {
  const { vessel } = design;
  const pieces = derived['scene.pieces'];
  if (!vessel || !pieces.value) return [];
  const standing = pieces.value;
  const byId = new Map(standing.map((piece) => [piece.id, piece]));
  const findings: (Finding | null)[] = [];
  for (const [id, { classId }] of hardscapeOf(design)) if (!byId.has(id)) findings.push(pieceNotKnown(id, classId));
  const masses = new Map(standing.map((piece) => [piece.id, massOf(piece, catalogue)]));
  for (const piece of standing) {
    const mass = masses.get(piece.id);
    findings.push(outsideFinding(piece, vessel.heightMm));
    findings.push(toppleFinding(piece, pieces));
    if (!mass) findings.push(materialNotStated(piece));
    else findings.push(floatFinding(piece, mass, heldDownBy(piece, standing, masses), BALLAST_KG_PER_L));
  }
  for (const { a, b, litres } of derived['scene.occupancy'].value?.overlaps ?? []) {
    const [one, other] = [byId.get(a)!, byId.get(b)!];
    if (one.of.group !== 'litter' && other.of.group !== 'litter') findings.push(overlapFinding(one, other, litres, pieces));
  }
  findings.push(
    onGlassFinding(
      standing.flatMap((piece) => {
        const mass = masses.get(piece.id);
        return mass ? [{ piece, kg: mass.kg }] : [];
      }),
      design.substrate.mat,
    ),
  );
  findings.push(edgesFinding(standing));
  findings.push(...roomFindings(design, vessel, standing));
  findings.push(...lifeFindings(design, derived, standing));
  return findings.filter((finding) => finding !== null);
}

type Masses = ReadonlyMap<string, ReturnType<typeof massOf>>;

/**
 * Kilograms of stone, as they weigh on land, that hold a piece down: what lies on it, and where it is glued what it is glued to.
 */
function heldDownBy(piece: Standing, standing: readonly Standing[], masses: Masses): number {
  return standing.reduce((sum, other) => {
    const mass = masses.get(other.id);
    if (other === piece || !mass || mass.kgPerL <= 1) return sum;
    const lies = other.settled.on.includes(piece.id);
    const glued = piece.item.fixing === 'glued' && (piece.settled.on.includes(other.id) || touches(piece, other));
    return lies || glued ? sum + mass.kg : sum;
  }, 0);
}

/** Faces that are glued lie this near to each other. */
const GLUE_MM = 8;
function touches({ settled: { bounds: a } }: Standing, { settled: { bounds: b } }: Standing): boolean {
  return [0, 1, 2].every((axis) => a.low[axis]! <= b.high[axis]! + GLUE_MM && b.low[axis]! <= a.high[axis]! + GLUE_MM);
}

/** Walls on purpose stand at their pane. */
const leansOnPane = ({ of }: Standing): boolean => of.group === 'wall';

function roomFindings(design: Design, vessel: Vessel, standing: readonly Standing[]): (Finding | null)[] {
  const findings: (Finding | null)[] = [];
  const round = vessel.shape === 'cylinder' || vessel.shape === 'jar';
  const tight: { piece: Standing; side: PaneSide; gapMm: number }[] = [];
  if (!round)
    for (const piece of standing) {
      if (leansOnPane(piece) || piece.of.group === 'litter') continue;
      const gaps = paneGaps(piece.settled, vessel.lengthMm, vessel.widthMm, (x) =>
        frontEdgeMm(vessel, Math.min(Math.max(x, 0), vessel.lengthMm)),
      );
      if (!gaps) continue;
      for (const side of vessel.viewingSides as readonly Side[])
        if (gaps[side] < SCRAPER_MM) tight.push({ piece, side, gapMm: gaps[side] });
    }
  findings.push(scraperFinding(tight));
  for (const [id, device] of inOrder(design.equipment)) findings.push(...gearFindings(id, device, standing));
  return findings;
}

/** Free space that a filter draws its water through. Common practice. */
const INTAKE_MM = 15;

function gearFindings(id: string, { kind, placeMm, sizeMm }: Device, standing: readonly Standing[]): Finding[] {
  if (!placeMm || !sizeMm) return [];
  const [x, y, z] = placeMm;
  const [w, d, h] = sizeMm;
  const meets = ({ settled: { bounds } }: Standing, gap: number) =>
    bounds.low[0] < x + w / 2 + gap &&
    bounds.high[0] > x - w / 2 - gap &&
    bounds.low[1] < y + d / 2 + gap &&
    bounds.high[1] > y - d / 2 - gap;
  const at: Vec3 = [x, y, z + h];
  const above = standing.filter((piece) => meets(piece, 0) && piece.settled.bounds.high[2] > z + h / 2);
  const findings = [
    reachFinding(
      id,
      above.map((piece) => piece.id),
      'above',
      at,
    ),
  ];
  if (kind === 'filter' || kind === 'pump') {
    const before = standing.filter(
      (piece) =>
        meets(piece, INTAKE_MM) && piece.settled.bounds.high[2] > z && piece.settled.bounds.low[2] < z + h / 3 && !leansOnPane(piece),
    );
    findings.push(
      reachFinding(
        id,
        before.map((piece) => piece.id),
        'intake',
        at,
      ),
    );
  }
  return findings;
}

function lifeFindings(design: Design, derived: Derived, standing: readonly Standing[]): (Finding | null)[] {
  const members = derived['stock.members'].value ?? [];
  const refuges = derived['hardscape.refuges'];
  const room = derived['hardscape.room'];
  const list = refuges.value ?? [];
  const findings: (Finding | null)[] = list.map((refuge) => mouthFinding(refuge, refuges));
  const diggers: string[] = [];
  const back = backColour(design);
  const showing = derived['substrate.bed'].value?.showing[0];
  for (const member of members) {
    const animal = animalOf(member);
    if (!animal) continue;
    if (undermines(animal)) diggers.push(member.id);
    findings.push(hidesFinding(member.id, animal, member.count, member.phase === 'spawn', list, refuges));
    // a hermit lives in what it sticks in
    if (animal.form !== 'hermit') findings.push(sticksFinding(member.id, animal, list));
    if (
      animal.traits.temperament.value === 'territorial' &&
      animal.traits.shelter.value?.kinds.some((kind) => kind === 'cave' || kind === 'shell')
    )
      findings.push(facingFinding(member.id, derived['hardscape.facing'].value ?? [], derived['hardscape.facing']));
    if (room.value) findings.push(openRoomFinding(member.id, animal, room.value, room));
    const bottom = animal.traits.strata.value?.includes('bottom');
    const behind = bottom ? (showing?.material ? { name: showing.material.name, colour: showing.material.colour } : null) : back;
    // whom the tank is for is to be seen; a snail may be lost against the soil
    if (behind && design.brief.targetStockIds.includes(member.id)) findings.push(contrastFinding(member.id, animal, behind));
  }
  findings.push(underminedFinding(standing, diggers));
  return findings;
}

/** Smaller than this nobody moves a stone. Common practice. */
const DIGGER_MM = 45;
/** Those that clear the ground they hold, and crayfish; what only burrows in sand, or noses through it, leaves stones where they are. */
function undermines({ group, sizeMm, traits: { digs, temperament } }: Animal): boolean {
  if (!digs.value || (sizeMm.length.value ?? 0) < DIGGER_MM) return false;
  return group === 'crayfish' || (group === 'fish' && (temperament.value === 'territorial' || temperament.value === 'predatory'));
}

/** What an animal of open water is seen against. */
function backColour({ vessel }: Design): { name: string; colour: string } | null {
  switch (vessel?.background.value) {
    case 'dark':
      return { name: 'dark back', colour: '#1c1e20' };
    case 'light':
      return { name: 'light back', colour: '#dfe3e0' };
    default:
      return null;
  }
}

/** The pieces: whether they stand, and what they are to the animals. */
export const hardscape = domain({
  family: 'hardscape',
  findings: hardscapeFindings,
  words: wordHardscape,
  nodes: { ...sceneNodes },
  at: {
    'not-known': ['hardscape', 'pieces'],
    outside: ['hardscape', 'pieces'],
    overlap: ['hardscape', 'pieces'],
    topples: ['hardscape', 'pieces'],
    floats: ['hardscape', 'pieces'],
    undermined: ['hardscape', 'pieces'],
    'on-glass': ['substrate', 'layers'],
    edges: ['hardscape', 'pieces'],
    'mouth-closed': ['hardscape', 'pieces'],
    hides: ['hardscape', 'pieces'],
    sticks: ['hardscape', 'pieces'],
    facing: ['hardscape', 'pieces'],
    scraper: ['hardscape', 'pieces'],
    'open-room': ['hardscape', 'pieces'],
    reach: ['equipment', 'gear'],
    contrast: ['hardscape', 'pieces'],
  },
  remedyWords: HARDSCAPE_REMEDIES,
});
