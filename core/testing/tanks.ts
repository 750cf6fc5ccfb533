import { catalogueData } from '../../catalogue';
import demo from '../../catalogue/demo/low-barn.json';
import { assess, type Assessment } from '../assessment/assess';
import { indexCatalogue } from '../catalogue/catalogue';
import type { Phase } from '../catalogue/parameter';
import { Design, emptyDesign } from '../design/design';
import { Room } from '../design/room';
import type { Vessel } from '../vessel/model';

export const catalogue = indexCatalogue(catalogueData);
export const lowBarn = Room.parse(demo.room);
export const [peatPocket, weedyThicket] = demo.designs.map((design) => Design.parse(design)) as [Design, Design];

export const box = (lengthMm: number, widthMm: number, heightMm: number, lid: 'none' | 'mesh' | 'glass' | null = 'glass'): Vessel => ({
  shape: 'box',
  lengthMm,
  widthMm,
  heightMm,
  waterLevelMm: heightMm - 40,
  lid: { value: lid, basis: 'measured' },
  state: { value: 'new', basis: 'measured' },
  leakTested: { value: true, basis: 'measured' },
});

/** A tank in the Low Barn: [organism, count, phase] each, shares of the sources, a heater. */
export function tank(
  stock: readonly (readonly [organismId: string, count: number, phase?: Phase])[],
  options: { vessel?: Vessel | null; shares?: Record<string, number>; heaterC?: number } = {},
): Design {
  const { vessel = box(600, 400, 360), shares = { tap: 1 }, heaterC } = options;
  const ids = stock.map((_, i) => `s${i}`);
  return Design.parse({
    ...emptyDesign('test', 'low-barn', 'Test tank'),
    brief: { purpose: 'breed', targetStockIds: ids.slice(0, 1), biotopeId: null },
    vessel,
    water: {
      parts: Object.fromEntries(Object.entries(shares).map(([sourceId, share], i) => [sourceId, { order: i + 1, sourceId, share }])),
    },
    equipment: heaterC === undefined ? {} : { heater: { order: 1, kind: 'heater', setPointC: heaterC } },
    stock: Object.fromEntries(stock.map(([organismId, count, phase = 'keep'], i) => [`s${i}`, { order: i + 1, organismId, count, phase }])),
  });
}

export const judge = (design: Design, room: Room = lowBarn): Assessment => assess({ design, room, catalogue });

export const find = (assessment: Assessment, key: string) => assessment.findings.find((finding) => finding.key === key);
export const severityOf = (assessment: Assessment, key: string) => find(assessment, key)?.severity ?? null;
