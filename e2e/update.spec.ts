import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { BUILT, serve } from './browser';
import { eventually, faults, page } from './stage';

interface Manifest {
  timestamp: number;
  assetGroups: { urls: string[] }[];
  hashTable: Record<string, string>;
}

/** What the browser holds of the program, all versions together. */
const held = () =>
  page.evaluate(async () => {
    const names = (await caches.keys()).filter((name) => name.includes(':assets:app:cache'));
    const counts = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
    return counts.sort((a, b) => b - a);
  });
const tanks = () => page.$$eval('.tanks a', (all) => all.length);

describe('an update whose files are missing', () => {
  it('leaves the last whole version at work, with a server and without one', async () => {
    const root = mkdtempSync(join(tmpdir(), 'terroir-update-'));
    cpSync(BUILT, root, { recursive: true });
    const served = await serve(root);
    try {
      const manifest = JSON.parse(readFileSync(join(root, 'ngsw.json'), 'utf8')) as Manifest;
      const urls = manifest.assetGroups.flatMap((group) => group.urls);
      await page.goto(`${served.url}/`);
      await page.waitForSelector('.tanks a');
      await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
      expect((await eventually(held, ([most = 0]) => most >= urls.length, 60_000))[0]).toBe(urls.length);

      // a newer version is announced: its page asks for a program that never came along
      const [main] = urls.filter((url) => /^\/main-/.test(url));
      const lost = '/main-LOSTLOST.js';
      const swap = (text: string) => text.replaceAll(main!.slice(1), lost.slice(1));
      const hashes = { ...manifest.hashTable, [lost]: '0'.repeat(40), '/index.html': '1'.repeat(40) };
      const newer = JSON.stringify({ ...manifest, timestamp: manifest.timestamp + 1, hashTable: hashes }).replaceAll(
        `"${main}"`,
        `"${lost}"`,
      );
      const put = (name: string, text: string) => {
        writeFileSync(join(root, name), text);
        writeFileSync(join(root, `${name}.br`), brotliCompressSync(text));
      };
      put('ngsw.json', newer);
      put('index.html', swap(readFileSync(join(root, 'index.html'), 'utf8')));

      const asked = page.waitForResponse((response) => response.url().includes(lost), { timeout: 60_000 }).catch(() => null);
      await page.reload();
      await page.waitForSelector('.tanks a');
      await asked;
      expect(await tanks()).toBe(4);
      await page.reload();
      await page.waitForSelector('.tanks a');
      expect(await page.$eval('script[src*="main-"]', (script) => script.getAttribute('src'))).toBe(main!.slice(1));
      expect(await page.$$eval('tr-root > p', (all) => all.length))
        .withContext('nothing is said of an update that is not whole')
        .toBe(0);

      served.close();
      faults.length = 0;
      await page.goto(`${served.url}/tank/weedy-thicket/vessel`);
      await page.waitForSelector('tr-vessel-bench');
      await page.waitForSelector('tr-ledger article');
    } finally {
      served.close();
      rmSync(root, { recursive: true, force: true });
    }
  });
});
