import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Operation } from 'rfc6902';
import { broodKindOf, broodWarmthC } from '../../core/assessment/plan/brood-days';
import { wordBroodDays } from '../../core/assessment/wording/brood-days';
import { REARED_WORD } from '../../core/assessment/wording/broods';
import { culturesOf, firstFoods } from '../../core/breeding/first-food';
import { Brood, Reared, type BredAnimal } from '../../core/breeding/model';
import { generationAfter, generationOf } from '../../core/breeding/pedigree';
import { broodTimeline, type BroodStage } from '../../core/breeding/timeline';
import { FOODS } from '../../core/catalogue/food';
import { inOrder } from '../../core/design/design';
import { dropBrood, sawStage, setBrood } from '../../core/design/edits/brood-edits';
import { addPlan } from '../../core/design/edits/step-edits';
import { addLot } from '../../core/design/edits/lot-edits';
import { freshId } from '../../core/design/fresh-id';
import { holdingsOf } from '../../core/lots/holdings';
import { rounded } from '../../core/quantity/format';
import { plural } from '../../core/quantity/plural';
import { Day, dayOf, daysFrom } from '../../core/schedule/day';
import { NO_STEP, type PlannedStep } from '../../core/schedule/step';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import type { Choice } from '../ui/choice';
import { datedDay, shortDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

/** One brood: its days, expected and seen, how many there were, and who its parents are. */
@Component({
  selector: 'tr-brood-sheet',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (brood(); as b) {
      <section [attr.data-sheet]="id()" aria-labelledby="brood-heading">
        <h2 id="brood-heading">Brood of {{ said(b.seen.laid!) }}</h2>
        <div class="fields">
          @for (field of counts; track field.key) {
            <tr-quantity
              [label]="field.label"
              kind="count"
              [limits]="[0, 1000000]"
              [value]="b[field.key]"
              [optional]="true"
              [disabled]="locked()"
              placeholder="not counted"
              (quantity)="count(field.key, $event)"
              (cleared)="count(field.key, null)"
            />
          }
          <tr-quantity
            label="Eggs are at"
            kind="temperature"
            [limits]="[0, 40]"
            [value]="b.eggsAtC"
            [optional]="true"
            [disabled]="locked()"
            [placeholder]="usual()"
            (quantity)="put('eggsAtC', $event, 'Warmth of the eggs')"
            (cleared)="put('eggsAtC', null, 'Warmth of the eggs')"
          />
          <tr-select
            label="How it is raised"
            none="not stated"
            [options]="ways"
            [value]="b.reared"
            [disabled]="locked()"
            (chosen)="put('reared', $event, 'How a brood is raised')"
          />
          <tr-select
            label="Mother"
            none="not known"
            [options]="mothers()"
            [value]="b.motherId"
            [disabled]="locked()"
            (chosen)="put('motherId', $event, 'Mother of a brood')"
          />
          <tr-select
            [label]="b.fatherIds.length > 0 ? 'Or another father' : 'Father'"
            [none]="b.fatherIds.length > 0 ? 'none' : 'not known'"
            [options]="fathers()"
            [value]="null"
            [disabled]="locked()"
            (chosen)="father($event)"
          />
          @if (b.fatherIds.length > 0) {
            <p class="small wide">
              Father: {{ fatherNames() }}.
              <button class="pick" type="button" [disabled]="locked()" (click)="put('fatherIds', [], 'Father of a brood')">
                Not known
              </button>
            </p>
          }
        </div>
        @if (fault(); as why) {
          <p class="error small" role="alert">{{ why }}</p>
        }
      </section>
    }
    <table aria-label="The days of a brood">
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">When</th>
          @if (brood()) {
            <th scope="col">Seen on</th>
          }
          <th scope="col">To do</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.key) {
          <tr [attr.data-stage]="row.key" [class.between]="row.stage === null">
            <th scope="row">{{ row.name }}</th>
            <td class="when">{{ row.when }}</td>
            @if (brood()) {
              <td>
                @if (row.stage) {
                  <input
                    type="date"
                    class="field"
                    [max]="today"
                    [attr.aria-label]="row.name + ', seen on'"
                    [value]="row.seen ? row.from : ''"
                    [disabled]="locked()"
                    #day
                    (change)="saw(row.stage, day)"
                  />
                }
              </td>
            }
            <td>{{ row.todo }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (cultures().length > 0) {
      <section data-control="first-food" aria-labelledby="cultures-heading">
        <h2 id="cultures-heading">Cultures, counted back</h2>
        <ul>
          @for (one of cultures(); track one.foodId) {
            <li>
              <strong>{{ one.name }}</strong> ({{ one.size }}), wanted from {{ said(one.wanted) }}: set up
              @if (one.lateDays > 0) {
                <strong class="late">now: it comes up to {{ one.late }} late</strong>; buy or borrow one that bears.
              } @else {
                by {{ said(one.setUp) }}, a second by {{ said(one.second) }}.
              }
              <span class="soft">{{ one.how }}.</span>
            </li>
          }
        </ul>
        @if (brood()) {
          <button class="btn" type="button" [disabled]="locked()" (click)="planCultures()">Put them on the plan of Care</button>
        }
      </section>
    }
    @if (brood(); as b) {
      <label class="note">
        <span class="small soft">What there is to remember of it</span>
        <textarea
          rows="2"
          maxlength="500"
          class="field"
          [value]="b.note"
          [disabled]="locked()"
          #note
          (change)="put('note', note.value, 'Note on a brood')"
        ></textarea>
      </label>
      <p class="acts">
        @if (!b.lotId && young(); as n) {
          <button class="btn" type="button" [disabled]="locked()" (click)="amongStock(n)">Put {{ n }} among the living stock</button>
        }
        @if (b.overOn) {
          <button class="btn" type="button" [disabled]="locked()" (click)="put('overOn', null, 'Brood goes on')">
            It goes on after all
          </button>
        } @else {
          <button class="btn" type="button" [disabled]="locked()" (click)="put('overOn', today, 'Brood is over')">
            Nothing more comes of it
          </button>
        }
        <button class="pick" type="button" [disabled]="locked()" (click)="drop()">Strike it out</button>
        @if (b.lotId) {
          <span class="small soft">Its young stand among the living stock of the room.</span>
        }
      </p>
    }
  `,
  styles: `
    .fields {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-start;
      gap: 8px 14px;
      margin: 4px 0 12px;
    }
    tr-quantity {
      width: 104px;
    }
    .wide {
      flex-basis: 100%;
    }
    thead th:first-child {
      padding-left: 0;
    }
    tbody th {
      width: 158px;
      padding: 7px 12px 7px 0;
      border-top: 1px solid var(--rule);
      color: var(--ink);
      font-size: 14.5px;
      font-weight: 700;
      text-align: left;
    }
    .when {
      width: 132px;
      font-variant-numeric: tabular-nums;
    }
    .between th {
      font-style: italic;
      font-weight: 400;
    }
    td .field {
      width: 132px;
    }
    ul {
      margin: 2px 0 8px;
      padding-left: 18px;
    }
    .late {
      color: var(--oxide);
    }
    section[data-control='first-food'] {
      margin-top: 12px;
    }
    .note {
      display: flex;
      flex-direction: column;
      gap: 2px;
      margin-top: 10px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      margin-top: 8px;
    }
    @media (max-width: 719px) {
      tbody th,
      .when {
        width: auto;
      }
    }
  `,
})
export class BroodSheet {
  private readonly view = inject(TankView);
  private readonly session = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  /** The brood that is written down; null for one that is only tried. */
  readonly id = input.required<string | null>();
  readonly organismId = input.required<string>();
  readonly laid = input.required<Day>();
  readonly gone = output();

  protected readonly today = dayOf(new Date());
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly ways = Reared.options.map((value): Choice<Reared> => ({ value, text: REARED_WORD[value] }));
  protected readonly counts = [
    { key: 'eggs', label: 'Eggs' },
    { key: 'hatched', label: 'Hatched or born' },
    { key: 'raised', label: 'Raised' },
  ] as const;

  protected readonly brood = computed(() => this.view.room()?.broods[this.id() ?? ''] ?? null);
  private readonly animal = computed(() => {
    const organism = this.view.catalogue()?.organisms.get(this.organismId());
    return organism?.kind === 'animal' ? organism : null;
  });
  protected readonly usual = computed(() => {
    const animal = this.animal();
    return animal && broodWarmthC(animal) !== null ? 'as usual' : 'not stated';
  });
  protected readonly said = (day: Day): string => datedDay(day, this.today);
  protected readonly rows = computed(() => {
    const [animal, brood] = [this.animal(), this.brood()];
    const lines =
      animal &&
      wordBroodDays(animal, brood?.seen.laid ?? this.laid(), { seen: brood?.seen ?? {}, eggsAtC: brood?.eggsAtC ?? null }, this.units());
    return (lines ?? []).map((line) => ({
      ...line,
      seen: line.seen || (line.stage === 'laid' && brood !== null),
      when: line.from === line.to ? this.said(line.from) : `${this.said(line.from)} – ${this.said(line.to)}`,
    }));
  });

  protected readonly cultures = computed(() => {
    const [animal, brood] = [this.animal(), this.brood()];
    const kind = animal && broodKindOf(animal, brood?.eggsAtC ?? null);
    const text = animal?.traits.breeding.firstFood.value;
    if (!kind || !text || brood?.overOn) return [];
    const stages = broodTimeline(kind, brood?.seen.laid ?? this.laid(), brood?.seen ?? {});
    return culturesOf(firstFoods(text), stages, this.today).map((one) => {
      const { name, acrossMm, culture } = FOODS[one.foodId];
      const size = acrossMm ? `${acrossMm.map((mm) => rounded(mm, 2, this.units())).join(' to ')} mm` : '';
      return { ...one, name, size, how: culture?.how ?? '', late: plural(one.lateDays, 'day') };
    });
  });

  private readonly animals = computed(() =>
    inOrder(this.view.room()?.bred ?? {}).filter(([, one]) => one.organismId === this.organismId()),
  );
  private readonly choices = (not: BredAnimal['sex']): Choice<string>[] =>
    this.animals()
      .filter(([, { sex }]) => sex !== not)
      .map(([value, { name }]) => ({ value, text: name }));
  protected readonly mothers = computed(() => this.choices('male'));
  protected readonly fathers = computed(() => this.choices('female').filter(({ value }) => !this.brood()?.fatherIds.includes(value)));
  protected readonly fatherNames = computed(() => {
    const bred = this.view.room()?.bred ?? {};
    return (this.brood()?.fatherIds ?? []).map((id) => bred[id]?.name ?? id).join(' or ');
  });
  protected readonly young = computed(() => {
    const { raised, hatched } = this.brood() ?? {};
    return raised ?? hatched ?? null;
  });
  /** Why the last edit was not taken. */
  protected readonly fault = computed(() => {
    const refused = this.view.roomState()?.refusals ?? [];
    return refused.length > 0 ? `Not kept: ${refused.map(({ reason }) => reason).join('; ')}.` : null;
  });

  protected count(key: 'eggs' | 'hatched' | 'raised', value: number | null): void {
    this.put(key, value, 'Count of a brood');
  }

  protected put<K extends keyof Brood>(field: K, value: Brood[K], label: string): void {
    this.edit(label, (id) => setBrood(id, field, value));
  }

  protected saw(stage: BroodStage, field: HTMLInputElement): void {
    const [brood, day] = [this.brood(), field.value];
    if (!brood || (day !== '' && !Day.safeParse(day).success)) return;
    // a brood begins on some day
    if (day === '' && stage === 'laid') field.value = brood.seen.laid!;
    else if (!this.edit('Day of a brood', (id) => sawStage(id, stage, day === '' ? null : day, brood)))
      field.value = brood.seen[stage] ?? '';
  }

  protected father(fatherId: string | null): void {
    const brood = this.brood();
    if (brood && fatherId !== null) this.put('fatherIds', [...brood.fatherIds, fatherId], 'Father of a brood');
  }

  protected drop(): void {
    if (this.edit('Strike a brood out', (id) => dropBrood(id))) this.gone.emit();
  }

  /** What should have been set up before is set up today. */
  protected planCultures(): void {
    const [design, brood] = [this.view.design(), this.brood()];
    if (!design || !brood) return;
    const days = this.cultures().map(({ foodId, setUp }) => ({ foodId, after: Math.max(0, daysFrom(this.today, setUp)) }));
    const steps = days.map(({ foodId, after }): PlannedStep => ({ ...NO_STEP, after, code: 'culture', subjects: [foodId] }));
    this.session.edit('First food', addPlan(design, `First food, brood of ${shortDay(brood.seen.laid!)}`, this.today, steps, freshId()));
  }

  /** Young that can be counted on are lots of the room from here on. */
  protected amongStock(amount: number): void {
    const [room, brood, tankId] = [this.view.room(), this.brood(), this.view.design()?.id];
    if (!room || !brood || !tankId || amount === 0) return;
    const here = holdingsOf(room.lots, room.moves).holdings.filter(({ place }) => place === tankId);
    const parent = here.find(({ lotId }) => room.lots[lotId]?.organismId === brood.organismId)?.lotId ?? null;
    const mother = room.bred[brood.motherId ?? ''];
    const lotId = freshId();
    const born = brood.seen.hatched ?? brood.seen.swimming ?? this.today;
    const lot = {
      kind: 'animal' as const,
      organismId: brood.organismId,
      name: `Brood of ${shortDay(brood.seen.laid!)}`,
      from: '',
      parentId: parent,
      line: room.lines[mother?.lineId ?? '']?.name ?? '',
      generation: brood.motherId === null ? '' : generationAfter(generationOf(room.bred, brood.motherId)),
      ateOn: null,
      surplus: 0,
      home: '',
    };
    this.edit('Brood among the living stock', (id) => [
      ...addLot(room, lotId, lot, { day: born, amount, to: tankId }),
      ...setBrood(id, 'lotId', lotId),
    ]);
  }

  private edit(label: string, patch: (id: string) => Operation[]): boolean {
    const id = this.id();
    return id !== null && this.session.editRoom(label, patch(id));
  }
}
