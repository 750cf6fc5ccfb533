import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve, settled } from './browser';
import { downloads, faults, fill, keepCopy, page, press, site, text, wait } from './stage';

/** Drops a file on the page, as a person drags one from a folder. */
async function dropFile(selector: string, name: string, bytes: Uint8Array): Promise<void> {
  await page.$eval(
    selector,
    (target, [fileName, content]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([Uint8Array.from(content as number[])], fileName as string));
      for (const type of ['dragover', 'drop'])
        target.dispatchEvent(new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: transfer }));
    },
    [name, [...bytes]] as const,
  );
}

async function openRoom(): Promise<void> {
  await page.goto(`${site.url}/`);
  await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length === 5);
}

describe('a room as a file', () => {
  it('goes out as a zip and comes in beside the one that is here, by drag and drop', async () => {
    await openRoom();
    const { folder, next } = await downloads();
    await press('Export the room Low Barn as a file');
    const zip = await next('.terroir.zip');
    expect(zip.subarray(0, 2).toString()).toBe('PK');

    const damaged = Uint8Array.from(zip);
    for (let i = 400; i < 460; i++) damaged[i] = damaged[i]! ^ 0x5a;
    await dropFile('main', 'damaged.zip', damaged);
    await page.waitForSelector('[role=alert]');
    expect(await text('[role=alert]')).toMatch(/damaged.zip: .*Nothing was changed\./);
    expect(await page.$$eval('nav[aria-label=Rooms] a', (all) => all.length)).toBe(1);

    await dropFile('main', 'barn.zip', zip);
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('h1 input')?.value === 'Low Barn (copy)');
    await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length === 5);
    expect(await page.$$eval('nav[aria-label=Rooms] a', (all) => all.map((link) => link.textContent?.trim()))).toEqual([
      'Low Barn',
      'Low Barn (copy)',
    ]);
    await rm(folder, { recursive: true });
    expect(faults).toEqual([]);
  });

  it('of 50 MB is refused, and nothing is lost', async () => {
    await openRoom();
    const folder = await mkdtemp(join(tmpdir(), 'terroir-big-'));
    const path = join(folder, 'big.json');
    await writeFile(path, Buffer.alloc(50_000_000, 0x20));
    await ((await page.$('input[type=file]')) as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(path);
    await page.waitForSelector('[role=alert]');
    expect(await text('[role=alert]')).toContain('50 MB is larger than a design can be');
    expect(await page.$$eval('.tanks a', (all) => all.length)).toBe(5);
    await rm(folder, { recursive: true });
  });
});

describe('a tank’s files', () => {
  it('are its drawing as SVG and PNG, its design, and a sheet to print', async () => {
    await openRoom();
    await page.goto(`${site.url}/tank/lava-jar/vessel`);
    await page.waitForSelector('tr-section svg');
    const { folder, next } = await downloads();
    await press('Files and earlier states');
    await press('Section as SVG');
    const svg = (await next('.svg')).toString();
    expect(svg).toContain('<title>Lava-shore jar</title>');
    expect(svg).toMatch(/fill="(rgb|#)/);
    expect(svg).not.toMatch(/class=|_ngcontent|var\(--/);
    await press('Section as PNG');
    const png = await next('.png');
    // width and height stand in the header, twice the drawing's own
    expect([png.readUInt32BE(16), png.readUInt32BE(20)].every((px) => px >= 600)).toBeTrue();
    await press('Export as a file');
    const design = JSON.parse((await next('.terroir.json')).toString()) as { cited: { entries: { id: string }[] } };
    expect(design.cited.entries.map(({ id }) => id)).toEqual(['halocaridina-rubra']);
    await press('Summary to print');
    await page.waitForSelector('tr-sheet');
    const sheet = await text('tr-sheet');
    expect(sheet).toContain('Halocaridina rubra');
    expect(sheet).toMatch(/3\.6 L Mixed sea water \(50 %\)/);
    await page.emulateMediaType('print');
    expect(await page.$eval('tr-ledger', (element) => getComputedStyle(element).display)).toBe('none');
    await page.emulateMediaType('screen');
    await rm(folder, { recursive: true });
    expect(faults).toEqual([]);
  });

  it('go back to an earlier state in one gesture, and undo takes that back', async () => {
    await openRoom();
    await page.goto(`${site.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section svg');
    await fill('Water level', '20');
    await settled(page);
    await press('Files and earlier states');
    await press('Go back to edit 0');
    await settled(page);
    const level = () => page.$eval('tr-section [role=slider]', (slider) => slider.getAttribute('aria-valuenow'));
    expect(await level()).toBe('260');
    await press('Close');
    await press('Undo');
    await settled(page);
    expect(await level()).toBe('200');
    expect(faults).toEqual([]);
  });
});

describe('with the server stopped', () => {
  it('reload, edit, save and export still work', async () => {
    const own = await serve();
    await keepCopy();
    await page.goto(`${own.url}/`);
    await page.waitForSelector('.tanks a');
    await page.evaluate(() => navigator.serviceWorker.ready);
    // the worker has everything once every file of its list is in its store
    await page.waitForFunction(
      async () => {
        const { assetGroups } = (await (await fetch('/ngsw.json')).json()) as { assetGroups: { urls: string[] }[] };
        const wanted = assetGroups.flatMap(({ urls }) => urls).length;
        let kept = 0;
        for (const name of await caches.keys()) if (/:assets:app:cache$/.test(name)) kept = (await (await caches.open(name)).keys()).length;
        return kept >= wanted;
      },
      { timeout: 90_000, polling: 500 },
    );
    await wait(500);
    own.close();
    await page.reload();
    await page.waitForSelector('.tanks a');
    await page.goto(`${own.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section svg');
    await fill('Water level', '21');
    await settled(page);
    const { folder, next } = await downloads();
    await press('Files and earlier states');
    await press('Export as a file');
    expect((await next('.terroir.json')).toString()).toContain('"waterLevelMm": 210');
    await page.goto(`${own.url}/tank/peat-pocket/stocking`);
    await page.waitForSelector('tr-stocking-bench');
    await page.goto(`${own.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section [role=slider][aria-valuenow="210"]');
    await rm(folder, { recursive: true });
    expect(faults.filter((fault) => !/ERR_CONNECTION_REFUSED|Failed to load resource/.test(fault))).toEqual([]);
  }, 180_000);
});
