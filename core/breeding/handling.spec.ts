import { BreedingMode } from '../catalogue/organism';
import { daysFrom } from '../schedule/day';
import { handlingsOf, isAnnual, matedState, meshFor, type HandledKind } from './handling';
import { broodTimeline } from './timeline';

const kind = (part: Partial<HandledKind>): HandledKind => ({
  mode: 'scatters eggs',
  incubationDays: [2, 4],
  saleableDays: [60, 90],
  sexableDays: [30, 60],
  maturityDays: [90, 150],
  intervalDays: [10, 20],
  care: 'none',
  amphibian: false,
  neverLands: false,
  ...part,
});
const days = (part: Partial<HandledKind>) => {
  const of = kind(part);
  return Object.fromEntries(
    handlingsOf(of, broodTimeline(of, '2026-03-01')).map(({ handling, from, to }) => [
      handling,
      [daysFrom('2026-03-01', from), daysFrom('2026-03-01', to)],
    ]),
  );
};

describe('what the hand does to a brood', () => {
  it('of scatterers is to take out the adults at once, and of guards it is not', () => {
    expect(days({})).toEqual({ 'adults-out': [0, 1] });
    expect(days({ mode: 'cave', care: 'male' })).toEqual({});
  });

  it('of bubble nests is to take out the female after the spawn and the male when the young swim', () => {
    const nest = days({ mode: 'bubble nest', incubationDays: [1, 2], care: 'male' });
    expect(nest['female-out']).toEqual([0, 1]);
    expect(nest['male-out']![0]).toBe(3);
  });

  it('of mouthbrooding mothers is to strip late: after two weeks of three to four', () => {
    const [low, high] = days({ mode: 'mouthbrooder', incubationDays: [21, 28], care: 'female' })['strip']!;
    expect(low).toBeGreaterThanOrEqual(13);
    expect(high).toBeLessThan(26);
    expect(days({ mode: 'mouthbrooder', incubationDays: [20, 30], care: 'male' })).toEqual({});
  });

  it('of annual kinds is to dry the peat, to look before it is wetted, and to wet what is left once more', () => {
    const annual = kind({ mode: 'buries eggs', incubationDays: [90, 150] });
    expect(isAnnual(annual)).toBeTrue();
    expect(isAnnual(kind({ mode: 'buries eggs', incubationDays: [10, 20] }))).toBeFalse();
    const told = days({ mode: 'buries eggs', incubationDays: [90, 150] });
    expect(told['peat-away']).toEqual([7, 14]);
    expect(told['eggs-looked-at']![0]).toBe(72);
    expect(told['second-wetting']![0]).toBe(111);
  });

  it('of larvae that want the sea is salt within two days of the hatch, and fresh water only after they have settled', () => {
    const told = days({ mode: 'larvae drift to sea', incubationDays: [25, 40], care: 'female' });
    expect(told['to-salt']).toEqual([25, 42]);
    expect(told['from-salt']![0]).toBeGreaterThan(25 + 20);
    expect(days({ mode: 'carries eggs, young like adults', incubationDays: [18, 26] })['to-salt']).toBeUndefined();
  });

  it('of newts is to decide on the eggs before they develop, to sort by size, and to have land ready', () => {
    const newt = days({ mode: 'eggs on plants', incubationDays: [14, 25], amphibian: true });
    expect(newt['how-many']![1]).toBeLessThan(14);
    expect(Object.keys(newt)).toEqual(['adults-out', 'how-many', 'sort', 'land', 'rest']);
    expect(days({ mode: 'eggs on plants', incubationDays: [14, 21], amphibian: true, neverLands: true })['land']).toBeUndefined();
  });

  it('is known for every way to breed, never ends before it begins, and hangs on nothing that is not known', () => {
    for (const mode of BreedingMode.options) {
      for (const [, [from, to]] of Object.entries(days({ mode }))) expect(from!).withContext(mode).toBeLessThanOrEqual(to!);
      const blind = kind({ mode, incubationDays: null });
      for (const { handling } of handlingsOf(blind, broodTimeline(blind, '2026-03-01')))
        expect(['moult', 'adults-out', 'female-out']).withContext(mode).toContain(handling);
    }
  });
});

describe('a mesh', () => {
  it('lets eggs fall and keeps adults above, or there is none', () => {
    const [low, high] = meshFor(6)!;
    expect(low).toBeGreaterThan(1.5);
    expect(high).toBeLessThan(6);
    expect(meshFor(2.5)).toBeNull();
  });
});

describe('a female', () => {
  const born = '2026-01-01';
  const state = (apartSince: string | null, today: string) => matedState({ bornOn: born, apartSince }, [21, 35], today);

  it('is a virgin only if she was parted before anyone could breed', () => {
    expect(state('2026-01-18', '2026-06-01')).toBe('virgin');
    expect(state('2026-01-25', '2026-06-01')).toBe('may be mated');
    expect(matedState({ bornOn: null, apartSince: '2026-01-18' }, [21, 35], '2026-06-01')).toBe('may be mated');
  });

  it('keeps what she was given for months', () => {
    expect(state('2026-03-01', '2026-09-01')).toBe('may be mated');
    expect(state('2026-03-01', '2026-12-01')).toBe('spent');
    expect(state(null, '2026-12-01')).toBe('not known');
  });
});
