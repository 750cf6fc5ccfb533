import { oxygenSaturationOf } from '../chemistry/oxygen-saturation';
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

describe('oxygen in tanks that thrive', () => {
  const moved = THRIVING.filter((tank) => {
    const { care, vessel } = kept(tank).design;
    return care.surface !== 'still' && vessel?.lid.value === 'glass';
  });

  it('stands between 5 mg/L and what water can hold, under a lid with the surface moved', () => {
    expect(moved.length).toBeGreaterThan(10);
    for (const tank of moved) {
      const { derived } = assess({ ...kept(tank), catalogue });
      const oxygen = derived['tank.settled'].value!.usual.oxygenMgPerL;
      const full = oxygenSaturationOf(Math.max(0, derived['planned.temperatureC'].value! - 1), 0);
      expect(oxygen).withContext(tank.name).toBeGreaterThan(5);
      // plants that are fed carbon dioxide give off bubbles: a tenth over
      expect(oxygen)
        .withContext(tank.name)
        .toBeLessThan(kept(tank).design.water.co2 ? full * 1.1 : full);
    }
  });

  it('runs out where far too many stand in still water', () => {
    const { design, room } = kept(THRIVING.find(({ name }) => name.startsWith('Twelve yellow labs'))!);
    const crowd = Object.fromEntries(Object.entries(design.stock).map(([id, entry]) => [id, { ...entry, count: entry.count * 12 }]));
    const still = { ...design, stock: crowd, equipment: {}, care: { ...design.care, surface: 'still' as const } };
    const finding = assess({ design: still, room, catalogue }).findings.find(({ code }) => code === 'water.oxygen');
    expect(finding?.severity).toBe('conflict');
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
