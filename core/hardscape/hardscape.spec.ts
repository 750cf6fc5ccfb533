import { diff } from 'color-diff';
import { floorGrid, heightAt } from '../scene/grid';
import { settlePieces } from '../scene/settle-pieces';
import { catalogue, piece } from '../testing/tanks';
import { bodyOf, mouthsOf, pieceOf, placedMouths } from './body';
import { buoyancy } from './buoyancy';
import { compositionNotes, type CompositionPiece } from './composition';
import { contrastOf } from '../light/contrast';
import { hideFit } from './hide-fit';
import { bodyL, massOf } from './mass';
import type { HardscapeItem } from './model';
import { openRoom, paneGaps } from './room';
import { facingMouths, refugesOf, serves, wantedHides, type Standing } from './shelter';
import { fullOfWater, sinksAfterWeeks, soakedKgPerL } from './waterlogging';

const L = 600;
const W = 400;
const GRID = floorGrid(L, W, () => 0, L * W);
const BED = new Float32Array(GRID.columns * GRID.rows).fill(50);
const groundAt = (x: number, y: number) => heightAt(GRID, BED, x, y);

const stand = (items: Record<string, HardscapeItem>): Standing[] => {
  const known = Object.entries(items).map(([id, item]) => ({ id, item, of: catalogue.pieces.get(item.classId)! }));
  const settled = settlePieces(
    known.map(({ id, item, of }) => pieceOf(id, item, of)),
    GRID,
    BED,
  );
  return known.map((one, i) => ({ ...one, settled: settled[i]! }));
};
const refuges = (items: Record<string, HardscapeItem>) => refugesOf(stand(items), [], groundAt, () => Infinity);
const SHELL_FISH = { lengthMm: 50, depthMm: 13, widthMm: 8 };

describe('buoyancy', () => {
  // by hand, water of 25 °C: 2 L at 650 on granite of 2700 wants 1.100 kg; 1 L at 900 on slate of 2750 wants 0.152 kg
  it('is Archimedes', () => {
    expect(buoyancy(2, 0.65, 2.7).ballastKg).toBeCloseTo(1.1, 3);
    expect(buoyancy(1, 0.9, 2.75).ballastKg).toBeCloseTo(0.152, 3);
    expect(buoyancy(2, 0.65, 2.7).netUpliftN).toBeCloseTo(0.6941 * 9.80665, 3);
    expect(buoyancy(1, 1.1, 2.7)).toEqual({ netUpliftN: 0, ballastKg: 0 });
    // what is tied on under water just holds it
    const { ballastKg } = buoyancy(3, 0.4, 2.5);
    expect(3 * 0.4 + ballastKg - 0.99705 * (3 + ballastKg / 2.5)).toBeCloseTo(0, 9);
  });

  it('goes as wood fills with water', () => {
    expect(fullOfWater(0.75)).toBeCloseTo(1.25, 9);
    expect(soakedKgPerL(0.75, 0)).toBeCloseTo(0.75, 12);
    expect(soakedKgPerL(0.75, 3, 3)).toBeCloseTo(1, 9);
    expect(sinksAfterWeeks(0.75, 3)!).toBeCloseTo(3, 0);
    expect(sinksAfterWeeks(1.1)).toBe(0);
    // practice: days to weeks, longer the lighter it is
    expect(sinksAfterWeeks(0.9)!).toBeLessThan(2);
    expect(sinksAfterWeeks(0.4)!).toBeGreaterThan(sinksAfterWeeks(0.75)!);
    expect(sinksAfterWeeks(0.4)!).toBeLessThan(8);
  });
});

describe('pieces', () => {
  it('of every class have a body of their own size that stands on its base', () => {
    for (const of of catalogue.pieces.values()) {
      const [one] = stand({ a: { ...piece(of.id), positionMm: [300, 200, 60], stand: 'bed', embedMm: 0, turnDeg: [0, 0, 0] } });
      const { low, high } = one!.settled.bounds;
      of.sizeMm.forEach((mm, axis) => {
        expect((high[axis]! - low[axis]!) / mm)
          .withContext(`${of.id} ${axis}`)
          .toBeGreaterThan(0.6);
        expect((high[axis]! - low[axis]!) / mm)
          .withContext(`${of.id} ${axis}`)
          .toBeLessThan(1.6);
      });
      expect(massOf(one!, catalogue)!.kg).withContext(of.id).toBeGreaterThan(0);
      expect(bodyL(one!)).withContext(of.id).toBeGreaterThan(0);
    }
  });

  it('weigh what their body and their material come to', () => {
    const [stone] = stand({ a: piece('rounded-stone', { sizeMm: [200, 150, 100], materialId: 'granite' }) });
    expect(massOf(stone!, catalogue)!.kg).toBeCloseTo((Math.PI / 6) * 3 * 2.68, 6);
    expect(massOf({ ...stone!, item: { ...stone!.item, materialId: null } }, catalogue)).toBeNull();
    expect(massOf({ ...stone!, item: { ...stone!.item, materialId: 'moon-rock' } }, catalogue)).toBeNull();
  });

  it('in a mirror look the other way', () => {
    const of = catalogue.pieces.get('cave-tube')!;
    const [mouth] = mouthsOf(of, of.sizeMm);
    const [mirrored] = mouthsOf(of, of.sizeMm, true);
    expect(mirrored!.facing[0]).toBeCloseTo(-mouth!.facing[0], 12);
    expect(bodyOf(of, of.sizeMm, true)[1]!.at[0]).toBeCloseTo(-bodyOf(of, of.sizeMm)[1]!.at[0], 12);
  });

  it('have their mouth where they are turned to', () => {
    const of = catalogue.pieces.get('cave-tube')!;
    const [mouth] = placedMouths(of, piece('cave-tube', { positionMm: [300, 200, 0], turnDeg: [0, 0, 90] }), 50);
    expect(mouth!.facing[1]).toBeCloseTo(-1, 9);
    expect(mouth!.at[1]).toBeCloseTo(200 - of.sizeMm[0] / 2, 6);
    expect(mouth!.at[2]).toBeCloseTo(50 + of.sizeMm[2] / 2, 6);
  });
});

describe('hides', () => {
  it('fit by opening and length', () => {
    const fit = (longMm: number, shortMm: number, insideMm: number) => hideFit({ longMm, shortMm, insideMm }, SHELL_FISH);
    expect(fit(18, 15, 60)).toBe('fits');
    expect(fit(12, 12, 60)).toBe('too-tight');
    expect(fit(14, 14, 60)).toBe('sticks');
    expect(fit(18, 15, 30)).toBe('too-short');
    expect(fit(60, 60, 100)).toBe('too-open');
    // larger side to larger side: a slit as high as the fish serves it
    expect(fit(18, 10, 60)).toBe('fits');
    expect(fit(18, 7, 60)).toBe('too-tight');
  });

  const shell = piece('snail-shell', { positionMm: [300, 200, 0], sizeMm: [50, 42, 36], turnDeg: [0, 0, 0] });

  it('are closed by a stone before them and open again without it', () => {
    const [free] = refuges({ shell });
    expect(serves(free!, ['shell'], SHELL_FISH)).toBe('fits');
    const stone = piece('rounded-stone', { sizeMm: [70, 70, 70], positionMm: [238, 200, 0] });
    const [closed] = refuges({ shell, stone });
    expect(closed!.mouths[0]!.blockedBy).toBe('stone');
    expect(serves(closed!, ['shell'], SHELL_FISH)).toBe('blocked');
    // behind it, it closes nothing
    expect(serves(refuges({ shell, stone: { ...stone, positionMm: [370, 200, 0] } })[0]!, ['shell'], SHELL_FISH)).toBe('fits');
  });

  it('are closed by the ground, and by the glass', () => {
    const [buried] = refuges({ shell: { ...shell, embedMm: 34 } });
    expect(buried!.mouths[0]!.buried).toBeGreaterThan(0.8);
    expect(serves(buried!, ['shell'], SHELL_FISH)).toBe('buried');
    const [atGlass] = refugesOf(stand({ shell }), [], groundAt, () => 6);
    expect(atGlass!.mouths[0]!.blockedBy).toBe('pane');
  });

  it('serve only those that hide in their kind, and who gets in', () => {
    const [tangle] = refuges({ root: piece('root-tangle', { positionMm: [300, 200, 0] }) });
    expect(serves(tangle!, ['tangle'], { lengthMm: 25, depthMm: 6, widthMm: 4 })).toBe('fits');
    expect(serves(tangle!, ['tangle'], { lengthMm: 200, depthMm: 80, widthMm: 60 })).toBe('too-tight');
    expect(serves(tangle!, ['shell'], SHELL_FISH)).toBe('wrong-kind');
    expect(tangle!.places).toBeGreaterThan(5);
    const plants = refugesOf([], [{ id: 'moss', at: [100, 100, 50], places: 3 }], groundAt, () => Infinity);
    expect(serves(plants[0]!, ['plants'], SHELL_FISH)).toBe('fits');
  });

  it('are wanted by head, by pair, by tank', () => {
    expect(wantedHides({ count: 1.5, per: 'head' }, 9)).toBe(14);
    expect(wantedHides({ count: 1, per: 'pair' }, 5)).toBe(3);
    expect(wantedHides({ count: 1, per: 'tank' }, 40)).toBe(1);
    expect(wantedHides({ count: 0, per: 'head' }, 9)).toBe(0);
  });

  it('face each other or past each other', () => {
    const tube = (x: number, turn: number) => piece('cave-tube', { positionMm: [x, 200, 0], turnDeg: [0, 0, turn] });
    // the mouth of a tube is at its left end
    const eyeToEye = facingMouths(refuges({ a: tube(200, 180), b: tube(420, 0) }), 120);
    expect(eyeToEye.map(({ a, b }) => [a, b])).toEqual([['a', 'b']]);
    expect(eyeToEye[0]!.distanceMm).toBeCloseTo(80, 6);
    expect(facingMouths(refuges({ a: tube(200, 180), b: tube(420, 180) }), 120)).toEqual([]);
    expect(facingMouths(refuges({ a: tube(200, 180), b: tube(420, 0) }), 60)).toEqual([]);
  });
});

describe('room', () => {
  it('is what no piece fills, by stratum of the water over the bed', () => {
    const empty = openRoom(GRID, BED, [], 300);
    expect(empty).toEqual({ bottom: 1, middle: 1, top: 1 });
    // a block half as long and as wide as the tank, through the bottom quarter of the water
    const [block] = stand({ a: piece('slab', { sizeMm: [300, 400, 62.5], positionMm: [300, 200, 0], stand: 'bed' }) });
    const room = openRoom(GRID, BED, [block!.settled], 300);
    expect(room.bottom).toBeCloseTo(0.5, 1);
    expect(room.top).toBe(1);
  });

  it('for a scraper is measured to each pane, above the bed', () => {
    const [stone] = stand({ a: piece('slab', { sizeMm: [100, 100, 100], positionMm: [70, 200, 0], stand: 'bed' }) });
    const gaps = paneGaps(stone!.settled, L, W, () => 0)!;
    expect([gaps.left, gaps.right, gaps.front, gaps.back].map(Math.round)).toEqual([20, 480, 150, 150]);
    const [sunk] = stand({ a: piece('slab', { sizeMm: [100, 100, 40], positionMm: [70, 200, 0], stand: 'bed', embedMm: 38 }) });
    expect(paneGaps(sunk!.settled, L, W, () => 0)).toBeNull();
  });
});

describe('contrast', () => {
  // Sharma, Wu & Dalal 2005, table 1, pairs 1, 7, 17 and 25
  it('is CIEDE2000 as published', () => {
    const lab = (L: number, a: number, b: number) => ({ L, a, b });
    expect(diff(lab(50, 2.6772, -79.7751), lab(50, 0, -82.7485))).toBeCloseTo(2.0425, 4);
    expect(diff(lab(50, 0, 0), lab(50, -1, 2))).toBeCloseTo(2.3669, 4);
    expect(diff(lab(50, 2.5, 0), lab(73, 25, -18))).toBeCloseTo(27.1492, 4);
    expect(diff(lab(60.2574, -34.0099, 36.2677), lab(60.4626, -34.1751, 39.4387))).toBeCloseTo(1.2644, 4);
  });

  it('is nothing between like colours, a hundred between black and white', () => {
    expect(contrastOf('#a04020', '#a04020')).toBeCloseTo(0, 9);
    expect(contrastOf('#000000', '#ffffff')).toBeCloseTo(100, 3);
    expect(contrastOf('#b4372c', '#3f3024')).toBeGreaterThan(25);
    expect(contrastOf('#4a4238', '#4b4136')).toBeLessThan(3);
    expect(contrastOf('#2e78a8', '#c4362c')).toBeCloseTo(contrastOf('#c4362c', '#2e78a8'), 6);
  });
});

describe('composition', () => {
  const stones = (...all: Partial<CompositionPiece>[]): CompositionPiece[] =>
    all.map((one) => ({ volumeL: 1, across: 0.5, strikeDeg: null, materialId: 'slate', ...one }));

  it('has nothing to say of one stone', () => expect(compositionNotes(stones({}))).toEqual({ good: [], odd: [] }));

  it('likes one that leads at a third, and sizes mixed', () => {
    const { good, odd } = compositionNotes(
      stones({ volumeL: 4, across: 0.35 }, { volumeL: 1.2, across: 0.6 }, { volumeL: 0.6, across: 0.8 }),
    );
    expect(good).toEqual(['odd-count', 'dominant', 'thirds', 'few-materials']);
    expect(odd).toEqual([]);
  });

  it('remarks on symmetry, likeness, many materials and strikes that differ', () => {
    const mirror = stones({ across: 0.2 }, { across: 0.8 }, { across: 0.4 }, { across: 0.6 });
    expect(compositionNotes(mirror).odd).toEqual(['even-count', 'no-dominant', 'one-size', 'symmetric']);
    const mixed = stones(
      { volumeL: 3, across: 0.5, strikeDeg: 0 },
      { strikeDeg: 80, materialId: 'granite', across: 0.1 },
      { strikeDeg: 30, materialId: 'limestone', across: 0.7 },
    );
    expect(compositionNotes(mixed).odd).toEqual(['dominant-centred', 'many-materials', 'strikes-differ']);
    // layers strike the same way seen from either end
    expect(compositionNotes(stones({ strikeDeg: 10 }, { strikeDeg: -172 }, { strikeDeg: 0 })).good).toContain('strikes-agree');
  });
});
