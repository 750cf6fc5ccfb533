import type { Page } from 'puppeteer-core';
import { eventually, fill, page, press, secondTab, site, text } from './stage';
import { settled } from './browser';

const stored = (tab: Page, store: 'designs' | 'rooms', id: string) =>
  tab.evaluate(
    (name, key) =>
      new Promise<{ name: string; rev: number; level?: number } | null>((resolve) => {
        const opening = indexedDB.open('terroir');
        opening.onsuccess = () => {
          const db = opening.result;
          const asked = db.transaction(name).objectStore(name).get(key);
          asked.onsuccess = () => {
            db.close();
            const found = asked.result as {
              design?: { name: string; rev: number; vessel: { waterLevelMm: number } };
              name: string;
              rev: number;
            };
            if (!found) resolve(null);
            else if (found.design) resolve({ name: found.design.name, rev: found.design.rev, level: found.design.vessel.waterLevelMm });
            else resolve({ name: found.name, rev: found.rev });
          };
        };
      }),
    store,
    id,
  );
const locks = (tab: Page) => tab.evaluate(async () => ((await navigator.locks.query()).held ?? []).map(({ name }) => name));
const pressIn = async (tab: Page, name: string) => (await tab.waitForSelector(`::-p-aria([name="${name}"][role="button"])`))!.click();
const markOf = (tab: Page) => tab.$eval('[data-save]', (mark) => (mark.textContent ?? '').replace(/\s+/g, ' ').trim());

/** Weedy thicket open in the first tab, the room page in a second. */
async function twoTabs(second = '/'): Promise<Page> {
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a');
  await page.goto(`${site.url}/tank/weedy-thicket/vessel`);
  await settled(page);
  const other = await secondTab();
  // deaf: what another tab tells it arrives too late
  await other.evaluateOnNewDocument(() => {
    const { addEventListener } = BroadcastChannel.prototype;
    BroadcastChannel.prototype.addEventListener = function (this: BroadcastChannel, type: string, heard: EventListener) {
      addEventListener.call(this, type, (event: Event) => {
        if (!(window as { deaf?: boolean }).deaf) heard.call(this, event);
      });
    } as typeof addEventListener;
  });
  await other.goto(`${site.url}${second}`);
  await other.waitForSelector(second === '/' ? '.tanks a' : '[data-save]');
  return other;
}

async function renameCard(tab: Page, from: string, to: string): Promise<void> {
  await pressIn(tab, `Rename ${from}`);
  const field = await tab.waitForSelector('tr-tank-card input');
  await field!.click({ count: 3 });
  await field!.type(to);
  await tab.keyboard.press('Enter');
}

describe('a tank that is open in one tab', () => {
  it('is renamed on the room page of another: both the name and the next edit stay', async () => {
    const room = await twoTabs();
    await renameCard(room, 'Weedy thicket', 'Renamed elsewhere');
    await page.bringToFront();
    await page.waitForFunction(() => document.querySelector('.tank-name .name')?.textContent?.trim() === 'Renamed elsewhere');
    await fill('Water level', '22');
    const after = await eventually(
      () => stored(page, 'designs', 'weedy-thicket'),
      (found) => found?.level === 220,
    );
    expect([after?.name, after?.level]).toEqual(['Renamed elsewhere', 220]);
    // what came from there can be undone here like anything else
    await press('Undo');
    await press('Undo');
    expect(await text('.tank-name .name')).toBe('Weedy thicket');
  });

  it('is deleted in another: that is said, the next edit does not bring it back, and it can be kept', async () => {
    const room = await twoTabs();
    await pressIn(room, 'Delete Weedy thicket');
    await page.bringToFront();
    expect(
      await eventually(
        () => markOf(page),
        (mark) => mark.startsWith('Deleted'),
      ),
    ).toMatch(/^Deleted in another tab/);
    await fill('Water level', '22');
    expect(await stored(page, 'designs', 'weedy-thicket')).toBeNull();
    await press('Keep a copy');
    await page.waitForFunction(() => document.querySelector('.tank-name .name')?.textContent?.trim() === 'Weedy thicket (copy)');
    const id = new URL(page.url()).pathname.split('/')[2]!;
    expect((await stored(page, 'designs', id))?.level).toBe(220);
  });

  it('loses its room in another: the tank can be kept, and the room with it', async () => {
    const room = await twoTabs();
    await pressIn(room, 'Delete “Low Barn”');
    await page.bringToFront();
    await page.waitForSelector('.alarm ::-p-text(room was deleted)');
    expect(await markOf(page)).toMatch(/^Deleted in another tab/);
    await (await page.waitForSelector('.alarm button'))!.click();
    await page.waitForFunction(() => document.querySelector('.tank-name .name')?.textContent?.trim() === 'Weedy thicket (copy)');
    expect((await stored(page, 'rooms', 'low-barn'))?.name).toBe('Low Barn');
  });

  it('is taken over within moments of an edit: the edit is kept, and the other tab has it', async () => {
    const other = await twoTabs('/tank/weedy-thicket/vessel');
    await other.waitForSelector('[data-save="read-only"]');
    await page.bringToFront();
    const field = await page.waitForSelector('::-p-aria([name="Water level"][role="textbox"])');
    await field!.click({ count: 3 });
    await field!.type('22');
    await page.keyboard.press('Enter');
    await other.evaluate(() => document.querySelector<HTMLButtonElement>('[data-save="read-only"] button')!.click());
    await other.bringToFront();
    const level = await eventually(
      () => other.$eval('::-p-aria([name="Water level"][role="textbox"])', (input) => (input as HTMLInputElement).value),
      (value) => value === '22',
    );
    expect(level).toBe('22');
    expect((await stored(other, 'designs', 'weedy-thicket'))?.level).toBe(220);
  });

  it('that could not be saved says so still when another takes it over', async () => {
    const other = await twoTabs('/tank/weedy-thicket/vessel');
    await page.bringToFront();
    await page.evaluate(() => {
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
    });
    await fill('Water level', '22');
    await page.waitForSelector('[data-save="failed"]');
    await other.bringToFront();
    await (await other.waitForSelector('[data-save="read-only"] button'))!.click();
    await other.waitForSelector('[data-save="saved"]');
    await page.bringToFront();
    await page.waitForSelector('[data-save="read-only"]');
    expect(await markOf(page)).toMatch(/Open in another tab.*Not saved: the browser’s store is full/);
  });
});

describe('a room that is open in two tabs', () => {
  it('has the edits of both, or says which of them is in its window alone', async () => {
    const other = await twoTabs();
    await page.goto(`${site.url}/`);
    await page.waitForSelector('h1 input');
    const rename = (name: string) => {
      const field = document.querySelector<HTMLInputElement>('h1 input')!;
      field.value = name;
      field.dispatchEvent(new Event('change'));
    };
    await other.evaluate(rename, 'Named by two');
    // a tab behind another draws nothing, and what is looked for frame by frame is not seen there
    await page.bringToFront();
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'Named by two');
    // both at once, as for two that have not heard of each other yet: one is stored, the other says so and loses nothing
    await other.evaluate(() => Object.assign(window, { deaf: true }));
    await page.evaluate(rename, 'By the first');
    await eventually(
      () => stored(page, 'rooms', 'low-barn'),
      (found) => found?.name === 'By the first',
    );
    await other.bringToFront();
    await other.evaluate(rename, 'By the second');
    expect(
      await eventually(
        () => markOf(other),
        (mark) => mark.startsWith('Changed'),
      ),
    ).toMatch(/^Changed in another tab/);
    await pressIn(other, 'Keep a copy');
    await other.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'By the second (copy)');
    expect((await stored(page, 'rooms', 'low-barn'))?.name).toBe('By the first');
  });
});

describe('a tank that is left while it opens', () => {
  it('leaves no lock behind, and another tab may write it', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    await page.evaluate(() =>
      Array.from(document.querySelectorAll<HTMLAnchorElement>('.tanks a'))
        .find(({ textContent }) => textContent?.includes('Weedy'))!
        .click(),
    );
    await page.waitForFunction(() => location.pathname.startsWith('/tank') && (history.back(), true), { polling: 'raf' });
    await page.waitForSelector('.tanks a');
    expect(
      await eventually(
        () => locks(page),
        (held) => held.length === 0,
      ),
    ).toEqual([]);
    const other = await secondTab();
    await other.goto(`${site.url}/tank/weedy-thicket/vessel`);
    await other.waitForSelector('[data-save="saved"]');
  });

  it('for another leaves the lock of that one alone', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    const go = (name: string) =>
      page.evaluate(
        (wanted) =>
          Array.from(document.querySelectorAll<HTMLAnchorElement>('.tanks a'))
            .find(({ textContent }) => textContent?.includes(wanted))!
            .click(),
        name,
      );
    await go('Weedy');
    await page.waitForFunction(() => location.pathname.startsWith('/tank') && (history.back(), true), { polling: 'raf' });
    await page.waitForSelector('.tanks a');
    await go('Peat');
    await page.waitForFunction(() => document.querySelector('.tank-name .name')?.textContent?.trim() === 'Peat pocket');
    expect(
      await eventually(
        () => locks(page),
        (held) => held.length === 1 && held[0] === 'terroir:design:peat-pocket',
      ),
    ).toEqual(['terroir:design:peat-pocket']);
  });
});
