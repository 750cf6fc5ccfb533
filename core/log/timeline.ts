import { bisector } from 'd3-array';
import type { Day } from '../schedule/day';
import { dayOfInstant, type Entry } from './model';

/** One thing that happened, as it is known now. */
export interface Line {
  /** Of the entry that was written first. */
  id: string;
  /** As it stands after its corrections. */
  entry: Entry;
  atMs: number;
  /** By the clock on the wall. */
  day: Day;
  /** How it was written before, oldest first; empty for one that was never corrected. */
  earlier: readonly Entry[];
  /** It did not happen: shown struck out, and counted nowhere. */
  struck: boolean;
}

/** Later in the log: by when it was written, then by its id. */
const laterWritten = (a: Entry, b: Entry): number => Date.parse(a.written) - Date.parse(b.written) || (a.id < b.id ? -1 : 1);

/**
 * A log as it reads: every thing that happened once, in the order in which it happened, each as its last correction has it. The same set of
 * entries gives the same lines, in whatever order they were got.
 */
export function timelineOf(entries: readonly Entry[]): Line[] {
  const byId = new Map(entries.map((entry) => [entry.id, entry]));
  const versions = new Map<string, Entry[]>();
  const corrected = new Set<string>();
  for (const entry of byId.values()) {
    if (entry.corrects === null) continue;
    const root = rootOf(entry, byId);
    if (root === entry.id) continue;
    corrected.add(entry.id);
    const there = versions.get(root);
    if (there) there.push(entry);
    else versions.set(root, [entry]);
  }
  const lines: Line[] = [];
  for (const entry of byId.values()) {
    if (corrected.has(entry.id)) continue;
    lines.push(lineOf(entry, versions.get(entry.id)));
  }
  return lines.sort(inTime);
}

const inTime = (a: Line, b: Line): number =>
  a.atMs - b.atMs || Date.parse(a.entry.written) - Date.parse(b.entry.written) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * The same log with entries that were written since, without reading it anew: the same lines as of all of them together.
 *
 * @param known all entries that the lines are of, by id
 */
export function timelineWith(lines: readonly Line[], known: ReadonlyMap<string, Entry>, fresh: readonly Entry[]): Line[] {
  const named = new Set(fresh.map(({ id }) => id));
  let plain = fresh.every(({ id, corrects }) => corrects === null && !known.has(id));
  // a correction may have come before what it corrects
  if (plain) for (const { corrects } of known.values()) if (corrects !== null && named.has(corrects)) plain = false;
  if (!plain) return timelineOf([...known.values(), ...fresh]);
  const next = [...lines];
  const at = bisector<Line, Line>(inTime).left;
  for (const entry of fresh) {
    const line = lineOf(entry, undefined);
    next.splice(at(next, line), 0, line);
  }
  return next;
}

function lineOf(first: Entry, corrections: Entry[] | undefined): Line {
  if (!corrections)
    return {
      id: first.id,
      entry: first,
      atMs: Date.parse(first.at),
      day: dayOfInstant(first.at),
      earlier: [],
      struck: first.kind === 'struck',
    };
  const all = [first, ...corrections.sort(laterWritten)];
  const last = all.at(-1)!;
  // what was struck out is shown as it was
  const shown = last.kind === 'struck' ? all.filter(({ kind }) => kind !== 'struck').at(-1)! : last;
  return {
    id: first.id,
    entry: shown,
    atMs: Date.parse(shown.at),
    day: dayOfInstant(shown.at),
    earlier: all.filter((one) => one !== shown && one.kind !== 'struck'),
    struck: last.kind === 'struck',
  };
}

/** The entry that a chain of corrections began with; one whose beginning is not here stands for itself. */
function rootOf(entry: Entry, byId: ReadonlyMap<string, Entry>): string {
  let at = entry;
  for (let hops = 0; at.corrects !== null && hops < 1000; hops++) {
    const before = byId.get(at.corrects);
    // a ring of corrections corrects nothing
    if (before === entry) return entry.id;
    if (!before) return at.id;
    at = before;
  }
  return at.id;
}

/** What happened, without what was struck out. */
export const standing = (lines: readonly Line[]): Line[] => lines.filter(({ struck }) => !struck);
