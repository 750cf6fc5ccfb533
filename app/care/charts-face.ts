import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import Papa from 'papaparse';
import { of, switchMap } from 'rxjs';
import { windowNodeOf } from '../../core/assessment/derive';
import { SERIES_OF } from '../../core/assessment/plan/record';
import { GROUP_OF, logNamesOf, wordEntry } from '../../core/assessment/wording/log';
import { plain } from '../../core/assessment/wording';
import { PARAMETERS, type Parameter } from '../../core/catalogue/parameter';
import { byDay, rangesOf, seriesOf, type LogSeries } from '../../core/log/series';
import type { ReadingEntry } from '../../core/log/model';
import { timelineOf } from '../../core/log/timeline';
import { formatNumber, inChosenUnit, unitOf } from '../../core/quantity/format';
import { FORMULA } from '../../core/quantity/spreadsheet';
import { LOGGED_PARAMETERS, PARAMETER_META, type LoggedParameter } from '../../core/reading/parameter';
import { dayOf } from '../../core/schedule/day';
import { ForecastFeed } from '../store/forecast-feed';
import { Library } from '../store/library';
import { PreferencesStore } from '../store/preferences';
import { readLog } from '../store/tank-logs';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import { ChoiceField, type Choice } from '../ui/choice';
import { datedDay, moment } from '../ui/day-text';
import { download, fileStem } from '../ui/download';
import { CHART, LogChart, type ChartEvent, type NamedTrack } from '../ui/log-chart';
import { SelectField } from '../ui/select';
import { standaloneSvg, svgToPng } from '../ui/svg-file';
import type { TimeRange } from '../ui/time-axis';
import { TimeBrush } from '../ui/time-brush';

const DAY_MS = 86_400_000;
const VIEWS = { day: 1, week: 7, weeks: 84, season: 182, all: null } as const;
type View = keyof typeof VIEWS;
const ROWS = 120;

/** What was read over time, against window, plan and what lies ahead. */
@Component({
  selector: 'tr-charts-face',
  imports: [Check, ChoiceField, LogChart, SelectField, TimeBrush],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="visually-hidden">What was read</h2>
    @if (!log()) {
      <p class="soft" role="status">Reading the log …</p>
    } @else if (series().length === 0) {
      <p>
        Nothing was read yet. Write a test down under <strong>Log</strong>, or take a table in there: each reading is drawn here against the
        window of those who live in the tank, and against the plan.
      </p>
    } @else {
      <div class="bar" data-control="charts">
        <tr-choice label="Show" [hideLabel]="true" [options]="views" [value]="view()" (chosen)="look($event)" />
        <tr-select label="Beside it" none="no other tank" [options]="tanks()" [value]="other()" (chosen)="other.set($event)" />
        <tr-check [checked]="looksAhead()" (changed)="looksAhead.set($event)">twelve weeks ahead</tr-check>
        <button class="btn" type="button" [attr.aria-pressed]="asTable()" (click)="asTable.set(!asTable())">
          {{ asTable() ? 'Curves' : 'Table' }}
        </button>
        <span class="keys">
          <button class="btn" type="button" aria-label="Closer" (click)="scale(1.6)">+</button>
          <button class="btn" type="button" aria-label="Further away" (click)="scale(1 / 1.6)">−</button>
        </span>
      </div>
      @if (asTable()) {
        <div class="scroll">
          <table>
            <caption class="visually-hidden">
              What was read, by day
            </caption>
            <thead>
              <tr>
                <th scope="col">Day</th>
                @for (one of charts(); track one.parameter) {
                  <th scope="col" class="value">
                    {{ one.title }}<br /><span class="soft">{{ one.unit }}</span>
                  </th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.day) {
                <tr>
                  <th scope="row">{{ row.name }}</th>
                  @for (cell of row.cells; track $index) {
                    <td class="value">{{ cell }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
        @if (rows().length === most) {
          <p class="small soft">The newest {{ most }} days of what is in sight. All of it is in the table that can be taken out.</p>
        }
      } @else {
        <div class="charts">
          @for (one of charts(); track one.parameter) {
            <tr-log-chart
              [attr.data-series]="one.parameter"
              [title]="one.title"
              [kind]="one.kind"
              [track]="one.track"
              [base]="base()"
              [range]="range()"
              [simulated]="one.simulated"
              [window]="one.window"
              [planned]="one.planned"
              [ahead]="one.ahead"
              [beside]="one.beside"
              [events]="events()"
              [now]="now"
              (ranged)="ranged($event)"
            />
          }
        </div>
        <tr-time-brush [base]="base()" [range]="range()" [times]="times()" (brushed)="ranged($event)" />
        <p class="small soft">
          The line is what was read, with the doubt of each reading; the green field what everyone here likes, the long dashes the plan,
          dotted lines water changes, a cross a loss{{ otherName() ? ', the other dashes ' + otherName() : '' }}. Drag to move, Ctrl and
          wheel or + and − to come closer, arrow keys read one by one.
        </p>
      }
      <div class="bar out" data-control="chart-files">
        <tr-select label="Take out" [options]="choices()" [value]="chosen()" (chosen)="picked.set($event)" />
        <button class="btn" type="button" [disabled]="asTable()" (click)="picture('svg')">as SVG</button>
        <button class="btn" type="button" [disabled]="asTable()" (click)="picture('png')">as PNG</button>
        <button class="btn" type="button" (click)="table()">as a table (CSV)</button>
        @if (fault(); as why) {
          <span class="error" role="alert">{{ why }}</span>
        }
      </div>
    }
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: flex-end;
      gap: 8px 14px;
      margin-bottom: 10px;
    }
    .keys {
      display: flex;
      gap: 4px;
    }
    .charts {
      display: flex;
      flex-direction: column;
      gap: 14px;
    }
    .out {
      margin-top: 14px;
    }
    table {
      font-size: 12.5px;
    }
    th {
      white-space: nowrap;
    }
  `,
})
export class ChartsFace {
  private readonly tank = inject(TankView);
  private readonly library = inject(Library);
  private readonly feed = inject(ForecastFeed);
  private readonly units = inject(PreferencesStore).units;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly now = Date.now();
  private readonly today = dayOf(new Date());
  protected readonly most = ROWS;
  protected readonly log = this.tank.log;
  protected readonly view = signal<View | null>('weeks');
  protected readonly other = signal<string | null>(null);
  protected readonly looksAhead = signal(false);
  protected readonly asTable = signal(false);
  protected readonly fault = signal<string | null>(null);
  private readonly moved = signal<TimeRange | null>(null);
  protected readonly views: readonly Choice<View | null>[] = [
    { value: 'day', text: 'A day' },
    { value: 'week', text: 'A week' },
    { value: 'weeks', text: '12 weeks' },
    { value: 'season', text: 'Half a year' },
    { value: 'all', text: 'All of it' },
  ];

  protected readonly series = computed((): LogSeries[] => {
    const found = seriesOf(this.log()?.lines ?? []);
    return LOGGED_PARAMETERS.flatMap((parameter) => found.get(parameter) ?? []);
  });
  protected readonly times = computed(() => (this.log()?.lines ?? []).map(({ atMs }) => atMs));

  /** All of the time there is something of. */
  protected readonly base = computed((): TimeRange => {
    const [first] = this.times();
    const last = Math.max(this.now, this.times().at(-1) ?? 0) + (this.looksAhead() ? 84 : 1) * DAY_MS;
    return [Math.min(first ?? this.now, last - 8 * DAY_MS) - DAY_MS, last];
  });
  /** What is in sight: as chosen, or as it was moved to. */
  protected readonly range = computed((): TimeRange => {
    const [moved, view, [first, last]] = [this.moved(), this.view(), this.base()];
    if (moved) return moved;
    const days = view === null ? null : VIEWS[view];
    return days === null ? [first, last] : [Math.max(first, last - (days + (this.looksAhead() ? 84 : 0)) * DAY_MS), last];
  });

  protected look(view: View | null): void {
    this.moved.set(null);
    this.view.set(view);
  }

  protected ranged([from, to]: TimeRange): void {
    const [first, last] = this.base();
    this.moved.set([Math.max(first, from), Math.min(last, to)]);
    this.view.set(null);
  }

  /** Closer, or further away; the newest stays where it is. */
  protected scale(by: number): void {
    const [from, to] = this.range();
    this.ranged([to - (to - from) / by, to]);
  }

  private readonly ahead = toSignal(
    toObservable(computed(() => (this.looksAhead() ? this.tank.assessment() : null))).pipe(
      switchMap((assessment) =>
        assessment ? this.feed.ahead(assessment.world.design, assessment.world.room, Number(this.today.slice(5, 7)) - 1) : of(null),
      ),
    ),
  );

  private readonly rooms = toSignal(
    toObservable(computed(() => this.tank.room()?.id)).pipe(switchMap((id) => (id ? this.library.summaries(id) : of([])))),
  );
  protected readonly tanks = computed(() =>
    (this.rooms() ?? [])
      .filter(({ id }) => id !== this.tank.design()?.id)
      .map(({ id, name }): Choice<string> => ({ value: id, text: name })),
  );
  protected readonly otherName = computed(() => this.tanks().find(({ value }) => value === this.other())?.text ?? null);
  private readonly otherSeries = toSignal(
    toObservable(this.other).pipe(
      switchMap((id) => (id === null ? of(null) : readLog(id).then(({ entries }) => seriesOf(timelineOf(entries))))),
    ),
  );

  protected readonly events = computed((): ChartEvent[] => {
    const catalogue = this.tank.catalogue();
    if (!catalogue) return [];
    const names = logNamesOf(catalogue, this.tank.room()?.kits ?? {});
    return (this.log()?.lines ?? []).flatMap(({ entry, struck, atMs }): ChartEvent[] => {
      if (struck || entry.kind === 'reading' || entry.kind === 'feeding') return [];
      const loss = entry.kind === 'animals' && (entry.became === 'died' || entry.became === 'lost');
      const mark = entry.kind === 'change' ? 'change' : loss ? 'loss' : GROUP_OF[entry.kind] === 'feeding' ? 'feed' : 'work';
      return [{ ms: atMs, text: plain(wordEntry(entry, names, this.units()).title), mark }];
    });
  });

  protected readonly charts = computed(() => {
    const derived = this.tank.derived();
    const kits = this.tank.room()?.kits ?? {};
    const units = this.units();
    const other = this.otherSeries();
    const ahead = this.looksAhead() ? this.ahead()?.forecast : null;
    return this.series().map((series) => {
      const { parameter, times, values, simulated } = series;
      const { name, kind } = PARAMETER_META[parameter];
      const window = derived && isPlanned(parameter) ? windowNodeOf(derived, parameter).value : null;
      const planned =
        derived && isPlanned(parameter) ? (derived[`planned.${parameter}`].worked ?? derived[`planned.${parameter}`].value) : null;
      const key = SERIES_OF[parameter];
      const coming = ahead && key ? ahead.series[key] : null;
      const theirs = other?.get(parameter);
      const beside: NamedTrack[] = theirs ? [{ name: this.otherName() ?? '', times: theirs.times, values: theirs.values }] : [];
      return {
        parameter,
        title: name,
        kind,
        unit: unitOf(kind, units).unit,
        simulated,
        track: { times, values, ...rangesOf(series, kits) },
        window: window?.optimum ?? window?.tolerance ?? null,
        planned,
        ahead: coming
          ? {
              times: Float64Array.from(coming.usual, (_, day) => this.now + day * DAY_MS),
              values: coming.usual,
              low: coming.low,
              high: coming.high,
            }
          : null,
        beside,
      };
    });
  });

  protected readonly rows = computed(() => {
    const [from, to] = this.range().map((ms) => dayOf(new Date(ms))) as [string, string];
    const columns = this.charts().map(({ parameter, kind }) => {
      const { days, values } = byDay(this.series().find((one) => one.parameter === parameter)!);
      return { kind, by: new Map(days.map((day, i) => [day, values[i]!])) };
    });
    const days = [...new Set(columns.flatMap(({ by }) => [...by.keys()]))].filter((day) => day >= from && day <= to).sort();
    return days
      .reverse()
      .slice(0, ROWS)
      .map((day) => ({
        day,
        name: datedDay(day, this.today),
        cells: columns.map(({ kind, by }) => (by.has(day) ? formatNumber(kind, by.get(day)!, this.units()) : '')),
      }));
  });

  // files
  protected readonly picked = signal<LoggedParameter | null>(null);
  protected readonly choices = computed(() =>
    this.series().map(({ parameter }): Choice<LoggedParameter> => ({ value: parameter, text: PARAMETER_META[parameter].name })),
  );
  protected readonly chosen = computed(() => this.picked() ?? this.series()[0]?.parameter ?? null);

  protected async picture(as: 'svg' | 'png'): Promise<void> {
    const parameter = this.chosen();
    const svg = this.host.nativeElement.querySelector<SVGSVGElement>(`[data-series="${parameter}"] svg`);
    const one = this.charts().find((chart) => chart.parameter === parameter);
    if (!svg || !one) return;
    const [from, to] = this.range().map((ms) => moment(new Date(ms), true));
    const title = `${this.tank.design()?.name}: ${one.title}, ${one.unit}${one.simulated ? ', SIMULATED' : ''}, ${from} to ${to}`;
    const text = captioned(standaloneSvg(svg, title), title);
    const stem = `${fileStem(this.tank.design()?.name ?? 'tank')}-${fileStem(one.title)}`;
    this.fault.set(null);
    if (as === 'svg') return download(`${stem}.svg`, text, 'image/svg+xml');
    try {
      download(`${stem}.png`, await svgToPng(text));
    } catch (error) {
      this.fault.set(`The picture could not be made: ${error instanceof Error ? error.message : String(error)}`);
    }
  }

  protected table(): void {
    const parameter = this.chosen();
    const series = this.series().find((one) => one.parameter === parameter);
    if (!series || !parameter) return;
    const { name, kind } = PARAMETER_META[parameter];
    const units = this.units();
    const { low, high } = rangesOf(series, this.tank.room()?.kits ?? {});
    const shown = (value: number) => Number(inChosenUnit(kind, value, units).toFixed(4));
    const [from, to] = this.range();
    const rows = series.lines.flatMap(({ entry, atMs }, i) =>
      atMs < from || atMs > to
        ? []
        : [
            [
              entry.at,
              shown(series.values[i]!),
              shown(low[i]!),
              shown(high[i]!),
              (entry as ReadingEntry).simulated ? 'SIMULATED' : '',
              entry.note,
            ],
          ],
    );
    const unit = unitOf(kind, units).unit;
    const fields = ['at', `${name}${unit ? ` (${unit})` : ''}`, 'least', 'most', 'simulated', 'note'];
    const csv = Papa.unparse({ fields, data: rows }, { newline: '\n', escapeFormulae: FORMULA });
    download(`${fileStem(this.tank.design()?.name ?? 'tank')}-${fileStem(name)}.csv`, csv, 'text/csv');
  }
}

const isPlanned = (parameter: LoggedParameter): parameter is Parameter => (PARAMETERS as readonly string[]).includes(parameter);

/** A drawing with its title written over it: a file on its own has none. */
function captioned(svg: string, title: string): string {
  const escaped = title.replace(/[&<>]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[sign]!);
  const text = `<text x="${CHART.left}" y="10" font-size="11" font-family="Atkinson Hyperlegible Next, Verdana, sans-serif">${escaped}</text></svg>`;
  return svg.replace(/<\/svg>\s*$/, text);
}
