import { emptyDesign, Design } from '../../core/design/design';
import { ChangedElsewhere, DocumentStore, type SaveState } from './document-store';

const rename = (value: unknown) => [{ op: 'replace' as const, path: '/name', value: value as string }];
const settle = () => new Promise((resolve) => setTimeout(resolve, 5));

/** A store that holds one document, as other tabs would see it. */
function shelf(write: (document: Design) => Promise<void> = () => Promise.resolve()) {
  const shelf = {
    stored: emptyDesign('d', 'r', 'Tank') as Design | null,
    /** What another tab does. */
    elsewhere(change: Partial<Design>) {
      this.stored = { ...this.stored!, ...change, rev: this.stored!.rev + 1 };
    },
    write: async (document: Design, after: number | null) => {
      await write(document);
      if ((shelf.stored?.rev ?? null) !== after) throw new ChangedElsewhere(shelf.stored === null);
      shelf.stored = document;
    },
    read: async () => shelf.stored && { document: shelf.stored, savedAt: null, storedRev: shelf.stored.rev },
  };
  return shelf;
}

function open(write?: (document: Design) => Promise<void>, at = shelf(write)) {
  const store = new DocumentStore<Design>({ document: at.stored!, savedAt: null, storedRev: at.stored!.rev }, Design, at);
  const saves: SaveState['kind'][] = [];
  store.state$.subscribe(({ save }) => {
    if (saves.at(-1) !== save.kind) saves.push(save.kind);
  });
  return { store, saves, shelf: at };
}

describe('an open document', () => {
  it('says saved only after the write has ended', async () => {
    let finish: () => void = () => undefined;
    const { store, saves } = open(() => new Promise((done) => (finish = done)));
    expect(store.edit('Rename', rename('A'))).toBeTrue();
    expect(store.state.save.kind).toBe('saving');
    await settle();
    expect(store.state.save.kind).toBe('saving');
    finish();
    await settle();
    expect(saves).toEqual(['saved', 'saving', 'saved']);
  });

  it('writes the newest state last, and skips those in between', async () => {
    const written: string[] = [];
    const { store } = open(async (document) => {
      await settle();
      written.push(document.name);
    });
    for (const name of ['A', 'B', 'C', 'D']) store.edit('Rename', rename(name));
    await new Promise((resolve) => setTimeout(resolve, 40));
    expect(written).toEqual(['A', 'D']);
    expect(store.state.save.kind).toBe('saved');
  });

  it('undoes and redoes, one gesture at a time', () => {
    const { store } = open();
    store.edit('Rename', rename('A'));
    store.edit('Rename', rename('B'));
    store.undo();
    expect(store.state.document.name).toBe('A');
    store.undo();
    expect(store.state.document.name).toBe('Tank');
    store.undo();
    store.redo();
    expect(store.state.document.name).toBe('A');
    store.edit('Rename', rename('C'));
    expect(store.state.redo.length).toBe(0);
    store.undo();
    expect(store.state.document.name).toBe('A');
    expect(store.state.document.rev).toBe(7);
  });

  it('counts turns over all documents, so that undo follows the order of doing', () => {
    const [first, second] = [open().store, open().store];
    first.edit('Rename', rename('A'));
    second.edit('Rename', rename('B'));
    first.edit('Rename', rename('C'));
    const turns = [first.state.undo[0]!.turn, second.state.undo[0]!.turn, first.state.undo[1]!.turn];
    expect(turns).toEqual([...turns].sort((a, b) => a - b));
  });

  it('refuses a bad edit with its reasons, changing and writing nothing', async () => {
    const write = jasmine.createSpy().and.resolveTo();
    const { store } = open(write);
    expect(store.edit('Rename', rename(''))).toBeFalse();
    await settle();
    expect(write).not.toHaveBeenCalled();
    expect(store.state.document.name).toBe('Tank');
    expect(store.state.refusals).toEqual([{ path: 'name', reason: 'a name is wanted' }]);
    store.edit('Rename', rename('Fine'));
    expect(store.state.refusals).toEqual([]);
  });

  it('says loudly when the store is full, keeps the work, and tries again', async () => {
    let full = true;
    const { store } = open(() => (full ? Promise.reject(new DOMException('no room', 'QuotaExceededError')) : Promise.resolve()));
    store.edit('Rename', rename('A'));
    await settle();
    expect(store.state.save).toEqual({ kind: 'failed', reason: 'the browser’s store is full' });
    expect(store.state.document.name).toBe('A');
    full = false;
    store.retry();
    await settle();
    expect(store.state.save.kind).toBe('saved');
  });

  it('counts no edit that changes nothing', async () => {
    const write = jasmine.createSpy().and.resolveTo();
    const { store } = open(write);
    expect(store.edit('Rename', rename('Tank'))).toBeTrue();
    await store.settled();
    expect(store.state.undo).toEqual([]);
    expect(write).not.toHaveBeenCalled();
  });

  it('takes in what another tab wrote as one step that can be undone, and writes on top of it', async () => {
    const { store, shelf } = open();
    store.edit('Archive', [{ op: 'replace', path: '/archived', value: true }]);
    await store.settled();
    shelf.elsewhere({ name: 'Renamed elsewhere' });
    await store.lookAgain();
    expect(store.state.document.name).toBe('Renamed elsewhere');
    store.edit('Unarchive', [{ op: 'replace', path: '/archived', value: false }]);
    await store.settled();
    expect([shelf.stored?.name, shelf.stored?.archived]).toEqual(['Renamed elsewhere', false]);
    for (const name of ['Renamed elsewhere', 'Tank', 'Tank']) {
      store.undo();
      expect(store.state.document.name).toBe(name);
    }
    expect(store.state.document.archived).toBeFalse();
  });

  it('never writes over what another tab wrote meanwhile: reload, or keep what is here', async () => {
    const { store, shelf, saves } = open();
    shelf.elsewhere({ name: 'Renamed elsewhere' });
    store.edit('Rename', rename('Here'));
    await store.settled();
    expect(shelf.stored?.name).toBe('Renamed elsewhere');
    expect(store.state.save).toEqual({ kind: 'changed', gone: false });
    expect([store.state.document.name, store.unsaved]).toEqual(['Here', true]);
    // further edits stay here until it is said which one stands
    store.edit('Rename', rename('Here again'));
    await store.settled();
    expect(shelf.stored?.name).toBe('Renamed elsewhere');
    await store.reload();
    expect([store.state.document.name, store.unsaved]).toEqual(['Renamed elsewhere', false]);
    store.edit('Rename', rename('Here'));
    await store.settled();
    expect(shelf.stored?.name).toBe('Here');
    expect(saves).toEqual(['saved', 'saving', 'changed', 'saved', 'saving', 'saved']);
  });

  it('says that it was deleted in another tab, and does not bring it back', async () => {
    const { store, shelf } = open();
    shelf.stored = null;
    await store.lookAgain();
    expect(store.state.save).toEqual({ kind: 'changed', gone: true });
    store.edit('Rename', rename('Here'));
    await store.settled();
    expect(shelf.stored).toBeNull();
    await store.reload();
    expect(store.state.save).toEqual({ kind: 'changed', gone: true });
  });

  it('leaves the other tab’s state to the write that finds out, while work of its own is under way', async () => {
    let finish: () => void = () => undefined;
    const { store, shelf } = open(() => new Promise((done) => (finish = done)));
    store.edit('Rename', rename('Here'));
    shelf.elsewhere({ name: 'Renamed elsewhere' });
    await store.lookAgain();
    expect(store.state.document.name).toBe('Here');
    finish();
    await store.settled();
    expect(store.state.save).toEqual({ kind: 'changed', gone: false });
  });

  it('writes what still waits when another tab takes it over, unless that tab was first', async () => {
    const { store, shelf } = open();
    store.edit('Rename', rename('A'));
    store.edit('Rename', rename('B'));
    store.setMayWrite(false);
    await store.settled();
    expect(shelf.stored?.name).toBe('B');
    expect([store.state.mayWrite, store.state.save.kind]).toEqual([false, 'saved']);
  });

  it('takes no edits while another tab has it', () => {
    const { store } = open();
    store.setMayWrite(false);
    expect(store.edit('Rename', rename('A'))).toBeFalse();
    expect(store.state.document.name).toBe('Tank');
    store.setMayWrite(true);
    expect(store.edit('Rename', rename('A'))).toBeTrue();
  });
});
