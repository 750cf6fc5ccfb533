import { newFilter } from '../../equipment/model';
import type { Finding } from '../../calculation/finding';
import { newPlanting } from '../../plants/model';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { METRIC, US } from '../../quantity/format';
import type { HardscapeItem } from '../../hardscape/model';
import type { Layer, SubstratePlan } from '../../substrate/model';
import { bank, level } from '../../substrate/surface';
import { reshaped } from '../../vessel/model';
import {
  box,
  catalogue,
  find,
  judge,
  lavaJar,
  layer,
  lowBarn,
  peatPocket,
  piece,
  severityOf,
  shellBed,
  tank,
  weedyThicket,
} from '../../testing/tanks';
import { assess, type Assessment } from '../assess';
import { helpFor } from '../remedies/offer';
import type { RemedyKind } from '../remedies/remedy';
import { plain, wordFinding, wordRemedy } from '../wording';

const SHELLS: [string, number, 'spawn', number][] = [['neolamprologus-multifasciatus', 4, 'spawn', 3]];
const built = (
  stock: Parameters<typeof tank>[0],
  layers: Record<string, Layer>,
  scene: Record<string, HardscapeItem> = {},
  more: Partial<SubstratePlan> = {},
): Design => {
  const design = tank(stock);
  return Design.parse({ ...design, substrate: { ...design.substrate, layers, ...more }, scene });
};
const sand = (front: number, back = front) => ({ sand: layer('fine-quartz-sand', bank(front, back)) });
const worded = (assessment: Assessment, key: string) => plain(wordFinding(find(assessment, key)!, assessment, METRIC).title);

/** Takes the first remedy of a kind: the design as it is then judged. */
function mended(design: Design, key: string, kind: RemedyKind): Assessment {
  const assessment = judge(design);
  const finding = find(assessment, key)!;
  const remedy = helpFor(assessment, finding).remedies.find((one) => one.kind === kind);
  if (!remedy)
    throw new Error(
      `${key}: no ${kind} among ${helpFor(assessment, finding)
        .remedies.map((one) => one.kind)
        .join()}`,
    );
  for (const units of [METRIC, US])
    expect(JSON.stringify(wordRemedy(remedy, finding, assessment, units))).not.toMatch(/undefined|NaN|not known/);
  const applied = applyEdit(design, remedy.patch, Design);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  const back = applyEdit(applied.document, applied.inverse, Design);
  expect(back.ok && { ...back.document, rev: 0 }).toEqual({ ...design, rev: 0 });
  return judge(applied.document);
}

describe('the built place', () => {
  it('takes bed and pieces off the water, once each', () => {
    const water = (design: Design) => judge(design).derived['vessel.water-volume'].value!;
    const empty = water(built([], {}));
    expect(empty).toBeCloseTo(0.6 * 0.4 * 0.32 * 1000, 6);
    // the grains of 12 L of sand
    expect(empty - water(built([], sand(50)))).toBeCloseTo(0.6 * 12, 1);
    const stone = piece('rounded-stone', { sizeMm: [200, 150, 100], positionMm: [300, 200, 0], stand: 'floor' });
    expect((empty - water(built([], {}, { stone }))) / ((Math.PI / 6) * 3)).toBeCloseTo(1, 1);
    // half sunk, it takes up water above and sand below
    const both = empty - water(built([], sand(50), { stone }));
    // half a litre and a half above the bed, and the grains that gave way below
    expect(both).toBeCloseTo(7.2 + 0.4 * (Math.PI / 4), 1);
    const kg = (design: Design) => judge(design).derived['vessel.filled-mass'].value!.kg;
    expect(kg(built([], sand(50))) - kg(built([], {}))).toBeCloseTo(12 * 1.6 - 7.2, 0);
  });

  it('acts on the water as what it is made of', () => {
    const soil = judge(built([], { soil: layer('acid-soil', level(40)) }));
    expect(soil.derived['water.soil'].value!.setPh).toBeGreaterThan(4);
    expect(soil.derived['planned.khDh'].value!).toBeLessThan(judge(built([], {})).derived['planned.khDh'].value!);
    const lime = piece('rounded-stone', { materialId: 'limestone', positionMm: [300, 200, 0] });
    const soft = (scene: Record<string, HardscapeItem>) => {
      const design = built([], {}, scene);
      return judge({ ...design, water: { ...design.water, parts: { ro: { order: 1, sourceId: 'ro', share: 1 } } } }).derived['planned.ghDh']
        .value!;
    };
    expect(soft({ lime })).toBeGreaterThan(soft({}) + 0.1);
    expect(soft({ lime: { ...lime, materialId: 'basalt' } })).toBeCloseTo(soft({}), 6);
  });

  it('is unknown while nobody has said what lies there', () => {
    expect(severityOf(judge(built([], {})), 'substrate.not-stated')).toBe('unknown');
    expect(severityOf(judge(built([], {}, {}, { bare: true })), 'substrate.not-stated')).toBeNull();
    expect(severityOf(judge(built([], sand(40))), 'substrate.not-stated')).toBeNull();
  });

  it('keeps the derived values of a tank whose bed and pieces did not change', () => {
    const cache = new Map();
    const first = assess({ design: shellBed, room: lowBarn, catalogue }, cache);
    const second = assess({ design: { ...shellBed, name: 'Other' }, room: lowBarn, catalogue }, cache);
    expect(second.derived['scene.pieces']).toBe(first.derived['scene.pieces']);
    // a piece turned on its place displaces what it did: the water is not worked out anew
    const shell = shellBed.scene['shell-1'] as HardscapeItem;
    const turned = {
      ...shellBed,
      scene: { ...shellBed.scene, 'shell-1': { ...shell, turnDeg: [0, 0, shell.turnDeg[2] + 180] as [number, number, number] } },
    };
    const third = assess({ design: turned, room: lowBarn, catalogue }, cache);
    expect(third.derived['scene.pieces']).not.toBe(first.derived['scene.pieces']);
  });
});

describe('the bed', () => {
  it('slides past its repose, creeps from seven tenths of it, and is braced or taken down', () => {
    const at = (back: number) => severityOf(judge(built([], sand(20, back))), 'substrate.slope:sand');
    // quartz sand stands from 28°: 400 mm deep front to back
    expect(at(20 + 400 * Math.tan((15 * Math.PI) / 180))).toBe('fits');
    expect(at(20 + 400 * Math.tan((22 * Math.PI) / 180))).toBe('watch');
    expect(at(20 + 400 * Math.tan((30 * Math.PI) / 180))).toBe('conflict');
    const steep = built([], sand(20, 20 + 400 * Math.tan((24 * Math.PI) / 180)));
    expect(severityOf(mended(steep, 'substrate.slope:sand', 'flatten'), 'substrate.slope:sand')).toBe('fits');
    const walled = mended(steep, 'substrate.slope:sand', 'wall');
    expect(walled.findings.filter(({ code, severity }) => code === 'substrate.slope' && severity !== 'fits')).toEqual([]);
    expect(find(walled, 'substrate.step')).toBeUndefined();
  });

  it('runs over a step that no edge holds', () => {
    const zones: SubstratePlan['zones'] = {
      back: {
        order: 1,
        kind: 'terrace',
        outlineMm: [
          [0, 200],
          [600, 200],
          [600, 400],
          [0, 400],
        ],
        edgeTopMm: null,
      },
    };
    const design = built(
      [],
      {
        low: layer('fine-quartz-sand', level(30), { area: { kind: 'open' } }),
        high: layer('fine-quartz-sand', level(80), { order: 2, area: { kind: 'zone', zoneId: 'back' } }),
      },
      {},
      { zones },
    );
    expect(severityOf(judge(design), 'substrate.step')).toBe('conflict');
    expect(find(mended(design, 'substrate.step', 'wall'), 'substrate.step')).toBeUndefined();
  });

  it('says where layers lie under each other, and where they stand out', () => {
    const under = judge(built([], { a: layer('lava-gravel', level(60)), b: layer('fine-quartz-sand', level(20), { order: 2 }) }));
    expect(worded(under, 'substrate.under:b')).toBe('Fine quartz sand lies wholly under the layer below');
    const beach = judge(built([], sand(20, 340)));
    expect(find(beach, 'substrate.too-high')?.kind).toBe('water');
    expect(find(judge(built([], sand(20, 500))), 'substrate.too-high')?.severity).toBe('conflict');
  });

  it('of rich soil wants a cap, above all with shrimp', () => {
    const loam = { loam: layer('garden-soil', level(15)) };
    const shrimp: Parameters<typeof tank>[0] = [['neocaridina-davidi', 20]];
    expect(severityOf(judge(built([], loam)), 'substrate.cap:loam')).toBe('watch');
    expect(severityOf(judge(built(shrimp, loam)), 'substrate.cap:loam')).toBe('conflict');
    const thin = built(shrimp, { ...loam, gravel: layer('quartz-gravel', level(30), { order: 2 }) });
    expect(find(judge(thin), 'substrate.cap:loam')?.kind).toBe('thin');
    expect(severityOf(mended(thin, 'substrate.cap:loam', 'cap'), 'substrate.cap:loam')).toBe('fits');
    expect(severityOf(mended(built(shrimp, loam), 'substrate.cap:loam', 'cap'), 'substrate.cap:loam')).toBe('fits');
    // clay holds together under any cap; loose earth comes up through lava
    const clay = built([], { clay: layer('clay-mix', level(15)), lava: layer('lava-gravel', level(60), { order: 2 }) });
    expect(find(judge(clay), 'substrate.cap:clay')?.kind).toBe('holds');
    const loose = built([], { ...loam, lava: layer('lava-gravel', level(60), { order: 2 }) });
    expect(find(judge(loose), 'substrate.cap:loam')?.kind).toBe('coarse');
    expect(severityOf(mended(loose, 'substrate.cap:loam', 'cloth'), 'substrate.cap:loam')).toBe('fits');
  });

  it('of rich soil counts a cap only where the soil lies', () => {
    const strip = (front: number, back: number): { kind: 'patch'; outlineMm: [number, number][] } => ({
      kind: 'patch',
      outlineMm: [
        [0, front],
        [600, front],
        [600, back],
        [0, back],
      ],
    });
    const open = built([['neocaridina-davidi', 20]], {
      loam: layer('garden-soil', level(15)),
      gravel: layer('quartz-gravel', level(55), { order: 2, area: strip(0, 150) }),
    });
    expect(find(judge(open), 'substrate.cap:loam')).toEqual(jasmine.objectContaining({ severity: 'conflict', kind: 'bare' }));
    // soil at the back alone, under gravel, with a thin bare front
    const behind = built([['neocaridina-davidi', 20]], {
      loam: layer('garden-soil', level(15), { area: strip(200, 400) }),
      gravel: layer('quartz-gravel', bank(12, 70), { order: 2 }),
    });
    expect(severityOf(judge(behind), 'substrate.cap:loam')).toBe('fits');
  });

  it('of rich soil in a jar is capped though the wall curves', () => {
    const jar = reshaped(box(260, 260, 300, 'glass'), 'jar');
    const capped = built([['neocaridina-davidi', 10]], {
      loam: layer('garden-soil', level(15)),
      gravel: layer('quartz-gravel', level(60), { order: 2 }),
    });
    expect(severityOf(judge({ ...capped, vessel: jar }), 'substrate.cap:loam')).toBe('fits');
  });

  it('of active soil is a tenth of the water', () => {
    const little = built([], { soil: layer('acid-soil', level(15)) });
    expect(severityOf(judge(little), 'substrate.soil-share')).toBe('watch');
    expect(severityOf(mended(little, 'substrate.soil-share', 'deepen'), 'substrate.soil-share')).toBe('fits');
  });

  it('under a salamander: gravel lodges, stones and sand do not, bare is safe', () => {
    const salamander: Parameters<typeof tank>[0] = [['ambystoma-mexicanum', 1]];
    const on = (materialId: string, grainMm: [number, number] | null = null) =>
      find(judge(built(salamander, { bed: layer(materialId, level(40), { grainMm }) })), 'substrate.grain:s0');
    expect(on('quartz-gravel', [8, 16])?.severity).toBe('conflict');
    expect(on('river-stones')?.kind).toBe('too-large');
    expect(on('fine-quartz-sand')?.kind).toBe('passes');
    // the classic killer: 2 to 6 mm
    expect(on('quartz-gravel')?.severity).toBe('conflict');
    expect(on('acid-soil')?.severity).toBe('watch');
    expect(on('peat')?.severity).toBe('unknown');
    expect(find(judge(built(salamander, {}, {}, { bare: true })), 'substrate.grain:s0')?.kind).toBe('bare');
    const gravel = built(salamander, { bed: layer('quartz-gravel', level(40), { grainMm: [8, 16] }) });
    expect(severityOf(mended(gravel, 'substrate.grain:s0', 'grain'), 'substrate.grain:s0')).toBe('fits');
    expect(severityOf(mended(gravel, 'substrate.grain:s0', 'bare'), 'substrate.grain:s0')).toBe('fits');
    // gravel under a cap of sand is under the sand
    const capped = built(salamander, { bed: layer('quartz-gravel', level(40)), top: layer('fine-quartz-sand', level(70), { order: 2 }) });
    expect(severityOf(judge(capped), 'substrate.grain:s0')).toBe('fits');
  });

  it('is deep enough to dig and to root in', () => {
    expect(severityOf(judge(built(SHELLS, sand(20))), 'substrate.depth:s0')).toBe('conflict');
    expect(severityOf(mended(built(SHELLS, sand(35)), 'substrate.depth:s0', 'deepen'), 'substrate.depth:s0')).toBe('fits');
    const planted = Design.parse({
      ...built([], sand(20)),
      scene: { crypt: newPlanting('cryptocoryne-cordata', 1, [200, 200, 0]) },
    });
    expect(severityOf(judge(planted), 'substrate.roots:crypt')).toBe('watch');
    expect(severityOf(mended(planted, 'substrate.roots:crypt', 'deepen'), 'substrate.roots:crypt')).toBe('fits');
    const capsules = (depthMm: number, bedMm: number) =>
      find(judge(built([], sand(bedMm), {}, { capsules: { spacingMm: 50, depthMm } })), 'substrate.capsules')?.kind;
    expect([capsules(35, 60), capsules(15, 60), capsules(35, 30)]).toEqual(['right', 'shallow', 'through']);
  });
});

describe('hardscape', () => {
  const shells = Object.fromEntries(
    Array.from({ length: 6 }, (_, i) => [
      `shell-${i}`,
      piece('snail-shell', { order: i, sizeMm: [50, 42, 36], positionMm: [90 + i * 75, 160 + (i % 2) * 90, 0], turnDeg: [0, 0, 90] }),
    ]),
  );

  it('shelters a colony until a stone closes a mouth; undone, it shelters again', () => {
    const design = built(SHELLS, sand(60), shells);
    expect(severityOf(judge(design), 'hardscape.hides:s0')).toBe('fits');
    // the mouths look down the drawing, to the front
    const stone = piece('rounded-stone', { order: 20, sizeMm: [70, 50, 60], positionMm: [240, 105, 0] });
    const put = applyEdit(design, [{ op: 'add', path: '/scene/stone', value: stone }], Design);
    if (!put.ok) return fail(JSON.stringify(put.refusals));
    const closed = judge(put.document);
    const finding = closed.findings.find(({ code }) => code === 'hardscape.mouth-closed')!;
    expect(finding.severity).toBe('watch');
    expect(finding.subjects[1]).toBe('stone');
    expect(severityOf(closed, 'hardscape.hides:s0')).toBe('watch');
    const cleared = mended(put.document, finding.key, 'clear-mouth');
    expect(find(cleared, finding.key)).toBeUndefined();
    const undone = applyEdit(put.document, put.inverse, Design);
    expect(undone.ok && judge(undone.document).findings.some(({ code }) => code === 'hardscape.mouth-closed')).toBeFalse();
  });

  it('has none of it where there are no hides, and puts in ones that fit', () => {
    const bare = built(SHELLS, sand(60));
    expect(severityOf(judge(bare), 'hardscape.hides:s0')).toBe('conflict');
    const helped = mended(bare, 'hardscape.hides:s0', 'hides');
    expect(severityOf(helped, 'hardscape.hides:s0')).toBe('fits');
    expect(helped.findings.filter(({ code }) => code === 'hardscape.overlap')).toEqual([]);
    const buried = built(SHELLS, sand(60), { one: { ...shells['shell-0']!, embedMm: 35 } });
    expect(find(mended(buried, 'hardscape.mouth-closed:one', 'free-mouth'), 'hardscape.mouth-closed:one')).toBeUndefined();
  });

  it('turns mouths that face each other', () => {
    const tube = (x: number, turn: number) => piece('cave-tube', { sizeMm: [70, 26, 26], positionMm: [x, 200, 0], turnDeg: [0, 0, turn] });
    const design = built(SHELLS, sand(60), { a: tube(240, 180), b: tube(360, 0) });
    expect(severityOf(judge(design), 'hardscape.facing:s0')).toBe('watch');
    expect(find(mended(design, 'hardscape.facing:s0', 'turn'), 'hardscape.facing:s0')).toBeUndefined();
  });

  it('warns of a hide that a grown animal sticks in', () => {
    const tight = piece('cave-tube', { sizeMm: [80, 17.5, 17.5], positionMm: [200, 200, 0] });
    const design = built([['parosphromenus-harveyi', 2]], sand(40), { tight: { ...tight, sizeMm: [40, 9.5, 9.5], embedMm: 0 } });
    expect(find(judge(design), 'hardscape.sticks:s0')?.subjects).toEqual(['s0', 'tight']);
  });

  it('floats, and is weighed down with a margin, or screwed', () => {
    const branch = piece('branch', { materialId: 'root-wood', positionMm: [300, 200, 0] });
    const design = built([], sand(40), { branch });
    const found = find(judge(design), 'hardscape.floats:branch')!;
    expect(found.severity).toBe('conflict');
    expect(found.values['ballast']!.value / found.values['exact']!.value).toBeCloseTo(1.3, 9);
    expect(severityOf(mended(design, 'hardscape.floats:branch', 'ballast'), 'hardscape.floats:branch')).toBe('fits');
    expect(severityOf(mended(design, 'hardscape.floats:branch', 'screw'), 'hardscape.floats:branch')).toBe('fits');
    // too little tied on is not held; soaked long enough it lies by itself
    const light = { ...branch, fixing: 'weighted' as const, ballastKg: 0.01 };
    expect(find(judge(built([], sand(40), { branch: light })), 'hardscape.floats:branch')?.kind).toBe('light');
    expect(find(judge(built([], sand(40), { branch: { ...branch, soakedWeeks: 20 } })), 'hardscape.floats:branch')).toBeUndefined();
  });

  it('stands or falls', () => {
    const tower = piece('slab', { sizeMm: [40, 200, 260], positionMm: [300, 200, 0], stand: 'floor' });
    const design = built([], sand(80), { tower: { ...tower, stand: 'bed', embedMm: 0 } });
    expect(severityOf(judge(design), 'hardscape.topples:tower')).toBe('watch');
    expect(find(mended(design, 'hardscape.topples:tower', 'embed'), 'hardscape.topples:tower')).toBeUndefined();
    expect(
      find(judge(built([], sand(40), { tower: { ...tower, stand: 'bed', fixing: 'glued' } })), 'hardscape.topples:tower'),
    ).toBeUndefined();
  });

  it('is told where it is through the glass, over the rim, or in another piece', () => {
    const stone = piece('rounded-stone', { positionMm: [20, 200, 0] });
    const out = built([], sand(40), { stone });
    expect(find(judge(out), 'hardscape.outside:stone')?.kind).toBe('pane');
    expect(find(mended(out, 'hardscape.outside:stone', 'move-in'), 'hardscape.outside:stone')).toBeUndefined();
    const huge = judge(built([], {}, { stone: { ...stone, sizeMm: [2000, 900, 800], positionMm: [300, 200, 0] } }));
    expect(find(huge, 'hardscape.outside:stone')?.severity).toBe('conflict');
    expect(huge.derived['vessel.water-volume'].value === null || huge.derived['vessel.water-volume'].value >= 0).toBeTrue();
    const two = built([], sand(40), {
      a: { ...stone, positionMm: [300, 200, 0] },
      b: { ...stone, sizeMm: [80, 70, 60], positionMm: [330, 200, 0] },
    });
    expect(severityOf(judge(two), 'hardscape.overlap:a:b')).not.toBeNull();
    expect(find(mended(two, 'hardscape.overlap:a:b', 'apart'), 'hardscape.overlap:a:b')).toBeUndefined();
    expect(find(mended(two, 'hardscape.overlap:a:b', 'stack'), 'hardscape.overlap:a:b')).toBeUndefined();
  });

  it('leaves a way for the scraper, the hand and the water', () => {
    const stone = piece('rounded-stone', { positionMm: [300, 60, 0] });
    const tight = built([], sand(40), { stone });
    expect(find(judge(tight), 'hardscape.scraper:panes')?.kind).toBe('front');
    expect(find(mended(tight, 'hardscape.scraper:panes', 'move-in'), 'hardscape.scraper:panes')).toBeUndefined();
    const geared = (x: number) =>
      Design.parse({
        ...built([], sand(40), { slab: piece('slab', { stand: 'held', positionMm: [x, 200, 250], sizeMm: [200, 140, 16] }) }),
        equipment: { filter: { ...newFilter, order: 1, powerW: 5, sizeMm: [80, 80, 200], placeMm: [80, 200, 45] } },
      });
    expect(severityOf(judge(geared(100)), 'hardscape.reach:above:filter')).toBe('watch');
    expect(severityOf(judge(geared(450)), 'hardscape.reach:above:filter')).toBe('fits');
    const hemmed = Design.parse({ ...geared(450), scene: { heap: piece('stone-pile', { positionMm: [170, 200, 0] }) } });
    expect(severityOf(judge(hemmed), 'hardscape.reach:intake:filter')).toBe('watch');
  });

  it('goes on the bottom, on a mat, where an animal digs or a stone is heavy', () => {
    const stone = piece('angular-stone', { sizeMm: [200, 150, 150], positionMm: [300, 200, 0], embedMm: 10 });
    const dug = built(SHELLS, sand(60), { stone });
    expect(severityOf(judge(dug), 'hardscape.undermined:stones')).toBe('watch');
    const floored = mended(dug, 'hardscape.undermined:stones', 'on-floor');
    expect(find(floored, 'hardscape.undermined:stones')).toBeUndefined();
    expect(severityOf(floored, 'hardscape.on-glass:stones')).toBe('fits');
    const bare = built([], {}, { stone }, { bare: true });
    expect(severityOf(judge(bare), 'hardscape.on-glass:stones')).toBe('watch');
    expect(severityOf(mended(bare, 'hardscape.on-glass:stones', 'mat'), 'hardscape.on-glass:stones')).toBe('fits');
  });

  it('has edges that are looked at', () => {
    const pot = (edges: HardscapeItem['edges']) =>
      judge(built([], sand(40), { pot: piece('half-pot', { positionMm: [300, 200, 0], edges }) }));
    expect(severityOf(pot(null), 'hardscape.edges:all')).toBe('unknown');
    expect(severityOf(pot('raw'), 'hardscape.edges:all')).toBe('watch');
    expect(severityOf(pot('ground'), 'hardscape.edges:all')).toBeNull();
  });

  it('keeps what it does not know, and says so', () => {
    const strange = judge(
      built(
        [],
        { odd: layer('moon-dust', level(30)) },
        { rock: { ...piece('rounded-stone', { positionMm: [300, 200, 0] }), classId: 'moon-rock' } },
      ),
    );
    expect(severityOf(strange, 'substrate.not-known:odd')).toBe('unknown');
    expect(severityOf(strange, 'hardscape.not-known:rock')).toBe('unknown');
    const unstated = judge(built([], sand(30), { rock: piece('rounded-stone', { positionMm: [300, 200, 0], materialId: null }) }));
    expect(find(unstated, 'hardscape.not-known:rock')?.kind).toBe('material');
  });

  it('is crowded for swimmers where it fills their water, and hides an animal of its own colour', () => {
    const block = piece('slab', { sizeMm: [520, 330, 250], positionMm: [300, 205, 0], stand: 'floor', materialId: 'slate' });
    expect(find(judge(built([['danio-margaritatus', 10]], sand(20), { block })), 'hardscape.open-room:s0')?.kind).toBe('middle');
    const lost = judge(built([['ambystoma-mexicanum', 1]], { soil: layer('acid-soil', level(30)) }));
    expect(severityOf(lost, 'hardscape.contrast:s0')).toBe('fits');
    expect(find(lost, 'hardscape.contrast:s0')!.values['difference']!.value).toBeGreaterThan(15);
  });
});

describe('the demo tanks', () => {
  it('are laid out as a breeder would believe: nothing floats, falls, slides or stands in another', () => {
    for (const design of [shellBed, peatPocket, weedyThicket, lavaJar]) {
      const assessment = judge(design);
      const wrong = assessment.findings.filter(
        ({ bench, severity }) => (bench === 'substrate' || bench === 'hardscape') && (severity === 'conflict' || severity === 'unknown'),
      );
      expect(wrong.map(({ key }) => key))
        .withContext(design.name)
        .toEqual([]);
      const hides = assessment.findings.filter(({ code }) => code === 'hardscape.hides').map(({ severity }) => severity);
      expect(hides.every((severity) => severity === 'fits' || severity === 'watch'))
        .withContext(design.name)
        .toBeTrue();
    }
  });

  it('are put into words without a gap', () => {
    const bad = /undefined|NaN|null|\[object/;
    for (const design of [shellBed, peatPocket, weedyThicket, lavaJar]) {
      const assessment = judge(design);
      const said = (finding: Finding) => JSON.stringify(wordFinding(finding, assessment, US));
      expect(assessment.findings.map(said).filter((text) => bad.test(text))).toEqual([]);
    }
  });
});
