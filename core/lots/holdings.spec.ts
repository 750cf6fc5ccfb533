import fc from 'fast-check';
import { holdingsOf, lineageFaults } from './holdings';
import { Move, type Lot } from './model';

const lot = (more: Partial<Lot> = {}): Lot => ({
  order: 1,
  kind: 'animal',
  organismId: null,
  name: 'Lot',
  from: '',
  parentId: null,
  line: '',
  generation: '',
  ateOn: null,
  surplus: 0,
  home: '',
  ...more,
});
const move = (order: number, day: string, why: Move['why'], amount: number, from: string | null, to: string | null, error = 0): Move =>
  Move.parse({ order, day, lotId: 'a', why, amount, error, from, to, note: '' });
const table = (moves: readonly Move[]) => Object.fromEntries(moves.map((one, i) => [`m${i}`, one]));

describe('the living stock of a room', () => {
  it('is what came in less what went out, wherever it was moved to', () => {
    const { holdings, sums, stays } = holdingsOf(
      { a: lot() },
      table([
        move(1, '2026-01-01', 'arrived', 20, null, 'quarantine'),
        move(2, '2026-01-10', 'died', 2, 'quarantine', null),
        move(3, '2026-02-01', 'moved', 10, 'quarantine', 'thicket'),
        move(4, '2026-03-01', 'born', 30, null, 'thicket'),
        move(5, '2026-04-01', 'left', 8, 'quarantine', null),
      ]),
    );
    expect(holdings.map(({ place, amount, since }) => [place, amount, since])).toEqual([['thicket', 40, '2026-02-01']]);
    expect(sums.get('a')).toEqual({ arrived: 20, born: 30, died: 2, left: 8, found: 0, here: 40 });
    expect(stays.map(({ place, from, to }) => [place, from, to])).toEqual([
      ['quarantine', '2026-01-01', '2026-04-01'],
      ['thicket', '2026-02-01', null],
    ]);
  });

  it('takes a count for what is there, with how far it may be off, and says how many turned up or are missing', () => {
    const { holdings, sums } = holdingsOf(
      { a: lot() },
      table([move(1, '2026-01-01', 'arrived', 20, null, 'x'), move(2, '2026-06-01', 'counted', 55, null, 'x', 6)]),
    );
    expect(holdings).toEqual([{ lotId: 'a', place: 'x', amount: 55, error: 6, since: '2026-01-01' }]);
    expect(sums.get('a')!.found).toBe(35);
  });

  it('refuses what cannot have been, with the day and the number, and goes by the day, not by the order of writing', () => {
    const faults = (moves: readonly Move[], lots = { a: lot() }) =>
      holdingsOf(lots, table(moves)).faults.map(({ moveId, reason }) => [moveId, reason]);
    const came = move(9, '2026-02-01', 'arrived', 5, null, 'x');
    expect(faults([came, move(1, '2026-02-02', 'moved', 6, 'x', 'y')])).toEqual([
      ['m1', '6 of “Lot” on 2026-02-02, where 5 are: count them first'],
    ]);
    expect(faults([came, move(10, '2026-01-31', 'moved', 1, 'x', 'y')])).toEqual([['m1', 'none of “Lot” is there on 2026-01-31']]);
    expect(faults([came, move(1, '2026-03-01', 'moved', 5, 'x', 'y'), move(2, '2026-03-01', 'moved', 5, 'x', 'z')])[0]![0]).toBe('m2');
    expect(faults([came, move(1, '2026-01-01', 'counted', 3, null, 'x')])).toEqual([['m1', 'none of “Lot” had come by 2026-01-01']]);
    expect(faults([{ ...came, amount: 2.5 }])).toEqual([['m0', 'animals are counted by whole numbers']]);
    expect(faults([{ ...came, amount: 2.5 }], { a: lot({ kind: 'media' }) })).toEqual([]);
    expect(faults([{ ...came, lotId: 'b' }])).toEqual([['m0', 'there is no such lot']]);
  });

  it('knows no move to where it is, into nowhere, or of nothing', () => {
    const wrong = (more: object) =>
      Move.safeParse({ ...move(1, '2026-01-01', 'moved', 1, 'x', 'y'), ...more }).error?.issues.map(({ path }) => path.join());
    expect(wrong({})).toBeUndefined();
    expect(wrong({ to: 'x' })).toEqual(['to']);
    expect(wrong({ to: null })).toEqual(['to']);
    expect(wrong({ from: null })).toEqual(['from']);
    expect(wrong({ amount: 0 })).toEqual(['amount']);
    expect(wrong({ day: '2026-02-30' })).toEqual(['day']);
  });

  it('has no lot that descends from itself', () => {
    expect(
      lineageFaults({ a: lot({ parentId: 'b' }), b: lot({ parentId: 'c' }), c: lot({ parentId: 'a' }) }).map(({ lotId }) => lotId),
    ).toEqual(['a', 'b', 'c']);
    expect(lineageFaults({ a: lot({ parentId: 'b' }), b: lot() })).toEqual([]);
    expect(lineageFaults({ a: lot({ parentId: 'z' }) })[0]!.reason).toContain('no lot “z”');
  });

  it('makes and loses no animal by any sequence of moves', () => {
    const places = ['x', 'y', 'z', 'shelf'] as const;
    const place = fc.constantFrom(...places);
    const anyMove = fc
      .record({
        day: fc.integer({ min: 1, max: 28 }),
        lotId: fc.constantFrom('a', 'b'),
        why: fc.constantFrom('arrived', 'born', 'moved', 'died', 'left', 'counted' as const),
        amount: fc.integer({ min: 0, max: 30 }),
        from: place,
        to: place,
      })
      .map(({ day, why, from, to, ...rest }) => {
        const [leaves, enters] = [['moved', 'died', 'left'].includes(why), ['moved', 'arrived', 'born', 'counted'].includes(why)];
        return { ...rest, why, day: `2026-01-${String(day).padStart(2, '0')}`, from: leaves ? from : null, to: enters ? to : null };
      })
      .filter(({ why, amount, from, to }) => (why === 'counted' || amount > 0) && (why !== 'moved' || from !== to));
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 40 }), (told) => {
        const moves = Object.fromEntries(told.map((one, i) => [`m${i}`, Move.parse({ ...one, order: i, error: 0, note: '' })]));
        const { holdings, sums, faults, stays } = holdingsOf({ a: lot(), b: lot({ order: 2 }) }, moves);
        for (const [id, sum] of sums) {
          const held = holdings.filter(({ lotId }) => lotId === id).reduce((all, { amount }) => all + amount, 0);
          expect(held).toBe(sum.arrived + sum.born + sum.found - sum.died - sum.left);
          expect(sum.here).toBe(held);
        }
        expect(holdings.every(({ amount }) => amount > 0)).toBeTrue();
        // each place that holds some has one time that is still open
        expect(stays.filter(({ to }) => to === null).length).toBe(holdings.length);
        expect(faults.length).toBeLessThanOrEqual(told.length);
        // what is left when the impossible ones are dropped is told the same
        const sound = Object.fromEntries(Object.entries(moves).filter(([id]) => !faults.some(({ moveId }) => moveId === id)));
        expect(holdingsOf({ a: lot(), b: lot({ order: 2 }) }, sound).holdings).toEqual(holdings as never);
      }),
      { numRuns: 300 },
    );
  });
});
