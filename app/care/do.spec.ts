import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { shellBed } from '../../core/testing/tanks';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { DoFace } from './do-face';

const today = dayOf(new Date());
const bed: Design = { ...shellBed, id: 'tended-bed', readings: {}, care: { ...shellBed.care, since: dayAfter(today, -60), steps: {} } };
const bench = () => openBench(DoFace, bed);
type Bench = Awaited<ReturnType<typeof bench>>;
const titles = ({ host }: Bench) =>
  [...host.querySelectorAll('[data-control=today] tr-due-row strong')].map((one) => one.textContent!.trim());

describe('what is to be done', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is done in one press, stands in the log as what it is, and can be taken back', async () => {
    const open = await bench();
    const change = titles(open).find((title) => title.startsWith('Change'))!;
    await open.press(`Done: ${change}`);
    await open.untilLines(1);
    expect(open.lines()[0]!.entry).toEqual(jasmine.objectContaining({ kind: 'change' }));
    expect(titles(open)).not.toContain(change);
    await open.press('Take it back');
    for (let i = 0; i < 100 && !titles(open).includes(change); i++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
      await open.refresh();
    }
    expect(titles(open)).toContain(change);
    expect(open.lines()[0]!.struck).toBeTrue();
  });

  it('may be put off, and is left out only after what comes of it is said', async () => {
    const open = await bench();
    const change = titles(open).find((title) => title.startsWith('Change'))!;
    await open.press(`Otherwise: ${change}`);
    expect(open.text('.more')).toMatch(/Leave it out this time.*nitrate then stands at about \d+.* and not at \d+/);
    await open.press('in 3 days');
    await open.untilLines(1);
    expect(open.lines()[0]!.entry).toEqual(jasmine.objectContaining({ kind: 'task', taskId: 'change', how: 'later', days: 3 }));
    expect(titles(open)).not.toContain(change);
    expect(open.text('[data-control=steps]')).toContain('in 3 days');
  });

  it('done otherwise asks in what way', async () => {
    const open = await bench();
    await open.press('Otherwise: Clean the panes');
    await open.press('Done so');
    expect(open.text('[role=alert]')).toContain('what was done instead');
    expect(open.lines().length).toBe(0);
  });

  it('is done as often as its keeper says, never where that is chosen, and with what is their own', async () => {
    const open = await bench();
    await open.type('Days between: Clean the panes', '14');
    expect(open.design().care.habits).toEqual({ panes: 14 });
    await open.press('As usual: Clean the panes');
    await open.press('Never here: Clean the panes');
    expect(open.design().care.habits).toEqual({ panes: null });
    expect(titles(open)).not.toContain('Clean the panes');
    await open.press('Have back: Clean the panes');
    expect(open.design().care.habits).toEqual({});
    const field = open.host.querySelector<HTMLInputElement>('[data-control=habits] form input')!;
    field.value = 'Turn the shells';
    await open.press('Add it');
    expect(Object.values(open.design().care.own).map(({ title }) => title)).toEqual(['Turn the shells']);
    open.store.undo();
    expect(open.design().care.own).toEqual({});
  });

  it('has no days until it is said since when the tank runs', async () => {
    const open = await openBench(DoFace, { ...bed, id: 'unbegun-bed', care: { ...bed.care, since: null } });
    expect(open.text('[data-control=today]')).toContain('Nothing says yet since when');
    await open.press('It runs since then');
    expect(open.design().care.since).toBe(today);
    expect(titles(open).some((title) => title.startsWith('Look at them'))).toBeTrue();
    expect(TestBed.inject(TankLogs).open$.value?.lines).toEqual([]);
  });
});
