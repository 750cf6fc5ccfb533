import { serve } from './browser';
import { checkAxe, downloads, eventually, faults, fill, page, press, site, text, wait } from './stage';

interface Stored {
  kind: string;
  at: string;
  note: string;
  from?: string;
  simulated?: boolean;
}

/** What stands in the log of a tank, oldest first. */
const logOf = (tank: string): Promise<Stored[]> =>
  page.evaluate(
    (designId) =>
      new Promise<Stored[]>((resolve, reject) => {
        const open = indexedDB.open('terroir');
        open.onerror = () => reject(new Error('no store'));
        open.onsuccess = () => {
          const all = open.result.transaction('log').objectStore('log').getAll();
          all.onsuccess = () =>
            resolve(
              (all.result as (Stored & { designId: string })[])
                .filter((one) => one.designId === designId)
                .sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
            );
        };
      }),
    tank,
  );

const probes = async (url: string) => {
  await page.goto(`${url}/`);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${url}/tank/lava-jar/care?face=probes`);
  await press('Put a stand-in into this tank');
  await page.waitForSelector('tr-probe-dial');
  await page.$$eval('tr-stand-in-card label', (all) => all.find((label) => label.textContent?.trim() === 'second')?.click());
  await page.waitForSelector('[data-link=joined]');
};
const figure = (parameter: string) => text(`[data-probe=${parameter}] .figure`);
const silences = () => page.evaluate(() => document.querySelector('[data-gaps]')?.textContent ?? '');

describe('the probes', () => {
  it('survive that the server is killed and comes back: no gap is hidden, and none is filled', async () => {
    let own = await serve();
    const { url } = own;
    try {
      await probes(url);
      const before = (await logOf('lava-jar')).length;
      await fill('Written down every (minutes)', '1');
      expect(
        await eventually(
          () => figure('temperatureC'),
          (said) => said.includes('°C'),
        ),
      ).toMatch(/^\d+(\.\d+)?°C$/);
      own.close();
      const killed = Date.now();
      await page.waitForSelector('[data-link=lost]');
      expect(await text('[data-link=lost]')).toContain('Lost since');
      await page.waitForSelector('[data-probe=temperatureC].stale');
      await wait(16_000 - (Date.now() - killed));
      own = await serve(undefined, Number(new URL(url).port));
      const back = Date.now();
      await page.waitForSelector('[data-link=joined]', { timeout: 40_000 });
      expect(await eventually(silences, (said) => said !== '')).toMatch(/^\s*Silent, and not known: .* to .*seconds/);
      const written = async () => (await logOf('lava-jar')).slice(before);
      const entries = await eventually(
        written,
        (all) => all.some(({ kind, at }) => kind === 'reading' && Date.parse(at) > back) && all.some(({ kind }) => kind === 'note'),
        90_000,
      );
      const note = entries.find(({ kind }) => kind === 'note');
      expect(note?.note).toMatch(/^The monitor was silent from .*: nothing is known of that time. SIMULATED$/);
      const readings = entries.filter(({ kind }) => kind === 'reading');
      expect(readings.some(({ at }) => Date.parse(at) > back)).toBeTrue();
      expect(readings.every(({ from, simulated }) => from === 'probe' && simulated === true)).toBeTrue();
      // entries carry whole seconds
      const within = readings.filter(({ at }) => Date.parse(at) > killed + 1000 && Date.parse(at) < back - 1000);
      expect(within).toEqual([]);
      await page.goto(`${url}/tank/lava-jar/care?face=charts`);
      await page.waitForSelector('tr-log-chart .simulated');
    } finally {
      own.close();
    }
  });

  it('go on after a reload with what was measured meanwhile, sound at a limit, and give a table that says what it is', async () => {
    await probes(site.url);
    await checkAxe('the probes');
    await fill('Alarm after (seconds outside)', '0');
    await fill('Temperature not below', '1');
    await fill('Temperature not above', '2');
    await page.waitForSelector('[data-alarm=temperatureC-high]');
    expect(await text('tr-root > .alarm')).toMatch(/^SIMULATED .*Temperature is too high/);
    await checkAxe('an alarm');
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.alarm');
    await wait(3000);
    await page.goto(`${site.url}/tank/lava-jar/care?face=probes`);
    await page.waitForSelector('[data-link=joined]');
    await page.waitForSelector('[data-alarm=temperatureC-high]');
    expect(await silences()).toBe('');
    await press('Seen to');
    await page.waitForFunction(() => !document.querySelector('tr-root > .alarm'));
    const { next } = await downloads();
    await page.$$eval('tr-stand-in-card a', ([link]) => (link as HTMLElement).click());
    const table = (await next('.csv')).toString();
    expect(table).toMatch(/^time,temperature \(°C\),pH,EC \(µS\/cm\),level \(mm\),SIMULATED\r\n/);
    expect(
      table
        .trim()
        .split('\r\n')
        .every((row) => row.endsWith('SIMULATED')),
    ).toBeTrue();
    expect(faults).toEqual([]);
  });
});
