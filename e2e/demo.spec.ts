import { calm, settled } from './browser';
import { eventually, faults, finding, keyOf, openShowAll, page, press, severityOf, site, text } from './stage';

/** Opens a tank of the demo room from its card, as a visitor does. */
async function walkTo(name: string): Promise<void> {
  await page.goto(`${site.url}/`);
  const card = await page.waitForSelector(`.tanks a ::-p-text(${name})`);
  await card!.click();
  await page.waitForSelector('tr-livestock-bench');
  await page.waitForFunction((n) => document.querySelector('.tank-name .name')?.textContent?.trim() === n, {}, name);
}

async function bench(key: string, selector: string): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press(key as '1');
  await page.waitForSelector(selector);
  await calm(page);
}

const conflicts = () => page.$$eval('tr-ledger article[data-severity="conflict"]', (all) => all.length);

describe('the demo room', () => {
  it('shows its five tanks, drawn and judged', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length === 5);
    const cards = await page.$$eval('.tanks a', (all) => all.map((card) => (card.textContent ?? '').replace(/\s+/g, ' ').trim()));
    expect(cards.length).toBe(5);
    expect(cards[2]).toMatch(/^Peat pocket ?Parosphromenus harveyi ?\d conflict, \d to watch/);
    expect(faults).toEqual([]);
  });

  it('walks the peat pocket: hard tap to RO, one cause and not eight, and a heater that is strong enough', async () => {
    await walkTo('Peat pocket');
    // one water that is too hard is one entry; opened, it shows all that it does
    expect(await conflicts()).toBe(1);
    await openShowAll();
    expect(await conflicts()).toBeGreaterThan(3);
    const gh = await keyOf('water.parameter:ghDh:pair');
    await (await page.waitForSelector(`${finding(gh)} [data-remedy="blend"]:not([data-stale])`))!.click();
    await settled(page);
    expect(await conflicts()).toBe(0);
    await bench('7', 'tr-equipment-bench');
    await openShowAll();
    expect(await severityOf(await keyOf('heat.heater-rating:heater'))).toBe('fits');
    await page.$$eval('.faces label', (all) => all.find((label) => label.textContent?.trim() === 'The year')?.click());
    expect(await text('.failures')).toContain('Heater sticks on');
    expect(faults).toEqual([]);
  });

  it('walks the thicket: the winter, the lid, and what a remedy would change', async () => {
    await walkTo('Weedy thicket');
    const lid = await keyOf('vessel.lid:danios');
    expect(await severityOf(lid)).toBe('watch');
    await page.waitForSelector(`${finding(lid)} [data-remedy="lid"]:not([data-stale])`);
    await (await page.$(`${finding(lid)} .remedy .link`))!.click();
    await page.waitForSelector(`${finding(lid)} .compare li`);
    const compared = await eventually(
      () => text(`${finding(lid)} .compare`),
      (words) => !words.startsWith('Working'),
    );
    expect(compared).toMatch(/watch → fits ?Danio margaritatus jumps/);
    await (await page.$(`${finding(lid)} .actions .link`))!.click();
    await page.waitForSelector('tr-vessel-bench');
    await page.waitForFunction(() => document.activeElement?.closest('[data-control="lid"]'));
    await page.$$eval('[data-control="lid"] label', (labels) => labels.find((label) => label.textContent?.trim() === 'glass')?.click());
    await settled(page);
    expect(await conflicts()).toBe(0);
    const cold = await keyOf('heat.too-cold:danios');
    await (await page.waitForSelector(`${finding(cold)} [data-remedy="heater"]:not([data-stale])`))!.click();
    await settled(page);
    await bench('7', 'tr-equipment-bench');
    await page.$$eval('.faces label', (all) => all.find((label) => label.textContent?.trim() === 'The year')?.click());
    await page.waitForSelector('[data-control=balance]');
    expect(await page.$$eval('[data-control=balance] tbody tr', (rows) => rows.length)).toBe(12);
    expect(faults).toEqual([]);
  });

  it('walks the shell bed: ways out are meshed, the company is read two by two', async () => {
    await walkTo('Shell bed');
    await bench('8', 'tr-stocking-bench');
    expect(await page.$$eval('.cell', (cells) => cells.map((cell) => cell.textContent?.trim()))).toEqual(['fits']);
    expect(await page.$$eval('.stratum-name', (names) => names.length)).toBe(3);
    const young = await keyOf('stocking.escape:colony');
    await (await page.waitForSelector(`${finding(young)} [data-remedy="guard"]:not([data-stale])`))!.click();
    await settled(page);
    await openShowAll();
    expect(await severityOf(young)).toBe('fits');
    await bench('2', 'tr-vessel-bench');
    expect(await text('tr-vessel-bench .head')).toMatch(/L to the rim .* kg filled/);
    expect(await text('tr-section')).toContain('from above');
    expect(faults).toEqual([]);
  });

  it('walks the jar: its form, brackish water, and reset puts all back', async () => {
    await walkTo('Lava-shore jar');
    await bench('2', 'tr-vessel-bench');
    expect(await text('tr-vessel-bench .head')).toContain('8.4 L to the rim · 7.1 L of water');
    await openShowAll();
    expect(await severityOf(await keyOf('water.parameter:salinity:shrimp'))).toBe('fits');
    await page.click('.tank-name .name');
    await page.waitForSelector('.name-field');
    await page.keyboard.type('Not this name');
    await page.keyboard.press('Enter');
    await settled(page);
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a ::-p-text(Not this name)');
    await press('Put it back as it was');
    await page.waitForSelector('.tanks a ::-p-text(Lava-shore jar)');
    expect(faults).toEqual([]);
  });
});
