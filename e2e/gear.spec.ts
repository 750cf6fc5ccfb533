import { settled } from './browser';
import { checkAxe, faults, page, press, site, text } from './stage';

const middleOf = (selector: string) =>
  page.$eval(selector, (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x: x + width / 2, y: y + height / 2 };
  });
const face = async (name: string) => {
  await page.goto(`${site.url}/tank/shell-bed/equipment?face=${name}`);
  await page.waitForSelector('tr-equipment-bench .faces');
  await settled(page);
};

describe('the gear of a tank', () => {
  beforeEach(() => page.setViewport({ width: 1280, height: 900 }));

  it('is placed, dragged and turned on the drawing, and the current follows', async () => {
    await face('current');
    const nozzle = 'tr-section:nth-of-type(1) g.outlet';
    const before = await middleOf(nozzle);
    await page.mouse.move(before.x, before.y);
    await page.mouse.down();
    await page.mouse.move(before.x + 60, before.y + 30, { steps: 6 });
    await page.mouse.up();
    await settled(page);
    const after = await middleOf(nozzle);
    expect(after.x - before.x).toBeGreaterThan(40);
    expect(after.y - before.y).toBeGreaterThan(15);
    const ring = await middleOf('tr-section:nth-of-type(1) .turn');
    await page.mouse.move(ring.x, ring.y);
    await page.mouse.down();
    await page.mouse.move(after.x, after.y + 60, { steps: 6 });
    await page.mouse.up();
    await settled(page);
    const rise = () =>
      page.$$eval(
        'tr-current-face tr-quantity',
        (all) => all.find((one) => one.textContent?.includes('Blows up'))?.querySelector('input')?.value ?? '',
      );
    expect(Number((await rise()).replace('−', '-'))).toBeLessThan(-60);
    await press('Undo');
    await settled(page);
    expect(Number((await rise()).replace('−', '-'))).toBe(0);
    await page.waitForSelector('tr-current-face .key');
    expect(await text('tr-current-face')).toContain('of the water all but stands');
    await checkAxe('current');
    expect(faults).toEqual([]);
  });

  it('has its day by the clock: a switch is dragged, a meal set and taken out by keys, and the curves follow', async () => {
    await face('day');
    await page.waitForSelector('tr-band-chart svg');
    await press('Add a meal');
    await settled(page);
    const off = await middleOf('[data-clock="lamps-off"] .touch');
    await page.mouse.move(off.x, off.y);
    await page.mouse.down();
    await page.mouse.move(off.x + 57, off.y, { steps: 6 });
    await page.mouse.up();
    await settled(page);
    expect(await text('tr-day-face .bar')).toMatch(/light 8:00 to 20:00/);
    await page.$eval('[data-clock="meal-0"]', (one) => (one as SVGElement).focus());
    await page.keyboard.press('ArrowRight');
    await settled(page);
    expect(await page.$eval('[data-clock="meal-0"]', (one) => one.getAttribute('aria-valuetext'))).toBe('9:15');
    await page.keyboard.press('Delete');
    await settled(page);
    expect(await page.$('[data-clock="meal-0"]')).toBeNull();
    expect(await text('tr-day-face')).toContain('Oxygen is lowest at');
    await checkAxe('day');
    expect(faults).toEqual([]);
  });
});
