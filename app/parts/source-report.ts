import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { ANALYTE_META, Analyte } from '../../core/catalogue/water-source';
import type { RoomSource } from '../../core/design/room';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { MEQ_PER_DEGREE_ALKALINITY } from '../../core/quantity/unit';
import { carbonateAtPh, outsideFreshWater } from '../../core/chemistry/carbonate-system';
import { readWaterReport, type WaterReport } from '../../core/water/report';
import { sourceWater } from '../../core/water/source-water';
import { PreferencesStore } from '../store/preferences';
import { FileDrop } from '../ui/file-drop';
import { QuantityField } from '../ui/quantity-field';
import { setAnalyte, takeReport } from '../../core/design/edits/source-edits';
import { SelectField } from '../ui/select';

const SIMULATED = [
  { value: 'limestone-valley', text: 'limestone valley' },
  { value: 'upland-reservoir', text: 'upland reservoir, chloramine' },
  { value: 'softened-house', text: 'house with a softener' },
];

/** One source in full: its report, single substances, and whether they can all be true. */
@Component({
  selector: 'tr-source-report',
  imports: [SelectField, FileDrop, QuantityField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="report" (trFileDrop)="take($event)">
      <h3>{{ source().name }}: report and single substances</h3>
      <p class="small soft">{{ source().report?.title ?? 'No report: readings of kits and classes.' }}</p>
      @for (line of weighed().contradictions; track line) {
        <p class="error">Inconsistent: {{ line }}.</p>
      }
      <p class="small">{{ weighed().balance }} {{ gas() }}</p>
      <div class="fields">
        <tr-quantity
          label="Temperature"
          kind="temperature"
          [limits]="[-2, 60]"
          [value]="source().temperatureC.value"
          (quantity)="patch.emit(temperature($event))"
        />
        @for (analyte of analytes; track analyte) {
          <tr-quantity
            [label]="meta[analyte].name"
            kind="concentration"
            [limits]="[0, 50000]"
            [value]="source().analysisMgPerL[analyte]?.value ?? null"
            (quantity)="patch.emit(set(analyte, $event))"
          />
        }
      </div>
      @if (weighed().assumptions.length > 0) {
        <p class="small soft">Taken for what is not read: {{ weighed().assumptions.join('; ') }}.</p>
      }
      <div class="actions">
        <label class="open-file">
          <input #file class="visually-hidden" type="file" accept=".csv,.json,.txt,.tsv,text/csv,application/json" (change)="pick(file)" />
          Read a report (CSV, JSON)
        </label>
        <tr-select label="or a simulated one" none="choose …" [options]="simulated" [value]="null" (chosen)="simulate($event)" />
        <span class="small soft">Drop a file here, or paste its text:</span>
      </div>
      <textarea
        #pasted
        rows="2"
        aria-label="Text of a report"
        placeholder="Calcium;112;mg/L"
        spellcheck="false"
        (change)="paste(pasted)"
      ></textarea>
      <div role="status">
        @if (refused(); as reason) {
          <p class="error">{{ reason }} Nothing was changed.</p>
        }
        @if (read(); as r) {
          <p>
            {{ r.used.length }} values taken from “{{ r.title }}”.
            @if (r.left.length > 0) {
              {{ r.left.length }} lines left out:
            }
          </p>
          @if (r.left.length > 0) {
            <ul class="small">
              @for (line of r.left.slice(0, 12); track line.line) {
                <li>line {{ line.line }}, “{{ line.text }}”: {{ line.reason }}</li>
              }
              @if (r.left.length > 12) {
                <li>and {{ r.left.length - 12 }} more</li>
              }
            </ul>
          }
          @for (note of r.notes.slice(0, 6); track note) {
            <p class="small soft">{{ note }}</p>
          }
        }
      </div>
    </div>
  `,
  styles: `
    .report {
      margin: 8px 0 12px;
      padding: 10px 0;
      border-block: 1px solid var(--edge);
      &.dropping {
        background: var(--band);
      }
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
      gap: 8px 14px;
      margin: 8px 0;
    }
    .actions {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 14px;
      margin: 8px 0 6px;
    }
    .actions label {
      display: flex;
      align-items: center;
      gap: 6px;
    }
    .open-file {
      padding: 4px 11px;
      border: 1px solid var(--edge);
      border-radius: 4px;
      cursor: pointer;
      &:focus-within {
        outline: 2px solid var(--water);
        outline-offset: 2px;
      }
    }
    select,
    textarea {
      border: 1px solid var(--edge);
      border-radius: 4px;
      background: var(--sheet);
      color: var(--ink);
      font: inherit;
    }
    textarea {
      width: 100%;
      min-height: 44px;
      padding: 4px 8px;
      resize: vertical;
    }
    ul {
      margin: 2px 0 4px;
      padding-left: 18px;
    }
  `,
})
export class SourceReport {
  readonly id = input.required<string>();
  readonly source = input.required<RoomSource>();
  readonly patch = output<Operation[]>();
  private readonly units = inject(PreferencesStore).units;
  protected readonly analytes = Analyte.options;
  protected readonly meta = ANALYTE_META;
  protected readonly simulated = SIMULATED;
  protected readonly read = signal<WaterReport | null>(null);
  protected readonly refused = signal<string | null>(null);

  protected readonly weighed = computed(() => {
    const { contradictions, assumptions, balance, modelledEcUsPerCm } = sourceWater(this.source());
    const conducts = `Its ions would conduct ${formatQuantity('conductivity', modelledEcUsPerCm, this.units())}.`;
    return {
      contradictions,
      assumptions,
      balance:
        balance === null
          ? `Charge cannot be weighed: a whole report names calcium, sodium, chloride, sulfate and KH. ${conducts}`
          : `Cations and anions differ by ${rounded(Math.abs(balance) * 100, 1, this.units())} %; up to 5 % is usual, over 10 % is questioned. ${conducts}`,
    };
  });

  /** What its pH and KH mean for CO2, as it leaves the pipe. */
  protected readonly gas = computed(() => {
    const { ph, khDh, temperatureC } = this.source();
    if (ph.value === null || khDh.value === null || sourceWater(this.source()).salinity === null) return '';
    const water = { temperatureC: temperatureC.value ?? 12, alkalinityMeqPerL: khDh.value * MEQ_PER_DEGREE_ALKALINITY };
    if ((this.source().salinity.value ?? 0) > 1 || outsideFreshWater(water)) return '';
    const co2 = carbonateAtPh(water, ph.value)?.co2MgPerL;
    if (co2 === undefined) return 'Its pH and KH contradict each other.';
    return `As delivered it holds about ${formatQuantity('concentration', co2, this.units())} of CO₂${temperatureC.value === null ? ', taken at 12 °C' : ''}.`;
  });

  protected set(analyte: Analyte, value: number): Operation[] {
    return setAnalyte(this.id(), analyte, value);
  }

  protected temperature(value: number): Operation[] {
    return [{ op: 'replace', path: `/sources/${this.id()}/temperatureC`, value: { value, basis: 'measured' } }];
  }

  protected async take(files: FileList): Promise<void> {
    const [file] = files;
    if (file) this.takeText(await file.text());
  }

  protected async pick(input: HTMLInputElement): Promise<void> {
    if (input.files) await this.take(input.files);
    input.value = '';
  }

  protected paste(area: HTMLTextAreaElement): void {
    if (area.value.trim() === '') return;
    this.takeText(area.value);
    if (this.refused() === null) area.value = '';
  }

  protected async simulate(supply: string | null): Promise<void> {
    if (!supply) return;
    try {
      const response = await fetch(`/api/simulated/water-report?supply=${supply}`);
      if (!response.ok) throw new Error(`status ${response.status}`);
      this.takeText(await response.text());
    } catch {
      this.read.set(null);
      this.refused.set('The simulated report is made by the server, which cannot be reached.');
    }
  }

  private takeText(text: string): void {
    const found = readWaterReport(text);
    this.read.set(found.ok ? found.report : null);
    this.refused.set(found.ok ? null : found.reason);
    if (found.ok) this.patch.emit(takeReport(this.id(), this.source(), found.report));
  }
}
