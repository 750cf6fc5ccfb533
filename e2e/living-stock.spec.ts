import { settled } from './browser';
import { checkAxe, faults, page, press, site, text } from './stage';

const face = async (tank: string, name: string, shown: string) => {
  await page.goto(`${site.url}/tank/${tank}/stocking?face=${name}`);
  await page.waitForSelector(shown);
  await settled(page);
};
const choose = async (selector: string, label: string, option: string) => {
  await page.evaluate(
    (root, name, wanted) => {
      const field = Array.from(document.querySelectorAll<HTMLElement>(`${root} tr-select`)).find(
        (one) => one.querySelector('label')?.textContent?.trim() === name,
      )!;
      const select = field.querySelector('select')!;
      select.value = Array.from(select.options).find(({ text: said }) => said.trim() === wanted)!.value;
      select.dispatchEvent(new Event('change', { bubbles: true }));
    },
    selector,
    label,
    option,
  );
  await settled(page);
};

describe('the living stock of a room', () => {
  beforeEach(() => page.setViewport({ width: 1280, height: 900 }));

  it('is moved, and what was seen on it is told where it comes to, until it is over', async () => {
    await page.goto(`${site.url}/room/low-barn#lots-heading`);
    await page.waitForSelector('tr-living-stock tbody tr');
    await settled(page);
    await page.click('tr-living-stock button[aria-label="Open Moss from a swap"]');
    await page.waitForSelector('tr-living-stock .card');
    await page.type('tr-living-stock .card tr-quantity input', '2');
    await page.keyboard.press('Tab');
    await choose('tr-living-stock .card', 'to', 'Shell bed');
    expect(await text('tr-living-stock .along')).toContain('Planaria may come along into Shell bed');
    await checkAxe('living stock');
    await page.evaluate(() =>
      Array.from(document.querySelectorAll<HTMLElement>('.card button'))
        .find(({ textContent }) => textContent?.trim() === 'Write it down')!
        .click(),
    );
    await settled(page);
    expect(await text('tr-living-stock tbody')).toMatch(/1 in tubs and buckets.*2 in Shell bed/);
    await face('shell-bed', 'health', 'tr-health-face .contact');
    expect(await text('tr-health-face .contact')).toMatch(/planaria.*came with “Moss from a swap”/);
    expect(await text('tr-ledger')).toMatch(/Planaria may have come in with “Moss from a swap”/);
    await checkAxe('health');
    await page.click('tr-health-face .contact button');
    await settled(page);
    expect(await page.$('tr-health-face .contact')).toBeNull();
    await press('Undo');
    await settled(page);
    expect(await page.$('tr-health-face .contact')).not.toBeNull();
    expect(faults).toEqual([]);
  });

  it('goes in by an order whose peaks are told, and steps of it come into Care', async () => {
    await face('shell-bed', 'order', 'tr-order-face tbody tr');
    expect(await text('tr-order-face')).toMatch(/ready ?5 Planorbella duryi.*\+ 2 ?9 Neolamprologus multifasciatus/);
    await checkAxe('in which order');
    expect(faults).toEqual([]);
  });

  it('is fed by a menu', async () => {
    await face('shell-bed', 'food', 'tr-food-face tbody tr');
    expect(await text('tr-food-face')).toMatch(
      /frozen brine shrimp.*Who gets what.*Neolamprologus multifasciatus ?eats frozen brine shrimp/,
    );
    await checkAxe('food');
    expect(faults).toEqual([]);
  });
});
