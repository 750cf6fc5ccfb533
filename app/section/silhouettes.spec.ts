import { AnimalForm } from '../../core/catalogue/organism';
import { bodyPath, drawnSize } from './silhouettes';

const numbers = (path: string) => (path.match(/-?\d+\.\d+/g) ?? []).map(Number);

describe('silhouettes', () => {
  for (const form of AnimalForm.options)
    it(`of a ${form} fill the size of the animal, and no more`, () => {
      const { wideMm, highMm } = drawnSize(form, 80, 20);
      const all = numbers(bodyPath(form, 80, 20));
      const [xs, ys] = [all.filter((_, i) => i % 2 === 0), all.filter((_, i) => i % 2 === 1)];
      expect(Math.min(...xs)).toBeGreaterThanOrEqual(-0.01);
      expect(Math.max(...xs)).toBeLessThanOrEqual(wideMm + 0.01);
      expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(0.8 * wideMm);
      expect(Math.min(...ys)).toBeGreaterThanOrEqual(-0.05 * highMm);
      expect(Math.max(...ys)).toBeLessThanOrEqual(highMm + 0.01);
      expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(0.75 * highMm);
    });

  it('are each of their own', () =>
    expect(new Set(AnimalForm.options.map((form) => bodyPath(form, 80, 20))).size).toBe(AnimalForm.options.length));

  it('stand upright where length is height', () => {
    expect(drawnSize('seahorse', 150, 22)).toEqual({ wideMm: 22, highMm: 150 });
    expect(drawnSize('pipefish', 120, 6)).toEqual({ wideMm: 120, highMm: 6 });
  });
});
