import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { SaveState } from '../store/document-store';

/** Whether the work is safe, in words. */
@Component({
  selector: 'tr-save-mark',
  imports: [DatePipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span role="status" [attr.data-save]="save().kind">
      @switch (save().kind) {
        @case ('saved') {
          <span class="soft small">Saved {{ savedAt() | date: 'HH:mm' }}</span>
        }
        @case ('saving') {
          <span class="soft small">Saving …</span>
        }
        @case ('read-only') {
          <span class="small">Open in another tab. <button type="button" (click)="takeOver.emit()">Take over</button></span>
        }
        @case ('failed') {
          <strong class="failed small"
            >Not saved: {{ reason() }}.
            <button type="button" (click)="retry.emit()">Try again</button>
            <button type="button" (click)="exportFile.emit()">Export</button></strong
          >
        }
      }
    </span>
  `,
  styles: `
    .failed {
      color: var(--oxide);
    }
    button {
      border: 1px solid currentcolor;
      border-radius: 4px;
      background: none;
      color: inherit;
      font: inherit;
      cursor: pointer;
    }
  `,
})
export class SaveMark {
  readonly save = input.required<SaveState>();
  readonly retry = output<void>();
  readonly takeOver = output<void>();
  readonly exportFile = output<void>();

  protected savedAt(): Date | null {
    const save = this.save();
    return save.kind === 'saved' ? save.at : null;
  }

  protected reason(): string {
    const save = this.save();
    return save.kind === 'failed' ? save.reason : '';
  }
}
