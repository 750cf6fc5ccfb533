import { contactsOf, type Carried, type Passage, type Stay } from './contact';
import type { Mark } from './model';
import type { ConditionId } from './conditions';

const LOTS = new Map<string, Carried>([
  ['fish', { kind: 'animal', group: 'fish' }],
  ['shrimp', { kind: 'animal', group: 'shrimp' }],
  ['moss', { kind: 'plant', group: null }],
  ['sponge', { kind: 'media', group: null }],
]);
const stay = (lotId: string, place: string, from: string, to: string | null = null): Stay => ({ lotId, place, from, to });
const passage = (lotId: string, from: string | null, to: string | null, day: string): Passage => ({ lotId, from, to, day });
const mark = (condition: ConditionId, day: string, where: { place: string } | { lotId: string }, state: Mark['state'] = 'seen'): Mark => ({
  order: 1,
  day,
  condition,
  state,
  lotId: null,
  place: null,
  note: '',
  ...where,
});
const told = (marks: readonly Mark[], stays: readonly Stay[], passages: readonly Passage[] = []) =>
  contactsOf({ marks, stays, passages, lots: LOTS, apart: 'tubs' })
    .map(({ place, lotId, since, steps }) => `${place}/${lotId ?? ''} ${since} ${steps}`)
    .sort();

describe('what travels with animals, plants and media', () => {
  const stays = [
    stay('fish', 'a', '2026-01-01', '2026-02-01'),
    stay('fish', 'b', '2026-02-01'),
    stay('shrimp', 'b', '2026-01-01'),
    stay('moss', 'a', '2026-01-01'),
  ];
  const passages = [passage('fish', null, 'a', '2026-01-01'), passage('fish', 'a', 'b', '2026-02-01')];

  it('goes where they go, from the day on which they were together', () => {
    expect(told([mark('white-spot', '2026-01-20', { place: 'a' })], stays, passages)).toEqual([
      'a/ 2026-01-20 0',
      'a/fish 2026-01-20 0',
      'a/moss 2026-01-20 0',
      'b/ 2026-02-01 1',
      'b/fish 2026-02-01 1',
      'b/shrimp 2026-02-01 1',
    ]);
  });

  it('does not go with those that left before it was there', () => {
    expect(told([mark('white-spot', '2026-02-10', { place: 'a' })], stays, passages)).toEqual(['a/ 2026-02-10 0', 'a/moss 2026-02-10 0']);
  });

  it('does not go with what cannot carry it: copper by media, never by fish', () => {
    const moved = [stay('sponge', 'a', '2026-01-01', '2026-03-01'), stay('sponge', 'b', '2026-03-01'), ...stays];
    const ways = [passage('sponge', 'a', 'b', '2026-03-01'), ...passages];
    expect(told([mark('copper', '2026-01-20', { place: 'a' })], moved, ways)).toEqual([
      'a/ 2026-01-20 0',
      'a/sponge 2026-01-20 0',
      'b/ 2026-03-01 1',
      'b/sponge 2026-03-01 1',
    ]);
  });

  it('is over where it is declared over, and not where it has gone by then', () => {
    expect(
      told([mark('white-spot', '2026-01-20', { place: 'a' }), mark('white-spot', '2026-02-15', { place: 'a' }, 'over')], stays, passages),
    ).toEqual(['b/ 2026-02-01 1', 'b/fish 2026-02-01 1', 'b/shrimp 2026-02-01 1']);
    expect(
      told([mark('white-spot', '2026-01-20', { place: 'a' }), mark('white-spot', '2026-01-25', { place: 'a' }, 'over')], stays, passages),
    ).toEqual([]);
  });

  it('that comes back after it was over is there again', () => {
    const marks = [
      mark('white-spot', '2026-01-05', { place: 'a' }),
      mark('white-spot', '2026-01-10', { place: 'a' }, 'over'),
      mark('white-spot', '2026-01-20', { place: 'a' }),
    ];
    expect(told(marks, stays, passages)).toContain('b/fish 2026-02-01 1');
  });

  it('seen on a lot is where the lot is, and counts the moves that it makes', () => {
    const long = [
      stay('fish', 'a', '2026-01-01', '2026-02-01'),
      stay('fish', 'b', '2026-02-01', '2026-03-01'),
      stay('fish', 'c', '2026-03-01'),
    ];
    const ways = [passage('fish', 'a', 'b', '2026-02-01'), passage('fish', 'b', 'c', '2026-03-01')];
    expect(told([mark('velvet', '2026-01-10', { lotId: 'fish' })], long, ways)).toEqual([
      'a/ 2026-01-10 0',
      'a/fish 2026-01-10 0',
      'b/ 2026-02-01 1',
      'b/fish 2026-02-01 1',
      'c/ 2026-03-01 2',
      'c/fish 2026-03-01 2',
    ]);
  });

  it('does not spread among tubs, where each lot stands by itself, and is taken along from there', () => {
    const tubs = [stay('moss', 'tubs', '2026-01-01', '2026-02-01'), stay('shrimp', 'tubs', '2026-01-01'), stay('moss', 'a', '2026-02-01')];
    const ways = [passage('moss', 'tubs', 'a', '2026-02-01')];
    expect(told([mark('planaria', '2026-01-10', { lotId: 'moss' })], tubs, ways)).toEqual([
      'a/ 2026-02-01 1',
      'a/moss 2026-02-01 1',
      'tubs/moss 2026-01-10 0',
    ]);
  });

  it('ends however animals go round: a ring of moves is told once', () => {
    const ring = [
      stay('fish', 'a', '2026-01-01', '2026-01-02'),
      stay('fish', 'b', '2026-01-02', '2026-01-03'),
      stay('fish', 'a', '2026-01-03'),
    ];
    const ways = [passage('fish', 'a', 'b', '2026-01-02'), passage('fish', 'b', 'a', '2026-01-03')];
    expect(told([mark('velvet', '2026-01-01', { place: 'a' })], ring, ways).filter((one) => one.startsWith('a/')).length).toBe(2);
  });
});
