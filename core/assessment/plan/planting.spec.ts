import type { Plant } from '../../catalogue/organism';
import { Design } from '../../design/design';
import { applyEdit } from '../../design/edit';
import { kept } from '../../testing/kept-tank';
import { THRIVING } from '../../testing/ordinary-tanks';
import { catalogue, lowBarn, peatPocket, weedyThicket } from '../../testing/tanks';
import { assess } from '../assess';
import { plantingPlans, PURPOSES } from './planting';

const bare = (start: string) => {
  const { design, room } = kept({ ...THRIVING.find(({ name }) => name.startsWith(start))!, plants: [], lampLm: 3000 });
  return { design, room, catalogue };
};
const TANKS = {
  harlequins: bare('Harlequins'),
  shrimp: bare('Bee shrimp on RO'),
  clowns: bare('A pair of clownfish'),
  newts: bare('Fire-bellied'),
};
const plant = (id: string) => catalogue.organisms.get(id) as Plant;

describe('a planting that is proposed', () => {
  for (const [name, world] of Object.entries(TANKS))
    for (const purpose of PURPOSES)
      it(`for ${purpose}, ${name}: is judged by itself, and cries over nothing that was not cried over before`, () => {
        const before = assess(world);
        const cried = new Set(
          before.findings.filter(({ severity }) => severity === 'conflict' || severity === 'watch').map(({ key }) => key),
        );
        const plans = plantingPlans(before, { purpose, lowWork: false });
        if (name === 'harlequins') expect(plans.length).toBe(3);
        for (const plan of plans) {
          const done = applyEdit(world.design, plan.patch, Design);
          if (!done.ok) throw new Error(JSON.stringify(done.refusals));
          const after = assess({ ...world, design: done.document });
          const kinds = new Set(plan.kinds.map(({ plantId }) => plantId));
          const members = new Map(after.derived['stock.members'].value!.map(({ id, organismId }) => [id, organismId]));
          const over = after.findings.filter(
            ({ key, severity, subjects }) =>
              (severity === 'conflict' || severity === 'watch') &&
              !cried.has(key) &&
              subjects.some((id) => kinds.has(members.get(id) ?? '') || plan.patch.some(({ path }) => path === `/scene/${id}`)),
          );
          expect(over.map(({ key }) => key))
            .withContext(plan.id)
            .toEqual([]);
          expect(plan.foliageL).toBeGreaterThan(0);
          const total = Object.values(done.document.scene).reduce((sum, item) => sum + (item.kind === 'plant' ? item.count : 0), 0);
          expect(plan.kinds.reduce((sum, { count }) => sum + count, 0)).toBe(total);
        }
      });

  it('differs from the next by its kinds', () => {
    const plans = plantingPlans(assess(TANKS.harlequins), { purpose: 'cover', lowWork: false });
    const sets = plans.map(({ kinds }) => new Set(kinds.map(({ plantId }) => plantId)));
    for (let i = 0; i < sets.length; i++)
      for (let j = i + 1; j < sets.length; j++) {
        const shared = [...sets[i]!].filter((id) => sets[j]!.has(id)).length;
        expect(shared).toBeLessThan(Math.min(sets[i]!.size, sets[j]!.size));
      }
  });
  it('of little work has fewer fast kinds, one to start with more of them, one to show more colours', () => {
    const all = (purpose: (typeof PURPOSES)[number], lowWork: boolean) =>
      plantingPlans(assess(TANKS.harlequins), { purpose, lowWork }).flatMap(({ kinds }) => kinds.map(({ plantId }) => plant(plantId)));
    const fast = (plants: Plant[]) => plants.filter(({ traits }) => traits.growth.value === 'fast').length;
    expect(fast(all('cover', true))).toBeLessThan(fast(all('start', false)));
    const colours = (plants: Plant[]) => plants.filter(({ traits }) => (traits.leafColours?.value?.length ?? 0) > 1).length;
    expect(colours(all('show', false))).toBeGreaterThan(colours(all('cover', false)));
  });
  it('is of the place where the tank is to be true to it, and of salt water in salt water', () => {
    const strict = { ...weedyThicket, scene: {}, brief: { ...weedyThicket.brief, fidelity: 'strict' as const } };
    const place = catalogue.biotopes.get(strict.brief.biotopeId!)!;
    for (const { kinds } of plantingPlans(assess({ design: strict, room: lowBarn, catalogue }), { purpose: 'cover', lowWork: false }))
      for (const { plantId } of kinds) expect(place.organismIds).toContain(plantId);
    for (const { kinds } of plantingPlans(assess(TANKS.clowns), { purpose: 'cover', lowWork: false }))
      for (const { plantId } of kinds) expect(plant(plantId).form).toMatch(/macroalga|grass/);
    expect(
      plantingPlans(assess({ design: { ...peatPocket, vessel: null }, room: lowBarn, catalogue }), { purpose: 'show', lowWork: true }),
    ).toEqual([]);
  });
  it('is of what is at hand where that is asked, and begins with it where it is not', () => {
    const hornwort = {
      order: 1,
      kind: 'plant' as const,
      name: 'Hornwort tops',
      measure: 'count' as const,
      amount: 14,
      note: '',
      substance: null,
    };
    const world = { ...TANKS.harlequins, room: { ...TANKS.harlequins.room, onHand: { hornwort } } };
    const only = plantingPlans(assess(world), { purpose: 'start', lowWork: false, atHand: true });
    expect(only.length).toBeGreaterThan(0);
    for (const { kinds } of only)
      for (const { plantId, count, atHand } of kinds) {
        expect(plantId).toBe('ceratophyllum-demersum');
        expect(atHand).toBe(Math.min(count, 14));
      }
    expect(plantingPlans(assess(TANKS.harlequins), { purpose: 'start', lowWork: false, atHand: true })).toEqual([]);
  });
  it('keeps both where it is planted twice', () => {
    const world = TANKS.harlequins;
    const wish = { purpose: 'cover', lowWork: false } as const;
    const first = applyEdit(world.design, plantingPlans(assess(world), wish)[0]!.patch, Design);
    if (!first.ok) throw new Error('refused');
    const again = plantingPlans(assess({ ...world, design: first.document }), wish)[0]!;
    const second = applyEdit(first.document, again.patch, Design);
    if (!second.ok) throw new Error('refused');
    const count = (design: Design) => Object.keys(design.scene).length;
    expect(count(second.document)).toBe(count(first.document) + again.patch.length);
  });
});
