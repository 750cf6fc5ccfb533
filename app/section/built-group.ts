import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import type { Bed } from '../../core/substrate/bed';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { drawPieces } from './drawn-pieces';
import { groundPicture, groundSection, heightLines, HATCHES } from './ground-drawing';
import type { DrawingView } from './outline';
import { scalePatch, shiftPatch, turnPatch, type Grip } from './piece-moves';

let groups = 0;

const looksSame = (a: Bed | null, b: Bed | null): boolean =>
  a === b ||
  (a !== null &&
    b !== null &&
    a.layers.length === b.layers.length &&
    a.layers.every(({ material, grainMm }, i) => material === b.layers[i]!.material && grainMm === b.layers[i]!.grainMm));

interface Hold {
  id: string;
  grip: Grip;
  pointerId: number;
  from: DOMPoint;
  middle: readonly [number, number];
  patch: readonly Operation[];
}

/** Bed and pieces on the drawing, in millimetres; pieces can be dragged, turned and scaled where they are on the bench. */
@Component({
  // part of a drawing: it has to be a group of its svg
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[trBuilt]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './built-group.html',
  styleUrl: './built-group.less',
})
export class BuiltGroup {
  readonly view = input.required<DrawingView>();
  /** Pieces are on the bench: they take the focus and the hand. */
  readonly editable = input(false);
  readonly selected = input<string | null>(null);
  readonly chosen = output<string | null>();
  /** A piece to be taken out. */
  readonly taken = output<string>();
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  protected readonly key = `built-${++groups}`;
  protected readonly hatches = HATCHES;
  private readonly hold = signal<Hold | null>(null);
  private readonly gesture = previewGesture(() => this.hold.set(null));

  private readonly ground = computed(() => this.tank.derived()?.['scene.ground'].value ?? null);
  /** Drawn anew only when its layers are others: pieces that are moved about in it change its litres. */
  private readonly bed = computed(() => this.tank.derived()?.['substrate.bed'].value ?? null, { equal: looksSame });
  protected readonly cut = computed(() => {
    const [ground, bed] = [this.ground(), this.bed()];
    return ground && bed && this.view() === 'section' ? groundSection(ground, bed) : null;
  });
  protected readonly floor = computed(() => {
    const [ground, bed] = [this.ground(), this.bed()];
    const vessel = this.tank.design()?.vessel;
    if (!ground || !bed || !vessel || this.view() !== 'plan') return null;
    return { picture: groundPicture(ground, bed), lines: heightLines(ground), lengthMm: vessel.lengthMm, widthMm: vessel.widthMm };
  });
  protected readonly zones = computed(() =>
    this.view() === 'plan'
      ? Object.entries(this.tank.design()?.substrate.zones ?? {}).map(([id, { outlineMm, edgeTopMm }]) => ({
          id,
          path: `M${outlineMm.map(([x, y]) => `${x} ${-y}`).join('L')}Z`,
          held: edgeTopMm !== null,
        }))
      : [],
  );

  protected readonly pieces = computed(() => {
    const assessment = this.tank.assessment();
    return assessment ? drawPieces(assessment, this.view()) : [];
  });

  protected readonly gripOf = computed(() => {
    const piece = this.editable() ? this.pieces().find(({ id }) => id === this.selected()) : undefined;
    if (!piece || this.tank.readOnly()) return null;
    const { left, right, top, bottom } = piece.extent;
    return { id: piece.id, left, right, top, bottom, middle: [(left + right) / 2, (top + bottom) / 2] as const };
  });

  protected grab(event: PointerEvent, id: string, grip: Grip): void {
    if (!this.editable()) return;
    event.preventDefault();
    event.stopPropagation();
    this.chosen.emit(id);
    const element = event.currentTarget as SVGGraphicsElement;
    element.focus({ preventScroll: true });
    if (this.tank.readOnly()) return;
    element.setPointerCapture(event.pointerId);
    const from = this.pointOf(event, element);
    const piece = this.pieces().find((one) => one.id === id);
    if (!from || !piece) return;
    const { left, right, top, bottom } = piece.extent;
    this.hold.set({ id, grip, pointerId: event.pointerId, from, middle: [(left + right) / 2, (top + bottom) / 2], patch: [] });
  }

  protected drag(event: PointerEvent): void {
    const hold = this.hold();
    const design = this.store.current?.design.state.document;
    if (!hold || hold.pointerId !== event.pointerId || !design) return;
    const at = this.pointOf(event, event.currentTarget as SVGGraphicsElement);
    if (!at) return;
    hold.patch = patchOf(hold, at, this.view(), event.altKey, design);
    this.gesture.show(() => (hold.patch.length > 0 ? { design: hold.patch } : null));
  }

  protected drop(): void {
    const hold = this.hold();
    if (!hold) return;
    this.letGo();
    const name = this.pieces().find(({ id }) => id === hold.id)?.name ?? 'piece';
    if (hold.patch.length > 0)
      this.store.edit(`${hold.grip === 'move' ? 'Move' : hold.grip === 'turn' ? 'Turn' : 'Resize'} the ${name}`, hold.patch);
  }

  protected letGo(): void {
    this.hold.set(null);
    this.gesture.end();
  }

  protected pressed(event: KeyboardEvent, id: string): void {
    const design = this.store.current?.design.state.document;
    if (!this.editable() || !design) return;
    const step = event.shiftKey ? 1 : 5;
    const moves: Record<string, readonly [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const move = moves[event.key];
    const name = this.pieces().find((piece) => piece.id === id)?.name ?? 'piece';
    let patch: Operation[] | null = null;
    let label = '';
    if (move) [patch, label] = [shiftPatch(design, id, this.view(), move[0], move[1], true), `Move the ${name}`];
    else if (event.key === '[' || event.key === ']')
      [patch, label] = [turnPatch(design, id, event.key === '[' ? 15 : -15), `Turn the ${name}`];
    else if (event.key === '<' || event.key === '>')
      [patch, label] = [scalePatch(design, id, event.key === '>' ? 1.05 : 1 / 1.05), `Resize the ${name}`];
    else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.chosen.emit(id);
    } else if (event.key === 'Delete') {
      event.preventDefault();
      this.taken.emit(id);
    } else if (event.key === 'Escape') {
      if (this.hold()) this.letGo();
      else this.chosen.emit(null);
    }
    if (!patch) return;
    event.preventDefault();
    event.stopPropagation();
    if (patch.length > 0 && !this.tank.readOnly()) this.store.edit(label, patch);
  }

  private pointOf(event: PointerEvent, element: SVGGraphicsElement): DOMPoint | null {
    const frame = element.closest<SVGGElement>('g[data-frame]');
    const matrix = frame?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
  }
}

function patchOf(
  { id, grip, from, middle }: Hold,
  at: DOMPoint,
  view: DrawingView,
  fine: boolean,
  design: Parameters<typeof shiftPatch>[0],
): Operation[] {
  switch (grip) {
    case 'move':
      return shiftPatch(design, id, view, at.x - from.x, from.y - at.y, fine);
    case 'turn': {
      const angle = (p: DOMPoint) => (Math.atan2(-(p.y - middle[1]), p.x - middle[0]) * 180) / Math.PI;
      const by = angle(at) - angle(from);
      return turnPatch(design, id, fine ? by : Math.round(by / 5) * 5);
    }
    case 'scale': {
      const reach = (p: DOMPoint) => Math.hypot(p.x - middle[0], p.y - middle[1]);
      return scalePatch(design, id, reach(at) / Math.max(1, reach(from)));
    }
  }
}
