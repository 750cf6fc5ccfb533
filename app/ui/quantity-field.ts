import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { formatNumber, rounded, unitOf } from '../../core/quantity/format';
import { INPUT_LIMITS, parseShown } from '../../core/quantity/parse';
import { fromCanonical, type QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';

let fields = 0;

/** One number with its unit. Takes any unit of its kind ("78 F", "20 gal", "3/8 in"); emits the canonical value, or says why not. */
@Component({
  selector: 'tr-quantity',
  imports: [],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [attr.for]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</label>
    <span class="row">
      <input
        class="field"
        autocomplete="off"
        [id]="id"
        [value]="text()"
        [disabled]="disabled()"
        [placeholder]="placeholder()"
        [attr.aria-invalid]="reason() ? 'true' : null"
        [attr.aria-describedby]="reason() ? id + '-why' : null"
        (input)="typed.set($any($event.target).value)"
        (change)="commit($any($event.target).value)"
        (keydown.enter)="commit($any($event.target).value)"
        (keydown.escape)="reset()"
      />
      @if (unit() && !bare()) {
        <span class="unit soft" aria-hidden="true">{{ unit() }}</span>
      }
    </span>
    @if (reason(); as why) {
      <span class="error" role="alert" [id]="id + '-why'">{{ why }}</span>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 2px;
      min-width: 0;
    }
    label {
      color: var(--soft);
      font-size: 12.5px;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 6px;
    }
    input {
      width: 100%;
      min-width: 48px;
      height: var(--touch);
    }
    .unit {
      flex: none;
      font-size: 12.5px;
    }
    .error {
      max-width: 220px;
      font-size: 12.5px;
      line-height: 1.3;
    }
  `,
})
export class QuantityField {
  readonly label = input.required<string>();
  readonly kind = input.required<QuantityKind>();
  /** Canonical; null shows an empty field. */
  readonly value = input.required<number | null>();
  readonly limits = input<readonly [number, number] | null>(null);
  readonly hideLabel = input(false);
  /** Leaves the unit out where a heading gives it. */
  readonly bare = input(false);
  readonly disabled = input(false);
  readonly placeholder = input('not known');
  readonly quantity = output<number>();
  /** May be left unstated: an emptied field says so. */
  readonly optional = input(false);
  readonly cleared = output<void>();

  protected readonly id = `quantity-${++fields}`;
  protected readonly typed = signal<string | null>(null);
  protected readonly reason = signal<string | null>(null);
  private readonly units = inject(PreferencesStore).units;
  /** A unit of its own, where the chosen one would be clumsy: panes and gaps in mm. */
  readonly inUnit = input<string | null>(null);
  protected readonly unit = computed(() => this.inUnit() ?? unitOf(this.kind(), this.units()).unit);
  protected readonly text = computed(() => {
    const value = this.value();
    const own = this.inUnit();
    const shown = (canonical: number) =>
      own === null
        ? formatNumber(this.kind(), canonical, this.units())
        : rounded(fromCanonical(this.kind(), canonical, own), 2, this.units());
    return this.typed() ?? (value === null ? '' : shown(value));
  });

  constructor() {
    effect(() => {
      this.value();
      this.units();
      this.typed.set(null);
      this.reason.set(null);
    });
  }

  protected reset(): void {
    this.typed.set(null);
    this.reason.set(null);
  }

  /** Enter and leaving the field both come here: what was not typed since is not taken twice. */
  protected commit(text: string): void {
    if (this.typed() === null) return;
    if (text.trim() === '') {
      this.reset();
      if (this.value() !== null && this.optional()) return this.cleared.emit();
      if (this.value() === null) return;
    }
    const parsed = parseShown(text, this.kind(), this.units(), this.limits() ?? INPUT_LIMITS[this.kind()], this.inUnit());
    if (!parsed.ok) {
      this.typed.set(text);
      this.reason.set(`${parsed.reason} ${this.value() === null ? '' : 'The old value is kept.'}`.trim());
      return;
    }
    this.reset();
    if (parsed.value !== this.value()) this.quantity.emit(parsed.value);
  }
}
