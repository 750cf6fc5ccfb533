import { Injectable, inject } from '@angular/core';
import type { Operation } from 'rfc6902';
import { BehaviorSubject, of, switchMap, type Observable } from 'rxjs';
import { Room } from '../../core/design/room';
import { DocumentStore, type DocumentState } from './document-store';
import { Library } from './library';

/** The names of what Undo and Redo would do to a document; null for nothing. */
export const historyOf = (state: DocumentState<Room> | null) =>
  state && { undo: state.undo.at(-1)?.label ?? null, redo: state.redo.at(-1)?.label ?? null };

/** The one room that is open in this window, whichever page shows it: it alone reads, edits and writes it. */
@Injectable({ providedIn: 'root' })
export class RoomSession {
  private readonly library = inject(Library);
  private readonly open$ = new BehaviorSubject<DocumentStore<Room> | null>(null);
  /** Counts openings and closings: one that was overtaken lets go of what it has got by then. */
  private turn = 0;

  readonly state$: Observable<DocumentState<Room> | null> = this.open$.pipe(switchMap((store) => store?.state$ ?? of(null)));

  constructor() {
    this.library.writtenElsewhere$.subscribe((id) => {
      if (id === this.current?.state.document.id) void this.current.lookAgain();
    });
    // a write that is still under way is not left behind without a word
    addEventListener('beforeunload', (event) => {
      if (this.current?.unsaved) event.preventDefault();
    });
  }

  get current(): DocumentStore<Room> | null {
    return this.open$.value;
  }

  /**
   * @returns the open room; null when there is none of that id; 'overtaken' when another opening or a closing came first
   * @throws Error when it cannot be read by this version
   */
  async open(id: string): Promise<DocumentStore<Room> | null | 'overtaken'> {
    const closed = this.close();
    const { turn } = this;
    await closed;
    const found = await this.library.room(id);
    if (turn !== this.turn) return 'overtaken';
    if (!found) return null;
    const store = new DocumentStore<Room>(found, Room, {
      write: (document, after) => this.library.saveRoom(document, after),
      read: () => this.library.room(id),
    });
    this.open$.next(store);
    return store;
  }

  /** Lets go of the room once everything is written. What went apart from another tab's is kept as a copy. */
  async close(): Promise<void> {
    this.turn += 1;
    const { current } = this;
    this.open$.next(null);
    if (!current) return;
    await current.settled();
    const { save, document } = current.state;
    if (save.kind === 'changed' && current.state.undo.length > 0) {
      const copy = await this.library.keepRoomCopy(document);
      this.library.said.set(`“${document.name}” was changed in another tab too. What was done here is kept as “${copy.name}”.`);
    }
  }

  edit(label: string, patch: readonly Operation[]): boolean {
    return this.current?.edit(label, patch) ?? false;
  }

  undo(): void {
    this.current?.undo();
  }

  redo(): void {
    this.current?.redo();
  }

  retry(): void {
    this.current?.retry();
  }

  /** Takes what is stored in place of what is here. */
  async reload(): Promise<void> {
    await this.current?.reload();
  }

  /** Keeps what is here as a room of its own, and lets the stored one stand. */
  async keepCopy(): Promise<Room | null> {
    const { current } = this;
    if (!current) return null;
    const copy = await this.library.keepRoomCopy(current.state.document);
    await current.reload();
    return copy;
  }
}
