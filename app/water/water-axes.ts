import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { plannedNode, windowNodeOf } from '../../core/assessment/derive';
import { emptyOwnCatalogue, saltsKnown } from '../../core/design/own-catalogue';
import { saltName } from '../../core/water/salts';
import { PARAMETER_META, type Parameter } from '../../core/catalogue/parameter';
import { inOrder } from '../../core/design/design';
import { sourceLabel } from '../../core/design/room';
import { formatNumber, formatQuantity, inChosenUnit, unitOf } from '../../core/quantity/format';
import type { Span } from '../../core/quantity/range';
import type { Move } from '../../core/tank/at-rest';
import { setReading, type Reading } from '../../core/design/edits/source-edits';
import { Why } from '../store/why';
import { PreferencesStore } from '../store/preferences';
import { previewGesture } from '../store/preview-gesture';
import { TankSession, type Preview } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { AxisGrip } from './axis-grip';
import { AXIS, axisDomain, layoutAxis, type AxisInput, type AxisStep } from './axis-layout';
import { perMg, pourToReach, setSalt, type Settable } from '../../core/design/edits/blend-edits';

const SHOWN: readonly Parameter[] = ['ghDh', 'khDh', 'ph', 'ec25UsPerCm', 'salinity'];
/** A step of the arrow keys, canonical; with Shift ten of them. */
const KEY_STEP: Readonly<Record<Parameter, number>> = { temperatureC: 0.1, ghDh: 0.1, khDh: 0.1, ph: 0.1, ec25UsPerCm: 5, salinity: 0.1 };

/** Processes by the name they go by on an axis. */
const MOVERS: Readonly<Record<string, string>> = {
  soil: 'soil',
  lime: 'lime',
  plants: 'plants',
  feeding: 'filter',
  nitrification: 'filter',
  heat: 'evaporation',
};

/** What moves the water in the tank, in degrees; feed and the filter that turns it over are one. */
function movesOf(moves: readonly Move[], parameter: 'ghDh' | 'khDh'): { name: string; by: number }[] {
  const sums = new Map<string, number>();
  for (const move of moves) {
    const name = MOVERS[move.id];
    if (name) sums.set(name, (sums.get(name) ?? 0) + move[parameter]);
  }
  return [...sums].map(([name, by]) => ({ name, by }));
}

type Grip = { kind: 'source' | 'salt'; id: string } | { kind: 'blend'; id: '' };
interface Drag extends Readonly<{ grip: Grip; parameter: Parameter; domain: Span }> {
  value: number;
  pointerId: number | null;
}

/** Everyone's ranges on each axis, with what is poured, weighed in and planned as marks that can be moved along it. */
@Component({
  selector: 'tr-water-axes',
  imports: [AxisGrip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './water-axes.html',
  styleUrl: './water-axes.less',
})
export class WaterAxes {
  private readonly view = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly why = inject(Why);
  private readonly units = inject(PreferencesStore).units;
  protected readonly axis = AXIS;
  private readonly drag = signal<Drag | null>(null);
  private readonly gesture = previewGesture(() => this.drag.set(null));

  protected readonly axes = computed(() => {
    const assessment = this.view.assessment();
    const units = this.units();
    if (!assessment) return [];
    const { world, derived } = assessment;
    const drag = this.drag();
    const salty = this.isSalty();
    const sources = inOrder(world.room.sources);
    return SHOWN.filter((parameter) => parameter !== 'salinity' || salty).map((parameter) => {
      const { name, kind, axis } = PARAMETER_META[parameter];
      const node = plannedNode(derived, parameter);
      const reading = parameter as Reading;
      const input: AxisInput = {
        window: windowNodeOf(derived, parameter).value,
        planned: { value: node.value, interval: node.interval ?? null },
        // sea water would squeeze a fresh-water axis flat, unless it is poured
        sources: sources
          .filter(([, source]) => source.kind !== 'sea' || salty)
          .flatMap(([id, source]) => {
            const value = source[reading].value;
            return value === null ? [] : [{ id, name: sourceLabel(source), value }];
          }),
        steps: this.steps(parameter),
        fallback: [axis[0], axis[1]],
        shown: (value) => inChosenUnit(kind, value, units),
        domain: drag?.parameter === parameter ? drag.domain : null,
      };
      const show = (value: number) => formatQuantity(kind, value, units);
      const layout = layoutAxis(input);
      return {
        ...layout,
        parameter,
        name,
        input,
        unit: unitOf(kind, units).unit,
        severity: this.view.worstOfParameter(parameter) ?? 'fits',
        pinText: node.value === null ? '' : formatNumber(kind, node.value, units),
        plannedText: node.value === null ? 'not known' : show(node.value),
        planned: node.value,
        settable: parameter !== 'ph' && node.value !== null && sources.length > 1,
        sources: layout.sources.map((source) => ({ ...source, text: show(source.value), poured: this.isPoured(source.id) })),
        steps: layout.steps.map((step) => ({ ...step, text: show(step.to) })),
      };
    });
  });
  protected readonly readOnly = this.view.readOnly;

  /** From what is poured to what settles: salt by salt, then soil and stone. */
  private steps(parameter: Parameter): AxisStep[] {
    const { world, derived } = this.view.assessment()!;
    const mixed = derived['water.mixed'].value;
    if (parameter === 'ph' || parameter === 'temperatureC' || !mixed) return [];
    const salts = inOrder(world.design.water.salts).map(([, entry]) => entry);
    const end = parameter === 'salinity' ? mixed.salinity : mixed[parameter];
    if (end === null) return [];
    const brings = salts
      .map(({ saltId, mgPerL }) => ({ saltId, by: mgPerL * perMg(this.salt(saltId), parameter) }))
      .filter(({ by }) => by > 1e-9);
    const steps: AxisStep[] = [];
    let from = Math.max(0, end - brings.reduce((sum, { by }) => sum + by, 0));
    for (const { saltId, by } of brings) {
      steps.push({ id: saltId, name: saltName(saltId, this.salts()), from, to: from + by, movable: true });
      from += by;
    }
    if (parameter === 'ghDh' || parameter === 'khDh') {
      let at = end;
      for (const { name, by } of movesOf(derived['tank.settled'].value?.moves ?? [], parameter)) {
        if (Math.abs(by) < 0.05) continue;
        const to = Math.max(0, at + by);
        steps.push({ id: name, name, from: at, to, movable: false });
        at = to;
      }
    }
    return steps;
  }

  private isPoured(sourceId: string): boolean {
    return this.view.derived()?.['water.poured'].value?.some(({ id }) => id === sourceId) ?? false;
  }

  private isSalty(): boolean {
    const derived = this.view.derived();
    const wanted = derived?.['window.salinity'].value?.members.some(({ range }) => (range?.value?.optimum[1] ?? 0) > 3);
    return Boolean(wanted) || (derived?.['planned.salinity'].value ?? 0) > 1;
  }

  protected grab(event: PointerEvent, grip: Grip, row: ReturnType<WaterAxes['axes']>[number]): void {
    if (this.readOnly() || event.button !== 0) return;
    event.preventDefault();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    (event.currentTarget as SVGElement).focus({ preventScroll: true });
    this.drag.set({ grip, parameter: row.parameter, domain: axisDomain(row.input), value: NaN, pointerId: event.pointerId });
  }

  protected move(event: PointerEvent, row: ReturnType<WaterAxes['axes']>[number]): void {
    const drag = this.drag();
    if (drag?.pointerId !== event.pointerId) return;
    const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect();
    const shown = row.valueAt(((event.clientX - box.left) / box.width) * AXIS.width);
    this.show({ ...drag, value: this.canonical(row.parameter, shown) });
  }

  protected letGo(event: PointerEvent): void {
    const drag = this.drag();
    if (drag?.pointerId === event.pointerId) this.done(drag);
  }

  protected lose(event: PointerEvent): void {
    if (this.drag()?.pointerId === event.pointerId) this.drop();
  }

  protected key(event: KeyboardEvent, grip: Grip, row: ReturnType<WaterAxes['axes']>[number], value: number): void {
    if (event.key === 'Escape') return this.drop();
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by === undefined || this.readOnly()) return;
    event.preventDefault();
    event.stopPropagation();
    const drag = this.drag() ?? { grip, parameter: row.parameter, domain: axisDomain(row.input), value, pointerId: null };
    const from = Number.isNaN(drag.value) ? value : drag.value;
    this.show({ ...drag, value: Math.max(0, from + by * KEY_STEP[row.parameter] * (event.shiftKey ? 10 : 1)) });
  }

  /** A key let go, or the focus gone: the move is done. */
  protected settle(): void {
    const drag = this.drag();
    if (drag && drag.pointerId === null) this.done(drag);
  }

  /** At most one judgement a frame, of the last place. */
  private show(drag: Drag): void {
    this.drag.set(drag);
    this.gesture.show(() => (Number.isNaN(drag.value) ? null : this.patchOf(drag)));
  }

  private done(drag: Drag): void {
    const patch = Number.isNaN(drag.value) ? {} : this.patchOf(drag);
    this.drop();
    if (patch.design && patch.design.length > 0) this.store.edit(drag.grip.kind === 'salt' ? 'Add a salt' : 'Blend', patch.design);
    if (patch.room && patch.room.length > 0) this.store.editRoom('Source reading', patch.room);
  }

  private drop(): void {
    this.drag.set(null);
    this.gesture.end();
  }

  private readonly salts = computed(() => saltsKnown(this.view.room()?.own ?? emptyOwnCatalogue()));
  private readonly salt = (id: string) => this.salts().get(id);

  /** What a move means: a reading corrected, a salt weighed otherwise, the sources poured otherwise. */
  private patchOf({ grip, parameter, value }: Drag): Preview {
    const design = this.view.design();
    const derived = this.view.derived();
    if (!design || !derived) return {};
    const { kind, limits } = PARAMETER_META[parameter];
    const rounded = Number(Math.min(limits[1], Math.max(limits[0], value)).toFixed(unitOf(kind, this.units()).decimals));
    if (grip.kind === 'source') return { room: setReading(grip.id, parameter as Reading, rounded) };
    if (grip.kind === 'salt') {
      const each = perMg(this.salt(grip.id), parameter as Settable);
      const step = this.steps(parameter).find(({ id }) => id === grip.id);
      return each > 0 && step ? { design: setSalt(design, grip.id, Math.max(0, (value - step.from) / each)) } : {};
    }
    const salts = Object.values(design.water.salts).reduce(
      (sum, { saltId, mgPerL }) => sum + mgPerL * perMg(this.salt(saltId), parameter as Settable),
      0,
    );
    // what filter, plants and evaporation make of it comes on top of what is poured; soil and lime set their own end
    const drift =
      parameter === 'ghDh' || parameter === 'khDh'
        ? movesOf(derived['tank.settled'].value?.moves ?? [], parameter).reduce(
            (sum, { name, by }) => sum + (name === 'soil' || name === 'lime' ? 0 : by),
            0,
          )
        : 0;
    const patch = pourToReach(design, derived['water.sources'].value ?? {}, parameter as Settable, Math.max(0, value - drift), salts);
    return patch.length > 0 ? { design: patch } : {};
  }

  private canonical(parameter: Parameter, shown: number): number {
    const { kind } = PARAMETER_META[parameter];
    // scales are straight lines through nought, but for temperature, which has no axis here
    return shown / inChosenUnit(kind, 1, this.units());
  }
}
