import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink, RouterOutlet } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { filter, map, merge } from 'rxjs';
import { tinykeys } from 'tinykeys';
import { Commands } from './palette/commands';
import { Palette } from './palette/palette';
import { focusMain } from './ui/focus-main';
import { DripTimer } from './store/drip-timer';
import { MonitorBell } from './store/monitor-bell';

const DUE = { open: 'open it', full: 'the vessel is full', done: 'the drip is done' } as const;

@Component({
  selector: 'tr-root',
  imports: [RouterLink, RouterOutlet, Palette],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="skip" (click)="toContent()">Skip to the content</button>
    @if (renewed()) {
      <p role="status">
        An update is available. <button type="button" (click)="reload()">Reload</button> when it suits; your work is saved.
      </p>
    }
    @if (bag(); as b) {
      <p>
        <a [routerLink]="['/tank', b.tankId, 'water']" [queryParams]="{ face: 'acclimate' }">{{ b.text }}</a>
      </p>
    }
    @for (one of bell.ringing(); track one.designId) {
      <p class="alarm" role="alert">
        @if (one.simulated) {
          <strong>SIMULATED</strong>
        }
        {{ one.name }}: {{ one.text }}.
        <a [routerLink]="['/tank', one.designId, 'care']" [queryParams]="{ face: 'probes' }">See its probes</a>
        <button type="button" (click)="bell.hear(one.designId)">Seen to</button>
      </p>
    }
    <router-outlet />
    @defer (when commands.asked()) {
      <tr-palette />
    }
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
    .alarm {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 2px 12px;
      border-bottom: 2px solid var(--clay);
    }
    .skip {
      position: absolute;
      z-index: 1;
      min-height: 44px;
      padding: 8px 14px;
      background: var(--sheet);
      &:not(:focus) {
        clip-path: inset(50%);
        pointer-events: none;
      }
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

  protected readonly commands = inject(Commands);

  constructor() {
    tinykeys(window, {
      '$mod+k': (event) => {
        event.preventDefault();
        this.commands.asked.set(true);
      },
    });
  }

  protected readonly bell = inject(MonitorBell);
  private readonly timer = inject(DripTimer);
  private readonly router = inject(Router);
  /** A bag that is being worked on, wherever one is just now. */
  protected readonly bag = computed(() => {
    const running = this.timer.running();
    const clock = this.timer.clock();
    const alarm = this.timer.alarm();
    if (!running || this.router.url.includes('face=acclimate')) return null;
    return { tankId: running.tankId, text: `The bag: ${clock}${alarm ? `, ${DUE[alarm]}` : ''}` };
  });

  /** Past the header and the course, straight to the work. */
  protected toContent(): void {
    focusMain();
  }

  protected reload(): void {
    location.reload();
  }
}
