import type { Animal } from '../catalogue/organism';
import type { Fact } from '../quantity/fact';
import { catalogue, judge, lowBarn, tank, find } from '../testing/tanks';
import { applyEdit } from './edit';
import { emptyOwnCatalogue, overridden, saltsKnown, withOwn, type Override, type OwnCatalogue } from './own-catalogue';
import { Room } from './room';

const danio = catalogue.organisms.get('danio-margaritatus') as Animal;
const override = (path: string, value: unknown, more: Partial<Override> = {}): Override => ({
  order: 1,
  entryId: danio.id,
  path,
  fact: { value: value as never, basis: 'measured', note: 'our own' },
  ...more,
});
const own = (more: Partial<OwnCatalogue>): OwnCatalogue => ({ ...emptyOwnCatalogue(), ...more });

describe('what a room adds to the catalogue', () => {
  it('is nothing at first, and costs nothing', () => expect(withOwn(catalogue, emptyOwnCatalogue())).toBe(catalogue));

  it('stands in place of a shipped fact, and leaves the rest as it was', () => {
    const mine = own({ overrides: { a: override('/ranges/keep/ph', { tolerance: [6, 8.8], optimum: [6.6, 8.4] }) } });
    const known = withOwn(catalogue, mine);
    const entry = known.organisms.get(danio.id) as Animal;
    expect(entry.ranges.keep!.ph).toEqual({ value: { tolerance: [6, 8.8], optimum: [6.6, 8.4] }, basis: 'measured', note: 'our own' });
    expect(entry.ranges.keep!.ghDh).toEqual(danio.ranges.keep!.ghDh);
    expect(known.organisms.get('boraras-maculatus')).toBe(catalogue.organisms.get('boraras-maculatus'));
    expect(catalogue.organisms.get(danio.id)).toBe(danio);
    expect(withOwn(catalogue, mine)).toBe(known);
  });

  it('lays several facts over each other in their order', () => {
    const { entry } = overridden(danio, [override('/sizeMm/length', 22), override('/sizeMm/length', 24, { order: 2 })]);
    expect((entry as Animal).sizeMm.length.value).toBe(24);
  });

  it('leaves out what makes no sound entry, and says why', () => {
    const { entry, refused } = overridden(danio, [
      override('/ranges/keep/ph', { tolerance: [8, 6], optimum: [7, 7] }),
      override('/sizeMm/length', -3),
      override('/nowhere/at/all', 3),
      override('/sizeMm/depth', 7),
    ]);
    expect(refused.map(({ path }) => path)).toEqual(['/ranges/keep/ph', '/sizeMm/length', '/nowhere/at/all']);
    expect(refused[0]!.reason).toContain('low edge is above');
    expect((entry as Animal).sizeMm.depth.value).toBe(7);
    expect((entry as Animal).sizeMm.length).toEqual(danio.sizeMm.length);
  });

  it('adds a stone of one’s own to what pieces may be of, and a mix to what is weighed in', () => {
    const slate = { ...catalogue.materials.get('slate')!, id: 'own-quarry', name: 'Quarry slate' };
    const mix = { id: 'mix-bee', name: 'Bee mix', parts: { gypsum: 1 }, gramsPerDh: null };
    const mine = own({ materials: { 'own-quarry': slate }, mixes: { 'mix-bee': mix } });
    const known = withOwn(catalogue, mine);
    expect(known.materials.get('own-quarry')).toBe(slate);
    const of = (id: string) => known.pieces.get(id)!.materialIds;
    expect(of('angular-stone')).toContain('own-quarry');
    expect(of('branch')).not.toContain('own-quarry');
    expect(saltsKnown(mine).get('mix-bee')!.ions.calcium! * 172.164).toBeCloseTo(1, 3);
    expect(saltsKnown(mine).get('gypsum')).toBe(saltsKnown(emptyOwnCatalogue()).get('gypsum'));
    expect(saltsKnown(mine)).toBe(saltsKnown(mine));
  });

  it('refuses a mix under another name than its own, and one that could be none', () => {
    const mix = { id: 'mix-bee', name: 'Bee mix', parts: { gypsum: 1 }, gramsPerDh: null };
    const read = (mixes: object) => Room.safeParse({ ...lowBarn, own: { ...lowBarn.own, mixes } }).success;
    expect(read({ 'mix-bee': mix })).toBeTrue();
    expect(read({ 'mix-tea': mix })).toBeFalse();
    expect(read({ gypsum: { ...mix, id: 'gypsum' } })).toBeFalse();
    expect(read({ 'mix-bee': { ...mix, gramsPerDh: 0.1 } })).toBeFalse();
  });

  it('never hides a shipped entry', () => {
    const known = withOwn(catalogue, own({ organisms: { [danio.id]: { ...danio, common: ['Usurper'] } } }));
    expect(known.organisms.get(danio.id)).toBe(danio);
  });

  it('is judged by, and taken back with one undo', () => {
    const design = tank([['danio-margaritatus', 12, 'spawn']], { shares: { tap: 1 } });
    const before = find(judge(design), 'water.parameter:ghDh:s0')!;
    expect(before.severity).not.toBe('fits');
    const wide = override('/ranges/keep/ghDh', { tolerance: [2, 40], optimum: [4, 30] });
    const edited = applyEdit(lowBarn, [{ op: 'add', path: '/own/overrides/a', value: wide }], Room);
    if (!edited.ok) return fail(edited.refusals);
    const after = find(judge({ ...design, stock: { s0: { ...design.stock['s0']!, phase: 'keep' } } }, edited.document), before.key)!;
    expect([after.severity, after.basis]).toEqual(['fits', 'measured']);
    const undone = applyEdit(edited.document, edited.inverse, Room);
    expect(undone.ok && undone.document.own).toEqual(emptyOwnCatalogue());
  });

  it('may leave out any trait, so that one that is asked for later makes no room unreadable: it is not known then', () => {
    const entry = { ...danio, id: 'mine', latin: 'Danio sp. "Mine"' };
    for (const trait of Object.keys(danio.traits).filter((name) => name !== 'breeding')) {
      const traits = { ...danio.traits, [trait]: undefined };
      const read = Room.safeParse({ ...lowBarn, own: { ...lowBarn.own, organisms: { mine: { ...entry, traits } } } });
      if (!read.success) return fail(`${trait}: ${read.error.message}`);
      const kept = (read.data.own.organisms['mine'] as Animal).traits[trait as 'jumps'] as Fact<boolean> | undefined;
      // a trait that is left out for what is ordinary stays so
      if (kept !== undefined) expect(kept).withContext(trait).toEqual({ value: null, basis: 'recalled' });
    }
    const bare = { ...entry, sizeMm: {}, traits: { breeding: {} }, bodyColours: undefined };
    const read = Room.safeParse({ ...lowBarn, own: { ...lowBarn.own, organisms: { mine: bare } } });
    if (!read.success) return fail(read.error.message);
    const design = tank([['mine', 6, 'spawn']]);
    const judged = judge(design, read.data);
    expect(find(judged, 'stocking.lid:s0')?.severity ?? 'unknown').toBe('unknown');
    expect(judged.findings.filter(({ key, severity }) => key.startsWith('stocking.') && severity === 'fits').map(({ key }) => key)).toEqual(
      [],
    );
  });

  it('is refused by the room where an entry goes by another id, or is not whole', () => {
    const add = (value: unknown, id = 'mine') =>
      applyEdit(lowBarn, [{ op: 'add', path: `/own/organisms/${id}`, value: value as never }], Room);
    expect(add({ ...danio, id: 'mine', latin: 'Danio sp. "Mine"' }).ok).toBeTrue();
    expect(add({ ...danio, id: 'other' }).ok).toBeFalse();
    expect(add({ id: 'mine', latin: 'Danio mine' }).ok).toBeFalse();
  });
});
