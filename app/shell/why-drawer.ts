import { ChangeDetectionStrategy, Component, computed, effect, inject, ElementRef, viewChild } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { calculations } from '../../core/assessment/calculations';
import { plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { BASIS_WORD, nameOf, plain, wordFinding } from '../../core/assessment/wording';
import type { Computed } from '../../core/calculation/computed';
import { PARAMETER_META } from '../../core/catalogue/parameter';
import { formatQuantity, formatSpan } from '../../core/quantity/format';
import type { OpenSpan } from '../../core/quantity/range';
import type { QuantityKind } from '../../core/quantity/unit';
import { PreferencesStore } from '../store/preferences';
import { LatinText } from '../ui/latin-text';
import { TankView } from '../store/tank-view';
import { Why } from './why';

interface Row {
  name: string;
  value: string;
}

/** Opens a number or a judgement: formula, inputs, source, validity, uncertainty, and who sets each edge. */
@Component({
  selector: 'tr-why-drawer',
  imports: [NzButtonModule, NzDrawerModule, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-drawer [nzVisible]="!!subject()" [nzClosable]="false" [nzWidth]="420" [nzMaskClosable]="true" (nzOnClose)="why.close()">
      <ng-container *nzDrawerContent>
        @if (subject()) {
          <div role="dialog" aria-modal="true" [attr.aria-label]="title()">
            <div class="head">
              <h2>{{ title() }}</h2>
              <button nz-button #close type="button" (click)="why.close()">Close</button>
            </div>
            @if (judgement(); as j) {
              <p class="lead"><tr-latin [text]="j.reason" /></p>
              <p class="soft small">{{ j.basis }}{{ j.source ? ': ' + j.source : '' }}{{ j.note ? '. ' + j.note : '' }}</p>
            }
            @if (edges(); as e) {
              <h3>Who sets the edges</h3>
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
                  <p class="small"><strong>Holds for</strong> {{ calc.validity }}.</p>
                  <p class="small"><strong>Doubt</strong> {{ calc.uncertainty }}.</p>
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
  private readonly close = viewChild('close', { read: ElementRef<HTMLButtonElement> });

  constructor() {
    // the keyboard goes with the eye
    effect(() => this.close()?.nativeElement.focus());
  }

  private readonly finding = computed(() => {
    const subject = this.subject();
    return subject?.kind === 'finding' ? this.view.assessment()?.findings.find(({ key }) => key === subject.key) : undefined;
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
                ? `${node.value.toFixed(1)} mm`
                : inputText(node.value)
            : Array.isArray(node.value)
              ? ''
              : inputText(node.value);
      return {
        node: node.node,
        title: calc?.title ?? (parameter ? `Planned ${PARAMETER_META[parameter].name.toLowerCase()}` : 'Stated'),
        value,
        interval: node.interval && kind ? formatSpan(kind, node.interval, this.units()) : '',
        note: node.note ?? '',
        formula: calc?.formula ?? '',
        inputs: inputRows(node.inputs),
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

function inputRows(inputs: Readonly<Record<string, unknown>>): Row[] {
  return Object.entries(inputs).flatMap(([name, value]) =>
    // a whole scenario is told part by part
    name === 'scenario' && value !== null && typeof value === 'object' ? scenarioRows(value) : [{ name, value: inputText(value) }],
  );
}

/** The parts of a tank's balance that say something: what is nought or not there is left out, and what is poured only where it differs. */
function scenarioRows(scenario: object): Row[] {
  const parts = Object.entries(scenario);
  const start = JSON.stringify((scenario as { start?: unknown }).start);
  const says = (value: unknown): boolean =>
    value !== null &&
    value !== 0 &&
    (typeof value !== 'object' || Object.values(value as object).some((part) => part !== 0 && part !== null));
  return parts
    .filter(([name, value]) => says(value) && (name === 'start' || JSON.stringify(value) !== start))
    .map(([name, value]) => ({
      name: name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`),
      value: inputText(
        value !== null && typeof value === 'object' && !Array.isArray(value)
          ? Object.fromEntries(Object.entries(value as object).filter(([, part]) => part !== 0 && part !== null))
          : value,
      ),
    }));
}

function inputText(value: unknown): string {
  if (value === null) return 'none';
  if (typeof value === 'number') return String(Number(value.toPrecision(5)));
  if (Array.isArray(value)) return value.map((part) => (Array.isArray(part) ? part.map(inputText).join('–') : inputText(part))).join('; ');
  if (typeof value === 'object') {
    return Object.entries(value)
      .map(([name, part]) => `${name} ${inputText(part)}`)
      .join(', ');
  }
  return String(value);
}
