import { carbonateAtPco2 } from '../chemistry/carbonate-system';
import { rangeFor, type Animal } from '../catalogue/organism';
import { MEQ_PER_DEGREE_ALKALINITY } from '../quantity/unit';
import { kept, type KeptTank } from '../testing/kept-tank';
import { catalogue } from '../testing/tanks';
import { assess } from './assess';

const ANIMALS = [...new Set(catalogue.organisms.values())].filter((entry): entry is Animal => entry.kind === 'animal');
const middle = (of: readonly [number | null, number | null] | undefined, otherwise: number): number =>
  of ? ((of[0] ?? of[1] ?? otherwise) + (of[1] ?? of[0] ?? otherwise)) / 2 : otherwise;

/** A tank of its own for a kind: as much floor and water as it asks for and a little more, at the middle of its comfort. */
function ownTank(animal: Animal): KeptTank | null {
  const comfort = (parameter: 'temperatureC' | 'ghDh' | 'khDh' | 'salinity') => rangeFor(animal, 'keep', parameter)?.value?.optimum;
  const salinity = middle(comfort('salinity'), 0);
  // between the waters the middle is a mixture of its own
  if (salinity > 0.8 && salinity < 25) return null;
  const [lengthMm, widthMm] = (animal.traits.footprintMm.value ?? [400, 250]).map((side) => Math.round(side * 1.2)) as [number, number];
  const litres = (animal.traits.volumeL.value ?? 30) * 1.3;
  const heightMm = Math.max(150, Math.min(700, Math.round((litres * 1e6) / (lengthMm * widthMm)) + 60));
  const celsius = middle(comfort('temperatureC'), 24);
  return {
    name: animal.id,
    sizeMm: [lengthMm, widthMm, heightMm],
    water: salinity > 25 ? 'sea' : 'ordinary',
    filter: 'canister',
    surface: 'air-stone',
    bed: [['fine-quartz-sand', Math.max(40, (animal.traits.bedMm.value ?? 0) + 10)]],
    ...(celsius > 19 ? { heaterC: celsius } : { coolerC: celsius }),
    room: celsius > 23 ? 'fishroom' : celsius > 19 ? 'home' : 'cellar',
    stock: [[animal.id, animal.traits.groupMin.value ?? 1]],
    more: (_, room) => {
      for (const source of Object.values(room.sources)) {
        if (salinity > 25) source.salinity = { value: salinity, basis: 'measured' };
        else {
          source.ghDh = { value: middle(comfort('ghDh'), 8), basis: 'measured' };
          source.khDh = { value: Math.max(0.1, middle(comfort('khDh'), 4)), basis: 'measured' };
          source.ec25UsPerCm = { value: null, basis: 'measured' };
          source.ph = { value: null, basis: 'measured' };
        }
      }
    },
  };
}

describe('every kind of the catalogue', () => {
  it('can be kept by itself in a tank of its own: nothing in it contradicts itself', () => {
    let judged = 0;
    for (const animal of ANIMALS) {
      const own = ownTank(animal);
      if (!own) continue;
      judged += 1;
      const { findings } = assess({ ...kept(own), catalogue });
      // acid of its own making, of leaves and wood, is not in this tank
      const acid = middle(rangeFor(animal, 'keep', 'ph')?.value?.optimum, 7) < 6.6;
      const wrong = findings.filter(({ severity, parameter }) => severity === 'conflict' && !(acid && parameter === 'ph'));
      expect(wrong.map(({ key }) => key))
        .withContext(animal.id)
        .toEqual([]);
    }
    expect(judged).toBeGreaterThan(280);
  });

  it('has pH and KH that can meet: some KH it bears settles, between thin and thick air, at a pH it bears', () => {
    const thickest = 6000;
    const thinnest = 400;
    const phAt = (khDh: number, pco2Uatm: number) =>
      carbonateAtPco2({ temperatureC: 25, alkalinityMeqPerL: Math.max(0.02, khDh * MEQ_PER_DEGREE_ALKALINITY) }, pco2Uatm).ph;
    for (const animal of ANIMALS) {
      const [ph, kh] = [rangeFor(animal, 'keep', 'ph')?.value, rangeFor(animal, 'keep', 'khDh')?.value];
      if (!ph || !kh || middle(rangeFor(animal, 'keep', 'salinity')?.value?.optimum, 0) > 2) continue;
      // the softest it bears must not stand above its pH, nor the hardest below it
      const lowest = phAt(kh.tolerance[0] ?? 0, thickest);
      const highest = phAt(kh.tolerance[1] ?? 20, thinnest);
      expect(lowest)
        .withContext(`${animal.id}: softest`)
        .toBeLessThanOrEqual(ph.tolerance[1] ?? 14);
      expect(highest)
        .withContext(`${animal.id}: hardest`)
        .toBeGreaterThanOrEqual(ph.tolerance[0] ?? 0);
      // and what it bears of hardness does not by itself stand above what it bears of pH, in the thick air of a full tank
      expect(phAt(kh.tolerance[1] ?? 0, 4000))
        .withContext(`${animal.id}: KH ${kh.tolerance[1]}`)
        .toBeLessThanOrEqual((ph.tolerance[1] ?? 14) + 0.3);
    }
  });
});
