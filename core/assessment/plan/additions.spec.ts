import { kept } from '../../testing/kept-tank';
import { THRIVING } from '../../testing/ordinary-tanks';
import { catalogue } from '../../testing/tanks';
import { assess } from '../assess';
import { additionsOf, additionSteps } from './additions';

const tank = (start: string) => assess({ ...kept(THRIVING.find(({ name }) => name.startsWith(start))!), catalogue });

describe('animals put in one after the other', () => {
  const discus = additionsOf(tank('Six discus'));

  it('load the filter most where the heaviest come, and the worst is never under the usual', () => {
    const last = discus.at(-1)!;
    expect(catalogue.organisms.get('symphysodon-aequifasciatus')).toBeDefined();
    expect(last.ammonia!.usual).toBeGreaterThan(5 * discus[0]!.ammonia!.usual);
    for (const { ammonia, nitrite, freeAmmonia } of discus)
      for (const peak of [ammonia!, nitrite!, freeAmmonia!]) expect(peak.worst).toBeGreaterThanOrEqual(peak.usual);
    expect(last.dawnMgPerL!).toBeLessThan(discus[0]!.dawnMgPerL!);
  });

  it('free ammonia is the share of it that warmth and pH set', () => {
    const [first] = discus;
    expect(first!.freeAmmonia!.usual / first!.ammonia!.usual).toBeLessThan(0.05);
    expect(first!.freeAmmonia!.usual).toBeGreaterThan(0);
  });

  it('small ones in a planted tank are hardly seen by a kit', () => {
    for (const { ammonia } of additionsOf(tank('Celestial pearl danios with cherry'))) expect(ammonia!.worst).toBeLessThan(0.25);
  });

  it('say nothing where no water is known', () => {
    const { world } = tank('Six discus');
    const dry = assess({ ...world, design: { ...world.design, water: { ...world.design.water, parts: {} } } });
    expect(additionsOf(dry).map(({ ammonia, nitrite }) => [ammonia, nitrite])).toEqual(discus.map(() => [null, null]));
  });

  it('become steps: apart, challenge, in, a look the day after, never in before they were four weeks apart', () => {
    const steps = additionSteps(discus);
    expect(steps.map(({ after }) => after)).toEqual(steps.map(({ after }) => after).sort((a, b) => a - b));
    expect(steps[0]!.after).toBe(0);
    for (const { id } of discus) {
      const of = steps.filter(({ subjects }) => subjects[0] === id);
      const into = of.find(({ code }) => code === 'stock')!.after;
      expect(into - of.find(({ code }) => code === 'inspect')!.after).toBe(28);
      expect(of.find(({ code }) => code === 'watch')!.after).toBe(into + 1);
      expect(steps.find(({ code }) => code === 'ready')!.after).toBeLessThan(into);
    }
  });
});
