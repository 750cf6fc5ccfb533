import { assess, type Assessment } from '../../core/assessment/assess';
import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import { withOwn } from '../../core/design/own-catalogue';
import type { Room } from '../../core/design/room';
import type { JudgeAsk, JudgeTold, TaskAsk } from './judge-messages';
import { TASKS } from './judge-tasks';
import { unpacked } from './log-parcel';
import type { Line } from '../../core/log/timeline';

/**
 * This part of the program, as a worker loads it. A worker that is bundled by itself would bring all of the core a second time; this one is
 * made of the very files that the page has fetched.
 */
export const url = import.meta.url;

/** Time between two looks at the letter box. */
const SLICE_MS = 12;
const MOST_KEPT = 4;

const tell = (message: JudgeTold): void => postMessage(message);
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
const calledOff = new Set<number>();
/** Judgements of the last tanks that were asked about: several tasks are asked of one state. */
const kept = new Map<string, Assessment>();

/** The logs that were handed over, by tank. */
const logs = new Map<string, readonly Line[]>();

let whole: Catalogue | null = null;

function judged(design: Design, room: Room, part: Catalogue | 'whole'): Assessment {
  const key = JSON.stringify([part === 'whole', design, room]);
  const known = kept.get(key);
  if (known) return known;
  const catalogue = part === 'whole' ? whole : part;
  if (!catalogue) throw new Error('the catalogue is not here yet');
  const assessment = assess({ design, room, catalogue: withOwn(catalogue, room.own) });
  kept.set(key, assessment);
  for (const old of [...kept.keys()].slice(0, -MOST_KEPT)) kept.delete(old);
  return assessment;
}

async function answer({ id, task, design, room, catalogue, input }: TaskAsk): Promise<void> {
  try {
    // what was overtaken while it waited is not begun
    await pause();
    if (calledOff.delete(id)) return;
    const found = TASKS[task](judged(design, room, catalogue), input as never);
    if (found === null || typeof found !== 'object' || !('next' in found)) return tell({ id, answer: found });
    let until = performance.now() + SLICE_MS;
    for (;;) {
      const step = found.next();
      if (step.done) return tell({ id, answer: step.value });
      if (performance.now() < until) continue;
      if (step.value !== null) tell({ id, share: step.value });
      await pause();
      if (calledOff.delete(id)) return;
      until = performance.now() + SLICE_MS;
    }
  } catch (error) {
    tell({ id, reason: error instanceof Error ? error.message : String(error) });
  }
}

/** With the log as it is when it is asked; what comes to it later is not meant. */
function withLines(ask: TaskAsk): TaskAsk {
  const { input } = ask;
  if (input === null || typeof input !== 'object' || !('lines' in input)) return ask;
  return { ...ask, input: { ...input, lines: logs.get(ask.design.id) ?? [] } } as TaskAsk;
}

// the page loads this part only to learn where it lies
if (typeof document === 'undefined')
  addEventListener('message', ({ data }: MessageEvent<JudgeAsk>) => {
    if ('whole' in data) whole = data.whole;
    else if ('log' in data) logs.set(data.log, unpacked(logs.get(data.log) ?? [], data.parcel));
    else if (data.task === null) calledOff.add(data.id);
    else void answer(withLines(data));
  });
