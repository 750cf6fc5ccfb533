import { applyEdit } from '../edit';
import { emptyRoom, Room } from '../room';
import type { Lot } from '../../lots/model';
import { addLot, addMark, addMove, dropLot, pastFault } from './lot-edits';

const LOT: Omit<Lot, 'order'> = {
  kind: 'animal',
  organismId: 'danio-margaritatus',
  name: 'Galaxies',
  from: 'a friend',
  parentId: null,
  line: '',
  generation: 'F1',
  ateOn: null,
  surplus: 0,
  home: '',
};
function after(room: Room, patch: Parameters<typeof applyEdit>[1]): Room {
  const done = applyEdit(room, patch, Room);
  if (!done.ok) throw new Error(done.refusals.map(({ path, reason }) => `${path}: ${reason}`).join());
  return done.document;
}
const stocked = () =>
  after(emptyRoom('r', 'Room'), addLot(emptyRoom('r', 'Room'), 'g', LOT, { day: '2026-01-02', amount: 12, to: 'quarantine' }));

describe('what is written down of the living stock', () => {
  it('is one edit, and one undo', () => {
    const before = emptyRoom('r', 'Room');
    const done = applyEdit(before, addLot(before, 'g', LOT, { day: '2026-01-02', amount: 12, to: 'quarantine' }), Room);
    expect(done.ok).toBeTrue();
    if (!done.ok) return;
    const undone = applyEdit(done.document, done.inverse, Room);
    expect(undone.ok && { ...undone.document, rev: 0 }).toEqual(before);
  });

  it('is refused with place and reason where more would go than are there, and nothing is changed', () => {
    const room = stocked();
    const move = {
      day: '2026-02-01',
      lotId: 'g',
      why: 'moved' as const,
      amount: 13,
      error: 0,
      from: 'quarantine',
      to: 'thicket',
      note: '',
    };
    const done = applyEdit(room, addMove(room, 'm', move), Room);
    expect(done.ok ? [] : done.refusals).toEqual([
      { path: 'moves.m', reason: '13 of “Galaxies” on 2026-02-01, where 12 are: count them first' },
    ]);
    expect(applyEdit(room, addMove(room, 'm', { ...move, amount: 12 }), Room).ok).toBeTrue();
    // the arrival cannot be taken back from under what follows it
    const moved = after(room, addMove(room, 'm', { ...move, amount: 12 }));
    expect(applyEdit(moved, [{ op: 'remove', path: '/moves/g-1' }], Room).ok).toBeFalse();
  });

  it('goes with its lot; what was born of it stays, without a parent', () => {
    let room = stocked();
    room = after(room, addLot(room, 'young', { ...LOT, name: 'Young', parentId: 'g' }, { day: '2026-03-01', amount: 30, to: 'thicket' }));
    room = after(room, addMark(room, 'k', { day: '2026-03-02', condition: 'velvet', state: 'seen', lotId: 'g', place: null, note: '' }));
    expect(Object.values(room.moves).map(({ why }) => why)).toEqual(['arrived', 'born']);
    const left = after(room, dropLot(room, 'g'));
    expect([Object.keys(left.lots), Object.keys(left.moves), Object.keys(left.marks), left.lots['young']!.parentId]).toEqual([
      ['young'],
      ['young-1'],
      [],
      null,
    ]);
  });

  it('does not lie in the future', () => {
    expect(pastFault('2026-05-02', '2026-05-01')).toContain('has not come');
    expect(pastFault('2026-05-01', '2026-05-01')).toBeNull();
    expect(pastFault('', '2026-05-01')).toContain('which day');
  });

  it('has no mark of a lot that is not there', () => {
    const room = stocked();
    const done = applyEdit(
      room,
      addMark(room, 'k', { day: '2026-03-02', condition: 'velvet', state: 'seen', lotId: 'nobody', place: null, note: '' }),
      Room,
    );
    expect(done.ok ? [] : done.refusals.map(({ path }) => path)).toEqual(['marks.k.lotId']);
  });
});
