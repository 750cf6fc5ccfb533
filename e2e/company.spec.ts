import { settled } from './browser';
import { checkAxe, faults, page, press, site, text } from './stage';

const face = async (tank: string, name: string, shown: string) => {
  await page.goto(`${site.url}/tank/${tank}/stocking?face=${name}`);
  await page.waitForSelector(shown);
  await settled(page);
};

describe('the company of a tank', () => {
  beforeEach(() => page.setViewport({ width: 1280, height: 900 }));

  it('may grow by what the whole catalogue offers: put in at a press, taken back by Undo', async () => {
    await face('shell-bed', 'else', 'tr-who-else-face .offers li');
    expect(await text('[data-control=companions]')).toMatch(/Of \d+ kinds \d+ want other water/);
    await checkAxe('who else');
    const before = await text('nav a[href*="stocking"]');
    await page.click('tr-who-else-face .offers li .acts button:last-child');
    await settled(page);
    expect(await text('nav a[href*="stocking"]')).not.toBe(before);
    await press('Undo');
    await settled(page);
    expect(await text('nav a[href*="stocking"]')).toBe(before);
    expect(faults).toEqual([]);
  });

  it('does not grow by one that would not do, and is told what would turn it', async () => {
    await face('shell-bed', 'else', 'tr-who-else-face .search input');
    await page.type('tr-who-else-face .search input', 'cardinal tetra');
    await page.waitForSelector('tr-who-else-face .hits button');
    await page.keyboard.press('Enter');
    await page.waitForSelector('tr-who-else-face .told .one');
    expect(await text('tr-who-else-face .told')).toMatch(/is too high for Paracheirodon axelrodi/);
    await checkAxe('why not');
    expect(faults).toEqual([]);
  });

  it('is counted by what runs out first', async () => {
    await face('shell-bed', 'many', '[data-control=carrying] tbody tr');
    expect(await text('[data-control=carrying]')).toMatch(/9 Neolamprologus multifasciatus/);
    await checkAxe('how many');
    expect(faults).toEqual([]);
  });

  it('is seen from its hides', async () => {
    await face('shell-bed', 'sight', '[data-control=sight]');
    expect(await text('[data-control=sight]')).toContain('a colony holds its ground together');
    expect(await page.$$eval('circle.site', ({ length }) => length)).toBe(14);
    await checkAxe('who sees whom');
    expect(faults).toEqual([]);
  });
});
