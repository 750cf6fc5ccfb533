import { bendingFactor, type Edges } from './glass-thickness';

/** Poisson's ratio of float glass (EN 572, from memory). */
const NU = 0.22;

/** Four equations in four unknowns. */
function solve4(rows: number[][], right: number[]): number[] {
  const m = rows.map((row, i) => [...row, right[i]!]);
  for (let c = 0; c < 4; c += 1) {
    let pivot = c;
    for (let r = c + 1; r < 4; r += 1) if (Math.abs(m[r]![c]!) > Math.abs(m[pivot]![c]!)) pivot = r;
    [m[c], m[pivot]] = [m[pivot]!, m[c]!];
    for (let r = 0; r < 4; r += 1) {
      const f = m[r]![c]! / m[c]![c]!;
      if (r !== c) for (let k = c; k <= 4; k += 1) m[r]![k]! -= f * m[c]![k]!;
    }
  }
  return m.map((row, i) => row[4]! / row[i]!);
}

/**
 * Lévy's solution (Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells; from memory): a pane 1 high and `ratio` long, simply supported at
 * its foot and its two ends, under water of ρ g = 1 to its top edge, which is free or held. Returns the largest principal moment times six.
 */
function betaBySeries(ratio: number, edges: Edges): number {
  const terms = Array.from({ length: 60 }, (_, at) => {
    const m = 2 * at + 1;
    const a = (m * Math.PI) / ratio;
    const k = 4 / (m * Math.PI) / a ** 4;
    // each row: a solution of the homogeneous equation with its first three derivatives
    const shapes = (y: number) => {
      const [up, down] = [Math.exp(-a * (1 - y)), Math.exp(-a * y)];
      return [
        [up, a * up, a * a * up, a ** 3 * up],
        [y * up, (1 + a * y) * up, (2 * a + a * a * y) * up, (3 * a * a + a ** 3 * y) * up],
        [down, -a * down, a * a * down, -(a ** 3) * down],
        [y * down, (1 - a * y) * down, (-2 * a + a * a * y) * down, (3 * a * a - a ** 3 * y) * down],
      ];
    };
    const [foot, top] = [shapes(0), shapes(1)];
    const of = (at: number[][], derivative: number) => at.map((row) => row[derivative]!);
    const free = [
      top.map((f) => f[2]! - NU * a * a * f[0]!), // no bending moment
      top.map((f) => f[3]! - (2 - NU) * a * a * f[1]!), // no edge reaction
    ];
    const c =
      edges === 'free-top'
        ? solve4([of(foot, 0), of(foot, 2), ...free], [-k, 0, 0, -(2 - NU) * a * a * k])
        : solve4([of(foot, 0), of(foot, 2), of(top, 0), of(top, 2)], [-k, 0, 0, 0]);
    const sum = (y: number, derivative: number) => shapes(y).reduce((total, f, i) => total + f[derivative]! * c[i]!, 0);
    return { a, at: (y: number) => [sum(y, 0) + k * (1 - y), sum(y, 1) - k, sum(y, 2)] as const };
  });
  let most = 0;
  for (let row = 0; row <= 50; row += 1) {
    const y = row / 50;
    const here = terms.map((term) => ({ a: term.a, w: term.at(y) }));
    for (let x = 0; x <= ratio / 2; x += ratio / 200) {
      let [xx, yy, xy] = [0, 0, 0];
      for (const { a, w } of here) {
        xx -= a * a * w[0] * Math.sin(a * x);
        yy += w[2] * Math.sin(a * x);
        xy += a * w[1] * Math.cos(a * x);
      }
      const [mx, my, mxy] = [-(xx + NU * yy), -(yy + NU * xx), -(1 - NU) * xy];
      most = Math.max(most, Math.abs((mx + my) / 2) + Math.hypot((mx - my) / 2, mxy));
    }
  }
  return 6 * most;
}

describe('the bending factor of a pane', () => {
  for (const edges of ['free-top', 'four-edges'] as const)
    for (const ratio of [0.5, 0.667, 0.8, 1, 1.25, 1.5, 1.75, 2, 2.5, 3, 4, 5, 7])
      it(`is that of plate theory at ${ratio}:1, ${edges}`, () => {
        expect(Math.abs(bendingFactor(ratio, edges)! / betaBySeries(ratio, edges) - 1)).toBeLessThan(0.01);
      });

  it('rises without end where the top is free, and to that of a strip where it is held', () => {
    // a strip on two supports under a load from nothing to ρ g H: M = ρ g H³ / (9 √3)
    expect(bendingFactor(30, 'four-edges')!).toBeCloseTo(6 / (9 * Math.sqrt(3)), 2);
    // turned about its foot: ρ g H³ / 6 a length, half to each end, taken up as twist
    expect(bendingFactor(40, 'free-top')! - bendingFactor(20, 'free-top')!).toBeCloseTo((6 * 20) / (6 * 2 * 2), 6);
  });

  it('lies between its neighbours between the ratios of the table, and is not known below it', () => {
    expect(bendingFactor(2.25, 'free-top')).toBeCloseTo((0.46 + 0.555) / 2, 9);
    expect(bendingFactor(0.49, 'free-top')).toBeNull();
    expect(bendingFactor(0.5, 'four-edges')).toBe(0.082);
  });
});
