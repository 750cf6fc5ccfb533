import { settled } from './browser';
import { addFrom, checkAxe, eventually, faults, keyOf, openShowAll, page, press, severityOf, site, text } from './stage';

const open = async (tank: string) => {
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${site.url}/tank/${tank}/water`);
  await page.waitForSelector('tr-recipe-card table');
};
const place = (name: string) =>
  page.$eval(`[role=slider][aria-label="${name}"]`, (mark) => {
    mark.scrollIntoView({ block: 'center' });
    const { x, y, width, height } = mark.querySelector('.hit')!.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
const now = (name: string) => page.$eval(`[role=slider][aria-label="${name}"]`, (mark) => Number(mark.getAttribute('aria-valuenow')));
const undoable = () =>
  page.$$eval('header button', (all) => all.some((one) => one.textContent?.trim() === 'Undo' && !one.hasAttribute('disabled')));

describe('what was measured in the tank', () => {
  const put = async (of: string, value: string) => {
    await page.select('tr-readings select', of);
    const field = await page.waitForSelector('tr-readings .value input');
    await field!.click({ count: 3 });
    await field!.type(value);
    await page.keyboard.press('Enter');
    await settled(page);
  };

  it('is judged by, shown in the strip, and set beside what was worked out', async () => {
    await open('peat-pocket');
    await put('ghDh', '1');
    await put('ph', '99');
    expect(await text('tr-readings [role=alert]')).toContain('Must be between');
    await put('ph', '5.4');
    await openShowAll();
    const gh = await keyOf('water.parameter:ghDh:pair');
    expect(await severityOf(gh)).toBe('fits');
    expect(await text('[data-parameter="ghDh"]')).toContain('read');
    expect(await text('tr-readings [data-reading="ghDh"]')).toMatch(/1 dGH.*17\.8 dGH/);
    expect(await text('tr-readings')).toContain('They part. Likely:');
    await checkAxe('readings');
    // another water, and the reading no longer holds
    await (await page.waitForSelector('tr-recipe-card .btn.primary'))!.click();
    await settled(page);
    expect(await text('tr-readings')).toContain('The water was changed in the plan since');
    expect(faults).toEqual([]);
  });
});

describe('the marks of the Water bench', () => {
  it('are judged while they are dragged, and kept as one edit when they are let go', async () => {
    await open('peat-pocket');
    const gh = await keyOf('water.parameter:ghDh:pair');
    expect(await severityOf(gh)).toBe('conflict');
    const [pin, ro] = [await place('GH of the mixture'), await place('GH of RO water')];
    await page.mouse.move(pin.x, pin.y);
    await page.mouse.down();
    await page.mouse.move((pin.x + ro.x) / 2, pin.y, { steps: 6 });
    const pair = async () => ({ value: await now('GH of the mixture'), words: await text(`tr-ledger article[data-key="${gh}"]`) });
    const tells = ({ value, words }: Awaited<ReturnType<typeof pair>>) =>
      value < 11 && words.includes(`GH ${Number(value.toFixed(1))} dGH`);
    const halfway = await eventually(pair, tells);
    expect(halfway.value).toBeGreaterThan(7);
    expect(tells(halfway)).withContext(`${halfway.value}: ${halfway.words}`).toBeTrue();
    expect(await undoable()).toBeFalse();
    await page.mouse.move(ro.x, pin.y, { steps: 6 });
    expect(
      await eventually(
        () => now('GH of the mixture'),
        (value) => value < 1,
      ),
    ).toBeLessThan(1);
    await page.mouse.up();
    await settled(page);
    await openShowAll();
    expect(await severityOf(gh)).toBe('fits');
    expect(await now('GH of the mixture')).toBeLessThan(1);
    expect(await undoable()).toBeTrue();
    await press('Undo');
    await settled(page);
    expect(await now('GH of the mixture')).toBeCloseTo(17.8, 1);
    expect(await undoable()).toBeFalse();
    expect(faults).toEqual([]);
  });

  it('correct a reading of a source, and a salt that was weighed in', async () => {
    await open('peat-pocket');
    const tap = await place('KH of Limestone tap');
    await page.mouse.move(tap.x, tap.y);
    await page.mouse.down();
    await page.mouse.move(tap.x - 60, tap.y, { steps: 4 });
    await page.mouse.up();
    await settled(page);
    expect(await now('KH of Limestone tap')).toBeLessThan(12.5);
    await addFrom('tr-mixture tr-add-from', 'epsom-salt');
    await page.waitForSelector('[role=slider][aria-label="GH with epsom salt"]');
    await settled(page);
    const before = await now('GH with epsom salt');
    const salt = await place('GH with epsom salt');
    await page.mouse.move(salt.x, salt.y);
    await page.mouse.down();
    await page.mouse.move(salt.x + 30, salt.y, { steps: 4 });
    await page.mouse.up();
    await settled(page);
    expect(await now('GH with epsom salt')).toBeGreaterThan(before + 0.5);
    expect(faults).toEqual([]);
  });
});

describe('a source', () => {
  it('takes a simulated report, says so everywhere, and is judged anew', async () => {
    await open('weedy-thicket');
    await press('Report of Limestone tap');
    await page.waitForSelector('tr-source-report select');
    await page.select('tr-source-report select', 'upland-reservoir');
    await page.waitForFunction(() => document.querySelector('tr-source-report [role=status]')?.textContent?.includes('values taken'));
    await settled(page);
    expect(await text('tr-source-report')).toContain('SIMULATED: upland reservoir');
    expect(await text('tr-water-axes')).toContain('Limestone tap (SIMULATED)');
    expect(await severityOf(await keyOf('water.disinfectant:tap'))).toBe('conflict');
    await (await page.waitForSelector(
      'tr-ledger article[data-key="water.disinfectant:tap"] [data-remedy="conditioner"]:not([data-stale])',
    ))!.click();
    await settled(page);
    await openShowAll();
    expect(await severityOf(await keyOf('water.disinfectant:tap'))).toBe('fits');
    await page.goto(`${site.url}/tank/weedy-thicket/sheet`);
    await page.waitForSelector('tr-sheet ul');
    expect(await text('tr-sheet')).toContain('(SIMULATED)');
    expect(faults).toEqual([]);
  });

  it('read from a file that is no report is refused with the reason, and nothing changes', async () => {
    await open('weedy-thicket');
    await press('Report of Limestone tap');
    await page.waitForSelector('tr-source-report textarea');
    await page.type('tr-source-report textarea', 'this is not a table');
    await page.$eval('tr-source-report textarea', (area) => area.dispatchEvent(new Event('change')));
    await page.waitForSelector('tr-source-report .error');
    expect(await text('tr-source-report [role=status]')).toMatch(/Nothing in it could be read.*Nothing was changed/);
    expect(await undoable()).toBeFalse();
    expect(faults).toEqual([]);
  });
});

describe('the recipe', () => {
  it('goes into the plan at one press, fits, and gives the order of mixing', async () => {
    await open('shell-bed');
    await press('Use this recipe');
    await settled(page);
    expect(await text('tr-recipe-card .actions')).toContain('In the plan');
    await openShowAll();
    expect(await severityOf(await keyOf('water.parameter:ghDh:colony'))).toBe('fits');
    expect(await severityOf(await keyOf('water.parameter:khDh:colony'))).toBe('fits');
    await page.click('tr-recipe-card summary');
    expect(await text('tr-recipe-card ol')).toMatch(/^Pour .*Condition what came from the tap.*measure before you trust it\.$/);
    expect(faults).toEqual([]);
  });

  it('is of sea salt for the jar', async () => {
    await open('lava-jar');
    expect(await text('tr-recipe-card')).toMatch(/Mixed sea water.*Salinity/);
    expect(await text('tr-recipe-card')).toContain('1 other way');
    expect(faults).toEqual([]);
  });
});

describe('the faces of the Water bench', () => {
  it('have names, contrast and order in both themes', async () => {
    await open('peat-pocket');
    for (const theme of ['loam', 'night']) {
      await page.evaluate((name) => (document.documentElement.dataset['theme'] = name), theme);
      await page.$$eval('.faces label', (all) => all[0]?.click());
      await page.waitForSelector('tr-recipe-card');
      await press('Report of Limestone tap');
      await page.waitForSelector('tr-source-report');
      await checkAxe(`match, ${theme}`);
      await press('Report of Limestone tap');
      for (const [face, part] of [
        ['Match', 'tr-water-axes'],
        ['Analysis', 'tr-analysis-face'],
        ['Laboratory', 'tr-laboratory'],
      ] as const) {
        await page.$$eval('.faces label', (all, name) => all.find((label) => label.textContent?.trim() === name)?.click(), face);
        await page.waitForSelector(part);
        await checkAxe(`${part}, ${theme}`);
      }
    }
    expect(faults).toEqual([]);
  });
});
