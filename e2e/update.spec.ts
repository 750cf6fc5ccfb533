import { createHash } from 'node:crypto';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { BUILT, serve } from './browser';
import { eventually, faults, keepCopy, page } from './stage';

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
const sha1 = (text: string) => createHash('sha1').update(text).digest('hex');
const tanks = () => page.$$eval('.tanks a', (all) => all.length);

describe('an update whose files are missing', () => {
  it('leaves the last whole version at work, with a server and without one, and takes the update when it is whole', async () => {
    const root = mkdtempSync(join(tmpdir(), 'terroir-update-'));
    cpSync(BUILT, root, { recursive: true });
    const served = await serve(root);
    const mains = () => page.$eval('script[src*="main-"]', (script) => script.getAttribute('src'));
    const put = (name: string, text: string) => {
      writeFileSync(join(root, name), text);
      writeFileSync(join(root, `${name}.br`), brotliCompressSync(text));
    };
    try {
      const manifest = JSON.parse(readFileSync(join(root, 'ngsw.json'), 'utf8')) as Manifest;
      const urls = manifest.assetGroups.flatMap((group) => group.urls);
      await keepCopy();
      await page.goto(`${served.url}/`);
      await page.waitForSelector('.tanks a');
      await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
      expect((await eventually(held, ([most = 0]) => most >= urls.length, 60_000))[0]).toBe(urls.length);

      // a newer version is announced: its page asks for a program that never came along
      const main = urls.find((url) => /^\/main-/.test(url))!;
      const lost = '/main-LOSTLOST.js';
      const page2 = readFileSync(join(root, 'index.html'), 'utf8').replaceAll(main.slice(1), lost.slice(1));
      const hashes = { ...manifest.hashTable, [lost]: manifest.hashTable[main]!, '/index.html': sha1(page2) };
      const newer = { ...manifest, timestamp: manifest.timestamp + 1, hashTable: hashes };
      put('ngsw.json', JSON.stringify(newer).replaceAll(`"${main}"`, `"${lost}"`));
      put('index.html', page2);

      const tries = () => served.asked.filter((url) => url.startsWith(lost)).length;
      const triedAgain = async (after: number) =>
        expect(
          await eventually(
            async () => tries() > after,
            (more) => more,
            60_000,
          ),
        )
          .withContext('the newer version was tried')
          .toBeTrue();
      await page.reload();
      await page.waitForSelector('.tanks a');
      await triedAgain(0);
      expect(await tanks()).toBe(5);
      const before = tries();
      await page.reload();
      await page.waitForSelector('.tanks a');
      expect(await mains()).toBe(main.slice(1));
      expect(await page.$$eval('tr-root > p', (all) => all.length))
        .withContext('nothing is said of an update that is not whole')
        .toBe(0);
      await triedAgain(before);

      // without a list of files too: a server that is being filled anew has none for a while
      rmSync(join(root, 'ngsw.json'));
      rmSync(join(root, 'ngsw.json.br'), { force: true });
      const listed = () => served.asked.filter((url) => url.startsWith('/ngsw.json')).length;
      const asks = listed();
      await page.reload();
      await page.waitForSelector('.tanks a');
      await eventually(
        async () => listed() > asks,
        (more) => more,
        60_000,
      );
      await page.reload();
      await page.waitForSelector('.tanks a');
      expect(await mains()).toBe(main.slice(1));

      // the program comes along after all
      put('ngsw.json', JSON.stringify(newer).replaceAll(`"${main}"`, `"${lost}"`));
      put(lost.slice(1), readFileSync(join(root, main.slice(1)), 'utf8'));
      await page.reload();
      await page.waitForSelector('.tanks a');
      await page.waitForSelector('tr-root > p', { timeout: 60_000 });
      await page.reload();
      await page.waitForSelector('.tanks a');
      expect(await mains()).toBe(lost.slice(1));

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
