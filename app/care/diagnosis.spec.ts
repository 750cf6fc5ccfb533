import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { shellBed } from '../../core/testing/tanks';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { DiagnosisFace } from './diagnosis-face';

const today = dayOf(new Date());
const bed: Design = { ...shellBed, id: 'ailing-bed', readings: {}, care: { ...shellBed.care, since: dayAfter(today, -300) } };
const causes = (host: HTMLElement) => [...host.querySelectorAll('[data-cause]')].map((one) => one.getAttribute('data-cause'));

describe('what is wrong', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('ranks causes by the signs, and anew once something is read', async () => {
    const { press, host, refresh, text, untilLines } = await openBench(DiagnosisFace, bed);
    expect(host.querySelector('[data-control=causes]')).toBeNull();
    await press('Quick breath');
    await press('Gills brown');
    expect(causes(host)[0]).toBe('nitrite');
    expect(text('[data-cause=nitrite]')).toMatch(/What tells it:.*Meanwhile:.*No salt here: shrimp, snails/);
    const logs = TestBed.inject(TankLogs);
    const reading = { kind: 'reading' as const, of: '', from: 'hand' as const, simulated: false, kit: 'drops' as const, kitId: null };
    await logs.write({ ...reading, values: { nitriteMgNPerL: 0.01 } });
    await untilLines(1);
    await press('Gills brown');
    await refresh();
    expect(causes(host)[0]).not.toBe('nitrite');
  });

  it('says of a disease that a vet names it, and gives no dose', async () => {
    const { press, text, host } = await openBench(DiagnosisFace, bed);
    await press('White grains, like salt');
    expect(causes(host)[0]).toBe('white-spot');
    expect(text('[data-cause=white-spot]')).toMatch(/Vet:.*No medicine by guess/);
    expect(text('[data-control=causes]')).not.toMatch(/\d+ ?(mg|mL|g|drops) (per|to|a) /);
  });

  it('writes what is seen into the log', async () => {
    const { press, untilLines, lines } = await openBench(DiagnosisFace, bed);
    await press('Fins clamped');
    await press('Write what I see into the log');
    await untilLines(1);
    expect(lines()[0]!.entry).toEqual(jasmine.objectContaining({ kind: 'note', note: 'Seen: fins clamped.' }));
  });
});
