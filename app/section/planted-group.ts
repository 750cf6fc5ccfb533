import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Operation } from 'rfc6902';
import { placeOf } from '../../core/assessment/derive/plants';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import type { DrawingView } from './outline';
import { movePlanting } from './planting-moves';
import { drawPlantings } from './section-geometry';

let groups = 0;

interface Hold {
  id: string;
  pointerId: number;
  from: DOMPoint;
  patch: readonly Operation[];
}

/** The plantings on the drawing, in millimetres; on their bench they can be taken hold of. */
@Component({
  // part of a drawing: it has to be a group of its svg
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[trPlanted]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg:defs>
      <svg:clipPath [attr.id]="key"><svg:path [attr.d]="within()" /></svg:clipPath>
      @for (blend of blends(); track blend.id) {
        <svg:linearGradient [attr.id]="blend.id" x1="0" y1="0" x2="0" y2="1">
          <svg:stop offset="0.35" [attr.stop-color]="blend.leaf" />
          <svg:stop offset="1" [attr.stop-color]="blend.tip" />
        </svg:linearGradient>
      }
    </svg:defs>
    @for (plant of plants(); track plant.id) {
      <svg:g
        class="planting"
        [class.filled]="plant.filled"
        [class.over]="view() === 'plan'"
        [class.here]="plant.id === selected()"
        [class.held]="editable()"
        [attr.data-planting]="plant.id"
        [attr.tabindex]="editable() ? 0 : null"
        [attr.role]="editable() ? 'button' : null"
        [attr.aria-pressed]="editable() ? plant.id === selected() : null"
        [attr.aria-label]="editable() ? plant.name : null"
        [attr.clip-path]="isInside(plant.xMm) ? 'url(#' + key + ')' : null"
        (pointerdown)="grab($event, plant.id)"
        (pointermove)="drag($event)"
        (pointerup)="drop()"
        (pointercancel)="letGo()"
        (lostpointercapture)="letGo()"
        (keydown)="pressed($event, plant.id)"
      >
        <svg:g [attr.transform]="'translate(' + plant.xMm + ' ' + -plant.zMm + ') scale(1 -1)'">
          @if (editable()) {
            <svg:rect
              class="area"
              rx="3"
              [attr.x]="-plant.halfMm"
              [attr.y]="view() === 'plan' ? -plant.halfMm : plant.afloat ? -plant.tallMm : 0"
              [attr.width]="2 * plant.halfMm"
              [attr.height]="view() === 'plan' ? 2 * plant.halfMm : plant.tallMm"
            />
          }
          <svg:path [attr.d]="plant.path" [style.fill]="plant.filled ? fillOf(plant) : null" [style.stroke]="plant.edge" />
        </svg:g>
      </svg:g>
    }
  `,
  styles: `
    path {
      fill: none;
      stroke-width: 1.5;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .filled path {
      fill-opacity: 0.66;
      stroke-width: 0.5;
    }
    .over path {
      fill-opacity: 0.42;
      stroke-width: 0.7;
    }
    :host-context([data-theme='night']) {
      filter: brightness(1.45);
    }
    .planting:not(.held) {
      pointer-events: none;
    }
    .held {
      cursor: grab;
      outline: none;
      touch-action: none;
    }
    .area {
      fill: transparent;
      stroke: none;
    }
    .here .area,
    .held:focus-visible .area {
      stroke: var(--water);
      stroke-dasharray: 5 3;
      stroke-width: 1.6;
      vector-effect: non-scaling-stroke;
    }
    .held:focus-visible .area {
      stroke-dasharray: none;
    }
    .here path {
      stroke-width: 1.4;
    }
  `,
})
export class PlantedGroup {
  readonly view = input.required<DrawingView>();
  readonly editable = input(false);
  readonly selected = input<string | null>(null);
  readonly chosen = output<string | null>();
  /** A planting to be taken out. */
  readonly taken = output<string>();
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly hold = signal<Hold | null>(null);
  private readonly gesture = previewGesture(() => this.hold.set(null));
  private readonly standing = computed(() => this.tank.derived()?.['plants.standing'].value ?? []);
  protected readonly plants = computed(() => drawPlantings(this.standing(), this.view()));

  /** One for each pair of colours: leaf at the foot, tips above. */
  protected readonly blends = computed(() => [
    ...new Map(
      this.plants().flatMap(({ leaf, tip }) => (tip ? [[leaf + tip, { id: this.blendId(leaf, tip), leaf, tip }] as const] : [])),
    ).values(),
  ]);
  private blendId(leaf: string, tip: string): string {
    return `${this.key}-${leaf.slice(1)}-${tip.slice(1)}`;
  }
  protected fillOf({ leaf, tip }: { leaf: string; tip: string | null }): string {
    return tip ? `url(#${this.blendId(leaf, tip)})` : leaf;
  }

  protected readonly key = `planted-${++groups}`;
  /** Leaves lie along the glass: nothing is drawn through it. Over the rim they may grow. */
  protected readonly within = computed(() => {
    const vessel = this.tank.design()?.vessel;
    if (!vessel) return '';
    const [length, width] = [vessel.lengthMm, vessel.widthMm];
    return this.view() === 'plan' ? `M0 0H${length}V${-width}H0Z` : `M0 0H${length}V${-3 * vessel.heightMm}H0Z`;
  });

  protected isInside(xMm: number): boolean {
    const length = this.tank.design()?.vessel?.lengthMm ?? 0;
    return xMm >= 0 && xMm <= length;
  }

  protected grab(event: PointerEvent, id: string): void {
    if (!this.editable()) return;
    event.preventDefault();
    event.stopPropagation();
    this.chosen.emit(id);
    const element = event.currentTarget as SVGGraphicsElement;
    element.focus({ preventScroll: true });
    if (this.tank.readOnly()) return;
    element.setPointerCapture(event.pointerId);
    const from = this.pointOf(event, element);
    if (from) this.hold.set({ id, pointerId: event.pointerId, from, patch: [] });
  }

  protected drag(event: PointerEvent): void {
    const hold = this.hold();
    const design = this.store.current?.design.state.document;
    const at = hold && this.pointOf(event, event.currentTarget as SVGGraphicsElement);
    if (!hold || hold.pointerId !== event.pointerId || !design || !at) return;
    const by: [number, number] = [at.x - hold.from.x, hold.from.y - at.y];
    hold.patch = movePlanting(design, this.place(), hold.id, this.view(), by[0], by[1], event.altKey);
    this.gesture.show(() => (hold.patch.length > 0 ? { design: hold.patch } : null));
  }

  protected drop(): void {
    const hold = this.hold();
    if (!hold) return;
    this.letGo();
    if (hold.patch.length > 0) this.store.edit(`Move the ${this.nameOf(hold.id)}`, hold.patch);
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
    if (move) {
      event.preventDefault();
      event.stopPropagation();
      const patch = movePlanting(design, this.place(), id, this.view(), move[0], move[1], true);
      if (patch.length > 0 && !this.tank.readOnly()) this.store.edit(`Move the ${this.nameOf(id)}`, patch);
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.chosen.emit(id);
    } else if (event.key === 'Delete') {
      event.preventDefault();
      this.taken.emit(id);
    } else if (event.key === 'Escape') {
      if (this.hold()) this.letGo();
      else this.chosen.emit(null);
    }
  }

  private readonly place = computed(() => {
    const [design, derived] = [this.tank.design(), this.tank.derived()];
    return design && derived ? placeOf(design, derived) : null;
  });

  private nameOf(id: string): string {
    return this.plants().find((plant) => plant.id === id)?.name ?? 'plant';
  }

  private pointOf(event: PointerEvent, element: SVGGraphicsElement): DOMPoint | null {
    const matrix = element.closest<SVGGElement>('g[data-frame]')?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
  }
}
