import { PlantForm, type Plant } from '../../core/catalogue/organism';
import { catalogue } from '../../core/testing/tanks';
import { crownPath, habitPath } from './plant-forms';

const plants = [...catalogue.organisms.values()].filter((entry): entry is Plant => entry.kind === 'plant');
const ofForm = (form: Plant['form']) => plants.find((plant) => plant.form === form)!;
const seed = (i: number) => ((i * 37) % 100) / 100;
const points = (path: string) => [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);

describe('plants as they are drawn', () => {
  for (const form of PlantForm.options) {
    it(`a ${form} is as tall and wide as it is, from the front and from above`, () => {
      const side = habitPath(ofForm(form), { heightMm: 200, widthMm: 100 }, [0, 0], seed);
      expect(side).not.toMatch(/NaN|undefined|Infinity/);
      const reach = points(side.replace(/q[^MCQLZ]*/g, ''));
      const [xs, ys] = [reach.map(([x]) => x), reach.map(([, y]) => y)];
      expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(100);
      expect(Math.max(...ys)).toBeLessThanOrEqual(form === 'moss' ? 275 : 215);
      expect(Math.max(...xs.map(Math.abs))).toBeLessThanOrEqual(110);
      const above = points(crownPath(ofForm(form), { heightMm: 200, widthMm: 100 }, [500, 300], seed));
      for (const [x, y] of above) expect(Math.hypot(x - 500, y - 300)).toBeLessThanOrEqual(75);
    });
  }
  it('are each of a habit of their own, and the same every time', () => {
    const all = PlantForm.options.map((form) => habitPath(ofForm(form), { heightMm: 200, widthMm: 100 }, [0, 0], seed));
    expect(new Set(all).size).toBe(PlantForm.options.length);
    expect(habitPath(ofForm('stem'), { heightMm: 200, widthMm: 100 }, [0, 0], seed)).toBe(all[PlantForm.options.indexOf('stem')]!);
  });
  it('go where they stand', () => {
    const [a, b] = [
      habitPath(ofForm('lily'), { heightMm: 90, widthMm: 60 }, [0, 0], seed),
      habitPath(ofForm('lily'), { heightMm: 90, widthMm: 60 }, [40, 7], seed),
    ];
    points(b).forEach(([x, y], i) => {
      expect(x - points(a)[i]![0]).toBeCloseTo(40, 0);
      expect(y - points(a)[i]![1]).toBeCloseTo(7, 0);
    });
  });
});
