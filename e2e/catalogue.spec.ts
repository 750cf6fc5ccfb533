import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { calm, settled } from './browser';
import { addFrom, checkAxe, eventually, faults, openShowAll, page, press, severityOf, site, text } from './stage';

const open = async (query = '') => {
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${site.url}/room/low-barn/catalogue${query}`);
  await page.waitForSelector('.line');
};
const count = async () => Number(/^(\d+)/.exec(await text('.count'))![1]);
const shelf = async (name: string) => {
  await page.$$eval('.shelves label', (all, wanted) => all.find((one) => one.textContent?.trim() === wanted)?.click(), name);
  await calm(page);
};

describe('the catalogue', () => {
  it('is searched with slips, sifted by fields, and opened by the keyboard', async () => {
    await open();
    const all = await count();
    expect(all).toBeGreaterThan(200);
    await page.type('aside input[type=search]', 'sea hors');
    expect(await eventually(count, (n) => n < 30)).toBeLessThan(30);
    expect(await text('.list')).toContain('Hippocampus');
    await page.$eval('aside input[type=search]', (box) => {
      (box as HTMLInputElement).value = '';
      box.dispatchEvent(new Event('input'));
    });
    await addFrom('tr-conditions tr-add-from', '/ranges/keep/temperatureC');
    await addFrom('tr-conditions tr-add-from', '/traits/breeding/mode');
    await page.select('tr-conditions .one:nth-of-type(2) tr-select:last-of-type select', 'mouthbrooder');
    const sifted = await eventually(count, (n) => n < 12);
    expect(sifted).toBeGreaterThan(0);
    expect(sifted).toBeLessThan(12);
    await page.focus('.line .hit');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.search.includes('entry='));
    expect(faults).toEqual([]);
  });

  for (const theme of ['loam', 'night'] as const) {
    it(`is clean to axe on every shelf, side by side, a value open: ${theme}`, async () => {
      await open('?entry=danio-margaritatus');
      if (theme === 'night') {
        await page.evaluate(() => {
          const kept = JSON.parse(localStorage.getItem('terroir:preferences')!) as { theme: string };
          localStorage.setItem('terroir:preferences', JSON.stringify({ ...kept, theme: 'night' }));
        });
        await page.reload();
        await page.waitForSelector('.line');
      }
      await page.waitForSelector('tr-fact-table .pick');
      await page.click('tr-fact-table .pick');
      await page.waitForSelector('.known');
      await checkAxe(`an animal, ${theme}`);
      for (const box of (await page.$$('.line input[type=checkbox]')).slice(0, 3)) await box.click();
      await press('Compare 3');
      await page.waitForSelector('tr-compare-table');
      await checkAxe(`side by side, ${theme}`);
      for (const name of ['Plants', 'Places', 'Materials']) {
        await shelf(name);
        await page.waitForSelector('article h1');
        await checkAxe(`${name}, ${theme}`);
      }
      expect(faults).toEqual([]);
    });
  }

  it('keeps one’s own figure through a reload, judges by it, and writes records', async () => {
    await open('?entry=danio-margaritatus');
    await page.waitForSelector('tr-fact-table');
    const ph = () =>
      page.$$eval('tr-fact-table .fact', (rows) => rows.find((row) => row.textContent?.startsWith('pH, breeding'))?.textContent ?? '');
    await page.$$eval('tr-fact-table .pick', (all) =>
      (all.find((one) => one.getAttribute('aria-label')?.startsWith('pH, breeding:')) as HTMLElement | undefined)?.click(),
    );
    await page.waitForSelector('tr-own-figure input');
    const boxes = await page.$$('tr-own-figure tr-quantity input');
    for (const [i, value] of ['6.4', '8.9', '6', '9.2'].entries()) {
      await boxes[i]!.click({ count: 3 });
      await boxes[i]!.type(value);
    }
    await press('Keep my figure');
    expect(await eventually(ph, (said) => said.includes('yours'))).toContain('6.4–8.9');
    await settled(page);
    await page.reload();
    await page.waitForSelector('tr-fact-table .own');
    expect(await ph()).toContain('6.4–8.9');
    await page.goto(`${site.url}/tank/weedy-thicket/water`);
    await page.waitForSelector('tr-ledger article');
    // too high before, by the catalogue's figure; comfortable by one's own
    await openShowAll();
    const said = () => severityOf('water.parameter:ph:danios').catch(() => null);
    expect(await eventually(said, (severity) => severity === 'fits')).toBe('fits');
    const folder = mkdtempSync(join(tmpdir(), 'terroir-records-'));
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
      browserContextId: page.browserContext().id!,
    });
    await page.goto(`${site.url}/room/low-barn/catalogue?entry=spring-pond-shan`);
    await press('Write this place as records');
    expect(
      await eventually(
        () => Promise.resolve(readdirSync(folder)),
        (files) => files.some((name) => name.endsWith('.dwc.zip')),
      ),
    ).toEqual(['spring-fed-pond-shan-plateau.dwc.zip']);
    const input = await page.$('tr-records-panel input[type=file]');
    await (input as import('puppeteer-core').ElementHandle<HTMLInputElement>).uploadFile(
      join(folder, 'spring-fed-pond-shan-plateau.dwc.zip'),
    );
    await press('Keep it in this room');
    expect(
      await eventually(
        () => text('article h1'),
        (said) => said.startsWith('Spring'),
      ),
    ).toBe('Spring-fed pond, Shan plateau');
    expect(
      await eventually(
        () => text('article .title'),
        (said) => said.includes('yours'),
      ),
    ).toContain('an entry of yours');
    expect(faults).toEqual([]);
  });

  it('fits a tablet and a phone', async () => {
    await open('?entry=pterophyllum-scalare');
    for (const [width, height] of [
      [820, 1180],
      [390, 844],
    ] as const) {
      await page.setViewport({ width, height });
      await calm(page);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
      await checkAxe(`${width} wide`);
    }
    await page.setViewport({ width: 1280, height: 800 });
  });
});

describe('a kind that the catalogue lacks', () => {
  it('is offered as a choice where several go by the name, or made out of its family', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a .glass');
    await page.goto(`${site.url}/tank/weedy-thicket/livestock`);
    const box = await page.waitForSelector('.finder input');
    await box!.type('dwarf cory');
    expect(
      await eventually(
        () => text('.finder'),
        (words) => words.includes('kinds go by that name'),
      ),
    ).toContain('3 kinds go by that name');
    await box!.click({ count: 3 });
    await box!.type('Corydoras testus');
    await (await page.waitForSelector('.finder li.none button'))!.click();
    await page.waitForSelector('tr-own-kind');
    await page.select('tr-own-kind select', 'corydoras-aeneus');
    await checkAxe('a kind of one’s own');
    const [low] = await page.$$('tr-own-kind tr-quantity:nth-of-type(3) input');
    await low!.click({ count: 3 });
    await low!.type('40');
    await page.keyboard.press('Tab');
    await page.click('tr-own-kind .btn.primary');
    expect(await text('tr-own-kind [role=alert]')).toMatch(/above the high edge|between/);
    await low!.click({ count: 3 });
    await low!.type('23');
    await page.keyboard.press('Tab');
    await page.click('tr-own-kind .btn.primary');
    await page.waitForFunction(() => !document.querySelector('tr-own-kind'));
    expect(
      await eventually(
        () => text('tr-animal-card'),
        (words) => words.includes('Corydoras testus'),
      ),
    ).toContain('Corydoras testus');
    expect(faults).toEqual([]);
  });
});
