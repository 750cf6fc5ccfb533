import { settled } from './browser';
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
