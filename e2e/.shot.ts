import { launch, serve, settled } from './browser';
import { pathToFileURL } from 'node:url';
const site = await serve();
const browser = await launch();
const page = await browser.newPage();
page.on('pageerror', (e) => console.log('ERR', e));
page.on('console', (m) => {
  if (m.type() === 'error') console.log('CONSOLE', m.text());
});
const snap = async (name: string) => {
  await page.screenshot({ path: `/tmp/${name}.png` as `${string}.png` });
};
const calm = (ms = 600) => new Promise((r) => setTimeout(r, ms));
await page.goto(site.url);
await page.waitForSelector('.tanks a');
const mod = await import(pathToFileURL(process.argv[2]!).href);
await mod.default({ page, site, calm, settled: () => settled(page), snap });
await browser.close();
site.close();
