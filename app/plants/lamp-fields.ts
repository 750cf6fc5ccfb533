import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { lightHours } from '../../core/assessment/derive/assumed';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { newLamp } from '../../core/equipment/lamps';
import type { LampLight } from '../../core/equipment/model';
import { dailyMol } from '../../core/light/daily-integral';
import { ppfdAt } from '../../core/light/field';
import { Spectrum, SPECTRUM_WORD } from '../../core/light/spectrum';
import { rounded } from '../../core/quantity/format';
import type { QuantityKind } from '../../core/quantity/unit';
import { freshId } from '../../core/design/fresh-id';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';

type Reading = NonNullable<LampLight['reading']>;

interface Measure {
  part: 'beamDegrees' | 'overWaterMm' | 'lengthMm' | 'widthMm' | 'dim';
  kind: QuantityKind;
  label: string;
  limits: readonly [number, number];
}
const MEASURES: readonly Measure[] = [
  { part: 'beamDegrees', kind: 'angle', label: 'Beam', limits: [10, 160] },
  { part: 'overWaterMm', kind: 'length', label: 'Over the water', limits: [10, 3000] },
  { part: 'lengthMm', kind: 'length', label: 'Long', limits: [0, 5000] },
  { part: 'widthMm', kind: 'length', label: 'Wide', limits: [0, 2000] },
  { part: 'dim', kind: 'fraction', label: 'Dimmed to', limits: [0, 1] },
];
/** What a form has no use for. */
const WITHOUT: Readonly<Record<LampLight['form'], readonly Measure['part'][]>> = {
  bar: ['widthMm'],
  panel: [],
  spot: ['lengthMm', 'widthMm'],
};

const MONTH = new Intl.DateTimeFormat('en', { month: 'long' });

/** What the lamps give, when they burn, and what a meter read under them. */
@Component({
  selector: 'tr-lamp-fields',
  imports: [QuantityField, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lamp-fields.html',
  styleUrls: ['../ui/scene-bench.less', './lamp-fields.less'],
})
export class LampFields {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly() || !this.tank.design()?.vessel);
  protected readonly meters: { value: Reading['unit']; text: string }[] = [
    { value: 'umol/m2s', text: 'µmol/m²s' },
    { value: 'lux', text: 'lux' },
  ];
  protected readonly hours = [
    { part: 'rampHours' as const, label: 'Rises over, h' },
    { part: 'pauseHours' as const, label: 'Dark at noon, h' },
  ];
  protected readonly axes = [
    { at: 0 as const, text: 'Read from the left' },
    { at: 1 as const, text: 'Read from the front' },
    { at: 2 as const, text: 'Read at height' },
  ];

  protected readonly lamps = computed(() =>
    inOrder(this.tank.design()?.equipment ?? {}).flatMap(([id, device]) => (device.kind === 'lamp' ? [{ id, light: device.light }] : [])),
  );
  protected readonly forms: { value: LampLight['form']; text: string }[] = [
    { value: 'bar', text: 'Bar' },
    { value: 'panel', text: 'Panel' },
    { value: 'spot', text: 'Spot' },
  ];
  protected readonly outputs: { value: LampLight['output']['unit']; text: string }[] = [
    { value: 'lm', text: 'lumens' },
    { value: 'umol/s', text: 'µmol/s' },
    { value: 'W', text: 'watts' },
  ];
  protected readonly spectra = Spectrum.options.map((value) => ({ value, text: SPECTRUM_WORD[value] }));

  /** Light on the ground, without panes and shade. */
  protected readonly light = computed(() => {
    const light = this.tank.told()?.derived['light.lamps'].value;
    const design = this.tank.design();
    const vessel = design?.vessel;
    if (!light || !vessel) return null;
    const ground = this.tank.told()?.derived['substrate.bed'].value?.topMm.least ?? 0;
    const at = (x: number, y: number) => ppfdAt(light.lamps, light.water, [x, y, ground]);
    const middle = at(vessel.lengthMm / 2, vessel.widthMm / 2);
    const hours = lightHours(design);
    return {
      floor: rounded(middle, 0, this.units()),
      corner: rounded(at(30, 30), 0, this.units()),
      daily: rounded(dailyMol(middle, hours, 0), 1, this.units()),
      hours: rounded(hours, 1, this.units()),
    };
  });

  /** What falls in by the window, and how much more in summer. */
  protected readonly daylight = computed(() => {
    const months = this.tank.told()?.derived['light.daylight'].value;
    if (!months) return null;
    const [least, most] = [Math.min(...months), Math.max(...months)];
    const name = (mol: number) => MONTH.format(new Date(2001, months.indexOf(mol), 1));
    const show = (mol: number) => rounded(mol, mol < 1 ? 2 : 1, this.units());
    return `Daylight on the water: about ${show(least)} mol/m² a day in ${name(least)}, ${show(most)} in ${name(most)}`;
  });

  protected addLamp(): void {
    const design = this.tank.design();
    if (!design?.vessel || this.locked()) return;
    const id = Object.hasOwn(design.equipment, 'lamp') ? `lamp-${freshId()}` : 'lamp';
    const value = {
      order: nextOrder(design.equipment),
      kind: 'lamp',
      powerW: null,
      sizeMm: null,
      placeMm: null,
      light: this.usualLamp('bar'),
    };
    this.store.edit('Add a lamp', [{ op: 'add', path: pointer('equipment', id), value }]);
  }

  protected setForm(id: string, light: LampLight | null, form: LampLight['form'] | null): void {
    const value = form === null ? null : { ...(light ?? this.usualLamp(form)), form };
    this.store.edit('Kind of lamp', [{ op: 'replace', path: pointer('equipment', id, 'light'), value }]);
  }

  protected setLight<K extends keyof LampLight>(id: string, part: K, value: LampLight[K]): void {
    this.store.edit('Light of a lamp', [{ op: 'replace', path: pointer('equipment', id, 'light', part), value }]);
  }

  /** As lamps of this tank usually are: over all of it, 25 lumens a litre. Common practice; every figure is there to be put right. */
  private usualLamp(form: LampLight['form']): LampLight {
    const { lengthMm, widthMm, waterLevelMm } = this.tank.design()!.vessel!;
    const lumens = Math.max(200, Math.round(((lengthMm * widthMm * waterLevelMm) / 1e6) * 25 * 0.01) * 100);
    return newLamp(form, {
      output: { value: lumens, unit: 'lm' },
      lengthMm: Math.round(lengthMm * 0.9),
      widthMm: Math.round(widthMm * 0.5),
    });
  }

  protected measures(form: LampLight['form']): readonly Measure[] {
    return MEASURES.filter(({ part }) => !WITHOUT[form].includes(part));
  }

  protected remove(id: string): void {
    this.store.edit('Remove a lamp', [{ op: 'remove', path: pointer('equipment', id) }]);
  }

  /** A first reading is taken on the ground under the middle. */
  protected setReading(id: string, light: LampLight, value: number | null): void {
    const design = this.tank.design();
    if (!design?.vessel || value === null) return;
    const ground = Math.round(this.tank.told()?.derived['substrate.bed'].value?.topMm.most ?? 0);
    const { lengthMm, widthMm } = design.vessel;
    const reading: Reading = light.reading
      ? { ...light.reading, value }
      : { value, unit: 'lux', atMm: [Math.round(lengthMm / 2), Math.round(widthMm / 2), ground] };
    this.setLight(id, 'reading', reading);
  }

  protected movedTo(reading: Reading, axis: 0 | 1 | 2, mm: number): Reading {
    const atMm: Reading['atMm'] = [...reading.atMm];
    atMm[axis] = mm;
    return { ...reading, atMm };
  }
}
