import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import type { NewEntry } from '../../core/log/model';
import { shellBed } from '../../core/testing/tanks';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { Ledger } from './ledger';

const bed: Design = { ...shellBed, id: 'logged-bed', readings: {} };
const ammonia = (more: Partial<NewEntry> = {}): NewEntry =>
  ({
    kind: 'reading',
    of: '',
    from: 'hand',
    simulated: false,
    kit: 'drops',
    kitId: null,
    values: { ammoniaMgNPerL: 1.5 },
    ...more,
  }) as NewEntry;

describe('what the log shows, in the ledger', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('stands first where it does harm, and counts in what is said of the tank', async () => {
    const open = await openBench(Ledger, bed);
    expect(open.text('.head')).not.toContain('by its log');
    await TestBed.inject(TankLogs).write(ammonia());
    await open.until('[data-sign=ammonia]');
    expect(open.host.querySelector('.list article')!.getAttribute('data-sign')).toBe('ammonia');
    expect(open.text('[data-sign=ammonia]')).toMatch(/Ammonia shows.*Look for a body/);
    expect(open.text('.head')).toContain('1 by its log');
  });

  it('says nothing of what a stand-in made up', async () => {
    const open = await openBench(Ledger, bed);
    const logs = TestBed.inject(TankLogs);
    await logs.write(ammonia({ simulated: true, from: 'probe' }));
    await logs.write({ kind: 'note', note: 'a stand-in hangs in it' });
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await open.refresh();
    expect(open.host.querySelector('[data-sign]')).toBeNull();
  });

  it('is accepted with a reason, and told again when that is taken back', async () => {
    const open = await openBench(Ledger, bed);
    await TestBed.inject(TankLogs).write(ammonia());
    await open.until('[data-sign=ammonia]');
    const press = async (name: string) => {
      [...open.host.querySelectorAll<HTMLElement>('[data-sign=ammonia] button')].find((one) => one.textContent?.trim() === name)!.click();
      await open.refresh();
    };
    await press('Accept with a reason');
    const reason = open.host.querySelector<HTMLInputElement>('[data-sign=ammonia] input')!;
    reason.value = 'the bottle of the kit was a year past its date';
    reason.form!.dispatchEvent(new Event('submit', { cancelable: true }));
    await open.refresh();
    expect(open.text('.head')).not.toContain('by its log');
    expect(open.host.querySelector('[data-sign]')).toBeNull();
    await open.press('1 accepted by you');
    await open.until('[data-sign=ammonia]');
    expect(open.text('[data-sign=ammonia]')).toContain('a year past its date');
    await press('Withdraw');
    expect(open.text('.head')).toContain('1 by its log');
  });
});
