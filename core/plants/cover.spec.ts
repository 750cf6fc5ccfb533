import { helpFor } from '../assessment/remedies/offer';
import { assess } from '../assessment/assess';
import { applyEdit } from '../design/edit';
import { Design } from '../design/design';
import type { Plant } from '../catalogue/organism';
import { kept } from '../testing/kept-tank';
import { THRIVING } from '../testing/ordinary-tanks';
import { catalogue } from '../testing/tanks';
import { suits, type PlantWater } from './choose';
import { coverOf, foliageL, placesIn } from './cover';
import { newPlanting } from './model';
import type { Standing } from './standing';

const plant = (id: string) => catalogue.organisms.get(id) as Plant;
const standing = (id: string, more: Partial<Standing> = {}): Standing =>
  ({ plant: plant(id), item: newPlanting(id, 1, [0, 0, 0]), count: 1, hold: 'rooted', widthMm: 100, heightMm: 100, ...more }) as Standing;

describe('cover', () => {
  it('is the leaves of a planting, as much as they fill', () => {
    const one = standing('taxiphyllum-barbieri');
    expect(foliageL(one)).toBeCloseTo(0.6 * (Math.PI / 4) * 1, 6);
    // ten in the same patch fill it once
    expect(foliageL({ ...one, item: { ...one.item, count: 10 }, count: 10 })).toBeCloseTo(foliageL(one), 6);
    expect(foliageL({ ...one, item: { ...one.item, count: 10, spreadMm: 400 }, count: 10 })).toBeCloseTo(10 * foliageL(one), 6);
    expect(foliageL({ ...one, hold: 'emersed' })).toBe(0);
    expect(placesIn({ ...one, hold: 'chamber' })).toBe(0);
  });
  it('hides the more the denser it is, and one at least', () => {
    expect(coverOf(plant('taxiphyllum-barbieri'))).toBe('good');
    const big = { widthMm: 250, heightMm: 200 };
    expect(placesIn(standing('taxiphyllum-barbieri', big))).toBe(Math.floor(4 * 0.6 * (Math.PI / 4) * 12.5));
    expect(placesIn(standing('cryptocoryne-wendtii', big))).toBe(Math.floor(2 * 0.6 * (Math.PI / 4) * 12.5));
    expect(placesIn(standing('hemianthus-callitrichoides', { widthMm: 30, heightMm: 10 }))).toBe(1);
  });

  const shrimp = THRIVING.find(({ name }) => name.startsWith('Bee shrimp on RO'))!;
  const bare = kept({ ...shrimp, plants: [], pieces: [['rounded-stone', 2]] });
  it('that a shrimp tank lacks is put in by one press: moss on the stones, and nobody is the worse for it', () => {
    const before = assess({ ...bare, catalogue });
    const lacks = before.findings.find(({ code, severity }) => code === 'hardscape.hides' && severity === 'watch');
    expect(lacks).toBeDefined();
    const moss = helpFor(before, lacks!).remedies.find(({ kind }) => kind === 'cover')!;
    expect(moss.after?.severity ?? 'fits').toBe('fits');
    expect(moss.opens).toEqual([]);
    const done = applyEdit(bare.design, moss.patch, Design);
    if (!done.ok) throw new Error(JSON.stringify(done.refusals));
    const added = Object.values(done.document.scene).filter(({ kind }) => kind === 'plant');
    expect(added.length).toBeGreaterThan(0);
    for (const item of added) expect(plant(item.classId).form).toBe('moss');
    for (const item of added) expect(item.kind === 'plant' && done.document.scene[item.onId!]?.kind).toBe('hardscape');
  });
  it('laid where there is nothing to tie it to, and of salt water in salt water', () => {
    const floor = { ...bare, design: { ...bare.design, scene: {} } };
    const before = assess({ ...floor, catalogue });
    const lacks = before.findings.find(({ code, severity }) => code === 'hardscape.hides' && severity === 'watch')!;
    const [moss] = helpFor(before, lacks).remedies.filter(({ kind }) => kind === 'cover');
    expect(moss!.patch.some((op) => op.op === 'add' && (op.value as { hold?: string }).hold === 'loose')).toBeTrue();
  });
  it('lets young of a colony live on', () => {
    const guppies = kept({ ...THRIVING.find(({ name }) => name.startsWith('Guppies under frogbit'))!, more: () => undefined });
    const verdict = (design: Design) =>
      assess({ design, room: guppies.room, catalogue }).findings.filter(({ code }) => code === 'stocking.predation-young')[0];
    const colony = {
      ...guppies.design,
      stock: { ...guppies.design.stock, s0: { ...guppies.design.stock['s0']!, phase: 'spawn' as const } },
    };
    expect(verdict(colony)?.kind).toBe('own');
    const scene = { m: { ...newPlanting('taxiphyllum-barbieri', 1, [300, 150, 0]), count: 40, spreadMm: 250, hold: 'loose' as const } };
    expect(verdict({ ...colony, scene })?.severity).toBe('fits');
    expect(verdict({ ...colony, scene })?.kind).toBe('sheltered');
  });
});

describe('a plant for this water', () => {
  const water: PlantWater = {
    spans: { temperatureC: [22, 26], ph: [6.8, 6.8], ghDh: [6, 6], salinity: [0, 0] },
    ppfd: 40,
    isSalt: false,
    hasCo2: false,
  };
  it('bears its year, has light enough, and asks for no gas that is not there', () => {
    const moss = plant('taxiphyllum-barbieri');
    expect(suits(moss, water)).toBeTrue();
    expect(suits(moss, { ...water, spans: { ...water.spans, temperatureC: [22, 36] } })).toBeFalse();
    expect(suits(moss, { ...water, spans: { ...water.spans, salinity: [35, 35] }, isSalt: true })).toBeFalse();
    expect(suits(moss, { ...water, ppfd: 5 })).toBeFalse();
    expect(suits(plant('rotala-wallichii'), { ...water, ppfd: 150 })).toBeFalse();
    expect(
      suits(plant('chaetomorpha-linum'), {
        ...water,
        spans: { temperatureC: [24, 26], ghDh: [300, 300], salinity: [35, 35] },
        isSalt: true,
        ppfd: 80,
      }),
    ).toBeTrue();
    expect(suits(plant('chaetomorpha-linum'), water)).toBeFalse();
  });
});
