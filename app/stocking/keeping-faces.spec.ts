import { TestBed } from '@angular/core/testing';
import { box, tank } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { FoodFace } from './food-face';
import { HealthFace } from './health-face';
import { OrderFace } from './order-face';

const company = () =>
  tank(
    [
      ['puntigrus-tetrazona', 10],
      ['betta-splendens', 1, 'keep', 0],
      ['neocaridina-davidi', 20],
    ],
    { heaterC: 25, vessel: box(800, 400, 400, 'mesh') },
  );
const pick = (host: HTMLElement, selector: string, starts: string) => {
  const select = host.querySelector<HTMLSelectElement>(selector)!;
  select.value = [...select.options].find(({ text }) => text.startsWith(starts))!.value;
  select.dispatchEvent(new Event('change'));
};
const squeeze = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim();

describe('in which order they go in', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is told with what the filter says to it, and becomes steps in Care', async () => {
    const { host, until, press, design } = await openBench(OrderFace, company());
    await until('[data-control=order] tbody tr');
    expect([...host.querySelectorAll('tbody th em')].map((name) => name.textContent)).toEqual([
      'Neocaridina davidi',
      'Betta splendens',
      'Puntigrus tetrazona',
    ]);
    const [first] = host.querySelectorAll('tbody tr');
    expect(squeeze(first!.textContent)).toMatch(/^ready ?20 Neocaridina davidi.* mg\/L$/);
    await press('Put 14 steps into Care');
    expect(Object.values(design().care.steps).filter(({ code }) => code === 'stock').length).toBe(3);
  });

  it('says so where nobody lives', async () => {
    const { host, until } = await openBench(OrderFace, tank([]));
    await until('p');
    expect(host.textContent).toContain('Nobody lives here yet');
  });
});

describe('what they are fed', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('is nothing at first, and a menu for all at a press; who goes hungry is said', async () => {
    const { host, press, design, refresh, text, store } = await openBench(FoodFace, company());
    expect(text('[data-control=menu]')).toContain('nobody is said to go hungry');
    await press('Take this menu');
    const menu = Object.values(design().care.menu);
    expect(menu.length).toBeGreaterThan(1);
    expect(host.querySelectorAll('.hungry').length).toBe(0);
    expect(text('.plan + button')).toBe('This is your menu');
    store.edit('Menu', [{ op: 'replace', path: '/care/menu', value: { a: { order: 1, foodId: 'greens', timesAWeek: 2, when: 'day' } } }]);
    await refresh();
    expect([...host.querySelectorAll('.hungry em')].map((name) => name.textContent)).toContain('Betta splendens');
  });

  it('is changed dish by dish, with cultures counted back from the slowest', async () => {
    const { host, press, design, type, refresh, text } = await openBench(FoodFace, company());
    pick(host, 'tr-add-from select', 'grindal worms');
    await refresh();
    await press('Add: Give also');
    await type('Times a week of grindal worms', '5');
    await press('after dark');
    expect(Object.values(design().care.menu)).toEqual([{ order: 1, foodId: 'grindal-worms', timesAWeek: 5, when: 'dark' }]);
    await type('Fasting days a week', '1');
    expect(design().care.fastDays).toBe(1);
    expect(text('[aria-labelledby=culture-heading] .plan')).toMatch(/grindal worms 21 to 28 days before/);
    await press('Put 1 step into Care');
    expect(Object.values(design().care.steps).map(({ code, subjects }) => [code, subjects])).toEqual([['culture', ['grindal-worms']]]);
    await press('Leave out grindal worms');
    expect(design().care.menu).toEqual({});
  });
});

describe('health', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('notes what was seen in the tank, has it judged, and lets it be over', async () => {
    const { host, press, store, refresh, until } = await openBench(HealthFace, company());
    pick(host, '.note select', 'white spot');
    await refresh();
    await press('Note it');
    await until('.contact');
    expect(squeeze(host.querySelector('.contact')?.textContent)).toMatch(/^white spot, seen here on /);
    const judged = () => store.current!.room.state.document.marks;
    expect(
      Object.values(judged())
        .filter(({ place }) => place === store.current!.design.state.document.id)
        .map(({ condition, state }) => [condition, state]),
    ).toEqual([['white-spot', 'seen']]);
    await press('It is over: white spot');
    await refresh();
    expect(host.querySelector('.contact')).toBeNull();
  });

  it('gives no dose without the label, and the label’s for the water that is there', async () => {
    const { host, press, design, type, refresh, text } = await openBench(HealthFace, company());
    pick(host, 'tr-add-from select', 'Praziquantel');
    await refresh();
    await press('Add: A treatment');
    expect(text('fieldset')).toContain('No dose without the label.');
    await type('The label says', '5');
    await type('to', '50');
    await refresh();
    const [plan] = Object.values(design().treatments);
    expect(plan!.label).toEqual({ amount: 5, unit: 'mL', perL: 50 });
    expect(text('fieldset')).toMatch(/\d+(\.\d)? mL for the \d+(\.\d)? L that are in the tank/);
    await press('Put 1 step into Care');
    expect(Object.values(design().care.steps)[0]!.code).toBe('treat');
    await press('Leave out Praziquantel');
    expect(design().treatments).toEqual({});
  });

  it('makes it a tank for quarantine', async () => {
    const { press, design } = await openBench(HealthFace, company());
    await press('This is a tank for quarantine: what they want for life is said a step lower, and bare glass is right');
    expect(design().brief.purpose).toBe('quarantine');
  });
});
