import type { Animal } from '../../catalogue/organism';
import { daysFrom } from '../../schedule/day';
import { catalogue } from '../../testing/tanks';
import { wordBroodDays } from './brood-days';

const animals = [...catalogue.organisms.values()].filter((one): one is Animal => one.kind === 'animal');
const days = (id: string) => wordBroodDays(catalogue.organisms.get(id) as Animal, '2026-03-01')!;
const from = (id: string, name: string) => {
  const line = days(id).find((one) => one.name === name)!;
  return [daysFrom('2026-03-01', line.from), daysFrom('2026-03-01', line.to)];
};

describe('the days of a brood in words', () => {
  it('are told of every animal whose way to breed is known, in order', () => {
    for (const animal of animals) {
      const lines = wordBroodDays(animal, '2026-03-01');
      expect(lines === null)
        .withContext(animal.latin)
        .toBe(animal.traits.breeding.mode.value === null);
      for (const [i, line] of (lines ?? []).entries()) {
        expect(line.todo.length).withContext(`${animal.latin} ${line.name}`).toBeGreaterThan(20);
        if (i > 0)
          expect(line.from >= lines![i - 1]!.from)
            .withContext(animal.latin)
            .toBeTrue();
      }
    }
  });

  it('have the figures of practice', () => {
    // cherry shrimp: three to four weeks carried, sold at about two months, young of their own at about three
    expect(from('neocaridina-davidi', 'Dropped')).toEqual([18, 26]);
    const sold = from('neocaridina-davidi', 'To be given on');
    expect(sold[0]).toBeGreaterThan(35);
    expect(sold[1]).toBeLessThan(90);
    // guppies are parted at three to five weeks, or there are no virgins
    const sexes = days('poecilia-reticulata').find(({ stage }) => stage === 'sexable')!;
    const born = days('poecilia-reticulata').find(({ stage }) => stage === 'hatched')!;
    expect(daysFrom(born.from, sexes.from)).toBeLessThan(28);
    expect(sexes.todo).toContain('virgins');
  });

  it('say who stays with the eggs, and who eats them', () => {
    expect(days('danio-margaritatus').find(({ key }) => key === 'adults-out')!.todo).toContain('Take out the adults');
    expect(days('parosphromenus-harveyi')[0]!.todo).toContain('the father');
    expect(days('pterapogon-kauderni')[0]!.name).toBe('Taken up');
  });

  it('give nobody on before it has settled', () => {
    const lines = days('caridina-multidentata');
    const settled = lines.find(({ name }) => name === 'Settled')!;
    expect(lines.find(({ stage }) => stage === 'saleable')!.from > settled.from).toBeTrue();
  });

  it('name the schools of a mouthbrooder, and the mesh of a scatterer', () => {
    expect(days('labidochromis-caeruleus').find(({ key }) => key === 'strip')!.todo).toMatch(/Three schools.*group.*Parted.*Stripped/);
    expect(days('pterapogon-kauderni').some(({ key }) => key === 'strip')).toBeFalse();
    expect(days('danio-margaritatus').find(({ key }) => key === 'adults-out')!.todo).toMatch(/a mesh of [\d.]+ to [\d.]+ mm/);
  });

  it('carry peat, salt and land where the kind wants them', () => {
    const keys = (id: string) => days(id).map(({ key }) => key);
    expect(days('nothobranchius-guentheri').find(({ stage }) => stage === 'hatched')!.name).toBe('Wetted');
    expect(keys('nothobranchius-guentheri')).toContain('peat-away');
    expect(keys('caridina-multidentata')).toContain('to-salt');
    expect(keys('neocaridina-davidi')).not.toContain('to-salt');
    expect(keys('cynops-pyrrhogaster')).toContain('land');
    expect(keys('ambystoma-mexicanum')).not.toContain('land');
  });

  it('are reckoned from what was seen, and by the warmth of the eggs', () => {
    const danio = catalogue.organisms.get('danio-margaritatus') as Animal;
    const seen = wordBroodDays(danio, '2026-03-01', { seen: { hatched: '2026-03-05' }, eggsAtC: null })!;
    const hatched = seen.find(({ stage }) => stage === 'hatched')!;
    expect([hatched.from, hatched.to, hatched.seen]).toEqual(['2026-03-05', '2026-03-05', true]);
    const cold = wordBroodDays(danio, '2026-03-01', { seen: {}, eggsAtC: 16 })!.find(({ stage }) => stage === 'hatched')!;
    expect(cold.to > days('danio-margaritatus').find(({ stage }) => stage === 'hatched')!.to).toBeTrue();
  });
});
