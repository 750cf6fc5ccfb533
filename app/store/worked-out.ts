import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NEVER, catchError, debounceTime, of, switchMap } from 'rxjs';
import type { Tasks, TaskName } from '../workers/judge-tasks';
import { JudgeFeed } from './judge-feed';
import type { TankView } from './tank-view';

/** Long enough that a hand on the keys is not followed letter by letter. */
const REST_MS = 40;
type WithoutInput = { [K in TaskName]: Tasks[K]['input'] extends null ? K : never }[TaskName];

/**
 * What a worker finds for the tank as it stands: the last answer stays until the next one is there; null before the first, and where it
 * cannot be worked out. Called where a component is made.
 */
export function workedOut<K extends WithoutInput>(view: TankView, task: K): Signal<Tasks[K]['output'] | null>;
/** @param input what is asked; null asks nothing */
export function workedOut<K extends TaskName>(
  view: TankView,
  task: K,
  input: Signal<Tasks[K]['input'] | null>,
): Signal<Tasks[K]['output'] | null>;
export function workedOut<K extends TaskName>(
  view: TankView,
  task: K,
  input?: Signal<Tasks[K]['input'] | null>,
): Signal<Tasks[K]['output'] | null> {
  const feed = inject(JudgeFeed);
  const asked = computed(() => {
    const [design, room] = [view.design(), view.room()];
    const wanted = input ? input() : null;
    return design && room && (!input || wanted !== null) ? { design, room, input: wanted } : null;
  });
  return toSignal(
    toObservable(asked).pipe(
      debounceTime(REST_MS),
      switchMap((ask) =>
        ask ? feed.ask(task, ask.design, ask.room, ask.input as Tasks[K]['input']).pipe(catchError(() => NEVER)) : of(null),
      ),
    ),
    { initialValue: null },
  );
}
