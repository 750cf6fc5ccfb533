import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { withoutChange } from '../../core/assessment/plan/agenda';
import { wordDuty, wordWaits } from '../../core/assessment/wording/duties';
import type { Due } from '../../core/care/agenda';
import { formatQuantity } from '../../core/quantity/format';
import { dayOf } from '../../core/schedule/day';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankView } from '../store/tank-view';
import { datedDay } from '../ui/day-text';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { entryOfDone, taskOf } from '../../core/assessment/duty-entry';

/** Ways to put a thing off. */
const LATER = [
  { days: 1, text: 'tomorrow' },
  { days: 3, text: 'in 3 days' },
  { days: 7, text: 'in a week' },
];

/** One duty that is due: done in a press, or done otherwise, put off or left out in two. */
@Component({
  selector: 'tr-due-row',
  imports: [LatinText, QuantityField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (worded(); as w) {
      <div class="row">
        <div class="what">
          <strong><tr-latin [text]="w.title" /></strong>
          @if (w.detail) {
            <p class="small"><tr-latin [text]="w.detail" /></p>
          }
          <p class="small soft" [class.late]="due().overdueDays > 0 && due().last !== null">{{ waits() }}</p>
        </div>
        <span class="acts">
          @if (due().duty.code === 'test') {
            <a
              class="btn"
              [routerLink]="['/tank', view.design()?.id, 'care']"
              [queryParams]="{ face: 'log' }"
              [attr.aria-label]="'Write down: ' + plain()"
              >Write it down</a
            >
          } @else if (due().duty.code === 'calibrate') {
            <a
              class="btn"
              [routerLink]="['/tank', view.design()?.id, 'care']"
              [queryParams]="{ face: 'probes' }"
              [attr.aria-label]="'To its probes: ' + plain()"
              >To its probes</a
            >
          } @else {
            <button class="btn primary" type="button" [attr.aria-label]="'Done: ' + plain()" (click)="done()">Done</button>
          }
          <button
            class="btn"
            type="button"
            [attr.aria-expanded]="open()"
            [attr.aria-label]="'Otherwise: ' + plain()"
            (click)="open.set(!open())"
          >
            Otherwise
          </button>
        </span>
      </div>
      @if (open()) {
        <div class="more" role="group" [attr.aria-label]="'Otherwise: ' + plain()">
          <p>
            <span class="small soft">Put it off:</span>
            @for (one of laters; track one.days) {
              <button class="btn" type="button" (click)="write('later', one.days)">{{ one.text }}</button>
            }
          </p>
          <form (submit)="$event.preventDefault(); otherwise(note.value)">
            @if (due().duty.code === 'change') {
              <tr-quantity label="Changed" kind="volume" [limits]="[0.05, 20000]" [value]="litres()" (quantity)="changed.set($event)" />
            }
            <label>
              <span class="small soft">What was done instead</span>
              <input class="field" maxlength="500" #note />
            </label>
            <button class="btn" type="submit">Done so</button>
          </form>
          <p>
            <button class="btn" type="button" (click)="write('skipped', null)">Leave it out this time</button>
            <span class="small">{{ consequence() }}</span>
          </p>
          <p>
            <button class="btn" type="button" [disabled]="view.readOnly()" (click)="never.emit()">Never do it here</button>
            <span class="small soft">It can be had back below, under How often.</span>
          </p>
        </div>
      }
      @if (refused(); as why) {
        <p class="error" role="alert">{{ why }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 9px 0;
      border-top: 1px solid var(--rule);
    }
    .row {
      display: flex;
      align-items: flex-start;
      justify-content: space-between;
      gap: 6px 16px;
    }
    .what {
      display: flex;
      flex-direction: column;
      gap: 2px;
      max-width: 640px;
    }
    .late {
      color: var(--ochre);
    }
    .acts {
      display: flex;
      flex: none;
      gap: 6px;
    }
    .more {
      display: flex;
      flex-direction: column;
      gap: 8px;
      margin: 8px 0 4px 14px;
      padding-left: 12px;
      border-left: 2px solid var(--rule);
    }
    .more p,
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 10px;
      margin: 0;
    }
    form {
      align-items: flex-end;
    }
    label {
      display: flex;
      flex: 1 1 220px;
      flex-direction: column;
      gap: 2px;
      max-width: 420px;
    }
    @media (max-width: 719px) {
      .row {
        flex-direction: column;
      }
    }
  `,
})
export class DueRow {
  readonly due = input.required<Due>();
  readonly never = output<void>();
  /** What stands in the log now. */
  readonly said = output<{ text: string; lineId: string }>();
  protected readonly view = inject(TankView);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  protected readonly laters = LATER;
  protected readonly open = signal(false);
  protected readonly refused = signal<string | null>(null);
  /** Litres that were really changed; null for as planned. */
  protected readonly changed = signal<number | null>(null);
  protected readonly litres = computed(() => this.changed() ?? this.due().duty.values['litres'] ?? null);

  protected readonly worded = computed(() => {
    const assessment = this.view.assessment();
    return assessment ? wordDuty(this.due().duty, this.due().day, assessment, this.units()) : null;
  });
  protected readonly plain = computed(() => this.worded()?.title.replaceAll('*', '') ?? '');
  protected readonly waits = computed(() => wordWaits(this.due(), (day) => datedDay(day, this.today)));

  /** Worked out when somebody asks for it. */
  protected readonly consequence = computed(() => {
    const { duty } = this.due();
    const assessment = this.view.assessment();
    const left = this.worded()?.left ?? '';
    if (!assessment || !this.open() || duty.code !== 'change') return left;
    const nitrate = withoutChange(assessment, duty.everyDays, duty.values['fraction']!);
    if (!nitrate || nitrate.without < nitrate.with * 1.03) return left;
    const say = (mgPerL: number) => formatQuantity('concentration', mgPerL, this.units());
    return `Before the one after, nitrate then stands at about ${say(nitrate.without)} and not at ${say(nitrate.with)}, by the balance. ${left}`;
  });

  protected async done(): Promise<void> {
    const assessment = this.view.assessment();
    if (assessment) await this.put(entryOfDone(this.due().duty, this.due().day, assessment, this.units()));
  }

  protected async otherwise(note: string): Promise<void> {
    const assessment = this.view.assessment();
    const { duty, day } = this.due();
    if (!assessment) return;
    const litres = this.litres();
    if (duty.code === 'change' && litres !== null) return this.put({ kind: 'change', litres, fraction: null, note: note.trim() });
    if (note.trim() === '') return this.refused.set('Say in a word what was done instead.');
    await this.put({ ...taskOf(duty, day, assessment, this.units(), 'otherwise', null), note: note.trim() });
  }

  protected async write(how: 'skipped' | 'later', days: number | null): Promise<void> {
    const assessment = this.view.assessment();
    if (assessment) await this.put(taskOf(this.due().duty, this.due().day, assessment, this.units(), how, days));
  }

  private async put(entry: Parameters<TankLogs['write']>[0]): Promise<void> {
    const written = await this.logs.write(entry);
    this.refused.set(written.ok ? null : written.reason);
    if (!written.ok) return;
    this.open.set(false);
    this.said.emit({ text: `Written down: ${this.plain()}.`, lineId: written.entry.id });
  }
}
