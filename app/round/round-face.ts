import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Operation } from 'rfc6902';
import type { RoundItem, TankRound } from '../../core/assessment/round';
import { inOrder } from '../../core/design/design';
import type { Room } from '../../core/design/room';
import { plural } from '../../core/quantity/plural';
import { kitStateOn } from '../../core/reading/doubt';
import { dayAfter, dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { ChoiceField, type Choice } from '../ui/choice';
import { longDay } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { carried } from './carry';

/** The day’s work tank by tank in walking order, ticked on the way; on paper on one page. */
@Component({
  selector: 'tr-round-face',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, ChoiceField, LatinText, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="carry-heading" class="carry">
      <div class="bar">
        <h2 id="carry-heading">{{ dayName() }}</h2>
        <span class="soft">{{ summed() }}</span>
        <tr-choice
          class="no-print"
          label="Which day"
          [hideLabel]="true"
          [options]="daysToChoose"
          [value]="ahead()"
          (chosen)="ahead.set($event)"
        />
        <button class="btn no-print" type="button" (click)="print()">Print</button>
        <button class="btn no-print" type="button" (click)="calendar()">As a calendar (iCalendar)</button>
        <button class="btn no-print" type="button" [attr.aria-pressed]="ordering()" (click)="ordering.set(!ordering())">
          {{ ordering() ? 'The way is right' : 'Change the way' }}
        </button>
      </div>
      @if (carry().lines.length > 0) {
        <p><strong>To carry:</strong> {{ carry().lines.join(' · ') }}</p>
      }
      <p class="on-paper">In every tank: look at them, count who comes to eat, read the thermometer.</p>
      @if (carry().changed) {
        <p class="small soft">Heaters and pumps unplugged while a level is low; mains and wet hands apart.</p>
      }
      @for (line of kits(); track line) {
        <p class="small late">{{ line }}</p>
      }
      @if (failed().length > 0) {
        <p class="error" role="alert">Not among them, because they cannot be read or judged here: {{ failed().join(', ') }}.</p>
      }
    </section>
    @if (said(); as s) {
      <p class="said no-print" role="status">{{ s.text }} <button class="btn" type="button" (click)="takeBack()">Take it back</button></p>
    }
    @if (refused(); as why) {
      <p class="error no-print" role="alert">{{ why }}</p>
    }
    <ol class="tanks" cdkDropList [cdkDropListDisabled]="!ordering()" (cdkDropListDropped)="dropped($event)">
      @for (tank of shown(); track tank.id; let i = $index; let last = $last) {
        <li cdkDrag [attr.data-tank]="tank.id">
          <h3>
            @if (ordering()) {
              <span cdkDragHandle class="grip" aria-hidden="true">⠿</span>
            }
            <a [routerLink]="['/tank', tank.id, 'care']">{{ tank.name }}</a>
            @if (ordering()) {
              <button class="btn" type="button" [disabled]="i === 0" [attr.aria-label]="'Earlier: ' + tank.name" (click)="move(i, -1)">
                ↑
              </button>
              <button class="btn" type="button" [disabled]="last" [attr.aria-label]="'Later: ' + tank.name" (click)="move(i, 1)">↓</button>
            }
          </h3>
          @if (tank.none) {
            <p class="small soft">{{ tank.none }}</p>
          }
          <ul>
            @for (item of tank.items; track item.id) {
              <li class="item" [class.look]="item.code === 'look'">
                @if (today()) {
                  @if (item.entry) {
                    <button
                      class="box"
                      type="button"
                      [attr.aria-label]="'Done: ' + item.plain + ', ' + tank.name"
                      (click)="done(tank.id, tank.name, item)"
                    ></button>
                  } @else {
                    <a
                      class="box dotted"
                      [routerLink]="['/tank', tank.id, 'care']"
                      [queryParams]="item.code === 'test' ? { face: 'log' } : {}"
                      [attr.aria-label]="'Write down: ' + item.plain + ', ' + tank.name"
                    ></a>
                  }
                } @else {
                  <span class="box" aria-hidden="true"></span>
                }
                <span>
                  <tr-latin [text]="item.title" />
                  @if (item.overdueDays > 0) {
                    <span class="late small"> {{ item.late }}</span>
                  }
                  @if (item.code === 'change' || item.code === 'step') {
                    <span class="small soft detail">{{ item.detail }}</span>
                  }
                </span>
              </li>
            }
          </ul>
        </li>
      } @empty {
        <li class="soft">No tank stands in this room.</li>
      }
    </ol>
  `,
  styleUrl: './round-face.less',
})
export class RoundFace {
  readonly room = input.required<Room>();
  readonly rounds = input.required<readonly TankRound[]>();
  readonly failed = input.required<readonly string[]>();
  readonly again = output<string>();
  readonly patch = output<{ label: string; patch: readonly Operation[] }>();
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  private readonly now = dayOf(new Date());
  protected readonly daysToChoose: readonly Choice<string>[] = [
    { value: '0', text: 'Today' },
    { value: '1', text: 'Tomorrow' },
    ...[2, 3, 4, 5, 6].map((i) => ({ value: String(i), text: longDay(dayAfter(this.now, i), this.now).split(',')[0]! })),
  ];
  protected readonly ahead = signal('0');
  protected readonly today = computed(() => this.ahead() === '0');
  private readonly day = computed(() => dayAfter(this.now, Number(this.ahead())));
  protected readonly dayName = computed(() => longDay(this.day(), this.now));
  protected readonly ordering = signal(false);
  protected readonly said = signal<{ text: string; designId: string; lineId: string } | null>(null);
  protected readonly refused = signal<string | null>(null);

  protected readonly carry = computed(() => ({
    ...carried(this.rounds(), this.day(), this.room(), this.units()),
    changed: this.rounds().some(({ items }) => items.some(({ code, day }) => code === 'change' && day === this.day())),
  }));
  protected readonly summed = computed(() => {
    const { sum } = this.carry();
    if (sum.count === 0) return 'nothing to do';
    const minutes = Math.round(sum.minutes / 5) * 5;
    return `${plural(sum.count, 'thing')} to do, about ${minutes < 90 ? `${minutes} minutes` : `${Math.round(minutes / 30) / 2} hours`}`;
  });
  protected readonly kits = computed(() =>
    inOrder(this.room().kits).flatMap(([, kit]) => {
      const { expired, calibrationOverdueDays } = kitStateOn(kit, this.now);
      return [
        ...(calibrationOverdueDays > 0 ? [`${kit.name}: calibration was due ${plural(calibrationOverdueDays, 'day')} ago.`] : []),
        ...(expired ? [`${kit.name} is past its date: what it reads is doubtful.`] : []),
      ];
    }),
  );

  protected readonly shown = computed(() =>
    this.rounds().map(({ designId, name, since, items }) => {
      const mine = items.filter(({ day }) => day === this.day());
      return {
        id: designId,
        name,
        none:
          since === null && mine.length === 0
            ? 'Nothing says since when it runs: said under Care.'
            : mine.length === 0
              ? 'Nothing to do.'
              : null,
        items: mine.map((item) => ({
          ...item,
          plain: item.title.replaceAll('*', ''),
          detail: item.detail.replaceAll('*', ''),
          late: `due ${plural(item.overdueDays, 'day')} ago`,
        })),
      };
    }),
  );

  protected async done(designId: string, name: string, { entry, plain }: Pick<RoundItem, 'entry'> & { plain: string }): Promise<void> {
    if (!entry) return;
    const written = await this.logs.writeInto(designId, entry);
    this.refused.set(written.ok ? null : written.reason);
    if (!written.ok) return;
    this.said.set({ text: `${name}: ${plain}. Written down.`, designId, lineId: written.entry.id });
    this.again.emit(designId);
  }

  protected async takeBack(): Promise<void> {
    const said = this.said();
    if (!said) return;
    const struck = await this.logs.writeInto(said.designId, { kind: 'struck' }, said.lineId);
    this.refused.set(struck.ok ? null : struck.reason);
    if (!struck.ok) return;
    this.said.set(null);
    this.again.emit(said.designId);
  }

  protected move(from: number, by: number): void {
    this.reorder(from, from + by);
  }
  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.reorder(previousIndex, currentIndex);
  }
  private reorder(from: number, to: number): void {
    const walk = this.rounds().map(({ designId }) => designId);
    moveItemInArray(walk, from, to);
    this.patch.emit({ label: 'The way along the tanks', patch: [{ op: 'replace', path: '/walk', value: walk }] });
  }

  protected print(): void {
    window.print();
  }

  /** All tanks in one calendar; fetched when somebody wants it. */
  protected async calendar(): Promise<void> {
    const entries = this.rounds().flatMap(({ designId, name, items }) => {
      const first = new Map(items.map((item) => [item.id, item]).reverse() as [string, RoundItem][]);
      return [...first.values()].map(({ id, day, everyDays, title, detail, code }) => ({
        id,
        tank: { id: designId, name },
        day,
        everyDays,
        title: title.replaceAll('*', ''),
        detail: detail.replaceAll('*', ''),
        plan: code === 'step' ? 'Plan' : 'Routine',
      }));
    });
    const { calendarFile } = await import('../parts/calendar-file');
    download(`${fileStem(this.room().name)}.ics`, calendarFile(this.room().name, entries, new Date()), 'text/calendar');
  }
}
