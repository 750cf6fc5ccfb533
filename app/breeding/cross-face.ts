import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { howMany } from '../../core/breeding/chances';
import { chiSquare, cross, Locus, parentFault, type Parent } from '../../core/breeding/cross';
import { rounded } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import type { Choice } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** A trait as it is typed, with what each parent has. */
interface Trait {
  name: string;
  forms: string;
  dominance: Locus['dominance'];
  on: Locus['on'];
  lethal: string | null;
  apart: number;
  /** Two forms of the mother, two of the father; of a sex chromosome only those that it has. */
  mother: [string, string];
  father: [string, string];
}

const TRAIT: Trait = {
  name: 'colour',
  forms: 'wild, gold',
  dominance: 'full',
  on: 'body',
  lethal: null,
  apart: 0.5,
  mother: ['wild', 'gold'],
  father: ['wild', 'gold'],
};
const MOST = 4;
/** How sure one wants to be of seeing a look at all. */
const SURE = 0.95;

const formsOf = ({ forms }: Trait): string[] => [...new Set(forms.split(/[\s,;/]+/).filter(Boolean))];

/** What comes of a pair, how many to raise to see it, and whether what came fits. */
@Component({
  selector: 'tr-cross-face',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div data-control="crosses">
      @for (trait of traits(); track $index; let i = $index) {
        <fieldset>
          <legend class="small soft">Trait {{ i + 1 }}</legend>
          <label
            ><span class="small soft">Called</span
            ><input class="field" maxlength="40" [value]="trait.name" #name (input)="put(i, { name: name.value })" />
          </label>
          <label class="forms"
            ><span class="small soft">Its forms, the covering one first</span
            ><input class="field" maxlength="90" [value]="trait.forms" #forms (change)="reform(i, forms.value)" />
          </label>
          <tr-select
            label="With both forms it shows"
            [options]="ways"
            [value]="trait.dominance"
            (chosen)="put(i, { dominance: $event ?? 'full' })"
          />
          <tr-select label="It lies on" [options]="places" [value]="trait.on" (chosen)="put(i, { on: $event ?? 'body' })" />
          <tr-select
            label="Deadly when twice"
            none="none"
            [options]="lists()[i]!"
            [value]="trait.lethal"
            (chosen)="put(i, { lethal: $event })"
          />
          @if (i > 0) {
            <tr-quantity
              label="Parts from the one above"
              kind="fraction"
              [limits]="[0, 0.5]"
              [value]="trait.apart"
              (quantity)="put(i, { apart: $event })"
            />
          }
          <span class="pair">
            <tr-select
              label="Mother"
              [options]="lists()[i]!"
              [value]="trait.mother[0]"
              [disabled]="trait.on === 'y'"
              (chosen)="give(i, 'mother', 0, $event)"
            />
            <tr-select
              label="Mother, other form"
              [options]="lists()[i]!"
              [value]="trait.mother[1]"
              [disabled]="trait.on === 'y'"
              (chosen)="give(i, 'mother', 1, $event)"
            />
          </span>
          <span class="pair">
            <tr-select
              label="Father"
              [options]="lists()[i]!"
              [value]="trait.father[0]"
              [disabled]="trait.on === 'y'"
              (chosen)="give(i, 'father', 0, $event)"
            />
            <tr-select
              label="Father, other form"
              [options]="lists()[i]!"
              [value]="trait.father[1]"
              [disabled]="trait.on === 'x'"
              (chosen)="give(i, 'father', 1, $event)"
            />
          </span>
          @if (traits().length > 1) {
            <button class="pick" type="button" [attr.aria-label]="'Leave out ' + trait.name" (click)="drop(i)">leave it out</button>
          }
        </fieldset>
      }
      @if (traits().length < most) {
        <p><button class="btn" type="button" (click)="add()">Another trait</button></p>
      }
      @if (fault(); as why) {
        <p class="error" role="alert">{{ why }}</p>
      }
      @if (young(); as found) {
        <table aria-label="What comes of the pair">
          <thead>
            <tr>
              <th scope="col">Young that look</th>
              <th scope="col" class="num">Share</th>
              <th scope="col" class="num">Raise for one</th>
              <th scope="col">Came</th>
              <th scope="col">What they carry</th>
            </tr>
          </thead>
          <tbody>
            @for (row of found.rows; track row.key) {
              <tr [attr.data-look]="row.key">
                <th scope="row">{{ row.looks }}</th>
                <td class="num">{{ row.share }} %</td>
                <td class="num">{{ row.raise }}</td>
                <td>
                  <tr-quantity
                    [label]="'Came: ' + row.looks"
                    [hideLabel]="true"
                    kind="count"
                    placeholder="not counted"
                    [limits]="[0, 100000]"
                    [optional]="true"
                    [value]="row.came"
                    (quantity)="count(row.key, $event)"
                    (cleared)="count(row.key, null)"
                  />
                </td>
                <td class="soft">{{ row.carry }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (found.lost) {
          <p class="small">{{ found.lost }} % die of what they have twice: the shares are of those that live.</p>
        }
        @if (fit(); as text) {
          <p role="status">{{ text }}</p>
        }
        <p class="small soft">
          “Raise for one” is how many young make it 95 % sure that one at least looks so. A carrier looks like the covering form: of such
          young of two carriers two in three carry. To find out, pair the doubtful one with the covered form: one covered young proves it,
          and seven without make 99 % sure that it does not. What is tried here is not kept.
        </p>
      }
    </div>
  `,
  styles: `
    fieldset {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 12px;
      margin: 0 0 8px;
      padding: 6px 0 10px;
      border: 0;
      border-top: 1px solid var(--rule);
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    label .field {
      width: 110px;
    }
    .forms .field {
      width: 190px;
    }
    .pair {
      display: flex;
      gap: 6px;
    }
    tr-quantity {
      width: 96px;
    }
    tbody th {
      padding-left: 0;
      border-top: 1px solid var(--rule);
      color: var(--ink);
      font-weight: 700;
      text-align: left;
    }
    thead th:first-child {
      padding-left: 0;
    }
    .num {
      text-align: right;
      white-space: nowrap;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class CrossFace {
  private readonly units = inject(PreferencesStore).units;
  protected readonly most = MOST;
  protected readonly traits = signal<readonly Trait[]>([TRAIT]);
  private readonly came = signal<Readonly<Record<string, number>>>({});
  protected readonly ways: readonly Choice<Locus['dominance']>[] = [
    { value: 'full', text: 'the covering one' },
    { value: 'half', text: 'a look between' },
    { value: 'both', text: 'both' },
  ];
  protected readonly places: readonly Choice<Locus['on']>[] = [
    { value: 'body', text: 'no sex chromosome' },
    { value: 'x', text: 'the X' },
    { value: 'y', text: 'the Y' },
  ];
  protected readonly lists = computed(() =>
    this.traits().map((trait) => formsOf(trait).map((value): Choice<string> => ({ value, text: value }))),
  );

  private readonly set = computed(() => {
    const traits = this.traits();
    const loci: Locus[] = [];
    for (const trait of traits) {
      const read = Locus.safeParse({
        name: trait.name,
        alleles: formsOf(trait),
        dominance: trait.dominance,
        on: trait.on,
        lethal: trait.lethal,
        apart: trait.apart,
      });
      if (!read.success) return { fault: `${trait.name || 'A trait'}: ${read.error.issues.map(({ message }) => message).join('; ')}.` };
      loci.push(read.data);
    }
    const parent = (who: 'mother' | 'father', side: 0 | 1) =>
      traits.map((trait) => {
        const there = trait.on === 'body' || (trait.on === 'x' ? who === 'mother' || side === 0 : who === 'father' && side === 1);
        return there ? trait[who][side] : null;
      });
    const parents: [Parent, Parent] = [
      { sets: [parent('mother', 0), parent('mother', 1)] },
      { sets: [parent('father', 0), parent('father', 1)] },
    ];
    const why = parentFault(loci, parents[0], false) ?? parentFault(loci, parents[1], true);
    return why ? { fault: `${why}.` } : { crossed: cross(loci, parents) };
  });
  protected readonly fault = computed(() => this.set().fault ?? null);

  protected readonly young = computed(() => {
    const { crossed } = this.set();
    if (!crossed) return null;
    return {
      lost: crossed.lost > 1e-9 ? this.percent(crossed.lost) : null,
      rows: crossed.looks.map(({ sex, looks, share }) => {
        const same = crossed.young.filter((one) => one.looks === looks && one.sex === sex);
        const key = `${sex} ${looks}`;
        return {
          key,
          plain: share,
          looks: sex === null ? looks : `${sex}, ${looks || 'without it'}`,
          share: this.percent(share),
          raise: share >= 1 ? 1 : howMany(share, SURE),
          came: this.came()[key] ?? null,
          carry: same.map((one) => `${one.genotype} ${this.percent(one.share)} %`).join(', '),
        };
      }),
    };
  });

  /** Whether what came fits what was expected. */
  protected readonly fit = computed(() => {
    const rows = this.young()?.rows ?? [];
    if (rows.length < 2 || rows.some(({ came }) => came === null)) return null;
    const counts = rows.map(({ came }) => came!);
    const all = counts.reduce((sum, n) => sum + n, 0);
    const told = chiSquare(
      counts,
      rows.map(({ plain }) => plain),
    );
    if (!told) return null;
    const few = rows.some(({ plain }) => plain * all < 5) ? ' With fewer than five expected of a look this says little: raise more.' : '';
    const chance = told.chance < 0.001 ? 'less than 0.1' : this.percent(told.chance);
    return `${told.chance < 0.05 ? 'What came does not fit: a parent has other forms than stated, some died unseen, or the trait goes otherwise.' : 'What came fits.'} Chi-square ${rounded(told.chiSquare, 2, this.units())}, ${told.freedom} degrees of freedom: chance alone does as much in ${chance} % of broods.${few}`;
  });

  protected put(at: number, part: Partial<Trait>): void {
    this.traits.update((all) => all.map((trait, i) => (i === at ? { ...trait, ...part } : trait)));
  }

  /** Other forms: parents that had one which is gone take the first. */
  protected reform(at: number, forms: string): void {
    const trait = this.traits()[at];
    if (!trait) return;
    const named = formsOf({ ...trait, forms });
    const kept = (form: string): string => (named.includes(form) ? form : (named[0] ?? ''));
    this.put(at, {
      forms,
      mother: [kept(trait.mother[0]), kept(trait.mother[1])],
      father: [kept(trait.father[0]), kept(trait.father[1])],
      lethal: trait.lethal !== null && named.includes(trait.lethal) ? trait.lethal : null,
    });
  }

  protected give(at: number, who: 'mother' | 'father', side: 0 | 1, form: string | null): void {
    const trait = this.traits()[at];
    if (!trait || form === null) return;
    const [one, other] = trait[who];
    this.put(at, { [who]: side === 0 ? [form, other] : [one, form] });
  }

  protected add(): void {
    this.traits.update((all) => [
      ...all,
      { ...TRAIT, name: `trait ${all.length + 1}`, forms: 'A, a', mother: ['A', 'a'], father: ['A', 'a'] },
    ]);
  }

  protected drop(at: number): void {
    this.traits.update((all) => all.filter((_, i) => i !== at));
  }

  protected count(key: string, n: number | null): void {
    this.came.update(({ [key]: _, ...others }) => (n === null ? others : { ...others, [key]: n }));
  }

  private percent(share: number): string {
    return rounded(share * 100, 1, this.units());
  }
}
