import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, resource, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { animalSearch } from '../../core/catalogue/name-search';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { addLot, addMark, addMove, dropLot, pastFault } from '../../core/design/edits/lot-edits';
import { withOwn } from '../../core/design/own-catalogue';
import type { Room } from '../../core/design/room';
import { CONDITIONS, ConditionId } from '../../core/health/conditions';
import { sentence } from '../../core/assessment/wording/words';
import { contactsInRoom } from '../../core/assessment/room-contacts';
import type { Contact } from '../../core/health/contact';
import { holdingsOf, type Holdings } from '../../core/lots/holdings';
import { lossesOf } from '../../core/lots/losses';
import { LOT_MEASURE, MOVE_ENDS, ON_THE_SHELF, type Lot, type LotKind, type MoveWhy } from '../../core/lots/model';
import { formatQuantity } from '../../core/quantity/format';
import { dayOf } from '../../core/schedule/day';
import { freshId } from '../../core/design/fresh-id';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import type { TankSummary } from '../store/summary';
import type { Choice } from '../ui/choice';
import { datedDay } from '../ui/day-text';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';
import { Parcel } from './parcel';

const KINDS: readonly Choice<LotKind>[] = [
  { value: 'animal', text: 'animals' },
  { value: 'plant', text: 'plants' },
  { value: 'media', text: 'filter media' },
  { value: 'soil', text: 'soil' },
];
const WHYS: readonly Choice<MoveWhy>[] = [
  { value: 'moved', text: 'moved' },
  { value: 'counted', text: 'counted' },
  { value: 'born', text: 'born' },
  { value: 'died', text: 'died' },
  { value: 'left', text: 'gone to a home' },
  { value: 'arrived', text: 'more came' },
];
const WHY_SAID: Readonly<Record<MoveWhy, string>> = {
  moved: 'moved',
  counted: 'counted',
  born: 'born',
  died: 'died',
  left: 'left',
  arrived: 'came',
};
/** Lines of the past that are shown of a lot. */
const MOST_PAST = 8;

/** Animals, plants, media and soil of the room as lots: where they are, since when, from where, and what happened to them. */
@Component({
  selector: 'tr-living-stock',
  imports: [NgTemplateOutlet, Parcel, QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './living-stock.html',
  styleUrl: './living-stock.less',
})
export class LivingStock {
  readonly room = input.required<Room>();
  readonly tanks = input.required<readonly TankSummary[]>();
  readonly patch = output<{ label: string; patch: Operation[] }>();
  private readonly units = inject(PreferencesStore).units;
  private readonly library = inject(Library);
  protected readonly today = dayOf(new Date());
  protected readonly kinds = KINDS;
  protected readonly whys = WHYS;
  protected readonly conditions: readonly Choice<ConditionId>[] = ConditionId.options.map((value) => ({
    value,
    text: CONDITIONS[value].name,
  }));

  private readonly loaded = resource({
    params: () => this.room().own,
    loader: async ({ params }) => withOwn(await this.library.catalogue(), params),
  });
  private readonly catalogue = computed(() => (this.loaded.hasValue() ? this.loaded.value() : null));
  /** Names as people type them, for the list under the field. */
  protected readonly names = computed(() =>
    [...(this.catalogue()?.organisms.values() ?? [])]
      .filter(({ retiredTo }) => !retiredTo)
      .map(({ latin, common }) => `${latin} (${common[0]})`),
  );

  protected readonly places = computed((): Choice<string>[] => [
    ...this.tanks().map(({ id, name }) => ({ value: id, text: name })),
    { value: ON_THE_SHELF, text: 'tubs and buckets' },
  ]);
  private placeName(place: string): string {
    return this.places().find(({ value }) => value === place)?.text ?? 'a tank that is no more';
  }

  private readonly held = computed((): Holdings => holdingsOf(this.room().lots, this.room().moves));
  private readonly contacts = computed(() => this.contactsIn(this.room(), this.held()));

  private contactsIn(room: Room, held: Holdings): Contact[] {
    return contactsInRoom(room, held, this.catalogue()?.organisms ?? new Map());
  }

  protected readonly rows = computed(() => {
    const { holdings, sums } = this.held();
    const organisms = this.catalogue()?.organisms;
    return inOrder(this.room().lots).map(([id, lot]) => {
      const sum = sums.get(id)!;
      const marks = new Set(this.contacts().flatMap(({ condition, lotId }) => (lotId === id ? [CONDITIONS[condition].name] : [])));
      return {
        id,
        lot,
        latin: lot.organismId ? (organisms?.get(lot.organismId)?.latin ?? lot.organismId) : '',
        where: holdings
          .filter(({ lotId }) => lotId === id)
          .map(({ place, amount, error, since }) => ({
            place,
            text: `${this.amount(lot, amount)}${error > 0 ? ` ± ${error}` : ''} in ${this.placeName(place)}`,
            since: `since ${datedDay(since, this.today)}`,
          })),
        from: [lot.parentId ? `born of ${this.room().lots[lot.parentId]?.name ?? '?'}` : lot.from, lot.line, lot.generation]
          .filter(Boolean)
          .join(', '),
        gone: [
          ...(sum.died > 0 ? [`${sum.died} died`] : []),
          ...(sum.left > 0 ? [`${sum.left} gone to homes`] : []),
          ...(sum.found !== 0 ? [sum.found > 0 ? `${sum.found} more than thought` : `${-sum.found} missing at a count`] : []),
        ].join(', '),
        surplus: lot.surplus > 0 ? `${this.amount(lot, lot.surplus)} to go${lot.home ? `: ${lot.home}` : ''}` : '',
        marks: [...marks].join(', '),
      };
    });
  });

  private amount(lot: Lot, value: number): string {
    return LOT_MEASURE[lot.kind] === 'count' ? String(value) : formatQuantity('volume', value, this.units());
  }
  protected measureOf = (lot: Lot) => LOT_MEASURE[lot.kind];

  /** The lot that is opened. */
  protected readonly opened = signal<string | null>(null);
  protected readonly open = computed(() => this.rows().find(({ id }) => id === this.opened()) ?? null);
  protected readonly why = signal<MoveWhy>('moved');
  protected readonly howMany = signal<number | null>(null);
  protected readonly error = signal(0);
  protected readonly fromPlace = signal<string | null>(null);
  protected readonly toPlace = signal<string | null>(null);
  protected readonly day = signal<string>(this.today);
  protected readonly fault = signal<string | null>(null);
  protected readonly sendOpen = signal(false);

  protected readonly asks = computed(() => {
    const [from, to] = MOVE_ENDS[this.why()];
    return { from, to, error: this.why() === 'counted' };
  });
  /** Where some of the opened lot are. */
  protected readonly heldIn = computed((): Choice<string>[] =>
    (this.open()?.where ?? []).map(({ place, text }) => ({
      value: place,
      text: text.split(' in ').slice(1).join(' in ') || this.placeName(place),
    })),
  );

  /** What is written down so far, as a move; null while something is missing. */
  private readonly planned = computed(() => {
    const lotId = this.opened();
    const amount = this.howMany();
    const { from, to, error } = this.asks();
    const source = from ? (this.fromPlace() ?? this.heldIn()[0]?.value ?? null) : null;
    const target = to
      ? (this.toPlace() ?? (this.why() === 'counted' || this.why() === 'born' ? (this.heldIn()[0]?.value ?? null) : null))
      : null;
    if (lotId === null || amount === null || (from && source === null) || (to && target === null)) return null;
    return { day: this.day(), lotId, why: this.why(), amount, error: error ? this.error() : 0, from: source, to: target, note: '' };
  });
  protected readonly chosenFrom = computed(() => this.fromPlace() ?? this.heldIn()[0]?.value ?? null);
  protected readonly chosenTo = computed(
    () => this.toPlace() ?? (this.why() === 'counted' || this.why() === 'born' ? (this.heldIn()[0]?.value ?? null) : null),
  );

  /** What would come along with the move, said before it is written down. */
  protected readonly alongWith = computed(() => {
    const move = this.planned();
    if (!move || move.to === null || move.to === ON_THE_SHELF || pastFault(move.day, this.today)) return null;
    const room = this.room();
    const moves = { ...room.moves, planned: { ...move, order: nextOrder(room.moves) } };
    const after = holdingsOf(room.lots, moves);
    if (after.faults.length > 0) return null;
    const known = new Set(
      this.contacts().flatMap(({ condition, place, lotId }) => (place === move.to && lotId === null ? [condition] : [])),
    );
    const fresh = this.contactsIn({ ...room, moves }, after).filter(
      ({ place, lotId, condition }) => place === move.to && lotId === null && !known.has(condition),
    );
    const names = [...new Set(fresh.map(({ condition }) => CONDITIONS[condition].name))];
    return names.length === 0
      ? null
      : `${sentence(names.join(' and ')).slice(0, -1)} may come along into ${this.placeName(move.to)}. Four weeks apart first, or never.`;
  });

  protected pick(id: string): void {
    this.opened.set(this.opened() === id ? null : id);
    this.howMany.set(null);
    this.error.set(0);
    this.fromPlace.set(null);
    this.toPlace.set(null);
    this.fault.set(null);
    this.sendOpen.set(false);
  }

  protected write(): void {
    const move = this.planned();
    if (!move) return this.fault.set('Say how many, and where.');
    const fault = pastFault(move.day, this.today) ?? this.faultOf(move);
    this.fault.set(fault);
    if (fault) return;
    this.patch.emit({
      label: `${this.open()!.lot.name} ${WHY_SAID[move.why]}`,
      patch: addMove(this.room(), freshId(), move),
    });
    this.howMany.set(null);
  }

  /** What is wrong with a move among the others, before it is tried. */
  private faultOf(move: Omit<Room['moves'][string], 'order'>): string | null {
    const room = this.room();
    if (move.from !== null && move.from === move.to) return 'It is there already.';
    const { faults } = holdingsOf(room.lots, { ...room.moves, planned: { ...move, order: nextOrder(room.moves) } });
    const own = faults.find(({ moveId }) => moveId === 'planned') ?? faults[0];
    return own ? `Not written down: ${own.reason}.` : null;
  }

  /** What happened to the opened lot, last first. */
  protected readonly past = computed(() => {
    const lotId = this.opened();
    const all = inOrder(this.room().moves)
      .filter(([, move]) => move.lotId === lotId)
      .sort(([, a], [, b]) => (a.day < b.day ? 1 : a.day > b.day ? -1 : b.order - a.order));
    const lot = lotId === null ? undefined : this.room().lots[lotId];
    const marks = inOrder(this.room().marks).filter(([, mark]) => mark.lotId === lotId);
    return [
      ...marks.map(([id, { day, condition, state }]) => ({
        id,
        table: 'marks',
        text: `${datedDay(day, this.today)}: ${CONDITIONS[condition].name} ${state}`,
      })),
      ...all.slice(0, MOST_PAST).map(([id, { day, why, amount, error, from, to }]) => ({
        id,
        table: 'moves',
        text: `${datedDay(day, this.today)}: ${lot ? this.amount(lot, amount) : amount}${error > 0 ? ` ± ${error}` : ''} ${WHY_SAID[why]}${from ? ` from ${this.placeName(from)}` : ''}${to ? ` ${why === 'counted' || why === 'born' ? 'in' : 'to'} ${this.placeName(to)}` : ''}`,
      })),
    ];
  });

  protected takeBack(table: string, id: string): void {
    const { [id]: _, ...moves } = this.room().moves;
    const fault = table === 'moves' ? (holdingsOf(this.room().lots, moves).faults[0]?.reason ?? null) : null;
    this.fault.set(fault && `Not taken back: what follows would not add up (${fault}).`);
    if (!fault) this.patch.emit({ label: 'Taken back', patch: [{ op: 'remove', path: pointer(table, id) }] });
  }

  protected seen(condition: ConditionId | null, state: 'seen' | 'over'): void {
    const lotId = this.opened();
    if (condition === null || lotId === null) return;
    this.patch.emit({
      label: `${CONDITIONS[condition].name} ${state}`,
      patch: addMark(this.room(), freshId(), { day: this.today, condition, state, lotId, place: null, note: '' }),
    });
  }

  protected set(part: 'name' | 'from' | 'line' | 'generation' | 'home' | 'ateOn' | 'surplus', value: string | number | null): void {
    const id = this.opened();
    if (id === null) return;
    const clean = typeof value === 'string' ? value.trim() : value;
    if (this.room().lots[id]?.[part] === clean) return;
    if (part === 'name' && clean === '') return;
    this.patch.emit({ label: 'Lot', patch: [{ op: 'replace', path: pointer('lots', id, part), value: clean }] });
  }

  protected drop(): void {
    const id = this.opened();
    if (id !== null) this.patch.emit({ label: 'Lot struck off', patch: dropLot(this.room(), id) });
    this.opened.set(null);
  }

  // what is new
  protected readonly newKind = signal<LotKind>('animal');
  protected readonly newName = signal('');
  protected readonly newCount = signal<number | null>(null);
  protected readonly newPlace = signal<string | null>(null);
  protected readonly newDay = signal<string>(this.today);
  protected readonly newFault = signal<string | null>(null);
  protected readonly newMeasure = computed(() => LOT_MEASURE[this.newKind()]);

  private organismNamed(text: string): string | null {
    const bare = text.replace(/ \(.*\)$/, '').trim();
    const all = [...(this.catalogue()?.organisms.values() ?? [])];
    const exact = all.find(
      ({ latin, common }) => latin.toLowerCase() === bare.toLowerCase() || common.some((name) => name.toLowerCase() === bare.toLowerCase()),
    );
    if (exact) return exact.id;
    const [found] = animalSearch(all)(bare);
    return found && bare.length > 3 ? found.entry.id : null;
  }

  protected addNew(): void {
    const name = this.newName().trim();
    const amount = this.newCount();
    const day = this.newDay();
    const fault =
      name === ''
        ? 'Say what it is.'
        : amount === null || amount <= 0
          ? 'Say how many.'
          : this.newMeasure() === 'count' && !Number.isInteger(amount)
            ? 'They are counted by whole numbers.'
            : pastFault(day, this.today);
    this.newFault.set(fault);
    if (fault || amount === null) return;
    const kind = this.newKind();
    const id = freshId();
    const organismId = kind === 'animal' || kind === 'plant' ? this.organismNamed(name) : null;
    const lot = {
      kind,
      organismId,
      name: name.replace(/ \(.*\)$/, ''),
      from: '',
      parentId: null,
      line: '',
      generation: '',
      ateOn: null,
      surplus: 0,
      home: '',
    };
    this.patch.emit({
      label: `${lot.name} came`,
      patch: addLot(this.room(), id, lot, { day, amount, to: this.newPlace() ?? ON_THE_SHELF }),
    });
    this.newName.set('');
    this.newCount.set(null);
    this.opened.set(id);
  }

  /** Losses that are to be understood before the next ones are got. */
  protected readonly losses = computed(() =>
    lossesOf(this.room().lots, this.room().moves, this.today).map(({ lotId, came, died }) => {
      const { name, from } = this.room().lots[lotId]!;
      return `${died} of the ${came} that came as “${name}”${from ? ` from ${from}` : ''} died within two months.`;
    }),
  );

  // what is looked for
  protected readonly wanted = computed(() =>
    inOrder(this.room().wanted).map(([id, { organismId, count }]) => {
      const surplus = this.rows().find(({ lot }) => lot.organismId === organismId && lot.surplus > 0);
      return {
        id,
        text: `${count} ${this.catalogue()?.organisms.get(organismId)?.latin ?? organismId}`,
        here: surplus ? `${surplus.lot.surplus} to go in this very room` : '',
      };
    }),
  );
  protected readonly wantedName = signal('');
  protected readonly wantedCount = signal<number | null>(null);
  protected readonly wantedFault = signal<string | null>(null);

  protected addWanted(): void {
    const organismId = this.organismNamed(this.wantedName());
    const count = this.wantedCount();
    this.wantedFault.set(organismId === null ? 'No such kind in the catalogue.' : count === null || count < 1 ? 'Say how many.' : null);
    if (organismId === null || count === null || count < 1) return;
    const { wanted } = this.room();
    this.patch.emit({
      label: 'Wanted',
      patch: [
        {
          op: 'add',
          path: pointer('wanted', freshId()),
          value: { order: nextOrder(wanted), organismId, count: Math.round(count), note: '' },
        },
      ],
    });
    this.wantedName.set('');
    this.wantedCount.set(null);
  }

  protected noLonger(id: string): void {
    this.patch.emit({ label: 'No longer wanted', patch: [{ op: 'remove', path: pointer('wanted', id) }] });
  }

  protected readonly openAnimal = computed(() => {
    const organismId = this.open()?.lot.organismId;
    const found = organismId ? this.catalogue()?.organisms.get(organismId) : undefined;
    return found?.kind === 'animal' ? found : null;
  });
}
