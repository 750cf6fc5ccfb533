import { provideZonelessChangeDetection, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { filter, firstValueFrom } from 'rxjs';
import type { Design } from '../../core/design/design';
import { METRIC } from '../../core/quantity/format';
import { lowBarn } from '../../core/testing/tanks';
import { database, ofTank } from '../store/database';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankSession } from '../store/tank-session';

/** A bench on an open tank, and hands to work it with. */
export async function openBench<T>(component: Type<T>, design: Design, providers: Provider[] = []) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [provideZonelessChangeDetection(), provideRouter([]), provideNzNoAnimation(), ...providers],
  });
  const library = TestBed.inject(Library);
  await library.saveRoom(lowBarn);
  await library.saveDesign(design);
  // what an earlier spec wrote down of a tank of this name
  await (await database()).delete('log', ofTank(design.id));
  TestBed.inject(PreferencesStore).units.set(METRIC);
  const store = TestBed.inject(TankSession);
  await store.open(design.id);
  const logs = TestBed.inject(TankLogs);
  await firstValueFrom(logs.open$.pipe(filter((log) => log !== null)));
  await store.wantWhole();
  await firstValueFrom(store.helps$);
  const fixture: ComponentFixture<T> = TestBed.createComponent(component);
  await fixture.whenStable();
  fixture.detectChanges();
  const host = fixture.nativeElement as HTMLElement;
  const refresh = async () => {
    await fixture.whenStable();
    fixture.detectChanges();
  };
  return {
    store,
    host,
    refresh,
    design: () => store.recorded(store.current!.design.state.document),
    /** What stands in its log. */
    lines: () => logs.open$.value?.lines ?? [],
    /** Waits until so many lines stand in its log. */
    untilLines: async (count: number) => {
      for (let i = 0; i < 400 && (logs.open$.value?.lines.length ?? 0) < count; i++)
        await new Promise((resolve) => setTimeout(resolve, 10));
      await refresh();
    },
    text: (selector: string) => (host.querySelector(selector)?.textContent ?? '').replace(/\s+/g, ' ').trim(),
    /** Waits for what a worker has still to find. */
    until: async (selector: string) => {
      for (let i = 0; i < 1200 && !host.querySelector(selector); i++) {
        await new Promise((resolve) => setTimeout(resolve, 25));
        await refresh();
      }
    },
    press: async (name: string) => {
      const button = [...host.querySelectorAll<HTMLElement>('button, label')].find(
        (element) =>
          (element.textContent ?? '').replace(/\s+/g, '') === name.replace(/\s+/g, '') || element.getAttribute('aria-label') === name,
      );
      if (!button) throw new Error(`nothing is called ${name}`);
      button.click();
      await refresh();
    },
    type: async (label: string, value: string) => {
      const field = [...host.querySelectorAll('tr-quantity')].find((element) => element.querySelector('label')?.textContent === label);
      const box = field?.querySelector('input');
      if (!box) throw new Error(`no field ${label}`);
      box.value = value;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new Event('change'));
      await refresh();
    },
  };
}
