import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { launch, settled } from './browser';
import { checkAxe, eventually, faults, page, secondTab, site, text, wait } from './stage';

const care = async (tab: Page, id: string, face: string, until: string) => {
  await tab.goto(`${site.url}/`);
  await tab.waitForSelector('.tanks a');
  await tab.goto(`${site.url}/tank/${id}/care?face=${face}`);
  await tab.waitForSelector(until);
};
/** Presses a button of the log by its words, once it is there. */
const pressed = async (tab: Page, name: string) => {
  const button = await tab.waitForFunction(
    (words) => Array.from(document.querySelectorAll<HTMLElement>('tr-log-face button')).find((one) => one.textContent?.trim() === words),
    {},
    name,
  );
  await tab.evaluate((one) => (one as HTMLElement).click(), button);
};
const linesOf = (tab: Page) => tab.$eval('#log-heading', (heading) => heading.textContent ?? '');

describe('the log', () => {
  it('takes an entry in two taps on a phone; killed a moment later, the browser has all of it or none', async () => {
    const profile = await mkdtemp(join(tmpdir(), 'terroir-log-'));
    const first = await launch(profile);
    let tab = await first.newPage();
    await tab.setViewport({ width: 390, height: 780, isMobile: true, hasTouch: true });
    await care(tab, 'lava-jar', 'log', 'tr-entry-pad .pad');
    await tab.waitForSelector('[data-line]');
    const target = await tab.$eval('.pad .btn', (element) => element.getBoundingClientRect().toJSON() as DOMRect);
    expect(target.height).toBeGreaterThanOrEqual(44);
    expect(await tab.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
    for (const what of ['Filter squeezed out', 'Panes cleaned', 'Gear cleaned']) {
      await pressed(tab, 'Cleaned');
      await pressed(tab, what);
      await tab.waitForFunction((said) => document.querySelector('.said')?.textContent?.includes(said), {}, what);
    }
    // one more, and the plug is pulled while it is under way
    await pressed(tab, 'Cleaned');
    await pressed(tab, 'Intake cleared');
    first.process()!.kill('SIGKILL');
    await wait(400);
    const second = await launch(profile);
    tab = await second.newPage();
    await care(tab, 'lava-jar', 'log', '[data-line]');
    const all = await tab.$$eval('[data-line] .title', (titles) => titles.map((title) => title.textContent?.trim()));
    for (const what of ['Filter squeezed out', 'Panes cleaned', 'Gear cleaned']) expect(all).toContain(what);
    expect(await tab.$$('tr-log-face .error')).toEqual([]);
    await second.close();
    await rm(profile, { recursive: true, force: true });
  });

  it('is written in two tabs at once, and both have all of it', async () => {
    await care(page, 'lava-jar', 'log', '[data-line]');
    const other = await secondTab();
    await care(other, 'lava-jar', 'log', '[data-line]');
    const before = await page.$$eval('[data-line]', ({ length }) => length);
    const write = async (tab: Page, what: string) => {
      await tab.bringToFront();
      await pressed(tab, 'Cleaned');
      await pressed(tab, what);
      await tab.waitForFunction((said) => document.querySelector('.said')?.textContent?.includes(said), {}, what);
    };
    await write(page, 'Filter squeezed out');
    await write(other, 'Panes cleaned');
    await write(page, 'Gear cleaned');
    for (const tab of [page, other])
      expect(
        await eventually(
          () => tab.$$eval('[data-line]', ({ length }) => length),
          (count) => count === before + 3,
        ),
      ).toBe(before + 3);
    await page.reload();
    await page.waitForSelector('[data-line]');
    expect(await page.$$eval('[data-line]', ({ length }) => length)).toBe(before + 3);
    expect(faults).toEqual([]);
  });

  it('takes fifty thousand readings in with their damage, draws them, and is quick to write in', async () => {
    const begins = Date.now() - 50_000 * 180_000;
    const rows = Array.from({ length: 50_000 }, (_, i) =>
      i % 5000 === 99
        ? 'broken'
        : `${new Date(begins + i * 180_000).toISOString()},${(24 + Math.sin(i / 80)).toFixed(2)},${(7 + 0.2 * Math.cos(i / 90)).toFixed(2)}`,
    );
    const file = join(await mkdtemp(join(tmpdir(), 'terroir-csv-')), 'logger.csv');
    await writeFile(file, `timestamp,temperature,pH\n${rows.join('\n')}`);
    await care(page, 'lava-jar', 'log', 'tr-log-file input');
    await ((await page.$('tr-log-file input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
    await page.waitForSelector('.taken .btn.primary', { timeout: 60_000 });
    expect(await text('.taken')).toContain('49990 entries can be taken in');
    expect(await text('.taken details')).toContain('Line 101: “broken” is not a date');
    await page.click('.taken .btn.primary');
    expect(
      await eventually(
        () => linesOf(page),
        (said) => said.includes('4999'),
        120_000,
      ),
    ).toContain('49992 entries');
    await page.goto(`${site.url}/tank/lava-jar/care?face=charts`);
    await page.waitForSelector('[data-series=ph] .line[d^="M"]', { timeout: 60_000 });
    // what is drawn is no more than the picture can show
    const drawn = await page.$eval('[data-series=ph] .line', (path) => (path.getAttribute('d')!.match(/[ML]/g) ?? []).length);
    expect(drawn).toBeGreaterThan(200);
    expect(drawn).toBeLessThan(4 * 1300);
    await page.evaluate(() =>
      Array.from(document.querySelectorAll<HTMLElement>('tr-charts-face label'))
        .find((one) => one.textContent?.trim() === 'A day')!
        .click(),
    );
    await settled(page);
    expect(await page.$eval('[data-series=ph] .tick', (tick) => tick.textContent)).toBeTruthy();
    expect(faults).toEqual([]);
  });

  it('of the demo has faults to find, curves that zoom and are taken out, and is clean to axe', async () => {
    await page.setViewport({ width: 1280, height: 900 });
    await care(page, 'shell-bed', 'told', '[data-sign]');
    expect(await text('[data-control=told]')).toMatch(/GH rises: .* a week/);
    expect(await text('[data-control=refit]')).toContain('times what was planned');
    await checkAxe('what the log says');
    await page.goto(`${site.url}/tank/shell-bed/care?face=charts`);
    await page.waitForSelector('tr-log-chart .points');
    await settled(page);
    await checkAxe('the curves');
    const first = () => page.$$eval('[data-series=ghDh] text.tick', (ticks) => ticks.map((tick) => tick.textContent).join(' '));
    const before = await first();
    await page.$eval('[data-series=ghDh] svg', (chart) => (chart as SVGSVGElement).focus());
    await page.keyboard.press('+');
    await settled(page);
    expect(await eventually(first, (now) => now !== before)).not.toBe(before);
    // all share their time
    const ticks = (of: string) =>
      page.$$eval(`[data-series=${of}] text.tick[text-anchor=middle]`, (all) => all.map((tick) => tick.textContent));
    expect(await ticks('khDh')).toEqual(await ticks('ghDh'));
    await page.goto(`${site.url}/tank/shell-bed/care?face=log`);
    await page.waitForSelector('[data-line]');
    await checkAxe('the log');
    expect(faults).toEqual([]);
  });
});
