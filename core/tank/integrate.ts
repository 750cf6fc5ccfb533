import type { State } from './state';

/**
 * Dormand & Prince 1980, J. Comput. Appl. Math. 6:19: seven stages, fifth order with a fourth to judge it, and the last stage is the
 * next step's first. The coefficients stand in the code, row by row: a loop over them costs half as much again.
 */
export interface Tolerance {
  /** Share of each amount that a step may be off by. */
  relative: number;
  /** Least amount that counts, by place in the state. */
  absolute: State;
  mostSteps: number;
}

/** An integration that would take more steps than it is allowed: the scenario is stiffer than any tank. */
export class TooStiff extends Error {}

/** Carries its own workspace, so that many runs cost no allocations. */
export class Integrator {
  private readonly stages: Float64Array[];
  private readonly probe: Float64Array;
  private readonly next: Float64Array;
  /** The last step that was good, days: a first guess for the next stretch. */
  private step = 0.01;
  steps = 0;

  constructor(private readonly size: number) {
    this.stages = Array.from({ length: 7 }, () => new Float64Array(size));
    this.probe = new Float64Array(size);
    this.next = new Float64Array(size);
  }

  /** Follows y from one time to another, in place. @throws TooStiff */
  run(
    derivative: (t: number, y: State, out: State) => void,
    y: State,
    from: number,
    to: number,
    { relative, absolute, mostSteps }: Tolerance,
  ): void {
    const { size, stages, probe, next } = this;
    let t = from;
    let h = Math.min(this.step, to - from);
    derivative(t, y, stages[0]!);
    while (t < to) {
      if (++this.steps > mostSteps) throw new TooStiff('it changes faster than it can be followed');
      const last = t + h >= to - 1e-12;
      if (last) h = to - t;
      const [k1, k2, k3, k4, k5, k6, k7] = stages as [State, State, State, State, State, State, State];
      for (let i = 0; i < size; i++) probe[i] = y[i]! + h * 0.2 * k1[i]!;
      derivative(t + 0.2 * h, probe, k2);
      for (let i = 0; i < size; i++) probe[i] = y[i]! + h * ((3 / 40) * k1[i]! + (9 / 40) * k2[i]!);
      derivative(t + 0.3 * h, probe, k3);
      for (let i = 0; i < size; i++) probe[i] = y[i]! + h * ((44 / 45) * k1[i]! - (56 / 15) * k2[i]! + (32 / 9) * k3[i]!);
      derivative(t + 0.8 * h, probe, k4);
      for (let i = 0; i < size; i++)
        probe[i] = y[i]! + h * ((19372 / 6561) * k1[i]! - (25360 / 2187) * k2[i]! + (64448 / 6561) * k3[i]! - (212 / 729) * k4[i]!);
      derivative(t + (8 / 9) * h, probe, k5);
      for (let i = 0; i < size; i++)
        probe[i] =
          y[i]! +
          h * ((9017 / 3168) * k1[i]! - (355 / 33) * k2[i]! + (46732 / 5247) * k3[i]! + (49 / 176) * k4[i]! - (5103 / 18656) * k5[i]!);
      derivative(t + h, probe, k6);
      for (let i = 0; i < size; i++)
        next[i] =
          y[i]! + h * ((35 / 384) * k1[i]! + (500 / 1113) * k3[i]! + (125 / 192) * k4[i]! - (2187 / 6784) * k5[i]! + (11 / 84) * k6[i]!);
      derivative(t + h, next, k7);
      let worst = 0;
      for (let i = 0; i < size; i++) {
        const off =
          (71 / 57600) * k1[i]! -
          (71 / 16695) * k3[i]! +
          (71 / 1920) * k4[i]! -
          (17253 / 339200) * k5[i]! +
          (22 / 525) * k6[i]! -
          (1 / 40) * k7[i]!;
        const scale = absolute[i]! + relative * Math.max(Math.abs(y[i]!), Math.abs(next[i]!));
        const share = Math.abs(h * off) / scale;
        if (share > worst) worst = share;
      }
      const grow = worst === 0 ? 5 : Math.min(5, Math.max(0.2, 0.9 * worst ** -0.2));
      if (worst <= 1 || h < 1e-9) {
        t = last ? to : t + h;
        y.set(next);
        stages[0]!.set(stages[6]!);
        if (!last) this.step = h * grow;
        else if (h > this.step) this.step = h * grow;
      }
      h = last && worst <= 1 ? this.step : h * grow;
      if (t + h > to) h = to - t;
    }
  }
}
