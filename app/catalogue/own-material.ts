import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { Material } from '../../core/catalogue/material';
import { asMaterial } from '../../core/catalogue/own-material';
import { QuantityField } from '../ui/quantity-field';
import { slug } from '../../core/design/edits/own-edits';
import { SelectField } from '../ui/select';

/** A bag, stone or wood that the catalogue lacks: what it is most like, and what a ruler, a scale and a pH kit tell of it. */
@Component({
  selector: 'tr-own-material',
  imports: [SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault()">
      <h1>A material of your own</h1>
      <p class="soft">Say what it is most like. What you leave empty is taken as that, and marked so.</p>
      <label>
        <span class="soft small">What you call it</span>
        <input class="field" #nameField name="name" maxlength="80" [value]="name()" (input)="name.set(nameField.value)" />
      </label>
      <tr-select label="Most like" none="Choose" [options]="materials()" [value]="likeId()" (chosen)="likeId.set($event)" />
      @if (like(); as of) {
        <tr-quantity
          class="wide"
          [label]="of.use === 'stone' || of.use === 'wood' ? 'Kilograms to a litre, solid' : 'Kilograms to a litre, dry'"
          kind="number"
          [limits]="[0.05, 20]"
          [value]="kgPerL()"
          (quantity)="kgPerL.set($event)"
        />
        @if (of.use === 'substrate') {
          <tr-quantity label="Grains from, mm" kind="number" [limits]="[0.01, 200]" [value]="grain()[0]" (quantity)="setGrain(0, $event)" />
          <tr-quantity label="to, mm" kind="number" [limits]="[0.01, 200]" [value]="grain()[1]" (quantity)="setGrain(1, $event)" />
        }
        @if (of.action.kind === 'exchanges') {
          <tr-quantity label="Brings soft water to pH, from" kind="ph" [value]="ph()[0]" (quantity)="setPh(0, $event)" />
          <tr-quantity label="to" kind="ph" [value]="ph()[1]" (quantity)="setPh(1, $event)" />
        }
      }
      @if (reason(); as why) {
        <p class="wide error" role="alert">{{ why }}</p>
      }
      <p class="wide actions">
        <button class="btn primary" type="button" (click)="make()" [disabled]="!like()">Put it into this room’s catalogue</button>
        <button class="btn" type="button" (click)="left.emit()">Leave it</button>
      </p>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px 14px;
      max-width: 520px;
    }
    h1,
    p,
    .wide {
      grid-column: 1 / -1;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .error {
      color: var(--oxide);
    }
  `,
})
export class OwnMaterial {
  readonly catalogue = input.required<Catalogue>();
  readonly made = output<Material>();
  readonly left = output<void>();

  protected readonly name = signal('');
  protected readonly likeId = signal<string | null>(null);
  protected readonly materials = computed(() =>
    [...this.catalogue().materials.values()]
      .sort((a, b) => a.name.localeCompare(b.name))
      .map(({ id, name }) => ({ value: id, text: name })),
  );
  protected readonly like = computed(() => this.catalogue().materials.get(this.likeId() ?? '') ?? null);
  protected readonly kgPerL = linkedSignal(() => (this.like()?.densityKgPerM3.value ?? null) && this.like()!.densityKgPerM3.value! / 1000);
  protected readonly grain = linkedSignal<[number | null, number | null]>(() => this.like()?.grainMm.value ?? [null, null]);
  protected readonly ph = linkedSignal<[number | null, number | null]>(() => {
    const action = this.like()?.action;
    return action?.kind === 'exchanges' ? (action.setPh.value ?? [null, null]) : [null, null];
  });
  protected readonly reason = signal<string | null>(null);

  protected setGrain(edge: 0 | 1, mm: number): void {
    this.grain.update(([low, high]) => (edge === 0 ? [mm, high] : [low, mm]));
  }

  protected setPh(edge: 0 | 1, ph: number): void {
    this.ph.update(([low, high]) => (edge === 0 ? [ph, high] : [low, ph]));
  }

  protected make(): void {
    const [like, name] = [this.like(), this.name().trim()];
    if (!like) return;
    if (!name) return this.reason.set('A name is wanted.');
    const [grain, ph, kgPerL] = [this.grain(), this.ph(), this.kgPerL()];
    if (grain[0] !== null && grain[1] !== null && grain[0] > grain[1])
      return this.reason.set(`Grains: the smallest, ${grain[0]} mm, is larger than the largest, ${grain[1]} mm.`);
    if (ph[0] !== null && ph[1] !== null && ph[0] > ph[1])
      return this.reason.set(`pH: the low edge ${ph[0]} is above the high edge ${ph[1]}.`);
    const id = `own-${slug(name)}`;
    if (this.catalogue().materials.has(id)) return this.reason.set(`“${name}” is in the catalogue already.`);
    const told = <T>(value: [T | null, T | null], of: readonly T[] | null | undefined): [T, T] | null =>
      value[0] === null || value[1] === null || (of && of[0] === value[0] && of[1] === value[1]) ? null : [value[0], value[1]];
    const parsed = Material.safeParse(
      asMaterial(like, {
        id,
        name,
        densityKgPerM3: kgPerL === null || kgPerL * 1000 === like.densityKgPerM3.value ? null : kgPerL * 1000,
        grainMm: told(grain, like.grainMm.value),
        setPh: told(ph, like.action.kind === 'exchanges' ? like.action.setPh.value : null),
      }),
    );
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      return this.reason.set(`${issue?.path.join(', ') ?? 'It'}: ${issue?.message ?? 'is invalid'}.`);
    }
    this.reason.set(null);
    this.made.emit(parsed.data);
  }
}
