import { chiSquare, cross, crossCalculation, parentFault, type Locus, type Parent } from './cross';

const locus = (alleles: string[], more: Partial<Locus> = {}): Locus => ({
  name: alleles.join(''),
  alleles,
  dominance: 'full',
  on: 'body',
  lethal: null,
  apart: 0.5,
  ...more,
});
const parent = (one: (string | null)[], other: (string | null)[]): Parent => ({ sets: [one, other] });
const share = (young: readonly { looks: string; share: number; sex?: string | null }[], looks: string, sex?: string): number =>
  young.filter((one) => one.looks === looks && (sex === undefined || one.sex === sex)).reduce((sum, one) => sum + one.share, 0);

const A = locus(['A', 'a']);
const B = locus(['B', 'b']);

describe('a cross', () => {
  it('of two that carry one form is 1 : 2 : 1, and 3 : 1 in looks', () => {
    const { young, looks } = cross([A], [parent(['A'], ['a']), parent(['A'], ['a'])]);
    expect(young.map(({ genotype, share: of }) => [genotype, of])).toEqual(
      [
        ['Aa', 0.5],
        ['aa', 0.25],
        ['AA', 0.25],
      ].sort((a, b) => Number(b[1]) - Number(a[1]) || String(a[0]).localeCompare(String(b[0]))) as [string, number][],
    );
    expect(share(looks, 'A')).toBe(0.75);
  });

  it('of two loci that go by themselves is 9 : 3 : 3 : 1', () => {
    const both = parent(['A', 'B'], ['a', 'b']);
    const { looks } = cross([A, B], [both, both]);
    expect(looks.map(({ share: of }) => of * 16)).toEqual([9, 3, 3, 1]);
  });

  it('back to the covered form, a test cross, is half and half', () => {
    const { looks } = cross([A], [parent(['A'], ['a']), parent(['a'], ['a'])]);
    expect(looks.map(({ share: of }) => of)).toEqual([0.5, 0.5]);
  });

  it('leaves two carriers in three among those that look whole', () => {
    const { young } = cross([A], [parent(['A'], ['a']), parent(['A'], ['a'])]);
    const whole = young.filter(({ looks }) => looks === 'A');
    expect(
      share(
        whole.filter(({ genotype }) => genotype === 'Aa'),
        'A',
      ) / share(whole, 'A'),
    ).toBeCloseTo(2 / 3, 12);
  });

  it('of linked loci parts as often as is stated', () => {
    const linked = [A, { ...B, apart: 0.1 }];
    const { looks } = cross(linked, [parent(['A', 'B'], ['a', 'b']), parent(['a', 'b'], ['a', 'b'])]);
    expect(share(looks, 'A, B')).toBeCloseTo(0.45, 12);
    expect(share(looks, 'A, b')).toBeCloseTo(0.05, 12);
  });

  it('of a form that kills when doubled is 2 : 1 among those that live', () => {
    // yellow in mice, Cuénot 1905 and Castle and Little 1910
    const yellow = locus(['Y', 'y'], { lethal: 'Y' });
    const { young, lost } = cross([yellow], [parent(['Y'], ['y']), parent(['Y'], ['y'])]);
    expect(lost).toBe(0.25);
    expect(share(young, 'Y')).toBeCloseTo(2 / 3, 12);
  });

  it('of a form on the X gives sons what the mother has', () => {
    // white eye in Drosophila, Morgan 1910: white mothers, red fathers; all sons white, all daughters red
    const eye = locus(['red', 'white'], { on: 'x' });
    const { young } = cross([eye], [parent(['white'], ['white']), parent(['red'], [null])]);
    expect(share(young, 'white', 'male')).toBe(0.5);
    expect(share(young, 'red', 'female')).toBe(0.5);
    expect(young.find(({ sex }) => sex === 'male')!.genotype).toBe('white/-');
  });

  it('of a form on the Y goes from father to son', () => {
    // maculatus in the guppy, Winge 1922
    const spot = locus(['Ma', 'plain'], { on: 'y' });
    const { young } = cross([spot], [parent([null], [null]), parent([null], ['Ma'])]);
    expect(young).toEqual([
      { sex: 'female', genotype: '-', looks: '', share: 0.5 },
      { sex: 'male', genotype: 'Ma/-', looks: 'Ma', share: 0.5 },
    ]);
  });

  it('where mothers have the two different ones turns round', () => {
    const bar = locus(['barred', 'plain'], { on: 'x' });
    const { young } = cross([bar], [parent(['barred'], [null]), parent(['plain'], ['plain'])], 'mother');
    expect(share(young, 'plain', 'female')).toBe(0.5);
    expect(share(young, 'barred', 'male')).toBe(0.5);
  });

  it('sums to one, whatever is crossed', () => {
    const half = locus(['R', 'W'], { dominance: 'half' });
    const many = [A, { ...B, apart: 0.2 }, half, locus(['x1', 'x2'], { on: 'x' })];
    const mother = parent(['A', 'b', 'R', 'x1'], ['a', 'B', 'W', 'x2']);
    const father = parent(['A', 'B', 'W', 'x2'], ['a', 'b', 'W', null]);
    const { young, looks } = cross(many, [mother, father]);
    for (const list of [young, looks]) expect(list.reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(1, 12);
    expect(looks.some(({ looks: seen }) => seen.includes('between R and W'))).toBeTrue();
    expect(young.filter(({ sex }) => sex === 'male').reduce((sum, one) => sum + one.share, 0)).toBeCloseTo(0.5, 12);
  });

  it('refuses a parent that cannot be, with the place', () => {
    expect(parentFault([A], parent(['A'], ['c']), false)).toBe('Aa has no form c');
    expect(parentFault([A], parent(['A'], [null]), false)).toContain('is missing');
    expect(parentFault([locus(['A', 'a'], { on: 'x' })], parent(['A'], ['a']), true)).toContain('no such place');
    expect(parentFault([locus(['A', 'a'], { lethal: 'a' })], parent(['a'], ['a']), false)).toContain('none lives');
    const read = crossCalculation.inputs.safeParse({ loci: [A], parents: [parent(['A'], ['a']), parent(['A'], ['q'])] });
    expect(read.success).toBeFalse();
    if (!read.success) expect(read.error.issues[0]!.path).toEqual(['parents', 1]);
  });
});

describe('what came against what was expected', () => {
  it('is judged by chi-square: Mendel’s peas', () => {
    // Mendel 1866: 5474 round, 1850 wrinkled. Chi-square 0.2629, as handbooks print it
    const found = chiSquare([5474, 1850], [0.75, 0.25])!;
    expect(found.chiSquare).toBeCloseTo(0.2629, 3);
    expect(found.chance).toBeGreaterThan(0.6);
    // 315, 108, 101, 32 against 9 : 3 : 3 : 1: 0.470 with three degrees of freedom, P 0.925
    const four = chiSquare([315, 108, 101, 32], [9 / 16, 3 / 16, 3 / 16, 1 / 16])!;
    expect(four.chiSquare).toBeCloseTo(0.47, 2);
    expect(four.chance).toBeCloseTo(0.925, 3);
  });

  it('has the critical values of the tables', () => {
    const at = (chi: number, freedom: number) => {
      // two classes of even chance whose difference makes this chi-square, and classes that are just right
      const n = 4000;
      const k = freedom + 1;
      const off = Math.sqrt((chi * n) / k / 2);
      return chiSquare([n / k + off, n / k - off, ...new Array<number>(k - 2).fill(n / k)], new Array<number>(k).fill(1 / k))!;
    };
    for (const [freedom, critical] of [
      [1, 3.841],
      [2, 5.991],
      [3, 7.815],
      [4, 9.488],
    ] as const)
      expect(at(critical, freedom).chance).toBeCloseTo(0.05, 3);
    expect(chiSquare([0, 0], [0.5, 0.5])).toBeNull();
  });
});
