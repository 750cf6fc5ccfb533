import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { inOrder, type Design } from '../../core/design/design';
import { pointer } from '../../core/design/edit';
import { newRuns, type Device } from '../../core/equipment/model';
import { DEVICE_WORD } from '../../core/assessment/wording/devices';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import type { DrawingView } from './outline';

/** What of a device the hand holds. */
type Part = 'body' | 'outlet' | 'intake' | 'turn';
interface Hold {
  id: string;
  part: Part;
  pointerId: number;
  from: DOMPoint;
  by: readonly [number, number];
  angle: number | null;
}
type Place = readonly [number, number, number];

/** Places snap to this, millimetres; with Alt held to one. */
const SNAP_MM = 5;
/** How far from its nozzle the handle that turns it is, mm. */
const REACH_MM = 70;

/** Gear with a place, on the drawing: bodies, nozzles with the way they blow, and intakes; each can be dragged where it is on the bench. */
@Component({
  // part of a drawing: it has to be a group of its svg
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[trGear]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gear-group.html',
  styleUrl: './gear-group.less',
})
export class GearGroup {
  readonly view = input.required<DrawingView>();
  readonly editable = input(false);
  readonly selected = input<string | null>(null);
  readonly chosen = output<string | null>();
  /** Pixels a millimetre: words and marks stay their size. */
  readonly scale = input.required<number>();
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly hold = signal<Hold | null>(null);
  private readonly gesture = previewGesture(() => this.hold.set(null));

  private readonly design = computed(() => this.tank.assessment()?.world.design ?? this.tank.design());

  protected readonly gear = computed(() => {
    const scale = this.scale();
    return inOrder(this.design()?.equipment ?? {}).flatMap(([id, device]) => {
      const name = DEVICE_WORD[device.kind];
      const runs = device.kind === 'filter' || device.kind === 'pump' ? device.runs : null;
      const body = device.placeMm && device.sizeMm ? this.boxOf(device.placeMm, device.sizeMm) : null;
      const outlet = runs?.outletAtMm ? this.flat(runs.outletAtMm) : null;
      const intake = runs?.intakeAtMm ? this.flat(runs.intakeAtMm) : null;
      if (!body && !outlet && !intake) return [];
      const way = runs ? this.wayOf(runs.outletTurnDeg, runs.outletRiseDeg) : ([0, 0] as const);
      const far = Math.max(REACH_MM, 34 / scale);
      return [
        {
          id,
          name,
          body,
          outlet: outlet && {
            x: outlet[0],
            y: -outlet[1],
            degrees: (Math.atan2(-way[1], way[0]) * 180) / Math.PI,
            // towards the eye, or away from it
            end: Math.hypot(...way) < 0.3,
            turnX: outlet[0] + way[0] * far,
            turnY: -(outlet[1] + way[1] * far),
          },
          intake: intake && { x: intake[0], y: -intake[1] },
          unit: 1 / scale,
        },
      ];
    });
  });

  private flat([x, y, z]: Place): readonly [number, number] {
    return this.view() === 'section' ? [x, z] : [x, y];
  }

  private wayOf(turnDeg: number, riseDeg: number): readonly [number, number] {
    const [turn, rise] = [(turnDeg * Math.PI) / 180, (riseDeg * Math.PI) / 180];
    return this.view() === 'section'
      ? [Math.cos(rise) * Math.cos(turn), Math.sin(rise)]
      : [Math.cos(rise) * Math.cos(turn), Math.cos(rise) * Math.sin(turn)];
  }

  private boxOf([x, y, z]: Place, [across, deep, tall]: Place) {
    const [from, height] = this.view() === 'section' ? [z, tall] : [y - deep / 2, deep];
    return { x: x - across / 2, y: -(from + height), width: across, height };
  }

  protected grab(event: PointerEvent, id: string, part: Part): void {
    if (!this.editable()) return;
    event.preventDefault();
    event.stopPropagation();
    this.chosen.emit(id);
    const element = event.currentTarget as SVGGraphicsElement;
    element.focus({ preventScroll: true });
    const from = this.pointOf(event);
    if (this.tank.readOnly() || !from) return;
    element.setPointerCapture(event.pointerId);
    this.hold.set({ id, part, pointerId: event.pointerId, from, by: [0, 0], angle: null });
  }

  protected drag(event: PointerEvent): void {
    const hold = this.hold();
    const at = this.pointOf(event);
    const design = this.store.current?.design.state.document;
    if (!hold || hold.pointerId !== event.pointerId || !at || !design) return;
    if (hold.part === 'turn') {
      const runs = runsAt(design, hold.id);
      const [x, y] = this.flat(runs.outletAtMm ?? [0, 0, 0]);
      hold.angle = (Math.atan2(-at.y - y, at.x - x) * 180) / Math.PI;
    } else hold.by = [at.x - hold.from.x, hold.from.y - at.y];
    this.gesture.show(() => {
      const patch = this.patchOf(design, hold, event.altKey);
      return patch.length > 0 ? { design: patch } : null;
    });
  }

  protected drop(event: PointerEvent): void {
    const hold = this.hold();
    this.letGo();
    const design = this.store.current?.design.state.document;
    if (!hold || !design) return;
    const patch = this.patchOf(design, hold, event.altKey);
    if (patch.length > 0) this.store.edit(hold.part === 'turn' ? 'Turn a nozzle' : 'Place gear', patch);
  }

  protected letGo(): void {
    this.hold.set(null);
    this.gesture.end();
  }

  protected pressed(event: KeyboardEvent, id: string, part: Part): void {
    const design = this.store.current?.design.state.document;
    if (!this.editable() || !design || this.tank.readOnly()) return;
    const step = event.shiftKey ? 1 : SNAP_MM;
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const by = moves[event.key];
    const turn = event.key === '[' ? 15 : event.key === ']' ? -15 : null;
    const none = { id, pointerId: -1, from: new DOMPoint(), angle: null };
    let patch: Operation[] = [];
    if (by) patch = this.patchOf(design, { ...none, part, by }, true);
    else if (turn !== null && runsAt(design, id).outletAtMm) patch = this.turned(design, id, turn);
    else return;
    event.preventDefault();
    event.stopPropagation();
    if (patch.length > 0) this.store.edit(by ? 'Place gear' : 'Turn a nozzle', patch);
  }

  private turned(design: Design, id: string, by: number): Operation[] {
    const runs = runsAt(design, id);
    return this.view() === 'section'
      ? [{ op: 'replace', path: pointer('equipment', id, 'runs', 'outletRiseDeg'), value: clamp(runs.outletRiseDeg + by, [-90, 90]) }]
      : [{ op: 'replace', path: pointer('equipment', id, 'runs', 'outletTurnDeg'), value: around(runs.outletTurnDeg + by) }];
  }

  private patchOf(design: Design, { id, part, by, angle }: Hold, fine: boolean): Operation[] {
    const device = design.equipment[id];
    const vessel = design.vessel;
    if (!device || !vessel) return [];
    const snap = (mm: number) => (fine ? Math.round(mm) : Math.round(mm / SNAP_MM) * SNAP_MM);
    const moved = ([x, y, z]: Place): [number, number, number] => {
      const deep = this.view() === 'plan';
      return [
        clamp(snap(x + by[0]), [0, vessel.lengthMm]),
        deep ? clamp(snap(y + by[1]), [0, vessel.widthMm]) : y,
        deep ? z : clamp(snap(z + by[1]), [0, vessel.heightMm + 600]),
      ];
    };
    const put = (path: string[], place: Place | null): Operation[] => {
      if (!place) return [];
      const value = moved(place);
      return value.every((mm, i) => mm === place[i]) ? [] : [{ op: 'replace', path: pointer('equipment', id, ...path), value }];
    };
    const runs = runsAt(design, id);
    switch (part) {
      case 'body':
        // its nozzle and its intake go along
        return [
          ...put(['placeMm'], device.placeMm),
          ...put(['runs', 'outletAtMm'], runs.outletAtMm),
          ...put(['runs', 'intakeAtMm'], runs.intakeAtMm),
        ];
      case 'outlet':
        return put(['runs', 'outletAtMm'], runs.outletAtMm);
      case 'intake':
        return put(['runs', 'intakeAtMm'], runs.intakeAtMm);
      case 'turn': {
        if (angle === null) return [];
        const to = fine ? Math.round(angle) : Math.round(angle / 5) * 5;
        if (this.view() === 'plan') return [{ op: 'replace', path: pointer('equipment', id, 'runs', 'outletTurnDeg'), value: around(to) }];
        // from the front the hand says how steep, and which side: depth stays as it was
        const left = Math.abs(to) > 90;
        const rise = left ? (to > 0 ? 180 - to : -180 - to) : to;
        const was = runs.outletTurnDeg;
        const side = Math.abs(Math.abs(was) - 90) < 1 ? was : left === Math.abs(was) > 90 ? was : around(180 - was);
        return [
          { op: 'replace', path: pointer('equipment', id, 'runs', 'outletRiseDeg'), value: clamp(rise, [-90, 90]) },
          { op: 'replace', path: pointer('equipment', id, 'runs', 'outletTurnDeg'), value: side },
        ];
      }
    }
  }

  private pointOf(event: PointerEvent): DOMPoint | null {
    const frame = (event.currentTarget as SVGGraphicsElement).closest<SVGGElement>('g[data-frame]');
    const matrix = frame?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
  }
}

const clamp = (value: number, [low, high]: readonly [number, number]): number => Math.min(high, Math.max(low, value));
const around = (degrees: number): number => ((((Math.round(degrees) + 180) % 360) + 360) % 360) - 180;
function runsAt({ equipment }: Design, id: string) {
  const device: Device | undefined = equipment[id];
  return (device && 'runs' in device ? device.runs : null) ?? newRuns();
}
