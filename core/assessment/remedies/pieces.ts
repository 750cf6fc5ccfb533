import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import type { HardscapeItem } from '../../hardscape/model';
import { newPiece } from '../../hardscape/new-piece';
import { SCRAPER_MM } from '../../hardscape/room';
import type { Standing } from '../../hardscape/shelter';
import { nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { frontEdgeMm } from '../../vessel/inside-floor';
import type { Vessel } from '../../vessel/model';
import type { Assessment } from '../assessment';
import { animalOf } from '../derive';
import { freeKey } from './bank';
import { forRevision, type Proposal, type RemedyKind } from './remedy';

const standingOf = ({ derived }: Assessment, id: string | undefined): Standing | undefined =>
  derived['scene.pieces'].value?.find((piece) => piece.id === id);

const set = <K extends keyof HardscapeItem>(id: string, part: K, value: HardscapeItem[K]): Operation => ({
  op: 'replace',
  path: pointer('scene', id, part),
  value,
});

const proposal = (design: Design, kind: RemedyKind, id: string, ops: Operation[], values: Proposal['values'] = {}): Proposal => ({
  kind,
  subjects: [id],
  values,
  patch: [forRevision(design.rev), ...ops],
});

const movedTo = ({ id, item }: Standing, x: number, y: number): Operation =>
  set(id, 'positionMm', [Math.round(x), Math.round(y), item.positionMm[2]]);

/** Stone tied to wood that floats, or a screw into a slab. */
export function ballastRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const piece = standingOf(assessment, finding.subjects[0]);
  const ballast = finding.values['ballast'];
  if (finding.code !== 'hardscape.floats' || !piece || !ballast) return [];
  const { design } = assessment.world;
  const kg = Math.ceil(ballast.value / 50) / 20;
  return [
    proposal(design, 'ballast', piece.id, [set(piece.id, 'fixing', 'weighted'), set(piece.id, 'ballastKg', kg)], {
      mass: { quantity: 'mass', value: kg * 1000 },
    }),
    proposal(design, 'screw', piece.id, [set(piece.id, 'fixing', 'screwed')]),
  ];
}

/** Beds a piece that rocks, lays it flat, or puts stones that are dug under on the bottom. */
export function steadyRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  if (finding.code === 'hardscape.undermined') {
    const ids = finding.subjects.slice(1);
    return [
      {
        kind: 'on-floor',
        subjects: ids,
        values: { count: { quantity: 'count', value: ids.length } },
        patch: [
          forRevision(design.rev),
          ...ids.map((id) => set(id, 'stand', 'floor')),
          ...(design.substrate.mat ? [] : [{ op: 'replace' as const, path: pointer('substrate', 'mat'), value: true }]),
        ],
      },
    ];
  }
  const piece = standingOf(assessment, finding.subjects[0]);
  if (finding.code !== 'hardscape.topples' || !piece) return [];
  const { low, high } = piece.settled.bounds;
  const depth = Math.ceil(0.22 * (high[2] - low[2]));
  const flat = set(piece.id, 'turnDeg', [0, 0, piece.item.turnDeg[2]]);
  return [
    proposal(design, 'embed', piece.id, [set(piece.id, 'stand', 'bed'), set(piece.id, 'embedMm', depth)], {
      depth: { quantity: 'length', value: depth },
    }),
    ...(piece.item.turnDeg[0] !== 0 || piece.item.turnDeg[1] !== 0 ? [proposal(design, 'lay-flat', piece.id, [flat])] : []),
  ];
}

/** Moves pieces in from a pane, apart from each other, or away from a mouth. */
export function moveRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  const { vessel } = design;
  if (!vessel) return [];
  switch (finding.code) {
    case 'hardscape.outside':
    case 'hardscape.scraper': {
      const gap = finding.code === 'hardscape.scraper' ? SCRAPER_MM + 1 : 2;
      const pieces = finding.subjects.flatMap((id) => standingOf(assessment, id) ?? []).filter(({ item }) => !item.locked);
      const ops = pieces.flatMap((piece) => movedIn(piece, vessel, gap));
      return ops.length > 0 && pieces[0]
        ? [proposal(design, 'move-in', pieces[0].id, ops, { count: { quantity: 'count', value: ops.length } })]
        : [];
    }
    case 'hardscape.overlap': {
      const [a, b] = finding.subjects.map((id) => standingOf(assessment, id));
      if (!a || !b) return [];
      const [still, mover] = a.settled.columns.volumeMm3 >= b.settled.columns.volumeMm3 ? [a, b] : [b, a];
      const [s, m] = [still.settled.bounds, mover.settled.bounds];
      const [x, y] = mover.item.positionMm;
      const right = s.high[0] - m.low[0] + 2;
      const left = s.low[0] - m.high[0] - 2;
      return [
        ...[Math.abs(right) < Math.abs(left) ? right : left].map((dx) => proposal(design, 'apart', mover.id, [movedTo(mover, x + dx, y)])),
        ...(mover.item.stand === 'bed'
          ? [proposal(design, 'stack', mover.id, [set(mover.id, 'stand', 'pieces'), set(mover.id, 'embedMm', 0)])]
          : []),
      ];
    }
    case 'hardscape.mouth-closed': {
      const hide = standingOf(assessment, finding.subjects[0]);
      if (!hide) return [];
      if (finding.kind === 'buried') {
        const ops = [set(hide.id, 'embedMm', 0), ...(hide.item.stand === 'floor' ? [set(hide.id, 'stand', 'bed')] : [])];
        return [proposal(design, 'free-mouth', hide.id, ops)];
      }
      const blocker = standingOf(assessment, finding.subjects[1]);
      const mouth = assessment.derived['hardscape.refuges'].value?.find(({ pieceId }) => pieceId === hide.id)?.mouths[0];
      const away: Proposal[] = [];
      if (blocker && mouth && !blocker.item.locked) {
        const by = Math.max(40, 2 * Math.max(mouth.widthMm, mouth.heightMm));
        const [x, y] = blocker.item.positionMm;
        away.push(proposal(design, 'clear-mouth', blocker.id, [movedTo(blocker, x + mouth.facing[0] * by, y + mouth.facing[1] * by)]));
      }
      return [...away, ...turns(design, hide)];
    }
    case 'hardscape.facing': {
      const [one, other] = [standingOf(assessment, finding.subjects[1]), standingOf(assessment, finding.subjects[2])];
      return one ? [...turns(design, one).slice(0, 2), ...(other ? partedBy(assessment, one, other) : [])] : [];
    }
    default:
      return [];
  }
}

/** A stone goes between two only where it leaves both a way, mm. */
const PARTS_FROM_MM = 75;
/** A stone between two that look at each other. */
function partedBy(assessment: Assessment, one: Standing, other: Standing): Proposal[] {
  const { world, derived } = assessment;
  const of = world.catalogue.pieces.get('rounded-stone');
  const mouthOf = ({ id }: Standing) => derived['hardscape.refuges'].value?.find(({ pieceId }) => pieceId === id)?.mouths[0];
  const [a, b] = [mouthOf(one), mouthOf(other)];
  if (!of || !a || !b) return [];
  const apart = Math.hypot(a.at[0] - b.at[0], a.at[1] - b.at[1]);
  if (apart < PARTS_FROM_MM) return [];
  const wide = Math.round(Math.min(80, apart / 3));
  const tall = Math.round(Math.max(60, 2 * Math.max(a.heightMm, b.heightMm)));
  const stone = newPiece(of, nextOrder(world.design.scene), [Math.round((a.at[0] + b.at[0]) / 2), Math.round((a.at[1] + b.at[1]) / 2), 0]);
  const value = {
    ...stone,
    sizeMm: [wide, Math.round(wide * 1.3), tall] as [number, number, number],
    turnDeg: [0, 0, 0] as [number, number, number],
  };
  return [
    proposal(world.design, 'part', one.id, [{ op: 'add', path: pointer('scene', freeKey(world.design.scene, 'stone')), value }], {
      height: { quantity: 'length', value: tall },
    }),
  ];
}

const turns = (design: Design, { id, item }: Standing): Proposal[] =>
  [90, -90, 180].map((by) =>
    proposal(design, 'turn', id, [set(id, 'turnDeg', [item.turnDeg[0], item.turnDeg[1], turnedTo(item.turnDeg[2] + by)])], {
      angle: { quantity: 'angle', value: Math.abs(by) },
    }),
  );
const turnedTo = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** Shifts a piece so that it keeps a gap to every pane. */
function movedIn(piece: Standing, vessel: Vessel, gap: number): Operation[] {
  const { low, high } = piece.settled.bounds;
  const [x, y] = piece.item.positionMm;
  const front = Math.max(frontEdgeMm(vessel, Math.max(0, low[0])), frontEdgeMm(vessel, Math.min(vessel.lengthMm, high[0]))) + gap;
  const shift = (from: number, to: number, least: number, most: number) =>
    to - from > most - least ? (least + most - from - to) / 2 : Math.max(0, least - from) - Math.max(0, to - most);
  const dx = shift(low[0], high[0], gap, vessel.lengthMm - gap);
  const dy = shift(low[1], high[1], front, vessel.widthMm - gap);
  return dx === 0 && dy === 0 ? [] : [movedTo(piece, x + dx + Math.sign(dx) * 0.5, y + dy + Math.sign(dy) * 0.5)];
}

/** Which class is put in for each kind of shelter, most animals first. */
const CLASS_FOR = { cave: 'cave-tube', shell: 'snail-shell', crevice: 'stone-pile', tangle: 'root-tangle', leaves: 'leaf-bed' } as const;
/** Most hides that one remedy puts in. */
const MOST_ADDED = 24;
/** Ways in are made this much wider than the body. */
const EASE = 1.6;

/** Hides that fit, as many as are wanted and find room. */
export function hidesRemedy({ world, derived }: Assessment, finding: Finding): Proposal[] {
  const { design, catalogue } = world;
  const { vessel } = design;
  const member = derived['stock.members'].value?.find(({ id }) => id === finding.subjects[0]);
  const animal = member && animalOf(member);
  if (finding.code !== 'hardscape.hides' || finding.severity === 'unknown' || !vessel || !animal) return [];
  const kind = animal.traits.shelter.value?.kinds.find((one) => one !== 'plants');
  const of = kind ? catalogue.pieces.get(CLASS_FOR[kind]) : undefined;
  const { length, depth, width } = animal.sizeMm;
  if (!of || !length.value || !depth.value || !width.value) return [];
  const [mouth] = of.mouths;
  const bore = Math.max(depth.value, width.value) * EASE;
  const sizeMm: [number, number, number] = mouth
    ? [
        Math.ceil(Math.max(length.value / mouth.inside, of.form === 'shell' ? of.sizeMm[0] : 0)),
        Math.ceil(Math.max(bore / mouth.opening[0], of.form === 'shell' ? of.sizeMm[1] : 0)),
        Math.ceil(Math.max(bore / mouth.opening[1], of.form === 'shell' ? of.sizeMm[2] : 0)),
      ]
    : of.sizeMm;
  const each = of.gaps ? Math.max(1, Math.floor(((sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e6) * of.gaps.perL)) : 1;
  const wanted = Math.min(MOST_ADDED, Math.ceil(((finding.values['wanted']?.value ?? 0) - (finding.values['usable']?.value ?? 0)) / each));
  const places = freePlaces(derived['scene.pieces'].value ?? [], vessel, sizeMm, wanted);
  if (places.length === 0) return [];
  const added: Record<string, HardscapeItem> = {};
  const order = nextOrder(design.scene);
  places.forEach(([x, y], i) => {
    const turn = mouth ? ((i * 137) % 120) - 60 + (of.form === 'shell' ? 90 : of.turnDeg[2]) : of.turnDeg[2];
    const piece = newPiece(of, order + i, [x, y, 0]);
    added[freeKey({ ...design.scene, ...added }, of.id)] = { ...piece, sizeMm, turnDeg: [0, 0, turnedTo(turn)] };
  });
  return [
    {
      kind: 'hides',
      subjects: [of.id],
      values: { count: { quantity: 'count', value: places.length } },
      patch: [
        forRevision(design.rev),
        ...Object.entries(added).map(([id, value]): Operation => ({ op: 'add', path: pointer('scene', id), value })),
      ],
    },
  ];
}

/** Places on the floor where nothing stands yet, spread from the middle; fewer where there is no more room. */
function freePlaces(
  standing: readonly Standing[],
  vessel: Vessel,
  sizeMm: readonly [number, number, number],
  wanted: number,
): [number, number][] {
  const radius = Math.hypot(sizeMm[0], sizeMm[1]) / 2;
  const taken = standing.map(({ settled: { bounds } }) => [bounds.low[0], bounds.low[1], bounds.high[0], bounds.high[1]] as const);
  const margin = radius + SCRAPER_MM;
  const found: [number, number][] = [];
  const step = Math.max(12, radius);
  const candidates: [number, number][] = [];
  for (let y = margin + frontEdgeMm(vessel, 0); y <= vessel.widthMm - margin; y += step)
    for (let x = margin; x <= vessel.lengthMm - margin; x += step) candidates.push([x, y]);
  const middle = [vessel.lengthMm / 2, vessel.widthMm / 2] as const;
  candidates.sort((a, b) => Math.hypot(a[0] - middle[0], a[1] - middle[1]) - Math.hypot(b[0] - middle[0], b[1] - middle[1]));
  for (const [x, y] of candidates) {
    if (found.length >= wanted) break;
    if (vessel.shape === 'cylinder' || vessel.shape === 'jar') {
      const r = (vessel.shape === 'jar' ? vessel.baseMm : vessel.lengthMm) / 2;
      if (Math.hypot(x - middle[0], y - middle[1]) > r - radius) continue;
    }
    const clear = radius + 6;
    if (taken.some(([left, front, right, back]) => x > left - clear && x < right + clear && y > front - clear && y < back + clear))
      continue;
    if (found.some(([fx, fy]) => Math.hypot(fx - x, fy - y) < 2 * radius + 14)) continue;
    found.push([Math.round(x), Math.round(y)]);
  }
  return found;
}
