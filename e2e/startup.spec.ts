import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { setTimeout as wait } from 'node:timers/promises';
import { launch, settled } from './browser';
import { checkAxe, faults, page, press, site, text } from './stage';

const open = async (tank: string) => {
  await page.goto(`${site.url}/tank/${tank}/startup`);
  await page.waitForSelector('tr-startup-bench');
  await settled(page);
};

describe('the start of a tank', () => {
  beforeEach(() => page.setViewport({ width: 1280, height: 900 }));

  it('is told as a band with its tests, clean to axe', async () => {
    await open('peat-pocket');
    await page.waitForSelector('tr-startup-bench tr-band-chart svg');
    expect(await text('tr-startup-bench .lead')).toMatch(/nine in ten such tanks get there between/);
    expect(await page.$$eval('tr-startup-bench circle.point', ({ length }) => length)).toBeGreaterThan(5);
    await checkAxe('start-up');
    expect(faults).toEqual([]);
  });

  it('is planned at a press, and taken back by Undo', async () => {
    await open('shell-bed');
    expect(await text('tr-startup-bench .empty')).toContain('Nothing is said yet');
    await checkAxe('start-up, nothing planned');
    await page.click('tr-startup-bench .empty .btn');
    await page.waitForSelector('tr-startup-bench tr-band-chart svg');
    expect(await text('nav a[href*="startup"]')).toContain('day 0');
    await press('Undo');
    await settled(page);
    expect(await text('nav a[href*="startup"]')).toContain('not planned');
    expect(faults).toEqual([]);
  });
});

describe('the building of a tank', () => {
  afterEach(() => page.setViewport({ width: 1280, height: 900 }));
  const face = async (tank: string, name: string, selector: string) => {
    await page.goto(`${site.url}/tank/${tank}/startup?face=${name}`);
    await page.waitForSelector(selector);
    await settled(page);
  };

  it('is got by a list, as a table that a spreadsheet opens, clean to axe', async () => {
    await page.setViewport({ width: 1280, height: 900 });
    await face('lagoon-nursery', 'get', 'tr-get-face tbody tr');
    await checkAxe('what to get');
    await page.evaluate(() => {
      const kept: string[] = [];
      (window as unknown as { exported: string[] }).exported = kept;
      const original = URL.createObjectURL;
      URL.createObjectURL = (blob) => {
        void (blob as Blob).text().then((content) => kept.push(content));
        return original.call(URL, blob);
      };
    });
    await press('As a table (CSV)');
    await page.waitForFunction(() => (window as unknown as { exported: string[] }).exported.length > 0);
    const csv = await page.evaluate(() => (window as unknown as { exported: string[] }).exported[0]!);
    const [head, ...rows] = csv.trim().split('\n');
    expect(head).toContain('Group,Thing,Unit,As drawn,At hand,Borrowed');
    expect(rows.length).toBe(await page.$$eval('tr-get-face tbody tr:not(.group)', ({ length }) => length));
    expect(csv).toMatch(/^Bed,Aragonite sand,g,\d+/m);
    expect(faults).toEqual([]);
  });

  it('is ticked with one hand on a phone, and what was ticked survives a killed browser, picture and all', async () => {
    const profile = await mkdtemp(join(tmpdir(), 'terroir-build-'));
    const first = await launch(profile);
    let tab = await first.newPage();
    await tab.setViewport({ width: 390, height: 780, isMobile: true, hasTouch: true });
    await tab.goto(`${site.url}/`);
    await tab.waitForSelector('.tanks a');
    await tab.goto(`${site.url}/tank/shell-bed/startup?face=work`);
    await tab.waitForSelector('[data-step=place] .tick');
    const target = await tab.$eval('[data-step=place] .tick', (element) => element.getBoundingClientRect().toJSON() as DOMRect);
    expect(Math.min(target.width, target.height)).toBeGreaterThanOrEqual(48);
    expect(await tab.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
    await tab.tap('[data-step=place] .tick');
    await tab.waitForSelector('[data-step=place] .instead input');
    await tab.type('[data-step=place] .instead input', 'a cork mat');
    await tab.keyboard.press('Enter');
    const field = (await tab.$('[data-step=place] input[type=file]'))!;
    await (field as ElementHandle<HTMLInputElement>).uploadFile('docs/screenshots/startup.png');
    await tab.waitForSelector('[data-step=place] .photo img');
    await tab.waitForSelector('[data-save="saved"]');
    first.process()!.kill('SIGKILL');
    await wait(400);
    const second = await launch(profile);
    tab = await second.newPage();
    await tab.goto(`${site.url}/tank/shell-bed/startup?face=work`);
    await tab.waitForSelector('[data-step=place] .photo img');
    expect(await tab.$eval('[data-step=place] .instead input', (element) => (element as HTMLInputElement).value)).toBe('a cork mat');
    await tab.waitForFunction(() => (document.querySelector('[data-step=place] .photo img') as HTMLImageElement).naturalWidth > 100);
    await second.close();
    await rm(profile, { recursive: true, force: true });
  });

  it('and its troubles are clean to axe', async () => {
    await page.setViewport({ width: 1280, height: 900 });
    await face('shell-bed', 'work', 'tr-work-face li');
    await checkAxe('the work');
    await face('shell-bed', 'trouble', 'tr-trouble-face li');
    await checkAxe('trouble');
    expect(faults).toEqual([]);
  });
});
