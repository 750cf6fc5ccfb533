import { lossesOf } from './losses';
import type { Lot, Move } from './model';

const lot: Lot = {
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
};
const move = (day: string, why: Move['why'], amount: number): Move => ({
  order: 1,
  day,
  lotId: 'a',
  why,
  amount,
  error: 0,
  from: why === 'died' ? 'x' : null,
  to: why === 'died' ? null : 'x',
  note: '',
});
const losses = (...moves: Move[]) => lossesOf({ a: lot }, Object.fromEntries(moves.map((one, i) => [`m${i}`, one])), '2026-06-01');

describe('losses after animals came', () => {
  it('are told from more than one in ten on, within two months', () => {
    expect(losses(move('2026-03-01', 'arrived', 20), move('2026-03-10', 'died', 2))).toEqual([]);
    expect(losses(move('2026-03-01', 'arrived', 20), move('2026-03-10', 'died', 3))).toEqual([{ lotId: 'a', came: 20, died: 3 }]);
    expect(losses(move('2026-03-01', 'arrived', 20), move('2026-05-20', 'died', 9))).toEqual([]);
  });
  it('of years ago are no news, and of those born here tell nothing of a seller', () => {
    expect(losses(move('2024-03-01', 'arrived', 20), move('2024-03-10', 'died', 9))).toEqual([]);
    expect(losses(move('2026-03-01', 'born', 20), move('2026-03-10', 'died', 9))).toEqual([]);
  });
});
