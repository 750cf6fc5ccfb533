import { TestBed } from '@angular/core/testing';
import type { Design } from '../../core/design/design';
import { shellBed } from '../../core/testing/tanks';
import { TankSession } from '../store/tank-session';
import { openBench } from '../testing/open-bench';
import { BroodsFace } from './broods-face';
import { ColonyFace } from './colony-face';
import { CountFace } from './count-face';
import { CrossFace } from './cross-face';
import { LinesFace } from './lines-face';
import { ReadyFace } from './ready-face';

const multi = { order: 1, organismId: 'neolamprologus-multifasciatus', phase: 'keep' } as const;
const bed = (id: string, stock: Design['stock']): Design => ({ ...shellBed, id, stock, brief: { ...shellBed.brief, targetStockIds: [] } });

const squeezed = (host: HTMLElement): string => (host.textContent ?? '').replace(/\s+/g, ' ');

/** Each row of a table as its cells say it. */
const cellsOf = (host: HTMLElement, selector: string): string[] =>
  [...host.querySelectorAll(selector)].map((row) =>
    [...row.children].map((cell) => cell.textContent!.replace(/\s+/g, ' ').trim()).join(' '),
  );

describe('the Breeding bench', () => {
  afterEach(async () => TestBed.inject(TankSession).close());

  it('tells ten needs of a kind, with where each is mended', async () => {
    const open = await openBench(ReadyFace, bed('breeding-ready', { one: { ...multi, count: 1 } }));
    await open.until('[data-control=ready]');
    const needs = [...open.host.querySelectorAll<HTMLElement>('[data-need]')];
    expect(needs.length).toBe(10);
    const pair = needs[0]!;
    expect(pair.dataset['state']).toBe('missing');
    expect(pair.textContent).toContain('One alone does not breed.');
    expect(pair.querySelector('a')!.getAttribute('href')).toContain('/breeding-ready/livestock');
    expect(open.text('[data-need=site]')).toContain('empty snail shells');
    expect(open.text('.trigger')).toContain('a settled colony');
  });

  it('says so when nobody lives there', async () => {
    const open = await openBench(ReadyFace, bed('breeding-empty', {}));
    expect(squeezed(open.host)).toContain('name the animal on the Livestock bench');
  });

  it('draws a colony from the figures of its kind, and follows what is stated', async () => {
    const open = await openBench(ColonyFace, bed('breeding-colony', { one: { ...multi, count: 9, female: 6 } }));
    await open.until('[data-control=colony] svg path');
    expect(open.text('h2')).toMatch(/doubles in about \d+ weeks|does not hold itself/);
    await open.type('Of the young live through a week', '20');
    expect(open.text('h2')).toContain('does not hold itself');
    await open.type('Of the young live through a week', '95');
    expect(open.text('h2')).toMatch(/doubles in about \d+ weeks/);
  });

  it('tells the days of a brood from the day that is stated, over the turn of a year', async () => {
    const open = await openBench(BroodsFace, bed('breeding-days', { one: { ...multi, count: 9 } }));
    const day = open.host.querySelector<HTMLInputElement>('input[type=date]')!;
    const set = async (value: string) => {
      day.value = value;
      day.dispatchEvent(new Event('change'));
      await open.refresh();
    };
    await set('2026-12-30');
    expect(open.text('[data-stage=laid]')).toContain('Leave them with the group');
    expect(open.text('[data-stage=hatched] .when')).toMatch(/2027/);
    await set('');
    expect(open.text('[data-stage=hatched] .when')).toMatch(/2027/);
    expect(open.host.querySelectorAll('tbody tr').length).toBe(8);
    expect(open.text('.small.soft')).toContain('Nothing of it is kept');
  });

  it('writes a brood down, with days seen and counts, and refuses what cannot be', async () => {
    const open = await openBench(BroodsFace, bed('breeding-broods', { one: { ...multi, count: 9 } }));
    const broods = () => Object.values(open.store.current!.room.state.document.broods).filter(({ tankId }) => tankId === 'breeding-broods');
    const day = async (selector: string, value: string) => {
      const field = open.host.querySelector<HTMLInputElement>(selector)!;
      field.value = value;
      field.dispatchEvent(new Event('change'));
      await open.refresh();
    };
    await day('.ask input[type=date]', '2026-03-01');
    await open.press('Write this brood down');
    await open.refresh();
    expect(broods().map(({ seen }) => seen)).toEqual([{ laid: '2026-03-01' }]);
    expect(open.host.querySelectorAll('.lane').length).toBe(1);
    await open.type('Eggs', '20');
    await day('[data-stage=hatched] input', '2026-03-06');
    expect(open.text('[data-stage=swimming] .when')).toMatch(/Mar/);
    await open.type('Hatched or born', '21');
    expect(open.text('[role=alert]')).toContain('21 cannot hatch of 20 eggs');
    await open.type('Hatched or born', '18');
    expect(broods()[0]).toEqual(jasmine.objectContaining({ eggs: 20, hatched: 18, seen: { laid: '2026-03-01', hatched: '2026-03-06' } }));
    await open.press('Put 18 among the living stock');
    await open.refresh();
    const { lots, moves } = open.store.current!.room.state.document;
    const lot = broods()[0]!.lotId!;
    expect(lots[lot]!.name).toMatch(/^Brood of/);
    expect(Object.values(moves).find(({ lotId }) => lotId === lot)).toEqual(
      jasmine.objectContaining({ amount: 18, to: 'breeding-broods', day: '2026-03-06' }),
    );
    await open.press('Nothing more comes of it');
    await open.refresh();
    expect(open.host.querySelectorAll('.lane').length).toBe(0);
    expect(open.text('.earlier')).toContain('20 eggs, 18 hatched');
  });

  it('counts cultures back from the first food, and puts them on the plan of Care', async () => {
    const open = await openBench(BroodsFace, bed('breeding-food', { one: { ...multi, count: 9 } }));
    await open.press('Write this brood down');
    await open.refresh();
    expect(open.text('[data-control=first-food]')).toContain('brine shrimp larvae (0.35 to 0.5 mm), wanted from');
    await open.press('Put them on the plan of Care');
    await open.refresh();
    expect(Object.values(open.design().care.steps).map(({ code, subjects }) => [code, ...subjects])).toEqual([
      ['culture', 'artemia-nauplii'],
    ]);
  });

  it('draws a line, and says what each pairing costs', async () => {
    const danio = { order: 1, organismId: 'danio-margaritatus', count: 12, phase: 'keep' } as const;
    const open = await openBench(LinesFace, bed('breeding-lines', { one: danio }));
    expect(open.host.querySelectorAll('tr-pedigree .card').length).toBe(10);
    expect(open.text('[data-animal=g-f5h] .sub')).toBe('female · F5 · F 37.5 %');
    const rows = cellsOf(open.host, '.pairs tbody tr');
    expect(rows[0]).toMatch(/Valley cock 0 % not kin/);
    // young of a brother and sister that are themselves of one: Wright's 0.5
    expect(rows.find((row) => row.startsWith('August hen August cock'))).toMatch(/50 % heavy/);
    open.host.querySelector('[data-animal=g-f5h]')!.dispatchEvent(new MouseEvent('click'));
    await open.refresh();
    expect(open.text('.open')).toContain('50 % of First hen, 50 % of First cock');
    await open.press('Take it out of the pedigree');
    await open.refresh();
    expect(open.host.querySelectorAll('tr-pedigree .card').length).toBe(9);
    open.store.undo();
    await open.refresh();
    expect(open.host.querySelectorAll('tr-pedigree .card').length).toBe(10);
  });

  it('crosses two carriers: three to one, eleven to raise for one, and says whether what came fits', async () => {
    const open = await openBench(CrossFace, bed('breeding-cross', {}));
    const rows = () => cellsOf(open.host, 'tbody tr');
    expect(rows()[0]).toMatch(/^wild 75 % 3/);
    // ln 0.05 / ln 0.75 = 10.4
    expect(rows()[1]).toMatch(/^gold 25 % 11/);
    await open.type('Came: wild', '75');
    await open.type('Came: gold', '25');
    expect(open.text('[role=status]')).toContain('What came fits. Chi-square 0');
    await open.type('Came: gold', '75');
    expect(open.text('[role=status]')).toContain('does not fit');
    await open.press('Another trait');
    await open.refresh();
    expect(rows().length).toBe(4);
    expect(rows()[0]).toMatch(/56\.3 %/);
  });

  it('counts by two nettings, by squares and by sex, and refuses what cannot be', async () => {
    const open = await openBench(CountFace, bed('breeding-count', {}));
    await open.type('First', '100');
    await open.type('Then', '20');
    expect(squeezed(open.host)).toContain('About 125, from 120 to 132.');
    await open.type('Then', '100');
    expect(squeezed(open.host)).toContain('nothing can be told');
    const squares = open.host.querySelector<HTMLInputElement>('.written input')!;
    const write = async (text: string) => {
      squares.value = text;
      squares.dispatchEvent(new Event('change'));
      await open.refresh();
    };
    await open.type('Squares that the floor has', '30');
    await write('2, 4, 6');
    expect(squeezed(open.host)).toContain('About 120, from');
    await write('2, a few');
    expect(squeezed(open.host)).toContain('“a” is no number of heads.');
    await open.type('Sexed', '10');
    await open.type('Females among them', '12');
    expect(squeezed(open.host)).toContain('More females than were sexed.');
    expect(squeezed(open.host)).toContain('with a chance of 96.9 %');
  });
});
