import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildSync } from 'esbuild';
import type { CDPSession, ElementHandle, Page } from 'puppeteer-core';
import { catalogueData } from '../catalogue';
import demo from '../catalogue/demo/low-barn.json';
import { indexCatalogue } from '../core/catalogue/catalogue';
import { writeRoomArchive, type TankLog } from '../core/design/archive';
import { Design } from '../core/design/design';
import { Room } from '../core/design/room';
import type { Entry } from '../core/log/model';
import { largeTank } from '../core/testing/large-tank';
import { launch, serve, settled } from '../e2e/browser';

/** Timings in Chromium, as medians, 95th percentiles and ratios to their figures. Never a test: machines differ. */
interface Row {
  what: string;
  median: number;
  p95: number;
  figure: number;
  unit: string;
}

const quantile = (sorted: readonly number[], q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN;

function row(what: string, samples: readonly number[], figure: number, unit: string): Row {
  const sorted = [...samples].sort((a, b) => a - b);
  return { what, median: quantile(sorted, 0.5), p95: quantile(sorted, 0.95), figure, unit };
}

/** assess() in the browser, with a warm cache as after an edit and with none. */
async function benchAssess(page: Page): Promise<Row[]> {
  const entry = fileURLToPath(new URL('./bench-assess.ts', import.meta.url));
  const built = buildSync({ entryPoints: [entry], bundle: true, format: 'iife', write: false, minify: true, target: 'es2022' });
  await page.goto('about:blank');
  await page.evaluate(built.outputFiles[0]!.text);
  const samples = await page.evaluate(() => (window as unknown as { runBench(): Record<string, number[]> }).runBench());
  const figures: Record<string, number> = {
    'assess, nothing kept': 8,
    'assess after an edit': 8,
    'remedies of every finding': 400,
    'assess while one of 200 plantings of 20 kinds is moved': 16,
    'current of 3 pumps, 1200 mm, both views': 150,
    'a day, quarter by quarter': 30,
    'light from above, 1200 mm': 80,
    'light from above, a piece moved': 20,
  };
  const water = await page.evaluate(() => (window as unknown as { runWater(): Record<string, number[]> }).runWater());
  const blocks = [...(water['thousand carbonate systems'] ?? [])].sort((a, b) => a - b);
  console.log(`carbonate systems: ${Math.round(1e6 / quantile(blocks, 0.5)).toLocaleString('en')} a second`);
  const recipeRow = row('a recipe of two waters and eight salts', water['recipe'] ?? [], 50, 'ms');
  return [
    recipeRow,
    ...Object.entries(samples).map(([what, times]) => row(`${what} (20 species, 60 items, 40 plants)`, times, figures[what] ?? 8, 'ms')),
  ];
}

async function scriptSeconds(session: CDPSession): Promise<number> {
  const { metrics } = await session.send('Performance.getMetrics');
  return metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? 0;
}

/** Script time from a key press on the water line until the frame with the new ledger, in the real interface. */
async function benchEdit(page: Page, url: string): Promise<Row> {
  const file = join(mkdtempSync(join(tmpdir(), 'terroir-bench-')), 'large.json');
  writeFileSync(
    file,
    JSON.stringify({
      terroir: 'design',
      design: largeTank(indexCatalogue(catalogueData)),
      room: demo.room,
      cited: { catalogue: catalogueData.edition, entries: [] },
    }),
  );
  await page.goto(url);
  await page.waitForSelector('.tanks a');
  await ((await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
  await page.waitForSelector('tr-livestock-bench');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('2');
  await page.waitForSelector('tr-section [role=slider]');
  await new Promise((resolve) => setTimeout(resolve, 2500));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  const samples: number[] = [];
  for (let i = 0; i < 30; i++) {
    const before = await scriptSeconds(session);
    await page.evaluate(
      (key) =>
        new Promise<void>((painted) => {
          document.querySelector('tr-section [role=slider]')!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
          requestAnimationFrame(() => painted());
        }),
      i % 2 === 0 ? 'ArrowDown' : 'ArrowUp',
    );
    samples.push(((await scriptSeconds(session)) - before) * 1000);
    await new Promise((resolve) => setTimeout(resolve, 700));
  }
  return row('edit to repainted ledger, script', samples.slice(5), 50, 'ms');
}

async function benchLoad(url: string): Promise<Row[]> {
  const rows: Row[] = [];
  for (const [what, path] of [
    ['first load, room', '/'],
    ['first load, tank', '/tank/weedy-thicket/vessel'],
  ] as const) {
    const browser = await launch();
    const page = await browser.newPage();
    if (path !== '/') {
      await page.goto(url, { waitUntil: 'networkidle0' });
    }
    const session = await page.createCDPSession();
    await session.send('Network.enable');
    await session.send('Network.setBypassServiceWorker', { bypass: true });
    await session.send('Network.clearBrowserCache');
    let bytes = 0;
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
    await page.goto(url + path, { waitUntil: 'networkidle0' });
    rows.push(row(what, [bytes / 1000], path === '/' ? 300 : 380, 'kB transferred'));
    await browser.close();
  }
  return rows;
}

/** A room of so many tanks: the demo's, over and over, under names of their own. */
function roomOf(tanks: number): { room: Room; designs: Design[] } {
  const room = { ...Room.parse(demo.room), id: 'bench-room', name: 'Bench room', invented: false };
  const designs = Array.from({ length: tanks }, (_, i) => {
    const design = Design.parse(demo.designs[i % demo.designs.length]);
    return { ...design, id: `bench-${i}`, roomId: room.id, name: `${design.name} ${i + 1}` };
  });
  return { room, designs };
}

/** To the last of 40 cards with its drawing: from a press on the room's name, and from its address with the program starting anew. */
async function benchRoom(page: Page, url: string, logs: TankLog[] = []): Promise<Row[]> {
  const file = join(mkdtempSync(join(tmpdir(), 'terroir-bench-')), 'room.zip');
  writeFileSync(file, writeRoomArchive({ ...roomOf(40), photos: [], logs, cited: { catalogue: catalogueData.edition, entries: [] } }));
  await page.goto(url);
  await page.waitForSelector('.tanks a');
  await ((await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
  await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length === 40);
  await new Promise((resolve) => setTimeout(resolve, 3000));
  await page.evaluateOnNewDocument(() => {
    const marks = window as unknown as { drawnAt: number | null; from: number };
    marks.drawnAt = null;
    marks.from = 0;
    new MutationObserver(() => {
      if (marks.drawnAt !== null || document.querySelectorAll('.tanks a .glass').length < 40) return;
      requestAnimationFrame(() => (marks.drawnAt ??= performance.now() - marks.from));
    }).observe(document, { childList: true, subtree: true });
  });
  const drawn = async () => {
    await page.waitForFunction(() => (window as unknown as { drawnAt: number | null }).drawnAt !== null);
    return page.evaluate(() => (window as unknown as { drawnAt: number }).drawnAt);
  };
  const inside: number[] = [];
  const cold: number[] = [];
  for (let i = 0; i < 9; i++) {
    await page.goto(`${url}room/bench-room`);
    cold.push(await drawn());
    await page.goto(`${url}room/low-barn`);
    await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length >= 4);
    await new Promise((resolve) => setTimeout(resolve, 800));
    await page.evaluate(() => {
      const marks = window as unknown as { drawnAt: number | null; from: number };
      marks.drawnAt = null;
      marks.from = performance.now();
      Array.from(document.querySelectorAll<HTMLElement>('nav a'))
        .find((link) => link.textContent?.includes('Bench room'))
        ?.click();
    });
    inside.push(await drawn());
  }
  return [
    row(`room of 40 tanks${logs.length > 0 ? ' with 50,000 readings' : ''}, from a press to all cards`, inside, 300, 'ms'),
    ...(logs.length > 0 ? [] : [row('room of 40 tanks, program and all', cold.slice(2), 600, 'ms')]),
  ];
}

const READINGS = 50_000;
const EVERY_MS = 15 * 60_000;

/** Readings of a probe for a year and a half, plainly invented. */
function longLog(endMs: number): Entry[] {
  return Array.from({ length: READINGS }, (_, i) => {
    const ms = endMs - (READINGS - i) * EVERY_MS;
    const at = new Date(Math.floor(ms / 1000) * 1000).toISOString().replace('.000Z', 'Z');
    const temperatureC = Number((25 + Math.sin(i / 15) + 0.1 * Math.sin(i * 7.7)).toFixed(2));
    const values = { temperatureC, ph: Number((7.2 + 0.2 * Math.sin(i / 15 + 1) + 0.02 * Math.sin(i * 3.3)).toFixed(2)) };
    const common = { id: `r${i}`, at, written: at, note: '', corrects: null };
    return { ...common, kind: 'reading', of: '', from: 'probe', simulated: false, kit: 'meter', kitId: null, values };
  });
}

/** A room with a long log; its curves moved by the mouse; and an entry to the curve that it stands in. */
async function benchRecord(page: Page, url: string): Promise<Row[]> {
  const rows = await benchRoom(page, url, [{ designId: 'bench-2', entries: longLog(Date.now() - 3600_000) }]);
  await page.goto(`${url}tank/bench-2/care?face=charts`);
  await page.waitForSelector('tr-log-chart svg path', { timeout: 120_000 });
  await new Promise((resolve) => setTimeout(resolve, 6000));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  const chart = await page.$eval('tr-log-chart svg', (svg) => {
    const { x, y, width, height } = svg.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  const closer = () => page.$$eval('tr-charts-face button', (all) => all.find((one) => one.textContent?.trim() === '+')?.click());
  for (let i = 0; i < 2; i++) await closer();
  await page.mouse.move(chart.x, chart.y);
  await page.mouse.down();
  const pans: number[] = [];
  for (let i = 0; i < 80; i++) {
    const before = await scriptSeconds(session);
    await page.mouse.move(chart.x + 90 * Math.sin(i / 8), chart.y);
    await page.evaluate(() => new Promise<void>((painted) => requestAnimationFrame(() => requestAnimationFrame(() => painted()))));
    pans.push(((await scriptSeconds(session)) - before) * 1000);
  }
  await page.mouse.up();
  // what is read is the newest again
  await page.mouse.move(2, 2);
  await page.keyboard.press('Escape');
  const entries: number[] = [];
  for (let i = 0; i < 9; i++) {
    entries.push(
      await page.evaluate(async (k) => {
        const before = document.querySelector('tr-log-chart')?.textContent;
        const at = new Date(Math.floor((Date.now() - 60_000 + k * 1000) / 1000) * 1000).toISOString().replace('.000Z', 'Z');
        const values = { temperatureC: 30 + k / 10 };
        const common = { id: `new-${k}-${Date.now()}`, at, written: at, note: '', corrects: null };
        const entry = { ...common, kind: 'reading', of: '', from: 'hand', simulated: false, kit: 'meter', kitId: null, values };
        // as another window that writes it down tells it
        const channel = new BroadcastChannel('terroir:log');
        const from = performance.now();
        channel.postMessage({ designId: 'bench-2', entries: [entry] });
        while (document.querySelector('tr-log-chart')?.textContent === before && performance.now() - from < 10_000)
          await new Promise((next) => requestAnimationFrame(next));
        channel.close();
        return performance.now() - from;
      }, i),
    );
    await new Promise((resolve) => setTimeout(resolve, 1500));
  }
  return [
    ...rows,
    row('a frame of a pan over 50,000 readings, script', pans.slice(10), 16, 'ms'),
    row('an entry to its curve, 50,000 readings', entries.slice(1), 100, 'ms'),
  ];
}

/** Script time of one key in the search of the Livestock bench. */
async function benchSearch(page: Page, url: string): Promise<Row> {
  await page.goto(`${url}tank/weedy-thicket/livestock`);
  await page.waitForSelector('.finder input');
  await new Promise((resolve) => setTimeout(resolve, 800));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  await page.focus('.finder input');
  const samples: number[] = [];
  for (const key of 'danio margaritatus neocaridina') {
    const before = await scriptSeconds(session);
    await page.keyboard.type(key);
    await page.evaluate(() => new Promise<void>((painted) => requestAnimationFrame(() => painted())));
    samples.push(((await scriptSeconds(session)) - before) * 1000);
  }
  return row('a key in the search, script', samples.slice(4), 16, 'ms');
}

/** Script time of one key in the search of the catalogue, and of a condition put on it. */
async function benchCatalogue(page: Page, url: string): Promise<Row> {
  await page.goto(`${url}room/low-barn/catalogue`);
  await page.waitForSelector('.line');
  await new Promise((resolve) => setTimeout(resolve, 800));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  await page.focus('aside input[type=search]');
  const samples: number[] = [];
  for (const key of 'corydoras habrosus paracheirodon') {
    const before = await scriptSeconds(session);
    await page.keyboard.type(key);
    await page.evaluate(() => new Promise<void>((painted) => requestAnimationFrame(() => requestAnimationFrame(() => painted()))));
    samples.push(((await scriptSeconds(session)) - before) * 1000);
  }
  return row('a key in the catalogue, script', samples.slice(4), 16, 'ms');
}

/** Script time of a frame while the mixture is dragged along the GH axis, everything judged anew, in the real interface. */
async function benchDrag(page: Page, url: string): Promise<Row> {
  await page.goto(`${url}tank/shell-bed/water`);
  await page.waitForSelector('tr-water-axes [role=slider][aria-label="GH of the mixture"] .hit');
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  const grip = await page.$eval('[role=slider][aria-label="GH of the mixture"] .hit', (mark) => {
    const { x, y, width, height } = mark.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await page.mouse.move(grip.x, grip.y);
  await page.mouse.down();
  const samples: number[] = [];
  for (let i = 0; i < 80; i++) {
    const before = await scriptSeconds(session);
    await page.mouse.move(grip.x - 70 + 60 * Math.sin(i / 6), grip.y);
    await page.evaluate(() => new Promise<void>((painted) => requestAnimationFrame(() => requestAnimationFrame(() => painted()))));
    samples.push(((await scriptSeconds(session)) - before) * 1000);
  }
  await page.mouse.up();
  await settled(page);
  return row('a frame of a drag on the Water bench, script', samples.slice(10), 16, 'ms');
}

/** Script time of a frame while one of 60 pieces is dragged about on the plan, everything judged and drawn anew. */
async function benchPieces(page: Page, url: string): Promise<Row> {
  await page.goto(url);
  await page.waitForSelector('.tanks a .glass');
  await page.goto(`${url}tank/shell-bed/hardscape`);
  await page.waitForSelector('[data-piece]');
  const there = (await page.$$('[data-piece]')).length;
  for (let i = there; i < 60; i++) {
    await page.select('.adders select', i % 3 === 0 ? 'rounded-stone' : 'snail-shell');
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  await new Promise((resolve) => setTimeout(resolve, 4000));
  const session = await page.createCDPSession();
  await session.send('Performance.enable');
  const from = await page.$eval('[data-piece="shell-5"] .body', (body) => {
    const { x, y, width, height } = body.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  const samples: number[] = [];
  for (let i = 0; i < 90; i++) {
    const before = await scriptSeconds(session);
    await page.mouse.move(from.x + 90 * Math.sin(i / 7), from.y);
    await page.evaluate(() => new Promise<void>((painted) => requestAnimationFrame(() => requestAnimationFrame(() => painted()))));
    samples.push(((await scriptSeconds(session)) - before) * 1000);
  }
  await page.mouse.up();
  await settled(page);
  return row(`a frame of a drag of one of ${(await page.$$('[data-piece]')).length} pieces, script`, samples.slice(10), 16, 'ms');
}

/** A room of about 5 MB read from its zip: unpacked, checked, parsed. */
async function benchImport(page: Page): Promise<Row> {
  const entry = fileURLToPath(new URL('./bench-import.ts', import.meta.url));
  const built = buildSync({ entryPoints: [entry], bundle: true, format: 'iife', write: false, minify: true, target: 'es2022' });
  const large = largeTank(indexCatalogue(catalogueData));
  const { room } = roomOf(0);
  const size = JSON.stringify(large, null, 1).length;
  const designs = Array.from({ length: Math.ceil(5e6 / size) }, (_, i) => ({ ...large, id: `large-${i}`, roomId: room.id }));
  const zip = Buffer.from(writeRoomArchive({ room, designs, photos: [], logs: [], cited: { catalogue: 'bench', entries: [] } })).toString(
    'base64',
  );
  await page.goto('about:blank');
  await page.evaluate(built.outputFiles[0]!.text);
  const samples = await page.evaluate((text) => (window as unknown as { runImport(zip: string): number[] }).runImport(text), zip);
  return row(`a room of 5 MB read (${designs.length} large tanks)`, samples, 1000, 'ms');
}

/** A start by itself: all its tanks, and one more test held against them. */
async function benchStart(page: Page): Promise<Row[]> {
  const entry = fileURLToPath(new URL('./bench-assess.ts', import.meta.url));
  const built = buildSync({ entryPoints: [entry], bundle: true, format: 'iife', write: false, minify: true, target: 'es2022' });
  await page.goto('about:blank');
  await page.evaluate(built.outputFiles[0]!.text);
  const alone = await page.evaluate(() => (window as unknown as { runStart(): Record<string, number[]> }).runStart());
  return [
    row('a thousand starts of sixty days, on one core', alone['courses'] ?? [], 1000, 'ms'),
    row('a test to the new band of a thousand starts', alone['band'] ?? [], 300, 'ms'),
  ];
}

/** Kinship and colonies, by themselves. */
async function benchBreeding(page: Page): Promise<Row[]> {
  const entry = fileURLToPath(new URL('./bench-assess.ts', import.meta.url));
  const built = buildSync({ entryPoints: [entry], bundle: true, format: 'iife', write: false, minify: true, target: 'es2022' });
  await page.goto('about:blank');
  await page.evaluate(built.outputFiles[0]!.text);
  const alone = await page.evaluate(() => (window as unknown as { runBreeding(): Record<string, number[]> }).runBreeding());
  return [
    row('kinship of two thousand animals', alone['kinship'] ?? [], 200, 'ms'),
    row('five hundred colonies through two years', alone['colonies'] ?? [], 300, 'ms'),
  ];
}

/** The tank's balance by itself; and in the real interface, from an edit of the care to the first new curve and to the whole. */
async function benchAhead(page: Page, url: string): Promise<Row[]> {
  const entry = fileURLToPath(new URL('./bench-assess.ts', import.meta.url));
  const built = buildSync({ entryPoints: [entry], bundle: true, format: 'iife', write: false, minify: true, target: 'es2022' });
  await page.goto('about:blank');
  await page.evaluate(built.outputFiles[0]!.text);
  const alone = await page.evaluate(() => (window as unknown as { runAhead(): Record<string, number[]> }).runAhead());
  await page.goto(url);
  await page.waitForSelector('.tanks a');
  await page.goto(`${url}tank/shell-bed/water`);
  await page.waitForSelector('.faces label');
  await page.$$eval('.faces label', (all) => all.find((label) => label.textContent?.trim() === 'Forecast')?.click());
  await page.waitForFunction(() => document.querySelector('.progress')?.textContent?.trim() === '200 likely cases');
  const first: number[] = [];
  const whole: number[] = [];
  for (let i = 0; i < 10; i++) {
    await page.evaluate(
      (surface) => {
        const marks = window as unknown as { from: number; before: string | null };
        marks.before = document.querySelector('[data-series=oxygen] .usual')?.getAttribute('d') ?? null;
        const select = Array.from(document.querySelectorAll('select')).at(-1)!;
        select.value = surface;
        marks.from = performance.now();
        select.dispatchEvent(new Event('change'));
      },
      i % 2 === 0 ? 'air-stone' : 'ripple',
    );
    const curve = await page.waitForFunction(() => {
      const marks = window as unknown as { from: number; before: string | null };
      return document.querySelector('[data-series=oxygen] .usual')?.getAttribute('d') !== marks.before && performance.now() - marks.from;
    });
    const all = await page.waitForFunction(
      () =>
        document.querySelector('.progress')?.textContent?.trim() === '200 likely cases' &&
        performance.now() - (window as unknown as { from: number }).from,
    );
    const [toCurve, toAll] = [Number(await curve.jsonValue()), Number(await all.jsonValue())];
    first.push(toCurve);
    whole.push(toAll);
    await new Promise((resolve) => setTimeout(resolve, 900));
  }
  return [
    row('twelve weeks of one tank, once', alone['single'] ?? [], 5, 'ms'),
    row('where a tank settles, once', alone['settled'] ?? [], 5, 'ms'),
    row('forecast of 200 likely cases', alone['forecast'] ?? [], 1000, 'ms'),
    row('edit to the new curves on the screen', first, 200, 'ms'),
    row('edit to all 200 cases on the screen', whole, 1500, 'ms'),
  ];
}

const site = await serve();
const browser = await launch();
const page = await browser.newPage();
/** Parts by name; `npm run bench -- drag load` runs those two. */
const parts: Readonly<Record<string, () => Promise<Row[]>>> = {
  assess: () => benchAssess(page),
  import: async () => [await benchImport(page)],
  edit: async () => [await benchEdit(page, `${site.url}/`)],
  room: () => benchRoom(page, `${site.url}/`),
  record: () => benchRecord(page, `${site.url}/`),
  search: async () => [await benchSearch(page, `${site.url}/`)],
  catalogue: async () => [await benchCatalogue(page, `${site.url}/`)],
  drag: async () => [await benchDrag(page, `${site.url}/`)],
  pieces: async () => [await benchPieces(page, `${site.url}/`)],
  ahead: () => benchAhead(page, `${site.url}/`),
  start: () => benchStart(page),
  breeding: () => benchBreeding(page),
  load: () => benchLoad(site.url),
};
const wanted = process.argv.slice(2).filter((name) => Object.hasOwn(parts, name));
if (['search', 'catalogue', 'drag'].some((name) => wanted.includes(name))) await page.goto(`${site.url}/`, { waitUntil: 'networkidle0' });
const rows: Row[] = [];
for (const name of wanted.length > 0 ? wanted : Object.keys(parts)) rows.push(...(await parts[name]!()));
await browser.close();
site.close();

console.log(`${'what'.padEnd(66)} ${'median'.padStart(9)} ${'p95'.padStart(9)} ${'figure'.padStart(8)}  ratio`);
for (const { what, median, p95, figure, unit } of rows) {
  console.log(
    `${what.padEnd(66)} ${median.toFixed(2).padStart(9)} ${p95.toFixed(2).padStart(9)} ${String(figure).padStart(8)}  ${(median / figure).toFixed(2)}  ${unit}${median > figure ? '  OVER' : ''}`,
  );
}
