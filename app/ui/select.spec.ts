import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { AddFrom } from './add-from';
import type { Choice } from './choice';
import { SelectField } from './select';

const OPTIONS: readonly Choice<number>[] = [
  { value: 1, text: 'sand', group: 'Beds' },
  { value: 2, text: 'slate', group: 'Stone' },
  { value: 3, text: 'gravel', group: 'Beds' },
];

function make<T extends AddFrom<number> | SelectField<number>>(type: new () => T, inputs: Record<string, unknown>) {
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const fixture = TestBed.createComponent(type);
  for (const [name, value] of Object.entries({ label: 'Lay on top', options: OPTIONS, ...inputs }))
    fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  const host = fixture.nativeElement as HTMLElement;
  const select = host.querySelector('select')!;
  const pick = (text: string) => {
    select.value = [...select.options].find((option) => option.text === text)!.value;
    select.dispatchEvent(new Event('change'));
    fixture.detectChanges();
  };
  return { fixture, host, select, pick };
}

describe('a list to choose from', () => {
  it('stands under its headings, is named, and hands out the value itself', () => {
    const { fixture, host, select, pick } = make(SelectField<number>, { value: 2 });
    const chosen: (number | null)[] = [];
    (fixture.componentInstance as SelectField<number>).chosen.subscribe((value) => chosen.push(value));
    expect(select.labels?.[0]?.textContent).toBe('Lay on top');
    expect([...host.querySelectorAll('optgroup')].map(({ label, children }) => [label, children.length])).toEqual([
      ['Beds', 2],
      ['Stone', 1],
    ]);
    expect(select.selectedOptions[0]?.text).toBe('slate');
    pick('gravel');
    expect(chosen).toEqual([3]);
  });

  it('can have nothing chosen, where that is a choice', () => {
    const { fixture, select, pick } = make(SelectField<number>, { value: 1, none: 'not stated' });
    const chosen: (number | null)[] = [];
    (fixture.componentInstance as SelectField<number>).chosen.subscribe((value) => chosen.push(value));
    pick('not stated');
    expect(chosen).toEqual([null]);
    fixture.componentRef.setInput('value', null);
    fixture.detectChanges();
    expect(select.selectedOptions[0]?.text).toBe('not stated');
  });
});

describe('putting in from a list', () => {
  it('adds at the press alone, not at each step through the list, and then begins anew', () => {
    const { fixture, host, select, pick } = make(AddFrom<number>, { none: 'a material …' });
    const added: number[] = [];
    (fixture.componentInstance as AddFrom<number>).added.subscribe((value) => added.push(value));
    const button = host.querySelector('button')!;
    expect(button.disabled).toBeTrue();
    pick('sand');
    pick('gravel');
    expect(added).toEqual([]);
    button.click();
    fixture.detectChanges();
    expect(added).toEqual([3]);
    expect(select.selectedOptions[0]?.text).toBe('a material …');
    expect(button.disabled).toBeTrue();
  });

  it('adds nothing to what must not be written', () => {
    const { fixture, select, host } = make(AddFrom<number>, { none: 'a material …', disabled: true });
    const added: number[] = [];
    (fixture.componentInstance as AddFrom<number>).added.subscribe((value) => added.push(value));
    host.querySelector('tr-select')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect([select.disabled, added]).toEqual([true, []]);
  });
});
