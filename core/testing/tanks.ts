import { catalogueData } from '../../catalogue';
import demo from '../../catalogue/demo/low-barn.json';
import { assess, type Assessment } from '../assessment/assess';
import { indexCatalogue } from '../catalogue/catalogue';
import type { Phase } from '../catalogue/parameter';
import { Design, emptyDesign } from '../design/design';
import { withOwn } from '../design/own-catalogue';
import { Room } from '../design/room';
import { emptyWaterPlan } from '../water/model';
import type { HardscapeItem } from '../hardscape/model';
import { newPiece } from '../hardscape/new-piece';
import type { Layer, Surface } from '../substrate/model';
import type { HeatBody } from '../equipment/heat-loss';
import { newBox, type Vessel } from '../vessel/model';

export const catalogue = indexCatalogue(catalogueData);
export const lowBarn = Room.parse(demo.room);
export const demoDesigns: readonly Design[] = demo.designs.map((design) => Design.parse(design));
export const [peatPocket, weedyThicket, shellBed, lavaJar] = demoDesigns as [Design, Design, Design, Design];
/** A 60 x 30 x 36 cm box of 6 mm glass, water 34 cm deep, open, in a room of 50 % humidity. */
export const HEAT_BODY: HeatBody = {
  wallM2: 0.612,
  wallHeightM: 0.34,
  baseM2: 0.18,
  waterM2: 0.18,
  waterPerimeterM: 1.8,
  glassMm: 6,
  covered: 0,
  humidity: 0.5,
  airMPerS: 0,
};

const stated = <T>(value: T) => ({ value, basis: 'measured' as const });

export const box = (lengthMm: number, widthMm: number, heightMm: number, lid: 'none' | 'mesh' | 'glass' | null = 'glass'): Vessel => ({
  ...newBox(lengthMm, widthMm, heightMm),
  glassMm: stated(heightMm > 450 ? 12 : heightMm > 320 ? 8 : 6),
  lid: stated(lid),
  state: stated('new'),
  leakTest: stated({ dry: true, days: 2, filterRan: null }),
  stand: stated('stand'),
  floor: stated('ground'),
});

/** A tank in the Low Barn: [organism, count, phase] each, shares of the sources, a heater. */
export function tank(
  stock: readonly (readonly [organismId: string, count: number, phase?: Phase, female?: number])[],
  options: { vessel?: Vessel | null; shares?: Record<string, number>; heaterC?: number } = {},
): Design {
  const { vessel = box(600, 400, 360), shares = { tap: 1 }, heaterC } = options;
  const ids = stock.map((_, i) => `s${i}`);
  return Design.parse({
    ...emptyDesign('test', 'low-barn', 'Test tank'),
    brief: { purpose: 'breed', targetStockIds: ids.slice(0, 1), biotopeId: null, fidelity: null },
    vessel,
    water: {
      ...emptyWaterPlan(),
      parts: Object.fromEntries(Object.entries(shares).map(([sourceId, share], i) => [sourceId, { order: i + 1, sourceId, share }])),
    },
    equipment:
      heaterC === undefined
        ? {}
        : { heater: { order: 1, kind: 'heater', setPointC: heaterC, powerW: 100, sizeMm: [25, 25, 200], placeMm: null } },
    stock: Object.fromEntries(
      stock.map(([organismId, count, phase = 'keep', female], i) => [
        `s${i}`,
        { order: i + 1, organismId, count, phase, ...(female === undefined ? {} : { female }) },
      ]),
    ),
  });
}

export const judge = (design: Design, room: Room = lowBarn): Assessment =>
  assess({ design, room, catalogue: withOwn(catalogue, room.own) });

export const find = (assessment: Assessment, key: string) => assessment.findings.find((finding) => finding.key === key);
export const severityOf = (assessment: Assessment, key: string) => find(assessment, key)?.severity ?? null;

/** A layer all over the floor. */
export const layer = (materialId: string, top: Surface, more: Partial<Layer> = {}): Layer => ({
  order: 1,
  materialId,
  grainMm: null,
  area: { kind: 'whole' },
  top,
  spent: 0,
  cloth: false,
  ...more,
});

/** A piece of hardscape as its class comes, at the front left until it is placed. */
export const piece = (classId: string, more: Partial<HardscapeItem> = {}): HardscapeItem => ({
  ...newPiece(catalogue.pieces.get(classId)!, 1, [100, 100, 0]),
  ...more,
});
