import type { Catalogue } from '../../core/catalogue/catalogue';
import type { Design } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import type { LogParcel } from './log-parcel';
import type { TaskName, Tasks } from './judge-tasks';

export type TaskAsk = {
  [K in TaskName]: { id: number; task: K; design: Design; room: Room; catalogue: Catalogue | 'whole'; input: Tasks[K]['input'] };
}[TaskName];

/**
 * Asks for one task on one tank, by the whole catalogue or by the part that comes along; without a task it calls off the asking of that
 * number. The whole catalogue comes once, before the first asking that wants it: a page gives its workers what it has fetched. Lines of a
 * log come before the asking that wants them too, as what is new in them; the asking itself has none.
 */
export type JudgeAsk = TaskAsk | { id: number; task: null } | { whole: Catalogue } | { log: string; parcel: LogParcel };

/** A share is told now and then while a long task is under way. */
export type JudgeTold = { id: number; answer: unknown } | { id: number; share: number } | { id: number; reason: string };
