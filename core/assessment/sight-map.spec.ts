import { evaluateUnknown } from '../calculation/calculation';
import type { Animal } from '../catalogue/organism';
import { kindCalculations } from '../stocking/by-kind';
import { mostTerritories, partiesOf, territoryRadiusMm } from '../stocking/territories';
import { catalogue, find, judge, piece, shellBed, tank } from '../testing/tanks';
import { newPlanting } from '../plants/model';
import { sightMapsOf } from './sight-map';

const animal = (id: string) => catalogue.organisms.get(id) as Animal;

describe('territories', () => {
  it('lie no closer than circles go: 0.9069 of the floor', () => {
    expect(mostTerritories(1, Math.sqrt(0.9068 / Math.PI / 10))).toBe(10);
    expect(mostTerritories(1, Math.sqrt(0.9071 / Math.PI / 10))).toBe(9);
    expect(mostTerritories(0.01, 0.3)).toBe(0);
  });
  it('are as wide as the floor of the smallest proper group, of those that hold ground at the bottom', () => {
    const { footprintMm } = animal('pelvicachromis-pulcher').traits;
    expect(territoryRadiusMm(animal('pelvicachromis-pulcher'))).toBeCloseTo(
      Math.sqrt((footprintMm.value![0] * footprintMm.value![1]) / Math.PI),
      9,
    );
    expect(territoryRadiusMm(animal('danio-margaritatus'))).toBeNull();
  });
  it('are held by a colony together, by pairs two by two', () => {
    expect(partiesOf(animal('neolamprologus-multifasciatus'), 9)).toBe(1);
    expect(partiesOf(animal('pelvicachromis-pulcher'), 4)).toBe(2);
  });
});

describe('who sees whom', () => {
  const cave = (x: number, turn: number) =>
    piece('small-mouth-cave', { order: 1, edges: 'ground', positionMm: [x, 170, 0], turnDeg: [0, 0, turn] });
  const dwarfs = (more: Record<string, unknown> = {}) => {
    const design = tank([['apistogramma-cacatuoides', 4, 'spawn']]);
    return judge({ ...design, scene: { left: cave(170, 180), right: cave(500, 0), ...more } as typeof design.scene });
  };

  it('is nobody while the floor is bare, and nobody where none holds ground', () => {
    expect(sightMapsOf(judge(tank([['danio-margaritatus', 10]])))).toEqual([]);
    expect(sightMapsOf(judge(tank([['apistogramma-cacatuoides', 2]])))[0]!.lines).toEqual([]);
  });

  it('is told from each hide that lets it in, with what stands between', () => {
    const [open] = sightMapsOf(dwarfs());
    expect(open!.sites.map(({ id }) => id)).toEqual(['left', 'right']);
    expect(open!.lines.map(({ share }) => share)).toEqual([1]);
    const [x, y] = open!.partAtMm!;
    const [parted] = sightMapsOf(dwarfs({ stone: piece('rounded-stone', { order: 9, positionMm: [x, y, 0], sizeMm: [60, 80, 120] }) }));
    expect(parted!.lines.map(({ share, by }) => [share, by])).toEqual([[0, 'stone']]);
    expect(parted!.partAtMm).toBeNull();
  });

  it('is broken by a stand of plants as they are grown', () => {
    const [x, y] = sightMapsOf(dwarfs())[0]!.partAtMm!;
    const moss = { ...newPlanting('cryptocoryne-wendtii', 9, [x, y, 0]), count: 12, spreadMm: 60 };
    const [line] = sightMapsOf(dwarfs({ moss }))[0]!.lines;
    expect(line!.share).toBeLessThan(0.5);
    expect(line!.by).toBe('moss');
  });

  it('lets mouths face each other only where nothing stands between them', () => {
    const near = (more: Record<string, unknown> = {}) => {
      const design = tank([['apistogramma-cacatuoides', 2, 'spawn']]);
      const left = cave(300, 180);
      const right = { ...cave(460, 0), order: 2 };
      return judge({ ...design, scene: { left, right, ...more } as typeof design.scene });
    };
    expect(find(near(), 'hardscape.facing:s0')?.severity).toBe('watch');
    const stone = piece('rounded-stone', { order: 9, positionMm: [380, 170, 0], sizeMm: [30, 60, 120] });
    expect(find(near({ stone }), 'hardscape.facing:s0')).toBeUndefined();
  });

  it('knows a colony among its shells', () => {
    const [colony] = sightMapsOf(judge(shellBed));
    expect([colony!.memberId, colony!.parties, colony!.together, colony!.partAtMm]).toEqual(['colony', 1, true, null]);
    expect(colony!.sites.length).toBe(14);
    expect(colony!.lines.some(({ share }) => share === 0)).toBeTrue();
    for (const { distanceMm } of colony!.lines) expect(distanceMm).toBeLessThanOrEqual(2 * colony!.radiusMm);
  });
});

describe('what is asked of a kind by its id', () => {
  const [mass, oxygen] = kindCalculations(catalogue.organisms) as [
    ReturnType<typeof kindCalculations>[number],
    ReturnType<typeof kindCalculations>[number],
  ];

  it('gives weight at its grown length, by the cube of it smaller', () => {
    // a grown neon of 35 mm weighs about a third of a gram: common practice
    const grown = evaluateUnknown(mass, { organismId: 'paracheirodon-innesi' }) as { value: { grams: number; low: number; high: number } };
    expect(grown.value.grams).toBeGreaterThan(0.15);
    expect(grown.value.grams).toBeLessThan(0.6);
    expect(grown.value.low * grown.value.high).toBeCloseTo(grown.value.grams ** 2, 9);
    const length = animal('paracheirodon-innesi').sizeMm.length.value!;
    const half = evaluateUnknown(mass, { organismId: 'paracheirodon-innesi', lengthMm: length / 2 }) as typeof grown;
    expect(half.value.grams).toBeCloseTo(grown.value.grams / 8, 6);
  });
  it('gives breath that doubles or so in ten degrees', () => {
    const at = (temperatureC: number) =>
      (evaluateUnknown(oxygen, { organismId: 'paracheirodon-innesi', grams: 0.3, temperatureC }) as { value: { mgPerHour: number } }).value
        .mgPerHour;
    expect(at(25) / at(15)).toBeGreaterThan(1.6);
    expect(at(25) / at(15)).toBeLessThan(2.4);
    // small fish take 200 to 600 mg a kilogram and hour at 25 °C: common practice
    expect((at(25) / 0.3) * 1000).toBeGreaterThan(200);
    expect((at(25) / 0.3) * 1000).toBeLessThan(600);
  });
  it('refuses what is no animal', () => {
    expect(() => evaluateUnknown(mass, { organismId: 'ceratophyllum-demersum' })).toThrowError(/no animal of that id/);
    expect(() => evaluateUnknown(oxygen, { organismId: 'paracheirodon-innesi', grams: -1, temperatureC: 25 })).toThrowError(
      /weighs something/,
    );
  });
});
