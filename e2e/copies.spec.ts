import { checkAxe, downloads, faults, page, press, site, text } from './stage';

const cards = () => page.$$eval('.tanks a .glass', (all) => all.length);
const toCopies = async () => {
  await page.evaluate(() => document.getElementById('copies-heading')?.scrollIntoView({ block: 'start' }));
  await page.waitForSelector('tr-copies-card [data-copy-state]');
};
/** Puts the newest copy of the folder into the field that looks into one. */
const lookIntoIt = () =>
  page.evaluate(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Barn copies');
    const files = (folder as unknown as { values(): AsyncIterableIterator<FileSystemFileHandle> }).values();
    const { value } = await files.next();
    const taken = new DataTransfer();
    taken.items.add(await (value as FileSystemFileHandle).getFile());
    const input = document.querySelector<HTMLInputElement>('tr-copies-card input[type=file]')!;
    input.files = taken.files;
    input.dispatchEvent(new Event('change'));
  });

describe('copies of everything', () => {
  it('go into a folder, and bring a room back in place of what is here, which can be undone', async () => {
    // a folder of the browser's own stands in for one that the user picks
    await page.evaluateOnNewDocument(
      'window.showDirectoryPicker = async () => (await navigator.storage.getDirectory()).getDirectoryHandle("Barn copies", { create: true })',
    );
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a .glass');
    const before = await cards();
    await toCopies();
    expect(await text('[data-copy-state]')).toContain('No copy was made yet');
    await checkAxe('copies');
    await press('Choose a folder for copies');
    await page.waitForFunction(() => document.querySelector('tr-copies-card')?.textContent?.includes('went to “Barn copies”'));
    expect(await text('[data-copy-state]')).toContain('nothing was written since');
    await page.$$eval('tr-tank-card button', (all) => all.find((one) => one.textContent?.trim() === 'Delete')?.click());
    await page.waitForFunction((count) => document.querySelectorAll('.tanks a .glass').length === count - 1, {}, before);
    await lookIntoIt();
    await page.waitForSelector('[data-copy] tbody tr');
    expect(await text('[data-copy] tbody tr')).toMatch(/^Low Barn5\d* ?a room of this name is here/);
    await checkAxe('a copy that is looked into');
    await press('In place of what is here: Low Barn');
    await page.waitForFunction((count) => document.querySelectorAll('.tanks a .glass').length === count, {}, before);
    expect(await text('.gone')).toContain('is back from the copy, in place of what was here');
    await press('Put it back');
    await page.waitForFunction((count) => document.querySelectorAll('.tanks a .glass').length === count - 1, {}, before);
    expect(faults).toEqual([]);
  });

  it('go out as one file, which is not taken for a room', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a .glass');
    await toCopies();
    const { folder, next } = await downloads();
    await press('Save a copy as a file');
    const bytes = await next('.zip');
    expect(bytes.subarray(30, 39).toString()).toBe('copy.json');
    const input = await page.$('main .new input[type=file]');
    const [name] = (await import('node:fs')).readdirSync(folder).filter((file) => file.endsWith('.zip'));
    await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(`${folder}/${name}`);
    expect(await text('.alarm')).toContain('look into it under “A copy of everything”');
  });
});
