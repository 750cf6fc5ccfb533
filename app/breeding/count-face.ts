import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { chanceOfBothSexes } from '../../core/breeding/chances';
import { markedAgain, photoSquares, sexShare, twoNettings, type Counted } from '../../core/breeding/counting';
import { rounded } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { QuantityField } from '../ui/quantity-field';

/** How many there are, and how far the count may be off. */
@Component({
  selector: 'tr-count-face',
  imports: [QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="ways" data-control="count">
      <section aria-labelledby="net-heading">
        <h2 id="net-heading">Two nettings</h2>
        <p class="soft small">The same net, the same minutes, twice over. Keep the first catch in a tub until the second is counted.</p>
        <tr-quantity kind="count" label="First" [limits]="[1, 100000]" [value]="first()" (quantity)="first.set($event)" />
        <tr-quantity kind="count" label="Then" [limits]="[0, 100000]" [value]="second()" (quantity)="second.set($event)" />
        <p class="told" role="status">{{ netted() }}</p>
      </section>
      <section aria-labelledby="photo-heading">
        <h2 id="photo-heading">Squares on a picture</h2>
        <p class="soft small">
          Lay a grid over the floor in the picture, count some squares picked by chance, not the lively ones. What hides is not counted.
        </p>
        <label class="written"
          >Heads in each square
          <input class="field" #heads [value]="squares()" (change)="squares.set(heads.value)" placeholder="3, 0, 5, 2"
        /></label>
        <tr-quantity kind="count" label="Squares that the floor has" [limits]="[2, 100000]" [value]="all()" (quantity)="all.set($event)" />
        <p class="told" role="status">{{ seen() }}</p>
      </section>
      <section aria-labelledby="mark-heading">
        <h2 id="mark-heading">Marked and caught again</h2>
        <p class="soft small">
          Only by marks that do no harm: spots told apart on pictures, a snail’s shell. Nothing is clipped or injected for a count.
        </p>
        <tr-quantity kind="count" label="Known by a mark" [limits]="[0, 100000]" [value]="marked()" (quantity)="marked.set($event)" />
        <tr-quantity kind="count" label="Seen the second time" [limits]="[1, 100000]" [value]="caught()" (quantity)="caught.set($event)" />
        <tr-quantity kind="count" label="Known ones among them" [limits]="[0, 100000]" [value]="again()" (quantity)="again.set($event)" />
        <p class="told" role="status">{{ recaught() }}</p>
      </section>
      <section aria-labelledby="sex-heading">
        <h2 id="sex-heading">Females and males</h2>
        <p class="soft small">Of those that can be sexed.</p>
        <tr-quantity kind="count" label="Sexed" [limits]="[1, 100000]" [value]="sexed()" (quantity)="sexed.set($event)" />
        <tr-quantity kind="count" label="Females among them" [limits]="[0, 100000]" [value]="females()" (quantity)="females.set($event)" />
        <p class="told" role="status">{{ ratio() }}</p>
        <tr-quantity
          kind="count"
          label="Or: young taken unsexed"
          [limits]="[1, 1000]"
          [value]="unsexed()"
          (quantity)="unsexed.set($event)"
        />
        <p class="told" role="status">{{ both() }}</p>
      </section>
    </div>
    <p class="small soft">From – to holds the truth about nineteen times in twenty, if the count was fair. These figures are not kept.</p>
  `,
  styles: `
    .ways {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
      gap: 20px 32px;
      margin: 8px 0 14px;
    }
    section {
      display: grid;
      gap: 8px;
      align-content: start;
      padding-top: 10px;
      border-top: 2px solid var(--ink);
    }
    .told {
      font-weight: 600;
    }
    .written {
      display: grid;
      gap: 2px;
      color: var(--soft);
      font-size: 13px;
    }
  `,
})
export class CountFace {
  private readonly units = inject(PreferencesStore).units;
  protected readonly first = signal<number | null>(null);
  protected readonly second = signal<number | null>(null);
  protected readonly squares = signal('');
  protected readonly all = signal<number | null>(null);
  protected readonly marked = signal<number | null>(null);
  protected readonly caught = signal<number | null>(null);
  protected readonly again = signal<number | null>(null);
  protected readonly sexed = signal<number | null>(null);
  protected readonly females = signal<number | null>(null);
  protected readonly unsexed = signal<number | null>(6);

  private say({ number, low, high }: Counted): string {
    const whole = (value: number): string => rounded(value, 0, this.units());
    return `About ${whole(number)}, from ${whole(low)} to ${whole(high)}.`;
  }

  protected readonly netted = computed(() => {
    const [first, second] = [this.first(), this.second()];
    if (first === null || second === null) return '';
    const found = twoNettings(first, second);
    return found ? this.say(found) : 'As many as the first time: nothing can be told. Net once more, with the same care.';
  });

  protected readonly seen = computed(() => {
    const [written, all] = [this.squares().trim(), this.all()];
    if (written === '') return '';
    const parts = written.split(/[\s,;]+/).filter(Boolean);
    const odd = parts.find((part) => !/^\d+$/.test(part));
    if (odd !== undefined) return `“${odd}” is no number of heads.`;
    if (parts.length < 2) return 'One square alone tells nothing of how they differ: count two at least.';
    if (all === null) return 'How many squares has the whole floor?';
    if (all < parts.length) return `More squares were counted than the floor has.`;
    return this.say(photoSquares(parts.map(Number), all)!);
  });

  protected readonly recaught = computed(() => {
    const [marked, caught, again] = [this.marked(), this.caught(), this.again()];
    if (marked === null || caught === null || again === null) return '';
    if (again > caught) return 'More known ones than were seen.';
    if (again > marked) return 'More known ones were seen than there are.';
    return this.say(markedAgain(marked, caught, again)!);
  });

  protected readonly ratio = computed(() => {
    const [sexed, females] = [this.sexed(), this.females()];
    if (sexed === null || females === null) return '';
    const found = sexShare(females, sexed);
    if (!found) return 'More females than were sexed.';
    const percent = (share: number): string => rounded(100 * share, 0, this.units());
    return `${percent(found.share)} % females, from ${percent(found.low)} to ${percent(found.high)} %.`;
  });

  protected readonly both = computed(() => {
    const count = this.unsexed();
    return count === null
      ? ''
      : `Both sexes are among them with a chance of ${rounded(100 * chanceOfBothSexes(count), 1, this.units())} %.`;
  });
}
