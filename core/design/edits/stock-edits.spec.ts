import type { Animal, Plant } from '../../catalogue/organism';
import { Design, emptyDesign } from '../design';
import { applyEdit } from '../edit';
import { catalogue } from '../../testing/tanks';
import { addAnimal, addPlant, chooseBiotope, removeAnimal, removePlants } from './stock-edits';

const danio = catalogue.organisms.get('danio-margaritatus') as Animal;
const shrimp = catalogue.organisms.get('neocaridina-davidi') as Animal;
const fern = catalogue.organisms.get('microsorum-pteropus') as Plant;

function apply(design: Design, patch: Parameters<typeof applyEdit>[1]): Design {
  const done = applyEdit(design, patch, Design);
  if (!done.ok) throw new Error(JSON.stringify(done.refusals));
  return done.document;
}

describe('edits of the livestock', () => {
  const empty = emptyDesign('d', 'r', 'Tank');

  it('make the first animal the target, and companions not', () => {
    const one = apply(empty, addAnimal(empty, danio, 12, true, 'a'));
    const two = apply(one, addAnimal(one, shrimp, 10, false, 'b'));
    expect(two.brief.targetStockIds).toEqual(['a']);
    expect(two.brief.purpose).toBe('breed');
    expect(two.stock['a']).toEqual({ order: 1, organismId: 'danio-margaritatus', count: 12, phase: 'spawn' });
    expect(two.stock['b']?.phase).toBe('keep');
  });

  it('let more of a kind join those that are here', () => {
    const one = apply(empty, addAnimal(empty, danio, 12, true, 'a'));
    const more = apply(one, addAnimal(one, danio, 8, true, 'b'));
    expect(Object.values(more.stock).map(({ count }) => count)).toEqual([20]);
    expect(Object.keys(apply(more, addAnimal(more, danio, 8, false, 'c')).stock).length).toBe(2);
  });

  it('take a target out of both places', () => {
    const one = apply(empty, addAnimal(empty, danio, 12, true, 'a'));
    expect(apply(one, removeAnimal(one, 'a')).brief.targetStockIds).toEqual([]);
  });

  it('plant and clear plants, and remember the place', () => {
    let design = apply(empty, chooseBiotope('peat-swamp-selangor'));
    expect(design.brief.biotopeId).toBe('peat-swamp-selangor');
    for (const id of ['p1', 'p2', 'p3']) design = apply(design, addPlant(design, fern, id));
    const places = Object.values(design.scene).map(({ positionMm }) => positionMm[0]);
    expect(new Set(places).size).toBe(3);
    expect(Object.keys(apply(design, removePlants(design, fern.id)).scene)).toEqual([]);
  });
});

describe('an animal that is no target', () => {
  it('goes, and leaves the targets alone', () => {
    const empty = emptyDesign('d', 'r', 'Tank');
    const one = apply(empty, addAnimal(empty, danio, 12, true, 'a'));
    const two = apply(one, addAnimal(one, shrimp, 10, false, 'b'));
    expect(removeAnimal(two, 'b')).toEqual([{ op: 'remove', path: '/stock/b' }]);
    expect(removeAnimal(two, 'a')).toEqual([
      { op: 'remove', path: '/brief/targetStockIds/0' },
      { op: 'remove', path: '/stock/a' },
    ]);
  });
});
