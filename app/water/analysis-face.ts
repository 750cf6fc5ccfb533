import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ANALYTE_META } from '../../core/catalogue/water-source';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { chargeBalance, chargesMeqPerL, ION_NAMES, IONS, type IonsMmolPerL } from '../../core/chemistry/ions';
import { TRACES } from '../../core/water/source-water';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankView } from '../store/tank-view';

const BAR = { width: 520, height: 26, label: 74 };

interface Piece {
  name: string;
  symbol: string;
  x: number;
  width: number;
  tone: number;
}

/** The ions of the mixed water: cations over anions, true to their charge, and every figure in milligrams. */
@Component({
  selector: 'tr-analysis-face',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (mixed(); as m) {
      <h2>What is dissolved in it</h2>
      <svg
        [attr.viewBox]="'0 0 ' + bar.width + ' 96'"
        role="img"
        [attr.aria-label]="'Charge of the ions: cations ' + m.cations + ', anions ' + m.anions + ' milliequivalents a litre'"
      >
        @for (side of m.sides; track side.name) {
          <text class="side" x="0" [attr.y]="side.y + 17">{{ side.name }}</text>
          @for (piece of side.pieces; track piece.name) {
            <rect
              [class]="'tone-' + piece.tone"
              [attr.x]="piece.x"
              [attr.y]="side.y"
              [attr.width]="piece.width"
              [attr.height]="bar.height"
            />
            @if (piece.width > 30) {
              <text class="ion" text-anchor="middle" [attr.x]="piece.x + piece.width / 2" [attr.y]="side.y + 17">{{ piece.symbol }}</text>
            }
          }
        }
        <text class="scale" [attr.x]="bar.label" y="90">0</text>
        <text class="scale" text-anchor="end" [attr.x]="bar.width" y="90">{{ m.most }} meq/L</text>
        <path class="axis" [attr.d]="'M' + bar.label + ' 74H' + bar.width + 'M' + bar.label + ' 74v4M' + bar.width + ' 74v4'" />
      </svg>
      <p class="small">
        Charge balance of the mixture {{ m.balance }}.
        @for (line of m.sources; track line.name) {
          {{ line.name }}: {{ line.text }}
        }
      </p>
      <div class="columns">
        <table>
          <thead>
            <tr>
              <th scope="col">Ion</th>
              <th scope="col" class="value">mg/L</th>
              <th scope="col" class="value">mmol/L</th>
            </tr>
          </thead>
          <tbody>
            @for (row of m.ions; track row.name) {
              <tr>
                <td>{{ row.name }}</td>
                <td class="value">{{ row.mg }}</td>
                <td class="value">{{ row.mmol }}</td>
              </tr>
            }
          </tbody>
        </table>
        <div>
          <table>
            <thead>
              <tr>
                <th scope="col">Beside them</th>
                <th scope="col" class="value">mg/L</th>
              </tr>
            </thead>
            <tbody>
              @for (row of m.traces; track row.name) {
                <tr>
                  <td>{{ row.name }}</td>
                  <td class="value">{{ row.value }}</td>
                </tr>
              }
            </tbody>
          </table>
          <h3>In balance with the air</h3>
          <table>
            <tbody>
              @for (row of gas(); track row.name) {
                <tr>
                  <td>
                    <button type="button" class="pick" (click)="row.open()">{{ row.name }}</button>
                  </td>
                  <td class="value">{{ row.value }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
      </div>
      @if (m.assumptions.length > 0) {
        <h3>Taken, because no reading says it</h3>
        <ul>
          @for (line of m.assumptions; track line) {
            <li>{{ line }}</li>
          }
        </ul>
      }
    } @else {
      <p class="soft">Pour something first; then its ions stand here.</p>
    }
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 640px;
    }
    h2,
    h3 {
      margin: 8px 0 4px;
    }
    .side,
    .scale {
      fill: var(--soft);
      font-size: 11.5px;
    }
    .ion {
      font-size: 12px;
      font-weight: 600;
    }
    .axis {
      fill: none;
      stroke: var(--ink);
    }
    rect {
      stroke: var(--sheet);
      stroke-width: 1.5;
    }
    .tone-0 {
      fill: color-mix(in srgb, var(--clay) 45%, var(--sheet));
    }
    .tone-1 {
      fill: color-mix(in srgb, var(--ochre) 40%, var(--sheet));
    }
    .tone-2 {
      fill: color-mix(in srgb, var(--water) 40%, var(--sheet));
    }
    .tone-3 {
      fill: color-mix(in srgb, var(--moss) 40%, var(--sheet));
    }
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
      gap: 0 28px;
      align-items: start;
      margin-top: 8px;
    }
    .value {
      text-align: right;
    }
    ul {
      margin: 0;
      padding-left: 18px;
    }
  `,
})
export class AnalysisFace {
  private readonly view = inject(TankView);
  private readonly why = inject(Why);
  private readonly units = inject(PreferencesStore).units;
  protected readonly bar = BAR;

  protected readonly mixed = computed(() => {
    const derived = this.view.derived();
    const mixed = derived?.['water.mixed'].value;
    if (!derived || !mixed) return null;
    const { cations, anions } = chargesMeqPerL(mixed.ions);
    const most = Math.max(cations, anions, 1e-6);
    const round = (value: number) => Number(value.toPrecision(3));
    const balance = chargeBalance(mixed.ions);
    return {
      cations: round(cations),
      anions: round(anions),
      most: round(most),
      balance: balance === null ? 'none: there are no ions' : `${balance > 0 ? '+' : ''}${rounded(balance * 100, 1, this.units())} %`,
      sources: (derived['water.poured'].value ?? []).map(({ source, water }) => ({
        name: source.name,
        text:
          water.balance === null
            ? 'kit readings, so the rest is filled in.'
            : `its report balances to ${rounded(Math.abs(water.balance) * 100, 1, this.units())} %${Math.abs(water.balance) > 0.1 ? ', which is too much' : ''}.`,
      })),
      sides: [
        { name: 'Cations', y: 6, pieces: pieces(mixed.ions, 1, most) },
        { name: 'Anions', y: 40, pieces: pieces(mixed.ions, -1, most) },
      ],
      ions: ION_NAMES.map((ion) => ({
        name: ion === 'bicarbonate' ? 'Alkalinity, as HCO₃⁻' : `${ANALYTE_META[ion].name} ${IONS[ion].symbol}`,
        mg: round(mixed.ions[ion] * IONS[ion].molarMass),
        mmol: round(mixed.ions[ion]),
      })),
      traces: TRACES.map((trace) => ({
        name: ANALYTE_META[trace].name,
        value: mixed.traces[trace] === null ? '○ not known' : String(round(mixed.traces[trace])),
      })),
      assumptions: mixed.assumptions,
    };
  });

  protected readonly gas = computed(() => {
    const derived = this.view.derived();
    const units = this.units();
    if (!derived) return [];
    const ph = derived['planned.ph'];
    const index = derived['water.saturation'].value;
    const carbon = derived['water.organic-carbon'].value;
    return [
      {
        name: 'pH',
        value: ph.value === null ? '○ not known' : formatQuantity('ph', ph.value, units),
        open: () => this.why.parameter('ph'),
      },
      { name: 'CO₂ pressure', value: `${Math.round(derived['water.gas'].value ?? 0)} µatm`, open: () => this.why.node('water.gas') },
      {
        name: 'Saturation index of calcite',
        value: index === null ? '○ not known' : rounded(index, 2, this.units()),
        open: () => this.why.node('water.saturation'),
      },
      {
        name: 'Organic carbon',
        value: carbon === null ? '○ not known' : formatQuantity('concentration', carbon, units),
        open: () => this.why.node('water.organic-carbon'),
      },
    ];
  });
}

function pieces(ions: IonsMmolPerL, sign: 1 | -1, most: number): Piece[] {
  let x = BAR.label;
  return ION_NAMES.filter((ion) => Math.sign(IONS[ion].charge) === sign && ions[ion] > 0).map((ion, i) => {
    const width = ((ions[ion] * Math.abs(IONS[ion].charge)) / most) * (BAR.width - BAR.label);
    const piece = { name: ion, symbol: IONS[ion].symbol, x, width, tone: i % 4 };
    x += width;
    return piece;
  });
}
