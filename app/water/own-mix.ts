import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { evaluate } from '../../core/calculation/calculation';
import { formatQuantity } from '../../core/quantity/format';
import { mixStrength, OwnMix } from '../../core/water/own-mix';
import { SALTS, saltName } from '../../core/water/salts';
import { slug } from '../../core/design/edits/own-edits';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';

/** A mineral mix of the breeder's own: its parts, and how much of it raises 100 L by a degree. */
@Component({
  selector: 'tr-own-mix',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault()" aria-label="A mix of your own">
      <label class="wide">
        <span class="soft small">What you call it</span>
        <input class="field" #nameField name="mix-name" maxlength="80" [value]="name()" (input)="name.set(nameField.value)" />
      </label>
      <p class="small soft wide">Parts by weight: only their proportion counts.</p>
      @for (one of parts; track one.id) {
        <tr-quantity
          [label]="one.name"
          kind="number"
          placeholder="none"
          [limits]="[0, 1000]"
          [value]="amounts()[one.id] ?? null"
          (quantity)="set(one.id, $event)"
        />
      }
      <tr-quantity
        class="wide"
        label="Grams that raise 100 L by 1 °dH, where you know it"
        kind="number"
        placeholder="as the pure salts"
        [limits]="[0, 1000]"
        [value]="grams()"
        (quantity)="grams.set($event > 0 ? $event : null)"
      />
      <p class="small wide" role="status">{{ says() }}</p>
      <p class="wide actions">
        <button class="btn primary" type="button" (click)="make()" [disabled]="!mix().ok">Keep the mix</button>
        <button class="btn" type="button" (click)="left.emit()">Leave it</button>
      </p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px 10px;
      align-items: end;
      margin-top: 8px;
      padding-top: 8px;
      border-top: 1px solid var(--rule);
    }
    .wide {
      grid-column: 1 / -1;
    }
    p {
      margin: 0;
    }
    .actions {
      display: flex;
      gap: 8px;
    }
  `,
})
export class OwnMixForm {
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  readonly made = output<OwnMix>();
  readonly left = output<void>();

  protected readonly parts = SALTS.map(({ id }) => ({ id, name: saltName(id, new Map(SALTS.map((salt) => [salt.id, salt]))) }));
  protected readonly name = signal('');
  protected readonly amounts = signal<Readonly<Record<string, number>>>({});
  protected readonly grams = signal<number | null>(null);

  protected readonly mix = computed<{ ok: true; mix: OwnMix } | { ok: false; reason: string }>(() => {
    const parts = Object.fromEntries(Object.entries(this.amounts()).filter(([, part]) => part > 0));
    if (Object.keys(parts).length === 0) return { ok: false, reason: 'Name its parts, and what a litre of it does is said here.' };
    const name = this.name().trim();
    const id = `mix-${slug(name || 'mix')}`;
    const parsed = OwnMix.safeParse({ id, name: name || 'mix', parts, gramsPerDh: this.grams() });
    if (!parsed.success) return { ok: false, reason: `Not a mix yet: ${parsed.error.issues[0]?.message ?? 'not sound'}.` };
    if (Object.hasOwn(this.view.room()?.own.mixes ?? {}, id)) return { ok: false, reason: `There is a mix called “${name}” already.` };
    return { ok: true, mix: parsed.data };
  });

  /** What ten grams of it do to a hundred litres. */
  protected readonly says = computed(() => {
    const mix = this.mix();
    if (!mix.ok) return mix.reason;
    const { parts, gramsPerDh } = mix.mix;
    const does = evaluate(mixStrength, { parts, gramsPerDh, gramsPer100L: 10 }).value;
    if (!does) return '';
    const units = this.units();
    return `10 g in 100 L of pure water: GH ${formatQuantity('hardness', does.ghDh, units)}, KH ${formatQuantity('alkalinity', does.khDh, units)}, ${formatQuantity('conductivity', does.ec25UsPerCm, units)}.`;
  });

  protected set(id: string, part: number): void {
    this.amounts.update((amounts) => ({ ...amounts, [id]: part }));
  }

  protected make(): void {
    const mix = this.mix();
    if (mix.ok && this.name().trim() !== '') this.made.emit(mix.mix);
  }
}
