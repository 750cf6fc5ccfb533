import type { Computed } from '../calculation/computed';
import type { Finding, FindingValue, Severity } from '../calculation/finding';
import type { Animal } from '../catalogue/organism';
import type { Vec3 } from '../scene/pose';
import { BALLAST_MARGIN, buoyancy, WATER_KG_PER_L } from './buoyancy';
import { CONTRAST, contrastOf } from '../light/contrast';
import { hideFit } from './hide-fit';
import { bodyL } from './mass';
import { SCRAPER_MM, type OpenRoom, type PaneSide } from './room';
import { serves, wantedHides, type Facing, type Refuge, type RefugeVerdict, type Standing } from './shelter';
import { sinksAfterWeeks } from './waterlogging';

const mm = (value: number): FindingValue => ({ quantity: 'length', value });
const count = (value: number): FindingValue => ({ quantity: 'count', value });

const about = (code: Finding['code'], key: string, severity: Severity, excess: number | null, more: Partial<Finding> = {}): Finding => ({
  key: `${code}:${key}`,
  code,
  bench: 'hardscape',
  severity,
  excess,
  subjects: [],
  values: {},
  evidence: [],
  basis: 'practice',
  ...more,
});

const topOf = ({ settled: { bounds } }: Standing): Vec3 => [
  (bounds.low[0] + bounds.high[0]) / 2,
  (bounds.low[1] + bounds.high[1]) / 2,
  bounds.high[2],
];

export const pieceNotKnown = (id: string, classId: string): Finding =>
  about('hardscape.not-known', id, 'unknown', null, { subjects: [id], note: classId, kind: 'class' });

export const materialNotStated = (piece: Standing): Finding =>
  about('hardscape.not-known', piece.id, 'unknown', null, { subjects: [piece.id], kind: 'material' });

/** A piece that stands through a pane, or over the rim. */
export function outsideFinding(piece: Standing, rimMm: number): Finding | null {
  const { settled } = piece;
  const overMm = settled.bounds.high[2] - rimMm;
  const through = settled.columns.outside > 0.02;
  if (!through && overMm <= 0) return null;
  return about('hardscape.outside', piece.id, 'conflict', through ? settled.columns.outside : overMm / 1000, {
    subjects: [piece.id],
    values: through ? { share: { quantity: 'fraction', value: settled.columns.outside } } : { over: mm(overMm) },
    kind: through ? 'pane' : 'rim',
    at: topOf(piece),
  });
}

/** Two pieces in the same place, against the smaller of them. */
export function overlapFinding(a: Standing, b: Standing, litres: number, pieces: Computed<unknown>): Finding | null {
  const smaller = Math.min(a.settled.columns.volumeMm3, b.settled.columns.volumeMm3) / 1e6;
  const share = litres / smaller;
  if (share < 0.04) return null;
  return about('hardscape.overlap', `${a.id}:${b.id}`, share > 0.25 ? 'conflict' : 'watch', share, {
    subjects: [a.id, b.id],
    values: { share: { quantity: 'fraction', value: Math.min(1, share) } },
    evidence: [pieces],
    at: topOf(b),
  });
}

/** Tilt at which a stand is taken as safe, and from which it is a danger; degrees. Common practice: it does not rock under a hand. */
const TIP = { watch: 15, conflict: 5 };
export function toppleFinding(piece: Standing, pieces: Computed<unknown>): Finding | null {
  const { support, columns } = piece.settled;
  if (piece.item.stand === 'held' || piece.item.fixing === 'screwed' || piece.item.fixing === 'glued') return null;
  // branches and roots lean, wedge and lie as they come; walls are glued or screwed to their pane
  if (piece.of.group === 'litter' || piece.of.group === 'wood' || piece.of.group === 'wall' || columns.cell.length === 0) return null;
  if (support.tipDegrees >= TIP.watch) return null;
  return about('hardscape.topples', piece.id, support.tipDegrees < TIP.conflict ? 'conflict' : 'watch', TIP.watch - support.tipDegrees, {
    subjects: [piece.id],
    values: { tip: { quantity: 'angle', value: Math.max(0, support.tipDegrees) } },
    evidence: [pieces],
    kind: support.tipDegrees <= 0 ? 'falls' : 'rocks',
    at: topOf(piece),
  });
}

/**
 * A piece that floats, with the ballast that holds it and the margin on it; null for one that sinks.
 * @param heldKg stone that lies on it, or that it is glued to
 */
export function floatFinding(
  piece: Standing,
  mass: { kgPerL: number; dryKgPerL: number },
  heldKg: number,
  ballastKgPerL: number,
): Finding | null {
  const { item } = piece;
  if (mass.kgPerL >= WATER_KG_PER_L) return null;
  const volumeL = bodyL(piece);
  const { ballastKg } = buoyancy(volumeL, mass.kgPerL, ballastKgPerL);
  const wanted = ballastKg * BALLAST_MARGIN;
  // glue holds as much as what it is glued to weighs; what hangs at a pane, and walls, hang at the glass
  const atPane = item.stand === 'held' || piece.of.group === 'wall';
  const stoneKg = heldKg + (item.fixing === 'weighted' ? item.ballastKg : 0);
  const held = atPane || item.fixing === 'screwed' || stoneKg >= wanted - 1e-6;
  const weeks = sinksAfterWeeks(mass.dryKgPerL);
  return about('hardscape.floats', piece.id, held ? 'fits' : 'conflict', held ? 0 : Math.max(0.001, wanted - stoneKg), {
    subjects: [piece.id],
    values: {
      ballast: { quantity: 'mass', value: wanted * 1000 },
      exact: { quantity: 'mass', value: ballastKg * 1000 },
      volume: { quantity: 'volume', value: volumeL },
      ...(weeks === null ? {} : { weeks: count(Math.ceil(weeks)) }),
    },
    kind: held
      ? atPane
        ? 'at-pane'
        : item.fixing === 'screwed' || item.fixing === 'weighted'
          ? item.fixing
          : 'stones'
      : item.fixing === 'weighted'
        ? 'light'
        : item.fixing === 'glued'
          ? 'glued-to-nothing'
          : 'loose',
    basis: 'practice',
    at: topOf(piece),
  });
}

/** Stones that stand on the bed where an animal digs. */
export function underminedFinding(pieces: readonly Standing[], diggers: readonly string[]): Finding | null {
  const loose = pieces.filter(({ of, item, settled }) => of.group === 'stone' && item.stand === 'bed' && settled.groundMm > 5);
  if (loose.length === 0 || diggers.length === 0) return null;
  return about('hardscape.undermined', 'stones', 'watch', loose.length, {
    subjects: [diggers[0]!, ...loose.map(({ id }) => id)],
    values: { count: count(loose.length) },
    at: topOf(loose[0]!),
  });
}

/** Stones heavier than this straight on bottom glass want a mat. Common practice. */
const HEAVY_KG = 3;

export function onGlassFinding(heavy: readonly { piece: Standing; kg: number }[], mat: boolean): Finding | null {
  const bare = heavy.filter(
    ({ piece, kg }) =>
      kg >= HEAVY_KG &&
      (piece.of.group === 'stone' || piece.of.group === 'cave') &&
      piece.settled.on.length === 0 &&
      piece.settled.bounds.low[2] < 3 &&
      piece.item.stand !== 'held',
  );
  const [first] = bare.sort((a, b) => b.kg - a.kg);
  if (!first) return null;
  return about('hardscape.on-glass', 'stones', mat ? 'fits' : 'watch', mat ? 0 : bare.length, {
    subjects: bare.map(({ piece }) => piece.id),
    values: { mass: { quantity: 'mass', value: first.kg * 1000 } },
    at: topOf(first.piece),
  });
}

/** Cut or broken edges, once for all pieces that nobody has looked at. */
export function edgesFinding(pieces: readonly Standing[]): Finding | null {
  const cut = pieces.filter(({ of, item }) => of.cutEdges && item.edges !== 'ground');
  if (cut.length === 0) return null;
  const raw = cut.filter(({ item }) => item.edges === 'raw');
  return about('hardscape.edges', 'all', raw.length > 0 ? 'watch' : 'unknown', raw.length > 0 ? raw.length : null, {
    subjects: (raw.length > 0 ? raw : cut).map(({ id }) => id),
    values: { count: count((raw.length > 0 ? raw : cut).length) },
  });
}

/** A mouth that ground or a neighbour has closed, by a half and more; null while it is free. */
export function mouthFinding(refuge: Refuge, refuges: Computed<unknown>): Finding | null {
  const [best] = [...refuge.mouths].sort((a, b) => closed(a) - closed(b));
  if (!best || closed(best) < 0.5) return null;
  const blocked = best.blockedBy !== null;
  return about('hardscape.mouth-closed', refuge.pieceId, 'watch', closed(best), {
    subjects: blocked && best.blockedBy !== 'pane' ? [refuge.pieceId, best.blockedBy!] : [refuge.pieceId],
    values: { share: { quantity: 'fraction', value: best.buried } },
    evidence: [refuges],
    kind: blocked ? (best.blockedBy === 'pane' ? 'pane' : 'piece') : 'buried',
    at: best.at,
  });
}

const closed = ({ buried, blockedBy, widthMm }: Refuge['mouths'][number]): number =>
  blockedBy !== null ? Math.max(0.6, 1 - widthMm / 1000) : buried;

const REASONS: readonly RefugeVerdict[] = ['blocked', 'buried', 'too-tight', 'sticks', 'too-short', 'too-open'];

/** How many hides here serve an animal, against how many it wants. */
export function hidesFinding(
  subject: string,
  animal: Animal,
  heads: number,
  breeds: boolean,
  refugeList: readonly Refuge[],
  refuges: Computed<unknown>,
): Finding | null {
  const shelter = animal.traits.shelter;
  if (shelter.value && shelter.value.kinds.length === 0) return null;
  const { length, depth, width } = animal.sizeMm;
  const shared = { subjects: [subject], evidence: [refuges], basis: shelter.basis };
  if (!shelter.value || length.value === null || depth.value === null || width.value === null)
    return about('hardscape.hides', subject, 'unknown', null, { ...shared, kind: shelter.value ? 'size' : 'habit' });
  const { kinds } = shelter.value;
  const body = { lengthMm: length.value, depthMm: depth.value, widthMm: width.value };
  const verdicts = refugeList.map((refuge) => ({ refuge, verdict: serves(refuge, kinds, body) }));
  const usable = verdicts.reduce((sum, { refuge, verdict }) => sum + (verdict === 'fits' ? refuge.places : 0), 0);
  const wanted = wantedHides(shelter.value, heads);
  const short = wanted - usable;
  const tried = REASONS.map((verdict) => ({ verdict, n: verdicts.filter((one) => one.verdict === verdict).length })).filter(
    ({ n }) => n > 0,
  );
  const site = breeds && kinds.every((kind) => kind === 'cave' || kind === 'shell');
  return about('hardscape.hides', subject, short <= 0 ? 'fits' : usable === 0 && site ? 'conflict' : 'watch', Math.max(0, short), {
    ...shared,
    values: {
      usable: count(usable),
      wanted: count(wanted),
      ...Object.fromEntries(tried.map(({ verdict, n }) => [verdict, count(n)])),
    },
    note: kinds.join(', '),
    ...(short > 0 && tried[0] ? { kind: tried[0].verdict } : { kind: 'none' }),
  });
}

/** Hides that a grown animal only just enters, where it may stick. */
export function sticksFinding(subject: string, animal: Animal, refugeList: readonly Refuge[]): Finding | null {
  const { length, depth, width } = animal.sizeMm;
  const kinds = animal.traits.shelter.value?.kinds ?? [];
  if (length.value === null || depth.value === null || width.value === null || kinds.length === 0) return null;
  const body = { lengthMm: length.value, depthMm: depth.value, widthMm: width.value };
  const tight = refugeList.filter(
    ({ kind, mouths }) =>
      kinds.includes(kind) &&
      mouths.length > 0 &&
      mouths.every(
        (mouth) =>
          hideFit(
            { longMm: Math.max(mouth.widthMm, mouth.heightMm), shortMm: Math.min(mouth.widthMm, mouth.heightMm), insideMm: mouth.insideMm },
            body,
          ) === 'sticks',
      ),
  );
  if (tight.length === 0) return null;
  return about('hardscape.sticks', subject, 'watch', tight.length, {
    subjects: [subject, ...tight.map(({ pieceId }) => pieceId)],
    values: { count: count(tight.length) },
    at: tight[0]!.at,
  });
}

/** Mouths of neighbours that face each other, for those that hold territories about them. */
export function facingFinding(subject: string, facing: readonly Facing[], node: Computed<unknown>): Finding | null {
  if (facing.length === 0) return null;
  const nearest = facing.reduce((best, one) => (one.distanceMm < best.distanceMm ? one : best));
  return about('hardscape.facing', subject, 'watch', facing.length, {
    subjects: [subject, nearest.a, nearest.b],
    values: { count: count(facing.length), distance: mm(nearest.distanceMm) },
    evidence: [node],
  });
}

/** Pieces that leave no way for a scraper on the panes that are looked through. */
export function scraperFinding(tight: readonly { piece: Standing; side: PaneSide; gapMm: number }[]): Finding | null {
  if (tight.length === 0) return null;
  const worst = tight.reduce((least, one) => (one.gapMm < least.gapMm ? one : least));
  return about('hardscape.scraper', 'panes', 'watch', SCRAPER_MM - Math.max(0, worst.gapMm) + tight.length / 100, {
    subjects: [worst.piece.id, ...tight.filter(({ piece }) => piece !== worst.piece).map(({ piece }) => piece.id)],
    values: { gap: mm(Math.max(0, worst.gapMm)), wanted: mm(SCRAPER_MM), count: count(new Set(tight.map(({ piece }) => piece.id)).size) },
    kind: worst.side,
    at: topOf(worst.piece),
  });
}

/** Share of a stratum that its swimmers are left. Common practice: half of it open. */
const OPEN = 0.5;

export function openRoomFinding(subject: string, animal: Animal, room: OpenRoom, node: Computed<unknown>): Finding | null {
  const strata = animal.traits.strata.value;
  if (!strata) return null;
  const best = strata.reduce((most, stratum) => (room[stratum] > room[most] ? stratum : most));
  const share = room[best];
  if (share >= OPEN) return null;
  return about('hardscape.open-room', subject, 'watch', OPEN - share, {
    subjects: [subject],
    values: { share: { quantity: 'fraction', value: share }, wanted: { quantity: 'fraction', value: OPEN } },
    evidence: [node],
    kind: best,
  });
}

/** Gear that cannot be lifted out, or a filter whose water cannot get to it. */
export function reachFinding(deviceId: string, blockers: readonly string[], kind: 'above' | 'intake', at: Vec3): Finding {
  return about('hardscape.reach', `${kind}:${deviceId}`, blockers.length > 0 ? 'watch' : 'fits', blockers.length, {
    subjects: [deviceId, ...blockers],
    values: { count: count(blockers.length) },
    kind,
    at,
  });
}

/** How well an animal is seen against its ground or back: by its colour that differs most. Only being lost in it is worth a word. */
export function contrastFinding(subject: string, animal: Animal, ground: { name: string; colour: string }): Finding | null {
  const colours = animal.bodyColours.value;
  if (!colours || colours.length === 0) return null;
  const difference = Math.max(...colours.map((colour) => contrastOf(colour, ground.colour)));
  return about('hardscape.contrast', subject, difference < CONTRAST.lost ? 'watch' : 'fits', Math.max(0, CONTRAST.lost - difference), {
    subjects: [subject],
    values: { difference: count(difference), clear: count(CONTRAST.clear) },
    note: ground.name,
    basis: animal.bodyColours.basis,
  });
}
