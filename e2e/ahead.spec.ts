import { calm, settled } from './browser';
import { checkAxe, eventually, faults, fill, page, press, site, text, wait } from './stage';

const face = async (tank: string, name: string) => {
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${site.url}/tank/${tank}/water`);
  await page.waitForSelector('.faces label');
  await choose(name);
};
const choose = async (name: string) => {
  await page.$$eval('.faces label', (all, wanted) => all.find((label) => label.textContent?.trim() === wanted)?.click(), name);
  await calm(page);
};
const whole = () => page.waitForFunction(() => document.querySelector('.progress')?.textContent?.trim() === '200 likely cases');

describe('the forecast', () => {
  it('follows the tank in a worker, by pointer, keys and table, and anew when the care is changed', async () => {
    await face('shell-bed', 'Forecast');
    await whole();
    expect(await page.$$eval('tr-band-chart', (all) => all.length)).toBe(8);
    const nitrate = () => page.$eval('[data-series=nitrate] .reading', (one) => parseFloat(one.textContent ?? ''));
    const before = await nitrate();
    expect(before).toBeGreaterThan(40);
    const atTheStart = async () => {
      await page.$eval('[data-series=nitrate] svg', (chart) => chart.focus());
      await page.keyboard.press('Home');
      return nitrate();
    };
    expect(await eventually(atTheStart, (mgPerL) => mgPerL < 30)).toBeCloseTo(16, 0);
    await page.keyboard.press('Escape');
    await fill('Dry feed a day', '0.1');
    await whole();
    expect(await nitrate()).toBeLessThan(before - 15);
    await checkAxe('the forecast');
    await press('Table');
    await page.waitForSelector('tr-forecast-face tbody tr');
    expect(await page.$$eval('tr-forecast-face tbody tr', (all) => all.length)).toBe(10);
    await checkAxe('the forecast as a table');
    expect(faults).toEqual([]);
  });

  it('says what it wants where there is nothing to follow', async () => {
    await page.goto(`${site.url}/`);
    // the cards grow as they are judged, and what is below them moves
    await page.waitForSelector('.tanks a .glass');
    await press('New tank');
    await page.waitForSelector('tr-livestock-bench');
    await page.keyboard.press('3');
    await page.waitForSelector('.faces label');
    await choose('Forecast');
    await page.waitForSelector('tr-forecast-face p');
    await page.waitForFunction(() => document.querySelector('tr-forecast-face')?.textContent?.includes('nothing to follow yet'));
    expect(faults).toEqual([]);
  });
});

describe('the changes', () => {
  it('are each clean to axe, in both themes', async () => {
    await face('shell-bed', 'Change');
    for (const theme of ['loam', 'night']) {
      await page.evaluate((name) => document.documentElement.setAttribute('data-theme', name), theme);
      for (const name of [
        'What a change does',
        'A routine that holds',
        'The evaporation trap',
        'A gradual shift',
        'Rescape or move',
        'Mature the tank for delicate animals',
      ]) {
        await press(name);
        await checkAxe(`${name}, ${theme}`);
      }
    }
    expect(faults).toEqual([]);
  });

  it('put their steps into Care, where they are ticked off and dropped, all undone in turn', async () => {
    await face('shell-bed', 'Change');
    await press('Rescape or move');
    await press('Put 9 steps into Care');
    await page.waitForSelector('tr-plan-start a');
    await page.click('tr-plan-start a');
    await page.waitForSelector('tr-care-bench .step');
    expect(await page.$$eval('tr-care-bench .step', (all) => all.length)).toBe(9);
    expect(await text('tr-care-bench .days > li:first-child h3')).toContain('today');
    await checkAxe('Care with its steps');
    await page.click('tr-care-bench .step .acts button');
    await page.waitForFunction(() => document.querySelectorAll('tr-care-bench .step').length === 8);
    await page.$$eval('.plans button', ([first]) => (first as HTMLElement).click());
    await settled(page);
    expect(await page.$$eval('tr-care-bench .step', (all) => all.length)).toBe(0);
    for (let i = 0; i < 2; i++) await page.$$eval('header button', (all) => all.find((one) => one.textContent?.trim() === 'Undo')?.click());
    await settled(page);
    expect(await page.$$eval('tr-care-bench .step', (all) => all.length)).toBe(9);
    expect(faults).toEqual([]);
  });
});

describe('the bag', () => {
  it('is judged opposite ways when it is foul and when it is alike, and its clock outlives a reload', async () => {
    await face('shell-bed', 'Acclimate');
    await page.waitForSelector('.verdict');
    const verdict = () => page.$eval('.verdict', (one) => one.getAttribute('data-verdict'));
    await fill('Its ammonia (TAN, as N)', '3');
    expect(await verdict()).toBe('direct-foul');
    await fill('Its ammonia (TAN, as N)', '0.02');
    expect(await verdict()).toBe('untested');
    await fill('Its conductivity', '630');
    expect(await verdict()).toBe('direct');
    await fill('Its conductivity', '900');
    expect(await verdict()).toMatch(/drip/);
    await checkAxe('the bag');
    await press('Start the clock: bag afloat');
    await wait(1200);
    // the face stands in the address, so that a reload comes back to it
    await page.reload();
    await page.waitForSelector('.big');
    expect(await text('.big')).toMatch(/^0:00:\d\d$/);
    expect(await page.$eval('tr-acclimate-face tr-quantity:nth-of-type(6) input', (box) => (box as HTMLInputElement).value)).toBe('900');
    // and wherever one goes, the clock goes along
    await page.goto(`${site.url}/`);
    await page.waitForFunction(() => document.querySelector('tr-root > p a')?.textContent?.includes('The bag: 0:00:'));
    await page.focus('tr-root > p a');
    await page.keyboard.press('Enter');
    await page.waitForSelector('.big');
    await press('Stop the clock');
    await fill('Drops a second', '0');
    await page.waitForSelector('tr-acclimate-face [role=alert]');
    expect(await text('tr-acclimate-face [role=alert]')).toContain('The old value is kept');
    expect(faults).toEqual([]);
  });

  it('fits a tablet by the tank', async () => {
    await face('shell-bed', 'Acclimate');
    await page.setViewport({ width: 820, height: 1180 });
    await page.waitForSelector('.verdict');
    await calm(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    await checkAxe('the bag on a tablet');
  });
});
