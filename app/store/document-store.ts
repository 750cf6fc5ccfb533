import { BehaviorSubject, type Observable } from 'rxjs';
import type { Operation } from 'rfc6902';
import type * as z from 'zod';
import { applyEdit, type Edit, type Refusal } from '../../core/design/edit';

export type SaveState =
  { kind: 'saved'; at: Date | null } | { kind: 'saving' } | { kind: 'failed'; reason: string } | { kind: 'read-only' };

/** An edit in the history. `turn` counts over all open documents, so that undo can go back in the order things were done. */
export interface Turn extends Edit {
  turn: number;
}

export interface DocumentState<T> {
  document: T;
  undo: readonly Turn[];
  redo: readonly Turn[];
  save: SaveState;
  /** Why the last edit was refused; the document is as it was. */
  refusals: readonly Refusal[];
}

const HISTORY = 200;
let turns = 0;

/**
 * One open document: edits as patches, undo and redo by inverse patches, and every accepted state written away in turn.
 * While a write is under way only the newest state waits, so a fast drag never queues up.
 */
export class DocumentStore<T extends { rev: number }> {
  private readonly subject: BehaviorSubject<DocumentState<T>>;
  readonly state$: Observable<DocumentState<T>>;
  private writing = false;
  private writes: Promise<void> = Promise.resolve();
  private waiting: T | null = null;

  constructor(
    document: T,
    savedAt: Date | null,
    private readonly schema: z.ZodType<T>,
    private readonly write: (document: T) => Promise<void>,
  ) {
    this.subject = new BehaviorSubject<DocumentState<T>>({
      document,
      undo: [],
      redo: [],
      save: { kind: 'saved', at: savedAt },
      refusals: [],
    });
    this.state$ = this.subject.asObservable();
  }

  get state(): DocumentState<T> {
    return this.subject.value;
  }

  /** Applies one gesture. A refused edit changes nothing and leaves its reasons in the state. */
  edit(label: string, patch: readonly Operation[]): boolean {
    return this.apply({ label, patch }, (state, inverse) => ({
      undo: [...state.undo, { label, patch: inverse, turn: ++turns }].slice(-HISTORY),
      redo: [],
    }));
  }

  undo(): void {
    const last = this.state.undo.at(-1);
    if (!last) return;
    this.apply(last, (state, inverse) => ({
      undo: state.undo.slice(0, -1),
      redo: [...state.redo, { label: last.label, patch: inverse, turn: ++turns }],
    }));
  }

  redo(): void {
    const next = this.state.redo.at(-1);
    if (!next) return;
    this.apply(next, (state, inverse) => ({
      redo: state.redo.slice(0, -1),
      undo: [...state.undo, { label: next.label, patch: inverse, turn: ++turns }],
    }));
  }

  /** Tries once more to write what could not be written. */
  retry(): void {
    this.persist(this.state.document);
  }

  /** Resolves once nothing is being written any more. */
  settled(): Promise<void> {
    return this.writes;
  }

  setReadOnly(readOnly: boolean): void {
    // what still waits must not be written over the other tab's work
    if (readOnly) this.waiting = null;
    const isReadOnly = this.state.save.kind === 'read-only';
    if (readOnly !== isReadOnly) this.patchState({ save: readOnly ? { kind: 'read-only' } : { kind: 'saved', at: null } });
  }

  /** Puts in a newer state that another tab has written. */
  replace(document: T, savedAt: Date | null): void {
    const save: SaveState = this.state.save.kind === 'read-only' ? this.state.save : { kind: 'saved', at: savedAt };
    this.subject.next({ document, undo: [], redo: [], save, refusals: [] });
  }

  dismissRefusals(): void {
    if (this.state.refusals.length > 0) this.patchState({ refusals: [] });
  }

  private apply(edit: Edit, history: (state: DocumentState<T>, inverse: Operation[]) => Pick<DocumentState<T>, 'undo' | 'redo'>): boolean {
    const { state } = this;
    if (state.save.kind === 'read-only') {
      this.patchState({ refusals: [{ path: '', reason: 'open for writing in another tab: take over to edit here' }] });
      return false;
    }
    const applied = applyEdit(state.document, edit.patch, this.schema);
    if (!applied.ok) {
      this.patchState({ refusals: applied.refusals });
      return false;
    }
    this.patchState({ document: applied.document, refusals: [], ...history(state, applied.inverse) });
    this.persist(applied.document);
    return true;
  }

  private persist(document: T): void {
    this.waiting = document;
    this.patchState({ save: { kind: 'saving' } });
    if (!this.writing) this.writes = this.writeOut();
  }

  private async writeOut(): Promise<void> {
    this.writing = true;
    let failure: string | null = null;
    while (this.waiting) {
      const next: T = this.waiting;
      this.waiting = null;
      try {
        await this.write(next);
        failure = null;
      } catch (error) {
        failure = saveFailure(error);
      }
    }
    this.writing = false;
    if (this.state.save.kind === 'read-only') return;
    this.patchState({ save: failure === null ? { kind: 'saved', at: new Date() } : { kind: 'failed', reason: failure } });
  }

  private patchState(change: Partial<DocumentState<T>>): void {
    this.subject.next({ ...this.subject.value, ...change });
  }
}

function saveFailure(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'QuotaExceededError') return 'the browser’s store is full';
  return `the browser’s store refused${error instanceof Error && error.message ? ` (${error.message})` : ''}`;
}
