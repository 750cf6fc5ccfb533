import { catalogue, find, judge, tank, box } from '../testing/tanks';
import { helpFor } from '../assessment/remedies/offer';
import { shareToday } from './company';

const together = (hunter: string, prey: string, todayMm: { hunter?: number; prey?: number } = {}) => {
  const design = tank(
    [
      [hunter, 1],
      [prey, 8],
    ],
    { vessel: box(1500, 600, 600) },
  );
  const put = (id: string, length: number | undefined) => ({ ...design.stock[id]!, ...(length === undefined ? {} : { todayMm: length }) });
  return judge({ ...design, stock: { s0: put('s0', todayMm.hunter), s1: put('s1', todayMm.prey) } });
};

/** A hunter of fish and a fish that is just too deep for it, grown. */
const pair = (() => {
  for (const hunter of catalogue.organisms.values()) {
    if (hunter.kind !== 'animal' || hunter.group !== 'fish' || !hunter.traits.hunts.value?.includes('fish')) continue;
    if (!hunter.sizeMm.gape.value || hunter.traits.activity.value === 'night') continue;
    for (const prey of catalogue.organisms.values()) {
      if (prey.kind !== 'animal' || prey.group !== 'fish' || prey.id === hunter.id || !prey.sizeMm.depth.value || !prey.sizeMm.length.value)
        continue;
      const ratio = hunter.sizeMm.gape.value / prey.sizeMm.depth.value;
      if (ratio > 0.4 && ratio < 0.6) return { hunter, prey, ratio };
    }
  }
  throw new Error('no such pair');
})();

describe('how large they are put in', () => {
  it('is grown where nobody says, and never more', () => {
    expect(shareToday({ animal: pair.prey })).toBe(1);
    const length = pair.prey.sizeMm.length.value!;
    expect(shareToday({ animal: pair.prey, todayMm: length / 4 })).toBe(0.25);
    expect(shareToday({ animal: pair.prey, todayMm: length * 3 })).toBe(1);
  });

  it('makes food of what lives there grown', () => {
    const key = 'stocking.predation:s0:s1';
    const length = pair.prey.sizeMm.length.value!;
    expect(find(together(pair.hunter.id, pair.prey.id), key)).toBeUndefined();
    const small = together(pair.hunter.id, pair.prey.id, { prey: length * pair.ratio * 0.8 });
    const said = find(small, key)!;
    expect([said.severity, said.kind]).toEqual(['conflict', 'today']);
    const [remedy] = helpFor(small, said).remedies;
    expect([remedy?.kind, remedy?.after]).toEqual(['grow-on', null]);
    // beside a hunter as small as itself it is safe
    const both = together(pair.hunter.id, pair.prey.id, {
      prey: length * pair.ratio,
      hunter: pair.hunter.sizeMm.length.value! * pair.ratio,
    });
    expect(find(both, key)).toBeUndefined();
  });

  it('clears nothing that is eaten grown: small hunters grow', () => {
    const design = tank([
      ['ambystoma-mexicanum', 1],
      ['danio-margaritatus', 8],
    ]);
    const small = judge({ ...design, stock: { ...design.stock, s0: { ...design.stock['s0']!, todayMm: 40 } } });
    expect(find(small, 'stocking.predation:s0:s1')?.severity).toBe('conflict');
  });

  it('says who goes through a gap as small as it is, and not as small as it might be', () => {
    const vessel = box(1500, 600, 600);
    const { depth, width, length } = pair.prey.sizeMm;
    const gap = Math.min(depth.value!, width.value!) * 0.7;
    const design = tank([[pair.prey.id, 8]], { vessel });
    const at = (todayMm: number | undefined) =>
      judge({
        ...design,
        vessel: {
          ...vessel,
          openings: { slot: { order: 1, at: 'intake', shortMm: gap, longMm: depth.value! * 2, guardMm: null } },
        } as never,
        stock: { s0: { ...design.stock['s0']!, ...(todayMm === undefined ? {} : { todayMm }) } },
      });
    expect(find(at(length.value! * 0.6), 'stocking.escape:s0')?.severity).toBe('watch');
    expect(find(at(length.value!), 'stocking.escape:s0')?.severity).toBe('fits');
  });
});
