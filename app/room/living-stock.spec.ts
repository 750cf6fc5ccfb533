import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { applyEdit } from '../../core/design/edit';
import { emptyRoom, Room } from '../../core/design/room';
import { METRIC } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import type { TankSummary } from '../store/summary';
import { LivingStock } from './living-stock';

const TANKS = [
  { id: 'a', name: 'Thicket' },
  { id: 'b', name: 'Nursery' },
] as unknown as TankSummary[];

@Component({
  imports: [LivingStock],
  template: `<tr-living-stock [room]="room()" [tanks]="tanks" (patch)="edit($event.patch)" />`,
})
class Host {
  readonly room = signal<Room>(emptyRoom('r', 'Room'));
  readonly tanks = TANKS;
  edit(patch: Parameters<typeof applyEdit>[1]): void {
    const done = applyEdit(this.room(), patch, Room);
    if (!done.ok) throw new Error(JSON.stringify(done.refusals));
    this.room.set(done.document);
  }
}

describe('the living stock on the room’s page', () => {
  async function opened() {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    TestBed.inject(PreferencesStore).units.set(METRIC);
    const fixture = TestBed.createComponent(Host);
    const host = fixture.nativeElement as HTMLElement;
    const refresh = async () => {
      await fixture.whenStable();
      fixture.detectChanges();
    };
    await refresh();
    const labelled = <T extends HTMLElement>(label: string, within = host): T =>
      [...within.querySelectorAll('label')]
        .find((one) => (one.textContent ?? '').replace(/\s+/g, ' ').trim().startsWith(label))!
        .parentElement!.querySelector<T>('input, select')!;
    const put = async (control: HTMLInputElement | HTMLSelectElement, value: string) => {
      control.value = value;
      control.dispatchEvent(new Event('input'));
      control.dispatchEvent(new Event('change'));
      await refresh();
    };
    const choose = async (select: HTMLSelectElement, text: string) =>
      put(select, [...select.options].find((option) => option.text === text)!.value);
    const press = async (text: string) => {
      [...host.querySelectorAll('button')]
        .find((one) => one.textContent?.trim() === text || one.getAttribute('aria-label') === text)!
        .click();
      await refresh();
    };
    return { fixture, host, refresh, labelled, put, choose, press, room: () => fixture.componentInstance.room() };
  }
  type Opened = Awaited<ReturnType<typeof opened>>;
  async function came({ host, put, choose, press, labelled }: Opened, name: string, count: string, place: string): Promise<void> {
    const fresh = host.querySelector<HTMLElement>('.new')!;
    await put(fresh.querySelector<HTMLInputElement>('input[list]')!, name);
    await put(fresh.querySelector<HTMLInputElement>('tr-quantity input')!, count);
    await choose(labelled<HTMLSelectElement>('into', fresh), place);
    await press('It came');
  }

  it('takes in what comes, by its name in the catalogue, and says where it is', async () => {
    const page = await opened();
    expect(page.host.textContent).toContain('Nothing noted');
    await came(page, 'Danio margaritatus (celestial pearl danio)', '12', 'Thicket');
    const [lot] = Object.values(page.room().lots);
    expect(lot!.organismId).toBe('danio-margaritatus');
    expect(page.host.querySelector('tbody')?.textContent).toContain('12 in Thicket');
  });

  it('moves no more than there are, says why not, and loses nothing', async () => {
    const page = await opened();
    await came(page, 'Danio margaritatus', '12', 'Thicket');
    const card = () => page.host.querySelector<HTMLElement>('.card')!;
    await page.put(card().querySelector<HTMLInputElement>('tr-quantity input')!, '13');
    await page.choose(page.labelled<HTMLSelectElement>('to', card()), 'Nursery');
    await page.press('Write it down');
    expect(page.host.querySelector('[role=alert]')?.textContent).toMatch(/13 of “Danio margaritatus”.*where 12 are: count them first/);
    expect(Object.keys(page.room().moves).length).toBe(1);
    await page.put(card().querySelector<HTMLInputElement>('tr-quantity input')!, '5');
    await page.press('Write it down');
    expect(page.host.querySelector('tbody')?.textContent).toMatch(/7 in Thicket.*5 in Nursery/s);
  });

  it('says what would come along before it is moved', async () => {
    const page = await opened();
    await came(page, 'Danio margaritatus', '12', 'Thicket');
    await page.choose(page.labelled<HTMLSelectElement>('Seen on them today', page.host.querySelector<HTMLElement>('.card')!), 'velvet');
    expect(Object.values(page.room().marks).map(({ condition }) => condition)).toEqual(['velvet']);
    await page.put(page.host.querySelector<HTMLInputElement>('.card tr-quantity input')!, '5');
    await page.choose(page.labelled<HTMLSelectElement>('to', page.host.querySelector<HTMLElement>('.card')!), 'Nursery');
    expect(page.host.querySelector('.along')?.textContent).toContain('Velvet may come along into Nursery');
  });

  it('takes nothing back from under what follows it, and refuses what has not happened yet', async () => {
    const page = await opened();
    await came(page, 'Danio margaritatus', '12', 'Thicket');
    await page.put(page.host.querySelector<HTMLInputElement>('.card tr-quantity input')!, '12');
    await page.choose(page.labelled<HTMLSelectElement>('to', page.host.querySelector<HTMLElement>('.card')!), 'Nursery');
    await page.press('Write it down');
    const lines = [...page.host.querySelectorAll<HTMLElement>('.card .past button')];
    lines.at(-1)!.click();
    await page.refresh();
    expect(page.host.querySelector('[role=alert]')?.textContent).toContain('what follows would not add up');
    expect(Object.keys(page.room().moves).length).toBe(2);
    await page.put(page.host.querySelector<HTMLInputElement>('.new input[type=date]')!, '2999-01-01');
    await came(page, 'Moss', '2', 'Thicket');
    expect(page.host.textContent).toContain('That day has not come yet');
    expect(Object.keys(page.room().lots).length).toBe(1);
  });

  it('looks for kinds that are wanted', async () => {
    const page = await opened();
    const row = page.host.querySelector<HTMLElement>('.sought')!;
    await page.put(row.querySelector<HTMLInputElement>('input[list]')!, 'nothing of that name');
    await page.put(row.querySelector<HTMLInputElement>('tr-quantity input')!, '4');
    await page.press('Look for it');
    expect(page.host.textContent).toContain('No such kind in the catalogue');
    await page.put(row.querySelector<HTMLInputElement>('input[list]')!, 'Pterapogon kauderni');
    await page.press('Look for it');
    expect(Object.values(page.room().wanted).map(({ organismId, count }) => [organismId, count])).toEqual([['pterapogon-kauderni', 4]]);
  });
});
