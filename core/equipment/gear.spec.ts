import { capacityMgNPerDay, maturityAfter, maturityOf, MEDIUM_META } from './media';
import { MOST_AT_ONCE, spareMedia } from './donors';
import { capacityFinding, gearScraperFinding, intakeFinding, reachFinding, siphonFinding, topUpFinding, type Swimmer } from './guards';
import { newDevice, newFilter, newRuns, standsInside, type Device } from './model';
import { flowOf, throughMesh } from './runs';
import { serviceOf } from './service';
import { catalogue } from '../testing/tanks';
import type { Animal } from '../catalogue/organism';

const bare = { order: 1, powerW: null, sizeMm: null, placeMm: null };
type Filter = Extract<Device, { kind: 'filter' }>;
const filter = (more: Partial<Filter> = {}): Filter => ({ ...newFilter, ...bare, ...more });
const swimmer = (id: string, more: Partial<Swimmer> = {}): Swimmer => ({
  id,
  animal: catalogue.organisms.get(id) as Animal,
  breeds: false,
  youngAcrossMm: 0.6,
  ...more,
});

describe('what is drawn in', () => {
  const shrimp = swimmer('neocaridina-davidi');
  it('is shrimplets by a bare intake, and nobody by a sponge', () => {
    expect(intakeFinding('f', 'hang-on', 3, [shrimp])?.kind).toBe('young');
    expect(intakeFinding('f', 'hang-on', 0.3, [shrimp])).toBeNull();
    expect(intakeFinding('f', 'sponge', 3, [shrimp])).toBeNull();
  });
  it('is grown animals first, where those fit too', () => {
    expect(intakeFinding('f', 'canister', 40, [shrimp])?.kind).toBe('adult');
  });
  it('is not known where its gaps are not, and some young will come', () => {
    expect(intakeFinding('f', 'canister', null, [shrimp])?.severity).toBe('unknown');
    expect(intakeFinding('f', null, null, [shrimp])).toBeNull();
    expect(intakeFinding('f', 'canister', null, [])).toBeNull();
  });
});

describe('a filter against its load', () => {
  const full = filter({ media: [{ medium: 'coarse-foam', litres: 2 }], runWeeks: 40 });
  it('carries what the product of its surface says, and is small or young where it falls short', () => {
    const carries = capacityMgNPerDay(2 * MEDIUM_META['coarse-foam'].m2PerL, 1, 0.1, 20);
    expect(capacityFinding([['f', full]], 0.9 * carries, 0, 0, 20)).toBeNull();
    expect(capacityFinding([['f', full]], 1.5 * carries, 0, 0, 20)?.kind).toBe('small');
    expect(capacityFinding([['f', { ...full, runWeeks: 0 }]], 0.5 * carries, 0, 0, 20)?.kind).toBe('young');
    expect(capacityFinding([['f', full]], 1.5 * carries, carries, 0, 20)).toBeNull();
  });
  it('is ripe at once by media that ran in another tank', () => {
    const given = filter({ media: [{ medium: 'coarse-foam', litres: 2, fromTankId: 'other' }], runWeeks: 0 });
    const carries = capacityMgNPerDay(2 * MEDIUM_META['coarse-foam'].m2PerL, 1, 0.1, 20);
    expect(capacityFinding([['f', given]], 0.8 * carries, 0, 0, 20)).toBeNull();
  });
  it('is not judged while no media are stated', () => {
    expect(capacityFinding([['f', filter()]], 500, 0, 0, 20)).toBeNull();
  });
});

describe('mature media', () => {
  const donor = filter({ media: [{ medium: 'coarse-foam', litres: 3 }], runWeeks: 52 });
  const carried = capacityMgNPerDay(3 * MEDIUM_META['coarse-foam'].m2PerL, 1, 0.1, 25);
  it('are given as far as the donor does not starve, and a third at most', () => {
    const [easy] = spareMedia([donor], 0.1 * carried, 0, 25, 0.1);
    expect(easy!.litres).toBeCloseTo(3 * MOST_AT_ONCE, 1);
    const [less] = spareMedia([donor], 0.55 * carried, 0, 25, 0.1);
    expect(less!.litres).toBeLessThan(easy!.litres);
    expect((3 - less!.litres) / 3).toBeGreaterThanOrEqual(1.5 * 0.55 - 1e-9);
    expect(spareMedia([donor], carried, 0, 25, 0.1)).toEqual([]);
  });
  it('are none while they are young, or nobody has said how old', () => {
    expect(spareMedia([{ ...donor, runWeeks: 3 }], 0, 0, 25, 0.1)).toEqual([]);
    expect(spareMedia([{ ...donor, runWeeks: null }], 0, 0, 25, 0.1)).toEqual([]);
  });
});

describe('flow after mesh, hose and head', () => {
  it('loses a quarter to a fine sponge: common practice', () => {
    const open = flowOf({ ...newRuns(), lPerH: 400 })!;
    expect(flowOf({ ...newRuns(), lPerH: 400, gapMm: 0.3 })!.lPerH / open.lPerH).toBeCloseTo(0.75, 6);
    expect([throughMesh(null), throughMesh(5)]).toEqual([1, 1]);
  });
  it('is nothing where it cannot lift so high, and that is said', () => {
    expect(reachFinding('p', { ...newRuns(), lPerH: 500, mostHeadM: 1, liftM: 1 })?.severity).toBe('conflict');
    expect(reachFinding('p', { ...newRuns(), lPerH: 500, mostHeadM: 1, liftM: 0.9 })).toBeNull();
    expect(reachFinding('p', null)).toBeNull();
  });
});

describe('water that goes where it should not', () => {
  const air = (more: object) => ({ ...newDevice('air', 0, bare), ...more }) as Device;
  it('siphons back through a line without a valve, from a pump that stands below', () => {
    expect(siphonFinding('a', air({ below: true, checkValve: false }))).not.toBeNull();
    for (const safe of [air({ below: true, checkValve: true }), air({ below: false, checkValve: false }), air({ below: true })])
      expect(siphonFinding('a', safe)).toBeNull();
  });
  it('floods by a top-up that holds more than there is room for, and takes the salt out of a small tank', () => {
    const top = (reservoirL: number | null) => ({ ...newDevice('top-up', 0, bare), reservoirL }) as Device;
    expect(topUpFinding('t', top(20), 100, 8, false)?.kind).toBe('floods');
    expect(topUpFinding('t', top(20), 100, 30, true)?.kind).toBe('dilutes');
    expect(topUpFinding('t', top(20), 100, 30, false)).toBeNull();
    expect(topUpFinding('t', top(null), 100, 0, true)).toBeNull();
  });
});

describe('service', () => {
  const equipment = {
    filter: filter({ form: 'canister', media: [{ medium: 'floss', litres: 0.2 }], runs: { ...newRuns(), gapMm: 0.4 } }),
    heater: newDevice('heater', 25, bare),
    fan: newDevice('fan', 25, bare),
  };
  it('asks of each device what it needs, soonest first', () => {
    const tasks = serviceOf(equipment, false).map(({ task }) => task);
    expect(tasks).toEqual(['prefilter', 'floss', 'heater', 'canister', 'impeller']);
    expect(serviceOf(equipment, true).map(({ task }) => task)).toContain('bottle');
    expect(serviceOf({}, false)).toEqual([]);
  });
});

describe('gear in its place', () => {
  const heater = (placeMm: [number, number, number]): Device => ({ ...newDevice('heater', 25, bare), sizeMm: [30, 30, 200], placeMm });
  const tank = { lengthMm: 600, widthMm: 300 };
  it('leaves a scraper its way along the panes that are looked through', () => {
    expect(gearScraperFinding([['h', heater([300, 20, 50])]], tank, ['front'])?.kind).toBe('front');
    expect(gearScraperFinding([['h', heater([300, 280, 50])]], tank, ['front'])).toBeNull();
    expect(gearScraperFinding([['h', heater([20, 150, 50])]], tank, ['front', 'left'])?.kind).toBe('left');
    expect(gearScraperFinding([['h', newDevice('heater', 25, bare)]], tank, ['front'])).toBeNull();
  });
  it('has to pass the top only where it goes into the tank', () => {
    expect(standsInside(heater([0, 0, 0]))).toBeTrue();
    expect(standsInside(filter({ form: 'sponge' }))).toBeTrue();
    for (const beside of [newDevice('lamp', 0, bare), newDevice('air', 0, bare), filter({ form: 'canister' })])
      expect(standsInside(beside)).toBeFalse();
  });
  it('is grown in by a bottle no faster than by a week', () => {
    expect(maturityOf({ runWeeks: 2, bottled: true })).toBeCloseTo(maturityAfter(3), 9);
    expect(maturityOf({ runWeeks: null })).toBe(1);
  });
});
