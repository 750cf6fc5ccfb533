import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { wordFinding } from '../../core/assessment/wording';
import { PARAMETER_META, type Parameter } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatNumber, formatQuantity, formatSpan, inChosenUnit, unitOf } from '../../core/quantity/format';
import { SourcesEditor } from '../room/sources-editor';
import { TankView } from '../store/tank-view';
import { Why } from '../shell/why';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { AXIS, layoutAxis } from './axis-row';
import { setShare } from './blend-edits';

const SHOWN: readonly Parameter[] = ['ghDh', 'khDh', 'ph', 'ec25UsPerCm', 'salinity'];

/** Sources against everyone's ranges, and how they are blended. */
@Component({
  selector: 'tr-water-bench',
  imports: [NzButtonModule, SourcesEditor, QuantityField, LatinText],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './water-bench.html',
  styleUrl: './water-bench.less',
})
export class WaterBench {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankStore);
  protected readonly why = inject(Why);
  protected readonly units = inject(PreferencesStore).units;
  protected readonly axis = AXIS;
  /** The share under the finger; the design changes when it is let go. */
  protected readonly sliding = signal<{ id: string; share: number } | null>(null);

  protected readonly parts = computed(() => {
    const design = this.view.design();
    const room = this.view.room();
    if (!design || !room) return [];
    const total = Object.values(design.water.parts).reduce((sum, { share }) => sum + share, 0);
    return inOrder(room.sources).map(([id, source]) => {
      const poured = Object.values(design.water.parts)
        .filter(({ sourceId }) => sourceId === id)
        .reduce((sum, { share }) => sum + share, 0);
      return { id, name: source.name, share: total > 0 ? poured / total : 0 };
    });
  });

  protected readonly litres = computed(() => {
    const water = this.view.derived()?.['vessel.system-volume'].value ?? null;
    return this.parts().map(({ share }) => (water === null || share === 0 ? null : formatQuantity('volume', water * share, this.units())));
  });

  protected readonly planned = computed(() => {
    const derived = this.view.derived();
    const units = this.units();
    return SHOWN.map((parameter) => {
      const node = derived && plannedNode(derived, parameter);
      const { name, kind } = PARAMETER_META[parameter];
      return {
        parameter,
        name,
        value: typeof node?.value === 'number' ? formatQuantity(kind, node.value, units) : '○ not known',
        band: node?.interval ? formatSpan(kind, node.interval, units) : '',
      };
    });
  });

  protected readonly axes = computed(() => {
    const derived = this.view.derived();
    const room = this.view.room();
    const units = this.units();
    if (!derived || !room) return [];
    const sources = inOrder(room.sources);
    return SHOWN.filter((parameter) => parameter !== 'salinity' || this.isSalty()).map((parameter) => {
      const meta = PARAMETER_META[parameter];
      const node = plannedNode(derived, parameter);
      // sea water would squeeze a fresh-water axis flat, unless it is poured
      const marks = sources
        .filter(([, source]) => source.kind !== 'sea' || this.isSalty())
        .map(([, source]) => ({ name: source.name, value: source[parameter as Exclude<Parameter, 'temperatureC'>].value }));
      const layout = layoutAxis(
        windowNodeOf(derived, parameter).value,
        { value: node.value, interval: node.interval ?? null },
        marks,
        meta.axis,
        (value) => inChosenUnit(meta.kind, value, units),
      );
      return {
        parameter,
        name: meta.name,
        unit: unitOf(meta.kind, units).unit,
        severity: this.view.worstOfParameter(parameter) ?? 'fits',
        pinText: node.value === null ? '' : formatNumber(meta.kind, node.value, units),
        ...layout,
      };
    });
  });

  /** The best blend at hand, as the ledger offers it. */
  protected readonly proposal = computed(() => {
    const assessment = this.view.assessment();
    const helps = this.view.helps();
    if (!assessment || !helps) return null;
    for (const finding of assessment.findings) {
      const remedy = helps.get(finding.key)?.remedies.find(({ kind }) => kind === 'blend');
      if (remedy?.baseRev === assessment.world.design.rev) {
        const text = remedy.subjects
          .map(
            (id, i) =>
              `${formatQuantity('fraction', remedy.values[`share${i}`]?.si ?? 0, this.units())} ${assessment.world.room.sources[id]?.name ?? id}`,
          )
          .join(' + ');
        return { remedy, text, why: wordFinding(finding, assessment, this.units()).title };
      }
    }
    return null;
  });

  protected setShare(id: string, share: number): void {
    this.sliding.set(null);
    const design = this.view.design();
    const room = this.view.room();
    if (design && room) this.store.edit('Blend', setShare(design, room, id, share));
  }

  protected useAll(id: string): void {
    this.store.edit('Pour one source', [
      { op: 'replace', path: pointer('water', 'parts'), value: { [id]: { order: 1, sourceId: id, share: 1 } } },
    ]);
  }

  protected useProposal(): void {
    const proposal = this.proposal();
    if (proposal) this.store.applyRemedy(proposal.text, proposal.remedy);
  }

  private isSalty(): boolean {
    const derived = this.view.derived();
    const tolerance = derived?.['window.salinity'].value?.members.some(({ range }) => (range?.value?.optimum[1] ?? 0) > 3);
    return Boolean(tolerance) || (derived?.['planned.salinity'].value ?? 0) > 1;
  }
}
