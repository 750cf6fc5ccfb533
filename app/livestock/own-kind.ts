import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { asFamily } from '../../core/catalogue/as-family';
import type { Catalogue } from '../../core/catalogue/catalogue';
import { FAMILIES } from '../../core/catalogue/families';
import { Organism, type Animal } from '../../core/catalogue/organism';
import { slug } from '../../core/design/edits/own-edits';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

type Span = [number, number];

/** A kind that the catalogue lacks: its family, and the few facts that decide; the rest is taken as its family's, and marked so. */
@Component({
  selector: 'tr-own-kind',
  imports: [SelectField, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault()">
      <h2>A kind of your own</h2>
      <p class="soft">
        Say what decides. Everything else is taken as its family’s and marked so, and each value can be set right later in the catalogue.
      </p>
      <label>
        <span class="soft small">Latin name</span>
        <input class="field" #latinField name="latin" placeholder="Genus species" [value]="latin()" (input)="latin.set(latinField.value)" />
      </label>
      <label>
        <span class="soft small">What you call it</span>
        <input class="field" #commonField name="common" [value]="common()" (input)="common.set(commonField.value)" />
      </label>
      <tr-select
        class="wide"
        label="Family"
        none="Choose what it is most like"
        [options]="families"
        [value]="familyId()"
        (chosen)="familyId.set($event)"
      />
      @if (template(); as t) {
        <tr-quantity label="Adult length" kind="length" [value]="lengthMm()" (quantity)="lengthMm.set($event)" />
        @if (t.kind === 'animal') {
          <tr-quantity label="Fewest together" kind="count" [limits]="[1, 100]" [value]="groupMin()" (quantity)="groupMin.set($event)" />
        }
        @for (row of rows(); track row.of) {
          <tr-quantity [label]="row.name + ' from'" [kind]="row.kind" [value]="row.span[0]" (quantity)="set(row.of, 0, $event)" />
          <tr-quantity label="to" [kind]="row.kind" [value]="row.span[1]" (quantity)="set(row.of, 1, $event)" />
        }
        <p class="soft small wide">
          Ranges in which it is comfortable. Begun with those of <em>{{ t.latin }}</em>, which stands for the family.
        </p>
      }
      @if (reason(); as why) {
        <p class="wide error" role="alert">{{ why }}</p>
      }
      <p class="wide actions">
        <button class="btn primary" type="button" (click)="make()" [disabled]="!template()">Put it into this room’s catalogue</button>
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
    h2,
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
export class OwnKind {
  readonly catalogue = input.required<Catalogue>();
  /** What was looked for. */
  readonly name = input('');
  readonly made = output<Organism>();
  readonly left = output<void>();

  protected readonly families = FAMILIES.map(({ templateId, name }) => ({ value: templateId, text: name }));
  private readonly isLatin = computed(() => /^[A-Z][a-z]+ [a-z]+/.test(this.name()));
  protected readonly latin = linkedSignal(() => (this.isLatin() ? this.name() : ''));
  protected readonly common = linkedSignal(() => (this.isLatin() ? '' : this.name()));
  protected readonly familyId = signal<string | null>(null);
  protected readonly template = computed(() => this.catalogue().organisms.get(this.familyId() ?? '') ?? null);
  protected readonly lengthMm = linkedSignal(() => this.template()?.sizeMm.length.value ?? null);
  protected readonly groupMin = linkedSignal(() => (this.template() as Animal | null)?.traits.groupMin?.value ?? null);
  protected readonly spans = linkedSignal(() => {
    const keep = this.template()?.ranges.keep;
    const of = (parameter: 'temperatureC' | 'ph' | 'ghDh', otherwise: Span): Span => {
      const [low, high] = keep?.[parameter]?.value?.optimum ?? [null, null];
      return [low ?? otherwise[0], high ?? otherwise[1]];
    };
    return { temperatureC: of('temperatureC', [22, 26]), ph: of('ph', [6.5, 7.5]), ghDh: of('ghDh', [4, 12]) };
  });
  protected readonly rows = computed(() => {
    const spans = this.spans();
    return [
      { of: 'temperatureC', name: 'Temperature', kind: 'temperature', span: spans.temperatureC },
      { of: 'ph', name: 'pH', kind: 'ph', span: spans.ph },
      { of: 'ghDh', name: 'GH', kind: 'hardness', span: spans.ghDh },
    ] as const;
  });
  protected readonly reason = signal<string | null>(null);

  protected set(of: 'temperatureC' | 'ph' | 'ghDh', edge: 0 | 1, value: number): void {
    this.spans.update((spans) => ({ ...spans, [of]: spans[of].map((old, i) => (i === edge ? value : old)) }));
  }

  protected make(): void {
    const [template, lengthMm, latin] = [this.template(), this.lengthMm(), this.latin().trim()];
    if (!template || lengthMm === null) return;
    const upsideDown = this.rows().find(({ span: [low, high] }) => low > high);
    if (upsideDown)
      return this.reason.set(`${upsideDown.name}: the low edge ${upsideDown.span[0]} is above the high edge ${upsideDown.span[1]}.`);
    if (!/^[A-Z][a-z]+ /.test(latin)) return this.reason.set('A Latin name is wanted: Genus species, or Genus sp. "what you call it".');
    const id = `own-${slug(latin)}`;
    if ([...this.catalogue().organisms.values()].some((entry) => entry.id === id || entry.latin.toLowerCase() === latin.toLowerCase()))
      return this.reason.set(`“${latin}” is in the catalogue already.`);
    const groupMin = this.groupMin();
    const parsed = Organism.safeParse(
      asFamily(template, {
        id,
        latin,
        common: [this.common().trim() || latin],
        lengthMm,
        ...this.spans(),
        ...(template.kind === 'animal' && groupMin !== null ? { groupMin } : {}),
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
