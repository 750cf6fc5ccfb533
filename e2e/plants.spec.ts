import { calm, settled } from './browser';
import { checkAxe, faults, page, press, site, text } from './stage';

const place = (id: string) =>
  page.$eval(`g[data-planting="${id}"] path`, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
const planted = () => page.$$eval('g[data-planting]', (all) => all.map((one) => one.getAttribute('data-planting')!));

describe('the plants of a tank', () => {
  beforeEach(async () => {
    await page.setViewport({ width: 1280, height: 900 });
    await page.goto(`${site.url}/tank/weedy-thicket/plants`);
    await page.waitForSelector('g[data-planting="stem-2"]');
    await settled(page);
  });

  it('are taken by the hand from above, by keys, and put back by undo', async () => {
    await page.$$eval('.head label', (all) => all.find((label) => label.textContent?.trim() === 'Plan')?.click());
    await calm(page);
    await page.waitForSelector('g[data-planting="stem-2"].over');
    const before = await place('stem-2');
    await page.mouse.move(before.x, before.y);
    await page.mouse.down();
    await page.mouse.move(before.x + 90, before.y + 40, { steps: 6 });
    await page.mouse.up();
    await settled(page);
    const moved = await place('stem-2');
    expect(moved.x - before.x).toBeGreaterThan(70);
    expect(moved.y - before.y).toBeGreaterThan(25);
    await page.keyboard.press('ArrowLeft');
    await settled(page);
    expect((await place('stem-2')).x).toBeLessThan(moved.x);
    await press('Undo');
    await press('Undo');
    await settled(page);
    expect(Math.abs((await place('stem-2')).x - before.x)).toBeLessThan(1);
    expect(faults).toEqual([]);
  });

  it('come from the search by Enter, and from a brush by pressing the drawing', async () => {
    const were = await planted();
    await page.waitForFunction(() => !(document.querySelector('tr-plants-bench input[type=search]') as HTMLInputElement).disabled);
    await page.type('tr-plants-bench input[type=search]', 'wendts');
    await page.waitForSelector('.found li button');
    await page.keyboard.press('Enter');
    await settled(page);
    expect((await planted()).length).toBe(were.length + 1);
    await page.click('.found li button:nth-of-type(2)');
    await page.waitForSelector('svg.pointing');
    const svg = await page.$eval('tr-section svg', (element) => element.getBoundingClientRect().toJSON() as DOMRect);
    await page.mouse.click(svg.x + svg.width * 0.4, svg.y + svg.height * 0.55);
    await page.mouse.click(svg.x + svg.width * 0.6, svg.y + svg.height * 0.55);
    await settled(page);
    expect((await planted()).length).toBe(were.length + 3);
    expect(await text('tr-plants-bench .head')).toContain('5 kinds');
    await press('Put the brush down');
    await checkAxe('plants');
    expect(faults).toEqual([]);
  });

  it('of twelve kinds are put in by typing one name after the other', async () => {
    const search = 'tr-plants-bench input[type=search]';
    await page.waitForFunction(() => !(document.querySelector('tr-plants-bench input[type=search]') as HTMLInputElement).disabled);
    await page.focus(search);
    const before = (await planted()).length;
    const names = [
      'wendts',
      'java fern',
      'red root',
      'guppy g',
      'anub',
      'ludwigia rep',
      'rotala',
      'dwarf hair',
      'bacopa',
      'pogo',
      'susswasser',
      'pearl',
    ];
    for (const [i, name] of names.entries()) {
      await page.keyboard.type(name);
      await page.waitForSelector('.found li button');
      await page.keyboard.press('Enter');
      await page.waitForFunction((wanted) => document.querySelectorAll('g[data-planting]').length === wanted, {}, before + i + 1);
    }
    expect(await text('tr-plants-bench .head')).toMatch(/1[3-6] kinds/);
    expect(faults).toEqual([]);
  });

  it('are painted over a stretch in one edit, and move with one another', async () => {
    await page.waitForFunction(() => !(document.querySelector('tr-plants-bench input[type=search]') as HTMLInputElement).disabled);
    const were = (await planted()).length;
    await page.type('tr-plants-bench input[type=search]', 'ludwigia rep');
    await page.waitForSelector('.found li button');
    await page.click('.found li button:nth-of-type(2)');
    await page.$$eval('.head label', (all) => all.find((label) => label.textContent?.trim() === 'Plan')?.click());
    await page.waitForSelector('svg.pointing');
    await settled(page);
    const svg = await page.$eval('tr-section svg', (element) => element.getBoundingClientRect().toJSON() as DOMRect);
    await page.mouse.move(svg.x + svg.width * 0.3, svg.y + svg.height * 0.7);
    await page.mouse.down();
    await page.mouse.move(svg.x + svg.width * 0.62, svg.y + svg.height * 0.7, { steps: 40 });
    expect(await page.$$eval('circle.dab', (all) => all.length)).toBeGreaterThan(2);
    await page.mouse.up();
    await settled(page);
    const many = (await planted()).length - were;
    expect(many).toBeGreaterThan(2);
    expect(await page.$$eval('circle.dab', (all) => all.length)).toBe(0);
    await press('Undo');
    await settled(page);
    expect((await planted()).length).toBe(were);
    expect(faults).toEqual([]);
  });

  it('are lit on the drawing, and a lamp is set right by a meter', async () => {
    const pressLabel = (label: string) =>
      page.$$eval('.head label', (all, wanted) => all.find((one) => one.textContent?.trim() === wanted)?.click(), label);
    await pressLabel('Light');
    await page.waitForSelector('tr-section image.shade');
    expect(await text('.key')).toContain('30–60');
    await pressLabel('Both');
    await page.waitForFunction(() => document.querySelectorAll('tr-section image.shade').length === 2);
    await checkAxe('plants, lit');
    const ground = () => text('tr-lamp-fields .title');
    expect(await ground()).toMatch(/\d+ µmol\/m²s on the middle of the ground/);
    for (const field of await page.$$('tr-lamp-fields tr-quantity'))
      if ((await field.$eval('label', (label) => label.textContent)) === 'A meter reads') await (await field.$('input'))!.type('1480');
    await page.keyboard.press('Enter');
    await settled(page);
    // neutral white LED: 74 lux to the photon, read on the highest ground
    await page.waitForFunction(() =>
      /^Light\s*1\d µmol/.test(document.querySelector('tr-lamp-fields .title')?.textContent?.trim().replace(/\s+/g, ' ') ?? ''),
    );
    expect(faults).toEqual([]);
  });

  it('are put forward as whole plantings: two presses plant one, and undo takes all of it back', async () => {
    const were = (await planted()).length;
    await press('Propose');
    await page.waitForSelector('.plans li .btn');
    expect((await page.$$('.plans li')).length).toBeGreaterThan(0);
    await checkAxe('plantings put forward');
    await page.click('.plans li .btn');
    await settled(page);
    expect((await planted()).length).toBeGreaterThan(were);
    await press('Undo');
    await settled(page);
    expect((await planted()).length).toBe(were);
    expect(faults).toEqual([]);
  });
});
