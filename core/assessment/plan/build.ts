import type { BuildFacts, LaidLayer, SetPiece, SetPlant } from '../../build/facts';
import { inOwnOrder } from '../../build/order';
import { buildSteps, type BuildStep } from '../../build/steps';
import { inOrder } from '../../design/design';
import { sourceLabel } from '../../design/room';
import { saltsKnown } from '../../design/own-catalogue';
import { MEDIUM_META } from '../../equipment/media';
import { standsInside } from '../../equipment/model';
import { massOf } from '../../hardscape/mass';
import type { Vessel } from '../../vessel/model';
import { conditionerOf } from '../../water/conditioners';
import { SEA_SALT, saltName } from '../../water/salts';
import type { Assessment } from '../assessment';

/** Days that a vessel stands full; a week for what was mended, drilled or built at home. As the leak test is judged. */
const LONG_TEST = ['repaired', 'drilled', 'home-built', 'rim-lost'];
const CAST = ['foam-and-resin', 'concrete'];
/** Grain that rinsing would carry off, millimetres. Common practice. */
const SILT_MM = 0.1;
/** g/kg from which it is salt water. */
const SALT_WATER = 2;
/** Stems that stand higher than this share of the water are planted once it is in. Common practice. */
const LONG_STEM = 0.35;

function vesselFacts(assessment: Assessment): BuildFacts['vessel'] {
  const { design } = assessment.world;
  const { vessel } = design;
  if (!vessel) return null;
  const devices = Object.values(design.equipment);
  const wanted = vessel.state.value !== null && LONG_TEST.includes(vessel.state.value) ? 7 : 1;
  const { value: test } = vessel.leakTest;
  return {
    filledKg: assessment.derived['vessel.filled-mass'].value?.kg ?? null,
    testDays: test?.dry && (test.days ?? 0) >= wanted ? 0 : wanted,
    plumbed: isPlumbed(vessel, devices),
    ranTested: test?.filterRan === true,
    background: vessel.background.value === 'dark' || vessel.background.value === 'light',
    lid: vessel.lid.value === 'glass' || vessel.lid.value === 'mesh',
    openings: Object.values(vessel.openings).filter(({ at }) => at === 'lid').length,
  };
}

const isPlumbed = (vessel: Vessel, devices: readonly { kind: string; form?: string | null }[]): boolean =>
  vessel.sump !== null || Object.keys(vessel.plumbing).length > 0 || devices.some(({ form }) => form === 'canister' || form === 'sump');

function layerFacts({ world, derived }: Assessment): LaidLayer[] {
  return (derived['substrate.bed'].value?.layers ?? []).map(({ id, material, materialId, litres, kg, depthMm, area, cloth }): LaidLayer => {
    const grain = material?.grainMm.value;
    const how = ((): LaidLayer['how'] => {
      if (!material) return 'leave';
      if (material.nutrient) return 'press';
      if (material.filler) return 'filler';
      if (material.alive || material.soft || material.action.kind === 'exchanges' || material.action.kind === 'leaches') return 'leave';
      // silt would run off with the water
      if (grain && grain[1] <= SILT_MM) return 'leave';
      return grain && grain[0] >= 4 ? 'coarse' : 'rinse';
    })();
    return {
      id,
      name: material?.name ?? world.catalogue.materials.get(materialId)?.name ?? materialId,
      litres,
      kg,
      depthMm: [depthMm.least, depthMm.most],
      how,
      cloth,
      zoned: area.kind !== 'whole',
    };
  });
}

function pieceFacts({ world, derived }: Assessment): SetPiece[] {
  return (derived['scene.pieces'].value ?? []).map((piece): SetPiece => {
    const { item, of } = piece;
    const material = item.materialId === null ? undefined : world.catalogue.materials.get(item.materialId);
    const mass = massOf(piece, world.catalogue);
    return {
      name: pieceName(of.name, material?.name),
      kg: mass?.kg ?? null,
      group: of.group as SetPiece['group'],
      onBase: item.stand === 'floor',
      fixing: item.fixing,
      ballastKg: item.ballastKg,
      floats: mass !== null && mass.kgPerL < 1 && material?.use === 'wood',
      rawEdges: item.edges === 'raw',
      alive: material?.alive === true,
      cast: item.materialId !== null && CAST.includes(item.materialId),
    };
  });
}

function plantFacts({ world: { design }, derived }: Assessment): SetPlant[] {
  const waterMm = design.vessel?.waterLevelMm ?? Infinity;
  const byKind = new Map<string, SetPlant>();
  for (const { item, plant, hold } of derived['plants.standing'].value ?? []) {
    const tall = plant.sizeMm.length.value ?? 0;
    const how = ((): SetPlant['how'] => {
      if (hold === 'afloat') return 'afloat';
      if (hold === 'tied' || hold === 'glued' || hold === 'wedged' || hold === 'pane') return 'on-piece';
      return plant.form === 'stem' && tall > LONG_STEM * waterMm ? 'long-stem' : 'rooted';
    })();
    const known = byKind.get(`${plant.id} ${how}`);
    byKind.set(`${plant.id} ${how}`, { name: `*${plant.latin}*`, how, count: (known?.count ?? 0) + item.count });
  }
  return [...byKind.values()];
}

/** “Rounded stone of limestone”; a snail shell is of nothing else. */
export const pieceName = (of: string, material: string | undefined): string =>
  !material || of.toLowerCase() === material.toLowerCase() ? of : `${of} of ${material.toLowerCase()}`;

/** All of a design that decides on how it is built. */
export function buildFacts(assessment: Assessment, tankName: (id: string) => string = (id) => id): BuildFacts {
  const { world, derived } = assessment;
  const { design, room, catalogue } = world;
  const litres = derived['vessel.system-volume'].value;
  const poured = derived['water.poured'].value ?? [];
  const whole = poured.reduce((sum, { share }) => sum + share, 0);
  const salts = saltsKnown(room.own);
  const members = derived['stock.members'].value ?? [];
  const animals = members.flatMap(({ organism }) => (organism?.kind === 'animal' ? [organism] : []));
  const devices = Object.values(design.equipment);
  const { conditioner } = design.water;
  return {
    vessel: vesselFacts(assessment),
    mat: design.substrate.mat,
    diggers: animals.some(({ traits }) => traits.digs.value === true),
    layers: layerFacts(assessment),
    edges: Object.values(design.substrate.zones).filter(({ edgeTopMm }) => edgeTopMm !== null).length,
    capsules: capsuleCount(assessment),
    pieces: pieceFacts(assessment),
    hides: derived['hardscape.refuges'].value?.filter(({ mouths }) => mouths.length > 0).length ?? 0,
    rivals: animals.some(({ traits }) => traits.temperament.value === 'territorial'),
    plants: plantFacts(assessment),
    freshSoil: (derived['water.lying'].value?.soil ?? null) !== null,
    delicateInverts: animals.some(({ group }) => group === 'shrimp' || group === 'snail' || group === 'crayfish'),
    devices: devices.map((device) => ({
      kind: device.kind,
      setPointC: device.kind === 'heater' ? device.setPointC : null,
      inside: standsInside(device),
      mains: true,
    })),
    media: devices.flatMap((device) =>
      device.kind === 'filter'
        ? device.media.map(({ medium, litres: held, fromTankId }) => ({
            name: MEDIUM_META[medium].name,
            litres: held,
            from: fromTankId ? tankName(fromTankId) : null,
          }))
        : [],
    ),
    water: {
      litres,
      parts: poured.map(({ source, share }) => ({ name: sourceLabel(source), litres: litres === null ? null : (litres * share) / whole })),
      salts: inOrder(design.water.salts).map(([, { saltId, mgPerL }]) => ({
        name: saltName(saltId, salts),
        grams: litres === null ? null : (mgPerL * litres) / 1000,
      })),
      seaSalt: Object.values(design.water.salts).some(({ saltId }) => saltId === SEA_SALT.id),
      marine: (derived['planned.salinity'].value ?? 0) > SALT_WATER,
      conditioner: conditioner ? (conditionerOf(conditioner)?.name ?? conditioner) : null,
      loose: inOrder(design.water.additions).map(([, { materialId, amount }]) => {
        const material = catalogue.materials.get(materialId);
        return { name: material?.name ?? materialId, amount, in: material?.use === 'substrate' ? ('volume' as const) : ('mass' as const) };
      }),
    },
    gas: design.water.co2 !== null,
    ring: design.care.feedingRing !== undefined,
    guards: Object.values(design.vessel?.openings ?? {}).filter(({ at, guardMm }) => at !== 'lid' && guardMm !== null).length,
    fertilised: Object.keys(design.care.fertiliser).length > 0,
    lampHours: design.care.lampHours,
    start: design.startup !== null || animals.length > 0,
  };
}

/** How many capsules the bed takes at their distance. */
export function capsuleCount({ world: { design }, derived }: Assessment): number {
  const { capsules } = design.substrate;
  const grid = derived['scene.grid'].value;
  if (!capsules || !grid) return 0;
  const { vessel } = design;
  if (!vessel) return 0;
  return Math.max(1, Math.round((vessel.lengthMm / capsules.spacingMm) * (vessel.widthMm / capsules.spacingMm)));
}

/** The work of one tank, in its own order. */
export function buildWork(assessment: Assessment, tankName?: (id: string) => string): BuildStep[] {
  const { build } = assessment.world.design;
  return inOwnOrder(buildSteps(buildFacts(assessment, tankName), build), build.order);
}
