import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { pointer } from '../../core/design/edit';
import { formatQuantity } from '../../core/quantity/format';
import type { Surface } from '../../core/substrate/model';
import { PreferencesStore } from '../store/preferences';
import { previewGesture } from '../store/preview-gesture';
import { TankSession } from '../store/tank-session';
import { TankView } from '../store/tank-view';
import { dragEdge, raiseKnot, refined } from '../../core/design/edits/bed-edits';

interface Knot {
  key: string;
  column: number;
  row: number;
  x: number;
  y: number;
  heightMm: number;
  edge: 'front' | 'back' | null;
  label: string;
}

interface Hold {
  knot: Knot;
  pointerId: number;
  fromY: number;
  byMm: number;
}

/** Knots of the top of a layer on the drawing: from the front its front and back edge, from above all of them. */
@Component({
  // part of a drawing: it has to be a group of its svg
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[trBedKnots]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (line(); as d) {
      <svg:path class="edge" [attr.d]="d.front" />
      <svg:path class="edge back" [attr.d]="d.back" />
    }
    @for (knot of knots(); track knot.key) {
      <svg:circle
        class="knot"
        tabindex="0"
        role="slider"
        r="6"
        aria-orientation="vertical"
        aria-valuemin="0"
        [class.back]="knot.edge === 'back'"
        [attr.aria-label]="knot.label"
        [attr.aria-valuemax]="most()"
        [attr.aria-valuenow]="knot.heightMm"
        [attr.aria-valuetext]="text(knot.heightMm)"
        [attr.cx]="knot.x"
        [attr.cy]="knot.y"
        (pointerdown)="grab($event, knot)"
        (pointermove)="drag($event)"
        (pointerup)="drop()"
        (pointercancel)="letGo()"
        (lostpointercapture)="letGo()"
        (keydown)="nudge($event, knot)"
      >
        <svg:title>{{ knot.label }}: {{ text(knot.heightMm) }}</svg:title>
      </svg:circle>
    }
  `,
  styles: `
    .edge {
      fill: none;
      stroke: var(--clay);
      stroke-width: 2;
      pointer-events: none;
      &.back {
        stroke-dasharray: 6 4;
        stroke-opacity: 0.8;
      }
    }
    .knot {
      fill: var(--sheet);
      stroke: var(--clay);
      stroke-width: 2;
      cursor: ns-resize;
      &.back {
        fill: var(--clay);
        fill-opacity: 0.35;
      }
      &:focus-visible {
        outline: none;
        stroke: var(--water);
        stroke-width: 4;
      }
    }
  `,
})
export class BedKnots {
  readonly view = input.required<'section' | 'plan'>();
  readonly layerId = input.required<string | null>();
  private readonly tank = inject(TankView);
  private readonly store = inject(TankSession);
  private readonly units = inject(PreferencesStore).units;
  private readonly hold = signal<Hold | null>(null);
  private readonly gesture = previewGesture(() => this.hold.set(null));

  private readonly vessel = computed(() => this.tank.design()?.vessel ?? null);
  protected readonly most = computed(() => this.vessel()?.heightMm ?? 0);

  /** The surface as it is shown: the document's, or the one in the hand. */
  private readonly surface = computed((): Surface | null => {
    const layer = this.tank.assessment()?.world.design.substrate.layers[this.layerId() ?? ''];
    const vessel = this.vessel();
    return layer && vessel ? refined(layer.top, vessel.lengthMm, vessel.widthMm) : null;
  });

  protected readonly knots = computed((): Knot[] => {
    const [surface, vessel] = [this.surface(), this.vessel()];
    if (!surface || !vessel || this.tank.readOnly()) return [];
    const section = this.view() === 'section';
    const rows = section ? [0, surface.rows - 1] : Array.from({ length: surface.rows }, (_, row) => row);
    return rows.flatMap((row) =>
      Array.from({ length: surface.columns }, (_, column): Knot => {
        const heightMm = surface.heightMm[row * surface.columns + column]!;
        const x = (column / (surface.columns - 1)) * vessel.lengthMm;
        const y = (row / (surface.rows - 1)) * vessel.widthMm;
        const edge = section ? (row === 0 ? 'front' : 'back') : null;
        const across = formatQuantity('length', x, this.units());
        return {
          key: `${column} ${row}`,
          column,
          row,
          x,
          y: section ? -heightMm : -y,
          heightMm,
          edge,
          label: edge
            ? `Top at the ${edge}, ${across} from the left`
            : `Top ${across} from the left, ${formatQuantity('length', y, this.units())} from the front`,
        };
      }),
    );
  });

  protected readonly line = computed(() => {
    if (this.view() !== 'section') return null;
    const along = (edge: 'front' | 'back') => {
      const points = this.knots().filter((knot) => knot.edge === edge);
      return points.length > 0 ? `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}` : '';
    };
    return { front: along('front'), back: along('back') };
  });

  protected text(mm: number): string {
    return formatQuantity('length', mm, this.units());
  }

  protected grab(event: PointerEvent, knot: Knot): void {
    event.preventDefault();
    const element = event.currentTarget as SVGGraphicsElement;
    element.focus({ preventScroll: true });
    element.setPointerCapture(event.pointerId);
    this.hold.set({ knot, pointerId: event.pointerId, fromY: this.atY(event, element), byMm: 0 });
  }

  protected drag(event: PointerEvent): void {
    const hold = this.hold();
    if (!hold || hold.pointerId !== event.pointerId) return;
    hold.byMm = Math.round(hold.fromY - this.atY(event, event.currentTarget as SVGGraphicsElement));
    this.gesture.show(() => ({ design: this.patchOf(hold.knot, hold.byMm) }));
  }

  protected drop(): void {
    const hold = this.hold();
    this.letGo();
    if (hold && hold.byMm !== 0) this.store.edit('Shape the bed', this.patchOf(hold.knot, hold.byMm));
  }

  protected letGo(): void {
    this.hold.set(null);
    this.gesture.end();
  }

  protected nudge(event: KeyboardEvent, knot: Knot): void {
    const by = { ArrowUp: 2, ArrowDown: -2, PageUp: 10, PageDown: -10 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    this.store.edit('Shape the bed', this.patchOf(knot, by));
  }

  private patchOf(knot: Knot, byMm: number) {
    const layer = this.store.current?.design.state.document.substrate.layers[this.layerId() ?? ''];
    const vessel = this.vessel();
    if (!layer || !vessel) return [];
    const top = refined(layer.top, vessel.lengthMm, vessel.widthMm);
    const value = knot.edge ? dragEdge(top, knot.column, knot.edge, byMm) : raiseKnot(top, knot.column, knot.row, byMm);
    return [{ op: 'replace' as const, path: pointer('substrate', 'layers', this.layerId()!, 'top'), value }];
  }

  private atY(event: PointerEvent, element: SVGGraphicsElement): number {
    const matrix = element.closest<SVGGElement>('g[data-frame]')?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()).y : 0;
  }
}
