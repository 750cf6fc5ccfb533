import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import type { Animal } from '../../core/catalogue/organism';
import type { Fact } from '../../core/quantity/fact';
import { METRIC } from '../../core/quantity/format';
import { catalogue } from '../../core/testing/tanks';
import { PreferencesStore } from '../store/preferences';
import { Conditions } from './conditions';
import { factAt, fieldsOf, SOUGHT } from './fields';
import { OwnFigure } from './own-figure';
import type { Material } from '../../core/catalogue/material';
import { OwnMaterial } from './own-material';
import { PlaceSheet } from './place-sheet';
import type { Condition } from './shelf';

const danio = catalogue.organisms.get('danio-margaritatus') as Animal;
const field = (path: string) => fieldsOf(danio).find((one) => one.path === path)!;

async function show<T>(component: Type<T>, inputs: Record<string, unknown>) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), provideNzNoAnimation()] });
  TestBed.inject(PreferencesStore).units.set(METRIC);
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  const change = async (element: Element | null | undefined, value: string) => {
    if (!element) throw new Error('nothing to change');
    (element as HTMLInputElement).value = value;
    element.dispatchEvent(new Event('input'));
    element.dispatchEvent(new Event('change'));
    await fixture.whenStable();
  };
  return { host, fixture, it: fixture.componentInstance, change };
}

describe('one’s own figure', () => {
  async function figure(path: string) {
    const shown = await show(OwnFigure, { field: field(path), fact: factAt(danio, path) });
    const kept: Fact<unknown>[] = [];
    shown.it.keep.subscribe((fact) => kept.push(fact));
    const keep = async () => {
      shown.host.querySelector('form')!.dispatchEvent(new Event('submit'));
      await shown.fixture.whenStable();
      return kept.at(-1)!;
    };
    return { ...shown, keep };
  }

  it('of a range begins with what is known, edge by edge', async () => {
    const { keep, change, host } = await figure('/ranges/keep/ghDh');
    const [from] = [...host.querySelectorAll('tr-quantity input')];
    await change(from, '5');
    const { value, basis } = await keep();
    const { tolerance, optimum } = danio.ranges.keep!.ghDh!.value!;
    expect([value, basis]).toEqual([{ tolerance, optimum: [5, optimum[1]] }, 'measured']);
  });

  it('carries a note, and none where nothing is noted', async () => {
    const { keep, change, host } = await figure('/sizeMm/length');
    expect((await keep()).note).toBeUndefined();
    await change(host.querySelector('input[name=note]'), '  six of them, 2026 ');
    expect(await keep()).toEqual({ value: 21, basis: 'measured', note: 'six of them, 2026' });
  });

  it('of a choice can be that it is not known', async () => {
    const { keep, change, host } = await figure('/traits/temperament');
    await change(host.querySelector('select'), 'nippy');
    expect((await keep()).value).toBe('nippy');
    await change(host.querySelector('select'), '');
    expect((await keep()).value).toBeNull();
  });

  it('is yes, no, or several of a list', async () => {
    const yes = await figure('/traits/jumps');
    await yes.change(yes.host.querySelector('select'), 'no');
    expect((await yes.keep()).value).toBeFalse();
    const several = await figure('/traits/strata');
    const [bottom] = [...several.host.querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    bottom!.click();
    expect((await several.keep()).value).toEqual(['bottom', 'middle']);
  });

  it('of a span wants both ends', async () => {
    const { keep } = await figure('/traits/breeding/brood');
    expect((await keep()).value).toEqual(danio.traits.breeding.brood.value);
  });
});

describe('conditions', () => {
  async function open(conditions: readonly Condition[] = []) {
    const shown = await show(Conditions, { fields: SOUGHT.animals, conditions });
    const add = async (path: string) => {
      await shown.change(shown.host.querySelector('.add select'), path);
      shown.host.querySelector<HTMLElement>('.add button')!.click();
      await shown.fixture.whenStable();
    };
    return { ...shown, add, all: () => shown.it.conditions() };
  }

  it('are put on field by field, and dropped', async () => {
    const { add, all, host, fixture } = await open();
    await add('/ranges/keep/temperatureC');
    await add('/traits/jumps');
    await add('own');
    expect(all()).toEqual([
      { op: 'comfort', path: '/ranges/keep/temperatureC', value: 22 },
      { op: 'is', path: '/traits/jumps', value: true },
      { op: 'own', path: '' },
    ]);
    host.querySelector<HTMLButtonElement>('.out')!.click();
    await fixture.whenStable();
    expect(all().map(({ op }) => op)).toEqual(['is', 'own']);
  });

  it('are asked in other ways and for other values', async () => {
    const { all, host, change } = await open([{ op: 'most', path: '/sizeMm/length', value: 40 }]);
    await change(host.querySelector('tr-quantity input'), '25');
    expect(all()[0]).toEqual({ op: 'most', path: '/sizeMm/length', value: 25 });
    await change(host.querySelector('.one select'), 'unknown');
    expect(all()[0]).toEqual({ op: 'unknown', path: '/sizeMm/length' });
  });

  it('of yes and no are truth, not words', async () => {
    const { all, host, change } = await open([{ op: 'is', path: '/traits/digs', value: true }]);
    await change([...host.querySelectorAll('.one select')].at(-1), 'no');
    expect(all()[0]).toEqual({ op: 'is', path: '/traits/digs', value: false });
  });
});

describe('the sheet of a place', () => {
  it('says what is known, what is not, and who lives there', async () => {
    const shan = catalogue.biotopes.get('spring-pond-shan')!;
    const { host } = await show(PlaceSheet, {
      place: { ...shan, depthM: { value: null, basis: 'measured' }, otherTaxa: ['Rana invented'] },
      catalogue,
    });
    expect(host.textContent).toContain('○ not known');
    expect([...host.querySelectorAll('li em')].map((name) => name.textContent?.trim())).toEqual([
      ...shan.organismIds.map((id) => catalogue.organisms.get(id)!.latin),
      'Rana invented',
    ]);
    expect(host.querySelectorAll('li button').length).toBe(shan.organismIds.length);
  });
});

describe('a material of one’s own', () => {
  async function form() {
    const shown = await show(OwnMaterial, { catalogue });
    const made: Material[] = [];
    shown.it.made.subscribe((material) => made.push(material));
    const field = (label: string) =>
      [...shown.host.querySelectorAll('tr-quantity')]
        .find((one) => one.querySelector('label')?.textContent === label)
        ?.querySelector('input');
    const press = async () => {
      shown.host.querySelector<HTMLButtonElement>('.btn.primary')!.click();
      await shown.fixture.whenStable();
    };
    return { ...shown, made, field, press, said: () => shown.host.querySelector('[role=alert]')?.textContent?.trim() };
  }

  it('is made of what it is most like and what was told of it', async () => {
    const { change, host, field, press, made } = await form();
    await change(host.querySelector('input[name=name]'), 'Clay balls');
    await change(host.querySelector('select'), 'mild-soil');
    await change(field('Grains from, mm'), '3');
    await change(field('to, mm'), '6');
    await press();
    expect(made.length).toBe(1);
    expect([made[0]!.id, made[0]!.grainMm.value, made[0]!.action.kind]).toEqual(['own-clay-balls', [3, 6], 'exchanges']);
    expect(made[0]!.densityKgPerM3.basis).toBe('recalled');
  });

  it('is refused without a name, upside down, or under a name there is, and says why', async () => {
    const { change, host, field, press, made, said } = await form();
    await change(host.querySelector('select'), 'quartz-gravel');
    await press();
    expect(said()).toBe('A name is wanted.');
    await change(host.querySelector('input[name=name]'), 'Odd gravel');
    await change(field('Grains from, mm'), '9');
    await press();
    expect(said()).toContain('is larger than the largest');
    expect(made).toEqual([]);
  });
});
