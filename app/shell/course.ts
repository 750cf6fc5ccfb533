import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { PreferencesStore } from '../store/preferences';
import { SeverityGlyph } from '../ui/severity-glyph';
import { NIGHT_INK } from './bench';
import { BENCH_LIST } from './benches';
import { TankRecord } from '../store/tank-record';
import { TankView } from '../store/tank-view';

/** The benches in work order, stacked like the bands of a soil profile. */
@Component({
  selector: 'tr-course',
  imports: [RouterLink, RouterLinkActive, SeverityGlyph],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="here-now" [attr.aria-expanded]="open()" aria-controls="benches" (click)="open.set(!open())">
      <span>Bench: {{ current() }}</span>
      <span aria-hidden="true">{{ open() ? '▴' : '▾' }}</span>
    </button>
    <nav id="benches" aria-label="Benches" [class.open]="open()">
      @for (bench of benches(); track bench.id) {
        <a
          [routerLink]="bench.id"
          routerLinkActive="here"
          (click)="open.set(false)"
          ariaCurrentWhenActive="page"
          [style.--band-colour]="bench.band"
          [style.--band-ink]="bench.ink"
          [attr.aria-keyshortcuts]="bench.key"
        >
          <span class="name">{{ bench.name }}</span>&ngsp;
          @if (bench.count > 0) {
            <span class="count" aria-hidden="true">{{ bench.count }}</span>&ngsp;
          }
          <tr-severity [severity]="bench.severity" />
          <span class="line">{{ bench.line }}</span>
          @if (bench.count > 0) {
            <span class="visually-hidden">, {{ bench.count }} open</span>
          }
        </a>
      }
    </nav>
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
      overflow: auto;
    }
    nav {
      display: flex;
      flex-direction: column;
      min-height: 100%;
    }
    a {
      display: grid;
      flex: 1 0 44px;
      grid-template-columns: 1fr auto auto;
      align-content: center;
      column-gap: 6px;
      padding: 3px 14px;
      background: var(--band-colour);
      color: var(--band-ink);
      --severity-ink: var(--band-ink);
      text-decoration: none;
      line-height: 1.3;
    }
    a.here {
      border-left: 4px solid var(--band-colour);
      background: var(--sheet);
      color: var(--ink);
      --severity-ink: initial;
    }
    a:focus-visible {
      outline-offset: -3px;
    }
    .name {
      font-weight: 700;
    }
    .count {
      font-size: 12.5px;
    }
    .line {
      grid-column: 1 / -1;
      overflow: hidden;
      font-size: 12.5px;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .here-now {
      display: none;
    }
    @media (max-width: 1023px) {
      :host {
        flex: none;
        overflow-x: auto;
      }
      nav {
        flex-flow: row wrap;
        min-height: 0;
      }
      a {
        flex: 1 0 auto;
        min-height: 44px;
        padding-inline: 10px;
      }
      a.here {
        border-top: 4px solid var(--band-colour);
        border-left: 0;
      }
      .line {
        display: none;
      }
    }
    @media (max-width: 719px) {
      .here-now {
        display: flex;
        justify-content: space-between;
        width: 100%;
        min-height: 44px;
        padding: 0 14px;
        align-items: center;
        border: 0;
        border-bottom: 1px solid var(--rule);
        background: #cfe1e2;
        color: #25231d;
        font: 700 15px var(--text);
      }
      nav {
        display: none;
        flex-flow: column;
        &.open {
          display: flex;
        }
      }
    }
  `,
})
export class Course {
  /** On a small screen the benches unfold. */
  protected readonly open = signal(false);
  private readonly all = inject(BENCH_LIST);
  private readonly router = inject(Router);
  protected readonly current = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(null),
      map(() => this.all.find(({ id }) => id === this.router.url.split(/[/?#]/)[3])?.name ?? 'choose'),
    ),
    { initialValue: 'choose' },
  );
  private readonly view = inject(TankView);
  private readonly record = inject(TankRecord);
  private readonly preferences = inject(PreferencesStore);

  protected readonly benches = computed(() => {
    const night = this.preferences.theme() === 'night';
    const [design, derived, units] = [this.view.design(), this.view.told()?.derived, this.preferences.units()];
    return this.all.map((bench) => ({
      ...bench,
      band: night ? bench.nightBand : bench.band,
      ink: night ? NIGHT_INK : bench.ink,
      severity: (bench.id === 'care' ? this.record.worst() : null) ?? this.view.worstOf(bench.id) ?? 'unknown',
      count:
        (bench.id === 'care' ? this.record.signs().length : 0) +
        this.view.causes().filter(({ head, severity }) => head.bench === bench.id && (severity === 'conflict' || severity === 'watch'))
          .length,
      line: design && derived ? (bench.line?.({ design, derived, units }) ?? 'not judged yet') : '–',
    }));
  });
}
