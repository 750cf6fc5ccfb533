import { BehaviorSubject, type Observable } from 'rxjs';
import { createPatch, type Operation } from 'rfc6902';
import type * as z from 'zod';
import { applyEdit, type Edit, type Refusal } from '../../core/design/edit';

export type SaveState =
  | { kind: 'saved'; at: Date | null }
  | { kind: 'saving' }
  | { kind: 'failed'; reason: string }
  /** Another tab wrote it, or deleted it, after this one read it: what is here is in this window alone. */
  | { kind: 'changed'; gone: boolean };

/** An edit in the history. `turn` counts over all open documents, so that undo can go back in the order things were done. */
export interface Turn extends Edit {
  turn: number;
}

export interface DocumentState<T> {
  document: T;
  undo: readonly Turn[];
  redo: readonly Turn[];
  save: SaveState;
  /** False while another tab holds it for writing. */
  mayWrite: boolean;
  /** Why the last edit was refused; the document is as it was. */
  refusals: readonly Refusal[];
}

/** What is stored is not what a write was made from. */
export class ChangedElsewhere extends Error {
  constructor(readonly gone: boolean) {
    super(gone ? 'deleted in another tab' : 'changed in another tab');
  }
}

/** A document as it was found. */
export interface Found<T> {
  document: T;
  savedAt: Date | null;
  /** The revision in the browser's store; null when it is in this window alone. */
  storedRev: number | null;
}

/** Where an open document is kept. */
export interface Keeping<T> {
  /** Writes a state that was made from the stored revision `after`. @throws ChangedElsewhere when another is stored by now */
  write(document: T, after: number | null): Promise<void>;
  /** @returns null when it is gone */
  read(): Promise<Found<T> | null>;
}

const HISTORY = 200;
let turns = 0;

/**
 * One open document: edits as patches, undo and redo by inverse patches, and every accepted state written away in turn.
 * While a write is under way only the newest state waits, so a fast drag never queues up. What another tab writes is
 * taken in as one more edit while nothing of ours waits; where both have changed it, nothing is written over.
 */
export class DocumentStore<T extends { rev: number }> {
  private readonly subject: BehaviorSubject<DocumentState<T>>;
  readonly state$: Observable<DocumentState<T>>;
  /** The revision that our next write follows. */
  private storedRev: number | null;
  private writing = false;
  private writes: Promise<void> = Promise.resolve();
  private waiting: T | null = null;

  constructor(
    found: Found<T>,
    private readonly schema: z.ZodType<T>,
    private readonly keeping: Keeping<T>,
  ) {
    this.storedRev = found.storedRev;
    this.subject = new BehaviorSubject<DocumentState<T>>({
      document: found.document,
      undo: [],
      redo: [],
      save: { kind: 'saved', at: found.savedAt },
      mayWrite: true,
      refusals: [],
    });
    this.state$ = this.subject.asObservable();
  }

  get state(): DocumentState<T> {
    return this.subject.value;
  }

  /** Whether closing the window now would lose something. */
  get unsaved(): boolean {
    return this.state.save.kind !== 'saved';
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

  /** Another tab has taken the document, or let it go. What still waits is written all the same, unless that tab was first. */
  setMayWrite(mayWrite: boolean): void {
    if (mayWrite !== this.state.mayWrite) this.patchState({ mayWrite });
  }

  /** Another tab has written or deleted it: its state is taken in as an edit, while nothing of ours waits. */
  async lookAgain(): Promise<void> {
    const found = await this.keeping.read();
    // with work of our own under way it is the write that finds out
    if (this.state.save.kind !== 'saved') return;
    if (!found) return this.patchState({ save: { kind: 'changed', gone: true } });
    if (found.storedRev === this.storedRev) return;
    const { document, undo } = this.state;
    const patch = withoutRev(createPatch(found.document, document));
    this.storedRev = found.storedRev;
    this.patchState({
      document: found.document,
      save: { kind: 'saved', at: found.savedAt },
      ...(patch.length > 0 ? { undo: [...undo, { label: 'What another tab did', patch, turn: ++turns }].slice(-HISTORY), redo: [] } : {}),
    });
  }

  /** Lets go of what is here for what is stored. */
  async reload(): Promise<void> {
    const found = await this.keeping.read();
    if (!found) return this.patchState({ save: { kind: 'changed', gone: true } });
    this.waiting = null;
    this.storedRev = found.storedRev;
    this.patchState({ document: found.document, undo: [], redo: [], save: { kind: 'saved', at: found.savedAt }, refusals: [] });
  }

  dismissRefusals(): void {
    if (this.state.refusals.length > 0) this.patchState({ refusals: [] });
  }

  private apply(edit: Edit, history: (state: DocumentState<T>, inverse: Operation[]) => Pick<DocumentState<T>, 'undo' | 'redo'>): boolean {
    const { state } = this;
    if (!state.mayWrite) {
      this.patchState({ refusals: [{ path: '', reason: 'open for writing in another tab: take over to edit here' }] });
      return false;
    }
    const applied = applyEdit(state.document, edit.patch, this.schema);
    if (!applied.ok) {
      this.patchState({ refusals: applied.refusals });
      return false;
    }
    // an edit that changes nothing is no step to undo
    if (applied.inverse.length === 0) {
      this.dismissRefusals();
      return true;
    }
    this.patchState({ document: applied.document, refusals: [], ...history(state, applied.inverse) });
    this.persist(applied.document);
    return true;
  }

  private persist(document: T): void {
    // once two tabs have gone apart nothing is written until it is said which one stands
    if (this.state.save.kind === 'changed') return;
    this.waiting = document;
    this.patchState({ save: { kind: 'saving' } });
    if (!this.writing) this.writes = this.writeOut();
  }

  private async writeOut(): Promise<void> {
    this.writing = true;
    let save: SaveState = { kind: 'saved', at: new Date() };
    while (this.waiting) {
      const next: T = this.waiting;
      this.waiting = null;
      try {
        await this.keeping.write(next, this.storedRev);
        this.storedRev = next.rev;
        save = { kind: 'saved', at: new Date() };
      } catch (error) {
        save = error instanceof ChangedElsewhere ? { kind: 'changed', gone: error.gone } : { kind: 'failed', reason: saveFailure(error) };
        if (save.kind === 'changed') this.waiting = null;
      }
    }
    this.writing = false;
    this.patchState({ save });
  }

  private patchState(change: Partial<DocumentState<T>>): void {
    this.subject.next({ ...this.subject.value, ...change });
  }
}

const withoutRev = (patch: readonly Operation[]): Operation[] => patch.filter(({ path }) => path !== '/rev');

function saveFailure(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'QuotaExceededError') return 'the browser’s store is full';
  return `the browser’s store refused${error instanceof Error && error.message ? ` (${error.message})` : ''}`;
}
