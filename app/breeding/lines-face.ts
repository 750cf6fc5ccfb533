import { mean } from 'd3-array';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { FATE_WORD } from '../../core/assessment/wording/broods';
import { effectiveSize, generationsUntil } from '../../core/breeding/inbreeding';
import { inbreedingOf, pairings } from '../../core/breeding/kinship';
import { BredAnimal, Fate, Line } from '../../core/breeding/model';
import { foundersOf, generationOf, kinshipOfRoom } from '../../core/breeding/pedigree';
import { inOrder } from '../../core/design/design';
import { addBred, addLine, dropBred, setBred } from '../../core/design/edits/brood-edits';
import { freshId } from '../../core/design/fresh-id';
import { rounded } from '../../core/quantity/format';
import { plural } from '../../core/quantity/plural';
import { dayOf } from '../../core/schedule/day';
import { chosenKind } from '../store/chosen-kind';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import type { Choice } from '../ui/choice';
import { download } from '../ui/download';
import { SelectField } from '../ui/select';
import { QuantityField } from '../ui/quantity-field';
import { PedigreeDrawing, type Drawn } from './pedigree-drawing';

/** Inbreeding from which losses of vigour are told in many kinds: that of young of half siblings (common practice). */
const COSTLY = 0.125;
/** Inbreeding that a line should stay under; young of brother and sister have it. */
const HEAVY = 0.25;

/** Lines of a kind: who came of whom, what a pairing costs, and how long a closed line has. */
@Component({
  selector: 'tr-lines-face',
  imports: [Check, PedigreeDrawing, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length === 0) {
      <p class="soft">Nobody lives here yet: name the animal on the Livestock bench, and its lines are kept here.</p>
    } @else {
      <div class="ask" data-control="lines">
        @if (kinds().length > 1) {
          <tr-select label="Of" [options]="kinds()" [value]="stockId()" (chosen)="stockId.set($event)" />
        }
        @if (lines().length > 0) {
          <tr-select label="Line" none="all of the kind" [options]="lines()" [value]="lineId()" (chosen)="lineId.set($event)" />
        }
        <button class="btn" type="button" [disabled]="locked()" (click)="adding.set('line')">A new line</button>
        <button class="btn" type="button" [disabled]="locked()" (click)="adding.set('animal')">A new animal or group</button>
      </div>
      @if (line(); as l) {
        <p>
          @if (l.locality) {
            From {{ l.locality }}; it takes in none of another place.
          } @else {
            Where its forebears were caught is not known.
          }
          @if (l.source) {
            Got from {{ l.source }}.
          }
          {{ l.note }}
        </p>
      }
      @switch (adding()) {
        @case ('line') {
          <form (submit)="$event.preventDefault(); keepLine(name.value, place.value, source.value)">
            <label><span class="small soft">Called</span><input class="field" maxlength="80" required #name /> </label>
            <label><span class="small soft">Caught at, if known</span><input class="field" maxlength="120" #place /> </label>
            <label><span class="small soft">Got from</span><input class="field" maxlength="120" #source /> </label>
            <button class="btn primary" type="submit">Keep this line</button>
            <button class="btn" type="button" (click)="adding.set(null)">Leave it</button>
          </form>
        }
        @case ('animal') {
          <form (submit)="$event.preventDefault(); keepAnimal(called.value, born.value, from.value)">
            <label><span class="small soft">Called</span><input class="field" maxlength="80" required #called /> </label>
            <tr-select label="It is" [options]="sexes" [value]="sex()" (chosen)="sex.set($event ?? 'unknown')" />
            @if (sex() === 'group') {
              <tr-quantity label="Males" kind="count" [limits]="[1, 10000]" [value]="males()" (quantity)="males.set($event)" />
              <tr-quantity label="Females" kind="count" [limits]="[1, 10000]" [value]="females()" (quantity)="females.set($event)" />
            }
            <tr-select label="Mother" none="not known" [options]="possible('male')" [value]="mother()" (chosen)="mother.set($event)" />
            <tr-select label="Father" none="not known" [options]="possible('female')" [value]="father()" (chosen)="father.set($event)" />
            <label><span class="small soft">Born on</span><input class="field" type="date" [max]="today" #born /> </label>
            <label [class.visually-hidden]="mother() !== null || father() !== null"
              ><span class="small soft">Wild, F1, F2 …</span><input class="field" maxlength="20" #from />
            </label>
            <button class="btn primary" type="submit">Keep it</button>
            <button class="btn" type="button" (click)="adding.set(null)">Leave it</button>
          </form>
        }
      }
      @if (fault(); as why) {
        <p class="error small" role="alert">{{ why }}</p>
      }
      @if (drawn().length === 0) {
        <p class="soft">
          No animal of this kind is in a pedigree yet. Begin with the founders: one animal each, or the group that spawns together as one.
        </p>
      } @else {
        <tr-pedigree [animals]="drawn()" [chosen]="openId()" (choose)="opened.set($event)" />
        <p class="small soft">
          F is inbreeding: the share of loci at which both forms are copies of one forebear’s. A broken line: not sure.
        </p>
        @if (one(); as o) {
          <section [attr.data-open]="openId()" class="open" aria-labelledby="one-heading">
            <h2 id="one-heading">{{ o.name }}</h2>
            <p>{{ o.blood }}</p>
            <div class="ask">
              <tr-select label="What becomes of it" [options]="fates" [value]="o.fate" [disabled]="locked()" (chosen)="fate($event)" />
              @for (goal of o.goals; track goal.id) {
                <tr-quantity
                  [label]="goal.name"
                  kind="number"
                  [limits]="[0, 10]"
                  placeholder="0 to 10"
                  [value]="goal.score"
                  [optional]="true"
                  [disabled]="locked()"
                  (quantity)="score(goal.id, $event)"
                  (cleared)="score(goal.id, null)"
                />
              }
              <button class="pick" type="button" [disabled]="locked()" (click)="drop()">Take it out of the pedigree</button>
            </div>
          </section>
        }
        <p class="small take">
          <button class="pick" type="button" (click)="asTable()">Take the pedigree as a table</button>
          <tr-check [checked]="masked()" (changed)="masked.set($event)">without the places it was caught at</tr-check>
        </p>
        <section class="pairs" aria-labelledby="pairs-heading">
          <h2 id="pairs-heading">What a pairing costs</h2>
          @if (pairs().length === 0) {
            <p class="soft">No hen and cock of it are there to be paired: a group breeds by itself.</p>
          } @else {
            <table>
              <thead>
                <tr>
                  <th scope="col">Mother</th>
                  <th scope="col">Father</th>
                  <th scope="col" class="num">F of their young</th>
                  <td></td>
                </tr>
              </thead>
              <tbody>
                @for (pair of pairs(); track pair.key) {
                  <tr>
                    <td>{{ pair.mother }}</td>
                    <td>{{ pair.father }}</td>
                    <td class="num">{{ pair.percent }} %</td>
                    <td class="soft">{{ pair.said }}</td>
                  </tr>
                }
              </tbody>
            </table>
          }
          @if (outlook(); as text) {
            <p class="small">{{ text }}</p>
          }
        </section>
      }
    }
  `,
  styles: `
    .ask,
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 14px;
      margin: 6px 0 10px;
    }
    label {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    tr-quantity {
      width: 128px;
    }
    .open,
    .pairs {
      margin-top: 12px;
      padding-top: 8px;
      border-top: 1px solid var(--rule);
    }
    .take {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 16px;
    }
    tr-pedigree {
      display: block;
      margin: 10px 0 4px;
    }
    .pairs :is(td, th):first-child {
      padding-left: 0;
    }
    .num {
      text-align: right;
      white-space: nowrap;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class LinesFace {
  private readonly view = inject(TankView);
  private readonly session = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  private readonly chosenOne = chosenKind(this.view);
  protected readonly kinds = this.chosenOne.kinds;
  protected readonly stockId = this.chosenOne.stockId;
  protected readonly today = dayOf(new Date());
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly adding = signal<'line' | 'animal' | null>(null);
  protected readonly sex = signal<'female' | 'male' | 'unknown' | 'group'>('unknown');
  protected readonly males = signal(1);
  protected readonly females = signal(1);
  protected readonly mother = signal<string | null>(null);
  protected readonly father = signal<string | null>(null);
  private readonly refused = signal<string | null>(null);
  protected readonly sexes: readonly Choice<'female' | 'male' | 'unknown' | 'group'>[] = [
    { value: 'female', text: 'a female' },
    { value: 'male', text: 'a male' },
    { value: 'unknown', text: 'one of unknown sex' },
    { value: 'group', text: 'a group that spawns together' },
  ];
  protected readonly fates = Fate.options.map((value): Choice<Fate> => ({ value, text: FATE_WORD[value] }));

  private readonly organismId = computed(() => this.view.design()?.stock[this.stockId() ?? '']?.organismId ?? '');
  private readonly room = computed(() => this.view.room());
  protected readonly lines = computed(() =>
    inOrder(this.room()?.lines ?? {})
      .filter(([, { organismId }]) => organismId === this.organismId())
      .map(([value, { name }]): Choice<string> => ({ value, text: name })),
  );
  protected readonly lineId = linkedSignal<string | null, string | null>({
    source: () => this.lines()[0]?.value ?? null,
    computation: (first) => first,
  });
  protected readonly line = computed(() => this.room()?.lines[this.lineId() ?? ''] ?? null);
  private readonly kinship = computed(() => kinshipOfRoom(this.room()?.bred ?? {}));
  private readonly ofKind = computed(() => inOrder(this.room()?.bred ?? {}).filter(([, one]) => one.organismId === this.organismId()));
  private readonly shown = computed(() => {
    const lineId = this.lineId();
    return this.ofKind().filter(([, one]) => lineId === null || one.lineId === lineId);
  });
  protected readonly drawn = computed(() => {
    const bred = this.room()?.bred ?? {};
    return this.shown().map(([id, one]): Drawn => ({
      id,
      name: one.name,
      sex: one.sex,
      group: one.group !== null,
      generation: generationOf(bred, id),
      inbreeding: inbreedingOf(this.kinship(), id),
      past: PAST.has(one.fate),
      motherId: one.motherId,
      fatherIds: one.fatherIds,
    }));
  });
  protected readonly masked = signal(true);
  protected readonly opened = signal<string | null>(null);
  protected readonly openId = computed(() => {
    const id = this.opened();
    return id !== null && this.shown().some(([key]) => key === id) ? id : null;
  });
  protected readonly one = computed(() => {
    const [room, id] = [this.room(), this.openId()];
    const animal = room?.bred[id ?? ''];
    if (!room || !id || !animal) return null;
    const shares = [...(foundersOf(room.bred).get(id) ?? [])].sort(([, a], [, b]) => b - a);
    const f = inbreedingOf(this.kinship(), id);
    const blood = shares.map(([founder, share]) => `${this.percent(share)} % of ${room.bred[founder]!.name}`).join(', ');
    return {
      name: animal.name,
      fate: animal.fate,
      blood: `${shares.length === 1 && shares[0]![0] === id ? 'A founder.' : `Blood: ${blood}.`} Inbreeding ${this.percent(f)} %. ${animal.note}`,
      goals: inOrder(room.lines[animal.lineId ?? '']?.goals ?? {}).map(([goal, { name }]) => ({
        id: goal,
        name,
        score: animal.scores[goal] ?? null,
      })),
    };
  });
  private readonly there = computed(() => this.shown().filter(([, { fate }]) => !PAST.has(fate)));
  private readonly allPairs = computed(() => {
    const of = (sex: BredAnimal['sex']) =>
      this.there()
        .filter(([, one]) => one.sex === sex && one.group === null)
        .map(([id]) => id);
    return pairings(this.kinship(), of('female'), of('male'));
  });
  /** Pairings of those that are there, the cheapest first. */
  protected readonly pairs = computed(() => {
    const bred = this.room()?.bred ?? {};
    return this.allPairs()
      .slice(0, 12)
      .map(({ motherId, fatherId, inbreeding }) => ({
        key: `${motherId} ${fatherId}`,
        mother: bred[motherId]!.name,
        father: bred[fatherId]!.name,
        percent: this.percent(inbreeding),
        said:
          inbreeding < 1e-9
            ? 'not kin, as far as is known'
            : inbreeding < COSTLY
              ? 'little'
              : inbreeding < HEAVY
                ? 'costly: as half siblings, or worse'
                : 'heavy: as brother and sister, or worse',
      }));
  });
  protected readonly outlook = computed(() => {
    const sum = (count: (one: BredAnimal) => number) => this.there().reduce((total, [, one]) => total + count(one), 0);
    const males = sum(({ sex, group }) => group?.males ?? (sex === 'male' ? 1 : 0));
    const females = sum(({ sex, group }) => group?.females ?? (sex === 'female' ? 1 : 0));
    if (males === 0 || females === 0) return null;
    const size = effectiveSize(males, females);
    const now = mean(this.allPairs(), ({ inbreeding }) => inbreeding) ?? 0;
    const left = now >= HEAVY ? 0 : Math.floor(generationsUntil(1 - (1 - HEAVY) / (1 - now), size));
    const until =
      left === 0
        ? 'Paired by chance, their very young are as inbred as those of brother and sister, or more: pair those at the top of the table, or bring in fresh stock.'
        : `Paired by chance, the line is after ${plural(left, 'generation')} as inbred as young of brother and sister: bring in fresh stock before that.`;
    return `${plural(males, 'male')} and ${plural(females, 'female')}: as a closed line they count for ${rounded(size, 1, this.units())}, and each generation adds ${this.percent(1 / (2 * size))} %. ${until} From the same place, where the line keeps to one. True lines lose faster, as few parents leave most of the young.`;
  });
  /** Why the last edit was not taken. */
  protected readonly fault = computed(() => {
    const refused = this.view.roomState()?.refusals ?? [];
    return this.refused() ?? (refused.length > 0 ? `Not kept: ${refused.map(({ reason }) => reason).join('; ')}.` : null);
  });

  protected possible(not: 'female' | 'male'): Choice<string>[] {
    return this.ofKind()
      .filter(([, { sex }]) => sex !== not)
      .map(([value, { name }]) => ({ value, text: name }));
  }

  protected keepLine(name: string, locality: string, source: string): void {
    const room = this.room();
    if (!room) return;
    const draft = { name, organismId: this.organismId(), locality, source, goals: {}, homesPerMonth: null, note: '' };
    const read = Line.safeParse({ ...draft, order: 0 });
    if (!read.success) return this.refused.set(`Not kept: ${read.error.issues.map(({ message }) => message).join('; ')}.`);
    const id = freshId();
    this.refused.set(null);
    if (!this.session.editRoom(`Line ${name}`, addLine(room, id, read.data))) return;
    this.lineId.set(id);
    this.adding.set(null);
  }

  protected keepAnimal(name: string, born: string, generation: string): void {
    const room = this.room();
    if (!room) return;
    const [sex, mother, father] = [this.sex(), this.mother(), this.father()];
    const founder = mother === null && father === null;
    const read = BredAnimal.safeParse({
      order: 0,
      name,
      organismId: this.organismId(),
      lineId: this.lineId(),
      sex: sex === 'female' || sex === 'male' ? sex : null,
      group: sex === 'group' ? { males: this.males(), females: this.females() } : null,
      motherId: mother,
      fatherIds: father === null ? [] : [father],
      bornOn: born || null,
      generation: founder ? generation : '',
      identity: 'sure',
      apartSince: null,
      scores: {},
      fate: 'undecided',
      note: '',
    });
    if (!read.success) return this.refused.set(`Not kept: ${read.error.issues.map(({ message }) => message).join('; ')}.`);
    this.refused.set(null);
    const id = freshId();
    if (!this.session.editRoom(`${name} in the pedigree`, addBred(room, id, read.data))) return;
    this.opened.set(id);
    this.adding.set(null);
    this.mother.set(null);
    this.father.set(null);
  }

  protected fate(fate: Fate | null): void {
    const id = this.openId();
    if (id && fate) this.session.editRoom('What becomes of an animal', setBred(id, 'fate', fate));
  }

  protected score(goal: string, score: number | null): void {
    const id = this.openId();
    const animal = this.room()?.bred[id ?? ''];
    if (!id || !animal) return;
    const { [goal]: _, ...others } = animal.scores;
    this.session.editRoom('Score', setBred(id, 'scores', score === null ? others : { ...others, [goal]: score }));
  }

  protected drop(): void {
    const [room, id] = [this.room(), this.openId()];
    if (room && id) this.session.editRoom('Out of the pedigree', dropBred(room, id));
  }

  protected async asTable(): Promise<void> {
    const room = this.room();
    const { pedigreeCsv } = await import('../../core/breeding/csv-out');
    if (room) download('pedigree.csv', pedigreeCsv(room.lines, room.bred, this.organismId(), this.masked()), 'text/csv');
  }

  private percent(share: number): string {
    return rounded(share * 100, 1, this.units());
  }
}

/** What is no more there to be paired. */
const PAST: ReadonlySet<Fate> = new Set<Fate>(['gone', 'died', 'pet', 'sale', 'exchange']);
