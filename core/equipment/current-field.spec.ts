import fc from 'fast-check';
import { floorGrid } from '../scene/grid';
import { quantileOf, shareUnder } from '../quantity/sorted';
import { currentField, speedAt, speedsIn, type Basin, type Outlet } from './current-field';
import { centreMPerS, outletMPerS } from './jet';

const basin = (more: Partial<Basin> = {}): Basin => {
  const grid = floorGrid(1000, 400, () => 0, 400_000);
  return {
    lengthMm: 1000,
    widthMm: 400,
    waterMm: 400,
    grid,
    groundMm: new Float32Array(grid.columns * grid.rows),
    pieces: [],
    leaves: [],
    ...more,
  };
};
const outlet = (more: Partial<Outlet> = {}): Outlet => ({
  id: 'a',
  atMm: [20, 200, 200],
  turnDeg: 0,
  riseDeg: 0,
  lPerH: 1000,
  boreMm: 16,
  ...more,
});

describe('the current of a tank', () => {
  it('follows the published law along the middle of a jet: Fischer et al. 1979, u = 6.2 u₀ D/x', () => {
    const field = currentField(basin(), [outlet()], 60_000);
    const start = outletMPerS(1000, 16);
    for (const x of [300, 500, 700]) {
      const law = 1000 * centreMPerS(16, start, (x - 20) / 1000);
      const found = speedAt(field, [x, 200, 200]);
      expect(found / law)
        .withContext(`at ${x} mm`)
        .toBeGreaterThan(0.85);
      expect(found / law).toBeLessThan(1.1);
    }
  });

  it('is twice as fast for twice the flow, and stirs what is far from the jet less than what is in it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 3000 }), fc.integer({ min: 8, max: 40 }), (lPerH, boreMm) => {
        const [one, two] = [lPerH, 2 * lPerH].map((flow) => currentField(basin(), [outlet({ lPerH: flow, boreMm })], 800));
        const at = [500, 200, 200] as const;
        expect(speedAt(two!, at) / speedAt(one!, at)).toBeCloseTo(2, 1);
        expect(speedAt(one!, [500, 390, 20])).toBeLessThanOrEqual(speedAt(one!, at));
      }),
      { numRuns: 30 },
    );
  });

  it('ends at a stone and is slowed by leaves: nothing behind them is faster than without', () => {
    const open = currentField(basin(), [outlet()], 6000);
    const leafy = currentField(basin({ leaves: [{ atMm: [400, 200, 0], radiusMm: 90, heightMm: 390 }] }), [outlet()], 6000);
    const behind = [800, 200, 200] as const;
    expect(speedAt(leafy, behind)).toBeLessThan(0.8 * speedAt(open, behind));
    const grid = floorGrid(1000, 400, () => 0, 400_000);
    const groundMm = new Float32Array(grid.columns * grid.rows);
    for (let i = 0; i < groundMm.length; i++) {
      const x = ((i % grid.columns) + 0.5) * grid.cellXMm;
      if (x > 380 && x < 460) groundMm[i] = 320;
    }
    const walled = currentField(basin({ grid, groundMm }), [outlet()], 6000);
    expect(speedAt(walled, behind)).toBeLessThan(0.3 * speedAt(open, behind));
    expect(speedAt(walled, [420, 200, 100])).toBe(0);
  });

  it('spreads over the pane that it meets, and meets the bed only where it is aimed at it', () => {
    const field = currentField(basin(), [outlet()], 30_000);
    expect(speedAt(field, [985, 320, 200])).toBeGreaterThan(2 * speedAt(field, [700, 390, 30]));
    expect(field.bedMmPerS).toBe(0);
    expect(currentField(basin(), [outlet({ riseDeg: -40 })]).bedMmPerS).toBeGreaterThan(100);
  });

  it('can be gentle for still-water fish and strong for sea fans in one room: a spray pipe and a powerhead', () => {
    const gentle = currentField(basin(), [outlet({ lPerH: 400, boreMm: 30, turnDeg: 90 })], 2000);
    const strong = currentField(basin(), [outlet({ lPerH: 5000, boreMm: 40 })], 2000);
    expect(shareUnder(speedsIn(gentle, 'middle'), 30)).toBeGreaterThan(0.9);
    expect(quantileOf(speedsIn(strong, 'middle'), 0.95)).toBeGreaterThan(150);
  });

  it('is nothing where nothing blows', () => {
    const field = currentField(basin(), [outlet({ lPerH: 0 })], 500);
    expect(Math.max(...field.mmPerS)).toBe(0);
    expect(shareUnder(speedsIn(field, 'top'), 5)).toBe(1);
    expect(quantileOf(new Float32Array(0), 0.5)).toBe(0);
  });
});
