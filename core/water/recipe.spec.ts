import fc from 'fast-check';
import { fcnnlsVector } from 'ml-fcnnls';
import { MEQ_PER_DEGREE_ALKALINITY, MMOL_PER_DEGREE_HARDNESS } from '../quantity/unit';
import { compose } from './composition';
import { conductivityOf } from '../chemistry/conductivity';
import { chargesMeqPerL, ION_NAMES, NO_IONS, type IonsMmolPerL } from '../chemistry/ions';
import { batch, mixed, reachedBy, recipes, type RecipeSource } from './recipe';
import { bottles, clashInBottle, mixingOrder } from './mixing-order';
import { mgPerDegree, SALTS } from './salts';

const source = (id: string, isRo: boolean, ghDh: number, khDh: number, ec25UsPerCm: number | null = null): RecipeSource => ({
  id,
  isRo,
  ions: compose({ ghDh, khDh, ec25UsPerCm }).ions,
});
const TAP = source('tap', false, 17.8, 13.4, 612);
const RO = source('ro', true, 0.1, 0.1, 9);
const salt = (id: string) => SALTS.find((one) => one.id === id)!;

describe('salts', () => {
  // Milligrams a litre for one degree, by molar mass: gypsum 30.70, calcium chloride 26.22, epsom salt 43.95, magnesium chloride 36.25 (GH);
  // sodium bicarbonate 29.96, potassium bicarbonate 35.71 (KH).
  for (const [id, gh, kh] of [
    ['gypsum', 30.7, null],
    ['calcium-chloride', 26.22, null],
    ['epsom-salt', 43.95, null],
    ['magnesium-chloride', 36.25, null],
    ['sodium-bicarbonate', null, 29.96],
    ['potassium-bicarbonate', null, 35.71],
  ] as const)
    it(`${id} brings a degree`, () => {
      const found = mgPerDegree(salt(id), MMOL_PER_DEGREE_HARDNESS, MEQ_PER_DEGREE_ALKALINITY);
      if (gh === null) expect(found.gh).toBeNull();
      else expect(found.gh!).toBeCloseTo(gh, 1);
      if (kh === null) expect(found.kh).toBeNull();
      else expect(found.kh!).toBeCloseTo(kh, 1);
    });
  it('are neutral', () => {
    for (const { id, ions } of SALTS) {
      const { cations, anions } = chargesMeqPerL({ ...NO_IONS, ...ions });
      expect(cations).withContext(id).toBe(anions);
    }
  });
});

describe('the ions behind readings', () => {
  it('balance, and give back GH, KH and conductivity', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 25, noNaN: true }),
        fc.double({ min: 0, max: 18, noNaN: true }),
        fc.double({ min: 1.05, max: 2, noNaN: true }),
        (gh, kh, more) => {
          const bare = compose({ ghDh: gh, khDh: kh, ec25UsPerCm: null });
          const ec = conductivityOf(bare.ions) * more + 5;
          const { ions, contradictions } = compose({ ghDh: gh, khDh: kh, ec25UsPerCm: ec });
          const { cations, anions } = chargesMeqPerL(ions);
          expect(Math.abs(cations - anions)).toBeLessThan(1e-9);
          const reached = reachedBy(ions);
          expect(reached.ghDh).toBeCloseTo(gh, 6);
          expect(reached.khDh).toBeCloseTo(kh, 6);
          expect(Math.abs(reached.ec25UsPerCm / ec - 1)).toBeLessThan(0.001);
          expect(contradictions).toEqual([]);
        },
      ),
    );
  });
  it('name what they take for granted', () => {
    expect(compose({ ghDh: 6, khDh: 2, ec25UsPerCm: null }).assumptions.join('; ')).toMatch(
      /three parts calcium.*bicarbonate.*chloride and sulfate/,
    );
    expect(compose({ ghDh: 0, khDh: 4, ec25UsPerCm: null }).ions.sodium).toBeCloseTo(4 * MEQ_PER_DEGREE_ALKALINITY, 9);
  });
  it('contradict each other where they do', () => {
    expect(compose({ ghDh: 15, khDh: 10, ec25UsPerCm: 120 }).contradictions[0]).toMatch(/would conduct \d+ µS\/cm, and it reads 120/);
    const whole = { calcium: 2, magnesium: 0.5, sodium: 1, bicarbonate: 1, chloride: 1, sulfate: 0.2 };
    expect(compose({ ghDh: null, khDh: null, ec25UsPerCm: null, ions: whole }).contradictions[0]).toMatch(/differ by \d+ %/);
    expect(compose({ ghDh: 3, khDh: null, ec25UsPerCm: null, ions: { calcium: 2 } }).contradictions[0]).toMatch(/more calcium than its GH/);
    expect(compose({ ghDh: null, khDh: 10, ec25UsPerCm: null, ions: { bicarbonate: 1 } }).contradictions[0]).toMatch(
      /does not agree with its KH/,
    );
  });
});

describe('a recipe', () => {
  it('needs no salt where a blend does, and no RO where the tap does', () => {
    const [blend] = recipes([TAP, RO], SALTS, { ghDh: [4, 8], khDh: [2, 6] });
    expect(blend!.saltsMgPerL).toEqual([]);
    expect(blend!.missed).toEqual([]);
    const [tap] = recipes([TAP, RO], SALTS, { ghDh: [10, 20], khDh: [10, 16] });
    expect(tap!.shares).toEqual([{ sourceId: 'tap', share: 1 }]);
  });

  it('takes the least RO that is inside the band, a tenth of it in hand', () => {
    const [recipe] = recipes([TAP, RO], [], { ghDh: [4, 8] });
    expect(recipe!.reaches.ghDh).toBeCloseTo(7.6, 3);
  });

  it('builds RO up: GH 6 and KH 2 out of salts, calcium and magnesium in proportion', () => {
    const [recipe] = recipes([RO], SALTS, { ghDh: [5.9, 6.1], khDh: [1.9, 2.1] });
    expect(recipe!.missed).toEqual([]);
    expect(recipe!.saltsMgPerL.length).toBeLessThanOrEqual(3);
    const ratio = recipe!.ions.calcium / recipe!.ions.magnesium;
    expect(ratio).toBeGreaterThan(1.4);
    expect(ratio).toBeLessThan(5.1);
  });

  it('splits hardness from alkalinity, which no blend can', () => {
    const target = { ghDh: [4, 6], khDh: [0, 1] } as const;
    const [blend] = recipes([TAP, RO], [], target);
    expect(blend!.missed.length).toBeGreaterThan(0);
    const [salted] = recipes([TAP, RO], SALTS, target);
    expect(salted!.missed).toEqual([]);
  });

  it('keeps conductivity in its band by the model, not by the linear stand-in', () => {
    const [recipe] = recipes([TAP, RO], SALTS, { ghDh: [4, 6], khDh: [0, 2], ec25UsPerCm: [150, 220] });
    expect(recipe!.missed).toEqual([]);
    expect(recipe!.reaches.ec25UsPerCm).toBeLessThanOrEqual(222);
  });

  it('says what cannot be reached, and on which side', () => {
    const [recipe] = recipes([TAP], [], { ghDh: [1, 3] });
    expect(recipe!.missed.map(({ parameter, side }) => [parameter, side])).toEqual([['ghDh', 'high']]);
    expect(recipes([], SALTS, { ghDh: [1, 3] })).toEqual([]);
  });

  it('offers other salts too, never the same twice', () => {
    const all = recipes([RO], SALTS, { ghDh: [5, 7] });
    expect(all.length).toBe(3);
    expect(new Set(all.map(({ saltsMgPerL }) => saltsMgPerL.map(({ saltId }) => saltId).join())).size).toBe(3);
  });

  it('meets every target that some mixture of what is at hand makes, and the mixing gives what was promised', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const mg = fc.double({ min: 0, max: 120, noNaN: true });
    fc.assert(
      fc.property(share, mg, mg, (tapShare, epsom, soda) => {
        const made = mixed(
          [
            { source: TAP, share: tapShare },
            { source: RO, share: 1 - tapShare },
          ],
          [
            { salt: salt('gypsum'), mgPerL: 2 * epsom },
            { salt: salt('epsom-salt'), mgPerL: epsom },
            { salt: salt('sodium-bicarbonate'), mgPerL: soda },
          ],
        );
        const { ghDh, khDh } = reachedBy(made);
        const [recipe] = recipes([TAP, RO], SALTS, { ghDh: [ghDh - 0.2, ghDh + 0.2], khDh: [khDh - 0.2, khDh + 0.2] });
        expect(recipe!.missed).toEqual([]);
        const shares = recipe!.shares.map(({ sourceId, share: part }) => ({ source: sourceId === 'tap' ? TAP : RO, share: part }));
        const again = mixed(
          shares,
          recipe!.saltsMgPerL.map(({ saltId, mgPerL }) => ({ salt: salt(saltId), mgPerL })),
        );
        for (const ion of ION_NAMES) expect(again[ion]).toBeCloseTo(recipe!.ions[ion], 9);
        for (const { mgPerL } of recipe!.saltsMgPerL) expect(mgPerL).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 30 },
    );
  });
});

describe('a batch', () => {
  it('stays inside the band it was made for, as weighed', () => {
    const target = { ghDh: [4, 6], khDh: [0, 1] } as const;
    for (const found of recipes([TAP, RO], SALTS, target)) {
      const { reaches, grams } = batch(found, [TAP, RO], SALTS, 20, 0.1);
      expect(reaches.ghDh).toBeGreaterThanOrEqual(4);
      expect(reaches.khDh).toBeLessThanOrEqual(1);
      for (const { grams: g } of grams) expect(String(g).length).toBeLessThan(6);
    }
  });

  const [recipe] = recipes([RO], SALTS, { ghDh: [5.5, 6.5], khDh: [1.5, 2.5] });
  it('is rounded to the scale and worked out anew', () => {
    const made = batch(recipe!, [RO], SALTS, 20, 0.1);
    expect(made.litres).toEqual([{ sourceId: 'ro', litres: 20 }]);
    for (const { grams } of made.grams) expect(Math.abs(grams / 0.1 - Math.round(grams / 0.1))).toBeLessThan(1e-9);
    const again = mixed(
      [{ source: RO, share: 20 }],
      made.grams.map(({ saltId, grams }) => ({ salt: salt(saltId), mgPerL: (grams * 1000) / 20 })),
    );
    for (const ion of Object.keys(again) as (keyof IonsMmolPerL)[]) expect(made.ions[ion]).toBeCloseTo(again[ion], 9);
    expect(made.band.ghDh[0]).toBeLessThan(made.reaches.ghDh);
    expect(made.band.ghDh[1]).toBeGreaterThan(made.reaches.ghDh);
  });
  it('has more doubt with a coarser scale', () => {
    const width = (scaleG: number) => {
      const [low, high] = batch(recipe!, [RO], SALTS, 5, scaleG).band.ghDh;
      return high - low;
    };
    expect(width(1)).toBeGreaterThan(width(0.01));
  });
});

describe('a recipe against an independent solver', () => {
  // The other solver is non-negative least squares over the same columns; each target has one answer, so both must find it.
  const column = (id: string) => {
    const { ions, molarMass } = salt(id);
    return [
      ((ions.calcium ?? 0) + (ions.magnesium ?? 0)) / molarMass / MMOL_PER_DEGREE_HARDNESS,
      (ions.bicarbonate ?? 0) / molarMass / MEQ_PER_DEGREE_ALKALINITY,
    ];
  };
  const EMPTY: RecipeSource = { id: 'ro', isRo: true, ions: NO_IONS };

  it('weighs in the same', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 15, noNaN: true }),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.constantFrom('sodium-bicarbonate', 'potassium-bicarbonate'),
        (gh, kh, alkaline) => {
          const chosen = [salt('epsom-salt'), salt(alkaline)];
          const columns = chosen.map(({ id }) => column(id));
          const nnls = fcnnlsVector(
            [0, 1].map((row) => columns.map((c) => c[row]!)),
            [gh, kh],
          ).K.to1DArray();
          const [found] = recipes([EMPTY], chosen, { ghDh: [gh, gh], khDh: [kh, kh] });
          chosen.forEach(({ id }, i) => {
            const mgPerL = found!.saltsMgPerL.find(({ saltId }) => saltId === id)?.mgPerL ?? 0;
            expect(Math.abs(mgPerL - nnls[i]!)).toBeLessThan(1e-3 * Math.max(1, nnls[i]!));
          });
        },
      ),
      { numRuns: 40 },
    );
  });

  it('misses where the other misses too', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 200 }).map((tenths) => tenths / 10),
        fc.integer({ min: 5, max: 200 }).map((tenths) => tenths / 10),
        // one salt beside two waters: as many unknowns as equations, or the other solver has no single answer
        fc.constantFrom(['epsom-salt'], ['magnesium-chloride'], ['sodium-bicarbonate'], ['gypsum']),
        (gh, kh, ids) => {
          const chosen = ids.map(salt);
          const sources = [TAP, EMPTY];
          const rows = [
            [...sources.map(({ ions }) => reachedBy(ions).ghDh), ...ids.map((id) => 100 * column(id)[0]!)],
            [...sources.map(({ ions }) => reachedBy(ions).khDh), ...ids.map((id) => 100 * column(id)[1]!)],
            // shares sum to one, and weigh heavily
            [...sources.map(() => 100), ...ids.map(() => 0)],
          ];
          const x = fcnnlsVector(rows, [gh, kh, 100]).K.to1DArray();
          const residual = Math.hypot(...[gh, kh].map((target, r) => target - rows[r]!.reduce((sum, a, i) => sum + a * x[i]!, 0)));
          const solubleByBoth = ids.every((id, i) => 100 * (x[i + 2] ?? 0) < salt(id).solubilityGPerL * 100);
          if (!solubleByBoth) return;
          const [found] = recipes(sources, chosen, { ghDh: [gh, gh], khDh: [kh, kh] });
          if (residual < 1e-4) expect(found!.missed).toEqual([]);
          if (residual > 0.1) expect(found!.missed.length).toBeGreaterThan(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the order of mixing', () => {
  it('pours, conditions, dissolves the slowest first and bicarbonate last', () => {
    const steps = mixingOrder(
      [
        { sourceId: 'tap', litres: 4 },
        { sourceId: 'ro', litres: 16 },
        { sourceId: 'sea', litres: 0 },
      ],
      ['sodium-bicarbonate', 'epsom-salt', 'gypsum'].map((id) => ({ salt: salt(id), grams: 1 })),
      true,
    );
    expect(steps.map((step) => (step.kind === 'dissolve' ? step.salt.id : step.kind))).toEqual([
      'pour',
      'condition',
      'gypsum',
      'epsom-salt',
      'sodium-bicarbonate',
      'stir-and-measure',
    ]);
    expect(steps[0]).toEqual({ kind: 'pour', sourceIds: ['tap', 'ro'] });
  });

  it('keeps lime apart from sulfate and bicarbonate in bottles', () => {
    expect(clashInBottle(salt('calcium-chloride'), salt('epsom-salt'))).toBeTrue();
    expect(clashInBottle(salt('gypsum'), salt('calcium-chloride'))).toBeTrue();
    expect(clashInBottle(salt('calcium-chloride'), salt('magnesium-chloride'))).toBeFalse();
    expect(clashInBottle(salt('epsom-salt'), salt('potassium-sulfate'))).toBeFalse();
    for (const shelf of bottles(SALTS)) for (const a of shelf) for (const b of shelf) expect(a !== b && clashInBottle(a, b)).toBeFalse();
    expect(bottles(SALTS).flat().length).toBe(SALTS.length);
  });
});
