import { EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { colonyCourse, colonyGrowth, growthPerWeek, stageMatrix, thinningPerWeek, weekOf, type ColonyLife } from './colony';

const shrimp: ColonyLife = {
  clutch: 25,
  sexRatio: 0.5,
  eggSurvival: 0.9,
  intervalWeeks: 5,
  juvenileWeeks: 10,
  juvenileWeeklySurvival: 0.75,
  adultWeeklySurvival: 0.985,
};
const guppy: ColonyLife = {
  clutch: 20,
  sexRatio: 0.5,
  eggSurvival: 1,
  intervalWeeks: 4,
  juvenileWeeks: 12,
  juvenileWeeklySurvival: 0.85,
  adultWeeklySurvival: 0.98,
};
const largest = (matrix: number[][]): number => Math.max(...new EigenvalueDecomposition(new Matrix(matrix)).realEigenvalues);

describe('the growth of a colony', () => {
  it('is the dominant eigenvalue of its matrix, by a general routine', () => {
    for (const life of [
      shrimp,
      guppy,
      { ...shrimp, juvenileWeeks: 1 },
      { ...shrimp, sexRatio: 0.1 },
      { ...guppy, juvenileWeeklySurvival: 0.3 },
    ])
      expect(growthPerWeek(life)).toBeCloseTo(largest(stageMatrix(life)), 6);
  });

  it('is as worked out by hand for shrimp and for a livebearer', () => {
    const shrimps = ([0.85, 0.75, 0.65, 0.5] as const).map((juvenileWeeklySurvival) =>
      growthPerWeek({ ...shrimp, juvenileWeeklySurvival }),
    );
    [1.1234, 1.0575, 1.0119, 0.9875].forEach((rate, i) => expect(shrimps[i]).toBeCloseTo(rate, 4));
    expect(growthPerWeek(guppy)).toBeCloseTo(1.097, 3);
    expect(growthPerWeek({ ...guppy, juvenileWeeklySurvival: 0.7 })).toBeCloseTo(1.0105, 3);
    expect(colonyGrowth.compute({ ...shrimp, juvenileWeeklySurvival: 0.85 }).doublingWeeks).toBeCloseTo(5.96, 2);
    expect(colonyGrowth.compute({ ...shrimp, juvenileWeeklySurvival: 0.5 }).doublingWeeks).toBeNull();
  });

  it('is that of females that only grow old when none of the eggs hatches', () => {
    expect(growthPerWeek({ ...shrimp, eggSurvival: 0 })).toBeCloseTo(0.985, 9);
  });

  it('lets shrimp triple in about three months (common practice) inside the band of their usual survival', () => {
    const times = [0.7, 0.9].map((juvenileWeeklySurvival) => growthPerWeek({ ...shrimp, juvenileWeeklySurvival }) ** 13);
    expect(times[0]!).toBeLessThan(3);
    expect(times[1]!).toBeGreaterThan(3);
  });
});

describe('the course of a colony', () => {
  it('grows at the rate of its matrix once its ages are even', () => {
    const { adults } = colonyCourse(shrimp, 20, 200, null);
    expect(adults[200]! / adults[199]!).toBeCloseTo(growthPerWeek(shrimp), 6);
  });

  it('comes to stand at its ceiling, and passes it by little', () => {
    const course = colonyCourse({ ...shrimp, juvenileWeeklySurvival: 0.85 }, 20, 1000, 300);
    expect(course.load[1000]).toBeCloseTo(300, 0);
    expect(Math.max(...course.load)).toBeLessThan(1.3 * 300);
  });

  it('is near the logistic curve of the same rate while ages are even', () => {
    // Verhulst: N = K/(1 + (K − N0)/N0·e^(−rt)); a stage model lags by the youth of its young
    const course = colonyCourse(shrimp, 20, 150, 300);
    const heads = (week: number) => course.load[week]!;
    const r = Math.log(growthPerWeek(shrimp));
    const from = heads(20);
    const logistic = (weeks: number) => 300 / (1 + ((300 - from) / from) * Math.exp(-r * weeks));
    for (const weeks of [13, 26, 52]) expect(heads(20 + weeks) / logistic(weeks)).toBeGreaterThan(0.75);
    for (const weeks of [13, 26, 52]) expect(heads(20 + weeks) / logistic(weeks)).toBeLessThan(1.25);
  });

  it('dies out where the young do not live, ceiling or not', () => {
    const { adults } = colonyCourse({ ...shrimp, juvenileWeeklySurvival: 0.2 }, 20, 300, 300);
    expect(adults[300]).toBeLessThan(1);
  });

  it('tells when it has so many, or that it never has', () => {
    const course = colonyCourse(shrimp, 20, 52, 200);
    const week = weekOf(course, 60)!;
    expect(course.load[week]).toBeGreaterThanOrEqual(60);
    expect(course.load[week - 1]).toBeLessThan(60);
    expect(course.young[week]).toBeGreaterThan(course.load[week]! - course.adults[week]!);
    expect(weekOf(course, 100_000)).toBeNull();
  });

  it('is held by what is taken out of it', () => {
    expect(thinningPerWeek(200, 1.05) + 200 / 1.05).toBeCloseTo(200, 9);
    expect(thinningPerWeek(200, 0.97)).toBe(0);
  });
});
