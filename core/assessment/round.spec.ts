import { METRIC } from '../quantity/format';
import { dayAfter } from '../schedule/day';
import type { Design } from '../design/design';
import { catalogue, demoDesigns, lowBarn, peatPocket, shellBed, weedyThicket } from '../testing/tanks';
import { assess } from './assess';
import { caretakerOf } from './caretaker';
import { addedRound, roundOf, walked } from './round';

const TODAY = '2026-07-15';
const roundOfDesign = (design: Design, days = 35) =>
  roundOf(
    assess({ design: { ...design, care: { ...design.care, since: '2026-01-05' } }, room: lowBarn, catalogue }, new Map()),
    [],
    TODAY,
    days,
    METRIC,
  );
const rounds = demoDesigns.map((design) => roundOfDesign(design));

describe('the round through the room', () => {
  it('adds up what is carried: as many litres as the tanks of the day take, each from its source', () => {
    const sum = addedRound(rounds, TODAY);
    const today = rounds.flatMap(({ items }) => items.filter(({ day }) => day === TODAY));
    expect(sum.count).toBe(today.length);
    const litres = today.flatMap(({ pourL }) => Object.values(pourL)).reduce((all, one) => all + one, 0);
    expect(Object.values(sum.pourL).reduce((all, one) => all + one, 0)).toBeCloseTo(litres, 6);
    expect(sum.pourL['tap']).toBeGreaterThan(5);
    expect(addedRound(rounds, dayAfter(TODAY, 400)).count).toBe(0);
  });

  it('goes the way that was said, and what it does not name comes after by name', () => {
    const tanks = ['c', 'a', 'd', 'b'].map((id) => ({ id, name: id }));
    expect(walked(tanks, ['d', 'gone', 'b']).map(({ id }) => id)).toEqual(['d', 'b', 'a', 'c']);
  });

  it('tops up with its own mix by the parts of the mix, and with pure water of no source where none is named', () => {
    const withTop = (topUp: Design['care']['topUp']) =>
      roundOfDesign({ ...weedyThicket, care: { ...weedyThicket.care, topUp } }).items.find(({ code }) => code === 'top-up')!.pourL;
    expect(Object.keys(withTop({ sourceId: 'ro', everyDays: 7 }))).toEqual(['ro']);
    expect(Object.keys(withTop({ sourceId: null, everyDays: 7 }))).toEqual(Object.keys(roundOfDesign(weedyThicket).can!.pourL));
    expect(Object.keys(withTop(null))).toEqual(['']);
  });
});

describe('the sheet of a caretaker', () => {
  it('has a packet a day or every other day, the foods of the menu in turn, living food left out and said', () => {
    const daily = caretakerOf(roundOfDesign(shellBed), '2026-07-16', 14, 1);
    expect(daily.packets.length).toBe(14);
    expect(daily.packets.map(({ day }) => day)).toEqual(Array.from({ length: 14 }, (_, i) => dayAfter('2026-07-16', i)));
    expect(new Set(daily.packets.map(({ name }) => name)).size).toBeGreaterThan(1);
    expect(daily.live).toEqual(['daphnia']);
    expect(daily.packets.some(({ name }) => name === 'daphnia')).toBeFalse();
    expect(caretakerOf(roundOfDesign(shellBed), '2026-07-16', 14, 2).packets.length).toBe(7);
    expect(caretakerOf(roundOfDesign(peatPocket), '2026-07-16', 14, 2)).toEqual(jasmine.objectContaining({ onlyLive: true, packets: [] }));
  });

  it('leaves nobody to rinse a filter or change water: that is done before, or waits', () => {
    const cared = caretakerOf(roundOfDesign(shellBed), '2026-07-16', 14, 1);
    expect(cared.tasks.every(({ code }) => code === 'top-up' || code === 'reservoir' || code === 'heat-watch')).toBeTrue();
    expect(cared.before.join()).toMatch(/Change/);
    expect(cared.waits.join()).toMatch(/Clean the panes/);
    expect(cared.change).toBeNull();
  });

  it('says so where it would be too long without a change', () => {
    const often: Design = { ...shellBed, care: { ...shellBed.care, change: { fraction: 0.3, everyDays: 4 } } };
    const cared = caretakerOf(roundOfDesign(often), '2026-07-16', 14, 1);
    expect(cared.change!.day).toBe('2026-07-23');
    expect(cared.change!.can.litres).toBeGreaterThan(5);
  });
});
