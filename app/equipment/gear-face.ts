import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { coolerWasteW, energyUse } from '../../core/assessment/energy-use';
import { heatSavings } from '../../core/assessment/measures';
import { SERVICE_TASKS, serviceOf } from '../../core/equipment/service';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { newDevice, type Device } from '../../core/equipment/model';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { RouterLink } from '@angular/router';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { AddFrom } from '../ui/add-from';
import { Check } from '../ui/check';
import { QuantityField } from '../ui/quantity-field';
import { RunningFields } from './running-fields';
import { DEVICE_KINDS, DEVICE_WORD } from '../../core/assessment/wording/devices';
import { freshId } from '../../core/design/fresh-id';

const USUAL: ReadonlySet<Device['kind']> = new Set(['heater', 'cooler', 'fan', 'filter', 'pump', 'air', 'lamp']);
const SAVES = { lid: 'A closed lid', foam: 'Two centimetres of foam on back, sides and floor' } as const;

/** What is plugged in, how the water runs through it, and what it uses. */
@Component({
  selector: 'tr-gear-face',
  imports: [AddFrom, Check, QuantityField, RouterLink, RunningFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gear-face.html',
  styleUrl: './equipment-bench.less',
})
export class GearFace {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  /** What most tanks have is a button each; the rest is in a list. */
  protected readonly kinds = DEVICE_KINDS.filter((kind) => USUAL.has(kind));
  protected readonly others = DEVICE_KINDS.filter((kind) => !USUAL.has(kind)).map((value) => ({ value, text: DEVICE_WORD[value] }));
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
    const id = Object.hasOwn(design.equipment, kind) ? `${kind}-${freshId()}` : kind;
    const shared = { order: nextOrder(design.equipment), powerW: null, sizeMm: null, placeMm: null };
    const window = this.window();
    const middle = window ? Math.round((window[0] + window[1]) / 2) : 24;
    // what cools begins above what heats, or the two would work against each other
    const heaters = Object.values(design.equipment).flatMap((device) => (device.kind === 'heater' ? [device.setPointC] : []));
    const start = kind === 'heater' ? middle : Math.max(middle, ...heaters.map((setPointC) => setPointC + 1));
    const value = newDevice(kind, start, shared);
    this.store.edit(`Add a ${DEVICE_WORD[kind]}`, [{ op: 'add', path: pointer('equipment', id), value }]);
  }

  protected setPart(id: string, part: string, value: number | null, label: string): void {
    this.store.edit(label, [{ op: 'replace', path: pointer('equipment', id, part), value }]);
  }

  /** What is left out while it is not stated. */
  protected setOptional(id: string, part: 'guarded' | 'line', value: string | true | null, label: string): void {
    const device = this.view.design()?.equipment[id];
    if (!device) return;
    const there = Object.hasOwn(device, part);
    if (value === null && !there) return;
    const path = pointer('equipment', id, part);
    this.store.edit(label, [value === null ? { op: 'remove', path } : { op: there ? 'replace' : 'add', path, value }]);
  }

  protected readonly savings = computed(() => {
    const told = this.view.told();
    const price = this.view.room()?.pricePerKwh ?? null;
    return (told ? heatSavings(told) : []).map(({ measure, kwh }) => ({
      text: `${SAVES[measure]} would save about ${Math.round(kwh)} kWh a year${price === null ? '' : ` (${rounded(kwh * price, 2, this.units())})`}.`,
    }));
  });

  /** What a cooler gives to the room. */
  protected readonly waste = computed(() => {
    const told = this.view.told();
    const watts = told ? coolerWasteW(told) : null;
    return watts === null
      ? ''
      : `The cooler gives the room up to ${formatQuantity('power', watts, this.units())}: in a small one it warms its own air.`;
  });

  private readonly service = computed(() => {
    const design = this.view.design();
    return design ? serviceOf(design.equipment, design.water.co2 !== null) : [];
  });
  protected readonly services = computed(() =>
    this.service().map(({ deviceId, task, everyDays }) => ({
      id: `${task}:${deviceId ?? ''}`,
      title: SERVICE_TASKS[task].title,
      detail: SERVICE_TASKS[task].detail,
      every:
        everyDays % 7 === 0 && everyDays < 60
          ? `${everyDays / 7 === 1 ? 'week' : `${everyDays / 7} weeks`}`
          : everyDays >= 60
            ? `${Math.round(everyDays / 30)} months`
            : `${everyDays} days`,
    })),
  );

  /** Only what is about here, each once. */
  protected readonly cautions = computed(() => {
    const design = this.view.design();
    const kinds = new Set(Object.values(design?.equipment ?? {}).map(({ kind }) => kind));
    const salty = (this.view.told()?.derived['planned.salinity'].value ?? 0) > 1;
    return [
      'Mains and water: every line over an RCD or GFCI, a drip loop on every cord, sockets above the water line and off the floor. Unplug before hands go in. Wiring is for a licensed electrician, by your local code.',
      ...(kinds.has('heater')
        ? ['A heater that runs dry bursts: off before every water change, and a quarter of an hour before it comes out.']
        : []),
      ...(kinds.has('lamp') ? ['Lamps and their drivers grow hot, and fall: two ways of holding, none of them in the water.'] : []),
      ...(kinds.has('uv') ? ['UV blinds: never look at a burning lamp, never run it outside its case. Old ones hold mercury.'] : []),
      ...(design?.water.co2
        ? ['CO₂ takes the air of a room unseen. A cylinder is secured, its regulator made for it, the room aired.']
        : []),
      ...(Object.values(design?.equipment ?? {}).some((device) => device.kind === 'filter' && device.form === 'canister')
        ? ['A hose that slips off empties the tank as far down as its end hangs: clips on every joint.']
        : []),
      ...(salty ? ['Salt creeps along every cord and splash: wipe plugs, keep them above, and look at them monthly.'] : []),
    ];
  });

  protected remove(id: string, kind: string): void {
    this.store.edit(`Take the ${kind} out`, [{ op: 'remove', path: pointer('equipment', id) }]);
  }
}
