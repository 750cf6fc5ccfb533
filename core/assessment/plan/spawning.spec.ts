import { BreedingMode, type Animal } from '../../catalogue/organism';
import type { Design } from '../../design/design';
import type { StockEntry } from '../../stocking/model';
import { METRIC } from '../../quantity/format';
import { catalogue, lowBarn as room, shellBed } from '../../testing/tanks';
import { assess } from '../assess';
import { wordSpawning } from '../wording/spawning';
import { NEEDS, spawning, type Need } from './spawning';

const animals = [...catalogue.organisms.values()].filter((one): one is Animal => one.kind === 'animal');
const withStock = (entry: Partial<StockEntry> & { organismId: string }, more: Partial<Design> = {}): Design => ({
  ...shellBed,
  stock: { one: { order: 1, count: 6, phase: 'spawn', ...entry } },
  ...more,
});
const judged = (design: Design, at = room) => spawning(assess({ design, room: at, catalogue }), 'one')!;
const stateOf = (design: Design, need: Need) => judged(design).needs.find((one) => one.need === need)!.state;

describe('readiness to spawn', () => {
  // one animal of each way to breed that the catalogue knows
  for (const mode of BreedingMode.options) {
    const animal = animals.find(({ traits }) => traits.breeding.mode.value === mode);
    if (!animal) continue;
    it(`is told in full for what “${mode}”`, () => {
      const design = withStock({ organismId: animal.id });
      const found = judged(design);
      expect(found.needs.map(({ need }) => need)).toEqual([...NEEDS]);
      const words = wordSpawning(assess({ design, room, catalogue }), 'one', METRIC)!;
      expect(words.needs.find(({ need }) => need === 'site')!.wants).toContain(mode);
      // whatever is not met says why
      for (const { state, lines, need } of words.needs)
        if (state === 'missing') expect(lines.length).withContext(`${animal.latin}: ${need}`).toBeGreaterThan(0);
    });
  }

  it('covers every way to breed that is in the catalogue', () => {
    const known = new Set(animals.flatMap(({ traits }) => traits.breeding.mode.value ?? []));
    expect(known.size).toBeGreaterThan(12);
  });

  const multi = { organismId: 'neolamprologus-multifasciatus' };
  it('wants a pair, by count, by sex, or by chance', () => {
    expect(stateOf(withStock({ ...multi, count: 1 }), 'sexes')).toBe('missing');
    expect(stateOf(withStock({ ...multi, count: 4, female: 4 }), 'sexes')).toBe('missing');
    expect(stateOf(withStock({ ...multi, count: 3 }), 'sexes')).toBe('unknown');
    const six = judged(withStock({ ...multi, count: 6 })).needs[0]!;
    expect(six.chance).toBeCloseTo(0.969, 3);
    expect(six.state).not.toBe('missing');
  });

  it('wants them grown', () => {
    expect(stateOf(withStock({ ...multi, todayMm: 12 }), 'age')).toBe('missing');
    expect(judged(withStock({ ...multi, todayMm: 12 })).needs[1]!.monthsToGrown).toBeGreaterThan(1);
    expect(stateOf(withStock(multi), 'age')).toBe('met');
  });

  it('judges the water for spawning, whatever they are kept for', () => {
    const kept = judged(withStock({ ...multi, phase: 'keep' }));
    const spawn = judged(withStock(multi));
    expect(kept.needs.map(({ state }) => state)).toEqual(spawn.needs.map(({ state }) => state));
  });

  it('of a tank that is far from it says that water is missing', () => {
    expect(
      stateOf(withStock({ organismId: 'parosphromenus-harveyi', count: 2, female: 1 }, { water: { ...shellBed.water } }), 'water'),
    ).toBe('missing');
  });

  it('gives no all-clear for what is not stated', () => {
    const bare = withStock(multi, { vessel: null, equipment: {}, care: { ...shellBed.care, menu: {} } });
    for (const need of ['room', 'light', 'food'] as const) expect(stateOf(bare, need)).withContext(need).toBe('unknown');
  });

  it('asks where the young shall go', () => {
    expect(stateOf(withStock(multi), 'homes')).toBe('watch');
    const lot = {
      order: 1,
      kind: 'animal' as const,
      organismId: multi.organismId,
      name: 'colony',
      from: '',
      parentId: null,
      line: '',
      generation: '',
      ateOn: null,
      surplus: 0,
      home: 'the exchange in March',
    };
    const at = { ...room, lots: { lot } };
    expect(judged(withStock(multi), at).needs.at(-1)!.state).toBe('met');
  });

  it('is told of nobody who lives here no more', () => {
    expect(spawning(assess({ design: withStock(multi), room, catalogue }), 'gone')).toBeNull();
  });
});
