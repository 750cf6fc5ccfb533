import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { energyUse } from '../../core/assessment/energy-use';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { newDevice, type Device } from '../../core/equipment/model';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { QuantityField } from '../ui/quantity-field';
import { RunningFields } from './running-fields';
import { DEVICE_KINDS, DEVICE_WORD } from './words';

/** What is plugged in, how the water runs through it, and what it uses. */
@Component({
  selector: 'tr-gear-face',
  imports: [QuantityField, RunningFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gear-face.html',
  styleUrl: './equipment-bench.less',
})
export class GearFace {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly kinds = DEVICE_KINDS;
  protected readonly word = DEVICE_WORD;
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly devices = computed(() => inOrder(this.view.design()?.equipment ?? {}).map(([id, device]) => ({ id, device })));
  protected readonly window = computed(() => this.view.derived()?.['window.temperatureC'].value?.optimum ?? null);

  protected readonly energy = computed(() => {
    const told = this.view.told();
    const rows = told ? energyUse(told) : [];
    if (rows.length === 0) return null;
    const price = this.view.room()?.pricePerKwh ?? null;
    const units = this.units();
    const show = (value: number | null, digits: number) => (value === null ? '–' : rounded(value, digits, units));
    const kwh = rows.reduce((sum, row) => sum + (row.kwhPerYear ?? 0), 0);
    return {
      priced: price !== null,
      rows: rows.map((row) => ({
        id: row.id,
        name: DEVICE_WORD[row.kind],
        watts: row.watts === null ? 'not stated' : formatQuantity('power', row.watts, units),
        hours: show(row.hours, 1),
        kwh: show(row.kwhPerYear, 0),
        cost: show(price === null || row.kwhPerYear === null ? null : row.kwhPerYear * price, 2),
      })),
      kwh: show(kwh, 0),
      cost: show(price === null ? null : kwh * price, 2),
    };
  });
  protected setPrice(value: number | null): void {
    this.store.editRoom('Price of current', [{ op: 'replace', path: '/pricePerKwh', value }]);
  }

  protected setPoint(id: string, value: number): void {
    this.store.edit('Set-point', [{ op: 'replace', path: pointer('equipment', id, 'setPointC'), value }]);
  }

  protected setPower(id: string, value: number | null): void {
    this.store.edit('Power', [{ op: 'replace', path: pointer('equipment', id, 'powerW'), value }]);
  }

  protected setSize({ id, device }: { id: string; device: Device }, side: 0 | 1 | 2, mm: number): void {
    const value = [...(device.sizeMm ?? [mm, mm, mm])];
    value[side] = mm;
    this.store.edit('Size of gear', [{ op: 'replace', path: pointer('equipment', id, 'sizeMm'), value }]);
  }

  protected add(kind: Device['kind']): void {
    const design = this.view.design();
    if (!design) return;
    const id = Object.hasOwn(design.equipment, kind) ? `${kind}-${crypto.randomUUID().slice(0, 6)}` : kind;
    const shared = { order: nextOrder(design.equipment), powerW: null, sizeMm: null, placeMm: null };
    const window = this.window();
    const middle = window ? Math.round((window[0] + window[1]) / 2) : 24;
    // what cools begins above what heats, or the two would work against each other
    const heaters = Object.values(design.equipment).flatMap((device) => (device.kind === 'heater' ? [device.setPointC] : []));
    const start = kind === 'heater' ? middle : Math.max(middle, ...heaters.map((setPointC) => setPointC + 1));
    const value = newDevice(kind, start, shared);
    this.store.edit(`Add a ${DEVICE_WORD[kind]}`, [{ op: 'add', path: pointer('equipment', id), value }]);
  }

  protected remove(id: string, kind: string): void {
    this.store.edit(`Take the ${kind} out`, [{ op: 'remove', path: pointer('equipment', id) }]);
  }
}
