import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterOutlet } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { filter, map, merge } from 'rxjs';

@Component({
  selector: 'tr-root',
  imports: [RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (renewed()) {
      <p role="status">
        A newer Terroir is here. <button type="button" (click)="reload()">Reload</button> when it suits; your work is saved.
      </p>
    }
    <router-outlet />
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
    }
    p {
      flex: none;
      padding: 6px 16px;
      border-bottom: 1px solid var(--rule);
      background: var(--band);
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
export class App {
  private readonly updates = inject(SwUpdate);
  /** A newer version was fetched behind this one, or this one can no longer be put together. */
  protected readonly renewed = toSignal(
    merge(this.updates.versionUpdates.pipe(filter(({ type }) => type === 'VERSION_READY')), this.updates.unrecoverable).pipe(
      map(() => true),
    ),
    { initialValue: false },
  );

  protected reload(): void {
    location.reload();
  }
}
