import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Page } from 'puppeteer-core';
import { launch, serve } from '../e2e/browser';

/** One current picture of each main view, from the demo room. */
const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));

interface Shot {
  name: string;
  path: string;
  theme?: 'loam' | 'night';
  /** What is done before the picture is taken. */
  act?: (page: Page) => Promise<unknown>;
}

/** Presses a face of the Water bench, or a question on it, by its name. */
const press = (selector: string, name: string) => async (page: Page) => {
  await page.$$eval(selector, (all, wanted) => (all as HTMLElement[]).find((one) => one.textContent?.trim() === wanted)?.click(), name);
  await new Promise((resolve) => setTimeout(resolve, 600));
};

const SHOTS: readonly Shot[] = [
  { name: 'room', path: '/room/low-barn' },
  { name: 'livestock', path: '/tank/peat-pocket/livestock' },
  { name: 'place', path: '/tank/weedy-thicket/livestock?face=place' },
  {
    name: 'catalogue',
    path: '/room/low-barn/catalogue?entry=danio-margaritatus',
    act: (page) => page.waitForSelector('tr-fact-table .pick').then((value) => value?.click()),
  },
  { name: 'vessel', path: '/tank/lava-jar/vessel' },
  {
    name: 'water',
    path: '/tank/shell-bed/water',
    act: (page) => page.waitForSelector('tr-recipe-card .btn.primary').then((button) => button!.click()),
  },
  {
    name: 'startup',
    path: '/tank/peat-pocket/startup',
    act: (page) => page.waitForSelector('tr-startup-bench tr-band-chart svg'),
  },
  { name: 'plants', path: '/tank/weedy-thicket/plants' },
  {
    name: 'forecast',
    path: '/tank/shell-bed/water',
    act: async (page) => {
      await press('.faces label', 'Forecast')(page);
      await page.waitForFunction(() => document.querySelector('.progress')?.textContent?.trim() === '200 likely cases');
    },
  },
  {
    name: 'breeding',
    path: '/tank/weedy-thicket/breeding?face=broods',
    act: async (page) => {
      await page.waitForSelector('tr-broods-face .lane');
    },
  },
  { name: 'acclimate', path: '/tank/shell-bed/water', act: press('.faces label', 'Acclimate') },
  {
    name: 'care',
    path: '/tank/shell-bed/care?face=charts',
    act: async (page) => {
      await page.waitForSelector('tr-log-chart .points');
      await press('tr-charts-face label', 'All of it')(page);
    },
  },
  { name: 'substrate', path: '/tank/weedy-thicket/substrate' },
  { name: 'hardscape', path: '/tank/shell-bed/hardscape' },
  {
    name: 'equipment',
    path: '/tank/shell-bed/equipment?face=current',
    act: (page) => page.waitForSelector('tr-current-face .key'),
  },
  {
    name: 'day',
    path: '/tank/weedy-thicket/equipment?face=day',
    theme: 'night',
    act: async (page) => {
      await page.waitForSelector('tr-band-chart svg');
      await press('button', 'Add a meal')(page);
    },
  },
  {
    name: 'stocking',
    path: '/tank/shell-bed/stocking?face=else',
    act: (page) => page.waitForSelector('.offers'),
  },
  { name: 'sheet', path: '/tank/weedy-thicket/sheet' },
  {
    name: 'why',
    path: '/tank/weedy-thicket/water',
    act: (page) => page.waitForSelector('[data-parameter="ph"]').then((part) => part!.click()),
  },
];

mkdirSync(folder, { recursive: true });
const site = await serve();
const browser = await launch();
for (const { name, path, theme = 'loam', act } of SHOTS) {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.evaluateOnNewDocument((wanted) => {
    localStorage.setItem(
      'terroir:preferences',
      JSON.stringify({ theme: wanted, units: { length: 'cm', volume: 'L', temperature: '°C', conductivity: 'µS/cm' } }),
    );
  }, theme);
  await page.goto(`${site.url}/`);
  await page.waitForSelector('.tanks a');
  await page.goto(site.url + path);
  await page.waitForSelector('main :is(h1, h2)');
  await page.evaluate(() => document.fonts.ready);
  await new Promise((resolve) => setTimeout(resolve, 700));
  await act?.(page);
  await new Promise((resolve) => setTimeout(resolve, 500));
  await page.screenshot({ path: `${folder}${name}.png` });
  console.log(`docs/screenshots/${name}.png`);
  await context.close();
}
await browser.close();
site.close();
