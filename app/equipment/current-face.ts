import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { inOrder, type Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import type { Operation } from 'rfc6902';
import { quantileOf, shareUnder } from '../../core/quantity/sorted';
import { STILL_MM_PER_S } from '../../core/equipment/current-field';
import { usualOutlet } from '../../core/equipment/outlets';
import { newRuns, type Device, type Runs } from '../../core/equipment/model';
import { animalOf } from '../../core/assessment/derive';
import { CURRENTS, RESTS_MM_PER_S, suitsOf, TORRENT_MM_PER_S } from '../../core/stocking/current';
import { movingCurrentMmPerS } from '../../core/substrate/grain-moves';
import { formatQuantity, rounded } from '../../core/quantity/format';
import { currentKey } from '../section/current-shade';
import { Section } from '../section/section';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Why } from '../store/why';
import { workedOut } from '../store/worked-out';
import { ChoiceField } from '../ui/choice';
import { QuantityField } from '../ui/quantity-field';
import { SelectField } from '../ui/select';
import { DEVICE_WORD } from '../../core/assessment/wording/devices';

const WANTS: Readonly<Record<(typeof CURRENTS)[number], string>> = {
  none: 'still water',
  slow: 'slow water',
  moderate: 'a steady current',
  strong: 'a strong current',
};
/** Surface that drives floating plants under and along, mm/s. Common practice. */
const DRIVEN_MM_PER_S = 40;
/** A body that nobody has measured, as it is drawn where it is put first, mm. */
const USUAL_SIZE: Readonly<Record<Device['kind'], readonly [number, number, number]>> = {
  heater: [25, 25, 220],
  cooler: [200, 200, 300],
  fan: [120, 60, 90],
  controller: [80, 40, 120],
  filter: [70, 80, 180],
  pump: [70, 70, 60],
  air: [120, 70, 60],
  lamp: [300, 80, 20],
  skimmer: [90, 90, 280],
  uv: [60, 60, 300],
  reactor: [80, 80, 300],
  'top-up': [60, 40, 60],
  alarm: [60, 30, 90],
};

/** Where gear stands in the tank, the current its nozzles make, and who gets what of it. */
@Component({
  selector: 'tr-current-face',
  imports: [ChoiceField, QuantityField, Section, SelectField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './current-face.html',
  styleUrls: ['../ui/scene-bench.less'],
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      margin-bottom: 6px;
    }
    .both {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 320px), 1fr));
      gap: 10px;
    }
    .key {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 12px;
      margin: 4px 0 10px;
    }
    .step i {
      display: inline-block;
      width: 14px;
      height: 11px;
      margin-right: 5px;
      border: 1px solid var(--rule);
    }
    section {
      margin-top: 14px;
    }
    .fields {
      align-items: end;
    }
    td,
    th {
      text-align: left;
      padding: 3px 10px 3px 0;
    }
  `,
})
export class CurrentFace {
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly preferences = inject(PreferencesStore);
  private readonly units = this.preferences.units;
  protected readonly why = inject(Why);
  protected readonly locked = computed(() => !!this.tank.readOnly());
  protected readonly drawing = signal<'section' | 'plan' | 'both'>('both');
  protected readonly drawings = [
    { value: 'section' as const, text: 'Section' },
    { value: 'plan' as const, text: 'Plan' },
    { value: 'both' as const, text: 'Both' },
  ];
  protected readonly selected = signal<string | null>(null);
  protected readonly hasVessel = computed(() => !!this.tank.design()?.vessel);
  protected readonly map = workedOut(this.tank, 'current');
  protected readonly key = computed(() => currentKey(this.preferences.theme()));
  protected readonly field = computed(() => this.tank.told()?.derived['gear.current'] ?? null);

  protected readonly devices = computed(() => {
    const nth = new Map<string, number>();
    const all = inOrder(this.tank.design()?.equipment ?? {});
    return all.map(([id, device]) => {
      const n = (nth.get(device.kind) ?? 0) + 1;
      nth.set(device.kind, n);
      const several = all.filter(([, one]) => one.kind === device.kind).length > 1;
      return { id, device, name: `${DEVICE_WORD[device.kind]}${several ? ` ${n}` : ''}` };
    });
  });
  protected readonly list = computed(() =>
    this.devices()
      .filter(({ device }) => isPlaced(device))
      .map(({ id, name }) => ({ value: id, text: name })),
  );
  /** What stands nowhere yet, and what blows from nowhere. */
  protected readonly unplaced = computed(() =>
    this.devices().flatMap(({ id, device, name }) => {
      if (device.kind === 'lamp') return [];
      if (!isPlaced(device)) return [{ id, text: `Place the ${name}` }];
      const blows = device.kind === 'filter' || device.kind === 'pump';
      return blows && !device.runs?.outletAtMm ? [{ id, text: `Place the nozzle of the ${name}` }] : [];
    }),
  );

  protected readonly piece = computed(() => {
    const one = this.devices().find(({ id }) => id === this.selected());
    if (!one || !isPlaced(one.device)) return null;
    const runs = 'runs' in one.device ? one.device.runs : null;
    return { ...one, runs, body: one.device.placeMm };
  });

  /** Who gets what of the current, in words. */
  protected readonly rows = computed(() => {
    const field = this.field()?.value;
    if (!field) return [];
    const units = this.units();
    const afloat = (this.tank.told()?.derived['plants.standing'].value ?? []).some(({ hold }) => hold === 'afloat');
    const floaters = {
      id: 'afloat',
      name: 'Floating plants',
      latin: false,
      wants: WANTS.none,
      speeds: `${rounded(field.surfaceMmPerS / 10, 1, units)} cm/s`,
      suits: field.surfaceMmPerS > DRIVEN_MM_PER_S ? 'driven together and under: hold them in a ring' : 'they stay where they are',
    };
    const animals = this.tank.members().flatMap((member) => {
      const animal = animalOf(member);
      const wanted = animal?.traits.current.value;
      if (!animal || !wanted) return [];
      const strata = (animal.traits.strata.value ?? ['middle']).filter((one) => Object.hasOwn(field.strata, one)) as (
        'bottom' | 'middle' | 'top'
      )[];
      const speeds = strata.length > 0 ? strata.map((one) => field.strata[one]) : Object.values(field.strata);
      const of = (share: number) => rounded(Math.max(...speeds.map((all) => quantileOf(all, share))) / 10, 1, units);
      const suits = suitsOf({ animal } as never, field.strata);
      return [
        {
          id: member.id,
          name: animal.latin,
          latin: true,
          wants: WANTS[wanted],
          speeds: `${of(0.5)} cm/s, up to ${of(0.99)}`,
          suits:
            suits === null
              ? 'at home in either'
              : suits.wants === 'calm'
                ? `${Math.round(suits.share * 100)} % of its water is slower than ${RESTS_MM_PER_S[wanted as 'none' | 'slow'] / 10} cm/s`
                : `${Math.round(suits.share * 100)} % of its water is faster than ${TORRENT_MM_PER_S / 10} cm/s`,
        },
      ];
    });
    return afloat ? [...animals, floaters] : animals;
  });

  protected readonly summary = computed(() => {
    const field = this.field()?.value;
    if (!field) return null;
    const units = this.units();
    const all = Object.values(field.strata);
    const count = all.reduce((sum, { length }) => sum + length, 0);
    const still = count > 0 ? all.reduce((sum, speeds) => sum + shareUnder(speeds, STILL_MM_PER_S) * speeds.length, 0) / count : 0;
    const cm = (mmPerS: number) => `${rounded(mmPerS / 10, 1, units)} cm/s`;
    const top = this.tank.told()?.derived['substrate.bed'].value?.layers.at(-1);
    const grain = top?.grainMm?.[0];
    const moves =
      grain !== undefined && grain >= 0.02 && grain <= 40
        ? `; ${top?.material?.name ?? 'its grain'} begins to move at ${cm(movingCurrentMmPerS(grain))}`
        : '';
    const bed = field.bedMmPerS < 5 ? 'no jet meets the bed' : `a jet meets the bed at ${cm(field.bedMmPerS)}${moves}`;
    return `${Math.round(still * 100)} % of the water all but stands; the surface goes at ${cm(field.surfaceMmPerS)}; ${bed}.`;
  });

  protected place(id: string): void {
    const design = this.tank.design();
    if (!design?.vessel) return;
    const patch = placePatch(design, id);
    this.store.edit('Place gear', patch);
    this.selected.set(id);
  }

  protected unplace(id: string): void {
    const device = this.tank.design()?.equipment[id];
    if (!device) return;
    const patch: Operation[] = [{ op: 'replace', path: pointer('equipment', id, 'placeMm'), value: null }];
    if ('runs' in device && device.runs)
      patch.push({ op: 'replace', path: pointer('equipment', id, 'runs'), value: { ...device.runs, outletAtMm: null, intakeAtMm: null } });
    this.selected.set(null);
    this.store.edit('Take gear off the drawing', patch);
  }

  protected set(id: string, runs: Runs, more: Partial<Runs>): void {
    this.store.edit('Nozzle', [{ op: 'replace', path: pointer('equipment', id, 'runs'), value: { ...runs, ...more } }]);
  }

  protected mm = (value: number): string => formatQuantity('length', value, this.units());

  protected at(place: readonly [number, number, number], axis: 0 | 1 | 2, value: number): [number, number, number] {
    const next: [number, number, number] = [...place];
    next[axis] = value;
    return next;
  }

  protected setCord(id: string, metres: number | null): void {
    const device = this.tank.design()?.equipment[id];
    if (!device) return;
    const path = pointer('equipment', id, 'cordM');
    const there = device.cordM !== undefined;
    if (metres !== null) this.store.edit('Cord', [{ op: there ? 'replace' : 'add', path, value: metres }]);
    else if (there) this.store.edit('Cord', [{ op: 'remove', path }]);
  }

  protected move(id: string, place: readonly [number, number, number], axis: 0 | 1 | 2, value: number): void {
    this.store.edit('Place gear', [{ op: 'replace', path: pointer('equipment', id, 'placeMm'), value: this.at(place, axis, value) }]);
  }
}

const isPlaced = (device: Device): boolean =>
  device.placeMm !== null ||
  ('runs' in device && device.runs !== null && (device.runs.outletAtMm !== null || device.runs.intakeAtMm !== null));

/** Puts a device where such a one usually stands, beside what stands there. */
function placePatch({ equipment, vessel }: Design, id: string): Operation[] {
  const device = equipment[id];
  if (!device || !vessel) return [];
  const { lengthMm, widthMm, waterLevelMm } = vessel;
  const stood = device.placeMm;
  const sizeMm = device.sizeMm ?? [...USUAL_SIZE[device.kind]];
  const others = Object.values(equipment).filter(({ placeMm }) => placeMm !== null).length;
  const stands = device.kind === 'filter' || device.kind === 'pump' || device.kind === 'skimmer';
  const x = stands ? lengthMm - sizeMm[0] / 2 - 10 - others * 30 : 40 + others * 40;
  const z = Math.max(0, device.kind === 'pump' ? waterLevelMm / 2 : waterLevelMm - sizeMm[2] + 10);
  const placeMm = stood ?? [Math.min(lengthMm - 5, Math.max(5, x)), widthMm - sizeMm[1] / 2 - 10, z].map(Math.round);
  const foot = placeMm[2]!;
  const patch: Operation[] = [
    { op: 'replace', path: pointer('equipment', id, 'sizeMm'), value: sizeMm },
    { op: 'replace', path: pointer('equipment', id, 'placeMm'), value: placeMm },
  ];
  if (device.kind !== 'filter' && device.kind !== 'pump') return patch;
  const outlet = usualOutlet(vessel);
  const runs = device.runs ?? newRuns();
  // it blows away from the pane that it stands at
  const right = placeMm[0]! > lengthMm / 2;
  const top = device.kind === 'pump' ? foot + sizeMm[2] / 2 : Math.min(outlet.atMm[2], Math.max(20, foot + sizeMm[2] - 15));
  const at = [placeMm[0]! + (right ? -1 : 1) * (sizeMm[0] / 2), placeMm[1]!, top];
  return [
    ...patch,
    {
      op: 'replace',
      path: pointer('equipment', id, 'runs'),
      value: {
        ...runs,
        outletAtMm: at.map(Math.round),
        outletTurnDeg: right ? 180 : 0,
        outletRiseDeg: 0,
        intakeAtMm: [placeMm[0]!, placeMm[1]!, Math.round(foot + 15)],
      },
    },
  ];
}
