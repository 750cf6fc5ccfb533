import { indexCatalogue } from '../catalogue/catalogue';
import { catalogueData } from '../../catalogue';
import * as z from 'zod';
import logs from '../../catalogue/demo/logs.json';
import demo from '../../catalogue/demo/low-barn.json';
import { Design } from '../design/design';
import { Room } from '../design/room';
import { ownEntriesOf, readLogTable } from '../log/csv-in';
import { logCsv } from '../log/csv-out';
import { Entry, type NewEntry } from '../log/model';
import { timelineOf } from '../log/timeline';
import { METRIC } from '../quantity/format';
import { peatPocket } from '../testing/tanks';
import { assess } from './assess';
import { readRecord } from './plan/record';
import { lineOfReading, withRecord } from './record';
import { logNamesOf, wordEntry } from './wording/log';
import { wordShares, wordSign } from './wording/record';

const entry = (id: string, at: string, what: NewEntry, corrects: string | null = null) =>
  Entry.parse({ note: '', ...what, id, at, written: at, corrects });
const read = (values: object, more: object = {}): NewEntry =>
  ({ kind: 'reading', of: 'mark', from: 'hand', simulated: false, kit: 'drops', kitId: null, values, ...more }) as NewEntry;

describe('a design with its log', () => {
  const started: Design = {
    ...peatPocket,
    startup: {
      begun: '2026-05-01',
      method: 'dosed',
      doseMgNPerLPerDay: 0.5,
      inoculum: 'none',
      inoculumL: 0,
      challengedOn: '2026-06-20',
      seen: {},
      tests: {},
    },
  };
  const entries = [
    entry('a', '2026-05-03T08:00:00Z', read({ ammoniaMgNPerL: 2, nitriteMgNPerL: 0.5, nitrateMgPerL: 62.005 })),
    entry('b', '2026-05-05T08:00:00Z', read({ ph: 6.4 })),
    entry('c', '2026-06-28T08:00:00Z', read({ ph: 5.9, ghDh: 2 }, { kit: 'meter' })),
    entry('d', '2026-06-29T08:00:00Z', read({ nitrateMgPerL: 5 })),
    entry('e', '2026-06-29T09:00:00Z', read({ ph: 9 }, { simulated: true, from: 'probe' })),
    entry('f', '2026-06-29T10:00:00Z', read({ ph: 4 }, { of: '' })),
  ];

  it('is judged by the newest reading of each, and by no simulated one or of a water that is not known', () => {
    const recorded = withRecord(started, timelineOf(entries));
    const by = (parameter: string) => Object.values(recorded.readings).filter((one) => one.parameter === parameter);
    expect(by('ph').map(({ value, kit, day }) => [value, kit, day])).toEqual([[5.9, 'meter', '2026-06-28']]);
    expect(by('ghDh')[0]!.value).toBe(2);
    expect(Design.parse(recorded)).toEqual(recorded);
    expect(lineOfReading(recorded, 'ph', by('ph')[0]!)).toBe('c');
    expect(started.readings).toEqual({});
  });

  it('has the tests of its start, as nitrogen; nitrate alone is none once it is over', () => {
    const { startup } = withRecord(started, timelineOf(entries));
    expect(Object.values(startup!.tests).map(({ day, kit, ammoniaMgN, nitriteMgN }) => [day, kit, ammoniaMgN, nitriteMgN])).toEqual([
      ['2026-05-03', 'drops', 2, 0.5],
    ]);
    expect(Object.values(startup!.tests)[0]!.nitrateMgN).toBeCloseTo(14.007, 2);
  });

  it('is itself where nothing was read, and loses what was struck out', () => {
    expect(withRecord(started, [])).toBe(started);
    const struck = [...entries.slice(1, 2), entry('z', '2026-05-06T08:00:00Z', { kind: 'struck' }, 'b')];
    expect(withRecord(started, timelineOf(struck))).toBe(started);
  });
});

describe('the logs of the demo', () => {
  const room = Room.parse(demo.room);
  const catalogue = indexCatalogue(catalogueData);
  const names = logNamesOf(catalogue, room.kits);
  const told = Object.fromEntries(
    demo.designs.map((raw) => {
      const design = Design.parse(raw);
      const entries = z.array(Entry).parse((logs.logs as Record<string, unknown>)[design.id]);
      const table = readLogTable(logCsv(entries));
      if (!table.ok) throw new Error(table.reason);
      const { entries: back, left } = ownEntriesOf(table.table, Infinity);
      const lines = timelineOf(entries);
      const found = readRecord(assess({ design, room, catalogue }), lines, '2026-12-01', Date.parse('2026-12-01T12:00:00Z'));
      return [design.id, { entries, back, left, lines, ...found }];
    }),
  );

  it('are whole, end on one day, and come back from a table as they went', () => {
    for (const { left, entries, back } of Object.values(told)) {
      expect(left).toEqual([]);
      expect(back).toEqual(entries);
      expect(entries.length).toBeGreaterThan(0);
      expect(entries.every(({ at }) => at.slice(0, 10) <= logs.ends)).toBeTrue();
    }
    expect(told['shell-bed']!.entries[0]!.at.slice(0, 10) <= '2026-01-01').toBeTrue();
  });

  it('show the faults that were put into them, and nothing in those that are only being started', () => {
    const codes = (id: string) => told[id]!.signs.map(({ code }) => code);
    expect(codes('shell-bed')).toContain('evaporation');
    expect(codes('weedy-thicket')).toContain('nitrate-rising');
    for (const id of ['peat-pocket', 'lagoon-nursery', 'lava-jar']) expect(codes(id)).withContext(id).toEqual([]);
  });

  it('fit the feed of the thicket that was overfed, and leave that of the shell bed where it was planned', () => {
    expect(told['weedy-thicket']!.refit!.share.feed!.low).toBeGreaterThan(1);
    const { low, high } = told['shell-bed']!.refit!.share.feed!;
    expect(low).toBeLessThan(1);
    expect(high).toBeGreaterThan(1);
    expect(wordShares(told['weedy-thicket']!.refit!.share, METRIC).find(({ what }) => what === 'feed')!.off).toBeTrue();
  });

  it('are said in whole sentences, every entry and every sign', () => {
    for (const { lines, signs } of Object.values(told)) {
      for (const { entry: one } of lines) {
        const { title, detail } = wordEntry(one, names, METRIC);
        expect(`${title} ${detail}`).not.toMatch(/undefined|NaN|null|\[object/);
        expect(title.length).toBeGreaterThan(2);
      }
      for (const sign of signs) {
        const { title, detail, then } = wordSign(sign, names, METRIC);
        expect(`${title} ${detail} ${then}`).not.toMatch(/undefined|NaN|null|\[object| {2}/);
      }
    }
  });
});
