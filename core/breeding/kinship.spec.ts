import { inbreedingOf, inGenerations, kinshipBetween, kinshipOf, pairings, PedigreeFault, type Bred } from './kinship';

const bred = (id: string, motherId: string | null = null, fatherId: string | null = null, size = 1): Bred => ({
  id,
  motherId,
  fatherIds: fatherId === null ? [] : [fatherId],
  size,
});

/** Wright 1922, Am. Nat. 56:330: the sum over all paths through a common forebear of (1/2)^(steps + 1)·(1 + F of it). */
function byPaths(all: readonly Bred[], one: string, other: string): number {
  const by = new Map(all.map((x) => [x.id, x]));
  const up = (id: string): string[][] => {
    const { motherId, fatherIds } = by.get(id)!;
    return [
      [id],
      ...[motherId, ...fatherIds].flatMap((parent) => (parent !== null && by.has(parent) ? up(parent).map((path) => [id, ...path]) : [])),
    ];
  };
  const inbred = (id: string): number => {
    const {
      motherId,
      fatherIds: [fatherId],
    } = by.get(id)!;
    return motherId === null || fatherId === undefined ? 0 : byPaths(all, motherId, fatherId);
  };
  let sum = 0;
  for (const a of up(one))
    for (const b of up(other)) {
      if (a.at(-1) !== b.at(-1)) continue;
      // no animal stands twice on one path
      if (a.slice(0, -1).some((id) => b.includes(id)) || b.slice(0, -1).some((id) => a.includes(id))) continue;
      sum += 0.5 ** (a.length + b.length - 1) * (1 + inbred(a.at(-1)!));
    }
  return sum;
}

describe('kinship', () => {
  const family = [
    bred('gm'),
    bred('gf'),
    bred('m', 'gm', 'gf'),
    bred('u', 'gm', 'gf'),
    bred('h', 'gm', null),
    bred('x'),
    bred('y'),
    bred('c', 'm', 'x'),
    bred('k', 'y', 'u'),
  ];

  it('is that of the handbooks', () => {
    const kin = kinshipOf(family);
    expect(kinshipBetween(kin, 'm', 'u')).toBe(0.25);
    expect(kinshipBetween(kin, 'gm', 'm')).toBe(0.25);
    expect(kinshipBetween(kin, 'm', 'h')).toBe(0.125);
    expect(kinshipBetween(kin, 'c', 'k')).toBe(0.0625);
    expect(kinshipBetween(kin, 'gm', 'gf')).toBe(0);
    expect(kinshipBetween(kin, 'gm', 'nobody')).toBe(0);
    expect(inbreedingOf(kin, 'c')).toBe(0);
  });

  it('of brother and sister, generation after generation, is Wright’s 0.25, 0.375, 0.5, 0.594', () => {
    const line: Bred[] = [bred('f0'), bred('m0')];
    for (let g = 1; g <= 5; g++) line.push(bred(`f${g}`, `f${g - 1}`, `m${g - 1}`), bred(`m${g}`, `f${g - 1}`, `m${g - 1}`));
    const kin = kinshipOf(line);
    [0, 0.25, 0.375, 0.5, 0.59375].forEach((f, i) => expect(inbreedingOf(kin, `f${i + 1}`)).toBe(f));
  });

  it('is found by counting paths too', () => {
    const tangled = [...family, bred('z', 'c', 'u'), bred('w', 'k', 'm'), bred('v', 'z', 'u'), bred('q', 'w', 'k')];
    const kin = kinshipOf([...tangled].reverse());
    for (const { id: one } of tangled)
      for (const { id: other } of tangled)
        if (one !== other)
          expect(kinshipBetween(kin, one, other))
            .withContext(`${one} ${other}`)
            .toBeCloseTo(byPaths(tangled, one, other), 12);
  });

  it('of a group that breeds by itself follows Wright’s course for its effective size, and a pair as a group is a pair', () => {
    for (const ne of [2, 3.2, 10]) {
      const kin = kinshipOf(
        Array.from({ length: 9 }, (_, g) => bred(`g${g}`, g === 0 ? null : `g${g - 1}`, g === 0 ? null : `g${g - 1}`, ne)),
      );
      const wright = [0, 0];
      while (wright.length < 9) wright.push(wright.at(-1)! + (1 + wright.at(-2)! - 2 * wright.at(-1)!) / (2 * ne));
      wright.forEach((f, g) =>
        expect(inbreedingOf(kin, `g${g}`))
          .withContext(`${ne} ${g}`)
          .toBeCloseTo(f, 12),
      );
    }
    const pair = kinshipOf([bred('g', null, null, 2), bred('a', 'g', 'g'), bred('b', 'g', 'g')]);
    expect(inbreedingOf(pair, 'a')).toBe(0);
    expect(kinshipBetween(pair, 'a', 'b')).toBe(0.25);
  });

  it('takes the mean of the fathers that may be it', () => {
    const kin = kinshipOf([
      ...family,
      { id: 's', motherId: 'm', fatherIds: ['u', 'y'], size: 1 },
      { id: 'sure', motherId: 'm', fatherIds: ['u'], size: 1 },
    ]);
    expect(inbreedingOf(kin, 's')).toBe(0.125);
    expect(kinshipBetween(kin, 's', 'u')).toBe((kinshipBetween(kin, 'sure', 'u') + 0.125) / 2);
  });

  it('tells which pairing costs least', () => {
    const [first] = pairings(kinshipOf(family), ['m', 'c'], ['u', 'k']);
    expect(first).toEqual({ motherId: 'c', fatherId: 'k', inbreeding: 0.0625 });
  });

  it('refuses a forebear of itself, and one that stands twice', () => {
    expect(() => kinshipOf([bred('a', 'b'), bred('b', 'a')])).toThrowError(PedigreeFault, /its own forebear/);
    expect(() => kinshipOf([bred('a', 'a')])).toThrowError(PedigreeFault, /its own forebear/);
    expect(() => kinshipOf([bred('a'), bred('a')])).toThrowError(PedigreeFault, /twice/);
  });

  it('holds out on a line of thousands of generations', () => {
    const long = Array.from({ length: 5000 }, (_, i) => bred(`g${i}`, i === 0 ? null : `g${i - 1}`));
    expect(inGenerations([...long].reverse()).map(({ id }) => id)).toEqual(long.map(({ id }) => id));
  });
});
