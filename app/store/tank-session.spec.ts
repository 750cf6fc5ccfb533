import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { assess } from '../../core/assessment/assess';
import { lowBarn, peatPocket, weedyThicket } from '../../core/testing/tanks';
import { Library } from './library';
import { JUDGE, TankSession } from './tank-session';

const locksHeld = async (): Promise<string[]> =>
  ((await navigator.locks.query()).held ?? []).flatMap(({ name }) => (name?.startsWith('terroir:design:') ? [name] : []));

async function stored(judge: typeof assess = assess) {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), { provide: JUDGE, useValue: judge }] });
  const library = TestBed.inject(Library);
  await library.saveRoom(lowBarn);
  await library.saveDesign(weedyThicket);
  await library.saveDesign(peatPocket);
  return { library, store: TestBed.inject(TankSession) };
}

afterEach(async () => TestBed.inject(TankSession).close());

describe('opening a tank', () => {
  it('that is left while it opens holds nothing afterwards', async () => {
    const { store } = await stored();
    const opening = store.open('weedy-thicket');
    await store.close();
    expect(await opening).toBeNull();
    expect(store.current).toBeNull();
    expect(await locksHeld()).toEqual([]);
  });

  it('that is overtaken by another leaves that one, and its lock alone', async () => {
    const { store } = await stored();
    const [first, second] = [store.open('weedy-thicket'), store.open('peat-pocket')];
    expect([await first, await second]).toEqual([null, true]);
    expect(store.current?.design.state.document.id).toBe('peat-pocket');
    expect(await locksHeld()).toEqual(['terroir:design:peat-pocket']);
  });

  it('lets go of the lock when it is closed', async () => {
    const { store } = await stored();
    expect(await store.open('weedy-thicket')).toBeTrue();
    expect(await locksHeld()).toEqual(['terroir:design:weedy-thicket']);
    await store.close();
    expect(await locksHeld()).toEqual([]);
    expect(await store.open('never-was')).toBeFalse();
  });
});

describe('a state that no rule can judge', () => {
  it('is kept and can be undone; the last judgement stands, and it is said why', async () => {
    const { store, library } = await stored((world, cache) => {
      if (world.design.name === 'Broken') throw new Error('a rule fails');
      return assess(world, cache);
    });
    await store.open('weedy-thicket');
    await firstValueFrom(store.helps$);
    const names: string[] = [];
    const watching = store.assessment$.subscribe(({ world }) => names.push(world.design.name));
    store.edit('Rename', [{ op: 'replace', path: '/name', value: 'Broken' }]);
    expect(store.unjudged$.value).toBe('a rule fails');
    expect(names).toEqual(['Weedy thicket']);
    await store.current!.design.settled();
    expect((await library.design('weedy-thicket'))?.document.name).toBe('Broken');
    store.undo();
    expect(store.unjudged$.value).toBeNull();
    expect(names).toEqual(['Weedy thicket', 'Weedy thicket']);
    watching.unsubscribe();
  });
});
