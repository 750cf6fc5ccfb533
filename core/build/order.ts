import type { BuildStep } from './steps';

/** Steps in an order of one's own, as far as each may stand there; new ones where they usually come. */
export function inOwnOrder(steps: readonly BuildStep[], order: readonly string[]): BuildStep[] {
  const place = new Map(order.map((id, i) => [id, i]));
  // one that nobody has moved keeps to the step before it
  let last = -1;
  const rank = new Map(
    steps.map(({ id }, i): [string, readonly [number, number]] => {
      last = place.get(id) ?? last;
      return [id, [place.get(id) ?? last, place.has(id) ? -1 : i]];
    }),
  );
  const left = [...steps].sort((a, b) => {
    const [one, other] = [rank.get(a.id)!, rank.get(b.id)!];
    return one[0] - other[0] || one[1] - other[1];
  });
  const there = new Set(steps.map(({ id }) => id));
  const done = new Set<string>();
  const sorted: BuildStep[] = [];
  while (left.length > 0) {
    const at = left.findIndex(({ needs }) => needs.every((need) => done.has(need) || !there.has(need)));
    const [next] = left.splice(Math.max(0, at), 1);
    sorted.push(next!);
    done.add(next!.id);
  }
  return sorted;
}

/**
 * A step moved one place up or down.
 *
 * @returns the new order, or the two steps of which the first has to stay before the second
 */
export function moved(
  steps: readonly BuildStep[],
  id: string,
  by: 1 | -1,
): { ok: true; order: string[] } | { ok: false; first: BuildStep; second: BuildStep } | null {
  const at = steps.findIndex((step) => step.id === id);
  const [one, other] = by === 1 ? [steps[at], steps[at + 1]] : [steps[at - 1], steps[at]];
  if (at < 0 || !one || !other) return null;
  if (other.needs.includes(one.id)) return { ok: false, first: one, second: other };
  const order = steps.map((step) => step.id);
  const low = Math.min(at, at + by);
  [order[low], order[low + 1]] = [order[low + 1]!, order[low]!];
  return { ok: true, order };
}

/** Steps that a step rests on and that are not done yet. */
export const missingBefore = (steps: readonly BuildStep[], id: string, done: ReadonlySet<string>): BuildStep[] => {
  const needs = new Set(steps.find((step) => step.id === id)?.needs ?? []);
  return steps.filter((step) => needs.has(step.id) && !done.has(step.id));
};

/** Minutes of work, and the fewest days from the first step to the last with all waits. One pair of hands, six hours a day. */
export function timeOf(steps: readonly BuildStep[]): { minutes: number; days: number } {
  const PER_DAY_H = 6;
  const ends = new Map<string, number>();
  let hands = 0;
  let last = 0;
  for (const step of steps) {
    const hours = (step.minutes / 60) * (24 / PER_DAY_H);
    const start = Math.max(hands, ...step.needs.map((need) => ends.get(need) ?? 0));
    hands = start + hours;
    ends.set(step.id, hands + step.waitHours);
    last = Math.max(last, hands + step.waitHours);
  }
  return { minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0), days: Math.max(1, Math.ceil(last / 24)) };
}
