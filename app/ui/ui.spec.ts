import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { METRIC, US } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { splitLatin } from './latin-text';
import { QuantityField } from './quantity-field';
import { SeverityGlyph } from './severity-glyph';

describe('Latin names', () => {
  it('are set apart, and HTML stays text', () => {
    expect(splitLatin('too warm for *Danio margaritatus*')).toEqual([
      { text: 'too warm for ', latin: false },
      { text: 'Danio margaritatus', latin: true },
    ]);
    expect(splitLatin('<b>x</b>')).toEqual([{ text: '<b>x</b>', latin: false }]);
  });
});

describe('a quantity field', () => {
  function field(value: number | null) {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    TestBed.inject(PreferencesStore).units.set(METRIC);
    const fixture = TestBed.createComponent(QuantityField);
    fixture.componentRef.setInput('label', 'Length');
    fixture.componentRef.setInput('kind', 'length');
    fixture.componentRef.setInput('value', value);
    const emitted: number[] = [];
    fixture.componentInstance.quantity.subscribe((mm) => emitted.push(mm));
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const box = host.querySelector('input')!;
    const type = (text: string) => {
      box.value = text;
      box.dispatchEvent(new Event('input'));
      box.dispatchEvent(new Event('change'));
      fixture.detectChanges();
    };
    return { fixture, host, box, type, emitted };
  }

  it('takes any unit of its kind', () => {
    const { type, emitted } = field(600);
    type('24 in');
    expect(emitted.length).toBe(1);
    expect(emitted[0]).toBeCloseTo(609.6, 9);
  });

  for (const bad of ['0', 'abc', '1e9 cm', '-4', '20 gal', '<img src=x onerror=alert(1)>']) {
    it(`refuses “${bad}” beside the field, and says the old value is kept`, () => {
      const { type, emitted, host, box } = field(600);
      type(bad);
      expect(emitted).toEqual([]);
      expect(host.querySelector('[role=alert]')?.textContent).toContain('The old value is kept');
      expect(box.getAttribute('aria-invalid')).toBe('true');
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    });
  }

  it('takes Enter and leaving the field as one edit', () => {
    const { box, fixture, emitted } = field(600);
    box.value = '62';
    box.dispatchEvent(new Event('input'));
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    box.dispatchEvent(new Event('change'));
    box.dispatchEvent(new Event('blur'));
    fixture.detectChanges();
    expect(emitted).toEqual([620]);
  });

  it('can be left unstated where that is allowed, and only there', () => {
    const { type, emitted, host, fixture } = field(600);
    let cleared = 0;
    fixture.componentInstance.cleared.subscribe(() => (cleared += 1));
    type('');
    expect(host.querySelector('[role=alert]')?.textContent).toContain('The old value is kept');
    fixture.componentRef.setInput('optional', true);
    type('');
    expect([cleared, emitted.length]).toEqual([1, 0]);
    expect(host.querySelector('[role=alert]')).toBeNull();
  });

  it('asks where a comma may be a decimal or a thousand', () => {
    const { type, emitted, host } = field(600);
    type('1,200 mm');
    expect(emitted).toEqual([]);
    expect(host.querySelector('[role=alert]')?.textContent).toContain('may be 1.200 or 1200');
  });

  it('shows the chosen unit and an unknown as empty', () => {
    const { fixture, box } = field(600);
    expect(box.value).toBe('60');
    TestBed.inject(PreferencesStore).units.set(US);
    fixture.detectChanges();
    expect(box.value).toBe('23.6');
    fixture.componentRef.setInput('value', null);
    fixture.detectChanges();
    expect(box.value).toBe('');
    TestBed.inject(PreferencesStore).units.set(METRIC);
  });
});

describe('a severity', () => {
  for (const [severity, shape, word] of [
    ['conflict', 'path.conflict', 'Conflict'],
    ['watch', 'path.watch', 'Watch'],
    ['fits', 'circle.fits', 'Fits'],
    ['unknown', 'circle.unknown', 'Unknown'],
  ] as const) {
    it(`of ${severity} is a shape and a word`, () => {
      TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
      const fixture = TestBed.createComponent(SeverityGlyph);
      fixture.componentRef.setInput('severity', severity);
      fixture.detectChanges();
      const host = fixture.nativeElement as HTMLElement;
      expect(host.querySelector(shape)).not.toBeNull();
      expect(host.textContent).toContain(word);
    });
  }
});
