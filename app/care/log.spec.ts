import { TestBed } from '@angular/core/testing';
import { emptyDesign, type Design } from '../../core/design/design';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { unzipSync } from 'fflate';
import { shellBed } from '../../core/testing/tanks';
import { database, ofTank } from '../store/database';
import { Library } from '../store/library';
import { readLog, TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { ChartsFace } from './charts-face';
import { LogFace } from './log-face';
import { ToldFace } from './told-face';

const today = dayOf(new Date());
// of a name of its own: what a spec elsewhere still writes of the shell bed would be taken in here
const bed: Design = { ...shellBed, id: 'written-bed', readings: {} };
const click = (host: HTMLElement, selector: string) => {
  const found = host.querySelector<HTMLElement>(selector);
  if (!found) throw new Error(`nothing is ${selector}`);
  found.click();
};

describe('the log of a tank', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('takes a change in two presses, on the disk, with the litres of the plan', async () => {
    const { press, untilLines, lines, host, text, design } = await openBench(LogFace, bed);
    expect(text('[data-control=log]')).toContain('Nothing is written down yet');
    await press('Changed water');
    await press('Write it down');
    await untilLines(1);
    expect(lines()[0]!.entry).toEqual(jasmine.objectContaining({ kind: 'change', fraction: null }));
    expect((lines()[0]!.entry as { litres: number }).litres).toBeGreaterThan(5);
    expect(text('.said')).toMatch(/Written down: Water changed, [\d.]+ L/);
    expect((await readLog(design().id)).entries.length).toBe(1);
    expect(host.querySelectorAll('[data-line]').length).toBe(1);
  });

  it('takes a test, judges the tank by it, and lets it be put right and struck out with all of it kept', async () => {
    const { press, type, untilLines, lines, host, text, design, refresh, until } = await openBench(LogFace, bed);
    await press('Tested');
    await type('pH', '7.9');
    await type('KH', '11');
    await press('Write it down');
    // each by the kit that the room has for it
    await untilLines(2);
    expect(lines().map(({ entry }) => entry.kind === 'reading' && entry.kitId)).toEqual(['ph-pen', 'kh-drops']);
    expect(Object.values(design().readings).map(({ parameter, value }) => [parameter, value])).toEqual([
      ['ph', 7.9],
      ['khDh', 11],
    ]);
    click(host, '[aria-label^="Put right: pH"]');
    await until('li tr-entry-pad form');
    await type('pH', '8.1');
    await press('Put it right');
    for (let i = 0; i < 200 && !text('[data-control=log]').includes('8.1'); i++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      await refresh();
    }
    expect(lines().length).toBe(2);
    expect(lines().map(({ earlier }) => earlier.length)).toEqual([1, 0]);
    expect(text('[data-line] details')).toContain('pH 7.9');
    expect(Object.values(design().readings).find(({ parameter }) => parameter === 'ph')!.value).toBe(8.1);
    click(host, '[aria-label^="Strike out: pH"]');
    await until('.struck');
    expect(text('.struck')).toContain('struck out');
    expect(Object.values(design().readings).map(({ parameter }) => parameter)).toEqual(['khDh']);
    expect((await readLog(design().id)).entries.length).toBe(4);
  });

  it('refuses what is to come, what says nothing and what stands there already, and asks about a slip', async () => {
    const { press, type, host, refresh, text, untilLines, lines } = await openBench(LogFace, bed);
    await press('Note');
    await press('Write it down');
    expect(text('[role=alert]')).toContain('nothing is written');
    await press('Tested');
    await type('KH', '11');
    const when = host.querySelector<HTMLInputElement>('input[type=datetime-local]')!;
    when.value = `${dayAfter(today, 2)}T08:00`;
    when.dispatchEvent(new Event('input'));
    await press('Write it down');
    expect(text('form [role=alert]')).toContain('lies in the future');
    when.value = `${dayAfter(today, -2)}T08:00`;
    when.dispatchEvent(new Event('input'));
    await refresh();
    await press('Write it down');
    await untilLines(1);
    await press('Tested');
    await type('KH', '196');
    expect(text('.slip')).toMatch(/far from the last.*11 dKH/);
    await press('Take that');
    const again = host.querySelector<HTMLInputElement>('input[type=datetime-local]')!;
    await type('KH', '11');
    again.value = `${dayAfter(today, -2)}T08:00`;
    again.dispatchEvent(new Event('input'));
    await refresh();
    await press('Write it down');
    expect(text('form [role=alert]')).toContain('stands there already');
    expect(lines().length).toBe(1);
  });

  it('keeps in sight what a full disk refuses, says so, and writes it when there is room again', async () => {
    const { press, text, refresh, design, lines } = await openBench(LogFace, bed);
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function () {
      throw new DOMException('no room is left', 'QuotaExceededError');
    };
    try {
      await press('Cleaned');
      await press('Filter squeezed out');
      for (let i = 0; i < 100 && lines().length === 0; i++) await new Promise((resolve) => setTimeout(resolve, 10));
      await refresh();
    } finally {
      IDBObjectStore.prototype.put = put;
    }
    expect(text('.warn')).toContain('1 entry is here and not on the disk');
    expect(text('.warn')).toContain('no room is left');
    expect((await readLog(design().id)).entries).toEqual([]);
    await press('Try again');
    for (let i = 0; i < 100 && (await readLog(design().id)).entries.length === 0; i++)
      await new Promise((resolve) => setTimeout(resolve, 10));
    await refresh();
    expect((await readLog(design().id)).entries.length).toBe(1);
    expect(text('.warn')).toBe('');
  });

  it('keeps what this version cannot read, and says that there is some', async () => {
    const bench = await openBench(LogFace, bed);
    await (await database()).put('log', { designId: bed.id, id: 'odd', kind: 'from a later time' } as never);
    await TestBed.inject(TankLogs).open(bed.id, true);
    await bench.refresh();
    expect(bench.text('[role=alert]')).toContain('1 entry cannot be read by this version');
    expect(await (await database()).count('log', ofTank(bed.id))).toBe(1);
  });

  it('goes along in the room’s file, and goes and comes back with its tank', async () => {
    const { press, untilLines, design } = await openBench(LogFace, { ...bed, id: 'logged-bed' });
    await press('Cleaned');
    await press('Panes cleaned');
    await untilLines(1);
    const { id } = design();
    const library = TestBed.inject(Library);
    await TestBed.inject(TankSession).close();
    const { zip } = await library.exportRoom((await library.room('low-barn'))!.document);
    expect(Object.keys(unzipSync(zip)).some((path) => path.startsWith('logs/'))).toBeTrue();
    const taken = await library.importRoom(zip);
    if (!taken.ok) return fail(taken.refusals);
    const { designs } = await library.designs(taken.document.id);
    const counts = await Promise.all(designs.map(async ({ id }) => (await readLog(id)).entries.length));
    expect(counts.filter((count) => count === 1).length).toBeGreaterThan(0);
    await library.deleteRoom(taken.document.id);
    const gone = await library.deleteDesign(id);
    expect((await readLog(id)).entries).toEqual([]);
    await library.putBackDesign(gone!);
    expect((await readLog(id)).entries.length).toBe(1);
    await library.deleteDesign(id);
  });

  it('takes a table in with its columns guessed, tells damage by line, and takes the same table only once', async () => {
    const bench = await openBench(LogFace, bed);
    const { host, until, text, press, lines, untilLines } = bench;
    const give = async (content: string) => {
      const input = host.querySelector<HTMLInputElement>('tr-log-file input[type=file]')!;
      const list = new DataTransfer();
      list.items.add(new File([content], 'old.csv', { type: 'text/csv' }));
      input.files = list.files;
      input.dispatchEvent(new Event('change'));
      await until('.taken');
    };
    const csv = 'date,Temp (F),pH,who\n2026-03-01,77,7.9,me\n2026-03-08,78,79,me\nnever,78,7.8,me\n2026-03-15,77,8,me';
    await give(csv);
    expect(text('.taken')).toContain('3 entries can be taken in');
    expect(text('.taken details')).toMatch(/Line 3: pH: 79 lies outside.*Line 4: “never” is not a date/);
    await press('Take 3 in');
    await untilLines(3);
    expect((lines()[0]!.entry as { values: object }).values).toEqual({ temperatureC: 25, ph: 7.9 });
    await give(csv);
    await press('Take 3 in');
    await until('[data-control=log-files] p[role=status]');
    expect(text('[data-control=log-files]')).toContain('0 entries were taken in; 3 stood there already');
    expect(lines().length).toBe(3);
    await (await database()).delete('log', ofTank(bed.id));
  });

  it('names the kits of the room, reads by them, and says when one is past or due', async () => {
    const { press, text, type, host, refresh, store } = await openBench(LogFace, bed);
    await press('Name a kit or meter');
    const name = host.querySelector<HTMLInputElement>('tr-kits-card form input')!;
    name.value = 'Old drops';
    name.dispatchEvent(new Event('input'));
    await press('Keep this kit');
    expect(text('tr-kits-card [role=alert]')).toContain('say what it reads');
    const reads = [...host.querySelectorAll('tr-kits-card select')][0] as HTMLSelectElement;
    reads.value = 'khDh';
    reads.dispatchEvent(new Event('change'));
    await type('A drop stands for', '1');
    const until = host.querySelector<HTMLInputElement>('tr-kits-card input[type=date]')!;
    until.value = '2020-01-01';
    until.dispatchEvent(new Event('input'));
    await refresh();
    await press('Keep this kit');
    const [kit] = Object.values(store.current!.room.state.document.kits).filter(({ name: one }) => one === 'Old drops');
    expect(kit).toEqual(jasmine.objectContaining({ reads: ['khDh'], step: 1, expires: '2020-01-01' }));
    expect(text('tr-kits-card .due')).toContain('past');
    await press('Take out Old drops');
    expect(Object.values(store.current!.room.state.document.kits).some(({ name: one }) => one === 'Old drops')).toBeFalse();
  });
});

describe('the curves and what the log says', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  const filled = async () => {
    const bench = await openBench(ChartsFace, bed);
    const logs = TestBed.inject(TankLogs);
    for (let week = 15; week >= 0; week--)
      await logs.write(
        {
          kind: 'reading',
          of: '',
          from: 'hand',
          simulated: week === 3,
          kit: 'drops',
          kitId: null,
          values: { khDh: 8 - 0.4 * (15 - week), temperatureC: 25 },
        },
        new Date(Date.now() - (week * 7 * 86_400_000 + 60_000)),
      );
    await bench.refresh();
    return bench;
  };

  it('say what to do while nothing was read', async () => {
    const { text } = await openBench(ChartsFace, emptyDesign('bare', 'low-barn', 'Bare'));
    expect(text('p')).toContain('Nothing was read yet');
  });

  it('draw each parameter with its doubt, read by the arrow keys, in a table too, and say what is simulated', async () => {
    const { host, until, text, press, refresh } = await filled();
    await until('[data-series=khDh] .points');
    const chart = host.querySelector<SVGSVGElement>('[data-series=khDh] svg')!;
    expect(text('[data-series=khDh]')).toContain('SIMULATED');
    expect(text('[data-series=khDh] .reading')).toMatch(/^2 \(1\.4–2\.6\) dKH/);
    chart.dispatchEvent(new KeyboardEvent('keydown', { key: 'Home' }));
    await refresh();
    expect(text('[data-series=khDh] .reading')).toMatch(/^8 /);
    chart.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await refresh();
    expect(text('[data-series=khDh] .reading')).toMatch(/^7\.6 /);
    await press('Table');
    expect(host.querySelectorAll('tbody tr').length).toBeGreaterThan(8);
    expect(text('thead')).toContain('KH');
  });

  it('tell that KH falls, how fast and how surely', async () => {
    await filled();
    const entries = TestBed.inject(TankLogs).all;
    await TestBed.inject(TankSession).close();
    const { until, text } = await openBench(ToldFace, bed);
    await TestBed.inject(TankLogs).takeIn(entries);
    await until('[data-sign=kh-falling]');
    expect(text('[data-sign=kh-falling]')).toMatch(/KH falls: 0\.4 dKH a week \(.*\).*Next: Change more/);
    expect(text('[data-control=told]')).toContain('SIMULATED readings are among them');
    await (await database()).delete('log', ofTank(bed.id));
  });
});
