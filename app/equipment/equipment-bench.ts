import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MONTHS } from '../../core/assessment/wording';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { Failure, FailureKind, Reach } from '../../core/equipment/failures';
import { energyUse } from '../../core/assessment/energy-use';
import { newDevice, type Device } from '../../core/equipment/model';
import { formatQuantity, formatSpan, rounded } from '../../core/quantity/format';
import { ClimateEditor } from '../parts/climate-editor';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { DEVICE_WORD, DEVICE_KINDS } from './words';
import { RunningFields } from './running-fields';
import { QuantityField } from '../ui/quantity-field';
import { YearChart } from '../ui/year-chart';

const FAILURES: Readonly<Record<FailureKind, string>> = {
  'heater-off': 'Heater fails cold',
  'heater-stuck': 'Heater sticks on',
  'cooler-off': 'Cooler fails',
  'power-cut': 'Power goes',
};

/** Gear and warmth: what is plugged in, the year it gives, what happens when it fails. */
@Component({
  selector: 'tr-equipment-bench',
  imports: [QuantityField, RunningFields, YearChart, ClimateEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './equipment-bench.html',
  styleUrl: './equipment-bench.less',
})
export class EquipmentBench {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  protected readonly why = inject(Why);
  private readonly units = inject(PreferencesStore).units;
  protected readonly kinds = DEVICE_KINDS;
  protected readonly word = DEVICE_WORD;
  protected readonly locked = computed(() => !!this.view.readOnly());
  protected readonly devices = computed(() => inOrder(this.view.design()?.equipment ?? {}).map(([id, device]) => ({ id, device })));
  protected readonly year = computed(() => this.view.derived()?.['heat.year'].value ?? null);
  protected readonly window = computed(() => this.view.derived()?.['window.temperatureC'].value?.optimum ?? null);
  protected readonly humidity = computed(() => {
    const percent = this.view.room()?.humidityPct.value ?? null;
    return percent === null ? null : percent / 100;
  });
  protected readonly assumed = computed(() => this.view.derived()?.['heat.body'].note ?? null);

  protected readonly months = computed(() => {
    const balance = this.view.derived()?.['heat.balance'].value;
    const units = this.units();
    return balance?.map((month, i) => ({
      name: MONTHS[i]?.slice(0, 3),
      room: formatSpan('temperature', month.roomC, units),
      tank: formatSpan('temperature', month.tankC, units),
      heater: Math.max(...month.heaterW) > 0 ? formatSpan('power', ordered(month.heaterW), units) : '–',
      cooler: Math.max(...month.coolerW) > 0 ? formatSpan('power', ordered(month.coolerW), units) : '–',
      evaporation: formatQuantity('volumePerDay', Math.max(...month.evaporationLPerDay), units),
    }));
  });
  protected readonly cooled = computed(() => this.devices().some(({ device }) => device.kind === 'cooler'));
  protected readonly heated = computed(() => this.devices().some(({ device }) => device.kind === 'heater'));

  protected readonly failures = computed(() => {
    const list = this.view.derived()?.['heat.failures'].value ?? [];
    return list.map((failure) => ({
      name: FAILURES[failure.kind],
      when: `${MONTHS[failure.month]}, room ${this.temperature(failure.airC)}`,
      comfort: this.reach(failure.comfort),
      survival: this.reach(failure.survival),
      settles: this.settles(failure),
    }));
  });

  /** What oxygen does when the current is gone. */
  protected readonly breath = computed(() => {
    const cut = this.view.told()?.derived['gear.cut'].value;
    if (!cut) return null;
    const show = (mgPerL: number) => formatQuantity('concentration', mgPerL, this.units());
    return cut.hours === null
      ? `Power goes: oxygen settles at about ${show(cut.endsMgPerL)}, enough to breathe`
      : `Power goes: oxygen is down to ${show(cut.leastMgPerL)} after about ${hoursText(cut.hours)}`;
  });

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

  protected setHumidity(value: number | null): void {
    this.store.editRoom('Humidity', [
      { op: 'replace', path: '/humidityPct', value: { value: value === null ? null : value * 100, basis: 'measured' } },
    ]);
  }

  private temperature(c: number): string {
    return formatQuantity('temperature', c, this.units());
  }

  private reach(reach: Reach | null): string {
    if (!reach) return 'edge not known';
    const edge = this.temperature(reach.edgeC);
    if (reach.hours === null && reach.band[0] === null) return `never (${edge})`;
    if (reach.hours === 0) return `already past ${edge}`;
    const span = reach.band.map((hours) => (hours === null ? 'never' : hoursText(hours)));
    return `${span[0] === span[1] ? span[0] : `${span[0]} – ${span[1]}`} to ${edge}`;
  }

  private settles({ settlesC }: Failure): string {
    return settlesC === null ? 'beyond 45 °C or frost' : this.temperature(settlesC);
  }
}

const ordered = ([a, b]: readonly [number, number]): [number, number] => [Math.min(a, b), Math.max(a, b)];

function hoursText(hours: number): string {
  if (hours < 1) return `${Math.max(1, Math.round(hours * 60))} min`;
  return hours < 72 ? `${Math.round(hours)} h` : `${Math.round(hours / 24)} days`;
}
