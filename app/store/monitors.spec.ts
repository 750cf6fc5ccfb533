import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { filter } from 'rxjs/operators';
import { USUAL_MONITOR } from '../../core/care/model';
import type { StandIn } from '../../core/monitor/stand-in-model';
import { SMALL_TANK } from '../../core/testing/scenarios';
import { shellBed, lowBarn } from '../../core/testing/tanks';
import { ShamMonitor } from '../testing/sham-monitor';
import { database, ofTank } from './database';
import { Library } from './library';
import { MONITORS_KEY } from './monitor-key';
import { Refused } from './monitor-link';
import { Monitors } from './monitors';
import { readLog } from './tank-logs';

const ID = 'monitored-bed';
const standIn: StandIn = {
  scenario: SMALL_TANK,
  ecTimes: 1,
  levelMm: 300,
  litresPerMm: 0.2,
  begunMs: Date.now() - 3600_000,
  everyS: 10,
  seed: 1,
  faults: [],
  bath: null,
};
/** Half past some hour of today, a while ago: whole minutes, so that intervals are whole. */
const START = Math.floor((Date.now() - 7200_000) / 900_000) * 900_000;

describe('the monitors of a device', () => {
  let sham: ShamMonitor;
  const begin = async (keep = false): Promise<Monitors> => {
    sham = new ShamMonitor();
    if (!keep) localStorage.removeItem(MONITORS_KEY);
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), sham.provider] });
    const library = TestBed.inject(Library);
    await library.saveRoom(lowBarn);
    await library.saveDesign({ ...shellBed, id: ID });
    if (!keep) await (await database()).delete('log', ofTank(ID));
    return TestBed.inject(Monitors);
  };
  const followed = (monitors: Monitors) => monitors.all$.value.get(ID);
  const writing = (monitors: Monitors) => firstValueFrom(monitors.all$.pipe(filter((all) => all.get(ID)?.writes === true)));
  const entries = async (count: number) => {
    for (let i = 0; i < 200; i++) {
      const { entries: found } = await readLog(ID);
      if (found.length >= count) return found.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    throw new Error(`no ${count} entries came`);
  };
  let monitors: Monitors;
  afterEach(async () => {
    await monitors.leave(ID);
    localStorage.removeItem(MONITORS_KEY);
  });

  it('write the median of each interval into the log of a tank that is not open, as simulated, and a silence as a note', async () => {
    monitors = await begin();
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    await writing(monitors);
    sham.greet();
    sham.say(START, 90, (i) => ({ temperatureC: 25 + i / 1000 }));
    sham.say(START + 1500_000, 25, () => ({ temperatureC: 26 }));
    const found = await entries(2);
    expect(found.map(({ kind }) => kind)).toEqual(['reading', 'note']);
    expect(found[0]).toEqual(jasmine.objectContaining({ from: 'probe', simulated: true, kit: 'meter', values: { temperatureC: 25.04 } }));
    expect(found[1]!.note).toMatch(/^The monitor was silent from .* to .*SIMULATED$/);
    expect(Date.parse(found[0]!.at)).toBe(START + 890_000);
  });

  it('survive that they are lost: asked again where it broke off, and told since when', async () => {
    monitors = await begin();
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    sham.greet();
    sham.say(START, 5, () => ({ ph: 7 }));
    sham.break();
    expect(followed(monitors)?.link).toBe('lost');
    expect(followed(monitors)?.againMs).toBeGreaterThan(Date.now());
    window.dispatchEvent(new Event('online'));
    expect(sham.asked).toEqual([null, `a:${Math.round(START / 10_000) + 4}`]);
    sham.greet('b');
    expect(followed(monitors)?.link).toBe('joined');
    sham.say(START + 600_000, 3, () => ({ ph: 7 }));
    expect(followed(monitors)!.watch.gaps).toEqual([{ fromMs: START + 40_000, toMs: START + 600_000 }]);
  });

  it('are not asked again where they are refused', async () => {
    monitors = await begin();
    sham.refusal = new Refused('begunMs: within the last 44 days');
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    expect(followed(monitors)).toEqual(jasmine.objectContaining({ link: 'refused', reason: 'begunMs: within the last 44 days' }));
    expect(sham.asked.length).toBe(1);
  });

  it('outlive a reload, and go on after what is in the log', async () => {
    monitors = await begin();
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    await writing(monitors);
    sham.greet();
    sham.say(START, 120, () => ({ ph: 7 }));
    await entries(1);
    await new Promise((resolve) => setTimeout(resolve, 30));
    const kept = localStorage.getItem(MONITORS_KEY)!;
    await monitors.leave(ID);
    localStorage.setItem(MONITORS_KEY, kept);
    monitors = await begin(true);
    expect(sham.asked).toEqual([`a:${Math.round(START / 10_000) + 89}`]);
    await monitors.leave(ID);
    expect(localStorage.getItem(MONITORS_KEY)).toBeNull();
  });

  it('are broken by switch, and let go of a tank that is no more', async () => {
    monitors = await begin();
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    await writing(monitors);
    sham.greet();
    await monitors.change(ID, { faults: [{ kind: 'leak', sinceMs: Date.now(), untilMs: null }] });
    expect(sham.setUps.at(-1)!.faults.length).toBe(1);
    await (await database()).delete('designs', ID);
    sham.say(START, 120, () => ({ ph: 7 }));
    for (let i = 0; i < 100 && followed(monitors); i++) await new Promise((resolve) => setTimeout(resolve, 10));
    expect(followed(monitors)).toBeUndefined();
    expect((await readLog(ID)).entries).toEqual([]);
  });

  it('leave nothing open: what was heard last is written down', async () => {
    monitors = await begin();
    monitors.follow(ID, 'Bed', standIn, USUAL_MONITOR);
    await writing(monitors);
    sham.greet();
    sham.say(START, 12, () => ({ ph: 6.5 }));
    await monitors.leave(ID);
    expect((await entries(1)).map((one) => one.kind === 'reading' && one.values)).toEqual([{ ph: 6.5 }]);
  });
});
