import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import { shellBed } from '../../core/testing/tanks';
import { MonitorBell } from '../store/monitor-bell';
import { MONITORS_KEY } from '../store/monitor-key';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { ShamMonitor } from '../testing/sham-monitor';
import { ProbesFace } from './probes-face';

const bed: Design = { ...shellBed, id: 'probed-bed', readings: {} };

describe('the probes', () => {
  let sham: ShamMonitor;
  const bench = async () => {
    localStorage.removeItem(MONITORS_KEY);
    sham = new ShamMonitor();
    return openBench(ProbesFace, bed, [sham.provider]);
  };
  const with1 = async () => {
    const open = await bench();
    await open.until('.btn.primary:not([disabled])');
    await open.press('Put a stand-in into this tank');
    await open.until('tr-probe-dial');
    sham.greet();
    return open;
  };
  afterEach(async () => {
    await (await TestBed.inject(MonitorBell).monitors()).leave(bed.id);
    localStorage.removeItem(MONITORS_KEY);
    await TestBed.inject(TankSession).close();
  });

  it('are put in with the limits of those that live here, say SIMULATED, and show what is read and how old it is', async () => {
    const open = await with1();
    const { limits } = open.design().care.monitor!;
    expect(limits.temperatureC!.low).toBeGreaterThan(15);
    expect(limits.levelMm!.high).toBeGreaterThan(limits.levelMm!.low!);
    expect(open.text('.stamp')).toBe('SIMULATED');
    sham.say(Date.now() - 40_000, 5, () => ({ temperatureC: 25.2, ph: 8 }));
    await open.refresh();
    expect(open.text('[data-probe=temperatureC] .figure')).toBe('25.2°C');
    expect(open.text('[data-probe=levelMm] .figure')).toBe('–');
    expect(open.host.querySelector('[data-probe=temperatureC]')!.classList).not.toContain('stale');
  });

  it('strike out what is old, and name what was silent', async () => {
    const open = await with1();
    sham.say(Date.now() - 900_000, 5, () => ({ ph: 8 }));
    await open.refresh();
    expect(open.host.querySelector('[data-probe=ph]')!.classList).toContain('stale');
    expect(open.text('[data-probe=ph]')).toContain('not known now');
    sham.say(Date.now() - 20_000, 2, () => ({ ph: 8 }));
    await open.refresh();
    expect(open.text('[data-gaps]')).toMatch(/^Silent, and not known: .*14 minutes/);
  });

  it('cry out above every page when a limit is passed, until someone has seen to it', async () => {
    const open = await with1();
    const bell = TestBed.inject(MonitorBell);
    sham.say(Date.now() - 200_000, 20, () => ({ temperatureC: 35 }));
    await open.refresh();
    expect(open.text('[data-alarm=temperatureC-high]')).toMatch(/Temperature is too high: 35 °C.*First: Unplug the heater/);
    expect(bell.ringing().map(({ text, simulated }) => [text, simulated])).toEqual([['Temperature is too high', true]]);
    await open.press('Seen to');
    await open.refresh();
    expect(bell.ringing()).toEqual([]);
    expect(open.text('[data-alarm=temperatureC-high]')).toContain('too high');
  });

  it('refuse limits the wrong way round, and keep the old ones', async () => {
    const open = await with1();
    const { low } = open.design().care.monitor!.limits.temperatureC!;
    await open.type('Temperature not above', '10');
    expect(open.text('[role=alert]')).toContain('The old value is kept');
    expect(open.design().care.monitor!.limits.temperatureC!.low).toBe(low);
    await open.type('Temperature not above', '27');
    expect(open.design().care.monitor!.limits.temperatureC).toEqual({ low, high: 27 });
  });

  it('are set right in two buffers, and say how steep they are', async () => {
    const open = await with1();
    const hold = async (read: number, buffer: string) => {
      sham.say(Date.now() - 10_000, 1, () => ({ ph: read }));
      await open.refresh();
      await open.press(`pH: held in ${buffer}`);
      await open.press('Take it: pH');
    };
    await hold(7.15, '7.00');
    await new Promise((resolve) => setTimeout(resolve, 30));
    await hold(4.31, '4.01');
    expect(open.design().care.monitor!.calibration.ph!.map(({ read, is }) => [read, is])).toEqual([
      [7.15, 7],
      [4.31, 4.01],
    ]);
    expect(open.text('[data-points=ph]')).toContain('95 % of its slope');
    open.store.undo();
    await open.refresh();
    expect(open.design().care.monitor!.calibration.ph!.length).toBe(1);
  });

  it('may be broken by switch, and are taken out again', async () => {
    const open = await with1();
    const [box] = [...open.host.querySelectorAll<HTMLInputElement>('tr-stand-in-card tbody input')];
    box!.click();
    await open.refresh();
    expect(sham.setUps.at(-1)!.faults.map(({ kind }) => kind)).toEqual(['stuck']);
    await open.press('Take it out of the tank');
    expect(open.design().care.monitor).toBeNull();
    expect(open.host.querySelector('tr-probe-dial')).toBeNull();
  });
});
