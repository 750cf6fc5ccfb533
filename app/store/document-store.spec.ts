import { emptyDesign, Design } from '../../core/design/design';
import { DocumentStore, type SaveState } from './document-store';

const rename = (value: unknown) => [{ op: 'replace' as const, path: '/name', value: value as string }];
const settle = () => new Promise((resolve) => setTimeout(resolve, 5));

function open(write: (document: Design) => Promise<void> = () => Promise.resolve()) {
  const store = new DocumentStore<Design>(emptyDesign('d', 'r', 'Tank'), null, Design, write);
  const saves: SaveState['kind'][] = [];
  store.state$.subscribe(({ save }) => {
    if (saves.at(-1) !== save.kind) saves.push(save.kind);
  });
  return { store, saves };
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

  it('writes nothing more once another tab has taken it over', async () => {
    const written: string[] = [];
    const { store } = open(async (document) => {
      await settle();
      written.push(document.name);
    });
    store.edit('Rename', rename('A'));
    store.edit('Rename', rename('B'));
    store.setReadOnly(true);
    await new Promise((resolve) => setTimeout(resolve, 40));
    expect(written).toEqual(['A']);
    expect(store.state.save.kind).toBe('read-only');
  });

  it('takes no edits while another tab has it', () => {
    const { store } = open();
    store.setReadOnly(true);
    expect(store.edit('Rename', rename('A'))).toBeFalse();
    expect(store.state.document.name).toBe('Tank');
    store.setReadOnly(false);
    expect(store.edit('Rename', rename('A'))).toBeTrue();
  });
});
