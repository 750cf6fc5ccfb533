import { Component, provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { previewGesture } from './preview-gesture';
import { TankSession, type Preview } from './tank-session';

const frame = () => new Promise(requestAnimationFrame);

describe('a preview', () => {
  const shown: (Preview | null)[] = [];
  let cancelled = 0;
  const patch: Preview = { design: [{ op: 'replace', path: '/name', value: 'x' }] };

  @Component({ selector: 'tr-test-drag', template: '' })
  class Drag {
    readonly gesture = previewGesture(() => (cancelled += 1));
  }

  function drag() {
    shown.length = 0;
    cancelled = 0;
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: TankSession, useValue: { preview: (one: Preview | null) => shown.push(one), close: () => Promise.resolve() } },
      ],
    });
    return TestBed.createComponent(Drag);
  }

  it('is shown once a frame, of the last place', async () => {
    const { gesture } = drag().componentInstance;
    for (const path of ['/a', '/b', '/c']) gesture.show(() => ({ design: [{ op: 'remove', path }] }));
    await frame();
    expect(shown).toEqual([{ design: [{ op: 'remove', path: '/c' }] }]);
    gesture.end();
    expect(shown.at(-1)).toBeNull();
  });

  it('ends with the view it was made for', async () => {
    const fixture = drag();
    fixture.componentInstance.gesture.show(() => patch);
    await frame();
    fixture.destroy();
    expect(shown).toEqual([patch, null]);
    await frame();
    expect(shown.length).toBe(2);
  });

  it('ends with Escape, which the component is told', async () => {
    const { gesture } = drag().componentInstance;
    gesture.show(() => patch);
    await frame();
    dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect([shown.at(-1), cancelled]).toEqual([null, 1]);
    dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    expect(cancelled).toBe(1);
  });

  it('that never came on the screen is not taken off it', () => {
    drag().componentInstance.gesture.end();
    expect(shown).toEqual([]);
  });
});
