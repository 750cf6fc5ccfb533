import { kept } from '../testing/kept-tank';
import { FAILING, THRIVING } from '../testing/ordinary-tanks';
import { catalogue } from '../testing/tanks';
import { assess } from './assess';
import { causesOf, type Cause } from './causes';

const openCauses = (tank: Parameters<typeof kept>[0]): Cause[] =>
  causesOf(assess({ ...kept(tank), catalogue })).filter(({ severity }) => severity === 'conflict' || severity === 'watch');
const told = (causes: readonly Cause[]): string => causes.map(({ severity, head }) => `${severity} ${head.key}`).join('; ');

/** Common practice throughout: what keepers do with success for years, and what fails for one plain reason. */
describe('tanks that thrive in practice', () => {
  for (const tank of THRIVING)
    it(`${tank.name}: no conflict, at most one thing to watch`, () => {
      const causes = openCauses(tank);
      expect(causes.filter(({ severity }) => severity === 'conflict').length)
        .withContext(told(causes))
        .toBe(0);
      expect(causes.length).withContext(told(causes)).toBeLessThanOrEqual(1);
    });
});

describe('tanks that fail for one plain reason', () => {
  for (const tank of FAILING)
    it(`${tank.name}: ${tank.first.join(' or ')} is said first`, () => {
      const causes = openCauses(tank);
      const [first] = causes;
      expect(tank.first as readonly string[])
        .withContext(told(causes.slice(0, 4)))
        .toContain(first?.head.code ?? 'nothing');
      const named = [first!.head, ...first!.parts].flatMap(({ subjects }) => subjects);
      for (const place of tank.whom ?? []) expect(named).toContain(`s${place}`);
    });
});
