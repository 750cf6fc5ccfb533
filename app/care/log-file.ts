import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { KIT_WORD } from '../../core/assessment/wording/log';
import { waterMark } from '../../core/assessment/water-mark';
import {
  entriesOf,
  guessMapping,
  isOwnLog,
  MOST_CSV_CHARACTERS,
  orderIsOpen,
  ownEntriesOf,
  readLogTable,
  unitsFor,
  type DateOrder,
  type LogMapping,
  type LogTable,
  type TakenLog,
} from '../../core/log/csv-in';
import { plural } from '../../core/quantity/plural';
import { Kit } from '../../core/reading/doubt';
import { LOGGED_PARAMETERS, PARAMETER_META, type LoggedParameter } from '../../core/reading/parameter';
import { aheadOfUtc, TankLogs } from '../store/tank-logs';
import { TankView } from '../store/tank-view';
import { ChoiceField, type Choice } from '../ui/choice';
import { FileDrop } from '../ui/file-drop';
import { SelectField } from '../ui/select';

const NOT_TAKEN = '';
/** Rows of the table that are shown, and reasons. */
const SHOWN = 4;
const REASONS = 12;

/** A table of readings from elsewhere: what each column is, is guessed and put right; what cannot be read is told by line before anything is taken. */
@Component({
  selector: 'tr-log-file',
  imports: [ChoiceField, FileDrop, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="drop" (trFileDrop)="files($event)">
      <label class="open-file">
        Take a table in (CSV)
        <input type="file" accept=".csv,.tsv,.txt,text/csv" #field (change)="files(field.files); field.value = ''" />
      </label>
      <span class="small soft">from another note-book, a spreadsheet or a logger; or a log that was taken out here</span>
    </div>
    @if (said(); as text) {
      <p role="status">{{ text }}</p>
    }
    @if (fault(); as why) {
      <p class="error" role="alert">{{ why }}</p>
    }
    @if (table(); as t) {
      <div class="taken">
        <h3>{{ name() }}: {{ rowsText() }}</h3>
        @if (mapping(); as m) {
          <p class="small soft">What each column is, as far as it can be told. Put right what is not so.</p>
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  @for (heading of t.header; track $index) {
                    <th scope="col">
                      <strong>{{ heading || '(no name)' }}</strong>
                      <tr-select
                        [label]="'Column ' + heading + ' is'"
                        [hideLabel]="true"
                        [options]="columnChoices"
                        [value]="useOf($index)"
                        (chosen)="use($index, $event!)"
                      />
                      @if (unitOf($index); as unit) {
                        <tr-select
                          [label]="'Unit of ' + heading"
                          [hideLabel]="true"
                          [options]="unitChoices($index)"
                          [value]="unit"
                          (chosen)="setUnit($index, $event!)"
                        />
                      }
                    </th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of rows(); track row.line) {
                  <tr>
                    @for (heading of t.header; track $index) {
                      <td>{{ row.cells[$index] }}</td>
                    }
                  </tr>
                }
              </tbody>
            </table>
          </div>
          <div class="row">
            @if (asksOrder()) {
              <tr-choice label="Days are written" [options]="orders" [value]="m.order" (chosen)="set({ order: $event })" />
            }
            <tr-choice label="Read with" [options]="kits" [value]="m.kit" (chosen)="set({ kit: $event })" />
          </div>
        }
        @if (taken(); as all) {
          <p>
            <strong>{{ entriesText() }}</strong>
            @if (all.left.length > 0) {
              {{ leftText() }}
            }
          </p>
          @if (all.left.length > 0) {
            <details>
              <summary class="small">What is left out, by line</summary>
              <ul class="small">
                @for (one of reasons(); track $index) {
                  <li>Line {{ one.line }}: {{ one.reason }}</li>
                }
                @if (all.left.length > reasons().length) {
                  <li>and {{ all.left.length - reasons().length }} more</li>
                }
              </ul>
            </details>
          }
          <p class="acts">
            <button class="btn primary" type="button" [disabled]="all.entries.length === 0 || busy()" (click)="take()">
              {{ busy() ? 'Taking in …' : 'Take ' + all.entries.length + ' in' }}
            </button>
            <button class="btn" type="button" (click)="leave()">Leave it</button>
          </p>
        } @else if (!mapping()) {
          <p class="error" role="alert">No column looks like a date. A log is a table with a heading: a date, and what was read.</p>
        }
      </div>
    }
  `,
  styles: `
    .drop {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      margin: 8px 0;
      padding: 8px 10px;
      border: 1px dashed var(--edge);
      border-radius: 4px;
    }
    .dropping {
      background: var(--band);
    }
    .taken {
      display: flex;
      flex-direction: column;
      gap: 8px;
    }
    .row,
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
    }
    th {
      min-width: 108px;
      vertical-align: top;
    }
    th tr-select {
      display: flex;
      margin-top: 3px;
    }
    td {
      max-width: 220px;
      overflow: hidden;
      font-size: 12.5px;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  `,
})
export class LogFile {
  private readonly view = inject(TankView);
  private readonly logs = inject(TankLogs);
  protected readonly table = signal<LogTable | null>(null);
  protected readonly mapping = signal<LogMapping | null>(null);
  protected readonly name = signal('');
  protected readonly fault = signal<string | null>(null);
  protected readonly said = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly kits = Kit.options.map((value): Choice<Kit> => ({ value, text: KIT_WORD[value] }));
  protected readonly orders: readonly Choice<DateOrder>[] = [
    { value: 'dmy', text: 'day, month, year' },
    { value: 'mdy', text: 'month, day, year' },
  ];
  protected readonly columnChoices: readonly Choice<string>[] = [
    { value: NOT_TAKEN, text: 'not taken' },
    { value: 'date', text: 'the date' },
    { value: 'time', text: 'the time' },
    { value: 'note', text: 'a note' },
    ...LOGGED_PARAMETERS.map((value) => ({ value, text: PARAMETER_META[value].name })),
  ];

  protected readonly rows = computed(() => this.table()?.rows.slice(0, SHOWN) ?? []);
  protected readonly rowsText = computed(() => plural(this.table()?.rows.length ?? 0, 'row'));
  protected readonly asksOrder = computed(() => {
    const [table, mapping] = [this.table(), this.mapping()];
    return !!table && !!mapping && orderIsOpen(table, mapping);
  });

  /** What it comes to, before anything is taken. */
  protected readonly taken = computed((): TakenLog | null => {
    const [table, mapping, design, room] = [this.table(), this.mapping(), this.view.design(), this.view.room()];
    if (!table || !design || !room) return null;
    if (isOwnLog(table)) return ownEntriesOf(table, Date.now());
    if (!mapping) return null;
    return entriesOf(table, mapping, {
      now: Date.now(),
      of: waterMark(design, room),
      aheadAt: (wall) => aheadOfUtc(new Date(wall)),
      id: () => crypto.randomUUID(),
    });
  });
  protected readonly entriesText = computed(() => `${plural(this.taken()?.entries.length ?? 0, 'entry', 'entries')} can be taken in.`);
  protected readonly leftText = computed(
    () => `${plural(this.taken()?.left.length ?? 0, 'cell or row is', 'cells or rows are')} left out.`,
  );
  protected readonly reasons = computed(() => this.taken()?.left.slice(0, REASONS) ?? []);

  protected async files(list: FileList | null): Promise<void> {
    const [file] = list ?? [];
    if (!file) return;
    this.leave();
    this.said.set(null);
    if (file.size > 2 * MOST_CSV_CHARACTERS) return this.fault.set(`${file.name} is too large: split it. Nothing was changed.`);
    const read = readLogTable(await file.text());
    if (!read.ok) return this.fault.set(`${file.name}: ${read.reason} Nothing was changed.`);
    this.name.set(file.name);
    this.table.set(read.table);
    this.mapping.set(isOwnLog(read.table) ? null : guessMapping(read.table));
  }

  protected useOf(column: number): string {
    const mapping = this.mapping()!;
    if (mapping.date === column) return 'date';
    if (mapping.time === column) return 'time';
    if (mapping.note === column) return 'note';
    return mapping.values.find((one) => one.column === column)?.parameter ?? NOT_TAKEN;
  }

  protected use(column: number, as: string): void {
    this.mapping.update((mapping) => {
      if (!mapping || (mapping.date === column && as !== 'date')) return mapping;
      const values = mapping.values.filter((one) => one.column !== column && one.parameter !== as);
      const parameter = LOGGED_PARAMETERS.find((one) => one === as);
      return {
        ...mapping,
        date: as === 'date' ? column : mapping.date,
        time: as === 'time' ? column : mapping.time === column ? null : mapping.time,
        note: as === 'note' ? column : mapping.note === column ? null : mapping.note,
        values: parameter ? [...values, { column, parameter, unit: unitsFor(parameter)[0]! }] : values,
      };
    });
  }

  protected unitOf(column: number): string | null {
    const found = this.mapping()?.values.find((one) => one.column === column);
    return found && unitsFor(found.parameter).filter((unit) => unit !== '').length > 1 ? found.unit : null;
  }

  protected unitChoices(column: number): Choice<string>[] {
    const parameter = this.mapping()!.values.find((one) => one.column === column)!.parameter as LoggedParameter;
    return unitsFor(parameter).map((value) => ({
      value,
      text: value === 'ion' ? 'mg/L of the ion' : value === 'mg/L' && parameter.endsWith('NPerL') ? 'mg/L as N' : value,
    }));
  }

  protected setUnit(column: number, unit: string): void {
    this.mapping.update(
      (mapping) => mapping && { ...mapping, values: mapping.values.map((one) => (one.column === column ? { ...one, unit } : one)) },
    );
  }

  protected set(part: Partial<LogMapping>): void {
    this.mapping.update((mapping) => mapping && { ...mapping, ...part });
  }

  protected async take(): Promise<void> {
    const all = this.taken();
    if (!all) return;
    this.busy.set(true);
    const result = await this.logs.takeIn(all.entries);
    this.busy.set(false);
    if (!result.ok) return this.fault.set(result.reason);
    const known = all.entries.length - result.count;
    this.leave();
    this.said.set(`${plural(result.count, 'entry was', 'entries were')} taken in${known > 0 ? `; ${known} stood there already` : ''}.`);
  }

  protected leave(): void {
    this.table.set(null);
    this.mapping.set(null);
    this.fault.set(null);
  }
}
