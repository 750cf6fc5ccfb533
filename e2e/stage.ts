import { mkdtemp, readFile, readdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Browser, Page } from 'puppeteer-core';
import { calm, drawn, launch, serve, settled } from './browser';

const AXE = readFileSync(fileURLToPath(new URL('../node_modules/axe-core/axe.min.js', import.meta.url)), 'utf8');

/** The served app and a fresh page for every spec; loading this file sets them up. */
export let site: Awaited<ReturnType<typeof serve>>;
export let browser: Browser;
export let page: Page;
/** What the page complained of. */
export let faults: string[] = [];

beforeAll(async () => {
  jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
  site = await serve();
  browser = await launch();
});
afterAll(async () => {
  await browser.close();
  site.close();
});
beforeEach(async () => {
  const context = await browser.createBrowserContext();
  page = await context.newPage();
  unkept = await keepNoCopy(page);
  faults = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(message.text());
  });
});
afterEach(async () => {
  await page.browserContext().close();
});

let unkept: string;
/** A copy of the whole program for every spec is most of its work, and only those look at it that stop the server or renew it. */
async function keepNoCopy(of: Page): Promise<string> {
  const { identifier } = await of.evaluateOnNewDocument(() => {
    navigator.serviceWorker.register = () => new Promise(() => undefined);
  });
  return identifier;
}
/** Another tab of the same browser, on the same store. */
export async function secondTab(): Promise<Page> {
  const tab = await page.browserContext().newPage();
  await keepNoCopy(tab);
  return tab;
}
/** From the next page on, the browser keeps the program as it does for a user. */
export const keepCopy = () => page.removeScriptToEvaluateOnNewDocument(unkept);

/** What an element says, once it is there and what was done before has been drawn. */
export async function text(selector: string): Promise<string> {
  await page.waitForSelector(selector);
  await drawn(page);
  return page.$eval(selector, (element) => (element.textContent ?? '').replace(/\s+/g, ' ').trim());
}
export const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
/** What is read once it is as it should be, or what it was last: a slow machine takes its time, a wrong answer stays wrong. */
export async function eventually<T>(read: () => Promise<T>, right: (value: T) => boolean, withinMs = 8_000): Promise<T> {
  const until = Date.now() + withinMs;
  for (;;) {
    const value = await read();
    if (right(value) || Date.now() > until) return value;
    await wait(50);
  }
}
/** Where this page's downloads go. */
export async function downloads(): Promise<{ folder: string; next: (ending: string) => Promise<Buffer> }> {
  const folder = await mkdtemp(join(tmpdir(), 'terroir-files-'));
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: folder,
    ...(page.browserContext().id ? { browserContextId: page.browserContext().id! } : {}),
  });
  const next = async (ending: string) => {
    for (let i = 0; i < 60; i++) {
      const name = (await readdir(folder)).find((file) => file.endsWith(ending));
      if (name) return readFile(join(folder, name));
      await wait(100);
    }
    throw new Error(`nothing ending in ${ending} came`);
  };
  return { folder, next };
}

export const finding = (key: string) => `tr-ledger article[data-key="${key}"]`;
export const severityOf = (key: string) =>
  page.$eval(`tr-ledger article[data-key="${key}"]`, (element) => element.getAttribute('data-severity'));

/** Keys of the ledger's entries by Latin name and code, since the ids of new animals are random. */
export async function keyOf(start: string): Promise<string> {
  await page.waitForSelector(`tr-ledger article[data-key^="${start}"]`);
  return page.$eval(`tr-ledger article[data-key^="${start}"]`, (element) => element.getAttribute('data-key') ?? '');
}

export async function fill(label: string, value: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-aria([name="${label}"][role="textbox"])`, { visible: true });
  await field!.click({ count: 3 });
  await field!.type(value);
  await page.keyboard.press('Enter');
  await drawn(page);
}

/**
 * Presses what goes by a name, once it can be pressed: by the key, which finds it wherever a page that is still filling has moved it; a mouse
 * that comes down before such a move and goes up after it presses nothing.
 */
export async function press(name: string, role = 'button'): Promise<void> {
  // "visible" has it looked for at every frame: the names are known a little after the page has changed for the last time
  const control = await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`, { visible: true });
  await page.waitForFunction((element) => !(element as HTMLButtonElement).disabled, {}, control);
  await control!.focus();
  await page.keyboard.press('Enter');
  await drawn(page);
}

/** Chooses from a list and presses Add. */
export async function addFrom(selector: string, value: string): Promise<void> {
  await page.waitForSelector(`${selector} select`);
  await page.select(`${selector} select`, value);
  const add = await page.waitForSelector(`${selector} button:not([disabled])`);
  await add!.focus();
  await page.keyboard.press('Enter');
  await page.waitForSelector(`${selector} button[disabled]`);
}

export async function openShowAll(): Promise<void> {
  // remedies that arrive draw the ledger anew
  await settled(page);
  for (const group of await page.$$('tr-ledger button.group[aria-expanded="false"]')) await group.click();
  await drawn(page);
  for (const cause of await page.$$('tr-ledger button.parts[aria-expanded="false"]')) await cause.click();
  await drawn(page);
}

export async function newRoomWithTap(): Promise<void> {
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a');
  await page.type('input[aria-label="Name of the new room"]', 'Cellar');
  await press('New room');
  await page.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'Cellar');
  await press('Limestone tap');
  await press('RO water');
  await page.waitForFunction(() => document.querySelectorAll('tr-sources-editor tbody tr').length === 2);
  await fill('Room, coldest', '17');
  await fill('warmest', '25');
  await press('Fill the year');
  await page.waitForSelector('tr-climate-editor details');
  await settled(page);
}

export async function newTank(): Promise<void> {
  await press('New tank');
  await page.waitForSelector('tr-livestock-bench');
}

export async function addAnimal(query: string, count: string, purpose: 'Keep' | 'Breed'): Promise<void> {
  await page.keyboard.press('1');
  const box = await page.waitForSelector('.finder input[type=search]');
  await box!.click({ count: 3 });
  await box!.type(query);
  await page.waitForSelector('tr-animal-card form');
  await page.$$eval(
    'tr-animal-card form label',
    (labels, wanted) => labels.find((label) => label.textContent?.trim() === wanted)?.click(),
    purpose,
  );
  const howMany = await page.waitForSelector('tr-animal-card form tr-quantity input');
  await howMany!.click({ count: 3 });
  await howMany!.type(count);
  await howMany!.evaluate((input) => (input as HTMLInputElement).blur());
  await page.click('tr-animal-card form button[type=submit]');
  await settled(page);
}

export async function checkAxe(what: string): Promise<void> {
  // contrast is that of what stands, not of what is still fading in
  await calm(page);
  await page.evaluate(AXE);
  const found = await page.evaluate(async () => {
    const axe = (
      window as unknown as {
        axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string; failureSummary?: string }[] }[] }> };
      }
    ).axe;
    const { violations } = await axe.run({
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
      rules: { 'label-content-name-mismatch': { enabled: true } },
    });
    return violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map(({ html, failureSummary }) => `${html.slice(0, 140)} ${failureSummary ?? ''}`)
          .slice(0, 3)
          .join(' | ')}`,
    );
  });
  expect(found).withContext(what).toEqual([]);
}
