import type { KeyInput } from 'puppeteer-core';
import { settled } from './browser';
import { eventually, faults, page, site, text, wait } from './stage';

/** What is said of the tank: the count of the ledger, and each bench's line. */
const verdict = async () => `${await text('tr-ledger .head')} ${await text('tr-course')}`;
const kept = () =>
  page.evaluate(
    (id) =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('terroir');
        opening.onsuccess = () => {
          const asked = opening.result.transaction('designs').objectStore('designs').get(id);
          asked.onsuccess = () => {
            opening.result.close();
            resolve((asked.result as { design: { rev: number } }).design.rev);
          };
        };
      }),
    new URL(page.url()).pathname.split('/')[2]!,
  );

async function open(tank: string, bench: string, what: string): Promise<{ before: string; rev: number }> {
  await page.setViewport({ width: 1280, height: 900 });
  await page.goto(`${site.url}/tank/${tank}/${bench}`);
  await page.waitForSelector(what);
  await settled(page);
  return { before: await verdict(), rev: await kept() };
}

/** Takes hold of a thing and drags it until the ledger speaks of where it is held. */
async function drag(selector: string, dx: number, dy: number, before: string): Promise<void> {
  const at = await page.$eval(selector, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  for (let i = 1; i <= 6; i++) await page.mouse.move(at.x + (dx * i) / 6, at.y + (dy * i) / 6);
  const held = await eventually(verdict, (words) => words !== before);
  expect(held).withContext('the drag is judged while it is held').not.toBe(before);
}

/** Every drag of a bench: what is held, how far it is dragged until the ledger has something else to say. */
const DRAGS = [
  { tank: 'shell-bed', bench: 'hardscape', key: '5', what: '[data-piece="shell-6"] .body', by: [900, 0] },
  { tank: 'peat-pocket', bench: 'water', key: '3', what: 'tr-water-axes [role=slider]', by: [260, 0] },
  { tank: 'peat-pocket', bench: 'vessel', key: '2', what: 'tr-section rect.grip', by: [0, 230] },
  { tank: 'shell-bed', bench: 'substrate', key: '4', what: '.knot:nth-of-type(4)', by: [0, -40] },
] as const;

const ENDS: Readonly<Record<string, (key: KeyInput, what: string) => Promise<void>>> = {
  'a bench key': async (key, what) => {
    // the bench changes at once: what the drag was judged by is gone with it
    await page.keyboard.press('1');
    await page.waitForSelector('tr-livestock-bench');
    await page.keyboard.press(key);
    await page.waitForSelector(what);
    await page.mouse.up();
  },
  Escape: async () => {
    await page.keyboard.press('Escape');
    await page.mouse.up();
  },
  'a pointer that is lost': async () => {
    await page.evaluate(() =>
      document.querySelectorAll('svg *').forEach((part) => part.hasPointerCapture(1) && part.releasePointerCapture(1)),
    );
    await page.mouse.up();
  },
};

for (const { tank, bench, key, what, by } of DRAGS)
  describe(`a drag on ${bench}`, () => {
    for (const [name, end] of Object.entries(ENDS))
      it(`that ends by ${name} leaves no verdict and nothing kept`, async () => {
        const { before, rev } = await open(tank, bench, what);
        await drag(what, by[0], by[1], before);
        await end(key, what);
        expect(await eventually(verdict, (words) => words === before)).toBe(before);
        await wait(200);
        expect(await kept()).toBe(rev);
        expect(faults).toEqual([]);
      });
  });
