import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { formatNumber, formatQuantity, formatSpan } from '../../core/quantity/format';
import type { Design } from '../../core/design/design';
import { shortDay } from '../ui/day-text';
import { PreferencesStore } from '../store/preferences';
import { SeverityGlyph } from '../ui/severity-glyph';
import { BENCHES } from './benches';
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
  private readonly router = inject(Router);
  protected readonly current = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(null),
      map(() => BENCHES.find(({ id }) => id === this.router.url.split(/[/?#]/)[3])?.name ?? 'choose'),
    ),
    { initialValue: 'choose' },
  );
  private readonly view = inject(TankView);
  private readonly preferences = inject(PreferencesStore);

  protected readonly benches = computed(() => {
    const night = this.preferences.theme() === 'night';
    return BENCHES.map((bench) => ({
      ...bench,
      band: night ? bench.nightBand : bench.band,
      ink: night ? bench.nightInk : bench.ink,
      severity: this.view.worstOf(bench.id) ?? 'unknown',
      count: this.view.causes().filter(({ head, severity }) => head.bench === bench.id && (severity === 'conflict' || severity === 'watch'))
        .length,
      line: this.lineOf(bench.id),
    }));
  });

  private lineOf(bench: string): string {
    const design = this.view.design();
    const derived = this.view.told()?.derived;
    const units = this.preferences.units();
    if (!design || !derived) return '–';
    switch (bench) {
      case 'livestock': {
        const count = Object.values(design.stock).reduce((sum, entry) => sum + entry.count, 0);
        return count === 0
          ? 'choose first'
          : `${count} adult${count === 1 ? '' : 's'}, ${design.brief.purpose === 'breed' ? 'breeding' : 'kept'}`;
      }
      case 'vessel': {
        const { vessel } = design;
        return vessel
          ? `${vessel.shape === 'box' ? '' : `${vessel.shape.replace('-', ' ')} `}${[vessel.lengthMm, vessel.widthMm, vessel.heightMm]
              .map((mm) => formatNumber('length', mm, units))
              .join(' × ')} ${units.length}`
          : 'not chosen';
      }
      case 'water': {
        const gh = derived['planned.ghDh'].value;
        const ph = derived['planned.ph'].value;
        if (gh === null) return 'not chosen';
        return `${formatQuantity('hardness', gh, units)}${ph === null ? '' : ` · pH ${formatQuantity('ph', ph, units)}`}`;
      }
      case 'substrate': {
        const bed = derived['substrate.bed'].value;
        if (!bed || bed.layers.length === 0) return design.substrate.bare ? 'bare bottom' : 'not stated';
        const name = (bed.showing[0]?.material?.name ?? 'bed').split(',')[0]!.toLowerCase();
        return `${name} ${formatSpan('length', [bed.topMm.least, bed.topMm.most], units)}`;
      }
      case 'hardscape': {
        const count = derived['scene.pieces'].value?.length ?? 0;
        return count === 0 ? 'no pieces yet' : `${count} piece${count === 1 ? '' : 's'}`;
      }
      case 'equipment': {
        const span = derived['planned.temperatureC'].interval;
        const device = Object.values(design.equipment).find(({ kind }) => kind === 'heater' || kind === 'cooler');
        return device && 'setPointC' in device
          ? `${device.kind} at ${formatQuantity('temperature', device.setPointC, units)}`
          : span
            ? `no heater, ${formatSpan('temperature', span, units)}`
            : 'no heater';
      }
      case 'plants': {
        const kinds = this.view.members().filter(({ organism }) => organism?.kind === 'plant').length;
        return kinds === 0 ? 'none yet' : `${kinds} kind${kinds === 1 ? '' : 's'}`;
      }
      case 'care':
        return careLine(design);
      case 'stocking':
        return stockingLine(Object.values(design.stock));
      default:
        return 'not judged yet';
    }
  }
}

function careLine({ care }: Design): string {
  const next = Object.values(care.steps)
    .map(({ day }) => day)
    .sort()[0];
  if (next !== undefined) return `next on ${shortDay(next)}`;
  return care.change ? `${Math.round(care.change.fraction * 100)} % every ${care.change.everyDays} days` : 'not stated';
}

function stockingLine(stock: readonly { count: number }[]): string {
  if (stock.length === 0) return 'nobody yet';
  return stock.length === 1
    ? 'one kind'
    : `${stock.length} kinds, ${(stock.length * (stock.length - 1)) / 2} pair${stock.length === 2 ? '' : 's'}`;
}
