import type { BredAnimal, Line } from './model';
import { Brood } from './model';
import { inbreedingOf } from './kinship';
import { foundersOf, generationAfter, generationOf, kinshipOfRoom, pedigreeFaults } from './pedigree';

const line = (name: string, locality: string): Line => ({
  order: 1,
  name,
  organismId: 'danio',
  locality,
  source: '',
  goals: { spots: { order: 1, name: 'Spots' } },
  homesPerMonth: null,
  note: '',
});
const lines = { ford: line('Ford', 'Reedy Ford'), lake: line('Lake', 'High Lake'), shop: line('Shop', '') };
const animal = (part: Partial<BredAnimal> = {}): BredAnimal => ({
  order: 1,
  name: 'one',
  organismId: 'danio',
  lineId: 'ford',
  sex: null,
  group: null,
  motherId: null,
  fatherIds: [],
  bornOn: null,
  generation: '',
  identity: 'sure',
  apartSince: null,
  scores: {},
  fate: 'undecided',
  note: '',
  ...part,
});
const hen = animal({ name: 'Hen', sex: 'female', bornOn: '2025-01-01', generation: 'wild' });
const cock = animal({ name: 'Cock', sex: 'male', bornOn: '2025-01-01', generation: 'F1' });
const child = animal({ name: 'Child', motherId: 'hen', fatherIds: ['cock'], bornOn: '2025-08-01' });
const said = (bred: Record<string, BredAnimal>, broods: Record<string, Brood> = {}) =>
  pedigreeFaults(lines, bred, broods).map(({ path, reason }) => `${path.join('.')}: ${reason}`);
const brood = (part: object) => ({
  order: 1,
  tankId: 'tank',
  organismId: 'danio',
  motherId: null,
  fatherIds: [],
  seen: { laid: '2026-03-01' },
  eggs: null,
  hatched: null,
  raised: null,
  reared: null,
  eggsAtC: null,
  lotId: null,
  overOn: null,
  note: '',
  ...part,
});

describe('a pedigree', () => {
  it('that can be has nothing said of it', () => {
    expect(said({ hen, cock, child })).toEqual([]);
  });

  it('is refused with place and reason where a parent cannot be one', () => {
    expect(said({ hen: { ...hen, bornOn: '2025-09-01' }, cock, child })[0]).toMatch(
      /^bred\.child\.motherId: “Hen” was born on 2025-09-01, and Child on 2025-08-01/,
    );
    expect(said({ hen: { ...hen, sex: 'male' }, cock, child })[0]).toMatch(/motherId: “Hen” is a male/);
    expect(said({ hen, cock: { ...cock, sex: 'female' }, child })[0]).toMatch(/fatherIds: “Cock” is a female/);
    expect(said({ hen, child })[0]).toMatch(/fatherIds: there is no animal “cock”/);
    expect(said({ hen, cock: { ...cock, organismId: 'other', lineId: null }, child })[0]).toMatch(/another kind/);
    expect(said({ hen, cock, child: { ...child, fatherIds: ['cock', 'cock'] } })[0]).toMatch(/twice/);
    expect(said({ hen: { ...hen, scores: { size: 4 } } })[0]).toMatch(/scores\.size: is no goal/);
    expect(said({ hen: { ...hen, lineId: 'none' } })[0]).toMatch(/no line/);
  });

  it('with a ring in it is refused', () => {
    const ring = { a: animal({ name: 'A', motherId: 'b' }), b: animal({ name: 'B', motherId: 'a' }) };
    expect(said(ring).join()).toMatch(/is its own forebear/);
  });

  it('takes no animal of another locality into a line that has one, and no look-alike', () => {
    expect(said({ hen, cock: { ...cock, lineId: 'lake' }, child })[0]).toMatch(/“Cock” is from High Lake, “Ford” from Reedy Ford/);
    expect(said({ hen, cock: { ...cock, lineId: null }, child })[0]).toMatch(/of no known locality/);
    expect(said({ hen: { ...hen, identity: 'looks' }, cock })[0]).toMatch(/look-alike/);
    // a line that keeps to no place may be crossed
    const mixed = { hen, cock: { ...cock, lineId: 'lake' }, child: { ...child, lineId: 'shop' } };
    expect(said(mixed)).toEqual([]);
  });

  it('counts generations on from the founder that is furthest from the wild, and says nothing where one is not known', () => {
    const all = { hen, cock, child, next: animal({ motherId: 'child', fatherIds: ['cock'] }) };
    expect(['hen', 'cock', 'child', 'next'].map((id) => generationOf(all, id))).toEqual(['wild', 'F1', 'F2', 'F3']);
    expect(['wild', 'WC', 'F3', 'tank-bred', ''].map(generationAfter)).toEqual(['F1', 'F1', 'F4', '', '']);
    expect(generationOf({ ...all, hen: { ...hen, generation: '' } }, 'child')).toBe('');
  });

  it('shares out the blood of the founders, which adds up to the whole', () => {
    const all = { hen, cock, child, back: animal({ motherId: 'child', fatherIds: ['cock'] }) };
    expect([...foundersOf(all).get('back')!]).toEqual([
      ['hen', 0.25],
      ['cock', 0.75],
    ]);
    expect(inbreedingOf(kinshipOfRoom(all), 'back')).toBe(0.25);
  });

  it('takes a group as one parent: young of two males and four females breed with one another at a cost', () => {
    const group = animal({ group: { males: 2, females: 4 } });
    const all = {
      group,
      young: animal({ group: { males: 1, females: 1 }, motherId: 'group', fatherIds: ['group'] }),
      f2: animal({ motherId: 'young', fatherIds: ['young'] }),
    };
    const kin = kinshipOfRoom(all);
    expect(inbreedingOf(kin, 'young')).toBe(0);
    // Ne = 4·2·4/6 = 16/3: kinship of two of its young is 1/(2·Ne)
    expect(inbreedingOf(kin, 'f2')).toBeCloseTo(3 / 32, 12);
  });
});

describe('a brood', () => {
  const reasons = (part: object) => {
    const read = Brood.safeParse(brood(part));
    return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
  };

  it('that can be is taken', () => {
    expect(reasons({ eggs: 30, hatched: 20, raised: 20, seen: { laid: '2026-03-01', hatched: '2026-03-04' } })).toEqual([]);
  });

  it('is refused with place and reason', () => {
    expect(reasons({ eggs: 30, hatched: 31 })).toEqual(['hatched: 31 cannot hatch of 30 eggs']);
    expect(reasons({ hatched: 8, raised: 9 })).toEqual(['raised: 9 cannot be raised of 8 that hatched']);
    expect(reasons({ eggs: 8, raised: 9 })).toEqual(['raised: 9 cannot be raised of 8 eggs']);
    expect(reasons({ eggs: -1 })[0]).toMatch(/eggs: less than none/);
    expect(reasons({ seen: { laid: '2026-03-04', hatched: '2026-03-01' } })[0]).toMatch(/2026-03-01 is before 2026-03-04/);
    expect(reasons({ seen: {} })[0]).toMatch(/on which day it was laid/);
    expect(reasons({ overOn: '2026-02-01' })[0]).toMatch(/before it was laid/);
  });

  it('has its parents looked at as an animal has', () => {
    const of = (part: object) => Brood.parse(brood(part));
    expect(said({ hen, cock }, { b: of({ motherId: 'cock' }) })[0]).toMatch(/^broods\.b\.motherId: “Cock” is a male/);
    expect(said({ hen, cock }, { b: of({ motherId: 'hen', seen: { laid: '2024-03-01' } }) })[0]).toMatch(/older than its young/);
  });
});
