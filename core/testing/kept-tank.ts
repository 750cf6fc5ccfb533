import type { FindingCode } from '../calculation/finding';
import { Design, emptyDesign } from '../design/design';
import { emptyRoom, Room } from '../design/room';
import { newLamp } from '../equipment/lamps';
import { newFilter, type LampLight } from '../equipment/model';
import type { Phase } from '../catalogue/parameter';
import { emptySubstrate, type Layer } from '../substrate/model';
import { level } from '../substrate/surface';
import { newBox, reshaped, type Vessel } from '../vessel/model';
import { newPlanting } from '../plants/model';
import { emptyWaterPlan } from '../water/model';
import { catalogue, layer, piece } from './tanks';

/** A tank as a keeper tells of it, in a few lines. What is left out is what such a keeper has without a word. */
export interface KeptTank {
  name: string;
  /** Inside length, width, height in mm; the water stands 40 mm under the rim. */
  sizeMm: readonly [number, number, number];
  shape?: 'box' | 'jar';
  lid?: 'none' | 'mesh' | 'glass' | null;
  /** Air where it stands. */
  room?: keyof typeof ROOMS;
  water: keyof typeof WATERS;
  /** Grams of dry leaves. */
  leavesG?: number;
  heaterC?: number;
  heaterW?: number;
  coolerC?: number;
  filter?: 'sponge' | 'hang-on' | 'canister' | 'none';
  /** A pump or powerhead in the tank, W. */
  pumpW?: number;
  surface?: 'still' | 'ripple' | 'air-stone';
  lampW?: number;
  /** Lumens of a white bar along the tank, 80 mm over the water. */
  lampLm?: number;
  feedG?: number;
  /** Share, days; a fifth a week unless said. */
  change?: readonly [number, number] | null;
  /** [material, depth in mm], bottom layer first; 'bare' for none. */
  bed?: readonly (readonly [material: string, depthMm: number])[] | 'bare';
  /** [class, how many, material, size in mm]. */
  pieces?: readonly (readonly [classId: string, count: number, materialId?: string, sizeMm?: readonly [number, number, number]])[];
  plants?: readonly (readonly [organismId: string, count: number])[];
  stock: readonly (readonly [organismId: string, count: number, phase?: Phase, female?: number])[];
  /** Whatever else is so. */
  more?: (design: Design, room: Room) => void;
}

const winterToSummer = (winter: readonly [number, number], summer: readonly [number, number]): [number, number][] =>
  Array.from({ length: 12 }, (_, month) => {
    const share = (1 - Math.cos((2 * Math.PI * (month - 0.5)) / 12)) / 2;
    return [winter[0] + share * (summer[0] - winter[0]), winter[1] + share * (summer[1] - winter[1])];
  });

/** Air by month where tanks stand, from the coldest month to the warmest. */
export const ROOMS = {
  home: winterToSummer([18, 21], [21, 25.5]),
  cool: winterToSummer([15, 18], [18, 22]),
  cellar: winterToSummer([10, 13], [15, 17.5]),
  fishroom: winterToSummer([22, 25], [23, 27]),
  attic: winterToSummer([17, 21], [26, 34]),
} as const;

const tap = (ghDh: number, khDh: number, ec25UsPerCm: number, ph: number) =>
  ({ kind: 'tap', ghDh, khDh, ec25UsPerCm, ph, salinity: null }) as const;
const salt = (salinity: number, khDh: number | null = null) =>
  ({ kind: 'sea', ghDh: null, khDh, ec25UsPerCm: null, ph: 8.1, salinity }) as const;
const ro = { kind: 'ro', ghDh: 0.1, khDh: 0.1, ec25UsPerCm: 9, ph: 6.2, salinity: 0 } as const;

/** Waters as keepers pour them: [source, salts in mg/L]. */
export const WATERS = {
  soft: [tap(4, 2.5, 150, 7.3), {}],
  ordinary: [tap(8, 5, 330, 7.4), {}],
  firm: [tap(12, 7, 450, 7.5), {}],
  hard: [tap(17, 13, 620, 7.6), {}],
  ro: [ro, {}],
  // 1 dGH, as for blackwater
  blackwater: [ro, { gypsum: 20, 'epsom-salt': 14 }],
  // 5 dGH and no KH, as for bee shrimp
  bee: [ro, { gypsum: 115, 'epsom-salt': 55 }],
  // a rift lake: hard tap with soda
  lake: [tap(14, 12, 600, 7.8), { 'sodium-bicarbonate': 60 }],
  // the old lakes of Sulawesi: GH 7, KH 5
  oldLake: [ro, { gypsum: 110, 'epsom-salt': 80, 'potassium-bicarbonate': 40, 'sodium-bicarbonate': 90 }],
  sea: [salt(35, 8), {}],
  brackish: [salt(15), {}],
  lightBrackish: [salt(6, 10), {}],
} as const;

const measured = <T>(value: T) => ({ value, basis: 'measured' as const });

/** Panes as they are sold for the size. */
function panesOf([lengthMm, , heightMm]: readonly [number, number, number]): { glassMm: number; rim: 'rimless' | 'rim' | 'braced' } {
  if (lengthMm <= 300) return { glassMm: 5, rim: 'rimless' };
  if (lengthMm <= 620) return { glassMm: 5, rim: 'rim' };
  if (lengthMm <= 820) return { glassMm: heightMm > 400 ? 8 : 6, rim: 'rim' };
  if (lengthMm <= 1020) return { glassMm: 8, rim: 'braced' };
  return { glassMm: lengthMm > 1300 ? 12 : 10, rim: 'braced' };
}

function vesselOf({ sizeMm, shape = 'box', lid = 'glass' }: KeptTank): Vessel {
  const [lengthMm, widthMm, heightMm] = sizeMm;
  const { glassMm, rim } = panesOf(sizeMm);
  const box: Vessel = {
    ...newBox(lengthMm, widthMm, heightMm),
    glassMm: measured(glassMm),
    rim: measured(rim),
    lid: measured(lid),
    background: measured('dark'),
    sun: measured('none'),
    footfall: measured('quiet'),
    stand: measured('stand'),
    floor: measured('ground'),
    state: measured('new'),
    leakTest: measured({ dry: true, days: 2, filterRan: true }),
  };
  return shape === 'jar' ? reshaped(box, 'jar') : box;
}

/** Pieces side by side in rows from the back, each with a hand's way to the panes. */
function piecesOf({ sizeMm: [lengthMm, widthMm], shape, pieces = [] }: KeptTank): Design['scene'] {
  const scene: Design['scene'] = {};
  const edgeMm = 36;
  let [x, y, deep] = [edgeMm, widthMm - edgeMm, 0];
  let order = 0;
  for (const [classId, count, materialId, sizeMm] of pieces)
    for (let i = 0; i < count; i++) {
      const made = piece(classId, {
        order: ++order,
        edges: 'ground',
        soakedWeeks: 52,
        ...(materialId ? { materialId } : {}),
        ...(sizeMm ? { sizeMm: [...sizeMm] } : {}),
      });
      const [w, d] = made.turnDeg[2] === 90 ? [made.sizeMm[1], made.sizeMm[0]] : made.sizeMm;
      if (x + w > lengthMm - edgeMm) [x, y, deep] = [edgeMm, y - deep - 14, 0];
      scene[`p${order}`] = { ...made, positionMm: shape === 'jar' ? [lengthMm / 2, widthMm / 2, 0] : [x + w / 2, y - d / 2, 0] };
      x += w + 14;
      deep = Math.max(deep, d);
    }
  return scene;
}

/** Plants here and there, beside the pieces. */
function plantsOf({ sizeMm: [lengthMm, widthMm], plants = [] }: KeptTank, pieces: Design['scene']): Design['scene'] {
  const scene: Design['scene'] = {};
  const taken = (x: number, y: number) =>
    Object.values(pieces).some(({ kind, positionMm: [px, py], ...of }) => {
      const reach = kind === 'hardscape' && 'sizeMm' in of ? Math.max(of.sizeMm[0], of.sizeMm[1]) / 2 : 0;
      return Math.abs(px - x) < reach && Math.abs(py - y) < reach;
    });
  let n = 0;
  for (const [classId, count] of plants)
    for (let i = 0; i < count; i++, n++) {
      let [x, y] = [40 + ((n * 137) % Math.max(1, lengthMm - 80)), 40 + ((n * 89) % Math.max(1, widthMm - 80))];
      for (let k = 1; k < 12 && taken(x, y); k++)
        [x, y] = [40 + (((n + k * 7) * 137) % Math.max(1, lengthMm - 80)), 40 + (((n + k * 5) * 89) % Math.max(1, widthMm - 80))];
      scene[`plant${n}`] = newPlanting(classId, 1000 + n, [x, y, 0]);
    }
  return scene;
}

/** The design and the room that a keeper's tale comes to. */
export function kept(told: KeptTank): { design: Design; room: Room } {
  const [source, salts] = WATERS[told.water];
  const room: Room = {
    ...emptyRoom('room', 'Room'),
    climateC: ROOMS[told.room ?? 'home'].map(([low, high]) => [low, high]),
    humidityPct: measured(50),
    sources: {
      water: {
        order: 1,
        name: 'Water',
        kind: source.kind,
        ghDh: measured(source.ghDh),
        khDh: measured(source.khDh),
        ph: measured(source.ph),
        ec25UsPerCm: measured(source.ec25UsPerCm),
        salinity: measured(source.salinity),
        temperatureC: measured(null),
        disinfectant: measured(source.kind === 'tap' ? 'chlorine' : 'none'),
        analysisMgPerL: {},
        report: null,
      },
    },
  };
  const gear = (powerW: number) => ({ powerW, sizeMm: [60, 60, 150] as [number, number, number], placeMm: null });
  const filter = told.filter ?? 'sponge';
  const equipment: Design['equipment'] = {
    ...(told.heaterC === undefined
      ? {}
      : { heater: { order: 1, kind: 'heater' as const, setPointC: told.heaterC, ...gear(told.heaterW ?? wattsFor(told.sizeMm)) } }),
    ...(told.coolerC === undefined ? {} : { cooler: { order: 2, kind: 'cooler' as const, setPointC: told.coolerC, ...gear(200) } }),
    ...(filter === 'none' ? {} : { filter: { order: 3, ...newFilter, ...gear(filter === 'canister' ? 15 : 5) } }),
    ...(told.pumpW === undefined ? {} : { pump: { order: 4, kind: 'pump' as const, runs: null, ...gear(told.pumpW) } }),
    ...(told.lampW === undefined && told.lampLm === undefined
      ? {}
      : { lamp: { order: 5, kind: 'lamp' as const, light: barOf(told), ...gear(told.lampW ?? told.lampLm! / 100) } }),
  };
  const layers: Record<string, Layer> = {};
  if (told.bed !== 'bare') {
    let top = 0;
    (told.bed ?? [['fine-quartz-sand', 40]]).forEach(([materialId, depthMm], i) => {
      top += depthMm;
      layers[`layer${i}`] = layer(materialId, level(top), { order: i + 1 });
    });
  }
  const pieces = piecesOf(told);
  const ids = told.stock.map((_, i) => `s${i}`);
  const breeds = told.stock.some(([, , phase]) => phase === 'spawn' || phase === 'larvae');
  const change = told.change === undefined ? ([0.2, 7] as const) : told.change;
  const design: Design = {
    ...emptyDesign('kept', 'room', told.name.slice(0, 80)),
    brief: { purpose: breeds ? 'breed' : 'keep', targetStockIds: ids.slice(0, 1), biotopeId: null, fidelity: null },
    vessel: vesselOf(told),
    water: {
      ...emptyWaterPlan(),
      parts: { water: { order: 1, sourceId: 'water', share: 1 } },
      salts: Object.fromEntries(Object.entries(salts).map(([saltId, mgPerL], i) => [saltId, { order: i + 1, saltId, mgPerL }])),
      conditioner: source.kind === 'tap' ? 'thiosulfate' : null,
      additions: told.leavesG ? { leaves: { order: 1, materialId: 'leaf-litter', amount: told.leavesG, spent: 0 } } : {},
    },
    substrate: { ...emptySubstrate(), bare: told.bed === 'bare', mat: true, layers },
    equipment,
    scene: { ...pieces, ...plantsOf(told, pieces) },
    stock: Object.fromEntries(
      told.stock.map(([organismId, count, phase = 'keep', female], i) => [
        `s${i}`,
        { order: i + 1, organismId, count, phase, ...(female === undefined ? {} : { female }) },
      ]),
    ),
  };
  design.care = {
    ...design.care,
    feed: { ...design.care.feed, gPerDay: told.feedG ?? null },
    change: change && { fraction: change[0], everyDays: change[1] },
    surface: told.surface ?? (filter === 'none' ? 'still' : filter === 'sponge' ? 'air-stone' : 'ripple'),
    lampHours: told.lampW === undefined && told.lampLm === undefined ? null : 8,
  };
  told.more?.(design, room);
  return { design: Design.parse(design), room: Room.parse(room) };
}

/** A bar of white LEDs as long as the tank is. */
function barOf({ lampLm, sizeMm: [lengthMm] }: KeptTank): LampLight | null {
  if (lampLm === undefined) return null;
  return newLamp('bar', { output: { value: lampLm, unit: 'lm' }, lengthMm: Math.round(0.9 * lengthMm) });
}

/** About a watt to a litre, in the ratings that are sold. */
function wattsFor([lengthMm, widthMm, heightMm]: readonly [number, number, number]): number {
  const litres = (lengthMm * widthMm * heightMm) / 1e6;
  return [25, 50, 75, 100, 150, 200, 300].find((watts) => watts >= 0.8 * litres) ?? 300;
}

/** Whether every animal and plant that is told of is in the catalogue. */
export const unknownIn = ({ stock, plants = [] }: KeptTank): string[] =>
  [...stock.map(([id]) => id), ...plants.map(([id]) => id)].filter((id) => !catalogue.organisms.has(id));

/** A tank that fails, and the one reason an expert gives first. */
export interface FailingTank extends KeptTank {
  /** Code of the first finding; any of them where the field has more than one name for the one cause. */
  first: readonly FindingCode[];
  /** Places in `stock` that the finding names, where it names anyone. */
  whom?: readonly number[];
}
