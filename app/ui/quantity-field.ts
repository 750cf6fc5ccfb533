import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { formatNumber, unitOf } from '../../core/quantity/format';
import { INPUT_LIMITS, parseQuantity } from '../../core/quantity/parse';
import { fromCanonical, UNITS, type QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';

let fields = 0;

/** One number with its unit. Takes any unit of its kind ("78 F", "20 gal", "3/8 in"); emits the canonical value, or says why not. */
@Component({
  selector: 'tr-quantity',
  imports: [NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [attr.for]="id" [class.visually-hidden]="hideLabel()">{{ label() }}</label>
    <span class="row">
      <input
        nz-input
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
        : String(Number(fromCanonical(this.kind(), canonical, own).toFixed(2)));
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

  protected commit(text: string): void {
    const kind = this.kind();
    const factor = kind === 'conductivity' && this.unit().startsWith('ppm') ? Number(this.unit().split('×')[1]) : 1;
    const unit = kind === 'conductivity' ? UNITS.conductivity[0].names[0] : kind === 'fraction' ? '%' : this.unit();
    const parsed = parseQuantity(text, kind, unit, this.limits() ?? INPUT_LIMITS[kind]);
    if (!parsed.ok) {
      this.typed.set(text);
      this.reason.set(
        text.trim() === '' && this.value() === null
          ? null
          : `${parsed.reason} ${this.value() === null ? '' : 'The old value is kept.'}`.trim(),
      );
      return;
    }
    this.typed.set(null);
    this.reason.set(null);
    const value = parsed.value / factor;
    if (value !== this.value()) this.quantity.emit(value);
  }
}
