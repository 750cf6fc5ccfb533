import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Choice } from './choice';
import { SelectField } from './select';

/** Puts one of a list in: chosen first, added at a press, so that going through the list by keys adds nothing. */
@Component({
  selector: 'tr-add-from',
  imports: [SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tr-select
      [label]="label()"
      [options]="options()"
      [none]="none()"
      [disabled]="disabled()"
      [value]="picked()"
      (chosen)="picked.set($event)"
      (keydown.enter)="add()"
    />
    <button class="btn" type="button" [disabled]="disabled() || picked() === null" [attr.aria-label]="'Add: ' + label()" (click)="add()">
      Add
    </button>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: end;
      gap: 6px;
      min-width: 0;
    }
  `,
})
export class AddFrom<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Choice<T>[]>();
  readonly none = input.required<string>();
  readonly disabled = input(false);
  readonly added = output<T>();
  protected readonly picked = signal<T | null>(null);

  protected add(): void {
    const picked = this.picked();
    if (picked === null || this.disabled()) return;
    this.picked.set(null);
    this.added.emit(picked);
  }
}
