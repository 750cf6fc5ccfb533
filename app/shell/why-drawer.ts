import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { A11yModule } from '@angular/cdk/a11y';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { inputMeta, sayInput } from '../../core/calculation/input-words';
import { canBeWeighed } from '../../core/assessment/plan/weighing';
import { calculations } from '../../core/assessment/calculations';
import { plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { BASIS_WORD, nameOf, plain, wordFinding } from '../../core/assessment/wording';
import type { Computed } from '../../core/calculation/computed';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { formatQuantity, formatSpan, rounded, type UnitChoice } from '../../core/quantity/format';
import type { OpenSpan } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';
import { LatinText } from '../ui/latin-text';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { workedOut } from '../store/worked-out';

interface Row {
  name: string;
  value: string;
}

/** Opens a number or a judgement: formula, inputs, source, validity, uncertainty, and who sets each edge. */
@Component({
  selector: 'tr-why-drawer',
  imports: [A11yModule, NzDrawerModule, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-drawer [nzVisible]="!!subject()" [nzClosable]="false" nzWidth="min(420px, 100vw)" [nzMaskClosable]="true" (nzOnClose)="why.close()">
      <ng-container *nzDrawerContent>
        @if (subject()) {
          <div role="dialog" aria-modal="true" cdkTrapFocus cdkTrapFocusAutoCapture [attr.aria-label]="title()">
            <div class="head">
              <h2>{{ title() }}</h2>
              <button class="btn" type="button" (click)="why.close()">Close</button>
            </div>
            @if (judgement(); as j) {
              <p class="lead"><tr-latin [text]="j.reason" /></p>
              <p class="soft small">{{ j.basis }}{{ j.source ? ': ' + j.source : '' }}{{ j.note ? '. ' + j.note : '' }}</p>
            }
            @if (hanging(); as h) {
              <section>
                <h3>How sure, and what it hangs on</h3>
                <p>
                  <strong>{{ h.means }}.</strong> {{ h.sure }}
                </p>
                @if (h.turns.length > 0) {
                  <p>It is turned by</p>
                  <ul>
                    @for (turn of h.turns; track turn) {
                      <li><tr-latin [text]="turn" /></li>
                    }
                  </ul>
                }
                @if (h.keeps) {
                  <p class="small soft">{{ h.keeps }}</p>
                }
              </section>
            } @else if (asked()) {
              <p class="soft small" role="status">Trying what would turn it …</p>
            }
            @if (edges(); as e) {
              <h3>Limiting species</h3>
              <p>{{ e.summary }}</p>
              @if (e.low) {
                <p>Low edge: <tr-latin [text]="e.low" /></p>
              }
              @if (e.high) {
                <p>High edge: <tr-latin [text]="e.high" /></p>
              }
              <table>
                <thead>
                  <tr>
                    <th scope="col">Who</th>
                    <th scope="col">Comfort</th>
                    <th scope="col">Survives</th>
                    <th scope="col">Basis</th>
                  </tr>
                </thead>
                <tbody>
                  @for (row of e.rows; track row.id) {
                    <tr>
                      <td><tr-latin [text]="row.name" /></td>
                      <td>{{ row.optimum }}</td>
                      <td>{{ row.tolerance }}</td>
                      <td class="soft small">{{ row.basis }}</td>
                    </tr>
                  }
                </tbody>
              </table>
            }
            @for (block of blocks(); track block.node) {
              <section>
                @if (block.title !== title()) {
                  <h3>{{ block.title }}</h3>
                }
                <p>
                  <strong>{{ block.value }}</strong>
                  @if (block.interval) {
                    <span class="soft"> · {{ block.interval }}</span>
                  }
                </p>
                @if (block.note) {
                  <p class="small">{{ block.note }}</p>
                }
                @if (block.formula) {
                  <p class="formula">{{ block.formula }}</p>
                }
                @if (block.inputs.length > 0) {
                  <dl>
                    @for (row of block.inputs; track row.name) {
                      <dt>{{ row.name }}</dt>
                      <dd>{{ row.value }}</dd>
                    }
                  </dl>
                }
                @if (block.calc; as calc) {
                  <p class="small"><strong>Valid for</strong> {{ calc.validity }}.</p>
                  <p class="small"><strong>Uncertainty</strong> {{ calc.uncertainty }}.</p>
                  @for (source of calc.source; track source.citation) {
                    <p class="small soft">{{ source.citation }} ({{ source.basis }})</p>
                  }
                }
              </section>
            }
          </div>
        }
      </ng-container>
    </nz-drawer>
  `,
  styles: `
    .head {
      display: flex;
      align-items: flex-start;
      justify-content: space-between;
      gap: 12px;
      margin-bottom: 8px;
    }
    h3 {
      margin: 14px 0 4px;
    }
    section {
      margin-top: 14px;
      padding-top: 2px;
      border-top: 1px solid var(--rule);
    }
    .lead {
      font-size: 15px;
    }
    td:nth-child(2),
    td:nth-child(3) {
      white-space: nowrap;
    }
    ul {
      margin: 4px 0;
      padding-left: 18px;
    }
    .formula {
      margin: 6px 0;
      padding: 6px 8px;
      border-left: 3px solid var(--water);
      background: var(--paper);
      font-style: italic;
    }
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 2px 12px;
      margin: 6px 0;
      font-size: 13px;
    }
    dt {
      color: var(--soft);
    }
    dd {
      margin: 0;
      overflow-wrap: anywhere;
    }
  `,
})
export class WhyDrawer {
  protected readonly why = inject(Why);
  private readonly view = inject(TankView);
  private readonly units = inject(PreferencesStore).units;
  protected readonly subject = this.why.subject;

  private readonly finding = computed(() => {
    const subject = this.subject();
    return subject?.kind === 'finding' ? this.view.assessment()?.findings.find(({ key }) => key === subject.key) : undefined;
  });

  /** What is asked of the worker: verdicts on company hang on more than one figure. */
  protected readonly asked = computed(() => {
    const finding = this.finding();
    return finding && canBeWeighed(finding) ? { key: finding.key, units: this.units() } : null;
  });
  private readonly weighed = workedOut(this.view, 'weigh', this.asked);
  protected readonly hanging = computed(() => {
    const [asked, found] = [this.asked(), this.weighed()];
    return asked && found?.key === asked.key ? found : null;
  });

  private readonly node = computed(() => {
    const subject = this.subject();
    return subject?.kind === 'node' ? this.view.derived()?.[subject.node] : undefined;
  });

  private readonly parameter = computed(() => {
    const subject = this.subject();
    const named = subject?.kind === 'parameter' ? subject.parameter : this.finding()?.parameter;
    return Object.keys(PARAMETER_META).find((p): p is keyof typeof PARAMETER_META => p === named);
  });

  protected readonly title = computed(() => {
    const finding = this.finding();
    const assessment = this.view.assessment();
    if (finding && assessment) return plain(wordFinding(finding, assessment, this.units()).title);
    const parameter = this.parameter();
    if (parameter) return PARAMETER_META[parameter].name;
    const node = this.node();
    return calculations.find(node?.calculationId ?? '')?.title ?? '';
  });

  protected readonly judgement = computed(() => {
    const finding = this.finding();
    const assessment = this.view.assessment();
    if (!finding || !assessment) return null;
    return {
      reason: wordFinding(finding, assessment, this.units()).reason,
      basis: BASIS_WORD[finding.basis],
      source: finding.source,
      note: finding.note,
    };
  });

  protected readonly edges = computed(() => {
    const assessment = this.view.assessment();
    const parameter = this.parameter();
    const window = assessment && parameter && windowNodeOf(assessment.derived, parameter).value;
    if (!assessment || !parameter || !window) return null;
    const { kind } = PARAMETER_META[parameter];
    const units = this.units();
    const names = (ids: readonly string[]) => ids.map((id) => nameOf(id, assessment)).join(', ');
    const span = (open: OpenSpan | undefined) => (open ? openSpan(kind, open, units) : 'not known');
    const summary = window.optimum
      ? `Everyone is comfortable in ${formatSpan(kind, window.optimum, units)}.`
      : window.tolerance
        ? `Nothing suits all; all survive in ${formatSpan(kind, window.tolerance, units)}.`
        : window.clash
          ? 'The ranges do not meet.'
          : 'No range is recorded for anyone here.';
    return {
      summary,
      low: names(window.setBy.low),
      high: names(window.setBy.high),
      rows: window.members.map(({ id, range }) => ({
        id,
        name: nameOf(id, assessment),
        optimum: span(range?.value?.optimum),
        tolerance: span(range?.value?.tolerance),
        basis: range ? BASIS_WORD[range.basis] : '',
      })),
    };
  });

  protected readonly blocks = computed(() => {
    const derived = this.view.derived();
    const parameter = this.parameter();
    if (!derived || !this.subject()) return [];
    const stated = this.node();
    const nodes: Computed<unknown>[] = stated
      ? [stated]
      : parameter
        ? [plannedNode(derived, parameter)]
        : [...(this.finding()?.evidence ?? [])];
    return nodes.map((node) => {
      const calc = node.calculationId ? calculations.find(node.calculationId) : undefined;
      const kind: QuantityKind | null = parameter ? PARAMETER_META[parameter].kind : node.node.endsWith('-volume') ? 'volume' : null;
      const value =
        node.value === null
          ? 'not known'
          : typeof node.value === 'number'
            ? kind
              ? formatQuantity(kind, node.value, this.units())
              : node.node === 'vessel.glass-needed'
                ? `${rounded(node.value, 1, this.units())} mm`
                : sayInput(node.node.split('.').at(-1) ?? '', node.value, this.units())
            : Array.isArray(node.value)
              ? ''
              : sayInput(node.node.split('.').at(-1) ?? '', node.value, this.units());
      return {
        node: node.node,
        title: calc?.title ?? (parameter ? `Planned ${PARAMETER_META[parameter].name.toLowerCase()}` : 'Stated'),
        value,
        interval: node.interval && kind ? formatSpan(kind, node.interval, this.units()) : '',
        note: node.note ?? '',
        formula: calc?.formula ?? '',
        inputs: inputRows(node.inputs, this.units()),
        calc,
      };
    });
  });
}

function openSpan(kind: QuantityKind, [low, high]: OpenSpan, units: Parameters<typeof formatSpan>[2]): string {
  if (low !== null && high !== null) return formatSpan(kind, [low, high], units);
  if (low !== null) return `from ${formatQuantity(kind, low, units)}`;
  return high === null ? 'not known' : `to ${formatQuantity(kind, high, units)}`;
}

function inputRows(inputs: Readonly<Record<string, unknown>>, units: UnitChoice): Row[] {
  return Object.entries(inputs).flatMap(([name, value]) =>
    // a whole scenario is told part by part
    name === 'scenario' && value !== null && typeof value === 'object'
      ? scenarioRows(value, units)
      : [{ name: inputMeta(name).label, value: sayInput(name, value, units) }],
  );
}

/** The parts of a tank's balance that say something: what is nought or not there is left out, and what is poured only where it differs. */
function scenarioRows(scenario: object, units: UnitChoice): Row[] {
  const start = JSON.stringify((scenario as { start?: unknown }).start);
  const says = (value: unknown): boolean =>
    value !== null &&
    value !== 0 &&
    (typeof value !== 'object' || Object.values(value as object).some((part) => part !== 0 && part !== null));
  const saying = (value: unknown): unknown =>
    value !== null && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).filter(([, part]) => part !== 0 && part !== null))
      : value;
  return Object.entries(scenario)
    .filter(([name, value]) => says(value) && (name === 'start' || JSON.stringify(value) !== start))
    .map(([name, value]) => ({ name: inputMeta(name).label, value: sayInput(name, saying(value), units) }));
}
