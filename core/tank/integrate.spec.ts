import fc from 'fast-check';
import { Integrator } from './integrate';
import type { State } from './state';

const tolerance = (relative: number, size: number) => ({
  relative,
  absolute: new Float64Array(size).fill(relative * 1e-3),
  mostSteps: 100000,
});

/** Equations whose answer is known in closed form: algebra only. */
describe('the integrator', () => {
  it('follows decay, growth and a swing to their closed forms', () => {
    const cases: { start: number[]; f: (t: number, y: State, out: State) => void; exact: (t: number) => number[]; to: number }[] = [
      { start: [1], f: (_, y, out) => (out[0] = -3 * y[0]!), exact: (t) => [Math.exp(-3 * t)], to: 2 },
      { start: [0.1], f: (_, y, out) => (out[0] = y[0]! * (1 - y[0]!)), exact: (t) => [1 / (1 + 9 * Math.exp(-t))], to: 6 },
      {
        start: [1, 0],
        f: (_, y, out) => {
          out[0] = y[1]!;
          out[1] = -y[0]!;
        },
        exact: (t) => [Math.cos(t), -Math.sin(t)],
        to: 10,
      },
      { start: [0], f: (t, _, out) => (out[0] = Math.cos(t)), exact: (t) => [Math.sin(t)], to: 5 },
    ];
    for (const { start, f, exact, to } of cases) {
      const y = Float64Array.from(start);
      new Integrator(start.length).run(f, y, 0, to, tolerance(1e-8, start.length));
      exact(to).forEach((value, i) => expect(Math.abs(y[i]! - value)).toBeLessThan(1e-6));
    }
  });

  it('is better the more it is asked for, and takes more steps for it', () => {
    const run = (relative: number) => {
      const y = Float64Array.from([1, 0]);
      const integrator = new Integrator(2);
      integrator.run(
        (_, s, out) => {
          out[0] = 4 * s[1]!;
          out[1] = -4 * s[0]!;
        },
        y,
        0,
        5,
        tolerance(relative, 2),
      );
      return { off: Math.abs(y[0]! - Math.cos(20)), steps: integrator.steps };
    };
    const [rough, close] = [run(1e-3), run(1e-9)];
    expect(close.off).toBeLessThan(rough.off);
    expect(close.steps).toBeGreaterThan(rough.steps);
  });

  it('comes to the same in one stretch as in many', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.01, max: 0.99, noNaN: true }), { maxLength: 6 }), (cuts) => {
        const f = (t: number, y: State, out: State) => (out[0] = -2 * y[0]! + Math.sin(t));
        const whole = Float64Array.from([3]);
        new Integrator(1).run(f, whole, 0, 1, tolerance(1e-9, 1));
        const parts = Float64Array.from([3]);
        const integrator = new Integrator(1);
        const at = [0, ...cuts.sort((a, b) => a - b), 1];
        at.slice(1).forEach((to, i) => to > at[i]! && integrator.run(f, parts, at[i]!, to, tolerance(1e-9, 1)));
        expect(Math.abs(whole[0]! - parts[0]!)).toBeLessThan(1e-7);
      }),
    );
  });

  it('passes over a jump without losing it', () => {
    const y = Float64Array.from([0]);
    new Integrator(1).run((t, _, out) => (out[0] = t < 0.5 ? 0 : 1), y, 0, 1, tolerance(1e-6, 1));
    expect(y[0]!).toBeCloseTo(0.5, 3);
  });
});
