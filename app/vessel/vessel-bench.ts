import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCheckboxModule } from 'ng-zorro-antd/checkbox';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatNumber, formatQuantity } from '../../core/quantity/format';
import { STOCK_SIZES_MM } from '../../core/vessel/stock-sizes';
import type { LidKind, Vessel } from '../../core/vessel/model';
import { ClimateEditor } from '../room/climate-editor';
import { Section } from '../section/section';
import { TankView } from '../store/tank-view';
import { Why } from '../shell/why';
import { PreferencesStore } from '../store/preferences';
import { TankStore } from '../store/tank-store';
import { QuantityField } from '../ui/quantity-field';
import { YearChart } from '../ui/year-chart';

type Side = 'lengthMm' | 'widthMm' | 'heightMm';

/** The box, its water and its warmth. */
@Component({
  selector: 'tr-vessel-bench',
  imports: [FormsModule, NzButtonModule, NzCheckboxModule, NzRadioModule, Section, QuantityField, YearChart, ClimateEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessel-bench.html',
  styleUrl: './vessel-bench.less',
})
export class VesselBench {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankStore);
  protected readonly why = inject(Why);
  protected readonly units = inject(PreferencesStore).units;
  protected readonly vessel = computed(() => this.view.design()?.vessel ?? null);
  /** Sides typed before there is a vessel; it exists once all three are known. */
  private draft: Partial<Record<Side, number>> = {};

  protected readonly sizes = computed(() =>
    STOCK_SIZES_MM.map((size) => ({ size, name: size.map((mm) => formatNumber('length', mm, this.units())).join(' × ') })).filter((_, i) =>
      [1, 2, 4, 6, 8, 11].includes(i),
    ),
  );

  protected readonly volumes = computed(() => {
    const derived = this.view.derived();
    if (!derived || !this.vessel()) return null;
    const volume = (litres: number | null) => (litres === null ? 'not known' : formatQuantity('volume', litres, this.units()));
    return { gross: volume(derived['vessel.gross-volume'].value), water: volume(derived['vessel.water-volume'].value) };
  });

  protected readonly heater = computed(() => this.device('heater'));
  protected readonly cooler = computed(() => this.device('cooler'));
  protected readonly year = computed(() => this.view.derived()?.['heat.year'].value ?? null);
  protected readonly temperatureWindow = computed(() => this.view.derived()?.['window.temperatureC'].value?.optimum ?? null);

  protected setSide(side: Side, mm: number): void {
    const vessel = this.vessel();
    if (vessel) {
      // the level goes down with a lower rim, in the same gesture
      const level =
        side === 'heightMm' && vessel.waterLevelMm > mm
          ? [{ op: 'replace' as const, path: '/vessel/waterLevelMm', value: Math.max(10, mm - 20) }]
          : [];
      this.store.edit('Size', [{ op: 'replace', path: pointer('vessel', side), value: mm }, ...level]);
      return;
    }
    this.draft = { ...this.draft, [side]: mm };
    const { lengthMm, widthMm, heightMm } = this.draft;
    if (lengthMm && widthMm && heightMm) this.choose([lengthMm, widthMm, heightMm]);
  }

  protected choose([lengthMm, widthMm, heightMm]: readonly [number, number, number]): void {
    const unstated = { value: null, basis: 'measured' as const };
    const vessel: Vessel = {
      shape: 'box',
      lengthMm,
      widthMm,
      heightMm,
      waterLevelMm: Math.max(10, heightMm - 40),
      lid: this.vessel()?.lid ?? unstated,
      state: this.vessel()?.state ?? unstated,
      leakTested: unstated,
    };
    this.store.edit('Choose a vessel', [{ op: 'replace', path: '/vessel', value: vessel }]);
  }

  protected setLevel(mm: number): void {
    this.store.edit('Water level', [{ op: 'replace', path: '/vessel/waterLevelMm', value: mm }]);
  }

  protected setLid(kind: LidKind | null): void {
    if (this.vessel()?.lid.value !== kind)
      this.store.edit('Lid', [{ op: 'replace', path: '/vessel/lid', value: { value: kind, basis: 'measured' } }]);
  }

  protected setLeakTest(passed: boolean): void {
    this.store.edit('Leak test', [
      { op: 'replace', path: '/vessel/leakTested', value: { value: passed ? true : null, basis: 'measured' } },
    ]);
  }

  protected setDevice(kind: 'heater' | 'cooler', setPointC: number): void {
    const design = this.view.design();
    const present = this.device(kind);
    if (!design) return;
    if (present) this.store.edit('Set-point', [{ op: 'replace', path: pointer('equipment', present.id, 'setPointC'), value: setPointC }]);
    else
      this.store.edit(`Add a ${kind}`, [
        { op: 'add', path: pointer('equipment', kind), value: { order: nextOrder(design.equipment), kind, setPointC } },
      ]);
  }

  protected removeDevice(id: string, kind: string): void {
    this.store.edit(`Take the ${kind} out`, [{ op: 'remove', path: pointer('equipment', id) }]);
  }

  private device(kind: 'heater' | 'cooler') {
    const found = inOrder(this.view.design()?.equipment ?? {}).find(([, device]) => device.kind === kind);
    return found ? { id: found[0], ...found[1] } : null;
  }
}
