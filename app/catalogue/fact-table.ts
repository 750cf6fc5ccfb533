import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { BASIS_WORD } from '../../core/assessment/wording';
import type { ToleranceRange } from '../../core/catalogue/organism';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import type { Fact } from '../../core/quantity/fact';
import { PreferencesStore } from '../store/preferences';
import { factAt, showFact, type Field } from './fields';
import { OwnFigure } from './own-figure';

/** A range on its axis: where it survives, where it is comfortable; shares of the axis. */
interface Bar {
  tolerance: readonly [number, number];
  optimum: readonly [number, number] | null;
}

/** The facts of an entry by section; each opens to how it is known, and to the user's own figure. */
@Component({
  selector: 'tr-fact-table',
  imports: [OwnFigure],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (section of sections(); track section.name) {
      <section [attr.aria-label]="section.name">
        <h2>{{ section.name }}</h2>
        @for (row of section.rows; track row.field.path) {
          <div class="fact" [class.own]="row.own">
            <span class="soft name">{{ row.field.name }}</span>
            <button
              type="button"
              class="pick"
              [attr.aria-expanded]="open() === row.field.path"
              [attr.aria-label]="row.field.name + ': ' + row.text + '. How it is known'"
              (click)="open.set(open() === row.field.path ? null : row.field.path)"
            >
              {{ row.text }}
            </button>
            @if (row.bar; as bar) {
              <svg class="bar" viewBox="0 0 120 10" preserveAspectRatio="none" aria-hidden="true">
                <path d="M0 9.5H120" stroke="var(--rule)" />
                <path
                  [attr.d]="'M' + bar.tolerance[0] * 120 + ' 5H' + bar.tolerance[1] * 120"
                  stroke="var(--edge)"
                  stroke-width="1.2"
                  vector-effect="non-scaling-stroke"
                />
                @if (bar.optimum; as comfort) {
                  <path
                    [attr.d]="'M' + comfort[0] * 120 + ' 5H' + comfort[1] * 120"
                    stroke="var(--moss)"
                    stroke-width="6"
                    vector-effect="non-scaling-stroke"
                  />
                }
              </svg>
            }
            @if (row.own) {
              <span class="small mine">yours</span>
            }
          </div>
          @if (open() === row.field.path) {
            <div class="known" role="group" [attr.aria-label]="'How ' + row.field.name + ' is known'">
              <p>
                <strong>{{ basisWord(row.fact) }}.</strong> {{ row.fact?.source ?? '' }} {{ row.fact?.note ?? '' }}
                @if (row.shipped) {
                  <span class="soft"> The catalogue has {{ row.shipped }}.</span>
                }
              </p>
              @if (reason(); as why) {
                <p class="error" role="alert">Not kept: {{ why }}. The old figure stays.</p>
              }
              @if (editable() && row.field.as.type !== 'shown') {
                <tr-own-figure [field]="row.field" [fact]="row.fact" (keep)="keep.emit({ path: row.field.path, fact: $event })" />
              }
              @if (row.shipped) {
                <button class="btn" type="button" (click)="goBack.emit(row.field.path)">Go back to the catalogue’s</button>
              }
            </div>
          }
        }
      </section>
    }
  `,
  styles: `
    :host {
      display: block;
      columns: 300px 2;
      column-gap: 28px;
    }
    section {
      break-inside: avoid;
      margin-bottom: 14px;
    }
    h2 {
      margin-bottom: 2px;
      font-size: 15px;
    }
    .fact {
      display: grid;
      grid-template-columns: 118px minmax(0, 1fr) auto auto;
      align-items: center;
      gap: 8px;
      min-height: 25px;
      border-top: 1px solid var(--rule);
      line-height: 1.3;
    }
    .name {
      font-size: 12.5px;
    }
    .pick {
      padding: 3px 0;
      text-align: left;
    }
    .bar {
      width: 84px;
      height: 10px;
    }
    .mine {
      color: var(--moss);
      font-weight: 600;
    }
    .known {
      display: grid;
      gap: 8px;
      margin: 2px 0 8px;
      padding: 6px 8px;
      border-left: 3px solid var(--water);
      background: var(--paper);
      font-size: 13px;
    }
  `,
})
export class FactTable {
  readonly entry = input.required<object>();
  /** The entry as it is shipped, where the user's own facts lie over it. */
  readonly shipped = input<object | null>(null);
  readonly fields = input.required<readonly Field[]>();
  /** Paths of the user's own facts. */
  readonly own = input<ReadonlySet<string>>(new Set());
  readonly editable = input(false);
  /** Why the last figure was not kept. */
  readonly reason = input<string | null>(null);
  readonly keep = output<{ path: string; fact: Fact<unknown> }>();
  readonly goBack = output<string>();
  protected readonly open = signal<string | null>(null);
  private readonly units = inject(PreferencesStore).units;

  protected readonly sections = computed(() => {
    const entry = this.entry();
    const shipped = this.shipped();
    const names = [...new Set(this.fields().map(({ section }) => section))];
    return names.map((name) => ({
      name,
      rows: this.fields()
        .filter(({ section }) => section === name)
        .map((field) => {
          const fact = factAt(entry, field.path);
          const own = this.own().has(field.path);
          return {
            field,
            fact,
            own,
            text: showFact(field, fact, this.units()),
            bar: barOf(field, fact),
            shipped: own && shipped ? showFact(field, factAt(shipped, field.path), this.units()) : null,
          };
        }),
    }));
  });

  protected basisWord(fact: Fact<unknown> | undefined): string {
    return fact ? BASIS_WORD[fact.basis] : 'Nothing is recorded';
  }
}

function barOf({ as }: Field, fact: Fact<unknown> | undefined): Bar | null {
  const range = as.type === 'range' ? (fact?.value as ToleranceRange | null | undefined) : null;
  if (as.type !== 'range' || !range) return null;
  const { axis, limits } = PARAMETER_META[as.parameter];
  // salt water does not fit the axis of fresh water
  const most = Math.max(axis[1], range.tolerance[1] ?? 0, range.optimum[1] ?? 0);
  const least = Math.min(axis[0], range.tolerance[0] ?? axis[0]);
  const share = (value: number) => Math.min(1, Math.max(0, (value - least) / (most - least || 1)));
  const [low, high] = range.tolerance;
  const [from, to] = range.optimum;
  return {
    tolerance: [share(low ?? limits[0]), share(high ?? limits[1])],
    optimum: from !== null && to !== null ? [share(from), Math.max(share(to), share(from) + 0.012)] : null,
  };
}
