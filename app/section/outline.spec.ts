import { catalogue, judge, lavaJar, layer, peatPocket, piece, shellBed, tank } from '../../core/testing/tanks';
import { partOf } from '../../core/scene/body';
import { bank, level } from '../../core/substrate/surface';
import { drawPieces } from './drawn-pieces';
import { groundPicture, groundSection, hatchOf, heightLines } from './ground-drawing';
import { aboveGround, detailOf, drawnOutline, extentOf, partOutline, type Point } from './outline';
import { shelterOf, shelterPicture } from './shelter-shade';

const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('outlines', () => {
  it('are as long, as deep and as high as the body, from either side', () => {
    const part = partOf({ shape: 'ellipsoid', sizeMm: [140, 100, 80] }, [300, 200, 40], [0, 0, 90]);
    const front = extentOf(partOutline(part, 'section', 360));
    expect([front.right - front.left, front.bottom - front.top].map(Math.round)).toEqual([100, 80]);
    expect(front.left).toBeCloseTo(250, 0);
    expect(front.bottom).toBeCloseTo(0, 0);
    const above = extentOf(partOutline(part, 'plan', 360));
    expect([above.right - above.left, above.bottom - above.top].map(Math.round)).toEqual([100, 140]);
  });

  it('are cut where the ground hides them', () => {
    const square: Point[] = [
      [0, 0],
      [100, 0],
      [100, -100],
      [0, -100],
    ];
    expect(extentOf(aboveGround(square, -40, -40))).toEqual({ left: 0, right: 100, top: -100, bottom: -40 });
    expect(aboveGround(square, -200, -200)).toEqual([]);
    expect(aboveGround(square, 50, 50).length).toBe(4);
  });

  it('are drawn by form, the same each time, and never larger than the stone', () => {
    const square: Point[] = [
      [0, 0],
      [100, 0],
      [100, -100],
      [0, -100],
    ];
    for (const form of ['angular', 'slab', 'plain'] as const) {
      const path = drawnOutline(square, form, 'x');
      expect(drawnOutline(square, form, 'x')).toBe(path);
      expect(Math.min(...numbers(path))).toBeGreaterThanOrEqual(-100.1);
      expect(Math.max(...numbers(path))).toBeLessThanOrEqual(100.1);
    }
    expect(drawnOutline([[0, 0]], 'rounded', 'x')).toBe('');
    for (const form of ['shell', 'wood', 'leaves', 'pile', 'angular'] as const)
      expect(detailOf(form, { left: 0, right: 50, top: -30, bottom: 0 }, 'x'))
        .withContext(form)
        .toMatch(/^M/);
    expect(detailOf('pipe', { left: 0, right: 50, top: -30, bottom: 0 }, 'x')).toBe('');
  });
});

describe('pieces on the drawing', () => {
  it('stand in the tank where the scene has them, the furthest first', () => {
    const assessment = judge(shellBed);
    const drawn = drawPieces(assessment, 'section');
    expect(drawn.length).toBe(17);
    expect(drawn.map(({ depth }) => depth)).toEqual([...drawn.map(({ depth }) => depth)].sort((a, b) => a - b));
    for (const { id, extent } of drawn) {
      const { bounds } = assessment.derived['scene.pieces'].value!.find((one) => one.id === id)!.settled;
      expect(extent.left)
        .withContext(id)
        .toBeGreaterThanOrEqual(bounds.low[0] - 1);
      expect(extent.right)
        .withContext(id)
        .toBeLessThanOrEqual(bounds.high[0] + 1);
      expect(-extent.top)
        .withContext(id)
        .toBeLessThanOrEqual(bounds.high[2] + 1);
    }
    expect(drawPieces(assessment, 'section')[3]).toBe(drawn[3]!);
  });

  it('tell a mouth that is open from one that is closed and one turned away', () => {
    const cave = (turn: number) => piece('cave-tube', { positionMm: [300, 200, 0], turnDeg: [0, 0, turn] });
    const mouth = (turn: number, more = {}) =>
      drawPieces(judge({ ...tank([]), scene: { cave: cave(turn), ...more } }), 'section').find(({ id }) => id === 'cave')!.mouths[0]!.state;
    expect(mouth(90)).toBe('free');
    expect(mouth(-90)).toBe('behind');
    expect(mouth(90, { stone: piece('rounded-stone', { positionMm: [300, 90, 0], stand: 'floor' }) })).toBe('closed');
  });
});

describe('the bed on the drawing', () => {
  const bedded = (layers: Parameters<typeof judge>[0]['substrate']['layers']) => {
    const design = tank([]);
    const { derived } = judge({ ...design, substrate: { ...design.substrate, layers } });
    return { ground: derived['scene.ground'].value!, bed: derived['substrate.bed'].value! };
  };

  it('is cut at the front pane, layer by layer, with what rises behind', () => {
    const { ground, bed } = bedded({ a: layer('lava-gravel', level(30)), b: layer('acid-soil', bank(50, 90), { order: 2 }) });
    const cut = groundSection(ground, bed)!;
    expect(cut.layers.map(({ id }) => id)).toEqual(['a', 'b']);
    const heights = numbers(cut.layers[1]!.path).filter((_, i) => i % 2 === 1);
    expect([Math.round(Math.max(...heights)), Math.round(Math.min(...heights))]).toEqual([-30, -50]);
    const behind = numbers(cut.behind).filter((_, i) => i % 2 === 1);
    expect(Math.round(Math.min(...behind))).toBe(-90);
    expect(groundSection(ground, { ...bed })!.behindColour).toBe(bed.layers[1]!.material!.colour);
    const flat = bedded({ a: layer('lava-gravel', level(30)) });
    expect(groundSection(flat.ground, flat.bed)!.behind).toBe('');
    const none = bedded({});
    expect([groundSection(none.ground, none.bed), groundPicture(none.ground, none.bed), heightLines(none.ground)]).toEqual([
      null,
      null,
      [],
    ]);
  });

  it('from above is its colour with lines of equal height', () => {
    const { ground, bed } = bedded({ a: layer('fine-quartz-sand', bank(20, 80)) });
    expect(groundPicture(ground, bed)).toMatch(/^data:image\/png/);
    const lines = heightLines(ground);
    expect(lines.map(({ mm }) => mm)).toEqual([30, 40, 50, 60, 70]);
    // 50 mm lies half way between front and back: 200 mm behind the front pane, and the highest side is behind it
    const ys = numbers(lines[2]!.path).filter((_, i) => i % 2 === 1);
    expect(Math.abs(Math.max(...ys) + 200)).toBeLessThan(8);
  });

  it('is hatched by its grain', () => {
    const hatch = (id: string) => hatchOf(catalogue.materials.get(id), catalogue.materials.get(id)!.grainMm.value);
    expect(['lime-silt', 'fine-quartz-sand', 'quartz-gravel', 'river-stones', 'acid-soil', 'peat', 'old-soil-bag'].map(hatch)).toEqual([
      'silt',
      'sand',
      'gravel',
      'stones',
      'granules',
      'fibres',
      'filler',
    ]);
  });
});

describe('shelter', () => {
  it('is looked at for the target that hides, near and far', () => {
    const found = shelterOf(judge(shellBed))!;
    expect(found.member.organismId).toBe('neolamprologus-multifasciatus');
    expect(found.hides.length).toBe(14);
    expect(found.nearShare).toBeGreaterThan(0.2);
    expect(found.nearShare).toBeLessThan(0.9);
    expect(shelterPicture(found, shellBed.vessel!, 'section')).toMatch(/^data:image\/png/);
    expect(shelterPicture(found, shellBed.vessel!, 'plan')).not.toBe(shelterPicture(found, shellBed.vessel!, 'section'));
    expect(shelterOf(judge(tank([['planorbella-duryi', 3]])))).toBeNull();
    expect(shelterOf(judge(peatPocket))!.hides.length).toBeGreaterThan(2);
    expect(shelterOf(judge(lavaJar))!.hides.length).toBe(1);
  });
});
