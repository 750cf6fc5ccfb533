import { inbreedingOf, inGenerations, kinshipBetween, kinshipOf, pairings, PedigreeFault, type Bred } from './kinship';

const bred = (id: string, motherId: string | null = null, fatherId: string | null = null): Bred => ({ id, motherId, fatherId });

/** Wright 1922, Am. Nat. 56:330: the sum over all paths through a common forebear of (1/2)^(steps + 1)·(1 + F of it). */
function byPaths(all: readonly Bred[], one: string, other: string): number {
  const by = new Map(all.map((x) => [x.id, x]));
  const up = (id: string): string[][] => {
    const { motherId, fatherId } = by.get(id)!;
    return [
      [id],
      ...[motherId, fatherId].flatMap((parent) => (parent !== null && by.has(parent) ? up(parent).map((path) => [id, ...path]) : [])),
    ];
  };
  const inbred = (id: string): number => {
    const { motherId, fatherId } = by.get(id)!;
    return motherId === null || fatherId === null ? 0 : byPaths(all, motherId, fatherId);
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
