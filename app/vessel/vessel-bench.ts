import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { inOrder, nextOrder } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { formatNumber, formatQuantity, rounded } from '../../core/quantity/format';
import { newBox, reshaped, type LeakTest, type Opening, type Side, type Vessel, type VesselShape } from '../../core/vessel/model';
import { statedSizes, withGlass } from '../../core/vessel/outside';
import { resized, SIZE_FIELDS, type SizeField } from '../../core/vessel/resize';
import { sizeNeed, sizeVerdict, type SizeVerdict } from '../../core/vessel/size-need';
import { standsIn } from '../../core/vessel/space';
import { ASSUMED_GLASS_MM } from '../../core/assessment/derive/assumed';
import { STOCK_SIZES_MM } from '../../core/vessel/stock-sizes';
import { freshId } from '../../core/design/fresh-id';
import { Section } from '../section/section';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { Check } from '../ui/check';
import { ChoiceField } from '../ui/choice';
import { LatinText } from '../ui/latin-text';
import { QuantityField } from '../ui/quantity-field';
import { BACKGROUNDS, FLOORS, FOOTFALLS, LIDS, OPENINGS, RIMS, SHAPES, SIDES, STANDS, STATES, STATED_AS, SUNS, sizeName } from './words';

type FactName = 'rim' | 'lid' | 'background' | 'sun' | 'footfall' | 'stand' | 'floor' | 'state';

/** The vessel: form and size, top and openings, where it stands, sump and pipes, what it has been through. */
@Component({
  selector: 'tr-vessel-bench',
  imports: [Check, Section, LatinText, QuantityField, ChoiceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './vessel-bench.html',
  styleUrl: './vessel-bench.less',
})
export class VesselBench {
  protected readonly view = inject(TankView);
  protected readonly store = inject(TankSession);
  protected readonly why = inject(Why);
  protected readonly units = inject(PreferencesStore).units;
  protected readonly words = {
    shapes: SHAPES,
    lids: LIDS,
    rims: RIMS,
    backgrounds: BACKGROUNDS,
    suns: SUNS,
    footfalls: FOOTFALLS,
    stands: STANDS,
    floors: FLOORS,
    states: STATES,
    statedAs: STATED_AS,
    openings: OPENINGS,
    sides: SIDES,
  };
  protected readonly vessel = computed(() => this.view.design()?.vessel ?? null);
  protected readonly locked = computed(() => !!this.view.readOnly());
  /** Sides typed before there is a vessel; it exists once all three are known. */
  private readonly draft = signal<Partial<Record<SizeField, number>>>({});

  private readonly need = computed(() =>
    sizeNeed(
      this.view.members().flatMap(({ id, organism, count }) => (organism?.kind === 'animal' ? [{ id, animal: organism, count }] : [])),
    ),
  );
  protected readonly space = computed(() => this.view.design()?.brief.spaceMm ?? null);
  protected readonly sizes = computed(() =>
    STOCK_SIZES_MM.map((size) => ({
      size,
      name: size.map((mm) => formatNumber('length', mm, this.units())).join(' × '),
      verdict: this.space() && !standsIn(size, ASSUMED_GLASS_MM, this.space()!) ? ('too-large' as const) : sizeVerdict(this.need(), size),
    })),
  );
  /** What those chosen ask for, in words, each edge with whose it is. */
  protected readonly asked = computed(() => {
    const { floorMm, longMm, litres, deepestMm } = this.need();
    const units = this.units();
    const who = (id: string) => {
      const latin = this.view.members().find((member) => member.id === id)?.organism?.latin;
      return latin ? ` (*${latin}*)` : '';
    };
    const mm = (value: number) => formatNumber('length', value, units);
    return [
      ...(floorMm ? [`a floor of ${floorMm.value.map(mm).join(' × ')} ${units.length}${who(floorMm.by)}`] : []),
      ...(longMm && longMm.by !== floorMm?.by ? [`${mm(longMm.value)} ${units.length} of length${who(longMm.by)}`] : []),
      ...(litres ? [`${formatQuantity('volume', litres.value, units)}${who(litres.by)}`] : []),
      ...(deepestMm ? [`water no deeper than ${mm(deepestMm.value)} ${units.length}${who(deepestMm.by)}`] : []),
    ].join(', ');
  });
  protected readonly verdicts = [
    { of: 'enough', text: 'Enough for them' },
    { of: 'roomy', text: 'Roomy' },
    { of: 'too-small', text: 'Too small' },
    { of: 'too-large', text: 'Too large for the place' },
  ] as const;

  /** Free sizes of the place, as far as they are stated; kept once all three are. */
  private readonly spaceDraft = signal<readonly (number | null)[]>([null, null, null]);
  protected readonly spaceFields = computed(() => {
    const [kept, draft] = [this.space(), this.spaceDraft()];
    return ['length', 'depth', 'height'].map((name, i) => ({ i, label: `Place, free ${name}`, mm: kept?.[i] ?? draft[i] ?? null }));
  });

  protected setSpace(i: number, mm: number): void {
    const sizes = (this.space() ?? this.spaceDraft()).map((known, j) => (i === j ? mm : known));
    this.spaceDraft.set(sizes);
    if (sizes.every((size) => size !== null)) this.edit('Room for the tank', [{ op: 'add', path: '/brief/spaceMm', value: sizes }]);
  }

  protected forgetSpace(): void {
    this.spaceDraft.set([null, null, null]);
    this.edit('Room for the tank', [{ op: 'remove', path: '/brief/spaceMm' }]);
  }

  protected ofVerdict(verdict: SizeVerdict | 'too-large') {
    return this.sizes().filter((entry) => entry.verdict === verdict);
  }

  /** The size fields of the form, as they are stated. */
  protected readonly fields = computed(() => {
    const vessel = this.vessel();
    if (!vessel) {
      const typed = this.draft();
      return (['lengthMm', 'widthMm', 'heightMm'] as const).map((field) => ({
        field,
        label: sizeName('box', field),
        mm: typed[field] ?? null,
        limits: [50, 5000] as const,
      }));
    }
    const stated = statedSizes(vessel);
    return SIZE_FIELDS[vessel.shape].map((field) => ({
      field,
      label: sizeName(vessel.shape, field),
      mm: field in stated ? stated[field as keyof typeof stated] : ((vessel as unknown as Record<string, number>)[field] ?? null),
      limits: field === 'waterLevelMm' ? ([10, vessel.heightMm] as const) : ([40, 5000] as const),
    }));
  });

  protected readonly volumes = computed(() => {
    const derived = this.view.derived();
    if (!derived || !this.vessel()) return null;
    const volume = (litres: number | null) => (litres === null ? 'not known' : formatQuantity('volume', litres, this.units()));
    const mass = derived['vessel.filled-mass'].value;
    return {
      gross: volume(derived['vessel.gross-volume'].value),
      water: volume(derived['vessel.water-volume'].value),
      system: volume(derived['vessel.system-volume'].value),
      hasMore: this.vessel()?.sump !== null || Object.keys(this.vessel()?.plumbing ?? {}).length > 0,
      mass: mass && formatQuantity('mass', mass.kg * 1000, this.units()),
      load: mass && formatQuantity('pressure', mass.kPa, this.units()),
    };
  });

  protected readonly glass = computed(() => {
    const needed = this.view.derived()?.['vessel.glass-needed'].value ?? null;
    return needed === null ? null : `${rounded(needed, 1, this.units())} mm`;
  });

  protected readonly drain = computed(() => {
    const drain = this.view.derived()?.['vessel.drain-back'].value;
    if (!drain) return null;
    const show = (litres: number) => formatQuantity('volume', Math.abs(litres), this.units());
    return { drains: show(drain.drainsL), spare: show(drain.spareL), over: drain.spareL < 0 };
  });

  protected readonly openings = computed(() => inOrder(this.vessel()?.openings ?? {}));
  protected readonly braces = computed(() => inOrder(this.vessel()?.braces ?? {}));
  protected readonly plumbing = computed(() => inOrder(this.vessel()?.plumbing ?? {}));

  protected setSize(field: SizeField, mm: number): void {
    const vessel = this.vessel();
    if (vessel) return this.put(field === 'waterLevelMm' ? 'Water level' : 'Size', resized(vessel, field, mm));
    this.draft.update((draft) => ({ ...draft, [field]: mm }));
    const { lengthMm, widthMm, heightMm } = this.draft();
    if (lengthMm && widthMm && heightMm) this.choose([lengthMm, widthMm, heightMm]);
  }

  /** A usual box: what was said of the top and the place stays, the glass and the leak test do not. */
  protected choose([lengthMm, widthMm, heightMm]: readonly [number, number, number]): void {
    const present = this.vessel();
    const fresh = newBox(lengthMm, widthMm, heightMm);
    this.put(
      'Choose a vessel',
      present
        ? {
            ...reshaped(present, 'box'),
            lengthMm,
            widthMm,
            heightMm,
            waterLevelMm: fresh.waterLevelMm,
            glassMm: fresh.glassMm,
            braces: {},
            leakTest: fresh.leakTest,
          }
        : fresh,
    );
    this.draft.set({});
  }

  protected setShape(shape: VesselShape): void {
    const vessel = this.vessel() ?? newBox(300, 300, 300);
    this.put('Form of the vessel', reshaped(vessel, shape));
  }

  protected setGlass(mm: number | null): void {
    const vessel = this.vessel();
    if (vessel) this.put('Glass', mm === null ? { ...vessel, glassMm: { value: null, basis: 'measured' } } : withGlass(vessel, mm));
  }

  protected setStatedAs(statedAs: Vessel['statedAs']): void {
    this.edit('Sizes inside or outside', [{ op: 'replace', path: '/vessel/statedAs', value: statedAs }]);
  }

  protected setFact(name: FactName, value: string | null): void {
    this.edit(FACT_LABEL[name], [{ op: 'replace', path: pointer('vessel', name), value: { value, basis: 'measured' } }]);
  }

  protected setClearance(mm: number | null): void {
    this.edit('Height above', [{ op: 'replace', path: '/vessel/clearanceMm', value: { value: mm, basis: 'measured' } }]);
  }

  protected toggleSide(side: Side, seen: boolean): void {
    const sides = this.vessel()?.viewingSides ?? [];
    const next = seen ? [...sides, side] : sides.filter((other) => other !== side);
    if (next.length > 0) this.edit('Viewing sides', [{ op: 'replace', path: '/vessel/viewingSides', value: next }]);
  }

  protected addOpening(at: Opening['at']): void {
    const openings = this.vessel()?.openings;
    if (!openings) return;
    const value: Opening = { order: nextOrder(openings), at, ...(at === 'lid' ? GAP : at === 'weir' ? SLOT : INTAKE), guardMm: null };
    this.edit('Add an opening', [{ op: 'add', path: pointer('vessel', 'openings', freshId()), value }]);
  }

  protected setOpening(id: string, field: 'shortMm' | 'longMm' | 'guardMm', mm: number | null): void {
    this.edit('Opening', [{ op: 'replace', path: pointer('vessel', 'openings', id, field), value: mm }]);
  }

  protected remove(table: 'openings' | 'braces' | 'plumbing', id: string, label: string): void {
    this.edit(label, [{ op: 'remove', path: pointer('vessel', table, id) }]);
  }

  protected addBrace(): void {
    const vessel = this.vessel();
    if (!vessel) return;
    const value = { order: nextOrder(vessel.braces), atMm: Math.round(vessel.lengthMm / 2), widthMm: 60 };
    this.edit('Add a brace', [{ op: 'add', path: pointer('vessel', 'braces', freshId()), value }]);
  }

  protected setBrace(id: string, field: 'atMm' | 'widthMm', mm: number): void {
    this.edit('Brace', [{ op: 'replace', path: pointer('vessel', 'braces', id, field), value: mm }]);
  }

  protected toggleSump(has: boolean): void {
    const vessel = this.vessel();
    if (!vessel) return;
    const value = has ? { capacityL: 40, runningL: 22, stopsAtMm: Math.max(0, vessel.waterLevelMm - 20) } : null;
    this.edit(has ? 'Add a sump' : 'Take the sump out', [{ op: 'replace', path: '/vessel/sump', value }]);
  }

  protected setSump(field: 'capacityL' | 'runningL' | 'stopsAtMm', value: number): void {
    this.edit('Sump', [{ op: 'replace', path: pointer('vessel', 'sump', field), value }]);
  }

  protected addPlumbing(kind: 'chamber' | 'pipe'): void {
    const table = this.vessel()?.plumbing;
    if (!table) return;
    const value = { order: nextOrder(table), kind, litres: kind === 'pipe' ? 0.5 : 5, drains: kind === 'pipe' };
    this.edit(`Add a ${kind}`, [{ op: 'add', path: pointer('vessel', 'plumbing', freshId()), value }]);
  }

  protected setPlumbing(id: string, field: 'litres' | 'drains', value: number | boolean): void {
    this.edit('Pipes and chambers', [{ op: 'replace', path: pointer('vessel', 'plumbing', id, field), value }]);
  }

  protected setLeakTest(change: Partial<LeakTest> | null): void {
    const known = this.vessel()?.leakTest.value ?? { dry: true, days: null, filterRan: null };
    const value = { value: change && { ...known, ...change }, basis: 'measured' };
    this.edit('Leak test', [{ op: 'replace', path: '/vessel/leakTest', value }]);
  }

  private put(label: string, vessel: Vessel): void {
    this.edit(label, [{ op: 'replace', path: '/vessel', value: vessel }]);
  }

  private edit(label: string, patch: readonly Operation[]): void {
    this.store.edit(label, patch);
  }
}

const GAP = { shortMm: 15, longMm: 60 };
const SLOT = { shortMm: 5, longMm: 50 };
const INTAKE = { shortMm: 4, longMm: 25 };
const FACT_LABEL: Readonly<Record<FactName, string>> = {
  rim: 'Rim',
  lid: 'Lid',
  background: 'Background',
  sun: 'Sun',
  footfall: 'Footsteps',
  stand: 'Stand',
  floor: 'Floor',
  state: 'State of the vessel',
};
