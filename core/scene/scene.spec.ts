import fc from 'fast-check';
import { boundsOf, bodyCrossings, firstHitMm, partOf, placed } from './body';
import { columnsOf } from './columns';
import { floorGrid, heightAt } from './grid';
import { occupancyOf } from './occupancy';
import { turned, turnedBack, turnedBy, turnOf, type Vec3 } from './pose';
import { settlePieces, type Piece } from './settle-pieces';
import { crossings, furthest, reachMm, SHAPES, solidVolumeMm3, type Solid } from './solid';

const GRID = floorGrid(600, 400, () => 0, 600 * 400);
const FLAT = new Float32Array(GRID.columns * GRID.rows);

const solidOf = (shape: Solid['shape'], sizeMm: Vec3): Solid => ({
  shape,
  sizeMm,
  ...(shape === 'tube' || shape === 'arch' ? { wallMm: 8 } : {}),
});
const ball = (mm: number): Solid => ({ shape: 'ellipsoid', sizeMm: [mm, mm, mm] });

const near = (spans: readonly number[]) => spans.map((value) => Math.round(value * 1000) / 1000);

const piece = (id: string, solid: Solid, more: Partial<Piece> = {}): Piece => ({
  id,
  body: [partOf(solid, [0, 0, solid.sizeMm[2] / 2])],
  positionMm: [300, 200, 0],
  turnDeg: [0, 0, 0],
  stand: 'bed',
  embedMm: 0,
  filled: 1,
  ...more,
});

const angle = fc.double({ min: -180, max: 180, noNaN: true });
const vec = (max: number) =>
  fc.tuple(...[0, 1, 2].map(() => fc.double({ min: -max, max, noNaN: true }))) as unknown as fc.Arbitrary<[number, number, number]>;
const edge = fc.double({ min: 20, max: 160, noNaN: true });

describe('poses', () => {
  it('turn from x towards y about the upright, and back again', () => {
    const [x, y, z] = turned(turnOf([0, 0, 90]), [1, 0, 0]);
    expect([x, y, z].map((value) => Math.round(value))).toEqual([0, 1, 0]);
    fc.assert(
      fc.property(fc.tuple(angle, angle, angle), fc.tuple(angle, angle, angle), vec(100), (a, b, v) => {
        const back = turnedBack(turnOf(a), turned(turnOf(a), v));
        v.forEach((value, i) => expect(back[i]).toBeCloseTo(value, 8));
        const twice = turned(turnOf(a), turned(turnOf(b), v));
        turned(turnedBy(turnOf(a), turnOf(b)), v).forEach((value, i) => expect(value).toBeCloseTo(twice[i]!, 8));
      }),
      { numRuns: 60 },
    );
  });
});

describe('solids', () => {
  it('have the volumes of solid geometry', () => {
    const litres = (solid: Solid) => solidVolumeMm3(solid) / 1e6;
    expect(litres({ shape: 'box', sizeMm: [100, 100, 100] })).toBeCloseTo(1, 12);
    expect(litres(ball(100))).toBeCloseTo(Math.PI / 6, 12);
    // a bar of 60 with half-round ends of 40: cylinder of 40 and a ball of 20 radius
    expect(litres({ shape: 'capsule', sizeMm: [100, 40, 40] })).toBeCloseTo((Math.PI * 400 * 60 + (4 / 3) * Math.PI * 8000) / 1e6, 12);
    expect(litres({ shape: 'tube', sizeMm: [100, 50, 50], wallMm: 5 })).toBeCloseTo((Math.PI * (625 - 400) * 100) / 1e6, 12);
    expect(litres({ shape: 'tube', sizeMm: [100, 50, 50] })).toBeCloseTo((Math.PI * 625 * 100) / 1e6, 12);
    expect(litres({ shape: 'arch', sizeMm: [100, 50, 25], wallMm: 5 })).toBeCloseTo((Math.PI * (625 - 400) * 50) / 1e6, 12);
    expect(litres({ shape: 'prism', sizeMm: [100, 60, 40] })).toBeCloseTo(0.12, 12);
  });

  it('are met by a line where they are', () => {
    expect(crossings(ball(100), [-200, 0, 0], [1, 0, 0])).toEqual([150, 250]);
    expect(crossings(ball(100), [-200, 51, 0], [1, 0, 0])).toEqual([]);
    expect(near(crossings({ shape: 'tube', sizeMm: [100, 50, 50], wallMm: 5 }, [0, -100, 0], [0, 1, 0]))).toEqual([75, 80, 120, 125]);
    // along the bore nothing is in the way
    expect(crossings({ shape: 'tube', sizeMm: [100, 50, 50], wallMm: 5 }, [-200, 0, 0], [1, 0, 0])).toEqual([]);
    // an arch has its wall above and nothing below its cut edges
    expect(near(crossings({ shape: 'arch', sizeMm: [100, 50, 25], wallMm: 5 }, [0, 0, -100], [0, 0, 1]))).toEqual([107.5, 112.5]);
    expect(crossings({ shape: 'prism', sizeMm: [100, 60, 40] }, [0, 0, 100], [0, 0, -1])).toEqual([80, 120]);
    expect(crossings({ shape: 'prism', sizeMm: [100, 60, 40] }, [0, 15, 100], [0, 0, -1]).map(Math.round)).toEqual([100, 120]);
  });

  it('reach no further than their furthest point, and no line is inside them beyond it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SHAPES), fc.tuple(edge, edge, edge), vec(1), vec(60), (shape, sizeMm, n, origin) => {
        const length = Math.hypot(...n);
        fc.pre(length > 0.1);
        const unit = n.map((value) => value / length) as unknown as Vec3;
        const solid = solidOf(shape, sizeMm);
        const reach = reachMm(solid, unit);
        const [x, y, z] = furthest(solid, unit);
        expect(x * unit[0] + y * unit[1] + z * unit[2]).toBeCloseTo(reach, 6);
        for (const at of crossings(solid, origin, unit)) {
          const along = origin[0] * unit[0] + origin[1] * unit[1] + origin[2] * unit[2] + at;
          expect(along).toBeLessThanOrEqual(reach + 1e-6);
        }
      }),
      { numRuns: 300 },
    );
  });

  it('keep their volume in columns, in any pose, within a hundredth', () => {
    fc.assert(
      fc.property(fc.constantFrom(...SHAPES), fc.tuple(edge, edge, edge), fc.tuple(angle, angle, angle), (shape, size, turn) => {
        // a wall thinner than the squares is scaled, not counted
        const solid: Solid = shape === 'tube' || shape === 'arch' ? { shape, sizeMm: size } : solidOf(shape, size);
        const body = placed([partOf(solid)], turnOf(turn), [300, 200, 150]);
        const columns = columnsOf(body, GRID);
        const area = GRID.cellXMm * GRID.cellYMm;
        let counted = 0;
        columns.cell.forEach((_, i) => (counted += columns.highMm[i]! - columns.lowMm[i]!));
        const scaled = counted * columns.scale * area;
        expect(Math.abs(scaled / solidVolumeMm3(solid) - 1)).toBeLessThan(0.01);
        const { low, high } = boundsOf(body);
        expect(columns.centre[2]).toBeGreaterThan(low[2]);
        expect(columns.centre[2]).toBeLessThan(high[2]);
        expect(columns.outside).toBe(0);
      }),
      { numRuns: 60 },
    );
  });

  it('count what two parts share once', () => {
    const twice = [partOf(ball(100)), partOf(ball(100))];
    expect(bodyCrossings(twice, [0, 0, -200], [0, 0, 1])).toEqual([150, 250]);
    const apart = [partOf(ball(100)), partOf(ball(100), [0, 0, 150])];
    expect(near(bodyCrossings(apart, [0, 0, -200], [0, 0, 1]))).toEqual([150, 250, 300, 400]);
    expect(firstHitMm(apart, [0, 0, -200], [0, 0, 1])).toBe(150);
    expect(firstHitMm(apart, [80, 0, -200], [0, 0, 1])).toBeNull();
    const columns = columnsOf(placed(twice, turnOf([0, 0, 0]), [300, 200, 60]), GRID);
    expect(Math.abs(columns.volumeMm3 / solidVolumeMm3(ball(100)) - 1)).toBeLessThan(0.02);
  });
});

describe('the floor', () => {
  it('is straight between its squares and steady at its edges', () => {
    const slope = Float32Array.from(FLAT, (_, cell) => (((cell % GRID.columns) + 0.5) * GRID.cellXMm) / 10);
    expect(heightAt(GRID, slope, 300, 111)).toBeCloseTo(30, 4);
    expect(heightAt(GRID, slope, 123.4, 222)).toBeCloseTo(12.34, 4);
    expect(heightAt(GRID, slope, -50, 200)).toBeCloseTo(GRID.cellXMm / 20, 4);
  });
});

describe('pieces let down', () => {
  const settled = (...pieces: Piece[]) => settlePieces(pieces, GRID, FLAT);

  it('stand on the bed, pressed into it, on the bottom, on each other, or where they are held', () => {
    const bed = Float32Array.from(FLAT, () => 50);
    const stone = ball(100);
    const [onBed] = settlePieces([piece('a', stone, { embedMm: 20 })], GRID, bed);
    expect(onBed!.bounds.low[2]).toBeCloseTo(30, 4);
    expect(onBed!.bounds.high[2]).toBeCloseTo(130, 4);
    expect(onBed!.support.buried).toBeCloseTo(0.2, 6);
    const [onFloor] = settlePieces([piece('a', stone, { stand: 'floor' })], GRID, bed);
    expect(onFloor!.bounds.low[2]).toBeCloseTo(0, 4);
    const [held] = settlePieces([piece('a', stone, { stand: 'held', positionMm: [300, 200, 140] })], GRID, bed);
    expect([held!.bounds.low[2], held!.support.tipDegrees]).toEqual([140, 90]);
    const box: Solid = { shape: 'box', sizeMm: [200, 160, 40] };
    const [, upper] = settled(piece('lower', box), piece('upper', { ...box, sizeMm: [80, 80, 30] }, { stand: 'pieces' }));
    expect(upper!.bounds.low[2]).toBeCloseTo(40, 3);
    expect(upper!.on).toEqual(['lower']);
  });

  it('goes no deeper than the bottom glass', () => {
    const [sunk] = settled(piece('a', ball(80), { embedMm: 500 }));
    expect(sunk!.bounds.low[2]).toBeCloseTo(0, 1);
  });

  it('goes over at atan of half its foot by the height of its middle', () => {
    const tower: Solid = { shape: 'box', sizeMm: [60, 60, 240] };
    const [standing] = settled(piece('tower', tower));
    const exact = (Math.atan(30 / 120) * 180) / Math.PI;
    expect(Math.abs(standing!.support.tipDegrees - exact)).toBeLessThan(1.6);
    const [flat] = settled(piece('tower', tower, { turnDeg: [0, 90, 0] }));
    expect(flat!.support.tipDegrees).toBeGreaterThan(40);
    // half of it hangs over the edge of what carries it
    const [, over] = settled(
      piece('base', { shape: 'box', sizeMm: [100, 100, 60] }),
      piece('slab', { shape: 'box', sizeMm: [200, 60, 20] }, { stand: 'pieces', positionMm: [365, 200, 0] }),
    );
    expect(over!.support.tipDegrees).toBeLessThan(0);
  });
});

describe('what pieces take up', () => {
  const grid = GRID;
  const taken = (pieces: Piece[], bedMm: number, surfaceMm: number) => {
    const bed = Float32Array.from(FLAT, () => bedMm);
    return occupancyOf(settlePieces(pieces, grid, bed), grid, bed, [bed], surfaceMm);
  };

  it('is the closed form of what is under water, within a hundredth', () => {
    expect(taken([piece('ball', ball(100))], 0, 300).inWaterL / (Math.PI / 6)).toBeCloseTo(1, 2);
    // a ball sunk by half into the bed: half in each
    const half = taken([piece('ball', ball(100), { embedMm: 50 })], 60, 300);
    expect(half.inWaterL / (Math.PI / 12)).toBeCloseTo(1, 1);
    expect(Math.abs(half.inWaterL + half.inBedL - Math.PI / 6)).toBeLessThan(0.006);
    expect(half.inLayersL[0]).toBeCloseTo(half.inBedL, 6);
    // a column of 200 standing in 150 of water: three quarters of it
    expect(taken([piece('post', { shape: 'box', sizeMm: [50, 50, 200] })], 0, 150).inWaterL / 0.375).toBeCloseTo(1, 2);
  });

  it('counts a hollow and a heap by what is body', () => {
    const heap = taken([piece('heap', ball(100), { filled: 0.6 })], 0, 300);
    expect(heap.inWaterL / ((0.6 * Math.PI) / 6)).toBeCloseTo(1, 2);
  });

  it('finds two in one place, and counts that place once', () => {
    const a = piece('a', { shape: 'box', sizeMm: [100, 100, 100] });
    const b = piece('b', { shape: 'box', sizeMm: [100, 100, 100] }, { positionMm: [350, 200, 0] });
    const both = taken([a, b], 0, 300);
    expect(both.overlaps.map(({ a: one, b: other }) => [one, other])).toEqual([['a', 'b']]);
    expect(both.overlaps[0]!.litres).toBeCloseTo(0.5, 1);
    expect(both.inWaterL).toBeCloseTo(1.5, 1);
    expect(taken([a, { ...b, positionMm: [402, 200, 0] }], 0, 300).overlaps).toEqual([]);
  });

  it('takes a thousand pieces, and one larger than the tank', () => {
    const many = Array.from({ length: 1000 }, (_, i) =>
      piece(`p${i}`, ball(30), { positionMm: [20 + ((i * 37) % 560), 20 + ((i * 53) % 360), 0] }),
    );
    const all = taken(many, 20, 300);
    expect(all.inWaterL).toBeGreaterThan(2);
    expect(all.overlaps.length).toBeGreaterThan(100);
    const bed = Float32Array.from(FLAT, () => 20);
    const [huge] = settlePieces([piece('huge', { shape: 'box', sizeMm: [3000, 2000, 900] })], grid, bed);
    expect(huge!.columns.outside).toBeGreaterThan(0.9);
  });
});
