import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { calm, launch, settled } from './browser';
import {
  addAnimal,
  checkAxe,
  faults,
  fill,
  finding,
  keyOf,
  newRoomWithTap,
  newTank,
  openShowAll,
  page,
  press,
  secondTab,
  severityOf,
  site,
  text,
  wait,
} from './stage';

describe('the peat pocket, from an empty room with limestone tap', () => {
  it('shows the conflicts, offers RO, clears what a blend can, and says what it cannot', async () => {
    await newRoomWithTap();
    await newTank();
    expect(await text('tr-ledger')).toContain('Nothing lives here yet');
    await addAnimal('parosphromenus', '2', 'Breed');
    await page.keyboard.press('2');
    await page.waitForSelector('tr-vessel-bench');
    await press('40 × 25 × 25');
    await page.waitForSelector('tr-section svg');
    await page.$$eval('tr-vessel-bench label', (labels) => labels.find((label) => label.textContent?.trim() === 'glass')?.click());
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('7');
    await press('Add a heater');
    await fill('Heater holds at least', '24');
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('3');
    await page.waitForSelector('tr-water-bench');
    await fill('Share of Limestone tap', '100');
    await settled(page);

    const gh = await keyOf('water.parameter:ghDh:');
    await openShowAll();
    const ph = await keyOf('water.parameter:ph:');
    expect(await severityOf(gh)).toBe('conflict');
    expect(await severityOf(ph)).toBe('conflict');
    expect(await text(finding(gh))).toContain('GH 17.8 dGH is too high for Parosphromenus harveyi');

    const offer = await page.waitForSelector(`${finding(gh)} [data-remedy="blend"]:not([data-stale])`);
    expect(await offer!.evaluate((element) => element.textContent)).toContain('RO water');
    await offer!.click();
    await settled(page);
    await openShowAll();
    expect(await severityOf(gh)).toBe('fits');
    // water without lime is made acid by the filter; how acid, nobody can say to a tenth
    expect(await severityOf(ph)).not.toBe('conflict');
    expect(await page.$$eval('tr-ledger article[data-severity="conflict"]', (all) => all.length)).toBe(0);

    // one undo takes it back
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await settled(page);
    expect(await severityOf(gh)).toBe('conflict');
    expect(faults).toEqual([]);
  });
});

describe('the thicket, a warm-water companion and a lone schooling fish', () => {
  it('are judged with the edge each breaks', async () => {
    await newRoomWithTap();
    await newTank();
    await addAnimal('danio margaritatus', '12', 'Breed');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('3');
    await page.waitForSelector('tr-water-bench');
    await fill('Share of Limestone tap', '100');
    await settled(page);
    await openShowAll();
    expect(await severityOf(await keyOf('water.parameter:khDh:'))).toBe('fits');
    expect(await severityOf(await keyOf('water.parameter:ghDh:'))).toBe('watch');
    const cold = await keyOf('heat.too-cold:');
    expect(await text(finding(cold))).toMatch(/17.5 °C in the cold season is too cold for Danio margaritatus.*Below 21 °C/s);
    await (await page.waitForSelector(`${finding(cold)} [data-remedy="heater"]:not([data-stale])`))!.click();
    await settled(page);
    await openShowAll();
    expect(await severityOf(cold)).toBe('fits');

    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await addAnimal('ramirezi', '2', 'Keep');
    const ledger = await text('tr-ledger');
    expect(ledger).toMatch(/too cold for Mikrogeophagus ramirezi/);
    expect(ledger).toMatch(/Below 24 °C/);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await addAnimal('Paracheirodon axelrodi', '1', 'Keep');
    expect(await text('tr-ledger')).toMatch(/A lone Paracheirodon axelrodi does not settle ?1 here; it wants at least 10/);
    expect(faults).toEqual([]);
  });
});

describe('what is typed wrong', () => {
  it('is refused beside the field, with nothing stored changed', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    await page.goto(`${site.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section svg');
    const stored = () =>
      page.evaluate(
        () =>
          new Promise<string>((resolve) => {
            const request = indexedDB.open('terroir');
            request.onsuccess = () => {
              const get = request.result.transaction('designs').objectStore('designs').get('weedy-thicket');
              get.onsuccess = () => resolve(JSON.stringify(get.result.design));
            };
          }),
      );
    const before = await stored();
    for (const [typed, reason] of [
      ['0', /between/],
      ['abc', /does not start with a number/],
      ['1e9 cm', /between/],
    ] as const) {
      await fill('Length', typed);
      expect(await text('tr-vessel-bench [role=alert]')).toMatch(reason);
    }
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('1');
    await page.waitForSelector('tr-livestock-bench .stock');
    await fill('Count of Danio margaritatus', '-4');
    expect(await text('.stock [role=alert]')).toMatch(/between/);
    await wait(100);
    expect(await stored()).toBe(before);

    // HTML in a name is a name
    await page.click('.tank-name .name');
    await page.waitForSelector('.name-field');
    await page.keyboard.type('<img src=x onerror=alert(1)>');
    await page.keyboard.press('Enter');
    await settled(page);
    expect(await text('.tank-name .name')).toBe('<img src=x onerror=alert(1)>');
    expect(await page.$('.tank-name img')).toBeNull();
    expect(faults).toEqual([]);
  });

  it('as a file is refused with place and reason', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    const folder = await mkdtemp(join(tmpdir(), 'terroir-'));
    const whole = readFileSync(fileURLToPath(new URL('../core/design/fixtures/design-v1.json', import.meta.url)), 'utf8');
    const files: [string, string, RegExp][] = [
      ['cut.json', whole.slice(0, 900), /cut.json: .*not whole JSON/],
      ['foreign.json', '{"tanks":[]}', /not a Terroir design file/],
      ['newer.json', whole.replace('"schema": 1', '"schema": 99'), /design.schema: written by a newer Terroir \(version 99/],
      ['bad.json', whole.replace('"lengthMm": 400', '"lengthMm": 0'), /design.vessel.lengthMm/],
    ];
    for (const [name, content, reason] of files) {
      const path = join(folder, name);
      await writeFile(path, content);
      const input = await page.$('input[type=file]');
      await (input as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(path);
      await page.waitForFunction((n) => document.querySelector('[role=alert]')?.textContent?.includes(n), {}, name);
      expect(await text('[role=alert]')).toMatch(reason);
      expect(await text('[role=alert]')).toContain('Nothing was changed');
    }
    expect(await page.$$eval('.tanks a', (all) => all.length)).toBe(5);
    const good = join(folder, 'good.json');
    await writeFile(good, whole);
    await ((await page.$('input[type=file]')) as unknown as { uploadFile(path: string): Promise<void> }).uploadFile(good);
    await page.waitForSelector('tr-livestock-bench');
    expect(await text('.tank-name .name')).toBe('Frozen peat pocket (copy)');
    await rm(folder, { recursive: true });
  });
});

describe('the store', () => {
  it('holds the edit after the browser is killed right after "saved"', async () => {
    const profile = await mkdtemp(join(tmpdir(), 'terroir-profile-'));
    const first = await launch(profile);
    let tab = await first.newPage();
    await tab.goto(`${site.url}/`);
    await tab.waitForSelector('.tanks a');
    await tab.goto(`${site.url}/tank/weedy-thicket/livestock`);
    await tab.waitForSelector('.tank-name .name');
    await tab.click('.tank-name .name');
    await tab.waitForSelector('.name-field');
    await tab.keyboard.type('Killed thicket');
    await tab.keyboard.press('Enter');
    await tab.waitForFunction(
      () =>
        document.querySelector('.tank-name .name')?.textContent?.trim() === 'Killed thicket' &&
        document.querySelector('[data-save="saved"]'),
    );
    first.process()!.kill('SIGKILL');
    await wait(400);
    const second = await launch(profile);
    tab = await second.newPage();
    await tab.goto(`${site.url}/tank/weedy-thicket/livestock`);
    await tab.waitForSelector('.tank-name .name');
    expect(await tab.$eval('.tank-name .name', (element) => element.textContent?.trim())).toBe('Killed thicket');
    await second.close();
    await rm(profile, { recursive: true, force: true });
  });

  it('that is full is said loudly, and the work can still be exported', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    await page.goto(`${site.url}/tank/weedy-thicket/vessel`);
    await page.waitForSelector('tr-section svg');
    await page.evaluate(() => {
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
      const kept: string[] = [];
      (window as unknown as { exported: string[] }).exported = kept;
      const original = URL.createObjectURL;
      URL.createObjectURL = (blob) => {
        void (blob as Blob).text().then((content) => kept.push(content));
        return original.call(URL, blob);
      };
    });
    await fill('Water level', '22');
    await page.waitForSelector('[data-save="failed"]');
    expect(await text('[data-save="failed"]')).toContain('the browser’s store is full');
    await (await page.waitForSelector('[data-save="failed"] ::-p-text(Export)'))!.click();
    await page.waitForFunction(() => (window as unknown as { exported: string[] }).exported.length > 0);
    const exported = JSON.parse(await page.evaluate(() => (window as unknown as { exported: string[] }).exported[0]!)) as {
      design: { vessel: { waterLevelMm: number } };
    };
    expect(exported.design.vessel.waterLevelMm).toBe(220);
  });

  it('that the browser refuses altogether is said, and work goes on in the window', async () => {
    await page.evaluateOnNewDocument(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('blocked', 'SecurityError');
      };
    });
    await page.goto(`${site.url}/`);
    await page.waitForSelector('[role=alert]');
    expect(await text('[role=alert]')).toContain('The browser refuses to store anything');
    await page.waitForSelector('.tanks a');
    await page.click('.tanks a');
    await page.waitForSelector('tr-livestock-bench');
    expect(await text('.alarm')).toContain('export it');
  });

  it('lets one tab write and the other look on, until it takes over', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    await page.goto(`${site.url}/tank/peat-pocket/livestock`);
    await settled(page);
    const other = await secondTab();
    await other.goto(`${site.url}/tank/peat-pocket/livestock`);
    await other.waitForSelector('[data-save="read-only"]');
    await (await other.waitForSelector('[data-save="read-only"] button'))!.click();
    await other.waitForSelector('[data-save="saved"]');
    await page.waitForSelector('[data-save="read-only"]');
    await other.close();
  });
});

describe('the tanks of a room', () => {
  it('are duplicated, deleted and put back', async () => {
    await page.goto(`${site.url}/`);
    // cards are judged one after another and move down as they are: pressed once they stand
    await page.waitForFunction(() => document.querySelectorAll('.tanks a .glass').length === 5);
    await calm(page);
    const names = () => page.$$eval('.tanks a strong', (all) => all.map((name) => name.textContent?.trim()));
    await press('Duplicate Peat pocket');
    await page.waitForFunction(() => document.querySelectorAll('.tanks a').length === 6);
    await press('Delete Peat pocket');
    await page.waitForFunction(() => document.querySelectorAll('.tanks a').length === 5);
    expect(await names()).toEqual(['Lagoon nursery', 'Lava-shore jar', 'Peat pocket (copy)', 'Shell bed', 'Weedy thicket']);
    await press('Put it back');
    await page.waitForFunction(() => document.querySelectorAll('.tanks a').length === 6);
    expect(await names()).toEqual(['Lagoon nursery', 'Lava-shore jar', 'Peat pocket', 'Peat pocket (copy)', 'Shell bed', 'Weedy thicket']);
    expect(faults).toEqual([]);
  });
});

describe('by keyboard alone', () => {
  it('a tank is begun, an animal added, the bench changed and undone', async () => {
    await page.goto(`${site.url}/`);
    await page.waitForSelector('.tanks a');
    const tabTo = async (match: string) => {
      for (let i = 0; i < 80; i++) {
        await page.keyboard.press('Tab');
        const here = await page.evaluate(
          () => `${document.activeElement?.textContent?.trim() ?? ''} ${document.activeElement?.getAttribute('aria-label') ?? ''}`,
        );
        if (here.includes(match)) return;
      }
      fail(`no way to ${match} by Tab`);
    };
    await tabTo('New tank');
    await page.keyboard.press('Enter');
    await page.waitForSelector('tr-livestock-bench');
    await tabTo('Animal, Latin or common name');
    await page.keyboard.type('cherry shrimp');
    await page.waitForSelector('tr-animal-card form');
    await tabTo('to this tank');
    await page.keyboard.press('Enter');
    await page.waitForSelector('.stock tbody tr');
    expect(await text('.stock')).toContain('Neocaridina davidi');
    await page.keyboard.press('2');
    await page.waitForSelector('tr-vessel-bench');
    await tabTo('60 × 30 × 30');
    await page.keyboard.press('Enter');
    await page.waitForSelector('tr-section svg');
    await tabTo('Water level');
    await settled(page);
    for (let i = 0; i < 40 && !(await page.evaluate(() => document.activeElement?.getAttribute('role') === 'slider')); i++)
      await page.keyboard.press('Tab', {});
    await page.keyboard.press('?');
    await page.waitForSelector('.ant-modal kbd');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('.ant-modal kbd'));
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForFunction(() => document.activeElement?.getAttribute('role') === 'combobox');
    await page.keyboard.type('water');
    await page.keyboard.press('Enter');
    await page.waitForSelector('tr-water-bench');
    expect(faults).toEqual([]);
  });
});

describe('axe-core', () => {
  for (const theme of ['loam', 'night'] as const) {
    it(`finds nothing against the ${theme} theme`, async () => {
      await page.evaluateOnNewDocument((name) => {
        localStorage.setItem(
          'terroir:preferences',
          JSON.stringify({ theme: name, units: { length: 'cm', volume: 'L', temperature: '°C', conductivity: 'µS/cm' } }),
        );
      }, theme);
      await page.goto(`${site.url}/`);
      await page.waitForSelector('.tanks a');
      await checkAxe('room');
      for (const path of [
        'peat-pocket/livestock',
        'peat-pocket/water',
        'shell-bed/vessel',
        'peat-pocket/equipment',
        'shell-bed/stocking',
        'weedy-thicket/sheet',
        'weedy-thicket/substrate',
      ]) {
        await page.goto(`${site.url}/tank/${path}`);
        await page.waitForSelector('tr-ledger article');
        await settled(page);
        await checkAxe(path);
      }
      await page.click('[data-parameter="ghDh"]');
      await page.waitForSelector('.ant-drawer h3');
      await checkAxe('why drawer');
    });
  }
});
