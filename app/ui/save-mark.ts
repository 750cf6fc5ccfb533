import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { clock } from './day-text';
import type { SaveState } from '../store/document-store';

/** Whether the work is safe, in words. */
@Component({
  selector: 'tr-save-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span [attr.data-save]="mayWrite() ? save().kind : 'read-only'">
      @if (!mayWrite()) {
        <span class="small">Open in another tab. <button type="button" (click)="takeOver.emit()">Take over</button></span>
      }
      @switch (save().kind) {
        @case ('saved') {
          @if (mayWrite()) {
            <span class="soft small">Saved {{ savedAt() }}</span>
          }
        }
        @case ('saving') {
          <span class="soft small">Saving …</span>
        }
        @case ('changed') {
          <strong class="failed small" role="alert"
            >{{ gone() ? 'Deleted in another tab' : 'Changed in another tab; what was done here since is in this window alone' }}.
            @if (!gone()) {
              <button type="button" (click)="reload.emit()">Reload</button>
            }
            <button type="button" (click)="keepCopy.emit()">Keep a copy</button></strong
          >
        }
        @case ('failed') {
          <strong class="failed small" role="alert"
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
  /** False while another tab holds the document for writing. */
  readonly mayWrite = input(true);
  readonly retry = output<void>();
  readonly takeOver = output<void>();
  readonly exportFile = output<void>();
  readonly reload = output<void>();
  readonly keepCopy = output<void>();

  protected savedAt(): string {
    const save = this.save();
    return save.kind === 'saved' && save.at ? clock(save.at) : '';
  }

  protected gone(): boolean {
    const save = this.save();
    return save.kind === 'changed' && save.gone;
  }

  protected reason(): string {
    const save = this.save();
    return save.kind === 'failed' ? save.reason : '';
  }
}
