import { calm } from './browser';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addFrom, checkAxe, eventually, faults, fill, finding, keyOf, page, press, severityOf, site, text, wait } from './stage';

const open = async (tank: string, bench: string) => {
  await page.setViewport({ width: 1280, height: 900 });
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${site.url}/tank/${tank}/${bench}`);
  await page.waitForSelector('tr-section [data-frame]');
  await calm(page);
};
const middle = (selector: string) =>
  page.$eval(selector, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
const choose = (name: string) =>
  page
    .$$eval('.head label', (all, wanted) => all.find((label) => label.textContent?.trim() === wanted)?.click(), name)
    .then(() => calm(page));
const focusOn = (selector: string) => page.$eval(selector, (element) => (element as SVGElement).focus());
const put = async (kind: string) => {
  await addFrom('.adders tr-add-from', kind);
  await calm(page);
};
/** Whether the conflict is still told. */
const stands = (key: string) => page.$(`${finding(key)}[data-severity="conflict"]`).then((found) => found !== null);
/** Presses the remedy of a finding whose words begin so, once it has been tried out and is offered. */
async function take(key: string, words: string): Promise<void> {
  await page.waitForFunction(
    (selector, begins) => {
      const button = Array.from(document.querySelectorAll<HTMLElement>(selector)).find((one) =>
        new RegExp(begins).test(one.textContent!.trim()),
      );
      button?.click();
      return Boolean(button);
    },
    {},
    `${finding(key)} button[data-remedy]:not([data-stale])`,
    words,
  );
}

describe('hardscape in the hand', () => {
  it('closes a mouth with a stone dragged before it; undo opens it again', async () => {
    await open('shell-bed', 'hardscape');
    await choose('Plan');
    const closed = () => page.$$eval('.mouth.closed', (all) => all.length);
    const before = await closed();
    await put('rounded-stone');
    const id = await page.$eval('.piece.here', (piece) => piece.getAttribute('data-piece'));
    const shell = await middle('[data-piece="shell-10"] .mouth');
    const from = await middle(`[data-piece="${id}"] .body`);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (let i = 1; i <= 8; i++) await page.mouse.move(from.x + ((shell.x - from.x) * i) / 8, from.y + ((shell.y - from.y) * i) / 8);
    await page.mouse.up();
    expect(await eventually(closed, (count) => count > before)).toBeGreaterThan(before);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    const pieces = () => page.$$eval('[data-piece]', (all) => all.length);
    expect(await eventually(pieces, (count) => count === 17)).toBe(17);
    expect(await eventually(closed, (count) => count === before)).toBe(before);
    expect(faults).toEqual([]);
  });

  it('turns and scales by its grips, moves by the keyboard, and says what it does to the tank', async () => {
    await open('weedy-thicket', 'hardscape');
    await focusOn('[data-piece="stone-a"]');
    await page.keyboard.press('Enter');
    await calm(page);
    expect(await text('.piece h2')).toBe('rounded stone 1');
    const size = () => page.$eval('.fields tr-quantity input', (field) => (field as HTMLInputElement).value);
    const long = await size();
    const grip = await middle('.grip.scale');
    const stone = await middle('[data-piece="stone-a"] .body');
    await page.mouse.move(grip.x, grip.y);
    await page.mouse.down();
    await page.mouse.move(grip.x + (grip.x - stone.x), grip.y + (grip.y - stone.y), { steps: 6 });
    await page.mouse.up();
    const grown = parseFloat(long) * 1.5;
    expect(parseFloat(await eventually(size, (now) => parseFloat(now) > grown))).toBeGreaterThan(grown);
    await calm(page);
    const displaced = async () => parseFloat(await text('.head .pick'));
    const before = await displaced();
    await press('Copy');
    expect(await eventually(displaced, (litres) => litres > before)).toBeGreaterThan(before);
    expect(faults).toEqual([]);
  });

  it('finds wood that floats, and ties stone to it in one press', async () => {
    await open('weedy-thicket', 'hardscape');
    await put('branch');
    const key = await keyOf('hardscape.floats');
    expect(await severityOf(key)).toBe('conflict');
    await take(key, '^Tie on');
    expect(
      await eventually(
        () => stands(key),
        (there) => !there,
      ),
    ).toBeFalse();
    expect(faults).toEqual([]);
  });
});

describe('the bed in the hand', () => {
  it('is banked until it slides, and flattened by its remedy', async () => {
    await open('weedy-thicket', 'substrate');
    await fill('Top of Fine quartz sand behind', '28.5 cm');
    await page.$eval('.knot.back', (knot) => (knot as SVGElement).focus());
    await page.keyboard.press('PageUp');
    const key = 'substrate.slope:sand-top';
    await page.waitForSelector(`${finding(key)}[data-severity="conflict"]`);
    await take(key, '^Flatten');
    expect(
      await eventually(
        () => stands(key),
        (there) => !there,
      ),
    ).toBeFalse();
    expect(faults).toEqual([]);
  });

  it('is dragged by a knot', async () => {
    await open('shell-bed', 'substrate');
    const litres = () => text('.amount');
    const before = await litres();
    const knot = await middle('.knot:nth-of-type(4)');
    await page.mouse.move(knot.x, knot.y);
    await page.mouse.down();
    await page.mouse.move(knot.x, knot.y - 40, { steps: 5 });
    expect(await eventually(litres, (now) => now !== before)).not.toBe(before);
    await page.mouse.up();
    const after = await eventually(litres, (now) => parseFloat(now) > parseFloat(before));
    expect(parseFloat(after)).toBeGreaterThan(parseFloat(before));
  });
});

describe('both benches', () => {
  for (const theme of ['loam', 'night'])
    for (const bench of ['substrate', 'hardscape'])
      it(`are clean to axe: ${bench}, ${theme}`, async () => {
        await open('shell-bed', bench);
        await page.evaluate((name) => document.documentElement.setAttribute('data-theme', name), theme);
        await choose('Both');
        if (bench === 'hardscape') {
          await choose('Shelter');
          await focusOn('[data-piece="rock-large"]');
          await page.keyboard.press('Enter');
        }
        await checkAxe(`${bench} ${theme}`);
        expect(faults).toEqual([]);
      });

  it('fit a phone, a piece in hand', async () => {
    await open('shell-bed', 'hardscape');
    await focusOn('[data-piece="rock-large"]');
    await page.keyboard.press('Enter');
    await page.setViewport({ width: 390, height: 844 });
    await calm(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(391);
    await checkAxe('hardscape on a phone');
    expect(faults).toEqual([]);
  });

  it('save section and plan as files', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'terroir-drawings-'));
    const session = await page.createCDPSession();
    await session.send('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
      browserContextId: page.browserContext().id!,
    });
    await open('shell-bed', 'hardscape');
    await press('Files and earlier states');
    await page.waitForSelector('.ant-drawer tr-section');
    await press('Plan as SVG');
    await press('Section as SVG');
    const files = ['shell-bed-plan.svg', 'shell-bed-section.svg'].map((name) => join(folder, name));
    for (let i = 0; i < 40 && !files.every(existsSync); i++) await wait(100);
    for (const file of files) {
      const svg = readFileSync(file, 'utf8');
      expect(svg).toContain('<svg');
      expect(svg.match(/<path/g)!.length).toBeGreaterThan(40);
      expect(svg).not.toContain('data-handle');
    }
    expect(readFileSync(files[1]!, 'utf8')).toContain('Fine quartz sand');
  });
});
