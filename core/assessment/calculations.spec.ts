import { BadInput, evaluateUnknown } from '../calculation/calculation';
import { createRegistry } from '../calculation/registry';
import { calculations } from './calculations';

describe('the registry', () => {
  it('describes every calculation in full', () => {
    for (const { id, title, formula, validity, uncertainty, source } of calculations.all) {
      expect(id).toMatch(/^[a-z]+(\.[a-z0-9-]+)+$/);
      for (const text of [title, formula, validity, uncertainty]) expect(text.length).withContext(id).toBeGreaterThan(8);
      expect(source.length).withContext(id).toBeGreaterThan(0);
    }
  });

  it('refuses two calculations with one id', () => {
    expect(() => createRegistry([calculations.all[0]!, calculations.all[0]!])).toThrowError(/share an id/);
  });

  it('answers in the shape of its outputs', () => {
    const inputs: Record<string, unknown> = {
      'vessel.box-volume': { lengthMm: 600, widthMm: 300, heightMm: 360 },
      'vessel.water-volume': { lengthMm: 600, widthMm: 300, waterLevelMm: 340, displacedL: 0 },
      'water.blend': { parts: [{ share: 1, value: 3 }] },
      'water.gh-from-ions': { calciumMgPerL: 40, magnesiumMgPerL: 5 },
      'water.kh-from-ions': { bicarbonateMgPerL: 100 },
      'water.equilibrium-ph': { temperatureC: 25, alkalinityMeqPerL: 1, pco2Uatm: 420 },
      'water.free-ammonia-fraction': { temperatureC: 25, ph: 8, salinity: 0 },
    };
    for (const calc of calculations.all) {
      const outcome = evaluateUnknown(calc, inputs[calc.id]);
      expect(calc.outputs.safeParse(outcome.value).success).withContext(calc.id).toBeTrue();
    }
  });

  it('names each bad field', () => {
    const calc = calculations.find('water.free-ammonia-fraction')!;
    expect(() => evaluateUnknown(calc, { temperatureC: 'warm', ph: 8, salinity: 0 })).toThrowError(BadInput, /temperatureC/);
    expect(() => evaluateUnknown(calc, { temperatureC: 25, ph: 8, salinity: 0, extra: 1 })).toThrowError(BadInput, /extra/);
    expect(() => evaluateUnknown(calc, null)).toThrowError(BadInput);
  });
});
