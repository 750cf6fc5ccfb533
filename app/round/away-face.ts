import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { caretakerOf, type CaredTank } from '../../core/assessment/caretaker';
import type { TankRound } from '../../core/assessment/round';
import { IF_SO, LOOK_AT, NEVER } from '../../core/assessment/wording/caretaker';
import { feedGrams } from '../../core/assessment/wording/duties';
import type { Room } from '../../core/design/room';
import { formatQuantity, formatSpan } from '../../core/quantity/format';
import { plural } from '../../core/quantity/plural';
import { dayAfter, dayOf, daysFrom, type Day } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { ChoiceField, type Choice } from '../ui/choice';
import { longDay } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { poursOf, saltsOf } from './carry';

const LENGTHS: readonly Choice<string>[] = [
  { value: '7', text: 'a week' },
  { value: '14', text: 'a fortnight' },
  { value: '21', text: 'three weeks' },
];
const FEEDING: readonly Choice<string>[] = [
  { value: '1', text: 'As usual' },
  { value: '2', text: 'Every other day' },
];

/** A sheet for whoever looks after the tanks meanwhile; and what its keeper does before leaving. */
@Component({
  selector: 'tr-away-face',
  imports: [ChoiceField, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './away-face.html',
  styleUrl: './away-face.less',
})
export class AwayFace {
  readonly room = input.required<Room>();
  readonly rounds = input.required<readonly TankRound[]>();
  readonly patch = output<{ label: string; patch: readonly Operation[] }>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly today = dayOf(new Date());
  protected readonly furthest = dayAfter(this.today, 13);
  protected readonly lengths = LENGTHS;
  protected readonly feeding = FEEDING;
  protected readonly never = NEVER;
  protected readonly lookAt = LOOK_AT;
  protected readonly ifSo = IF_SO;
  protected readonly from = signal<Day>(dayAfter(this.today, 1));
  protected readonly length = signal('14');
  protected readonly every = signal('2');
  protected readonly until = computed(() => dayAfter(this.from(), Number(this.length()) - 1));
  protected readonly span = computed(() => `${longDay(this.from(), this.today)} to ${longDay(this.until(), this.today)}`);

  protected readonly tanks = computed(() =>
    this.rounds().map((round) => {
      const cared = caretakerOf(round, this.from(), Number(this.length()), this.every() === '2' ? 2 : 1);
      const units = this.units();
      const { warmthC, change } = cared;
      return {
        ...cared,
        warmth: warmthC === null ? null : formatSpan('temperature', warmthC, units),
        who: cared.lives.map(({ common, latin, count }) => `${count} ${common ?? latin}`).join(', '),
        groups: grouped(cared.packets, this.today),
        tasks: cared.tasks.map(({ day, title }) => `${longDay(day, this.today)}: ${lowered(title)}`),
        change: change && {
          day: longDay(change.day, this.today),
          what: `${formatQuantity('volume', change.can.litres, units)}: ${[...poursOf(change.can.pourL, this.room(), units), ...saltsOf(change.can.saltsG, this.room())].join(' + ')}`,
        },
      };
    }),
  );
  protected readonly packets = computed(() => this.tanks().reduce((sum, { packets }) => sum + packets.length, 0));
  protected readonly packed = computed(
    () => `${plural(this.packets(), 'packet')} of feed, one for each tank and day that has one, the name and the day on it.`,
  );
  protected readonly before = computed(() =>
    this.tanks().flatMap(({ name, before }) => (before.length > 0 ? [{ name, list: before.join('; ') }] : [])),
  );
  protected readonly waits = computed(() =>
    this.tanks().flatMap(({ name, waits }) => (waits.length > 0 ? [{ name, list: waits.join('; ') }] : [])),
  );

  protected leave(day: string): void {
    const away = /^\d{4}-\d{2}-\d{2}$/.test(day) ? daysFrom(this.today, day) : -1;
    if (away >= 0 && away <= 13) this.from.set(day);
  }

  protected call(who: 'keeper' | 'vet', value: string): void {
    this.patch.emit({ label: 'Whom to call', patch: [{ op: 'replace', path: `/call/${who}`, value: value.trim().slice(0, 120) }] });
  }

  protected print(): void {
    window.print();
  }
}

/** Packets that hold the same, with their days: "Mon, Wed, Fri: …". */
function grouped(packets: CaredTank['packets'], today: Day): { days: string; what: string }[] {
  const byWhat = new Map<string, Day[]>();
  for (const { day, name, grams } of packets) {
    const what = grams === null ? name : `${feedGrams(grams)} ${name}`;
    byWhat.set(what, [...(byWhat.get(what) ?? []), day]);
  }
  return [...byWhat].map(([what, days]) => ({ what, days: days.map((day) => longDay(day, today)).join('; ') }));
}

const lowered = (title: string): string => title.charAt(0).toLowerCase() + title.slice(1).replaceAll('*', '');
