import { ChangeDetectionStrategy, Component, inject, model } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { BENCH_LIST } from './benches';

/** What each key does. */
@Component({
  selector: 'tr-keys-help',
  imports: [NzModalModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-modal [nzVisible]="visible()" nzTitle="Keys" [nzFooter]="null" [nzWidth]="440" (nzOnCancel)="visible.set(false)">
      <ng-container *nzModalContent>
        <dl>
          @for (bench of benches; track bench.id) {
            <dt>
              <kbd>{{ bench.key }}</kbd>
            </dt>
            <dd>{{ bench.name }}</dd>
          }
          <dt><kbd>Ctrl</kbd> <kbd>Z</kbd></dt>
          <dd>Undo</dd>
          <dt><kbd>Shift</kbd> <kbd>Ctrl</kbd> <kbd>Z</kbd></dt>
          <dd>Redo</dd>
          <dt><kbd>Ctrl</kbd> <kbd>K</kbd></dt>
          <dd>Find and do</dd>
          <dt><kbd>?</kbd></dt>
          <dd>This list</dd>
          <dt><kbd>Esc</kbd></dt>
          <dd>Close, or put a field back</dd>
        </dl>
      </ng-container>
    </nz-modal>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 5px 16px;
      margin: 0;
    }
    dd {
      margin: 0;
    }
    kbd {
      padding: 1px 6px;
      border: 1px solid var(--edge);
      border-radius: 3px;
      background: var(--paper);
      font: inherit;
    }
  `,
})
export class KeysHelp {
  protected readonly benches = inject(BENCH_LIST);
  readonly visible = model(false);
}
