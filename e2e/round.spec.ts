import ICAL from 'ical.js';
import { checkAxe, downloads, eventually, faults, page, site, text } from './stage';

const open = async (face = '') => {
  await page.goto(`${site.url}/room/low-barn/round${face === '' ? '' : `?face=${face}`}`);
  await page.waitForSelector('main[aria-busy=false] .tanks > *, main[aria-busy=false] tr-labels-face li');
};
/** How many sheets of A4 it prints on. */
const sheets = async (): Promise<number> => {
  const pdf = Buffer.from(await page.pdf({ format: 'A4', margin: { top: '8mm', bottom: '8mm', left: '8mm', right: '8mm' } }));
  return pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length;
};
/** The tanks of the room so many times over, beside themselves. */
const manyTanks = (count: number) =>
  page.evaluate(
    (wanted) =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('terroir');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const db = opening.result;
          const tx = db.transaction(['designs'], 'readwrite');
          const designs = tx.objectStore('designs');
          const all = designs.getAll();
          all.onsuccess = () => {
            const here = all.result.filter((record: { roomId: string }) => record.roomId === 'low-barn');
            for (let i = here.length; i < wanted; i++) {
              const record = here[i % here.length];
              // begun on different days, as tanks are
              const since = new Date(Date.now() - (i % 13) * 86_400_000).toISOString().slice(0, 10);
              const care = { ...record.design.care, since };
              const design = { ...record.design, id: `many-${i}`, name: `${record.design.name} ${i}`, care };
              designs.put({ ...record, id: design.id, design });
            }
          };
          tx.oncomplete = () => {
            db.close();
            resolve(wanted);
          };
          tx.onerror = () => reject(tx.error);
        };
      }),
    count,
  );

describe('the round', () => {
  beforeEach(async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
  });

  it('is ticked on the way, into the log of the tank, and what was ticked can be taken back', async () => {
    await open();
    const box = await page.waitForSelector('[data-tank=weedy-thicket] button.box[aria-label^="Done: Change"]');
    const before = await page.$$eval('[data-tank=weedy-thicket] .item', ({ length }) => length);
    await box!.click();
    await page.waitForSelector('.said');
    expect(await text('.said')).toContain('Weedy thicket: Change');
    const count = () => page.$$eval('[data-tank=weedy-thicket] .item', ({ length }) => length);
    expect(await eventually(count, (now) => now === before - 1)).toBe(before - 1);
    await page.$eval('.said .btn', (button) => (button as HTMLElement).click());
    expect(await eventually(count, (now) => now === before)).toBe(before);
    await page.goto(`${site.url}/tank/weedy-thicket/care?face=log`);
    await page.waitForSelector('[data-line].struck');
    expect(await text('[data-line].struck .title')).toContain('Water changed');
    expect(faults).toEqual([]);
  });

  it('goes the way that its keeper walks, by keys alone too, and undo takes it back', async () => {
    await open();
    const names = () => page.$$eval('.tanks h3 a', (links) => links.map((link) => link.textContent!.trim()));
    const before = await names();
    await page.$$eval('button', (buttons) => buttons.find((one) => one.textContent?.trim() === 'Change the way')!.click());
    await page.focus(`button[aria-label="Later: ${before[0]}"]`);
    await page.keyboard.press('Enter');
    const moved = [before[1]!, before[0]!, ...before.slice(2)];
    expect(await eventually(names, (now) => now.join() === moved.join())).toEqual(moved);
    await page.$$eval('button', (buttons) => buttons.find((one) => one.textContent?.trim() === 'Undo')!.click());
    expect(await eventually(names, (now) => now.join() === before.join())).toEqual(before);
  });

  it('of forty tanks is one page on paper; a caretaker’s sheet of the room two at most', async () => {
    await open('away');
    expect(await sheets()).toBeLessThanOrEqual(2);
    await manyTanks(40);
    await open();
    expect(await page.$$eval('.tanks > li', ({ length }) => length)).toBe(40);
    expect(await text('.carry .bar')).toMatch(/\d+ things to do/);
    expect(await sheets()).toBe(1);
  });

  it('as a calendar is read by another reader: every duty of every tank, with a word before it', async () => {
    const { next } = await downloads();
    await open();
    await page.$$eval('button', (buttons) => buttons.find((one) => one.textContent?.startsWith('As a calendar'))!.click());
    const file = (await next('.ics')).toString('utf8');
    const events = new ICAL.Component(ICAL.parse(file)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    const tanks = await page.$$eval('.tanks h3 a', (links) => links.map((link) => link.textContent!.trim()));
    for (const name of tanks)
      expect(events.some(({ summary }) => summary.startsWith(`${name}: `)))
        .withContext(name)
        .toBeTrue();
    // steps of plans fall once
    expect(events.filter((event) => event.isRecurring()).length).toBeGreaterThan(5 * tanks.length);
    const changes = events.filter(({ summary }) => summary.includes(': Change '));
    expect(changes.length).toBe(tanks.length);
    for (const event of changes) expect(event.component.getAllSubcomponents('valarm').length).toBe(1);
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  });

  it('is clean to axe on each of its faces, in both themes', async () => {
    for (const theme of ['light', 'dark'])
      for (const face of ['', 'labels', 'away']) {
        await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
        await open(face);
        await checkAxe(`the round, ${face || 'today'}, ${theme}`);
      }
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }]);
  });
});
