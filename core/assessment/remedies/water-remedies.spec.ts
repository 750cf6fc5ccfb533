import { applyEdit } from '../../design/edit';
import { Design } from '../../design/design';
import type { Room } from '../../design/room';
import { METRIC } from '../../quantity/format';
import { level } from '../../substrate/surface';
import { box, catalogue, layer, lowBarn, tank } from '../../testing/tanks';
import { assess, type Assessment } from '../assess';
import { recipePlan } from '../recipe-plan';
import { wordFinding, wordRemedy } from '../wording';
import { helpFor } from './offer';
import type { RemedyKind } from './remedy';
import { co2At } from '../../water/model';

const FACTS = { basis: 'measured' as const };
const inRoom = (change: Partial<Room['sources'][string]>): Room => ({
  ...lowBarn,
  sources: { ...lowBarn.sources, tap: { ...lowBarn.sources['tap']!, ...change } },
});
const watered = (design: Design, water: Partial<Design['water']>): Design => ({ ...design, water: { ...design.water, ...water } });
const judged = (design: Design, room: Room = lowBarn): Assessment => assess({ design, room, catalogue });

/** The remedy of a kind for a finding, done: what it says, and the finding afterwards. */
function done(assessment: Assessment, key: string, kind: RemedyKind) {
  const finding = assessment.findings.find((one) => one.key === key);
  if (!finding) throw new Error(`no finding ${key}`);
  const remedy = helpFor(assessment, finding).remedies.find((one) => one.kind === kind);
  if (!remedy) return null;
  const applied = applyEdit(assessment.world.design, remedy.patch, Design);
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusals));
  const after = assess({ ...assessment.world, design: applied.document });
  return {
    said: wordRemedy(remedy, finding, assessment, METRIC).action,
    design: applied.document,
    after,
    finding: after.findings.find((one) => one.key === key) ?? null,
  };
}

const FISH = tank([['danio-margaritatus', 12]]);
const NEWTS = tank([['ambystoma-mexicanum', 1]]);
const SHRIMP = tank([['neocaridina-davidi', 12]]);

describe('a conditioner offered', () => {
  it('does for chloramine, ammonia and all', () => {
    const found = done(judged(FISH, inRoom({ disinfectant: { value: 'chloramine', ...FACTS } })), 'water.disinfectant:tap', 'conditioner');
    expect(found?.design.water.conditioner).toBe('binder');
    expect(found?.said).toBe('Condition with: reducer that also binds ammonia');
    expect(found?.finding?.severity).toBe('fits');
  });

  it('is offered while the disinfectant is not stated, and treats it as the worse', () => {
    const before = judged(FISH);
    expect(before.findings.find(({ key }) => key === 'water.disinfectant:tap')?.severity).toBe('unknown');
    const found = done(before, 'water.disinfectant:tap', 'conditioner');
    expect(found?.finding?.severity).toBe('fits');
  });

  it('is never one that harms who lives here', () => {
    const harmed = judged(watered(NEWTS, { conditioner: 'plant-gel' }));
    expect(harmed.findings.find(({ code }) => code === 'water.conditioner-harm')?.severity).toBe('conflict');
    const found = done(harmed, 'water.conditioner-harm:s0', 'conditioner');
    expect(found?.design.water.conditioner).not.toBe('plant-gel');
    expect(found?.finding).toBeNull();
    // the same conditioner troubles nobody among fish
    expect(judged(watered(FISH, { conditioner: 'plant-gel' })).findings.some(({ code }) => code === 'water.conditioner-harm')).toBeFalse();
  });

  it('binds metals where copper is the trouble, and it stays to be watched', () => {
    const tainted = judged(
      SHRIMP,
      inRoom({
        disinfectant: { value: 'none', ...FACTS },
        analysisMgPerL: { ...lowBarn.sources['tap']!.analysisMgPerL, copper: { value: 0.2, ...FACTS } },
      }),
    );
    expect(tainted.findings.find(({ key }) => key === 'water.copper:s0')?.severity).toBe('conflict');
    const found = done(tainted, 'water.copper:s0', 'conditioner');
    expect(['chelator', 'plant-gel']).toContain(found?.design.water.conditioner ?? '');
    expect(found?.finding?.severity).toBe('watch');
    expect(wordFinding(found!.finding!, found!.after, METRIC).reason).toContain('about two days');
  });

  it('is not offered for sources that carry nothing', () => {
    const clean = judged(FISH, inRoom({ disinfectant: { value: 'none', ...FACTS } }));
    expect(clean.findings.find(({ key }) => key === 'water.disinfectant:tap')?.severity).toBe('fits');
  });
});

describe('copper', () => {
  const withCopper = (mgPerL: number | null, animals = SHRIMP) =>
    judged(animals, inRoom({ analysisMgPerL: mgPerL === null ? {} : { copper: { value: mgPerL, ...FACTS } } })).findings.find(
      ({ code }) => code === 'water.copper',
    );
  it('is a matter for shrimp and snails from 0.03 mg/L, and kills from 0.1: common practice', () => {
    expect(withCopper(0.02)).toBeUndefined();
    expect(withCopper(0.05)?.severity).toBe('watch');
    expect(withCopper(0.15)?.severity).toBe('conflict');
    expect(withCopper(0.15, FISH)).toBeUndefined();
  });
  it('that nobody measured is not judged fine: it is not judged', () => {
    expect(withCopper(null)).toBeUndefined();
  });
  it('thins with RO, as long as RO is known to hold none', () => {
    const room = inRoom({ analysisMgPerL: { copper: { value: 0.15, ...FACTS } } });
    const known = {
      ...room,
      sources: { ...room.sources, ro: { ...room.sources['ro']!, analysisMgPerL: { copper: { value: 0, ...FACTS } } } },
    };
    const half = tank([['neocaridina-davidi', 12]], { shares: { tap: 0.5, ro: 0.5 } });
    expect(judged(half, known).derived['water.mixed'].value?.traces.copper).toBeCloseTo(0.075, 9);
    expect(judged(half, room).derived['water.mixed'].value?.traces.copper).toBeNull();
  });
});

describe('leaves offered', () => {
  const soft = tank([['parosphromenus-harveyi', 2, 'spawn']], { shares: { ro: 1 } });
  const key = 'water.parameter:ph:s0';

  it('are the fewest that make it acid enough, and more where some lie there already', () => {
    const found = done(judged(soft), key, 'leaves')!;
    const grams = found.design.water.additions['leaf-litter']!.amount;
    expect(found.said).toBe(`Put in ${grams} g of dry leaves`);
    expect(['fits', 'watch']).toContain(found.finding?.severity ?? 'fits');
    const few = watered(soft, { additions: { mine: { order: 1, materialId: 'leaf-litter', amount: 0.5, spent: 0 } } });
    const more = done(judged(few), key, 'leaves');
    if (more) expect(more.design.water.additions['mine']!.amount).toBeGreaterThan(0.5);
  });

  it('are not offered for hard water, for salt water, nor over a colour that was measured', () => {
    expect(done(judged(tank([['parosphromenus-harveyi', 2, 'spawn']])), key, 'leaves')).toBeNull();
    const measured = judged(watered(soft, { organicCarbonMgPerL: { value: 0.1, basis: 'measured' } }));
    expect(done(measured, key, 'leaves')).toBeNull();
  });
});

describe('a recipe offered', () => {
  const bees = tank([['caridina-logemanni', 20]], { shares: { ro: 1 } });
  const key = 'water.parameter:ghDh:s0';

  it('says litres and grams, and puts both into the plan', () => {
    const found = done(judged(bees), key, 'recipe')!;
    expect(found.said).toMatch(/^Recipe for 20 L: .*L RO water \+ [\d.]+ g [a-z ]+/);
    expect(Object.keys(found.design.water.salts).length).toBeGreaterThan(0);
    expect(found.finding?.severity).toBe('fits');
  });

  it('says when it wants buying', () => {
    const bare: Room = { ...lowBarn, onHand: {}, sources: { ro: lowBarn.sources['ro']! } };
    const finding = judged(bees, bare).findings.find((one) => one.key === key)!;
    const kinds = helpFor(judged(bees, bare), finding).remedies.map(
      (remedy) => wordRemedy(remedy, finding, judged(bees, bare), METRIC).action,
    );
    expect(kinds.some((action) => action.endsWith('(to be bought)'))).toBeTrue();
  });

  it('gives way to a plain blend, which takes out the salts of before', () => {
    const salted = watered(tank([['danio-margaritatus', 12]]), { salts: { x: { order: 1, saltId: 'gypsum', mgPerL: 900 } } });
    const assessment = judged(salted);
    const blend = done(assessment, 'water.parameter:ghDh:s0', 'blend');
    expect(blend?.design.water.salts).toEqual({});
    expect(blend?.said).toContain('without the salts');
  });

  it('keeps the salts that were weighed in where they do no harm, and pours no tap over soil', () => {
    const weighed = watered(tank([['caridina-logemanni', 20]], { shares: { tap: 1 } }), {
      salts: { x: { order: 1, saltId: 'gypsum', mgPerL: 60 } },
    });
    expect(done(judged(weighed), key, 'blend')?.design.water.salts).toEqual(weighed.water.salts);
    const onSoil = judged(watered(bees, { additions: { soil: { order: 1, materialId: 'acid-soil', amount: 5, spent: 0 } } }));
    expect(onSoil.derived['water.soil'].value).not.toBeNull();
    const offered = onSoil.findings.flatMap((finding) => helpFor(onSoil, finding).remedies);
    expect(offered.length).toBeGreaterThan(0);
    // a recipe may take a dash of it, as far as the soil does not feel it
    expect(recipePlan(onSoil)!.ways[0]!.batch.reaches.khDh).toBeLessThanOrEqual(1);
    for (const { kind, subjects } of offered) if (kind === 'blend') expect(subjects).not.toContain('tap');
  });
});

describe('CO₂ that is fed', () => {
  const fed = (mgPerL: number) => judged(watered(FISH, { co2: co2At(mgPerL) })).findings.find(({ code }) => code === 'water.co2');
  it('fits, is watched, kills: common practice', () => {
    expect([15, 30, 45].map((mgPerL) => fed(mgPerL)?.severity)).toEqual(['fits', 'watch', 'conflict']);
  });
  it('is said nothing of where there is none', () => {
    expect(judged(FISH).findings.some(({ code }) => code === 'water.co2')).toBeFalse();
  });
});

describe('more or less of what is weighed in', () => {
  const weighed = (mgPerL: number) =>
    judged(
      watered(tank([['caridina-logemanni', 20]], { shares: { ro: 1 } }), {
        salts: { gypsum: { order: 1, saltId: 'gypsum', mgPerL }, 'epsom-salt': { order: 2, saltId: 'epsom-salt', mgPerL: mgPerL / 2 } },
        additions: { soil: { order: 1, materialId: 'acid-soil', amount: 8, spent: 0 } },
      }),
    );

  it('brings GH to the middle over soil, in the proportion there was, and says the grams', () => {
    const found = done(weighed(60), 'water.parameter:ghDh:s0', 'salts')!;
    expect(found.finding?.severity).toBe('fits');
    expect(found.after.derived['planned.ghDh'].value).toBeCloseTo(5, 1);
    expect(found.said).toMatch(/^\d(\.\d)? g more gypsum and epsom salt to 20 L \(\d+(\.\d)? g in the tank\)$/);
    const { salts } = found.design.water;
    expect(salts['gypsum']!.mgPerL / salts['epsom-salt']!.mgPerL).toBeCloseTo(2, 1);
  });

  it('takes some back out of the next batch where there is too much', () => {
    const found = done(weighed(300), 'water.parameter:ghDh:s0', 'salts')!;
    expect(found.said).toContain(' less ');
    expect(found.finding?.severity).toBe('fits');
  });

  it('is not offered where nothing was weighed in, or where it would take many times as much', () => {
    expect(done(judged(tank([['caridina-logemanni', 20]], { shares: { ro: 1 } })), 'water.parameter:ghDh:s0', 'salts')).toBeNull();
    expect(done(weighed(5), 'water.parameter:ghDh:s0', 'salts')).toBeNull();
  });
});

describe('what gives the water nothing', () => {
  const bees = tank([['caridina-logemanni', 20]], { shares: { ro: 0.95, tap: 0.05 } });
  const limed: Design = { ...bees, substrate: { ...bees.substrate, layers: { lime: layer('lime-silt', level(40)) } } };
  const hard = judged(limed).findings.find(
    ({ code, kind, parameter }) => code === 'water.parameter' && kind?.endsWith(':high') && parameter === 'khDh',
  )!;

  it('is offered for a bed that makes soft water hard', () => {
    expect(hard.severity).not.toBe('fits');
    const found = done(judged(limed), hard.key, 'inert-bed');
    expect(found?.design.substrate.layers['lime']?.materialId).toBe('fine-quartz-sand');
    expect(found?.finding?.excess ?? 0).toBeLessThan(hard.excess!);
  });
  it('is not offered against a bed that does nothing', () => {
    const sand: Design = { ...bees, substrate: { ...bees.substrate, layers: { sand: layer('fine-quartz-sand', level(40)) } } };
    const kinds = judged(sand)
      .findings.filter(({ code }) => code === 'water.parameter')
      .flatMap((finding) => helpFor(judged(sand), finding).remedies.map(({ kind }) => kind));
    expect(kinds).not.toContain('inert-bed');
  });
});

describe('a larger vessel', () => {
  it('is one that goes where the tank is to stand', () => {
    const crowded = tank([['carassius-auratus', 6]], { vessel: box(400, 250, 250) });
    const offered = (spaceMm?: [number, number, number]) => {
      const assessment = judged({ ...crowded, brief: { ...crowded.brief, ...(spaceMm ? { spaceMm } : {}) } });
      const finding = assessment.findings.find(({ code }) => code === 'vessel.volume' || code === 'vessel.footprint')!;
      return helpFor(assessment, finding).remedies.find(({ kind }) => kind === 'vessel');
    };
    expect(offered()).toBeDefined();
    expect(offered([500, 300, 300])).toBeUndefined();
  });
});
