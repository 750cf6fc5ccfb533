import type { Line } from '../../core/log/timeline';

/** What is different in a log since it was handed over: at a place so many lines go out and these come in. */
export interface LogParcel {
  from: number;
  drop: number;
  lines: readonly Line[];
}

/** The least to send: a line that was sent before is the same object still, and a log of years is not copied anew for each entry. */
export function parcelOf(before: readonly Line[], now: readonly Line[]): LogParcel {
  const least = Math.min(before.length, now.length);
  let from = 0;
  while (from < least && before[from] === now[from]) from += 1;
  let same = 0;
  while (same < least - from && before[before.length - 1 - same] === now[now.length - 1 - same]) same += 1;
  return { from, drop: before.length - from - same, lines: now.slice(from, now.length - same) };
}

export function unpacked(before: readonly Line[], { from, drop, lines }: LogParcel): readonly Line[] {
  return [...before.slice(0, from), ...lines, ...before.slice(from + drop)];
}
