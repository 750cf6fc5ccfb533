import fc from 'fast-check';
import { entriesOf, guessMapping, isOwnLog, orderIsOpen, ownEntriesOf, readLogTable, type LogTable } from './csv-in';
import { logCsv } from './csv-out';
import { doubleOf, slipOf, timeFault } from './entry-faults';
import { dayOfInstant, Entry, instantAt, type ReadingEntry } from './model';
import { byDay, gapOf, rangesOf, seriesOf, thinned } from './series';
import { standing, timelineOf, timelineWith } from './timeline';

const NOW = Date.parse('2026-06-30T12:00:00Z');
let written = 0;
const base = (id: string, at: string, corrects: string | null = null) => ({
  id,
  at,
  // each is written a second after the one before
  written: new Date(Date.parse('2026-05-01T00:00:00Z') + 1000 * ++written).toISOString(),
  note: '',
  corrects,
});
const reading = (id: string, at: string, values: ReadingEntry['values'], more: Partial<ReadingEntry> = {}): Entry =>
  Entry.parse({ ...base(id, at), kind: 'reading', of: 'm', from: 'hand', simulated: false, kit: 'drops', kitId: null, values, ...more });

describe('a log', () => {
  it('takes what happened, and refuses what no water reads, says nothing or corrects itself', () => {
    expect(() => reading('a', '2026-05-01T08:00:00+02:00', { ph: 6.5, khDh: 2 })).not.toThrow();
    const refused = (entry: unknown) =>
      Entry.safeParse(entry).error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];
    const plain = {
      ...base('b', '2026-05-01T08:00:00Z'),
      kind: 'reading',
      of: '',
      from: 'hand',
      simulated: false,
      kit: 'drops',
      kitId: null,
    };
    expect(refused({ ...plain, values: { ph: 65 } })).toEqual(['values.ph: 65 lies outside 2.5 to 11: no water reads so']);
    expect(refused({ ...plain, values: {} })).toEqual(['values: nothing was read']);
    expect(refused({ ...base('c', '2026-02-30T08:00:00Z'), kind: 'note', note: 'x' })[0]).toContain('a time is written');
    expect(refused({ ...base('d', '2026-05-01T08:00:00Z'), kind: 'note' })).toEqual(['note: nothing is written']);
    expect(refused({ ...base('e', '2026-05-01T08:00:00Z', 'e'), kind: 'struck' })).toEqual(['corrects: corrects itself']);
    expect(refused({ ...base('f', '2026-05-01T08:00:00Z'), kind: 'struck' })).toEqual([
      'corrects: says of no entry that it did not happen',
    ]);
    expect(refused({ ...base('g', '2026-05-01T08:00:00Z'), kind: 'change', litres: null, fraction: 1.2 }).length).toBe(1);
  });

  it('keeps what was corrected, and reads as the last correction has it', () => {
    const first = reading('a', '2026-05-01T08:00:00+02:00', { ph: 5.6 });
    const better = { ...reading('b', '2026-05-01T09:00:00+02:00', { ph: 6.5 }), corrects: 'a' };
    const best = { ...reading('c', '2026-05-01T09:00:00+02:00', { ph: 6.6 }), corrects: 'b' };
    const [line, ...others] = timelineOf([best, first, better]);
    expect(others).toEqual([]);
    expect(line!.id).toBe('a');
    expect((line!.entry as ReadingEntry).values).toEqual({ ph: 6.6 });
    expect(line!.earlier.map(({ id }) => id)).toEqual(['a', 'b']);
    const struck = Entry.parse({ ...base('d', '2026-05-02T09:00:00+02:00', 'a'), kind: 'struck' });
    const [gone] = timelineOf([first, better, best, struck]);
    expect(gone!.struck).toBeTrue();
    expect((gone!.entry as ReadingEntry).values).toEqual({ ph: 6.6 });
    expect(standing([gone!])).toEqual([]);
    // written again after it was struck out: it stands
    const back = { ...reading('e', '2026-05-01T09:00:00+02:00', { ph: 6.7 }), corrects: 'a' };
    expect(timelineOf([first, struck, back])[0]!.struck).toBeFalse();
  });

  it('loses nothing to rings of corrections, or to one whose beginning is missing', () => {
    const a = { ...reading('a', '2026-05-01T08:00:00Z', { ph: 6 }), corrects: 'b' };
    const b = { ...reading('b', '2026-05-01T08:00:00Z', { ph: 7 }), corrects: 'a' };
    expect(
      timelineOf([a, b])
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['a', 'b']);
    expect(timelineOf([b]).map(({ id }) => id)).toEqual(['b']);
  });

  it('gives the same lines for the same entries, in whatever order two tabs wrote them', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            minute: fc.integer({ min: 0, max: 5 }),
            corrects: fc.option(fc.nat({ max: 9 })),
            ph: fc.integer({ min: 5, max: 8 }),
          }),
          {
            minLength: 1,
            maxLength: 10,
          },
        ),
        fc.nat(),
        (made, seed) => {
          const entries = made.map(({ minute, corrects, ph }, i): Entry => ({
            ...reading(`n${i}`, instantAt(NOW - 86_400_000 + minute * 60_000, 120), { ph }),
            written: new Date(NOW).toISOString(),
            corrects: corrects === null || corrects >= i ? null : `n${corrects}`,
          }));
          const other = [...entries].sort((a, b) => ((a.id.length + seed) % 3) - ((b.id.length + seed) % 3) || (a.id < b.id ? 1 : -1));
          expect(timelineOf(other)).toEqual(timelineOf(entries));
          // written one after the other it reads as it does all at once, whichever came first
          const cut = seed % (other.length + 1);
          const known = new Map(other.slice(0, cut).map((entry) => [entry.id, entry]));
          expect(timelineWith(timelineOf([...known.values()]), known, other.slice(cut))).toEqual(timelineOf(entries));
          // every thing that happened once, and every entry somewhere
          const lines = timelineOf(entries);
          expect(lines.length).toBe(entries.filter(({ corrects }) => corrects === null).length);
          expect(lines.reduce((sum, { earlier }) => sum + 1 + earlier.length, 0)).toBe(entries.length);
        },
      ),
    );
  });

  it('keeps the clock on the wall through a change of clocks, a journey and a leap day', () => {
    // half past two comes twice on the night of 25 October in Berlin
    const summer = reading('a', '2026-10-25T02:30:00+02:00', { temperatureC: 24 });
    const winter = reading('b', '2026-10-25T02:30:00+01:00', { temperatureC: 25 });
    const lines = timelineOf([winter, summer]);
    expect(lines.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(lines[1]!.atMs - lines[0]!.atMs).toBe(3600_000);
    expect(dayOfInstant('2028-02-29T23:59:00-09:30')).toBe('2028-02-29');
    expect(instantAt(Date.parse('2028-03-01T09:29:00Z'), -570)).toBe('2028-02-29T23:59:00-09:30');
    expect(Date.parse(instantAt(NOW, 345))).toBe(NOW);
  });

  it('says of two at one instant which was written first, and of one that stands there already', () => {
    const at = '2026-05-01T08:00:00Z';
    const [a, b] = [reading('z', at, { ph: 6 }), reading('y', at, { ph: 7 })];
    const lines = timelineOf([b, a]);
    expect(lines.map(({ id }) => id)).toEqual(['z', 'y']);
    expect(doubleOf(reading('x', '2026-05-01T10:00:00+02:00', { ph: 6 }), lines)).toBe(lines[0]!);
    expect(doubleOf(reading('x', at, { ph: 6.1 }), lines)).toBeNull();
    expect(timeFault(reading('x', '2026-06-30T12:04:00Z', { ph: 6 }), NOW)).toBeNull();
    expect(timeFault(reading('x', '2026-06-30T12:06:00Z', { ph: 6 }), NOW)).toContain('future');
  });

  it('sees a slip of unit or point, and no slip in what is only unusual', () => {
    expect(slipOf('temperatureC', 78, null)).toEqual({ value: (78 - 32) / 1.8, why: 'fahrenheit' });
    expect(slipOf('ph', 65, 6.4)).toEqual({ value: 6.5, why: 'point' });
    expect(slipOf('ec25UsPerCm', 0.35, 340)).toEqual({ value: 350, why: 'millisiemens' });
    expect(slipOf('ghDh', 107, 6)?.why).toBe('ppm');
    expect(slipOf('khDh', 40, 4)?.why).toBe('point');
    for (const [parameter, value, last] of [
      ['temperatureC', 31, 24],
      ['ghDh', 12, 6],
      ['nitrateMgPerL', 50, 5],
      ['ec25UsPerCm', 0.4, null],
      ['copperMgPerL', 0.3, 0.03],
    ] as const)
      expect(slipOf(parameter, value, last))
        .withContext(parameter)
        .toBeNull();
  });
});

describe('series of a log', () => {
  it('stand in the order of time, leave out what was struck out, and know the doubt of the very kit', () => {
    const entries = [
      reading('b', '2026-05-02T08:00:00Z', { ph: 6.8, khDh: 4 }),
      reading('a', '2026-05-01T08:00:00Z', { ph: 6.6 }, { kit: 'meter', kitId: 'pen' }),
      reading('c', '2026-05-03T08:00:00Z', { ph: 9 }),
      Entry.parse({ ...base('d', '2026-05-03T09:00:00Z', 'c'), kind: 'struck' }),
    ];
    const series = seriesOf(timelineOf(entries));
    const ph = series.get('ph')!;
    expect([...ph.values]).toEqual([6.6, 6.8]);
    const pen = {
      order: 1,
      name: 'Pen',
      kit: 'meter' as const,
      reads: ['ph' as const],
      step: null,
      error: 0.05,
      expires: null,
      calibratedOn: '2026-04-01',
      calibrateEveryDays: 15,
    };
    const { low, high } = rangesOf(ph, { pen });
    // fifteen days over its term of fifteen: half as much again
    expect(high[0]! - low[0]!).toBeCloseTo(0.15, 9);
    expect(high[1]! - low[1]!).toBeCloseTo(0.5, 9);
    const drops = {
      ...pen,
      kit: 'drops' as const,
      reads: ['khDh' as const],
      step: 1,
      error: null,
      calibrateEveryDays: null,
      calibratedOn: null,
    };
    const kh = seriesOf(timelineOf([reading('k', '2026-05-02T08:00:00Z', { khDh: 4 }, { kitId: 'drops' })])).get('khDh')!;
    // the fourth drop turned: it lies between three and four
    const counted = rangesOf(kh, { drops });
    expect([counted.low[0], counted.high[0]]).toEqual([3, 4]);
    const old = rangesOf(kh, { drops: { ...drops, expires: '2026-05-01' } });
    expect([old.low[0], old.high[0]]).toEqual([2.5, 4.5]);
  });

  it('thin to what a picture can show, with every peak', () => {
    const n = 50_000;
    const times = Float64Array.from({ length: n }, (_, i) => i * 1000);
    const values = Float64Array.from({ length: n }, (_, i) => Math.sin(i / 700) + (i === 31_234 ? 9 : 0) - (i === 12_345 ? 7 : 0));
    const all = thinned(times, values, 0, times.at(-1)!, 600);
    expect(all.times.length).toBeLessThanOrEqual(4 * 601);
    expect(Math.max(...all.values)).toBe(values[31_234]!);
    expect(Math.min(...all.values)).toBe(values[12_345]!);
    expect(all.times).toEqual([...all.times].sort((a, b) => a - b));
    // few are shown as they are, with one beyond either edge
    const few = thinned(times, values, 10_000, 20_000, 600);
    expect(few.times[0]).toBe(9000);
    expect(few.times.at(-1)).toBe(20_000);
  });

  it('know a gap of a logger from the pause between two tests', () => {
    const minutes = (at: readonly number[]) => Float64Array.from(at, (one) => one * 60_000);
    expect(gapOf(minutes(Array.from({ length: 100 }, (_, i) => i * 10)))).toBe(30 * 60_000);
    expect(gapOf(minutes(Array.from({ length: 100 }, (_, i) => i * 1440 * 7)))).toBeNull();
  });

  it('come to one value a day of the clock on the wall', () => {
    const entries = [
      reading('a', '2026-05-01T23:50:00-10:00', { ph: 6 }),
      reading('b', '2026-05-01T22:00:00-10:00', { ph: 7 }),
      reading('c', '2026-05-02T00:10:00-10:00', { ph: 8 }),
    ];
    expect(byDay(seriesOf(timelineOf(entries)).get('ph')!)).toEqual({ days: ['2026-05-01', '2026-05-02'], values: [6.5, 8] });
  });
});

describe('a log as a table', () => {
  const table = (text: string): LogTable => {
    const read = readLogTable(text);
    if (!read.ok) throw new Error(read.reason);
    return read.table;
  };
  const context = { now: NOW, of: 'm', aheadAt: () => 120, id: (row: number) => `r${row}` };

  it('comes back to the same entries, formulas, quotes, lines and all', () => {
    const entries: Entry[] = [
      reading('a', '2026-05-01T08:00:00+02:00', { ph: 6.5, temperatureC: -0.5 }, { note: '=SUM(1;2)' }),
      Entry.parse({ ...base('b', '2026-05-01T08:05:00+02:00'), kind: 'change', litres: 12.5, fraction: null }),
      Entry.parse({
        ...base('c', '2026-05-02T08:05:00+02:00'),
        kind: 'animals',
        became: 'died',
        organismId: 'x-y',
        count: 2,
        cause: 'jumped',
      }),
      Entry.parse({ ...base('d', '2026-05-02T09:05:00+02:00'), kind: 'behaviour', organismId: null, scores: { bold: 3, gasping: 0 } }),
      Entry.parse({ ...base('e', '2026-05-03T09:05:00+02:00'), kind: 'note', note: 'said "no",\nthen -left' }),
      Entry.parse({ ...base('f', '2026-05-03T09:06:00+02:00'), kind: 'feeding', what: '@flakes', grams: 0.2, left: 'some' }),
      Entry.parse({ ...base('g', '2026-05-03T09:07:00+02:00', 'f'), kind: 'struck' }),
      Entry.parse({ ...base('h', '2026-05-03T09:08:00+02:00'), kind: 'task', taskId: 't', title: 'Change', how: 'later', days: 3 }),
      Entry.parse({ ...base('i', '2026-05-03T09:09:00+02:00'), kind: 'eating', organismId: 'x-y', ate: false }),
    ];
    const csv = logCsv(entries);
    expect(csv).not.toMatch(/(^|,|")[=@]/m);
    const back = table(csv);
    expect(isOwnLog(back)).toBeTrue();
    expect(ownEntriesOf(back, NOW)).toEqual({ entries, left: [] });
    const damaged = csv.replace('12.5', 'twelve');
    const { entries: rest, left } = ownEntriesOf(table(damaged), NOW);
    expect(rest.length).toBe(entries.length - 1);
    expect(left).toEqual([{ line: 3, reason: jasmine.stringMatching(/^litres: /) as unknown as string }]);
  });

  it('is read as keepers write it: names, units and days guessed, damage told by line', () => {
    const text = [
      'My tank',
      'Date;Time;Temp (°F);pH;KH ppm;NO2;NO3;TDS;Remarks',
      '13.05.2026;08:30;77,0;6,8;71,4;0,1;10;110;"fine,',
      'so far"',
      '14.05.2026;;78;7,0;80;;<5;;',
      '31.02.2026;08:00;78;7,0;80;0;10;;',
      '15.05.2026;25:00;78;7,0;80;0;10;;',
      '16.05.2026;9:05 pm;78;70;;;;;',
      '14.05.2031;;78;7,0;;;;;',
      '17.05.2026;;;;;;;;only a word',
    ].join('\n');
    const read = table(text);
    const mapping = guessMapping(read)!;
    expect(mapping.order).toBe('dmy');
    expect(orderIsOpen(read, mapping)).toBeFalse();
    expect(mapping.values.map(({ parameter, unit }) => [parameter, unit])).toEqual([
      ['temperatureC', '°F'],
      ['ph', ''],
      ['khDh', 'mg/L CaCO3'],
      ['nitriteMgNPerL', 'ion'],
      ['nitrateMgPerL', 'mg/L'],
      ['ec25UsPerCm', 'ppm'],
    ]);
    const { entries, left } = entriesOf(read, mapping, context);
    const [first] = entries as ReadingEntry[];
    expect(first!.at).toBe('2026-05-13T08:30:00+02:00');
    expect(first!.note).toBe('fine,\nso far');
    expect(first!.values.temperatureC).toBeCloseTo(25, 9);
    expect(first!.values.khDh).toBeCloseTo(4, 2);
    // 0.1 mg/L of nitrite holds 0.0304 mg/L of nitrogen
    expect(first!.values.nitriteMgNPerL).toBeCloseTo(0.0304, 4);
    expect(first!.values.ec25UsPerCm).toBe(220);
    expect((entries[1] as ReadingEntry).at).toBe('2026-05-14T12:00:00+02:00');
    expect((entries[1] as ReadingEntry).values.nitrateMgPerL).toBe(5);
    expect(entries.map(({ kind }) => kind)).toEqual(['reading', 'reading', 'reading', 'note']);
    expect(left).toEqual([
      { line: 6, reason: 'there is no 31.02.2026.' },
      { line: 7, reason: '“25:00” is not a time.' },
      { line: 8, reason: 'pH: 70 lies outside 2.5 to 11: no water reads so.' },
      { line: 9, reason: '2031-05-14 12:00:00 lies in the future.' },
    ]);
  });

  it('asks which way round days are written where both could be meant, and takes doubles once', () => {
    const read = table('date,ph\n03/04/2026,6.5\n03/04/2026,6.5\n05/06/2026,6.6');
    const mapping = guessMapping(read)!;
    expect(orderIsOpen(read, mapping)).toBeTrue();
    const days = (order: 'dmy' | 'mdy') => entriesOf(read, { ...mapping, order }, context).entries.map(({ at }) => at.slice(0, 10));
    expect(days('dmy')).toEqual(['2026-04-03', '2026-06-05']);
    expect(days('mdy')).toEqual(['2026-03-04', '2026-05-06']);
    expect(entriesOf(read, mapping, context).left).toEqual([{ line: 3, reason: 'stands twice in the file.' }]);
  });

  it('reads a logger with its own zone, in any number of rows', () => {
    const rows = Array.from({ length: 50_000 }, (_, i) =>
      i % 1000 === 7
        ? `broken ${i}`
        : `${new Date(Date.parse('2026-01-01T00:00:00Z') + i * 180_000).toISOString()},${(24 + Math.sin(i / 50)).toFixed(2)}`,
    );
    const read = table(`timestamp,temperature\n${rows.join('\n')}`);
    const { entries, left } = entriesOf(read, guessMapping(read)!, context);
    expect(entries.length).toBe(49_950);
    expect(left.length).toBe(50);
    expect(left[0]!.line).toBe(9);
    expect(entries[0]!.at).toBe('2026-01-01T00:00:00+00:00');
  });

  it('is refused where it is none', () => {
    expect(readLogTable('')).toEqual({ ok: false, reason: 'The file is empty.' });
    expect(readLogTable('hello').ok).toBeFalse();
    expect(readLogTable('date,ph').ok).toBeFalse();
    expect(guessMapping(table('name,ph\nx,6\ny,7'))).toBeNull();
  });
});
