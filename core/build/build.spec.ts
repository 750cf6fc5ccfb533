import fc from 'fast-check';
import type { BuildFacts, LaidLayer, SetPiece } from './facts';
import { emptyBuild, SCHOOLS } from './model';
import { inOwnOrder, missingBefore, moved, timeOf } from './order';
import { packed, SOLD, type SoldAs } from './packs';
import { buildSteps, type BuildStep } from './steps';

const layer = (id: string, how: LaidLayer['how'], more: Partial<LaidLayer> = {}): LaidLayer => ({
  id,
  name: id,
  litres: 5,
  kg: 7,
  depthMm: [20, 40],
  how,
  cloth: false,
  zoned: false,
  ...more,
});
const stone = (more: Partial<SetPiece> = {}): SetPiece => ({
  name: 'Rounded stone',
  kg: 2,
  group: 'stone',
  onBase: false,
  fixing: 'none',
  ballastKg: 0,
  floats: false,
  rawEdges: false,
  alive: false,
  cast: false,
  ...more,
});
const bare: BuildFacts = {
  vessel: { filledKg: 80, testDays: 1, plumbed: false, ranTested: false, background: false, lid: false, openings: 0 },
  mat: false,
  diggers: false,
  layers: [],
  edges: 0,
  capsules: 0,
  pieces: [],
  hides: 0,
  rivals: false,
  plants: [],
  freshSoil: false,
  delicateInverts: false,
  devices: [],
  media: [],
  water: { litres: 60, parts: [{ name: 'Tap', litres: 60 }], salts: [], marine: false, seaSalt: false, conditioner: null, loose: [] },
  gas: false,
  ring: false,
  guards: 0,
  fertilised: false,
  lampHours: null,
  start: true,
};
const full: BuildFacts = {
  ...bare,
  vessel: { filledKg: 200, testDays: 7, plumbed: true, ranTested: false, background: true, lid: true, openings: 2 },
  mat: true,
  diggers: true,
  layers: [layer('topsoil', 'press'), layer('sand', 'rinse'), layer('gravel', 'coarse'), layer('soil', 'leave', { cloth: true })],
  edges: 1,
  capsules: 12,
  pieces: [
    stone(),
    stone({ onBase: true, rawEdges: true }),
    stone({ name: 'Branch', group: 'wood', floats: true, fixing: 'glued', ballastKg: 1 }),
    stone({ name: 'Leaf litter', group: 'litter' }),
  ],
  hides: 2,
  rivals: true,
  plants: [
    { name: 'Crypt', count: 4, how: 'rooted' },
    { name: 'Hornwort', count: 5, how: 'long-stem' },
    { name: 'Moss', count: 1, how: 'on-piece' },
    { name: 'Duckweed', count: 10, how: 'afloat' },
  ],
  freshSoil: true,
  delicateInverts: true,
  devices: [
    { kind: 'heater', setPointC: 24, inside: true, mains: true },
    { kind: 'filter', setPointC: null, inside: false, mains: true },
    { kind: 'lamp', setPointC: null, inside: false, mains: true },
  ],
  media: [{ name: 'coarse foam', litres: 2, from: 'Weedy thicket' }],
  water: {
    ...bare.water,
    parts: [
      { name: 'RO', litres: 50 },
      { name: 'Tap', litres: 10 },
    ],
    conditioner: 'Thiosulfate alone',
    loose: [{ name: 'Alder cones', amount: 20, in: 'mass' }],
  },
  gas: true,
  ring: true,
  guards: 1,
  fertilised: true,
  lampHours: 8,
};
const codes = (steps: readonly BuildStep[]) => steps.map(({ code }) => code);
const at = (steps: readonly BuildStep[], id: string) => steps.findIndex((step) => step.id === id);

describe('the work of building a tank', () => {
  it('has no step that does not apply', () => {
    expect(codes(buildSteps(bare, emptyBuild()))).toEqual(['place', 'leak-test', 'fill', 'check', 'begin']);
    expect(buildSteps({ ...bare, vessel: null }, emptyBuild())).toEqual([]);
    expect(codes(buildSteps({ ...bare, vessel: { ...bare.vessel!, testDays: 0 } }, emptyBuild()))).not.toContain('leak-test');
  });

  it('has every step of a full one, each once, in an order in which nothing comes before what it rests on', () => {
    const steps = buildSteps(full, emptyBuild());
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    for (const { id, needs } of steps) for (const need of needs) expect([id, at(steps, need) < at(steps, id)]).toEqual([id, true]);
    expect(new Set(codes(steps)).size).toBe(36);
    // common practice: leak test before furnishing, nutrient soil soaked and pressed before its cap, long stems once it is filled
    expect(at(steps, 'leak-test')).toBeLessThan(at(steps, 'mat'));
    expect(at(steps, 'plumb')).toBeLessThan(at(steps, 'layer-topsoil'));
    expect(at(steps, 'press-topsoil')).toBeLessThan(at(steps, 'layer-sand'));
    expect(at(steps, 'base')).toBeLessThan(at(steps, 'layer-topsoil'));
    expect(at(steps, 'plant')).toBeLessThan(at(steps, 'fill'));
    expect(at(steps, 'stems')).toBeGreaterThan(at(steps, 'fill'));
    expect(steps.find(({ code }) => code === 'loose')!.values).toEqual({ grams0: 20 });
  });

  it('tells each caution once, where it first counts', () => {
    const cautions = buildSteps(full, emptyBuild()).flatMap((step) => step.cautions);
    expect(new Set(cautions).size).toBe(cautions.length);
    expect(cautions).toEqual(jasmine.arrayContaining(['weight', 'glass', 'mains', 'dust', 'cutting', 'fumes', 'gas', 'skin', 'dips']));
    expect(cautions).not.toContain('boiling');
    expect(buildSteps(full, { schools: { wood: 'boil' } }).flatMap((step) => step.cautions)).toContain('boiling');
  });

  it('changes with the school that is followed', () => {
    const [soaked, boiled, held] = SCHOOLS.wood.map(
      (wood) => buildSteps(full, { schools: { wood } }).find(({ code }) => code === 'wood')!.waitHours,
    );
    expect([soaked, boiled, held]).toEqual([14 * 24, 24, 0]);
    const later = buildSteps(full, { schools: { planting: 'after-ammonia' } });
    for (const code of ['plant', 'attach', 'stems', 'float']) expect(at(later, code)).toBeGreaterThan(at(later, 'begin'));
    const rinsed = (coarse: 'rinse' | 'as-bought') => buildSteps(full, { schools: { coarse } }).find(({ id }) => id === 'rinse')!.names;
    expect([rinsed('rinse'), rinsed('as-bought')]).toEqual([['sand', 'gravel'], ['sand']]);
  });

  it('plants what lives in salt water under water', () => {
    const steps = buildSteps({ ...full, freshSoil: false, water: { ...full.water, marine: true, seaSalt: true } }, emptyBuild());
    expect(at(steps, 'plant')).toBeGreaterThan(at(steps, 'fill'));
    expect(steps.find(({ code }) => code === 'mix')!.waitHours).toBe(24);
    expect(steps.flatMap(({ cautions }) => cautions)).not.toContain('dips');
  });

  it('takes as long as its waits: a mended vessel a week', () => {
    const quick = timeOf(buildSteps(bare, emptyBuild()));
    expect(quick.minutes).toBeGreaterThan(60);
    expect(quick.days).toBe(2);
    const mended = timeOf(buildSteps({ ...bare, vessel: { ...bare.vessel!, testDays: 7 } }, emptyBuild()));
    expect(mended.days - quick.days).toBe(6);
  });
});

describe('the order of the work', () => {
  const steps = buildSteps(full, emptyBuild());

  it('may be changed where the one does not rest on the other, and is refused where it does', () => {
    const free = moved(steps, 'background', -1);
    expect(free).toEqual({ ok: true, order: jasmine.any(Array) as unknown as string[] });
    const refused = moved(steps, 'layer-sand', -1);
    expect(refused && !refused.ok ? [refused.first.id, refused.second.id] : refused).toEqual(['press-topsoil', 'layer-sand']);
    expect(moved(steps, 'place', -1)).toBeNull();
    expect(moved(steps, 'not-there', 1)).toBeNull();
  });

  it('stays safe whatever was moved, and whatever has come into the design since (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(60), fc.boolean()), { maxLength: 40 }), fc.boolean(), (moves, grown) => {
        let [now, order] = [inOwnOrder(buildSteps(bare, emptyBuild()), []), [] as string[]];
        const of = () => inOwnOrder(buildSteps(grown ? full : { ...full, plants: [] }, emptyBuild()), order);
        now = of();
        for (const [i, down] of moves) {
          const result = moved(now, now[i % now.length]!.id, down ? 1 : -1);
          if (result?.ok) order = result.order;
          now = of();
          if (result?.ok) expect(now.map(({ id }) => id)).toEqual(result.order);
        }
        // more has come in: every step is there, none before what it rests on
        const more = inOwnOrder(steps, order);
        expect(new Set(more.map(({ id }) => id))).toEqual(new Set(steps.map(({ id }) => id)));
        for (const { id, needs } of more) for (const need of needs) expect(at(more, need)).toBeLessThan(at(more, id));
      }),
      { numRuns: 60 },
    );
  });

  it('says what was to come first when a step is ticked out of turn', () => {
    expect(missingBefore(steps, 'mat', new Set(['leak-test'])).map(({ id }) => id)).toEqual(['plumb']);
    expect(missingBefore(steps, 'mat', new Set(['leak-test', 'plumb']))).toEqual([]);
  });
});

describe('packs', () => {
  it('hold what is wanted with the least left over, and then in the fewest packs', () => {
    expect(packed(12, 'soil')).toEqual({
      packs: [
        { size: 9, count: 1 },
        { size: 3, count: 1 },
      ],
      holds: 12,
    });
    expect(packed(8, 'sand').packs).toEqual([
      { size: 5, count: 1 },
      { size: 2, count: 1 },
      { size: 1, count: 1 },
    ]);
    expect(packed(0, 'soil')).toEqual({ packs: [], holds: 0 });
    expect(packed(1e-12, 'soil').holds).toBe(0);
    expect(packed(0.7, 'media').holds).toBe(1);
  });

  it('are never too few, and never more than one smallest pack over (property)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...(Object.keys(SOLD) as SoldAs[])), fc.double({ min: 0.01, max: 3000, noNaN: true }), (sold, amount) => {
        const { packs, holds } = packed(amount, sold);
        expect(holds).toBeGreaterThanOrEqual(amount - 1e-6);
        expect(holds - amount).toBeLessThan(SOLD[sold][0] * (sold === 'salt' || sold === 'leaves' || sold === 'water' ? 5 : 1) + 1e-6);
        expect(packs.every(({ size, count }) => count > 0 && (SOLD[sold] as readonly number[]).includes(size))).toBeTrue();
      }),
    );
  });
});
