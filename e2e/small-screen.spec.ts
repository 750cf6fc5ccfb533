import { calm, settled } from './browser';
import { checkAxe, faults, page, site, text } from './stage';

/** What can be pressed and is smaller than a wet finger, by name. */
const tooSmall = () =>
  page.$$eval('button, a[href], input, select, summary, tr-choice label, tr-check label, label.open-file', (all) =>
    all
      .filter((element) => {
        const { width, height } = element.getBoundingClientRect();
        const within = element.closest('label, svg');
        // a link in a sentence is as high as its line (WCAG 2.2, 2.5.8, the exception for inline targets)
        const inSentence = element.tagName === 'A' && getComputedStyle(element).display === 'inline';
        return width > 0 && !inSentence && (!within || within === element) && Math.max(height, 0) < 43.5;
      })
      .map(
        (element) =>
          `${element.tagName} ${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)} ${element.getBoundingClientRect().height}`,
      ),
  );
const sideways = () => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

describe('on a tablet by the tank', () => {
  it('nothing to press is under 44 px, and nothing scrolls sideways', async () => {
    await page.setViewport({ width: 820, height: 1180 });
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a .glass');
    expect(await tooSmall()).toEqual([]);
    expect(await sideways()).toBe(0);
    for (const bench of ['livestock', 'vessel', 'water', 'equipment', 'stocking', 'care']) {
      await page.goto(`${site.url}/tank/shell-bed/${bench}`);
      await page.waitForSelector('tr-ledger');
      await calm(page);
      expect(await tooSmall())
        .withContext(bench)
        .toEqual([]);
      expect(await sideways())
        .withContext(bench)
        .toBe(0);
    }
    expect(faults).toEqual([]);
  });
});

describe('on a phone', () => {
  it('benches unfold, the ledger is a sheet, a remedy is applied from it', async () => {
    await page.setViewport({ width: 390, height: 844 });
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a .glass');
    expect(await sideways()).toBe(0);
    await page.goto(`${site.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section svg');
    const shown = (selector: string) => page.$eval(selector, (element) => element.getBoundingClientRect().height > 0);
    expect(await shown('tr-ledger')).toBeFalse();
    expect(await shown('tr-course nav')).toBeFalse();
    await page.click('.ledger-toggle');
    await calm(page);
    expect(await shown('tr-ledger')).toBeTrue();
    await (await page.waitForSelector('tr-ledger [data-remedy="lid"]:not([data-stale])'))!.click();
    await settled(page);
    expect(await text('.ledger-toggle')).toContain('Close the findings');
    await checkAxe('ledger sheet');
    await page.click('.ledger-toggle');
    expect(await text('.ledger-toggle')).toMatch(/^Findings: \d to watch/);
    await page.click('.here-now');
    await page.waitForSelector('tr-course nav.open');
    await page.click('tr-course a[href$="equipment"]');
    await page.waitForSelector('tr-equipment-bench');
    expect(await shown('tr-course nav')).toBeFalse();
    expect(await text('.here-now')).toContain('Bench: Equipment');
    expect(await sideways()).toBe(0);
    expect(faults).toEqual([]);
  });
});

describe('enlarged on a desktop', () => {
  // 1280 x 800 at 200 and 400 %
  for (const [width, height] of [
    [640, 400],
    [320, 256],
  ] as const)
    it(`leaves a bench to work in: ${width} x ${height}`, async () => {
      await page.setViewport({ width, height });
      for (const bench of ['livestock', 'vessel', 'water', 'substrate', 'hardscape', 'equipment', 'stocking', 'care']) {
        await page.goto(`${site.url}/tank/weedy-thicket/${bench}`);
        await page.waitForSelector('tr-window-strip');
        await calm(page);
        expect(await sideways())
          .withContext(bench)
          .toBe(0);
        // the page itself scrolls, down to the strip, and nothing of the bench is cut off
        const { bench: shown, strip } = await page.evaluate(() => {
          const main = document.querySelector('.frame main')!;
          document.scrollingElement!.scrollTo(0, 1e5);
          return {
            bench: main.clientHeight / main.scrollHeight,
            strip: document.querySelector('tr-window-strip')!.getBoundingClientRect().bottom,
          };
        });
        expect(shown).withContext(bench).toBe(1);
        expect(strip).withContext(bench).toBeLessThanOrEqual(height);
      }
      await page.click('.ledger-toggle');
      await calm(page);
      const { top, bottom } = await page.$eval('tr-ledger', (element) => element.getBoundingClientRect().toJSON() as DOMRect);
      expect(top).toBeGreaterThanOrEqual(0);
      expect(bottom).toBeLessThanOrEqual(height - 47);
      expect(faults).toEqual([]);
    });
});
