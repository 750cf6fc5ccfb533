import { ChangeDetectionStrategy, Component, computed, effect, inject, OnDestroy, signal, untracked } from '@angular/core';
import { GROUP_OF, GROUP_WORD, LOG_GROUPS, logNamesOf, wordEntry, type LogGroup } from '../../core/assessment/wording/log';
import { plain } from '../../core/assessment/wording';
import { logCsv } from '../../core/log/csv-out';
import type { Line } from '../../core/log/timeline';
import { plural } from '../../core/quantity/plural';
import { dayOf } from '../../core/schedule/day';
import { photosOfTank } from '../store/photos';
import { PreferencesStore } from '../store/preferences';
import { TankLogs } from '../store/tank-logs';
import { TankView } from '../store/tank-view';
import type { Choice } from '../ui/choice';
import { clock, longDay, moment } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { LatinText } from '../ui/latin-text';
import { SelectField } from '../ui/select';
import { EntryPad } from './entry-pad';
import { KitsCard } from './kits-card';
import { LogFile } from './log-file';
import { padKeyOf } from './pad';

/** Lines that are shown at once; a press shows as many more. */
const PAGE = 80;

/** What happened in the tank, newest first, and the pad to write it down. */
@Component({
  selector: 'tr-log-face',
  imports: [EntryPad, KitsCard, LatinText, LogFile, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (unwritten(); as u) {
      <p class="warn" role="alert">
        <strong>{{ u.text }}</strong> {{ u.reason }} &ngsp;<button class="btn" type="button" (click)="retry()">Try again</button>
        <button class="btn" type="button" (click)="table()">Take the log out as a file</button>
      </p>
    }
    @if (reason(); as why) {
      <p class="error" role="alert">{{ why }}</p>
    }
    <section data-control="pad" aria-label="Write down">
      <tr-entry-pad />
    </section>
    <section data-control="log" aria-labelledby="log-heading">
      <div class="bar">
        <h2 id="log-heading">{{ heading() }}</h2>
        <tr-select label="Show" [hideLabel]="true" none="all of it" [options]="groups" [value]="group()" (chosen)="group.set($event)" />
        <input
          class="field find"
          type="search"
          aria-label="Find in the log"
          placeholder="find in the log"
          [value]="find()"
          #words
          (input)="find.set(words.value)"
        />
      </div>
      @if (!log()) {
        <p class="soft" role="status">Reading the log …</p>
      } @else if (log()!.lines.length === 0) {
        <p>
          Nothing is written down yet. Press what you did above: a test, a change, a feeding. What you read is set against the plan, drawn
          under Curves, and the tank is judged by it.
        </p>
      } @else if (found().length === 0) {
        <p>Nothing in the log is like that.</p>
      }
      <ol class="days">
        @for (day of days(); track day.day) {
          <li>
            <h3>{{ day.name }}</h3>
            <ul>
              @for (line of day.lines; track line.id) {
                <li [class.struck]="line.struck" [attr.data-line]="line.id">
                  <span class="time soft small">{{ line.time }}</span>
                  <div class="what">
                    <span class="title"><tr-latin [text]="line.title" /></span>
                    @if (line.detail) {
                      <span class="small soft">{{ line.detail }}</span>
                    }
                    @if (line.note) {
                      <p class="small">{{ line.note }}</p>
                    }
                    @if (line.photo; as url) {
                      <img [src]="url" alt="The picture of {{ day.name }}" />
                    }
                    @if (line.struck) {
                      <span class="small soft">struck out</span>
                    } @else if (line.earlier.length > 0) {
                      <details class="small soft">
                        <summary>put right</summary>
                        @for (before of line.earlier; track $index) {
                          <p>{{ before }}</p>
                        }
                      </details>
                    }
                  </div>
                  @if (!line.struck) {
                    <span class="acts">
                      @if (line.fixable) {
                        <button class="pick small" type="button" [attr.aria-label]="'Put right: ' + line.plain" (click)="correct(line.id)">
                          put right
                        </button>
                      }
                      <button class="pick small" type="button" [attr.aria-label]="'Strike out: ' + line.plain" (click)="strike(line.id)">
                        strike out
                      </button>
                    </span>
                  }
                </li>
                @if (correcting()?.id === line.id) {
                  <li><tr-entry-pad [correcting]="correcting()" (corrected)="correcting.set(null)" /></li>
                }
              }
            </ul>
          </li>
        }
      </ol>
      @if (found().length > shown()) {
        <button class="btn" type="button" (click)="more()">Earlier: {{ left() }} more</button>
      }
    </section>
    <section data-control="kits" aria-labelledby="kits-heading">
      <tr-kits-card />
    </section>
    <section data-control="log-files" aria-labelledby="log-files-heading">
      <h2 id="log-files-heading">In and out</h2>
      <p class="acts">
        <button class="btn" type="button" [disabled]="!log() || log()!.lines.length === 0" (click)="table()">
          The log as a table (CSV)
        </button>
      </p>
      <tr-log-file />
    </section>
  `,
  styles: `
    section {
      margin-bottom: 22px;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 6px 12px;
      margin-bottom: 6px;
    }
    .find {
      width: 190px;
      margin-left: auto;
    }
    .days,
    .days ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .days > li {
      padding: 7px 0;
      border-top: 1px solid var(--rule);
    }
    .days ul > li {
      display: flex;
      gap: 10px;
      padding: 2px 0;
    }
    .days ul > li > tr-entry-pad {
      flex: 1;
    }
    .time {
      flex: none;
      width: 62px;
      padding-top: 1px;
      text-align: right;
    }
    .what {
      flex: 1;
      min-width: 0;
    }
    .title {
      margin-right: 8px;
    }
    .struck .title {
      color: var(--soft);
      text-decoration: line-through;
    }
    .acts {
      display: flex;
      flex: none;
      gap: 10px;
      color: var(--soft);
    }
    img {
      display: block;
      max-width: min(320px, 100%);
      margin: 4px 0;
      border-radius: 3px;
    }
    .warn {
      margin-bottom: 12px;
      padding: 8px 12px;
      border: 1.5px solid var(--oxide);
      border-radius: 4px;
    }
    @media (max-width: 719px) {
      .time {
        width: 44px;
      }
      .days ul > li {
        flex-wrap: wrap;
      }
      .acts {
        margin-left: 54px;
      }
      .find {
        width: 100%;
      }
    }
  `,
})
export class LogFace implements OnDestroy {
  private readonly view = inject(TankView);
  private readonly logs = inject(TankLogs);
  private readonly units = inject(PreferencesStore).units;
  private readonly today = dayOf(new Date());
  protected readonly log = this.view.log;
  protected readonly groups = LOG_GROUPS.map((value): Choice<LogGroup> => ({ value, text: GROUP_WORD[value] }));
  protected readonly group = signal<LogGroup | null>(null);
  protected readonly find = signal('');
  protected readonly shown = signal(PAGE);
  protected readonly correcting = signal<Line | null>(null);
  private readonly pictures = signal<ReadonlyMap<string, string>>(new Map());

  constructor() {
    const wanted = computed(() =>
      (this.log()?.lines ?? []).flatMap(({ entry }) => (entry.kind === 'photo' ? [entry.photoId] : [])).join(' '),
    );
    effect(() => {
      if (wanted() !== '') void this.fetch(untracked(() => this.log()!.designId));
    });
  }

  ngOnDestroy(): void {
    for (const url of this.pictures().values()) URL.revokeObjectURL(url);
  }

  private async fetch(designId: string): Promise<void> {
    const kept = await photosOfTank(designId).catch(() => []);
    const known = this.pictures();
    const fresh = kept.filter(({ id }) => !known.has(id));
    if (fresh.length === 0) return;
    const urls = fresh.map(({ id, jpeg }): [string, string] => [
      id,
      URL.createObjectURL(new Blob([jpeg as BlobPart], { type: 'image/jpeg' })),
    ]);
    this.pictures.set(new Map([...known, ...urls]));
  }

  private readonly names = computed(() => {
    const catalogue = this.view.catalogue();
    return catalogue ? logNamesOf(catalogue, this.view.room()?.kits ?? {}) : null;
  });

  private readonly ofGroup = computed(() => {
    const group = this.group();
    const lines = this.log()?.lines ?? [];
    return group === null ? lines : lines.filter(({ entry }) => GROUP_OF[entry.kind] === group);
  });

  /** Newest first, as far as they are like what is looked for. */
  protected readonly found = computed((): readonly Line[] => {
    const words = this.find().trim().toLowerCase();
    const names = this.names();
    const lines = [...this.ofGroup()].reverse();
    if (words === '' || !names) return lines;
    return lines.filter(({ entry }) => {
      const { title, detail } = wordEntry(entry, names, this.units());
      return plain(`${title} ${detail} ${entry.note}`).toLowerCase().includes(words);
    });
  });
  protected readonly left = computed(() => this.found().length - this.shown());

  protected readonly days = computed(() => {
    const [names, units, pictures] = [this.names(), this.units(), this.pictures()];
    if (!names) return [];
    const days: { day: string; name: string; lines: ReturnType<typeof said>[] }[] = [];
    const said = (line: Line) => {
      const { title, detail } = wordEntry(line.entry, names, units);
      return {
        id: line.id,
        // as the clock on the wall showed it there
        time: clock(new Date(line.entry.at.slice(0, 19))),
        title,
        detail,
        note: line.entry.kind === 'note' ? '' : line.entry.note,
        plain: plain(title),
        struck: line.struck,
        fixable: padKeyOf(line.entry) !== null,
        photo: line.entry.kind === 'photo' ? (pictures.get(line.entry.photoId) ?? null) : null,
        earlier: line.earlier.map((before) => `${plain(wordEntry(before, names, units).title)}, ${moment(new Date(before.at), true)}`),
      };
    };
    for (const line of this.found().slice(0, this.shown())) {
      if (days.at(-1)?.day !== line.day) days.push({ day: line.day, name: longDay(line.day, this.today), lines: [] });
      days.at(-1)!.lines.push(said(line));
    }
    return days;
  });

  protected readonly heading = computed(() => {
    const all = this.log()?.lines.length ?? 0;
    const found = this.found().length;
    return all === 0 ? 'The log' : found === all ? `The log: ${plural(all, 'entry', 'entries')}` : `The log: ${found} of ${all}`;
  });
  protected readonly unwritten = computed(() => {
    const log = this.log();
    return log && log.waiting.length > 0
      ? { text: `${plural(log.waiting.length, 'entry is', 'entries are')} here and not on the disk.`, reason: log.reason ?? '' }
      : null;
  });
  protected readonly reason = computed(() => {
    const log = this.log();
    if (!log) return null;
    if (log.unread > 0)
      return `${plural(log.unread, 'entry', 'entries')} cannot be read by this version: ${log.unread === 1 ? 'it is' : 'they are'} kept as ${log.unread === 1 ? 'it is' : 'they are'}.`;
    return log.waiting.length === 0 ? log.reason : null;
  });

  protected more(): void {
    this.shown.update((shown) => shown + PAGE);
  }

  protected correct(id: string): void {
    this.correcting.set(this.log()?.lines.find((line) => line.id === id) ?? null);
  }

  protected async strike(id: string): Promise<void> {
    await this.logs.strike(id);
  }

  protected retry(): void {
    void this.logs.retry();
  }

  protected table(): void {
    const design = this.view.design();
    if (design) download(`${fileStem(design.name)}-log.csv`, logCsv(this.logs.all), 'text/csv');
  }
}
