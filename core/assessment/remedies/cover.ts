import type { Operation } from 'rfc6902';
import type { Finding } from '../../calculation/finding';
import type { Plant } from '../../catalogue/organism';
import { nextOrder, type Design } from '../../design/design';
import { pointer } from '../../design/edit';
import { easeOf, suits } from '../../plants/choose';
import { coverOf, DENSE_SHARE, foliageL, placesIn } from '../../plants/cover';
import { ringAt, USUAL_RING_MM } from '../../plants/feeding-ring';
import { plantedShare, sizeShare } from '../../plants/growth';
import { newPlanting, type PlantItem } from '../../plants/model';
import { naturalHold, type Standing } from '../../plants/standing';
import { insideFloorMm } from '../../vessel/inside-floor';
import { surfacesOf } from '../../vessel/shape';
import type { Assessment } from '../assessment';
import { placeOf } from '../derive/plants';
import { plantWaterOf } from '../derive/plant-water';
import { freeKey } from './bank';
import { forRevision, type Proposal, type RemedyKind } from './remedy';

/** Most of one kind that are put forward, and in how many places. */
const MOST = 24;
const MOST_PLACES = 6;

/** Kinds of the catalogue that live here, those that ask least first. */
function kindsFor({ world: { design, catalogue }, derived }: Assessment, wanted: (plant: Plant) => boolean): Plant[] {
  const water = plantWaterOf(design, derived);
  const top = { ...water, ppfd: null };
  return [...catalogue.organisms.values()]
    .filter((entry): entry is Plant => entry.kind === 'plant' && !entry.retiredTo && wanted(entry))
    .filter((plant) => suits(plant, naturalHold(plant) === 'afloat' ? top : water))
    .sort((a, b) => easeOf(b) - easeOf(a) || a.id.localeCompare(b.id));
}

/** As it would stand in the state that is looked at, when it grows as usual. */
function asGrown(
  design: Design,
  plant: Plant,
  item: PlantItem,
): Pick<Standing, 'item' | 'count' | 'hold' | 'widthMm' | 'heightMm' | 'plant'> {
  const start = plantedShare(plant, item.bought);
  const share = design.grown === 'planted' ? start : sizeShare(start, 0.008, design.grown === 'grown' ? 400 : 42);
  return {
    item,
    count: item.count,
    plant,
    hold: item.hold ?? naturalHold(plant),
    widthMm: (plant.sizeMm.width.value ?? 60) * Math.sqrt(share),
    heightMm: (plant.sizeMm.length.value ?? 60) * share,
  };
}

/** Places on the floor that are inside, spread over it and off the front. */
function floorPlaces({ vessel }: Design, wanted: number): [number, number][] {
  if (!vessel) return [];
  const all: [number, number][] = [];
  for (const y of [0.7, 0.45])
    for (let i = 0; i < MOST_PLACES; i++) all.push([vessel.lengthMm * ((i + 0.5) / MOST_PLACES), vessel.widthMm * y]);
  const inside = all.filter(([x, y]) => insideFloorMm(vessel, x, y) !== null);
  const step = Math.max(1, Math.floor(inside.length / wanted));
  return inside.filter((_, i) => i % step === 0).slice(0, wanted);
}

interface Laid {
  values: Proposal['values'];
  ops: Operation[];
}

/** Plantings of one kind until so many hide in them: on the wood and stone there is, else laid on the bed, or afloat. */
function laid({ world: { design }, derived }: Assessment, plant: Plant, places: number, litres: number): Laid | null {
  const pieces = (derived['scene.pieces'].value ?? []).filter(({ of }) => of.group === 'wood' || of.group === 'stone');
  const hold = naturalHold(plant);
  const tied = hold === 'tied' && pieces.length > 0;
  const one = asGrown(design, plant, newPlanting(plant.id, 0, [0, 0, 0]));
  const perPlace = placesIn({ ...one, item: { ...one.item, count: 1 }, count: 1 } as Standing);
  const count = Math.min(MOST, Math.max(1, Math.ceil(places / Math.max(1, perPlace)), Math.ceil(litres / Math.max(0.02, foliageL(one)))));
  const spots: { at: [number, number]; onId: string | null }[] = tied
    ? pieces.slice(0, MOST_PLACES).map(({ id, item }) => ({ at: [item.positionMm[0], item.positionMm[1]], onId: id }))
    : floorPlaces(design, Math.min(MOST_PLACES, count)).map((at) => ({ at, onId: null }));
  const used = spots.slice(0, count);
  if (used.length === 0) return null;
  const order = nextOrder(design.scene);
  const added: Record<string, PlantItem> = {};
  used.forEach(({ at: [x, y], onId }, i) => {
    const each = Math.floor(count / used.length) + (i < count % used.length ? 1 : 0);
    added[freeKey({ ...design.scene, ...added }, plant.id)] = {
      ...newPlanting(plant.id, order + i, [Math.round(x), Math.round(y), 0]),
      ...(tied ? { hold: 'tied', onId } : hold === 'tied' ? { hold: 'loose' } : {}),
      count: each,
      spreadMm: each > 1 ? Math.round(one.widthMm * 0.35 * Math.sqrt(each)) : 0,
    };
  });
  return {
    values: { count: { quantity: 'count', value: count }, tied: { quantity: 'count', value: tied ? 1 : 0 } },
    ops: Object.entries(added).map(([id, value]): Operation => ({ op: 'add', path: pointer('scene', id), value })),
  };
}

function propose(assessment: Assessment, kind: RemedyKind, plants: readonly Plant[], places: number, litres: number): Proposal[] {
  return plants.flatMap((plant) => {
    const made = laid(assessment, plant, places, litres);
    if (!made) return [];
    return [{ kind, subjects: [plant.id], values: made.values, patch: [forRevision(assessment.world.design.rev), ...made.ops] }];
  });
}

/** Plants to hide in: moss on what there is to tie it to, and leaves afloat. */
export function coverRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { derived, world } = assessment;
  const animal = world.catalogue.organisms.get(
    derived['stock.members'].value?.find(({ id }) => id === finding.subjects[finding.subjects.length - 1])?.organismId ?? '',
  );
  let [places, litres] = [0, 0];
  switch (finding.code) {
    case 'hardscape.hides':
      if (finding.severity === 'unknown' || animal?.kind !== 'animal' || !animal.traits.shelter.value?.kinds.includes('plants')) return [];
      places = (finding.values['wanted']?.value ?? 0) - (finding.values['usable']?.value ?? 0);
      break;
    case 'stocking.predation-young':
      if (finding.kind === 'brood' || finding.severity === 'unknown') return [];
      litres = (derived['vessel.water-volume'].value ?? 0) * DENSE_SHARE - (derived['plants.cover'].value?.denseL ?? 0);
      break;
    default:
      return [];
  }
  const good = (form: (plant: Plant) => boolean) => kindsFor(assessment, (plant) => coverOf(plant) === 'good' && form(plant)).slice(0, 1);
  return [
    ...propose(
      assessment,
      'cover',
      good(({ form }) => form === 'moss' || form === 'macroalga'),
      places,
      litres,
    ),
    ...propose(
      assessment,
      'float',
      good((plant) => naturalHold(plant) === 'afloat'),
      places,
      litres,
    ),
  ];
}

/** Leaves over those that want the dark: a third and more of the surface. */
export function shadeRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { vessel } = assessment.world.design;
  if (finding.code !== 'plants.bright' || !vessel) return [];
  const [plant] = kindsFor(assessment, (one) => one.form === 'floating' && one.traits.rooting.value === 'float');
  if (!plant) return [];
  const one = asGrown(assessment.world.design, plant, newPlanting(plant.id, 0, [0, 0, 0]));
  const area = surfacesOf(vessel, vessel.waterLevelMm).waterM2 * 1e6;
  const count = Math.max(1, Math.ceil((0.36 * area) / ((Math.PI / 4) * one.widthMm ** 2)));
  return propose(assessment, 'float', [plant], 0, 0).map((proposal) => ({
    ...proposal,
    values: { count: { quantity: 'count', value: count } },
    patch: proposal.patch.map((op) =>
      op.op === 'add'
        ? { ...op, value: { ...(op.value as unknown as PlantItem), count: Math.min(500, count), spreadMm: 60 } as never }
        : op,
    ),
  }));
}

/** Stems that take up fast, until the floor is planted as it should be at the start; spread along the back. */
export function fastStemsRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { vessel } = assessment.world.design;
  if (finding.code !== 'plants.algae' || !vessel) return [];
  const [plant] = kindsFor(assessment, ({ form, traits }) => form === 'stem' && traits.growth.value === 'fast');
  if (!plant) return [];
  const wide = plant.sizeMm.width.value ?? 60;
  const each = (Math.PI / 4) * wide * wide * plantedShare(plant, null);
  const floor = surfacesOf(vessel, 1).baseM2 * 1e6;
  const count = Math.min(200, Math.ceil(((0.27 - (finding.values['planted']?.value ?? 0)) * floor) / each));
  const bunches = Math.max(1, Math.min(MOST_PLACES, Math.ceil(count / 5)));
  const spots = floorPlaces(assessment.world.design, bunches);
  const order = nextOrder(assessment.world.design.scene);
  const added: Record<string, PlantItem> = {};
  spots.forEach(([x, y], i) => {
    const n = Math.floor(count / spots.length) + (i < count % spots.length ? 1 : 0);
    if (n > 0)
      added[freeKey({ ...assessment.world.design.scene, ...added }, plant.id)] = {
        ...newPlanting(plant.id, order + i, [Math.round(x), Math.round(y), 0]),
        bought: 'stems',
        count: n,
        spreadMm: Math.round(wide * 0.3 * Math.sqrt(n)),
      };
  });
  return [
    {
      kind: 'fast-stems',
      subjects: [plant.id],
      values: { count: { quantity: 'count', value: count } },
      patch: [
        forRevision(assessment.world.design.rev),
        ...Object.entries(added).map(([id, value]): Operation => ({ op: 'add', path: pointer('scene', id), value })),
      ],
    },
  ];
}

function ringFor({ vessel, rev }: Design): Proposal[] {
  if (!vessel || Math.min(vessel.lengthMm, vessel.widthMm) < 2 * USUAL_RING_MM) return [];
  return [
    {
      kind: 'feeding-ring',
      subjects: [],
      values: { across: { quantity: 'length', value: USUAL_RING_MM } },
      patch: [
        forRevision(rev),
        { op: 'add', path: '/care/feedingRing', value: { diameterMm: USUAL_RING_MM, atMm: ringAt(vessel, USUAL_RING_MM) } },
      ],
    },
  ];
}

/** Of the surface that floating leaves are thinned to. Common practice: a third stays open. */
const LEFT_FLOATING = 0.65;
function openShare(standing: readonly Standing[], surfaceMm2: number): number {
  const area = standing.reduce(
    (sum, { hold, count, widthMm }) => sum + (hold === 'afloat' ? count * (Math.PI / 4) * widthMm * widthMm : 0),
    0,
  );
  return area > 0 ? (LEFT_FLOATING * surfaceMm2) / area : 1;
}

/** The one that shades or closes thinned to half, or the one in its shade moved to where there is light; roots that reach down left out. */
export function thinRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  const place = placeOf(design, assessment.derived);
  const standing = assessment.derived['plants.standing'].value ?? [];
  if (!place) return [];
  const thin = (ids: readonly string[], share: number): Proposal[] => {
    const ops = ids.flatMap((id): Operation[] => {
      const item = design.scene[id];
      if (item?.kind !== 'plant' || item.locked || item.count < 2) return [];
      return [{ op: 'replace', path: pointer('scene', id, 'count'), value: Math.max(1, Math.floor(item.count * share)) }];
    });
    const [first] = ids;
    const item = design.scene[first ?? ''];
    if (ops.length === 0 || item?.kind !== 'plant') return [];
    return [
      {
        kind: 'thin-plant',
        subjects: [item.classId],
        values: { count: { quantity: 'count', value: Math.max(1, Math.floor(item.count * share)) } },
        patch: [forRevision(design.rev), ...ops],
      },
    ];
  };
  switch (finding.code) {
    case 'plants.closed':
      return [...ringFor(design), ...thin(finding.subjects, openShare(standing, place.surfaceMm2))];
    case 'plants.roots-reach':
    case 'plants.poison': {
      const own = design.scene[finding.subjects[0] ?? ''];
      const member = assessment.derived['stock.members'].value?.find(({ id }) => id === finding.subjects[0]);
      const classId = own?.kind === 'plant' ? own.classId : member?.organismId;
      const ids = Object.entries(design.scene).filter(([, item]) => item.kind === 'plant' && item.classId === classId);
      if (ids.length === 0 || !classId) return [];
      return [
        {
          kind: 'take-plant',
          subjects: [classId],
          values: {},
          patch: [forRevision(design.rev), ...ids.map(([id]): Operation => ({ op: 'remove', path: pointer('scene', id) }))],
        },
      ];
    }
    case 'plants.light': {
      if (finding.kind !== 'shaded') return [];
      const [id, shader] = finding.subjects;
      const own = standing.find((one) => one.id === id);
      if (!own || !shader) return [];
      const { vessel } = design;
      const others = standing.filter((one) => one.id !== id && one.hold !== 'afloat');
      const free = floorPlaces(design, 2 * MOST_PLACES)
        .filter(([x, y]) => vessel && insideFloorMm(vessel, x, y) !== null)
        .map((at) => ({
          at,
          far: Math.min(
            ...others.map(({ footMm, widthMm, item }) => Math.hypot(footMm[0] - at[0], footMm[1] - at[1]) - widthMm / 2 - item.spreadMm),
          ),
        }))
        .sort((a, b) => b.far - a.far)[0];
      const move: Proposal[] =
        free && own.on.kind === 'bed' && !own.item.locked
          ? [
              {
                kind: 'move-to-light',
                subjects: [own.id],
                values: {},
                patch: [
                  forRevision(design.rev),
                  {
                    op: 'replace',
                    path: pointer('scene', own.id, 'positionMm'),
                    value: [Math.round(free.at[0]), Math.round(free.at[1]), own.item.positionMm[2]],
                  },
                ],
              },
            ]
          : [];
      return [...thin([shader], 0.5), ...move];
    }
    default:
      return [];
  }
}

/** A kind of the same habit that stays under water, in the place of all plantings of the one that does not. */
export function smallerRemedy(assessment: Assessment, finding: Finding): Proposal[] {
  const { design } = assessment.world;
  const own = assessment.derived['plants.standing'].value?.find(({ id }) => id === finding.subjects[0])?.plant;
  const water = finding.values['water']?.value;
  if (!own || !water || finding.code !== 'plants.outgrows') return [];
  const there = new Set(Object.values(design.scene).map((item) => (item.kind === 'plant' ? item.classId : '')));
  const kinds = kindsFor(
    assessment,
    (plant) =>
      plant.form === own.form &&
      plant.traits.rooting.value === own.traits.rooting.value &&
      (plant.sizeMm.length.value ?? Infinity) <= water &&
      !there.has(plant.id),
  );
  // its own cousins first, then the largest that fits
  const genus = (plant: Plant): number => Number(plant.latin.split(' ')[0] === own.latin.split(' ')[0]);
  return kinds
    .sort((a, b) => genus(b) - genus(a) || (b.sizeMm.length.value ?? 0) - (a.sizeMm.length.value ?? 0) || a.id.localeCompare(b.id))
    .slice(0, 2)
    .map((plant) => ({
      kind: 'smaller-plant',
      subjects: [plant.id],
      values: {},
      patch: [
        forRevision(design.rev),
        ...Object.entries(design.scene).flatMap(([id, item]): Operation[] =>
          item.kind === 'plant' && item.classId === own.id && !item.locked
            ? [{ op: 'replace', path: pointer('scene', id, 'classId'), value: plant.id }]
            : [],
        ),
      ],
    }));
}
